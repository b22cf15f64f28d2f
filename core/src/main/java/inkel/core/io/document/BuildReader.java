package inkel.core.io.document;

import com.fasterxml.jackson.databind.JsonNode;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.CatalogSearch;
import inkel.core.catalog.Habit;
import inkel.core.catalog.Habits;
import inkel.core.catalog.Nearest;
import inkel.core.catalog.OwnClass;
import inkel.core.catalog.OwnFigures;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Laid;
import inkel.core.document.Logbook;
import inkel.core.document.Moment;
import inkel.core.document.Node;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.SeatChoice;
import inkel.core.document.Wire;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.io.json.Fields;
import inkel.core.io.json.JsonText;
import inkel.core.io.json.JsonText.BadJson;
import inkel.core.io.json.Problem;
import inkel.core.io.json.TextFile;
import inkel.core.io.json.UnreadableFile;
import inkel.core.quantity.Fact;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Unit;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Reads a build file. Either the whole file is good, or it is refused with all that is wrong with it.
 *
 * <p>Longer than other files: it goes through a file key by key, in the order of its schema.
 */
public final class BuildReader {
    private static final Pattern COUNTED = Pattern.compile("#\\d+(?= > |$)");

    /** Files of every format from this one on are read; they are written as the present one. */
    private static final int OLDEST_FORMAT = 1;

    private static final int MOST_SUGGESTED = 3;

    private Catalog catalog;
    private final List<Problem> problems = new ArrayList<>();

    private BuildReader(Catalog catalog) {
        this.catalog = catalog;
    }

    /**
     * Reads what somebody may have written by hand: pins may be called by any name that their classes know, and wires of a table be
     * written down from either end. A text that is letter
     * by letter as it is saved is read exactly, so that what was saved opens equal.
     *
     * @throws UnreadableFile with every problem, each with line, field and reason
     */
    public static Build read(Path file, Catalog catalog) throws UnreadableFile {
        return read(file, TextFile.read(file), catalog);
    }

    /** As {@link #read(Path, Catalog)}, from text; the file is only for messages. */
    public static Build read(Path file, String text, Catalog catalog) throws UnreadableFile {
        JsonNode tree = tree(file, text);
        Optional<JsonNode> turned = FarEnds.turned(tree, withOwn(tree, catalog));
        if (turned.isPresent() && !isAsSaved(file, text, tree, catalog)) {
            return asMeant(build(file, text, turned.get(), catalog), catalog);
        }
        Build exact = build(file, text, tree, catalog);
        Build meant = asMeant(exact, catalog);
        return meant == exact || text.equals(BuildWriter.print(exact)) ? exact : meant;
    }

    /** With the classes that the file brings, where nothing is wrong with them. */
    private static Catalog withOwn(JsonNode tree, Catalog catalog) {
        List<Problem> wrong = new ArrayList<>();
        List<OwnClass> own = tree.isObject() ? classes(new Fields(tree, "", wrong)) : List.of();
        return wrong.isEmpty() ? catalog.with(own) : catalog;
    }

    private static Build asMeant(Build exact, Catalog catalog) {
        return ThroughWays.joined(PrintedNames.resolved(exact, catalog), catalog);
    }

    private static boolean isAsSaved(Path file, String text, JsonNode tree, Catalog catalog) {
        try {
            return text.equals(BuildWriter.print(build(file, text, tree, catalog)));
        } catch (UnreadableFile unlike) {
            return false;
        }
    }

    /** Reads from text exactly what it says; the file is only for messages. */
    public static Build parse(Path file, String text, Catalog catalog) throws UnreadableFile {
        return build(file, text, tree(file, text), catalog);
    }

    private static JsonNode tree(Path file, String text) throws UnreadableFile {
        try {
            return JsonText.parse(text);
        } catch (BadJson bad) {
            throw new UnreadableFile(file, List.of(bad.problem()));
        }
    }

    /** @param tree what the text says, perhaps with wires turned about */
    private static Build build(Path file, String text, JsonNode tree, Catalog catalog) throws UnreadableFile {
        BuildReader reader = new BuildReader(catalog);
        Build build = reader.build(tree);
        if (reader.problems.isEmpty()) {
            return build;
        }
        throw new UnreadableFile(file, JsonText.located(text, reader.problems));
    }

    private Build build(JsonNode tree) {
        Fields fields = new Fields(tree, "", problems);
        if (!tree.isObject()) {
            return new Build("", List.of(), Logbook.EMPTY, Extras.NONE);
        }
        int format = format(fields);
        String name = fields.text("name");
        List<OwnClass> classes = classes(fields);
        catalog = catalog.with(classes);
        List<Node> nodes = new ArrayList<>();
        Set<String> ids = new HashSet<>();
        for (Fields node : fields.objects("nodes")) {
            nodes.add(node(node, ids));
        }
        if (nodes.isEmpty()) {
            fields.problem("", Fact.of("problem.required").with("key", "nodes"));
        }
        Logbook log = new LogReader(format, nodes).read(fields.objects("log"));
        List<NodeWire> links = fields.objects("links").stream()
                .map(link -> nodeWire(link, nodes))
                .toList();
        oneWayEach(fields, links);
        return new Build(
                name, nodes, links, AirReader.read(fields, nodes), habits(fields), classes, log, fields.extras());
    }

