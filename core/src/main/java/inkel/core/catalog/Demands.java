package inkel.core.catalog;

import java.util.List;

/**
 * What a class asks of its supplies, of the pins that drive it and of the program, beyond its modes.
 *
 * @param claims what the code for it takes of the board: {@code servo pulses}, {@code infrared}; see {@link Claim}
 * @param memory what usual code for it takes of the board's memory
 * @param turn what usual code for it does in one round of the program
 */
public record Demands(
        List<Burst> bursts,
        List<PinLoad> pinLoads,
        List<Reduction> reductions,
        List<String> claims,
        Memory memory,
        Turn turn) {
    public static final Demands NONE = new Demands(List.of(), List.of(), List.of(), List.of(), Memory.NONE, Turn.NONE);

    public Demands {
        bursts = List.copyOf(bursts);
        pinLoads = List.copyOf(pinLoads);
        reductions = List.copyOf(reductions);
        claims = List.copyOf(claims);
    }
}
