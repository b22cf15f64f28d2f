package inkel.core.pins;

import inkel.core.build.Endpoint;
import inkel.core.build.Wire;
import inkel.core.catalog.Ability;
import inkel.core.catalog.BusLine;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.quantity.Frequency;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.chocosolver.solver.Model;
import org.chocosolver.solver.Solution;
import org.chocosolver.solver.Solver;
import org.chocosolver.solver.constraints.extension.Tuples;
import org.chocosolver.solver.search.strategy.Search;
import org.chocosolver.solver.search.strategy.selectors.variables.FirstFail;
import org.chocosolver.solver.variables.IntVar;

/**
 * Sharing out pins as a constraint model. Every target pin of the node has a number; every want is a variable over the
 * numbers it may take. Lines of a bus are variables of their own, which all parts on that bus equal. No two takers have
 * the same pin. Like {@code StaggerModel}, one of the two classes that know the solver.
 */
final class PinModel {
    /** Ends the search for something better; counted in failures so that the outcome is the same on every machine. */
    private static final long FAIL_LIMIT = 1500;

    private static final int CHANGE_COST = 5;
    private static final int TIE_COST = 30;

    /** A serial part may have the console's pins when no other port will do; it is unplugged while programming then. */
    private static final int CONSOLE_COST = 25;

    /** A part that is fed by a driver belongs on the driver's sockets; the board's own timers are scarce. */
    private static final int BOARD_TIMER_COST = 4;

    private static final int SOFTWARE_UART_COST = 10;

    private final NodeCircuit node;
    private final List<Want> wants;
    private final List<Endpoint> targets = new ArrayList<>();
    private final Map<Endpoint, Integer> numbers = new LinkedHashMap<>();
    private final Model model = new Model("pins");
    private final Map<Want, IntVar> where = new LinkedHashMap<>();
    private final Map<String, IntVar> busOf = new LinkedHashMap<>();
    private final Map<String, IntVar> addressOf = new LinkedHashMap<>();
    private final List<IntVar> ports = new ArrayList<>();
    private final List<IntVar> takers = new ArrayList<>();
    private final List<IntVar> costs = new ArrayList<>();
    private int nextDummy;

    /** Where every want goes, and which address each I2C part has. */
    record Answer(Map<Want, Endpoint> where, Map<String, Integer> addresses, boolean complete) {}

    private PinModel(NodeCircuit node, List<Want> wants) {
        this.node = node;
        this.wants = wants;
        node.parts().stream()
                .flatMap(placed -> placed.cls().offers().map(placed::endpoint))
                .forEach(target -> {
                    numbers.put(target, targets.size());
                    targets.add(target);
                });
        nextDummy = targets.size();
    }

    /** Empty when the wants cannot all be met. */
    static Optional<Answer> solve(NodeCircuit node, List<Want> wants) {
        PinModel work = new PinModel(node, wants);
        return work.state() ? work.search() : Optional.empty();
    }

    /** Whether any placement exists; faster than looking for a good one. */
    static boolean isPossible(NodeCircuit node, List<Want> wants) {
        PinModel work = new PinModel(node, wants);
        return wants.isEmpty() || work.state() && work.model.getSolver().solve();
    }

    /** States the whole problem; false when a want has no pin at all, which no model need be asked about. */
    private boolean state() {
        for (Want want : wants) {
            int[] domain = domain(want);
            if (domain.length == 0) {
                return false;
            }
            where.put(want, model.intVar(want.signal().toString(), domain));
        }
        wants.stream()
                .filter(want -> want.pin().use().sharedLine().isEmpty())
                .forEach(want -> takers.add(where.get(want)));
        for (Ability.Kind bus : List.of(Ability.Kind.SPI, Ability.Kind.I2C)) {
            shareBus(bus);
        }
        pairSerialPorts();
        separateFrequencies();
        chooseAddresses();
        if (takers.size() > 1) {
            model.allDifferent(takers.toArray(IntVar[]::new), "AC").post();
        }
        wants.forEach(this::priceOf);
        return true;
    }

