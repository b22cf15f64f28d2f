package inkel.core.pins;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.Placed;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.chocosolver.solver.Model;
import org.chocosolver.solver.constraints.extension.Tuples;
import org.chocosolver.solver.variables.IntVar;

/** Serial ports: both wires of a part are on one unit, a unit serves one part, and plain pins make a port by software. */
final class PinModelPorts {
    private final PinModel pins;
    private final Model model;
    private final PinDomain domain;

    PinModelPorts(PinModel pins) {
        this.pins = pins;
        model = pins.model();
        domain = pins.domain();
    }

    void state() {
        List<IntVar> units = new ArrayList<>();
        List<String> names = domain.units(Ability.Kind.UART);
        for (Placed placed : domain.node().parts()) {
            List<Want> both = pins.wants().stream()
                    .filter(want -> want.placed().equals(placed) && want.use().isSerial())
                    .toList();
            for (List<Want> line : halvesJoined(lines(both))) {
                units.add(port(placed, line, names));
            }
        }
        if (units.size() > 1) {
            model.allDifferentExcept0(units.toArray(IntVar[]::new)).post();
        }
    }

    /** The wires of a part are one line, and so are the one or two of each line to another board. */
    private List<List<Want>> lines(List<Want> serial) {
        List<List<Want>> lines = new ArrayList<>();
        List<Want> ofPart =
                serial.stream().filter(want -> want.link().isEmpty()).toList();
        if (!ofPart.isEmpty()) {
            lines.add(ofPart);
        }
        List<LinkEnd> ends =
                serial.stream().flatMap(want -> want.link().stream()).toList();
        BoardLine.of(domain.node(), ends)
                .forEach(line -> lines.add(line.ends().stream()
                        .flatMap(end -> serial.stream()
                                .filter(want -> want.link().filter(end::equals).isPresent()))
                        .toList()));
        return lines;
    }

    /** What is only said to one board and only heard of another goes over one port, unless that is at two rates. */
    private static List<List<Want>> halvesJoined(List<List<Want>> lines) {
        List<List<Want>> joined = new ArrayList<>();
        for (List<Want> line : lines) {
            Optional<List<Want>> other =
                    joined.stream().filter(before -> areHalves(before, line)).findFirst();
            other.ifPresentOrElse(before -> before.addAll(line), () -> joined.add(new ArrayList<>(line)));
        }
        return joined;
    }

    private static boolean areHalves(List<Want> one, List<Want> other) {
        List<LinkEnd> ends = Stream.concat(one.stream(), other.stream())
                .flatMap(want -> want.link().stream())
                .toList();
        return one.size() == 1
                && other.size() == 1
                && ends.size() == 2
                && ends.get(0).isSending() != ends.get(1).isSending()
                && ends.stream()
                                .flatMap(end -> end.link().carries().baud().stream())
                                .distinct()
                                .count()
                        <= 1;
    }

    /** Unit 0 stands for a port by software, the others are those of the board. */
    private IntVar port(Placed placed, List<Want> both, List<String> names) {
        IntVar unit = model.intVar("port of " + placed.id(), 0, names.size());
        pins.addChoice(unit, inOrder(names));
        for (Want want : both) {
            model.table(new IntVar[] {pins.where(want), unit}, tuples(want, names), "CT+")
                    .post();
        }
        IntVar warning = model.intVar("software port of " + placed.id(), 0, 1);
        int[] warnings = IntStream.rangeClosed(0, names.size())
                .map(number -> number == 0 ? 1 : 0)
                .toArray();
        model.element(warning, warnings, unit).post();
        // What another board says to a port is no port by software: it stays one, beside a console if need be.
        boolean isOfLink = both.get(0).link().isPresent();
        pins.addCost((isOfLink ? 2 * both.size() : 1) * pins.price().warning(), warning);
        return unit;
    }

    /** Ports that nothing else needs, then one by software, then those of the console. */
    private int[] inOrder(List<String> names) {
        List<Integer> plain = new ArrayList<>();
        List<Integer> ofConsole = new ArrayList<>();
        for (int number = 1; number <= names.size(); number++) {
            (isOfConsole(names.get(number - 1)) ? ofConsole : plain).add(number);
        }
        return Stream.of(plain, List.of(0), ofConsole)
                .flatMap(List::stream)
                .mapToInt(Integer::intValue)
                .toArray();
    }

    private boolean isOfConsole(String unit) {
        return IntStream.range(0, domain.size())
                .filter(number -> Price.isOfConsole(domain.node(), domain.pin(number)))
                .anyMatch(number -> domain.pin(number).can().stream()
                        .anyMatch(ability -> ability.kind() == Ability.Kind.UART
                                && domain.unit(number, ability).equals(unit)));
    }

    private Tuples tuples(Want want, List<String> names) {
        String line = want.use() == PinUse.UART_TX ? "rx" : "tx";
        boolean mayBeSoftware = maySoftware(want);
        Tuples tuples = new Tuples(true);
        for (int number = 0; number < domain.size(); number++) {
            Pin pin = domain.pin(number);
            for (Ability ability : pin.can()) {
                boolean isMeant = want.link().isEmpty() || domain.isPort(want, number);
                if (isMeant
                        && ability.kind() == Ability.Kind.UART
                        && ability.line().equals(line)) {
                    tuples.add(number, 1 + names.indexOf(domain.unit(number, ability)));
                }
            }
            if (mayBeSoftware && pin.can(Ability.Kind.DIGITAL) && !pin.can(Ability.Kind.CONSOLE)) {
                tuples.add(number, 0);
            }
        }
        return tuples;
    }

    private boolean maySoftware(Want want) {
        Frequency fastest =
                domain.node().board().cls().controller().orElseThrow().softwareUartMax();
        // Where nobody said how fast two boards talk, that is a matter of their programs.
        return want.link()
                .map(end -> end.link()
                        .carries()
                        .baud()
                        .filter(baud -> Quantity.exceeds(baud, fastest))
                        .isEmpty())
                .orElseGet(() -> want.placed()
                        .baud()
                        .filter(baud -> !Quantity.exceeds(baud, fastest))
                        .isPresent());
    }
}
