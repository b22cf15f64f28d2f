package inkel.app.ui.pins;

import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Ui;
import inkel.core.document.Place;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.IntConsumer;
import javafx.css.PseudoClass;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.transform.Rotate;

/** The names of the threads, leaning above them; they stay in view when the rows are scrolled. */
final class LoomHead extends Pane {
    private static final PseudoClass USED = PseudoClass.getPseudoClass("used");
    private static final PseudoClass RESERVED = PseudoClass.getPseudoClass("reserved");
    private static final double LEAN = -60;
    private static final double LETTER = 7.0;

    private final Pane names = new Pane();
    private final Consumer<Place> select;
    private final IntConsumer hover;
    private final Map<Integer, List<Node>> made = new HashMap<>();
    private LoomGeometry geometry;

    LoomHead(Consumer<Place> select, IntConsumer hover) {
        this.select = select;
        this.hover = hover;
        getChildren().add(names);
        names.setManaged(false);
        setMinWidth(0);
        Loom.clip(this);
    }

    /** Shows the names of some threads, moved across with the field. */
    void show(LoomGeometry shown, int first, int last, double across) {
        if (shown != geometry) {
            geometry = shown;
            made.clear();
            names.getChildren().clear();
            setMinHeight(shown.headHeight());
            setPrefHeight(shown.headHeight());
        }
        made.entrySet().removeIf(entry -> {
            boolean isGone = entry.getKey() < first || entry.getKey() >= last;
            if (isGone) {
                names.getChildren().removeAll(entry.getValue());
            }
            return isGone;
        });
        for (int i = first; i < last; i++) {
            if (!made.containsKey(i)) {
                List<Node> nodes = nodes(i);
                made.put(i, nodes);
                names.getChildren().addAll(nodes);
            }
        }
        names.setTranslateX(across);
    }

    private List<Node> nodes(int number) {
        LoomModel.Thread thread = geometry.model().threads().get(number);
        double height = geometry.headHeight();
        double x = geometry.x(number);
        List<Node> nodes = new ArrayList<>();
        Region stub = line(thread, x, height - 10, 10);
        stub.getStyleClass().add("thread-stub");
        nodes.add(stub);
        Caption label = Ui.word(thread.label(), "thread-label");
        label.pseudoClassStateChanged(USED, thread.isUsed());
        nodes.add(turned(label, x, height - 14, thread, number));
        if (!thread.tag().isEmpty()) {
            Caption tag = Ui.word(
                    thread.tag(), "thread-tag", "thread-tag-" + thread.tag().toLowerCase(Locale.ROOT));
            double along = (thread.label().length() + 1.6) * LETTER;
            nodes.add(turned(tag, x + along * 0.5, height - 14 - along * 0.866, thread, number));
        }
        return nodes;
    }

    /** A label that leans to the right, its foot at a point. */
    private Group turned(Caption label, double x, double y, LoomModel.Thread thread, int number) {
        Group group = new Group(label);
        label.getTransforms().add(new Rotate(LEAN, 0, 0));
        label.relocate(-7, 0);
        group.setLayoutX(x);
        group.setLayoutY(y);
        group.setId("thread-" + thread.label());
        Ui.tip(group, thread.names());
        group.setOnMouseEntered(event -> hover.accept(number));
        group.setOnMouseExited(event -> hover.accept(-1));
        group.setOnMouseClicked(event -> select.accept(Place.of(node(), thread.end())));
        return group;
    }

    private String node() {
        return geometry.model().modules().isEmpty()
                ? ""
                : geometry.model().modules().get(0).place().node();
    }

    /** A piece of an upright thread. */
    static Region line(LoomModel.Thread thread, double x, double top, double height) {
        Region line = new Region();
        line.getStyleClass().addAll("thread", "thread-" + thread.kind().name().toLowerCase(Locale.ROOT));
        double width = thread.kind() == LoomModel.Kind.PIN ? 2 : 3;
        line.setManaged(false);
        line.resizeRelocate(Math.round(x - width / 2), top, width, height);
        line.pseudoClassStateChanged(USED, thread.isUsed());
        line.pseudoClassStateChanged(RESERVED, thread.isReserved());
        return line;
    }

    /** Marks the name of one thread; −1 marks none. */
    void mark(int thread) {
        made.forEach((number, nodes) -> nodes.forEach(node -> {
            Node marked = node instanceof Group group ? group.getChildren().get(0) : node;
            marked.pseudoClassStateChanged(LoomRow.SELECTED, number == thread);
        }));
    }
}
