package inkel.core.parts.rules;

import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.RuleInfo;
import inkel.core.parts.SupplyReport;
import inkel.core.parts.SupplyReport.Fit;
import inkel.core.quantity.Current;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.FeedFixes;
import inkel.core.remedy.RailNames;
import inkel.core.remedy.Room;
import inkel.core.remedy.SetVolts;
import inkel.core.remedy.Tried;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * Supply pins that one rail suits as badly: those of one part, and the same ones of other parts of its class.
 *
 * @param feeds at least one, in document order
 */
record Alike(SupplyReport report, List<SupplyReport.Feed> feeds) {
    /** @param variant what is said of a feed, which is the same of all that are told together */
    static List<Alike> of(SupplyReport report, Fit fit, Function<SupplyReport.Feed, Object> variant) {
        Map<Object, List<SupplyReport.Feed>> groups = new LinkedHashMap<>();
        for (SupplyReport.Feed feed : report.standing(fit)) {
            groups.computeIfAbsent(
                            List.of(
                                    feed.node().node().id(),
                                    feed.rail().orElseThrow().id(),
                                    feed.placed().cls().id(),
                                    variant.apply(feed)),
                            key -> new ArrayList<>())
                    .add(feed);
        }
        return groups.values().stream().map(feeds -> new Alike(report, feeds)).toList();
    }

    SupplyReport.Feed first() {
        return feeds.get(0);
    }

    private List<Placed> parts() {
        Map<String, Placed> parts = new LinkedHashMap<>();
        feeds.forEach(feed -> parts.putIfAbsent(feed.placed().id(), feed.placed()));
        return List.copyOf(parts.values());
    }

    boolean isOfSeveral() {
        return parts().size() > 1;
    }

    /** A finding with the names of parts, pins and rail. */
    Finding.Builder begun(RuleInfo info) {
        NodeCircuit node = first().node();
        return Finding.of(info, parts().stream().map(node::place).toList())
                .withAll("part", names())
                .withAll("pin", pins())
                .with("rail", RailNames.of(node, first().rail().orElseThrow().id()));
    }

    private List<String> names() {
        return parts().stream().map(placed -> placed.part().name()).toList();
    }

    private List<String> pins() {
        return feeds.stream().map(feed -> feed.supply().pin()).distinct().toList();
    }

    /** A knob or a screw turned to what all of them want. */
    Optional<Fix> turned() {
        return SetVolts.of(
                report.circuit(), first().node(), first().rail().orElseThrow(), first().supply(), this::isGood);
    }

    /** Other ways to feed all of them; where none does for all, those of the first. */
    List<Fix> waysOut() {
        if (feeds.size() == 1) {
            return first().waysOut();
        }
        Current all = feeds.stream()
                .map(feed -> feed.placed().cls().peak(feed.supply().pin()))
                .reduce(Current.ZERO, Current::plus);
        List<Fix> ways = new FeedFixes(first().node(), report.circuit().catalog())
                .of(first().placed(), first().supply(), all, Voltage.ZERO, rail -> true).stream()
                        .map(this::forAll)
                        .filter(this::isGood)
                        .toList();
        return ways.isEmpty() ? first().waysOut() : ways;
    }

    private Fix forAll(Fix fix) {
        List<Edit> edits = new ArrayList<>(fix.edits());
        Feed fed = (Feed) edits.get(edits.size() - 1);
        feeds.stream()
                .skip(1)
                .map(feed ->
                        new Feed(fed.node(), feed.placed().id(), feed.supply().pin(), fed.rail()))
                .forEach(edits::add);
        return new Fix(fix.id(), fix.title().with("part", names()).with("pin", pins()), fix.cost(), edits);
    }

    /** Whether each then has what it works at, and no rail gives more than before of what it cannot. */
    private boolean isGood(Fix fix) {
        String node = first().node().node().id();
        return Tried.after(fix, report.circuit())
                .filter(after -> Room.over(after, node) <= Room.over(report.circuit(), node))
                .map(SupplyReport::of)
                .filter(after -> feeds.stream()
                        .allMatch(feed -> after.of(node, feed.placed().id()).stream()
                                .filter(now ->
                                        now.supply().pin().equals(feed.supply().pin()))
                                .allMatch(now -> now.fit() == Fit.FITS || now.fit() == Fit.AT_LIMIT)))
                .isPresent();
    }
}
