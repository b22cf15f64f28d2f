package inkel.core.levels.rules;

import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.NodeWire;
import inkel.core.document.edit.ChangeNodeWire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Insert;
import inkel.core.levels.BoardLink;
import inkel.core.levels.Judged;
import inkel.core.levels.Link;
import java.util.Optional;

/** Puts a piece in a wire, on one board or between two. */
final class InWire {
    private InWire() {}

    /** The signal that the piece is of. */
    static Endpoint signal(Judged judged) {
        return judged instanceof Link link
                ? link.signal().endpoint()
                : ((BoardLink) judged).link().from().endpoint();
    }

    static Edit put(Judged judged, Between piece) {
        if (judged instanceof Link link) {
            return new Insert(link.signal().node(), piece);
        }
        NodeWire wire = ((BoardLink) judged).link();
        return new ChangeNodeWire(wire, wire.withBetween(Optional.of(piece)));
    }
}
