package inkel.core.pins.rules;

import inkel.core.circuit.Placed;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Engineering;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** Reports two parts of one I2C bus that answer to the same address, second and all-call addresses included. */
public final class AddressClashRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("i2c.address_clash", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        List<Finding> findings = new ArrayList<>();
        for (NodePins pins : report.nodes()) {
            pins.i2cBuses().forEach((line, members) -> {
                List<Placed> hearing = pins.hearing(line);
                for (int i = 0; i < members.size(); i++) {
                    // The members come first among those that hear; each pair is told once.
                    for (Placed other : hearing.subList(i + 1, hearing.size())) {
                        for (int address : NodePins.commonAddresses(members.get(i), other)) {
                            findings.add(describe(pins, new Clash(members.get(i), other, address)));
                        }
                    }
                }
            });
        }
        return findings;
    }

    private record Clash(Placed first, Placed second, int address) {}

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
        return finding.fixes(() -> List.of(PinFixes.leaveOut(pins, clash.second())))
                .build();
    }
}
