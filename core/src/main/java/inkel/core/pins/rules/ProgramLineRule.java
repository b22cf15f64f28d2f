package inkel.core.pins.rules;

import inkel.core.catalog.IoFamily;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.SpiNeed;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.ProgramLines;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Wire;
import inkel.core.document.edit.Insert;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.ESeries;
import inkel.core.formula.SeriesResistor;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Current;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Range;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Reports a part that talks on a pin over which the chip is programmed: the two then drive one wire against each other.
 *
 * <p>A resistor in the part's wire is enough when it keeps the current below what a pin can drive, R ≥ V/I, since the
 * programmer then wins. A part on a shared bus is quiet as long as its select is held off. Contacts that a hand closes are
 * left to the hand.
 */
public final class ProgramLineRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.program_line", Severity.LOOK, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream().flatMap(ProgramLineRule::check).toList();
    }

    private static Stream<Finding> check(NodePins pins) {
        Set<Endpoint> lines = ProgramLines.shared(pins.node());
        if (lines.isEmpty()) {
            return Stream.of();
        }
        return pins.node().node().wires().stream()
                .filter(wire -> lines.contains(wire.to()) && talks(pins, wire))
                .filter(wire -> !isWeak(pins.node(), wire))
                .map(wire -> describe(pins, wire, lines));
    }

    private static boolean talks(NodePins pins, Wire wire) {
        Placed placed = WireFinding.part(pins, wire);
        PinUse use = pins.node().pin(wire.from()).orElseThrow().use();
        boolean isContact = placed.cls().supplies().isEmpty() && use == PinUse.OUTPUT;
        boolean isOff = use == PinUse.SPI_MISO && letsGo(placed) && !isSelectFloating(pins, placed);
        return use.drives() && !use.isTwoWay() && !isContact && !isOff;
    }

    /** Whether it leaves MISO alone while it is not selected. */
    private static boolean letsGo(Placed placed) {
        return placed.cls().spi().filter(SpiNeed::releasesMiso).isPresent()
                && placed.cls().signals().anyMatch(pin -> pin.use() == PinUse.SPI_CS);
    }

    private static boolean isSelectFloating(NodePins pins, Placed placed) {
        return pins.spiBuses().stream().anyMatch(bus -> bus.floating().contains(placed));
    }

    /** Whether what stands in the wire lets the programmer win. */
    private static boolean isWeak(NodeCircuit node, Wire wire) {
        Optional<Between> between = node.between(wire.from());
        if (between.filter(Between.ShifterWay.class::isInstance).isPresent()) {
            return false;
        }
        Optional<Resistance> series = between.flatMap(ProgramLineRule::series);
        Optional<Resistance> least = least(node, wire);
        return series.isPresent() && least.isPresent() && !Quantity.exceeds(least.get(), series.get());
    }

    private static Optional<Resistance> series(Between between) {
        if (between instanceof Between.Series series) {
            return Optional.of(series.resistance());
        }
        return between instanceof Between.Divider divider ? Optional.of(divider.series()) : Optional.empty();
    }

    /** What keeps the current between the two below what the chip's pin gives. */
    private static Optional<Resistance> least(NodeCircuit node, Wire wire) {
        Optional<Voltage> volts = node.ioVolts(wire.to()).map(Range::highest);
        Optional<Current> most = node.io(wire.to()).flatMap(IoFamily::pinCurrent);
        return volts.flatMap(at -> most.map(current -> SeriesResistor.least(at, current)));
    }

    private static Finding describe(NodePins pins, Wire wire, Set<Endpoint> lines) {
        Finding.Builder finding = WireFinding.of(INFO, pins, wire);
        least(pins.node(), wire).ifPresent(least -> finding.number("resistor_least", least, Source.COMPUTED));
        return finding.fixes(() -> fixes(pins, wire, lines)).build();
    }

    private static List<Fix> fixes(NodePins pins, Wire wire, Set<Endpoint> lines) {
        List<Fix> fixes = new ArrayList<>();
        PinUse use = pins.node().pin(wire.from()).orElseThrow().use();
        Placed placed = WireFinding.part(pins, wire);
        if (use == PinUse.SPI_MISO && letsGo(placed) && isSelectFloating(pins, placed)) {
            fixes.add(PullUpFix.ofSelects(pins, List.of(placed)));
        }
        boolean isFree = pins.node().between(wire.from()).isEmpty() && use != PinUse.ANALOG;
        least(pins.node(), wire)
                .filter(least -> isFree)
                .map(least -> Resistance.ofOhms(ESeries.E12.atLeast(least.ohms())))
                .ifPresent(value -> fixes.add(resistor(pins, wire, value)));
        fixes.addAll(PinFixes.moveTo(pins, wire.from(), pin -> !lines.contains(pin)));
        return fixes;
    }

    private static Fix resistor(NodePins pins, Wire wire, Resistance value) {
        return new Fix(
                "series",
                Fact.of("fix.program_series")
                        .with("value", value)
                        .with("signal", wire.from().pin()),
                Fact.of("fix.program_series.cost"),
                List.of(new Insert(
                        pins.node().node().id(),
                        new Between.Series(wire.from(), value, Optional.empty(), Extras.NONE))));
    }
}
