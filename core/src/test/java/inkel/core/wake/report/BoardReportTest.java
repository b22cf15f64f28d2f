package inkel.core.wake.report;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.bench.Answer;
import inkel.core.bench.PracticeBench;
import inkel.core.bench.Twist;
import inkel.core.bench.fault.Fault;
import inkel.core.bench.fault.FaultKind;
import inkel.core.bench.fault.Faults;
import inkel.core.bench.fault.Layout;
import inkel.core.bench.fault.WireFault;
import inkel.core.circuit.Circuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.Meter;
import inkel.core.document.Wire;
import inkel.core.document.edit.SetWire;
import inkel.core.kit.Builds;
import inkel.core.quantity.Resistance;
import inkel.core.wake.Answers;
import inkel.core.wake.Check;
import inkel.core.wake.MoreLooks;
import inkel.core.wake.NodeWake;
import inkel.core.wake.WakePlan;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class BoardReportTest {
    private final Build build = build();
    private final Table table = new Table(build);

    private static Build build() {
        return Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .part("clock", "clock-memory", "VCC=board.5V")
                .part("gps", "positioning-receiver", "VCC=board.5V")
                .wire("radio.SCK", "board.D13")
                .wire("radio.MOSI", "board.D11")
                .wire("radio.MISO", "board.D12")
                .wire("radio.CSN", "board.D10")
                .wire("radio.CE", "board.D9")
                .wire("clock.SDA", "board.A4")
                .wire("clock.SCL", "board.A5")
                .wire("gps.TX", "board.D4")
                .wire("gps.RX", "board.D3")
                .build();
    }

    private static final class Table {
        private final Layout layout;
        private final NodeWake wake;

        Table(Build build) {
            layout = Layout.of(Circuit.of(build, Builds.CATALOG));
            wake = WakePlan.of(layout.circuit(), Meter.USUAL).nodes().get(0);
        }

        String report(Twist twist) {
            PracticeBench bench = new PracticeBench(layout.circuit(), layout.lists(), twist, Meter.USUAL, 4);
            return new SimulatedBoard(ReportPlan.of(wake), layout.lists().get(0), bench).report();
        }

        BoardReport read(String text) {
            return BoardReport.read(text, wake, layout.lists().get(0), new MoreLooks(layout, wake, Meter.USUAL));
        }
    }

    private static List<String> out(BoardReport report) {
        return report.taken().stream()
                .filter(taken -> !Answers.isWell(taken.check(), taken.answer()))
                .map(taken -> taken.check().id())
                .toList();
    }

    private static List<String> told(BoardReport report) {
        return report.told().stream().map(told -> told.why().key()).toList();
    }

    private static List<String> ids(BoardReport report) {
        return report.taken().stream().map(taken -> taken.check().id()).toList();
    }

    @Test
    void aHealthyBoardAnswersAllItCan() {
        BoardReport report = table.read(table.report(Twist.NONE));
        assertEquals(List.of(), told(report));
        assertEquals(List.of(), out(report));
        assertTrue(report.isWhole());
        assertTrue(
                ids(report).containsAll(List.of("answers clock", "register radio 0x00", "reply gps", "answers all")),
                ids(report).toString());
        assertTrue(
                ids(report).stream().anyMatch(id -> id.startsWith("rests ")),
                ids(report).toString());
    }

    @Test
    void whatIsWrongOnTheBenchIsOutsideInTheReport() {
        Fault dead = Faults.of(table.layout).stream()
                .filter(fault ->
                        fault.kind() == FaultKind.PART_DEAD && fault.at().part().equals("radio"))
                .findFirst()
                .orElseThrow();
        BoardReport report = table.read(table.report(dead.forms(table.layout).get(0)));
        assertEquals(List.of("register radio 0x00"), out(report));
    }

    /** A stick that is let go, and a knob that may be anywhere. */
    private static Build analogs() {
        return Builds.classic()
                .part("stick", "joystick", "+5V=board.5V")
                .part("knob", "knob", "VCC=board.5V")
                .wire("stick.VRX", "board.A0")
                .wire("stick.VRY", "board.A1")
                .wire("knob.OUT", "board.A2")
                .build();
    }

    private static String head(Table of) {
        return of.report(Twist.NONE).lines().findFirst().orElseThrow();
    }

    @Test
    void aCodeAnswersTheCheckOfTheVoltsThatItStandsFor() {
        Table sticks = new Table(analogs());
        String head = head(sticks);
        BoardReport read = sticks.read(head + "\nadc A0 512\nadc A1 880\nadc A2 300\nend 3\n");
        // 512 of 1,024 codes of 5 V are 2.5 V; 880 are 4.3 V, far from the middle. Where a knob stands nobody knows.
        assertEquals(List.of("volts stick.VRX", "volts stick.VRY"), ids(read));
        assertEquals(2.5, ((Answer.Amount) read.taken().get(0).answer()).si(), 1e-12);
        assertEquals(List.of("volts stick.VRY"), out(read));
        assertEquals(List.of("report.unasked"), told(read));
        // 45 to 55 % of 4.75 to 5.25 V.
        Check check = sticks.wake.check("volts stick.VRX").orElseThrow();
        assertEquals(0.45 * 4.75, check.band().orElseThrow().low(), 0.12);
        assertEquals(0.55 * 5.25, check.band().orElseThrow().high(), 0.12);
        assertTrue(sticks.wake.check("volts knob.OUT").isEmpty());
    }

    @Test
    void aBoardThatIsNotThereReportsItsCodes() {
        Table sticks = new Table(analogs());
        BoardReport healthy = sticks.read(sticks.report(Twist.NONE));
        assertTrue(
                ids(healthy).containsAll(List.of("volts stick.VRX", "volts stick.VRY")),
                ids(healthy).toString());
        assertEquals(List.of(), out(healthy));
        assertEquals(List.of(), told(healthy));
        // Without its ground a stick is pulled up to the supply as a whole.
        Fault ground = Faults.of(sticks.layout).stream()
                .filter(fault -> fault instanceof WireFault.Missing missing
                        && missing.wire().contains("stick.GND"))
                .findFirst()
                .orElseThrow();
        BoardReport faulty =
                sticks.read(sticks.report(ground.forms(sticks.layout).get(0)));
        assertTrue(out(faulty).contains("volts stick.VRX"), out(faulty).toString());
    }

    @Test
    void aDividerInTheWireLeavesACodeUnasked() {
        Table divided = new Table(Builds.classic()
                .part("stick", "joystick", "+5V=board.5V")
                .wire("stick.VRX", "board.A0")
                .between(new Between.Divider(
                        Builds.end("stick.VRX"), Resistance.ofOhms(10_000), Resistance.ofOhms(10_000), Extras.NONE))
                .build());
        BoardReport read = divided.read(head(divided) + "\nadc A0 256\nend 1\n");
        assertEquals(List.of("report.unasked"), told(read));
    }

    @Test
    void linesOfSomethingElseAreToldOnceAndTheRestIsTaken() {
        String report = table.report(Twist.NONE)
                .lines()
                .map(line -> line + "\nhello from the boot code\n# a remark")
                .collect(Collectors.joining("\n"));
        BoardReport read = table.read(report);
        assertEquals(List.of("report.foreign"), told(read));
        assertEquals(ids(table.read(table.report(Twist.NONE))), ids(read));
    }

    @Test
    void aReportInPartIsTakenAsFarAsItGoes() {
        String report = table.report(Twist.NONE).lines().limit(3).collect(Collectors.joining("\n"));
        BoardReport read = table.read(report);
        assertFalse(read.isWhole());
        assertEquals(List.of("report.no_end"), told(read));
        assertFalse(read.taken().isEmpty());
    }

    @Test
    void eachGarbledLineIsToldWithWhatWouldBeRight() {
        String head =
                SimulatedBoard.head(table.wake.node(), table.layout.lists().get(0));
        for (String line : List.of(
                "i2c",
                "i2c zero 0x27",
                "i2c 0 27",
                "reg radio 0x00",
                "reg radio 0x00 eight",
                "level radio.CSN",
                "level radio.CSN up",
                "level CSN high",
                "adc A2",
                "adc A2 -4",
                "uart",
                "uart nobody OK",
                "pulse echo.OUT 1.5",
                "wires",
                "end soon")) {
            BoardReport read = table.read(head + "\n" + line + "\nreg radio 0x00 0x08\nend 2\n");
            List<BoardReport.Told> garbled = read.told().stream()
                    .filter(told -> told.why().key().equals("report.garbled"))
                    .toList();
            assertEquals(1, garbled.size(), line + " " + told(read));
            assertEquals(2, garbled.get(0).line());
            assertTrue(ids(read).contains("register radio 0x00"), line);
        }
    }

    @Test
    void aDoubledLineCountsOnceAndAWrongCountIsTold() {
        String head =
                SimulatedBoard.head(table.wake.node(), table.layout.lists().get(0));
        BoardReport doubled = table.read(head + "\nreg radio 0x00 0x08\nreg radio 0x00 0xFF\nend 2\n");
        assertEquals(List.of("report.doubled"), told(doubled));
        assertEquals(List.of(), out(doubled));
        BoardReport short_ = table.read(head + "\nreg radio 0x00 0x08\nend 9\n");
        assertEquals(List.of("report.count"), told(short_));
    }

    @Test
    void aReportOfAnotherBoardOrFormatIsNotTaken() {
        String report = table.report(Twist.NONE);
        for (String[] change : new String[][] {
            {" bench ", " attic ", "report.other_board"},
            {"inkel-wake 1", "inkel-wake 2", "report.format"},
        }) {
            BoardReport read = table.read(report.replace(change[0], change[1]));
            assertEquals(List.of(change[2]), told(read));
            assertEquals(List.of(), read.taken());
        }
        assertEquals(List.of("report.no_head"), told(table.read("")));
        assertTrue(told(table.read("reg radio 0x00 0x08")).contains("report.before_head"));
        assertEquals(List.of("report.head_short"), told(table.read("inkel-wake 1")));
    }

    @Test
    void ofAPartThatIsWiredOtherwiseNowNothingIsTakenAndTheOthersAre() throws Exception {
        Table other = new Table(
                new SetWire(Builds.NODE, Wire.placed(Builds.end("radio.CSN"), Builds.end("board.D8"))).apply(build));
        BoardReport read = other.read(table.report(Twist.NONE));
        assertTrue(told(read).contains("report.other_wires"), told(read).toString());
        assertFalse(ids(read).contains("register radio 0x00"));
        assertTrue(
                ids(read).contains("answers clock") && ids(read).contains("reply gps"),
                ids(read).toString());
    }

    @Test
    void whatNoCheckAsksIsTold() {
        String head =
                SimulatedBoard.head(table.wake.node(), table.layout.lists().get(0));
        BoardReport read = table.read(head + "\nreg radio 0x07 0x0E\ni2c 3 0x27\nadc A7 12\nend 3\n");
        assertEquals(List.of("report.unasked", "report.no_bus", "report.unasked"), told(read));
    }

    @Test
    void theLaterOfTwoReportsHolds() {
        String head =
                SimulatedBoard.head(table.wake.node(), table.layout.lists().get(0));
        String first = head + "\nreg radio 0x00 0xFF\nend 1\n";
        BoardReport read = table.read(first + head + "\nreg radio 0x00 0x08\nend 1\n");
        assertEquals(List.of(), told(read));
        assertEquals(List.of(), out(read));
    }

    @Test
    void restLevelsAreOfWiresThatTheBoardReadsClearly() {
        ReportPlan plan = ReportPlan.of(table.wake);
        List<String> levels = plan.levels().stream()
                .map(level -> level.signal() + (level.isHigh() ? " high" : " low"))
                .toList();
        // Pull-ups on the module hold both lines of the bus up; the board's own input asks for 0.6 of 5 V.
        assertTrue(levels.containsAll(List.of("clock.SDA high", "clock.SCL high")), levels.toString());
        for (ReportPlan.Level level : plan.levels()) {
            Check check = table.wake.check("volts " + level.signal()).orElseThrow();
            assertTrue(check.band().isPresent());
        }
    }
}
