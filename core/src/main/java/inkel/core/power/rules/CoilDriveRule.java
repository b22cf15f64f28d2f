package inkel.core.power.rules;

import inkel.core.document.Between;
import inkel.core.document.Extras;
import inkel.core.document.edit.Insert;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.power.PinLoadReport;
import inkel.core.power.PowerReport;
import inkel.core.quantity.Current;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import inkel.core.remedy.OnBridge;
import java.util.List;
import java.util.Optional;

/** Reports a winding straight on a pin: it takes too much, and its kick when it is switched off ends the pin. */
public final class CoilDriveRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.coil_drive", Severity.STOP, Stage.POWER);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        return report.pinLoads().stream()
                .filter(PinLoadReport::isCoil)
                .flatMap(load -> of(load, report).stream())
                .toList();
    }

    private static Optional<Finding> of(PinLoadReport load, PowerReport report) {
        if (load.isOnSink()) {
            Current most = SwitchBoard.most(load.placed().cls(), load.load());
            return load.limit().filter(most::isAbove).map(limit -> onSink(load, most, limit, report));
        } else if (!load.isDriven()) {
            return Optional.of(describe(load, report));
        } else if (load.isOver()) {
            return Optional.of(base(load, "base_small", load.current(), report));
        }
        return load.isBaseWeak() ? Optional.of(base(load, "base_large", load.leastBase(), report)) : Optional.empty();
    }

    /** A transistor stands there, and its base gets more than the pin may give, or too little to carry the coil. */
    private static Finding base(PinLoadReport load, String variant, Optional<Current> current, PowerReport report) {
        Finding.Builder finding =
                Finding.of(INFO, load.node().place(load.signal())).variant(variant);
        if (variant.equals("base_large") && !load.isBaseStarved()) {
            finding.onlyToLookAt();
        }
        finding.with("part", load.placed().part().name())
                .with("pin", load.pin().pin())
                .number("base", load.baseNow().orElseThrow(), Source.YOURS)
                .number("current", current.orElseThrow(), Source.COMPUTED)
                .number(
                        "coil_current",
                        load.load().current().range().highest(),
                        load.load().current().source());
        load.limit().ifPresent(limit -> finding.number("pin_limit", limit, Source.CLASS));
        return withWays(finding, load, report);
    }

    private static Finding onSink(PinLoadReport load, Current most, Current limit, PowerReport report) {
        return withWays(
                Finding.of(INFO, load.node().place(load.signal()))
                        .variant("sink")
                        .with("part", load.placed().part().name())
                        .with("pin", load.pin().pin())
                        .with(
                                "board",
                                load.node()
                                        .part(load.pin().part())
                                        .orElseThrow()
                                        .part()
                                        .name())
                        .number("coil_current", most, load.load().current().source())
                        .number("pin_limit", limit, Source.CLASS),
                load,
                report);
    }

    private static Finding describe(PinLoadReport load, PowerReport report) {
        Finding.Builder finding = Finding.of(INFO, load.node().place(load.signal()))
                .with("part", load.placed().part().name())
                .with("pin", load.pin().pin())
                .number(
                        "coil_current",
                        load.load().current().range().highest(),
                        load.load().current().source());
        load.limit().ifPresent(limit -> finding.number("pin_limit", limit, Source.CLASS));
        return withWays(finding, load, report);
    }

    private static Finding withWays(Finding.Builder finding, PinLoadReport load, PowerReport report) {
        return finding.fix(() ->
                        load.isOnSink() ? Optional.empty() : OnBridge.of(report.circuit(), load.node(), load.placed()))
                .fix(() -> load.isOnSink() ? Optional.empty() : driver(load))
                .fix(() -> ByContact.of(load))
                .fix(() -> SwitchBoard.of(load, report.catalog()))
                .build();
    }

    private static Optional<Fix> driver(PinLoadReport load) {
        return load.base()
                .map(base -> new Fix(
                        "driver",
                        Fact.of("fix.coil_driver")
                                .with("part", load.placed().part().name()),
                        Fact.of("fix.coil_driver.cost").with("base", base),
                        List.of(new Insert(
                                load.node().node().id(), new Between.CoilDriver(load.signal(), base, Extras.NONE)))));
    }
}
