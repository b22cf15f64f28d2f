package inkel.app.ui.controls;

import inkel.app.ui.Ui;
import inkel.app.words.Words;
import inkel.core.build.Place;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.scene.AccessibleRole;
import javafx.scene.Group;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;

/** The crossing chart: board pins are upright threads, module pins cross them, a knot is a wire. */
public final class Loom extends VBox {
    /** What the colours of the wires tell. */
    public enum Lens {
        ROLES,
        VOLTS
    }

    private static final PseudoClass SELECTED = PseudoClass.getPseudoClass("selected");
    private static final double ROW = 20;
    private static final double CARD_GAP = 8;
    private static final double CARD_PAD = 9;
    private static final double NAME_WIDTH = 148;
    private static final double LABEL_WIDTH = 62;
    private static final double LEFT = NAME_WIDTH + LABEL_WIDTH + 22;
    private static final double LEAST_STEP = 20;
    private static final double MOST_STEP = 56;
    private static final double LEAST_HEAD = 60;
    private static final double RIGHT = 26;

    private final Pane head = new Pane();
    private final Pane field = new Pane();
    private final ScrollPane scroll = new ScrollPane(field);
    private final List<RowView> rows = new ArrayList<>();
    private final Map<Integer, List<Region>> threadParts = new HashMap<>();
    private final Consumer<Place> onSelect;
    private LoomModel model;
    private Lens lens = Lens.ROLES;
    private Place selected;
    private double step = LEAST_STEP;

