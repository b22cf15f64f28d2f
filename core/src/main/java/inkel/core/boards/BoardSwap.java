package inkel.core.boards;

import inkel.core.catalog.Ability;
import inkel.core.catalog.BusLine;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Output;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Setting;
import inkel.core.catalog.Settings;
import inkel.core.catalog.Supply;
import inkel.core.circuit.BoardBuses;
import inkel.core.circuit.BoardPorts;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.OtherLeg;
import inkel.core.circuit.Rail;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.FeedFixes;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * A node with another board in place of its own, before its pins are shared out. What the builder said of parts stays;
 * what hung on the old board goes to what is nearest on the new one, or is told as lost.
 */
final class BoardSwap {
    private final Build build;
    private final Catalog catalog;
    private final Circuit circuit;
    private final NodeCircuit node;
    private final PartClass next;
    private final List<BoardTrial.Lost> lost = new ArrayList<>();

    private BoardSwap(Build build, Catalog catalog, String nodeId, PartClass next) {
        this.build = build;
        this.catalog = catalog;
        circuit = Circuit.of(build, catalog);
        node = circuit.node(nodeId).orElseThrow();
        this.next = next;
    }

    /**
     * @param build the build with the other board, not planned yet
     * @param lost what has no place there
     */
    record Result(Build build, List<BoardTrial.Lost> lost) {}

    static Result of(Build build, Catalog catalog, String nodeId, PartClass next) {
        return new BoardSwap(build, catalog, nodeId, next).swapped();
    }

    private Result swapped() {
        Node old = node.node();
        List<Part> parts = new ArrayList<>();
        Part board = board();
        parts.add(board);
        old.parts().stream().skip(1).map(part -> refed(part, board)).forEach(parts::add);
        List<Wire> wires =
                old.wires().stream().flatMap(wire -> kept(wire).stream()).toList();
        // What stood in a wire to match levels is put in anew where the new board wants it.
        List<Between> between = old.between().stream()
                .filter(piece -> !isForLevels(piece) || isOffBoard(piece))
                .toList();
        Build changed = build.withNode(
                        old.id(), was -> was.withParts(parts).withWires(wires).withBetween(between))
                .withLinks(build.links().stream().map(this::moved).toList());
        return new Result(changed, lost);
    }

    private static boolean isForLevels(Between piece) {
        return piece.changesLevels() && !(piece instanceof Between.CoilDriver) && !(piece instanceof Between.Opto);
    }

    private boolean isOffBoard(Between piece) {
        return node.wire(piece.signal())
                .filter(wire -> !wire.to().part().equals(Part.BOARD))
                .isPresent();
    }

    // --- the board itself

    private Part board() {
        Part old = node.node().board();
        Map<String, String> settings = new LinkedHashMap<>();
        old.settings().forEach((key, text) -> {
            Optional<Setting<?>> setting = Settings.of(key);
            boolean isKept = setting.isEmpty()
                    || setting.get().read(next, text).isPresent()
                            && setting.get().suits().test(next);
            if (isKept) {
                settings.put(key, text);
            } else {
                lost.add(new BoardTrial.Lost(BoardTrial.Lost.Kind.SETTING, key, text));
            }
        });
        old.figures().forEach((key, text) -> lost.add(new BoardTrial.Lost(BoardTrial.Lost.Kind.FIGURE, key, text)));
        return new Part(
                old.id(),
                next.id(),
                // Named after its class until the builder says otherwise.
                old.name().equals(node.board().cls().name()) ? next.name() : old.name(),
                old.purpose(),
                boardFeeds(old),
                old.groundApart(),
                settings,
                Map.of(),
                old.since(),
                old.extras());
    }

    private Map<String, Endpoint> boardFeeds(Part old) {
        Map<String, Endpoint> feeds = new LinkedHashMap<>();
        old.feeds().forEach((pin, rail) -> {
            Optional<String> to = wayIn(pin, rail, feeds.keySet());
            to.ifPresentOrElse(
                    found -> feeds.put(found, rail),
                    () -> lost.add(
                            new BoardTrial.Lost(BoardTrial.Lost.Kind.FEED, Part.BOARD + "." + pin, rail.toString())));
        });
        return feeds;
    }

    /** The pin of the same label, a socket for a socket, or another that works at those volts. */
    private Optional<String> wayIn(String pin, Endpoint rail, Set<String> taken) {
        boolean isBySocket = node.board().cls().pin(pin).filter(Pin::isSocket).isPresent();
        Optional<Range<Voltage>> volts = node.rail(rail).flatMap(Rail::volts);
        List<Supply> fitting = next.supplies().stream()
                .filter(supply -> !taken.contains(supply.pin()) && supply.with().isEmpty())
                .filter(supply ->
                        volts.filter(range -> FeedFixes.fits(range, supply)).isPresent())
                .toList();
        return fitting.stream()
                .filter(supply -> supply.pin().equals(pin))
                .findFirst()
                .or(() -> fitting.stream()
                        .filter(supply -> isBySocket
                                && next.pin(supply.pin()).filter(Pin::isSocket).isPresent())
                        .findFirst())
                .or(() -> fitting.stream().findFirst())
                .map(Supply::pin);
    }

    // --- what hung on it

    /** Fed from the rail of the same name or of volts that suit; from none where there is no such rail. */
    private Part refed(Part part, Part board) {
        PartClass cls = OtherLeg.asWired(catalog.get(part.classId()), part);
        Map<String, Endpoint> feeds = new LinkedHashMap<>();
        part.feeds().forEach((pin, rail) -> {
            Optional<Endpoint> to = !rail.part().equals(Part.BOARD)
                    ? Optional.of(rail)
                    : OtherLeg.isOnSupply(cls) ? railOfPins(board) : rail(cls, pin, rail);
            to.ifPresentOrElse(
                    found -> feeds.put(pin, found),
                    () -> lost.add(
                            new BoardTrial.Lost(BoardTrial.Lost.Kind.FEED, part.id() + "." + pin, rail.toString())));
        });
        return part.withFeeds(feeds);
    }

