package inkel.core.wake.report;

import inkel.core.bench.Question;
import inkel.core.catalog.Ability;
import inkel.core.catalog.AnalogGroup;
import inkel.core.catalog.Controller;
import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.WakeCheck;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Switched;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.formula.Converter;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import inkel.core.wake.Check;
import inkel.core.wake.Expected;
import inkel.core.wake.NodeWake;
import inkel.core.wake.Phase;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/** Makes the plan of a report from the checks of a node. */
final class ReportPlanMaker {
    private static final Frequency USUAL_BAUD = Frequency.ofHertz(9600);

    /**
     * What a program needs to tell one bit of a plain pin from the next: reading a pin and a clock takes some 150 clocks in
     * the usual code, and five of these in a bit still find its middle. Faster lines are not listened to.
     */
    private static final int CLOCKS_A_BIT = 800;

    /** The usual rates of a port that lines are read from, the fastest first. */
    private static final List<Integer> RATES = List.of(115_200, 57_600, 38_400, 19_200, 9_600);

    private final NodeWake wake;
    private final NodeCircuit node;
    private final List<ReportPlan.Bus> buses;

    ReportPlanMaker(NodeWake wake) {
        this.wake = wake;
        node = wake.node();
        buses = buses();
    }

    ReportPlan plan() {
        List<ReportPlan.Register> registers = new ArrayList<>();
        List<ReportPlan.Analog> analogs = new ArrayList<>();
        List<ReportPlan.Line> lines = new ArrayList<>();
        List<ReportPlan.Act> acts = new ArrayList<>();
        for (Placed placed : node.parts()) {
            if (placed.part().isBoard() || placed.isForLater()) {
                continue;
            }
            for (WakeCheck check : placed.cls().handling().checks()) {
                if (check instanceof WakeCheck.Identity identity) {
                    register(placed, identity).ifPresent(registers::add);
                } else if (check instanceof WakeCheck.Reply reply) {
                    line(placed, reply).ifPresent(lines::add);
                } else if (check instanceof WakeCheck.Sign sign) {
                    sign.drive()
                            .flatMap(drive -> act(placed, drive, sign.with(), acts.size() + 1))
                            .ifPresent(acts::add);
                }
            }
            placed.cls().signals().filter(pin -> pin.use() == PinUse.ANALOG).forEach(pin -> target(placed.endpoint(pin))
                    .flatMap(at -> analog(placed.endpoint(pin), at))
                    .ifPresent(analogs::add));
        }
        for (Check check : wake.checks()) {
            if (check.kind() == Check.Kind.LEVEL && check.group().phase() == Phase.PART) {
                target(check.at().endpoint())
                        .map(pin ->
                                new ReportPlan.Act(acts.size() + 1, check.at().endpoint(), pin, WakeCheck.To.HIGH))
                        .ifPresent(acts::add);
            }
        }
        // What talks on the console does so by itself.
        for (Endpoint pin : wake.talking()) {
            node.pin(pin)
                    .filter(found -> !found.can(Ability.Kind.CONSOLE))
                    .map(found -> new ReportPlan.Act(acts.size() + 1, pin, found, WakeCheck.To.HIGH))
                    .ifPresent(acts::add);
        }
        return new ReportPlan(
                node, pins(), way(node), buses, registers, levels(), analogs, lines, acts, codes(acts.size()));
    }

    private List<ReportPlan.Code> codes(int acts) {
        List<ReportPlan.Code> codes = new ArrayList<>();
        for (Check check : wake.checks()) {
            check.code()
                    .flatMap(code -> code(check.at().endpoint(), code, acts + codes.size() + 1))
                    .ifPresent(codes::add);
        }
        return codes;
    }

    private Optional<ReportPlan.Code> code(Endpoint pin, long code, int number) {
        Placed placed = node.part(pin.part()).orElseThrow();
        int bits = placed.cls().pin(pin.pin()).orElseThrow().codeBits();
        Optional<List<Integer>> bytes = placed.cls().handling().frame().map(frame -> frame.bytes(bits, code));
        Optional<ReportPlan.Bus> bus =
                buses.stream().filter(on -> on.parts().contains(placed)).findFirst();
        List<Pin> spi = new ArrayList<>();
        for (PinUse use : List.of(PinUse.SPI_SCK, PinUse.SPI_MOSI, PinUse.SPI_CS)) {
            target(placed, use).ifPresent(spi::add);
        }
        boolean isShifted = target(placed, PinUse.SPI_SCK).isPresent()
                && target(placed, PinUse.SPI_MOSI).isPresent();
        return bytes.filter(sent -> bus.isPresent() || isShifted)
                .map(sent ->
                        new ReportPlan.Code(number, pin, code, sent, placed, bus, bus.isPresent() ? List.of() : spi));
    }

