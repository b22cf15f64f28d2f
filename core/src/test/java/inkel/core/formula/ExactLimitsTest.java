package inkel.core.formula;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.quantity.Frequency;
import inkel.core.quantity.Share;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Formulas at the very limit that they turn at, and one step to either side. */
class ExactLimitsTest {
    private static BaudRate off(double percent) {
        return new BaudRate(16, 8, Frequency.ofHertz(115_200), Share.ofPercent(percent));
    }

    @ParameterizedTest
    @ValueSource(ints = {1, -1})
    void aRateThatIsJustAsFarOffAsItMayBe(int way) {
        assertTrue(off(2 * way).isWithinLimit());
        assertFalse(off(2.001 * way).isWithinLimit());
        assertTrue(off(3 * way).isWithinBoth());
        assertFalse(off(3.001 * way).isWithinBoth());
        assertFalse(off(3 * way).isWithinLimit());
    }

    @Test
    void theFastestClockUnderALimitWhicheverOrderTheDividersAreIn() {
        List<Integer> dividers = List.of(128, 2, 4, 64, 8);
        Frequency source = Frequency.ofHertz(16e6);
        assertEquals(
                4,
                SpiClock.fastest(source, dividers, Frequency.ofHertz(5e6))
                        .orElseThrow()
                        .divider());
        assertEquals(
                4,
                SpiClock.fastest(source, dividers, Frequency.ofHertz(4e6))
                        .orElseThrow()
                        .divider());
        assertEquals(
                8,
                SpiClock.fastest(source, dividers, Frequency.ofHertz(3.999e6))
                        .orElseThrow()
                        .divider());
        assertEquals(Optional.empty(), SpiClock.fastest(source, dividers, Frequency.ofHertz(124_999)));
    }

    @Test
    void aTimerTakesTheDividerThatComesNearest() {
        // 30 Hz for 30/9 Hz: divided by two it counts 4.5, so 5 and 3 Hz; divided by three it counts 3 and is exact.
        TimerSetting set = TimerSetting.nearest(Frequency.ofHertz(30), 8, List.of(2, 3), Frequency.ofHertz(30.0 / 9))
                .orElseThrow();
        assertEquals(3, set.prescaler());
        assertEquals(0, set.error().ratio(), 1e-12);
    }

    @Test
    void aConverterReadsTheCodeWhoseStepBeginsAtAVoltage() {
        Converter ten = new Converter(Voltage.ofVolts(3.3), 10);
        for (long code = 0; code < 1024; code++) {
            assertEquals(code, ten.reads(ten.volts(code)));
        }
        assertEquals(1, ten.reads(ten.volts(2).minus(Voltage.ofMillivolts(0.01))));
    }

    @Test
    void channelsOfTheBandThatAreUnderNoNetwork() {
        // A network on channel 6 is 22 MHz wide around 2437: 2426 to 2448. A radio 1 MHz wide on channel 25 ends at
        // 2425.5.
        List<Integer> free = PacketAir.free(
                PacketAir.Rate.MIDDLE, channel -> PacketAir.isUnder(channel, PacketAir.Rate.MIDDLE, 6, 22));
        List<Integer> wanted = new ArrayList<>();
        IntStream.rangeClosed(1, 25).forEach(wanted::add);
        IntStream.rangeClosed(49, 83).forEach(wanted::add);
        assertEquals(wanted, free);
        // 2 MHz wide on channel 1 begins at 2400 sharp, and 1 MHz wide on channel 83 ends at 2483.5 sharp.
        assertTrue(PacketAir.isInBand(1, PacketAir.Rate.FAST));
        assertTrue(PacketAir.isInBand(83, PacketAir.Rate.SLOW));
        assertFalse(PacketAir.isInBand(84, PacketAir.Rate.SLOW));
        assertFalse(PacketAir.isInBand(0, PacketAir.Rate.SLOW));
        assertFalse(PacketAir.isInBand(83, PacketAir.Rate.FAST));
        assertEquals("250 kbit/s", PacketAir.Rate.SLOW.text());
        assertEquals(-94, PacketAir.Rate.SLOW.sensitivity());
    }

    @Test
    void whatIsLeftOfTheLastPartOfAMessage() {
        // Two parts of 153 short characters or of 67 long ones.
        assertEquals(306 - 161, TextMessage.of("a".repeat(161)).left());
        assertEquals(134 - 71, TextMessage.of("ж".repeat(71)).left());
        assertEquals(0, TextMessage.of("a".repeat(160)).left());
        assertEquals(70 - 1, TextMessage.of("ж").left());
    }

