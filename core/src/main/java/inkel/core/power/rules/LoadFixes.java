package inkel.core.power.rules;

import inkel.core.catalog.Mode;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Reduction;
import inkel.core.catalog.Settings;
import inkel.core.catalog.Supply;
import inkel.core.circuit.Loads;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Moment;
import inkel.core.document.edit.SetMoment;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Fix;
import inkel.core.power.BurstReport;
import inkel.core.power.PowerReport;
import inkel.core.quantity.Current;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.remedy.Effort;
import inkel.core.remedy.FeedFixes;
import inkel.core.remedy.Tried;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * Ways to take load off a rail: two moments kept apart, a part turned down, a capacitor that carries a burst, or a load
 * that is fed from elsewhere. Those that are enough by themselves come first, the least effort first among them.
 */
final class LoadFixes {
    private static final int MOST = 5;
    private static final int MOST_MOVES = 2;

    /** So many loads are tried elsewhere; each takes the build judged anew. */
    private static final int MOST_TRIED = 20;

    private final NodeCircuit node;
    private final Rail rail;
    private final PowerReport report;

    private LoadFixes(NodeCircuit node, Rail rail, PowerReport report) {
        this.node = node;
        this.rail = rail;
        this.report = report;
    }

    /** Ways to bring the peak of a rail down by an amount. */
    static List<Fix> ofPeak(NodeCircuit node, Rail rail, PowerReport report, Current tooMuch) {
        LoadFixes fixes = new LoadFixes(node, rail, report);
        List<Fix> enough = new ArrayList<>();
        enough.addAll(fixes.apart(tooMuch));
        enough.addAll(fixes.turnedDown(tooMuch));
        enough.addAll(fixes.carried(tooMuch));
        enough.addAll(fixes.moved(tooMuch, Rail.Load::atWorst, Rail::peak, true));
        Stream<Fix> rest = fixes.moved(tooMuch, Rail.Load::atWorst, Rail::peak, false).stream();
        return Stream.concat(Effort.leastFirst(enough).stream(), rest)
                .limit(MOST)
                .toList();
    }

    /** Ways to bring the average of a rail down by an amount. */
    static List<Fix> ofAverage(NodeCircuit node, Rail rail, PowerReport report, Current tooMuch) {
        LoadFixes fixes = new LoadFixes(node, rail, report);
        Stream<Fix> enough = Effort.leastFirst(fixes.moved(tooMuch, Rail.Load::average, Rail::average, true)).stream();
        Stream<Fix> rest = fixes.moved(tooMuch, Rail.Load::average, Rail::average, false).stream();
        return Stream.concat(enough, rest).limit(MOST).toList();
    }

    /** Two moments that meet at the worst and, kept apart, bring the rail under its rating. */
    private List<Fix> apart(Current tooMuch) {
        List<Moment> meeting = node.node().moments().stream()
                .filter(moment -> rail.worst().contains(moment.id()))
                .toList();
        List<Fix> fixes = new ArrayList<>();
        for (Moment one : meeting) {
            for (Moment other : meeting.subList(meeting.indexOf(one) + 1, meeting.size())) {
                if (isEnoughApart(one, other, tooMuch)) {
                    fixes.add(keptApart(one, other));
                }
            }
        }
        return fixes.stream().limit(MOST_MOVES).toList();
    }

    /** Only the worst set is tried; another may turn out to be as bad, and is then told in its turn. */
    private boolean isEnoughApart(Moment one, Moment other, Current tooMuch) {
        Current goal = rail.peak().minus(tooMuch);
        return !without(one).isAbove(goal) && !without(other).isAbove(goal);
    }

    private Current without(Moment moment) {
        Set<String> on = new LinkedHashSet<>(rail.worst());
        on.remove(moment.id());
        return node.currents(on).get(rail.id());
    }

    private Fix keptApart(Moment one, Moment other) {
        Set<String> never = new LinkedHashSet<>(one.never());
        never.add(other.id());
        return new Fix(
                "apart-" + one.id() + "-" + other.id(),
                Fact.of("fix.apart").with("one", one.name()).with("other", other.name()),
                Fact.of("fix.apart.cost"),
                List.of(new SetMoment(node.node().id(), one.withNever(never))));
    }