    /** Wires between boards share no way through a shifter: each has a pin of its own at both ends. */
    private static void oneWayEach(Fields fields, List<NodeWire> links) {
        Set<String> taken = new HashSet<>();
        for (int i = 0; i < links.size(); i++) {
            NodeWire link = links.get(i);
            Optional<String> way =
                    link.converter().flatMap(place -> link.between()).map(Between::text);
            if (way.isPresent() && !taken.add(way.get())) {
                fields.problem(
                        "links", String.valueOf(i), Fact.of("problem.duplicate").with("found", way.get()));
            }
        }
    }

    private NodeWire nodeWire(Fields link, List<Node> nodes) {
        Place from = linkEnd(link, "from", nodes);
        Place to = linkEnd(link, "to", nodes);
        List<Place> lines =
                Stream.of(from, to).filter(end -> mayBeLine(end, nodes)).toList();
        if (lines.size() == 1 || !lines.isEmpty() && link.has("between")) {
            link.problem(
                    lines.size() == 1 ? "to" : "between",
                    Fact.of("problem.line_to_line").with("found", lines.get(0)));
        }
        return new NodeWire(
                from,
                to,
                link.flag("ground", false),
                link.object("between").flatMap(piece -> BetweenReader.inNodeWire(piece, from.endpoint(), nodes)),
                CarriesReader.read(link, !lines.isEmpty()),
                link.extras());
    }

    private static Habits habits(Fields fields) {
        Map<String, String> typed = fields.textMap("habits");
        typed.forEach((key, value) -> Habit.of(key)
                .filter(habit -> habit.read(value).isEmpty())
                .ifPresent(habit -> fields.problem(
                        "habits",
                        key,
                        Fact.of("problem.expected_value")
                                .with("example", String.join(", ", habit.texts()))
                                .with("found", value))));
        return new Habits(typed);
    }

    /** The definitions that the file brings for its own parts. */
    private static List<OwnClass> classes(Fields fields) {
        List<OwnClass> classes = new ArrayList<>();
        Set<String> ids = new HashSet<>();
        for (Fields definition : fields.objects("classes")) {
            OwnClass own = CatalogReader.own(definition);
            if (!ids.add(own.id())) {
                definition.problem("id", Fact.of("problem.duplicate").with("found", own.id()));
            }
            classes.add(own);
        }
        return classes;
    }

    /** A pin of a node's board, or one of the lines of its transceivers, written with the id of its node in front. */
    private Place linkEnd(Fields fields, String key, List<Node> nodes) {
        Place place = fields.parsed(
                key, Place::parsePin, "lower-lock/board.D3", Place.of("?", new Endpoint(Part.BOARD, "?")));
        boolean isNode = nodes.stream().anyMatch(node -> node.id().equals(place.node()));
        if (!isNode) {
            fields.problem(key, Fact.of("problem.no_node").with("node", place.node()));
        } else if (!place.part().equals(Part.BOARD) && !mayBeLine(place, nodes)) {
            boolean isWay = pins(place, nodes).anyMatch(pin -> pin.use().isWay());
            fields.problem(
                    key,
                    Fact.of(isWay ? "problem.half_a_way" : "problem.not_of_board")
                            .with("found", place));
        }
        return place;
    }

    private Stream<Pin> pins(Place end, List<Node> nodes) {
        return nodes.stream()
                .filter(node -> node.id().equals(end.node()))
                .flatMap(node -> node.part(end.part()).stream())
                .flatMap(part -> catalog.find(part.classId()).stream())
                .flatMap(cls -> cls.pinNamed(end.pin()).stream());
    }

    /** Whether it is a part's and no other pin than a line; one that is not there any more is told as a finding. */
    private boolean mayBeLine(Place end, List<Node> nodes) {
        return !end.part().equals(Part.BOARD) && pins(end, nodes).allMatch(pin -> pin.use() == PinUse.LINE);
    }

    /** The format that the file is written in: one that this version reads, or the present one where it is not. */
    private static int format(Fields fields) {
        if (!fields.has("format")) {
            fields.problem("", Fact.of("problem.required").with("key", "format"));
            return Build.FORMAT;
        }
        int format = fields.number("format", -1);
        if (format >= OLDEST_FORMAT && format <= Build.FORMAT) {
            return format;
        }
        if (format != -1) {
            fields.problem(
                    "format",
                    Fact.of(format > Build.FORMAT ? "problem.newer_format" : "problem.older_format")
                            .with("found", format)
                            .with("known", Build.FORMAT));
        }
        return Build.FORMAT;
    }