    private int[] domain(Want want) {
        if (want.isHeld()) {
            Integer number = numbers.get(want.now().orElseThrow().to());
            boolean isLegal = number != null
                    && PinFit.whyNot(node, want.signal(), targets.get(number)).isEmpty();
            return isLegal ? new int[] {number} : new int[0];
        }
        IntStream legal = PinFit.legal(node, want.signal())
                .filter(target -> !isConsole(target) || isSerial(want))
                .mapToInt(numbers::get);
        IntStream tie = want.tie().isPresent() ? IntStream.of(nextDummy++) : IntStream.empty();
        return IntStream.concat(legal, tie).toArray();
    }

    private static boolean isSerial(Want want) {
        return want.pin().use() == PinUse.UART_TX || want.pin().use() == PinUse.UART_RX;
    }

    private boolean isConsole(Endpoint target) {
        return pin(target).can(Ability.Kind.CONSOLE);
    }

    private Pin pin(Endpoint target) {
        return node.pin(target).orElseThrow();
    }

    /** One variable for each line of each unit of the bus; a part's signals are the lines of the unit it is on. */
    private void shareBus(Ability.Kind bus) {
        List<Want> sharing = wants.stream()
                .filter(want -> want.pin()
                        .use()
                        .sharedLine()
                        .filter(line -> line.bus() == bus)
                        .isPresent())
                .toList();
        if (sharing.isEmpty()) {
            return;
        }
        List<String> units = unitsOf(bus);
        Map<BusLine, IntVar[]> lines = new LinkedHashMap<>();
        for (Want want : sharing) {
            BusLine line = want.pin().use().sharedLine().orElseThrow();
            IntVar[] ofUnits = lines.computeIfAbsent(line, key -> lineOfEachUnit(key, units));
            IntVar unit = busOf.computeIfAbsent(
                    bus + " " + want.placed().id(), name -> model.intVar(name, 0, units.size() - 1));
            model.element(where.get(want), ofUnits, unit, 0).post();
        }
    }

    private IntVar[] lineOfEachUnit(BusLine line, List<String> units) {
        IntVar[] variables = new IntVar[units.size()];
        for (int unit = 0; unit < units.size(); unit++) {
            String name = units.get(unit);
            int[] pins = IntStream.concat(
                            // An unused unit takes a number that is no pin and so blocks none.
                            IntStream.of(nextDummy++),
                            IntStream.range(0, targets.size()).filter(target -> offers(target, line, name)))
                    .toArray();
            variables[unit] = model.intVar(line + " of " + name, pins);
            takers.add(variables[unit]);
        }
        return variables;
    }

    private boolean offers(int target, BusLine line, String unit) {
        return pin(targets.get(target)).can().stream()
                .anyMatch(ability -> ability.kind() == line.bus()
                        && ability.line().equals(line.line())
                        && unitName(targets.get(target), ability).equals(unit));
    }

    private List<String> unitsOf(Ability.Kind kind) {
        TreeSet<String> units = new TreeSet<>();
        for (Endpoint target : targets) {
            pin(target).can().stream()
                    .filter(ability -> ability.kind() == kind)
                    .forEach(ability -> units.add(unitName(target, ability)));
        }
        return List.copyOf(units);
    }

    private static String unitName(Endpoint target, Ability ability) {
        return target.part() + " " + ability.kind() + ability.unit();
    }

    /** Both ends of a port are on one unit, a unit serves one part, and other pins make a port by software. */
    private void pairSerialPorts() {
        List<IntVar> units = new ArrayList<>();
        List<String> names = unitsOf(Ability.Kind.UART);
        for (Placed placed : node.parts()) {
            List<Want> both = wants.stream()
                    .filter(want -> want.placed().equals(placed))
                    .filter(want ->
                            want.pin().use() == PinUse.UART_TX || want.pin().use() == PinUse.UART_RX)
                    .toList();
            if (both.isEmpty()) {
                continue;
            }
            IntVar unit = model.intVar("port of " + placed.id(), 0, names.size());
            units.add(unit);
            ports.add(unit);
            for (Want want : both) {
                model.table(new IntVar[] {where.get(want), unit}, serialTuples(want, names), "CT+")
                        .post();
            }
            IntVar price = model.intVar("port price of " + placed.id(), 0, SOFTWARE_UART_COST);
            int[] prices = IntStream.rangeClosed(0, names.size())
                    .map(number -> number == 0 ? SOFTWARE_UART_COST : 0)
                    .toArray();
            model.element(price, prices, unit).post();
            costs.add(price);
        }
        if (units.size() > 1) {
            model.allDifferentExcept0(units.toArray(IntVar[]::new)).post();
        }
    }

