package inkel.core.formula;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.formula.InfraredCode.Coding;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Trains are made here by a generator of its own: a string of on and off, stretched and shaken, is cut into widths. */
class InfraredCodeTest {
    private static void add(List<double[]> train, double mark, double space) {
        train.add(new double[] {mark, space});
    }

    private static List<Double> flat(List<double[]> pairs) {
        List<Double> all = new ArrayList<>();
        for (double[] pair : pairs) {
            all.add(pair[0]);
            all.add(pair[1]);
        }
        all.remove(all.size() - 1);
        return all;
    }

    static List<Double> distance(int address, int command) {
        List<double[]> train = new ArrayList<>();
        add(train, 9000, 4500);
        int[] bytes = address > 0xFF
                ? new int[] {address & 0xFF, address >> 8, command, 255 - command}
                : new int[] {address, 255 - address, command, 255 - command};
        for (int one : bytes) {
            for (int bit = 0; bit < 8; bit++) {
                add(train, 562.5, (one & 1 << bit) != 0 ? 1687.5 : 562.5);
            }
        }
        add(train, 562.5, 0);
        return flat(train);
    }

    static List<Double> width(int bits, int address, int command) {
        List<double[]> train = new ArrayList<>();
        add(train, 2400, 600);
        for (int i = 0; i < bits; i++) {
            int bit = i < 7 ? command >> i & 1 : address >> i - 7 & 1;
            add(train, bit == 1 ? 1200 : 600, 600);
        }
        return flat(train);
    }

    static List<Double> biPhase(int address, int command, boolean toggle) {
        StringBuilder bits = new StringBuilder("1").append(command < 64 ? 1 : 0).append(toggle ? 1 : 0);
        for (int i = 4; i >= 0; i--) {
            bits.append(address >> i & 1);
        }
        for (int i = 5; i >= 0; i--) {
            bits.append(command >> i & 1);
        }
        StringBuilder light = new StringBuilder();
        bits.chars().forEach(bit -> light.append(bit == '1' ? "-#" : "#-"));
        List<Double> train = new ArrayList<>();
        String seen = light.toString().replaceAll("^-+|-+$", "");
        int run = 0;
        for (int i = 0; i < seen.length(); i++) {
            run++;
            if (i + 1 == seen.length() || seen.charAt(i + 1) != seen.charAt(i)) {
                train.add(run * 889.0);
                run = 0;
            }
        }
        return train;
    }

    private static List<Double> shaken(List<Double> train, double share, double stretch, Random random) {
        List<Double> shaken = new ArrayList<>();
        for (int i = 0; i < train.size(); i++) {
            double width = train.get(i) * (1 + share * (2 * random.nextDouble() - 1));
            shaken.add(width + (i % 2 == 0 ? stretch : -stretch));
        }
        return shaken;
    }

    @Test
    void codesByHand() {
        assertEquals(
                Optional.of(new InfraredCode(Coding.PULSE_DISTANCE, 0x04, 0x08, false, false)),
                InfraredCode.of(distance(0x04, 0x08)));
        assertEquals(
                Optional.of(new InfraredCode(Coding.PULSE_DISTANCE, 0x1234, 0xFF, false, false)),
                InfraredCode.of(distance(0x1234, 0xFF)));
        assertEquals(
                Optional.of(new InfraredCode(Coding.PULSE_WIDTH, 1, 21, false, false)),
                InfraredCode.of(width(12, 1, 21)));
        assertEquals(
                Optional.of(new InfraredCode(Coding.BI_PHASE, 5, 53, false, true)),
                InfraredCode.of(biPhase(5, 53, true)));
        assertEquals(
                Optional.of(new InfraredCode(Coding.BI_PHASE, 5, 100, false, false)),
                InfraredCode.of(biPhase(5, 100, false)));
        assertEquals(
                Optional.of(new InfraredCode(Coding.PULSE_DISTANCE, 0, 0, true, false)),
                InfraredCode.of(List.of(9000.0, 2250.0, 562.5)));
    }

    @Test
    void whatIsNoneOfThemStaysRaw() {
        assertTrue(InfraredCode.of(List.of()).isEmpty());
        assertTrue(InfraredCode.of(List.of(3400.0, 1700.0, 430.0, 430.0, 430.0)).isEmpty());
        List<Double> cut = distance(4, 8);
        assertTrue(InfraredCode.of(cut.subList(0, 41)).isEmpty());
        // A command whose inverse is another one.
        List<Double> wrong = new ArrayList<>(distance(4, 8));
        wrong.set(2 * 31 + 3, wrong.get(2 * 31 + 3) > 1000 ? 562.5 : 1687.5);
        assertTrue(InfraredCode.of(wrong).isEmpty());
    }

