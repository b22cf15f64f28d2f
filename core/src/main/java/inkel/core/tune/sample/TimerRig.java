package inkel.core.tune.sample;

import inkel.core.catalog.Claim;
import inkel.core.catalog.Controller;
import inkel.core.catalog.Timer;
import inkel.core.formula.TimerSetting;
import inkel.core.quantity.Frequency;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The timer of a board that code takes for a use, among the figures of a rig. */
public final class TimerRig {
    private static final String CLOCK = "clock";
    private static final String BITS = "bits";
    private static final String PRESCALER = "prescaler ";

    private TimerRig() {}

    /** Adds it; nothing on a board whose pins all have one of their own. */
    public static void put(Controller board, String use, Map<String, Double> figures) {
        Optional<Timer> timer = board.claims().stream()
                .filter(claim -> claim.use().equals(use))
                .map(Claim::timer)
                .flatMap(unit -> board.timers().stream().filter(one -> one.unit() == unit))
                .findFirst();
        timer.ifPresent(one -> {
            figures.put(CLOCK, board.clock().hertz());
            figures.put(BITS, (double) one.bits());
            for (int divider : one.prescalers()) {
                figures.put(PRESCALER + divider, (double) divider);
            }
        });
    }

    /** The setting whose frequency is nearest; empty without a timer, and for a frequency that it cannot make. */
    public static Optional<TimerSetting> nearest(Rig rig, double hertz) {
        if (!rig.has(CLOCK)) {
            return Optional.empty();
        }
        List<Integer> dividers = rig.figures().entrySet().stream()
                .filter(one -> one.getKey().startsWith(PRESCALER))
                .map(one -> one.getValue().intValue())
                .sorted()
                .toList();
        return TimerSetting.nearest(
                Frequency.ofHertz(rig.figure(CLOCK)), (int) rig.figure(BITS), dividers, Frequency.ofHertz(hertz));
    }
}
