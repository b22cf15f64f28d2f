package inkel.core.catalog;

import inkel.core.quantity.Length;
import java.util.List;
import java.util.Optional;

/**
 * How a part comes to the table.
 *
 * @param form a ready module, or a bare chip that wants the parts a module would have brought
 * @param pitch from pin to pin of the bare chip; absent when it is not sold as one, or fits a breadboard
 * @param headerLoose whether the header usually lies beside it and must be soldered on
 * @param around the small parts that must be put around it
 */
public record Make(Form form, Optional<Length> pitch, boolean headerLoose, List<Fitting> around) {
    public Make {
        around = List.copyOf(around);
    }

    /** Ready for a breadboard or not. */
    public enum Form {
        READY,
        CHIP
    }

    public static final Make USUAL = new Make(Form.READY, Optional.empty(), false, List.of());

    public boolean isChip() {
        return form == Form.CHIP;
    }
}
