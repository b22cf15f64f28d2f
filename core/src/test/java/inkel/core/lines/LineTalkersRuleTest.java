package inkel.core.lines;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.kit.LongLines;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;

/** One talks at a time. */
class LineTalkersRuleTest {
    private static final String CODE = "pair.talkers";

    private static LongLines line() {
        return LongLines.at("gate", "house").chain("gate", "house");
    }

    @Test
    void twoThatAreTiedHighDriveItAtOnce() throws Exception {
        LongLines both = line().enable("gate", "5V").enable("house", "5V");
        Finding finding = RuleKit.fires(both.build(), CODE);
        assertEquals(Severity.STOP, finding.severity());
        RuleKit.everyWayOut(both.build(), finding);
    }

    @Test
    void oneThatIsTiedHighIsLookedAtUnlessTheOtherOnlyListens() throws Exception {
        LongLines one = line().enable("gate", "5V").enable("house", "D2");
        Finding finding = RuleKit.fires(one.build(), CODE);
        assertEquals(Severity.LOOK, finding.severity());
        assertEquals("house/bus", finding.place().toString());
        RuleKit.everyWayOut(one.build(), finding);
        assertEquals(
                List.of(), line().enable("gate", "5V").enable("house", "GND").findings(CODE));
    }

    @Test
    void drivenByPinsOrNotYetWiredTheyTakeTurns() {
        assertEquals(List.of(), line().findings(CODE));
        assertEquals(
                List.of(), line().enable("gate", "D2").enable("house", "D2").findings(CODE));
    }
}
