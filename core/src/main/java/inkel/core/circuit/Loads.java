package inkel.core.circuit;

import inkel.core.build.Moment;
import inkel.core.catalog.Burst;
import inkel.core.catalog.Mode;
import inkel.core.catalog.Supply;
import inkel.core.quantity.Current;
import inkel.core.quantity.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

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
            moment.raises().stream().map(Moment.Raise::part).distinct().forEach(part -> byPart.computeIfAbsent(
                            part, id -> new ArrayList<>())
                    .add(moment));
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
        return modes(placed, supply)
                .map(mode -> mode.current().range().highest())
                .min(Current::compareTo)
                .orElse(Current.ZERO);
    }

    private static Stream<Mode> modes(Placed placed, Supply supply) {
        return placed.cls().modes().stream().filter(mode -> mode.supply().equals(supply.pin()));
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
        if (!isGoverned(placed)) {
            return modes(placed, supply)
                    .map(mode -> current(placed, mode, isBurst))
                    .max(Current::compareTo)
                    .orElse(Current.ZERO);
        }
        Current rest = rest(placed, supply);
        return of(placed).stream()
                .filter(moment -> on.contains(moment.id()))
                .flatMap(moment -> moment.raises().stream())
                .filter(raise -> raise.part().equals(placed.id()))
                .flatMap(raise -> modes(placed, supply)
                        .filter(mode -> mode.name().equals(raise.mode()))
                        .map(mode -> current(placed, mode, isBurst)))
                .reduce(rest, Loads::larger);
    }

    private static Current larger(Current one, Current other) {
        return one.isAbove(other) ? one : other;
    }

    /** A burst is only felt behind its capacitor as what flows on average. */
    private static Current current(Placed placed, Mode mode, boolean isBurst) {
        if (!mode.name().equals(BURST_MODE) || isBurst && placed.capacitor().isEmpty()) {
            return mode.current().range().highest();
        }
        return placed.cls().bursts().stream()
                .filter(burst -> burst.supply().equals(mode.supply()))
                .map(burst -> isBurst ? smoothed(placed, burst) : between(placed, burst))
                .findFirst()
                .orElse(mode.current().range().highest());
    }

    /** What flows between two bursts: the next busiest mode. */
    private static Current between(Placed placed, Burst burst) {
        return placed.cls().modes().stream()
                .filter(mode -> mode.supply().equals(burst.supply()))
                .filter(mode -> !mode.name().equals(BURST_MODE))
                .map(mode -> mode.current().range().highest())
                .max(Current::compareTo)
                .orElse(Current.ZERO);
    }

    /** I·t/T of the burst, or the next busiest mode where that is more. */
    public static Current smoothed(Placed placed, Burst burst) {
        double share = burst.time().seconds() / burst.period().seconds();
        return larger(burst.current().range().highest().times(share), between(placed, burst));
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
                            / moment.repeat().map(Duration::seconds).orElseThrow());
            sum += (raised - rest) * share;
        }
        return Current.ofAmperes(sum);
    }
}
