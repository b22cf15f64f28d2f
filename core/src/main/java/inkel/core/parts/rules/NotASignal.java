package inkel.core.parts.rules;

import inkel.core.catalog.PinUse;
import inkel.core.circuit.Lost;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.RemoveWire;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Fix;
import inkel.core.quantity.Fact;
import java.util.List;
import java.util.Optional;

/**
 * A wire of the document that begins at a pin which is no signal, as one that is written by hand may: from its far end, or for a
 * supply or a ground.
 */
record NotASignal(NodeCircuit node, Lost lost) {
    /** Empty for what else has no place. */
    static Optional<NotASignal> of(NodeCircuit node, Lost lost) {
        boolean begins = lost.kind() == Lost.Kind.WIRE
                && lost.missing().equals(lost.at())
                && node.pin(lost.at()).isPresent();
        return begins ? Optional.of(new NotASignal(node, lost)) : Optional.empty();
    }

    /** How its sentence is called. */
    String variant() {
        if (isTurned()) {
            return "wire_turned";
        } else if (is(lost.at(), PinUse.GROUND) && is(lost.to(), PinUse.GROUND)) {
            return "wire_ground";
        }
        return feed().isPresent() ? "wire_feed" : "wire_no_signal";
    }

    /** What it means, said as it is to be; empty where nothing is to be said, or that has a wire already. */
    Optional<Fix> fix() {
        RemoveWire away = new RemoveWire(node.node().id(), lost.at());
        if (isTurned()) {
            return node.wire(lost.to()).isPresent()
                    ? Optional.empty()
                    : Optional.of(new Fix(
                            "turn",
                            Fact.of("fix.wire_turned").with("at", lost.to()).with("pin", lost.at()),
                            Fact.of("fix.wire_turned.cost"),
                            List.of(away, new SetWire(node.node().id(), Wire.placed(lost.to(), lost.at())))));
        }
        return feed().map(feed -> new Fix(
                "feed",
                Fact.of("fix.wire_feed")
                        .with("at", new Endpoint(feed.part(), feed.pin()))
                        .with("rail", feed.rail()),
                Fact.of("fix.wire_turned.cost"),
                List.of(away, feed)));
    }

    /** Whether it begins at the pin that serves a signal, and goes to that signal. */
    private boolean isTurned() {
        return node.pin(lost.to()).filter(pin -> pin.use().isSignal()).isPresent();
    }

    private boolean is(Endpoint end, PinUse use) {
        return node.pin(end).filter(pin -> pin.use() == use).isPresent();
    }

    /** From a supply pin to a rail, or the other way about. */
    private Optional<Feed> feed() {
        return feed(lost.at(), lost.to()).or(() -> feed(lost.to(), lost.at()));
    }

    private Optional<Feed> feed(Endpoint pin, Endpoint rail) {
        return is(pin, PinUse.SUPPLY) && node.rail(rail).isPresent()
                ? Optional.of(new Feed(node.node().id(), pin.part(), pin.pin(), rail))
                : Optional.empty();
    }
}
