package inkel.core.bench;

import java.util.List;

/** What a bench that differs from its plan would give, as far as that is known. */
public sealed interface Foreseen {
    /**
     * An amount, with the figures that it follows.
     *
     * @param value in the SI base unit of what is asked
     * @param isWild whether it follows what next to nothing is known of
     */
    record Amount(double value, List<Share> shares, boolean isWild) implements Foreseen {
        public Amount {
            shares = List.copyOf(shares);
        }

        /** The standard deviation that all figures make together. */
        public double spread() {
            double squares = 0;
            for (Share share : shares) {
                squares += share.deviation() * share.deviation();
            }
            return Math.sqrt(squares);
        }
    }

    /**
     * How much of an amount follows one figure.
     *
     * @param key of the figure
     * @param deviation what one standard deviation of it makes of the amount
     */
    record Share(String key, double deviation) {}

    /** Ohms from the least to the most that it may be; no end of them when {@code isOpen}. */
    record Ohms(double least, double most, boolean isOpen) implements Foreseen {}

    /** Something that is one or another, and no amount. */
    record Certain(Answer answer) implements Foreseen {}
}
