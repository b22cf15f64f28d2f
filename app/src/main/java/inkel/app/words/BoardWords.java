package inkel.app.words;

import inkel.core.boards.BoardTrial;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

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
        String signals = Words.get(
                "boards.clash",
                "signals",
                trial.clash().stream().map(signal -> name(trial, signal)).toList());
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
            lines.addAll(refed(trial));
            if (!trial.isPresent()) {
                lines.add(
                        trial.moved() == 0
                                ? Words.get("boards.stays")
                                : Words.get("boards.moved", "count", trial.moved()));
            }
            lines.add(Words.say(Fact.of("boards.left")
                    .with("free", trial.freePins())
                    .with("pulses", trial.freePulses())
                    .with("analog", trial.freeAnalog())
                    .with("asked", trial.asked())));
            if (!trial.lost().isEmpty()) {
                lines.add(Words.get("boards.lost", "what", lost(trial)));
            }
        }
        return lines;
    }

    /** Parts and what stands in wires, by name. */
    public static List<String> added(BoardTrial trial) {
        List<String> added = new ArrayList<>(trial.added());
        trial.pieces()
                .forEach(piece -> added.add(Words.say(Fact.of("boards.piece")
                        .with("kind", BetweenWords.kind(piece))
                        .with("signal", name(trial, piece.signal())))));
        return added;
    }

    /** What hangs on another rail than now, a line for each rail. */
    private static List<String> refed(BoardTrial trial) {
        Map<Endpoint, Set<String>> parts = new LinkedHashMap<>();
        trial.refed().forEach((pin, rail) -> parts.computeIfAbsent(rail, key -> new LinkedHashSet<>())
                .add(trial.table().part(pin.part()).orElseThrow().name()));
        return parts.entrySet().stream()
                // The board that would be there has no name on this table yet.
                .map(fed -> Words.say(
                        Fact.of(fed.getKey().part().equals(Part.BOARD) ? "boards.refed.board" : "boards.refed")
                                .with("rail", trial.railNames().get(fed.getKey()))
                                .with("pin", fed.getKey().pin())
                                .with("what", List.copyOf(fed.getValue()))))
                .toList();
    }

    /** What has no place on the board. */
    public static List<String> lost(BoardTrial trial) {
        return trial.lost().stream().map(lost -> lost(trial, lost)).toList();
    }

    private static String lost(BoardTrial trial, BoardTrial.Lost lost) {
        boolean isOfPins = lost.kind() == BoardTrial.Lost.Kind.FEED || lost.kind() == BoardTrial.Lost.Kind.HOLD;
        return Words.say(Fact.of("boards.lost." + lost.kind().name().toLowerCase(Locale.ROOT))
                .with("what", isOfPins ? name(trial, lost.what()) : lost.what())
                .with("was", isOfPins ? name(trial, lost.was()) : lost.was()));
    }

    /** A pin by the name of its part; a part that is not on the table yet by its id. */
    private static String name(BoardTrial trial, Endpoint pin) {
        return trial.table().part(pin.part()).map(Part::name).orElse(pin.part()) + " " + pin.pin();
    }

    private static String name(BoardTrial trial, String pin) {
        return Endpoint.parse(pin).map(found -> name(trial, found)).orElse(pin);
    }
}
