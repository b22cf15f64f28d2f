package inkel.app.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;

import inkel.app.kit.Given;
import inkel.app.store.Examples;
import inkel.app.ui.stage.Progress;
import inkel.app.ui.wake.WakeView;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The stage Wake is counted though nobody looked at it. */
class WakeCountTest {
    private static final String NODE = "lower-lock";

    @TempDir
    private Path folder;

    private Session opened(String example) throws Exception {
        Session session = Given.session(folder);
        session.files().open(Given.copy(example, folder));
        return session;
    }

    private static Progress progress(Session session) {
        return new WakeView(session, stage -> {})
                .progress(session.assessmentProperty().get(), NODE);
    }

    @Test
    void readingsOfTheRecordAreCountedOnceTheFirstPictureIsOut() throws Exception {
        Session session = opened(Examples.SEASON);
        assertEquals(Progress.NOT_BEGUN, progress(session));
        session.wake().keepUp();
        assertNotEquals(Progress.NOT_BEGUN, progress(session));
    }

    @Test
    void aBuildOnWhichNothingWasReadIsNotBegun() throws Exception {
        Session session = opened(Examples.FIRST_SKETCH);
        session.wake().keepUp();
        assertEquals(Progress.NOT_BEGUN, progress(session));
    }
}
