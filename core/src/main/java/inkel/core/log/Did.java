package inkel.core.log;

import inkel.core.document.Place;
import inkel.core.document.edit.Edit;
import inkel.core.quantity.Fact;
import java.util.List;

/**
 * One thing that a step did to the plan.
 *
 * @param what it was, to be worded: with what it is now and what it was before
 * @param isDecision whether the builder decided it, with a reason, against what would come by itself
 * @param back makes this one thing as it was before; empty for what happened to a piece and cannot be undone on paper
 */
public record Did(Place place, Fact what, boolean isDecision, List<Edit> back) {
    public Did {
        back = List.copyOf(back);
    }

    static Did changed(Place place, Fact what, List<Edit> back) {
        return new Did(place, what, false, back);
    }
}
