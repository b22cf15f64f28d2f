package inkel.core.levels.rules;

import inkel.core.circuit.Circuit;
import inkel.core.finding.Fix;
import inkel.core.levels.LevelReport;
import inkel.core.levels.Link;
import inkel.core.remedy.Tried;
import java.util.function.Predicate;

/** Whether a way out does to levels what it is offered for. */
final class Proof {
    private Proof() {}

    /** Whether the wire fares better to the same end. */
    static boolean isBetter(Circuit circuit, Fix fix, Link link) {
        return holds(circuit, fix, after -> after.of(link.signal()).stream()
                .filter(other -> other.to().equals(link.to()))
                .noneMatch(
                        other -> other.check().verdict().compareTo(link.check().verdict()) <= 0));
    }

    /** Whether something is so of the levels after it. */
    static boolean holds(Circuit circuit, Fix fix, Predicate<LevelReport> wanted) {
        return Tried.after(fix, circuit).map(LevelReport::of).filter(wanted).isPresent();
    }
}
