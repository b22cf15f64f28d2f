package inkel.core.checks;

import inkel.core.catalog.Catalog;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Node;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.RemovePart;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/**
 * Ways out as an expert would give them: none that brings something to stop for where there was only something to look at, and
 * first one that brings nothing, where there was something to stop for. A rule knows its own stage; what its ways out do to the
 * others is found out by taking each and judging the build anew. What answers a note says how things are, and stays.
 */
final class CleanWays {
    /** On a larger table each judging takes too long for somebody who waits for the panel. */
    private static final int MOST_PARTS = 40;

    /** What is shared out by itself afterwards is no harm done. */
    private static final Set<String> SHARED_OUT = Set.of("pins.not_placed");

    private final Build build;
    private final Catalog catalog;
    private final List<Finding> findings;

    private CleanWays(Build build, Catalog catalog, List<Finding> findings) {
        this.build = build;
        this.catalog = catalog;
        this.findings = List.copyOf(findings);
    }

    /** The same findings; their ways out are tried when they are asked for. */
    static List<Finding> of(Build build, Catalog catalog, List<Finding> findings) {
        int parts = build.nodes().stream().map(Node::parts).mapToInt(List::size).sum();
        if (parts > MOST_PARTS) {
            return findings;
        }
        CleanWays ways = new CleanWays(build, catalog, findings);
        return findings.stream()
                .map(finding -> finding.with(fixes -> ways.clean(finding, fixes)))
                .toList();
    }

    private List<Fix> clean(Finding finding, List<Fix> fixes) {
        boolean isStop = finding.severity() == Severity.STOP;
        // What goes nowhere keeps all its places; a clean one comes first.
        boolean isTold = finding.severity() == Severity.NOTE || SHARED_OUT.contains(finding.code()) && !isStop;
        if (isTold || fixes.isEmpty() || isStop && fixes.size() == 1) {
            return fixes;
        }
        Set<String> before = stops(findings);
        return isStop
                ? withFirstClean(before, fixes)
                : fixes.stream().filter(fix -> before.containsAll(brought(fix))).toList();
    }

    /**
     * The others stay as the rule has them: who presses the first gets nothing new to stop for. Before a part is taken away comes
     * what brings no more than another wire of a part that is stopped for the same already.
     */
    private List<Fix> withFirstClean(Set<String> before, List<Fix> fixes) {
        List<Fix> keeping = fixes.stream()
                .filter(fix -> fix.edits().stream().noneMatch(RemovePart.class::isInstance))
                .toList();
        Set<String> ofParts = ofParts(before);
        Optional<Fix> clean = first(keeping, fix -> before.containsAll(brought(fix)))
                .or(() -> first(fixes, fix -> before.containsAll(brought(fix)))
                        .map(taking -> first(keeping, fix -> ofParts.containsAll(ofParts(brought(fix))))
                                .orElse(taking)));
        if (clean.isEmpty() || clean.get() == fixes.get(0)) {
            return fixes;
        }
        List<Fix> sorted = new ArrayList<>(fixes);
        sorted.remove(clean.get());
        sorted.add(0, clean.get());
        return sorted;
    }

    private static Optional<Fix> first(List<Fix> fixes, Predicate<Fix> isWanted) {
        return fixes.stream().filter(isWanted).findFirst();
    }

    /** The same without the pins. */
    private static Set<String> ofParts(Set<String> stops) {
        return stops.stream()
                .map(stop -> stop.replaceFirst("(/[^/.]*)\\.[^/]*$", "$1"))
                .collect(Collectors.toSet());
    }

    private Set<String> brought(Fix fix) {
        try {
            Set<String> stops =
                    stops(Assessment.assess(fix.apply(build), catalog).findings());
            // What comes to the table with the way out is wired and fed afterwards.
            fix.edits().stream()
                    .filter(AddPart.class::isInstance)
                    .map(edit -> ((AddPart) edit).part().id())
                    .forEach(id -> stops.removeIf(stop -> stop.contains("/" + id + ".") || stop.endsWith("/" + id)));
            return stops;
        } catch (EditRefused refused) {
            return Set.of();
        }
    }

    private static Set<String> stops(List<Finding> findings) {
        return findings.stream()
                .filter(finding -> finding.severity() == Severity.STOP && !SHARED_OUT.contains(finding.code()))
                .flatMap(finding -> finding.places().stream().map(place -> finding.code() + " " + place))
                .collect(Collectors.toCollection(HashSet::new));
    }
}
