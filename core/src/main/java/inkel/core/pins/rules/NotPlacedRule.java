package inkel.core.pins.rules;

import inkel.core.catalog.Pin;
import inkel.core.circuit.Lost;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Fact;
import inkel.core.remedy.Wishes;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Reports a signal that the part needs and that goes nowhere. */
public final class NotPlacedRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.not_placed", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream().flatMap(NotPlacedRule::check).toList();
    }

    /** While nothing was shared out that is one thing to say, and not one for each signal. */
    private static Stream<Finding> check(NodePins pins) {
        boolean isNew = pins.node().nets().isEmpty() && pins.loose().size() > 1;
        if (isNew) {
            return Stream.of(nothingYet(pins));
        }
        // That no pin is left is a finding of its own, and that the pin is gone.
        List<Endpoint> without = NotEnoughRule.without(pins);
        List<Endpoint> lost = pins.node().lost().stream().map(Lost::at).toList();
        return pins.loose().stream()
                .filter(signal -> !without.contains(signal) && !lost.contains(signal))
                .map(signal -> describe(pins, signal));
    }

    private static Finding nothingYet(NodePins pins) {
        return Finding.of(INFO, Place.ofNode(pins.node().node().id()))
                .variant("none")
                .with("count", pins.loose().size())
                .with(
                        "parts",
                        pins.loose().stream()
                                .map(Endpoint::part)
                                .distinct()
                                .map(part -> pins.node()
                                        .part(part)
                                        .orElseThrow()
                                        .part()
                                        .name())
                                .toList())
                .build();
    }

    private static Finding describe(NodePins pins, Endpoint signal) {
        return Finding.of(INFO, pins.node().place(signal))
                .with(
                        "part",
                        pins.node().part(signal.part()).orElseThrow().part().name())
                .with("pin", signal.pin())
                .fixes(() -> places(pins, signal))
                .fix(() -> Optional.of(without(pins, signal)))
                .build();
    }

    /** Pins that are free for it; for a line of a bus that no block is left for, a bus that the program drives. */
    private static List<Fix> places(NodePins pins, Endpoint signal) {
        List<Fix> places = PinFixes.move(pins, signal);
        boolean isBus = pins.useOf(signal).sharedLine().isPresent();
        return places.isEmpty() && isBus
                ? OwnBusFix.of(pins, pins.node().part(signal.part()).orElseThrow()).stream()
                        .toList()
                : places;
    }

    private static Fix without(NodePins pins, Endpoint signal) {
        Placed placed = pins.node().part(signal.part()).orElseThrow();
        Pin pin = pins.node().pin(signal).orElseThrow();
        return new Fix(
                "without-" + signal,
                Fact.of("fix.without").with("signal", signal.pin()),
                Fact.of("fix.without.cost"),
                Wishes.decline(pins.node(), placed, pin, ""));
    }
}
