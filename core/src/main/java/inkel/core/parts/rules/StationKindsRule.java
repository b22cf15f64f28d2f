package inkel.core.parts.rules;

import inkel.core.catalog.Air;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Place;
import inkel.core.document.RadioGroup;
import inkel.core.document.edit.Stations;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reports a station that cannot hear the others, for it is of another kind or has no radio at all. */
public final class StationKindsRule implements Rule<Circuit> {
    private static final RuleInfo INFO = new RuleInfo("radio.kinds_differ", Severity.STOP, Stage.PARTS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(Circuit circuit) {
        List<Finding> findings = new ArrayList<>();
        circuit.build().air().forEach(group -> check(findings, circuit, group));
        return findings;
    }

    private static void check(List<Finding> findings, Circuit circuit, RadioGroup group) {
        Optional<Placed> first = Optional.empty();
        for (Place radio : Radios.places(group)) {
            Placed placed = Radios.of(circuit, radio);
            Optional<Air> air = placed.cls().handling().air();
            if (air.isEmpty()) {
                findings.add(finding(radio, placed, group).variant("none").build());
            } else if (first.isEmpty()) {
                first = Optional.of(placed);
            } else if (!kind(first.get()).equals(air.get().kind())) {
                findings.add(finding(radio, placed, group)
                        .with("kind", air.get().kind())
                        .with("other", first.get().part().name())
                        .with("other_kind", kind(first.get()))
                        .build());
            }
        }
    }

    private static String kind(Placed placed) {
        return placed.cls().handling().air().orElseThrow().kind();
    }

    private static Finding.Builder finding(Place radio, Placed placed, RadioGroup group) {
        return Finding.of(INFO, radio)
                .with("part", placed.part().name())
                .with("group", group.name())
                .fixes(() -> List.of(new Fix(
                        "leave",
                        Fact.of("fix.leave_stations")
                                .with("part", placed.part().name())
                                .with("group", group.name()),
                        Fact.of("fix.leave_stations.cost"),
                        List.of(new Stations.Leave(radio)))));
    }
}
