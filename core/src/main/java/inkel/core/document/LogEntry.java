package inkel.core.document;

import java.time.Instant;

/** One line of the log: when, what kind of thing, where, and the text. The log only grows. */
public record LogEntry(Instant at, String kind, String place, String text, Extras extras) {}
