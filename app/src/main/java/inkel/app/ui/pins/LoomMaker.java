package inkel.app.ui.pins;

import inkel.app.ui.kit.Knot;
import inkel.app.ui.pins.LoomModel.Kind;
import inkel.app.ui.pins.LoomModel.Load;
import inkel.app.ui.pins.LoomModel.Mark;
import inkel.app.ui.pins.LoomModel.Module;
import inkel.app.ui.pins.LoomModel.Row;
import inkel.app.ui.pins.LoomModel.Thread;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.catalog.Ability;
import inkel.core.catalog.Output;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.ProgramLines;
import inkel.core.circuit.Rail;
import inkel.core.circuit.Unfed;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.Verdict;
import inkel.core.levels.BoardLink;
import inkel.core.levels.LevelReport;
import inkel.core.levels.Link;
import inkel.core.pins.LinkEnd;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinFit;
import inkel.core.pins.PinReport;
import inkel.core.pins.Plan;
import inkel.core.power.PinLoadReport;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Makes what the loom shows of an assessed node. */
final class LoomMaker {
    private static final List<String> BUS_ORDER = List.of("spi", "i2c", "uart", "pwm", "analog", "digital");

    private final Assessment assessment;
    private final NodeCircuit node;
    private final NodePins pins;
    private final LoomView view;
    private final Set<Endpoint> programmed;
    private final List<Thread> threads = new ArrayList<>();
    private final Map<Endpoint, Integer> number = new HashMap<>();
    private final Set<Place> clashes = new HashSet<>();
    private final Map<Place, Verdict> verdicts = new HashMap<>();
    private final Map<Endpoint, Load> loads = new HashMap<>();
    private final Map<Endpoint, Endpoint> compared = new HashMap<>();

    /** Supply pins that are to be fed; a contact that switches nothing, or a port for charging, is none. */
    private final Set<Endpoint> unfed = new HashSet<>();

    private int folded;

    LoomMaker(Assessment assessment, String nodeId, LoomView view) {
        this.assessment = assessment;
        this.view = view;
        node = assessment.circuit(nodeId).orElseThrow();
        pins = assessment.pins(nodeId).orElseThrow();
        programmed = ProgramLines.shared(node);
        Unfed.of(node).forEach(one -> one.ways()
                .forEach(way -> unfed.add(new Endpoint(one.placed().id(), way.pin()))));
        assessment.of(nodeId, Stage.PINS).stream()
                .filter(finding -> finding.severity() == Severity.STOP)
                .flatMap(finding -> finding.places().stream())
                .filter(Place::isPin)
                .forEach(clashes::add);
        LevelReport levels = assessment.reports().levels();
        for (Link link : levels.links()) {
            verdicts.merge(link.signal(), link.verdict(), (a, b) -> a.compareTo(b) < 0 ? a : b);
        }
        node.rails().forEach(rail -> rail.loads()
                .forEach(load -> loads.put(
                        load.pin(), new Load(load.atWorst(), rail.peak().isAbove(rail.rating())))));
        assessment.reports().power().pinLoads().stream()
                .filter(load -> load.node() == node)
                .forEach(load ->
                        load.current().ifPresent(amperes -> loads.put(load.signal(), new Load(amperes, isOver(load)))));
        view.compared()
                .map(Plan::wires)
                .ifPresent(wires -> wires.forEach(wire -> compared.put(wire.from(), wire.to())));
    }

    private static boolean isOver(PinLoadReport load) {
        return load.isUnlimited() || load.isOver();
    }

    LoomModel make() {
        Endpoint ground = new Endpoint(node.board().id(), "GND");
        thread(new Thread(ground, Kind.GROUND, "GND", "", Words.get("loom.ground"), true, false));
        node.rails().stream().filter(this::feedsModules).forEach(this::railThread);
        ordered(pinThreads()).forEach(this::thread);
        List<Module> modules = new ArrayList<>(node.parts().stream()
                .filter(placed -> !placed.part().isBoard())
                .map(this::module)
                .filter(module -> !module.rows().isEmpty())
                .toList());
        Map<String, List<LinkEnd>> toBoards = new LinkedHashMap<>();
        pins.linkEnds().forEach(end -> toBoards.computeIfAbsent(end.there().node(), far -> new ArrayList<>())
                .add(end));
        toBoards.forEach((far, ends) -> modules.add(toBoard(far, ends)));
        return new LoomModel(threads, modules, folded);
    }

    private void thread(Thread thread) {
        number.put(thread.end(), threads.size());
        threads.add(thread);
    }

