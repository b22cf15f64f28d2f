package inkel.app.ui.stage;

import inkel.app.state.Session;
import inkel.app.ui.kit.StageHeader;
import inkel.app.ui.kit.Subscriptions;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.words.Words;
import inkel.core.finding.Stage;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.layout.VBox;

/** What every stage has: its name, one sentence, and room for controls at the right. */
public abstract class StagePane extends VBox {
    private final WrapRow controls = new WrapRow(8);
    private final Subscriptions subscriptions = new Subscriptions();
    private boolean isStale;

    /** A stage that no build is shown in. */
    public StagePane(Stage stage) {
        getStyleClass().add("stage");
        setId("stage-pane-" + stage.text());
        setAccessibleRole(AccessibleRole.TEXT);
        setAccessibleText(Words.get("stage." + stage.text()) + ". " + Words.get("stage." + stage.text() + ".purpose"));
        VBox titles = new VBox(
                Ui.word(Words.get("stage." + stage.text()), "stage-title"),
                Ui.text(Words.get("stage." + stage.text() + ".purpose"), "quiet"));
        titles.getStyleClass().add("stage-titles");
        titles.setMinWidth(0);
        getChildren().add(new StageHeader(titles, controls));
    }

    /**
     * Calls {@link #refresh} whenever the build or the node changes, at once while the stage is on the screen and
     * otherwise when it next comes there. Call it at the end of the constructor.
     */
    protected final void refreshWith(Session session) {
        subscriptions.on(session.assessmentProperty(), (property, old, next) -> refreshIfSeen());
        subscriptions.on(session.nodeProperty(), (property, old, next) -> refreshIfSeen());
        sceneProperty().addListener((property, old, next) -> {
            if (next != null && isStale) {
                refreshIfSeen();
            }
        });
        refresh();
    }

    /** What the stage listens to beyond itself. */
    protected final Subscriptions subscriptions() {
        return subscriptions;
    }

    /** The stage is not shown again. */
    public final void dispose() {
        subscriptions.dispose();
    }

    private void refreshIfSeen() {
        isStale = getScene() == null;
        if (!isStale) {
            refresh();
        }
    }

    /** Shows the present build anew. */
    protected void refresh() {}

    protected void addControl(Node control) {
        controls.getChildren().add(control);
    }
}
