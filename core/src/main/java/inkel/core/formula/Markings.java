package inkel.core.formula;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What is painted or printed on small parts, by IEC 60062: colour bands of resistors, three digits on capacitors. */
public final class Markings {
    /** Significant digits of the usual series of 5 %. */
    private static final MathContext TWO = new MathContext(2);

    private static final MathContext THREE = new MathContext(3);
    private static final double TRILLIONTH = 1e-12;
    private static final int LEAST_POWER = -2;
    private static final int MOST_POWER = 9;

    private Markings() {}

    /** The colours of the bands, which stand for 0 to 9, then the two for a tenth and a hundredth. */
    public enum Band {
        BLACK,
        BROWN,
        RED,
        ORANGE,
        YELLOW,
        GREEN,
        BLUE,
        VIOLET,
        GREY,
        WHITE,
        GOLD,
        SILVER
    }

    /**
     * The bands of a resistor without that of its tolerance: two digits and the power of ten, or three digits where two do not
     * tell the value.
     *
     * @param ohms above 0
     * @return empty for a value that bands cannot tell
     */
    public static Optional<List<Band>> bands(double ohms) {
        for (MathContext digits : List.of(TWO, THREE)) {
            BigDecimal rounded = new BigDecimal(ohms).round(digits);
            boolean isTold = Math.abs(rounded.doubleValue() - ohms) <= 1e-6 * ohms;
            if (isTold) {
                return bands(rounded, digits.getPrecision());
            }
        }
        return Optional.empty();
    }

    private static Optional<List<Band>> bands(BigDecimal value, int digits) {
        int power = value.precision() - value.scale() - digits;
        String figures = value.movePointLeft(power).toBigInteger().toString();
        if (power < LEAST_POWER || power > MOST_POWER || figures.length() != digits) {
            return Optional.empty();
        }
        List<Band> bands = new ArrayList<>();
        for (char figure : figures.toCharArray()) {
            bands.add(Band.values()[figure - '0']);
        }
        bands.add(power == -1 ? Band.GOLD : power == -2 ? Band.SILVER : Band.values()[power]);
        return Optional.of(bands);
    }

    /**
     * The three digits printed on a capacitor: two of its picofarads and how many noughts follow: 104 for 100 nF.
     *
     * @param farads above 0
     * @return empty below 10 pF, from 100 µF up, and for values of more than two digits
     */
    public static Optional<String> code(double farads) {
        BigDecimal picofarads = new BigDecimal(farads / TRILLIONTH).round(TWO);
        int noughts = picofarads.precision() - picofarads.scale() - 2;
        boolean isTold = Math.abs(picofarads.doubleValue() * TRILLIONTH - farads) <= 1e-6 * farads;
        return isTold && noughts >= 0 && noughts <= 6
                ? Optional.of(picofarads.movePointLeft(noughts).toBigInteger() + String.valueOf(noughts))
                : Optional.empty();
    }
}
