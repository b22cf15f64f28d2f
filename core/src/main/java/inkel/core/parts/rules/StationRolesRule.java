package inkel.core.parts.rules;

import inkel.core.catalog.Air;
import inkel.core.circuit.Circuit;
import inkel.core.document.Place;
import inkel.core.document.RadioGroup;
import inkel.core.document.Station;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Stations;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.quantity.Fact;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** Reports stations whose roles do not go together: one alone, nobody who talks or hears, leaves without one hub. */
public final class StationRolesRule implements Rule<Circuit> {
    private static final RuleInfo INFO = new RuleInfo("radio.roles", Severity.LOOK, Stage.PARTS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(Circuit circuit) {
        return circuit.build().air().stream()
                .flatMap(group -> trouble(circuit, group).map(variant -> describe(circuit, group, variant)).stream())
                .toList();
    }

    /** The first thing that is wrong; the others mostly go with it. */
    private static Optional<String> trouble(Circuit circuit, RadioGroup group) {
        long hubs = count(group, Station.Role.HUB);
        boolean isAllHere = group.stations().size() == Radios.places(group).size();
        if (group.stations().size() == 1) {
            return Optional.of("alone");
        }
        if (isAllHere && nobody(circuit, group, Air.Way::talks)) {
            return Optional.of("mute");
        }
        if (isAllHere && nobody(circuit, group, Air.Way::hears)) {
            return Optional.of("deaf");
        }
        if (hubs > 1) {
            return Optional.of("two_hubs");
        }
        return hubs == 0 && count(group, Station.Role.LEAF) > 0 ? Optional.of("no_hub") : Optional.empty();
    }

    private static long count(RadioGroup group, Station.Role role) {
        return group.stations().stream()
                .filter(station -> station.role() == role)
                .count();
    }

    /** Whether all are known and none can. */
    private static boolean nobody(Circuit circuit, RadioGroup group, Predicate<Air.Way> can) {
        List<Air> known = Radios.places(group).stream()
                .flatMap(radio -> Radios.of(circuit, radio).cls().handling().air().stream())
                .toList();
        return !known.isEmpty() && known.stream().map(Air::way).noneMatch(can);
    }

    private static Finding describe(Circuit circuit, RadioGroup group, String variant) {
        Place first = Radios.places(group).get(0);
        return Finding.of(INFO, first)
                .variant(variant)
                .with("part", Radios.of(circuit, first).part().name())
                .with("group", group.name())
                .fixes(() -> fixes(circuit, group, variant))
                .build();
    }

    private static List<Fix> fixes(Circuit circuit, RadioGroup group, String variant) {
        if (variant.equals("two_hubs") || variant.equals("no_hub")) {
            return Radios.places(group).stream()
                    .filter(radio -> variant.equals("no_hub") || role(group, radio) == Station.Role.HUB)
                    .map(radio -> new Fix(
                            "hub-" + radio,
                            Fact.of("fix.hub")
                                    .with(
                                            "part",
                                            Radios.of(circuit, radio).part().name())
                                    .with(
                                            "board",
                                            circuit.node(radio.node())
                                                    .orElseThrow()
                                                    .node()
                                                    .name())
                                    .with("group", group.name()),
                            Fact.of("fix.hub.cost"),
                            List.of(new Stations.SetRole(radio, Station.Role.HUB))))
                    .toList();
        }
        Place first = Radios.places(group).get(0);
        return List.of(new Fix(
                "leave",
                Fact.of("fix.leave_stations")
                        .with("part", Radios.of(circuit, first).part().name())
                        .with("group", group.name()),
                Fact.of("fix.leave_stations.cost"),
                group.stations().stream()
                        .flatMap(station -> station.radio().stream())
                        .<Edit>map(Stations.Leave::new)
                        .toList()));
    }

    private static Station.Role role(RadioGroup group, Place radio) {
        return group.station(radio).orElseThrow().role();
    }
}
