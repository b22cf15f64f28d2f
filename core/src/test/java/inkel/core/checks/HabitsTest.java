package inkel.core.checks;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Habit;
import inkel.core.catalog.Habits;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetHabit;
import inkel.core.finding.Severity;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import inkel.core.remedy.PinNames;
import inkel.core.remedy.PutParts;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Every question on which practitioners disagree: either school makes another plan or another verdict. */
class HabitsTest {
    private static Endpoint feedOfServo(Builds builds, String cls) throws Exception {
        Build build = builds.build();
        Build with = Edit.applyAll(build, PutParts.of(Circuit.of(build, CATALOG), NODE, CATALOG.get(cls), 1));
        return with.nodes().get(0).part(cls).orElseThrow().feeds().get("V+");
    }

    @Test
    void servosGetASupplyOfTheirOwnOrHangOnTheBoardWhileHalfOfItsSpareIsEnough() throws Exception {
        Habit<Habit.ServoSupply> habit = Habit.SERVO_SUPPLY;
        assertEquals(end("wall-supply-5v.+"), feedOfServo(Builds.classic(), "servo-micro"));
        // 750 mA at the most against half of what a port of 500 mA leaves: not enough, whatever the habit.
        assertEquals(
                end("wall-supply-5v.+"),
                feedOfServo(Builds.classic().habit(habit, Habit.ServoSupply.BOARD), "servo-micro"));
        // A strong supply straight on the 5 V pin is the board's and carries both.
        assertEquals(end("wall.+"), feedOfServo(strong().habit(habit, Habit.ServoSupply.BOARD), "servo-micro"));
        assertEquals(end("wall-supply-5v.+"), feedOfServo(strong(), "servo-micro"));
    }

    private static Builds strong() {
        return Builds.classic().part("wall", "wall-supply-5v-strong").boardOnly("5V", "wall.+");
    }

    @Test
    void aServoThatIsReleasedMayWander() {
        Builds held = jittering();
        Builds released = jittering().habit(Habit.SERVO_REST, Habit.ServoRest.RELEASE);
        assertEquals(Severity.LOOK, RuleKit.fires(held, "pwm.software_jitter").severity());
        assertEquals(
                Severity.NOTE, RuleKit.fires(released, "pwm.software_jitter").severity());
    }

    private static Builds jittering() {
        return Builds.classic()
                .part("servo", "servo-micro", "V+=board.5V")
                .setting("servo", "claims", "none")
                .wire("servo.SIG", "board.D7");
    }

    @Test
    void aSignalALittleAboveItsListenersSupplyIsDividedOrGoesStraight() {
        assertEquals(Severity.LOOK, RuleKit.fires(aboveSupply(), "levels.thin").severity());
        assertEquals(
                Severity.NOTE,
                RuleKit.fires(aboveSupply().habit(Habit.ABOVE_SUPPLY, Habit.AboveSupply.DIRECT), "levels.thin")
                        .severity());
    }

    /** 5.6 V into inputs that are meant for 5.5 V and survive 6.5 V. */
    private static Builds aboveSupply() {
        return Builds.classic()
                .part("bench", "bench-supply")
                .setting("bench", "volts", "5.6 V")
                .boardFrom("bench.+")
                .part("buffer", "buffer-8", "VCC=board.3V3")
                .wire("buffer.OE1", "board.D11");
    }

    private static Plan plan(Builds builds) {
        return new Planner(builds.build(), CATALOG).plan(NODE);
    }

    private static Endpoint placed(Plan plan, String signal) {
        return plan.wires().stream()
                .filter(wire -> wire.from().equals(end(signal)))
                .findFirst()
                .orElseThrow()
                .to();
    }

    @Test
    void aBusIsMadeByTheBoardsBlockOrByTheProgram() {
        Builds radio = Builds.classic().part("radio", "packet-radio", "VCC=board.3V3");
        assertTrue(plan(radio).bySoftware().isEmpty());
        assertEquals(end("board.D13"), placed(plan(radio), "radio.SCK"));
        Plan byProgram = plan(radio.habit(Habit.BUSES, Settings.Bus.SOFTWARE));
        assertEquals(List.of("radio"), List.copyOf(byProgram.bySoftware()));
    }

