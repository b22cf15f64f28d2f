package inkel.app.ui.power;

import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Pressable;
import inkel.app.ui.power.RiverModel.Bar;
import inkel.app.ui.power.RiverModel.Flow;
import inkel.app.ui.power.RiverModel.Leaf;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Endpoint;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.geometry.Point2D;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;
import javafx.scene.shape.ClosePath;
import javafx.scene.shape.CubicCurveTo;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;

/**
 * Supplies, rails and loads as flows. A bar or a load is chosen by a press; a load is dragged to the rail that is to feed
 * it, where each rail says whether it may.
 */
public final class River extends Region {
    private static final PseudoClass LIT = PseudoClass.getPseudoClass("lit");
    private static final double LEAF_WIDTH = 244;
    private static final double NARROW_LEAF_WIDTH = 176;
    private static final double SIDE = 4;
    private static final double DRAG_STARTS = 6;

    private final Consumer<Endpoint> choose;
    private final BiFunction<Endpoint, Endpoint, Offer> offer;
    private final BiConsumer<Endpoint, Endpoint> feed;
    private final List<RiverBar> bars = new ArrayList<>();
    private final List<RiverLeaf> leaves = new ArrayList<>();
    private final Map<Endpoint, Path> flowTo = new HashMap<>();
    private final Line dragged = new Line("", "river-dragged");
    private NodeCircuit node;
    private RiverModel model;
    private Endpoint selected;
    private double builtWidth;
    private double leastHeight;
    private Point2D pressedAt;
    private boolean isDragging;

    /** Whether a load may be fed from a rail, and what is said of it. */
    public record Offer(boolean isAllowed, String words) {}

    /**
     * @param choose gets the rail, or the supply pin of a load, that was pressed
     * @param offer asked for a supply pin and a rail while the load is dragged
     * @param feed gets a supply pin and the rail it was dropped on
     */
    public River(
            Consumer<Endpoint> choose,
            BiFunction<Endpoint, Endpoint, Offer> offer,
            BiConsumer<Endpoint, Endpoint> feed) {
        this.choose = choose;
        this.offer = offer;
        this.feed = feed;
        getStyleClass().add("river");
        setId("river");
        addEventHandler(KeyEvent.KEY_PRESSED, this::walk);
        dragged.setMouseTransparent(true);
        dragged.setManaged(false);
    }

    /** Shows the rails of a node. */
    public void show(NodeCircuit shown) {
        node = shown;
        builtWidth = -1;
        requestLayout();
    }

    /** The height there is to fill; the river takes more when it must. */
    public void setLeastHeight(double height) {
        if (Math.abs(height - leastHeight) > 1) {
            leastHeight = height;
            builtWidth = -1;
            requestLayout();
        }
    }

    /** Marks a rail, or all loads of a part when the endpoint names no pin. */
    public void select(Endpoint place) {
        selected = place;
        mark();
    }

    /** The bar or the load that is chosen, to be brought into view. */
    public java.util.Optional<javafx.scene.Node> chosen() {
        return java.util.stream.Stream.<Pressable>concat(bars.stream(), leaves.stream())
                .filter(Pressable::isSelected)
                .map(javafx.scene.Node.class::cast)
                .findFirst();
    }

    private void mark() {
        bars.forEach(bar -> bar.setSelected(bar.bar().rail().equals(selected)));
        leaves.forEach(leaf -> leaf.setSelected(isSelected(leaf.leaf().pin())));
        flowTo.forEach((target, path) -> path.pseudoClassStateChanged(LIT, isSelected(target)));
    }

    private boolean isSelected(Endpoint target) {
        return selected != null
                && target.part().equals(selected.part())
                && (selected.pin().isEmpty() || target.pin().equals(selected.pin()));
    }

    @Override
    protected double computePrefHeight(double width) {
        if (node != null && model == null) {
            model = RiverModel.of(node, leastHeight);
        }
        return model == null ? leastHeight : model.height();
    }

    @Override
    protected void layoutChildren() {
        if (node != null && Math.abs(builtWidth - getWidth()) > 0.5) {
            build();
        }
    }

    private double leafWidth() {
        return getWidth() < 760 ? NARROW_LEAF_WIDTH : LEAF_WIDTH;
    }

    private double x(int column) {
        double room = getWidth() - leafWidth() - SIDE - RiverBar.WIDTH * 0.5;
        return SIDE + column * room / model.columns();
    }

    /** Much changes with one edit, so all is made anew. */
    private void build() {
        String focused = getScene() != null
                        && getScene().getFocusOwner() instanceof Pressable pressable
                        && pressable.getParent() == this
                ? pressable.getId()
                : null;
        builtWidth = getWidth();
        model = RiverModel.of(node, leastHeight);
        bars.clear();
        leaves.clear();
        flowTo.clear();
        getChildren().clear();
        model.flows().forEach(this::addFlow);
        model.bars().forEach(this::addBar);
        model.leaves().forEach(this::addLeaf);
        getChildren().add(dragged);
        dragged.setVisible(false);
        mark();
        if (focused != null) {
            getChildren().stream()
                    .filter(child -> focused.equals(child.getId()))
                    .findFirst()
                    .ifPresent(javafx.scene.Node::requestFocus);
        }
        if (Math.abs(getHeight() - model.height()) > 1 && getParent() != null) {
            getParent().requestLayout();
        }
    }

