package inkel.core.bench;

import inkel.core.bench.net.Solution;
import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Supply;
import inkel.core.catalog.WakeCheck;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Switched;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;

/**
 * What parts do on top of the volts of a bench: who is alive, answers, and shows that it does. A way that the healthy wires
 * do not tell of is taken as whole, so that only what differs from the plan is told.
 */
final class Life {
    /** A part runs somewhat below the least that its class tells. */
    private static final double LEAST_OF_SUPPLY = 0.95;

    /** What comes of a line that is read at another rate. */
    static final String RUBBISH = "\u00ff\u00fe";

    private static final Set<PinUse> I2C = EnumSet.of(PinUse.I2C_SDA, PinUse.I2C_SCL);
    private static final Set<PinUse> SERIAL = EnumSet.of(PinUse.UART_TX, PinUse.UART_RX);
    private static final Set<PinUse> SPI = EnumSet.of(PinUse.SPI_SCK, PinUse.SPI_MOSI, PinUse.SPI_MISO, PinUse.SPI_CS);

    private final Circuit circuit;
    private final BenchModel model;
    private final Solution solution;
    private final Twist twist;
    private final Reach reach;
    private final Reach planned;

    /** @param planned where signals pass on a bench that is as planned */
    Life(Circuit circuit, BenchModel model, Solution solution, Twist twist, Reach reach, Reach planned) {
        this.circuit = circuit;
        this.model = model;
        this.solution = solution;
        this.twist = twist;
        this.reach = reach;
        this.planned = planned;
    }

    /** Empty for what is measured. */
    Optional<Answer> answer(Question question) {
        if (question instanceof Question.Answers answers) {
            return Optional.of(new Answer.Texts(answers.parts().stream()
                    .flatMap(part -> heard(part).stream())
                    .distinct()
                    .sorted()
                    .toList()));
        } else if (question instanceof Question.Register register) {
            return Optional.of(new Answer.Texts(register(register)));
        } else if (question instanceof Question.Reply reply) {
            return Optional.of(new Answer.Texts(reply(reply)));
        } else if (question instanceof Question.Pulses pulses) {
            boolean come = isAlive(pulses.pin().part(), pulses.pin().node()) && isThrough(pulses.pin());
            return Optional.of(come ? new Answer.Amount((pulses.least() + pulses.most()) / 2) : new Answer.Amount(0));
        } else if (question instanceof Question.Rests rests) {
            return Optional.of(new Answer.Sight(isReadHigh(rests.signal()) == rests.isHigh()));
        } else if (question instanceof Question.Look look) {
            return Optional.of(new Answer.Sight(!twist.shows(look) && isWell(look)));
        }
        return Optional.empty();
    }

    private Optional<Placed> placed(Place place) {
        return circuit.node(place.node()).flatMap(node -> node.part(place.part()));
    }

    private boolean isAlive(String part, String node) {
        NodeCircuit table = circuit.node(node).orElseThrow();
        return table.part(part).filter(placed -> isAlive(table, placed)).isPresent();
    }

    /** Whether the builder's program runs on the board of a table, so that anybody is asked anything. */
    private boolean runs(NodeCircuit node) {
        Placed board = node.board();
        return isAlive(node, board) && !twist.shows(new Question.Look(Question.Sort.PROGRAM, node.place(board)));
    }

    /** Fed within what it runs at, with its ground joined. */
    private boolean isAlive(NodeCircuit node, Placed placed) {
        return !twist.isSilent(node.place(placed))
                && placed.cls().supplies().stream()
                        .filter(supply -> placed.part().feeds().containsKey(supply.pin()))
                        .allMatch(supply -> isFed(node, placed, supply));
    }

    private boolean isFed(NodeCircuit node, Placed placed, Supply supply) {
        Optional<Double> volts = between(Ends.pin(node, placed, supply.pin()), ground(node, placed, supply));
        double least = supply.range().range().lowest().volts() * LEAST_OF_SUPPLY;
        return volts.filter(
                        found -> found >= least && found <= supply.absoluteMax().volts())
                .isPresent();
    }

    /** Its own; that of what feeds it for one without. */
    private static String ground(NodeCircuit node, Placed placed, Supply supply) {
        boolean hasOwn = placed.cls().pins().stream().anyMatch(pin -> pin.use() == PinUse.GROUND);
        return Ends.ground(
                node,
                hasOwn
                        ? placed.id()
                        : node.railOf(placed, supply.pin())
                                .map(rail -> rail.id().part())
                                .orElse(placed.id()));
    }

    private Optional<Double> between(String plus, String minus) {
        OptionalInt one = model.points().known(plus);
        OptionalInt other = model.points().known(minus);
        return one.isEmpty() || other.isEmpty()
                ? Optional.empty()
                : Optional.of(solution.between(one.getAsInt(), other.getAsInt()))
                        .filter(volts -> !Double.isNaN(volts));
    }

    private boolean isThrough(Place pin) {
        NodeCircuit node = circuit.node(pin.node()).orElseThrow();
        return !planned.isThrough(node, pin.endpoint()) || reach.isThrough(node, pin.endpoint());
    }

    private boolean areThrough(NodeCircuit node, Placed placed, Set<PinUse> uses) {
        return placed.cls().pins().stream()
                .filter(pin -> uses.contains(pin.use()))
                .allMatch(pin -> isThrough(node.place(placed.endpoint(pin))));
    }

