package inkel.core.document;

import inkel.core.formula.PacketAir;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Unit;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;

/** What stations can be set to: the one table that file reader, views and rules go by. */
public enum AirKey {
    CHANNEL("76", Of.PACKET, true, text -> isWhole(text, 0, PacketAir.MOST_CHANNEL)),
    RATE("250 kbit/s", Of.PACKET, true, text -> PacketAir.Rate.parse(text).isPresent()),
    ADDRESS("C4 E1 07 52 00", Of.PACKET, false, AirKey::isAddress),
    CHECK("2", Of.PACKET, true, text -> isWhole(text, 0, 2)),
    PAYLOAD("8", Of.PACKET, true, text -> text.equals("free") || isWhole(text, 1, 32)),
    ANSWERS("yes", Of.PACKET, true, AirKey::isYesOrNo),
    RETRIES("5", Of.PACKET, false, text -> isWhole(text, 0, 15)),
    RETRY_WAIT("1.5 ms", Of.PACKET, false, text -> isAmount(text, Unit.SECOND, 250e-6, 4e-3)),
    FREQUENCY("868.3 MHz", Of.LONG_RANGE, true, text -> isAmount(text, Unit.HERTZ, 100e6, 1e9)),
    SPREADING("9", Of.LONG_RANGE, true, text -> isWhole(text, 7, 12)),
    BANDWIDTH("125 kHz", Of.LONG_RANGE, true, text -> isAmount(text, Unit.HERTZ, 7.8e3, 500e3)),
    CODING("4/5", Of.LONG_RANGE, false, text -> text.matches("4/[5-8]")),
    PREAMBLE("8", Of.LONG_RANGE, false, text -> isWhole(text, 6, 9999)),
    HEADER("yes", Of.LONG_RANGE, true, AirKey::isYesOrNo),
    CHECKED("yes", Of.LONG_RANGE, false, AirKey::isYesOrNo),
    SYNC("0x12", Of.LONG_RANGE, true, text -> text.matches("0[xX][0-9a-fA-F]{2}")),
    BYTES("16", Of.LONG_RANGE, false, text -> isWhole(text, 1, 255)),
    DUTY("1 %", Of.LONG_RANGE, false, text -> share(text).filter(of -> of > 0).isPresent()),
    POWER("0 dBm", Of.ALL, false, text -> decibels(text)
            .filter(value -> value >= -40 && value <= 30)
            .isPresent()),
    EVERY("1 s", Of.ALL, false, text -> isAmount(text, Unit.SECOND, 1e-3, 1e7)),
    LISTENS("100 %", Of.ALL, false, text -> share(text).isPresent()),
    METRES("20 m", Of.ALL, false, text -> isAmount(text, Unit.METRE, 0, 1e5)),
    LOSSES("12 dB", Of.ALL, false, text -> decibels(text)
            .filter(value -> value >= 0 && value <= 200)
            .isPresent());

    private static final Pattern BETWEEN_BYTES = Pattern.compile("[\\s:-]");
    private static final Pattern ADDRESS_BYTES = Pattern.compile("(?:[0-9a-fA-F]{2}){3,5}");
    private static final Pattern DIGITS = Pattern.compile("[0-9]{1,4}");
    private static final Pattern DECIBEL = Pattern.compile("\\s*dBm?$");

    /** Which sorts of radio have a setting. */
    private static final class Of {
        static final Set<AirSort> PACKET = Set.of(AirSort.PACKET);
        static final Set<AirSort> LONG_RANGE = Set.of(AirSort.LONG_RANGE);
        static final Set<AirSort> ALL = Set.of(AirSort.values());
    }

    private final String example;
    private final Set<AirSort> sorts;
    private final boolean mustAgree;
    private final Predicate<String> isGood;

    AirKey(String example, Set<AirSort> sorts, boolean mustAgree, Predicate<String> isGood) {
        this.example = example;
        this.sorts = sorts;
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

    /** All that a sort of radio is set to, in the order of the table. */
    public static List<AirKey> of(AirSort sort) {
        return Arrays.stream(values()).filter(key -> key.sorts.contains(sort)).toList();
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

    private static boolean isYesOrNo(String text) {
        return text.equals("yes") || text.equals("no");
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
