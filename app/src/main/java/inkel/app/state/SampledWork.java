package inkel.app.state;

import inkel.core.tune.Device;
import inkel.core.tune.sample.Ask;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledBench;
import inkel.core.tune.sample.SampledDraft;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Benches of readings: they come by hand, over the line, from a capture, or from a piece that is not there. */
public final class SampledWork {
    private static final int MOST_HEARD = 10_000;

    private final TuneWork tune;

    /** Numbers that came over a line, as they were printed, and are not taken yet. */
    private final List<Double> numbers = new ArrayList<>();

    /** Whose readings came over a line, at least some of them. */
    private final Set<TuneWork.At> fromLine = new HashSet<>();

    SampledWork(TuneWork tune) {
        this.tune = tune;
    }

    /** Another thing is on the bench, or the same anew. */
    void clear() {
        numbers.clear();
    }

    /** What was found of a part is kept, or thrown away. */
    void settle(TuneWork.At at) {
        fromLine.remove(at);
    }

    boolean isFromLine(TuneWork.At at) {
        return fromLine.contains(at);
    }

    /** Empty for a bench of another sort. */
    public Optional<SampledDraft> of(TuneWork.At at) {
        return tune.draft(at, SampledDraft.class);
    }

    public void change(TuneWork.At at, SampledDraft next) {
        tune.change(at, next);
    }

    /** Numbers that a board printed. */
    void hear(String line) {
        for (String word : line.split("[\\s,;]+")) {
            if (numbers.size() < MOST_HEARD) {
                numbers.add(Double.parseDouble(word));
            }
        }
        tune.change();
    }

    /** Numbers that came for the part on the bench and are not taken yet, as they were printed. */
    public List<Double> heard() {
        return List.copyOf(numbers);
    }

    /** Takes the numbers that came, for the part on the bench. */
    public List<Double> take(TuneWork.At at) {
        List<Double> taken = List.copyOf(numbers);
        numbers.clear();
        fromLine.add(at);
        return taken;
    }

    /** Reads the piece that is not there. */
    public void practise(TuneWork.At at, Ask ask, double known) {
        of(at).ifPresent(draft -> {
            @SuppressWarnings("unchecked")
            Device<SampledBench.Question, List<Double>> device =
                    tune.device(at, Device.class, () -> draft.bench().device(draft.rig(), tune.seed(at)));
            List<Double> read = device.answer(new SampledBench.Question(ask, known, ask.usual()));
            change(at, draft.with(new Sample(ask.id(), known, read)));
        });
    }
}
