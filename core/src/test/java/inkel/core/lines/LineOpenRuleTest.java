package inkel.core.lines;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.finding.Finding;
import inkel.core.kit.LongLines;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A transceiver that nothing on another table hears. */
class LineOpenRuleTest {
    private static final String CODE = "pair.open";

    @Test
    void oneMissingLineIsToldOnce() throws Exception {
        LongLines open = LongLines.at("gate", "house");
        Finding finding = RuleKit.fires(open.build(), CODE);
        assertEquals("house/bus", finding.place().toString());
        RuleKit.everyWayOut(open.build(), finding);
        assertEquals(
                List.of("A ground", "B"),
                finding.fixes().get(0).apply(open.build()).links().stream()
                        .map(link -> link.from().pin() + (link.groundJoined() ? " ground" : ""))
                        .toList());
    }

    @Test
    void whoIsLeftOffALineIsJoinedToOneOfItsEnds() throws Exception {
        LongLines three = LongLines.at("gate", "house", "shed", "barn").chain("gate", "house", "shed");
        Finding finding = RuleKit.fires(three.build(), CODE);
        assertEquals("barn/bus", finding.place().toString());
        assertEquals(
                List.of("line-gate-bus", "line-shed-bus"),
                finding.fixes().stream().map(fix -> fix.id()).toList(),
                "not to the one in the middle");
        RuleKit.everyWayOut(three.build(), finding);
    }

    @Test
    void aloneItMayGoToWhatIsNotInThePlan() {
        assertEquals(List.of(), LongLines.at("gate").findings(CODE));
        assertEquals(
                List.of(), LongLines.at("gate", "house").chain("gate", "house").findings(CODE));
    }
}
