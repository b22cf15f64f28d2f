package inkel.app.ui.pins;

import inkel.core.pins.Plan;
import java.util.LinkedHashSet;
import java.util.Optional;
import java.util.Set;

/**
 * How the builder wants to see the loom.
 *
 * @param isByBus whether threads are grouped by what they carry, and not as the header has them
 * @param names what leads in the names of threads
 * @param hidesFree whether pins that nobody has are folded away
 * @param folded ids of modules that show their name only
 * @param compared another plan, whose knots are shown beside those of today
 */
public record LoomView(boolean isByBus, Names names, boolean hidesFree, Set<String> folded, Optional<Plan> compared) {
    public static final LoomView USUAL = new LoomView(false, Names.LABEL, false, Set.of(), Optional.empty());

    public LoomView {
        folded = Set.copyOf(folded);
    }

    /** What leads in the name of a thread. */
    public enum Names {
        /** What is printed beside the pin. */
        LABEL,
        /** Its place on the header. */
        PLACE,
        /** The number that code uses for it. */
        NUMBER
    }

    public LoomView byBus(boolean isGrouped) {
        return new LoomView(isGrouped, names, hidesFree, folded, compared);
    }

    public LoomView named(Names by) {
        return new LoomView(isByBus, by, hidesFree, folded, compared);
    }

    public LoomView hidingFree(boolean isHiding) {
        return new LoomView(isByBus, names, isHiding, folded, compared);
    }

    public LoomView comparing(Optional<Plan> other) {
        return new LoomView(isByBus, names, hidesFree, folded, other);
    }

    /** With a module folded that was open, or the other way round. */
    public LoomView toggled(String module) {
        Set<String> changed = new LinkedHashSet<>(folded);
        if (!changed.remove(module)) {
            changed.add(module);
        }
        return new LoomView(isByBus, names, hidesFree, changed, compared);
    }
}
