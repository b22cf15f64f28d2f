package inkel.core.catalog;

import inkel.core.quantity.Frequency;

/**
 * How a part sits on an SPI bus.
 *
 * @param mode clock polarity and phase, 0 to 3
 * @param isSelectedHigh whether a high selects it, and not a low as usual
 * @param releasesMiso whether it lets go of the shared wire when not selected
 */
public record SpiNeed(int mode, Frequency clockMax, boolean msbFirst, boolean isSelectedHigh, boolean releasesMiso) {}
