package inkel.app.export.sheet;

import inkel.app.export.sheet.Sheet.Column;
import inkel.app.export.sheet.Sheet.Kind;
import inkel.app.words.RecordWords;
import inkel.app.words.Words;
import inkel.core.document.Build;
import inkel.core.document.LogLine;
import inkel.core.io.document.PlanHash;
import inkel.core.log.Entry;
import inkel.core.log.Proof;
import inkel.core.log.Register;
import inkel.core.quantity.Fact;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;

/** The record on paper: what is proved at its head, then every line, the oldest first, by days. */
public final class RecordMaker {
    private RecordMaker() {}

    public static Sheet of(Build build, LocalDate today, ZoneId zone) {
        List<Sheet.Block> blocks = new ArrayList<>();
        Register register = Register.of(build);
        blocks.add(new Sheet.Board(
                Words.get("record.title"),
                Words.say(
                        Fact.of("record.lines").with("lines", register.entries().size()))));
        if (!build.log().broken().isEmpty()) {
            blocks.add(new Sheet.Text(
                    Words.get(
                            "log.broken",
                            "lines",
                            String.join(
                                    ", ",
                                    build.log().broken().stream()
                                            .map(line -> String.valueOf(line + 1))
                                            .toList())),
                    true));
        }
        proofs(build, zone, blocks);
        lines(register, zone, blocks);
        String under = Words.say(
                Fact.of("record.under").with("day", RecordWords.day(today)).with("plan", PlanHash.of(build)));
        return new Sheet(build.name(), under, blocks);
    }

    /** Each part that is for something, with what shows that it does it; heads the record and the sheet. */
    public static void proofs(Build build, ZoneId zone, List<Sheet.Block> blocks) {
        List<List<String>> rows = new ArrayList<>();
        for (Proof proof : Proof.of(build)) {
            rows.add(List.of(
                    RecordWords.place(build, proof.part()),
                    build.node(proof.part().node())
                            .flatMap(node -> node.part(proof.part().part()))
                            .orElseThrow()
                            .purpose(),
                    said(proof, zone)));
        }
        if (!rows.isEmpty()) {
            blocks.add(new Sheet.Heading(Words.get("log.proofs")));
            blocks.add(new Sheet.Table(
                    List.of(
                            new Column(Words.get("record.column.part"), 26, Kind.TEXT),
                            new Column(Words.get("record.column.purpose"), 40, Kind.TEXT),
                            new Column(Words.get("record.column.proof"), 34, Kind.TEXT)),
                    rows));
        }
    }

    private static String said(Proof proof, ZoneId zone) {
        String state = Words.get("log.proof." + proof.state().name().toLowerCase(Locale.ROOT));
        return proof.by()
                .map(by -> state + ", " + RecordWords.when(by, zone) + ": " + RecordWords.what(Entry.alone(by)))
                .orElse(state);
    }

    private static void lines(Register register, ZoneId zone, List<Sheet.Block> blocks) {
        LocalDate day = null;
        List<List<String>> rows = new ArrayList<>();
        List<Entry> oldestFirst = new ArrayList<>(register.entries());
        Collections.reverse(oldestFirst);
        for (Entry entry : oldestFirst) {
            LocalDate own = RecordWords.date(entry.line(), zone);
            if (!own.equals(day)) {
                add(day, rows, blocks);
                rows = new ArrayList<>();
                day = own;
            }
            rows.add(row(register.build(), entry, zone));
        }
        add(day, rows, blocks);
    }

    private static List<String> row(Build build, Entry entry, ZoneId zone) {
        LogLine line = entry.line();
        String picture =
                line instanceof LogLine.Noted noted && !noted.picture().isEmpty() ? "\n" + noted.picture() : "";
        return List.of(
                String.valueOf(entry.number() + 1),
                RecordWords.time(line, zone),
                RecordWords.sort(entry.sort()),
                RecordWords.place(build, line.place()),
                RecordWords.what(entry) + (entry.counts() ? "" : " " + Words.get("log.counts_no_more")) + picture,
                RecordWords.value(entry));
    }

    private static void add(LocalDate day, List<List<String>> rows, List<Sheet.Block> blocks) {
        if (!rows.isEmpty()) {
            blocks.add(new Sheet.Heading(RecordWords.day(day)));
            blocks.add(new Sheet.Table(
                    List.of(
                            new Column(Words.get("record.column.line"), 6, Kind.NUMBER),
                            new Column(Words.get("record.column.time"), 8, Kind.TEXT),
                            new Column(Words.get("record.column.sort"), 13, Kind.TEXT),
                            new Column(Words.get("record.column.place"), 20, Kind.TEXT),
                            new Column(Words.get("record.column.what"), 39, Kind.TEXT),
                            new Column(Words.get("record.column.value"), 14, Kind.NUMBER)),
                    rows));
        }
    }
}
