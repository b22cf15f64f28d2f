package inkel.app.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.store.Examples;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.LogLine;
import inkel.core.finding.Severity;
import inkel.core.io.document.PlanHash;
import inkel.core.io.document.PlanPatch;
import inkel.core.log.Entry;
import inkel.core.log.Proof;
import inkel.core.log.Register;
import java.time.Duration;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** The example with a record: its plan is that of the locks, and every state of it can be looked at. */
class SeasonTest {
    private static final Build SEASON = Given.build(Examples.SEASON);

    @Test
    void itsPlanIsThatOfTheLocks() {
        assertEquals(PlanHash.of(Given.build(Given.LOCKS)), PlanHash.of(SEASON), "./inkel bench season makes it anew");
    }

    @Test
    void whatWasTunedIsNothingToStopFor() {
        assertEquals(0, Assessment.assess(SEASON, Given.CATALOG).count(Severity.STOP));
    }

    @Test
    void itHasThreeWeeksOfEverySort() {
        List<LogLine> lines = SEASON.log().lines();
        assertTrue(lines.size() >= 120, lines.size() + " lines");
        long days = Duration.between(
                        lines.get(0).at(), lines.get(lines.size() - 1).at())
                .toDays();
        assertTrue(days >= 20 && days <= 22, days + " days");
        assertEquals(List.of(), SEASON.log().broken());
        assertEquals(Set.of(Entry.Sort.values()), Register.of(SEASON).counts().keySet());
    }

    @Test
    void thePlanComesBackAtEveryLine() {
        for (int line = 0; line < SEASON.log().size(); line++) {
            Build then = PlanPatch.at(SEASON, line, Given.CATALOG).orElseThrow();
            assertEquals(2, then.nodes().size(), "line " + line);
        }
        Build first = PlanPatch.at(SEASON, 0, Given.CATALOG).orElseThrow();
        assertTrue(first.node("lower-lock").orElseThrow().wires().isEmpty(), "it began without wires");
    }

    @Test
    void someOfItIsProvedAndSomeIsNot() {
        Set<Proof.State> states = Proof.of(SEASON).stream().map(Proof::state).collect(Collectors.toSet());
        assertTrue(states.containsAll(Set.of(Proof.State.PROVED, Proof.State.NOT)), states.toString());
    }
}
