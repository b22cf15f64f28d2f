package inkel.core.wake;

import inkel.core.bench.Asked;
import inkel.core.bench.Benches;
import inkel.core.bench.Ends;
import inkel.core.bench.Foreseen;
import inkel.core.bench.Probe;
import inkel.core.bench.Question;
import inkel.core.bench.Rehearsals;
import inkel.core.bench.Scene;
import inkel.core.bench.Twist;
import inkel.core.bench.fault.Layout;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Meter;
import inkel.core.document.Place;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Unit;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * Looks that are no part of the first power-up and tell causes apart: volts along a wire, ohms of it, where it sits. Each
 * has an id that says all of it, so that one that was taken is found again in the record.
 */
public final class MoreLooks {
    private static final String ALONG = "along ";
    private static final String OHMS = "ohms wire ";
    private static final String BETWEEN = "ohms between ";
    private static final String TO_GROUND = "ohms to ground ";
    private static final String SITS = "see wire ";
    private static final String RESTS = "rests ";
    private static final String AGAIN = "again ";
    private static final String WHILE = " | ";

    /** How many deviations a reading may be off before it says something. */
    private static final double SIGMAS = 3;

    /** What leads and a meter's last digits add to ohms. */
    private static final double OHMS_OFF = 0.5;

    private static final double OHMS_SHARE = 0.05;

    /** Points that nothing joins. */
    private static final double FAR_OHMS = 1e6;

    private final NodeWake wake;
    private final NodeCircuit node;
    private final WireList list;
    private final StepsOf steps;
    private final Rehearsals rehearsals;
    private final Benches benches;
    private final Meter meter;

    public MoreLooks(Layout layout, NodeWake wake, Meter meter) {
        this.wake = wake;
        this.meter = meter;
        node = wake.node();
        list = layout.lists().stream()
                .filter(of -> of.node().node().id().equals(node.node().id()))
                .findFirst()
                .orElseThrow();
        steps = new StepsOf(list);
        rehearsals = new Rehearsals(layout.circuit(), layout.lists());
        benches = new Benches(layout.circuit(), layout.lists());
    }

    /** What is looked at by the eye in between, by the word in its id. */
    private enum Eye {
        CODE(Question.Sort.CODE),
        BRIDGE(Question.Sort.BRIDGE),
        RATE(Question.Sort.RATE),
        CAPACITOR(Question.Sort.CAPACITOR),
        HEADER(Question.Sort.HEADER),
        PIECE(Question.Sort.PIECE),
        ANTENNA(Question.Sort.ANTENNA);

        private final Question.Sort sort;

        Eye(Question.Sort sort) {
            this.sort = sort;
        }

        private String word() {
            return "see " + name().toLowerCase(Locale.ROOT) + " ";
        }
    }

    /** Volts from end to end of a wire, in the state that a check is made in. */
    public Optional<Check> along(String wire, Check during) {
        return check(ALONG + wire + WHILE + during.id());
    }

    public Optional<Check> ohms(String wire) {
        return check(OHMS + wire);
    }

    public Optional<Check> ohmsBetween(Endpoint one, Endpoint other) {
        return check(BETWEEN + one + " " + other);
    }

    /** Whether a pin leads to its part's ground inside. */
    public Optional<Check> ohmsToGround(Endpoint pin) {
        return check(TO_GROUND + pin);
    }

    public Optional<Check> sits(String wire) {
        return check(SITS + wire);
    }

    /** What the board reads on the wire of a signal, with everything in. */
    public Optional<Check> rests(Endpoint signal, boolean isHigh) {
        return check(RESTS + signal + (isHigh ? " high" : " low"));
    }

    /** Volts at a pin, in the state that a check is made in. */
    public Optional<Check> again(Endpoint pin, Check during) {
        return check(AGAIN + pin + WHILE + during.id());
    }

    /**
     * The same two points asked the other way about: the ohms between them for volts, the volts for ohms. Empty where that
     * cannot be foretold, and for a check of neither.
     */
    public Optional<Check> turned(Check check) {
        boolean isAlong = check.id().startsWith(ALONG);
        boolean isWire = check.id().startsWith(OHMS);
        if (!check.isBetweenPoints()) {
            return Optional.empty();
        } else if (check.kind() == Check.Kind.VOLTS) {
            return isAlong
                    ? whileChecking(check.id().substring(ALONG.length())).flatMap(state -> ohms(state.what()))
                    : wake.check("ohms " + check.at().endpoint())
                            .or(() -> ohmsToGround(check.at().endpoint()));
        }
        // A wire shows most where most flows: in the last state that has volts across it.
        return isWire
                ? step(check.id().substring(OHMS.length()))
                        .flatMap(step -> latestOn(step).flatMap(during -> along(step.id(), during)))
                : check.at().isPin() ? wake.check("volts " + check.at().endpoint()) : Optional.empty();
    }

