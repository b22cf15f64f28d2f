package inkel.core.terms;

import inkel.core.catalog.Ability;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.PinUse;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.formula.Converter;
import inkel.core.levels.Link;
import inkel.core.pins.I2cBus;
import inkel.core.pins.NodePins;
import inkel.core.power.BurstReport;
import inkel.core.power.FeedLine;
import inkel.core.power.PowerReport;
import inkel.core.power.RegulatorReport;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Share;
import inkel.core.quantity.TimeSpan;
import inkel.core.remedy.PinNames;
import inkel.core.remedy.RailNames;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** What a term comes to on one board of a build: the case that matters most first, few of them. */
public final class TermNumbers {
    private static final int MOST = 3;

    private final Assessment assessment;
    private final NodeCircuit node;
    private final NodePins pins;

    private TermNumbers(Assessment assessment, NodeCircuit node, NodePins pins) {
        this.assessment = assessment;
        this.node = node;
        this.pins = pins;
    }

    /** @return facts to be worded; none where the board has nothing of that kind */
    public static List<Fact> of(Assessment assessment, String nodeId, Term term) {
        Optional<NodeCircuit> node = assessment.circuit(nodeId);
        Optional<NodePins> pins = assessment.pins(nodeId);
        return node.isEmpty() || pins.isEmpty()
                ? List.of()
                : new TermNumbers(assessment, node.get(), pins.get())
                        .of(term)
                        .limit(MOST)
                        .toList();
    }

    private Stream<Fact> of(Term term) {
        return switch (term) {
            case ABSOLUTE_MAXIMUM ->
                links().sorted(Comparator.comparing((Link link) -> link.check().headroom()))
                        .limit(1)
                        .map(link -> at(term, link)
                                .with("bears", link.check().absoluteMax())
                                .with("gets", link.check().vohMax()));
            case ADC -> analog();
            case ADDRESS ->
                node.parts().stream()
                        .filter(placed -> placed.address().isPresent())
                        .map(placed -> of(term, placed)
                                .with(
                                        "address",
                                        Engineering.address(placed.address().orElseThrow())));
            case BAUD ->
                node.parts().stream()
                        .filter(placed -> placed.cls().uart().isPresent())
                        .map(placed -> of(term, placed)
                                .with(
                                        "rate",
                                        placed.cls()
                                                .uart()
                                                .orElseThrow()
                                                .rates()
                                                .get(0)));
            case BURST ->
                bursts().map(burst -> of(term, burst.placed())
                        .with("current", burst.burstCurrent())
                        .with("time", burst.burst().time()));
            case CHIP_SELECT ->
                pins.spiBuses().stream()
                        .flatMap(bus -> bus.members().stream().flatMap(member -> bus.select(member).stream()
                                .map(wire -> of(term, member).with("pin", name(wire)))));
            case COMMON_GROUND ->
                Stream.of(Fact.of(key(term))
                        .with("parts", node.parts().size() - apart())
                        .with("apart", apart()));
            case DECOUPLING ->
                node.parts().stream()
                        .filter(placed -> !placed.cls().decoupling().isEmpty())
                        .map(placed -> of(term, placed)
                                .with(
                                        "values",
                                        placed.cls().decoupling().stream()
                                                .map(wanted -> Fact.of("term.here.decoupling.value")
                                                        .with("value", wanted.value())
                                                        .with("pin", wanted.pin()))
                                                .toList()));
            case DIVIDER ->
                node.node().between().stream()
                        .filter(Between.Divider.class::isInstance)
                        .map(Between.Divider.class::cast)
                        .map(divider -> Fact.of(key(term))
                                .with("signal", PinNames.of(node, divider.signal()))
                                .with("series", divider.series())
                                .with("ground", divider.toGround())
                                .with("share", Share.ofPercent(100 * divider.share())));
            case DROOP ->
                bursts().filter(burst -> burst.droop().isPresent()).map(burst -> of(term, burst.placed())
                        .with("droop", burst.droop().orElseThrow())
                        .with("allowed", burst.allowed()));
            case DROPOUT ->
                regulators().filter(regulator -> regulator.needs().isPresent()).map(regulator -> of(
                                term, regulator.placed())
                        .with("gives", regulator.wanted())
                        .with("needs", regulator.needs().orElseThrow())
                        .with("gets", regulator.in().lowest()));
            case DUTY ->
                node.parts().stream()
                        .filter(placed ->
                                placed.cls().pwm().filter(pwm -> pwm.isExact()).isPresent())
                        .map(this::duty);
            case INTERRUPT -> uses(term, PinUse.INTERRUPT);
            case JUNCTION ->
                regulators()
                        .filter(regulator -> regulator.junction().isPresent())
                        .map(regulator -> of(term, regulator.placed())
                                .with("heat", regulator.junction().orElseThrow())
                                .with("loss", regulator.loss()));
            case LEVEL_SHIFTER ->
                node.node().between().stream()
                        .filter(Between.ShifterWay.class::isInstance)
                        .map(way -> Fact.of(key(term)).with("signal", PinNames.of(node, way.signal())));
            case MARGIN ->
                links().sorted(Comparator.comparing((Link link) -> link.check().tightestMargin()))
                        .limit(1)
                        .map(link -> at(term, link).with("margin", link.check().tightestMargin()));
            case OPEN_DRAIN ->
                links().filter(link -> link.pulledBy().isPresent()).map(link -> at(term, link)
                        .with("resistance", link.pulledBy().orElseThrow().resistance()));
            case PEAK ->
                budgets()
                        .sorted(Comparator.comparingDouble(
                                (Rail rail) -> -rail.peakShare().ratio()))
                        .limit(1)
                        .map(rail -> Fact.of(key(term))
                                .with("rail", RailNames.of(node, rail.id()))
                                .with("average", rail.average())
                                .with("peak", rail.peak()));
            case PULL_UP ->
                assessment.reports().pins().i2cBuses().stream()
                        .filter(bus -> bus.node().node().id().equals(node.node().id()))
                        .filter(bus -> bus.pull().isPresent() && bus.volts().isPresent())
                        .map(this::pullUp);
            case RAIL ->
                budgets().map(rail -> Fact.of(key(term))
                        .with("rail", RailNames.of(node, rail.id()))
                        .with("peak", rail.peak())
                        .with("rating", rail.rating()));
            case STRAP ->
                node.node().wires().stream()
                        .filter(wire -> pins.atStart(wire).isPresent())
                        .map(wire -> Fact.of(key(term)).with("pin", name(wire)))
                        .distinct();
            case TERMINATOR ->
                assessment.reports().lines().lines().stream()
                        .filter(line -> line.stations().stream().anyMatch(station -> isHere(station.node())))
                        .flatMap(line -> line.load().stream().map(load -> Fact.of("term.here.terminator")
                                .with("count", line.terminated().size())
                                .with("load", load)));
            case THRESHOLD ->
                links().sorted(Comparator.comparing((Link link) -> link.check().tightestMargin()))
                        .limit(1)
                        .map(link -> at(term, link)
                                .with("high", link.check().vih())
                                .with("low", link.check().vil())
                                .with("says", link.check().vohMin()));
            case TIMER -> uses(term, PinUse.PWM);
            case WIRE_DROP ->
                assessment.reports().power().lines().stream()
                        .filter(line -> isHere(line.node()))
                        .sorted(Comparator.comparing(FeedLine::drop).reversed())
                        .limit(1)
                        .map(line -> of(term, line.placed())
                                .with("drop", line.drop())
                                .with("current", line.load().peak()));
        };
    }

