package inkel.core.catalog;

import inkel.core.quantity.Current;

/**
 * A setting that makes a part take less in one of its modes: a radio at lower power, a backlight turned down.
 *
 * @param name what the builder sets, in the field's words
 * @param supply the supply pin
 * @param mode the mode it changes
 * @param current the most that this mode then takes
 */
public record Reduction(String name, String supply, String mode, Current current) {}
