package inkel.core.pins;

import inkel.core.catalog.Ability;
import inkel.core.catalog.AnalogGroup;
import inkel.core.catalog.BusLine;
import inkel.core.catalog.Controller;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinLoad;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.ProgramLines;
import inkel.core.circuit.TimerClaims;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import java.util.Optional;

/**
 * What a placement costs, in the order in which its faults matter: a warning outweighs everything else a node can gather,
 * a plugged wire that moves outweighs looks, and looks outweigh roles that might be wanted one day.
 *
 * @param warning for each thing that a rule would warn of
 * @param tied for an input that is tied for good where it could have been driven
 * @param replug for a plugged wire that moves
 * @param moved for a planned wire that moves before it is plugged
 * @param crossing for two wires of one part that cross
 * @param gap for two wires of one part that do not lie side by side
 * @param rare for each rare role that a pin had and nobody uses any more
 */
record Price(int warning, int tied, int replug, int moved, int crossing, int gap, int rare) {
    /** A bus on plain pins is slow and keeps the program busy: dearer than anything that is only to be looked at. */
    int software() {
        return 4 * warning;
    }

    /** A bus that is not on its usual pins: more than wires that cross, less than a plugged one that moves. */
    int elsewhere() {
        return Math.min(30, replug / 2 + 10);
    }

    /** A part that holds a wire which another must talk on: dearer than a bus of its own on plain pins. */
    int held() {
        return 10 * warning;
    }

    static final Price USUAL = of(Emphasis.STEADY);

    /** A role that few pins have: what a timer or converter gives away is dearer than a line of a second bus. */
    private static final int PULSES = 3;

    private static final int CONVERTER = 2;
    private static final int CALL = 2;
    private static final int LINE = 1;

    static Price of(Emphasis emphasis) {
        return switch (emphasis) {
            case STEADY -> new Price(5000, 90, 60, 12, 9, 8, 2);
            case NEAT -> new Price(5000, 90, 4, 2, 40, 30, 1);
            case SPARING -> new Price(5000, 90, 4, 2, 2, 1, 30);
        };
    }

    /** A pin that the rules will stop for: dearer than any warning, cheaper than a bus that the program drives. */
    int levels() {
        return 3 * warning;
    }

    /** What a signal's way to a pin costs: the warnings it brings, and the roles that the pin had. */
    static int ofPin(NodeCircuit node, Placed asking, PinUse use, Endpoint target, Price price) {
        Pin pin = node.pin(target).orElseThrow();
        return price.warning * warnings(node, asking, use, target, pin)
                + (isElsewhere(node, use, target) ? price.elsewhere() : 0)
                + price.rare * rareRoles(node, asking, use, target, pin);
    }

    /** Whether a line of a bus goes to a pin that can be it, and is not where people look for it. */
    private static boolean isElsewhere(NodeCircuit node, PinUse use, Endpoint target) {
        Optional<Controller> board =
                node.part(target.part()).flatMap(owner -> owner.cls().controller());
        if (board.isEmpty()) {
            return false;
        }
        if (use.isSerial()) {
            String line = use == PinUse.UART_TX ? "rx" : "tx";
            return !board.get().isUsual(Ability.Kind.UART, line, target.pin());
        }
        return use.sharedLine()
                .filter(line -> !board.get().isUsual(line.bus(), line.line(), target.pin()))
                .isPresent();
    }

    /** How many rules would warn of the signal on that pin, whoever else is there. */
    static int warnings(NodeCircuit node, Placed asking, PinUse use, Endpoint target, Pin pin) {
        int warnings = 0;
        warnings += AtStart.of(asking, use, pin).map(AtStart::warnings).orElse(0);
        if (isOfConsole(node, pin)) {
            warnings++;
        }
        if (ActsAtStart.may(asking, use, pin)) {
            warnings++;
        }
        if (DriverTaken.mayTake(node, use, target)) {
            warnings++;
        }
        if (use.drives() && !use.isTwoWay() && ProgramLines.shared(node).contains(target)) {
            warnings++;
        }
        boolean isSwitchedByCode = target.part().equals(node.board().id()) && TimerClaims.serves(node.board(), asking);
        if (use == PinUse.PWM && !pin.can(Ability.Kind.PWM) && !pin.can(Ability.Kind.PULSES) && !isSwitchedByCode) {
            warnings++;
        }
        if (use == PinUse.INTERRUPT && !isCalled(pin)) {
            warnings++;
        }
        if (isTaken(pin)) {
            warnings++;
        }
        if (isBareLoad(node, asking, use) && !pin.can(Ability.Kind.SINK)) {
            warnings++;
        }
        if (pin.can(Ability.Kind.SINK) && isFedPast(asking, target)) {
            warnings++;
        }
        if (use == PinUse.ANALOG && isConverterOff(node, target, pin)) {
            warnings++;
        }
        if (use.sharedLine().isPresent() && !isLine(use.sharedLine().get(), pin) && !PinFit.isOnSoftwareBus(asking)) {
            warnings++;
        }
        return warnings;
    }

