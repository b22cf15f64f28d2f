package inkel.app.ui.controls;

import inkel.core.build.Endpoint;
import inkel.core.build.Place;
import inkel.core.build.Wire;
import inkel.core.catalog.Ability;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.levels.Verdict;
import inkel.core.pins.NodePins;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What the loom shows of a node: threads across, modules with their pins down, a knot for every wire. Positions and
 * colours are the loom's own business.
 *
 * @param threads from left to right: ground, rails, then the pins that can be wired to
 * @param modules from top to bottom
 */
public record LoomModel(List<Thread> threads, List<Module> modules) {
    public LoomModel {
        threads = List.copyOf(threads);
        modules = List.copyOf(modules);
    }

    /** What a thread carries. */
    public enum Kind {
        GROUND,
        RAIL,
        PIN
    }

    /**
     * An upright thread.
     *
     * @param end the rail or pin; for the common ground the board's own
     * @param tag what the pin is on the board: a bus line, the console; empty for plain pins
     */
    public record Thread(Endpoint end, Kind kind, String label, String tag, boolean isUsed, boolean isReserved) {}

    /** A module with its pins. */
    public record Module(Placed placed, List<Row> rows) {
        public Module {
            rows = List.copyOf(rows);
        }
    }

    /**
     * A pin of a module.
     *
     * @param thread the number of the thread it crosses, −1 when it goes nowhere
     * @param family the colour family of its wire: {@code spi}, {@code i2c}, {@code supply}, …
     * @param volts the verdict on its levels, if any
     */
    public record Row(
            Place place,
            String label,
            int thread,
            Knot.Form form,
            String family,
            Optional<Verdict> volts,
            boolean isLoose) {}

    public static LoomModel of(Assessment assessment, String nodeId) {
        NodeCircuit node = assessment.circuit(nodeId).orElseThrow();
        NodePins pins = assessment.pins(nodeId).orElseThrow();
        return new Maker(assessment, node, pins).make();
    }

    private static final class Maker {
        private final Assessment assessment;
        private final NodeCircuit node;
        private final NodePins pins;
        private final List<Thread> threads = new ArrayList<>();
        private final Map<Endpoint, Integer> number = new LinkedHashMap<>();
        private final Map<Place, Finding> clashes = new HashMap<>();

        Maker(Assessment assessment, NodeCircuit node, NodePins pins) {
            this.assessment = assessment;
            this.node = node;
            this.pins = pins;
            assessment.of(node.node().id(), Stage.PINS).stream()
                    .filter(finding -> finding.severity() == Severity.STOP)
                    .filter(finding -> finding.place().isPin())
                    .forEach(finding -> clashes.put(finding.place(), finding));
        }

        LoomModel make() {
            thread(new Endpoint(node.board().id(), "GND"), Kind.GROUND, "GND", "", true, false);
            node.rails().stream().filter(this::feedsModules).forEach(this::railThread);
            Set<Endpoint> taken = new HashSet<>(node.nets().keySet());
            node.parts().forEach(placed -> placed.cls().offers().forEach(pin -> {
                Endpoint end = placed.endpoint(pin);
                // A driver's channels are only threads where something hangs on them.
                if (placed.part().isBoard() || taken.contains(end)) {
                    String tag = placed.part().isBoard() ? tag(pin) : placed.id();
                    thread(end, Kind.PIN, pin.label(), tag, taken.contains(end), pins.isReserved(end));
                }
            }));
            List<Module> modules = node.parts().stream()
                    .filter(placed -> !placed.part().isBoard())
                    .map(this::module)
                    .filter(module -> !module.rows().isEmpty())
                    .toList();
            return new LoomModel(threads, modules);
        }

        private boolean feedsModules(Rail rail) {
            boolean isTiedTo =
                    node.node().wires().stream().anyMatch(wire -> wire.to().equals(rail.id()));
            return isTiedTo
                    || rail.loads().stream()
                            .anyMatch(load ->
                                    !load.pin().part().equals(node.board().id()));
        }

