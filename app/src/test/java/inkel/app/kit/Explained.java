package inkel.app.kit;

import inkel.app.ui.frame.Stages;
import inkel.app.ui.why.Explainer;
import inkel.app.ui.why.Why;
import inkel.core.checks.Assessment;
import inkel.core.document.Place;
import inkel.core.finding.Stage;

/** What the Why panel of the real window says at a stage. */
public final class Explained {
    private Explained() {}

    public static Why at(Assessment assessment, String node, Stage stage, Place selected) {
        // The notes of a stage need no session.
        Stages stages = new Stages(null, to -> {});
        return Explainer.explain(assessment, node, stage, stages.notes(stage), selected);
    }
}
