package inkel.app.ui.power;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.testfx.util.WaitForAsyncUtils.waitForFxEvents;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.lane.Notice;
import inkel.app.ui.kit.Pressable;
import inkel.core.catalog.Settings;
import inkel.core.document.Endpoint;
import inkel.core.document.Moment;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.SetFigure;
import inkel.core.document.edit.SetMoment;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Stage;
import inkel.core.quantity.TimeSpan;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Bounds;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The Power stage in the real window: overload, ways out, feeding, moments, staggering, undo. */
@ExtendWith(ApplicationExtension.class)
class PowerWindowTest extends WindowJourney {
    @Start
    void start(javafx.stage.Stage stage) throws IOException {
        begin(stage, Given.LOCKS, Given.FIRST_SKETCH);
    }

    private Node node() {
        return node(NODE);
    }

    private double peak(String rail) {
        return session.assessmentProperty()
                .get()
                .circuit(NODE)
                .orElseThrow()
                .rail(Endpoint.parse(rail).orElseThrow())
                .orElseThrow()
                .peak()
                .amperes();
    }

    private boolean has(String code, String part) {
        return session.assessmentProperty().get().findings().stream()
                .anyMatch(finding -> finding.code().equals(code)
                        && finding.place().node().equals(NODE)
                        && finding.place().part().equals(part));
    }

    /** Whether the assessment that is on the screen has such a moment. */
    private boolean isShown(java.util.function.Predicate<Moment> wanted) {
        return session.assessmentProperty().get().circuit(NODE).orElseThrow().node().moments().stream()
                .anyMatch(wanted);
    }

    private Moment moment(String id) {
        return node().moment(id).orElseThrow();
    }

    @Test
    void anOverloadIsSelectedMendedAndUndone(FxRobot robot) throws Exception {
        open(robot, Given.FIRST_SKETCH, Stage.POWER);
        press(robot, "#rail-board-3V3");
        until(() -> text(robot, "#why-title").equals("Board 3V3"));
        assertEquals("Board 3V3 is asked for 100 mA at its worst, and gives 50 mA.", text(robot, "#why-verdict"));
        press(robot, "#way-0");
        until(() -> !has("power.rail_peak", "board") || peak("board.3V3") <= 0.05);
        until(() -> isThere(robot, "#rail-regulator-linear-3v3-OUT"));
        robot.press(KeyCode.CONTROL, KeyCode.Z).release(KeyCode.Z, KeyCode.CONTROL);
        until(() -> peak("board.3V3") > 0.05);
    }

    @Test
    void aLoadIsDraggedToAnotherRail(FxRobot robot) throws Exception {
        open(robot, Given.FIRST_SKETCH, Stage.POWER);
        assertEquals(
                new Endpoint("board", "5V"),
                node().part("gate-lower").orElseThrow().feeds().get("V+"));
        // Only as far as the robot can reach without scrolling: from the list of loads to a bar that is in view.
        robot.interact(() -> session.apply(new RemovePart(NODE, "modem")));
        until(() -> node().part("modem").isEmpty());
        // Its bars go with the judgement, and what is dragged moves up then.
        until(() -> session.assessmentProperty()
                .get()
                .circuit(NODE)
                .orElseThrow()
                .part("modem")
                .isEmpty());
        robot.interact(() -> session.selectionProperty().set(Place.of(NODE, new Endpoint("driver", "V+OUT"))));
        waitForFxEvents();
        Bounds from = robot.lookup("#load-gate-lower-V\\+")
                .tryQuery()
                .map(FxBounds::of)
                .orElseGet(() -> FxBounds.of(find(robot, "load-gate-lower-V+")));
        Bounds to = FxBounds.of(find(robot, "rail-driver-V+OUT"));
        robot.moveTo(from.getMinX() + 20, from.getCenterY())
                .press(javafx.scene.input.MouseButton.PRIMARY)
                .moveTo(from.getMinX() - 30, from.getCenterY())
                .moveTo(to.getCenterX(), to.getMaxY() - 3);
        waitForFxEvents();
        robot.release(javafx.scene.input.MouseButton.PRIMARY);
        until(() -> new Endpoint("driver", "V+OUT")
                .equals(node().part("gate-lower").orElseThrow().feeds().get("V+")));
        assertFalse(has("power.servo_from_board", "gate-lower"));
    }

    /** Where a node is on the screen. */
    private static final class FxBounds {
        static Bounds of(javafx.scene.Node node) {
            return node.localToScreen(node.getLayoutBounds());
        }
    }

