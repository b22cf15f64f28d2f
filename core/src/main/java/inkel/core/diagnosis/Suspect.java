package inkel.core.diagnosis;

import inkel.core.bench.fault.Fault;
import java.util.List;

/**
 * What may be wrong.
 *
 * @param alike causes that no look left to make tells apart; each a fault, or several together
 * @param share how likely it is one of them, from 0 to 1
 */
public record Suspect(List<List<Fault>> alike, double share) {
    public Suspect {
        alike = alike.stream().map(List::copyOf).toList();
    }

    /** The likeliest of those that are alike. */
    public List<Fault> first() {
        return alike.get(0);
    }
}
