package inkel.app.state;

import inkel.core.formula.InfraredCode.Coding;
import inkel.core.tune.infrared.Handset;
import inkel.core.tune.infrared.Heard;
import inkel.core.tune.infrared.Key;
import inkel.core.tune.infrared.KeyDraft;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** Keys of handsets on the bench: trains come by hand, over the line, or from a handset that is not there. */
public final class KeyWork {
    private static final int MOST_HEARD = 200;

    private final Session session;
    private final TuneWork tune;
    private final List<Heard> heard = new ArrayList<>();
    private int pressed = 1;

    /** When a train came over the line last; null for none. */
    private Instant lastTrain;

    KeyWork(Session session, TuneWork tune) {
        this.session = session;
        this.tune = tune;
    }

    /** Another thing is on the bench, or the same anew. */
    void clear() {
        heard.clear();
    }

    public Optional<KeyDraft> of(TuneWork.At at) {
        return tune.draft(at, KeyDraft.class);
    }

    public void change(TuneWork.At at, KeyDraft next) {
        tune.change(at, next);
    }

    /** What was heard of handsets, the last one last. */
    public List<Heard> heard() {
        return List.copyOf(heard);
    }

    /** Widths that a board printed. Some programs print spaces with a minus; fewer than a mark, a space and a mark are no train. */
    void hear(TuneWork.At at, String line) {
        List<Double> train = Arrays.stream(line.split("[\\s,;]+"))
                .map(word -> Math.abs(Double.parseDouble(word)))
                .filter(width -> width > 0)
                .toList();
        if (train.size() > 2) {
            Instant now = session.now();
            hear(
                    at,
                    train,
                    Optional.ofNullable(lastTrain)
                            .map(last -> Duration.between(last, now).toMillis() / 1e3));
            lastTrain = now;
        }
    }

    /** A train that nobody knows the time of, as one that was typed. */
    public void hear(TuneWork.At at, List<Double> train) {
        hear(at, train, Optional.empty());
    }

    private void hear(TuneWork.At at, List<Double> train, Optional<Double> since) {
        of(at).ifPresent(draft -> {
            Optional<Heard> before = heard.isEmpty() ? Optional.empty() : Optional.of(heard.get(heard.size() - 1));
            if (heard.size() == MOST_HEARD) {
                heard.remove(0);
            }
            heard.add(draft.hear(train, before, since));
            tune.change();
        });
    }

    /** The codings of handsets that are not there, by their words. */
    public List<String> codings() {
        return Arrays.stream(Coding.values()).map(Coding::text).toList();
    }

    /** Presses a key of a handset that is not there, or goes on holding it. */
    public void press(TuneWork.At at, String coding, int key, boolean isHeld, boolean isNoisy) {
        Handset handset = tune.device(at, Handset.class, () -> new Handset(tune.seed(at)));
        pressed = key;
        Coding of = Arrays.stream(Coding.values())
                .filter(one -> one.text().equals(coding))
                .findFirst()
                .orElseThrow();
        hear(
                at,
                handset.answer(new Handset.Press(of, key, isHeld, isNoisy)),
                isHeld ? Optional.of(Handset.EVERY) : Optional.empty());
    }

    /** The key that was pressed last. */
    public int pressed() {
        return pressed;
    }

    /** A key that was heard gets a name. */
    public void learn(TuneWork.At at, Heard of, String name, Key.Way way, String does) {
        of.code().ifPresent(code -> of(at).ifPresent(draft ->
                change(at, draft.with(new Key(code.coding(), code.address(), code.command(), name, way, does)))));
    }
}
