package inkel.core.bench.net;

/** What became of an attempt to solve a network. */
public sealed interface Outcome {
    /** It settled. */
    record Settled(Solution solution) implements Outcome {}

    /**
     * It did not: nobody can say what it reads.
     *
     * @param element the number of the element whose currents follow least what is foretold of them
     */
    record Unsettled(int element) implements Outcome {}

    /** @throws IllegalStateException when it did not settle */
    default Solution orThrow() {
        if (this instanceof Settled settled) {
            return settled.solution();
        }
        throw new IllegalStateException("does not settle: " + this);
    }
}