    /** What a contact hands on is for a pin of the board, so that it hangs on the supply of those. */
    private Optional<Endpoint> railOfPins(Part board) {
        return next.offers()
                .flatMap(pin -> next.io(pin).stream())
                .map(IoFamily::supply)
                .flatMap(supply -> next
                        .output(supply)
                        .map(output -> new Endpoint(Part.BOARD, output.pin()))
                        .or(() -> Optional.ofNullable(board.feeds().get(supply)))
                        .stream())
                .findFirst();
    }

    private Optional<Endpoint> rail(PartClass cls, String pin, Endpoint old) {
        Optional<Supply> supply = cls.supply(pin);
        List<Output> suiting = next.outputs().stream()
                .filter(output -> supply.filter(taker -> suits(output, taker)).isPresent())
                .toList();
        return suiting.stream()
                .filter(output -> output.pin().equals(old.pin()))
                .findFirst()
                .or(() -> suiting.stream().findFirst())
                .map(output -> new Endpoint(Part.BOARD, output.pin()));
    }

    /** A rail that only hands on what feeds the board has the volts of that. */
    private boolean suits(Output output, Supply taker) {
        Optional<Range<Voltage>> volts = output.volts().map(figure -> figure.range());
        if (output.way() == Output.Way.PASS) {
            volts = node.node().board().feeds().values().stream()
                    .flatMap(rail -> node.rail(rail).stream())
                    .flatMap(rail -> rail.volts().stream())
                    .findFirst();
        }
        return volts.filter(range -> FeedFixes.fits(range, taker)).isPresent();
    }

    /** Wires that the builder holds stay where that pin exists; others to the board are shared out anew. */
    private Optional<Wire> kept(Wire wire) {
        if (!wire.to().part().equals(Part.BOARD)) {
            return Optional.of(wire);
        }
        boolean isThere = next.pin(wire.to().pin()).isPresent() || isGround(wire.to());
        if (wire.held() && !isThere) {
            lost.add(new BoardTrial.Lost(
                    BoardTrial.Lost.Kind.HOLD, wire.from().toString(), wire.to().toString()));
        }
        if (!wire.held() || !isThere) {
            return Optional.empty();
        }
        return isGround(wire.to()) ? ground().map(pin -> to(wire, pin)) : Optional.of(wire);
    }

    private boolean isGround(Endpoint pin) {
        return node.pin(pin).filter(found -> found.use() == PinUse.GROUND).isPresent();
    }

    private Optional<Endpoint> ground() {
        return next.pins().stream()
                .filter(pin -> pin.use() == PinUse.GROUND)
                .findFirst()
                .map(pin -> new Endpoint(Part.BOARD, pin.label()));
    }

    private static Wire to(Wire wire, Endpoint pin) {
        return new Wire(wire.from(), pin, wire.held(), wire.reason(), wire.extras());
    }

    /**
     * A wire to another board begins at some plain pin, one from port to port at a port, and a line of a bus at that; the plan
     * finds it a good one.
     */
    private NodeWire moved(NodeWire link) {
        Optional<BusLine> line = BoardBuses.line(circuit, link);
        if (line.isPresent()) {
            return link.withEnds(toBus(link.from(), line.get()), toBus(link.to(), line.get()));
        }
        return BoardPorts.isSerial(circuit, link)
                ? link.withEnds(toPort(link.from(), BoardPorts.TALKS), toPort(link.to(), BoardPorts.LISTENS))
                : link.withEnds(moved(link.from()), moved(link.to()));
    }

    private Place toPort(Place end, String line) {
        return next.offers()
                .filter(pin -> isOfNode(end) && BoardPorts.isPort(next, pin, line))
                .min(Comparator.<Pin, Boolean>comparing(pin -> !pin.label().equals(end.pin()))
                        .thenComparing(pin -> pin.can(Ability.Kind.CONSOLE)))
                .map(port -> Place.of(end.node(), new Endpoint(Part.BOARD, port.label())))
                .orElseGet(() -> moved(end));
    }

    private Place toBus(Place end, BusLine line) {
        return next.busPin(line)
                .filter(pin -> isOfNode(end))
                .map(pin -> Place.of(end.node(), new Endpoint(Part.BOARD, pin.label())))
                .orElseGet(() -> moved(end));
    }

    private boolean isOfNode(Place end) {
        return end.node().equals(node.node().id()) && end.part().equals(Part.BOARD);
    }

    private Place moved(Place end) {
        boolean isThere =
                next.pin(end.pin()).filter(pin -> pin.can(Ability.Kind.DIGITAL)).isPresent();
        return !isOfNode(end) || isThere ? end : plain(end);
    }

    private Place plain(Place end) {
        Set<String> used = build.links().stream()
                .flatMap(link -> List.of(link.from(), link.to()).stream())
                .map(Place::pin)
                .collect(Collectors.toSet());
        return next.offers()
                .filter(pin -> pin.can(Ability.Kind.DIGITAL)
                        && !pin.can(Ability.Kind.CONSOLE)
                        && !pin.can(Ability.Kind.INPUT_ONLY))
                .map(Pin::label)
                .filter(label -> !used.contains(label))
                .findFirst()
                .map(label -> Place.of(end.node(), new Endpoint(Part.BOARD, label)))
                .orElse(end);
    }
}
