package inkel.core.pins;

import inkel.core.catalog.Ability;
import inkel.core.catalog.BusLine;
import inkel.core.catalog.Habit;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Chain;
import inkel.core.circuit.Placed;
import inkel.core.formula.I2cAddress;
import inkel.core.remedy.StrapWires;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.chocosolver.solver.Model;
import org.chocosolver.solver.Solution;
import org.chocosolver.solver.constraints.Constraint;
import org.chocosolver.solver.constraints.extension.Tuples;
import org.chocosolver.solver.variables.IntVar;

/**
 * Shared lines and addresses. Each line of each unit of a bus is a variable, which all parts on that unit equal; one unit
 * more stands for a bus that the program drives on plain pins. Two parts that hear the same calls have no address in
 * common, parts behind a multiplexer and those beside it included.
 */
final class PinModelBuses {
    private static final int ADDRESSES = 128;

    private final PinModel pins;
    private final Model model;
    private final PinDomain domain;
    private final Map<String, IntVar> unitOf = new LinkedHashMap<>();
    private final Map<Ability.Kind, List<String>> units = new LinkedHashMap<>();
    private final Map<String, IntVar> addressOf = new LinkedHashMap<>();

    PinModelBuses(PinModel pins) {
        this.pins = pins;
        model = pins.model();
        domain = pins.domain();
    }

    /** False when a part has no unit that it may be on. */
    boolean state() {
        for (Ability.Kind bus : List.of(Ability.Kind.SPI, Ability.Kind.I2C)) {
            if (!share(bus)) {
                return false;
            }
        }
        return chooseAddresses();
    }

    Collection<IntVar> addresses() {
        return addressOf.values();
    }

    Map<String, Integer> addresses(Solution solution) {
        Map<String, Integer> addresses = new LinkedHashMap<>();
        addressOf.forEach((part, variable) -> addresses.put(part, solution.getIntVal(variable)));
        return addresses;
    }

    /** Ids of the parts that the solution puts on a bus of plain pins. */
    List<String> bySoftware(Solution solution) {
        return Stream.of(Ability.Kind.SPI, Ability.Kind.I2C)
                .flatMap(bus -> parts(bus).stream()
                        .filter(placed -> solution.getIntVal(unit(bus, placed)) == softwareUnit(bus))
                        .map(Placed::id))
                .toList();
    }

    private int softwareUnit(Ability.Kind bus) {
        return units.get(bus).size();
    }

    private IntVar unit(Ability.Kind bus, Placed placed) {
        return unitOf.get(bus + " " + placed.id());
    }

    private List<Want> sharing(Ability.Kind bus) {
        return pins.wants().stream()
                .filter(want -> want.use()
                        .sharedLine()
                        .filter(line -> line.bus() == bus)
                        .isPresent())
                .toList();
    }

    private List<Placed> parts(Ability.Kind bus) {
        return sharing(bus).stream().map(Want::placed).distinct().toList();
    }

    private boolean share(Ability.Kind bus) {
        List<String> names = domain.units(bus);
        units.put(bus, names);
        for (Placed placed : parts(bus)) {
            int[] may = IntStream.concat(
                            PinDomain.mayUseHardware(placed) ? IntStream.range(0, names.size()) : IntStream.empty(),
                            PinDomain.mayUseSoftware(placed) ? IntStream.of(names.size()) : IntStream.empty())
                    .toArray();
            if (may.length == 0) {
                return false;
            }
            IntVar unit = model.intVar(bus + " of " + placed.id(), may);
            unitOf.put(bus + " " + placed.id(), unit);
            pins.addChoice(unit);
            pins.addCost(
                    pins.price().software(),
                    model.arithm(unit, isByProgram() ? "!=" : "=", softwareUnit(bus))
                            .reify());
        }
        Map<BusLine, IntVar[]> lines = new LinkedHashMap<>();
        for (Want want : sharing(bus)) {
            if (want.isInChain(domain.node())) {
                Chain.before(domain.node(), want.placed())
                        .map(before -> unit(bus, before))
                        .ifPresent(unit -> model.arithm(unit(bus, want.placed()), "=", unit)
                                .post());
                continue;
            }
            BusLine line = want.use().sharedLine().orElseThrow();
            IntVar[] ofUnits = lines.computeIfAbsent(line, key -> lineOfEachUnit(key, names));
            model.element(pins.where(want), ofUnits, unit(bus, want.placed()), 0)
                    .post();
        }
        if (bus == Ability.Kind.SPI) {
            keepHoldersApart();
        } else {
            keepPulledApart();
        }
        return true;
    }

