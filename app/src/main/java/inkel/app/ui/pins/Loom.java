package inkel.app.ui.pins;

import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Panner;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.document.Place;
import java.util.List;
import java.util.Optional;
import javafx.animation.AnimationTimer;
import javafx.css.PseudoClass;
import javafx.scene.AccessibleRole;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Rectangle;

/**
 * The crossing chart: board pins are upright threads, module pins cross them, a knot is a wire. Only what is seen is made:
 * cards, rows and threads come and go as it is scrolled.
 *
 * <p>Longer than other files: layout, pointer and keys all work on the layers that are on the screen at the moment.
 */
public final class Loom extends VBox {
    /** What the colours of the wires tell. */
    public enum Lens {
        ROLES,
        VOLTS,
        CURRENT
    }

    private static final double MARGIN = 60;
    private static final double STILL = 4;
    private static final double BELOW = 24;
    private static final double EDGE = 28;
    private static final double EDGE_PACE = 9;

    private final LoomActions actions;
    private final LoomHead head;
    private final LoomLayer<LoomCard> cards = new LoomLayer<>(this::card);
    private final LoomLayer<Region> threads = new LoomLayer<>(this::thread);
    private final LoomLayer<LoomRow> rows = new LoomLayer<>(this::row);
    private final Pane rings = new Pane();
    private final LoomLayer<LoomSide> sides = new LoomLayer<>(this::side);
    private final LoomLayer<Caption> labels = new LoomLayer<>(this::label);
    private final Caption hint = Ui.word("", "loom-hint");
    private final Pane field = new Pane(cards, threads, rows, rings, sides, labels, hint);
    private final Panner view = new Panner(field, new Sight());
    private final LoomHand hand;
    private final AnimationTimer atEdge = new AnimationTimer() {
        @Override
        public void handle(long now) {
            panAtEdge();
        }
    };
    private LoomModel model;
    private LoomGeometry geometry;
    private LoomGeometry fitted;
    private double fittedTo;
    private double threadHeight;
    private Lens lens = Lens.ROLES;
    private Place selected;
    private int hovered = -1;
    private double pressedAt = -1;
    private double pulledTo;
    private int pressedRow = -1;
    private boolean isWanted;