    /** Up and down go along the loads or the rails of a column, left and right from one to the other. */
    private void walk(KeyEvent event) {
        List<? extends Pressable> along = leaves.stream().anyMatch(javafx.scene.Node::isFocused) ? leaves : bars;
        int at = -1;
        for (int i = 0; i < along.size(); i++) {
            at = along.get(i).isFocused() ? i : at;
        }
        if (at < 0) {
            return;
        }
        Pressable next =
                switch (event.getCode()) {
                    case DOWN -> along.get(Math.min(along.size() - 1, at + 1));
                    case UP -> along.get(Math.max(0, at - 1));
                    case LEFT -> along == leaves ? barOf(leaves.get(at)) : along.get(at);
                    case RIGHT -> along == bars ? leafOf(bars.get(at)) : along.get(at);
                    default -> null;
                };
        if (next != null) {
            next.requestFocus();
            event.consume();
        }
    }

    private Pressable barOf(RiverLeaf leaf) {
        return bars.stream()
                .filter(bar -> bar.bar().rail().equals(leaf.leaf().rail()))
                .findFirst()
                .<Pressable>map(bar -> bar)
                .orElse(leaf);
    }

    private Pressable leafOf(RiverBar bar) {
        return leaves.stream()
                .filter(leaf -> leaf.leaf().rail().equals(bar.bar().rail()))
                .findFirst()
                .<Pressable>map(leaf -> leaf)
                .orElse(bar);
    }

    private void addFlow(Flow flow) {
        double left = x(flow.fromColumn()) + RiverBar.WIDTH;
        double right = flow.toColumn() == Integer.MAX_VALUE ? getWidth() - leafWidth() : x(flow.toColumn());
        double middle = (left + right) / 2;
        Path path = new Path(
                new MoveTo(left, flow.fromTop()),
                new CubicCurveTo(middle, flow.fromTop(), middle, flow.toTop(), right, flow.toTop()),
                new LineTo(right, flow.toTop() + flow.toWidth()),
                new CubicCurveTo(
                        middle,
                        flow.toTop() + flow.toWidth(),
                        middle,
                        flow.fromTop() + flow.fromWidth(),
                        left,
                        flow.fromTop() + flow.fromWidth()),
                new ClosePath());
        path.getStyleClass().addAll("river-flow", flow.style());
        path.setOnMouseClicked(event -> choose.accept(flow.target()));
        path.setManaged(false);
        flowTo.put(flow.target(), path);
        getChildren().add(path);
    }

    private void addBar(Bar bar) {
        double next = bar.column() + 1 < model.columns() ? x(bar.column() + 1) : getWidth() - leafWidth();
        RiverBar shown = new RiverBar(bar, next - x(bar.column()) - 8, () -> choose.accept(bar.rail()));
        bars.add(shown);
        getChildren().add(shown);
        shown.setManaged(false);
        shown.resizeRelocate(x(bar.column()), bar.top() - RiverModel.LABEL, RiverBar.WIDTH, shown.tall());
    }

    private void addLeaf(Leaf leaf) {
        RiverLeaf shown = new RiverLeaf(leaf, () -> choose.accept(leaf.pin()));
        leaves.add(shown);
        getChildren().add(shown);
        shown.setManaged(false);
        shown.resizeRelocate(
                getWidth() - leafWidth(), leaf.middle() - RiverLeaf.HEIGHT / 2, leafWidth(), RiverLeaf.HEIGHT);
        Path flow = flowTo.get(leaf.pin());
        shown.hoverProperty().addListener((property, old, next) -> {
            if (flow != null) {
                flow.pseudoClassStateChanged(LIT, next || isSelected(leaf.pin()));
            }
        });
        shown.addEventHandler(MouseEvent.MOUSE_PRESSED, event -> pressedAt = local(event));
        shown.addEventHandler(MouseEvent.MOUSE_DRAGGED, event -> drag(leaf, local(event)));
        shown.addEventHandler(MouseEvent.MOUSE_RELEASED, event -> drop(leaf, local(event)));
    }

    private Point2D local(MouseEvent event) {
        return sceneToLocal(event.getSceneX(), event.getSceneY());
    }

    private void drag(Leaf leaf, Point2D at) {
        if (!isDragging && pressedAt != null && pressedAt.distance(at) > DRAG_STARTS) {
            isDragging = true;
            dragged.say(leaf.name());
            dragged.setVisible(true);
            dragged.toFront();
            for (RiverBar bar : bars) {
                Offer told = offer.apply(leaf.pin(), bar.bar().rail());
                bar.offer(told.isAllowed(), told.words());
            }
        }
        if (isDragging) {
            dragged.relocate(at.getX() + 10, at.getY() - 8);
        }
    }

    private void drop(Leaf leaf, Point2D at) {
        if (!isDragging) {
            return;
        }
        isDragging = false;
        dragged.setVisible(false);
        bars.forEach(RiverBar::endOffer);
        bars.stream()
                .filter(bar -> bar.getBoundsInParent().contains(at))
                .map(bar -> bar.bar().rail())
                .filter(rail -> offer.apply(leaf.pin(), rail).isAllowed())
                .findFirst()
                .ifPresent(rail -> feed.accept(leaf.pin(), rail));
    }
}