    private boolean isByProgram() {
        return domain.node().habits().is(Habit.BUSES, Settings.Bus.SOFTWARE);
    }

    /** A part that never lets go of MISO leaves no other a word on the same bus. */
    private void keepHoldersApart() {
        List<Placed> talking = sharing(Ability.Kind.SPI).stream()
                .filter(want -> want.use() == PinUse.SPI_MISO)
                .map(Want::placed)
                .toList();
        for (Placed holder : talking) {
            boolean holds =
                    holder.cls().spi().filter(need -> !need.releasesMiso()).isPresent();
            for (Placed other : holds ? talking : List.<Placed>of()) {
                if (!other.equals(holder)) {
                    pins.addCost(
                            pins.price().held(),
                            model.arithm(unit(Ability.Kind.SPI, holder), "=", unit(Ability.Kind.SPI, other))
                                    .reify());
                }
            }
        }
    }

    /** Parts whose pull-ups end others are better on another bus, where the board has one. */
    private void keepPulledApart() {
        List<Placed> members = sharing(Ability.Kind.I2C).stream()
                .filter(want -> want.use() == PinUse.I2C_SDA)
                .map(Want::placed)
                .toList();
        for (Placed one : members) {
            for (Placed other : members) {
                if (!one.equals(other) && PinLevels.pullsTooHigh(domain.node(), one, other)) {
                    pins.addCost(
                            pins.price().levels(),
                            model.arithm(unit(Ability.Kind.I2C, one), "=", unit(Ability.Kind.I2C, other))
                                    .reify());
                }
            }
        }
    }

    private IntVar[] lineOfEachUnit(BusLine line, List<String> names) {
        IntVar[] variables = new IntVar[names.size() + 1];
        for (int unit = 0; unit <= names.size(); unit++) {
            int number = unit;
            IntStream able = unit < names.size()
                    ? IntStream.range(0, domain.size()).filter(pin -> offers(pin, line, names.get(number)))
                    : IntStream.range(0, domain.size()).filter(pin -> domain.servesBySoftware(line, pin));
            // A unit that nobody is on takes a number that is no pin.
            int[] numbers = IntStream.concat(able, IntStream.of(pins.noPin())).toArray();
            variables[unit] = model.intVar(line + " of unit " + unit, numbers);
            pins.addTaker(variables[unit]);
        }
        return variables;
    }

    private boolean offers(int number, BusLine line, String unit) {
        return domain.pin(number).can().stream()
                .anyMatch(ability -> ability.kind() == line.bus()
                        && ability.line().equals(line.line())
                        && domain.unit(number, ability).equals(unit));
    }

    // --- addresses

    private boolean chooseAddresses() {
        List<Placed> parts = pins.wants().stream()
                .filter(want -> want.use() == PinUse.I2C_SDA)
                .map(Want::placed)
                .filter(placed -> placed.cls().i2c().isPresent())
                .toList();
        for (Placed placed : parts) {
            int[] choices = placed.cls().i2c().orElseThrow().choices().stream()
                    .filter(address -> !I2cAddress.isReserved(address))
                    .filter(address -> StrapWires.isOpen(domain.node(), placed, address))
                    .mapToInt(Integer::intValue)
                    .toArray();
            int now = placed.address().orElseThrow();
            IntVar address = model.intVar("address of " + placed.id(), choices.length == 0 ? new int[] {now} : choices);
            addressOf.put(placed.id(), address);
            pins.addCost(pins.price().moved(), model.arithm(address, "!=", now).reify());
        }
        keepFromFar(parts);
        if (parts.size() > 1) {
            model.allDifferent(parts.stream().map(this::seat).toArray(IntVar[]::new), "AC")
                    .post();
        }
        for (int i = 0; i < parts.size(); i++) {
            for (int j = i + 1; j < parts.size(); j++) {
                differ(parts, parts.get(i), parts.get(j));
            }
        }
        return true;
    }

