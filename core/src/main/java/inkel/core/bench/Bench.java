package inkel.core.bench;

import java.util.Optional;

/** Something that can be asked: a table with a meter on it. */
public interface Bench {
    /** Empty where it does not tell: a point that is not there, currents that do not settle. */
    Optional<Answer> ask(Asked asked);
}
