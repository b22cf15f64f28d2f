package inkel.core.lines;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.catalog.Settings;
import inkel.core.finding.Finding;
import inkel.core.kit.LongLines;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;

/** All on a line talk at one rate. */
class LineRateRuleTest {
    private static final String CODE = "pair.rate";

    @Test
    void anotherRateIsNotUnderstood() throws Exception {
        LongLines line = LongLines.at("gate", "house", "shed")
                .chain("gate", "house", "shed")
                .set("gate", Settings.BAUD, "19200");
        Finding finding = RuleKit.fires(line.build(), CODE);
        assertEquals("house/bus", finding.place().toString());
        RuleKit.everyWayOut(line.build(), finding);
        assertEquals(
                List.of("rate-9600", "rate-19200"),
                finding.fixes().stream().map(fix -> fix.id()).toList(),
                "that of most of them first");
    }

    @Test
    void oneRateSaidOrNotIsOneRate() {
        assertEquals(
                List.of(),
                LongLines.at("gate", "house")
                        .chain("gate", "house")
                        .set("house", Settings.BAUD, "9600")
                        .findings(CODE));
        assertEquals(
                List.of(),
                LongLines.at("gate", "house")
                        .set("house", Settings.BAUD, "19200")
                        .findings(CODE),
                "not on one line");
    }
}
