package inkel.core.circuit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Controller;
import inkel.core.catalog.Fitting;
import inkel.core.catalog.Kind;
import inkel.core.catalog.Settings;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.wiring.PartsList;
import inkel.core.wiring.WireList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Chips that run on one clock or another. */
class ClockTest {
    private static Builds chip(String clock) {
        Builds builds = Builds.on("chip-40pin").boardOnly("VCC", "usb.5V");
        return clock.isEmpty() ? builds : builds.setting("board", "clock", clock);
    }

    private static Controller controller(Builds builds) {
        return builds.circuit().board().cls().controller().orElseThrow();
    }

    private static List<String> around(Builds builds) {
        return builds.circuit().board().cls().handling().make().around().stream()
                .map(fitting -> fitting.sort() + " " + fitting.from() + " "
                        + fitting.value().si())
                .toList();
    }

    @Test
    void anInnerClockWantsNoCrystalAndNoneOfItsCapacitors() {
        assertEquals(4, around(chip("")).size());
        assertEquals(List.of("RESISTOR RST 10000.0"), around(chip("inner 8 MHz")));
        assertEquals(
                0,
                WireList.of(chip("inner 8 MHz").circuit()).steps().stream()
                        .filter(step -> step.fitting()
                                .filter(fitting -> fitting.sort() != Fitting.Sort.RESISTOR
                                        && fitting.from().startsWith("X"))
                                .isPresent())
                        .count());
        assertTrue(PartsList.of(WireList.of(chip("inner 8 MHz").circuit())).lines().stream()
                .noneMatch(line -> line.kind() == PartsList.Kind.CRYSTAL));
    }

    /** At 8 MHz 2.7 V are enough, at 16 MHz 4.5 V: three cells of 3 to 4.8 V are judged by the clock. */
    @Test
    void aSlowerClockIsContentWithLess() throws Exception {
        Builds cells = Builds.on("chip-40pin").part("cells", "battery-aa-3").boardOnly("VCC", "cells.+");
        // One finding: the other supply pin goes with it.
        RuleKit.firesAt(cells, "parts.supply_too_low", "board");
        RuleKit.waysOut(cells, "parts.supply_too_low", "feed-VCC-from-usb.5V", "add-regulator-up");
        RuleKit.quiet(cells.setting("board", "clock", "inner 8 MHz"), "parts.supply_too_low");
        assertEquals(
                2.7,
                cells.circuit()
                        .board()
                        .cls()
                        .supply("AVCC")
                        .orElseThrow()
                        .range()
                        .range()
                        .lowest()
                        .volts(),
                1e-9);
        // An own figure goes before that of the clock.
        RuleKit.fires(cells.figure("board", "supply/VCC/min", "3.3 V"), "parts.supply_too_low");
    }

    /** The small chip's fast clock asks for more than its usual one. */
    @Test
    void aFasterClockAsksForMore() {
        Builds three = Builds.on("chip-8pin")
                .part("bench", "bench-supply")
                .setting("bench", "volts", "3.3 V")
                .boardOnly("VCC", "bench.+");
        RuleKit.quiet(three, "parts.supply_too_low");
        RuleKit.fires(three.setting("board", "clock", "inner 16 MHz"), "parts.supply_too_low");
    }

    @Test
    void anotherCrystalIsOnTheListInPlaceOfTheUsualOne() {
        assertTrue(around(chip("crystal 8 MHz")).contains("CRYSTAL X1 8000000.0"));
        assertEquals(8e6, controller(chip("crystal 8 MHz")).clock().hertz(), 1e-6);
    }

    // Programs take as many clocks as before: half the clock is half the rate and twice the jitter.
    @Test
    void whatTheProgramDoesOnPlainPinsGoesWithTheClock() {
        Controller full = controller(chip(""));
        Controller half = controller(chip("inner 8 MHz"));
        assertEquals(full.softwareUartMax().hertz() / 2, half.softwareUartMax().hertz(), 1e-6);
        full.software()
                .pulses()
                .ifPresent(pulses -> assertEquals(
                        pulses.jitter().seconds() * 2,
                        half.software().pulses().orElseThrow().jitter().seconds(),
                        1e-12));
    }

    // 16 MHz / (8 · 17) = 117 647, 2.1 % above 115 200; 16 MHz / (16 · 104) = 9615, 0.16 % above 9600.
    // 8 MHz / (8 · 104) = 9615 too; an inner clock may be 3 % off on top.
    @ParameterizedTest
    @CsvSource({
        "'', 9600, quiet",
        "crystal 8 MHz, 9600, quiet",
        "inner 8 MHz, 9600, uart.baud_error.clock",
        "'', 115200, uart.baud_error",
    })
    void aRateIsAsGoodAsTheClock(String clock, String baud, String told) throws Exception {
        Builds builds = chip(clock)
                .part("blue", "bridge-bluetooth", "VCC=usb.5V")
                .setting("blue", "baud", baud)
                .wire("blue.TXD", "board.PD0")
                .wire("blue.RXD", "board.PD1");
        if (told.equals("quiet")) {
            RuleKit.quiet(builds, "uart.baud_error");
            return;
        }
        Finding finding = RuleKit.firesAt(builds, "uart.baud_error", "blue");
        assertEquals(told, finding.sentence().key());
        RuleKit.everyWayOut(builds, "uart.baud_error");
        if (told.endsWith("clock")) {
            assertEquals(
                    List.of("clock-crystal-8-MHz", "clock-crystal-16-MHz"),
                    finding.fixes().stream().map(Fix::id).toList());
        }
    }

    @Test
    void theUsualClockOfAClassIsTheFirstOfItsChoices() {
        Builds.CATALOG.all().stream()
                .filter(cls -> cls.kind() == Kind.BOARD)
                .flatMap(cls -> cls.controller().stream())
                .filter(board -> !board.clocks().isEmpty())
                .forEach(board -> {
                    assertEquals(board.clock(), board.clocks().get(0).clock());
                    assertEquals(board.tolerance(), board.clocks().get(0).tolerance());
                });
    }

    @Test
    void aClockThatTheChipHasNotIsRefusedWithThoseThatItHas() {
        var cls = Builds.CATALOG.get("chip-40pin");
        assertEquals(
                "problem.expected_value",
                Settings.CLOCK.problem(cls, "crystal 7 MHz").orElseThrow().key());
        assertTrue(Settings.CLOCK.example(cls).contains("inner 8 MHz"));
    }
}