    @Test
    void theFirstOfEachTableOfLetters() {
        assertTrue(TextMessage.of("@").isShort());
        assertEquals(1, TextMessage.of("@").units());
        assertTrue(TextMessage.of("^").isShort());
        assertEquals(2, TextMessage.of("^").units());
        // 152 letters and one that counts double, which goes whole into the next part.
        assertEquals(3, TextMessage.of("a".repeat(152) + "^" + "a".repeat(152)).parts());
    }

    @Test
    void aLegThatLiesAQuarterOfAPitchFromTheGap() {
        // Two legs 0.5 apart on pads 1 apart: each 0.25 off its pad, which is a quarter from the middle between two.
        assertFalse(PitchFit.of(2, 0.5, 8, 1, 0.8).betweenPads());
        assertTrue(PitchFit.of(2, 0.49, 8, 1, 0.8).betweenPads());
        assertTrue(PitchFit.of(3, 0.5, 8, 1, 0.8).betweenPads());
        // A third of a pad of 0.75 is the same 0.25: too much.
        assertFalse(PitchFit.of(2, 0.5, 8, 1, 0.75).fits());
        assertTrue(PitchFit.of(2, 0.5, 8, 1, 0.76).fits());
    }

    @Test
    void theSmallestAndTheLargestResistorThatBandsTell() {
        assertEquals(
                List.of(Markings.Band.RED, Markings.Band.RED, Markings.Band.SILVER),
                Markings.bands(0.22).orElseThrow());
        assertEquals(
                List.of(Markings.Band.RED, Markings.Band.RED, Markings.Band.WHITE),
                Markings.bands(22e9).orElseThrow());
        assertEquals(Optional.empty(), Markings.bands(0.022));
        assertEquals(Optional.empty(), Markings.bands(22e10));
    }

    @Test
    void fieldsAsTheyArePackedAndWritten() {
        List<PacketLayout.Field> fields =
                List.of("a:int16[3]", "b:char[5]", "c:char", "d:unsigned", "e:unsigned long").stream()
                        .map(text -> PacketLayout.Field.parse(text).orElseThrow())
                        .toList();
        PacketLayout eight = PacketLayout.of(fields, PacketLayout.Board.BITS_8);
        assertEquals("a@0+6 b@6+5 c@11+1 d@12+2 e@14+4", eight.text());
        assertEquals("<3h5scHI", eight.pack(PacketLayout.Board.BITS_8));
        // On 64 bits a plain unsigned has four bytes and a long one eight.
        assertEquals(
                "<3h5scIQ", PacketLayout.of(fields, PacketLayout.Board.BITS_64).pack(PacketLayout.Board.BITS_64));
        assertEquals(
                "a:int16[3] b:char[5] c:char d:unsigned int e:unsigned long",
                fields.stream().map(PacketLayout.Field::text).collect(Collectors.joining(" ")));
        assertEquals(Optional.empty(), PacketLayout.Field.parse("a:int16[0]"));
        assertEquals(255, PacketLayout.Field.parse("a:byte[255]").orElseThrow().count());
        assertEquals(Optional.empty(), PacketLayout.Field.parse("a:byte[256]"));
        assertEquals(1, PacketLayout.Field.parse("a:int16[1]").orElseThrow().count());
        assertEquals(
                List.of(8, 32, 64),
                java.util.Arrays.stream(PacketLayout.Board.values())
                        .map(PacketLayout.Board::bits)
                        .toList());
        assertTrue(PacketLayout.Sort.INT32.isFixed());
        assertFalse(PacketLayout.Sort.LONG.isFixed(), "larger on 64 bits");
        assertFalse(PacketLayout.Sort.INT.isFixed(), "smaller on 8 bits");
    }

    /** One width that is far too long, wherever it stands, makes a train none of the codings. */
    @ParameterizedTest
    @CsvSource({"distance", "width", "phase"})
    void oneWrongWidthIsNoCode(String coding) {
        List<Double> train =
                switch (coding) {
                    case "distance" -> InfraredCodeTest.distance(0x04, 0x08);
                    case "width" -> InfraredCodeTest.width(12, 1, 21);
                    default -> InfraredCodeTest.biPhase(5, 53, true);
                };
        assertTrue(InfraredCode.of(train).isPresent());
        for (int i = 0; i < train.size(); i++) {
            List<Double> wrong = new ArrayList<>(train);
            wrong.set(i, 20_000.0);
            assertEquals(Optional.empty(), InfraredCode.of(wrong), "width " + i + " of " + coding);
        }
    }

    @Test
    void aBitOfTwoEqualHalvesIsNone() {
        // Fourteen pairs of halves, the third of them both light.
        String light = "-##-##" + "-#".repeat(11);
        List<Double> train = new ArrayList<>();
        int from = 1;
        for (int i = 1; i < light.length(); i++) {
            if (i + 1 == light.length() || light.charAt(i + 1) != light.charAt(i)) {
                train.add((i + 1 - from) * 889.0);
                from = i + 1;
            }
        }
        assertEquals(Optional.empty(), InfraredCode.of(train));
    }

