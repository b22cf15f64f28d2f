package inkel.core.catalog;

import inkel.core.quantity.Quantity;
import inkel.core.quantity.Unit;

/**
 * A small part from one end to another: around a bare chip a crystal with its capacitors or the resistor at its reset, beside
 * a wire the lower half of a divider.
 *
 * @param from the pin it is put to
 * @param to the pin of the same part that its other end goes to; a ground or a supply pin stands for the row of that
 */
public record Fitting(Sort sort, Quantity value, String from, String to) {
    /** In farads: capacitors of so much and more are commonly electrolytic, and have a right way round. */
    private static final double POLARISED = 1e-6;

    public boolean isPolarised() {
        return sort == Sort.CAPACITOR && value.si() >= POLARISED;
    }

    /** What is put there, and what it is counted in. */
    public enum Sort {
        CRYSTAL(Unit.HERTZ, "16 MHz"),
        CAPACITOR(Unit.FARAD, "22 pF"),
        RESISTOR(Unit.OHM, "10 kΩ"),
        /** Across a winding, its stripe to the plus; so much it must carry. */
        DIODE(Unit.AMPERE, "1 A");

        private final Unit unit;
        private final String example;

        Sort(Unit unit, String example) {
            this.unit = unit;
            this.example = example;
        }

        public Unit unit() {
            return unit;
        }

        /** A value of the right kind, to show what is wanted. */
        public String example() {
            return example;
        }
    }
}
