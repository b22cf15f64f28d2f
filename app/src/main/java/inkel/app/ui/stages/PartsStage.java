package inkel.app.ui.stages;

import inkel.app.ui.Ui;
import inkel.app.ui.Workbench;
import inkel.app.ui.controls.SupplyRuler;
import inkel.app.words.PartWords;
import inkel.app.words.Words;
import inkel.core.build.Edit;
import inkel.core.build.Place;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.parts.SupplyReport.Feed;
import inkel.core.parts.SupplyReport.Fit;
import inkel.core.quantity.Fact;
import java.util.List;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.TilePane;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;

/** The parts on the table as cards: what each is for, how it is fed, and whether it bears that. */
public final class PartsStage extends StagePane {
    private static final PseudoClass TROUBLE = PseudoClass.getPseudoClass("trouble");
    private static final PseudoClass THIN = PseudoClass.getPseudoClass("thin");
    private static final double CARD_WIDTH = 262;
    private static final double GAP = 10;

    private final Workbench bench;
    private final TilePane table = new TilePane(GAP, GAP);
    private final Label heading = Ui.word("", "section-title");

    public PartsStage(Workbench bench) {
        super(Stage.PARTS);
        this.bench = bench;
        table.getStyleClass().add("table-of-parts");
        table.setPrefColumns(3);
        ScrollPane scroll = new ScrollPane(table);
        scroll.setId("parts-table");
        scroll.getStyleClass().add("bare-scroll");
        scroll.setFitToWidth(true);
        scroll.viewportBoundsProperty().addListener((property, old, next) -> fit(next.getWidth()));
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(heading, scroll);
        bench.selectionProperty().addListener((property, old, next) -> mark());
        setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.F2) {
                selectedCard().ifPresent(PartCard::rename);
                event.consume();
            }
        });
        refreshWith(bench);
    }

    /** As many columns as fit, all of one width, filling the row. */
    private void fit(double width) {
        int columns = (int) Math.max(1, Math.floor((width - 2 + GAP) / (CARD_WIDTH * 0.92 + GAP)));
        table.setPrefTileWidth(Math.floor((width - 2 - (columns - 1) * GAP) / columns));
        table.setPrefColumns(columns);
    }

    @Override
    void refresh() {
        Assessment assessment = bench.assessmentProperty().get();
        Optional<NodeCircuit> node = assessment == null
                ? Optional.empty()
                : assessment.circuit(bench.nodeProperty().get());
        if (node.isEmpty()) {
            table.getChildren().clear();
            heading.setText("");
            return;
        }
        boolean hadFocus = selectedCard().filter(Node::isFocused).isPresent();
        heading.setText(Words.say(Fact.of("parts.heading")
                .with("node", node.get().node().name())
                .with("count", node.get().parts().size() - 1)
                .with("board", node.get().board().cls().name())));
        table.getChildren()
                .setAll(node.get().parts().stream()
                        .map(placed -> new PartCard(assessment, node.get(), placed))
                        .toList());
        mark();
        if (hadFocus) {
            selectedCard().ifPresent(Node::requestFocus);
        }
    }

    private void mark() {
        Place selected = bench.selectionProperty().get();
        table.getChildren().forEach(child -> {
            PartCard card = (PartCard) child;
            card.setSelected(card.place.equals(selected));
        });
    }

    private Optional<PartCard> selectedCard() {
        return table.getChildren().stream()
                .map(PartCard.class::cast)
                .filter(ToggleButton::isSelected)
                .findFirst();
    }

    /** One part. */
    private final class PartCard extends ToggleButton {
        private final Place place;
        private final Placed placed;
        private final HBox title = new HBox(6);

        PartCard(Assessment assessment, NodeCircuit node, Placed placed) {
            this.placed = placed;
            place = node.place(placed);
            setId("part-" + placed.id());
            getStyleClass().add("part-card");
            setMaxSize(Double.MAX_VALUE, Double.MAX_VALUE);
            setMinHeight(USE_PREF_SIZE);
            List<Feed> feeds = assessment.reports().supplies().of(node.node().id(), placed.id());
            List<Finding> findings = assessment.at(place);
            boolean isStopped = findings.stream().anyMatch(finding -> finding.severity() == Severity.STOP);
            boolean isThin = findings.stream().anyMatch(finding -> finding.severity() == Severity.LOOK);
            pseudoClassStateChanged(TROUBLE, isStopped);
            pseudoClassStateChanged(THIN, isThin && !isStopped);
            VBox content = new VBox(title, Ui.word(purpose(), "quiet"));
            content.getStyleClass().add("card-content");
            showTitle();
            mainFeed(feeds).ifPresentOrElse(feed -> content.getChildren().add(supplyRow(feed)), () -> {
                if (!placed.cls().outputs().isEmpty()) {
                    content.getChildren().add(Ui.reading(PartWords.gives(node, placed), "figure", "reading"));
                }
            });
            content.getChildren().add(trouble(feeds, findings, isStopped, isThin));
            setGraphic(content);
            content.prefWidthProperty().bind(widthProperty().subtract(28));
            setAccessibleText(placed.part().name() + ", " + purpose());
            setOnAction(event -> bench.selectionProperty().set(isSelected() ? place : null));
        }

        private String purpose() {
            return placed.part().purpose().isEmpty()
                    ? placed.cls().name()
                    : placed.part().purpose();
        }

        private void showTitle() {
            Label name = Ui.word(placed.part().name(), "card-title");
            name.setMinWidth(0);
            Label chip = Ui.word(PartWords.bus(placed), "chip");
            chip.setMinWidth(USE_PREF_SIZE);
            title.getChildren().setAll(name, Ui.spring(), chip);
        }

        /** The pin that is worst off speaks for the part; a board's unused way in does not. */
        private Optional<Feed> mainFeed(List<Feed> feeds) {
            return feeds.stream()
                    .filter(feed -> !(placed.part().isBoard() && feed.fit() == Fit.UNFED && feeds.size() > 1))
                    .max(java.util.Comparator.comparing(feed -> feed.fit().ordinal()));
        }

        private Node supplyRow(Feed feed) {
            SupplyRuler ruler = new SupplyRuler(feed);
            HBox.setHgrow(ruler, Priority.ALWAYS);
            Text current = Ui.reading(PartWords.current(placed, feed.supply().pin()), "figure", "reading");
            HBox row = new HBox(10, ruler, current);
            row.getStyleClass().add("supply-row");
            return row;
        }

        private Label trouble(List<Feed> feeds, List<Finding> findings, boolean isStopped, boolean isThin) {
            String text = findings.isEmpty()
                    ? mainFeed(feeds).map(feed -> PartWords.fit(feed.fit())).orElse("")
                    : findings.size() == 1
                            ? Words.get("finding.short." + findings.get(0).code())
                            : Words.say(Fact.of("parts.more")
                                    .with(
                                            "first",
                                            Words.get("finding.short."
                                                    + findings.get(0).code()))
                                    .with("more", findings.size() - 1));
            Label label = Ui.word(text, isStopped ? "stop-text" : isThin ? "look-text" : "quiet");
            label.setMinWidth(0);
            return label;
        }

        /** Changes the name in place; Enter takes it, Escape leaves it. */
        void rename() {
            TextField field = new TextField(placed.part().name());
            field.setId("rename");
            HBox.setHgrow(field, Priority.ALWAYS);
            title.getChildren().setAll(field);
            field.setOnAction(event -> {
                String name = field.getText().strip();
                if (name.isEmpty() || name.equals(placed.part().name())) {
                    showTitle();
                } else {
                    bench.apply(new Edit.RenamePart(place.node(), placed.id(), name));
                }
            });
            field.setOnKeyPressed(event -> {
                if (event.getCode() == KeyCode.ESCAPE) {
                    showTitle();
                    requestFocus();
                    event.consume();
                }
            });
            field.requestFocus();
            field.selectAll();
        }
    }
}
