package inkel.core.bench.fault;

import java.util.Locale;

/** The kinds of fault, by which their likelihoods and their words are found. */
public enum FaultKind {
    WIRE_MISSING,
    GROUND_MISSING,
    /** The ground between supplies, or between a supply and the board. */
    COMMON_GROUND_MISSING,
    CONTACT_LOOSE,
    ONE_PIN_OFF,
    /** The number of a pin in programs was taken for its place on the header. */
    OTHER_NUMBER,
    OTHER_RAIL,
    /** A servo or motor hangs on a rail that is not made for it. */
    WEAK_RAIL,
    WIRES_SWAPPED,
    NOT_CROSSED,
    SHORTED,
    SUPPLY_SET_WRONG,
    LIMIT_LOW,
    BATTERY_FLAT,
    PART_DEAD,
    OTHER_ADDRESS,
    PULL_UP_MISSING,
    PULL_UP_DOUBLED,
    WRONG_BAUD,
    TENFOLD_RESISTOR,
    LAMP_TURNED,
    DIODE_TURNED,
    COLD_JOINT,
    CAPACITOR_MISSING,
    CAPACITOR_TURNED,
    LEVEL_PART_OUT,
    TURNED_ABOUT,
    ROW_NOT_BRIDGED,
    CHARGE_ONLY,
    MODE_WRONG,
    OTHER_PIN_IN_CODE,
    START_PIN_PULLED,
    ANTENNA_MISSING,
    PIN_DAMAGED,
    GROUND_LIFTED;

    /** As files and commands write it: {@code contact-loose}. */
    public String text() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
