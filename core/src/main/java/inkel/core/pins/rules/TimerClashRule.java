package inkel.core.pins.rules;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.PwmNeed;
import inkel.core.circuit.Placed;
import inkel.core.circuit.TimerClaims;
import inkel.core.document.Wire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Source;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Reports pulses of two frequencies on one timer, two signals on one channel of it, and what {@link ClaimClashes} tells. */
public final class TimerClashRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pwm.timer_clash", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> Stream.of(channels(pins), frequencies(pins), new ClaimClashes(INFO, pins).all())
                        .flatMap(same -> same))
                .toList();
    }

    /** Pins that are one channel carry the same pulses, whatever they are meant for. */
    private static Stream<Finding> channels(NodePins pins) {
        List<Wire> wires = pins.wiresOf(PinUse.PWM);
        return IntStream.range(0, wires.size()).boxed().flatMap(i -> wires.subList(0, i).stream()
                .filter(other -> isOnOneChannel(pins, other, wires.get(i)))
                .limit(1)
                .map(other -> oneChannel(pins, wires.get(i), other)));
    }

    private static boolean isOnOneChannel(NodePins pins, Wire one, Wire other) {
        return !one.to().equals(other.to())
                && isOnOneTimer(pins, one, other)
                && timer(pins, one).orElseThrow().equals(timer(pins, other).orElseThrow());
    }

    private static Finding oneChannel(NodePins pins, Wire wire, Wire other) {
        Ability timer = timer(pins, wire).orElseThrow();
        return WireFinding.of(INFO, pins, wire)
                .variant("channel")
                .with("other", WireFinding.part(pins, other).part().name())
                .with("other_pin", other.to().pin())
                .with("timer", timer.unit())
                .fixes(() -> PinFixes.move(pins, wire.from(), pin -> isFree(pins, wire, pin)))
                .build();
    }

    /** A channel that no other pulses are on, or a pin that is on none. */
    private static boolean isFree(NodePins pins, Wire wire, Pin pin) {
        ClaimClashes claims = new ClaimClashes(INFO, pins);
        return pin.can().stream()
                .filter(ability -> ability.kind() == Ability.Kind.PWM)
                .noneMatch(ability -> claims.leavesNothing(ability.unit(), wire)
                        || pins.wiresOf(PinUse.PWM).stream()
                                .filter(other ->
                                        other.to().part().equals(wire.to().part()))
                                .anyMatch(other -> timer(pins, other)
                                        .filter(ability::equals)
                                        .isPresent()));
    }

    private static Stream<Finding> frequencies(NodePins pins) {
        List<Wire> wires = pins.wiresOf(PinUse.PWM);
        return IntStream.range(0, wires.size()).boxed().flatMap(i -> wires.subList(0, i).stream()
                .filter(other -> isOnOneTimer(pins, other, wires.get(i)))
                .filter(other -> !isOnOneChannel(pins, other, wires.get(i)))
                .filter(other -> differ(pins, other, wires.get(i)))
                .limit(1)
                .map(other -> describe(pins, wires.get(i), other)));
    }

    private static boolean isOnOneTimer(NodePins pins, Wire one, Wire other) {
        Optional<Ability> first = timer(pins, one);
        Optional<Ability> second = timer(pins, other);
        return one.to().part().equals(other.to().part())
                && first.isPresent()
                && second.isPresent()
                && first.get().unit() == second.get().unit();
    }

    /** The timer that makes the pulses; empty for a plain pin, and where code switches any pin by itself. */
    static Optional<Ability> timer(NodePins pins, Wire wire) {
        return isSwitchedByCode(pins, wire)
                ? Optional.empty()
                : WireFinding.target(pins, wire).can().stream()
                        .filter(ability -> ability.kind() == Ability.Kind.PWM)
                        .findFirst();
    }

    /** Whether the usual code for the part makes its pulses at any pin of the board, steadily. */
    static boolean isSwitchedByCode(NodePins pins, Wire wire) {
        Placed board = pins.node().board();
        return wire.to().part().equals(board.id()) && TimerClaims.serves(board, WireFinding.part(pins, wire));
    }

    private static Optional<Frequency> frequency(NodePins pins, Wire wire) {
        return WireFinding.part(pins, wire).cls().pwm().map(PwmNeed::frequency);
    }

    private static boolean differ(NodePins pins, Wire one, Wire other) {
        Optional<Frequency> first = frequency(pins, one);
        Optional<Frequency> second = frequency(pins, other);
        return first.isPresent() && second.isPresent() && !first.equals(second);
    }

    private static Finding describe(NodePins pins, Wire wire, Wire other) {
        Ability timer = timer(pins, wire).orElseThrow();
        return WireFinding.of(INFO, pins, wire)
                .with("other", WireFinding.part(pins, other).part().name())
                .with("timer", timer.unit())
                .number("wanted_frequency", frequency(pins, wire).orElseThrow(), Source.CLASS)
                .number("other_frequency", frequency(pins, other).orElseThrow(), Source.CLASS)
                .fixes(() -> elsewhere(pins, wire, timer.unit()))
                .build();
    }

    static List<Fix> elsewhere(NodePins pins, Wire wire, int unit) {
        ClaimClashes claims = new ClaimClashes(INFO, pins);
        return PinFixes.move(pins, wire.from(), pin -> pin.can().stream()
                .filter(ability -> ability.kind() == Ability.Kind.PWM)
                .noneMatch(ability -> ability.unit() == unit || claims.leavesNothing(ability.unit(), wire)));
    }
}