    private List<String> heard(Place part) {
        NodeCircuit node = circuit.node(part.node()).orElseThrow();
        Optional<Placed> placed = node.part(part.part());
        if (placed.isEmpty() || !runs(node) || !isAlive(node, placed.get()) || !isBusFree(node, placed.get())) {
            return List.of();
        }
        List<Integer> addresses = new ArrayList<>();
        twist.address(part).or(() -> placed.get().address()).ifPresent(addresses::add);
        placed.get().cls().i2c().ifPresent(need -> addresses.addAll(need.others()));
        return addresses.stream().map(Engineering::address).toList();
    }

    /** Both lines lead to the board and rest high, as the part and the board read it. */
    private boolean isBusFree(NodeCircuit node, Placed placed) {
        return areThrough(node, placed, I2C)
                && placed.cls().pins().stream()
                        .filter(pin -> I2C.contains(pin.use()))
                        .allMatch(pin -> isHigh(node, placed, pin));
    }

    private boolean isHigh(NodeCircuit node, Placed placed, Pin pin) {
        Endpoint end = placed.endpoint(pin);
        boolean isRead = isHigh(node, end);
        return isRead && node.wire(end).map(wire -> isHigh(node, wire.to())).orElse(true);
    }

    /** Where a class tells no threshold a high is more than half of a supply. */
    private boolean isHigh(NodeCircuit node, Endpoint pin) {
        Optional<IoFamily> family = node.io(pin);
        if (family.isEmpty()) {
            return true;
        }
        Optional<Double> supply =
                between(Ends.pin(node, new Endpoint(pin.part(), family.get().supply())), Ends.ground(node, pin.part()));
        Optional<Double> volts = between(Ends.pin(node, pin), Ends.ground(node, pin.part()));
        return supply.isEmpty()
                || volts.isEmpty()
                || volts.get()
                        >= family.get()
                                .vih()
                                .map(vih ->
                                        vih.at(Voltage.ofVolts(supply.get())).volts())
                                .orElse(supply.get() / 2);
    }

    /** What the board reads on the wire of a signal. */
    private boolean isReadHigh(Place signal) {
        NodeCircuit node = circuit.node(signal.node()).orElseThrow();
        return node.wire(signal.endpoint()).map(wire -> isHigh(node, wire.to())).orElse(false);
    }

    private List<String> register(Question.Register register) {
        NodeCircuit node = circuit.node(register.part().node()).orElseThrow();
        Placed placed = placed(register.part()).orElseThrow();
        boolean isI2c = placed.cls().pins().stream()
                .anyMatch(pin -> pin.use() == PinUse.I2C_SDA
                        && node.wire(placed.endpoint(pin)).isPresent());
        if (!runs(node)) {
            return List.of();
        }
        boolean isWell = isAlive(node, placed)
                && !twist.isGarbled(register.part())
                && (isI2c
                        ? isBusFree(node, placed)
                                && twist.address(register.part()).isEmpty()
                        : areThrough(node, placed, SPI));
        if (isWell) {
            return List.of(register.values().get(0));
        }
        if (isI2c && !twist.isGarbled(register.part())) {
            // Who does not answer at its address shows no register.
            return List.of();
        }
        boolean isLow = placed.cls().pins().stream()
                .filter(pin -> pin.use() == PinUse.SPI_MISO)
                .flatMap(pin -> between(Ends.pin(node, placed.endpoint(pin)), Ends.ground(node, placed.id())).stream())
                .anyMatch(volts -> volts < 1);
        return List.of(register.undriven(isLow));
    }

    private List<String> reply(Question.Reply reply) {
        NodeCircuit node = circuit.node(reply.part().node()).orElseThrow();
        Placed placed = placed(reply.part()).orElseThrow();
        if (!runs(node) || !isAlive(node, placed) || !areThrough(node, placed, SERIAL)) {
            return List.of();
        }
        return List.of(twist.isGarbled(reply.part()) ? RUBBISH : reply.expect());
    }

    private boolean isWell(Question.Look look) {
        Place at = look.at();
        return !look.sort().needsPower()
                || at.part().isEmpty()
                || isAlive(at.part(), at.node()) && (!at.isPin() || isThrough(at) && isLetThrough(at) && areHeld(at));
    }

    /** Whether what must be held meanwhile on other pins of a part gets there. */
    private boolean areHeld(Place driven) {
        return placed(driven).stream()
                .flatMap(placed -> placed.cls().handling().checks().stream())
                .filter(check -> check instanceof WakeCheck.Sign sign
                        && sign.drive()
                                .filter(by -> by.pin().equals(driven.pin()))
                                .isPresent())
                .flatMap(check -> check.pins().stream())
                .allMatch(pin -> isThrough(new Place(driven.node(), driven.part(), pin)));
    }

    /** Whether what another board lets go to ground can be let: that board is alive, and who moves it reaches it. */
    private boolean isLetThrough(Place at) {
        NodeCircuit node = circuit.node(at.node()).orElseThrow();
        return Switched.toGround(node, at.endpoint())
                .filter(by -> !isAlive(by.input().part(), at.node()) || !isThrough(node.place(by.input())))
                .isEmpty();
    }
}
