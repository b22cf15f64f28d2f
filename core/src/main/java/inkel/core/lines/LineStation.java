package inkel.core.lines;

import inkel.core.catalog.LinePair;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.catalog.UartNeed;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.SetSetting;
import inkel.core.quantity.Resistance;
import java.util.Optional;

/** A transceiver on its table, which may hang on a long line. */
public record LineStation(NodeCircuit node, Placed placed, LinePair pair) {
    static Optional<LineStation> of(NodeCircuit node, Placed placed) {
        return placed.isForLater()
                ? Optional.empty()
                : placed.cls().uart().flatMap(UartNeed::line).map(pair -> new LineStation(node, placed, pair));
    }

    public Place place() {
        return node.place(placed);
    }

    public Place plus() {
        return node.place(end(pair.plus()));
    }

    public Place minus() {
        return node.place(end(pair.minus()));
    }

    private Endpoint end(String pin) {
        return new Endpoint(placed.id(), pin);
    }

    /** What stands across the two wires here: what the builder said, or what it brings. */
    public Optional<Resistance> terminator() {
        return pair.across(placed.own(Settings.TERMINATOR));
    }

    /** Puts what stands across the two wires on, or takes it off. */
    public SetSetting terminated(boolean isOn) {
        return new SetSetting(node.node().id(), placed.id(), Settings.TERMINATOR, isOn ? "on" : "off");
    }

    /** Whether it drives the line for ever: its enable is tied to a supply. */
    public boolean isAlwaysTalking() {
        return tied().filter(to -> node.rail(to).isPresent()).isPresent();
    }

    /** Whether it never drives the line: its enable is tied to ground. */
    public boolean isNeverTalking() {
        return tied().flatMap(node::pin)
                .filter(pin -> pin.use() == PinUse.GROUND)
                .isPresent();
    }

    private Optional<Endpoint> tied() {
        return enable().flatMap(node::wire).map(Wire::to);
    }

    public Optional<Endpoint> enable() {
        return pair.enable().map(this::end);
    }
}
