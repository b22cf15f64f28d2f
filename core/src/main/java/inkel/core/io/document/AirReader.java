package inkel.core.io.document;

import inkel.core.document.Node;
import inkel.core.document.Place;
import inkel.core.document.RadioGroup;
import inkel.core.document.Station;
import inkel.core.io.json.Fields;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
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
            air.add(new RadioGroup(id, group.text("name"), stations, group.extras()));
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
                station.wholeFrom("number", 0),
                station.extras());
    }

    private static boolean isPart(Place place, List<Node> nodes) {
        return place.isPart()
                && nodes.stream()
                        .anyMatch(node -> node.id().equals(place.node())
                                && node.part(place.part()).isPresent());
    }
}
