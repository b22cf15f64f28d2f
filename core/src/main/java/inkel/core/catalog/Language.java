package inkel.core.catalog;

import java.util.Map;

/**
 * A language that programs for a board are written in.
 *
 * @param pin how it names a pin, with {@code {}} where the pin's number goes, or its label where it has no number
 * @param headers what its framework has for a bus of the board, by the name of the bus: {@code i2c0} to {@code Wire}
 */
public record Language(Name name, String pin, Map<String, String> headers) {
    public Language {
        headers = Map.copyOf(headers);
    }

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
