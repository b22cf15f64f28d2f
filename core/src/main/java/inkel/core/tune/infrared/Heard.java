package inkel.core.tune.infrared;

import inkel.core.formula.InfraredCode;
import inkel.core.quantity.Fact;
import java.util.List;
import java.util.Optional;

/**
 * What a train said.
 *
 * @param train widths in microseconds
 * @param code empty for one that stays raw
 * @param key the known one
 */
public record Heard(Sort sort, List<Double> train, Optional<InfraredCode> code, Optional<Key> key) {
    public Heard {
        train = List.copyOf(train);
    }

    /** How it ended. */
    public enum Sort {
        /** A known key, pressed anew: its action happens. */
        PRESSED,
        /** The same key, still held: only what happens as long as it is held goes on. */
        STILL,
        /** A key that nobody knows. */
        STRANGE,
        /** No coding that is known: kept as its widths. */
        RAW
    }

    /** Its coding, address and command; empty for one that stays raw or says only that a key is held. */
    public Optional<Fact> said() {
        return code.filter(one -> !one.isRepeat())
                .map(one -> Fact.of("capture.key." + one.coding().text())
                        .with("address", one.address())
                        .with("command", one.command()));
    }

    /** Whether it only says that a key is still held. */
    public boolean isRepeat() {
        return code.filter(InfraredCode::isRepeat).isPresent();
    }
}
