package inkel.core.parts.rules;

import inkel.core.catalog.OwnClass;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.edit.TakeClass;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Notes a class of which the build carries one version and the builder's shelf has another. */
public final class ClassDiffersRule implements Rule<Circuit> {
    private static final RuleInfo INFO = new RuleInfo("parts.class_differs", Severity.NOTE, Stage.PARTS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(Circuit circuit) {
        List<Finding> findings = new ArrayList<>();
        for (OwnClass carried : circuit.build().classes()) {
            Optional<OwnClass> shelved = circuit.catalog().hidden(carried.id());
            shelved.flatMap(other -> describe(circuit, carried, other)).ifPresent(findings::add);
        }
        return findings;
    }

    /** Told once, at the first part of the class. */
    private static Optional<Finding> describe(Circuit circuit, OwnClass carried, OwnClass shelved) {
        return circuit.nodes().stream()
                .flatMap(node -> parts(node, carried).map(placed -> Finding.of(INFO, node.place(placed))
                        .with("class", carried.cls().name())
                        .with("part", placed.part().name())
                        .fixes(() -> List.of(new Fix(
                                "take",
                                Fact.of("fix.take_class")
                                        .with("class", shelved.cls().name()),
                                Fact.of("fix.take_class.cost"),
                                List.of(new TakeClass(node.node().id(), shelved)))))
                        .build()))
                .findFirst();
    }

    private static Stream<Placed> parts(NodeCircuit node, OwnClass cls) {
        return node.parts().stream().filter(placed -> placed.part().classId().equals(cls.id()));
    }
}