    /** Where the board's bus goes on to other boards, better none of the addresses that are taken there. */
    private void keepFromFar(List<Placed> parts) {
        IntVar ofBoards = unit(Ability.Kind.I2C, domain.node().board());
        Set<Integer> taken = pins.wants().stream()
                .flatMap(want -> want.link().stream())
                .flatMap(end -> end.answering().stream())
                .collect(Collectors.toCollection(TreeSet::new));
        for (Placed placed : parts) {
            for (int address : taken) {
                Constraint isThere = model.arithm(unit(Ability.Kind.I2C, placed), "=", ofBoards);
                Constraint isTaken = model.arithm(addressOf.get(placed.id()), "=", address);
                pins.addCost(pins.price().held(), model.and(isThere, isTaken).reify());
            }
        }
    }

    /** Unit and address together as one number, so that too many parts for the addresses there are show at once. */
    private IntVar seat(Placed placed) {
        IntVar unit = unit(Ability.Kind.I2C, placed);
        IntVar address = addressOf.get(placed.id());
        Tuples tuples = new Tuples(true);
        List<Integer> seats = new ArrayList<>();
        for (int u = unit.getLB(); u <= unit.getUB(); u = unit.nextValue(u)) {
            for (int a = address.getLB(); a <= address.getUB(); a = address.nextValue(a)) {
                tuples.add(u, a, u * ADDRESSES + a);
                seats.add(u * ADDRESSES + a);
            }
        }
        IntVar seat = model.intVar(
                "seat of " + placed.id(),
                seats.stream().mapToInt(Integer::intValue).toArray());
        model.table(new IntVar[] {unit, address, seat}, tuples, "CT+").post();
        return seat;
    }

    private void differ(List<Placed> all, Placed first, Placed second) {
        IntVar unitOfFirst = unit(Ability.Kind.I2C, first);
        IntVar unitOfSecond = unit(Ability.Kind.I2C, second);
        unless(List.of(model.arithm(unitOfFirst, "!=", unitOfSecond)), first, second);
        for (Placed multiplexer : all) {
            int[] ways = waysOf(multiplexer);
            if (ways.length > 0) {
                hear(multiplexer, ways, first, second);
                hear(multiplexer, ways, second, first);
            }
        }
    }

    /** A part behind a multiplexer hears nothing of the others behind it, but all that goes on before it. */
    private void hear(Placed multiplexer, int[] ways, Placed behind, Placed before) {
        List<Constraint> outs = new ArrayList<>();
        outs.add(model.notMember(unit(Ability.Kind.I2C, behind), ways));
        if (!before.equals(multiplexer)) {
            outs.add(model.arithm(unit(Ability.Kind.I2C, before), "!=", unit(Ability.Kind.I2C, multiplexer)));
        }
        unless(outs, behind, before);
    }

    private int[] waysOf(Placed multiplexer) {
        List<String> names = units.get(Ability.Kind.I2C);
        return IntStream.range(0, names.size())
                .filter(unit -> names.get(unit).startsWith(multiplexer.id() + " "))
                .toArray();
    }

    private void unless(List<Constraint> outs, Placed first, Placed second) {
        List<Constraint> any = new ArrayList<>(outs);
        any.add(apart(first, second));
        model.or(any.toArray(Constraint[]::new)).post();
    }

    /** Neither answers to an address of the other. */
    private Constraint apart(Placed first, Placed second) {
        IntVar a = addressOf.get(first.id());
        IntVar b = addressOf.get(second.id());
        List<Constraint> apart = new ArrayList<>();
        apart.add(model.arithm(a, "!=", b));
        second.cls().i2c().orElseThrow().others().forEach(taken -> apart.add(model.arithm(a, "!=", taken)));
        first.cls().i2c().orElseThrow().others().forEach(taken -> apart.add(model.arithm(b, "!=", taken)));
        if (NodePins.shareFurtherAddress(first, second)) {
            apart.add(model.falseConstraint());
        }
        return model.and(apart.toArray(Constraint[]::new));
    }
}
