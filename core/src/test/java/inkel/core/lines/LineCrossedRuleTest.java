package inkel.core.lines;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.finding.Finding;
import inkel.core.kit.LongLines;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A plus on a minus, at one wire or both, in either direction. */
class LineCrossedRuleTest {
    private static final String CODE = "pair.crossed";

    @Test
    void twoWiresThatChangePlaces() throws Exception {
        LongLines crossed = LongLines.at("gate", "house").wires("gate.A > house.B", "gate.B > house.A");
        Finding finding = RuleKit.fires(crossed.build(), CODE);
        assertEquals("house/bus", finding.place().toString());
        RuleKit.everyWayOut(crossed.build(), finding);
    }

    @Test
    void theWayOutIsAStraightLineWithBothWires() throws Exception {
        for (LongLines crossed : List.of(
                LongLines.at("gate", "house").wires("gate.A > house.B", "gate.B > house.A"),
                LongLines.at("gate", "house").wires("house.B > gate.A", "gate.B > house.A"),
                LongLines.at("gate", "house").wires("gate.A > house.B"),
                LongLines.at("gate", "house").wires("gate.A > house.A", "gate.A > house.B"))) {
            Finding finding = RuleKit.fires(crossed.build(), CODE);
            List<String> wires = finding.fixes().get(0).apply(crossed.build()).links().stream()
                    .map(link -> link.from().pin() + link.to().pin())
                    .sorted()
                    .toList();
            assertEquals(List.of("AA", "BB"), wires);
        }
    }

    @Test
    void straightOnesAreQuietWhicheverEndIsNamedFirst() {
        assertEquals(
                List.of(), LongLines.at("gate", "house").chain("gate", "house").findings(CODE));
        assertEquals(
                List.of(),
                LongLines.at("gate", "house")
                        .wires("gate.A > house.A", "house.B > gate.B")
                        .findings(CODE));
    }
}
