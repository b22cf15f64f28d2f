package inkel.core.catalog;

import inkel.core.catalog.routine.Routine;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What a class is for and how it is handled on the bench.
 *
 * @param does what it does for a build, in general words: {@code measures distance}
 * @param outline how its ends lie
 * @param checks what tells at the first power-up that it is alive
 * @param unpowered what a meter reads while it is off
 * @param benches where it is measured and set
 * @param mayCarryMains whether mains may be behind its contacts
 * @param programs the way in which it programs chips, for a programmer
 * @param air how it speaks through the air, if it does
 * @param screen what it shows, if it does
 * @param frame how it is sent a code, for a converter out
 * @param routine what the least program does with it
 * @param onBridge the class that it is where both its ends are led to a bridge, for a winding that is one by its supply
 * @param hazards what can hurt somebody, or be trusted too far, where it is used
 */
public record Handling(
        List<String> does,
        Make make,
        Outline outline,
        List<WakeCheck> checks,
        List<Unpowered> unpowered,
        List<BenchKind> benches,
        boolean mayCarryMains,
        Optional<String> programs,
        Optional<Air> air,
        Optional<Screen> screen,
        Optional<Frame> frame,
        Routine routine,
        Optional<String> onBridge,
        Set<Hazard> hazards) {
    public Handling {
        does = List.copyOf(does);
        checks = List.copyOf(checks);
        unpowered = List.copyOf(unpowered);
        benches = List.copyOf(benches);
        hazards = hazards.isEmpty() ? Set.of() : Collections.unmodifiableSet(EnumSet.copyOf(hazards));
    }

    /** Of a part that nothing more is known of than its pins. */
    public static Handling plain(List<Pin> pins) {
        return new Handling(
                List.of(),
                Make.USUAL,
                Outline.usual(pins),
                List.of(),
                List.of(),
                List.of(),
                false,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Routine.NONE,
                Optional.empty(),
                Set.of());
    }

    /** The same, coming to the table in another way. */
    Handling with(Make other) {
        return new Handling(
                does,
                other,
                outline,
                checks,
                unpowered,
                benches,
                mayCarryMains,
                programs,
                air,
                screen,
                frame,
                routine,
                onBridge,
                hazards);
    }
}
