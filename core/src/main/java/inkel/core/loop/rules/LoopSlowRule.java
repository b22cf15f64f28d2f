package inkel.core.loop.rules;

import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.loop.LoopReport;
import inkel.core.loop.NodeLoop;
import inkel.core.loop.Staggered;
import inkel.core.loop.Visit;
import inkel.core.pins.I2cBus;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import inkel.core.quantity.TimeSpan;
import inkel.core.remedy.BusClock;
import inkel.core.remedy.Tried;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Reports a round of the program that takes so long that most of the times that a part is wanted are missed. */
public final class LoopSlowRule implements Rule<LoopReport> {
    private static final RuleInfo INFO = new RuleInfo("code.loop_slow", Severity.LOOK, Stage.TUNE);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LoopReport report) {
        return report.nodes().stream()
                .flatMap(loop -> loop.late().stream().limit(1).map(visit -> describe(report, loop, visit)))
                .toList();
    }

    private static Finding describe(LoopReport report, NodeLoop loop, Visit late) {
        Visit longest =
                loop.visits().stream().max(Comparator.comparing(Visit::time)).orElseThrow();
        return Finding.of(INFO, loop.node().place(late.placed()))
                .with("part", late.placed().part().name())
                .with("longest", longest.placed().part().name())
                .number("round", loop.worst(), Source.COMPUTED)
                .number("takes_longest", longest.time(), Source.COMPUTED)
                .number(
                        "wanted_every",
                        late.every().orElseThrow(),
                        late.placed().sourceOf(Settings.POLLS, Source.CLASS))
                .fix(() -> faster(report, loop))
                .fix(() -> later(loop))
                .fix(() -> apart(loop))
                .fix(() -> laterAndApart(loop))
                .fix(() -> fewer(loop))
                .build();
    }

    /** The slowest usual clock of the I2C buses at which nobody is late, where all on them take it and the wires rise in time. */
    private static Optional<Fix> faster(LoopReport report, NodeLoop loop) {
        List<I2cBus> buses = report.pins().i2cBuses().stream()
                .filter(bus -> bus.node() == loop.node())
                .toList();
        return I2cBus.SPEEDS.stream()
                .filter(speed -> buses.stream().anyMatch(bus -> Quantity.exceeds(speed, bus.clock())))
                .filter(speed -> buses.stream().allMatch(bus -> bus.bears(speed)))
                .map(speed -> BusClock.faster(loop.node(), speed))
                .filter(fix -> isInTime(report, loop, fix))
                .findFirst();
    }

    private static boolean isInTime(LoopReport report, NodeLoop loop, Fix fix) {
        return Tried.after(fix, report.pins().circuit())
                .map(after -> LoopReport.of(PinReport.of(after)))
                .flatMap(after -> after.node(loop.node().node().id()))
                .filter(after -> after.late().isEmpty())
                .isPresent();
    }

    /** Each conversion is begun in one round and fetched in another, where that is enough. */
    private static Optional<Fix> later(NodeLoop loop) {
        List<Visit> all = fetched(loop.visits());
        boolean isEnough = loop.apart().isEmpty() && isGood(all, together(all));
        return isEnough && !all.equals(loop.visits())
                ? Optional.of(new Fix("fetch-later", fact(loop), Fact.of("fix.fetch_later.cost"), fetching(loop)))
                : Optional.empty();
    }

    private static Optional<Fix> apart(NodeLoop loop) {
        if (loop.apart().isPresent() || !isGood(loop.visits(), loop.staggered().worst())) {
            return Optional.empty();
        }
        return Optional.of(new Fix(
                "apart",
                Fact.of("fix.rounds_apart"),
                Fact.of("fix.rounds_apart.cost"),
                List.of(setApart(loop.node()))));
    }

    /** Both, where neither alone is enough. */
    private static Optional<Fix> laterAndApart(NodeLoop loop) {
        List<Visit> all = fetched(loop.visits());
        if (all.equals(loop.visits()) || later(loop).isPresent() || apart(loop).isPresent()) {
            return Optional.empty();
        }
        Staggered staggered = NodeLoop.staggered(all);
        if (!isGood(all, staggered.worst())) {
            return Optional.empty();
        }
        List<Edit> edits = new ArrayList<>(fetching(loop));
        if (loop.apart().isEmpty()) {
            edits.add(setApart(loop.node()));
        }
        return Optional.of(new Fix("later-and-apart", fact(loop), Fact.of("fix.rounds_apart.cost"), edits));
    }

    private static Fact fact(NodeLoop loop) {
        return Fact.of("fix.fetch_later")
                .with(
                        "parts",
                        loop.visits().stream()
                                .filter(Visit::canBeFetchedLater)
                                .map(visit -> visit.placed().part().name())
                                .toList());
    }

    /** All that are late are asked so seldom that the round is short enough for them. */
    private static Optional<Fix> fewer(NodeLoop loop) {
        double most = Visit.MOST_LATE / loop.worst().seconds();
        double step = Math.pow(10, Math.floor(Math.log10(most)) - 1);
        Frequency polls = Frequency.ofHertz(Math.floor(most / step + 1e-9) * step);
        List<Edit> edits = new ArrayList<>();
        for (Visit late : loop.late()) {
            edits.add(new SetSetting(
                    loop.node().node().id(), late.placed().id(), Settings.POLLS, Engineering.print(polls)));
        }
        return Optional.of(new Fix(
                "fewer-polls",
                Fact.of("fix.fewer")
                        .with(
                                "parts",
                                loop.late().stream()
                                        .map(late -> late.placed().part().name())
                                        .toList())
                        .with("polls", polls),
                Fact.of("fix.polls.cost"),
                edits));
    }

    private static List<Visit> fetched(List<Visit> visits) {
        return visits.stream()
                .map(visit -> visit.canBeFetchedLater() ? visit.fetchedLater() : visit)
                .toList();
    }

    private static List<Edit> fetching(NodeLoop loop) {
        List<Edit> edits = new ArrayList<>();
        loop.visits().stream()
                .filter(Visit::canBeFetchedLater)
                .forEach(visit -> edits.add(
                        new SetSetting(loop.node().node().id(), visit.placed().id(), Settings.WAITS, "0 s")));
        return edits;
    }

    private static Edit setApart(NodeCircuit node) {
        return new SetSetting(node.node().id(), node.board().id(), Settings.TURNS, "apart");
    }

    private static TimeSpan together(List<Visit> visits) {
        return NodeLoop.sum(visits);
    }

    private static boolean isGood(List<Visit> visits, TimeSpan round) {
        return NodeLoop.late(visits, round).isEmpty();
    }
}
