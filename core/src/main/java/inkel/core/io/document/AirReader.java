package inkel.core.io.document;

import inkel.core.document.AirKey;
import inkel.core.document.AirPlan;
import inkel.core.document.LocalNetwork;
import inkel.core.document.Node;
import inkel.core.document.Place;
import inkel.core.document.RadioGroup;
import inkel.core.document.Station;
import inkel.core.io.json.Fields;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Reads which radios belong together. */
final class AirReader {
    private AirReader() {}

    /** @param nodes those of the build, which the radios must be of */
    static List<RadioGroup> read(Fields fields, List<Node> nodes) {
        List<RadioGroup> air = new ArrayList<>();
        Set<String> ids = new HashSet<>();
        Set<Place> radios = new HashSet<>();
        for (Fields group : fields.objects("air")) {
            String id = group.id("id");
            if (!ids.add(id)) {
                group.problem("id", Fact.of("problem.duplicate").with("found", id));
            }
            List<Station> stations = new ArrayList<>();
            Set<Integer> numbers = new HashSet<>();
            for (Fields read : group.objects("stations")) {
                Station station = station(read, nodes, radios);
                if (!numbers.add(station.number())) {
                    read.problem("number", Fact.of("problem.duplicate").with("found", station.number()));
                }
                stations.add(station);
            }
            air.add(new RadioGroup(id, group.text("name"), stations, plan(group), group.extras()));
        }
        return air;
    }

    private static Station station(Fields station, List<Node> nodes, Set<Place> radios) {
        Optional<Place> radio = Optional.empty();
        if (station.has("radio")) {
            Place place = station.parsed(
                    "radio",
                    text -> Place.parse(text).filter(found -> isPart(found, nodes)),
                    "lower-lock/radio",
                    Place.NOWHERE);
            if (!place.equals(Place.NOWHERE) && !radios.add(place)) {
                station.problem("radio", Fact.of("problem.duplicate").with("found", place));
            }
            radio = Optional.of(place);
        }
        return new Station(
                radio,
                radio.isPresent() ? "" : station.text("name"),
                station.parsed("role", Station.Role::parse, "peer, hub, leaf, relay", Station.Role.PEER),
                station.whole("number", 0, 255, 0),
                settings(station),
                station.extras());
    }

    private static AirPlan plan(Fields group) {
        return new AirPlan(
                settings(group),
                group.objects("networks").stream()
                        .flatMap(network -> network(network).stream())
                        .toList(),
                packet(group));
    }

    /** Keys that this version does not know are kept. */
    private static Map<String, String> settings(Fields from) {
        Map<String, String> settings = from.textMap("settings");
        settings.forEach((key, value) -> AirKey.of(key)
                .filter(known -> !known.isGood(value))
                .ifPresent(known -> from.problem(
                        "settings",
                        key,
                        Fact.of("problem.expected_value")
                                .with("example", known.example())
                                .with("found", value))));
        return settings;
    }

    private static Optional<LocalNetwork> network(Fields network) {
        int channel = network.wholeFrom("channel", 1);
        int width = network.has("width_mhz") ? network.wholeFrom("width_mhz", 1) : LocalNetwork.USUAL_WIDTH_MHZ;
        if (channel > LocalNetwork.MOST_CHANNEL) {
            network.problem(
                    "channel",
                    Fact.of("problem.expected_value").with("example", 11).with("found", channel));
        }
        boolean isRight = channel >= 1 && channel <= LocalNetwork.MOST_CHANNEL && width >= 1;
        LocalNetwork.Strength strength = network.has("strength")
                ? network.parsed(
                        "strength", LocalNetwork.Strength::parse, "weak, middle, strong", LocalNetwork.Strength.MIDDLE)
                : LocalNetwork.Strength.MIDDLE;
        String name = network.text("name");
        return isRight
                ? Optional.of(new LocalNetwork(name, channel, width, strength, network.extras()))
                : Optional.empty();
    }

    private static List<String> packet(Fields group) {
        List<String> fields = group.texts("packet");
        fields.stream()
                .filter(field -> !AirPlan.isField(field))
                .forEach(field -> group.problem(
                        "packet",
                        Fact.of("problem.expected_value")
                                .with("example", "level:int16")
                                .with("found", field)));
        return fields;
    }

    private static boolean isPart(Place place, List<Node> nodes) {
        return place.isPart()
                && nodes.stream()
                        .anyMatch(node -> node.id().equals(place.node())
                                && node.part(place.part()).isPresent());
    }
}
