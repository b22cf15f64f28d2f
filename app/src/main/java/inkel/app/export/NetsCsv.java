package inkel.app.export;

import inkel.app.csv.Csv;
import inkel.app.words.WireWords;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.quantity.Fact;
import inkel.core.wiring.NetList;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireStep;
import java.io.IOException;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/** Every net with all its ends, one end a line. */
final class NetsCsv {
    private NetsCsv() {}

    static String of(Assessment assessment) {
        return Csv.of(csv -> rows(assessment, csv), "net", "kind", "board", "end", "place", "between");
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
                        words.place(end.terminal()),
                        pieces(end, words));
            }
        }
    }

    /** What stands in the wires to an end, and what leads from it to other nets: no end is joined through it. */
    private static String pieces(NetList.End end, WireWords words) {
        return end.table().steps().stream()
                .flatMap(step -> piece(step, end.terminal(), words).stream())
                .collect(Collectors.joining("; "));
    }

    private static Optional<String> piece(WireStep step, Terminal end, WireWords words) {
        boolean isFrom = step.from().equals(end);
        // At a row it would be one of many, and is told at its other end.
        boolean isTo = step.to().equals(end) && end instanceof Terminal.OnPin;
        if (step.fitting().isPresent() && (isFrom || isTo)) {
            return Optional.of(Words.say(Fact.of("nets.piece")
                    .with("piece", words.between(step))
                    .with("end", words.name(isFrom ? step.to() : step.from()))));
        }
        return step.inLine().isPresent() && isTo ? Optional.of(words.between(step)) : Optional.empty();
    }
}
