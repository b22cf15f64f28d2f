package inkel.core.lines;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.catalog.LinePair;
import inkel.core.catalog.Settings;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.kit.LongLines;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;

/** One terminator at each end: three of 120 Ω are 40 Ω, two are 60 Ω, and a driver is made for 54 Ω. */
class LineEndsRuleTest {
    private static final String CODE = "pair.ends";

    @Test
    void threeAsTheyComeAreTooMany() throws Exception {
        LongLines chain = LongLines.at("gate", "house", "shed").chain("gate", "house", "shed");
        Finding finding = RuleKit.fires(chain.build(), CODE);
        assertEquals(Severity.LOOK, finding.severity());
        assertEquals(40, RuleKit.si(finding, "line_load"), 1e-9);
        RuleKit.everyWayOut(chain.build(), finding);
        List<String> set = finding.fixes().get(0).apply(chain.build()).nodes().stream()
                .map(node -> node.part("bus").orElseThrow().settings().getOrDefault("terminator", ""))
                .toList();
        assertEquals(List.of("", "off", ""), set, "the one in the middle");
    }

    @Test
    void oneAtEachEndIsRight() {
        assertEquals(
                List.of(), LongLines.at("gate", "house").chain("gate", "house").findings(CODE));
        assertEquals(
                List.of(),
                LongLines.at("gate", "house", "shed")
                        .chain("gate", "house", "shed")
                        .set("house", Settings.TERMINATOR, "off")
                        .findings(CODE));
    }

    @Test
    void anEndWithoutIsOnlyToKnow() throws Exception {
        LongLines bare = LongLines.at("gate", "house").chain("gate", "house").set("house", Settings.TERMINATOR, "off");
        Finding finding = RuleKit.fires(bare.build(), CODE);
        assertEquals(Severity.NOTE, finding.severity());
        assertEquals("house/bus", finding.place().toString());
        RuleKit.everyWayOut(bare.build(), finding);
    }

    /** 120 Ω and 98.2 Ω side by side are 54.0 Ω. */
    @Test
    void whatIsMeasuredIsTheLeastOfADriver() {
        assertEquals(54, LongLine.LEAST_LOAD.ohms());
        assertEquals(120, LinePair.USUAL_TERMINATOR.ohms());
    }

    @Test
    void aStarIsRunAsAChainFirst() throws Exception {
        LongLines star = LongLines.at("gate", "house", "shed", "barn")
                .chain("gate", "house")
                .chain("gate", "shed")
                .chain("gate", "barn");
        Finding finding = RuleKit.fires(star.build(), CODE);
        assertEquals(30, RuleKit.si(finding, "line_load"), 1e-9);
        RuleKit.everyWayOut(star.build(), finding);
    }
}
