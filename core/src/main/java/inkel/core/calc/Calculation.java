package inkel.core.calc;

import java.util.List;
import java.util.Map;

/** One calculation: named keys in, named answers out, in SI base units under keys that carry the unit. */
public interface Calculation {
    String name();

    /** The keys it takes, those that may be left out with a question mark behind them. */
    List<String> keys();

    /** A full set of arguments that works, for messages. */
    String example();

    /**
     * The answers in the order they should be shown; values are numbers, strings or booleans.
     *
     * @throws CalcRefused when a key is missing, wrong or out of range
     */
    Map<String, Object> answer(Arguments arguments) throws CalcRefused;
}
