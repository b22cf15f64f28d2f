package inkel.core.finding;

import java.util.List;

/** A rule has no state: a report goes in, findings come out. */
public interface Rule<R> {
    RuleInfo info();

    /** What is wrong, in document order; empty when nothing is. */
    List<Finding> check(R report);
}
