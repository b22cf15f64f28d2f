package inkel.core.circuit;

import inkel.core.catalog.Habit;
import inkel.core.catalog.Habits;
import inkel.core.catalog.Settings;
import inkel.core.document.Part;
import inkel.core.formula.Conductor;
import inkel.core.quantity.Length;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;

/** The wires through which a part is fed, there and back: what the builder says of them, else what the build's habit is. */
public record SupplyWire(Placed placed, Habits habits) {
    private static final double JUMPER_GAUGE = 26;
    private static final Length JUMPER_LENGTH = Length.ofMetres(0.2);

    /** Contacts at both ends of both wires. */
    private static final int CONTACTS = 4;

    /** What one contact has: a jumper in a socket, a clip; soldered wires have none. */
    private static Resistance each(Settings.Contact contact) {
        return Resistance.ofOhms(
                switch (contact) {
                    case JUMPER -> 0.015;
                    case CLIP -> 0.030;
                    case SOLDER -> 0;
                });
    }

    public Settings.Contact contact() {
        return placed.own(Settings.CONTACT).orElseGet(() -> habits.of(Habit.JOINTS));
    }

    /** Where its resistance comes from: what the builder said of the wire, or what is usual. */
    public Source source() {
        Part part = placed.part();
        boolean isTold = part.has(Settings.GAUGE) || part.has(Settings.LENGTH) || part.has(Settings.CONTACT);
        return isTold || habits.of(Habit.JOINTS) != Habit.JOINTS.usual() ? Source.YOURS : Source.RULE;
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
    public Resistance thereAndBack(double gauge, Settings.Contact contact) {
        return Conductor.thereAndBack(gauge, length(), CONTACTS, each(contact));
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
