package inkel.core.document;

import inkel.core.formula.PacketAir;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Unit;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.regex.Pattern;

/** What stations can be set to: the one table that file reader, views and rules go by. */
public enum AirKey {
    CHANNEL("76", true, text -> isWhole(text, 0, PacketAir.MOST_CHANNEL)),
    RATE("250 kbit/s", true, text -> PacketAir.Rate.parse(text).isPresent()),
    ADDRESS("C4 E1 07 52 00", false, AirKey::isAddress),
    CHECK("2", true, text -> isWhole(text, 0, 2)),
    PAYLOAD("8", true, text -> text.equals("free") || isWhole(text, 1, 32)),
    ANSWERS("yes", true, text -> text.equals("yes") || text.equals("no")),
    RETRIES("5", false, text -> isWhole(text, 0, 15)),
    RETRY_WAIT("1.5 ms", false, text -> isAmount(text, Unit.SECOND, 250e-6, 4e-3)),
    POWER("0 dBm", false, text -> decibels(text)
            .filter(value -> value >= -40 && value <= 30)
            .isPresent()),
    EVERY("1 s", false, text -> isAmount(text, Unit.SECOND, 1e-3, 1e7)),
    LISTENS("100 %", false, text -> share(text).isPresent()),
    METRES("20 m", false, text -> isAmount(text, Unit.METRE, 0, 1e5)),
    LOSSES("12 dB", false, text -> decibels(text)
            .filter(value -> value >= 0 && value <= 200)
            .isPresent());

    private static final Pattern BETWEEN_BYTES = Pattern.compile("[\\s:-]");
    private static final Pattern ADDRESS_BYTES = Pattern.compile("(?:[0-9a-fA-F]{2}){3,5}");
    private static final Pattern DIGITS = Pattern.compile("[0-9]{1,4}");
    private static final Pattern DECIBEL = Pattern.compile("\\s*dBm?$");

    private final String example;
    private final boolean mustAgree;
    private final Predicate<String> isGood;

    AirKey(String example, boolean mustAgree, Predicate<String> isGood) {
        this.example = example;
        this.mustAgree = mustAgree;
        this.isGood = isGood;
    }

    /** The word used in files. */
    public String text() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String example() {
        return example;
    }

    /** Whether two ends that are set otherwise do not hear each other. */
    public boolean mustAgree() {
        return mustAgree;
    }

    public boolean isGood(String text) {
        return isGood.test(text.strip());
    }

    public static Optional<AirKey> of(String text) {
        for (AirKey key : values()) {
            if (key.text().equals(text)) {
                return Optional.of(key);
            }
        }
        return Optional.empty();
    }

    private static boolean isAddress(String text) {
        return ADDRESS_BYTES.matcher(BETWEEN_BYTES.matcher(text).replaceAll("")).matches();
    }

    private static boolean isWhole(String text, int least, int most) {
        return DIGITS.matcher(text).matches() && Integer.parseInt(text) >= least && Integer.parseInt(text) <= most;
    }

    private static boolean isAmount(String text, Unit unit, double least, double most) {
        return Engineering.parse(text, unit)
                .filter(value -> value >= least * (1 - 1e-9) && value <= most * (1 + 1e-9))
                .isPresent();
    }

    /** With or without dB or dBm behind it. */
    public static Optional<Double> decibels(String text) {
        return Engineering.parse(DECIBEL.matcher(text.strip()).replaceAll(""), Unit.ONE);
    }

    /** Per cent with their sign, or a share from 0 to 1. */
    public static Optional<Double> share(String text) {
        String plain = text.strip();
        Optional<Double> value = plain.endsWith("%")
                ? Engineering.parse(plain.substring(0, plain.length() - 1).strip(), Unit.ONE)
                        .map(all -> all / 100)
                : Engineering.parse(plain, Unit.ONE);
        return value.filter(all -> all >= 0 && all <= 1);
    }
}
