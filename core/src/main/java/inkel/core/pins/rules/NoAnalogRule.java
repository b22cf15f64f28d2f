package inkel.core.pins.rules;

import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.document.Wire;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Fact;
import java.util.List;
import java.util.stream.Stream;

/** Reports an analog signal on a pin that cannot convert, or that cannot while the board's radio is on. */
public final class NoAnalogRule implements Rule<PinReport> {
    private static final String CODE = "adc.no_analog";
    private static final RuleInfo INFO = new RuleInfo(CODE, Severity.STOP, Stage.PINS);
    private static final RuleInfo MEANWHILE = new RuleInfo(CODE, Severity.LOOK, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> Stream.concat(
                        pins.misplaced().stream()
                                .filter(wire -> pins.useOf(wire.from()) == PinUse.ANALOG)
                                .map(wire -> describe(pins, wire)),
                        pins.wiresOf(PinUse.ANALOG).stream()
                                .filter(wire -> pins.isConverterOff(wire.to()))
                                .map(wire -> meanwhile(pins, wire))))
                .toList();
    }

    private static Finding describe(NodePins pins, Wire wire) {
        return WireFinding.of(INFO, pins, wire)
                .fixes(() -> PinFixes.move(pins, wire.from()))
                .build();
    }

    private static Finding meanwhile(NodePins pins, Wire wire) {
        String board = pins.node().board().id();
        return WireFinding.of(MEANWHILE, pins, wire)
                .variant("wireless")
                .fixes(() -> PinFixes.move(pins, wire.from()).stream()
                        .filter(fix -> !pins.isConverterOff(
                                ((SetWire) fix.edits().get(0)).wire().to()))
                        .toList())
                .fix(new Fix(
                        "wireless-off",
                        Fact.of("fix.wireless_off"),
                        Fact.of("fix.wireless_off.cost"),
                        List.of(new SetSetting(pins.node().node().id(), board, Settings.WIRELESS, "off"))))
                .build();
    }
}
