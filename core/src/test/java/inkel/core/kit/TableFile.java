package inkel.core.kit;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import inkel.core.catalog.BenchKind;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Settings;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Carries;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Tuning;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddNodeWire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Exchange;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.RemoveWire;
import inkel.core.document.edit.SetFigure;
import inkel.core.document.edit.SetGround;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.SetWire;
import inkel.core.document.edit.Stations;
import inkel.core.document.edit.TakeOut;
import inkel.core.document.edit.Tune;
import inkel.core.document.edit.Unfeed;
import inkel.core.finding.Finding;
import inkel.core.pins.Planner;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import inkel.core.quantity.Unit;
import inkel.core.remedy.AddParts;
import inkel.core.remedy.PutParts;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A table as a file: {@code board}, {@code supply} (a port when left out), {@code parts} by class, {@code own} (classes on a
 * supply of their own), {@code fed} (pins on rails that the builder means for them), {@code share} (false for a table that is not shared out), and {@code then}, what is done to it
 * afterwards.
 */
public final class TableFile {
    /** A slip in a key would be a table that is not tried as it is meant. */
    private static final Set<String> KEYS =
            Set.of("board", "parts", "supply", "own", "fed", "share", "then", "first", "also", "at", "why_not");

    private static final Map<String, Set<String>> STEPS = Map.ofEntries(
            Map.entry("feed", Set.of("pin", "rail")),
            Map.entry("unfeed", Set.of("pin")),
            Map.entry("wire", Set.of("from", "to")),
            Map.entry("share", Set.of()),
            Map.entry("unwire", Set.of("from")),
            Map.entry("set", Set.of("part", "key", "value")),
            Map.entry("figure", Set.of("part", "key", "value")),
            Map.entry("apart", Set.of("part")),
            Map.entry("add", Set.of("id", "class")),
            Map.entry("divider", Set.of("signal", "series", "to_ground")),
            Map.entry("series", Set.of("signal", "ohms")),
            Map.entry("pull-down", Set.of("signal", "ohms")),
            Map.entry("base", Set.of("signal", "ohms")),
            Map.entry("opto", Set.of("signal", "series", "pull_up", "lit_by")),
            Map.entry("shifter", Set.of("signal", "shifter", "way", "faces")),
            Map.entry("tuned", Set.of("part", "bench", "seconds", "map", "places")),
            Map.entry("remove", Set.of("part")),
            Map.entry("take-out", Set.of("signal")),
            Map.entry("link", Set.of("from", "to", "ground", "baud")),
            Map.entry("copy", Set.of("id")),
            Map.entry("class", Set.of("part", "class")),
            Map.entry("join", Set.of("radio", "far", "other")),
            Map.entry("air", Set.of("radio", "number", "key", "value")),
            Map.entry("packet", Set.of("radio", "fields")));

    private TableFile() {}

