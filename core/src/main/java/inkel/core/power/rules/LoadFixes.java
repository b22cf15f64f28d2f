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
import inkel.core.remedy.OtherSource;
import inkel.core.remedy.Room;
import inkel.core.remedy.Tried;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * Ways to take load off a rail: two moments kept apart, a part turned down, a capacitor that carries a burst, or a load
 * that is fed from elsewhere. Those that are enough by themselves, the least effort first; where none is, those that take off
 * most.
 */
final class LoadFixes {
    private static final int MOST = 5;
    private static final int MOST_MOVES = 2;

    /** What is less than this share of what is too much does not help. */
    private static final double LEAST_SHARE = 0.1;

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
        List<Fix> ways = enough.isEmpty()
                ? fixes.moved(tooMuch, Rail.Load::atWorst, Rail::peak, false)
                : Effort.leastFirst(enough);
        return fixes.withOtherSources(ways);
    }

    /** Ways to bring the average of a rail down by an amount. */
    static List<Fix> ofAverage(NodeCircuit node, Rail rail, PowerReport report, Current tooMuch) {
        return new LoadFixes(node, rail, report).withOtherSources(elsewhere(node, rail, report, tooMuch));
    }

    /** Ways to feed what makes so much of a rail's average from elsewhere. */
    static List<Fix> elsewhere(NodeCircuit node, Rail rail, PowerReport report, Current tooMuch) {
        LoadFixes fixes = new LoadFixes(node, rail, report);
        List<Fix> enough = fixes.moved(tooMuch, Rail.Load::average, Rail::average, true);
        List<Fix> ways = enough.isEmpty()
                ? fixes.moved(tooMuch, Rail.Load::average, Rail::average, false)
                : Effort.leastFirst(enough);
        return ways.stream().limit(MOST).toList();
    }

    /** Another source in this one's place comes before one more, but where motors jerk at what the board hangs on. */
    private List<Fix> withOtherSources(List<Fix> ways) {
        List<Fix> others =
                rail.isSource() ? OtherSource.of(report.circuit(), node, rail, List.of(), after -> true) : List.of();
        List<Fix> all = OtherSource.isJerked(node, rail)
                ? Stream.concat(ways.stream().limit(MOST - 1), others.stream()).toList()
                : OtherSource.among(ways, others);
        return all.stream().limit(MOST).toList();
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
     * Loads fed from elsewhere: what leaves fewest rails asked for too much first; then the rail's own loads before those
     * below it, the smallest that is enough first, or those that are not, the largest first and none that is hardly anything
     * beside what is too much; in either case parts last whose signal is measured against the rail that they would leave.
     */
    private List<Fix> moved(
            Current tooMuch, Function<Rail.Load, Current> size, Function<Rail, Current> sum, boolean isEnough) {
        FeedFixes feeds = new FeedFixes(node, report.catalog());
        Comparator<Taken> bySize = Comparator.comparing(Taken::current);
        Current goal = sum.apply(rail).minus(tooMuch);
        List<Taken> loads = taken(size).stream()
                .filter(taken -> isEnough
                        ? !tooMuch.isAbove(taken.current())
                        : taken.current().isAbove(tooMuch.times(LEAST_SHARE)))
                .sorted(Comparator.<Taken, Boolean>comparing(taken -> isMeasured(placed(taken.load())))
                        .thenComparing(taken -> !rail.loads().contains(taken.load()))
                        .thenComparing(isEnough ? bySize : bySize.reversed()))
                .limit(MOST_TRIED)
                .toList();
        Predicate<Current> isWanted =
                isEnough ? left -> !left.isAbove(goal) : left -> left.isAbove(goal) && left.isBelow(sum.apply(rail));
        List<Moved> ways = loads.stream()
                .flatMap(taken -> moves(taken.load(), feeds).stream()
                        .flatMap(fix -> after(fix).stream().map(after -> new Moved(fix, after)))
                        .filter(moved -> moved.after()
                                .rail(rail.id())
                                .map(sum)
                                .filter(isWanted)
                                .isPresent())
                        .limit(MOST_MOVES))
                .limit(2 * MOST)
                .toList();
        return ways.stream()
                .sorted(Comparator.comparing(Moved::over))
                .map(Moved::fix)
                .limit(MOST)
                .toList();
    }

    /** A way, and the table as it is after it: a load that is fed by way of a regulator may still come from the same rail. */
    private record Moved(Fix fix, NodeCircuit after) {
        long over() {
            return Room.over(after);
        }
    }

    private Optional<NodeCircuit> after(Fix fix) {
        return Tried.after(fix, report.circuit())
                .flatMap(after -> after.node(node.node().id()));
    }

    /**
     * A load, and what of it the rail gives.
     *
     * @param current at the rail's own voltage
     */
    private record Taken(Rail.Load load, Current current) {}

    /** What hangs on the rail; of a source also what hangs on the rails that are made from it. */
    private List<Taken> taken(Function<Rail.Load, Current> size) {
        Stream<Rail> below = node.rails().stream()
                .filter(other -> rail.isSource()
                        && !other.id().equals(rail.id())
                        && node.upToSource(other.id()).contains(rail.id()));
        return Stream.concat(
                        own().stream().map(load -> new Taken(load, size.apply(load))),
                        below.flatMap(other -> own(other).stream()
                                .map(load -> new Taken(load, Room.drawn(node, other, rail, size.apply(load))))))
                .toList();
    }

    private boolean isMeasured(Placed placed) {
        return placed.cls().signals().filter(pin -> pin.use() == PinUse.ANALOG).anyMatch(pin -> node.wire(
                        placed.endpoint(pin))
                .isPresent());
    }

    /** What hangs on another board is turned down and fed from elsewhere there. */
    private List<Rail.Load> own() {
        return own(rail);
    }

    private List<Rail.Load> own(Rail of) {
        return of.loads().stream()
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
