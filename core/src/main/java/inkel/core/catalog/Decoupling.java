package inkel.core.catalog;

import inkel.core.quantity.Capacitance;

/** A capacitor wanted close to a supply pin. */
public record Decoupling(String pin, Capacitance value) {}
