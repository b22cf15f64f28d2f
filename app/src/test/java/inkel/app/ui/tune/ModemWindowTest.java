package inkel.app.ui.tune;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.export.Exports;
import inkel.app.kit.Given;
import inkel.app.kit.TerminalPair;
import inkel.app.kit.WindowJourney;
import inkel.app.state.LineWork;
import inkel.app.state.TuneWork;
import inkel.core.catalog.BenchKind;
import inkel.core.catalog.Settings;
import inkel.core.document.Place;
import inkel.core.document.edit.SetFigure;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Stage;
import inkel.core.tune.modem.ModemStep;
import inkel.core.tune.modem.Reply;
import inkel.core.tune.modem.Reply.Verdict;
import java.io.IOException;
import java.nio.file.Files;
import java.util.Optional;
import javafx.scene.control.TextField;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** A text is sent: by a modem that is not there, which starts anew until the capacitor is added, and by one at a line. */
@ExtendWith(ApplicationExtension.class)
class ModemWindowTest extends WindowJourney {
    private static final String PUMP_HOUSE = "pump-house";
    private static final String OWN_NUMBER = "+999777888";
    private static final TuneWork.At MODEM = new TuneWork.At(Place.ofPart(PUMP_HOUSE, "modem"), BenchKind.MODEM);

    @Start
    void start(javafx.stage.Stage given) throws IOException {
        begin(given, Given.LOCKS);
    }

