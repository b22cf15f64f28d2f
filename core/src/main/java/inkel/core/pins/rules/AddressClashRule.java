package inkel.core.pins.rules;

import inkel.core.build.Edit;
import inkel.core.circuit.Placed;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.PinReport;
import inkel.core.pins.PinReport.NodePins;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** Reports two parts of one I2C bus that answer to the same address, second and all-call addresses included. */
public final class AddressClashRule implements Rule<PinReport> {
    private static final RuleInfo INFO =
            new RuleInfo("i2c.address_clash", Severity.STOP, Stage.PINS, "I2C-bus specification, addressing");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        List<Finding> findings = new ArrayList<>();
        for (NodePins pins : report.nodes()) {
            pins.i2cBuses().values().forEach(parts -> {
                for (int i = 0; i < parts.size(); i++) {
                    for (int j = i + 1; j < parts.size(); j++) {
                        clash(parts.get(i), parts.get(j)).stream()
                                .map(found -> describe(pins, found))
                                .forEach(findings::add);
                    }
                }
            });
        }
        return findings;
    }

    private record Clash(Placed first, Placed second, int address) {}

    private static List<Clash> clash(Placed first, Placed second) {
        List<Integer> others = NodePins.addresses(second);
        return NodePins.addresses(first).stream()
                .filter(others::contains)
                .distinct()
                .map(address -> new Clash(first, second, address))
                .toList();
    }

    private static Finding describe(NodePins pins, Clash clash) {
        Finding.Builder finding = Finding.of(INFO, pins.node().place(clash.second()))
                .with("part", clash.second().part().name())
                .with("other", clash.first().part().name())
                .with("address", Engineering.address(clash.address()));
        Stream.of(clash.second(), clash.first())
                .filter(placed ->
                        placed.address().filter(main -> main == clash.address()).isPresent())
                .flatMap(placed -> StrapFixes.toFree(pins, placed).stream())
                .forEach(finding::fix);
        return finding.fix(leaveOut(pins, clash.second())).build();
    }

    private static Fix leaveOut(NodePins pins, Placed placed) {
        return new Fix(
                "leave-out-" + placed.id(),
                Fact.of("fix.leave_out").with("part", placed.part().name()),
                Fact.of("fix.leave_out.cost"),
                List.of(new Edit.RemovePart(pins.node().node().id(), placed.id())));
    }
}