    /** The pin of the board that a signal is wired to; empty for a pin of another part, and for a tie. */
    private Optional<Pin> target(Endpoint signal) {
        return node.wire(signal)
                .filter(wire -> wire.to().part().equals(node.board().id()) && !node.isTie(wire))
                .flatMap(wire -> node.pin(wire.to()));
    }

    private List<Pin> pins() {
        return node.nets().keySet().stream()
                .filter(end -> end.part().equals(node.board().id()))
                .flatMap(end -> node.pin(end).stream())
                .filter(pin -> !pin.use().isSignal() && pin.use() == PinUse.OFFER)
                .toList();
    }

    static Optional<ReportPlan.Way> way(NodeCircuit node) {
        Controller controller = node.board().cls().controller().orElseThrow();
        List<Pin> all = node.board().cls().pins();
        boolean isReached =
                controller.programs().isEmpty() || all.stream().anyMatch(pin -> pin.can(Ability.Kind.CONSOLE));
        if (isReached) {
            return Optional.of(new ReportPlan.Way(
                    Optional.empty(), rate(baud -> controller.bestBaud(baud).isWithinLimit())));
        }
        // Pins that it is programmed over come last: leads may still hang on them.
        Comparator<Pin> isProgrammed = Comparator.comparing(pin ->
                controller.programs().stream().anyMatch(way -> way.lines().containsValue(pin.label())));
        return all.stream()
                .filter(pin -> pin.use() == PinUse.OFFER && pin.can(Ability.Kind.DIGITAL))
                .filter(pin -> !node.nets().containsKey(node.board().endpoint(pin))
                        && !node.board().isKeptFree(pin))
                .min(isProgrammed)
                .map(pin -> new ReportPlan.Way(
                        Optional.of(pin),
                        rate(baud -> baud.hertz() * CLOCKS_A_BIT
                                <= controller.clock().hertz())));
    }

    private static Frequency rate(Predicate<Frequency> isKept) {
        return RATES.stream().map(Frequency::ofHertz).filter(isKept).findFirst().orElse(USUAL_BAUD);
    }

    private Optional<Pin> target(Placed placed, PinUse use) {
        return placed.cls().pins().stream()
                .filter(pin -> pin.use() == use)
                .flatMap(pin -> target(placed.endpoint(pin)).stream())
                .findFirst();
    }

    private List<ReportPlan.Bus> buses() {
        Map<String, List<Placed>> parts = new LinkedHashMap<>();
        Map<String, List<Pin>> pins = new LinkedHashMap<>();
        for (Placed placed : node.parts()) {
            Optional<Pin> sda = target(placed, PinUse.I2C_SDA);
            Optional<Pin> scl = target(placed, PinUse.I2C_SCL);
            if (sda.isPresent() && scl.isPresent() && !placed.isForLater()) {
                String key = sda.get().label() + " " + scl.get().label();
                pins.put(key, List.of(sda.get(), scl.get()));
                parts.computeIfAbsent(key, made -> new ArrayList<>()).add(placed);
            }
        }
        List<ReportPlan.Bus> found = new ArrayList<>();
        parts.forEach((key, on) -> found.add(new ReportPlan.Bus(
                found.size(), pins.get(key).get(0), pins.get(key).get(1), on)));
        return found;
    }

    private Optional<ReportPlan.Register> register(Placed placed, WakeCheck.Identity identity) {
        int bytes =
                Math.max(1, (identity.values().get(0).replaceFirst("^0[xX]", "").length() + 1) / 2);
        Optional<ReportPlan.Bus> bus =
                buses.stream().filter(on -> on.parts().contains(placed)).findFirst();
        Optional<ReportPlan.Spi> spi = bus.isPresent() ? Optional.empty() : spi(placed);
        boolean isHeard = bus.isPresent() && !identity.asking().send().isEmpty()
                || spi.filter(pins -> pins.out().isPresent()
                                || identity.asking().send().isEmpty())
                        .isPresent();
        return isHeard
                ? Optional.of(new ReportPlan.Register(placed, identity.register(), identity.asking(), bytes, bus, spi))
                : Optional.empty();
    }

    private Optional<ReportPlan.Spi> spi(Placed placed) {
        return target(placed, PinUse.SPI_SCK).flatMap(clock -> target(placed, PinUse.SPI_MISO)
                .map(in ->
                        new ReportPlan.Spi(clock, target(placed, PinUse.SPI_MOSI), in, target(placed, PinUse.SPI_CS))));
    }

