package inkel.core.checks;

import inkel.core.catalog.Catalog;
import inkel.core.document.Build;
import inkel.core.pins.PartialPlan;
import inkel.core.pins.Patience;
import inkel.core.pins.Plan;
import java.time.Duration;
import java.util.Optional;

/**
 * What sharing out a table came to.
 *
 * @param some those that have a place, where there is none for all or none was found; empty too where nobody has one
 */
public record SharedOut(ProvenPlan proven, Optional<PartialPlan> some) {
    /**
     * Where a plan places nothing, parts are tried one after the other; if all of them find a place that way, that is a
     * placement which the search for the best one had no time to find.
     *
     * @param build what was planned
     * @param patience how long parts are tried
     */
    public static SharedOut of(Build build, Catalog catalog, ProvenPlan proven, Patience patience) {
        Plan plan = proven.plan();
        if (plan.placed()) {
            return new SharedOut(proven, Optional.empty());
        }
        PartialPlan some = PartialPlan.of(build, catalog, plan.node(), patience);
        return some.whole()
                .map(whole -> new SharedOut(
                        ProvenPlan.of(build, catalog, whole, Patience.of(Duration.ZERO, () -> false)),
                        Optional.empty()))
                .orElseGet(() -> new SharedOut(proven, Optional.of(some).filter(found -> !found.placed()
                        .isEmpty())));
    }
}
