package inkel.core.parts;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.Place;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.wiring.WireList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What the wire list has anyhow need not be written down, and does no harm. */
class SaidTwiceRuleTest {
    private static final String CODE = "parts.said_twice";

    private static Builds air() {
        return Builds.classic().part("air", "climate-wire", "VCC=board.5V").wire("air.DATA", "board.D4");
    }

    @Test
    void aGroundWhicheverWayItIsWritten() throws Exception {
        RuleKit.quiet(air(), CODE);
        RuleKit.everyWayOut(air().wire("board.GND", "air.GND"), CODE);
        Builds ground = air().wire("air.GND", "board.GND");
        assertEquals(CODE, RuleKit.firesAt(ground, CODE, "air.GND").sentence().key());
        RuleKit.quiet(ground, "parts.pin_gone");
        RuleKit.everyWayOut(ground, CODE);
    }

    @Test
    void aSupplyFromTheRailThatFeedsItAnyhow() throws Exception {
        Builds fed = air().wire("air.VCC", "board.5V");
        RuleKit.firesAt(fed, CODE, "air.VCC");
        RuleKit.quiet(fed, "parts.pin_gone");
        RuleKit.everyWayOut(fed, CODE);
        // From part to part it is the same, where both are fed.
        Builds on = air().part("soil", "soil-moisture", "VCC=board.5V").wire("soil.VCC", "air.VCC");
        RuleKit.firesAt(on, CODE, "soil.VCC");
        RuleKit.quiet(on, "parts.pin_gone");
        RuleKit.everyWayOut(on, CODE);
        // From another rail one of the two is wrong.
        RuleKit.quiet(air().wire("air.VCC", "board.3V3"), CODE);
        // And one that nothing feeds is not said twice.
        RuleKit.quiet(Builds.classic().part("air", "climate-wire").wire("air.VCC", "board.5V"), CODE);
    }

    @Test
    void allOfATableTogether() throws Exception {
        Builds all = air().wire("air.GND", "board.GND").wire("air.VCC", "board.5V");
        Finding finding = RuleKit.fires(all, CODE);
        assertEquals("parts.said_twice.several", finding.sentence().key());
        assertEquals(
                List.of(Place.of(Builds.NODE, end("air.GND")), Place.of(Builds.NODE, end("air.VCC"))),
                finding.places());
        RuleKit.everyWayOut(all, CODE);
        // The list of wires is the same with them and without.
        Build without = Edit.applyAll(all.build(), finding.fixes().get(0).edits());
        assertEquals(1, without.nodes().get(0).wires().size());
        assertEquals(
                WireList.of(Assessment.assess(without, Builds.CATALOG)
                                .circuit(Builds.NODE)
                                .orElseThrow())
                        .steps(),
                WireList.of(all.circuit()).steps());
        assertTrue(WireList.of(all.circuit()).steps().size() > 2);
    }

    private static Builds programmed(String from, String to) {
        return Builds.on("chip-28pin")
                .boardUnfed()
                .part("isp", "programmer-six")
                .wire(from, to);
    }

    /** Which pins a programmer goes to is fixed by the chip. */
    @Test
    void aLeadOfAProgrammerWhereTheChipWantsIt() throws Exception {
        RuleKit.firesAt(programmed("isp.MOSI", "board.PB3"), CODE, "isp.MOSI");
        RuleKit.quiet(programmed("isp.MOSI", "board.PB3"), "parts.pin_gone");
        RuleKit.everyWayOut(programmed("isp.RST", "board.RST"), CODE);
        RuleKit.firesAt(programmed("board.PB4", "isp.MISO"), CODE, "board.PB4");
        RuleKit.firesAt(programmed("isp.GND", "board.GND"), CODE, "isp.GND");
        // PB3 is leg 17 of the chip.
        RuleKit.firesAt(programmed("isp.MOSI", "board.17"), CODE, "isp.MOSI");
        RuleKit.quiet(programmed("isp.MOSI", "board.18"), CODE);
        // Elsewhere it programs nothing.
        RuleKit.quiet(programmed("isp.MOSI", "board.PB4"), CODE);
        Finding elsewhere = RuleKit.firesAt(programmed("isp.MOSI", "board.PB4"), "parts.pin_gone", "isp.MOSI");
        assertEquals("parts.pin_gone.wire_program", elsewhere.sentence().key());
        assertEquals("isp.MOSI", elsewhere.sentence().values().get("lead"));
        assertEquals("board.PB3", elsewhere.sentence().values().get("right"));
        RuleKit.everyWayOut(programmed("isp.MOSI", "board.PB4"), "parts.pin_gone");
        RuleKit.firesAt(programmed("isp.GND", "board.PB4"), "parts.pin_gone", "isp.GND");
        // A board with a socket of its own wants none.
        Builds ready = Builds.classic().part("isp", "programmer-six").wire("isp.MOSI", "board.D11");
        assertEquals(
                "parts.pin_gone.wire_no_signal",
                RuleKit.fires(ready, "parts.pin_gone").sentence().key());
    }
}
