package inkel.core.checks;

import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;
import inkel.core.document.Place;
import inkel.core.finding.Finding;
import inkel.core.quantity.Current;
import java.util.ArrayList;
import java.util.List;

/**
 * What one assessment says otherwise than the one before.
 *
 * @param rails those whose peak is another one
 * @param come findings that were not there
 * @param gone findings that are there no more
 */
public record Difference(List<OfRail> rails, List<Finding> come, List<Finding> gone) {
    public Difference {
        rails = List.copyOf(rails);
        come = List.copyOf(come);
        gone = List.copyOf(gone);
    }

    /** The peak of a rail, before and after. */
    public record OfRail(NodeCircuit node, Place rail, Current before, Current after) {}

    public static Difference between(Assessment before, Assessment after) {
        List<OfRail> rails = new ArrayList<>();
        for (NodeCircuit node : after.reports().circuit().nodes()) {
            for (Rail rail : node.rails()) {
                before.circuit(node.node().id())
                        .flatMap(old -> old.rail(rail.id()))
                        .filter(old -> !old.peak().equals(rail.peak()))
                        .ifPresent(old -> rails.add(new OfRail(node, node.place(rail.id()), old.peak(), rail.peak())));
            }
        }
        return new Difference(rails, come(before, after), gone(before, after));
    }

    private static List<Finding> come(Assessment before, Assessment after) {
        return after.findings().stream()
                .filter(finding -> !finding.places().stream().allMatch(place -> isTold(before, finding, place)))
                .toList();
    }

    private static List<Finding> gone(Assessment before, Assessment after) {
        return before.findings().stream()
                .filter(finding -> finding.places().stream().noneMatch(place -> isTold(after, finding, place)))
                .toList();
    }

    private static boolean isTold(Assessment assessment, Finding finding, Place place) {
        return assessment.findings().stream()
                .anyMatch(known ->
                        known.code().equals(finding.code()) && known.places().contains(place));
    }

    public boolean isNothing() {
        return rails.isEmpty() && come.isEmpty() && gone.isEmpty();
    }
}
