package inkel.core.pins;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Wire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Resistance;
import inkel.core.wiring.WireList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Chips that are programmed over pins which the program uses too. */
class ProgramLinesTest {
    private static final String LINE = "pins.program_line";
    private static final String NONE = "pins.no_programmer";

    /** A port gives up to 5.25 V and a pin of the chip 10 mA: 525 Ω keep the two apart. */
    private static Builds chip() {
        return Builds.on("chip-28pin").boardOnly("VCC", "usb.5V");
    }

    private static Builds withProgrammer() {
        return chip().part("writer", "programmer-six");
    }

    /** An echo that talks on the pin which the programmer reads. */
    private static Builds echo() {
        return withProgrammer()
                .part("sonar", "distance-ultrasonic", "VCC=usb.5V")
                .wire("sonar.ECHO", "board.PB4")
                .wire("sonar.TRIG", "board.PB3");
    }

    private static Between series(double ohms) {
        return new Between.Series(Builds.end("sonar.ECHO"), Resistance.ofOhms(ohms), Optional.empty(), Extras.NONE);
    }

    @Test
    void whatTalksOnALineIsToldWithTheResistorThatHelps() throws Exception {
        Finding finding = RuleKit.firesAt(echo(), LINE, "sonar.ECHO");
        assertEquals(525, finding.evidence().get(0).value().si(), 1e-9);
        assertTrue(finding.fixes().stream().map(Fix::id).toList().contains("series"));
        RuleKit.everyWayOut(echo(), LINE);
        Build helped = finding.fixes().get(0).apply(echo().build());
        Between put = helped.nodes().get(0).between().get(0);
        assertEquals(560, ((Between.Series) put).resistance().ohms(), 1e-9, "the next of the E12 series");
    }

    @Test
    void theResistorIsEnoughFromVoltsOverAmperesOn() {
        RuleKit.fires(echo().between(series(524)), LINE);
        RuleKit.quiet(echo().between(series(525)), LINE);
    }

    @Test
    void whereNothingProgramsNothingIsInTheWay() {
        RuleKit.quiet(chip().part("sonar", "distance-ultrasonic", "VCC=usb.5V").wire("sonar.ECHO", "board.PB4"), LINE);
        RuleKit.quiet(echo().setting("writer", "later", "yes"), LINE);
        RuleKit.quiet(
                withProgrammer()
                        .part("sonar", "distance-ultrasonic", "VCC=usb.5V")
                        .wire("sonar.ECHO", "board.PD2"),
                LINE);
    }

    @Test
    void whatListensContactsAndSharedBusesAreLeftAlone() {
        RuleKit.quiet(withProgrammer().part("turn", "servo-micro", "V+=usb.5V").wire("turn.SIG", "board.PB3"), LINE);
        RuleKit.quiet(withProgrammer().part("press", "button").wire("press.A", "board.PB5"), LINE);
        RuleKit.quiet(
                Builds.on("chip-8pin")
                        .boardOnly("VCC", "usb.5V")
                        .part("writer", "programmer-six")
                        .part("air", "light-sensor", "VCC=usb.5V")
                        .wire("air.SDA", "board.P0")
                        .wire("air.SCL", "board.P2"),
                LINE);
    }

    /** A card lets go of its data wire only while its select is held off. */
    @Test
    void aPartOnTheBusIsQuietWhileItsSelectIsHeld() throws Exception {
        Builds floating = Builds.on("chip-40pin")
                .boardOnly("VCC", "usb.5V")
                .part("writer", "programmer-six")
                .part("volts", "dac-8-spi", "VDD=usb.5V")
                .part("tags", "tag-reader-spi")
                .wire("tags.MISO", "board.PB6")
                .wire("tags.MOSI", "board.PB5")
                .wire("tags.SCK", "board.PB7")
                .wire("tags.SDA", "board.PB4");
        Finding finding = RuleKit.firesAt(floating, LINE, "tags.MISO");
        Fix first = finding.fixes().get(0);
        assertEquals("select-pull-ups", first.id());
        RuleKit.wayOut(floating.build(), finding, first);
    }

    @Test
    void aBareChipWithoutAProgrammerIsNoted() throws Exception {
        Finding finding = RuleKit.fires(chip(), NONE);
        assertEquals(
                List.of("add-programmer-six", "elsewhere"),
                finding.fixes().stream().map(Fix::id).toList());
        RuleKit.everyWayOut(chip(), NONE);
        RuleKit.quiet(withProgrammer(), NONE);
        RuleKit.fires(chip().part("writer", "programmer-five"), NONE);
        RuleKit.quiet(chip().setting("board", "programmed", "elsewhere"), NONE);
        RuleKit.quiet(Builds.on("board-tolerant-3v3"), NONE);
        RuleKit.quiet(Builds.classic(), NONE);
    }

    @Test
    void itsLeadsAreListedApart() {
        assertEquals(
                List.of(
                        "board.PB4 > writer.MISO",
                        "board.VCC > writer.VCC",
                        "board.PB5 > writer.SCK",
                        "board.PB3 > writer.MOSI",
                        "board.RST > writer.RST",
                        "board.GND > writer.GND"),
                leads(withProgrammer()));
        WireList list = WireList.of(withProgrammer().circuit());
        assertTrue(list.steps().stream().noneMatch(step -> step.id().contains("writer")));
        assertEquals(List.of(), leads(chip().part("writer", "programmer-five")));
        assertEquals(List.of(), leads(withProgrammer().setting("writer", "later", "yes")));
    }

    private static List<String> leads(Builds builds) {
        return WireList.of(builds.circuit()).programming().stream()
                .map(step -> step.id().replaceAll("@\\d+", ""))
                .toList();
    }

    @Test
    void otherKindsGoToTheirOwnPins() {
        assertEquals(
                List.of(
                        "board.RST > writer.VPP",
                        "board.VDD > writer.VDD",
                        "board.VSS > writer.VSS",
                        "board.B7 > writer.DAT",
                        "board.B6 > writer.CLK"),
                leads(Builds.powered(CATALOG.get("chip-28pin-five")).part("writer", "programmer-five")));
        List<String> serial =
                leads(Builds.powered(CATALOG.get("module-wireless")).part("writer", "serial-adapter"));
        assertEquals(
                List.of("board.GND > writer.GND", "board.TX0 > writer.RX", "board.RX0 > writer.TX"),
                serial.subList(0, 3));
        assertTrue(serial.get(3).startsWith("board.IO0 > ") && serial.get(3).contains("ground"), serial.get(3));
        assertEquals(
                4,
                leads(Builds.on("board-tolerant-3v3").part("writer", "debug-probe"))
                        .size());
    }

    /** Of the five pins of the small chip three are the programmer's: a sensor that talks belongs on another. */
    @Test
    void aPlanKeepsWhatTalksOffTheLines() throws Exception {
        Build build = Builds.on("chip-8pin")
                .boardOnly("VCC", "usb.5V")
                .part("writer", "programmer-six")
                .part("sonar", "distance-ultrasonic", "VCC=usb.5V")
                .build();
        Build planned = new Planner(build, CATALOG)
                .plan(Builds.NODE)
                .edit()
                .orElseThrow()
                .apply(build);
        NodeCircuit node = Circuit.of(planned, CATALOG).nodes().get(0);
        Optional<Endpoint> echo = node.wire(Builds.end("sonar.ECHO")).map(Wire::to);
        assertTrue(
                Stream.of("P3", "P4").anyMatch(pin -> echo.orElseThrow().pin().equals(pin)), echo.toString());
        assertFalse(planned.nodes().get(0).wires().isEmpty());
    }
}
