package inkel.core.circuit;

import inkel.core.catalog.I2cNeed;
import inkel.core.catalog.I2cNeed.Strap;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.Wire;
import java.util.Map;
import java.util.Optional;

/** Reads a part's address off the ties of its strap pins. */
public final class Straps {
    private Straps() {}

    /**
     * The address that the strap pins give; a pin without a wire is as the part comes.
     *
     * @param classes the class of every part of the node, by part id
     * @return empty for a part without strap pins, for a pin that the board drives, and for ties that give no address
     */
    static Optional<Integer> address(Part part, Node node, Map<String, PartClass> classes) {
        Optional<I2cNeed> need = classes.get(part.id()).i2c();
        if (need.isEmpty() || !need.get().isStrapped()) {
            return Optional.empty();
        }
        Map<String, Strap> asItComes =
                need.get().address(need.get().shipped()).orElseThrow().straps();
        return need.get().addresses().stream()
                .filter(address -> address.straps().entrySet().stream().allMatch(strap -> {
                    Optional<Wire> wire = node.wire(new Endpoint(part.id(), strap.getKey()));
                    Optional<Strap> level = wire.isEmpty()
                            ? Optional.ofNullable(asItComes.get(strap.getKey()))
                            : level(wire.get(), part, node, classes);
                    return level.filter(strap.getValue()::equals).isPresent();
                }))
                .map(I2cNeed.Address::value)
                .findFirst();
    }

    /** What a wire ties a strap pin to; empty for a pin that somebody drives. */
    private static Optional<Strap> level(Wire wire, Part part, Node node, Map<String, PartClass> classes) {
        PartClass owner = classes.get(wire.to().part());
        if (owner == null || node.part(wire.to().part()).isEmpty()) {
            return Optional.empty();
        }
        boolean isRail = owner.output(wire.to().pin()).isPresent();
        PinUse use = owner.pin(wire.to().pin()).map(Pin::use).orElse(PinUse.NONE);
        return level(isRail, use, wire.to().part().equals(part.id()));
    }

    /** What a pin of a part is tied to now; empty where it is not, or where somebody drives it. */
    public static Optional<Strap> level(NodeCircuit node, Endpoint pin) {
        return node.wire(pin)
                .map(Wire::to)
                .flatMap(to -> level(
                        node.rail(to).isPresent(),
                        node.pin(to).map(Pin::use).orElse(PinUse.NONE),
                        to.part().equals(pin.part())));
    }

    private static Optional<Strap> level(boolean isRail, PinUse use, boolean isOwn) {
        if (isRail) {
            return Optional.of(Strap.HIGH);
        }
        return switch (use) {
            case GROUND -> Optional.of(Strap.LOW);
            case I2C_SDA -> isOwn ? Optional.of(Strap.SDA) : Optional.empty();
            case I2C_SCL -> isOwn ? Optional.of(Strap.SCL) : Optional.empty();
            default -> Optional.empty();
        };
    }
}
