package inkel.core.pins.rules;

import inkel.core.catalog.Settings;
import inkel.core.circuit.Placed;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.remedy.StrapWires;
import java.util.List;
import java.util.Optional;

/** Reports a part whose strap pins are tied for another address than the one that is meant. */
public final class StrapDiffersRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("i2c.strap_differs", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.node().parts().stream()
                        .filter(placed -> placed.strapped().isPresent()
                                && !placed.strapped().equals(placed.address()))
                        .map(placed -> describe(pins, placed)))
                .toList();
    }

    private static Finding describe(NodePins pins, Placed placed) {
        String strapped = Engineering.address(placed.strapped().orElseThrow());
        return Finding.of(INFO, pins.node().place(placed))
                .with("part", placed.part().name())
                .with("address", Engineering.address(placed.address().orElseThrow()))
                .with("strapped", strapped)
                .fix(() -> tiedAsMeant(pins, placed))
                .fix(new Fix(
                        "address-" + strapped,
                        Fact.of("fix.address_as_tied")
                                .with("part", placed.part().name())
                                .with("address", strapped),
                        Fact.of("fix.address_as_tied.cost"),
                        List.of(new SetSetting(pins.node().node().id(), placed.id(), Settings.ADDRESS, strapped))))
                .build();
    }

    private static Optional<Fix> tiedAsMeant(NodePins pins, Placed placed) {
        int address = placed.address().orElseThrow();
        List<Edit> edits = StrapWires.edits(pins.node(), placed, address);
        return edits.isEmpty()
                ? Optional.empty()
                : Optional.of(new Fix(
                        "tie-for-" + Engineering.address(address),
                        Fact.of("fix.strap_wires")
                                .with("part", placed.part().name())
                                .with("address", Engineering.address(address)),
                        Fact.of("fix.strap_wires.cost").with("count", edits.size()),
                        edits));
    }
}
