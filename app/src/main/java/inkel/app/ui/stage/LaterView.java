package inkel.app.ui.stage;

import inkel.core.checks.Assessment;
import inkel.core.finding.Stage;

/** A stage that is not built yet. */
public final class LaterView extends LazyView<LaterStage> {
    public LaterView(Stage stage) {
        super(stage, () -> new LaterStage(stage));
    }

    @Override
    public Progress progress(Assessment assessment, String node) {
        return stage() == Stage.LOG && !assessment.build().log().isEmpty() ? Progress.of(0) : Progress.NOT_BEGUN;
    }
}
