package inkel.app.export;

import inkel.app.csv.Csv;
import inkel.app.words.WireWords;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.wiring.NetList;
import java.io.IOException;
import java.util.Locale;

/** Every net with all its ends, one end a line. */
final class NetsCsv {
    private NetsCsv() {}

    static String of(Assessment assessment) {
        return Csv.of(csv -> rows(assessment, csv), "net", "kind", "board", "end", "place");
    }

    private static void rows(Assessment assessment, Csv.Table csv) throws IOException {
        int number = 0;
        for (NetList.Net net : NetList.of(
                        assessment.reports().circuit(), assessment.reports().wires())
                .nets()) {
            number++;
            String kind = Words.get("wire.kind." + net.kind().name().toLowerCase(Locale.ROOT));
            for (NetList.End end : net.ends()) {
                WireWords words = new WireWords(end.table().node());
                csv.printRecord(
                        number,
                        kind,
                        end.table().node().node().name(),
                        words.name(end.terminal()),
                        words.place(end.terminal()));
            }
        }
    }
}
