package inkel.core.formula;

import java.util.Optional;

/**
 * A sentence of a positioning receiver: {@code $TALKER+TYPE,fields*CHECK}, the check being the exclusive or of all between dollar
 * and star (IEC 61162-1). Of those that tell the fix (GGA) place, height and satellites are read.
 *
 * @param type such as {@code GGA}
 * @param fix place and satellites; empty for other sentences, and while there is no fix
 */
public record PositionSentence(String type, Optional<Fix> fix) {
    private static final int MINUTES = 60;
    private static final int GGA_FIELDS = 10;

    /**
     * Where it is.
     *
     * @param latitude in degrees, north above zero
     * @param longitude in degrees, east above zero
     * @param height in metres above the sea
     */
    public record Fix(double latitude, double longitude, int satellites, double height) {}

    /** The check of what stands between dollar and star. */
    public static int check(String between) {
        return between.chars().reduce(0, (one, other) -> one ^ other) & 0xFF;
    }

    /** Empty for what is no whole sentence, or has a wrong check. */
    public static Optional<PositionSentence> parse(String line) {
        String text = line.strip();
        if (!text.matches("\\$[A-Z]{5},[\\x20-\\x7E]*\\*[0-9A-Fa-f]{2}")) {
            return Optional.empty();
        }
        int star = text.lastIndexOf('*');
        String between = text.substring(1, star);
        if (check(between) != Integer.parseInt(text.substring(star + 1), 16)) {
            return Optional.empty();
        }
        String[] fields = between.split(",", -1);
        String type = fields[0].substring(2);
        return Optional.of(new PositionSentence(
                type, type.equals("GGA") && fields.length >= GGA_FIELDS ? fix(fields) : Optional.empty()));
    }

    private static Optional<Fix> fix(String[] fields) {
        boolean hasFix = fields[6].matches("[1-9]");
        try {
            return hasFix
                    ? Optional.of(new Fix(
                            degrees(fields[2], 2) * (fields[3].equals("S") ? -1 : 1),
                            degrees(fields[4], 3) * (fields[5].equals("W") ? -1 : 1),
                            Integer.parseInt(fields[7]),
                            Double.parseDouble(fields[9])))
                    : Optional.empty();
        } catch (NumberFormatException | StringIndexOutOfBoundsException torn) {
            return Optional.empty();
        }
    }

    /** Degrees in two or three digits, and minutes behind them. */
    private static double degrees(String text, int digits) {
        return Integer.parseInt(text.substring(0, digits)) + Double.parseDouble(text.substring(digits)) / MINUTES;
    }
}