    /** Unit 0 stands for a port by software, on any plain pin, where the rate allows that. */
    private Tuples serialTuples(Want want, List<String> names) {
        String line = want.pin().use() == PinUse.UART_TX ? "rx" : "tx";
        Frequency fastest = node.board().cls().controller().orElseThrow().softwareUartMax();
        boolean mayBeSoftware = want.placed()
                .baud()
                .filter(baud -> baud.hertz() <= fastest.hertz())
                .isPresent();
        Tuples tuples = new Tuples(true);
        for (int number = 0; number < targets.size(); number++) {
            Pin pin = pin(targets.get(number));
            for (Ability ability : pin.can()) {
                if (ability.kind() == Ability.Kind.UART && ability.line().equals(line)) {
                    tuples.add(number, 1 + names.indexOf(unitName(targets.get(number), ability)));
                }
            }
            if (mayBeSoftware && pin.can(Ability.Kind.DIGITAL) && !pin.can(Ability.Kind.CONSOLE)) {
                tuples.add(number, 0);
            }
        }
        return tuples;
    }

    /** Pins of one timer, slice or driver all run at one frequency. */
    private void separateFrequencies() {
        List<String> units = unitsOf(Ability.Kind.PWM);
        int[] unitOf = targets.stream()
                .mapToInt(target -> pin(target).can().stream()
                        .filter(ability -> ability.kind() == Ability.Kind.PWM)
                        .mapToInt(ability -> units.indexOf(unitName(target, ability)))
                        .findFirst()
                        .orElse(-1))
                .toArray();
        List<Want> timed = wants.stream()
                .filter(want -> want.pin().use() == PinUse.PWM)
                .filter(want -> want.placed().cls().pwm().isPresent())
                .toList();
        Map<Want, IntVar> unit = new LinkedHashMap<>();
        for (Want want : timed) {
            IntVar of = model.intVar("timer of " + want.signal(), -1, units.size());
            model.element(of, unitOf, where.get(want)).post();
            unit.put(want, of);
        }
        for (int i = 0; i < timed.size(); i++) {
            for (int j = i + 1; j < timed.size(); j++) {
                if (!frequency(timed.get(i)).equals(frequency(timed.get(j)))) {
                    model.arithm(unit.get(timed.get(i)), "!=", unit.get(timed.get(j)))
                            .post();
                }
            }
        }
    }

    private static Frequency frequency(Want want) {
        return want.placed().cls().pwm().orElseThrow().frequency();
    }

    /** Two parts on one bus never answer to the same address. */
    private void chooseAddresses() {
        List<Placed> parts = wants.stream()
                .filter(want -> want.pin().use() == PinUse.I2C_SDA)
                .map(Want::placed)
                .filter(placed -> placed.cls().i2c().isPresent())
                .toList();
        for (Placed placed : parts) {
            int[] choices = placed.cls().i2c().orElseThrow().choices().stream()
                    .filter(address -> !I2cAddress.isReserved(address))
                    .mapToInt(Integer::intValue)
                    .toArray();
            int now = placed.address().orElseThrow();
            IntVar address = model.intVar("address of " + placed.id(), choices.length == 0 ? new int[] {now} : choices);
            addressOf.put(placed.id(), address);
            costs.add(model.arithm(address, "!=", now).reify());
        }
        for (int i = 0; i < parts.size(); i++) {
            for (int j = i + 1; j < parts.size(); j++) {
                differ(parts.get(i), parts.get(j));
            }
        }
    }

