package inkel.app.ui;

import inkel.app.words.Words;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.Hold;
import inkel.core.finding.Fix;
import inkel.core.pins.Alternative;
import inkel.core.pins.NodePins;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import inkel.core.pins.Reach;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/** Sharing out pins, and moving and holding knots by hand, on the node that is shown. */
public final class PinWork {
    private static final int MOST_NAMED = 6;

    private final Workbench bench;

    PinWork(Workbench bench) {
        this.bench = bench;
    }

    private Optional<NodePins> pins() {
        return Optional.ofNullable(bench.assessmentProperty().get())
                .flatMap(now -> now.pins(bench.nodeProperty().get()));
    }

    private Optional<Node> node() {
        return bench.build().flatMap(now -> now.node(bench.nodeProperty().get()));
    }

    // --- planning

    /** Shares out the pins in the background and takes the plan over, or says what clashes. */
    public void plan() {
        String of = bench.nodeProperty().get();
        bench.work((now, classes) -> new Planner(now, classes).plan(of), this::planned, "notice.plan_failed");
    }

    private void planned(Plan plan) {
        if (plan.placed()) {
            take(plan);
        } else if (!plan.complete()) {
            bench.noticeProperty().set(Notice.trouble(Words.get("notice.plan_unknown")));
        } else {
            bench.noticeProperty()
                    .set(new Notice(
                            Notice.Tone.TROUBLE,
                            Words.get("notice.clash", "wants", wants(plan.clash())),
                            plan.waysOut().stream().map(this::wayOut).toList()));
        }
    }

    private Notice.Action wayOut(Fix fix) {
        return new Notice.Action(Words.say(fix.title()), () -> {
            bench.apply(fix);
            plan();
        });
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
        Build before = bench.build().orElseThrow();
        long moved = moved(before, plan);
        bench.apply(plan.edit().orElseThrow());
        bench.noticeProperty()
                .set(Notice.done(Words.get(moved == 0 ? "notice.plan_same" : "notice.planned", "count", moved)));
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

    /** Finds different placements in the background. */
    public void alternatives(Consumer<List<Alternative>> show) {
        String of = bench.nodeProperty().get();
        bench.work((now, classes) -> new Planner(now, classes).alternatives(of), show, "notice.plan_failed");
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
                bench.noticeProperty()
                        .set(new Notice(
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
                                        new Notice.Action(Words.get("notice.swap.leave"), () -> bench.noticeProperty()
                                                .set(null)))));
            case TAKEN, NO -> on.why().ifPresent(why -> bench.noticeProperty().set(Notice.trouble(Words.say(why))));
            case HERE -> {}
        }
    }

    private void move(Place signal, Reach on) {
        pins().ifPresent(pins -> bench.apply(on.edits(pins, signal.endpoint())));
    }

    /** Fixes a signal on its pin, or lets it go. */
    public void toggleHold(Place signal) {
        wire(signal).ifPresent(wire -> hold(signal, !wire.held(), ""));
    }

    /** Fixes a signal on its pin with a reason, or lets it go. */
    public void hold(Place signal, boolean isHeld, String reason) {
        bench.apply(new Hold(signal.node(), List.of(signal.endpoint()), isHeld, reason));
    }

    /** The wire of a place, if it is a signal with one. */
    public Optional<Wire> wire(Place place) {
        return place == null || !place.isPin()
                ? Optional.empty()
                : bench.build().flatMap(now -> now.node(place.node())).flatMap(of -> of.wire(place.endpoint()));
    }
}
