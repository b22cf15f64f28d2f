package inkel.core.levels.rules;

import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Between;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.levels.LevelReport;
import inkel.core.remedy.PinNames;
import java.util.List;

/** Reports what leads one way only in a wire that both ends drive: it serves one way and spoils the other. */
public final class DividerTwoWayRule implements Rule<LevelReport> {
    private static final RuleInfo INFO = new RuleInfo("levels.divider_two_way", Severity.STOP, Stage.LEVELS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LevelReport levels) {
        return levels.circuit().nodes().stream()
                .flatMap(node -> node.node().between().stream()
                        .filter(between -> isTwoWay(node, between))
                        .filter(between -> between.isOneWay() || isBuffer(node, between))
                        .map(between -> describe(node, between)))
                .toList();
    }

    private static boolean isBuffer(NodeCircuit node, Between between) {
        return between instanceof Between.ShifterWay way
                && node.part(way.shifter())
                        .filter(part -> node.ways(part).isOneWay())
                        .isPresent();
    }

    private static boolean isTwoWay(NodeCircuit node, Between between) {
        return node.pin(between.signal()).filter(pin -> pin.use().isTwoWay()).isPresent();
    }

    private static Finding describe(NodeCircuit node, Between between) {
        Finding.Builder finding = Finding.of(INFO, node.place(between.signal()));
        if (isBuffer(node, between)) {
            finding.variant("buffer");
        } else if (!(between instanceof Between.Divider)) {
            finding.variant("piece");
        }
        return finding.with("signal", PinNames.of(node, between.signal()))
                .fix(TakeOutFix.of(node, between.signal()))
                .build();
    }
}