    private Optional<Check> latestOn(WireStep step) {
        return wake.checks().stream()
                .filter(check ->
                        check.kind() == Check.Kind.VOLTS && check.wires().contains(step.id()))
                .reduce((earlier, later) -> later);
    }

    /** What the eye tells of a pin or a part. */
    public Optional<Check> seen(Question.Sort sort, Place at) {
        for (Eye eye : Eye.values()) {
            if (eye.sort == sort && at.node().equals(node.node().id())) {
                return check(eye.word() + (at.isPin() ? at.endpoint().toString() : at.part()));
            }
        }
        return Optional.empty();
    }

    /** The look of an id; empty for an id that is of none, or of a wire, pin or check that is not there. */
    public Optional<Check> check(String id) {
        if (id.startsWith(ALONG)) {
            return whileChecking(id.substring(ALONG.length()))
                    .flatMap(state -> step(state.what()).flatMap(step -> along(id, step, state.scene())));
        } else if (id.startsWith(AGAIN)) {
            return whileChecking(id.substring(AGAIN.length()))
                    .flatMap(state -> Endpoint.parse(state.what()).flatMap(pin -> again(id, pin, state.scene())));
        } else if (id.startsWith(OHMS)) {
            return step(id.substring(OHMS.length())).flatMap(step -> ohms(id, step));
        } else if (id.startsWith(BETWEEN)) {
            String[] pins = id.substring(BETWEEN.length()).split(" ");
            return pins.length != 2
                    ? Optional.empty()
                    : Endpoint.parse(pins[0])
                            .flatMap(one -> Endpoint.parse(pins[1]).flatMap(other -> between(id, one, other)));
        } else if (id.startsWith(TO_GROUND)) {
            return Endpoint.parse(id.substring(TO_GROUND.length())).flatMap(pin -> toGround(id, pin));
        } else if (id.startsWith(SITS)) {
            return step(id.substring(SITS.length())).map(step -> sits(id, step));
        }
        if (id.startsWith(RESTS)) {
            return rests(id, id.substring(RESTS.length()).split(" "));
        }
        for (Eye eye : Eye.values()) {
            if (id.startsWith(eye.word())) {
                return eye(id, eye, id.substring(eye.word().length()));
            }
        }
        return Optional.empty();
    }

    /** @param what the part of an id before the check in whose state it is looked */
    private record State(String what, Scene scene) {}

    private Optional<State> whileChecking(String text) {
        int at = text.indexOf(WHILE);
        return at < 0
                ? Optional.empty()
                : wake.check(text.substring(at + WHILE.length()))
                        .map(check ->
                                new State(text.substring(0, at), check.asked().scene()));
    }

    private Optional<Check> rests(String id, String[] words) {
        boolean isTold = words.length == 2 && (words[1].equals("high") || words[1].equals("low"));
        Optional<Endpoint> pin =
                isTold ? Endpoint.parse(words[0]).filter(end -> node.wire(end).isPresent()) : Optional.empty();
        return pin.map(end -> new Check(
                id,
                Group.of(Phase.BESIDES),
                Check.Kind.LOOK,
                node.place(end),
                Optional.empty(),
                Optional.empty(),
                "",
                new Expected.Seen(Fact.of("wake.rests." + words[1])
                        .with("part", node.part(end.part()).orElseThrow().part().name())
                        .with("pin", end.pin())),
                Optional.empty(),
                List.of(),
                List.copyOf(steps.at(end)),
                new Asked(on(), new Question.Rests(node.place(end), words[1].equals("high")))));
    }

    /** Everything in, and at rest. */
    private Scene on() {
        return Scene.resting(off().joined());
    }

    private Optional<WireStep> step(String id) {
        return list.steps().stream()
                .filter(step -> step.id().equals(id) && step.fitting().isEmpty())
                .findFirst();
    }

    private Scene off() {
        Set<Place> all = new HashSet<>();
        node.parts().stream().filter(placed -> !placed.isForLater()).forEach(placed -> all.add(node.place(placed)));
        return Scene.resting(all).off();
    }

    private String point(Terminal end) {
        return benches.point(node, end);
    }

    private Optional<Check> along(String id, WireStep step, Scene scene) {
        Question question = new Question.Measure(new Probe.Volts(point(step.from()), point(step.to())));
        return measured(
                id, Check.Kind.VOLTS, subject(step), step.from(), step.to(), scene, question, List.of(step.id()));
    }

    private Optional<Check> again(String id, Endpoint pin, Scene scene) {
        Optional<Placed> placed = node.part(pin.part());
        return placed.flatMap(found -> steps.terminal(pin)
                .flatMap(red -> measured(
                        id,
                        Check.Kind.VOLTS,
                        node.place(pin),
                        red,
                        steps.ground(found),
                        scene,
                        new Question.Measure(benches.volts(node, pin)),
                        List.copyOf(steps.feeding(pin.part())))));
    }

