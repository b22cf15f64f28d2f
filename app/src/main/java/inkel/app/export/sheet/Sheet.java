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