    private Optional<ReportPlan.Line> line(Placed placed, WakeCheck.Reply reply) {
        Frequency baud = placed.baud().orElse(USUAL_BAUD);
        Frequency clock = node.board().cls().controller().orElseThrow().clock();
        return target(placed, PinUse.UART_TX)
                .filter(from -> baud.hertz() * CLOCKS_A_BIT <= clock.hertz())
                .map(from -> new ReportPlan.Line(placed, from, target(placed, PinUse.UART_RX), baud, reply.say()));
    }

    private Optional<ReportPlan.Analog> analog(Endpoint signal, Pin at) {
        Optional<AnalogGroup> group = at.can().stream()
                .filter(ability -> ability.kind() == Ability.Kind.ADC)
                .flatMap(ability -> node.board().cls().analog(ability.unit()).stream())
                .findFirst();
        Voltage supply =
                node.ioVolts(node.board().endpoint(at)).map(Range::expected).orElse(Voltage.ZERO);
        boolean isChanged = node.between(signal)
                .filter(piece -> !(piece instanceof Between.Series))
                .isPresent();
        return group.map(found -> new ReportPlan.Analog(
                signal,
                at,
                new Converter(found.fullScale().at(supply), found.bits()),
                wake.check("volts " + signal)
                        .filter(check -> !isChanged && check.asked().question() instanceof Question.Measure)));
    }

    private Optional<ReportPlan.Act> act(Placed placed, WakeCheck.Drive drive, List<WakeCheck.Drive> with, int number) {
        Endpoint signal = new Endpoint(placed.id(), drive.pin());
        return drive.to() == WakeCheck.To.MESSAGE
                ? Optional.empty()
                : target(signal)
                        .map(pin -> new ReportPlan.Act(
                                number,
                                signal,
                                pin,
                                put(signal, drive.to()),
                                drive.width(),
                                held(placed, with, WakeCheck.To.HIGH),
                                held(placed, with, WakeCheck.To.LOW)));
    }

    private List<Pin> held(Placed placed, List<WakeCheck.Drive> with, WakeCheck.To to) {
        return with.stream()
                .filter(other -> put(new Endpoint(placed.id(), other.pin()), other.to()) == to)
                .flatMap(other -> target(new Endpoint(placed.id(), other.pin())).stream())
                .toList();
    }

    /** What the board puts out for it. */
    private WakeCheck.To put(Endpoint signal, WakeCheck.To to) {
        return Switched.turnsOver(node, signal) ? to.turnedOver() : to;
    }

    /** Of the wires whose volts are foretold: high where the board reads all of the band so, low likewise. */
    private List<ReportPlan.Level> levels() {
        List<ReportPlan.Level> levels = new ArrayList<>();
        for (Check check : wake.checks()) {
            boolean isRest = check.group().phase() == Phase.PART
                    && check.kind() == Check.Kind.VOLTS
                    && check.expected() instanceof Expected.Within;
            if (isRest && !speaks(check.at().endpoint())) {
                Endpoint signal = check.at().endpoint();
                target(signal).ifPresent(pin -> isHigh(signal, (Expected.Within) check.expected())
                        .ifPresent(high -> levels.add(new ReportPlan.Level(signal, pin, high))));
            }
        }
        return levels;
    }

    /** Who speaks by itself does not rest. */
    private boolean speaks(Endpoint signal) {
        return node.pin(signal).filter(pin -> pin.use() == PinUse.UART_TX).isPresent()
                && node.part(signal.part()).orElseThrow().cls().handling().checks().stream()
                        .anyMatch(check -> check instanceof WakeCheck.Reply reply
                                && reply.say().isEmpty());
    }

    private Optional<Boolean> isHigh(Endpoint signal, Expected.Within within) {
        Endpoint at = node.wire(signal).orElseThrow().to();
        Optional<IoFamily> family = node.io(at);
        Optional<Voltage> supply = node.ioVolts(at).map(Range::expected);
        if (family.isEmpty()
                || supply.isEmpty()
                || !node.pin(at).orElseThrow().can().stream()
                        .allMatch(ability -> ability.kind() != Ability.Kind.OUTPUT_ONLY)) {
            return Optional.empty();
        }
        double high = family.get()
                .vih()
                .map(vih -> vih.at(supply.get()).volts())
                .orElse(supply.get().volts());
        double low = family.get().vil().map(vil -> vil.at(supply.get()).volts()).orElse(0.0);
        if (within.low().map(Quantity::si).orElse(0.0) >= high) {
            return Optional.of(true);
        }
        return within.high().map(Quantity::si).orElse(high) <= low ? Optional.of(false) : Optional.empty();
    }
}
