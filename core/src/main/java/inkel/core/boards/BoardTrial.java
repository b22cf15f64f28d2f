package inkel.core.boards;

import inkel.core.catalog.PartClass;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.edit.PutBoard;
import inkel.core.pins.Plan;
import inkel.core.quantity.Current;
import inkel.core.quantity.Fact;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * One board tried on a table.
 *
 * @param table the node as it was, for the names of its parts
 * @param isPresent whether it is the one that is there
 * @param clash the signals that find no pin; empty when all do
 * @param shortage how many of them want how few pins, where that is why
 * @param isKnown false when the search ended before it could tell
 * @param stop findings of the node to stop for
 * @param look findings of the node to look at
 * @param stops what those to stop for are, by their codes
 * @param added names of parts that must come to the table
 * @param pieces what must be put in wires on top of what stands there
 * @param fallen names of parts that it no longer needs
 * @param refed supply pins that hang on another rail than now, with that rail
 * @param railNames what these rails are called
 * @param moved wires that go elsewhere than now, ties not counted
 * @param freePins plain pins that are left
 * @param freePulses those of them that a timer drives
 * @param freeAnalog those of them that a converter reads
 * @param asked what the node takes from its sources at its worst
 * @param lost what was said of the old board and has no place on this one
 * @param edit takes it, as one change; empty for the one that is there, and where a signal finds no pin
 */
public record BoardTrial(
        PartClass board,
        Node table,
        boolean isPresent,
        List<Endpoint> clash,
        Optional<Plan.Shortage> shortage,
        boolean isKnown,
        int stop,
        int look,
        List<String> stops,
        List<String> added,
        List<Between> pieces,
        List<String> fallen,
        Map<Endpoint, Endpoint> refed,
        Map<Endpoint, Fact> railNames,
        int moved,
        int freePins,
        int freePulses,
        int freeAnalog,
        Current asked,
        List<Lost> lost,
        Optional<PutBoard> edit) {
    /** Boards that do come first: with least to stop for, to look at, to add and to move. */
    static final Comparator<BoardTrial> BEST_FIRST = Comparator.<BoardTrial>comparingInt(
                    trial -> trial.isPlaced() ? 0 : trial.isKnown() ? 2 : 1)
            .thenComparingInt(BoardTrial::stop)
            .thenComparingInt(BoardTrial::look)
            .thenComparingInt(trial -> trial.added().size() + trial.pieces().size())
            .thenComparingInt(trial -> trial.lost().size())
            .thenComparingInt(trial -> trial.isPresent() ? 0 : 1)
            .thenComparingInt(BoardTrial::moved)
            .thenComparing(trial -> trial.board().id());

    public BoardTrial {
        clash = List.copyOf(clash);
        stops = List.copyOf(stops);
        added = List.copyOf(added);
        pieces = List.copyOf(pieces);
        fallen = List.copyOf(fallen);
        refed = Collections.unmodifiableMap(new LinkedHashMap<>(refed));
        railNames = Map.copyOf(railNames);
        lost = List.copyOf(lost);
    }

    public boolean isPlaced() {
        return clash.isEmpty() && isKnown;
    }

    /** Whether it would do: everything has its pin, and there is nothing to stop for. */
    public boolean does() {
        return isPlaced() && stop == 0;
    }

    /**
     * Something that has no place on the new board.
     *
     * @param what a setting or figure by its key, a supply pin, or a signal
     * @param was what it was set to, or where it went
     */
    public record Lost(Kind kind, String what, String was) {
        /** What can be lost. */
        public enum Kind {
            SETTING,
            FIGURE,
            FEED,
            HOLD
        }
    }
}
