package inkel.core.pins.rules;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Habit;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.PwmNeed;
import inkel.core.catalog.SoftwareBuses;
import inkel.core.circuit.ServoFeed;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.Helpers;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinFit;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Share;
import inkel.core.quantity.Source;
import inkel.core.quantity.TimeSpan;
import inkel.core.remedy.Tried;
import java.util.List;
import java.util.Optional;

/** Reports pulses that the program switches itself: their ends wander, and a servo wanders with them. */
public final class SoftwareJitterRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pwm.software_jitter", Severity.LOOK, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.wiresOf(PinUse.PWM).stream()
                        .filter(wire ->
                                wire.to().part().equals(pins.node().board().id()))
                        .filter(wire -> TimerClashRule.timer(pins, wire).isEmpty())
                        .filter(wire -> !TimerClashRule.isSwitchedByCode(pins, wire))
                        .flatMap(wire -> describe(report, pins, wire).stream()))
                .toList();
    }

    private static Optional<Finding> describe(PinReport report, NodePins pins, Wire wire) {
        Optional<SoftwareBuses.SoftPulses> pulses = pins.node()
                .board()
                .cls()
                .controller()
                .flatMap(board -> board.software().pulses());
        Optional<PwmNeed> need = WireFinding.part(pins, wire).cls().pwm();
        boolean isLegal = PinFit.whyNot(pins.node(), wire.from(), wire.to()).isEmpty();
        if (pulses.isEmpty() || need.isEmpty() || !isLegal) {
            return Optional.empty();
        }
        double range = need.get().pulse().highest().seconds()
                - need.get().pulse().lowest().seconds();
        Finding.Builder finding =
                WireFinding.of(INFO, pins, wire).number("jitter", pulses.get().jitter(), Source.CLASS);
        if (range > 0) {
            finding.number("pulse_range", TimeSpan.ofSeconds(range), Source.CLASS)
                    .number("wander", Share.of(pulses.get().jitter().seconds() / range), Source.COMPUTED);
        } else {
            finding.variant("plain");
        }
        boolean isReleased = ServoFeed.isServo(WireFinding.part(pins, wire).cls())
                && pins.node().habits().is(Habit.SERVO_REST, Habit.ServoRest.RELEASE);
        if (isReleased) {
            // It can wander only while it moves.
            finding.onlyToKnow();
        }
        return Optional.of(finding.fixes(() -> onTimers(report, pins, wire))
                .fixes(() -> Helpers.carrying(report.circuit().catalog(), pins.node(), List.of(wire.from())))
                .build());
    }

    /** Pins whose timer makes its pulses, and is not kept at another rate. */
    private static List<Fix> onTimers(PinReport report, NodePins pins, Wire wire) {
        Place signal = pins.node().place(wire.from());
        return PinFixes.moves(
                pins,
                wire.from(),
                target -> pins.node()
                        .pin(target)
                        .filter(pin -> pin.can(Ability.Kind.PWM))
                        .isPresent(),
                fix -> Tried.after(fix, report.circuit())
                        .filter(after -> new TimerClashRule()
                                .check(PinReport.of(after)).stream()
                                        .noneMatch(clash -> clash.place().equals(signal)))
                        .isPresent());
    }
}
