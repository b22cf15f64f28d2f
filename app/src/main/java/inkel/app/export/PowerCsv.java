package inkel.app.export;

import inkel.app.csv.Csv;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Rail;
import inkel.core.power.PowerReport;
import inkel.core.remedy.RailNames;
import java.io.IOException;
import java.util.List;
import java.util.Locale;

/** Every rail with what it gives, and under it every load, in SI units. */
public final class PowerCsv {
    private PowerCsv() {}

    public static String of(Assessment assessment) {
        return Csv.of(
                csv -> rows(assessment, csv),
                "node",
                "rail",
                "load",
                "volts_min_v",
                "volts_max_v",
                "rating_a",
                "average_a",
                "peak_a",
                "at_worst_a",
                "worst_moments");
    }

    private static void rows(Assessment assessment, Csv.Table csv) throws IOException {
        for (PowerReport.RailBudget budget : assessment.reports().power().budgets()) {
            rail(budget, csv);
        }
    }

    private static void rail(PowerReport.RailBudget budget, Csv.Table csv) throws IOException {
        Rail rail = budget.rail();
        String node = budget.node().node().name();
        String name = Words.say(RailNames.of(budget.node(), rail.id()));
        List<String> moments = budget.node().node().moments().stream()
                .filter(moment -> rail.worst().contains(moment.id()))
                .map(moment -> moment.name())
                .toList();
        csv.printRecord(
                node,
                name,
                "",
                rail.volts().map(volts -> number(volts.lowest().volts())).orElse(""),
                rail.volts().map(volts -> number(volts.highest().volts())).orElse(""),
                number(rail.rating().amperes()),
                number(rail.average().amperes()),
                number(rail.peak().amperes()),
                number(rail.peak().amperes()),
                String.join(", ", moments));
        for (Rail.Load load : rail.all()) {
            String part =
                    budget.node().part(load.pin().part()).orElseThrow().part().name();
            csv.printRecord(
                    node,
                    name,
                    part + " " + load.pin().pin(),
                    "",
                    "",
                    "",
                    number(load.average().amperes()),
                    number(load.peak().amperes()),
                    number(load.atWorst().amperes()),
                    "");
        }
    }

    private static String number(double value) {
        return String.format(Locale.ROOT, "%.6g", value);
    }
}
