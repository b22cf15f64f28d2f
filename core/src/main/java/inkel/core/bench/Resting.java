package inkel.core.bench;

import inkel.core.catalog.Mode;
import inkel.core.catalog.Supply;
import inkel.core.circuit.Placed;
import java.util.List;
import java.util.Optional;

/** In which of its modes a part is after power came up, before a program asks something of it. */
final class Resting {
    /** As classes are: what can idle does, what can sleep and not idle sleeps. */
    private static final List<String> QUIETEST = List.of("idle", "sleep", "active", "peak");

    private Resting() {}

    /** @param asked a mode that the part is said to be in instead */
    static Optional<Mode> mode(Placed placed, Supply supply, Optional<String> asked) {
        List<Mode> modes = placed.cls().modes().stream()
                .filter(mode -> mode.supply().equals(supply.pin()))
                .toList();
        return asked.flatMap(name -> named(modes, name))
                .or(() -> modes.stream().filter(Mode::isAtRest).findFirst())
                .or(() -> QUIETEST.stream()
                        .flatMap(name -> named(modes, name).stream())
                        .findFirst());
    }

    private static Optional<Mode> named(List<Mode> modes, String name) {
        return modes.stream().filter(mode -> mode.name().equals(name)).findFirst();
    }
}
