package inkel.core.parts.rules;

import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Part;
import inkel.core.document.edit.AddNode;
import inkel.core.document.edit.RemovePart;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.quantity.Fact;
import inkel.core.remedy.NewNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reports a board among the parts of another one: it follows a program of its own, so that nothing can be wired to it there. */
public final class SecondBoardRule implements Rule<Circuit> {
    private static final RuleInfo INFO = new RuleInfo("parts.second_board", Severity.STOP, Stage.PARTS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(Circuit circuit) {
        List<Finding> findings = new ArrayList<>();
        for (NodeCircuit node : circuit.nodes()) {
            node.parts().stream()
                    .filter(placed -> placed.isSecondBoard() && !placed.isForLater())
                    .forEach(placed -> findings.add(describe(circuit, node, placed)));
        }
        return findings;
    }

    private static Finding describe(Circuit circuit, NodeCircuit node, Placed placed) {
        return Finding.of(INFO, node.place(placed))
                .with("part", placed.part().name())
                .with("board", node.board().part().name())
                .fixes(() -> ownTable(circuit, node, placed).stream().toList())
                .build();
    }

    /** With the first supply of the catalogue that the board bears, as a board that is begun anew has. */
    private static Optional<Fix> ownTable(Circuit circuit, NodeCircuit node, Placed placed) {
        Optional<PartClass> source = circuit.catalog().all().stream()
                .filter(cls -> cls.kind() == Kind.SOURCE && NewNode.suits(placed.cls(), cls))
                .findFirst();
        String name = placed.part().name();
        return source.map(cls -> new Fix(
                "own-table",
                Fact.of("fix.own_table").with("part", name),
                Fact.of("fix.own_table.cost"),
                List.of(
                        new RemovePart(node.node().id(), placed.id()),
                        new AddNode(NewNode.of(circuit.build().freeNodeId(name), name, placed.cls(), cls)
                                .withPart(Part.BOARD, fresh -> same(placed.part(), fresh))))));
    }

    /** What was chosen for the piece, and found of it, stays its own. */
    private static Part same(Part piece, Part fresh) {
        return new Part(
                Part.BOARD,
                fresh.classId(),
                piece.name(),
                piece.purpose(),
                fresh.feeds(),
                fresh.groundApart(),
                piece.settings(),
                piece.figures(),
                piece.since(),
                piece.extras());
    }
}
