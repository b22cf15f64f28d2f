package inkel.app.state;

import inkel.app.lane.Notice;
import inkel.app.words.PlanWords;
import inkel.app.words.Words;
import inkel.core.catalog.Settings;
import inkel.core.checks.Assessment;
import inkel.core.checks.ProvenPlan;
import inkel.core.checks.SharedOut;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.Hold;
import inkel.core.document.edit.Plug;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Fix;
import inkel.core.pins.LinkEnd;
import inkel.core.pins.NodePins;
import inkel.core.pins.PartialPlan;
import inkel.core.pins.PinReport;
import inkel.core.pins.Plan;
import inkel.core.pins.PlanNotes;
import inkel.core.pins.Reach;
import inkel.core.quantity.Fact;
import inkel.core.remedy.Wishes;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Sharing out pins, and moving and holding knots by hand, on the node that is shown. */
public final class PinWork {
    private static final int MOST_NAMED = 6;

    private final Session session;

    PinWork(Session session) {
        this.session = session;
    }

    private Optional<NodePins> pins() {
        return Optional.ofNullable(session.assessmentProperty().get())
                .flatMap(now -> now.pins(session.nodeProperty().get()));
    }

    private Optional<Node> node() {
        return session.build().flatMap(now -> now.node(session.nodeProperty().get()));
    }

    // --- what is there already

    /**
     * A wire is plugged at another pin than the plan has: it is held there and counts as plugged.
     *
     * @param name what the pin is called on the board, or with a point between on another part: {@code driver.CH3}
     * @return why not, naming what is wrong; empty when it was done
     */
    public Optional<String> sitsOn(Place signal, String name) {
        Assessment now = session.assessmentProperty().get();
        NodeCircuit node = now.circuit(signal.node()).orElseThrow();
        Optional<Endpoint> target = node.board()
                .cls()
                .pinCalled(name)
                .map(node.board()::endpoint)
                .or(() ->
                        Endpoint.parse(name.strip()).filter(end -> node.pin(end).isPresent()))
                .filter(end -> !node.pin(end).orElseThrow().can().isEmpty());
        if (target.isEmpty()) {
            return Optional.of(Words.get("wire.elsewhere.no_pin", "pin", name.strip()));
        }
        Wire held = Wire.held(signal.endpoint(), target.get(), Words.get("wire.elsewhere.reason"));
        SetWire move = new SetWire(signal.node(), held);
        session.apply(List.of(move, new Plug(signal.node(), stepsAt(move, signal, target.get()), true)));
        return Optional.empty();
    }

    /** The steps of the wire list that put a signal's wire on a pin, once it goes there. */
    private Set<String> stepsAt(SetWire move, Place signal, Endpoint target) {
        try {
            Circuit after = Circuit.of(move.apply(session.build().orElseThrow()), session.catalog());
            return WireList.of(after).stream()
                    .filter(list -> list.node().node().id().equals(signal.node()))
                    .flatMap(list -> list.steps().stream())
                    .filter(step ->
                            step.subject().equals(signal) && step.fitting().isEmpty())
                    .filter(step -> isAt(step.from(), target) || isAt(step.to(), target))
                    .map(WireStep::id)
                    .collect(Collectors.toSet());
        } catch (EditRefused refused) {
            return Set.of();
        }
    }

    private static boolean isAt(Terminal terminal, Endpoint pin) {
        return terminal instanceof Terminal.OnPin on && on.pin().equals(pin);
    }

    // --- planning

    /** What came of sharing out the pins: the plan is taken over, or what clashes is said, and what has a place is offered. */
    void planned(SharedOut outcome) {
        Plan plan = outcome.proven().plan();
        List<Notice.Action> some = outcome.some().stream().map(this::offer).toList();
        if (plan.placed()) {
            take(plan, outcome.proven().left());
        } else if (!plan.complete()) {
            session.notices().show(new Notice(Notice.Tone.TROUBLE, Words.get("notice.plan_unknown"), some));
        } else {
            clash(plan, some, fix -> {
                if (session.apply(fix)) {
                    session.planning().plan();
                }
            });
        }
    }

    /** As many parts as have a place, as one step. */
    private Notice.Action offer(PartialPlan some) {
        return new Notice.Action(
                Words.say(Fact.of("notice.plan_some")
                        .with("placed", some.placed().size())
                        .with("left", owners(some.left()).size())),
                () -> {
                    if (session.apply(some.edits())) {
                        session.notices()
                                .done(Words.say(Fact.of("notice.planned_some")
                                        .with("placed", some.placed().size())
                                        .with("wants", wants(some.left()))));
                    }
                });
    }