        private void railThread(Rail rail) {
            boolean isNamedByPin =
                    node.part(rail.id().part()).orElseThrow().part().isBoard()
                            || rail.output().way() == inkel.core.catalog.Output.Way.PASS;
            String name = isNamedByPin
                    ? rail.id().pin()
                    : rail.volts()
                            .map(volts -> inkel.core.quantity.Engineering.print(volts.expected()))
                            .orElse(rail.id().pin());
            thread(rail.id(), Kind.RAIL, name, "", true, false);
        }

        private void thread(Endpoint end, Kind kind, String label, String tag, boolean isUsed, boolean isReserved) {
            number.put(end, threads.size());
            threads.add(new Thread(end, kind, label, tag, isUsed, isReserved));
        }

        private static String tag(Pin pin) {
            if (pin.can(Ability.Kind.CONSOLE)) {
                return "console";
            }
            return pin.can().stream()
                    .filter(ability -> ability.kind() == Ability.Kind.SPI || ability.kind() == Ability.Kind.I2C)
                    .filter(ability -> !ability.line().equals("cs"))
                    .map(ability -> ability.line().toUpperCase(java.util.Locale.ROOT))
                    .findFirst()
                    .orElse("");
        }

        private Module module(Placed placed) {
            List<Row> rows = new ArrayList<>();
            Set<String> seen = new HashSet<>();
            for (Pin pin : placed.cls().pins()) {
                boolean isRepeatedGround = pin.use() == PinUse.GROUND && !seen.add("ground");
                if (!isRepeatedGround) {
                    row(placed, pin).ifPresent(rows::add);
                }
            }
            boolean isWired = rows.stream().anyMatch(row -> row.thread() >= 0 || row.isLoose());
            return new Module(placed, isWired ? rows : List.of());
        }

        private Optional<Row> row(Placed placed, Pin pin) {
            Endpoint end = placed.endpoint(pin);
            Place place = node.place(end);
            return switch (pin.use()) {
                case GROUND ->
                    Optional.of(new Row(
                            place,
                            pin.label(),
                            placed.part().groundApart() ? -1 : 0,
                            Knot.Form.PLACED,
                            "ground",
                            Optional.empty(),
                            placed.part().groundApart()));
                case SUPPLY -> Optional.of(supplyRow(placed, pin, place));
                case NONE, OFFER, RAIL, WAY -> Optional.empty();
                default -> signalRow(pin, end, place);
            };
        }

        private Row supplyRow(Placed placed, Pin pin, Place place) {
            Endpoint rail = placed.part().feeds().get(pin.label());
            int thread = rail == null ? -1 : number.getOrDefault(rail, -1);
            return new Row(place, pin.label(), thread, Knot.Form.PLACED, "supply", Optional.empty(), thread < 0);
        }

        private Optional<Row> signalRow(Pin pin, Endpoint end, Place place) {
            Optional<Wire> wire = node.wire(end);
            if (wire.isEmpty()) {
                boolean isLoose = pins.loose().contains(end);
                return Optional.of(
                        new Row(place, pin.label(), -1, Knot.Form.OPEN, family(pin.use()), Optional.empty(), isLoose));
            }
            boolean isGround =
                    node.isTie(wire.get()) && node.rail(wire.get().to()).isEmpty();
            int thread = isGround ? 0 : number.getOrDefault(wire.get().to(), -1);
            Knot.Form form = clashes.containsKey(place) ? Knot.Form.CLASH : Knot.Form.of(pins.how(wire.get()));
            return Optional.of(new Row(
                    place,
                    pin.label(),
                    thread,
                    form,
                    family(pin.use()),
                    assessment.reports().levels().verdict(place),
                    false));
        }
    }

    /** The colour family of the wire of such a pin: {@code spi}, {@code supply}, {@code digital}. */
    public static String family(PinUse use) {
        return switch (use) {
            case SPI_SCK, SPI_MOSI, SPI_MISO, SPI_CS -> "spi";
            case I2C_SDA, I2C_SCL -> "i2c";
            case UART_RX, UART_TX -> "uart";
            case PWM -> "pwm";
            case ANALOG -> "analog";
            case GROUND -> "ground";
            case SUPPLY, RAIL -> "supply";
            default -> "digital";
        };
    }
}