    @Test
    void enablesAreDrivenOrTied() {
        Builds colour = Builds.classic().part("colour", "colour-frequency", "VCC=board.5V");
        assertEquals(Part.BOARD, placed(plan(colour), "colour.OE").part());
        assertTrue(placed(plan(colour), "colour.OE").pin().matches("[DA]\\d+"));
        Plan tied = plan(colour.habit(Habit.ENABLES, Habit.Enables.TIED));
        assertEquals("GND", placed(tied, "colour.OE").pin());
        assertEquals(end("board.5V"), placed(tied, "colour.S0"));
        // What must change while it runs is driven all the same.
        assertTrue(placed(tied, "colour.S2").pin().matches("[DA]\\d+"));
    }

    @Test
    void solderedWiresCarryWhatPlugsDoNot() {
        Builds modem = Builds.classic().part("wall", "wall-supply-4v").part("modem", "text-modem", "VCC=wall.+");
        RuleKit.fires(modem, "power.wire_drop");
        RuleKit.quiet(modem.habit(Habit.JOINTS, Settings.Contact.SOLDER), "power.wire_drop");
        // What is said of one part stands before the habit.
        RuleKit.fires(modem.setting("modem", "contact", "clip"), "power.wire_drop");
    }

    @Test
    void capacitorsAreMissedNowOrLater() {
        Builds radio = Builds.classic().part("radio", "packet-radio", "VCC=board.3V3");
        RuleKit.fires(radio, "power.decoupling");
        RuleKit.quiet(radio.habit(Habit.DECOUPLING, Habit.Decoupling.LATER), "power.decoupling");
    }

    @Test
    void aPinIsNamedByItsNumberInCodeOrByItsPlace() {
        Builds computer = Builds.on("computer-40pin");
        assertEquals(
                "pin.of_board",
                PinNames.of(computer.circuit(), end("board.GPIO17")).key());
        var byPlace = PinNames.of(
                computer.habit(Habit.PIN_NAMES, Habit.PinNames.PLACE).circuit(), end("board.GPIO17"));
        assertEquals("pin.at_place", byPlace.key());
        assertEquals(11, byPlace.values().get("place"));
    }

    // --- the file

    @Test
    void onlyWhatIsUnusualIsWrittenAndItComesBack() throws Exception {
        Build usual = Builds.classic().build();
        assertTrue(!BuildWriter.print(usual).contains("habits"));
        Build tied = new SetHabit<>(NODE, Habit.ENABLES, Habit.Enables.TIED).apply(usual);
        assertEquals(tied, read(BuildWriter.print(tied)));
        assertEquals(usual, new SetHabit<>(NODE, Habit.ENABLES, Habit.Enables.DRIVEN).apply(tied));
    }

    @Test
    void aHabitThatIsNotKnownIsKeptAndTold() throws Exception {
        String file = BuildWriter.print(Builds.classic()
                        .habit(Habit.ENABLES, Habit.Enables.TIED)
                        .build())
                .replace("\"enables\"", "\"enable\"");
        Build build = read(file);
        assertEquals(Habit.Enables.DRIVEN, build.habits().of(Habit.ENABLES));
        assertEquals("tied", build.habits().typed().get("enable"));
        assertEquals(
                1,
                Builds.of(Assessment.assess(build, CATALOG), "parts.unknown_key")
                        .size());
    }

    @Test
    void aWordThatIsNoOptionIsRefusedWithThoseThatAre() {
        String file = BuildWriter.print(Builds.classic()
                        .habit(Habit.JOINTS, Settings.Contact.CLIP)
                        .build())
                .replace("\"clip\"", "\"glue\"");
        UnreadableFile refused = assertThrows(UnreadableFile.class, () -> read(file));
        assertEquals(
                "jumper, clip, solder",
                refused.problems().get(0).reason().values().get("example"));
    }

    @Test
    void everyHabitHasAUsualOptionAndAKeyOfItsOwn() {
        for (Habit<?> habit : Habit.all()) {
            assertEquals(habit.usual(), Habits.USUAL.of(habit));
            assertEquals(habit, Habit.of(habit.key()).orElseThrow());
        }
        assertEquals(
                Habit.all().size(),
                Habit.all().stream().map(Habit::key).distinct().count());
    }

    private static Build read(String text) throws UnreadableFile {
        return BuildReader.parse(Path.of("test.inkel.json"), text, CATALOG);
    }
}