    private void modem(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.TUNE);
        robot.interact(() -> {
            session.nodeProperty().set(PUMP_HOUSE);
            session.tune().turnTo(MODEM);
        });
        until(() -> isThere(robot, "#modem-text"));
    }

    private static void put(FxRobot robot, String id, String text) {
        robot.interact(() -> robot.lookup(id).queryAs(TextField.class).setText(text));
    }

    private Optional<Reply> reply(ModemStep step) {
        return session.tune().modem(MODEM).map(draft -> draft.replies().get(step));
    }

    private boolean went(ModemStep step, Verdict verdict) {
        return reply(step).filter(reply -> reply.verdict() == verdict).isPresent();
    }

    @Test
    void itStartsAnewUntilTheCapacitorIsAdded(FxRobot robot) throws Exception {
        modem(robot);
        // A supply of one ampere and 470 µF: 3.9 V fall by 1.28 V.
        robot.interact(() -> {
            session.apply(new SetFigure(PUMP_HOUSE, "four", "rail/+/rating", "1 A"));
            session.apply(new SetSetting(PUMP_HOUSE, "modem", Settings.CAPACITOR, "470 µF"));
        });
        until(() ->
                session.tune().modem(MODEM).filter(draft -> draft.rig().sags()).isPresent());
        press(robot, "#tune-practice");
        until(() -> session.practice().isOn() && isThere(robot, "#modem-trouble-no_sim"));
        press(robot, "#modem-send");
        assertTrue(text(robot, "#tune-problem").startsWith("Type the text"));
        press(robot, "#modem-trouble-no_sim");
        press(robot, "#modem-run");
        until(() -> went(ModemStep.SIM, Verdict.STOP));
        assertFalse(reply(ModemStep.REGISTERED).isPresent(), "what stands in the way stops the script");
        press(robot, "#modem-trouble-none");
        press(robot, "#modem-run");
        until(() -> went(ModemStep.HANG_UP, Verdict.WELL));
        put(robot, "#modem-text", "water is low");
        press(robot, "#modem-send");
        until(() -> went(ModemStep.SEND, Verdict.STOP));
        assertEquals(
                "modem.reset.sags", reply(ModemStep.SEND).orElseThrow().about().key());
        robot.interact(() -> session.apply(new SetSetting(PUMP_HOUSE, "modem", Settings.CAPACITOR, "4700 µF")));
        until(() ->
                session.tune().modem(MODEM).filter(draft -> !draft.rig().sags()).isPresent());
        assertEquals("water is low", session.tune().modem(MODEM).orElseThrow().text(), "the text stays");
        press(robot, "#modem-send");
        until(() -> went(ModemStep.SEND, Verdict.WELL));
    }

    @Test
    void aLongTextGoesOutInPartsWhoseNumberIsSeenNowhere(FxRobot robot) throws Exception {
        modem(robot);
        put(robot, "#modem-text", "a".repeat(200));
        put(robot, "#modem-number", OWN_NUMBER);
        try (TerminalPair pair = new TerminalPair(folder)) {
            robot.interact(() -> session.line().listen(pair.port(), 9600));
            until(() -> session.line().nowProperty().get().state() == LineWork.State.OPEN);
            press(robot, "#modem-send");
            until(() -> isThere(robot, "#modem-sure"));
            press(robot, "#modem-sure");
            assertEquals("AT+CMGF=0", pair.hear().strip());
            pair.print("OK\r\n");
            for (int part = 1; part <= 2; part++) {
                String command = pair.hear().strip();
                pair.print("\r\n> ");
                String pdu = pair.hear().strip();
                assertTrue(pdu.matches("[0-9A-F]+\u001A"), pdu);
                assertEquals("AT+CMGS=" + ((pdu.length() - 1) / 2 - 1), command);
                assertEquals("0" + part, pdu.substring(pdu.indexOf("050003") + 10, pdu.indexOf("050003") + 12));
                pair.print(pdu + "\r\n+CMGS: " + (20 + part) + "\r\n\r\nOK\r\n");
            }
            assertEquals("AT+CMGF=1", pair.hear().strip());
            pair.print("OK\r\n");
            until(() -> went(ModemStep.SEND_PART, Verdict.WELL));
        }
        String all = String.join("\n", session.tune().talk().lines());
        assertTrue(all.contains("message 2 of 2"), all);
        // Half bytes turned round, the number is in each part.
        assertFalse(all.contains("050003") || all.contains("999777888"), all);
    }

    @Test
    void aRealTextIsConfirmedWithItsNumberWhichIsInNoBuild(FxRobot robot) throws Exception {
        modem(robot);
        put(robot, "#modem-text", "water is low");
        put(robot, "#modem-number", "0171");
        press(robot, "#modem-send");
        assertTrue(text(robot, "#tune-problem").contains("+999000111"));
        put(robot, "#modem-number", OWN_NUMBER);
        press(robot, "#modem-run");
        until(() -> text(robot, "#tune-problem").startsWith("Nobody is at the line"));
        try (TerminalPair pair = new TerminalPair(folder)) {
            robot.interact(() -> session.line().listen(pair.port(), 9600));
            until(() -> session.line().nowProperty().get().state() == LineWork.State.OPEN);
            fire(robot, "#modem-ask-signal");
            assertEquals("AT+CSQ", pair.hear().strip());
            pair.print("AT+CSQ\r\n+CSQ: 20,0\r\n\r\nOK\r\n");
            until(() -> went(ModemStep.SIGNAL, Verdict.WELL));
            press(robot, "#modem-send");
            until(() -> isThere(robot, "#modem-sure"));
            assertTrue(seen(() -> robot.lookup("#modem-send").query().isDisabled()), "it waits to be sure");
            press(robot, "#modem-sure");
            assertEquals("AT+CMGF=1", pair.hear().strip());
            pair.print("OK\r\n");
            assertEquals("AT+CMGS=\"" + OWN_NUMBER + "\"", pair.hear().strip());
            pair.print("\r\n> ");
            assertEquals("water is low\u001A", pair.hear().strip());
            pair.print("\r\n+CMGS: 17\r\n\r\nOK\r\n");
            until(() -> went(ModemStep.SEND, Verdict.WELL));
        }
        fire(robot, "#tune-keep");
        until(() -> session.tune().kept(MODEM).isPresent());
        robot.interact(() -> session.files().save());
        until(() -> !session.files().unsavedProperty().get());
        String file = Files.readString(session.files().fileProperty().get());
        assertTrue(file.contains("water is low") && file.contains("-73"), "2 · 20 - 113");
        assertFalse(file.contains("999777888"), "whom it is for");
        Exports.files("all", null, session.assessmentProperty().get()).forEach((name, bytes) -> {
            if (!name.endsWith(".png") && !name.endsWith(".pdf") && !name.equals("all-parts.csv")) {
                assertFalse(new String(bytes.apply(session.assessmentProperty().get())).contains("999777888"), name);
            }
        });
    }
}