    private Optional<Check> ohms(String id, WireStep step) {
        Question question = new Question.Ohms(point(step.from()), List.of(point(step.to())));
        return measured(
                id, Check.Kind.OHMS, subject(step), step.from(), step.to(), off(), question, List.of(step.id()));
    }

    private Optional<Check> between(String id, Endpoint one, Endpoint other) {
        Question question = new Question.Ohms(benches.pin(node, one), List.of(benches.pin(node, other)));
        return steps.terminal(one).flatMap(red -> steps.terminal(other)
                .flatMap(black ->
                        measured(id, Check.Kind.OHMS, node.place(one), red, black, off(), question, List.of())));
    }

    private Optional<Check> toGround(String id, Endpoint pin) {
        Question question = new Question.Ohms(benches.pin(node, pin), List.of(benches.ground(node, pin.part())));
        return node.part(pin.part()).flatMap(placed -> steps.terminal(pin)
                .flatMap(red -> measured(
                        id,
                        Check.Kind.OHMS,
                        node.place(pin),
                        red,
                        steps.ground(placed),
                        off(),
                        question,
                        List.copyOf(steps.at(pin)))));
    }

    private Place subject(WireStep step) {
        return step.subject().node().isEmpty() ? Place.ofNode(node.node().id()) : step.subject();
    }

    /** With what a bench that is as planned would give. */
    private Optional<Check> measured(
            String id,
            Check.Kind kind,
            Place at,
            Terminal red,
            Terminal black,
            Scene scene,
            Question question,
            List<String> wires) {
        return rehearsals
                .at(scene, Twist.NONE)
                .of(question)
                .flatMap(this::expected)
                .map(expected -> new Check(
                        id,
                        Group.of(Phase.BESIDES),
                        kind,
                        at,
                        Optional.of(red),
                        Optional.of(black),
                        "",
                        expected,
                        Optional.empty(),
                        List.of(),
                        wires,
                        new Asked(scene, question)));
    }

    private Optional<Expected.Within> expected(Foreseen foreseen) {
        if (foreseen instanceof Foreseen.Amount amount) {
            double off = SIGMAS * amount.spread() + meter.error(amount.value());
            return Optional.of(Expected.Within.between(Unit.VOLT, amount.value() - off, amount.value() + off));
        } else if (foreseen instanceof Foreseen.Ohms ohms && !ohms.isOpen()) {
            return Optional.of(new Expected.Within(
                    Unit.OHM,
                    ohms.least() > 2 * OHMS_OFF
                            ? Optional.of(Quantity.of(Unit.OHM, ohms.least() * (1 - OHMS_SHARE) - OHMS_OFF))
                            : Optional.empty(),
                    Optional.of(Quantity.of(Unit.OHM, ohms.most() * (1 + OHMS_SHARE) + OHMS_OFF))));
        } else if (foreseen instanceof Foreseen.Ohms) {
            return Optional.of(Expected.Within.atLeast(Unit.OHM, FAR_OHMS));
        }
        return Optional.empty();
    }

    private Check sits(String id, WireStep step) {
        Fact what = Fact.of("wake.see.wire").with("number", step.number());
        return seen(
                id,
                subject(step),
                Optional.of(step.from()),
                Optional.of(step.to()),
                what,
                new Question.Sits(Ends.wire(node, step)),
                List.of(step.id()));
    }

    private Optional<Check> eye(String id, Eye eye, String at) {
        Optional<Endpoint> pin = Endpoint.parse(at).filter(end -> node.pin(end).isPresent());
        Optional<Placed> placed = node.part(pin.map(Endpoint::part).orElse(at));
        return placed.map(found -> seen(
                id,
                pin.map(node::place).orElse(node.place(found)),
                Optional.empty(),
                Optional.empty(),
                Fact.of("wake.see." + eye.name().toLowerCase(Locale.ROOT))
                        .with("part", found.part().name())
                        .with("pin", pin.map(Endpoint::pin).orElse("")),
                new Question.Look(eye.sort, pin.map(node::place).orElse(node.place(found))),
                List.of()));
    }

    private Check seen(
            String id,
            Place at,
            Optional<Terminal> red,
            Optional<Terminal> black,
            Fact what,
            Question question,
            List<String> wires) {
        return new Check(
                id,
                Group.of(Phase.BESIDES),
                Check.Kind.LOOK,
                at,
                red,
                black,
                "",
                new Expected.Seen(what),
                Optional.empty(),
                List.of(),
                wires,
                new Asked(Scene.resting(Set.of()).off(), question));
    }
}