    private static Set<String> owners(List<Endpoint> signals) {
        return signals.stream().map(Endpoint::part).collect(Collectors.toSet());
    }

    /** Says what has no place, with what would help. */
    private void clash(Plan plan, List<Notice.Action> more, Consumer<Fix> taken) {
        String why = plan.shortage()
                .map(PlanWords::shortage)
                .map(shortage -> shortage + " ")
                .orElse("");
        session.notices()
                .show(new Notice(
                        Notice.Tone.TROUBLE,
                        why + Words.get("notice.clash", "wants", wants(plan.clash())),
                        Stream.concat(
                                        plan.waysOut().stream()
                                                .map(fix -> new Notice.Action(
                                                        Words.say(fix.title()), () -> taken.accept(fix))),
                                        more.stream())
                                .toList()));
    }

    /** Takes over what was shared out after a step, as part of that step; what has no place is told, and what moved. */
    void goneOn(List<Plan> plans) {
        Build before = session.build().orElseThrow();
        Build after = before;
        long moved = 0;
        for (Plan plan : plans) {
            try {
                after = plan.edit().orElseThrow().apply(after);
                moved += movedOff(before, plan);
            } catch (EditRefused gone) {
                continue; // What another board's plan took away is planned again with the next step.
            }
        }
        if (!after.equals(before)) {
            session.amend(after);
        }
        Optional<Plan> crowded =
                plans.stream().filter(plan -> !plan.clash().isEmpty()).findFirst();
        if (crowded.isPresent()) {
            clash(crowded.get(), List.of(), session::apply);
        } else if (moved > 0) {
            session.notices().done(Words.get("notice.gone_on", "count", moved));
        }
    }

    /** How many wires leave the pin that they had. */
    private static long movedOff(Build before, Plan plan) {
        Node node = before.node(plan.node()).orElseThrow();
        return plan.wires().stream()
                .filter(wire -> node.wire(wire.from())
                        .filter(old -> !old.to().equals(wire.to()))
                        .isPresent())
                .count();
    }

    /** Each part with its signals, and how many more there are. */
    private String wants(List<Endpoint> clash) {
        Map<String, List<String>> byPart = new LinkedHashMap<>();
        clash.forEach(signal ->
                byPart.computeIfAbsent(signal.part(), part -> new ArrayList<>()).add(signal.pin()));
        List<String> named = byPart.entrySet().stream()
                .limit(MOST_NAMED)
                .map(entry -> name(entry.getKey()) + " " + String.join(", ", entry.getValue()))
                .toList();
        String all = String.join("; ", named);
        int more = byPart.size() - named.size();
        return more > 0
                ? Words.say(Fact.of("notice.clash.more").with("named", all).with("count", more))
                : all;
    }

    private String name(String part) {
        return node().flatMap(of -> of.part(part)).map(Part::name).orElse(part);
    }

    /** Takes a plan over as one step that can be undone, and says how much of it is new. */
    public void take(Plan plan) {
        take(plan, List.of());
    }

    private void take(Plan plan, List<ProvenPlan.Left> left) {
        Build before = session.build().orElseThrow();
        long moved = moved(before, plan);
        if (session.apply(plan.edit().orElseThrow())) {
            List<String> said = new ArrayList<>();
            said.add(Words.get(moved == 0 ? "notice.plan_same" : "notice.planned", "count", moved));
            PlanNotes notes = PlanNotes.of(
                    PinReport.of(Circuit.of(session.build().orElseThrow(), session.catalog()))
                            .node(plan.node())
                            .orElseThrow(),
                    plan);
            tell(
                    said,
                    "notice.planned.software",
                    Stream.concat(parts(notes.software()).stream(), boards(notes.boards()))
                            .toList());
            tell(said, "notice.planned.straps", wires(notes.straps()));
            tell(said, "notice.planned.start_up", wires(notes.startUp()));
            count(
                    said,
                    "notice.planned.proved",
                    left.stream().filter(ProvenPlan.Left::isProved).count());
            count(
                    said,
                    "notice.planned.not_proved",
                    left.stream().filter(stop -> !stop.isProved()).count());
            session.notices().done(String.join(" ", said));
        }
    }

    private static void count(List<String> said, String key, long count) {
        if (count > 0) {
            said.add(Words.get(key, "count", count));
        }
    }

