package inkel.core.finding;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.edit.Edit;
import inkel.core.quantity.Fact;
import java.util.List;

/**
 * A way out: what it does, what it costs, and the edits that do it.
 *
 * @param id stable within its finding
 * @param title what the button says
 * @param cost what it takes or changes
 */
public record Fix(String id, Fact title, Fact cost, List<Edit> edits) {
    public Fix {
        edits = List.copyOf(edits);
    }

    /** @throws EditRefused when the build no longer has what the fix would change */
    public Build apply(Build build) throws EditRefused {
        return Edit.applyAll(build, edits);
    }
}
