package inkel.core.levels.rules;

import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Endpoint;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.TakeOut;
import inkel.core.finding.Fix;
import inkel.core.quantity.Fact;
import java.util.List;

/** What stands in a wire is taken out of it again. */
final class TakeOutFix {
    private TakeOutFix() {}

    /** Of a wire of one table. */
    static Fix of(NodeCircuit node, Endpoint signal) {
        return of(signal, new TakeOut(node.node().id(), signal));
    }

    /** Of a wire between boards, by the edit that does it. */
    static Fix of(Endpoint signal, Edit edit) {
        return new Fix(
                "take-out",
                Fact.of("fix.take_out").with("signal", signal.pin()),
                Fact.of("fix.take_out.cost"),
                List.of(edit));
    }
}
