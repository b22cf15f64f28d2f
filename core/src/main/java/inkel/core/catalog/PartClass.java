package inkel.core.catalog;

import inkel.core.quantity.Current;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Range;
import inkel.core.quantity.Source;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * A class of board, module or source: all that Inkel knows of it before the builder adds figures of their own.
 *
 * @param id stable; builds refer to it
 * @param kinds general words it is found by: {@code radio}, {@code display}
 * @param pins in physical order
 * @param analog its converters
 * @param cautions sentences to be shown once where the part is handled
 * @param from which end the place of a pin is counted, in the words of the catalogue
 */
public record PartClass(
        String id,
        String name,
        String summary,
        Kind kind,
        List<String> kinds,
        String from,
        List<Pin> pins,
        List<Supply> supplies,
        List<Output> outputs,
        List<IoFamily> io,
        List<Mode> modes,
        List<Pull> pulls,
        List<Decoupling> decoupling,
        Optional<SpiNeed> spi,
        Optional<I2cNeed> i2c,
        Optional<UartNeed> uart,
        Optional<PwmNeed> pwm,
        Optional<Controller> controller,
        List<AnalogGroup> analog,
        Demands demands,
        Handling handling,
        List<String> cautions) {
    public PartClass {
        kinds = List.copyOf(kinds);
        pins = List.copyOf(pins);
        supplies = List.copyOf(supplies);
        outputs = List.copyOf(outputs);
        io = List.copyOf(io);
        modes = List.copyOf(modes);
        pulls = List.copyOf(pulls);
        decoupling = List.copyOf(decoupling);
        analog = List.copyOf(analog);
        cautions = List.copyOf(cautions);
    }

    /** The same class with other figures. */
    public PartClass with(
            List<Supply> newSupplies,
            List<Output> newOutputs,
            List<IoFamily> newIo,
            List<Mode> newModes,
            List<Pull> newPulls) {
        return changed(id, newSupplies, newOutputs, newIo, newModes, newPulls, controller, demands, handling);
    }

    /** The same class on another clock: an inner one wants no crystal, and none of its capacitors; a slower one less of its supply. */
    public PartClass at(ClockChoice choice) {
        Set<String> ends = new HashSet<>();
        handling.make().around().stream()
                .filter(fitting -> fitting.sort() == Fitting.Sort.CRYSTAL)
                .forEach(crystal -> ends.addAll(List.of(crystal.from(), crystal.to())));
        List<Fitting> around = handling.make().around().stream()
                .filter(fitting -> !choice.isInner() || !ends.contains(fitting.from()))
                .map(fitting -> fitting.sort() == Fitting.Sort.CRYSTAL
                        ? new Fitting(fitting.sort(), choice.clock(), fitting.from(), fitting.to())
                        : fitting)
                .toList();
        Make make = new Make(
                handling.make().form(), handling.make().pitch(), handling.make().headerLoose(), around);
        Handling clocked = handling.with(make);
        List<Supply> kept = supplies.stream()
                .map(supply -> choice.worksFrom().map(supply::worksFrom).orElse(supply))
                .toList();
        return changed(
                id, kept, outputs, io, modes, pulls, controller.map(board -> board.at(choice)), demands, clocked);
    }

    /** The same class with other loads on its signal pins. */
    PartClass withPinLoads(List<PinLoad> loads) {
        return loads.equals(demands.pinLoads())
                ? this
                : changed(
                        id,
                        supplies,
                        outputs,
                        io,
                        modes,
                        pulls,
                        controller,
                        new Demands(
                                demands.bursts(),
                                loads,
                                demands.reductions(),
                                demands.claims(),
                                demands.memory(),
                                demands.turn()),
                        handling);
    }

    /** The same class with its windings and lamps switched in their feed: their other ends go to ground for good. */
    public PartClass switchedAhead() {
        Set<String> ends = new HashSet<>();
        demands.pinLoads().stream().filter(PinLoad::isFromSupply).forEach(load -> ends.add(load.pin()));
        List<Pin> newPins = pins.stream()
                .map(pin -> ends.contains(pin.label()) ? pin.needing(Need.FIXED_LOW) : pin)
                .toList();
        return ends.isEmpty()
                ? this
                : changed(id, newPins, supplies, outputs, io, modes, pulls, controller, demands, handling);
    }

    /** The same class with a leg on a supply that is on ground otherwise. @param levels of its signals; empty where they have none */
    public PartClass onSupply(Supply leg, Optional<IoFamily> levels) {
        List<Pin> newPins = pins.stream()
                .map(pin -> pin.label().equals(leg.pin()) ? pin.usedFor(PinUse.SUPPLY) : pin)
                .map(pin -> pin.use().isSignal() ? levels.map(pin::of).orElse(pin) : pin)
                .toList();
        List<IoFamily> newIo = levels.map(List::of).orElse(io);
        return changed(id, newPins, List.of(leg), outputs, newIo, modes, pulls, controller, demands, handling);
    }

    /** The supply pin that a load has its other end on: the one that it names, of a coil else the first; empty where that is ground. */
    public Optional<String> hangsOn(PinLoad load) {
        return load.from()
                .or(() ->
                        load.isFromSupply() ? supplies.stream().map(Supply::pin).findFirst() : Optional.empty());
    }

    /** The same class with something on the table that hangs on it: what stood for that takes nothing. */
    public PartClass loaded() {
        List<Mode> newModes = modes.stream()
                .map(mode ->
                        mode.isStandIn() ? mode.with(new Figure<>(Range.exactly(Current.ZERO), Source.COMPUTED)) : mode)
                .toList();
        return newModes.equals(modes) ? this : with(supplies, outputs, io, newModes, pulls);
    }

    /** The same class under another id. */
    public PartClass withId(String newId) {
        return changed(newId, supplies, outputs, io, modes, pulls, controller, demands, handling);
    }

    private PartClass changed(
            String newId,
            List<Supply> newSupplies,
            List<Output> newOutputs,
            List<IoFamily> newIo,
            List<Mode> newModes,
            List<Pull> newPulls,
            Optional<Controller> newController,
            Demands newDemands,
            Handling newHandling) {
        return changed(
                newId,
                pins,
                newSupplies,
                newOutputs,
                newIo,
                newModes,
                newPulls,
                newController,
                newDemands,
                newHandling);
    }

    private PartClass changed(
            String newId,
            List<Pin> newPins,
            List<Supply> newSupplies,
            List<Output> newOutputs,
            List<IoFamily> newIo,
            List<Mode> newModes,
            List<Pull> newPulls,
            Optional<Controller> newController,
            Demands newDemands,
            Handling newHandling) {
        return new PartClass(
                newId,
                name,
                summary,
                kind,
                kinds,
                from,
                newPins,
                newSupplies,
                newOutputs,
                newIo,
                newModes,
                newPulls,
                decoupling,
                spi,
                i2c,
                uart,
                pwm,
                newController,
                analog,
                newDemands,
                newHandling,
                cautions);
    }

    public List<Burst> bursts() {
        return demands.bursts();
    }

    /** The first pin of that label; labels of signal pins are unique. */
    public Optional<Pin> pin(String label) {
        for (Pin pin : pins) {
            if (pin.label().equals(label)) {
                return Optional.of(pin);
            }
        }
        return Optional.empty();
    }

    /** The pin that people call so: by its label, another one in its place, or the number that programs use. */
    public Optional<Pin> pinCalled(String name) {
        String plain = name.strip();
        List<Pin> called = pins.stream().filter(pin -> pin.isCalled(plain)).toList();
        return called.stream()
                .filter(pin -> pin.use() != PinUse.NONE)
                .findFirst()
                .or(() -> controller.flatMap(board -> board.pinOfLine(pins, plain)))
                .or(() -> called.stream().findFirst());
    }

    /**
     * The pin of that label, else as {@link #pinCalled}; a pin of no use gives its name up to one that is called so as well, as
     * the second place of a bus on a board does to the pin that it is joined to.
     */
    public Optional<Pin> pinNamed(String name) {
        return pin(name).filter(pin -> pin.use() != PinUse.NONE).or(() -> pinCalled(name));
    }

    public Optional<Supply> supply(String pin) {
        for (Supply supply : supplies) {
            if (supply.pin().equals(pin)) {
                return Optional.of(supply);
            }
        }
        return Optional.empty();
    }

    /** Whether all it does for a supply is to stand in its line, as a switch, a fuse or a monitor; a charger's line is its cell's. */
    public boolean standsInLine() {
        return outputs.size() == 1
                && outputs.get(0).way() == Output.Way.PASS
                && outputs.get(0).contact().isEmpty()
                && outputs.get(0)
                        .from()
                        .flatMap(this::supply)
                        .filter(supply -> !supply.isForCell())
                        .isPresent()
                && signals().allMatch(pin -> pin.use().sharedLine().isPresent());
    }

    /** Whether it stands in a supply line and does nothing else, as a switch or a fuse: whatever is fed is to be fed through it. */
    public boolean isPlainLine() {
        return standsInLine() && signals().findAny().isEmpty();
    }

    /** Whether a supply pin may stay unfed: a port for charging, a contact that switches nothing. */
    public boolean mayStayUnfed(Supply supply) {
        return pin(supply.pin()).filter(pin -> pin.need() == Need.MAY).isPresent();
    }

    public Optional<Output> output(String pin) {
        for (Output output : outputs) {
            if (output.pin().equals(pin)) {
                return Optional.of(output);
            }
        }
        return Optional.empty();
    }

    public Optional<IoFamily> io(Pin pin) {
        for (IoFamily family : io) {
            if (family.name().equals(pin.io())) {
                return Optional.of(family);
            }
        }
        return Optional.empty();
    }

    /** How many pins of a header there are to solder on; sockets, screws and leads are not among them. */
    public int headerPins() {
        return (int) pins.stream()
                .flatMap(pin -> handling.outline().row(pin.row()).stream())
                .filter(row -> row.ends() == Outline.Ends.PINS || row.ends() == Outline.Ends.PADS)
                .count();
    }

    /** Whether it has two ends and works either way round, as a contact, a resistance or a fuse does. */
    public boolean areEndsAlike() {
        return pins.size() == 2 && handling.outline().mark() == Outline.Mark.NONE;
    }

    /** Signal pins in physical order. */
    public Stream<Pin> signals() {
        return pins.stream().filter(pin -> pin.use().isSignal());
    }

    /** Where people look first for a line of a board's bus; empty for what is no board, or has no such bus. */
    public Optional<Pin> busPin(BusLine line) {
        return offers().filter(pin -> isUsual(pin, line)).findFirst();
    }

    /** Whether people look for a line of a board's bus at a pin. */
    public boolean isUsual(Pin pin, BusLine line) {
        return pin.can(line.bus(), line.line())
                && controller
                        .filter(found -> found.isUsual(line.bus(), line.line(), pin.label()))
                        .isPresent();
    }

    /** Data and clock of the I2C bus, as {@link #busPin}. */
    public List<Pin> busPins() {
        return Stream.of(BusLine.SDA, BusLine.SCL)
                .flatMap(line -> busPin(line).stream())
                .toList();
    }

    /** Pins that offer an ability to other parts, in physical order. */
    public Stream<Pin> offers() {
        return pins.stream().filter(pin -> !pin.can().isEmpty());
    }

    public Optional<AnalogGroup> analog(int unit) {
        return analog.stream().filter(group -> group.unit() == unit).findFirst();
    }

    /** The average current through a supply pin: each mode by its share of time, at the most each mode takes. */
    public Current average(String supply) {
        double amperes = 0;
        for (Mode mode : modes) {
            if (mode.supply().equals(supply)) {
                amperes +=
                        mode.current().range().highest().amperes() * mode.duty().ratio();
            }
        }
        return Current.ofAmperes(amperes);
    }

    /** The most that any mode takes through a supply pin. */
    public Current peak(String supply) {
        return modes.stream()
                .filter(mode -> mode.supply().equals(supply))
                .map(mode -> mode.current().range().highest())
                .max(Current::compareTo)
                .orElse(Current.ZERO);
    }

    /** The least that any mode takes through a supply pin, as expected on the bench. */
    public Current idle(String supply) {
        return modes.stream()
                .filter(mode -> mode.supply().equals(supply))
                .map(mode -> mode.current().range().expected())
                .min(Current::compareTo)
                .orElse(Current.ZERO);
    }
}
