package inkel.core.document.edit;

import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.Wire;
import inkel.core.quantity.Fact;
import java.util.List;

/** Fixes signals on the pins they are on, with a reason, or lets them go again. */
public record Hold(String node, List<Endpoint> signals, boolean held, String reason) implements NodeEdit {
    public Hold {
        signals = List.copyOf(signals);
    }

    @Override
    public Node applyTo(Node node) throws EditRefused {
        Node changed = node;
        for (Endpoint signal : signals) {
            Wire wire = node.wire(signal)
                    .orElseThrow(
                            () -> new EditRefused(Fact.of("refused.no_wire").with("signal", signal)));
            changed = changed.withWire(new Wire(signal, wire.to(), held, held ? reason : "", wire.extras()));
        }
        return changed;
    }
}
