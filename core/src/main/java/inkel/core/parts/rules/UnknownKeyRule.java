package inkel.core.parts.rules;

import inkel.core.catalog.Habit;
import inkel.core.catalog.Nearest;
import inkel.core.catalog.Setting;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.document.AirKey;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.Moment;
import inkel.core.document.Node;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Reports a key of the file, or a setting of a part, that this version does not know. It is kept and changes nothing, which
 * is what a slip of the pen must not do in silence.
 */
public final class UnknownKeyRule implements Rule<Circuit> {
    private static final RuleInfo INFO = new RuleInfo("parts.unknown_key", Severity.NOTE, Stage.PARTS);

    // The keys of the published schema; a test holds the two against each other.
    static final List<String> OF_BUILD = List.of("format", "name", "nodes", "links", "air", "habits", "classes", "log");
    static final List<String> OF_GROUP = List.of("id", "name", "stations", "settings", "networks", "packet");
    static final List<String> OF_STATION = List.of("radio", "name", "role", "number", "settings");
    static final List<String> OF_NODE = List.of(
            "id", "name", "like", "board", "parts", "wires", "between", "moments", "plugged", "made", "seats", "laid",
            "rails");
    static final List<String> OF_PART =
            List.of("id", "class", "name", "purpose", "feeds", "ground_apart", "since", "settings", "figures");
    static final List<String> OF_WIRE = List.of("from", "to", "held", "reason");
    static final List<String> OF_LINK = List.of("from", "to", "ground", "between", "carries", "baud");
    static final List<String> OF_PIECE = List.of(
            "kind",
            "series",
            "to_ground",
            "base",
            "pull_up",
            "lit_by",
            "capacitor",
            "shifter",
            "way",
            "faces",
            "reason");
    static final List<String> OF_BETWEEN =
            Stream.concat(Stream.of("signal"), OF_PIECE.stream()).toList();
    static final List<String> OF_MOMENT = List.of("id", "name", "raises", "length", "repeat", "at", "never");

    static final List<String> OF_RAISE = List.of("part", "mode");
    static final List<String> OF_NETWORK = List.of("name", "channel", "width_mhz", "strength");

    private static final List<String> SETTINGS =
            Settings.all().stream().map(Setting::key).toList();
    private static final List<String> AIR =
            Arrays.stream(AirKey.values()).map(AirKey::text).toList();
    private static final List<String> HABITS =
            Habit.all().stream().map(Habit::key).toList();

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(Circuit circuit) {
        Build build = circuit.build();
        List<Finding> findings = new ArrayList<>();
        Place whole = Place.ofNode(build.nodes().get(0).id());
        tell(findings, whole, build.extras(), OF_BUILD);
        tell(findings, whole, build.habits().typed().keySet(), HABITS, "habit");
        for (NodeWire link : build.links()) {
            tell(findings, link.from(), link.extras(), OF_LINK);
            link.between().ifPresent(piece -> tell(findings, link.from(), piece.extras(), OF_PIECE));
        }
        build.air().forEach(group -> {
            tell(findings, whole, group.extras(), OF_GROUP);
            tell(findings, whole, group.plan().settings().keySet(), AIR, "setting");
            group.plan().networks().forEach(network -> tell(findings, whole, network.extras(), OF_NETWORK));
            group.stations().forEach(station -> {
                Place at = station.radio().orElse(whole);
                tell(findings, at, station.extras(), OF_STATION);
                tell(findings, at, station.settings().keySet(), AIR, "setting");
            });
        });
        for (Node node : build.nodes()) {
            check(findings, node);
        }
        return findings;
    }

    private static void check(List<Finding> findings, Node node) {
        Place place = Place.ofNode(node.id());
        tell(findings, place, node.extras(), OF_NODE);
        for (Part part : node.parts()) {
            Place at = Place.ofPart(node.id(), part.id());
            tell(findings, at, part.extras(), OF_PART);
            tell(findings, at, part.settings().keySet(), SETTINGS, "setting");
        }
        for (Wire wire : node.wires()) {
            tell(findings, Place.of(node.id(), wire.from()), wire.extras(), OF_WIRE);
        }
        for (Between between : node.between()) {
            tell(findings, Place.of(node.id(), between.signal()), between.extras(), OF_BETWEEN);
        }
        for (Moment moment : node.moments()) {
            tell(findings, place, moment.extras(), OF_MOMENT);
            moment.raises().forEach(raise -> tell(findings, place, raise.extras(), OF_RAISE));
        }
    }

    private static void tell(List<Finding> findings, Place place, Extras extras, List<String> known) {
        tell(findings, place, extras.fields().keySet(), known, "key");
    }

    private static void tell(List<Finding> findings, Place place, Set<String> keys, List<String> known, String kind) {
        for (String key : keys) {
            if (!known.contains(key)) {
                Optional<String> nearest = Nearest.to(key, known);
                Finding.Builder finding = Finding.of(INFO, place)
                        .variant(nearest.isPresent() ? kind + "_near" : kind)
                        .with("key", key)
                        .with("place", place);
                nearest.ifPresent(meant -> finding.with("nearest", meant));
                findings.add(finding.build());
            }
        }
    }
}
