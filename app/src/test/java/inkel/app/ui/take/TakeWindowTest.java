package inkel.app.ui.take;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.export.Export;
import inkel.app.export.Exports;
import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.lane.Notice;
import inkel.core.finding.Stage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import javafx.print.PageRange;
import javafx.scene.Scene;
import javafx.scene.control.TextInputControl;
import javafx.scene.image.Image;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import org.apache.pdfbox.Loader;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Looked at before it is taken along, in the real window: every kind, printed, copied, saved. */
@ExtendWith(ApplicationExtension.class)
class TakeWindowTest extends WindowJourney {
    @Start
    void start(javafx.stage.Stage stage) throws IOException {
        begin(stage, Given.LOCKS);
    }

    /** What a stand-in for paper was given, and what it answers. */
    private static final class Paper implements Printer {
        private final Outcome outcome;
        private final List<Image> pages = new ArrayList<>();

        Paper(Outcome outcome) {
            this.outcome = outcome;
        }

        @Override
        public Outcome print(javafx.stage.Window over, String name, List<Image> given) {
            pages.addAll(given);
            return outcome;
        }
    }

    /** A desk that only remembers. */
    private static final class Remembered implements TakePage.Desk {
        private final List<String> saved = new ArrayList<>();

        @Override
        public void save(Export export) {
            saved.add(export.id());
        }

        @Override
        public void saveAll() {
            saved.add("all");
        }

        @Override
        public void leave() {
            saved.add("left");
        }
    }

    /** The page by itself, so that no printer of the machine is asked. */
    private TakePage page(FxRobot robot, Printer printer, TakePage.Desk desk) throws Exception {
        open(robot, Given.LOCKS, Stage.WIRE);
        TakePage[] page = new TakePage[1];
        robot.interact(() -> {
            page[0] = new TakePage(session, desk, printer);
            stage.setScene(new Scene(page[0], 1000, 700));
            page[0].show(Exports.find("sheet.pdf").orElseThrow());
        });
        until(() -> isThere(robot, "#take-page-1"));
        return page[0];
    }

    @Test
    void everyKindIsLookedAtFromTheMenusKeys(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.WIRE);
        robot.press(KeyCode.CONTROL, KeyCode.SHIFT).type(KeyCode.T).release(KeyCode.SHIFT, KeyCode.CONTROL);
        until(() -> isThere(robot, "#take-page-2"));
        List<Export> ofThisBoard = Exports.all().stream()
                .filter(export -> export.isFor(
                        session.assessmentProperty().get(),
                        session.nodeProperty().get()))
                .toList();
        assertTrue(ofThisBoard.size() < Exports.all().size(), "its board takes no Python");
        for (Export export : ofThisBoard) {
            press(robot, "#take-" + export.id().replace('.', '-'));
            until(() -> export.isText() ? isThere(robot, "#take-text") : isThere(robot, "#take-page-1"));
        }
        press(robot, "#take-wires-csv");
        until(() -> isThere(robot, "#take-text")
                && robot.lookup("#take-text")
                        .queryAs(TextInputControl.class)
                        .getText()
                        .contains("hole_from"));
        press(robot, "#take-leave");
        until(() -> isThere(robot, "#stage-pane-wire"));
    }

    @Test
    void allPagesGoToThePrinter(FxRobot robot) throws Exception {
        Paper paper = new Paper(Printer.Outcome.PRINTED);
        page(robot, paper, new Remembered());
        press(robot, "#take-print");
        until(() -> !paper.pages.isEmpty());
        byte[] pdf = Exports.find("sheet.pdf")
                .orElseThrow()
                .make()
                .apply(Export.Of.first(
                        session.assessmentProperty().get(), session.drawers().drawer()))
                .orElseThrow();
        try (var document = Loader.loadPDF(pdf)) {
            assertEquals(document.getNumberOfPages(), paper.pages.size());
            // 595 points are 8.26 inches of 220 dots.
            double points = document.getPage(0).getMediaBox().getWidth();
            assertEquals(points / 72 * 220, paper.pages.get(0).getWidth(), 2);
        }
    }

    @Test
    void withoutAPrinterTheFileIsOffered(FxRobot robot) throws Exception {
        Remembered desk = new Remembered();
        page(robot, new Paper(Printer.Outcome.NO_PRINTER), desk);
        press(robot, "#take-print");
        until(() -> session.notices().property().get() != null);
        Notice told = session.notices().property().get();
        assertTrue(told.text().contains("No printer"), told.text());
        robot.interact(() -> told.actions().get(0).run().run());
        assertEquals(List.of("sheet.pdf"), desk.saved);
    }

    @Test
    void aPictureAndATextAreCopied(FxRobot robot) throws Exception {
        Remembered desk = new Remembered();
        page(robot, new Paper(Printer.Outcome.LEFT), desk);
        press(robot, "#take-river-png");
        until(() -> !robot.lookup("#take-copy").query().isDisabled());
        press(robot, "#take-copy");
        byte[] picture = Exports.find("river.png")
                .orElseThrow()
                .make()
                .apply(Export.Of.first(
                        session.assessmentProperty().get(), session.drawers().drawer()))
                .orElseThrow();
        robot.interact(() -> {
            Image copied = Clipboard.getSystemClipboard().getImage();
            Image wanted = new Image(new ByteArrayInputStream(picture));
            assertEquals(wanted.getWidth(), copied.getWidth());
            assertEquals(wanted.getHeight(), copied.getHeight());
        });
        press(robot, "#take-nets-csv");
        until(() -> isThere(robot, "#take-text"));
        press(robot, "#take-copy");
        robot.interact(() -> assertTrue(
                Clipboard.getSystemClipboard().getString().startsWith("net,"),
                Clipboard.getSystemClipboard().getString()));
        press(robot, "#take-save");
        press(robot, "#take-all");
        assertEquals(List.of("nets.csv", "all"), desk.saved);
    }

    @Test
    void onlyTheRangesThatWereAskedForArePrinted() {
        List<Image> five = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            five.add(new javafx.scene.image.WritableImage(1 + i, 1));
        }
        assertEquals(five, Printer.chosen(five));
        assertEquals(
                List.of(five.get(1), five.get(2), five.get(4)),
                Printer.chosen(five, new PageRange(2, 3), new PageRange(5, 9)));
    }

    @Test
    void theSameBuildIsTheSamePicture() {
        var assessment = Given.assessment(Given.MOTH_LAMP);
        Export loom = Exports.find("loom.png").orElseThrow();
        assertArrayEquals(
                loom.make()
                        .apply(Export.Of.first(assessment, inkel.core.drawer.Drawer.EMPTY))
                        .orElseThrow(),
                loom.make()
                        .apply(Export.Of.first(assessment, inkel.core.drawer.Drawer.EMPTY))
                        .orElseThrow());
    }
}
