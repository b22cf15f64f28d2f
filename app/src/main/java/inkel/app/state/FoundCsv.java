package inkel.app.state;

import inkel.app.words.Words;
import java.io.IOException;
import java.io.StringReader;
import java.util.List;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;

/** The wire list of another build, as it is written for spreadsheets, brought into the form of a wiring that was found. */
public final class FoundCsv {
    private static final List<String> COLUMNS = List.of("from", "to");
    private static final String KIND = "kind";
    private static final String BOARD = "board";

    private FoundCsv() {}

    /**
     * One line for each wire from pin to pin or from a rail's row; any other text as it is.
     *
     * @param board what the builder calls the board that it is read for: of a list that has it only its wires count
     */
    public static String plain(String text, String board) {
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get();
        try (var read = format.parse(new StringReader(text))) {
            if (!read.getHeaderNames().containsAll(COLUMNS)) {
                return text;
            }
            List<CSVRecord> wires = read.getRecords();
            boolean hasBoard = wires.stream().anyMatch(wire -> isOf(wire, board));
            return wires.stream()
                    .filter(CSVRecord::isConsistent)
                    .filter(wire -> !hasBoard || isOf(wire, board))
                    .filter(wire -> !isOfAProgrammer(wire))
                    .map(wire -> pin(wire.get("from")) + " -> " + pin(wire.get("to")))
                    .collect(Collectors.joining("\n"));
        } catch (IOException | IllegalArgumentException | IllegalStateException noTable) {
            return text;
        }
    }

    private static boolean isOf(CSVRecord wire, String board) {
        return wire.isMapped(BOARD) && wire.isSet(BOARD) && wire.get(BOARD).equals(board);
    }

    /** Leads of a programmer are no wires of the table, and its pins are named like those of other parts. */
    private static boolean isOfAProgrammer(CSVRecord wire) {
        return wire.isMapped(KIND) && wire.get(KIND).equals(Words.get("wire.kind.programming"));
    }

    /** A row of the breadboard carries what its name says. */
    private static String pin(String written) {
        // What could be a formula is written with an apostrophe before it.
        String name = written.startsWith("'") ? written.substring(1) : written;
        return name.endsWith(" row") ? name.substring(0, name.length() - " row".length()) : name;
    }
}
