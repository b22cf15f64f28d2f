package inkel.core.pins;

import inkel.core.catalog.Habit;
import inkel.core.catalog.PinUse;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.function.ToIntFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.chocosolver.solver.Model;
import org.chocosolver.solver.Solution;
import org.chocosolver.solver.Solver;
import org.chocosolver.solver.search.limits.FailCounter;
import org.chocosolver.solver.search.loop.lns.INeighborFactory;
import org.chocosolver.solver.search.loop.lns.neighbors.INeighbor;
import org.chocosolver.solver.search.loop.move.MoveBinaryDFS;
import org.chocosolver.solver.search.strategy.Search;
import org.chocosolver.solver.search.strategy.selectors.values.IntDomainRandom;
import org.chocosolver.solver.search.strategy.selectors.values.IntValueSelector;
import org.chocosolver.solver.search.strategy.selectors.variables.DomOverWDeg;
import org.chocosolver.solver.search.strategy.selectors.variables.FirstFail;
import org.chocosolver.solver.search.strategy.selectors.variables.InputOrder;
import org.chocosolver.solver.search.strategy.strategy.AbstractStrategy;
import org.chocosolver.solver.variables.IntVar;
import org.chocosolver.util.criteria.Criterion;

/**
 * Sharing out pins as a constraint model. Every pin that can be wired to has a number; every want is a variable over the
 * numbers it may take. No two takers have the same pin; what else must hold is stated by {@link PinModelBuses},
 * {@link PinModelPorts}, {@link PinModelTimers} and {@link PinModelBridges}, what is only wished for by {@link PinModelRibbons} and the prices.
 *
 * <p>Longer than other files: what is asked and how it is searched are about the same variables, and handing these from
 * one class to another would tell less than it takes.
 */
final class PinModel {
    /** Ends a search; counted in failures, not in time, so that the outcome is the same on every machine. */
    private static final long FAIL_LIMIT = 600;

    /** Wires that are there already are mostly right: then so many failures, and more for each that is not. */
    private static final long LEAST_FAILS = 150;

    private static final long FAILS_PER_NEW = 30;

    /** Ends the search for any placement at all when it is this hard; it is then told as not known. */
    private static final long PROOF_LIMIT = 20_000;

    /** How often a part of the plan is torn out and placed anew in the hope of something better. */
    private static final long REPAIRS = 30;

    private static final long LEAST_REPAIRS = 4;

    private static final long FAILS_PER_REPAIR = 30;
    private static final long SEED = 20_26;

    private final PinDomain domain;
    private final List<Want> wants;
    private final Price price;
    private final Model model = new Model("pins");
    private final Map<Want, IntVar> where = new LinkedHashMap<>();
    private final Map<IntVar, Want> wantOf = new HashMap<>();
    private final Map<Want, int[]> prices = new HashMap<>();
    private final List<IntVar> takers = new ArrayList<>();
    private final List<IntVar> costs = new ArrayList<>();
    private final List<Integer> weights = new ArrayList<>();
    private final List<IntVar> choices = new ArrayList<>();
    private final Map<IntVar, int[]> orders = new HashMap<>();
    private final List<IntVar> late = new ArrayList<>();
    private PinModelBuses buses;
    private int nextNoPin;

    /**
     * Where every want goes, and which address each I2C part has.
     *
     * @param bySoftware ids of parts whose bus the program has to drive
     * @param cost what the placement costs at the prices asked for
     * @param complete whether nothing cheaper exists; false when the search ended before it could tell
     */
    record Answer(
            Map<Want, Endpoint> where,
            Map<String, Integer> addresses,
            Set<String> bySoftware,
            long cost,
            boolean complete) {}

    /** Whether a placement exists. */
    enum Possible {
        YES,
        NO,
        /** The search ended before it could tell. */
        UNKNOWN
    }

