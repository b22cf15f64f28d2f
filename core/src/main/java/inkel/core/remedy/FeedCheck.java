package inkel.core.remedy;

import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Current;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.Optional;

/** Whether a supply pin may be fed from a rail, and if not why. */
public enum FeedCheck {
    /** It may, and there is room for its peak. */
    FITS,
    /** It may, but the rail is then asked for more than it gives. */
    NO_ROOM,
    /** It is fed from there already. */
    ALREADY,
    TOO_HIGH,
    TOO_LOW,
    /** A cell belongs there, and the rail is none. */
    NO_CELL,
    /** The rail has no voltage itself. */
    UNFED,
    /** The rail is made from this very part. */
    CIRCLE;

    public boolean isAllowed() {
        return this == FITS || this == NO_ROOM;
    }

    /** How a pin stands with a rail of its node. */
    public static FeedCheck of(NodeCircuit node, Placed placed, Supply supply, Rail rail) {
        if (rail.id().equals(placed.part().feeds().get(supply.pin()))) {
            return ALREADY;
        }
        if (node.isMadeFrom(rail.id(), placed.id())) {
            return CIRCLE;
        }
        if (rail.volts().isEmpty()) {
            return UNFED;
        }
        if (!FeedFixes.maySupply(node, rail, supply)) {
            return NO_CELL;
        }
        Range<Voltage> volts = rail.volts().get();
        Range<Voltage> bears = supply.range().range();
        if (volts.highest().isAbove(bears.highest())) {
            return TOO_HIGH;
        }
        if (volts.lowest().isBelow(bears.lowest())) {
            return TOO_LOW;
        }
        Endpoint pin = new Endpoint(placed.id(), supply.pin());
        Current peak = node.rails().stream()
                .flatMap(other -> other.loads().stream())
                .filter(load -> load.pin().equals(pin))
                .map(Rail.Load::peak)
                .findFirst()
                .orElseGet(() -> placed.cls().peak(supply.pin()));
        Optional<Endpoint> now = Optional.ofNullable(placed.part().feeds().get(supply.pin()));
        return Room.isFor(node, rail, peak, now) ? FITS : NO_ROOM;
    }
}
