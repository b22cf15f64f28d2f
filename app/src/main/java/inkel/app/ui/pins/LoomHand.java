package inkel.app.ui.pins;

import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Knot;
import inkel.app.words.Words;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.pins.Reach;
import inkel.core.quantity.Fact;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import javafx.scene.layout.Pane;

/**
 * The hand that moves one knot: by dragging it, or with the arrow keys. While it holds one, threads that the signal may go
 * to are ringed in its row, and the thread under the hand says what a drop would do or why it does nothing.
 */
final class LoomHand {
    private final LoomActions actions;
    private final Pane layer;
    private final Caption hint;
    private final Map<Endpoint, Reach> reach = new HashMap<>();
    private LoomGeometry geometry;
    private LoomRow held;
    private int row = -1;
    private int aim = -1;
    private double room;

    LoomHand(LoomActions actions, Pane layer, Caption hint) {
        this.actions = actions;
        this.layer = layer;
        this.hint = hint;
        hint.setVisible(false);
        hint.setManaged(false);
        hint.setMouseTransparent(true);
    }

    boolean isHolding() {
        return held != null;
    }

    /** How far to the right of the field words can be read. */
    void setRoom(double right) {
        room = right;
    }

    /** Where across the field the held knot is. */
    double at() {
        return geometry.x(Math.max(0, aim));
    }

    /** Rings the free pins that a selected signal could go to, before a hand takes it. */
    void preview(LoomGeometry at, LoomModel.Row shown, int number) {
        letGo();
        geometry = at;
        row = number;
        if (shown.isSignal()) {
            reach.putAll(actions.reach(shown.place()));
            ring();
        }
    }

    /** Takes the knot of a row; false when no hand can move it. */
    boolean take(LoomGeometry at, LoomRow taken, int number) {
        letGo();
        Map<Endpoint, Reach> found = actions.reach(taken.row().place());
        if (!taken.row().isSignal() || found.isEmpty()) {
            return false;
        }
        geometry = at;
        held = taken;
        row = number;
        aim = taken.row().thread();
        reach.putAll(found);
        ring();
        return true;
    }

    private void ring() {
        for (int thread = 0; thread < geometry.model().threads().size(); thread++) {
            if (isOpen(thread)) {
                boolean isSwap = on(thread)
                        .filter(found -> found.kind() == Reach.Kind.SWAP)
                        .isPresent();
                Knot ring = new Knot(Knot.Form.OPEN, isSwap ? "ring-swap" : "ring-free");
                ring.relocateTo(geometry.x(thread), geometry.y(row));
                ring.setId("ring-" + geometry.model().threads().get(thread).label());
                layer.getChildren().add(ring);
            }
        }
    }

    private Optional<Reach> on(int thread) {
        return thread < 0
                ? Optional.empty()
                : Optional.ofNullable(
                        reach.get(geometry.model().threads().get(thread).end()));
    }

    boolean isOpen(int thread) {
        return on(thread).filter(found -> found.kind().isOpen()).isPresent();
    }

    /** The pointer is at a place of the field. */
    void dragTo(double x) {
        held.pullTo(x, geometry);
        aimAt(geometry.threadAt(x), x);
    }

    /** The next thread to the left or right that the signal may go to; where it is counts too. */
    void step(int direction) {
        int at = aim;
        do {
            at += direction;
        } while (at >= 0
                && at < geometry.model().threads().size()
                && !isOpen(at)
                && at != held.row().thread());
        if (at >= 0 && at < geometry.model().threads().size()) {
            held.pullTo(geometry.x(at), geometry);
            aimAt(at, geometry.x(at));
        }
    }

    private void aimAt(int thread, double x) {
        aim = thread;
        Optional<String> words = words(thread);
        hint.setVisible(words.isPresent());
        if (words.isPresent()) {
            hint.setText(words.get());
            hint.autosize();
            double left = Math.max(4, Math.min(x + 14, room - hint.getWidth() - 8));
            hint.relocate(left, Math.max(0, geometry.y(row) - 34));
        }
    }

    private Optional<String> words(int thread) {
        if (thread < 0) {
            return Optional.empty();
        }
        LoomModel.Thread shown = geometry.model().threads().get(thread);
        Optional<Reach> found = on(thread);
        if (found.isEmpty()) {
            return Optional.of(Words.say(Fact.of("why_not.offers_nothing").with("pin", shown.label())));
        }
        String signal = held.row().label();
        return switch (found.get().kind()) {
            case HERE -> Optional.empty();
            case FREE, JOIN ->
                Optional.of(
                        Words.say(Fact.of("loom.drop").with("signal", signal).with("pin", shown.label())));
            case SWAP ->
                Optional.of(Words.say(Fact.of("loom.drop.swap")
                        .with("taken", found.get().why().orElseThrow())));
            case TAKEN, NO -> found.get().why().map(Words::say);
        };
    }

    /** Drops what it holds on the thread it aims at. */
    void drop() {
        Optional<Reach> on = on(aim);
        Place signal = held.row().place();
        letGo();
        on.filter(found -> found.kind() != Reach.Kind.HERE).ifPresent(found -> actions.drop(signal, found));
    }

    /** Puts the knot back where it was. */
    void letGo() {
        if (held != null) {
            held.pullTo(-1, geometry);
            held = null;
        }
        reach.clear();
        layer.getChildren().clear();
        hint.setVisible(false);
    }
}