    private static void tell(List<String> said, String key, List<String> names) {
        if (!names.isEmpty()) {
            said.add(Words.get(key, "names", names));
        }
    }

    private Stream<String> boards(List<LinkEnd> ends) {
        return ends.stream()
                .map(end -> session.build()
                        .orElseThrow()
                        .node(end.there().node())
                        .orElseThrow()
                        .name())
                .distinct();
    }

    private List<String> parts(List<Wire> wires) {
        return wires.stream().map(wire -> name(wire.from().part())).distinct().toList();
    }

    private List<String> wires(List<Wire> wires) {
        return wires.stream()
                .map(wire -> name(wire.from().part()) + " " + wire.from().pin() + " ("
                        + wire.to().pin() + ")")
                .toList();
    }

    private static long moved(Build before, Plan plan) {
        Node old = before.node(plan.node()).orElseThrow();
        long wires = plan.wires().stream()
                .filter(wire -> old.wire(wire.from())
                        .map(Wire::to)
                        .filter(wire.to()::equals)
                        .isEmpty())
                .count();
        return wires + plan.links().size();
    }

    // --- by hand

    /** Where a signal may go, for every pin; empty for what is no signal. */
    public Map<Endpoint, Reach> reach(Place signal) {
        return pins().filter(pins -> pins.node().pin(signal.endpoint()).isPresent())
                .filter(pins -> pins.useOf(signal.endpoint()).isSignal())
                .map(pins -> Reach.of(pins, signal.endpoint()))
                .orElse(Map.of());
    }

    /** Moves a signal to a pin; a taken one is offered to be swapped, a pin that cannot do it says why. */
    public void drop(Place signal, Reach on) {
        switch (on.kind()) {
            case FREE, JOIN -> move(signal, on);
            case SWAP ->
                session.notices()
                        .show(new Notice(
                                Notice.Tone.TROUBLE,
                                Words.say(on.why().orElseThrow()),
                                List.of(
                                        new Notice.Action(
                                                Words.say(Fact.of("notice.swap")
                                                        .with("signal", signal.pin())
                                                        .with(
                                                                "other",
                                                                on.holders()
                                                                        .get(0)
                                                                        .from()
                                                                        .pin())),
                                                () -> move(signal, on)),
                                        new Notice.Action(Words.get("notice.swap.leave"), () -> session.notices()
                                                .show(null)))));
            case TAKEN, NO -> on.why().ifPresent(why -> session.notices().show(Notice.trouble(Words.say(why))));
            case HERE -> {}
        }
    }

    private void move(Place signal, Reach on) {
        pins().ifPresent(pins -> session.apply(on.edits(pins, signal.endpoint())));
    }

    /** Fixes a signal on its pin, or lets it go. */
    public void toggleHold(Place signal) {
        wire(signal).ifPresent(wire -> hold(signal, !wire.held(), ""));
    }

    /** Why a signal is held where it is, or done without; empty for any other. */
    public Optional<String> reasonOf(Place signal) {
        return wire(signal).filter(Wire::held).map(Wire::reason).or(() -> declined(signal));
    }

    /** Whether a signal is done without, and not held. */
    public boolean isDeclined(Place signal) {
        return declined(signal).isPresent() && wire(signal).isEmpty();
    }

    private Optional<String> declined(Place signal) {
        return signal == null || !signal.isPin()
                ? Optional.empty()
                : pins().filter(now -> now.node().node().id().equals(signal.node()))
                        .flatMap(now -> now.node().part(signal.part()))
                        .flatMap(placed -> placed.own(Settings.DECLINED))
                        .map(pins -> pins.get(signal.pin()));
    }

    /** Puts a reason to what is held or done without. */
    public void giveReason(Place signal, String reason) {
        if (!isDeclined(signal)) {
            hold(signal, true, reason);
            return;
        }
        NodeCircuit node = pins().orElseThrow().node();
        session.apply(Wishes.decline(
                node,
                node.part(signal.part()).orElseThrow(),
                node.pin(signal.endpoint()).orElseThrow(),
                reason));
    }

    /** Fixes a signal on its pin with a reason, or lets it go. */
    public void hold(Place signal, boolean isHeld, String reason) {
        session.apply(new Hold(signal.node(), List.of(signal.endpoint()), isHeld, reason));
    }

    /** The wire of a place, if it is a signal with one. */
    public Optional<Wire> wire(Place place) {
        return place == null || !place.isPin()
                ? Optional.empty()
                : session.build().flatMap(now -> now.node(place.node())).flatMap(of -> of.wire(place.endpoint()));
    }
}
