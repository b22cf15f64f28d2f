package inkel.core.levels;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.kit.TwoBoards;
import inkel.core.quantity.Resistance;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TurnedOverTest {
    private static final String CODE = "levels.turned_over";

    private static Between opto(String signal) {
        return new Between.Opto(Builds.end(signal), Resistance.ofOhms(390), Resistance.ofOhms(10_000), Extras.NONE);
    }

    private static Builds table() {
        return Builds.on("board-big-5v")
                .part("place", "positioning-receiver", "VCC=board.5V")
                .part("gate", "servo-micro", "V+=usb.5V")
                .part("fan", "motor-driver", "VM=usb.5V", "VCC=board.5V")
                .part("pump", "relay-one", "VCC=board.5V")
                .part("eye", "motion-detector", "VCC=board.5V")
                .wire("place.TX", "board.D19")
                .wire("gate.SIG", "board.D3")
                .wire("fan.PWMA", "board.D6")
                .wire("pump.IN", "board.D7")
                .wire("eye.OUT", "board.D8");
    }

    @ParameterizedTest
    @CsvSource({
        "place.TX, levels.turned_over, take-out",
        "gate.SIG, levels.turned_over.pulses, opto-from-supply-gate.SIG take-out"
    })
    void whatNobodyTurnsBackIsTold(String signal, String told, String ways) throws Exception {
        Builds turned = table().between(opto(signal));
        Finding finding = RuleKit.firesAt(turned, CODE, signal);
        assertEquals(told, finding.sentence().key());
        RuleKit.waysOut(turned, CODE, ways.split(" "));
    }

    @ParameterizedTest
    @ValueSource(strings = {"place.TX", "gate.SIG"})
    void fromTheSupplyNothingIsTurned(String signal) {
        RuleKit.quiet(table().between(((Between.Opto) opto(signal)).lit(Between.Opto.Lit.BY_LOW)), CODE);
    }

    @ParameterizedTest
    @CsvSource({"pump.IN", "eye.OUT", "fan.PWMA"})
    void whatAProgramTurnsBackIsNot(String signal) {
        RuleKit.quiet(table().between(opto(signal)), CODE);
    }

    @Test
    void withoutAnOptocouplerNothingIsTurned() {
        RuleKit.quiet(table(), CODE);
        RuleKit.quiet(
                table().between(new Between.Series(
                        Builds.end("place.TX"), Resistance.ofOhms(1000), Optional.empty(), Extras.NONE)),
                CODE);
    }

    private static Build joined(String far, String wire) throws Exception {
        Build build = TwoBoards.joined(TwoBoards.CLASSIC, far, wire);
        return build.withLinks(List.of(build.links().get(0).withBetween(Optional.of(opto("board.D7")))));
    }

    @Test
    void aSerialLineToAnotherBoardIsTurnedOverToo() throws Exception {
        Build serial = joined(TwoBoards.CLASSIC, "one.D7 > two.D8 : serial 9600");
        List<Finding> found = told(serial);
        assertEquals("one/board.D7", found.get(0).place().toString());
        for (Fix fix : found.get(0).fixes()) {
            assertEquals(List.of(), told(fix.apply(serial)), fix.id());
        }
        Build out = found.get(0).fixes().stream()
                .filter(fix -> fix.id().equals("take-out"))
                .findFirst()
                .orElseThrow()
                .apply(serial);
        assertTrue(out.links().get(0).groundJoined(), "nothing else joins them then");
        assertEquals(List.of(), told(joined(TwoBoards.CLASSIC, "one.D7 > two.D8 : plain")));
    }

    /** 5 V on a pin that bears 3.6 V: what kept them apart goes only where something lowers them. */
    @Test
    void whereTheLevelsDoNotFitSomethingElseTakesItsPlace() throws Exception {
        Build mixed = joined(TwoBoards.WIRELESS, "one.D7 > two.D25 : serial 9600");
        List<Fix> fixes = told(mixed).get(0).fixes();
        assertTrue(fixes.stream().anyMatch(fix -> fix.id().startsWith("divide")), () -> "" + fixes);
        for (Fix fix : fixes) {
            Build after = fix.apply(mixed);
            assertEquals(List.of(), told(after), fix.id());
            assertTrue(
                    Assessment.assess(after, Builds.CATALOG).findings().stream()
                            .noneMatch(finding -> finding.code().equals("levels.harms")),
                    fix.id());
        }
    }

    private static List<Finding> told(Build build) {
        return Assessment.assess(build, Builds.CATALOG).findings().stream()
                .filter(finding -> finding.code().equals(CODE))
                .toList();
    }
}
