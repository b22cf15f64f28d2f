package inkel.core.circuit;

import inkel.core.catalog.Burst;
import inkel.core.catalog.Mode;
import inkel.core.catalog.Supply;
import inkel.core.document.Moment;
import inkel.core.quantity.Current;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.TimeSpan;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What the parts of a node take while given moments are on. A part that no moment names may be at its peak at any time;
 * one that is named rests outside of its moments.
 */
public final class Loads {
    /** The mode that bursts belong to. */
    public static final String BURST_MODE = "peak";

    private final Map<String, List<Moment>> byPart = new HashMap<>();

    Loads(List<Moment> moments) {
        for (Moment moment : moments) {
            Set<String> named = new LinkedHashSet<>();
            for (Moment.Raise raise : moment.raises()) {
                named.add(raise.part());
            }
            for (String part : named) {
                byPart.computeIfAbsent(part, id -> new ArrayList<>()).add(moment);
            }
        }
    }

    /** The moments that name a part. */
    List<Moment> of(Placed placed) {
        return byPart.getOrDefault(placed.id(), List.of());
    }

    /** Whether some moment says when the part is busy. */
    public boolean isGoverned(Placed placed) {
        return !of(placed).isEmpty();
    }

    /** The least that any mode takes, at the worst of its range. */
    static Current rest(Placed placed, Supply supply) {
        Current least = null;
        for (Mode mode : placed.cls().modes()) {
            if (mode.supply().equals(supply.pin())) {
                Current takes = mode.current().range().highest();
                least = least == null ? takes : Quantity.smaller(least, takes);
            }
        }
        return least == null ? Current.ZERO : least;
    }

    /** What a part takes through a supply pin while moments are on, in the worst instant of its bursts. */
    public Current during(Placed placed, Supply supply, Set<String> on) {
        return during(placed, supply, on, true);
    }

    /**
     * As {@link #during(Placed, Supply, Set)}.
     *
     * @param isBurst whether the part is inside a burst just then, where it has bursts
     */
    public Current during(Placed placed, Supply supply, Set<String> on, boolean isBurst) {
        boolean isGoverned = isGoverned(placed);
        Set<String> raised = isGoverned ? raised(placed, on) : Set.of();
        Current most = isGoverned ? rest(placed, supply) : Current.ZERO;
        for (Mode mode : placed.cls().modes()) {
            if (mode.supply().equals(supply.pin()) && (!isGoverned || raised.contains(mode.name()))) {
                most = Quantity.larger(most, current(placed, mode, isBurst));
            }
        }
        return most;
    }

    /** The modes that moments which are on raise a part to. */
    private Set<String> raised(Placed placed, Set<String> on) {
        Set<String> modes = new HashSet<>();
        for (Moment moment : of(placed)) {
            if (on.contains(moment.id())) {
                for (Moment.Raise raise : moment.raises()) {
                    if (raise.part().equals(placed.id())) {
                        modes.add(raise.mode());
                    }
                }
            }
        }
        return modes;
    }

    /** A burst is only felt behind its capacitor as what flows on average. */
    private static Current current(Placed placed, Mode mode, boolean isBurst) {
        if (!mode.name().equals(BURST_MODE) || isBurst && placed.capacitor().isEmpty()) {
            return mode.current().range().highest();
        }
        for (Burst burst : placed.cls().bursts()) {
            if (burst.supply().equals(mode.supply())) {
                return isBurst ? smoothed(placed, burst) : between(placed, burst);
            }
        }
        return mode.current().range().highest();
    }

    /** What flows between two bursts: the next busiest mode. */
    private static Current between(Placed placed, Burst burst) {
        Current most = Current.ZERO;
        for (Mode mode : placed.cls().modes()) {
            if (mode.supply().equals(burst.supply()) && !mode.name().equals(BURST_MODE)) {
                most = Quantity.larger(most, mode.current().range().highest());
            }
        }
        return most;
    }

    /** I·t/T of the burst, or the next busiest mode where that is more. */
    public static Current smoothed(Placed placed, Burst burst) {
        double share = burst.time().seconds() / burst.period().seconds();
        return Quantity.larger(burst.current().range().highest().times(share), between(placed, burst));
    }

    /**
     * What a part takes over time. When every moment that names it repeats, the moments tell the shares; else the class
     * does.
     */
    Current average(Placed placed, Supply supply) {
        List<Moment> named = of(placed);
        boolean isTold = !named.isEmpty()
                && named.stream().allMatch(moment -> moment.repeat().isPresent());
        if (!isTold) {
            return placed.cls().average(supply.pin());
        }
        double rest = rest(placed, supply).amperes();
        double sum = rest;
        for (Moment moment : named) {
            double raised = during(placed, supply, Set.of(moment.id()), false).amperes();
            double share = Math.min(
                    1,
                    moment.length().seconds()
                            / moment.repeat().map(TimeSpan::seconds).orElseThrow());
            sum += (raised - rest) * share;
        }
        return Current.ofAmperes(sum);
    }
}
