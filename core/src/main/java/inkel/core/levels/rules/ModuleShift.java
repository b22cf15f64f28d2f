package inkel.core.levels.rules;

import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Place;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Insert;
import inkel.core.finding.Fix;
import inkel.core.formula.Verdict;
import inkel.core.levels.LevelReport;
import inkel.core.levels.Link;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Puts all wires of a module that want it through shifters at once, spare ways first. */
final class ModuleShift {
    private ModuleShift() {}

    /** Empty where fewer than two wires of the module would go through. */
    static Optional<Fix> of(LevelReport levels, Link link) {
        List<Place> signals = levels.links().stream()
                .filter(other -> other.node() == link.node())
                .filter(other -> other.signal().part().equals(link.signal().part()))
                .filter(other ->
                        other.verdict() != Verdict.FINE && other.between().isEmpty())
                .map(Link::signal)
                .distinct()
                .toList();
        if (signals.size() < 2) {
            return Optional.empty();
        }
        List<Edit> edits = edits(levels.circuit(), signals);
        long shifted = edits.stream().filter(Insert.class::isInstance).count();
        String part =
                link.node().part(link.signal().part()).orElseThrow().part().name();
        return shifted < 2
                ? Optional.empty()
                : Optional.of(new Fix(
                        "module-shift",
                        Fact.of("fix.module_shift").with("part", part).with("count", shifted),
                        Fact.of("fix.module_shift.cost")
                                .with(
                                        "count",
                                        edits.stream()
                                                .filter(AddPart.class::isInstance)
                                                .count()),
                        edits));
    }

    /** Wire by wire, each on what the ones before have left. */
    private static List<Edit> edits(Circuit circuit, List<Place> signals) {
        List<Edit> edits = new ArrayList<>();
        Build build = circuit.build();
        LevelReport levels = LevelReport.of(circuit);
        for (Place signal : signals) {
            LevelReport now = levels;
            Optional<Fix> shift = now.of(signal).stream()
                    .findFirst()
                    .filter(link -> link.verdict() != Verdict.FINE)
                    .flatMap(link -> new LinkFixes(link.node(), circuit)
                            .of(link).stream()
                                    .filter(fix -> fix.id().startsWith("shift"))
                                    .findFirst());
            if (shift.isPresent()) {
                try {
                    build = shift.get().apply(build);
                } catch (EditRefused gone) {
                    throw new IllegalStateException("a way out of this very build", gone);
                }
                edits.addAll(shift.get().edits());
                levels = LevelReport.of(Circuit.of(build, circuit.catalog()));
            }
        }
        return edits;
    }
}
