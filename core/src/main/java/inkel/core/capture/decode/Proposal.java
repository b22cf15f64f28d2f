package inkel.core.capture.decode;

import inkel.core.capture.Capture;
import inkel.core.capture.Channel;
import inkel.core.capture.decode.Decoding.At;
import inkel.core.capture.decode.Decoding.Kind;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Which channel of a capture is which wire of a table, and as what it is best read: by names where a channel is called as a
 * pin is, else by what it carries. The builder confirms it.
 *
 * @param pins by the name of the channel, in the order of the capture; absent for one that tells nothing
 */
public record Proposal(Map<String, Optional<At>> pins, Kind kind) {
    /** What hardly moves tells nothing. */
    private static final int FEW = 3;

    /** A servo's pulses, with room: 0.4 to 2.8 ms. */
    private static final double LEAST_PULSE = 0.4e-3;

    private static final double MOST_PULSE = 2.8e-3;

    /** A mark of so long begins a message of a handset, and nothing else does. */
    private static final double LEADS = 2e-3;

    private static final double MOST_LEAD = 11e-3;

    public static Proposal of(Capture capture, NodeCircuit node) {
        Map<String, Optional<At>> pins = new LinkedHashMap<>();
        capture.channels().forEach(channel -> pins.put(channel.name(), named(channel.name(), node)));
        return pins.values().stream().anyMatch(Optional::isPresent)
                ? new Proposal(pins, kind(pins.values()))
                : byContents(capture, node, pins);
    }

    private static Optional<At> named(String channel, NodeCircuit node) {
        String name = channel.toLowerCase(Locale.ROOT);
        List<At> same = new ArrayList<>();
        for (Wire wire : node.node().wires()) {
            Endpoint from = wire.from();
            boolean isSame = name.equals(from.toString().toLowerCase(Locale.ROOT))
                    || name.equals(from.pin().toLowerCase(Locale.ROOT))
                    || name.equals(wire.to().pin().toLowerCase(Locale.ROOT));
            if (isSame) {
                node.part(from.part())
                        .map(placed -> new At(node, placed, from.pin()))
                        .ifPresent(same::add);
            }
        }
        return same.stream().findFirst();
    }

    /** What the first wire is for that tells more than pulses. */
    private static Kind kind(Collection<Optional<At>> pins) {
        return pins.stream()
                .flatMap(Optional::stream)
                .map(Proposal::kind)
                .filter(kind -> kind != Kind.PULSES)
                .findFirst()
                .orElse(Kind.PULSES);
    }

    /** As what a wire of the plan is read. */
    public static Kind kind(At at) {
        return switch (at.part().cls().pin(at.pin()).orElseThrow().use()) {
            case I2C_SDA, I2C_SCL -> Kind.I2C;
            case SPI_SCK, SPI_MOSI, SPI_MISO, SPI_CS -> Kind.SPI;
            case UART_TX, UART_RX -> Kind.UART;
            default -> isInfrared(at.part()) ? Kind.INFRARED : Kind.PULSES;
        };
    }

    private static boolean isInfrared(Placed part) {
        return part.cls()
                .handling()
                .air()
                .filter(air -> air.kind().contains("infrared"))
                .isPresent();
    }

    private static Proposal byContents(Capture capture, NodeCircuit node, Map<String, Optional<At>> pins) {
        Optional<Bus> bus = Bus.of(capture);
        if (bus.isPresent()) {
            pins.put(bus.get().sda().name(), wired(node, PinUse.I2C_SDA));
            pins.put(bus.get().scl().name(), wired(node, PinUse.I2C_SCL));
            return new Proposal(pins, Kind.I2C);
        }
        Capture begun = capture.beginning(Bus.ENOUGH);
        List<Channel> channels = begun.channels().stream()
                .filter(channel -> channel.count() > FEW)
                .toList();
        for (Channel channel : channels) {
            Kind kind = alone(begun, channel);
            if (kind == Kind.INFRARED) {
                pins.put(channel.name(), infrared(node));
            } else if (kind == Kind.UART) {
                pins.put(channel.name(), wired(node, PinUse.UART_TX));
            } else if (kind == Kind.PULSES) {
                pins.put(channel.name(), wired(node, PinUse.PWM));
            }
            if (channels.size() == 1) {
                return new Proposal(pins, kind);
            }
        }
        return new Proposal(pins, Kind.PULSES);
    }

    /** What a line alone looks like: marks that lead, pulses of a servo, letters, or pulses of any sort. */
    private static Kind alone(Capture capture, Channel channel) {
        if (Carrier.of(capture, channel).isPresent()) {
            return Kind.INFRARED;
        }
        boolean isLow = channel.rest(capture.end()) == Channel.LOW;
        Channel upright = isLow ? channel.turned() : channel;
        int servo = 0;
        int leads = 0;
        int rests = 0;
        for (int i = 0; i + 1 < upright.count(); i++) {
            double width = capture.seconds(upright.time(i + 1) - upright.time(i));
            boolean isRest = upright.level(i) == Channel.HIGH;
            rests += isRest ? 1 : 0;
            servo += isRest != isLow && width > LEAST_PULSE && width < MOST_PULSE ? 1 : 0;
            // The pulse of a servo at its end is longer than the lead of some handsets.
            leads += !isRest && width > (isLow ? MOST_PULSE : LEADS) && width < MOST_LEAD ? 1 : 0;
        }
        if (leads > 0 && leads < rests / 8) {
            return Kind.INFRARED;
        } else if (servo >= 0.9 * rests) {
            return Kind.PULSES;
        }
        List<Message> letters = new SerialManner(Optional.empty(), Optional.empty())
                .read(capture, channel)
                .found()
                .messages();
        long well = letters.stream().filter(Message::isWell).count();
        return well > 0 && well >= 0.9 * letters.size() ? Kind.UART : Kind.PULSES;
    }

    private static Optional<At> wired(NodeCircuit node, PinUse use) {
        for (Wire wire : node.node().wires()) {
            Optional<Placed> part = node.part(wire.from().part());
            Optional<Pin> pin = node.pin(wire.from());
            if (part.isPresent() && pin.filter(of -> of.use() == use).isPresent()) {
                return Optional.of(new At(node, part.get(), wire.from().pin()));
            }
        }
        return Optional.empty();
    }

    private static Optional<At> infrared(NodeCircuit node) {
        return node.node().wires().stream()
                .flatMap(wire -> node.part(wire.from().part()).stream()
                        .filter(Proposal::isInfrared)
                        .map(part -> new At(node, part, wire.from().pin())))
                .findFirst();
    }
}