    private void differ(Placed first, Placed second) {
        IntVar a = addressOf.get(first.id());
        IntVar b = addressOf.get(second.id());
        List<org.chocosolver.solver.constraints.Constraint> apart = new ArrayList<>();
        apart.add(model.arithm(a, "!=", b));
        second.cls().i2c().orElseThrow().others().forEach(taken -> apart.add(model.arithm(a, "!=", taken)));
        first.cls().i2c().orElseThrow().others().forEach(taken -> apart.add(model.arithm(b, "!=", taken)));
        IntVar busOfFirst = busOf.get(Ability.Kind.I2C + " " + first.id());
        IntVar busOfSecond = busOf.get(Ability.Kind.I2C + " " + second.id());
        model.or(
                        model.arithm(busOfFirst, "!=", busOfSecond),
                        model.and(apart.toArray(org.chocosolver.solver.constraints.Constraint[]::new)))
                .post();
    }

    private void priceOf(Want want) {
        IntVar variable = where.get(want);
        int[] prices =
                IntStream.range(0, nextDummy).map(number -> price(want, number)).toArray();
        int most = IntStream.of(prices).max().orElse(0);
        IntVar price = model.intVar("price of " + want.signal(), 0, Math.max(0, most));
        model.element(price, prices, variable).post();
        costs.add(price);
    }

    private int price(Want want, int number) {
        if (number >= targets.size()) {
            return TIE_COST;
        }
        Endpoint target = targets.get(number);
        boolean isMoved = want.now().filter(wire -> !wire.to().equals(target)).isPresent();
        boolean isOnOther = !target.part().equals(inkel.core.build.Part.BOARD);
        boolean isFedThere = want.placed().part().feeds().values().stream()
                .anyMatch(rail -> rail.part().equals(target.part()));
        int scarce = want.pin().use() == PinUse.PWM && !isFedThere ? BOARD_TIMER_COST : 0;
        return PinCost.of(pin(target), want.pin().use())
                + (isMoved ? CHANGE_COST : 0)
                + (isConsole(target) ? CONSOLE_COST : 0)
                + (isOnOther ? 0 : scarce);
    }

    private Optional<Answer> search() {
        if (wants.isEmpty()) {
            return Optional.of(new Answer(Map.of(), Map.of(), true));
        }
        IntVar total = model.intVar("total", 0, 100_000);
        model.sum(costs.toArray(IntVar[]::new), "=", total).post();
        Solver solver = model.getSolver();
        Map<IntVar, Want> wantOf = new LinkedHashMap<>();
        where.forEach((want, variable) -> wantOf.put(variable, want));
        List<IntVar> decisions = new ArrayList<>(busOf.values());
        decisions.addAll(ports);
        decisions.addAll(where.values());
        decisions.addAll(addressOf.values());
        solver.setSearch(
                Search.intVarSearch(
                        new FirstFail(model),
                        variable -> cheapest(variable, wantOf.get(variable)),
                        decisions.toArray(IntVar[]::new)),
                Search.minDomLBSearch(takers.toArray(IntVar[]::new)));
        solver.limitFail(FAIL_LIMIT);
        Solution best = solver.findOptimalSolution(total, false);
        if (best == null) {
            return Optional.empty();
        }
        Map<Want, Endpoint> placed = new LinkedHashMap<>();
        where.forEach((want, variable) -> {
            int number = best.getIntVal(variable);
            placed.put(
                    want,
                    number < targets.size() ? targets.get(number) : want.tie().orElseThrow());
        });
        Map<String, Integer> addresses = new LinkedHashMap<>();
        addressOf.forEach((part, variable) -> addresses.put(part, best.getIntVal(variable)));
        return Optional.of(new Answer(placed, addresses, !solver.isStopCriterionMet()));
    }

    private int cheapest(IntVar variable, Want want) {
        if (want == null) {
            return variable.getLB();
        }
        int best = variable.getLB();
        int bestPrice = Integer.MAX_VALUE;
        for (int number = variable.getLB(); number <= variable.getUB(); number = variable.nextValue(number)) {
            int price = price(want, number);
            if (price < bestPrice) {
                best = number;
                bestPrice = price;
            }
        }
        return best;
    }

    /** The wire that a want gets. */
    static Wire wire(Want want, Endpoint target) {
        return want.now().filter(now -> now.to().equals(target)).orElseGet(() -> Wire.placed(want.signal(), target));
    }
}
