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
 * @param isAtRest whether the part is in it after power came up, where that is not its quietest but for sleep
 * @param isStandIn whether it stands for what hangs on the part, as long as nothing on the table tells that
 */
public record Mode(
        String name, String supply, Figure<Current> current, Share duty, boolean isAtRest, boolean isStandIn) {
    public Mode(String name, String supply, Figure<Current> current, Share duty) {
        this(name, supply, current, duty, false, false);
    }

    /** The same with another current. */
    public Mode with(Figure<Current> other) {
        return new Mode(name, supply, other, duty, isAtRest, isStandIn);
    }

    /** The same through another supply pin. */
    public Mode through(String other) {
        return new Mode(name, other, current, duty, isAtRest, isStandIn);
    }
}
