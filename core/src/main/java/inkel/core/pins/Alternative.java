package inkel.core.pins;

/** A placement that is best at something, and what there is to say for it. */
public record Alternative(Emphasis emphasis, Plan plan, Merits merits) {}
