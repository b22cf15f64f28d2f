package inkel.core.catalog;

import inkel.core.quantity.Frequency;
import inkel.core.quantity.Share;
import inkel.core.quantity.Voltage;
import java.util.Optional;

/**
 * A clock that a board can run on.
 *
 * @param name what it is chosen by: {@code inner 8 MHz}
 * @param tolerance how far it may be off, either way
 * @param isInner made in the chip, so that no crystal is wanted
 * @param startUp what the chip's start-up settings must say for it, in the words of the catalogue; may be empty
 * @param worksFrom the least supply at which the chip keeps up with it; empty where that is the class's own
 */
public record ClockChoice(
        String name, Frequency clock, Share tolerance, boolean isInner, String startUp, Optional<Voltage> worksFrom) {}
