package inkel.app.words;

import inkel.core.quantity.Engineering;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.Locale;
import java.util.regex.Pattern;

/** Numbers as they are shown and typed: with the decimal mark of the language, which files never have. */
public final class Numbers {
    private static final String PLAIN_MARK = ".";
    private static final Pattern POINT = Pattern.compile("(?<=[0-9])[.](?=[0-9])");
    private static final Pattern COMMA = Pattern.compile("([+\\-−]?[0-9]+),([0-9]+[^,.]*)");

    private Numbers() {}

    /** As {@link Engineering#print(Quantity)}. */
    public static String print(Quantity quantity) {
        return local(Engineering.print(quantity));
    }

    /** As {@link Engineering#print(double, Unit, int)}. */
    public static String print(double si, Unit unit, int digits) {
        return local(Engineering.print(si, unit, digits));
    }

    /** As {@link Engineering#volts}. */
    public static String volts(Voltage voltage) {
        return local(Engineering.volts(voltage));
    }

    /** As {@link Engineering#exact}. */
    public static String exact(Quantity quantity) {
        return local(Engineering.exact(quantity));
    }

    /** A number with as many decimals as told. */
    public static String fixed(double value, int decimals) {
        return local(String.format(Locale.ROOT, "%." + decimals + "f", value));
    }

    /** A text in which every number has the decimal mark of the language. */
    public static String local(String printed) {
        String mark = Words.get("number.mark");
        return mark.equals(PLAIN_MARK) ? printed : POINT.matcher(printed).replaceAll(mark);
    }

    /** What was typed, with a point where somebody typed a decimal comma; anything else as it is. */
    public static String typed(String text) {
        String typed = text.strip();
        return COMMA.matcher(typed).matches() ? typed.replace(',', '.') : typed;
    }
}
