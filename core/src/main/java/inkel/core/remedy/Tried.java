package inkel.core.remedy;

import inkel.core.circuit.Circuit;
import inkel.core.document.EditRefused;
import inkel.core.finding.Fix;
import java.util.Optional;

/** A way out that may or may not help is taken, and the build judged anew, before it is offered. */
public final class Tried {
    private Tried() {}

    /** The build as it is after a way out; empty where the build no longer has what it would change. */
    public static Optional<Circuit> after(Fix fix, Circuit circuit) {
        try {
            return Optional.of(Circuit.of(fix.apply(circuit.build()), circuit.catalog()));
        } catch (EditRefused gone) {
            return Optional.empty();
        }
    }
}
