package inkel.core.checks;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.kit.Builds;
import java.util.List;
import org.junit.jupiter.api.Test;

class RuleBookTest {
    private static final RuleInfo INFO = new RuleInfo("test.crash", Severity.STOP, Stage.PINS);

    private static final Rule<String> CRASHING = new Rule<>() {
        @Override
        public RuleInfo info() {
            return INFO;
        }

        @Override
        public List<Finding> check(String report) {
            throw new IllegalStateException(report);
        }
    };

    @Test
    void aCrashingRuleIsNamed() {
        List<Finding> findings = RuleBook.guarded(CRASHING, "broken", Builds.locks());
        assertEquals(1, findings.size());
        assertEquals("inkel.rule_failed", findings.get(0).code());
        assertEquals("test.crash", findings.get(0).sentence().values().get("rule"));
    }

    @Test
    void everyCodeIsOfOneRuleAndNamesItsKind() {
        List<RuleInfo> infos = RuleBook.infos();
        assertEquals(infos.size(), infos.stream().map(RuleInfo::code).distinct().count());
        for (RuleInfo info : infos) {
            assertTrue(
                    info.code()
                            .matches(
                                    "(board|parts|power|levels|i2c|spi|uart|pwm|adc|pins|radio|pair|servo|colour|code|tag|record)\\.[a-z0-9_]+"),
                    info.code());
        }
    }

    @Test
    void noShippedRuleCrashesOnTheExamples() {
        for (var build : List.of(Builds.locks(), Builds.firstSketch())) {
            assertTrue(Assessment.assess(build, Builds.CATALOG).findings().stream()
                    .noneMatch(finding -> finding.code().equals("inkel.rule_failed")));
        }
    }

    @Test
    void aPlaceHoldsWhatIsInIt() {
        Assessment assessment = Assessment.assess(Builds.firstSketch(), Builds.CATALOG);
        var lock = inkel.core.document.Place.ofNode("lower-lock");
        var pump = inkel.core.document.Place.ofNode("pump-house");
        assertEquals(
                assessment.findings().size(),
                assessment.at(lock).size() + assessment.at(pump).size());
        var reader = inkel.core.document.Place.ofPart("lower-lock", "reader");
        assertTrue(assessment.at(reader).stream().allMatch(finding -> finding.places().stream()
                .anyMatch(place -> place.part().equals("reader"))));
        // SCK, MOSI, SDA and RST are harmed alike, MISO is not read.
        assertEquals(
                2,
                assessment.at(reader).stream()
                        .filter(finding -> finding.severity() != inkel.core.finding.Severity.NOTE)
                        .count());
    }
}
