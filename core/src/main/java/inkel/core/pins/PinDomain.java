package inkel.core.pins;

import inkel.core.catalog.Ability;
import inkel.core.catalog.BusLine;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.circuit.BoardPorts;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * The pins of a node that can be wired to, each with a number, and what each may be used for. One serves for many models
 * of the same node.
 */
final class PinDomain {
    private final NodeCircuit node;
    private final Patience patience;
    private final List<Endpoint> targets = new ArrayList<>();
    private final Map<Endpoint, Integer> numbers = new LinkedHashMap<>();
    private final List<Pin> pins = new ArrayList<>();
    private final List<Placed> owners = new ArrayList<>();
    private final Map<Want, int[]> legal = new HashMap<>();
    private final int[] places;

    PinDomain(NodeCircuit node) {
        this(node, Patience.endless(() -> false));
    }

    /** @param patience asked by the solver now and then */
    PinDomain(NodeCircuit node, Patience patience) {
        this.node = node;
        this.patience = patience;
        for (Placed owner : node.parts()) {
            owner.cls().offers().forEach(pin -> {
                numbers.put(owner.endpoint(pin), targets.size());
                targets.add(owner.endpoint(pin));
                pins.add(pin);
                owners.add(owner);
            });
        }
        places = findPlaces();
    }

    NodeCircuit node() {
        return node;
    }

    boolean isStopped() {
        return patience.isStopped();
    }

    /** Whether planning has taken as long as it may. */
    boolean isOver() {
        return patience.isOver();
    }

    int size() {
        return targets.size();
    }

    boolean isPin(int number) {
        return number < targets.size();
    }

    Endpoint target(int number) {
        return targets.get(number);
    }

    /** The number of a pin, −1 for anything else. */
    int number(Endpoint target) {
        return numbers.getOrDefault(target, -1);
    }

    Pin pin(int number) {
        return pins.get(number);
    }

    boolean isOnBoard(int number) {
        return owners.get(number).part().isBoard();
    }

    /** The numbers a want may take, a tie not among them; empty when there is no pin for it at all. */
    int[] legal(Want want) {
        return legal.computeIfAbsent(want, this::findLegal);
    }

    private int[] findLegal(Want want) {
        if (want.isHeld()) {
            Integer number = numbers.get(want.now().orElseThrow().to());
            return number != null && isLegal(want, number) ? new int[] {number} : new int[0];
        }
        if (want.pin().need().isFixed() && want.tie().isPresent()) {
            return new int[0];
        }
        return IntStream.range(0, targets.size())
                .filter(number -> isLegal(want, number))
                .filter(number -> want.use().isSerial()
                        || !pins.get(number).can(Ability.Kind.CONSOLE)
                        || owners.get(number).own(Settings.CONSOLE).isPresent())
                .filter(number -> !pins.get(number).servesByChoice())
                .toArray();
    }

    private boolean isLegal(Want want, int number) {
        return want.link().isPresent()
                ? isForLink(want, number)
                : PinFit.whyNot(node, want.placed(), want.pin(), targets.get(number))
                                .isEmpty()
                        || isForSoftwareBus(want, number);
    }

    /** A wire to another board goes to a pin of this board itself. */
    private boolean isForLink(Want want, int number) {
        Pin pin = pins.get(number);
        return isOnBoard(number)
                && pin.can(Ability.Kind.DIGITAL)
                && !owners.get(number).isKeptFree(pin)
                && !(want.use().listens() && pin.can(Ability.Kind.INPUT_ONLY))
                && (!pin.can(Ability.Kind.CONSOLE) || !want.use().isSerial() || isPort(want, number))
                && want.use()
                        .sharedLine()
                        .map(line -> owners.get(number).cls().isUsual(pin, line))
                        .orElse(true);
    }

    /** Whether a serial line to another board is looked for on the pin. */
    boolean isPort(Want want, int number) {
        String line = want.use() == PinUse.UART_TX ? BoardPorts.LISTENS : BoardPorts.TALKS;
        return BoardPorts.isPort(node, targets.get(number), line);
    }

    private boolean isForSoftwareBus(Want want, int number) {
        Optional<BusLine> line = want.use().sharedLine();
        return line.isPresent() && mayUseSoftware(want.placed()) && servesBySoftware(line.get(), number);
    }

    /** Whether a line of a bus that the program drives may be on the pin. */
    boolean servesBySoftware(BusLine line, int number) {
        return isOnBoard(number)
                && !owners.get(number).isKeptFree(pins.get(number))
                && PinFit.servesBySoftware(owners.get(number), line, pins.get(number));
    }

    /** Whether the plan may put a part on a bus that the program drives; the builder can choose either. */
    static boolean mayUseSoftware(Placed placed) {
        return placed.own(Settings.BUS).filter(Settings.Bus.HARDWARE::equals).isEmpty();
    }

    static boolean mayUseHardware(Placed placed) {
        return !PinFit.isOnSoftwareBus(placed);
    }

    /** The units of a kind that its pins name, in the order of the pins. */
    List<String> units(Ability.Kind kind) {
        Set<String> units = new LinkedHashSet<>();
        for (int number = 0; number < targets.size(); number++) {
            for (Ability ability : pins.get(number).can()) {
                if (ability.kind() == kind) {
                    units.add(unit(number, ability));
                }
            }
        }
        return List.copyOf(units);
    }

    String unit(int number, Ability ability) {
        return targets.get(number).part() + " " + ability.kind() + ability.unit();
    }

    /** The channel of a timer that a pin is on, with whose it is. */
    Optional<String> pwmChannel(int number) {
        return pin(number).can().stream()
                .filter(ability -> ability.kind() == Ability.Kind.PWM)
                .map(ability -> unit(number, ability) + " " + ability.line())
                .findFirst();
    }

    /** The number of the unit of a kind that each pin is on, −1 for none. */
    int[] unitOf(Ability.Kind kind, List<String> units) {
        return IntStream.range(0, targets.size())
                .map(number -> pins.get(number).can().stream()
                        .filter(ability -> ability.kind() == kind)
                        .mapToInt(ability -> units.indexOf(unit(number, ability)))
                        .findFirst()
                        .orElse(-1))
                .toArray();
    }

    /** Where a pin is along the headers: neighbours differ by one, pins of different rows or parts by much more. */
    int place(int number) {
        return places[number];
    }

    /** Each part's headers behind those of the part before. */
    private int[] findPlaces() {
        int[] found = new int[targets.size()];
        int start = 0;
        int number = 0;
        for (Placed owner : node.parts()) {
            for (; number < found.length && owners.get(number).equals(owner); number++) {
                found[number] = start + HeaderLine.place(owner.cls(), pins.get(number));
            }
            start += owner.cls().offers().findAny().isPresent() ? HeaderLine.length(owner.cls()) : 0;
        }
        return found;
    }
}
