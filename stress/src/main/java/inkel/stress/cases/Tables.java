package inkel.stress.cases;

import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Extras;
import inkel.core.document.Logbook;
import inkel.core.document.edit.Edit;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import inkel.core.remedy.AddParts;
import inkel.core.remedy.NewNode;
import inkel.stress.kit.Chance;
import java.util.List;
import java.util.Random;

/** Small builds, made as the window makes them. */
final class Tables {
    static final String NODE = "table";

    static final List<PartClass> BOARDS =
            Seeds.CATALOG.all().stream().filter(cls -> cls.kind() == Kind.BOARD).toList();
    static final List<PartClass> OTHERS =
            Seeds.CATALOG.all().stream().filter(cls -> cls.kind() != Kind.BOARD).toList();

    private static final int MOST_PARTS = 6;

    private Tables() {}

    /** A board with the first supply that suits it, and nothing else. */
    static Build with(PartClass board) {
        PartClass supply = Seeds.CATALOG.all().stream()
                .filter(cls -> cls.kind() == Kind.SOURCE && NewNode.suits(board, cls))
                .findFirst()
                .orElseThrow();
        return new Build("Table", List.of(NewNode.of(NODE, "Table", board, supply)), Logbook.EMPTY, Extras.NONE);
    }

    /** The same with one more part, fed as the window feeds it. */
    static Build with(Build build, PartClass cls) throws EditRefused {
        NodeCircuit node = Circuit.of(build, Seeds.CATALOG).nodes().get(0);
        return Edit.applyAll(build, AddParts.of(node, cls, 1));
    }

    /** With pins shared out, where there is a way. */
    static Build planned(Build build) throws EditRefused {
        Plan plan = new Planner(build, Seeds.CATALOG).plan(NODE);
        return plan.edit().isPresent() ? plan.edit().get().apply(build) : build;
    }

    /** A board with some parts, wired or not. */
    static Build of(Random random) {
        try {
            Build build = with(Chance.of(random, BOARDS));
            int count = 1 + random.nextInt(MOST_PARTS);
            for (int i = 0; i < count; i++) {
                build = with(build, Chance.of(random, OTHERS));
            }
            return Chance.oneIn(random, 3) ? build : planned(build);
        } catch (EditRefused never) {
            throw new IllegalStateException("what the window offers is refused", never);
        }
    }
}
