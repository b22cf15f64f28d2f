package inkel.core.remedy;

import inkel.core.catalog.I2cNeed;
import inkel.core.catalog.I2cNeed.Strap;
import inkel.core.catalog.Need;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Straps;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.RemoveWire;
import inkel.core.document.edit.SetWire;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The ties of strap pins that give a part an address. */
public final class StrapWires {
    private StrapWires() {}

    /**
     * Where each strap pin goes for an address; empty for a pin that is left to the part, which holds it there by itself.
     * No entries for an address that is chosen on the part, or that it cannot have.
     */
    public static Map<Endpoint, Optional<Endpoint>> of(NodeCircuit node, Placed placed, int address) {
        Map<Endpoint, Optional<Endpoint>> wires = new LinkedHashMap<>();
        I2cNeed need = placed.cls().i2c().orElseThrow();
        Map<String, Strap> asItComes =
                need.address(need.shipped()).orElseThrow().straps();
        need.address(address).ifPresent(wanted -> wanted.straps().forEach((label, level) -> {
            Pin pin = placed.cls().pin(label).orElseThrow();
            boolean isLeft = pin.need() == Need.HELD && level == asItComes.get(label);
            Optional<Endpoint> target = target(node, placed, pin, level);
            // Where nothing can hold it, as in a part that is not fed, its wire stays as it is.
            if (isLeft || target.isPresent()) {
                wires.put(placed.endpoint(pin), isLeft ? Optional.empty() : target);
            }
        }));
        return wires;
    }

    private static Optional<Endpoint> target(NodeCircuit node, Placed placed, Pin pin, Strap level) {
        return switch (level) {
            case LOW -> Ties.ground(node);
            case HIGH -> Ties.high(node, placed, pin);
            case SDA -> own(placed, PinUse.I2C_SDA);
            case SCL -> own(placed, PinUse.I2C_SCL);
        };
    }

    private static Optional<Endpoint> own(Placed placed, PinUse use) {
        return placed.cls().pins().stream()
                .filter(pin -> pin.use() == use)
                .map(placed::endpoint)
                .findFirst();
    }

    /** Whether the ties that the builder holds allow an address. */
    public static boolean isOpen(NodeCircuit node, Placed placed, int address) {
        return placed.cls().i2c().orElseThrow().address(address).stream()
                .flatMap(wanted -> wanted.straps().entrySet().stream())
                .allMatch(strap -> {
                    Endpoint pin = new Endpoint(placed.id(), strap.getKey());
                    boolean isHeld = node.wire(pin).filter(Wire::held).isPresent();
                    Optional<Strap> level = Straps.level(node, pin);
                    return !isHeld || level.isEmpty() || level.get() == strap.getValue();
                });
    }

    /** The edits that tie a part's straps for an address; none where they are tied so. */
    public static List<Edit> edits(NodeCircuit node, Placed placed, int address) {
        String id = node.node().id();
        List<Edit> edits = new ArrayList<>();
        of(node, placed, address).forEach((pin, to) -> {
            Optional<Endpoint> now = node.wire(pin).map(Wire::to);
            if (to.isPresent() && !to.equals(now)) {
                edits.add(new SetWire(id, Wire.placed(pin, to.get())));
            } else if (to.isEmpty() && now.isPresent()) {
                edits.add(new RemoveWire(id, pin));
            }
        });
        return edits;
    }
}