    @Test
    void aSupplyIsAddedFromTheCatalogue(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.POWER);
        press(robot, "#add-supply");
        until(() -> isThere(robot, "#supply-wall-supply-6v"));
        press(robot, "#supply-wall-supply-6v");
        until(() -> node().part("wall-supply-6v").isPresent());
        until(() -> find(robot, "rail-wall-supply-6v-+") != null);
        robot.interact(() -> session.selectionProperty().set(Place.ofPart(NODE, "gate-upper")));
        until(() -> robot.lookup(node -> String.valueOf(node.getId()).startsWith("action-feed-V+-wall-supply-6v"))
                .tryQuery()
                .isPresent());
        robot.interact(robot.lookup(node -> String.valueOf(node.getId()).startsWith("action-feed-V+-wall-supply-6v"))
                .queryAs(Pressable.class)::fire);
        until(() ->
                node().part("gate-upper").orElseThrow().feeds().get("V+").part().equals("wall-supply-6v"));
    }

    /** A solenoid behind the contact of a relay: fed by two presses, shared out, taken off again. */
    @Test
    void aContactFeedsWhatItSwitches(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.POWER);
        robot.interact(() -> {
            session.apply(new AddPart(NODE, Part.of("twelve", "wall-supply-12v", "Twelve", "")));
            session.apply(new AddPart(
                    NODE,
                    Part.of("relay", "relay-one", "Relay", "")
                            .withFeed("VCC", Endpoint.parse("board.5V").orElseThrow())));
            session.apply(new AddPart(NODE, Part.of("bolt", "solenoid", "Bolt", "")));
        });
        act(robot, "relay", "action-feed-COM-twelve.+");
        until(() -> node().part("relay").orElseThrow().feeds().containsKey("COM"));
        until(() -> isThere(robot, "#rail-relay-NO"));
        act(robot, "bolt", "action-feed-V+-relay.NO");
        until(() -> peak("twelve.+") > 0.9);
        robot.interact(() -> session.selectionProperty().set(Place.ofPart(NODE, "board")));
        robot.interact(() -> session.apply(new SetWire(
                NODE,
                Wire.placed(
                        Endpoint.parse("bolt.IN").orElseThrow(),
                        Endpoint.parse("board.GND").orElseThrow()))));
        until(() -> !has("power.always_on", "bolt"));
        act(robot, "bolt", "action-feed-V+-twelve.+");
        until(() -> has("power.always_on", "bolt"));
        act(robot, "relay", "action-unfeed-COM");
        until(() -> !node().part("relay").orElseThrow().feeds().containsKey("COM"));
        until(() -> !isThere(robot, "#rail-relay-NO"));
    }

    private void act(FxRobot robot, String part, String action) throws Exception {
        until(() -> session.assessmentProperty()
                .get()
                .circuit(NODE)
                .orElseThrow()
                .part(part)
                .isPresent());
        robot.interact(() -> session.selectionProperty().set(Place.ofPart(NODE, part)));
        until(() -> find(robot, action) != null);
        robot.interact(((Pressable) find(robot, action))::fire);
    }

    @Test
    void aRailOfTheOtherBoardIsBroughtToThisTable(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.POWER);
        robot.interact(() -> session.nodeProperty().set("pump-house"));
        press(robot, "#add-supply");
        until(() -> find(robot, "supply-lead-lower-lock/bench.+") != null);
        robot.interact(((Pressable) find(robot, "supply-lead-lower-lock/bench.+"))::fire);
        until(() -> node("pump-house").part("lead").isPresent());
        double before = peak("bench.+");
        String supply = node("pump-house")
                .part("relay")
                .orElseThrow()
                .feeds()
                .keySet()
                .iterator()
                .next();
        robot.interact(() -> session.apply(new Feed("pump-house", "relay", supply, new Endpoint("lead", "+"))));
        until(() -> peak("bench.+") > before);
        robot.interact(() -> session.nodeProperty().set(NODE));
        until(() -> find(robot, "load-to_pump-house_lead-+") != null);
        robot.press(KeyCode.CONTROL, KeyCode.Z).release(KeyCode.Z, KeyCode.CONTROL);
        until(() -> Math.abs(peak("bench.+") - before) < 1e-9);
    }

    @Test
    void momentsAreMovedByKeysStaggeredAndPutBack(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.POWER);
        // Two gates at 750 mA and the sluice at rest: 1.51 A. All three at once: 2.25 A.
        assertEquals(1.51, peak("driver.V+OUT"), 1e-6);
        robot.interact(() ->
                session.apply(new SetMoment(NODE, moment("sluice").withAt(Optional.of(TimeSpan.ofSeconds(0.6))))));
        until(() -> Math.abs(peak("driver.V+OUT") - 2.25) < 1e-6);
        robot.interact(() -> session.apply(new SetFigure(NODE, "bench", "rail/+/rating", "2 A")));
        until(() -> has("power.source_over", "bench"));
        press(robot, "#stagger");
        until(() -> !has("power.source_over", "bench"));
        assertEquals(Notice.Tone.DONE, session.notices().property().get().tone());
        assertTrue(peak("driver.V+OUT") <= 2);
        robot.press(KeyCode.CONTROL, KeyCode.Z).release(KeyCode.Z, KeyCode.CONTROL);
        until(() -> has("power.source_over", "bench"));

        robot.interact(() -> robot.lookup("#moment-sluice").query().requestFocus());
        double before = moment("sluice").at().orElseThrow().seconds();
        robot.type(KeyCode.RIGHT);
        until(() -> moment("sluice").at().orElseThrow().seconds() > before);
        robot.type(KeyCode.RIGHT);
        until(() -> robot.lookup("#moment-sluice").query().isFocused());
    }

    @Test
    void aMomentIsAddedFilledAndTakenAway(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.POWER);
        press(robot, "#add-moment");
        until(() -> isThere(robot, "#moment-form"));
        type(robot, "#moment-name", "Handset pressed");
        until(() -> isShown(moment -> moment.name().equals("Handset pressed")));
        type(robot, "#moment-length", "200 ms");
        until(() -> isShown(moment -> moment.length().seconds() == 0.2));
        type(robot, "#moment-repeat", "often");
        until(() -> isTold(robot, "often"));
        press(robot, "#raise-handset");
        until(() -> node().moments().stream().anyMatch(moment -> moment.raises().stream()
                .anyMatch(raise -> raise.part().equals("handset"))));
        press(robot, "#never-gates");
        until(() -> node().moments().stream().anyMatch(moment -> moment.never().contains("gates")));
        press(robot, "#moment-remove");
        until(() -> !isThere(robot, "#moment-form"));
        assertEquals(5, node().moments().size());
        assertEquals(
                List.of(),
                session.assessmentProperty().get().findings().stream()
                        .filter(finding -> finding.code().startsWith("power."))
                        .toList());
    }

    @Test
    void theWiresOfAPartAreToldInItsFigures(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.POWER);
        robot.interact(() -> session.selectionProperty().set(Place.ofPart(NODE, "display")));
        until(() -> isThere(robot, "#own-figures"));
        press(robot, "#own-figures");
        until(() -> isThere(robot, "#setting-length"));
        // 20 m of gauge 26 both ways: 5.4 Ω at 120 mA lose 0.65 V, more than the twentieth of 5 V that is allowed.
        type(robot, "#setting-length", "20 m");
        until(() -> has("power.wire_drop", "display"));
        type(robot, "#setting-length", "20 V");
        until(() -> isTold(robot, "20 V"));
        type(robot, "#setting-length", "");
        until(() -> !has("power.wire_drop", "display"));
    }

    @Test
    void theRiverIsWalkedByKeys(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.POWER);
        robot.interact(() -> find(robot, "rail-usb-5V").requestFocus());
        robot.type(KeyCode.DOWN);
        assertTrue(find(robot, "rail-board-5V").isFocused());
        robot.type(KeyCode.RIGHT);
        assertTrue(String.valueOf(
                        robot.lookup(javafx.scene.Node::isFocused).query().getId())
                .startsWith("load-"));
        robot.type(KeyCode.DOWN).type(KeyCode.LEFT);
        assertTrue(find(robot, "rail-board-5V").isFocused());
        robot.type(KeyCode.SPACE);
        until(() -> Place.of(NODE, new Endpoint("board", "5V"))
                .equals(session.selectionProperty().get()));
    }

    @Test
    void staggeringThatCannotHelpSaysSo(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.POWER);
        robot.interact(() -> session.apply(new SetFigure(NODE, "bench", "rail/+/rating", "500 mA")));
        until(() -> has("power.source_over", "bench"));
        var before = session.build().orElseThrow();
        press(robot, "#stagger");
        until(() -> session.notices().property().get() != null);
        assertEquals(Notice.Tone.TROUBLE, session.notices().property().get().tone());
        assertEquals(before, session.build().orElseThrow());
    }

    @Test
    void whatWasSaidOfAPartIsTakenBack(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.POWER);
        robot.interact(() -> session.selectionProperty().set(Place.ofPart(NODE, "gate-upper")));
        until(() -> isThere(robot, "#own-figures"));
        press(robot, "#own-figures");
        until(() -> isThere(robot, "#choice-together"));
        press(robot, "#choice-together");
        until(() -> node(NODE)
                .part("gate-upper")
                .orElseThrow()
                .typed(Settings.TOGETHER)
                .isEmpty());
    }
}
