package inkel.core.diagnosis;

import inkel.core.bench.Twist;
import inkel.core.bench.fault.Fault;
import java.util.List;

/**
 * What may be so: nothing wrong, one fault, or several together.
 *
 * @param forms in which it comes, each as likely
 * @param odds before anything was read, against a table that is all right
 */
record Hypothesis(List<Fault> faults, List<Twist> forms, double odds) {
    Hypothesis {
        faults = List.copyOf(faults);
        forms = List.copyOf(forms);
    }

    static Hypothesis healthy() {
        return new Hypothesis(List.of(), List.of(Twist.NONE), 1);
    }

    boolean isHealthy() {
        return faults.isEmpty();
    }
}
