package inkel.core.remedy;

import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.SetMoment;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Fix;
import java.util.Comparator;
import java.util.List;

/**
 * How much a way out asks for: money first, then wires, then the sketch. What costs nothing but a line in the sketch or a
 * setting comes before a part of a few cents, and that before a module or a supply.
 */
public final class Effort {
    private static final int SETTING = 1;
    private static final int WIRE = 2;
    private static final int SMALL_PART = 5;
    private static final int MODULE = 20;

    private Effort() {}

    /** Least first; ways out of the same effort stay in the order they had. */
    public static List<Fix> leastFirst(List<Fix> fixes) {
        return fixes.stream().sorted(Comparator.comparingInt(Effort::of)).toList();
    }

    static int of(Fix fix) {
        return fix.edits().stream().mapToInt(Effort::of).sum();
    }

    private static int of(Edit edit) {
        if (edit instanceof AddPart) {
            return MODULE;
        } else if (edit instanceof Insert) {
            return SMALL_PART;
        } else if (edit instanceof SetSetting set) {
            return switch (set.setting().price()) {
                case LINE -> SETTING;
                case WIRE -> WIRE;
                case SMALL_PART -> SMALL_PART;
            };
        } else if (edit instanceof SetMoment) {
            return SETTING;
        }
        return WIRE;
    }
}
