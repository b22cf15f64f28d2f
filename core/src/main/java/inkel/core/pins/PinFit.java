package inkel.core.pins;

import inkel.core.catalog.Ability;
import inkel.core.catalog.BusLine;
import inkel.core.catalog.Controller;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinLoad;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.catalog.SoftwareBuses;
import inkel.core.circuit.Chain;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.TimerClaims;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.quantity.Fact;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** Tells whether a signal may go to a pin, by what the pin can do; who is there already does not matter here. */
public final class PinFit {
    /** Radio-control receivers repeat their pulses about fifty times a second. */
    private static final double SERVO_HERTZ = 60;

    private PinFit() {}

    /** Why the signal cannot go there; empty when it can. */
    public static Optional<Fact> whyNot(NodeCircuit node, Endpoint signal, Endpoint target) {
        Optional<Placed> asking = node.part(signal.part());
        Optional<Pin> wanted = node.pin(signal);
        if (asking.isEmpty() || wanted.isEmpty()) {
            return Optional.of(Fact.of("why_not.no_such_pin").with("pin", target.pin()));
        }
        return whyNot(node, asking.get(), wanted.get(), target);
    }

    static Optional<Fact> whyNot(NodeCircuit node, Placed asking, Pin wanted, Endpoint target) {
        Optional<Pin> offered = node.pin(target);
        Optional<Placed> owner = node.part(target.part());
        if (offered.isEmpty() || owner.isEmpty()) {
            return Optional.of(Fact.of("why_not.no_such_pin").with("pin", target.pin()));
        }
        Pin pin = offered.get();
        return refusal(asking, wanted, owner.get(), pin)
                .or(() -> isCircle(node, asking, owner.get(), pin) ? Optional.of("why_not.circle") : Optional.empty())
                .map(key -> Fact.of(key).with("pin", pin.label()));
    }

    /** Whether a chain would come back to where it began. */
    private static boolean isCircle(NodeCircuit node, Placed asking, Placed owner, Pin pin) {
        return pin.can(Ability.Kind.CHAIN) && Chain.isBehind(node, owner, asking.id());
    }

    /** Whether a wire's pin can do what its signal needs. */
    static boolean isFit(NodeCircuit node, Wire wire) {
        Optional<Placed> asking = node.part(wire.from().part());
        Optional<Pin> wanted = node.pin(wire.from());
        Optional<Placed> owner = node.part(wire.to().part());
        Optional<Pin> offered = node.pin(wire.to());
        return asking.isPresent()
                && wanted.isPresent()
                && owner.isPresent()
                && offered.isPresent()
                && fits(asking.get(), wanted.get(), owner.get(), offered.get())
                && !isCircle(node, asking.get(), owner.get(), offered.get());
    }

    /** Whether a signal may go to a pin of a part that need not be on the table yet. */
    static boolean fits(Placed asking, Pin wanted, Placed owner, Pin pin) {
        return refusal(asking, wanted, owner, pin).isEmpty();
    }

