package inkel.app.ui.parts;

import inkel.app.ui.why.Explainer;
import inkel.app.ui.why.Why.Line;
import inkel.app.ui.why.Why.Section;
import inkel.app.ui.why.Why.Tone;
import inkel.app.words.Words;
import inkel.core.catalog.Air;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Build;
import inkel.core.document.Place;
import inkel.core.document.RadioGroup;
import inkel.core.document.Station;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Stations;
import inkel.core.finding.Fix;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What the Why panel says of the stations that a radio belongs to, and what can be done about it. */
final class StationNotes {
    private final Assessment assessment;
    private final Build build;
    private final Placed placed;
    private final Place radio;
    private final Optional<RadioGroup> group;

    StationNotes(Assessment assessment, NodeCircuit node, Placed placed) {
        this.assessment = assessment;
        build = assessment.build();
        this.placed = placed;
        radio = node.place(placed);
        group = build.groupOf(radio);
    }

    private Optional<String> kind() {
        return placed.cls().handling().air().map(Air::kind);
    }

    List<Section> sections() {
        return group.map(of -> List.of(Section.ofLines(
                        of.name(),
                        of.stations().stream()
                                .map(station -> new Line(Tone.PLAIN, Words.say(said(station))))
                                .toList())))
                .orElse(List.of());
    }

    private Fact said(Station station) {
        return Fact.of("stations.line")
                .with("number", station.number())
                .with(
                        "name",
                        station.radio()
                                .map(this::name)
                                .orElse(Fact.of("stations.outside_named").with("name", station.name())))
                .with("role", Fact.of("stations.role." + station.role().text()));
    }

    private Fact name(Place of) {
        return Fact.of("stations.name")
                .with(
                        "part",
                        assessment
                                .circuit(of.node())
                                .flatMap(node -> node.part(of.part()))
                                .orElseThrow()
                                .part()
                                .name())
                .with("board", build.node(of.node()).orElseThrow().name());
    }

    List<Fix> actions() {
        List<Fix> actions = new ArrayList<>();
        kind().ifPresent(kind -> others(kind).forEach(other -> actions.add(join(other))));
        group.ifPresent(of -> {
            Station mine = of.station(radio).orElseThrow();
            for (Station.Role role : Station.Role.values()) {
                if (role != mine.role()) {
                    actions.add(action(
                            "role-" + role.text(), "action.role." + role.text(), new Stations.SetRole(radio, role)));
                }
            }
            actions.add(action(
                    "station-outside",
                    "action.station_outside",
                    new Stations.AddOutside(radio, Words.get("stations.outside"))));
            actions.add(action("leave-stations", "action.leave_stations", new Stations.Leave(radio)));
        });
        return actions;
    }

    private Fix action(String id, String key, Edit edit) {
        Fact title = group.map(of -> Fact.of(key).with("group", of.name())).orElse(Fact.of(key));
        return Explainer.action(id, title, Fact.of("action.stations.cost"), edit);
    }

    /** Parts that understand the same and are not among its stations yet. */
    private List<Place> others(String kind) {
        return assessment.reports().circuit().nodes().stream()
                .flatMap(node -> node.parts().stream()
                        .filter(other -> other.cls()
                                .handling()
                                .air()
                                .map(Air::kind)
                                .filter(kind::equals)
                                .isPresent())
                        .map(node::place))
                .filter(other -> !other.equals(radio))
                .filter(other -> group.flatMap(of -> of.station(other)).isEmpty())
                .toList();
    }

    private Fix join(Place other) {
        return Explainer.action(
                "join-" + other,
                Fact.of("action.join").with("name", name(other)),
                build.groupOf(other)
                        .map(of -> Fact.of("action.join.cost").with("group", of.name()))
                        .orElse(Fact.of("action.join_new.cost")),
                new Stations.Join(radio, other, build.name()));
    }
}
