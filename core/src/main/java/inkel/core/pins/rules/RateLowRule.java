package inkel.core.pins.rules;

import inkel.core.catalog.Ability;
import inkel.core.catalog.AnalogGroup;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Reports an analog signal that its converter reads too seldom: the rate, shared out over the channels in use, under
 * {@value #PER_PERIOD} readings for each period of the quickest that the signal has.
 */
public final class RateLowRule implements Rule<PinReport> {
    /** Half of that would do in theory; a shape wants some more. */
    static final int PER_PERIOD = 10;

    private static final RuleInfo INFO = new RuleInfo("adc.rate_low", Severity.LOOK, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        List<Finding> findings = new ArrayList<>();
        for (NodePins pins : report.nodes()) {
            for (Wire wire : pins.wiresOf(PinUse.ANALOG)) {
                quickest(pins.node(), wire.from())
                        .filter(upTo -> isTooQuick(pins, wire.to(), upTo, 0))
                        .ifPresent(upTo -> findings.add(describe(pins, wire, upTo)));
            }
        }
        return findings;
    }

    /** The highest frequency that counts: the builder's word for the part, else that of the class. */
    private static Optional<Frequency> quickest(NodeCircuit node, Endpoint signal) {
        return node.part(signal.part())
                .flatMap(placed -> placed.own(Settings.UP_TO))
                .or(() -> node.pin(signal).flatMap(Pin::upTo));
    }

    /** @param more channels that would come into use besides */
    private static boolean isTooQuick(NodePins pins, Endpoint target, Frequency upTo, int more) {
        return group(pins.node(), target)
                .filter(group -> Quantity.exceeds(wanted(upTo), each(pins, target, group, more)))
                .isPresent();
    }

    private static Frequency wanted(Frequency upTo) {
        return Frequency.ofHertz(upTo.hertz() * PER_PERIOD);
    }

    private static Frequency each(NodePins pins, Endpoint target, AnalogGroup group, int more) {
        return Frequency.ofHertz(group.rate().hertz() / (channels(pins, target, group) + more));
    }

    private static long channels(NodePins pins, Endpoint target, AnalogGroup group) {
        return pins.wiresOf(PinUse.ANALOG).stream()
                .map(Wire::to)
                .distinct()
                .filter(other -> other.part().equals(target.part()))
                .filter(other -> group(pins.node(), other).filter(group::equals).isPresent())
                .count();
    }

    private static Optional<AnalogGroup> group(NodeCircuit node, Endpoint target) {
        Optional<Integer> unit = node.pin(target).stream()
                .flatMap(pin -> pin.can().stream())
                .filter(ability -> ability.kind() == Ability.Kind.ADC)
                .map(Ability::unit)
                .findFirst();
        return unit.flatMap(found -> node.part(target.part()).map(Placed::cls).flatMap(cls -> cls.analog(found)));
    }

    private static Finding describe(NodePins pins, Wire wire, Frequency upTo) {
        AnalogGroup group = group(pins.node(), wire.to()).orElseThrow();
        Frequency each = each(pins, wire.to(), group, 0);
        boolean isOwn = pins.node()
                .part(wire.from().part())
                .flatMap(placed -> placed.own(Settings.UP_TO))
                .isPresent();
        return WireFinding.of(INFO, pins, wire)
                .with("channels", channels(pins, wire.to(), group))
                .number("up_to", upTo, isOwn ? Source.YOURS : Source.CLASS)
                .number("conversions", group.rate(), Source.CLASS)
                .number("readings", each, Source.COMPUTED)
                .number("readings_wanted", wanted(upTo), Source.RULE)
                .fixes(() -> PinFixes.moveTo(
                        pins,
                        wire.from(),
                        target -> !isTooQuick(pins, target, upTo, isSame(pins, wire, target) ? 0 : 1)))
                .fix(() -> Optional.of(slower(pins, wire, each)))
                .build();
    }

    private static boolean isSame(NodePins pins, Wire wire, Endpoint target) {
        return target.part().equals(wire.to().part())
                && group(pins.node(), target).equals(group(pins.node(), wire.to()));
    }

    /** Nothing quicker than what it reads well is counted on. */
    private static Fix slower(NodePins pins, Wire wire, Frequency each) {
        Frequency most = Frequency.ofHertz(Math.floor(each.hertz() / PER_PERIOD * 10) / 10);
        return new Fix(
                "slower-" + wire.from(),
                Fact.of("fix.up_to").with("signal", wire.from().pin()).with("up_to", most),
                Fact.of("fix.up_to.cost"),
                List.of(new SetSetting(
                        pins.node().node().id(), wire.from().part(), Settings.UP_TO, Engineering.print(most))));
    }
}
