package inkel.app.ui.ends;

import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Ui;
import inkel.app.words.WireWords;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.wiring.EndPlace;
import inkel.core.wiring.Terminal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import javafx.scene.layout.Region;

/** Where the two tips of a meter go, each among the pins around it as a finger finds them. */
public final class TwoTips extends Region {
    private static final double GAP = 24;
    private static final double HEAD = 24;
    private static final double DOT = 12;

    private final List<EndField> fields = new ArrayList<>();
    private final List<Line> names = new ArrayList<>();
    private final List<Region> dots = new ArrayList<>();

    /**
     * @param black where the black tip goes; empty when only one is needed
     * @param isTurned whether a part lies the other way up than it usually does
     */
    public TwoTips(
            Assessment assessment,
            NodeCircuit node,
            Terminal red,
            Optional<Terminal> black,
            Predicate<EndPlace> isTurned) {
        WireWords words = new WireWords(node);
        add(assessment, node, words, red, "red", isTurned);
        black.ifPresent(tip -> add(assessment, node, words, tip, "black", isTurned));
        getStyleClass().add("both-ends");
        setId("two-tips");
        setMinSize(0, 0);
        setAccessibleText(words.name(red) + ", " + words.place(red)
                + black.map(tip -> "; " + words.name(tip) + ", " + words.place(tip))
                        .orElse(""));
    }

    private void add(
            Assessment assessment,
            NodeCircuit node,
            WireWords words,
            Terminal tip,
            String colour,
            Predicate<EndPlace> isTurned) {
        EndField field = BothEnds.field(assessment, node, words, tip, Optional.empty(), Optional.empty(), isTurned);
        Region dot = Ui.region("tip-dot");
        dot.getStyleClass().add("swatch-" + colour);
        fields.add(field);
        dots.add(dot);
        names.add(new Line(Words.get("wake.tip." + colour), "end-title"));
        getChildren().addAll(field, dot, names.get(names.size() - 1));
    }

    @Override
    protected void layoutChildren() {
        double each = (getWidth() - GAP * (fields.size() - 1)) / fields.size();
        for (int i = 0; i < fields.size(); i++) {
            double x = i * (each + GAP);
            dots.get(i).resizeRelocate(x, 3, DOT, DOT);
            names.get(i).place(x + DOT + 8, 0, each - DOT - 8);
            fields.get(i).resizeRelocate(x, HEAD, each, Math.max(0, getHeight() - HEAD));
        }
    }
}
