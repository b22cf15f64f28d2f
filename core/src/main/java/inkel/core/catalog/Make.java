package inkel.core.catalog;

import inkel.core.quantity.Length;
import java.util.Optional;

/**
 * How a part comes to the table.
 *
 * @param form a ready module, or a bare chip that wants the parts a module would have brought
 * @param pitch from pin to pin of the bare chip; absent when it is not sold as one, or fits a breadboard
 * @param headerLoose whether the header usually lies beside it and must be soldered on
 */
public record Make(Form form, Optional<Length> pitch, boolean headerLoose) {
    /** Ready for a breadboard or not. */
    public enum Form {
        READY,
        CHIP
    }

    public static final Make USUAL = new Make(Form.READY, Optional.empty(), false);

    public boolean isChip() {
        return form == Form.CHIP;
    }
}
