package inkel.core.kit;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.Place;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.OptionalDouble;

/** How every rule is tested: it fires, it stays quiet, each way out makes what it is offered for go away. */
public final class RuleKit {
    private RuleKit() {}

    /** The one finding of a rule. */
    public static Finding fires(Builds builds, String code) {
        return fires(builds.build(), code);
    }

    public static Finding fires(Build build, String code) {
        List<Finding> found = Builds.of(Assessment.assess(build, CATALOG), code);
        assertEquals(1, found.size(), code + ": " + found);
        return found.get(0);
    }

    /** The one finding of a rule at a place of the test's node, such as {@code radio} or {@code radio.CE}. */
    public static Finding firesAt(Builds builds, String code, String place) {
        Place at = place.contains(".") ? Builds.place(place) : Place.ofPart(Builds.NODE, place);
        List<Finding> found = at(builds.build(), code, at);
        assertEquals(1, found.size(), code + " at " + place + ": " + Builds.of(builds.assess(), code));
        return found.get(0);
    }

    /** A figure of a finding's arithmetic, in its base unit. */
    public static double si(Finding finding, String key) {
        return finding.evidence().stream()
                .filter(evidence -> evidence.key().equals(key))
                .findFirst()
                .orElseThrow(() -> new AssertionError(key + " is no figure of " + finding.evidence()))
                .value()
                .si();
    }

    public static void quiet(Builds builds, String code) {
        assertEquals(List.of(), builds.findings(code));
    }

    private static List<Finding> at(Build build, String code, Place place) {
        return Builds.of(Assessment.assess(build, CATALOG), code).stream()
                .filter(finding -> finding.place().equals(place))
                .toList();
    }

    /** As {@link #everyWayOut(Build, Finding)}, of the one finding of a rule. */
    public static void everyWayOut(Builds builds, String code) throws Exception {
        everyWayOut(builds.build(), fires(builds, code));
    }

    /** The first way out whose id begins so. */
    public static Fix way(Finding finding, String start) {
        return finding.fixes().stream()
                .filter(fix -> fix.id().startsWith(start))
                .findFirst()
                .orElseThrow(() ->
                        new AssertionError(finding.fixes().stream().map(Fix::id).toList()));
    }

    /** As {@link #waysOut(Build, Finding, String...)}, of the one finding of a rule. */
    public static void waysOut(Builds builds, String code, String... ids) throws Exception {
        waysOut(builds.build(), fires(builds, code), ids);
    }

    /**
     * These ways out in this order, each of which does what it says; of what would be bought there may be more, since the
     * catalogue grows.
     */
    public static void waysOut(Build build, Finding finding, String... ids) throws Exception {
        List<String> wanted = List.of(ids);
        assertEquals(
                wanted,
                finding.fixes().stream()
                        .map(Fix::id)
                        .filter(id -> wanted.contains(id) || !id.startsWith("add-"))
                        .toList(),
                finding.code() + ": " + finding.fixes().stream().map(Fix::id).toList());
        everyWayOut(build, finding);
    }

    /** There is a way out, and every one does what it says. */
    public static void everyWayOut(Build build, Finding finding) throws Exception {
        assertFalse(finding.fixes().isEmpty(), finding.code() + " has a way out");
        for (Fix fix : finding.fixes()) {
            wayOut(build, finding, fix);
        }
    }

    /** An overload may take several ways out; each must make what is too much less. */
    private static boolean isLess(List<Finding> left, Finding before) {
        OptionalDouble tooMuch = tooMuch(before);
        return tooMuch.isPresent()
                && left.stream().map(RuleKit::tooMuch).allMatch(now -> now.orElseThrow() < tooMuch.getAsDouble());
    }

    private static OptionalDouble tooMuch(Finding finding) {
        return finding.evidence().stream()
                .filter(evidence -> evidence.key().equals("short_by"))
                .mapToDouble(evidence -> evidence.value().si())
                .findFirst();
    }

    /**
     * A way out applies, leaves one fault less of its kind at its place, however that is worded now, and makes a build
     * that can be saved and read.
     */
    public static void wayOut(Build build, Finding finding, Fix fix) throws Exception {
        String name = finding.code() + " at " + finding.place() + " after " + fix.id();
        Build after = fix.apply(build);
        int before = at(build, finding.code(), finding.place()).size();
        int left = at(after, finding.code(), finding.place()).size();
        assertTrue(
                left < before || isLess(at(after, finding.code(), finding.place()), finding),
                name + ": " + at(after, finding.code(), finding.place()));
        assertEquals(after, BuildReader.parse(Path.of("x"), BuildWriter.print(after), CATALOG), name);
    }
}