    public Loom(LoomActions actions) {
        this.actions = actions;
        head = new LoomHead(actions::select, this::hover);
        hand = new LoomHand(actions, rings, hint);
        getStyleClass().add("loom");
        setId("loom");
        field.getStyleClass().add("loom-field");
        rings.setManaged(false);
        rings.setPickOnBounds(false);
        VBox.setVgrow(view, Priority.ALWAYS);
        getChildren().addAll(head, view);
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.LIST_VIEW);
        setAccessibleText(Words.get("loom.name"));
        setAccessibleHelp(Words.get("loom.help"));
        field.addEventHandler(MouseEvent.MOUSE_DRAGGED, this::drag);
        field.addEventHandler(MouseEvent.MOUSE_RELEASED, event -> release());
        addEventHandler(KeyEvent.KEY_PRESSED, this::keys);
        addEventHandler(KeyEvent.KEY_PRESSED, view::key);
    }

    /** What the view shows of the loom. */
    private final class Sight implements Panner.Content {
        @Override
        public double height() {
            return model == null ? 0 : geometryIn(fittedTo).height() + BELOW;
        }

        @Override
        public double widthIn(double room) {
            return model == null ? 0 : geometryIn(room).width();
        }

        @Override
        public void seen() {
            if (model == null) {
                return;
            }
            LoomGeometry now = geometryIn(view.viewWidth());
            if (now != geometry) {
                arrange(now);
                preview();
            }
            make();
            if (isWanted) {
                revealSelected();
            }
        }
    }

    public void show(LoomModel newModel) {
        model = newModel;
        arrange(geometryIn(view.viewWidth()));
        make();
        preview();
        view.requestLayout();
    }

    private LoomGeometry geometryIn(double room) {
        if (fitted == null || fitted.model() != model || fittedTo != room) {
            fitted = new LoomGeometry(model, room);
            fittedTo = room;
        }
        return fitted;
    }

    public void setLens(Lens newLens) {
        lens = newLens;
        rows.forgetAll();
        make();
    }

    /** Marks a place and scrolls it into view; null marks nothing. */
    public void select(Place place) {
        selected = place;
        mark();
        preview();
        isWanted = true;
        revealSelected();
    }

    /** As soon as there is something to see it in. */
    private void revealSelected() {
        int row = selectedRow();
        if (row >= 0 && view.viewHeight() > 0 && !view.isNeedsLayout()) {
            isWanted = false;
            reveal(row);
        }
    }

    /** Lets go of what a hand holds, and rings where the selected signal could go. */
    private void preview() {
        if (geometry == null) {
            return;
        }
        int row = selectedRow();
        if (row < 0) {
            hand.letGo();
        } else {
            hand.preview(geometry, geometry.rows().get(row), row);
        }
        light();
    }

    private int selectedRow() {
        if (geometry == null || selected == null) {
            return -1;
        }
        List<LoomModel.Row> all = geometry.rows();
        for (int i = 0; i < all.size(); i++) {
            if (all.get(i).place().equals(selected)) {
                return i;
            }
        }
        return -1;
    }

    /** Moves the view as little as brings a row and its knot into it. */
    private void reveal(int row) {
        double y = geometry.y(row);
        boolean isInView = y - LoomGeometry.ROW >= view.top() && y + LoomGeometry.ROW <= view.top() + view.viewHeight();
        double top = isInView ? view.top() : y - view.viewHeight() / 2;
        int thread = geometry.rows().get(row).thread();
        view.panTo(thread < 0 ? view.across() : acrossFor(geometry.x(thread)), top);
    }

    /** How far across the view is to be so that a place of the field is seen. */
    private double acrossFor(double x) {
        if (x - LoomGeometry.ROW < view.across() + LoomSide.WIDTH) {
            return x - MARGIN - LoomSide.WIDTH;
        }
        boolean isBeyond = x + LoomGeometry.ROW > view.across() + view.viewWidth();
        return isBeyond ? x + MARGIN - view.viewWidth() : view.across();
    }

    // --- what is made

    /** Takes where everything stands, and drops what stands elsewhere now. */
    private void arrange(LoomGeometry next) {
        boolean isSame = geometry != null && isAlike(geometry, next);
        geometry = next;
        cards.forgetAll();
        sides.forgetAll();
        threads.forgetAll();
        if (!isSame) {
            rows.forgetAll();
            labels.forgetAll();
        } else {
            labels.forget(this::isChanged);
            rows.forget(this::isChanged);
        }
    }

    /** Whether rows of the one stand where those of the other do, so that unchanged ones can stay. */
    private static boolean isAlike(LoomGeometry one, LoomGeometry other) {
        return one.step() == other.step()
                && one.rows().size() == other.rows().size()
                && one.height() == other.height()
                && one.model().threads().size() == other.model().threads().size();
    }

    private boolean isChanged(int row) {
        return !rows.made(row).row().equals(geometry.rows().get(row));
    }

    /** Makes what has come into view and drops what has left it. */
    private void make() {
        if (geometry == null) {
            return;
        }
        double across = view.across();
        double top = view.top() - MARGIN;
        double bottom = view.top() + view.viewHeight() + MARGIN;
        // What has moved under the names at the left is not made, so that nothing looks out between them.
        int firstThread = across > 0 ? (int) Math.ceil(across / geometry.step() - 0.5) : 0;
        int lastThread = Math.min(
                model.threads().size(),
                (int) ((across + view.viewWidth() + MARGIN - LoomGeometry.LEFT) / geometry.step()) + 1);
        int firstCard = 0;
        while (firstCard < model.modules().size()
                && geometry.cardTop(firstCard) + geometry.cardHeight(firstCard) < top) {
            firstCard++;
        }
        int lastCard = firstCard;
        while (lastCard < model.modules().size() && geometry.cardTop(lastCard) < bottom) {
            lastCard++;
        }
        double wanted = Math.max(geometry.height() + BELOW, view.viewHeight());
        if (wanted != threadHeight) {
            threadHeight = wanted;
            threads.forgetAll();
        }
        sides.setTranslateX(across);
        labels.setTranslateX(across);
        hand.setRoom(across + view.viewWidth());
        cards.show(firstCard, lastCard);
        sides.show(firstCard, lastCard);
        sides.all().forEach(side -> side.setApart(across > 0));
        boolean hasNew = threads.show(firstThread, Math.max(firstThread, lastThread));
        int firstRow = geometry.firstRowFrom(top);
        int lastRow = geometry.firstRowFrom(bottom);
        hasNew |= rows.show(firstRow, lastRow);
        hasNew |= labels.show(firstRow, lastRow);
        head.show(geometry, firstThread, Math.max(firstThread, lastThread), -across);
        if (hasNew) {
            mark();
            light();
        }
    }

    private LoomCard card(int number) {
        return new LoomCard(
                model.modules().get(number),
                geometry.cardTop(number),
                geometry.width(),
                geometry.cardHeight(number),
                actions);
    }

    private LoomSide side(int number) {
        return new LoomSide(
                model.modules().get(number), geometry.cardTop(number), geometry.cardHeight(number), actions);
    }

    private Caption label(int number) {
        return LoomRow.label(geometry.rows().get(number), geometry.y(number));
    }

    private Region thread(int number) {
        LoomModel.Thread thread = model.threads().get(number);
        Region line = LoomHead.line(thread, geometry.x(number), 0, threadHeight);
        line.setMouseTransparent(true);
        return line;
    }

    private LoomRow row(int number) {
        LoomRow row = new LoomRow(geometry.rows().get(number), geometry, number, lens);
        row.setOnMousePressed(event -> press(event, number));
        row.setOnMouseClicked(event -> click(event, row));
        row.setOnMouseEntered(event -> hover(row.row().thread()));
        row.setOnMouseExited(event -> hover(-1));
        return row;
    }

    // --- the pointer

    private void press(MouseEvent event, int number) {
        requestFocus();
        pressedRow = number;
        pressedAt = event.getButton() == MouseButton.PRIMARY ? event.getSceneX() : -1;
        event.consume();
    }

    /** Asked for on the field, since a row may be made anew while a hand pulls at it. */
    private void drag(MouseEvent event) {
        LoomRow row = rows.made(pressedRow);
        if (pressedAt < 0 || row == null) {
            return;
        }
        boolean isStill = Math.abs(event.getSceneX() - pressedAt) < STILL;
        if (!hand.isHolding() && !isStill) {
            if (!row.row().place().equals(selected)) {
                actions.select(row.row().place());
            }
            hand.take(geometry, row, pressedRow);
            light();
            atEdge.start();
        }
        if (hand.isHolding()) {
            pulledTo = event.getSceneX();
            hand.dragTo(field.sceneToLocal(pulledTo, 0).getX());
        }
        event.consume();
    }

    /** While a knot is held at an edge of the view, threads beyond it come into view. */
    private void panAtEdge() {
        if (!hand.isHolding() || pressedAt < 0) {
            atEdge.stop();
            return;
        }
        double x = view.sceneToLocal(pulledTo, 0).getX();
        double by = x > view.viewWidth() - EDGE ? EDGE_PACE : x < LoomSide.WIDTH + EDGE ? -EDGE_PACE : 0;
        if (by != 0 && view.panTo(view.across() + by, view.top())) {
            hand.dragTo(field.sceneToLocal(pulledTo, 0).getX());
        }
    }

    private void release() {
        pressedAt = -1;
        atEdge.stop();
        if (hand.isHolding()) {
            hand.drop();
            preview();
        }
    }

    private void click(MouseEvent event, LoomRow row) {
        if (event.isStillSincePress() && event.getButton() == MouseButton.PRIMARY) {
            if (event.getClickCount() == 2) {
                actions.toggleHold(row.row().place());
            } else {
                actions.select(row.row().place());
            }
        }
        event.consume();
    }

    /** Shows all that hangs on a thread; −1 shows none. */
    private void hover(int thread) {
        if (thread != hovered) {
            hovered = thread;
            mark();
        }
    }

    // --- keys

    private void keys(KeyEvent event) {
        int at = selectedRow();
        boolean isDone =
                switch (event.getCode()) {
                    case DOWN ->
                        go(Math.min(geometry == null ? -1 : geometry.rows().size() - 1, at + 1));
                    case UP -> go(Math.max(0, at - 1));
                    case HOME -> go(0);
                    case END -> go(geometry == null ? -1 : geometry.rows().size() - 1);
                    case LEFT -> aim(at, -1);
                    case RIGHT -> aim(at, 1);
                    case ENTER -> enter(at);
                    case ESCAPE -> escape();
                    default -> false;
                };
        if (isDone) {
            event.consume();
        }
    }

    private boolean go(int row) {
        if (geometry == null || row < 0 || row >= geometry.rows().size()) {
            return false;
        }
        actions.select(geometry.rows().get(row).place());
        return true;
    }

    private boolean aim(int row, int direction) {
        if (row < 0 || rows.made(row) == null) {
            return false;
        }
        if (hand.isHolding() || hand.take(geometry, rows.made(row), row)) {
            hand.step(direction);
            light();
            view.panTo(acrossFor(hand.at()), view.top());
        }
        return true;
    }

    private boolean enter(int row) {
        if (hand.isHolding()) {
            hand.drop();
            preview();
        } else if (row >= 0) {
            actions.toggleHold(geometry.rows().get(row).place());
        }
        return row >= 0;
    }

    private boolean escape() {
        boolean wasHolding = hand.isHolding();
        preview();
        return wasHolding;
    }

    // --- marks

    private void mark() {
        int thread = hovered;
        Optional<LoomModel.Row> chosen = Optional.of(selectedRow())
                .filter(row -> row >= 0)
                .map(row -> geometry.rows().get(row));
        rows.all()
                .forEach(row -> row.mark(
                        row.row().place().equals(selected),
                        thread >= 0 && row.row().thread() == thread));
        labels.forEach((number, label) -> label.pseudoClassStateChanged(
                LoomRow.SELECTED, geometry.rows().get(number).place().equals(selected)));
        int lit = thread >= 0 ? thread : chosen.map(LoomModel.Row::thread).orElse(-1);
        threads.forEach((number, line) -> line.pseudoClassStateChanged(LoomRow.SELECTED, number == lit));
        head.mark(lit);
    }

    private static final PseudoClass OPEN = PseudoClass.getPseudoClass("open");
    private static final PseudoClass SHUT = PseudoClass.getPseudoClass("shut");

    /** While a knot is held, threads that it may go to light up and the others fade. */
    private void light() {
        threads.forEach((number, line) -> {
            line.pseudoClassStateChanged(OPEN, hand.isHolding() && hand.isOpen(number));
            line.pseudoClassStateChanged(SHUT, hand.isHolding() && !hand.isOpen(number));
        });
    }

    /** Clips a region to its own bounds. */
    static void clip(Region region) {
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(region.widthProperty());
        clip.heightProperty().bind(region.heightProperty());
        region.setClip(clip);
    }
}
