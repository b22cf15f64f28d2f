package inkel.core.bench;

/** A question to a bench that the network answers. */
public sealed interface Probe {
    /** Volts between two points, the meter between them. */
    record Volts(String plus, String minus) implements Probe {}

    /** Amperes through an element: out of a supply, into a part by one wire. */
    record Amperes(String slot) implements Probe {}
}