    public static JsonNode read(Path file) {
        try {
            JsonNode given = new ObjectMapper().readTree(file.toFile());
            known(file, given, KEYS);
            for (JsonNode step : given.path("then")) {
                Set<String> keys = new HashSet<>(STEPS.get(step.path("do").asText()));
                keys.addAll(List.of("do", "node"));
                known(file, step, keys);
            }
            return given;
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    private static void known(Path file, JsonNode given, Set<String> keys) {
        given.fieldNames().forEachRemaining(key -> {
            if (!keys.contains(key)) {
                throw new IllegalArgumentException(file + " knows no " + key + " in " + given);
            }
        });
    }

    /** The table as a builder lays it: the board on its supply, the parts as the program feeds them, shared out. */
    public static Build laid(JsonNode given) throws Exception {
        PartClass board = CATALOG.get(given.get("board").asText());
        Build build = Builds.powered(board).build();
        String supply = given.path("supply").asText("usb-port");
        if (!supply.equals("usb-port")) {
            Part source = build.nodes().get(0).part("usb").orElseThrow().withClass(supply);
            String rail = CATALOG.get(supply).outputs().get(0).pin();
            build = build.withNode(NODE, old -> old.withPart("usb", was -> source)
                    .withPart(Part.BOARD, was -> was.withFeed("USB", new Endpoint("usb", rail))));
        }
        for (JsonNode part : given.get("parts")) {
            PartClass cls = CATALOG.get(part.asText());
            boolean isOnItsOwn = given.path("own").has(cls.id());
            build = Edit.applyAll(
                    build,
                    isOnItsOwn
                            ? AddParts.of(node(build), cls, 1)
                            : PutParts.of(Circuit.of(build, CATALOG), NODE, cls, 1));
        }
        for (Map.Entry<String, JsonNode> own : given.path("own").properties()) {
            build = onItsOwn(build, own.getKey(), own.getValue().asText());
        }
        for (Map.Entry<String, JsonNode> fed : given.path("fed").properties()) {
            Endpoint pin = Builds.end(fed.getKey());
            build = new Feed(
                            NODE,
                            pin.part(),
                            pin.pin(),
                            Builds.end(fed.getValue().asText()))
                    .apply(build);
        }
        for (Finding unfed : Builds.of(Assessment.assess(build, CATALOG), "parts.no_supply")) {
            build = unfed.fixes().get(0).apply(build);
        }
        boolean isSharedOut = given.path("share").asBoolean(true);
        return isSharedOut
                ? new Planner(build, CATALOG).plan(NODE).edit().orElseThrow().apply(build)
                : build;
    }

    private static NodeCircuit node(Build build) {
        return Circuit.of(build, CATALOG).nodes().get(0);
    }

    /** All parts of a class on a supply of their own. */
    private static Build onItsOwn(Build build, String cls, String source) throws Exception {
        Build with = Edit.applyAll(build, AddParts.of(node(build), CATALOG.get(source), 1));
        List<Edit> edits = new ArrayList<>();
        for (Part part : with.nodes().get(0).parts()) {
            if (part.classId().equals(cls)) {
                String pin = CATALOG.get(cls).supplies().get(0).pin();
                edits.add(new Feed(NODE, part.id(), pin, new Endpoint(source, "+")));
            }
        }
        return Edit.applyAll(with, edits);
    }

    /** The table with what is done to it afterwards. */
    public static Build done(JsonNode given) throws Exception {
        Build build = laid(given);
        for (JsonNode step : given.path("then")) {
            build = edit(build, step).apply(build);
        }
        return build;
    }

    private static Place pin(JsonNode step, String key) {
        return Place.parsePin(step.get(key).asText()).orElseThrow();
    }

    private static Edit edit(Build build, JsonNode step) {
        String node = step.path("node").asText(NODE);
        return switch (step.get("do").asText()) {
            case "feed" -> {
                Endpoint pin = end(step, "pin");
                yield new Feed(node, pin.part(), pin.pin(), end(step, "rail"));
            }
            case "unfeed" -> {
                Endpoint pin = end(step, "pin");
                yield new Unfeed(node, pin.part(), pin.pin());
            }
            case "wire" -> new SetWire(node, Wire.placed(end(step, "from"), end(step, "to")));
            case "share" -> new Planner(build, CATALOG).plan(node).edit().orElseThrow();
            case "unwire" -> new RemoveWire(node, end(step, "from"));
            case "set" ->
                new SetSetting(
                        node,
                        step.get("part").asText(),
                        Settings.of(step.get("key").asText()).orElseThrow(),
                        step.get("value").asText());
            case "figure" ->
                new SetFigure(
                        node,
                        step.get("part").asText(),
                        step.get("key").asText(),
                        step.get("value").asText());
            case "apart" -> new SetGround(node, step.get("part").asText(), true);
            case "add" ->
                new AddPart(
                        node,
                        Part.of(
                                step.get("id").asText(),
                                step.get("class").asText(),
                                step.get("id").asText(),
                                ""));
            case "divider" ->
                new Insert(
                        node,
                        new Between.Divider(
                                end(step, "signal"), ohms(step, "series"), ohms(step, "to_ground"), Extras.NONE));
            case "series" -> new Insert(node, new Between.Series(end(step, "signal"), ohms(step, "ohms"), Extras.NONE));
            case "pull-down" ->
                new Insert(node, new Between.PulledDown(end(step, "signal"), ohms(step, "ohms"), Extras.NONE));
            case "base" ->
                new Insert(node, new Between.CoilDriver(end(step, "signal"), ohms(step, "ohms"), Extras.NONE));
            case "opto" ->
                new Insert(
                        node,
                        new Between.Opto(
                                end(step, "signal"),
                                step.path("lit_by").asText().equals("low")
                                        ? Between.Opto.Lit.BY_LOW
                                        : Between.Opto.Lit.BY_HIGH,
                                ohms(step, "series"),
                                ohms(step, "pull_up"),
                                Extras.NONE));
            case "shifter" ->
                new Insert(
                        node,
                        new Between.ShifterWay(
                                end(step, "signal"),
                                step.get("shifter").asText(),
                                step.get("way").asInt(),
                                Optional.ofNullable(step.get("faces")).map(JsonNode::asText),
                                Extras.NONE));
            case "tuned" ->
                new Tune(
                        Place.ofPart(node, step.get("part").asText()),
                        tuning(step),
                        LogLine.By.TYPED,
                        Instant.parse("2026-05-01T18:30:00Z"));
            case "remove" -> new RemovePart(node, step.get("part").asText());
            case "take-out" -> new TakeOut(node, end(step, "signal"));
            case "link" ->
                new AddNodeWire(new NodeWire(
                                pin(step, "from"),
                                pin(step, "to"),
                                step.path("ground").asBoolean(false),
                                Extras.NONE)
                        .withCarries(
                                step.has("baud")
                                        ? Carries.UNSAID.with(Optional.of(Frequency.ofHertz(
                                                step.get("baud").asDouble())))
                                        : Carries.UNSAID));
            case "copy" ->
                new CopyNode(node, step.get("id").asText(), step.get("id").asText());
            case "class" ->
                new Exchange(
                        node,
                        step.get("part").asText(),
                        CATALOG.find(step.get("class").asText()).orElseThrow());
            case "join" ->
                new Stations.Join(
                        place(NODE, step, "radio"), place(step.get("far").asText(), step, "other"), "Air");
            case "air" ->
                new Stations.SetAir(
                        place(NODE, step, "radio"),
                        step.has("number") ? Optional.of(step.get("number").asInt()) : Optional.empty(),
                        step.get("key").asText(),
                        Optional.of(step.get("value").asText()));
            case "packet" -> new Stations.SetPacket(place(NODE, step, "radio"), texts(step.get("fields")));
            default -> throw new IllegalArgumentException(step.toString());
        };
    }

    private static List<String> texts(JsonNode array) {
        List<String> texts = new ArrayList<>();
        array.forEach(one -> texts.add(one.asText()));
        return texts;
    }

    /** What a bench found: numbers of seconds, the corners of its map, places in seconds. */
    private static Tuning tuning(JsonNode step) {
        Map<String, Tuning.Found> numbers = new LinkedHashMap<>();
        step.path("seconds")
                .fields()
                .forEachRemaining(one -> numbers.put(
                        one.getKey(),
                        new Tuning.Found(Quantity.of(Unit.SECOND, one.getValue().asDouble()), 0, Source.MEASURED)));
        List<Tuning.Point> map = new ArrayList<>();
        step.path("map")
                .forEach(corner -> map.add(
                        new Tuning.Point(corner.get(0).asDouble(), corner.get(1).asDouble())));
        Map<String, Quantity> places = new LinkedHashMap<>();
        step.path("places")
                .fields()
                .forEachRemaining(one -> places.put(
                        one.getKey(), Quantity.of(Unit.SECOND, one.getValue().asDouble())));
        BenchKind bench = Arrays.stream(BenchKind.values())
                .filter(kind -> kind.text().equals(step.get("bench").asText()))
                .findFirst()
                .orElseThrow();
        return new Tuning(bench, numbers, Map.of("map", map), places, Map.of(), Map.of());
    }

    /** A part, whether one of its pins is told or not. */
    private static Place place(String node, JsonNode step, String key) {
        return Place.ofPart(node, step.get(key).asText().replaceAll("\\..*", ""));
    }

    private static Endpoint end(JsonNode step, String key) {
        return Builds.end(step.get(key).asText());
    }

    private static Resistance ohms(JsonNode step, String key) {
        return Resistance.ofOhms(step.get(key).asDouble());
    }
}
