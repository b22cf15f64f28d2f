package inkel.core.levels.rules;

import inkel.core.document.Place;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Once;
import inkel.core.finding.RuleInfo;
import inkel.core.formula.LevelCheck;
import inkel.core.formula.Verdict;
import inkel.core.levels.Judged;
import inkel.core.levels.LevelReport;
import inkel.core.levels.Link;
import inkel.core.remedy.LampFeed;
import inkel.core.remedy.PinNames;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;

/** What the three verdicts on a link have in common: the arithmetic and the ways out. */
final class LinkFinding {
    private LinkFinding() {}

    static List<Finding> all(RuleInfo info, LevelReport levels, Verdict verdict) {
        // The way out for a whole module is the same at each of its wires.
        Map<Place, Supplier<Optional<Fix>>> divided = new HashMap<>();
        Map<Place, Supplier<Optional<Fix>>> shifted = new HashMap<>();
        Set<List<Object>> told = new HashSet<>();
        Map<Object, List<Link>> alike = new LinkedHashMap<>();
        levels.links().stream()
                .filter(link -> link.check().verdict() == verdict)
                .filter(link -> verdict != Verdict.THIN || isFirstOfItsPull(told, link))
                .filter(link -> isOpen(link, verdict))
                .forEach(link -> alike.computeIfAbsent(likeness(link), like -> new ArrayList<>())
                        .add(link));
        return alike.values().stream()
                .map(some -> {
                    Link link = some.get(0);
                    Place module =
                            Place.ofPart(link.signal().node(), link.signal().part());
                    Supplier<Optional<Fix>> shift =
                            shifted.computeIfAbsent(module, part -> new Once<>(() -> ModuleShift.of(levels, link)));
                    Supplier<Optional<Fix>> divide =
                            divided.computeIfAbsent(module, part -> new Once<>(() -> ModuleDivide.of(levels, link)));
                    Finding.Builder finding = describe(info, some);
                    return some.size() == 1
                            ? finding.fix(() -> EndsFix.series(link))
                                    .fixes(() -> ways(levels, link, divide))
                                    .fix(shift)
                                    .fixes(() ->
                                            link.verdict() == Verdict.THIN ? List.of(LeaveFix.of(link)) : List.of())
                                    .build()
                            : finding.fixes(() -> new AlikeFixes(levels, some, verdict).of(divide, shift))
                                    .build();
                })
                .toList();
    }

    /** Whether something is still to be said of what a wire does; what a pull-up does is told by a rule of its own. */
    static boolean isOpen(Link link, Verdict verdict) {
        return link.check().verdict() == verdict
                && (verdict != Verdict.HARMS || link.pulledBy().isEmpty())
                && !isSettled(link);
    }

    /** Wires of one module that fare alike, one way, are one thing to say; one in which something stands is its own. */
    private static Object likeness(Link link) {
        boolean isAlone = link.between().isPresent()
                || link.node()
                        .part(link.to().part())
                        .flatMap(to -> LampFeed.lamp(to, link.to().pin()))
                        .isPresent();
        return isAlone
                ? List.of(link.signal(), link.from(), link.to())
                : List.of(
                        link.signal().node(),
                        link.signal().part(),
                        link.from().part(),
                        link.to().part(),
                        link.check(),
                        link.mildness(),
                        link.saysHigh(),
                        link.saysLow(),
                        link.listens());
    }

    /** Whether the builder has answered what is only to be looked at. */
    static boolean isSettled(Judged judged) {
        boolean isLeft = judged.isLeft() && judged.verdict() == Verdict.THIN;
        return isLeft || EndsFix.isSettled(judged);
    }

    /** What one pull-up makes of a wire is the same for all parts that hear it at one pin, whoever pulls it low. */
    private static boolean isFirstOfItsPull(Set<List<Object>> told, Link link) {
        boolean isByPull = link.pulledBy().isPresent() && link.check().tightest() == LevelCheck.Side.HIGH;
        return !isByPull
                || told.add(List.of(
                        link.signal().node(),
                        link.to(),
                        link.pulledBy().get().node().place(link.pulledBy().get().at())));
    }

    private static Finding.Builder describe(RuleInfo info, List<Link> alike) {
        Link link = alike.get(0);
        Finding.Builder finding = Finding.of(
                        info, alike.stream().map(Link::signal).toList())
                .with("from", PinNames.of(link.node(), alike.stream().map(Link::from)))
                .with("to", PinNames.of(link.node(), alike.stream().map(Link::to)));
        LevelNumbers.put(
                finding,
                link.check(),
                link.node().habits(),
                link.isOnlyAtTheEnds(),
                alike.size() > 1,
                link.saysHigh(),
                link.saysLow(),
                link.listens());
        return finding;
    }

    /** Dividing all wires of the module comes right behind dividing the one. */
    private static List<Fix> ways(LevelReport levels, Link link, Supplier<Optional<Fix>> all) {
        List<Fix> ways = new ArrayList<>();
        for (Fix way : new LinkFixes(link.node(), levels.circuit()).of(link)) {
            ways.add(way);
            if (way.id().equals(DividerFix.ID)) {
                all.get().ifPresent(ways::add);
            }
        }
        return ways;
    }
}