    /** Whether what a part hangs on a supply has no transistor of its own in its wire. */
    private static boolean isBareLoad(NodeCircuit node, Placed asking, PinUse use) {
        return asking.cls().demands().pinLoads().stream()
                .filter(PinLoad::isFromSupply)
                .filter(load -> asking.cls()
                        .pin(load.pin())
                        .filter(pin -> pin.use() == use)
                        .isPresent())
                .anyMatch(load -> node.between(new Endpoint(asking.id(), load.pin()))
                        .filter(Between.CoilDriver.class::isInstance)
                        .isEmpty());
    }

    /** Whether what would go to ground there gets its supply through another board, or through none. */
    private static boolean isFedPast(Placed asking, Endpoint target) {
        return asking.part().feeds().values().stream()
                .noneMatch(feed -> feed.part().equals(target.part()));
    }

    /** Whether the board's console talks on a pin. */
    static boolean isOfConsole(NodeCircuit node, Pin pin) {
        return pin.can(Ability.Kind.CONSOLE)
                && node.board()
                        .own(Settings.CONSOLE)
                        .filter(Settings.Console.OFF::equals)
                        .isEmpty();
    }

    private static boolean isCalled(Pin pin) {
        return pin.can(Ability.Kind.INTERRUPT) || pin.can(Ability.Kind.CAPTURE) || pin.can(Ability.Kind.CHANGE);
    }

    /** Whether something else on the board hangs on the pin. */
    static boolean isTaken(Pin pin) {
        return pin.can(Ability.Kind.TAKEN);
    }

    private static boolean isLine(BusLine line, Pin pin) {
        return pin.can(line.bus(), line.line());
    }

    /** Whether the pin's converter cannot work beside something that runs on the board. */
    static boolean isConverterOff(NodeCircuit node, Endpoint target, Pin pin) {
        Optional<Placed> owner = node.part(target.part());
        return owner.stream()
                .flatMap(board -> board.cls().analog().stream())
                .filter(group -> isOf(group, pin))
                .flatMap(group -> group.offWhile().stream())
                .anyMatch(what -> Settings.of(what)
                        .flatMap(setting -> owner.get().part().typed(setting))
                        .filter("off"::equals)
                        .isEmpty());
    }

    private static boolean isOf(AnalogGroup group, Pin pin) {
        return pin.can().stream()
                .anyMatch(ability -> ability.kind() == Ability.Kind.ADC && ability.unit() == group.unit());
    }

    private static boolean isFedByADriver(NodeCircuit node, Placed asking) {
        return asking.part().feeds().values().stream()
                .flatMap(rail -> node.part(rail.part()).stream())
                .filter(owner -> !owner.part().isBoard())
                .flatMap(owner -> owner.cls().offers())
                .anyMatch(pin -> pin.can(Ability.Kind.PWM));
    }

    private static int rareRoles(NodeCircuit node, Placed asking, PinUse use, Endpoint target, Pin pin) {
        int rare = 0;
        if (use == PinUse.PWM && !pin.can(Ability.Kind.PWM) && isFedByADriver(node, asking)) {
            // What a driver feeds belongs on its channels, before any pin of the board.
            rare += PULSES;
        }
        if (!target.part().equals(node.board().id())) {
            rare += LINE
                    * (int) node.part(target.part()).stream()
                            .flatMap(owner -> owner.cls().signals())
                            .filter(other -> other.wantedWith().contains(target.pin()))
                            .count();
        }
        boolean isFedThere = asking.part().feeds().values().stream()
                .anyMatch(rail -> rail.part().equals(target.part()));
        for (Ability ability : pin.can()) {
            rare += switch (ability.kind()) {
                // A part that is fed by a driver belongs on that driver's sockets: the board's own timers are rarer.
                case PWM -> use == PinUse.PWM && isFedThere ? 0 : PULSES;
                case ADC -> use == PinUse.ANALOG ? 0 : CONVERTER;
                case INTERRUPT -> use == PinUse.INTERRUPT ? 0 : CALL;
                case SPI, I2C, UART -> line(node, target, ability, use);
                case LED, STRAP -> LINE;
                case CHANGE -> use == PinUse.INTERRUPT && !pin.can(Ability.Kind.INTERRUPT) ? CALL : 0;
                default -> 0;
            };
        }
        return rare;
    }

    /** A line of a bus where people look for it is missed when something else has it; elsewhere it is not. */
    private static int line(NodeCircuit node, Endpoint target, Ability ability, PinUse use) {
        boolean isUsual = node.part(target.part())
                .flatMap(owner -> owner.cls().controller())
                .filter(board -> !board.isUsual(ability.kind(), ability.line(), target.pin()))
                .isEmpty();
        return isUsual && !isUsed(ability, use) ? LINE : 0;
    }

    private static boolean isUsed(Ability ability, PinUse use) {
        return use.isSerial()
                ? ability.kind() == Ability.Kind.UART
                : use.sharedLine().filter(line -> line.bus() == ability.kind()).isPresent();
    }

    /** What it costs that a wire leaves where it is. */
    int ofMove(Optional<Wire> now, Endpoint target, boolean isPlugged) {
        boolean isMoved = now.filter(wire -> !wire.to().equals(target)).isPresent();
        return !isMoved ? 0 : isPlugged ? replug : moved;
    }
}
