package inkel.core.formula;

import inkel.core.quantity.Frequency;
import inkel.core.quantity.TimeSpan;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.IntPredicate;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * A packet radio of the 2.4 GHz sort: its channel n stands at 2400 + n MHz, 0 to 125, and one packet is a byte of preamble, the
 * address, nine bits of control, the payload and the check bytes.
 */
public final class PacketAir {
    public static final int MOST_CHANNEL = 125;

    /** The common licence-free band ends here; above it local rules are to be looked up. */
    public static final double BAND_FROM_MHZ = 2400;

    public static final double BAND_TO_MHZ = 2483.5;

    /** Where local networks mostly stand, in MHz, by their channels 1, 6 and 11. */
    public static final List<Integer> USUAL_NETWORKS = List.of(1, 6, 11);

    /** As wide as the first sort of local network is; later ones take 20. */
    public static final double NETWORK_MHZ = 22;

    private static final int FIRST_NETWORK_MHZ = 2407;
    private static final int NETWORK_STEP_MHZ = 5;
    private static final int LAST_NETWORK_MHZ = 2484;
    private static final int LAST_NETWORK = 14;
    private static final int CONTROL_BITS = 9;
    private static final int BITS = 8;

    private PacketAir() {}

    /** How fast bits go; faster ones take more of the band and are heard less far. */
    public enum Rate {
        SLOW("250 kbit/s", 250_000, 1, -94),
        MIDDLE("1 Mbit/s", 1_000_000, 1, -85),
        FAST("2 Mbit/s", 2_000_000, 2, -82);

        private static final Pattern UNIT = Pattern.compile("(bit/s|bps|hz)$");

        private final String text;
        private final double bits;
        private final double widthMhz;
        private final double sensitivity;

        Rate(String text, double bits, double widthMhz, double sensitivity) {
            this.text = text;
            this.bits = bits;
            this.widthMhz = widthMhz;
            this.sensitivity = sensitivity;
        }

        /** As people write it. */
        public String text() {
            return text;
        }

        /** Bits a second. */
        public double bits() {
            return bits;
        }

        public double widthMhz() {
            return widthMhz;
        }

        /** The weakest that is still heard, in dBm. */
        public double sensitivity() {
            return sensitivity;
        }

        /** Written as bits a second or with k and M, with or without {@code bit/s}. */
        public static Optional<Rate> parse(String said) {
            String plain = UNIT.matcher(said.strip().toLowerCase(Locale.ROOT).replace(" ", ""))
                    .replaceAll("");
            for (Rate rate : values()) {
                long bits = (long) rate.bits;
                boolean isIt = plain.equals(String.valueOf(bits))
                        || plain.equals(bits / 1000 + "k")
                        || bits >= 1_000_000 && plain.equals(bits / 1_000_000 + "m");
                if (isIt) {
                    return Optional.of(rate);
                }
            }
            return Optional.empty();
        }
    }

    /** Where a channel stands. */
    public static Frequency frequency(int channel) {
        return Frequency.ofHertz((BAND_FROM_MHZ + channel) * 1e6);
    }

    /** @param address in bytes, 3 to 5 */
    public static TimeSpan airTime(Rate rate, int address, int payload, int check) {
        return TimeSpan.ofSeconds(((1 + address + payload + check) * BITS + CONTROL_BITS) / rate.bits());
    }

    /** Whether both edges of a channel lie in the common band. */
    public static boolean isInBand(int channel, Rate rate) {
        double middle = BAND_FROM_MHZ + channel;
        return middle - rate.widthMhz() / 2 >= BAND_FROM_MHZ && middle + rate.widthMhz() / 2 <= BAND_TO_MHZ;
    }

    /** The middle of a local network's channel, in MHz: 2407 + 5·n, and 2484 for the last. */
    public static double networkMhz(int channel) {
        return channel == LAST_NETWORK ? LAST_NETWORK_MHZ : FIRST_NETWORK_MHZ + NETWORK_STEP_MHZ * channel;
    }

    /** Whether a channel of the radio and one of a local network share a part of the band. */
    public static boolean isUnder(int channel, Rate rate, int network, double networkWidthMhz) {
        return Math.abs(BAND_FROM_MHZ + channel - networkMhz(network)) < (rate.widthMhz() + networkWidthMhz) / 2;
    }

    /** Which of the usual networks a channel shares a part of the band with. */
    public static List<Integer> usualNetworks(int channel, Rate rate) {
        return USUAL_NETWORKS.stream()
                .filter(network -> isUnder(channel, rate, network, NETWORK_MHZ))
                .toList();
    }

    /** The channels that lie in the band and under no network, in order. */
    public static List<Integer> free(Rate rate, IntPredicate isUnderNetwork) {
        return IntStream.rangeClosed(0, MOST_CHANNEL)
                .filter(channel -> isInBand(channel, rate) && !isUnderNetwork.test(channel))
                .boxed()
                .toList();
    }
}
