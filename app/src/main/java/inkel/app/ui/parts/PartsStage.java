package inkel.app.ui.parts;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.stage.StagePane;
import inkel.app.words.Words;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.edit.RenamePart;
import inkel.core.finding.Stage;
import inkel.core.quantity.Fact;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The parts on the table as cards: what each is for, how it is fed, and whether it bears that. */
public final class PartsStage extends StagePane {
    private final Session session;
    private final PartsTable table = new PartsTable();
    private final VBox tablePane = new VBox(8);
    private final PartFinder finder;
    private final Caption empty = Ui.text(Words.get("parts.empty"), "sheet");
    private final Caption heading = Ui.word("", "section-title");

    public PartsStage(Session session) {
        super(Stage.PARTS);
        this.session = session;
        VBox.setVgrow(table, Priority.ALWAYS);
        empty.setId("parts-empty");
        tablePane.getStyleClass().add("parts-pane");
        tablePane.getChildren().setAll(heading, empty, table);
        finder = new PartFinder(session, subscriptions(), () -> make(null));
        Region both = new Beside(finder, tablePane);
        both.setMinHeight(0);
        VBox.setVgrow(both, Priority.ALWAYS);
        getChildren().add(both);
        subscriptions().on(session.selectionProperty(), (property, old, next) -> table.mark(next));
        setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.F2) {
                table.selected().or(table::focused).ifPresent(this::rename);
                event.consume();
            }
        });
        refreshWith(session);
    }

    /** Opens the form for an own part in place of the table; null begins with nothing. */
    public void make(PartClass from) {
        PartMaker maker = new PartMaker(session, from, this::showTable);
        VBox.setVgrow(maker, Priority.ALWAYS);
        tablePane.getChildren().setAll(maker);
        Node first = maker.lookup("#maker-part-name");
        if (first != null) {
            first.requestFocus();
        }
    }

    private void showTable() {
        tablePane.getChildren().setAll(heading, empty, table);
        finder.takeFocus();
    }

    /** Puts the keyboard where a part is looked for. */
    public void find() {
        finder.takeFocus();
    }

    private void rename(PartCard card) {
        card.rename(name ->
                session.apply(new RenamePart(card.place().node(), card.place().part(), name)));
    }

    @Override
    protected void refresh() {
        Assessment assessment = session.assessmentProperty().get();
        Optional<NodeCircuit> node = assessment == null
                ? Optional.empty()
                : assessment.circuit(session.nodeProperty().get());
        if (node.isEmpty()) {
            table.show(List.of());
            heading.setText("");
            Ui.show(empty, false);
            return;
        }
        boolean hadFocus = table.focused().isPresent();
        heading.setText(Words.say(Fact.of("parts.heading")
                .with("node", node.get().node().name())
                .with("count", node.get().parts().size() - 1)
                .with("board", node.get().board().cls().name())));
        table.show(node.get().parts().stream()
                .map(placed -> new PartCard(assessment, node.get(), placed, place -> session.selectionProperty()
                        .set(place.equals(session.selectionProperty().get()) ? null : place)))
                .toList());
        Ui.show(empty, node.get().parts().size() <= 2);
        table.mark(session.selectionProperty().get());
        if (hadFocus) {
            table.selected().ifPresent(Node::requestFocus);
        }
    }

    /** The finder over the table while it is folded, else beside it. */
    private static final class Beside extends Region {
        private static final double GAP = 12;
        private static final double LEAST = 206;
        private static final double MOST = 340;
        private static final double SHARE = 0.35;

        private final PartFinder finder;
        private final Region table;

        Beside(PartFinder finder, Region table) {
            this.finder = finder;
            this.table = table;
            getChildren().addAll(finder, table);
        }

        @Override
        protected void layoutChildren() {
            if (finder.isFolded()) {
                double height = finder.prefHeight(getWidth());
                finder.resizeRelocate(0, 0, getWidth(), height);
                table.resizeRelocate(0, height + GAP, getWidth(), Math.max(0, getHeight() - height - GAP));
            } else {
                double width = Math.max(LEAST, Math.min(MOST, getWidth() * SHARE));
                finder.resizeRelocate(0, 0, width, getHeight());
                table.resizeRelocate(width + GAP, 0, Math.max(0, getWidth() - width - GAP), getHeight());
            }
        }
    }
}
