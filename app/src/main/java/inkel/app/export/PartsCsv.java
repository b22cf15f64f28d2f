package inkel.app.export;

import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.parts.PartsList;
import java.io.IOException;
import java.util.Locale;
import org.apache.commons.csv.CSVPrinter;

/** Everything that must lie on the table, one line for each kind of thing. */
public final class PartsCsv {
    private PartsCsv() {}

    public static String of(Assessment assessment) {
        return Csv.of(csv -> rows(assessment, csv), "node", "count", "kind", "what", "for");
    }

    private static void rows(Assessment assessment, CSVPrinter csv) throws IOException {
        for (var circuit : assessment.reports().circuit().nodes()) {
            for (PartsList.Line line : PartsList.of(circuit).lines()) {
                csv.printRecord(
                        circuit.node().name(),
                        line.count(),
                        line.kind().name().toLowerCase(Locale.ROOT),
                        Words.say(line.what()),
                        String.join(", ", line.uses()));
            }
        }
    }
}
