package inkel.core.pins;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Controller;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.PwmNeed;
import inkel.core.circuit.Placed;
import inkel.core.circuit.TimerClaims;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.chocosolver.solver.Model;
import org.chocosolver.solver.variables.IntVar;

/**
 * Timers, slices and drivers: all pins of one run at one frequency, what common code claims nobody else has, and a slice
 * that measures a pulse is better not asked to make pulses too.
 */
final class PinModelTimers {
    /** Stands for a pin of no timer; never equal to one. */
    private static final int NONE = -1;

    private static final int NEITHER = -2;

    private final PinModel pins;
    private final Model model;
    private final PinDomain domain;
    private final List<String> units;
    private final Map<Want, IntVar> timerOf = new LinkedHashMap<>();

    PinModelTimers(PinModel pins) {
        this.pins = pins;
        model = pins.model();
        domain = pins.domain();
        units = domain.units(Ability.Kind.PWM);
    }

    void state() {
        int[] unitOf = domain.unitOf(Ability.Kind.PWM, units);
        pins.wants().stream()
                .filter(want -> want.use() == PinUse.PWM)
                .forEach(want -> timerOf.put(want, unit("timer of ", want, ofOwn(want, unitOf), NONE)));
        separateFrequencies();
        separateChannels();
        domain.node().board().cls().controller().ifPresent(this::keepClaims);
        measureElsewhere(unitOf);
    }

    /** Pins of the board count as of no timer for what code switches at any pin. */
    private int[] ofOwn(Want want, int[] units) {
        return TimerClaims.serves(domain.node().board(), want.placed())
                ? IntStream.range(0, units.length)
                        .map(number -> domain.isOnBoard(number) ? NONE : units[number])
                        .toArray()
                : units;
    }

    private IntVar unit(String name, Want want, int[] unitOf, int none) {
        IntVar unit = model.intVar(name + want.signal(), NEITHER, units.size());
        int[] longer = IntStream.rangeClosed(0, pins.where(want).getUB())
                .map(number -> number < unitOf.length ? unitOf[number] : none)
                .toArray();
        model.element(unit, longer, pins.where(want)).post();
        return unit;
    }

    private void separateFrequencies() {
        List<Want> timed = List.copyOf(timerOf.keySet());
        for (int i = 0; i < timed.size(); i++) {
            for (int j = i + 1; j < timed.size(); j++) {
                if (differ(timed.get(i), timed.get(j))) {
                    IntVar first = timerOf.get(timed.get(i));
                    IntVar second = timerOf.get(timed.get(j));
                    model.or(model.arithm(first, "!=", second), model.arithm(first, "<", 0))
                            .post();
                }
            }
        }
    }

    /** Pins that are the same channel of a timer carry the same pulses, so that one of them serves a signal. */
    private void separateChannels() {
        List<String> channels = new ArrayList<>();
        int[] channelOf = new int[domain.size()];
        boolean hasTwins = false;
        for (int number = 0; number < channelOf.length; number++) {
            Optional<String> channel = domain.pwmChannel(number);
            if (channel.isPresent()) {
                hasTwins |= channels.contains(channel.get());
                if (!channels.contains(channel.get())) {
                    channels.add(channel.get());
                }
                channelOf[number] = channels.indexOf(channel.get()) + 1;
            }
        }
        if (!hasTwins || timerOf.size() < 2) {
            return;
        }
        IntVar[] taken = timerOf.keySet().stream()
                .map(want -> {
                    boolean isServed = TimerClaims.serves(domain.node().board(), want.placed());
                    int[] longer = IntStream.rangeClosed(0, pins.where(want).getUB())
                            .map(number -> number < channelOf.length && !(isServed && domain.isOnBoard(number))
                                    ? channelOf[number]
                                    : 0)
                            .toArray();
                    IntVar channel = model.intVar("channel of " + want.signal(), 0, channels.size());
                    model.element(channel, longer, pins.where(want)).post();
                    return channel;
                })
                .toArray(IntVar[]::new);
        model.allDifferentExcept0(taken).post();
    }

    private static boolean differ(Want one, Want other) {
        Optional<PwmNeed> first = one.placed().cls().pwm();
        Optional<PwmNeed> second = other.placed().cls().pwm();
        return first.isPresent()
                && second.isPresent()
                && !first.get().frequency().equals(second.get().frequency());
    }

    /** The code for a part may take a timer for itself, wherever the part is plugged on the board. */
    private void keepClaims(Controller controller) {
        Placed board = domain.node().board();
        keepAlways(board);
        for (Want claimer : pins.wants()) {
            for (String use : TimerClaims.uses(claimer.placed())) {
                Optional<Integer> timer = controller.claimed(use);
                timer.ifPresent(unit -> timerOf.keySet().stream()
                        .filter(other -> isPushedOut(claimer.placed(), use, other))
                        .forEach(other -> keepOff(claimer, other, unit)));
            }
        }
    }

    /** What the board's own code takes, and what the builder says that the program takes besides. */
    private void keepAlways(Placed board) {
        for (TimerClaims.Made made : TimerClaims.of(domain.node(), List.of())) {
            int unit = unitOf(made.claim().timer());
            timerOf.forEach((want, timer) -> {
                Optional<PwmNeed> exact = want.placed()
                        .cls()
                        .pwm()
                        .filter(need -> need.isExact() && !TimerClaims.serves(board, want.placed()));
                boolean isPushedOut = made.claim().keeps().isPresent()
                        ? exact.filter(need -> !need.isNear(made.claim().keeps().get()))
                                .isPresent()
                        : isPushedOut(board, made.claim().use(), want);
                if (isPushedOut && unit >= 0) {
                    model.arithm(timer, "!=", unit).post();
                }
            });
        }
    }

    private int unitOf(int timer) {
        return units.indexOf(domain.node().board().id() + " " + Ability.Kind.PWM + timer);
    }

    private static boolean isPushedOut(Placed claimer, String use, Want other) {
        boolean isSameCode = TimerClaims.uses(other.placed()).contains(use);
        return !other.placed().equals(claimer) && !isSameCode;
    }

    private void keepOff(Want claimer, Want other, int timer) {
        int unit = unitOf(timer);
        if (unit < 0) {
            return;
        }
        int[] elsewhere = IntStream.range(0, domain.size())
                .filter(number -> !domain.isOnBoard(number))
                .toArray();
        model.or(
                        model.arithm(timerOf.get(other), "!=", unit),
                        elsewhere.length == 0 ? model.falseConstraint() : model.member(pins.where(claimer), elsewhere))
                .post();
    }

    private void measureElsewhere(int[] unitOf) {
        int[] measuring = IntStream.range(0, domain.size())
                .map(number ->
                        domain.pin(number).can(Ability.Kind.CAPTURE) && unitOf[number] >= 0 ? unitOf[number] : NEITHER)
                .toArray();
        if (IntStream.of(measuring).allMatch(unit -> unit == NEITHER) || timerOf.isEmpty()) {
            return;
        }
        pins.wants().stream().filter(want -> want.use() == PinUse.INTERRUPT).forEach(want -> {
            IntVar slice = unit("slice that measures ", want, measuring, NEITHER);
            timerOf.values()
                    .forEach(timer -> pins.addCost(
                            pins.price().warning(),
                            model.arithm(slice, "=", timer).reify()));
        });
    }
}