    private List<Fix> turnedDown(Current tooMuch) {
        List<Fix> fixes = new ArrayList<>();
        for (Rail.Load load : own()) {
            Placed placed = placed(load);
            for (Reduction lower : placed.cls().demands().reductions()) {
                Current left = turnedDown(placed, lower);
                Current saved = load.atWorst().minus(left);
                boolean isEnough = lower.supply().equals(load.pin().pin()) && !tooMuch.isAbove(saved);
                if (isEnough && !placed.part().has(Settings.TURNED_DOWN)) {
                    fixes.add(new Fix(
                            "turn-down-" + placed.id(),
                            Fact.of("fix.turn_down")
                                    .with("part", placed.part().name())
                                    .with("setting", lower.name()),
                            Fact.of("fix.turn_down.cost")
                                    .with("from", load.atWorst())
                                    .with("to", left),
                            List.of(new SetSetting(
                                    node.node().id(), placed.id(), Settings.TURNED_DOWN, lower.name()))));
                    break;
                }
            }
        }
        return fixes;
    }

    /** What it takes once turned down: that, or another of its modes where that is more. */
    private static Current turnedDown(Placed placed, Reduction lower) {
        Current most = lower.current();
        for (Mode mode : placed.cls().modes()) {
            if (mode.supply().equals(lower.supply()) && !mode.name().equals(lower.mode())) {
                most = Quantity.larger(most, mode.current().range().highest());
            }
        }
        return most;
    }

    private List<Fix> carried(Current tooMuch) {
        return report.bursts().stream()
                .filter(burst -> burst.node() == node && burst.rail().id().equals(rail.id()))
                .filter(burst -> burst.placed().capacitor().isEmpty())
                .filter(burst -> !tooMuch.isAbove(saved(burst)))
                .flatMap(burst -> BurstFixes.capacitor(burst).stream())
                .toList();
    }

    private static Current saved(BurstReport burst) {
        return burst.burstCurrent().minus(Loads.smoothed(burst.placed(), burst.burst()));
    }

    /**
     * Loads fed from elsewhere: the smallest that is enough first, or those that are not, the largest first; in either case
     * parts last whose signal is measured against the rail that they would leave.
     */
    private List<Fix> moved(
            Current tooMuch, Function<Rail.Load, Current> size, Function<Rail, Current> sum, boolean isEnough) {
        FeedFixes feeds = new FeedFixes(node, report.catalog());
        Comparator<Rail.Load> bySize = Comparator.comparing(size);
        Current goal = sum.apply(rail).minus(tooMuch);
        return own().stream()
                .filter(load -> size.apply(load).isAbove(Current.ZERO))
                .filter(load -> !isEnough || !tooMuch.isAbove(size.apply(load)))
                .sorted(Comparator.<Rail.Load, Boolean>comparing(load -> isMeasured(placed(load)))
                        .thenComparing(isEnough ? bySize : bySize.reversed()))
                .limit(MOST_TRIED)
                .flatMap(load -> moves(load, feeds).stream()
                        .filter(fix -> isEnough
                                ? leaves(fix, sum, left -> !left.isAbove(goal))
                                : leaves(fix, sum, left -> left.isAbove(goal) && left.isBelow(sum.apply(rail))))
                        .limit(MOST_MOVES))
                .limit(MOST)
                .toList();
    }

    /** A load that is fed by way of a regulator may still come from the same rail, so it is tried. */
    private boolean leaves(Fix fix, Function<Rail, Current> sum, Predicate<Current> wanted) {
        return Tried.after(fix, report.circuit())
                .flatMap(after -> after.node(node.node().id()))
                .flatMap(after -> after.rail(rail.id()))
                .map(sum)
                .filter(wanted)
                .isPresent();
    }

    private boolean isMeasured(Placed placed) {
        return placed.cls().signals().filter(pin -> pin.use() == PinUse.ANALOG).anyMatch(pin -> node.wire(
                        placed.endpoint(pin))
                .isPresent());
    }

    /** What hangs on another board is turned down and fed from elsewhere there. */
    private List<Rail.Load> own() {
        return rail.loads().stream()
                .filter(load -> node.farLoad(load.pin().part()).isEmpty())
                .toList();
    }

    private List<Fix> moves(Rail.Load load, FeedFixes feeds) {
        Placed placed = placed(load);
        Supply supply = placed.cls().supply(load.pin().pin()).orElseThrow();
        return feeds.of(placed, supply).stream()
                .map(fix -> new Fix(fix.id() + "-" + placed.id(), fix.title(), fix.cost(), fix.edits()))
                .toList();
    }

    private Placed placed(Rail.Load load) {
        return node.part(load.pin().part()).orElseThrow();
    }
}