    private static Optional<String> refusal(Placed asking, Pin wanted, Placed owner, Pin pin) {
        PinUse use = wanted.use();
        if (asking.id().equals(owner.id()) && use.isSignal() && !asking.part().isBoard()) {
            return Optional.of("why_not.own_pin");
        } else if (owner.isSecondBoard()) {
            return Optional.of("why_not.second_board");
        } else if (pin.can().isEmpty()) {
            return Optional.of("why_not.offers_nothing");
        } else if (pin.can(Ability.Kind.SOCKET)) {
            boolean isIt = pin.can(Ability.Kind.SOCKET, wanted.label().toLowerCase(Locale.ROOT));
            boolean isPlugged = use == PinUse.INPUT
                    || use == PinUse.BIAS
                    || use == PinUse.LEAD && !Leads.isOfWinding(asking.cls(), wanted);
            return isIt && isPlugged ? Optional.empty() : Optional.of("why_not.socket");
        } else if (pin.can(Ability.Kind.CHAIN)) {
            boolean isNext = asking.cls().id().equals(owner.cls().id())
                    && (wanted.isTimed() || use == PinUse.SPI_MOSI || use == PinUse.SPI_MISO);
            return isNext ? Optional.empty() : Optional.of("why_not.chain");
        } else if (owner.isKeptFree(pin)) {
            return Optional.of("why_not.forbidden");
        } else if (isAtOtherEnd(asking, use, owner, pin)) {
            return Optional.of("why_not.other_end");
        } else if (use.listens() && pin.can(Ability.Kind.INPUT_ONLY)) {
            return Optional.of("why_not.input_only");
        } else if (use.drives() && pin.can(Ability.Kind.OUTPUT_ONLY)) {
            return Optional.of("why_not.output_only");
        } else if (isIndirect(asking, wanted, owner, pin)) {
            return Optional.of("why_not.not_direct");
        }
        return can(asking, wanted, owner, pin) ? Optional.empty() : Optional.of("why_not." + need(use));
    }

    /** A part that was asked to stay near one end of the header; lines of a bus are where the board has them. */
    private static boolean isAtOtherEnd(Placed asking, PinUse use, Placed owner, Pin pin) {
        Optional<Settings.RibbonEnd> end = asking.own(Settings.END);
        return end.isPresent()
                && owner.part().isBoard()
                && use.sharedLine().isEmpty()
                && (end.get() == Settings.RibbonEnd.MARKED) != isNearMark(owner, pin);
    }

    private static boolean isNearMark(Placed owner, Pin pin) {
        int last = owner.cls().pins().stream()
                .filter(other -> other.row().equals(pin.row()))
                .mapToInt(Pin::place)
                .max()
                .orElse(1);
        return 2 * pin.place() <= last;
    }

    /** What a part offers is reached over its bus: too slow and too late for selects, serial data, calls and timed edges. */
    private static boolean isIndirect(Placed asking, Pin wanted, Placed owner, Pin pin) {
        if (owner.part().isBoard()) {
            return false;
        }
        PinUse use = wanted.use();
        boolean isChain = use.sharedLine().isPresent() && offersBus(asking);
        boolean isPlain = use != PinUse.INPUT && use != PinUse.OUTPUT && pin.can(Ability.Kind.DIGITAL);
        boolean isTooLate = wanted.isTimed() && (pin.can(Ability.Kind.DIGITAL) || pin.can(Ability.Kind.PWM));
        return isChain || isPlain || isTooLate;
    }

    private static boolean offersBus(Placed placed) {
        return placed.cls().offers().anyMatch(pin -> pin.can(Ability.Kind.I2C) || pin.can(Ability.Kind.SPI));
    }

    private static boolean can(Placed asking, Pin wanted, Placed owner, Pin pin) {
        PinUse use = wanted.use();
        Optional<BusLine> line = use.sharedLine();
        if (line.isPresent()) {
            return isOnSoftwareBus(asking)
                    ? servesBySoftware(owner, line.get(), pin)
                    : pin.can(line.get().bus(), line.get().line());
        }
        return switch (use) {
            case PWM ->
                pin.can(Ability.Kind.PWM)
                        || pulsesBySoftware(asking, owner, pin)
                        || pin.can(Ability.Kind.DIGITAL) && TimerClaims.serves(owner, asking)
                        || pin.can(Ability.Kind.PULSES) && isOfServos(asking);
            case INPUT ->
                pin.can(Ability.Kind.DIGITAL)
                        || pin.can(Ability.Kind.PULSES)
                        || pin.can(Ability.Kind.PWM) && isLamp(asking, wanted)
                        || pin.can(Ability.Kind.SINK) && hangsOnSupply(asking, wanted);
            case ANALOG -> pin.can(Ability.Kind.ADC);
            case BIAS -> pin.can(Ability.Kind.VOLTAGE) || pin.can(Ability.Kind.DAC);
            case LEAD -> pin.can(Ability.Kind.DRIVE) && Leads.isOfWinding(asking.cls(), wanted);
            case UART_TX -> pin.can(Ability.Kind.UART, "rx") || pin.can(Ability.Kind.DIGITAL);
            case UART_RX -> pin.can(Ability.Kind.UART, "tx") || pin.can(Ability.Kind.DIGITAL);
            default -> pin.can(Ability.Kind.DIGITAL);
        };
    }

