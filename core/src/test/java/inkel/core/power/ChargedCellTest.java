package inkel.core.power;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import org.junit.jupiter.api.Test;

/** A cell at the pin behind the board's own diode, with the port plugged too. */
class ChargedCellTest {
    private static final String CODE = "power.two_sources";

    private static Builds beside(String source, String rail) {
        return Builds.dualCore().part("cell", source).boardAlso("VSYS", "cell." + rail);
    }

    @Test
    void aPortChargesACell() throws Exception {
        Finding finding = RuleKit.firesAt(beside("battery-lithium", "+"), CODE, "board.VSYS");
        assertEquals("power.two_sources.charges", finding.sentence().key());
        RuleKit.everyWayOut(beside("battery-lithium", "+"), CODE);
    }

    @Test
    void alkalineCellsAreNotToBeChargedEither() {
        RuleKit.firesAt(beside("battery-aa-3", "+"), CODE, "board.VSYS");
    }

    @Test
    void whatLetsNothingInIsNotCharged() {
        RuleKit.quiet(beside("wall-supply-5v", "+"), CODE);
    }

    @Test
    void aDiodeKeepsItOut() {
        RuleKit.quiet(beside("battery-lithium", "+").setting("board", "diode", "VSYS"), CODE);
    }

    @Test
    void aloneItIsNotCharged() {
        RuleKit.quiet(Builds.dualCore().part("cell", "battery-lithium").boardOnly("VSYS", "cell.+"), CODE);
    }

    /** Four cells of 4 V at the least: the port behind its diode comes to 5.25 − 0.4 V. Six of 6 V stay above it. */
    @Test
    void aCellThatIsAlwaysHigherIsNotCharged() {
        RuleKit.firesAt(beside("battery-aa-4", "+"), CODE, "board.VSYS");
        RuleKit.quiet(beside("battery-aa-4", "+").setting("cell", "cells", "6"), CODE);
    }
}