    public Loom(Consumer<Place> onSelect) {
        this.onSelect = onSelect;
        getStyleClass().add("loom");
        setId("loom");
        field.getStyleClass().add("loom-field");
        Pane headClip = new Pane(head);
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(headClip.widthProperty());
        clip.heightProperty().bind(headClip.heightProperty());
        headClip.setClip(clip);
        headClip.minHeightProperty().bind(head.minHeightProperty());
        scroll.getStyleClass().add("bare-scroll");
        scroll.setFitToHeight(true);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(headClip, scroll);
        scroll.hvalueProperty().addListener((property, old, next) -> moveHead());
        scroll.viewportBoundsProperty().addListener((property, old, next) -> {
            if (old.getWidth() != next.getWidth() || old.getHeight() != next.getHeight()) {
                draw();
            }
            moveHead();
        });
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.LIST_VIEW);
        setAccessibleText(Words.get("loom.name"));
        addEventHandler(KeyEvent.KEY_PRESSED, this::keys);
    }

    public void show(LoomModel newModel) {
        model = newModel;
        draw();
    }

    public void setLens(Lens newLens) {
        lens = newLens;
        draw();
    }

    /** Marks a place and scrolls it into view; null marks nothing. */
    public void select(Place place) {
        selected = place;
        mark();
        rows.stream().filter(row -> row.row.place().equals(place)).findFirst().ifPresent(this::reveal);
    }

    private void keys(KeyEvent event) {
        int at = -1;
        for (int i = 0; i < rows.size(); i++) {
            if (rows.get(i).row.place().equals(selected)) {
                at = i;
            }
        }
        int next = event.getCode() == KeyCode.DOWN ? at + 1 : event.getCode() == KeyCode.UP ? Math.max(0, at - 1) : -1;
        if (next >= 0 && next < rows.size()) {
            onSelect.accept(rows.get(next).row.place());
            event.consume();
        }
    }

    private void reveal(RowView row) {
        double hidden = field.getHeight() - scroll.getViewportBounds().getHeight();
        if (hidden <= 0) {
            return;
        }
        double top = scroll.getVvalue() * hidden;
        double bottom = top + scroll.getViewportBounds().getHeight();
        if (row.y - ROW < top || row.y + ROW > bottom) {
            scroll.setVvalue(
                    Math.max(0, Math.min(1, (row.y - scroll.getViewportBounds().getHeight() / 2) / hidden)));
        }
    }

    private void moveHead() {
        double hidden =
                Math.max(0, field.getWidth() - scroll.getViewportBounds().getWidth());
        head.setTranslateX(-scroll.getHvalue() * hidden);
    }

    private double x(int thread) {
        return LEFT + step / 2 + thread * step;
    }

    private void draw() {
        head.getChildren().clear();
        field.getChildren().clear();
        rows.clear();
        threadParts.clear();
        if (model == null) {
            return;
        }
        double room = scroll.getViewportBounds().getWidth() - LEFT - RIGHT;
        step = Math.max(
                LEAST_STEP,
                Math.min(MOST_STEP, room / Math.max(1, model.threads().size())));
        double width = LEFT + step * model.threads().size() + RIGHT;
        double height = 0;
        for (LoomModel.Module module : model.modules()) {
            height += cardHeight(module) + CARD_GAP;
        }
        double longest = 0;
        for (LoomModel.Thread thread : model.threads()) {
            longest = Math.max(
                    longest,
                    thread.label().length()
                            + (thread.tag().isEmpty() ? 0 : thread.tag().length() + 2));
        }
        double headHeight = Math.min(150, Math.max(LEAST_HEAD, 22 + longest * 6.2));
        head.setPrefHeight(headHeight);
        head.setMinHeight(headHeight);
        double full = Math.max(height + 24, scroll.getViewportBounds().getHeight() - 2);
        field.setPrefSize(Math.max(width, scroll.getViewportBounds().getWidth() - 2), full);
        field.setMinSize(width, height + 24);
        double y = 0;
        List<Region> cards = new ArrayList<>();
        for (LoomModel.Module module : model.modules()) {
            cards.add(card(module, y, width));
            y += cardHeight(module) + CARD_GAP;
        }
        field.getChildren().addAll(cards);
        for (int i = 0; i < model.threads().size(); i++) {
            thread(i, headHeight, full);
        }
        y = 0;
        for (LoomModel.Module module : model.modules()) {
            rowsOf(module, y);
            y += cardHeight(module) + CARD_GAP;
        }
        mark();
    }

    private static double cardHeight(LoomModel.Module module) {
        return 2 * CARD_PAD + Math.max(2, module.rows().size()) * ROW;
    }

    private Region card(LoomModel.Module module, double y, double width) {
        Pane card = new Pane();
        card.getStyleClass().add("loom-card");
        card.resizeRelocate(0, y, width, cardHeight(module));
        card.setManaged(false);
        Caption name = Ui.word(module.placed().part().name(), "loom-name");
        name.setMaxWidth(NAME_WIDTH);
        name.relocate(12, CARD_PAD);
        Caption purpose = Ui.word(module.placed().part().purpose(), "quiet", "small");
        purpose.setMaxWidth(NAME_WIDTH);
        purpose.relocate(12, CARD_PAD + 18);
        card.getChildren().addAll(name, purpose);
        card.setOnMouseClicked(event -> onSelect.accept(
                new Place(module.rows().get(0).place().node(), module.placed().id(), "")));
        return card;
    }

    private void thread(int number, double headHeight, double full) {
        LoomModel.Thread thread = model.threads().get(number);
        String kind = thread.kind().name().toLowerCase(Locale.ROOT);
        Region line = new Region();
        line.getStyleClass().addAll("thread", "thread-" + kind);
        line.setMouseTransparent(true);
        double width = thread.kind() == LoomModel.Kind.PIN ? 2 : 3;
        line.setManaged(false);
        line.resizeRelocate(Math.round(x(number) - width / 2), 0, width, full);
        Region stub = new Region();
        stub.getStyleClass().addAll("thread", "thread-" + kind, "thread-stub");
        stub.setManaged(false);
        stub.resizeRelocate(Math.round(x(number) - width / 2), headHeight - 10, width, 10);
        Caption label = Ui.word(thread.label(), "thread-label");
        Group turned = turned(label, x(number), headHeight - 14);
        for (Region part : List.of(line, stub, label)) {
            part.pseudoClassStateChanged(PseudoClass.getPseudoClass("used"), thread.isUsed());
            part.pseudoClassStateChanged(PseudoClass.getPseudoClass("reserved"), thread.isReserved());
        }
        field.getChildren().add(line);
        head.getChildren().addAll(stub, turned);
        List<Region> parts = new ArrayList<>(List.of(line, stub, label));
        if (!thread.tag().isEmpty()) {
            Caption tag = Ui.word(
                    thread.tag(), "thread-tag", "thread-tag-" + thread.tag().toLowerCase(Locale.ROOT));
            double along = (thread.label().length() + 1.6) * 7.0;
            head.getChildren().add(turned(tag, x(number) + along * 0.5, headHeight - 14 - along * 0.866));
            parts.add(tag);
        }
        threadParts.put(number, parts);
    }

    /** A label that leans to the right, its foot at a point. */
    private static Group turned(Caption label, double x, double y) {
        Group group = new Group(label);
        label.getTransforms().add(new javafx.scene.transform.Rotate(-60, 0, 0));
        label.relocate(-7, 0);
        group.setLayoutX(x);
        group.setLayoutY(y);
        return group;
    }

    private void rowsOf(LoomModel.Module module, double cardTop) {
        double y = cardTop + CARD_PAD + ROW / 2;
        for (LoomModel.Row row : module.rows()) {
            RowView view = new RowView(row, y);
            rows.add(view);
            field.getChildren().add(view);
            y += ROW;
        }
    }

    private void mark() {
        rows.forEach(RowView::mark);
        Optional<RowView> row =
                rows.stream().filter(view -> view.row.place().equals(selected)).findFirst();
        threadParts.forEach((number, parts) -> parts.forEach(part -> part.pseudoClassStateChanged(
                SELECTED, row.filter(view -> view.row.thread() == number).isPresent())));
    }

    /** One pin of a module with its wire. */
    private final class RowView extends Pane {
        private final LoomModel.Row row;
        private final double y;
        private final Knot knot;

        RowView(LoomModel.Row row, double y) {
            this.row = row;
            this.y = y;
            getStyleClass().add("loom-row");
            setId("pin-" + row.place().part() + "-" + row.place().pin());
            setManaged(false);
            double end = row.thread() < 0 ? LEFT + 6 : x(row.thread()) + 10;
            resizeRelocate(NAME_WIDTH + 4, y - ROW / 2, Math.max(LABEL_WIDTH, end - NAME_WIDTH - 4), ROW);
            String colour = "wire-" + (lens == Lens.ROLES ? row.family() : voltsColour());
            Caption label = Ui.word(row.label(), "loom-pin").right();
            label.setMinWidth(LABEL_WIDTH);
            label.setMaxWidth(LABEL_WIDTH);
            label.resizeRelocate(0, 0, LABEL_WIDTH, ROW);
            getChildren().add(label);
            if (row.thread() >= 0) {
                Line wire = new Line(LABEL_WIDTH + 6, ROW / 2, x(row.thread()) - NAME_WIDTH - 4, ROW / 2);
                wire.getStyleClass().addAll("wire", colour);
                wire.pseudoClassStateChanged(PseudoClass.getPseudoClass("clash"), row.form() == Knot.Form.CLASH);
                knot = new Knot(row.form(), colour);
                knot.relocateTo(x(row.thread()) - NAME_WIDTH - 4, ROW / 2);
                getChildren().addAll(wire, knot);
            } else {
                knot = null;
                if (row.isLoose()) {
                    Caption loose = Ui.word(Words.get("loom.loose"), "stop-text", "small");
                    loose.resizeRelocate(LABEL_WIDTH + 8, 0, 120, ROW);
                    getChildren().add(loose);
                    resize(LABEL_WIDTH + 130, ROW);
                }
            }
            setOnMouseClicked(event -> {
                Loom.this.requestFocus();
                onSelect.accept(row.place());
                event.consume();
            });
            setAccessibleRole(AccessibleRole.LIST_ITEM);
            setAccessibleText(Words.say(Fact.of("loom.row")
                    .with("pin", row.label())
                    .with(
                            "thread",
                            row.thread() < 0
                                    ? Words.get("loom.loose")
                                    : model.threads().get(row.thread()).label())));
        }

        private String voltsColour() {
            return row.volts()
                    .map(verdict -> "verdict-" + verdict.name().toLowerCase(Locale.ROOT))
                    .orElse("verdict-none");
        }

        void mark() {
            boolean isSelected = row.place().equals(selected);
            pseudoClassStateChanged(SELECTED, isSelected);
            if (knot != null) {
                knot.setSelected(isSelected);
            }
        }
    }
}
