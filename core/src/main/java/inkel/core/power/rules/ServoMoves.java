package inkel.core.power.rules;

import inkel.core.circuit.Placed;
import inkel.core.circuit.ServoFeed;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.finding.Fix;
import java.util.ArrayList;
import java.util.List;

/** Takes a way to feed one servo as the way to feed all of a rail's servos. */
final class ServoMoves {
    private ServoMoves() {}

    static Fix ofAll(Fix one, ServoFeed feed) {
        List<Edit> edits = new ArrayList<>(one.edits());
        for (Edit edit : one.edits()) {
            if (edit instanceof Feed moved
                    && moved.part().equals(feed.servos().get(0).id())) {
                feed.servos().stream().skip(1).map(servo -> same(moved, servo)).forEach(edits::add);
            }
        }
        return new Fix(one.id(), one.title(), one.cost(), edits);
    }

    private static Edit same(Feed moved, Placed servo) {
        return new Feed(moved.node(), servo.id(), servo.cls().supplies().get(0).pin(), moved.rail());
    }
}
