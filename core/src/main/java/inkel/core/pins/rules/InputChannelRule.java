package inkel.core.pins.rules;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.document.Wire;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import java.util.List;
import java.util.Optional;

/** Reports pulses to be measured on a pin that cannot measure, or on a slice that is making pulses at the same time. */
public final class InputChannelRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pwm.input_channel", Severity.LOOK, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.wiresOf(PinUse.INTERRUPT).stream().flatMap(wire -> describe(pins, wire).stream()))
                .toList();
    }

    private static Optional<Finding> describe(NodePins pins, Wire wire) {
        Pin target = WireFinding.target(pins, wire);
        if (!measures(target) && !target.can(Ability.Kind.CHANGE)) {
            return Optional.of(WireFinding.of(INFO, pins, wire)
                    .fixes(() -> PinFixes.move(pins, wire.from(), InputChannelRule::measures))
                    .build());
        }
        return target.can(Ability.Kind.CAPTURE) ? shared(pins, wire) : Optional.empty();
    }

    private static boolean measures(Pin pin) {
        return pin.can(Ability.Kind.CAPTURE) || pin.can(Ability.Kind.INTERRUPT);
    }

    private static Optional<Finding> shared(NodePins pins, Wire wire) {
        Optional<Ability> slice = TimerClashRule.timer(pins, wire);
        return slice.flatMap(of -> pins.wiresOf(PinUse.PWM).stream()
                .filter(other -> other.to().part().equals(wire.to().part()))
                .filter(other -> TimerClashRule.timer(pins, other)
                        .filter(timer -> timer.unit() == of.unit())
                        .isPresent())
                .findFirst()
                .map(other -> WireFinding.of(INFO, pins, wire)
                        .variant("shared")
                        .with("other", WireFinding.part(pins, other).part().name())
                        .with("timer", of.unit())
                        .fixes(() -> PinFixes.move(
                                pins,
                                wire.from(),
                                pin -> measures(pin)
                                        && pin.can().stream()
                                                .noneMatch(ability -> ability.kind() == Ability.Kind.PWM
                                                        && ability.unit() == of.unit())))
                        .build()));
    }
}