    private String id(Fields fields, Set<String> taken) {
        String id = fields.id("id");
        if (!taken.add(id)) {
            fields.problem("id", Fact.of("problem.duplicate").with("found", id));
        }
        return id;
    }

    private boolean mayBeSignal(Map<String, Part> parts, Endpoint end) {
        return Optional.ofNullable(parts.get(end.part()))
                .flatMap(part -> catalog.find(part.classId()))
                .flatMap(cls -> cls.pin(end.pin()))
                .filter(pin -> !pin.use().isSignal())
                .isEmpty();
    }

    private Node node(Fields fields, Set<String> ids) {
        String id = id(fields, ids);
        Map<String, Part> parts = new LinkedHashMap<>();
        Set<String> partIds = new HashSet<>(Set.of(Part.BOARD));
        Map<String, Fields> whereRead = new LinkedHashMap<>();
        Optional<Fields> board = fields.object("board");
        if (board.isEmpty()) {
            fields.problem("", Fact.of("problem.required").with("key", "board"));
        }
        board.ifPresent(read -> {
            parts.put(Part.BOARD, part(read, Part.BOARD));
            whereRead.put(Part.BOARD, read);
        });
        for (Fields read : fields.objects("parts")) {
            Part part = part(read, id(read, partIds));
            parts.put(part.id(), part);
            whereRead.put(part.id(), read);
        }
        PinCheck check = new PinCheck(parts);
        List<Wire> wires = new ArrayList<>();
        Set<Endpoint> wired = new HashSet<>();
        for (Fields read : fields.objects("wires")) {
            Wire wire = new Wire(
                    check.pin(read, "from"),
                    check.pin(read, "to"),
                    read.flag("held", false),
                    read.optionalText("reason").orElse(""),
                    read.extras());
            if (!wired.add(wire.from())) {
                read.problem(
                        "from",
                        Fact.of(mayBeSignal(parts, wire.from()) ? "problem.wired_twice" : "problem.wired_from_far")
                                .with("found", wire.from())
                                .with("right", wire.to()));
            }
            wires.add(wire);
        }
        List<Between> between = new ArrayList<>();
        for (Fields read : fields.objects("between")) {
            BetweenReader.read(read, check).ifPresent(between::add);
        }
        parts.forEach((partId, part) -> check.feeds(part, whereRead.get(partId)));
        return new Node(
                id,
                fields.text("name"),
                List.copyOf(parts.values()),
                wires,
                between,
                moments(fields, parts),
                plugged(fields),
                made(fields),
                seats(fields, "seats"),
                new Laid(seats(fields, "laid"), fields.textMap("rails")),
                fields.has("like") ? fields.id("like") : "",
                fields.extras());
    }

    /** What is no part of a table but stands in a wire, and as what. */
    private static final Map<String, String> PIECES = Map.of(
            "resistor",
            "series",
            "divider",
            "divider",
            "diode",
            "diode",
            "transistor",
            "coil-driver",
            "optocoupler",
            "opto");

    /** Of a class that is not there: which it may be, by a slip of the hand or by what is searched for. */
    private Fact unknown(String classId) {
        String piece = PIECES.get(classId.replaceFirst("[^a-z].*", ""));
        if (piece != null) {
            return Fact.of("problem.class_is_piece").with("found", classId).with("kind", piece);
        }
        Optional<String> near = Nearest.to(classId, List.copyOf(catalog.ids()));
        if (near.isPresent()) {
            return Fact.of("problem.unknown_class_near").with("found", classId).with("near", near.get());
        }
        List<String> some = new CatalogSearch(catalog)
                .find(classId.replace('-', ' ')).stream()
                        .filter(CatalogSearch.Hit::isWhole)
                        .limit(MOST_SUGGESTED)
                        .map(hit -> hit.cls().id())
                        .toList();
        return some.isEmpty()
                ? Fact.of("problem.unknown_class").with("found", classId)
                : Fact.of("problem.unknown_class_some").with("found", classId).with("some", some);
    }

    private Part part(Fields fields, String id) {
        String classId = fields.text("class");
        if (fields.has("class") && catalog.find(classId).isEmpty()) {
            fields.problem("class", unknown(classId));
        }
        Map<String, Endpoint> feeds = new LinkedHashMap<>();
        fields.textMap("feeds").forEach((pin, rail) -> Endpoint.parse(rail)
                .ifPresentOrElse(
                        endpoint -> feeds.put(pin, endpoint),
                        () -> fields.problem(
                                "feeds",
                                pin,
                                Fact.of("problem.expected_value")
                                        .with("example", "board.5V")
                                        .with("found", rail))));
        Map<String, String> settings = fields.textMap("settings");
        settings.forEach((key, value) -> checkSetting(fields, classId, key, value));
        return new Part(
                id,
                classId,
                fields.text("name"),
                fields.optionalText("purpose").orElse(""),
                feeds,
                fields.flag("ground_apart", false),
                settings,
                figures(fields, classId),
                fields.wholeFrom("since", 0),
                fields.extras());
    }

