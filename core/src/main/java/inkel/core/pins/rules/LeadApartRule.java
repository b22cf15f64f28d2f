package inkel.core.pins.rules;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Pin;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.Leads;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Reports a winding whose two leads hang on different bridges: no current is steered through it. */
public final class LeadApartRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.lead_apart", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.node().parts().stream().flatMap(placed -> apart(pins, placed)))
                .toList();
    }

    private static Stream<Finding> apart(NodePins pins, Placed placed) {
        return Leads.windings(placed.cls()).stream().flatMap(winding -> {
            Optional<Wire> first = pins.node().wire(placed.endpoint(winding.one()));
            Optional<Wire> second = pins.node().wire(placed.endpoint(winding.other()));
            return first.isPresent() && second.isPresent() && !isOnOneBridge(pins, first.get(), second.get())
                    ? Stream.of(describe(pins, first.get(), second.get()))
                    : Stream.empty();
        });
    }

    private static boolean isOnOneBridge(NodePins pins, Wire first, Wire second) {
        Optional<Ability> one = bridge(WireFinding.target(pins, first));
        Optional<Ability> other = bridge(WireFinding.target(pins, second));
        boolean isKnown = one.isPresent() && other.isPresent();
        // A lead on something else than a bridge is another finding.
        return !isKnown
                || first.to().part().equals(second.to().part())
                        && one.get().unit() == other.get().unit();
    }

    private static Optional<Ability> bridge(Pin pin) {
        return pin.can().stream()
                .filter(ability -> ability.kind() == Ability.Kind.DRIVE)
                .findFirst();
    }

    private static Finding describe(NodePins pins, Wire first, Wire second) {
        return WireFinding.of(INFO, pins, second)
                .with("other", first.from().pin())
                .with("other_pin", first.to().pin())
                .fixes(() -> beside(pins, second, first))
                .fixes(() -> beside(pins, first, second))
                .build();
    }

    /** To the free end of the bridge that the other lead is on. */
    private static List<Fix> beside(NodePins pins, Wire moved, Wire stays) {
        Optional<Ability> bridge = bridge(WireFinding.target(pins, stays));
        return PinFixes.moveTo(
                pins,
                moved.from(),
                target -> target.part().equals(stays.to().part())
                        && bridge(pins.node().pin(target).orElseThrow())
                                .filter(other ->
                                        other.unit() == bridge.orElseThrow().unit())
                                .isPresent()
                        && isReady(pins, target));
    }

    /** Whether what the part wants with that pin is wired: a bridge that nothing drives is no way out. */
    private static boolean isReady(NodePins pins, Endpoint target) {
        return pins.node().part(target.part()).stream()
                .flatMap(driver -> driver.cls().signals())
                .filter(pin -> pin.wantedWith().contains(target.pin()))
                .allMatch(pin -> pins.node()
                        .wire(new Endpoint(target.part(), pin.label()))
                        .isPresent());
    }
}
