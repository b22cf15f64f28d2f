package inkel.core.tune.infrared;

import inkel.core.formula.InfraredCode;
import inkel.core.quantity.Fact;

/**
 * A key that is known.
 *
 * @param name what the builder calls it
 * @param way when its action happens
 * @param does what happens, in the builder's words; may be empty
 */
public record Key(InfraredCode.Coding coding, int address, int command, String name, Way way, String does) {
    /** When the action of a key happens. */
    public enum Way {
        /** Once for each press, however long it lasts. */
        ONCE,
        /** On with one press, and off with the next. */
        TURNS,
        /** As long as it is held. */
        HELD
    }

    /** Its coding, address and command. */
    public Fact said() {
        return Fact.of("capture.key." + coding.text()).with("address", address).with("command", command);
    }

    public boolean is(InfraredCode code) {
        return code.coding() == coding && code.address() == address && code.command() == command;
    }
}
