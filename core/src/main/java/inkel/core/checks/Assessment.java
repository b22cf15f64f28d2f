package inkel.core.checks;

import inkel.core.catalog.Catalog;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.Place;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.wiring.WireList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * All that Inkel makes of a build.
 *
 * @param findings worst first, and in the order of the rules among equals
 */
public record Assessment(Build build, Reports reports, List<Finding> findings) {
    public Assessment {
        findings = List.copyOf(findings);
    }

    /** Looks at a build. Has no memory and changes nothing: the same build gives the same answer. */
    public static Assessment assess(Build build, Catalog catalog) {
        Reports reports = Reports.of(Circuit.of(build, catalog));
        List<Finding> findings = RuleBook.run(reports);
        findings.sort(Comparator.comparing(Finding::severity));
        return new Assessment(build, reports, CleanWays.of(build, catalog, findings));
    }

    public long count(Severity severity) {
        return findings.stream()
                .filter(finding -> finding.severity() == severity)
                .count();
    }

    /** Findings of one stage of one node. */
    public List<Finding> of(String node, Stage stage) {
        return findings.stream()
                .filter(finding -> finding.place().node().equals(node))
                .filter(finding -> finding.rule().stage() == stage)
                .toList();
    }

    /** Findings at a place or in it. */
    public List<Finding> at(Place place) {
        return findings.stream()
                .filter(finding -> finding.places().stream().anyMatch(place::contains))
                .toList();
    }

    public Optional<NodeCircuit> circuit(String node) {
        return reports.circuit().node(node);
    }

    public Optional<NodePins> pins(String node) {
        return reports.pins().node(node);
    }

    public Optional<WireList> wires(String node) {
        return reports.wires().stream()
                .filter(list -> list.node().node().id().equals(node))
                .findFirst();
    }

    /** One assessment is equal only to itself: comparing two by what they say would cost more than making one. */
    @Override
    public boolean equals(Object other) {
        return this == other;
    }

    @Override
    public int hashCode() {
        return System.identityHashCode(this);
    }
}