    private Map<String, String> figures(Fields fields, String classId) {
        Map<String, String> figures = fields.textMap("figures");
        // What contradicts the class alone may fit with the others, so they are judged together.
        catalog.find(classId).ifPresent(cls -> OwnFigures.problem(cls, figures).ifPresent(reason -> {
            Optional<String> alone = figures.keySet().stream()
                    .filter(key -> OwnFigures.problem(cls, Map.of(key, figures.get(key)))
                            .filter(reason::equals)
                            .isPresent())
                    .findFirst();
            alone.ifPresentOrElse(
                    key -> fields.problem("figures", key, reason), () -> fields.problem("figures", reason));
        }));
        return figures;
    }

    private void checkSetting(Fields fields, String classId, String key, String value) {
        Settings.of(key)
                .flatMap(setting -> catalog.find(classId).flatMap(cls -> setting.problem(cls, value)))
                .ifPresent(reason -> fields.problem("settings", key, reason));
    }

    private List<Moment> moments(Fields fields, Map<String, Part> parts) {
        List<Moment> moments = new ArrayList<>();
        Set<String> ids = new HashSet<>();
        for (Fields read : fields.objects("moments")) {
            String id = id(read, ids);
            List<Moment.Raise> raises = new ArrayList<>();
            for (Fields raise : read.objects("raises")) {
                raises.add(raise(raise, parts));
            }
            moments.add(new Moment(
                    id,
                    read.text("name"),
                    raises,
                    time(read, "length", true),
                    read.has("repeat") ? Optional.of(time(read, "repeat", true)) : Optional.empty(),
                    read.has("at") ? Optional.of(time(read, "at", false)) : Optional.empty(),
                    new LinkedHashSet<>(read.texts("never")),
                    read.extras()));
        }
        return moments;
    }

    private Moment.Raise raise(Fields raise, Map<String, Part> parts) {
        String partId = raise.text("part");
        String mode = raise.text("mode");
        Part part = parts.get(partId);
        if (part == null && !partId.isEmpty()) {
            raise.problem("part", Fact.of("problem.no_part").with("part", partId));
        } else if (part != null) {
            List<String> modes = catalog.find(part.classId()).stream()
                    .flatMap(cls -> cls.modes().stream())
                    .map(inkel.core.catalog.Mode::name)
                    .distinct()
                    .toList();
            if (!modes.contains(mode)) {
                raise.problem(
                        "mode",
                        Fact.of("problem.expected_value")
                                .with("example", String.join(", ", modes))
                                .with("found", mode));
            }
        }
        return new Moment.Raise(partId, mode, raise.extras());
    }

    private static TimeSpan time(Fields read, String key, boolean isAboveZero) {
        TimeSpan time = read.quantity(key, Unit.SECOND, "200 ms");
        if (time.seconds() < 0 || isAboveZero && time.seconds() == 0) {
            read.problem(
                    key,
                    Fact.of("problem.expected_value").with("example", "200 ms").with("found", time));
        }
        return time;
    }

    private static Map<String, String> made(Fields fields) {
        Map<String, String> made = fields.textMap("made");
        made.forEach((wire, how) -> {
            if (!Node.MADE.contains(how)) {
                fields.problem(
                        "made",
                        wire,
                        Fact.of("problem.expected_value")
                                .with("example", String.join(", ", Node.MADE))
                                .with("found", how));
            }
        });
        return made;
    }

    private static Map<String, SeatChoice> seats(Fields fields, String key) {
        Map<String, SeatChoice> seats = new LinkedHashMap<>();
        fields.textMap(key).forEach((who, text) -> {
            Optional<SeatChoice> seat = SeatChoice.parse(text);
            seat.ifPresent(found -> seats.put(who, found));
            if (seat.isEmpty()) {
                fields.problem(
                        key,
                        who,
                        Fact.of("problem.expected_value")
                                .with("example", "1 left 12, 2 across 3 turned, off")
                                .with("found", text));
            }
        });
        return seats;
    }

    /** Older files counted all pins of a class in the ids of plugged wires; today's count those of a label. */
    private static Set<String> plugged(Fields fields) {
        Set<String> plugged = new LinkedHashSet<>();
        for (String id : fields.texts("plugged")) {
            plugged.add(id.indexOf('#') < 0 ? id : COUNTED.matcher(id).replaceAll("@1"));
        }
        return plugged;
    }
}
