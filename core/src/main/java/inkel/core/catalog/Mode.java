package inkel.core.catalog;

import inkel.core.quantity.Current;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Share;

/**
 * A way of running, with what it takes from a supply pin.
 *
 * @param name {@code sleep}, {@code idle}, {@code active} or {@code peak}
 * @param supply the supply pin that the current flows through
 * @param duty the share of time spent in it; the shares of one supply pin add up to 1
 */
public record Mode(String name, String supply, Figure<Current> current, Share duty) {}
