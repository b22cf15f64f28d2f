package inkel.core.catalog;

import inkel.core.quantity.Frequency;
import inkel.core.quantity.Range;
import inkel.core.quantity.TimeSpan;

/** The pulses a part wants: how often, and how long. */
public record PwmNeed(Frequency frequency, Range<TimeSpan> pulse) {}
