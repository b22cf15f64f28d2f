package inkel.app.ui.wire;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.store.Drawers;
import inkel.app.ui.kit.Caption;
import inkel.core.drawer.Drawer;
import inkel.core.drawer.Item;
import inkel.core.finding.Stage;
import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** What must lie on the table, in the real window: counted, priced, agreed to, standing, and how far one comes tonight. */
@ExtendWith(ApplicationExtension.class)
class TableWindowTest extends WindowJourney {
    private static final Item SERVO = Item.part("servo-micro");

    @Start
    void start(javafx.stage.Stage stage) throws IOException {
        begin(stage, Given.LOCKS, Given.MOTH_LAMP);
        session.drawers().open(folder);
    }

    private void table(FxRobot robot, String example) throws Exception {
        open(robot, example, Stage.WIRE);
        press(robot, "#wire-tab-table");
        until(() -> isThere(robot, "#table-tools-0"));
    }

    private static String sum(FxRobot robot) {
        return text(robot, "#table-sum");
    }

    private static boolean says(FxRobot robot, String words) {
        return robot.lookup(
                        node -> node instanceof Caption text && text.getText().contains(words))
                .tryQuery()
                .isPresent();
    }

    private Drawer drawer() {
        return session.drawers().drawer();
    }

    @Test
    void countsAndPricesAreTypedAndKept(FxRobot robot) throws Exception {
        table(robot, Given.LOCKS);
        // Three small servos are wanted.
        type(robot, "#count-part-servo-micro", "1");
        until(() -> drawer().of(SERVO).count() == 1);
        type(robot, "#price-part-servo-micro", "4,50");
        until(() -> sum(robot).contains("9.00 together"));
        until(() -> Drawers.read(folder).of(SERVO).price().isPresent());
        type(robot, "#count-part-servo-micro", "many");
        until(() -> session.notices().property().get() != null
                && session.notices().property().get().text().contains("not “many”"));
        assertEquals(1, drawer().of(SERVO).count());
    }

    @Test
    void theRingSaysThatAllOfItIsThere(FxRobot robot) throws Exception {
        table(robot, Given.LOCKS);
        press(robot, "#has-part-servo-micro");
        until(() -> drawer().of(SERVO).count() == 3);
        until(() -> robot.lookup("#has-part-servo-micro").query().isDisabled());
        assertFalse(says(robot, "can be wired and woken"));
        press(robot, "#table-all");
        until(() -> sum(robot).equals("All of it is in the drawer."));
        assertTrue(says(robot, "Everything can be wired and woken"));
        type(robot, "#count-part-servo-driver-16", "0");
        until(() -> says(robot, "waits for 16-way servo driver"));
    }

    @Test
    void whatTheBuildDoesNotAskForIsPutInAsWell(FxRobot robot) throws Exception {
        table(robot, Given.LOCKS);
        type(robot, "#table-add", "10 resistor 22k");
        Item wanted = Item.parse("resistor 22 kΩ").orElseThrow();
        until(() -> drawer().of(wanted).count() == 10);
        until(() -> isThere(robot, "#count-resistor-22-kohm"));
        type(robot, "#table-add", "2 × part Micro servo");
        until(() -> drawer().of(SERVO).count() == 2);
        type(robot, "#table-add", "3 springs");
        until(() -> session.notices().property().get() != null
                && session.notices().property().get().text().contains("“3 springs”"));
        type(robot, "#count-resistor-22-kohm", "0");
        until(() -> !isThere(robot, "#count-resistor-22-kohm"));
    }

    @Test
    void twoMakeOneWhenTheBuilderAgrees(FxRobot robot) throws Exception {
        table(robot, Given.LOCKS);
        robot.interact(() -> session.drawers().count(Item.parse("resistor 20k").orElseThrow(), 20));
        until(() -> isThere(robot, "#agree-resistor-10-kohm"));
        assertTrue(says(robot, "2 × resistor 20 kΩ side by side make it"));
        press(robot, "#agree-resistor-10-kohm");
        until(() -> says(robot, "2 × resistor 20 kΩ side by side are taken for it"));
        until(() -> robot.lookup("#has-resistor-10-kohm").query().isDisabled());
    }

    @Test
    void aBuildThatStandsKeepsItsPartsFromOthers(FxRobot robot) throws Exception {
        table(robot, Given.MOTH_LAMP);
        press(robot, "#table-all");
        until(() -> sum(robot).equals("All of it is in the drawer."));
        press(robot, "#table-stands");
        Path lamp = folder.resolve(Given.MOTH_LAMP).toAbsolutePath().normalize();
        until(() -> drawer().standing().containsKey(lamp.toString()));
        table(robot, Given.LOCKS);
        until(() -> says(robot, "some are in Moth lamp"));
        assertEquals(0, drawer().free(Item.part("battery-lithium"), "another"));
        robot.interact(() -> session.drawers().takeApart(lamp.toString()));
        until(() -> !says(robot, "some are in Moth lamp"));
        assertEquals(1, drawer().free(Item.part("battery-lithium"), "another"));
    }
}
