package inkel.core.levels.rules;

import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Place;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Fix;
import inkel.core.formula.Verdict;
import inkel.core.levels.LevelReport;
import inkel.core.levels.Link;
import inkel.core.quantity.Fact;
import inkel.core.remedy.Tried;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Stream;

/** Ways out for wires of one module that fare alike: each settles all of them. */
final class AlikeFixes {
    private final LevelReport levels;
    private final List<Link> alike;
    private final Verdict verdict;

    /** @param alike at least two, in which nothing stands */
    AlikeFixes(LevelReport levels, List<Link> alike, Verdict verdict) {
        this.levels = levels;
        this.alike = alike;
        this.verdict = verdict;
    }

    /** @param divide all wires of the module that two resistors help, {@code shift} all that a shifter does */
    List<Fix> of(Supplier<Optional<Fix>> divide, Supplier<Optional<Fix>> shift) {
        List<Fix> ways = new ArrayList<>();
        Optional<Fix> shifted = shift.get().filter(this::settlesAll);
        boolean isThere = shifted.filter(way -> way.edits().stream().noneMatch(AddPart.class::isInstance))
                .isPresent();
        EndsFix.series(alike.get(0)).flatMap(this::each).ifPresent(ways::add);
        for (Fix way : single(levels, alike.get(0))) {
            boolean isDivider = way.id().equals(DividerFix.ID);
            if (isDivider) {
                divide.get().filter(this::settlesAll).or(() -> each(way)).ifPresent(ways::add);
            } else if (settlesAll(way)) {
                ways.add(way);
            } else if (!way.id().startsWith("shift")) {
                each(way).ifPresent(ways::add);
            } else if (isThere) {
                // Ways that are there come before anything that is put in.
                shifted.ifPresent(ways::add);
            }
        }
        shifted.filter(way -> !isThere).ifPresent(ways::add);
        if (alike.get(0).verdict() == Verdict.THIN) {
            ways.add(LeaveFix.of(alike));
        }
        return ways;
    }

    private static List<Fix> single(LevelReport levels, Link link) {
        return new LinkFixes(link.node(), levels.circuit()).of(link);
    }

    private boolean settlesAll(Fix way) {
        return Tried.after(way, levels.circuit()).map(LevelReport::of).stream()
                .anyMatch(after -> alike.stream().noneMatch(link -> isOpen(after, link.signal())));
    }

    private boolean isOpen(LevelReport report, Place signal) {
        return report.of(signal).stream().anyMatch(link -> LinkFinding.isOpen(link, verdict));
    }

    /** The same for each of them, one after the other, each on what the ones before have left. */
    private Optional<Fix> each(Fix first) {
        List<Edit> edits = new ArrayList<>();
        List<String> signals = new ArrayList<>();
        LevelReport now = levels;
        Build build = levels.circuit().build();
        for (Link link : alike) {
            Optional<Link> open = now.of(link.signal()).stream()
                    .filter(found -> LinkFinding.isOpen(found, verdict))
                    .findFirst();
            if (open.isEmpty()) {
                continue;
            }
            LevelReport found = now;
            Optional<Fix> next = Stream.concat(EndsFix.series(open.get()).stream(), single(found, open.get()).stream())
                    .filter(way -> way.id().equals(first.id()) || isThrough(first) && isThrough(way))
                    .findFirst();
            if (next.isEmpty()) {
                return Optional.empty();
            }
            signals.add(link.signal().pin());
            edits.addAll(next.get().edits());
            try {
                build = next.get().apply(build);
            } catch (EditRefused gone) {
                throw new IllegalStateException("a way out of this very build", gone);
            }
            now = LevelReport.of(Circuit.of(build, levels.circuit().catalog()));
        }
        LevelReport last = now;
        boolean isSettled = alike.stream().noneMatch(link -> isOpen(last, link.signal()));
        return isSettled
                ? Optional.of(new Fix(
                        first.id(), first.title().with("signal", signals), cost(first.cost(), signals.size()), edits))
                : Optional.empty();
    }

    /** Each further one takes a way more, and a wire. */
    private static Fact cost(Fact ofOne, int signals) {
        return ofOne.values().containsKey("spare")
                ? ofOne.with("wires", (int) ofOne.values().get("wires") + signals - 1)
                        .with("spare", (int) ofOne.values().get("spare") - signals + 1)
                : ofOne;
    }

    /** What is put in for the first of them has ways for the others. */
    private static boolean isThrough(Fix way) {
        return way.id().startsWith("shift") || way.id().startsWith("buffer");
    }
}
