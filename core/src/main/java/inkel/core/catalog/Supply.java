package inkel.core.catalog;

import inkel.core.quantity.Figure;
import inkel.core.quantity.Voltage;

/**
 * A pin through which a part is fed.
 *
 * @param range the least and the most it works at
 * @param absoluteMax above this it is damaged
 */
public record Supply(String pin, Figure<Voltage> range, Voltage absoluteMax) {}
