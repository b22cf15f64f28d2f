package inkel.core.tune.compass;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledDraft;
import inkel.core.tune.sample.Seeds;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class CompassBenchTest {
    private static final Rig RIG = Seeds.rig(List.of(), Map.of());
    private final CompassBench bench = new CompassBench();

    @Test
    void trueValuesLieInTheirIntervals() {
        Seeds seeds = new Seeds();
        for (int seed = 0; seed < Seeds.COUNT; seed++) {
            CompassDevice device = new CompassDevice(Seeds.of(seed));
            SampledDraft draft = Seeds.read(bench, RIG, device);
            seeds.hold(draft, CompassBench.X, device.x);
            seeds.hold(draft, CompassBench.Y, device.y);
            seeds.hold(draft, CompassBench.RADIUS, device.radius);
        }
        seeds.mustHoldMostly();
    }

    private static Sample circle(int from, int to, double flat) {
        List<Double> codes = new ArrayList<>();
        for (int degrees = from; degrees < to; degrees += 10) {
            codes.add(30 + 200 * Math.cos(Math.toRadians(degrees)));
            codes.add(-50 + 200 * flat * Math.sin(Math.toRadians(degrees)));
        }
        return new Sample("turn", 0, codes);
    }

    private SampledDraft draft(Sample sample) {
        return SampledDraft.of(bench, RIG).with(sample);
    }

    @Test
    void aCircleIsFoundExactly() {
        SampledDraft draft = draft(circle(0, 360, 1));
        assertEquals(
                30, draft.work().result("offset_x").orElseThrow().estimate().value(), 1e-9);
        assertEquals(
                -50, draft.work().result("offset_y").orElseThrow().estimate().value(), 1e-9);
        assertEquals(200, draft.work().result("field").orElseThrow().estimate().value(), 1e-9);
        assertTrue(draft.work().told().isEmpty());
    }

    @Test
    void ironNearbyAndHalfATurnAreTold() {
        assertEquals(
                "tune.compass.iron",
                draft(circle(0, 360, 0.7)).work().told().get(0).key());
        SampledDraft half = draft(circle(0, 200, 1));
        assertEquals("tune.compass.gap", half.work().told().get(0).key());
        // Read from 0° to 190°: 170° are left.
        assertEquals(170L, half.work().told().get(0).values().get("gap"));
    }

    @Test
    void pointsOnALineAreNoCircle() {
        List<Double> codes = new ArrayList<>();
        for (int i = 0; i < 10; i++) {
            codes.add((double) i);
            codes.add(2.0 * i);
        }
        assertTrue(draft(new Sample("turn", 0, codes)).work().results().isEmpty());
    }
}