    /** Whether the builder or the plan put the part on a bus that the program drives itself. */
    public static boolean isOnSoftwareBus(Placed placed) {
        return placed.own(Settings.BUS).filter(Settings.Bus.SOFTWARE::equals).isPresent();
    }

    /** Whether a plain pin of the board can be a line of a bus that the program drives itself. */
    static boolean servesBySoftware(Placed owner, BusLine line, Pin pin) {
        boolean hasCode = owner.cls()
                .controller()
                .flatMap(controller -> controller.software().clock(line.bus()))
                .isPresent();
        boolean onlyListens = line == BusLine.MISO || !pin.can(Ability.Kind.INPUT_ONLY);
        return hasCode && onlyListens && pin.can(Ability.Kind.DIGITAL) && !pin.can(Ability.Kind.CONSOLE);
    }

    /** A lamp is what the channels of a driver are made for. */
    private static boolean isLamp(Placed asking, Pin wanted) {
        return loads(asking, wanted).anyMatch(load -> load.sort() == PinLoad.Sort.LED);
    }

    /** Whether what hangs on the pin gets its current from a supply, so that the pin only has to let it go to ground. */
    private static boolean hangsOnSupply(Placed asking, Pin wanted) {
        return loads(asking, wanted).anyMatch(PinLoad::isFromSupply);
    }

    private static Stream<PinLoad> loads(Placed asking, Pin wanted) {
        return asking.cls().demands().pinLoads().stream()
                .filter(load -> load.pin().equals(wanted.label()));
    }

    /** Whether the program can switch a part's pulses on a plain pin. */
    private static boolean pulsesBySoftware(Placed asking, Placed owner, Pin pin) {
        return pin.can(Ability.Kind.DIGITAL)
                && owner.cls()
                        .controller()
                        .map(Controller::software)
                        .flatMap(SoftwareBuses::pulses)
                        .filter(pulses -> asking.cls()
                                .pwm()
                                .filter(need ->
                                        need.frequency().hertz() > pulses.most().hertz())
                                .isEmpty())
                        .isPresent();
    }

    /** A receiver gives its pulses as often as servos want them, and to nothing that wants them oftener. */
    private static boolean isOfServos(Placed asking) {
        return asking.cls()
                .pwm()
                .filter(need -> need.frequency().hertz() <= SERVO_HERTZ)
                .isPresent();
    }

    private static String need(PinUse use) {
        return switch (use) {
            case BIAS -> "needs_voltage";
            case LEAD -> "needs_drive";
            case PWM -> "needs_pwm";
            case ANALOG -> "needs_adc";
            case SPI_SCK, SPI_MOSI, SPI_MISO -> "needs_spi";
            case I2C_SDA, I2C_SCL -> "needs_i2c";
            default -> "needs_digital";
        };
    }

    /** Every pin of the node that the signal may go to, in physical order, the board's first. */
    public static Stream<Endpoint> legal(NodeCircuit node, Endpoint signal) {
        Optional<Placed> asking = node.part(signal.part());
        Optional<Pin> wanted = node.pin(signal);
        return asking.isEmpty() || wanted.isEmpty()
                ? Stream.empty()
                : node.parts().stream().flatMap(owner -> owner.cls()
                        .offers()
                        .filter(pin ->
                                refusal(asking.get(), wanted.get(), owner, pin).isEmpty())
                        .map(owner::endpoint));
    }
}
