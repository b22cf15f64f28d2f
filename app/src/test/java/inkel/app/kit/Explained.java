package inkel.app.kit;

import inkel.app.lane.Lanes;
import inkel.app.state.Session;
import inkel.app.store.Recovery;
import inkel.app.ui.frame.Stages;
import inkel.app.ui.why.Explainer;
import inkel.app.ui.why.Why;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.document.Place;
import inkel.core.finding.Stage;
import inkel.core.io.catalog.Shelf;
import java.nio.file.Path;
import java.time.Clock;

/** What the Why panel of the real window says at a stage. */
public final class Explained {
    private Explained() {}

    public static Why at(Assessment assessment, String node, Stage stage, Place selected) {
        Stages stages = new Stages(idle(), to -> {}, command -> {});
        return Explainer.explain(assessment, node, stage, stages.notes(stage), selected);
    }

    /** What is said of a class before it is on a table. */
    public static String of(Assessment assessment, String node, PartClass cls) {
        return Explainer.explain(assessment, node, cls).text();
    }

    /** A session with nothing open. */
    private static Session idle() {
        Path nowhere = Path.of("nowhere");
        return new Session(
                Given.CATALOG,
                Shelf.read(nowhere),
                Lanes.of(Runnable::run, Runnable::run),
                Clock.systemUTC(),
                new Recovery(nowhere));
    }
}