    private boolean feedsModules(Rail rail) {
        boolean isTiedTo =
                node.node().wires().stream().anyMatch(wire -> wire.to().equals(rail.id()));
        return isTiedTo
                || rail.loads().stream()
                        .anyMatch(load -> !load.pin().part().equals(node.board().id()));
    }

    /** Rails of one name are told apart by whose they are. */
    private void railThread(Rail rail) {
        String name = name(rail);
        boolean isAlone = node.rails().stream()
                        .filter(this::feedsModules)
                        .filter(other -> name(other).equals(name))
                        .count()
                < 2;
        thread(new Thread(rail.id(), Kind.RAIL, name, isAlone ? "" : rail.id().part(), name, true, false));
    }

    private String name(Rail rail) {
        boolean isNamedByPin = node.part(rail.id().part()).orElseThrow().part().isBoard()
                || rail.output().way() == Output.Way.PASS;
        return isNamedByPin
                ? rail.id().pin()
                : rail.volts()
                        .map(volts -> Numbers.print(volts.expected()))
                        .orElse(rail.id().pin());
    }

    // --- pins as threads

    private List<Thread> pinThreads() {
        List<Thread> found = new ArrayList<>();
        Set<Endpoint> asked = new HashSet<>(compared.values());
        node.parts().forEach(placed -> placed.cls().offers().forEach(pin -> {
            Endpoint end = placed.endpoint(pin);
            boolean isUsed = pins.isTaken(end);
            boolean isWanted = isUsed || asked.contains(end) || isOpenToHands(placed, pin);
            boolean isBoard = placed.part().isBoard();
            // A driver's channels are only threads where something hangs on them.
            if (isWanted || isBoard && !view.hidesFree()) {
                String tag = isBoard ? tag(placed, pin) : placed.id();
                found.add(new Thread(end, Kind.PIN, label(pin), tag, names(placed, pin), isUsed, pins.isReserved(end)));
            } else if (isBoard) {
                folded++;
            }
        }));
        return found;
    }

    /** A knob's wire or a channel that nobody has yet, where something on the table could hang on it. */
    private boolean isOpenToHands(Placed placed, Pin pin) {
        boolean isGiver = !placed.part().isBoard()
                && (pin.servesByChoice()
                        || pin.can(Ability.Kind.VOLTAGE)
                        || pin.can(Ability.Kind.ADC)
                        || pin.can(Ability.Kind.DRIVE)
                        || pin.can(Ability.Kind.SINK));
        return isGiver
                && !view.hidesFree()
                && node.signals().anyMatch(signal -> PinFit.whyNot(node, signal, placed.endpoint(pin))
                        .isEmpty());
    }

    private List<Thread> ordered(List<Thread> found) {
        if (!view.isByBus()) {
            return found;
        }
        Map<Endpoint, String> families = new HashMap<>();
        node.nets()
                .forEach((end, wires) ->
                        families.put(end, pins.useOf(wires.get(0).from()).family()));
        return found.stream()
                .sorted(Comparator.comparingInt(thread -> {
                    int at = BUS_ORDER.indexOf(families.getOrDefault(thread.end(), ""));
                    return at < 0 ? BUS_ORDER.size() : at;
                }))
                .toList();
    }

    private String label(Pin pin) {
        return switch (view.names()) {
            case LABEL -> pin.label();
            case PLACE -> place(pin);
            case NUMBER -> pin.number().isEmpty() ? pin.label() : pin.number();
        };
    }

    private static String place(Pin pin) {
        return pin.header() > 0
                ? String.valueOf(pin.header())
                : pin.row().substring(0, 1).toUpperCase(Locale.ROOT) + pin.place();
    }

    private static String names(Placed placed, Pin pin) {
        return Words.say(Fact.of(pin.number().isEmpty() ? "loom.names" : "loom.names_numbered")
                .with("part", placed.part().name())
                .with("pin", pin.label())
                .with("place", place(pin))
                .with("number", pin.number()));
    }

    private String tag(Placed board, Pin pin) {
        if (board.isKeptFree(pin)) {
            return Words.get("loom.kept_free");
        }
        if (programmed.contains(board.endpoint(pin))) {
            return Words.get("loom.programmed");
        }
        if (pin.can(Ability.Kind.CONSOLE)) {
            return "console";
        }
        return pin.can().stream()
                .filter(ability -> ability.kind() == Ability.Kind.SPI || ability.kind() == Ability.Kind.I2C)
                .filter(ability -> !ability.line().equals("cs"))
                .map(ability -> ability.line().toUpperCase(Locale.ROOT))
                .findFirst()
                .orElse("");
    }