    private PinModel(PinDomain domain, List<Want> wants, Price price) {
        this.domain = domain;
        nextNoPin = domain.size();
        this.wants = wants;
        this.price = price;
    }

    /** Empty when the wants cannot all be met, or when no way was found to meet them. */
    static Optional<Answer> solve(PinDomain domain, List<Want> wants, Price price) {
        PinModel work = new PinModel(domain, wants, price);
        return work.state() ? work.search() : Optional.empty();
    }

    /** Whether any placement exists; faster than looking for a good one. */
    static Possible isPossible(PinDomain domain, List<Want> wants) {
        if (wants.isEmpty()) {
            return Possible.YES;
        }
        if (PinMatching.isTooFull(domain, wants)) {
            return Possible.NO;
        }
        if (domain.isOver()) {
            return Possible.UNKNOWN;
        }
        PinModel work = new PinModel(domain, wants, Price.USUAL);
        return work.state() ? work.prove() : Possible.NO;
    }

    // --- for the classes that state parts of the problem

    Model model() {
        return model;
    }

    PinDomain domain() {
        return domain;
    }

    /** A number behind the last pin: it stands for no pin at all and blocks none. */
    int noPin() {
        return nextNoPin++;
    }

    List<Want> wants() {
        return wants;
    }

    IntVar where(Want want) {
        return where.get(want);
    }

    Price price() {
        return price;
    }

    /** No two takers have the same pin. */
    void addTaker(IntVar taker) {
        takers.add(taker);
    }

    void addCost(int weight, IntVar cost) {
        weights.add(weight);
        costs.add(cost);
    }

    /** A variable that should be decided before the pins. */
    void addChoice(IntVar choice) {
        choices.add(choice);
    }

    /** As {@link #addChoice(IntVar)}, with its values in the order in which they are tried. */
    void addChoice(IntVar choice, int[] inOrder) {
        choices.add(choice);
        orders.put(choice, inOrder);
    }

    /** A variable that is decided when every want has its pin. */
    void addLate(IntVar choice) {
        late.add(choice);
    }

    // --- stating

    /** States the whole problem; false when a want has no pin at all, which no model need be asked about. */
    private boolean state() {
        for (Want want : wants) {
            int[] legal = domain.legal(want);
            boolean mayTie = want.tie().isPresent() && !want.isHeld();
            int[] numbers = mayTie
                    ? IntStream.concat(Arrays.stream(legal), IntStream.of(noPin()))
                            .toArray()
                    : legal;
            if (numbers.length == 0) {
                return false;
            }
            IntVar variable = model.intVar(want.signal().toString(), numbers);
            where.put(want, variable);
            wantOf.put(variable, want);
        }
        Set<Endpoint> driven = new HashSet<>();
        wants.stream()
                .filter(want -> want.use().sharedLine().isEmpty())
                .filter(want -> want.heldInput().map(driven::add).orElse(true))
                .forEach(want -> want.follows(domain.node(), wants)
                        .ifPresentOrElse(
                                first -> model.arithm(where.get(want), "=", where.get(first))
                                        .post(),
                                () -> addTaker(where.get(want))));
        buses = new PinModelBuses(this);
        if (!buses.state()) {
            return false;
        }
        new PinModelPorts(this).state();
        new PinModelTimers(this).state();
        new PinModelBridges(this).state();
        if (takers.size() > 1) {
            model.allDifferent(takers.toArray(IntVar[]::new), "AC").post();
        }
        return true;
    }

    private void statePrices() {
        new PinModelRibbons(this).state();
        for (Want want : wants) {
            IntVar variable = where.get(want);
            int[] of = prices.computeIfAbsent(want, this::pricesOf);
            int most = IntStream.of(of).max().orElse(0);
            if (most > 0) {
                IntVar cost = model.intVar("price of " + want.signal(), 0, most);
                model.element(cost, of, variable).post();
                addCost(1, cost);
            }
        }
    }

