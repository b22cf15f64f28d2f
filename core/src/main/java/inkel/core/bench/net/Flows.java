package inkel.core.bench.net;

/**
 * Takes what flows inside an element, as a straight line through its present point. Points are given by their place in
 * {@link Element#points()}.
 */
@FunctionalInterface
public interface Flows {
    /**
     * A current from one point of the element to another: {@code siemens · (V[plus] − V[minus]) + amperes}.
     *
     * @param siemens how the current changes with the volts from minus to plus, near where it is now
     */
    void add(int from, int to, int plus, int minus, double siemens, double amperes);

    /** The same where the current follows the volts along its own way, as in a resistor. */
    default void along(int from, int to, double siemens, double amperes) {
        add(from, to, from, to, siemens, amperes);
    }
}
