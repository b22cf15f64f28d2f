package inkel.core.circuit;

import inkel.core.catalog.Habit;
import inkel.core.catalog.Habits;
import inkel.core.catalog.Settings;
import inkel.core.formula.Conductor;
import inkel.core.quantity.Length;
import inkel.core.quantity.Resistance;

/** The wires through which a part is fed, there and back: what the builder says of them, else what the build's habit is. */
public record SupplyWire(Placed placed, Habits habits) {
    private static final double JUMPER_GAUGE = 26;
    private static final Length JUMPER_LENGTH = Length.ofMetres(0.2);

    /** Contacts at both ends of both wires. */
    private static final int CONTACTS = 4;

    /** How a wire is joined at its ends. */
    public enum Contact {
        JUMPER(0.015),
        CLIP(0.030),
        SOLDER(0);

        private final double ohms;

        Contact(double ohms) {
            this.ohms = ohms;
        }

        public Resistance each() {
            return Resistance.ofOhms(ohms);
        }
    }

    public Contact contact() {
        return placed.own(Settings.CONTACT)
                .map(chosen -> Contact.valueOf(chosen.name()))
                .orElseGet(() -> Contact.valueOf(habits.of(Habit.JOINTS).name()));
    }

    /** The size of its wires by the American wire gauge; 26, a usual jumper, unless the builder says otherwise. */
    public double gauge() {
        return placed.own(Settings.GAUGE).orElse(JUMPER_GAUGE);
    }

    /** How long they are, one way; 0.2 m unless the builder says otherwise. */
    public Length length() {
        return placed.own(Settings.LENGTH).orElse(JUMPER_LENGTH);
    }

    /** Both wires with another size or other contacts. */
    public Resistance thereAndBack(double gauge, Contact contact) {
        return Conductor.thereAndBack(gauge, length(), CONTACTS, contact.each());
    }

    /** Both wires as they are. */
    public Resistance thereAndBack() {
        return thereAndBack(gauge(), contact());
    }

    /** The ground wire alone. */
    public Resistance back() {
        return thereAndBack().times(0.5);
    }
}