    /** By number; what the want cannot take is priced at nothing. */
    private int[] pricesOf(Want want) {
        IntVar variable = where.get(want);
        int[] of = new int[variable.getUB() + 1];
        boolean prefersTies =
                want.use() == PinUse.INPUT && domain.node().habits().is(Habit.ENABLES, Habit.Enables.TIED);
        boolean isPlugged = want.now().isPresent() && domain.node().isPlugged(want.signal());
        for (int number = variable.getLB(); number <= variable.getUB(); number = variable.nextValue(number)) {
            boolean isPin = domain.isPin(number);
            of[number] = isPin
                    ? Price.ofPin(domain.node(), want.placed(), want.use(), domain.target(number), price)
                            + ofLevels(want, domain.target(number))
                            + price.ofMove(want.now(), domain.target(number), isPlugged)
                    : 0;
            of[number] += isPin == prefersTies && want.tie().isPresent() ? price.tied() : 0;
        }
        return of;
    }

    private int ofLevels(Want want, Endpoint target) {
        boolean isTrouble =
                want.link().isEmpty() && PinLevels.isTrouble(domain.node(), want.placed(), want.pin(), target);
        return isTrouble ? price.levels() : 0;
    }

    // --- searching

    /**
     * As the solver does, until nobody wants the answer any more.
     *
     * @throws CancellationException when that is so
     */
    private boolean solve(Solver solver) {
        // A reset takes criteria away, so it is put there for each run.
        Criterion stop = () -> domain.isStopped() || domain.isOver();
        solver.addStopCriterion(stop);
        boolean isFound = solver.solve();
        solver.removeStopCriterion(stop);
        if (domain.isStopped()) {
            throw new CancellationException();
        }
        return isFound;
    }

    /** Whether a search ended before it had looked everywhere. */
    private boolean isCut(Solver solver) {
        return solver.isStopCriterionMet() || domain.isOver();
    }

    private Possible prove() {
        Solver solver = model.getSolver();
        IntVar[] pins = where.values().toArray(IntVar[]::new);
        IntVar[] first = choices.toArray(IntVar[]::new);
        solver.setSearch(then(Search.intVarSearch(new FirstFail(model), IntVar::getLB, concat(first, pins))));
        solver.limitFail(FAIL_LIMIT);
        boolean isFound = solve(solver);
        if (!isFound && isCut(solver)) {
            hardestFirst(solver);
            isFound = solve(solver);
        }
        return isFound ? Possible.YES : isCut(solver) ? Possible.UNKNOWN : Possible.NO;
    }

    /** The variables that fail most come first, with restarts and values at random, always the same. */
    private void hardestFirst(Solver solver) {
        solver.reset();
        IntVar[] all = Stream.of(choices, where.values(), List.copyOf(buses.addresses()), takers, late)
                .flatMap(Collection::stream)
                .distinct()
                .toArray(IntVar[]::new);
        solver.setSearch(Search.intVarSearch(new DomOverWDeg<>(all, SEED), new IntDomainRandom(SEED), all));
        solver.setLubyRestart(60, new FailCounter(model, 1), 500);
        solver.limitFail(PROOF_LIMIT);
    }

    private AbstractStrategy<?>[] cheapestFirst(IntVar[] pins) {
        IntVar[] first = choices.toArray(IntVar[]::new);
        return then(Search.intVarSearch(new InputOrder<>(model), new Cheapest(), concat(first, pins)));
    }

    /** What is left when every want has its pin: addresses, unused lines, directions of ribbons. */
    private AbstractStrategy<?>[] then(AbstractStrategy<?> first) {
        List<AbstractStrategy<?>> all = new ArrayList<>(List.of(first));
        Stream.of(List.copyOf(buses.addresses()), takers, late)
                .filter(variables -> !variables.isEmpty())
                .map(variables -> Search.inputOrderLBSearch(variables.toArray(IntVar[]::new)))
                .forEach(all::add);
        return all.toArray(AbstractStrategy[]::new);
    }

