package inkel.core.power.rules;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.Settings;
import inkel.core.document.Place;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.power.FeedLine;
import inkel.core.power.PowerReport;
import inkel.core.quantity.Current;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.FeedFixes;
import inkel.core.remedy.RailNames;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Reports a supply wire that loses too much on the way, or whose plugged contacts carry more than they are made for; of the
 * latter all that hang on one rail at once.
 */
public final class WireDropRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.wire_drop", Severity.LOOK, Stage.POWER);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        Map<Place, List<FeedLine>> burnt = report.lines().stream()
                .filter(FeedLine::burnsContact)
                .collect(Collectors.groupingBy(WireDropRule::rail, LinkedHashMap::new, Collectors.toList()));
        Stream<Finding> losing = report.lines().stream()
                .filter(line -> !line.burnsContact() && line.losesTooMuch())
                .map(line -> loses(line, report.catalog()));
        return Stream.concat(burnt.values().stream().map(WireDropRule::burns), losing)
                .toList();
    }

    private static Place rail(FeedLine line) {
        return line.node().place(line.rail().id());
    }

    private static Finding.Builder begun(List<FeedLine> lines) {
        FeedLine first = lines.get(0);
        return Finding.of(
                        INFO,
                        lines.stream()
                                .map(line -> line.node().place(line.load().pin()))
                                .toList())
                .withAll("part", names(lines))
                .with("rail", RailNames.of(first.node(), first.rail().id()));
    }

    private static Finding burns(List<FeedLine> lines) {
        List<String> parts = names(lines);
        Current peak = lines.stream()
                .map(line -> line.load().peak())
                .reduce(Quantity::larger)
                .orElseThrow();
        return begun(lines)
                .variant(parts.size() == 1 ? "contact" : "contact.several")
                .number("peak", peak, Source.COMPUTED)
                .number("contact_limit", FeedLine.CONTACT_LIMIT_OF_PLUGS, Source.RULE)
                .fixes(() -> solderedAll(lines, parts).stream().toList())
                .build();
    }

    private static List<String> names(List<FeedLine> lines) {
        return lines.stream()
                .map(line -> line.placed().part().name())
                .distinct()
                .toList();
    }

    private static Finding loses(FeedLine line, Catalog catalog) {
        return begun(List.of(line))
                .number("peak", line.load().peak(), Source.COMPUTED)
                .number("resistance", line.wire().thereAndBack(), line.wire().source())
                .number("drop", line.drop(), Source.COMPUTED)
                .number("arrives", line.arrives().orElseThrow(), Source.COMPUTED)
                .number("works_from", line.needs(), line.supply().range().source())
                .fixes(() -> {
                    List<Fix> wires = ways(line);
                    return wires.isEmpty() ? higher(line, catalog) : wires;
                })
                .build();
    }

    /** Where no wire is thick enough: a rail that has what is lost on the way to spare. */
    private static List<Fix> higher(FeedLine line, Catalog catalog) {
        Voltage least = line.needs().plus(line.drop());
        return new FeedFixes(line.node(), catalog).of(line.placed(), line.supply(), least, rail -> true);
    }

    private static List<Fix> ways(FeedLine line) {
        return Stream.of(line.thickerPlugged().map(gauge -> fix(line, gauge, false)), soldered(line))
                .flatMap(Optional::stream)
                .toList();
    }

    /** Each part by its thickest wire; empty when no usual one is thick enough for one of them. */
    private static Optional<Fix> solderedAll(List<FeedLine> lines, List<String> parts) {
        Map<String, Integer> gauges = new LinkedHashMap<>();
        Map<String, Fix> each = new LinkedHashMap<>();
        for (FeedLine line : lines) {
            Optional<Integer> gauge = line.thickerSoldered();
            if (gauge.isEmpty()) {
                return Optional.empty();
            }
            String part = line.placed().id();
            if (gauge.get() < gauges.getOrDefault(part, Integer.MAX_VALUE)) {
                gauges.put(part, gauge.get());
                each.put(part, fix(line, gauge.get(), true));
            }
        }
        if (each.size() == 1) {
            return each.values().stream().findFirst();
        }
        return Optional.of(new Fix(
                "solder",
                Fact.of("fix.solder.several").with("part", parts),
                Fact.of("fix.solder.several.cost").with("count", each.size()),
                each.values().stream().flatMap(fix -> fix.edits().stream()).toList()));
    }

    private static Optional<Fix> soldered(FeedLine line) {
        return line.wire().contact() == Settings.Contact.SOLDER
                        && line.thickerPlugged().isPresent()
                ? Optional.empty()
                : line.thickerSoldered().map(gauge -> fix(line, gauge, true));
    }

    private static Fix fix(FeedLine line, int gauge, boolean isSoldered) {
        String node = line.node().node().id();
        String part = line.placed().id();
        Edit wire = new SetSetting(node, part, Settings.GAUGE, String.valueOf(gauge));
        Edit joint = new SetSetting(node, part, Settings.CONTACT, "solder");
        boolean isThicker = gauge < line.wire().gauge();
        return new Fix(
                isSoldered ? "solder" : "thicker",
                Fact.of(!isSoldered ? "fix.thicker" : isThicker ? "fix.solder_thicker" : "fix.solder")
                        .with("part", line.placed().part().name())
                        .with("gauge", gauge),
                Fact.of("fix.thicker.cost").with("drop", line.dropWith(gauge, isSoldered)),
                !isSoldered ? List.of(wire) : isThicker ? List.of(wire, joint) : List.of(joint));
    }
}
