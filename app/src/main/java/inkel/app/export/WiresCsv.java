package inkel.app.export;

import inkel.app.csv.Csv;
import inkel.app.state.Seated;
import inkel.app.words.SeatWords;
import inkel.app.words.WireWords;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.seats.SeatPlan;
import inkel.core.wiring.Jumper;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

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
                "plugged",
                "hole_from",
                "hole_to",
                "length_m",
                "through");
    }

    /** Of all its wires together; nothing where none is to be got, or nobody knows. */
    private static String length(SeatPlan plan, WireStep step) {
        double metres = plan.runs(step).stream()
                .mapToDouble(run -> run.length().metres())
                .sum();
        boolean isOfLongLine = step.jumper(plan.node())
                .filter(jumper -> jumper.kind() == Jumper.Kind.TWISTED)
                .isPresent();
        return metres == 0 || isOfLongLine ? "" : String.format(Locale.ROOT, "%.3f", metres);
    }

    private static void rows(Assessment assessment, Csv.Table csv) throws IOException {
        for (SeatPlan plan : Seated.of(assessment)) {
            WireList list = plan.list();
            WireWords words = new WireWords(list.node());
            SeatWords seats = new SeatWords(plan);
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
                        Words.get("wire.kind." + step.kind().name().toLowerCase(Locale.ROOT)),
                        words.between(step),
                        step.plugged() ? "yes" : "no",
                        seats.from(step).map(seats::hole).orElse(""),
                        seats.to(step).map(seats::hole).orElse(""),
                        length(plan, step),
                        String.join("; ", seats.runs(step)));
            }
        }
    }
}
