package inkel.core.levels.rules;

import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Place;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.ESeries;
import inkel.core.levels.BoardLink;
import inkel.core.levels.Judged;
import inkel.core.levels.LevelReport;
import inkel.core.levels.Link;
import inkel.core.levels.WireSpeed;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.PinNames;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Notes a part that hangs on another source than what drives it: when its own is off, current runs through its pins into
 * its supply. A resistor in line keeps that small; so does switching both on together.
 */
public final class BackPowerRule implements Rule<LevelReport> {
    private static final RuleInfo INFO = new RuleInfo("levels.back_power", Severity.LOOK, Stage.LEVELS);

    /** More than this on a pin of a part that is off feeds it through its clamp. */
    private static final Voltage CLAMP = Voltage.ofMillivolts(300);

    private static final Resistance IN_LINE = Resistance.ofOhms(1000);

    /** Less than this keeps no current small. */
    private static final Resistance LEAST_IN_LINE = Resistance.ofOhms(220);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LevelReport levels) {
        // Sixteen servos on one supply are one thing to say.
        Map<Cause, List<Link>> byCause = new LinkedHashMap<>();
        levels.links().stream().filter(BackPowerRule::isFedThroughItsPin).forEach(link -> byCause.computeIfAbsent(
                        Cause.of(link), cause -> new ArrayList<>())
                .add(link));
        List<Finding> findings = new ArrayList<>(
                byCause.values().stream().map(BackPowerRule::describe).toList());
        Map<List<String>, List<BoardLink>> byBoards = new LinkedHashMap<>();
        levels.boards().stream().filter(BackPowerRule::isFedThroughItsPin).forEach(link -> byBoards.computeIfAbsent(
                        List.of(link.from().node().id(), link.to().node().id()), boards -> new ArrayList<>())
                .add(link));
        byBoards.values().stream().map(BackPowerRule::describeBoards).forEach(findings::add);
        return findings;
    }

    private static boolean isFedThroughItsPin(BoardLink link) {
        Placed talks = link.from().board();
        Placed hears = link.to().board();
        boolean isTogether = isSwitchedWithOthers(talks) || isSwitchedWithOthers(hears);
        // Over a bus no more flows than its pull-ups let through, which is less than a resistor in the wire would.
        return !isTogether
                && !link.isBus()
                && isDirect(link)
                && !isOneSource(link)
                && isAboveWhatItBears(link.check().vohMax(), link.to().io(link.hears()));
    }

    private static boolean isDirect(Judged judged) {
        return judged.between().isEmpty() || judged.isLeft();
    }

    /** A board that a lead from the other one feeds is on when that is. */
    private static boolean isOneSource(BoardLink link) {
        return isFedByALead(link.from(), link.says()) || isFedByALead(link.to(), link.hears());
    }

    private static boolean isFedByALead(NodeCircuit node, Endpoint pin) {
        return node.ioRail(pin)
                .map(rail -> source(node, rail))
                .flatMap(source -> node.part(source.part()))
                .filter(part -> part.part().has(Settings.RAIL))
                .isPresent();
    }

    private static Finding describeBoards(List<BoardLink> links) {
        BoardLink first = links.get(0);
        NodeCircuit to = first.to();
        return Finding.of(INFO, to.place(to.board()))
                .variant("boards")
                .with("part", to.node().name())
                .with("from", first.from().node().name())
                .number("highest_output", first.check().vohMax(), Source.COMPUTED)
                .number("clamp", CLAMP, Source.RULE)
                .fixes(() -> List.of(
                        inLine(links),
                        new Fix(
                                "together",
                                Fact.of("fix.together").with("part", to.node().name()),
                                Fact.of("fix.together.cost"),
                                List.of(new SetSetting(
                                        to.node().id(), to.board().id(), Settings.TOGETHER, "yes")))))
                .build();
    }

    private static Fix inLine(List<BoardLink> links) {
        List<Edit> resistors = links.stream()
                .map(link -> InWire.put(link, new Between.Series(InWire.signal(link), IN_LINE, Extras.NONE)))
                .toList();
        return new Fix(
                "series",
                Fact.of("fix.series_all")
                        .with("value", IN_LINE)
                        .with("part", links.get(0).to().node().name()),
                Fact.of("fix.series_all.cost").with("count", resistors.size()),
                resistors);
    }

    private static boolean isFedThroughItsPin(Link link) {
        NodeCircuit node = link.node();
        if (!isDirect(link) || !link.check().vohMax().isAbove(CLAMP) || isOneSource(node, link.from(), link.to())) {
            return false;
        }
        boolean isTogether = isSwitchedWithOthers(node.part(link.to().part()).orElseThrow())
                || isSwitchedWithOthers(node.part(link.from().part()).orElseThrow());
        return !isTogether && isAboveWhatItBears(link.check().vohMax(), node.io(link.to()));
    }

    /** A pin that bears a voltage whatever its supply is lets nothing through while that is off. */
    private static boolean isAboveWhatItBears(Voltage high, Optional<IoFamily> family) {
        return family.map(IoFamily::bearsUnpowered)
                .filter(bears -> high.isAbove(Quantity.larger(CLAMP, bears)))
                .isPresent();
    }

    private static boolean isSwitchedWithOthers(Placed placed) {
        return placed.own(Settings.TOGETHER).isPresent();
    }

    /** Also for a pin that hangs on no rail: then nothing is known of what is off while the other is on. */
    private static boolean isOneSource(NodeCircuit node, Endpoint one, Endpoint other) {
        Optional<Rail> first = node.ioRail(one);
        Optional<Rail> second = node.ioRail(other);
        return first.isEmpty() || second.isEmpty() || source(node, first.get()).equals(source(node, second.get()));
    }

    private static Endpoint source(NodeCircuit node, Rail rail) {
        return node.switchOf(rail.id());
    }

    /** What drives hangs on one source, what listens on another. */
    private record Cause(String node, Endpoint drives, Endpoint listens) {
        static Cause of(Link link) {
            NodeCircuit node = link.node();
            return new Cause(
                    link.signal().node(),
                    source(node, node.ioRail(link.from()).orElseThrow()),
                    source(node, node.ioRail(link.to()).orElseThrow()));
        }
    }

    private static Finding describe(List<Link> links) {
        Link first = links.get(0);
        NodeCircuit node = first.node();
        List<Placed> receivers = links.stream()
                .map(link -> link.to().part())
                .distinct()
                .map(part -> node.part(part).orElseThrow())
                .toList();
        Finding.Builder finding = Finding.of(INFO, node.place(receivers.get(0)));
        if (receivers.size() > 1) {
            finding.variant("several");
        }
        return finding.with("part", names(receivers))
                .with("from", PinNames.of(node, first.from()))
                .number("highest_output", first.check().vohMax(), first.saysHigh())
                .number("clamp", CLAMP, Source.RULE)
                .fixes(() -> fixes(links, node, receivers))
                .build();
    }

    private static List<String> names(List<Placed> parts) {
        return parts.stream().map(placed -> placed.part().name()).toList();
    }

    /** As much as keeps the current small, and no more than every one of the wires still rises through in time. */
    private static Optional<Resistance> inLine(NodeCircuit node, List<Endpoint> signals) {
        Resistance most = signals.stream()
                .flatMap(signal -> WireSpeed.of(node, signal).stream())
                .map(WireSpeed::mostResistance)
                .reduce(IN_LINE, Quantity::smaller);
        return LEAST_IN_LINE.ohms() > most.ohms()
                ? Optional.empty()
                : Optional.of(Resistance.ofOhms(ESeries.E12.atMost(most.ohms())));
    }

    private static List<Fix> fixes(List<Link> links, NodeCircuit node, List<Placed> receivers) {
        List<Endpoint> signals =
                links.stream().map(Link::signal).distinct().map(Place::endpoint).toList();
        List<Fix> fixes = new ArrayList<>();
        boolean isOneWay = signals.stream()
                .noneMatch(signal -> node.pin(signal).orElseThrow().use().isTwoWay());
        inLine(node, signals).filter(ohms -> isOneWay).ifPresent(ohms -> {
            List<Edit> resistors = signals.stream()
                    .map(signal -> (Edit) new Insert(node.node().id(), new Between.Series(signal, ohms, Extras.NONE)))
                    .toList();
            fixes.add(new Fix(
                    "series",
                    Fact.of("fix.series_all").with("value", ohms).with("part", names(receivers)),
                    Fact.of("fix.series_all.cost").with("count", resistors.size()),
                    resistors));
        });
        fixes.add(new Fix(
                "together",
                Fact.of(receivers.size() > 1 ? "fix.together.several" : "fix.together")
                        .with("part", names(receivers)),
                Fact.of("fix.together.cost"),
                receivers.stream()
                        .map(receiver ->
                                (Edit) new SetSetting(node.node().id(), receiver.id(), Settings.TOGETHER, "yes"))
                        .toList()));
        return fixes;
    }
}
