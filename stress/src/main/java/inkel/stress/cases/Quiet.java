package inkel.stress.cases;

import inkel.app.lane.Lanes;

/** A session whose work is done at once, but for what is thought through beside the window and that nobody waits for here. */
final class Quiet {
    static final Lanes LANES = new Lanes(
            Runnable::run,
            Runnable::run,
            Runnable::run,
            Runnable::run,
            unasked -> {},
            unasked -> {},
            unasked -> {},
            Runnable::run,
            Runnable::run,
            Runnable::run);

    private Quiet() {}
}
