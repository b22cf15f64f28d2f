package inkel.core.levels.rules;

import inkel.core.document.edit.Edit;
import inkel.core.finding.Fix;
import inkel.core.levels.LevelReport;
import inkel.core.levels.Link;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Divides all wires of a module down that are too high for one end and want it, at once. */
final class ModuleDivide {
    private static final int RESISTORS = 2;

    private ModuleDivide() {}

    /** Empty where fewer than two wires of the module would be divided. */
    static Optional<Fix> of(LevelReport levels, Link link) {
        Map<String, List<Edit>> divided = new LinkedHashMap<>();
        LinkFixes fixes = new LinkFixes(link.node(), levels.circuit());
        levels.links().stream()
                .filter(other -> other.node() == link.node())
                .filter(other -> other.signal().part().equals(link.signal().part()))
                .filter(other -> !LinkFinding.isSettled(other))
                .forEach(other -> fixes.divided(other)
                        .ifPresent(fix -> divided.putIfAbsent(other.signal().pin(), fix.edits())));
        if (divided.size() < 2) {
            return Optional.empty();
        }
        List<Edit> edits = new ArrayList<>();
        divided.values().forEach(edits::addAll);
        return Optional.of(new Fix(
                "module-divide",
                Fact.of("fix.divide").with("signal", List.copyOf(divided.keySet())),
                Fact.of("fix.module_divide.cost").with("count", RESISTORS * divided.size()),
                edits));
    }
}
