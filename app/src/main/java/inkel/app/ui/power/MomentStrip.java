package inkel.app.ui.power;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.Moment;
import inkel.core.document.edit.RemoveMoment;
import inkel.core.document.edit.SetMoment;
import inkel.core.power.PeakLine;
import inkel.core.quantity.Fact;
import inkel.core.quantity.TimeSpan;
import inkel.core.remedy.RailNames;
import java.util.Comparator;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What happens in one round of the sketch, as bars that can be moved apart, and the line they make. */
final class MomentStrip extends VBox {
    private static final int MOST_STEPS = 3000;
    private static final double ROWS_HEIGHT = 120;
    private static final double NARROW = 560;

    private final Session session;
    private final VBox rows = new VBox();
    private final PeakPane peak = new PeakPane();
    private final Caption hint = Ui.text("", "quiet", "small");
    private final Tile stagger;
    private final VBox body = new VBox(4);
    private final Scroller scroller = new Scroller(rows);
    private String edited;

    MomentStrip(Session session) {
        this.session = session;
        getStyleClass().addAll("sheet", "moment-strip");
        setId("moments");
        stagger = pill("moments.stagger", "stagger", session.planning()::stagger);
        Tile add = pill("moments.add", "add-moment", this::add);
        Caption title = Ui.word(Words.get("moments.title"), "section-title");
        title.setMinWidth(USE_PREF_SIZE);
        HBox head = new HBox(10, title, hint, Ui.spring(), stagger, add);
        head.setAlignment(Pos.CENTER_LEFT);
        // In little room it stands below, and not in a column of single words.
        widthProperty().addListener((property, old, next) -> place(head, next.doubleValue() < NARROW));
        rows.setFillWidth(true);
        setMinHeight(USE_PREF_SIZE);
        getChildren().addAll(head, body);
    }

    private void place(HBox head, boolean isNarrow) {
        boolean isBelow = getChildren().contains(hint);
        if (isNarrow && !isBelow) {
            head.getChildren().remove(hint);
            getChildren().add(1, hint);
        } else if (!isNarrow && isBelow) {
            getChildren().remove(hint);
            head.getChildren().add(1, hint);
        }
    }

    private static Tile pill(String key, String id, Runnable action) {
        Tile tile = Ui.pill(id, Words.get(key), action);
        tile.setMinWidth(USE_PREF_SIZE);
        return tile;
    }

    /** Shows the moments of a node, and the line of the rail that is chosen or most loaded. */
    void show(NodeCircuit node, Endpoint chosen) {
        boolean isEmpty = node.node().moments().isEmpty();
        Ui.show(stagger, !isEmpty);
        hint.setText(Words.get(isEmpty ? "moments.hint.none" : "moments.hint"));
        boolean isThere = edited != null && node.node().moment(edited).isPresent();
        boolean wasOpen = body.getChildren().stream().anyMatch(MomentForm.class::isInstance);
        if (edited != null && !isThere && wasOpen) {
            edited = null;
        }
        // One that was just added is opened as soon as the assessment has it.
        if (isThere) {
            boolean isShown = body.getChildren().stream()
                    .anyMatch(child -> child instanceof MomentForm form && form.isOf(node, edited));
            if (!isShown) {
                open(node, chosen);
            }
            return;
        }
        String focused = focusedId();
        rows.getChildren().clear();
        for (Moment moment : node.node().moments()) {
            rows.getChildren().add(row(node, moment));
        }
        body.getChildren().clear();
        double wanted = Math.min(ROWS_HEIGHT, rows.getChildren().size() * MomentRow.HEIGHT);
        scroller.setMinHeight(wanted);
        scroller.setPrefHeight(wanted);
        if (!isEmpty) {
            body.getChildren().addAll(scroller, peak);
            rail(node, chosen).ifPresent(rail -> line(node, rail));
        }
        if (focused != null) {
            Optional.ofNullable(lookup("#" + focused)).ifPresent(javafx.scene.Node::requestFocus);
        }
    }

    /** The form is made anew after each change, with the keyboard where it was. */
    private void open(NodeCircuit node, Endpoint chosen) {
        String focused = focusedId();
        body.getChildren().setAll(new MomentForm(session, node, edited, () -> {
            edited = null;
            session.assessmentProperty()
                    .get()
                    .circuit(session.nodeProperty().get())
                    .ifPresent(now -> show(now, chosen));
        }));
        if (focused != null) {
            Optional.ofNullable(lookup("#" + focused)).ifPresent(javafx.scene.Node::requestFocus);
        }
    }

    private String focusedId() {
        var owner = getScene() == null ? null : getScene().getFocusOwner();
        return owner != null && owner.getId() != null && owner.getId().startsWith("moment-") ? owner.getId() : null;
    }

    private MomentRow row(NodeCircuit node, Moment moment) {
        MomentRow row = new MomentRow(moment, node.round(), () -> edit(moment.id()), this::move);
        row.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.DELETE) {
                session.apply(new RemoveMoment(node.node().id(), moment.id()));
                event.consume();
            }
        });
        return row;
    }

    private void move(Moment moment, TimeSpan at) {
        session.apply(new SetMoment(session.nodeProperty().get(), moment.withAt(Optional.of(at))));
    }

    private void edit(String id) {
        edited = id;
        session.assessmentProperty().get().circuit(session.nodeProperty().get()).ifPresent(node -> show(node, null));
        Optional.ofNullable(lookup(".text-field")).ifPresent(javafx.scene.Node::requestFocus);
    }

    private void add() {
        session.boards().addMoment().ifPresent(this::edit);
    }

    private static Optional<Rail> rail(NodeCircuit node, Endpoint chosen) {
        Optional<Rail> wanted = Optional.ofNullable(chosen).flatMap(node::rail);
        return wanted.isPresent()
                ? wanted
                : node.rails().stream()
                        .filter(rail -> !rail.worst().isEmpty())
                        .max(Comparator.comparingDouble(rail -> rail.peakShare().ratio()));
    }

    private void line(NodeCircuit node, Rail rail) {
        PeakLine line = new PeakLine(node);
        double length = line.length();
        peak.show(
                Words.say(RailNames.of(node, rail.id())),
                line.steps(rail.id(), 0, length, MOST_STEPS),
                rail.rating().amperes(),
                length,
                Words.say(Fact.of("moments.limit").with("rating", rail.rating())),
                Words.say(Fact.of("moments.round").with("length", TimeSpan.ofSeconds(length))));
    }
}
