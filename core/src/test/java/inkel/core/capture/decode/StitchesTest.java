package inkel.core.capture.decode;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.capture.Capture;
import inkel.core.capture.Channel;
import java.util.List;
import org.junit.jupiter.api.Test;

class StitchesTest {
    private static final double PAUSE = 10e-3;

    private static Capture train(int... micros) {
        Signal line = new Signal(1, 0, 1);
        int level = 0;
        for (int width : micros) {
            line.hold(level, width * 1e3);
            level = 1 - level;
        }
        line.to(level);
        return Signal.capture(line.now() + 1e6, line.channel("x"));
    }

    private static Channel line(Capture capture) {
        return capture.channels().get(0);
    }

    @Test
    void widthsThatAreAlikeAreABandAndItsMiddleIsTheirMedian() {
        // High: 500, 560, 540 and 1690, 1700, 1650; what is low does not count.
        Capture capture = train(9000, 500, 70, 560, 70, 540, 70, 1690, 70, 1700, 70, 1650, 70);
        Stitches stitches = Stitches.of(capture, line(capture), true, PAUSE);
        assertEquals(2, stitches.bands().size());
        assertEquals(540e-6, stitches.bands().get(0).middle(), 1e-9);
        assertEquals(3, stitches.bands().get(0).count());
        assertEquals(1690e-6, stitches.bands().get(1).middle(), 1e-9);
    }

    @Test
    void aBandHoldsAQuarterEitherWay() {
        Stitches stitches = new Stitches(List.of(new Stitches.Band(1e-3, 4)));
        assertEquals(0, stitches.band(1.2499e-3));
        assertEquals(0, stitches.band(0.7501e-3));
        assertEquals(-1, stitches.band(1.2501e-3));
        assertEquals(-1, stitches.band(0.7499e-3));
    }

    @Test
    void aPauseIsNoStitch() {
        Capture capture = train(500, 600, 500, 600, 500, 20_000, 500, 600);
        assertEquals(1, Stitches.of(capture, line(capture), true, PAUSE).bands().size());
        assertEquals(
                2,
                Stitches.of(capture, line(capture), true, Double.POSITIVE_INFINITY)
                        .bands()
                        .size());
    }

    @Test
    void betweenTwoTimesAreThoseThatBeginThere() {
        // The line changes at 100 µs for the first time: low for 500, high for 600 from 600 µs on, and so on.
        Capture capture = train(500, 600, 500, 600, 500, 600);
        Stitches stitches = Stitches.of(capture, line(capture), true, PAUSE);
        List<Stitches.Stitch> found = stitches.between(capture, line(capture), true, 600e-6, 2800e-6);
        assertEquals(
                List.of(600L, 1700L),
                found.stream().map(stitch -> Math.round(stitch.at() * 1e6)).toList());
        assertEquals(600e-6, found.get(0).width(), 1e-9);
        assertEquals(0, found.get(0).band());
    }
}
