package inkel.app.ui.tune;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;

import inkel.app.kit.Given;
import inkel.app.kit.TerminalPair;
import inkel.app.kit.WindowJourney;
import inkel.app.state.LineWork;
import inkel.app.state.TuneWork;
import inkel.core.catalog.BenchKind;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Stage;
import inkel.core.tune.serial.SerialDraft;
import java.io.IOException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The rate of a part at a serial line is found by trying, with one that is not there and over a port. */
@ExtendWith(ApplicationExtension.class)
class SerialWindowTest extends WindowJourney {
    private static final TuneWork.At PLACE = new TuneWork.At(Place.ofPart(NODE, "where"), BenchKind.SERIAL);

    @Start
    void start(javafx.stage.Stage given) throws IOException {
        begin(given, Given.LOCKS);
    }

    private SerialDraft draft() {
        return session.tune().serial().of(PLACE).orElseThrow();
    }

    @Test
    void theRateIsFoundByTrying(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.TUNE);
        robot.interact(() -> {
            session.nodeProperty().set(NODE);
            session.apply(new AddPart(NODE, Part.of("where", "positioning-receiver", "Where", "")));
            session.apply(new SetWire(NODE, Wire.placed(new Endpoint("where", "TX"), new Endpoint(Part.BOARD, "D2"))));
        });
        until(() -> session.tune().serial().of(PLACE).isPresent());
        robot.interact(() -> session.tune().turnTo(PLACE));
        until(() -> isThere(robot, "#serial-rate-4800"));
        press(robot, "#serial-rate-4800");
        until(() -> text(robot, "#tune-problem").startsWith("Nobody is at the line"));
        try (TerminalPair pair = new TerminalPair(folder)) {
            robot.interact(() -> session.line().listen(pair.port(), 57_600));
            until(() -> session.line().nowProperty().get().state() == LineWork.State.OPEN);
            press(robot, "#serial-rate-9600");
            until(() -> session.line().openBaud() == 9600
                    && session.line().nowProperty().get().state() == LineWork.State.OPEN);
            pair.print("$GPGGA,123519,4807.038,N,01131.000,E,1,08,0.9,545.4,M,46.9,M,,*47\r\n");
            until(() -> draft().rate().filter(rate -> rate == 9600).isPresent());
            assertEquals(1, draft().sentences().good());
            robot.interact(() -> session.line().close());
        }
        press(robot, "#tune-practice");
        until(() -> session.practice().isOn() && isThere(robot, "#serial-rate-4800"));
        for (int rate : draft().rig().rates()) {
            press(robot, "#serial-rate-" + rate);
        }
        until(() -> draft().tried().size() == draft().rig().rates().size());
        int found = draft().rate().orElseThrow();
        if (draft().differs()) {
            press(robot, "#serial-plan");
        }
        until(() -> draft().rig().planned().filter(rate -> rate == found).isPresent());
        assertFalse(draft().differs());
        assertEquals(found, draft().rate().orElseThrow(), "what was found stays while the plan changes");
    }
}
