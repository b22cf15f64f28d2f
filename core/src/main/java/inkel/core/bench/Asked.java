package inkel.core.bench;

/** A question in a state of the bench. */
public record Asked(Scene scene, Question question) {}
