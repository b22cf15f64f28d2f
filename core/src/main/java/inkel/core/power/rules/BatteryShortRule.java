package inkel.core.power.rules;

import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.power.BatteryReport;
import inkel.core.power.FeedLine;
import inkel.core.power.PowerReport;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Range;
import inkel.core.quantity.Source;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.FeedFixes;
import inkel.core.remedy.MoreCells;
import inkel.core.remedy.OtherSource;
import inkel.core.remedy.RailNames;
import inkel.core.remedy.Tried;
import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Reports a battery that is empty before it should be, or that sags below what a part needs. */
public final class BatteryShortRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.battery_short", Severity.LOOK, Stage.POWER);

    /** What a pin bears above its supply. */
    private static final Voltage CLAMP = Voltage.ofVolts(0.3);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        List<Finding> findings = new ArrayList<>();
        for (BatteryReport battery : report.batteries()) {
            if (battery.isShort()) {
                findings.add(soonEmpty(battery, report));
            }
            battery.starved().stream()
                    .limit(1)
                    .map(line -> sags(battery, line, report))
                    .forEach(findings::add);
        }
        return findings;
    }

    private static Finding soonEmpty(BatteryReport battery, PowerReport report) {
        double hours = battery.hours().orElseThrow();
        return Finding.of(INFO, battery.node().place(battery.rail().id()))
                .with("rail", RailNames.of(battery.node(), battery.rail().id()))
                .number("capacity", battery.battery().capacity(), Source.CLASS)
                .number("usable", battery.battery().usable(), Source.CLASS)
                .number("average", battery.rail().average(), Source.COMPUTED)
                .number("lasts", TimeSpan.ofHours(hours), Source.COMPUTED)
                .number("should_last", TimeSpan.ofHours(battery.wantedHours()), battery.wantedSource())
                .fixes(() -> List.of(enough(battery, hours)))
                .fixes(() -> otherSource(battery, report))
                .build();
    }

    private static Fix enough(BatteryReport battery, double hours) {
        double whole = hours >= 1 ? Math.floor(hours) : hours * 0.99;
        return new Fix(
                "hours",
                Fact.of("fix.hours").with("time", TimeSpan.ofHours(whole)),
                Fact.of("fix.hours.cost"),
                List.of(new SetSetting(
                        battery.node().node().id(), battery.placed().id(), Settings.HOURS, plain(whole))));
    }

    /** Without a prefix, since "495 m" would be read as minutes or metres. */
    private static String plain(double hours) {
        return BigDecimal.valueOf(hours)
                .round(new MathContext(3, RoundingMode.DOWN))
                .stripTrailingZeros()
                .toPlainString();
    }

    /** A battery that lasts in its place, or all that hangs on it from another source. */
    private static List<Fix> otherSource(BatteryReport battery, PowerReport report) {
        return OtherSource.among(
                LoadFixes.elsewhere(
                        battery.node(), battery.rail(), report, battery.rail().average()),
                OtherSource.of(
                        report.circuit(), battery.node(), battery.rail(), List.of(), after -> lasts(after, battery)));
    }

    private static boolean lasts(NodeCircuit after, BatteryReport before) {
        return BatteryReport.of(after).stream()
                .anyMatch(
                        battery -> battery.placed().id().equals(before.placed().id()) && !battery.isShort());
    }

    private static Finding sags(BatteryReport battery, FeedLine line, PowerReport report) {
        return Finding.of(INFO, battery.node().place(battery.rail().id()))
                .variant("sag")
                .with("rail", RailNames.of(battery.node(), battery.rail().id()))
                .with("part", line.placed().part().name())
                .number("peak", battery.rail().peak(), Source.COMPUTED)
                .number("inner", battery.battery().inner(), Source.CLASS)
                .number("sag", battery.sag(), Source.COMPUTED)
                .number("lowest", battery.lowest(), Source.COMPUTED)
                .number("works_from", line.needs(), line.supply().range().source())
                .fixes(() -> ofSag(battery, line, report))
                .build();
    }

    /** One cell more, or another rail; each where the part is no longer starved, and nothing gets too much. */
    private static List<Fix> ofSag(BatteryReport battery, FeedLine line, PowerReport report) {
        return Stream.concat(
                        MoreCells.of(report.circuit(), battery.node(), battery.rail()).stream(),
                        new FeedFixes(line.node(), report.catalog()).of(line.placed(), line.supply()).stream())
                .filter(fix -> helps(fix, line, report))
                .toList();
    }

    private static boolean helps(Fix fix, FeedLine line, PowerReport report) {
        Endpoint pin = new Endpoint(line.placed().id(), line.supply().pin());
        return Tried.after(fix, report.circuit())
                .flatMap(circuit -> circuit.node(line.node().node().id()))
                .filter(node -> BatteryReport.of(node).stream()
                        .flatMap(battery -> battery.starved().stream())
                        .noneMatch(starved -> pin.equals(new Endpoint(
                                starved.placed().id(), starved.supply().pin()))))
                .filter(node -> MoreCells.tooHigh(node) <= MoreCells.tooHigh(line.node()))
                .filter(node -> !talksAbove(node, line) || talksAbove(line.node(), line))
                .isPresent();
    }

    /** Whether the part may speak to the board from above what the board's own pins hang on: a remedy that brings another ill. */
    private static boolean talksAbove(NodeCircuit node, FeedLine line) {
        Optional<Rail> own = node.part(line.placed().id())
                .flatMap(placed -> node.railOf(placed, line.supply().pin()));
        Optional<Voltage> highest = own.flatMap(Rail::volts).map(Range::highest);
        return node.node().wires().stream()
                .filter(wire -> wire.from().part().equals(line.placed().id()))
                .flatMap(wire -> node.ioRail(wire.to()).stream())
                .filter(rail -> !own.map(Rail::id).filter(rail.id()::equals).isPresent())
                .flatMap(rail -> rail.volts().stream())
                .anyMatch(volts -> highest.filter(
                                high -> high.isAbove(volts.lowest().plus(CLAMP)))
                        .isPresent());
    }
}
