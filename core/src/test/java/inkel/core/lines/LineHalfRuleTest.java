package inkel.core.lines;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.kit.LongLines;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;

/** One wire of two. */
class LineHalfRuleTest {
    private static final String CODE = "pair.half";

    @Test
    void oneWireIsHalfALine() throws Exception {
        for (String wire : List.of("gate.A > house.A", "house.B > gate.B")) {
            LongLines half = LongLines.at("gate", "house").wires(wire);
            RuleKit.everyWayOut(half.build(), RuleKit.fires(half.build(), CODE));
        }
    }

    @Test
    void aSecondWireOnTheSamePinsIsStillHalfOfIt() throws Exception {
        LongLines doubled = LongLines.at("gate", "house").wires("gate.A > house.A", "house.A > gate.A");
        RuleKit.everyWayOut(doubled.build(), RuleKit.fires(doubled.build(), CODE));
    }

    @Test
    void bothWiresOrNoneOrACrossedOneAreNot() {
        for (LongLines other : List.of(
                LongLines.at("gate", "house"),
                LongLines.at("gate", "house").chain("gate", "house"),
                LongLines.at("gate", "house").wires("gate.A > house.B"))) {
            assertEquals(List.of(), other.findings(CODE));
        }
    }
}
