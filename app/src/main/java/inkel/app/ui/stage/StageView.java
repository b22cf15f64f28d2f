package inkel.app.ui.stage;

import inkel.app.ui.why.StageNotes;
import inkel.core.checks.Assessment;
import inkel.core.finding.Stage;
import java.util.List;

/** One stage as the frame, the edge, the menu and the Why panel know it. Light: its pane is made when first shown. */
public interface StageView {
    Stage stage();

    /** What is shown; the same at each call. */
    StagePane pane();

    /** Whether the pane was made. */
    boolean isMade();

    /** How far the stage is on one board of what is open. */
    default Progress progress(Assessment assessment, String node) {
        return Progress.ofFindings(assessment, node, stage());
    }

    /** What it adds to the Why panel. */
    default StageNotes notes() {
        return StageNotes.NONE;
    }

    /** What can be done in it from the menu, by keys or by finding it. */
    default List<Command> commands() {
        return List.of();
    }
}
