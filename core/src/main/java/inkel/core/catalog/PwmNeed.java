package inkel.core.catalog;

import inkel.core.quantity.Duration;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Range;

/** The pulses a part wants: how often, and how long. */
public record PwmNeed(Frequency frequency, Range<Duration> pulse) {}
