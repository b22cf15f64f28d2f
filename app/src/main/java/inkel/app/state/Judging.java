package inkel.app.state;

import inkel.app.lane.Lanes;
import inkel.app.lane.Trouble;
import inkel.core.catalog.Catalog;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.Place;
import inkel.core.finding.Finding;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BiFunction;
import java.util.function.Consumer;

/**
 * Judges builds in the background. What a later edit has overtaken is not begun any more, or dropped when it comes late.
 */
final class Judging {
    private final Lanes lanes;
    private final BiFunction<Build, Catalog, Assessment> judge;
    private final Consumer<Assessment> show;
    private final Consumer<RuntimeException> failed;
    private final AtomicLong run = new AtomicLong();

    /**
     * @param judge makes an assessment, or throws where a mistake in the program keeps it from doing so
     * @param show takes an assessment of the latest build, on the screen's lane
     * @param failed is told, on the screen's lane, why the latest build could not be judged
     */
    Judging(
            Lanes lanes,
            BiFunction<Build, Catalog, Assessment> judge,
            Consumer<Assessment> show,
            Consumer<RuntimeException> failed) {
        this.lanes = lanes;
        this.judge = judge;
        this.show = show;
        this.failed = failed;
    }

    /**
     * Keeps a build, and judges it.
     *
     * @param asked what somebody looks at, of which the ways out are worked out here and not while they wait; nothing when null
     * @param keep writes the build where it outlives a crash; done for every build, and never behind a judgement
     */
    void of(Build build, Catalog classes, Place asked, Runnable keep) {
        long mine = run.incrementAndGet();
        // In a lane of its own, so that a long judgement of what is no longer wanted keeps nobody from being safe.
        lanes.keeping().execute(keep);
        lanes.judging().execute(() -> {
            if (mine != run.get()) {
                return;
            }
            try {
                Assessment next = judge.apply(build, classes);
                if (asked != null && mine == run.get()) {
                    next.at(asked).stream().limit(1).forEach(Finding::fixes);
                }
                lanes.screen().execute(() -> ifLatest(mine, () -> show.accept(next)));
            } catch (RuntimeException | StackOverflowError mistake) {
                Trouble.severe(Judging.class, "a build could not be judged", mistake);
                RuntimeException told =
                        mistake instanceof RuntimeException as ? as : new IllegalStateException(mistake);
                lanes.screen().execute(() -> ifLatest(mine, () -> failed.accept(told)));
            }
        });
    }

    /** Whatever is being judged is of no more use. */
    void forgetAll() {
        run.incrementAndGet();
    }

    private void ifLatest(long mine, Runnable then) {
        if (mine == run.get()) {
            then.run();
        }
    }
}
