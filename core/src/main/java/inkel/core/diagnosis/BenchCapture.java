package inkel.core.diagnosis;

import inkel.core.bench.Answer;
import inkel.core.bench.Asked;
import inkel.core.bench.Benches;
import inkel.core.bench.PracticeBench;
import inkel.core.bench.Question;
import inkel.core.bench.Scene;
import inkel.core.capture.Capture;
import inkel.core.capture.practice.PracticeCapture;
import inkel.core.catalog.WakeCheck;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Place;
import inkel.core.formula.InfraredCode;
import inkel.core.pins.PinReport;
import inkel.core.quantity.TimeSpan;
import inkel.core.tune.infrared.Handset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/** What the wires of a practice bench do, with what is planted on it: who does not answer there is silent in the capture. */
public final class BenchCapture {
    /** Long enough for a key of a handset and some frames of all else. */
    private static final TimeSpan LENGTH = TimeSpan.ofSeconds(0.25);

    private static final Handset.Press KEY = new Handset.Press(InfraredCode.Coding.PULSE_DISTANCE, 1, false, false);

    private final NodeCircuit node;
    private final PracticeBench bench;
    private final Scene scene;

    private BenchCapture(Planted planted) {
        node = planted.wake().node();
        bench = planted.bench();
        scene = Scene.resting(
                new Benches(planted.layout().circuit(), planted.layout().lists()).all());
    }

    /**
     * A quarter of a second of one table; somebody presses a key of a handset meanwhile.
     *
     * @param pulses what servos are commanded, in seconds, by the ids of parts; any other is in its middle
     */
    public static Capture of(Planted planted, Map<String, Double> pulses) {
        BenchCapture asking = new BenchCapture(planted);
        return PracticeCapture.of(
                PinReport.of(planted.layout().circuit()),
                asking.node.node().id(),
                new PracticeCapture.Pieces() {
                    @Override
                    public boolean isAnswering(Placed part) {
                        return asking.isAnswering(part);
                    }

                    @Override
                    public double pulse(Placed part) {
                        return pulses.getOrDefault(
                                part.id(),
                                part.cls()
                                        .pwm()
                                        .map(need -> need.pulse().expected().seconds())
                                        .orElse(0.0));
                    }

                    @Override
                    public List<Double> train(Placed part) {
                        return asking.isAnswering(part) ? new Handset(planted.seed()).answer(KEY) : List.of();
                    }
                },
                LENGTH,
                planted.seed());
    }

    /** By what its class says that it can be asked for; else whether it shows life. */
    private boolean isAnswering(Placed part) {
        Place place = node.place(part);
        if (part.cls().i2c().isPresent()) {
            return isTold(new Question.Answers(List.of(place)), heard -> !heard.isEmpty());
        }
        Optional<WakeCheck.Identity> register = first(part, WakeCheck.Identity.class);
        if (register.isPresent()) {
            List<String> values = register.get().values();
            return isTold(
                    new Question.Register(place, values, register.get().asking().mask()),
                    heard -> heard.stream().anyMatch(values::contains));
        }
        Optional<WakeCheck.Reply> reply = first(part, WakeCheck.Reply.class);
        if (reply.isPresent()) {
            String expect = reply.get().expect();
            return isTold(
                    new Question.Reply(place, expect), heard -> heard.stream().anyMatch(text -> text.contains(expect)));
        }
        return bench.ask(new Asked(scene, new Question.Look(Question.Sort.SIGN, place)))
                .filter(answer -> answer instanceof Answer.Sight sight && sight.isWell())
                .isPresent();
    }

    private boolean isTold(Question question, Predicate<List<String>> isIt) {
        return bench.ask(new Asked(scene, question))
                .filter(answer -> answer instanceof Answer.Texts texts && isIt.test(texts.texts()))
                .isPresent();
    }

    private static <C extends WakeCheck> Optional<C> first(Placed part, Class<C> sort) {
        return part.cls().handling().checks().stream()
                .filter(sort::isInstance)
                .map(sort::cast)
                .findFirst();
    }
}
