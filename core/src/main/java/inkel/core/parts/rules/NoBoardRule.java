package inkel.core.parts.rules;

import inkel.core.catalog.Kind;
import inkel.core.circuit.Circuit;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import java.util.List;

/** Reports a table in whose board's place something stands that runs no program. Which board would do is a search of its own. */
public final class NoBoardRule implements Rule<Circuit> {
    private static final RuleInfo INFO = new RuleInfo("parts.no_board", Severity.STOP, Stage.PARTS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(Circuit circuit) {
        return circuit.nodes().stream()
                .filter(node -> node.board().cls().kind() != Kind.BOARD)
                .map(node -> Finding.of(INFO, node.place(node.board()))
                        .with("part", node.board().part().name())
                        .with("class", node.board().cls().name())
                        .build())
                .toList();
    }
}
