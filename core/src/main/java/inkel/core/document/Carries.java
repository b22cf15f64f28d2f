package inkel.core.document;

import inkel.core.quantity.Frequency;
import java.util.Optional;

/**
 * What a wire between boards carries, as far as that was said.
 *
 * @param kind empty where its pins say it
 * @param baud the rate of a serial line, in bits per second; empty where nobody said it
 */
public record Carries(Optional<Kind> kind, Optional<Frequency> baud) {
    public static final Carries UNSAID = new Carries(Optional.empty(), Optional.empty());

    /** What it can be said to carry. */
    public enum Kind {
        /** What one serial port, or a program in the place of one, says to another. */
        SERIAL("serial"),
        /** Highs and lows, whatever else its pins could do. */
        PLAIN("plain");

        private final String text;

        Kind(String text) {
            this.text = text;
        }

        /** As it stands in files. */
        public String text() {
            return text;
        }
    }

    public boolean isSaid(Kind wanted) {
        return kind.filter(wanted::equals).isPresent();
    }

    public Carries with(Kind said) {
        return new Carries(Optional.of(said), said == Kind.PLAIN ? Optional.empty() : baud);
    }

    /** What its pins say, at the rate that was said. */
    public Carries byPins() {
        return new Carries(Optional.empty(), baud);
    }

    public Carries with(Optional<Frequency> rate) {
        return new Carries(kind, rate);
    }
}
