package inkel.core.power;

import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Moment;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetMoment;
import inkel.core.quantity.TimeSpan;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;

/** Moves moments apart, as little as may be, until no rail is asked for more than it gives. */
public final class Stagger {
    private Stagger() {}

    /**
     * The edits that put every moment at its time. A moment that stands in the round is never put earlier.
     *
     * @return empty when moving moments alone cannot do it: a rail is over its rating by one moment or by none
     */
    public static Optional<List<Edit>> of(NodeCircuit node) {
        return of(node, () -> false);
    }

    /**
     * As {@link #of(NodeCircuit)}.
     *
     * @param isStopped whether nobody wants the answer any more
     * @throws java.util.concurrent.CancellationException once that is so
     */
    public static Optional<List<Edit>> of(NodeCircuit node, BooleanSupplier isStopped) {
        return StaggerModel.solve(node, isStopped).map(starts -> edits(node, starts));
    }

    private static List<Edit> edits(NodeCircuit node, Map<String, TimeSpan> starts) {
        List<Edit> edits = new ArrayList<>();
        for (Moment moment : node.node().moments()) {
            Optional<TimeSpan> at = Optional.of(starts.get(moment.id()));
            if (!moment.at().equals(at)) {
                edits.add(new SetMoment(node.node().id(), moment.withAt(at)));
            }
        }
        return edits;
    }
}
