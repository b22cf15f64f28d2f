package inkel.core.formula;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.formula.PacketAir.Rate;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Length;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class PacketAirTest {
    @Test
    void airTimeByHand() {
        // (1 + 5 + 32 + 2)·8 + 9 = 329 bits; at 2 Mbit/s 164.5 µs.
        assertEquals(164.5e-6, PacketAir.airTime(Rate.FAST, 5, 32, 2).seconds(), 1e-12);
        // (1 + 5 + 8 + 2)·8 + 9 = 137 bits at 250 kbit/s.
        assertEquals(548e-6, PacketAir.airTime(Rate.SLOW, 5, 8, 2).seconds(), 1e-12);
    }

    @Test
    void bothEdgesAreInTheBandOrNot() {
        // Channel 0 reaches from 2399.5 to 2400.5 MHz; 83 to 2483.5, and 2 MHz wide to 2484.
        assertFalse(PacketAir.isInBand(0, Rate.SLOW));
        assertTrue(PacketAir.isInBand(1, Rate.SLOW));
        assertTrue(PacketAir.isInBand(83, Rate.MIDDLE));
        assertFalse(PacketAir.isInBand(83, Rate.FAST));
        assertTrue(PacketAir.isInBand(82, Rate.FAST));
        assertFalse(PacketAir.isInBand(84, Rate.SLOW));
    }

    @Test
    void networksAreAroundTheirMiddles() {
        assertEquals(2412, PacketAir.networkMhz(1), 0);
        assertEquals(2462, PacketAir.networkMhz(11), 0);
        assertEquals(2472, PacketAir.networkMhz(13), 0);
        assertEquals(2484, PacketAir.networkMhz(14), 0);
        // Network 11 reaches to 2473; a width of 1 MHz at 2474 begins at 2473.5, at 2473 it begins at 2472.5.
        assertEquals(List.of(), PacketAir.usualNetworks(74, Rate.SLOW));
        assertEquals(List.of(11), PacketAir.usualNetworks(73, Rate.SLOW));
        // 2425 lies between network 1 (to 2423) and 6 (from 2426), and 2 MHz of it reach to 2426: they touch and do not
        // overlap.
        assertEquals(List.of(), PacketAir.usualNetworks(25, Rate.FAST));
        assertEquals(List.of(6), PacketAir.usualNetworks(26, Rate.FAST));
    }

    @Test
    void ratesAsPeopleWriteThem() {
        for (String said : List.of("250k", "250 kbit/s", "250000", "250kbps")) {
            assertEquals(Optional.of(Rate.SLOW), Rate.parse(said), said);
        }
        assertEquals(Optional.of(Rate.FAST), Rate.parse("2 Mbit/s"));
        assertEquals(Optional.empty(), Rate.parse("3M"));
    }

    @Test
    void aFreePathByHand() {
        // 20·lg 0.1 + 20·lg 2450 + 32.44 = −20 + 67.783 + 32.44.
        assertEquals(80.223, PathLoss.free(Frequency.ofHertz(2450e6), Length.ofMetres(100)), 0.001);
        assertEquals(100, PathLoss.metres(Frequency.ofHertz(2450e6), 80.2233), 0.01);
    }

    @Test
    void aLongRangePacketByHand() {
        LongRangeAir usual = new LongRangeAir(7, Frequency.ofHertz(125e3), 1, 8, true, true);
        // A symbol of 1.024 ms; 12.25 and 28 of them: ceil(96/28) = 4, times 5, and 8.
        assertEquals(41.216e-3, usual.airTime(10).seconds(), 1e-9);
        // −174 + 50.97 + 6 − 7.5.
        assertEquals(-124.53, usual.sensitivity(), 0.01);
        LongRangeAir far = new LongRangeAir(12, Frequency.ofHertz(125e3), 1, 8, true, true);
        // 32.768 ms a symbol, two bits less in each: ceil(76/40) = 2, times 5, and 8, and 12.25: 30.25 symbols.
        assertTrue(far.isLowRate());
        assertEquals(30.25 * 32.768e-3, far.airTime(10).seconds(), 1e-9);
        assertEquals(-137.03, far.sensitivity(), 0.01);
        // Without header and check: bits 80 − 48 + 28 − 20 = 40, one step.
        assertEquals(
                (12.25 + 13) * 32.768e-3,
                new LongRangeAir(12, Frequency.ofHertz(125e3), 1, 8, false, false)
                        .airTime(10)
                        .seconds(),
                1e-9);
    }

    @Test
    void aFreePathOfOneKilometreLosesTheConstantAndTheBandAlone() {
        // 20·lg(1) + 20·lg(1) + 32.44 at 1 MHz over 1 km; ten times either is 20 dB more; below a metre nothing less.
        assertEquals(32.44, PathLoss.free(Frequency.ofHertz(1e6), Length.ofMetres(1000)), 1e-9);
        assertEquals(52.44, PathLoss.free(Frequency.ofHertz(1e6), Length.ofMetres(10_000)), 1e-9);
        assertEquals(52.44, PathLoss.free(Frequency.ofHertz(1e7), Length.ofMetres(1000)), 1e-9);
        assertEquals(
                PathLoss.free(Frequency.ofHertz(868e6), Length.ofMetres(1)),
                PathLoss.free(Frequency.ofHertz(868e6), Length.ofMetres(0.1)));
    }

    @Test
    void longRangeByHandWithoutCheckOrHeader() {
        // SF 9, 125 kHz: a symbol is 4.096 ms. 20 bytes, coding 4/8, 8 + 4.25 symbols ahead:
        // 160 − 36 + 28 − 20 = 132 bits without header and check, by 36 a group 3.67, so 4 × 8 + 8 = 40 symbols.
        LongRangeAir bare = new LongRangeAir(9, Frequency.ofHertz(125e3), 4, 8, false, false);
        assertEquals(52.25 * 4.096e-3, bare.airTime(20).seconds(), 1e-9);
        // With both: 160 − 36 + 28 + 16 = 168, by 36 it is 4.67, so 5 × 8 + 8 = 48.
        LongRangeAir whole = new LongRangeAir(9, Frequency.ofHertz(125e3), 4, 8, true, true);
        assertEquals(60.25 * 4.096e-3, whole.airTime(20).seconds(), 1e-9);
        // A symbol of 16.384 ms at SF 11 is a long one, of 8.192 ms at SF 10 not.
        assertTrue(new LongRangeAir(11, Frequency.ofHertz(125e3), 1, 8, true, true).isLowRate());
        assertFalse(new LongRangeAir(10, Frequency.ofHertz(125e3), 1, 8, true, true).isLowRate());
    }
}
