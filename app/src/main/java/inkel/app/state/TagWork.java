package inkel.app.state;

import inkel.core.tune.tags.TagDevice;
import inkel.core.tune.tags.TagDraft;
import inkel.core.tune.tags.Tap;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Tags at a reader on the bench: they come by hand, over the line, or to a reader that is not there. */
public final class TagWork {
    private static final int MOST_TAPS = 200;

    private final TuneWork tune;
    private final List<Tap> taps = new ArrayList<>();

    TagWork(TuneWork tune) {
        this.tune = tune;
    }

    /** Another thing is on the bench, or the same anew. */
    void clear() {
        taps.clear();
    }

    public Optional<TagDraft> of(TuneWork.At at) {
        return tune.draft(at, TagDraft.class);
    }

    public void change(TuneWork.At at, TagDraft next) {
        tune.change(at, next);
    }

    /** What became of the tags that were held there, the last one last. */
    public List<Tap> taps() {
        return List.copyOf(taps);
    }

    /** A line that a board printed. */
    void hear(TuneWork.At at, String line) {
        of(at).flatMap(draft -> draft.meant(line)).ifPresent(read -> tap(at, new TagDevice.Read(read, true)));
    }

    /** A tag that is not there is held before a reader that is not there. */
    public void tap(TuneWork.At at, TagDevice.Card card) {
        tap(
                at,
                tune.device(at, TagDevice.class, () -> new TagDevice(tune.seed(at)))
                        .answer(card));
    }

    public void tap(TuneWork.At at, TagDevice.Read read) {
        of(at).ifPresent(draft -> {
            if (taps.size() == MOST_TAPS) {
                taps.remove(0);
            }
            taps.add(draft.tap(read));
            tune.change();
        });
    }
}
