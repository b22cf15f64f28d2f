package inkel.app.export.sheet;

import java.util.List;

/**
 * A build on paper.
 *
 * @param title what the build is called
 * @param under the day, and the plan's short name
 */
public record Sheet(String title, String under, List<Block> blocks) {
    public Sheet {
        blocks = List.copyOf(blocks);
    }

    /** A piece of the sheet. */
    public sealed interface Block {}

    /** Begins what is of one board. */
    public record Board(String name, String about) implements Block {}

    public record Heading(String text) implements Block {}

    /** A sentence; a caution stands out. */
    public record Text(String text, boolean isCaution) implements Block {}

    /** Rows under heads; a row has a cell for each column. */
    public record Table(List<Column> columns, List<List<String>> rows) implements Block {
        public Table {
            columns = List.copyOf(columns);
            rows = List.copyOf(rows);
        }
    }

    /**
     * A board as it lies on the table.
     *
     * @param top what is at the upper end
     * @param lines from top to bottom
     */
    public record Picture(String top, List<PinLine> lines) implements Block {
        public Picture {
            lines = List.copyOf(lines);
        }
    }

    /** The pins of both sides at one height, each side from left to right. */
    public record PinLine(List<PinText> left, List<PinText> right) {
        /** Where a row leaves places out. */
        public static final PinLine GAP = new PinLine(List.of(), List.of());

        public PinLine {
            left = List.copyOf(left);
            right = List.copyOf(right);
        }
    }

    /** A pin, and what goes to it; empty for one that is free. */
    public record PinText(String name, String taken) {}

    /**
     * A column of a table.
     *
     * @param width its share of the page, compared with the others
     * @param kind what is in it
     */
    public record Column(String head, int width, Kind kind) {}

    /** What is in a column. */
    public enum Kind {
        TEXT,
        NUMBER,
        /** Empty, to be ticked off by hand. */
        TICK
    }
}
