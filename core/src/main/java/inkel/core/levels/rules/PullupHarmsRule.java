package inkel.core.levels.rules;

import inkel.core.catalog.Settings;
import inkel.core.circuit.Placed;
import inkel.core.circuit.PullUp;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.Verdict;
import inkel.core.levels.LevelReport;
import inkel.core.levels.Link;
import inkel.core.levels.Mildness;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import inkel.core.remedy.PinNames;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** Reports an open-drain wire that a pull-up lifts above what one that listens survives. */
public final class PullupHarmsRule implements Rule<LevelReport> {
    private static final RuleInfo INFO = new RuleInfo("levels.pullup_harms", Severity.STOP, Stage.LEVELS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LevelReport levels) {
        // One cause, one finding: whatever one part's pull-ups do is told where they do the most.
        Map<List<Object>, List<Link>> causes = levels.links().stream()
                .filter(link -> link.check().verdict() == Verdict.HARMS
                        && link.pulledBy().isPresent())
                .filter(link -> !LinkFinding.isSettled(link))
                .collect(Collectors.groupingBy(
                        link -> List.of(
                                link.signal().node(), part(link.pulledBy().get()), link.verdict() == Verdict.HARMS),
                        LinkedHashMap::new,
                        Collectors.toList()));
        return causes.values().stream().map(links -> describe(levels, links)).toList();
    }

    private static Finding describe(LevelReport levels, List<Link> links) {
        Link link =
                Collections.min(links, Comparator.comparing(one -> one.check().headroom()));
        PullUp pull = link.pulledBy().orElseThrow();
        Finding.Builder finding = Finding.of(INFO, link.signal());
        boolean isFar = pull.node() != link.node();
        if (link.isOnlyAtTheEnds()) {
            finding.variant(isFar ? "far_ends" : "ends").onlyToLookAt();
        } else if (link.mildness() == Mildness.WITHIN_A_CLAMP) {
            finding.variant(isFar ? "far_clamped" : "clamped").onlyToLookAt();
        } else if (isFar) {
            finding.variant("far");
        }
        return finding.with("pull", PinNames.of(pull.node(), pull.at()))
                .with("node", pull.node().node().name())
                .with("to", PinNames.of(link.node(), link.to()))
                .number("highest_output", link.check().vohMax(), Source.COMPUTED)
                .number("tolerated", link.check().absoluteMax(), link.listens())
                .number("too_much_by", link.check().headroom().times(-1), Source.COMPUTED)
                .fixes(() -> takeOff(link, pull).stream()
                        .filter(fix -> Proof.isBetter(levels.circuit(), fix, link))
                        .toList())
                .fixes(() -> ModuleShift.of(levels, link).stream().toList())
                .fixes(() -> new LinkFixes(link.node(), levels.circuit()).of(link))
                .fix(() -> LowerRail.of(levels.circuit(), link))
                .fixes(() -> link.verdict() == Verdict.THIN ? List.of(LeaveFix.of(links)) : List.of())
                .build();
    }

    /** The wire beside which the builder put a resistor, where that is the pull-up. */
    private static Optional<Wire> besideAt(PullUp pull) {
        return pull.node().nets().getOrDefault(pull.at(), List.of()).stream()
                .filter(wire -> PullUp.beside(pull.node(), wire).isPresent())
                .findFirst();
    }

    private static Place part(PullUp pull) {
        return Place.ofPart(pull.node().node().id(), pull.at().part());
    }

    /** A module's pull-ups can be cut off; what listens then gets a pair of its own where none is left. */
    private static List<Fix> takeOff(Link link, PullUp pull) {
        Placed brings = pull.node().part(pull.at().part()).orElseThrow();
        Placed hears = link.node().part(link.to().part()).orElseThrow();
        Optional<Wire> beside = besideAt(pull);
        if (beside.isPresent()) {
            return List.of(TakeOutFix.of(pull.node(), beside.get().from()));
        }
        if (brings.part().isBoard() || hears.part().isBoard()) {
            return List.of();
        }
        List<Edit> edits = new ArrayList<>();
        edits.add(new SetSetting(pull.node().node().id(), brings.id(), Settings.PULL_UPS, "off"));
        boolean hasOwn = hears.cls().pulls().stream()
                .anyMatch(own -> own.pin().equals(link.to().pin()));
        if (!hasOwn) {
            edits.add(new SetSetting(link.node().node().id(), hears.id(), Settings.ADD_PULL_UPS, "4.7 kΩ"));
        }
        return List.of(new Fix(
                "pull-ups-off-" + brings.id(),
                Fact.of("fix.pull_ups_off").with("part", brings.part().name()),
                Fact.of(hasOwn ? "fix.pull_ups_off.cost" : "fix.pull_ups_off.new"),
                edits));
    }
}
