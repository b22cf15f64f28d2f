package inkel.core.catalog;

import inkel.core.quantity.Resistance;
import java.util.Optional;

/**
 * The two wires on which a transceiver says a signal as the difference between them, so that it arrives over a long way.
 *
 * @param plus the pin that is the higher one while nothing is said
 * @param enable the pin that makes it drive the line while high; empty where it finds out by itself
 * @param terminator what it brings across the two wires; empty where nothing
 */
public record LinePair(String plus, String minus, Optional<String> enable, Optional<Resistance> terminator) {}
