package inkel.app.state;

import inkel.app.words.Words;
import inkel.core.catalog.BenchKind;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Place;
import inkel.core.document.edit.Edit;
import inkel.core.quantity.Fact;
import inkel.core.tune.servo.ServoDevice;
import inkel.core.tune.servo.ServoDraft;
import inkel.core.tune.servo.ServoStart;
import inkel.core.tune.stand.TuneReport;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Servos on the bench: commanded over the line, or followed by one that is not there. */
public final class ServoWork {
    private final Session session;
    private final TuneWork tune;
    private ServoDevice.Did did;

    ServoWork(Session session, TuneWork tune) {
        this.session = session;
        this.tune = tune;
    }

    /** Another thing is on the bench, or the same anew. */
    void clear() {
        did = null;
    }

    /** Empty for a part that is no servo. */
    public Optional<ServoDraft> of(TuneWork.At at) {
        return tune.draft(at, ServoDraft.class);
    }

    /** A change of the draft; while practising the servo that is not there follows it. */
    public void change(TuneWork.At at, ServoDraft next) {
        double was = of(at).map(ServoDraft::now).orElse(next.now());
        tune.put(at, next);
        if (session.practice().isOn()) {
            ServoDevice device = tune.device(at, ServoDevice.class, () -> new ServoDevice(next.rig(), tune.seed(at)));
            did = device.answer(next.now());
        } else if (was != next.now() && isCommanded(next)) {
            session.line().send(ServoCommand.of(tune.node(at).orElseThrow(), at.part(), next.now()));
        }
        tune.change();
    }

    /** Other servos of the same board. */
    public List<Placed> others(TuneWork.At at) {
        return Optional.ofNullable(session.assessmentProperty().get()).stream()
                .flatMap(assessment -> assessment.reports().tunes().of(at.part().node()).stream())
                .filter(stand -> stand.bench() == BenchKind.SERVO
                        && !stand.part().id().equals(at.part().part()))
                .map(TuneReport.Stand::part)
                .toList();
    }

    /** Gives another servo the map, places and moves of this one, as a draft; the bench turns to it. */
    public void giveTo(TuneWork.At from, Placed other) {
        TuneWork.At to = new TuneWork.At(Place.ofPart(from.part().node(), other.id()), BenchKind.SERVO);
        of(from).ifPresent(draft -> of(to).ifPresent(its -> {
            tune.put(to, draft.usedBy(its));
            tune.turnTo(to);
            tune.change();
        }));
    }

    /**
     * Gives this servo and the others of its board moments that do not meet, each as long as it moves; one step.
     *
     * @return how many have one now; none where the build did not take it
     */
    public int startInTurn(TuneWork.At at) {
        NodeCircuit node = tune.node(at).orElseThrow();
        List<ServoStart.Mover> movers = node.parts().stream()
                .flatMap(servo ->
                        of(new TuneWork.At(Place.ofPart(at.part().node(), servo.id()), BenchKind.SERVO)).stream())
                .map(draft -> new ServoStart.Mover(draft.rig().servo(), draft.moveTime()))
                .toList();
        List<Edit> edits = ServoStart.inTurn(
                node,
                movers,
                servo -> Words.say(Fact.of("tune.servo.in_turn.name")
                        .with("part", servo.part().name())));
        return !edits.isEmpty() && session.apply(edits) ? edits.size() : 0;
    }

    /** The pulses that are commanded on this table, in seconds, by the ids of the servos. */
    Map<String, Double> commanded() {
        Map<String, Double> pulses = new HashMap<>();
        String node = session.nodeProperty().get();
        Optional.ofNullable(session.assessmentProperty().get()).stream()
                .flatMap(assessment -> assessment.reports().tunes().of(node).stream())
                .filter(stand -> stand.bench() == BenchKind.SERVO)
                .forEach(stand -> of(new TuneWork.At(stand.node().place(stand.part()), BenchKind.SERVO))
                        .ifPresent(draft -> pulses.put(stand.part().id(), draft.now())));
        return pulses;
    }

    /** Whether the board is told over the line: the program that Inkel makes drives plain pins alone. */
    public boolean isCommanded(ServoDraft draft) {
        return !draft.rig().driver() && session.line().nowProperty().get().isListening();
    }

    /** What the servo that is not there did last; empty on the builder's own bench. */
    public Optional<ServoDevice.Did> did() {
        return Optional.ofNullable(did);
    }
}
