package inkel.core.diagnosis;

import inkel.core.bench.Twist;
import inkel.core.bench.fault.Fault;
import java.util.List;

/** What may be so: nothing wrong, one fault, or several together. Each is itself alone. */
final class Hypothesis {
    private final List<Fault> faults;
    private final List<Twist> forms;
    private final double odds;

    /**
     * @param forms in which it comes, each as likely
     * @param odds before anything was read, against a table that is all right
     */
    Hypothesis(List<Fault> faults, List<Twist> forms, double odds) {
        this.faults = List.copyOf(faults);
        this.forms = List.copyOf(forms);
        this.odds = odds;
    }

    static Hypothesis healthy() {
        return new Hypothesis(List.of(), List.of(Twist.NONE), 1);
    }

    boolean isHealthy() {
        return faults.isEmpty();
    }

    List<Fault> faults() {
        return faults;
    }

    List<Twist> forms() {
        return forms;
    }

    double odds() {
        return odds;
    }
}
