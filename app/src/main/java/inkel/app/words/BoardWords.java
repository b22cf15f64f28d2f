package inkel.app.words;

import inkel.core.boards.BoardTrial;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** What is said of a board that was tried. */
public final class BoardWords {
    private BoardWords() {}

    /** Whether it does, and if not, what is in the way. */
    public static String verdict(BoardTrial trial) {
        if (!trial.isKnown()) {
            return Words.get("boards.unknown");
        }
        if (!trial.isPlaced()) {
            return clash(trial);
        }
        if (trial.stop() == 0) {
            return trial.look() == 0 ? Words.get("boards.does") : Words.get("boards.does_with", "look", trial.look());
        }
        return Words.say(Fact.of("boards.stops")
                .with("stop", trial.stop())
                .with(
                        "what",
                        trial.stops().stream()
                                .map(code -> Words.get("finding.short." + code))
                                .toList()));
    }

    private static String clash(BoardTrial trial) {
        String signals = Words.get("boards.clash", "signals", trial.clash());
        return trial.shortage()
                .map(why -> PlanWords.shortage(why) + " " + signals)
                .orElse(signals);
    }

    /** What must come, what falls away, what moves and what is left, in one line each; none of a board without a place. */
    public static List<String> details(BoardTrial trial) {
        List<String> lines = new ArrayList<>();
        if (trial.isPlaced()) {
            List<String> added = added(trial);
            if (!added.isEmpty()) {
                lines.add(Words.get("boards.added", "what", added));
            }
            if (!trial.fallen().isEmpty()) {
                lines.add(Words.get("boards.fallen", "what", trial.fallen()));
            }
            if (!trial.isPresent()) {
                lines.add(Words.get("boards.moved", "count", trial.moved()));
            }
            lines.add(Words.say(Fact.of("boards.left")
                    .with("free", trial.freePins())
                    .with("pulses", trial.freePulses())
                    .with("analog", trial.freeAnalog())
                    .with("asked", trial.asked())));
        }
        if (!trial.lost().isEmpty()) {
            lines.add(Words.get(
                    "boards.lost",
                    "what",
                    trial.lost().stream().map(BoardWords::lost).toList()));
        }
        return lines;
    }

    /** Parts and what stands in wires, by name. */
    public static List<String> added(BoardTrial trial) {
        List<String> added = new ArrayList<>(trial.added());
        trial.pieces()
                .forEach(piece -> added.add(Words.say(Fact.of("boards.piece")
                        .with("kind", BetweenWords.kind(piece))
                        .with("signal", piece.signal()))));
        return added;
    }

    /** What has no place on the board. */
    public static String lost(BoardTrial.Lost lost) {
        String kind = lost.kind().name().toLowerCase(Locale.ROOT);
        return Words.say(
                Fact.of("boards.lost." + kind).with("what", lost.what()).with("was", lost.was()));
    }
}
