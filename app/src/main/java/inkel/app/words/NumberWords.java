package inkel.app.words;

import inkel.core.document.Tuning.Found;
import inkel.core.quantity.Unit;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Locale;

/** How numbers that a bench found are named and said. */
public final class NumberWords {
    private static final double MICRO = 1e-6;
    private static final double MILLI = 1e-3;
    private static final double KILO = 1e3;

    /** From here on a time is told in milliseconds, and from a second on in seconds. */
    private static final double LONG = 0.01;

    /** What a number shows beyond the first digit of what it may be off by. */
    private static final int MORE = 1;

    private static final int DIGITS = 4;
    private static final int MOST_PLACES = 9;

    private NumberWords() {}

    /** Numbers of one pin of a part have that before their name. */
    public static String name(String id) {
        if (Words.has("tune.number." + id)) {
            return Words.get("tune.number." + id);
        }
        int end = id.indexOf('_');
        String rest = id.substring(end + 1);
        return end > 0 && Words.has("tune.number." + rest)
                ? id.substring(0, end).toUpperCase(Locale.ROOT) + ", " + Words.get("tune.number." + rest)
                : id.replace('_', ' ');
    }

    /** In which unit values of a sort are shown and typed, against its SI unit. */
    public static double scale(Unit unit) {
        return unit == Unit.SECOND ? MICRO : unit == Unit.AMPERE ? MILLI : 1;
    }

    public static String unit(Unit unit) {
        return unit == Unit.SECOND ? "µs" : unit == Unit.AMPERE ? "mA" : unit.symbol();
    }

    /** With as many digits as mean something, and what it may be off by. */
    public static String say(Found found) {
        Unit unit = found.value().unit();
        double size = Math.abs(found.value().si());
        double scale = scale(unit);
        String symbol = unit(unit);
        if (unit == Unit.SECOND && size >= LONG) {
            scale = size < 1 ? MILLI : 1;
            symbol = size < 1 ? "ms" : "s";
        } else if (unit == Unit.METRE && size < 1) {
            scale = MILLI;
            symbol = "mm";
        } else if (unit == Unit.OHM && size >= KILO) {
            scale = KILO;
            symbol = "kΩ";
        }
        double value = found.value().si() / scale;
        double off = found.off() / scale;
        int places = places(off > 0 ? off : value, off > 0 ? MORE : DIGITS - 1);
        String number = decimal(value, places);
        boolean isExact = off == 0 && number.contains(".");
        String said = (isExact ? number.replaceAll("0+$", "").replaceAll("\\.$", "") : number)
                + (off > 0 ? "\u00a0±\u00a0" + decimal(off, places) : "");
        return Numbers.local(symbol.isEmpty() ? said : said + "\u00a0" + symbol);
    }

    private static int places(double value, int more) {
        return value == 0
                ? 0
                : (int) Math.max(0, Math.min(MOST_PLACES, more - Math.floor(Math.log10(Math.abs(value)))));
    }

    private static String decimal(double value, int places) {
        String plain =
                BigDecimal.valueOf(value).setScale(places, RoundingMode.HALF_UP).toPlainString();
        return plain.startsWith("-") ? "−" + plain.substring(1) : plain;
    }
}
