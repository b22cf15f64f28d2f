package inkel.app.state;

import inkel.app.csv.ReadingRows;
import inkel.app.lane.Trouble;
import inkel.app.words.FailureWords;
import inkel.app.words.SaidException;
import inkel.app.words.Words;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Meter;
import inkel.core.quantity.Fact;
import inkel.core.wake.BroughtReadings;
import inkel.core.wake.WakePlan;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;

/** Readings that were kept in a table, brought into the record. */
public final class ReadingsIn {
    private static final long MOST_BYTES = 4_000_000;
    private static final int BEGINNING = 2_000;
    private static final int MOST_TOLD = 6;

    private final Session session;

    ReadingsIn(Session session) {
        this.session = session;
    }

    /** Whether a file begins like a table of readings rather than anything else. */
    public static boolean isOne(Path file) {
        try (InputStream in = Files.newInputStream(file)) {
            return ReadingRows.isTable(new String(in.readNBytes(BEGINNING), StandardCharsets.UTF_8));
        } catch (IOException unreadable) {
            return false;
        }
    }

    /**
     * What a file has for a build.
     *
     * @throws IOException also, with a sentence, when it is no table or longer than anybody's
     */
    public static BroughtReadings read(Path file, Circuit circuit, Meter meter, Instant now) throws IOException {
        if (Files.size(file) > MOST_BYTES) {
            throw new SaidException(Words.get("brought.too_large", "most", MOST_BYTES / 1_000_000));
        }
        ReadingRows table = ReadingRows.of(text(file));
        if (table.problem().isPresent()) {
            throw new SaidException(Words.say(table.problem().get()));
        }
        return BroughtReadings.of(
                circuit.build(), WakePlan.of(circuit, meter), table.rows(), now, ZoneId.systemDefault());
    }

    private static String text(Path file) throws IOException {
        return new String(Files.readAllBytes(file), StandardCharsets.UTF_8);
    }

    /** How many were taken, and why others were not, a line each. */
    public static List<String> told(BroughtReadings found, Path file) {
        List<String> lines = new ArrayList<>();
        lines.add(Words.say(Fact.of(found.known() == 0 ? "brought.taken" : "brought.taken.known")
                .with("count", found.edits().size())
                .with("known", found.known())
                .with("file", file.getFileName())));
        for (BroughtReadings.Refused no : found.refused()) {
            lines.add(Words.say(Fact.of("brought.line").with("line", no.line()).with("why", Words.say(no.why()))));
        }
        return lines;
    }

    /** Takes them as one change, which is undone as one; into one's own build alone. */
    public void bringIn(Path file) {
        if (session.practice().isOn() || session.log().isLooking()) {
            session.notices().trouble(Words.say(Fact.of("brought.not_own").with("file", file.getFileName())));
            return;
        }
        session.build().ifPresent(build -> bringIn(file, Circuit.of(build, session.catalog())));
    }

    private void bringIn(Path file, Circuit circuit) {
        Meter meter = session.wake().meterProperty().get();
        Instant now = session.now();
        session.inBackground(() -> {
            try {
                BroughtReadings found = read(file, circuit, meter, now);
                session.lanes().screen().execute(() -> take(file, found, circuit.build()));
            } catch (IOException | RuntimeException failed) {
                Trouble.minor(ReadingsIn.class, "readings not brought in", failed);
                session.lanes().screen().execute(() -> session.notices()
                        .trouble(Words.say(Fact.of("brought.failed")
                                .with("file", file.getFileName())
                                .with("detail", FailureWords.say(failed)))));
            }
        });
    }

    private void take(Path file, BroughtReadings found, Build of) {
        if (!session.build().filter(of::equals).isPresent()) {
            // They stand on what is there: it was changed meanwhile.
            bringIn(file);
            return;
        }
        if (!found.edits().isEmpty() && !session.apply(found.edits())) {
            return;
        }
        List<String> lines = told(found, file);
        if (found.refused().isEmpty()) {
            session.notices().done(lines.get(0));
            return;
        }
        int more = lines.size() - 1 - MOST_TOLD;
        List<String> shown = new ArrayList<>(lines.subList(0, Math.min(lines.size(), MOST_TOLD + 1)));
        if (more > 0) {
            shown.add(Words.get("drawer.more_bad", "count", more));
        }
        session.notices().trouble(String.join("\n", shown));
    }
}
