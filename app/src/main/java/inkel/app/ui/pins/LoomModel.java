package inkel.app.ui.pins;

import inkel.app.ui.kit.Knot;
import inkel.core.checks.Assessment;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.formula.Verdict;
import inkel.core.quantity.Current;
import java.util.List;
import java.util.Optional;

/**
 * What the loom shows of a node: threads across, modules with their pins down, a knot for every wire. Positions and
 * colours are the loom's own business.
 *
 * @param threads from left to right: ground, rails, then the pins that can be wired to
 * @param modules from top to bottom
 * @param folded how many pins that nobody has are not shown
 */
public record LoomModel(List<Thread> threads, List<Module> modules, int folded) {
    public LoomModel {
        threads = List.copyOf(threads);
        modules = List.copyOf(modules);
    }

    /** What a thread carries. */
    public enum Kind {
        GROUND,
        RAIL,
        PIN
    }

    /** What stands in a wire, as it is drawn on it. */
    public enum Mark {
        NONE,
        RESISTORS,
        CONVERTER,
        TRANSISTOR,
        LEFT
    }

    /**
     * An upright thread.
     *
     * @param end the rail or pin; for the common ground the board's own
     * @param label what leads in its name
     * @param tag what the pin is on the board: a bus line, the console; empty for plain pins
     * @param names all its names in one line
     */
    public record Thread(
            Endpoint end, Kind kind, String label, String tag, String names, boolean isUsed, boolean isReserved) {}

    /**
     * A module with its pins.
     *
     * @param id of the part; of wires to another board its node and "board"
     * @param place the part, or this node for wires to another board
     */
    public record Module(String id, Place place, String name, String purpose, List<Row> rows, boolean isFolded) {
        public Module {
            rows = List.copyOf(rows);
        }
    }

    /**
     * A pin of a module.
     *
     * @param thread the number of the thread it crosses, −1 when it goes nowhere
     * @param other the thread that the compared plan would put it on, −1 when that is the same one or none
     * @param family the colour family of its wire: {@code spi}, {@code i2c}, {@code supply}, …
     * @param volts the verdict on its levels, if any
     * @param load what flows in it, if that is known and matters
     */
    public record Row(
            Place place,
            String label,
            int thread,
            int other,
            Knot.Form form,
            String family,
            Mark mark,
            Optional<Verdict> volts,
            Optional<Load> load,
            boolean isLoose) {
        /** Whether a hand can move it. */
        public boolean isSignal() {
            return !family.equals("ground") && !family.equals("supply");
        }
    }

    /** What flows in a wire at the worst, and whether that is too much for what it comes from. */
    public record Load(Current current, boolean isTooMuch) {}

    public static LoomModel of(Assessment assessment, String nodeId) {
        return of(assessment, nodeId, LoomView.USUAL);
    }

    public static LoomModel of(Assessment assessment, String nodeId, LoomView view) {
        return new LoomMaker(assessment, nodeId, view).make();
    }

    /** How many rows are shown. */
    public int shownRows() {
        return modules.stream()
                .filter(module -> !module.isFolded())
                .mapToInt(module -> module.rows().size())
                .sum();
    }
}
