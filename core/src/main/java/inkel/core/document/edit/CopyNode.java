package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Laid;
import inkel.core.document.Node;
import inkel.core.document.Place;
import inkel.core.document.Station;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Adds an equal of a node behind it and its other equals, with nothing plugged; its radios join the stations of those they are copies of. */
public record CopyNode(String node, String newId, String newName) implements Edit {
    @Override
    public Build apply(Build build) throws EditRefused {
        Node old = Require.node(build, node);
        Node twin = new Node(
                newId,
                newName,
                old.parts(),
                old.wires(),
                old.between(),
                old.moments(),
                Set.of(),
                Map.of(),
                Map.of(),
                Laid.NONE,
                old.kin(),
                old.extras());
        int last = build.nodes().indexOf(old);
        for (Node equal : build.equalsOf(node)) {
            last = Math.max(last, build.nodes().indexOf(equal));
        }
        return joined(Nodes.with(build, last + 1, twin));
    }

    private Build joined(Build build) {
        return build.withAir(build.air().stream()
                .map(group -> {
                    List<Station> stations = new ArrayList<>(group.stations());
                    for (Station station : group.stations()) {
                        if (station.radio()
                                .filter(radio -> radio.node().equals(node))
                                .isPresent()) {
                            Place twin =
                                    Place.ofPart(newId, station.radio().get().part());
                            Station.Role role = station.role() == Station.Role.HUB ? Station.Role.LEAF : station.role();
                            stations.add(Station.of(
                                    twin, role, group.withStations(stations).freeNumber()));
                        }
                    }
                    return group.withStations(stations);
                })
                .toList());
    }
}
