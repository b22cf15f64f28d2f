package inkel.core.tune.sample;

import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Meter;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/** Which signals of a part are wired. */
public final class Wired {
    private Wired() {}

    /** The labels of a part's signals of a kind that lead somewhere, in the order of the class. */
    public static List<String> pins(NodeCircuit node, Placed part, Predicate<Pin> kind) {
        return part.cls()
                .signals()
                .filter(kind)
                .filter(pin -> node.wire(part.endpoint(pin))
                        .filter(wire -> !node.isTie(wire))
                        .isPresent())
                .map(Pin::label)
                .toList();
    }

    /** Whether both lines of I2C are wired, or data and clock of SPI. */
    public static boolean onBus(NodeCircuit node, Placed part) {
        List<String> i2c = pins(node, part, pin -> pin.use() == PinUse.I2C_SDA || pin.use() == PinUse.I2C_SCL);
        List<String> spi = pins(
                node,
                part,
                pin -> pin.use() == PinUse.SPI_SCK || pin.use() == PinUse.SPI_MOSI || pin.use() == PinUse.SPI_MISO);
        return i2c.size() == 2 || spi.size() >= 2;
    }

    /** What a bench needs to know of a part that is read over a bus; empty for one that is on none. */
    public static Optional<Rig> rigOnBus(NodeCircuit node, Placed part, Meter meter) {
        return onBus(node, part)
                ? Optional.of(new Rig(part.part().name(), List.of(), Map.of(), meter))
                : Optional.empty();
    }
}
