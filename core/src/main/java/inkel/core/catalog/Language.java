package inkel.core.catalog;

/**
 * A language that programs for a board are written in.
 *
 * @param pin how it names a pin, with {@code {}} where the pin's number goes, or its label where it has no number
 */
public record Language(Name name, String pin) {
    /** Languages with their dialects: Python names pins otherwise on a controller than on a computer. */
    public enum Name {
        CPP,
        PYTHON_CONTROLLER,
        PYTHON_COMPUTER
    }

    /** How a program calls a pin. */
    public String call(Pin called) {
        return pin.replace("{}", called.number().isEmpty() ? called.label() : called.number());
    }
}
