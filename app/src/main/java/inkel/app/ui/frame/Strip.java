package inkel.app.ui.frame;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Subscriptions;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.words.Words;
import inkel.core.catalog.Output;
import inkel.core.checks.Assessment;
import inkel.core.document.Part;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.power.PowerReport.RailBudget;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.shape.Rectangle;

/** The strip along the bottom: what each rail gives of what it can, the buses, and whether the build is saved. */
final class Strip extends HBox {
    private static final String TIME = "HH:mm";
    private static final double LINE = 26;
    private static final double GAP = 22;

    private final Session session;
    private final WrapRow rails = new WrapRow(GAP);
    private final Caption saved = Ui.word("", "strip-saved");

    Strip(Session session, Subscriptions subscriptions) {
        this.session = session;
        getStyleClass().add("strip");
        rails.getStyleClass().add("strip-rails");
        // What has no room wraps to a second line, which is not seen: no gauge is cut in two.
        rails.setMinHeight(LINE);
        rails.setPrefHeight(LINE);
        rails.setMaxHeight(LINE);
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(rails.widthProperty());
        clip.heightProperty().bind(rails.heightProperty());
        rails.setClip(clip);
        HBox.setHgrow(rails, Priority.ALWAYS);
        saved.setId("saved");
        saved.setMinWidth(USE_PREF_SIZE);
        getChildren().addAll(rails, saved);
        subscriptions.on(session.assessmentProperty(), (property, old, next) -> fill());
        subscriptions.on(session.nodeProperty(), (property, old, next) -> fill());
        subscriptions.on(session.files().unsavedProperty(), (property, old, next) -> tellSaved());
        subscriptions.on(session.files().savedAtProperty(), (property, old, next) -> tellSaved());
        subscriptions.on(session.files().fileProperty(), (property, old, next) -> tellSaved());
        fill();
    }

    private void fill() {
        rails.getChildren().clear();
        Assessment assessment = session.assessmentProperty().get();
        if (assessment == null) {
            return;
        }
        String node = session.nodeProperty().get();
        // What is in trouble comes first, since a narrow window has no room for the end of the row.
        assessment.reports().power().inUse(node).stream()
                .filter(Strip::isOwnRail)
                .sorted(Comparator.comparing(RailBudget::isPeakOver).reversed())
                .forEach(budget -> rails.getChildren().add(gauge(budget)));
        assessment.pins(node).ifPresent(this::buses);
        tellSaved();
    }

    /** A rail that a driver only passes on is told by the one it comes from. */
    private static boolean isOwnRail(RailBudget budget) {
        return budget.rail().output().way() != Output.Way.PASS
                || budget.rail().id().part().equals(Part.BOARD);
    }

    private RailGauge gauge(RailBudget budget) {
        return new RailGauge(budget, () -> session.selection()
                .show(
                        session.stageProperty().get() == Stage.WIRE
                                ? Stage.POWER
                                : session.stageProperty().get(),
                        budget.node().place(budget.rail().id())));
    }

    private void buses(NodePins pins) {
        pins.i2cBuses().forEach((line, parts) -> rails.getChildren()
                .add(Ui.word(Words.get("strip.bus", "count", parts.size()), "strip-bus")));
    }

    private void tellSaved() {
        if (session.files().fileProperty().get() == null) {
            saved.setText("");
        } else if (session.files().unsavedProperty().get()) {
            saved.setText(Words.get("strip.unsaved"));
        } else if (session.files().savedAtProperty().get() == null) {
            saved.setText(Words.get("strip.as_opened"));
        } else {
            saved.setText(Words.get(
                    "strip.saved",
                    "time",
                    DateTimeFormatter.ofPattern(TIME)
                            .format(session.files().savedAtProperty().get())));
        }
    }
}
