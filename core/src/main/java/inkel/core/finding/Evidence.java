package inkel.core.finding;

import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;

/**
 * A figure that a verdict rests on.
 *
 * @param key its name in the wording and in JSON, without the unit
 */
public record Evidence(String key, Quantity value, Source source) {}
