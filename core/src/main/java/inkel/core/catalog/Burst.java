package inkel.core.catalog;

import inkel.core.quantity.Current;
import inkel.core.quantity.Figure;
import inkel.core.quantity.TimeSpan;

/**
 * A short pull on a supply pin that comes again and again, above what the modes tell.
 *
 * @param time how long one burst lasts
 * @param period from the start of one to the start of the next
 */
public record Burst(String supply, Figure<Current> current, TimeSpan time, TimeSpan period) {}
