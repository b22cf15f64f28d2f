package inkel.core.log;

import inkel.core.document.Place;
import inkel.core.quantity.Fact;

/**
 * One thing that a step did to the plan.
 *
 * @param what it was, to be worded: with what it is now and what it was before
 * @param isDecision whether the builder decided it, with a reason, against what would come by itself
 */
public record Did(Place place, Fact what, boolean isDecision) {
    static Did changed(Place place, Fact what) {
        return new Did(place, what, false);
    }
}
