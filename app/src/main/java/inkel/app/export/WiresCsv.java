package inkel.app.export;

import inkel.app.words.WireWords;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;

/** The wire list as comma separated values, one wire a line in the order of work; leads of programmers come last. */
public final class WiresCsv {
    private WiresCsv() {}

    public static String of(Assessment assessment) {
        return Csv.of(
                csv -> rows(assessment, csv),
                "board",
                "number",
                "colour",
                "from",
                "from_place",
                "to",
                "to_place",
                "kind",
                "between",
                "plugged");
    }

    private static void rows(Assessment assessment, Csv.Table csv) throws IOException {
        for (WireList list : assessment.reports().wires()) {
            WireWords words = new WireWords(list.node());
            List<WireStep> all = new ArrayList<>(list.steps());
            all.addAll(list.programming());
            for (WireStep step : all) {
                csv.printRecord(
                        list.node().node().name(),
                        step.number(),
                        step.colour().text(),
                        words.name(step.from()),
                        words.place(step.from()),
                        words.name(step.to()),
                        words.place(step.to()),
                        Words.get("wire.kind." + step.kind().name().toLowerCase(java.util.Locale.ROOT)),
                        words.between(step),
                        step.plugged() ? "yes" : "no");
            }
        }
    }
}
