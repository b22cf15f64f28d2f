package inkel.app.ui.power;

import inkel.app.ui.kit.Pressable;
import inkel.core.circuit.Round;
import inkel.core.document.Moment;
import inkel.core.quantity.TimeSpan;
import java.util.List;
import java.util.function.BiConsumer;
import javafx.css.PseudoClass;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;

/**
 * The times of one moment in the round. It is dragged, or moved by the left and right arrows; one that stands nowhere is
 * hatched, since it may come at any time.
 */
final class MomentBar extends Pressable {
    private static final PseudoClass FREE = PseudoClass.getPseudoClass("free");
    private static final double THICK = 11;
    private static final double LEAST = 3;
    private static final int STEPS_IN_ROUND = 100;

    private final Moment moment;
    private final List<Round.Span> spans;
    private final double length;
    private final BiConsumer<Moment, TimeSpan> move;
    private final Region track = new Region();
    private double shift;
    private double pressedAt;
    private boolean isDragged;

    /**
     * @param length of the round, in seconds
     * @param move gets the moment and its new start
     */
    MomentBar(Moment moment, Round round, Runnable choose, BiConsumer<Moment, TimeSpan> move) {
        super(choose, "moment-bar");
        this.moment = moment;
        this.move = move;
        spans = round.spansOf(moment);
        length = Math.max(1e-6, round.length().seconds());
        setId("moment-" + moment.id());
        pseudoClassStateChanged(FREE, moment.at().isEmpty());
        track.getStyleClass().add("moment-track");
        getChildren().add(track);
        for (int i = 0; i < spans.size(); i++) {
            Region block = new Region();
            block.getStyleClass().add("moment-block");
            getChildren().add(block);
        }
        setMinHeight(18);
        setPrefHeight(18);
        addEventHandler(MouseEvent.MOUSE_PRESSED, event -> pressedAt = event.getX());
        addEventHandler(MouseEvent.MOUSE_DRAGGED, this::drag);
        addEventHandler(MouseEvent.MOUSE_RELEASED, event -> release());
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    }

    private double start() {
        return moment.at().map(TimeSpan::seconds).orElse(0.0);
    }

    private void drag(MouseEvent event) {
        isDragged = true;
        double wanted = (event.getX() - pressedAt) / Math.max(1, getWidth()) * length;
        shift = Math.max(-start(), wanted);
        requestLayout();
    }

    private void release() {
        if (isDragged && Math.abs(shift) > length / 2000) {
            moveTo(start() + shift);
        }
        isDragged = false;
        shift = 0;
        requestLayout();
    }

    private void key(KeyEvent event) {
        double step = length / STEPS_IN_ROUND;
        if (event.getCode() == KeyCode.RIGHT) {
            moveTo(start() + step);
            event.consume();
        } else if (event.getCode() == KeyCode.LEFT) {
            moveTo(Math.max(0, start() - step));
            event.consume();
        }
    }

    /** To the nearest hundredth of what one sees, so that the figure is one that can be typed. */
    private void moveTo(double seconds) {
        double grain = Math.pow(10, Math.floor(Math.log10(length)) - 2);
        double rounded = Math.round(seconds / grain) * grain;
        move.accept(moment, TimeSpan.ofSeconds(Math.round(rounded * 1e6) / 1e6));
    }

    @Override
    protected void layoutChildren() {
        double top = (getHeight() - THICK) / 2;
        double width = getWidth();
        track.resizeRelocate(0, getHeight() / 2, width, 1);
        for (int i = 0; i < spans.size(); i++) {
            Round.Span span = spans.get(i);
            double left = (span.from() + shift) / length * width;
            double right = (span.to() + shift) / length * width;
            Region block = (Region) getChildren().get(i + 1);
            double seen = Math.min(width, right) - left;
            block.setVisible(left < width);
            block.resizeRelocate(left, top, Math.max(LEAST, seen), THICK);
        }
    }
}
