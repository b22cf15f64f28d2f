package inkel.core.circuit;

import inkel.core.catalog.Claim;
import inkel.core.catalog.Controller;
import inkel.core.catalog.Settings;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Which timers of a board the code of this build takes for itself, and how that is known. */
public final class TimerClaims {
    private static final String SEPARATOR = ", ";
    private static final String NOTHING = "none";

    private TimerClaims() {}

    /** How it is known that a timer is taken. */
    public enum How {
        /** The usual code for a part takes it, and the part is there. */
        ASSUMED,
        /** The builder said so. */
        SET,
        /** The board's own code takes it in any case. */
        ALWAYS
    }

    /** A timer that is taken, for what, and by the code for which part. */
    public record Made(Claim claim, Placed by, How how) {}

    /** What the code for a part takes: what the builder said, else what is usual. */
    public static List<String> uses(Placed placed) {
        return placed.own(Settings.CLAIMS)
                .orElse(
                        placed.part().isBoard()
                                ? List.of()
                                : placed.cls().demands().claims());
    }

    /** Whether the code for a part makes its pulses at any plain pin of a board, whatever that pin's own timer does. */
    public static boolean serves(Placed board, Placed asking) {
        List<String> uses = uses(asking);
        return board.cls().controller().stream()
                .flatMap(controller -> controller.claims().stream())
                .anyMatch(claim -> claim.anyPin() && uses.contains(claim.use()));
    }

    /** What to set as {@link Settings#CLAIMS} so that the code for a part takes this as well. */
    public static String settingWith(Placed placed, String use) {
        List<String> more = new ArrayList<>(uses(placed));
        more.add(use);
        return String.join(SEPARATOR, more);
    }

    /**
     * What to set as {@link Settings#CLAIMS} so that the code for a part takes this no longer.
     *
     * @return null where nothing is left to set: a board takes nothing unless told, while a part must be told
     */
    public static String settingWithout(Placed placed, String use) {
        List<String> left = new ArrayList<>(uses(placed));
        left.remove(use);
        if (left.isEmpty()) {
            return placed.part().isBoard() ? null : NOTHING;
        }
        return String.join(SEPARATOR, left);
    }

    public static How how(Placed placed) {
        return placed.own(Settings.CLAIMS).isPresent() ? How.SET : How.ASSUMED;
    }

    /**
     * Every claim, those of the board itself first.
     *
     * @param driven the parts that the board drives
     */
    public static List<Made> of(NodeCircuit node, List<Placed> driven) {
        List<Made> made = new ArrayList<>();
        Placed board = node.board();
        Optional<Controller> controller = board.cls().controller();
        if (controller.isEmpty()) {
            return made;
        }
        for (Claim claim : controller.get().claims()) {
            if (claim.keeps().isPresent()) {
                made.add(new Made(claim, board, How.ALWAYS));
            }
        }
        add(made, controller.get(), board);
        driven.forEach(placed -> add(made, controller.get(), placed));
        return made;
    }

    private static void add(List<Made> made, Controller controller, Placed placed) {
        for (String use : uses(placed)) {
            for (Claim claim : controller.claims()) {
                if (claim.use().equals(use) && claim.keeps().isEmpty()) {
                    made.add(new Made(claim, placed, how(placed)));
                }
            }
        }
    }
}