    @Test
    void anAddressOfOneByteGoesWithItsInverse() {
        InfraredCode last = new InfraredCode(InfraredCode.Coding.PULSE_DISTANCE, 0xFF, 1, false, false);
        // Eight long spaces of the address, then eight short ones of its inverse.
        List<Double> spaces = IntStream.range(0, 16)
                .mapToObj(i -> last.train().get(3 + 2 * i))
                .toList();
        assertEquals(
                8, spaces.subList(0, 8).stream().filter(space -> space > 1600).count());
        assertEquals(
                8, spaces.subList(8, 16).stream().filter(space -> space < 600).count());
        assertEquals(Optional.of(last), InfraredCode.of(last.train()));
    }

    @Test
    void whatIsWrongOnlyAtTheEndsOfTwoSupplies() {
        LevelCheck harms = check(3.9, 3.4);
        assertTrue(harms.isOnlyAtTheEnds(check(3.3, 3.4)), "0.5 V over at the worst, and none of it as a rule");
        assertFalse(harms.isOnlyAtTheEnds(check(3.5, 3.4)), "over as a rule too");
        assertTrue(check(4.0, 3.4).isOnlyAtTheEnds(check(3.3, 3.4)), "0.6 V is what a clamp takes");
        assertFalse(check(4.01, 3.4).isOnlyAtTheEnds(check(3.3, 3.4)));
        assertFalse(check(3.3, 3.4).isOnlyAtTheEnds(check(3.3, 3.4)), "nothing is wrong");
    }

    /** A driver whose high goes up to some volts, into a receiver that bears others. */
    private static LevelCheck check(double highest, double most) {
        return new LevelCheck(
                Voltage.ofVolts(3.0),
                Voltage.ofVolts(highest),
                Voltage.ofVolts(0.2),
                Voltage.ofVolts(2.0),
                Voltage.ofVolts(0.8),
                Voltage.ofVolts(most),
                Optional.empty(),
                Voltage.ofVolts(3.3));
    }

    @Test
    void aSymbolOfJustSixteenMillisecondsIsNotYetLong() {
        // 2^11 chips at 128 000 a second.
        assertEquals(0.016, chirp(128_000).symbol().seconds(), 1e-15);
        assertFalse(chirp(128_000).isLowRate());
        assertTrue(chirp(127_999).isLowRate());
    }

    private static LongRangeAir chirp(double bandwidth) {
        return new LongRangeAir(11, Frequency.ofHertz(bandwidth), 1, 8, true, true);
    }

    @Test
    void theLeastRateThatIsWrittenInMillions() {
        assertEquals(Optional.of(PacketAir.Rate.MIDDLE), PacketAir.Rate.parse("1M"));
        assertEquals(Optional.of(PacketAir.Rate.MIDDLE), PacketAir.Rate.parse("1000k"));
        assertEquals(Optional.empty(), PacketAir.Rate.parse("0M"));
    }

    @Test
    void aClippedLineEndsInItsCornersToTheLastDigit() {
        PolyLine line = new PolyLine(
                List.of(new PolyLine.Corner(0.1, 0.1), new PolyLine.Corner(1, 0.4), new PolyLine.Corner(4.7, 0.9)),
                true);
        assertEquals(0.1, line.at(0.1), 0);
        assertEquals(0.9, line.at(4.7), 0);
        assertEquals(0, line.piece(1), "a corner belongs to the piece that ends there");
        assertEquals(1, line.piece(Math.nextUp(1.0)));
    }

    @Test
    void aPositionOfAsFewFieldsAsTellIt() {
        String told = "GPGGA,1,4807.038,N,01131.000,E,1,08,0.9,545.4";
        assertEquals(545.4, position(told).orElseThrow().height(), 0);
        assertEquals(Optional.empty(), position(told.substring(0, told.lastIndexOf(','))));
    }

    private static Optional<PositionSentence.Fix> position(String between) {
        String line = String.format("$%s*%02X", between, PositionSentence.check(between));
        return PositionSentence.parse(line).orElseThrow().fix();
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2})
    void pulsesThatNeverEndOrNeverBeginLeaveNothing(int stages) {
        PwmFilter filter = new PwmFilter(4.7e-3, stages);
        assertEquals(0, filter.ripple(5, 1 / 490.0, 1), 0);
        assertEquals(0, filter.ripple(5, 1 / 490.0, 0), 0);
        assertTrue(filter.ripple(5, 1 / 490.0, 0.999) > 0);
    }
}
