package inkel.core.pins.rules;

import inkel.core.catalog.Ability;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.PwmNeed;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Placed;
import inkel.core.circuit.TimerClaims;
import inkel.core.circuit.TimerClaims.How;
import inkel.core.document.Wire;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.RuleInfo;
import inkel.core.pins.NodePins;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Source;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** What the code of a build takes of the board's timers, against pulses on them and against other code. */
final class ClaimClashes {
    private final RuleInfo info;
    private final NodePins pins;
    private final List<TimerClaims.Made> claims;

    ClaimClashes(RuleInfo info, NodePins pins) {
        this.info = info;
        this.pins = pins;
        boolean hasClaims = pins.node()
                .board()
                .cls()
                .controller()
                .filter(board -> !board.claims().isEmpty())
                .isPresent();
        claims = hasClaims ? TimerClaims.of(pins.node(), pins.onBoard().toList()) : List.of();
    }

    Stream<Finding> all() {
        return claims.isEmpty() ? Stream.empty() : Stream.concat(onPins(), betweenCode());
    }

    private Stream<Finding> onPins() {
        return pins.wiresOf(PinUse.PWM).stream()
                .filter(wire -> wire.to().part().equals(pins.node().board().id()))
                .flatMap(wire -> onPin(wire).stream());
    }

    /** The first claim that leaves a signal without its pulses. */
    private Optional<Finding> onPin(Wire wire) {
        Optional<Ability> timer = TimerClashRule.timer(pins, wire);
        return timer.flatMap(of -> claims.stream()
                .filter(made -> made.claim().timer() == of.unit() && pushesOut(made, wire))
                .findFirst()
                .map(made -> taken(wire, of, made)));
    }

    /** Whether the signal would get no pulses from a timer of the board, for code takes it. */
    boolean leavesNothing(int timer, Wire wire) {
        return claims.stream().anyMatch(made -> made.claim().timer() == timer && pushesOut(made, wire));
    }

    private boolean pushesOut(TimerClaims.Made made, Wire wire) {
        Placed asking = WireFinding.part(pins, wire);
        Optional<Frequency> keeps = made.claim().keeps();
        return keeps.isPresent()
                ? !TimerClaims.serves(pins.node().board(), asking)
                        && asking.cls()
                                .pwm()
                                .filter(PwmNeed::isExact)
                                .filter(need -> !need.isNear(keeps.get()))
                                .isPresent()
                : !made.by().equals(asking)
                        && !TimerClaims.uses(asking).contains(made.claim().use());
    }

    private Finding taken(Wire wire, Ability timer, TimerClaims.Made made) {
        Finding.Builder finding = WireFinding.of(info, pins, wire)
                .variant(variant(made))
                .with("other", made.by().part().name())
                .with("timer", timer.unit())
                .with("use", named(made));
        Placed asking = WireFinding.part(pins, wire);
        made.claim().keeps().ifPresent(keeps -> asking.cls().pwm().ifPresent(need -> finding.number(
                        "wanted_frequency", need.frequency(), Source.CLASS)
                .number("kept_frequency", keeps, Source.CLASS)));
        return finding.fixes(() -> TimerClashRule.elsewhere(pins, wire, timer.unit()))
                .fixes(() -> without(made).stream().toList())
                .build();
    }

    private static String variant(TimerClaims.Made made) {
        return switch (made.how()) {
            case ALWAYS -> "base";
            case SET -> "claim_set";
            case ASSUMED -> "claim";
        };
    }

    private static Fact named(TimerClaims.Made made) {
        return Fact.of("claim." + made.claim().use().replace(' ', '_'));
    }

    /** Two pieces of code that each take the same timer, told at the later one. */
    private Stream<Finding> betweenCode() {
        List<Finding> found = new ArrayList<>();
        for (int i = 0; i < claims.size(); i++) {
            TimerClaims.Made one = claims.get(i);
            Optional<TimerClaims.Made> other = claims.subList(0, i).stream()
                    .filter(before -> before.claim().timer() == one.claim().timer()
                            && !before.claim().use().equals(one.claim().use()))
                    .findFirst();
            boolean isFirstOfItsUse = claims.subList(0, i).stream()
                    .noneMatch(before -> before.claim().equals(one.claim()));
            if (isFirstOfItsUse) {
                other.ifPresent(before -> found.add(twice(one, before)));
            }
        }
        return found.stream();
    }

    private Finding twice(TimerClaims.Made one, TimerClaims.Made other) {
        return Finding.of(info, pins.node().place(one.by()))
                .variant("two")
                .with("timer", one.claim().timer())
                .with("part", one.by().part().name())
                .with("use", named(one))
                .with("how", how(one))
                .with("other", other.by().part().name())
                .with("other_use", named(other))
                .with("other_how", how(other))
                .fixes(() -> Stream.of(one, other)
                        .flatMap(made -> without(made).stream())
                        .toList())
                .build();
    }

    private static Fact how(TimerClaims.Made made) {
        return Fact.of("claim.how." + made.how().name().toLowerCase(Locale.ROOT))
                .with("part", made.by().part().name());
    }

    /** The code that takes the timer is not used, or is another one; what runs in any case stays. */
    private Optional<Fix> without(TimerClaims.Made made) {
        if (made.how() == How.ALWAYS) {
            return Optional.empty();
        }
        String setting = TimerClaims.settingWithout(made.by(), made.claim().use());
        boolean isBoard = made.by().part().isBoard();
        return Optional.of(new Fix(
                "no-claim-" + made.by().id(),
                Fact.of(isBoard ? "fix.no_claim_of_board" : "fix.no_claim")
                        .with("part", made.by().part().name())
                        .with("use", named(made)),
                Fact.of("fix.no_claim.cost"),
                List.of(new SetSetting(pins.node().node().id(), made.by().id(), Settings.CLAIMS, setting))));
    }
}
