package inkel.core.catalog;

import java.util.List;

/** What a class asks of its supplies and of the pins that drive it, beyond its modes. */
public record Demands(List<Burst> bursts, List<PinLoad> pinLoads, List<Reduction> reductions) {
    public static final Demands NONE = new Demands(List.of(), List.of(), List.of());

    public Demands {
        bursts = List.copyOf(bursts);
        pinLoads = List.copyOf(pinLoads);
        reductions = List.copyOf(reductions);
    }
}
