package inkel.core.catalog;

import inkel.core.quantity.Resistance;

/** A pull-up that is soldered on the part, from a signal pin to one of its supply pins. */
public record Pull(String pin, String supply, Resistance resistance) {}
