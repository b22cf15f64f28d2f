package inkel.core.io.json;

import inkel.core.quantity.Fact;

/**
 * One thing that is wrong with a file.
 *
 * @param line from 1, 0 when it concerns the whole file
 * @param field a JSON pointer, empty for the whole file
 */
public record Problem(int line, String field, Fact reason) {
    static Problem ofFile(Fact reason) {
        return new Problem(0, "", reason);
    }
}
