package inkel.core.document;

import inkel.core.formula.PacketAir;
import java.util.Locale;
import java.util.Optional;

/**
 * A local network around a build, as its builder names it.
 *
 * @param channel 1 to 14
 * @param widthMhz 20, or 22 for the first sort
 */
public record LocalNetwork(String name, int channel, double widthMhz, Strength strength, Extras extras) {
    public static final int MOST_CHANNEL = 14;

    /** As wide as the first sort is; later ones take 20 MHz. */
    public static final int USUAL_WIDTH_MHZ = (int) PacketAir.NETWORK_MHZ;

    /** How strong it is where the build stands. */
    public enum Strength {
        WEAK,
        MIDDLE,
        STRONG;

        public String text() {
            return name().toLowerCase(Locale.ROOT);
        }

        public static Optional<Strength> parse(String text) {
            for (Strength strength : values()) {
                if (strength.text().equals(text)) {
                    return Optional.of(strength);
                }
            }
            return Optional.empty();
        }
    }

    public LocalNetwork(String name, int channel, double widthMhz, Strength strength) {
        this(name, channel, widthMhz, strength, Extras.NONE);
    }

    public LocalNetwork {
        if (channel < 1 || channel > MOST_CHANNEL || !(widthMhz > 0)) {
            throw new IllegalArgumentException("no local network: " + channel + ", " + widthMhz);
        }
    }
}