    private static int recognised(double share) {
        Random random = new Random(99_991);
        int right = 0;
        for (int i = 0; i < 3000; i++) {
            int address = random.nextInt(32);
            int command = random.nextInt(128);
            List<Double> sent =
                    switch (i % 3) {
                        case 0 -> distance(address, command);
                        case 1 -> width(new int[] {12, 15, 20}[random.nextInt(3)], address, command);
                        default -> biPhase(address, command, random.nextBoolean());
                    };
            Optional<InfraredCode> heard = InfraredCode.of(shaken(sent, share, 100 * random.nextDouble(), random));
            if (heard.isPresent()) {
                assertEquals(address, heard.get().address(), "none is taken for another");
                assertEquals(command, heard.get().command(), "none is taken for another");
                right++;
            }
        }
        return right;
    }

    @Test
    void trainsThatTrembleAndAreStretchedAreRecognised() {
        assertTrue(recognised(0.15) >= 2970, "at ±15 %: " + recognised(0.15));
        assertTrue(recognised(0.25) >= 2850, "at ±25 %: " + recognised(0.25));
    }

    @Test
    void aGlitchInASpaceIsDropped() {
        List<Double> train = new ArrayList<>(distance(4, 8));
        // A flash of 60 µs in the long space after the lead.
        train.set(1, 2000.0);
        train.add(2, 60.0);
        train.add(3, 2440.0);
        assertEquals(0x08, InfraredCode.of(train).orElseThrow().command());
    }

    @Test
    void whatIsSentIsReadAsItself() {
        for (Coding coding : Coding.values()) {
            for (int address = 0; address < 32; address++) {
                for (int command = 0; command < 128; command++) {
                    InfraredCode code = new InfraredCode(coding, address, command, false, false);
                    assertEquals(Optional.of(code), InfraredCode.of(code.train()), code.toString());
                }
            }
        }
        InfraredCode wide = new InfraredCode(Coding.PULSE_DISTANCE, 0x12FE, 0xA5, false, false);
        assertEquals(Optional.of(wide), InfraredCode.of(wide.train()));
        InfraredCode held = new InfraredCode(Coding.PULSE_DISTANCE, 0, 0, true, false);
        assertEquals(List.of(9000.0, 2250.0, 562.5), held.train());
        InfraredCode turned = new InfraredCode(Coding.BI_PHASE, 5, 35, false, true);
        assertEquals(Optional.of(turned), InfraredCode.of(turned.train()));
    }

    @Test
    void aTrainByHand() {
        // Pulse width, address 1, command 2: bits 0100000 then 10000, the lowest first; a one is a mark of 1.2 ms.
        List<Double> train = new InfraredCode(Coding.PULSE_WIDTH, 1, 2, false, false).train();
        assertEquals(25, train.size());
        assertEquals(2400, train.get(0));
        for (int bit = 0; bit < 12; bit++) {
            assertEquals(bit == 1 || bit == 7 ? 1200 : 600, train.get(2 * bit + 2), "bit " + bit);
            assertEquals(600, train.get(2 * bit + 1));
        }
        // Bi-phase, address 0, command 0: 1 1 0 00000 000000; after the two ones spaces and marks of one half, but for
        // a
        // mark of two between the last one and the first zero.
        List<Double> phase = new InfraredCode(Coding.BI_PHASE, 0, 0, false, false).train();
        assertEquals(List.of(889.0, 889.0, 1778.0, 889.0, 889.0), phase.subList(0, 5));
        assertEquals(889 * 26.0, phase.stream().mapToDouble(Double::doubleValue).sum(), 1e-9);
    }

    @Test
    void aLeadIsOneWithinAQuarterAndWhatAReceiverStretches() {
        // Marks of 9 ms may be from 6.75 to 11.25 and 0.1 ms; their space of 4.5 from 3.375 less 0.1 to 5.625.
        for (double good : List.of(6750.0, 9000.0, 11_350.0)) {
            assertTrue(InfraredCode.of(led(good, 4500)).isPresent(), "mark of " + good);
        }
        for (double bad : List.of(6749.0, 11_351.0)) {
            assertTrue(InfraredCode.of(led(bad, 4500)).isEmpty(), "mark of " + bad);
        }
        for (double good : List.of(3275.0, 5625.0)) {
            assertTrue(InfraredCode.of(led(9000, good)).isPresent(), "space of " + good);
        }
        for (double bad : List.of(3274.0, 5626.0)) {
            assertTrue(InfraredCode.of(led(9000, bad)).isEmpty(), "space of " + bad);
        }
    }

    private static List<Double> led(double mark, double space) {
        List<Double> train = new ArrayList<>(distance(4, 8));
        train.set(0, mark);
        train.set(1, space);
        return train;
    }

    @Test
    void aShortFlashIsPartOfTheSpaceAroundIt() {
        assertEquals(List.of(500.0, 1150.0, 600.0), InfraredCode.calm(List.of(500.0, 500.0, 99.0, 551.0, 600.0)));
        assertEquals(
                List.of(500.0, 500.0, 100.0, 551.0, 600.0),
                InfraredCode.calm(List.of(500.0, 500.0, 100.0, 551.0, 600.0)),
                "what lasts 100 µs was sent");
        assertEquals(List.of(500.0), InfraredCode.calm(List.of(500.0, 20_000.0)), "a space at the end says nothing");
    }
}
