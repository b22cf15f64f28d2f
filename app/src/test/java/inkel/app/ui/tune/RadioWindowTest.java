package inkel.app.ui.tune;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.state.TuneWork;
import inkel.core.catalog.BenchKind;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.RadioGroup;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Stations;
import inkel.core.finding.Finding;
import inkel.core.finding.Stage;
import java.io.IOException;
import java.util.List;
import javafx.scene.control.TextField;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Three stations, one of them set otherwise, made right again. */
@ExtendWith(ApplicationExtension.class)
class RadioWindowTest extends WindowJourney {
    private static final String OTHER = "pump-house";
    private static final Place RADIO = Place.ofPart(NODE, "radio");

    @Start
    void start(javafx.stage.Stage given) throws IOException {
        begin(given, Given.LOCKS);
    }

    private void link(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.TUNE);
        robot.interact(() -> {
            session.nodeProperty().set(NODE);
            session.apply(new Stations.AddOutside(RADIO, "Gauge post"));
            session.tune().turnTo(new TuneWork.At(RADIO, BenchKind.PACKET_RADIO));
        });
        until(() -> isThere(robot, "#radio-check-2"));
    }

    private RadioGroup group() {
        return session.build().orElseThrow().groupOf(RADIO).orElseThrow();
    }

    private List<String> codes() {
        return session.assessmentProperty().get().findings().stream()
                .map(Finding::code)
                .filter(code -> code.startsWith("radio."))
                .distinct()
                .toList();
    }

    private static String fieldText(FxRobot robot, String id) {
        return seen(() -> robot.lookup(id).queryAs(TextField.class).getText());
    }

    @Test
    void oneThatIsSetOtherwiseIsFoundTriedAndMadeRight(FxRobot robot) throws Exception {
        link(robot);
        assertEquals(List.of(), codes());
        type(robot, "#radio-check-2", "1");
        until(() -> codes().equals(List.of("radio.settings_differ")));
        until(() -> text(robot, "#why-verdict").startsWith("Gauge post is not heard"));
        press(robot, "#radio-send-2-0");
        until(() -> text(robot, "#radio-outcome").startsWith("Nothing came"));
        assertFalse(text(robot, "#radio-outcome").contains("check"), "told when it is asked");
        fire(robot, "#radio-why");
        until(() -> text(robot, "#radio-outcome").contains("different check bytes"));
        press(robot, "#way-0");
        until(() -> codes().isEmpty());
        until(() -> fieldText(robot, "#radio-check-2").isEmpty());
        press(robot, "#radio-send-2-0");
        until(() -> text(robot, "#radio-outcome").startsWith("Pump house has it"));
        robot.interact(() -> session.undo());
        until(() -> codes().equals(List.of("radio.settings_differ")));
    }

    @Test
    void whilePractisingSomethingIsOtherwiseAndIsToldWhenAsked(FxRobot robot) throws Exception {
        link(robot);
        assertFalse(seen(() -> robot.lookup("#radio-tell").query().getParent().isVisible()));
        robot.interact(() -> session.practice().begin());
        until(() -> seen(() -> robot.lookup("#radio-tell").query().getParent().isVisible()));
        press(robot, "#radio-send-2-0");
        until(() -> !text(robot, "#radio-outcome").isEmpty());
        assertFalse(seen(() -> robot.lookup("#radio-why").query().isVisible()), "that is to be found");
        fire(robot, "#radio-tell");
        until(() -> text(robot, "#radio-outcome").matches("(Pump house|Lower lock|Gauge post) .*\\."));
    }

    @Test
    void longRangeRadiosHaveLinesOfTheirOwn(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.TUNE);
        Place far = Place.ofPart(NODE, "far");
        robot.interact(() -> {
            session.nodeProperty().set(NODE);
            session.apply(new AddPart(NODE, Part.of("far", "radio-long-range", "Far radio", "")));
            session.apply(new AddPart(OTHER, Part.of("far", "radio-long-range", "Far radio", "")));
            session.apply(new Stations.Join(Place.ofPart(OTHER, "far"), far, "Meadow"));
        });
        TuneWork.At at = new TuneWork.At(far, BenchKind.PACKET_RADIO);
        until(() -> session.tune().radios(at).isPresent());
        robot.interact(() -> session.tune().turnTo(at));
        until(() -> isThere(robot, "#radio-spreading-1"));
        assertFalse(isThere(robot, "#radio-channel-1"), "that is of others");
        assertFalse(seen(() -> robot.lookup("#radio-spread").query().isVisible()), "nobody tries again by itself");
        type(robot, "#radio-spreading-1", "12");
        until(() -> codes().equals(List.of("radio.settings_differ")));
        press(robot, "#radio-send-1-0");
        fire(robot, "#radio-why");
        until(() -> text(robot, "#radio-outcome").contains("two factors"));
        press(robot, "#way-0");
        until(() -> codes().isEmpty());
        press(robot, "#radio-send-1-0");
        fire(robot, "#radio-why");
        until(() -> text(robot, "#radio-outcome").contains("nothing by itself"));
        // 51.5 ms a second are 5.1 %.
        type(robot, "#radio-every-all", "1 s");
        type(robot, "#radio-duty-all", "1 %");
        until(() -> codes().equals(List.of("radio.duty_over")));
        until(() -> text(robot, "#why-verdict").contains("5.1"));
    }

    @Test
    void networksAndFieldsAreKeptWithTheBuild(FxRobot robot) throws Exception {
        link(robot);
        type(robot, "#radio-channel-all", "62");
        until(() -> "62".equals(group().plan().settings().get("channel")));
        robot.interact(() ->
                robot.lookup("#radio-network-name").queryAs(TextField.class).setText("Next door"));
        type(robot, "#radio-network-channel", "19");
        assertTrue(text(robot, "#tune-problem").contains("from 1 to 14"));
        press(robot, "#radio-network-strong");
        type(robot, "#radio-network-channel", "11");
        until(() -> codes().equals(List.of("radio.network_overlap")));
        type(robot, "#radio-packet", "level:int16, level of water");
        assertTrue(text(robot, "#tune-problem").contains("level of water"));
        assertEquals("level:int16, level of water", fieldText(robot, "#radio-packet"));
        type(robot, "#radio-packet", "level:int16, flow:uint16");
        until(() -> group().plan().packet().equals(List.of("level:int16", "flow:uint16")));
        type(robot, "#radio-power-1", "much");
        assertTrue(text(robot, "#tune-problem").contains("0 dBm"));
        RadioGroup before = group();
        robot.interact(() -> session.files().save());
        until(() -> !session.files().unsavedProperty().get());
        open(robot, Given.LOCKS, Stage.TUNE);
        until(() -> group().equals(before));
        assertFalse(before.plan().networks().isEmpty());
    }

    @Test
    void triesAreSpreadAndReachIsTold(FxRobot robot) throws Exception {
        link(robot);
        until(() -> text(robot, "#why-verdict").contains("9.6"));
        fire(robot, "#radio-spread");
        until(() -> group().stations().stream()
                        .map(station -> station.settings().get("retry_wait"))
                        .distinct()
                        .count()
                == 3);
        assertEquals(List.of(), codes());
        type(robot, "#radio-losses-1", "0 dB");
        until(() -> text(robot, "#why-verdict").contains("15.6"));
    }

    @Test
    void inASmallWindowOneStationIsShownAtATime(FxRobot robot) throws Exception {
        link(robot);
        robot.interact(() -> {
            stage.setWidth(900);
            stage.setHeight(620);
        });
        until(() -> isThere(robot, "#radio-check-1") && !isThere(robot, "#radio-check-2"));
        press(robot, "#radio-show-2");
        until(() -> isThere(robot, "#radio-check-2") && !isThere(robot, "#radio-check-1"));
        type(robot, "#radio-check-2", "1");
        until(() -> codes().equals(List.of("radio.settings_differ")));
    }
}
