package inkel.app.export;

import inkel.app.csv.Csv;
import inkel.app.words.RecordWords;
import inkel.core.checks.Assessment;
import inkel.core.document.Foretold;
import inkel.core.document.LogLine;
import inkel.core.log.Entry;
import inkel.core.log.Register;
import inkel.core.quantity.Quantity;
import java.io.IOException;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;

/** Every reading of the record in SI units, with what was foretold then, and every number that a bench found. */
public final class ReadingsCsv {
    private ReadingsCsv() {}

    public static String of(Assessment assessment) {
        return Csv.of(
                csv -> rows(assessment, csv),
                "line",
                "at",
                "place",
                "name",
                "what",
                "value",
                "unit",
                "off",
                "foretold_low",
                "foretold_high",
                "counts",
                "by",
                "text",
                "check");
    }

    private static void rows(Assessment assessment, Csv.Table csv) throws IOException {
        List<Entry> entries = Register.of(assessment.build()).entries();
        for (int i = entries.size() - 1; i >= 0; i--) {
            Entry entry = entries.get(i);
            if (entry.line() instanceof LogLine.Measured measured) {
                csv.printRecord(
                        entry.number() + 1,
                        measured.at(),
                        measured.place(),
                        RecordWords.place(assessment.build(), measured.place()),
                        measured.what().text(),
                        number(measured.value().si()),
                        measured.value().unit().symbol(),
                        "",
                        end(measured.foretold().flatMap(Foretold::low)),
                        end(measured.foretold().flatMap(Foretold::high)),
                        entry.counts() ? "yes" : "no",
                        measured.by().text(),
                        measured.text(),
                        measured.foretold().map(Foretold::check).orElse(""));
            } else if (entry.line() instanceof LogLine.Tuned tuned) {
                for (var found : tuned.tuning().numbers().entrySet()) {
                    csv.printRecord(
                            entry.number() + 1,
                            tuned.at(),
                            tuned.place(),
                            RecordWords.place(assessment.build(), tuned.place()),
                            found.getKey(),
                            number(found.getValue().value().si()),
                            found.getValue().value().unit().symbol(),
                            number(found.getValue().off()),
                            "",
                            "",
                            entry.counts() ? "yes" : "no",
                            tuned.by().text(),
                            "",
                            "");
                }
            }
        }
    }

    private static String end(Optional<Quantity> end) {
        return end.map(value -> number(value.si())).orElse("");
    }

    private static String number(double value) {
        return new BigDecimal(String.valueOf(value)).toPlainString();
    }
}
