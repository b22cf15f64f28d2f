package inkel.core.power.rules;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.Controller;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Between;
import inkel.core.document.Extras;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Insert;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.ESeries;
import inkel.core.formula.SeriesResistor;
import inkel.core.power.PinLoadReport;
import inkel.core.power.PowerReport;
import inkel.core.quantity.Current;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.FeedFixes;
import inkel.core.remedy.LampFeed;
import inkel.core.remedy.RailNames;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Reports a lamp without a resistor, a pin that carries more than it may, and a board whose pins together do. */
public final class PinCurrentRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.pin_current", Severity.STOP, Stage.POWER);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        List<Finding> findings = new ArrayList<>();
        List<NodeCircuit> bareTold = new ArrayList<>();
        for (PinLoadReport load : report.pinLoads()) {
            List<PinLoadReport> bare = isBare(load) ? bare(load.node(), report) : List.of();
            if (bare.size() < 2) {
                of(load, report).ifPresent(findings::add);
            } else if (bareTold.stream().noneMatch(node -> node == load.node())) {
                // One cause, one finding: nobody forgets one resistor of twelve.
                bareTold.add(load.node());
                findings.add(withoutResistors(bare));
            }
        }
        // In document order: nodes have no order of their own.
        Map<NodeCircuit, List<PinLoadReport>> byNode = report.pinLoads().stream()
                .collect(Collectors.groupingBy(PinLoadReport::node, LinkedHashMap::new, Collectors.toList()));
        byNode.forEach((node, loads) -> together(node, loads, report.catalog()).ifPresent(findings::add));
        return findings;
    }

    private static boolean isBare(PinLoadReport load) {
        return load.isLed() && load.isUnlimited() && !load.staysDark();
    }

    private static List<PinLoadReport> bare(NodeCircuit node, PowerReport report) {
        return report.pinLoads().stream()
                .filter(load -> load.node() == node && isBare(load))
                .toList();
    }

    private static Optional<Finding> of(PinLoadReport load, PowerReport report) {
        if (load.isCoil()) {
            return Optional.empty();
        } else if (load.staysDark()) {
            return Optional.of(dark(load));
        } else if (load.isLed() ? load.isUnlimited() || load.isOver() : load.isOver()) {
            return Optional.of(
                    load.isLed()
                            ? describe(load)
                            : load.isSounder() ? sounder(load, report) : lamp(load, report.catalog()));
        }
        return load.neverGoesOut() ? Optional.of(neverOff(load)) : Optional.empty();
    }

    private static Finding.Builder begun(PinLoadReport load) {
        return Finding.of(INFO, load.node().place(load.signal()))
                .with("part", load.placed().part().name())
                .with("pin", load.pin().pin());
    }

    private static Finding dark(PinLoadReport load) {
        return begun(load)
                .variant("dark")
                .number("wanted", load.load().current().range().expected(), Source.CLASS)
                .number("pin_gives", load.limit().orElseThrow(), Source.CLASS)
                .build();
    }

    /** A lamp that brings its resistor is better lit by the supply itself. */
    private static Finding lamp(PinLoadReport load, Catalog catalog) {
        Finding.Builder finding = begun(load)
                .variant("lamp")
                .with("signal", load.signal().pin())
                .number("current", load.current().orElseThrow(), Source.CLASS);
        load.limit().ifPresent(limit -> finding.number("pin_limit", limit, Source.CLASS));
        if (load.isSunk()) {
            return finding.fix(() -> ByContact.of(load))
                    .fix(() -> SwitchBoard.of(load, catalog))
                    .build();
        }
        return finding.fixes(() -> LampFeed.of(load.node(), catalog, load.placed(), load.load()))
                .build();
    }

    /** A buzzer is loud enough with what it usually takes. */
    private static Finding sounder(PinLoadReport load, PowerReport report) {
        Finding.Builder finding =
                begun(load).variant("sounder").with("signal", load.signal().pin());
        if (!load.isUsuallyOver()) {
            finding.onlyToLookAt();
        }
        finding.number("current", load.current().orElseThrow(), Source.CLASS);
        load.limit().ifPresent(limit -> finding.number("pin_limit", limit, Source.CLASS));
        return finding.fix(() -> WithDriver.of(load, report.circuit())).build();
    }

    private static Finding neverOff(PinLoadReport load) {
        Finding.Builder finding = begun(load).variant("never_off");
        if (!load.usuallyNeverGoesOut()) {
            finding.onlyToLookAt();
        }
        return finding.number("left", load.leftWhenOff(false).orElseThrow(), Source.COMPUTED)
                .number("forward", load.load().forward().orElseThrow().lowest(), Source.CLASS)
                .fix(() -> ownRail(load))
                .build();
    }

    /** On the rail of the pins a high leaves nothing across it. */
    private static Optional<Fix> ownRail(PinLoadReport load) {
        String supply = load.load().from().orElseThrow();
        NodeCircuit node = load.node();
        return node.ioRail(load.pin())
                .filter(rail -> rail.volts()
                        .filter(volts -> load.placed()
                                .cls()
                                .supply(supply)
                                .filter(pin -> FeedFixes.fits(volts, pin))
                                .isPresent())
                        .isPresent())
                .map(rail -> new Fix(
                        "feed-" + supply + "-from-" + rail.id(),
                        Fact.of("fix.run_at")
                                .with("part", load.placed().part().name())
                                .with("rail", RailNames.of(node, rail.id())),
                        Fact.of("fix.run_at.cost"),
                        List.of(new Feed(node.node().id(), load.placed().id(), supply, rail.id()))));
    }

    private static Finding describe(PinLoadReport load) {
        Finding.Builder finding = Finding.of(INFO, load.node().place(load.signal()))
                .with("part", load.placed().part().name())
                .with("pin", load.pin().pin())
                .number("drive", load.drive().orElseThrow(), Source.COMPUTED)
                .number("forward", load.load().forward().orElseThrow().lowest(), Source.CLASS);
        if (load.isUnlimited()) {
            finding.variant("no_resistor");
        } else {
            finding.number("resistance", load.series().orElseThrow(), Source.YOURS)
                    .number("current", load.current().orElseThrow(), Source.COMPUTED);
        }
        load.limit().ifPresent(limit -> finding.number("pin_limit", limit, Source.CLASS));
        return finding.fixes(() -> List.of(resistor(load, wanted(load)))).build();
    }

    /** Several lamps of one table, none of which has one. */
    private static Finding withoutResistors(List<PinLoadReport> lamps) {
        PinLoadReport first = lamps.get(0);
        Finding.Builder finding = Finding.of(
                        INFO,
                        lamps.stream()
                                .map(lamp -> lamp.node().place(lamp.signal()))
                                .toList())
                .variant("no_resistors")
                .with(
                        "parts",
                        lamps.stream()
                                .map(lamp -> lamp.placed().part().name())
                                .distinct()
                                .toList())
                .number("drive", first.drive().orElseThrow(), Source.COMPUTED)
                .number("forward", first.load().forward().orElseThrow().lowest(), Source.CLASS);
        first.limit().ifPresent(limit -> finding.number("pin_limit", limit, Source.CLASS));
        return finding.fixes(() -> List.of(resistors(lamps))).build();
    }

    private static Fix resistors(List<PinLoadReport> lamps) {
        List<Edit> edits = lamps.stream()
                .flatMap(lamp -> resistor(lamp, wanted(lamp)).edits().stream())
                .toList();
        return new Fix(
                "resistors",
                Fact.of("fix.resistors").with("count", edits.size()),
                Fact.of("fix.resistors.cost"),
                edits);
    }

    /** As bright as the lamp is meant to be, or as much as the pin may carry. */
    private static Current wanted(PinLoadReport load) {
        Current bright = load.load().current().range().expected();
        return load.limit().filter(bright::isAbove).orElse(bright);
    }

    private static Fix resistor(PinLoadReport load, Current current) {
        Voltage across = load.across().orElseThrow();
        Resistance ohms = SeriesResistor.standard(across, current, ESeries.E12);
        return new Fix(
                "resistor-" + load.signal(),
                Fact.of("fix.resistor")
                        .with("value", ohms)
                        .with("part", load.placed().part().name())
                        .with("pin", load.signal().pin()),
                Fact.of("fix.resistor.cost").with("current", SeriesResistor.current(across, ohms)),
                List.of(new Insert(load.node().node().id(), new Between.Series(load.signal(), ohms, Extras.NONE))));
    }

    /** All pins of the board at once against what its package bears. */
    private static Optional<Finding> together(NodeCircuit node, List<PinLoadReport> loads, Catalog catalog) {
        Optional<Current> limit = node.board().cls().controller().flatMap(Controller::packageCurrent);
        Current sum = loads.stream()
                .filter(load -> !load.isCoil() || load.isDriven())
                .filter(load -> load.pin().part().equals(node.board().id()))
                .flatMap(load -> load.current().stream())
                .reduce(Current.ZERO, Current::plus);
        if (limit.isEmpty() || !sum.isAbove(limit.get())) {
            return Optional.empty();
        }
        return Optional.of(Finding.of(INFO, node.place(node.board()))
                .variant("package")
                .with("board", node.board().part().name())
                .with("count", loads.size())
                .number("sum", sum, Source.COMPUTED)
                .number("package_limit", limit.get(), Source.CLASS)
                .fix(() -> dimmed(loads, sum, limit.get()))
                .fixes(() -> switchedApart(loads, sum.minus(limit.get()), catalog))
                .build());
    }

    /** Each lamp that is alone enough to take off its pin, behind something that switches it. */
    private static List<Fix> switchedApart(List<PinLoadReport> loads, Current over, Catalog catalog) {
        return loads.stream()
                .filter(load -> !load.isLed() && !load.isCoil() && load.isSunk())
                .filter(load ->
                        load.current().filter(current -> !over.isAbove(current)).isPresent())
                .flatMap(load -> Stream.of(ByContact.of(load), SwitchBoard.of(load, catalog)))
                .flatMap(Optional::stream)
                .toList();
    }

    /** Every lamp gets its share of what the package bears. */
    private static Optional<Fix> dimmed(List<PinLoadReport> loads, Current sum, Current limit) {
        List<PinLoadReport> lamps = loads.stream()
                .filter(load -> load.isLed() && load.across().isPresent())
                .filter(load -> load.current().isPresent())
                .toList();
        if (lamps.isEmpty()) {
            return Optional.empty();
        }
        double share = limit.amperes() / sum.amperes();
        List<Edit> edits = lamps.stream()
                .flatMap(lamp -> resistor(lamp, lamp.current().orElseThrow().times(share)).edits().stream())
                .toList();
        return Optional.of(new Fix(
                "dim",
                Fact.of("fix.dim").with("count", lamps.size()),
                Fact.of("fix.dim.cost").with("limit", limit),
                edits));
    }
}