    private static IntVar[] concat(IntVar[] first, IntVar[] second) {
        IntVar[] both = Arrays.copyOf(first, first.length + second.length);
        System.arraycopy(second, 0, both, first.length, second.length);
        return both;
    }

    private Optional<Answer> search() {
        if (wants.isEmpty()) {
            return Optional.of(new Answer(Map.of(), Map.of(), Set.of(), 0, true));
        }
        statePrices();
        int[] factors = weights.stream().mapToInt(Integer::intValue).toArray();
        IntVar total = model.intVar("total", 0, 100_000_000, true);
        model.scalar(costs.toArray(IntVar[]::new), factors, "=", total).post();
        Solver solver = model.getSolver();
        IntVar[] pins = ordered(want -> where.get(want).getDomainSize());
        solver.setSearch(cheapestFirst(pins));
        solver.limitFail(effort(LEAST_FAILS, FAILS_PER_NEW, FAIL_LIMIT));
        Solution best = new Solution(model);
        model.setObjective(Model.MINIMIZE, total);
        boolean isFound = record(solver, best);
        boolean isComplete = !isCut(solver);
        if (isComplete) {
            return isFound ? Optional.of(answer(best, total, true)) : Optional.empty();
        }
        if (!isFound && !findAny(solver, best)) {
            return Optional.empty();
        }
        improve(solver, best, total, pins);
        return Optional.of(answer(best, total, false));
    }

    /** Little where few wants are new and wires should stay, much where much is open. */
    private long effort(long least, long perNew, long most) {
        boolean isOpen = price.replug() < Price.USUAL.replug();
        long unplaced = wants.stream()
                .filter(want -> want.now()
                        .filter(wire -> where.get(want).contains(domain.number(wire.to())))
                        .isEmpty())
                .count();
        return isOpen ? most : Math.min(most, least + perNew * unplaced);
    }

    private boolean record(Solver solver, Solution best) {
        boolean isFound = false;
        while (solve(solver)) {
            best.record();
            isFound = true;
        }
        return isFound;
    }

    /** The order of prices led into a corner: the hardest variables first, until anything is found. */
    private boolean findAny(Solver solver, Solution best) {
        hardestFirst(solver);
        boolean isFound = solve(solver);
        if (isFound) {
            best.record();
        }
        return isFound;
    }

    /** Tears out some wants of the best placement and places them anew, over and over. */
    private void improve(Solver solver, Solution best, IntVar total, IntVar[] pins) {
        improve(
                solver,
                best,
                total,
                cheapestFirst(pins),
                INeighborFactory.sequencer(INeighborFactory.random(pins), INeighborFactory.propagationGuided(pins)));
        // What could be anywhere is to be seen again.
        solver.reset();
        // Of one part alone its pins say which bus it is on: whoever has the fewest good ones first.
        IntVar[] scarceFirst = ordered(want -> goodPins(want).size());
        improve(
                solver,
                best,
                total,
                then(Search.intVarSearch(
                        new InputOrder<>(model), new Cheapest(), concat(scarceFirst, choices.toArray(IntVar[]::new)))),
                byPart(pins));
    }

    private void improve(
            Solver solver, Solution best, IntVar total, AbstractStrategy<?>[] search, INeighbor neighbours) {
        if (domain.isOver()) {
            return;
        }
        solver.reset();
        model.clearObjective();
        model.setObjective(Model.MINIMIZE, total);
        model.arithm(total, "<", best.getIntVal(total)).post();
        // A reset leaves the way of moving as it is, and one is put round the other.
        solver.setMove(new MoveBinaryDFS());
        solver.setSearch(search);
        solver.setLNS(neighbours, new FailCounter(model, FAILS_PER_REPAIR), best);
        solver.limitFail(effort(LEAST_REPAIRS, 1, REPAIRS) * FAILS_PER_REPAIR);
        record(solver, best);
    }

