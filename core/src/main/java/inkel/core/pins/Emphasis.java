package inkel.core.pins;

/** What a plan is made best at, once nothing is wrong with it and as little as can be is worth a warning. */
public enum Emphasis {
    /** Few wires that are plugged already move; then the rest in balance. */
    STEADY,
    /** Few wires cross, and those of one part lie side by side. */
    NEAT,
    /** Pins that can do something rare stay free. */
    SPARING
}
