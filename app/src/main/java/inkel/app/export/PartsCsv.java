package inkel.app.export;

import inkel.app.words.SeatWords;
import inkel.app.words.WireWords;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.parts.PartsList;
import inkel.core.seats.SeatPlan;
import inkel.core.wiring.Jumper;
import java.io.IOException;
import java.util.Locale;
import java.util.Map;

/** Everything that must lie on the table, one line for each kind of thing. */
public final class PartsCsv {
    private PartsCsv() {}

    public static String of(Assessment assessment) {
        return Csv.of(csv -> rows(assessment, csv), "node", "count", "kind", "what", "for");
    }

    private static void rows(Assessment assessment, Csv.Table csv) throws IOException {
        for (var circuit : assessment.reports().circuit().nodes()) {
            for (PartsList.Line line :
                    PartsList.of(assessment.reports().circuit(), circuit).lines()) {
                csv.printRecord(
                        circuit.node().name(),
                        line.count(),
                        line.kind().name().toLowerCase(Locale.ROOT),
                        Words.say(line.what()),
                        String.join(", ", line.uses()));
            }
            SeatPlan plan = Seated.of(assessment, circuit.node().id());
            if (plan.boards() > 0) {
                csv.printRecord(circuit.node().name(), plan.boards(), "breadboard", SeatWords.kind(plan), "");
            }
            for (Map.Entry<Jumper, Long> jumper : plan.jumpers().entrySet()) {
                csv.printRecord(circuit.node().name(), jumper.getValue(), "wire", WireWords.sort(jumper.getKey()), "");
            }
        }
    }
}