    private PinModelNeighbour byPart(IntVar[] pins) {
        return new PinModelNeighbour(
                pins,
                Arrays.stream(pins)
                        .map(wantOf::get)
                        .map(want -> new PinModelNeighbour.Wire(want.placed().id(), prices.get(want), goodPins(want)))
                        .toList());
    }

    /** Of the pins that it could have those that are hardly dearer than the best. */
    private Set<Integer> goodPins(Want want) {
        int[] of = prices.get(want);
        int least = where.get(want).stream().map(number -> of[number]).min().orElse(0);
        return where.get(want).stream()
                .filter(number -> of[number] < least + price.elsewhere())
                .boxed()
                .collect(Collectors.toSet());
    }

    /** Those with the fewest pins to choose from first, those of one part together in the order of its pins. */
    private IntVar[] ordered(ToIntFunction<Want> choice) {
        Map<String, Integer> scarcest = new HashMap<>();
        wants.forEach(want -> scarcest.merge(group(want), choice.applyAsInt(want), Math::min));
        return wants.stream()
                .sorted(Comparator.comparingInt(want -> scarcest.get(group(want))))
                .map(where::get)
                .toArray(IntVar[]::new);
    }

    /** Lines of a bus are decided by the bus; the other signals of a part hang together. */
    private static String group(Want want) {
        return want.use().sharedLine().map(Enum::name).orElse("")
                + want.placed().id()
                + want.link();
    }

    /** The pin that costs least, beside the one that the part's signal before has where that is the same. */
    private final class Cheapest implements IntValueSelector {
        @Override
        public int selectValue(IntVar variable) {
            Want want = wantOf.get(variable);
            if (want == null) {
                return Arrays.stream(orders.getOrDefault(variable, new int[0]))
                        .filter(variable::contains)
                        .findFirst()
                        .orElse(variable.getLB());
            }
            int[] of = prices.get(want);
            int neighbour = neighbour(want);
            int best = variable.getLB();
            long bestPrice = Long.MAX_VALUE;
            for (int number = variable.getLB(); number <= variable.getUB(); number = variable.nextValue(number)) {
                boolean isBeside = neighbour < 0
                        || !domain.isPin(number)
                        || Math.abs(domain.place(number) - domain.place(neighbour)) == 1;
                long asked = of[number] + (isBeside ? 0 : price.gap());
                if (asked < bestPrice) {
                    best = number;
                    bestPrice = asked;
                }
            }
            return best;
        }

        /** The pin of the part's signal before this one, −1 when that is not decided. */
        private int neighbour(Want want) {
            int at = wants.indexOf(want);
            if (at == 0) {
                return -1;
            }
            Want before = wants.get(at - 1);
            IntVar variable = where.get(before);
            boolean isOther = !before.placed().equals(want.placed())
                    || before.use().sharedLine().isPresent()
                    || want.use().sharedLine().isPresent();
            return isOther || !variable.isInstantiated() || !domain.isPin(variable.getValue())
                    ? -1
                    : variable.getValue();
        }
    }

    private Answer answer(Solution best, IntVar total, boolean isComplete) {
        Map<Want, Endpoint> placed = new LinkedHashMap<>();
        where.forEach((want, variable) -> {
            int number = best.getIntVal(variable);
            placed.put(
                    want,
                    domain.isPin(number) ? domain.target(number) : want.tie().orElseThrow());
        });
        return new Answer(
                placed,
                buses.addresses(best),
                new LinkedHashSet<>(buses.bySoftware(best)),
                best.getIntVal(total),
                isComplete);
    }

    /** The wire that a want gets. */
    static Wire wire(Want want, Endpoint target) {
        return want.now().filter(now -> now.to().equals(target)).orElseGet(() -> Wire.placed(want.signal(), target));
    }
}
