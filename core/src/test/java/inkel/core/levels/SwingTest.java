package inkel.core.levels;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.formula.LevelCheck;
import inkel.core.formula.Verdict;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import org.junit.jupiter.api.Test;

/** Against what margins are measured. */
class SwingTest {
    private static LevelCheck check(Builds table, String signal) {
        return table.assess().reports().levels().links().stream()
                .filter(link -> link.to().equals(Builds.end(signal)))
                .findFirst()
                .orElseThrow()
                .check();
    }

    /** 3.1 V over 2.5 V are 0.6 V, which is little of the gate's 12 V and much of the board's 3.4 V. */
    @Test
    void aGateBesideTwelveVoltsIsMeasuredAgainstWhatDrivesIt() {
        Builds table = Builds.dualCore()
                .part("wall", "wall-supply-12v")
                .part("switch", "switch-transistor", "V+=wall.+")
                .part("valve", "valve-12v", "V+=switch.OUT+")
                .wire("valve.IN", "switch.OUT-")
                .wire("switch.SIG", "board.GP2");
        LevelCheck check = check(table, "switch.SIG");
        assertEquals(0.6, check.highMargin().volts(), 1e-9);
        assertEquals(3.4 * 0.05, check.wantedMargin().volts(), 1e-9);
        assertEquals(Verdict.FINE, check.verdict());
        RuleKit.quiet(table, "levels.ground_lift");
    }

    /** The levels of a chip hang on its supply: 5 % of that is what is wanted, whoever drives it. */
    @Test
    void aChipIsMeasuredAgainstItsOwnSupply() {
        Builds table =
                Builds.dualCore().part("digits", "shift-out", "VCC=board.VBUS").wire("digits.SER", "board.GP3");
        assertEquals(5 * 0.05, check(table, "digits.SER").wantedMargin().volts(), 1e-9);
    }
}