    // --- modules

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
        return new Module(
                placed.id(),
                Place.ofPart(node.node().id(), placed.id()),
                placed.part().name(),
                placed.part().purpose(),
                isWired ? rows : List.of(),
                view.folded().contains(placed.id()));
    }

    private Optional<Row> row(Placed placed, Pin pin) {
        Endpoint end = placed.endpoint(pin);
        return switch (pin.use()) {
            case GROUND -> Optional.of(ground(placed, pin));
            case SUPPLY -> Optional.of(supply(placed, pin));
            case NONE, LINE, OFFER, RAIL, WAY, WAY_IN, WAY_OUT -> Optional.empty();
            default -> Optional.of(signal(pin, end));
        };
    }

    private Row ground(Placed placed, Pin pin) {
        boolean isApart = placed.part().groundApart();
        return plain(placed.endpoint(pin), pin.label(), isApart ? -1 : 0, "ground", isApart);
    }

    private Row supply(Placed placed, Pin pin) {
        Endpoint rail = placed.part().feeds().get(pin.label());
        int thread = rail == null ? -1 : number.getOrDefault(rail, -1);
        boolean isMissed = thread < 0 && unfed.contains(placed.endpoint(pin));
        return plain(placed.endpoint(pin), pin.label(), thread, "supply", isMissed);
    }

    private Row plain(Endpoint end, String label, int thread, String family, boolean isLoose) {
        return new Row(
                node.place(end),
                label,
                thread,
                -1,
                Knot.Form.PLACED,
                family,
                Mark.NONE,
                Optional.empty(),
                Optional.ofNullable(loads.get(end)),
                isLoose);
    }

    private Row signal(Pin pin, Endpoint end) {
        Place place = node.place(end);
        Optional<Wire> wire = node.wire(end);
        // What serves another part hangs on its own thread, where that part's knot is.
        int thread = wire.map(this::threadOf).orElse(node.nets().containsKey(end) ? number.getOrDefault(end, -1) : -1);
        int other = Optional.ofNullable(compared.get(end))
                .map(to -> threadOf(Wire.placed(end, to)))
                .filter(found -> found != thread)
                .orElse(-1);
        Knot.Form form = wire.isEmpty()
                ? thread < 0 ? Knot.Form.OPEN : Knot.Form.FIXED
                : clashes.contains(place) ? Knot.Form.CLASH : form(pins.how(wire.get()));
        return new Row(
                place,
                pin.label(),
                thread,
                other,
                form,
                pin.use().family(),
                node.between(end).map(LoomMaker::mark).orElse(Mark.NONE),
                Optional.ofNullable(verdicts.get(place)),
                Optional.ofNullable(loads.get(end)),
                wire.isEmpty() && pins.loose().contains(end));
    }

    private int threadOf(Wire wire) {
        if (wire.to().part().equals(wire.from().part())) {
            // Tied to a wire of its own part: it hangs where that one does.
            return node.wire(wire.to()).map(this::threadOf).orElse(-1);
        }
        boolean isGround = node.isTie(wire) && node.rail(wire.to()).isEmpty();
        return isGround ? 0 : number.getOrDefault(wire.to(), -1);
    }

    private static Mark mark(Between between) {
        if (between instanceof Between.ShifterWay) {
            return Mark.CONVERTER;
        } else if (between instanceof Between.CoilDriver || between instanceof Between.Opto) {
            return Mark.TRANSISTOR;
        }
        // What stands beside a thread is no knot in it.
        Mark inLine = between.isBeside() ? Mark.NONE : Mark.RESISTORS;
        return between instanceof Between.Nothing ? Mark.LEFT : inLine;
    }

    /** Wires to another board hang on this board's pins as any module's do. */
    private Module toBoard(String far, List<LinkEnd> ends) {
        LevelReport levels = assessment.reports().levels();
        List<Row> rows = ends.stream()
                .map(end -> new Row(
                        node.place(end.pin()),
                        end.there().pin(),
                        number.getOrDefault(end.pin(), -1),
                        -1,
                        Knot.Form.PLACED,
                        "digital",
                        end.link().between().map(LoomMaker::mark).orElse(Mark.NONE),
                        levels.of(end.link()).stream().map(BoardLink::verdict).findFirst(),
                        Optional.empty(),
                        false))
                .toList();
        String id = far + "/" + Part.BOARD;
        return new Module(
                id,
                Place.ofNode(node.node().id()),
                assessment.build().node(far).orElseThrow().name(),
                Words.get("loom.to_board"),
                rows,
                view.folded().contains(id));
    }

    private static Knot.Form form(PinReport.How how) {
        return switch (how) {
            case FIXED -> Knot.Form.FIXED;
            case PLACED -> Knot.Form.PLACED;
            case HELD -> Knot.Form.HELD;
        };
    }
}
