package inkel.core.circuit;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Controller;
import inkel.core.catalog.Pin;
import inkel.core.catalog.Programming;
import inkel.core.document.Endpoint;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Which pins of the board the programmers on the table go to, each fixed by the chip. */
public final class ProgramLines {
    private ProgramLines() {}

    /**
     * A lead of a programmer.
     *
     * @param lead empty for a pin that is held at ground while the chip starts
     */
    public record Line(Endpoint chip, Optional<Endpoint> lead) {}

    /** Every lead of every programmer that suits the board, in the order of its plug. */
    public static List<Line> of(NodeCircuit node) {
        List<Line> lines = new ArrayList<>();
        List<Programming> ways = ways(node);
        if (ways.isEmpty()) {
            return lines;
        }
        for (Placed placed : node.parts()) {
            for (Programming way : ways) {
                if (programs(placed, way)) {
                    add(lines, node, placed, way);
                }
            }
        }
        return lines;
    }

    /** The ways in which the board can be programmed over leads; empty for one with a socket for that. */
    public static List<Programming> ways(NodeCircuit node) {
        return node.board().cls().controller().map(Controller::programs).orElse(List.of());
    }

    private static boolean programs(Placed placed, Programming way) {
        return !placed.isForLater()
                && placed.cls().handling().programs().filter(way.way()::equals).isPresent();
    }

    private static void add(List<Line> lines, NodeCircuit node, Placed programmer, Programming way) {
        way.lines().forEach((lead, pin) -> {
            if (programmer.cls().pin(lead).isPresent()) {
                lines.add(new Line(board(node, pin), Optional.of(new Endpoint(programmer.id(), lead))));
            }
        });
        way.held().ifPresent(pin -> lines.add(new Line(board(node, pin), Optional.empty())));
    }

    private static Endpoint board(NodeCircuit node, String pin) {
        return new Endpoint(node.board().id(), pin);
    }

    /** The pins that the program uses too, besides being programmed over. */
    public static Set<Endpoint> shared(NodeCircuit node) {
        Set<Endpoint> shared = new HashSet<>();
        for (Line line : of(node)) {
            if (node.pin(line.chip()).filter(ProgramLines::isPlain).isPresent()) {
                shared.add(line.chip());
            }
        }
        return shared;
    }

    private static boolean isPlain(Pin pin) {
        return pin.can(Ability.Kind.DIGITAL);
    }
}