    private static String key(Term term) {
        return "term.here." + term.text();
    }

    private static Fact of(Term term, Placed placed) {
        return Fact.of(key(term)).with("part", placed.part().name());
    }

    private Fact at(Term term, Link link) {
        return Fact.of(key(term))
                .with("signal", PinNames.of(node, link.from()))
                .with("to", PinNames.of(node, link.to()));
    }

    private Fact name(Wire wire) {
        return PinNames.of(node, wire.to());
    }

    private boolean isHere(NodeCircuit other) {
        return other.node().id().equals(node.node().id());
    }

    private Stream<Link> links() {
        return assessment.reports().levels().links().stream().filter(link -> isHere(link.node()));
    }

    private Stream<BurstReport> bursts() {
        return assessment.reports().power().bursts().stream().filter(burst -> isHere(burst.node()));
    }

    private Stream<RegulatorReport> regulators() {
        return assessment.reports().power().regulators().stream().filter(regulator -> isHere(regulator.node()));
    }

    private Stream<Rail> budgets() {
        return assessment.reports().power().inUse(node.node().id()).stream().map(PowerReport.RailBudget::rail);
    }

    private int apart() {
        return (int) assessment.reports().power().apartGrounds().stream()
                .filter(apart -> isHere(apart.node()))
                .count();
    }

    private Stream<Fact> uses(Term term, PinUse use) {
        return pins.wiresOf(use).stream().map(wire -> Fact.of(key(term))
                .with("signal", PinNames.of(node, wire.from()))
                .with("pin", name(wire)));
    }

    private Stream<Fact> analog() {
        PartClass board = node.board().cls();
        return board.analog().stream().limit(1).flatMap(group -> board.pins().stream()
                .filter(pin -> pin.can(Ability.Kind.ADC))
                .limit(1)
                .flatMap(pin -> node.ioVolts(new Endpoint(node.board().id(), pin.label())).stream())
                .map(volts -> group.fullScale().at(volts.expected()))
                .map(full -> Fact.of(key(Term.ADC))
                        .with("bits", group.bits())
                        .with("full", full)
                        .with("step", new Converter(full, group.bits()).step())));
    }

    /** A duty is the pulse over the period, which is one over the rate. */
    private Fact duty(Placed placed) {
        var pwm = placed.cls().pwm().orElseThrow();
        TimeSpan low = pwm.pulse().lowest();
        TimeSpan high = pwm.pulse().highest();
        double rate = pwm.frequency().hertz();
        return of(Term.DUTY, placed)
                .with("low", low)
                .with("high", high)
                .with("rate", pwm.frequency())
                .with("from", Share.ofPercent(100 * low.seconds() * rate))
                .with("to", Share.ofPercent(100 * high.seconds() * rate));
    }

    private Fact pullUp(I2cBus bus) {
        return Fact.of(key(Term.PULL_UP))
                .with("line", PinNames.of(node, bus.line()))
                .with("count", bus.pullCount())
                .with("resistance", bus.pull().orElseThrow())
                .with("volts", bus.volts().orElseThrow())
                .with("strongest", bus.strongest().map(Object.class::cast).orElse(""));
    }
}
