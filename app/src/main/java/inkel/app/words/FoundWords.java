package inkel.app.words;

import inkel.core.boards.FoundLine;
import inkel.core.boards.FoundPlan;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Fact;
import inkel.core.remedy.PinNames;
import java.util.Locale;

/** What is said of a wiring that was found somewhere. */
public final class FoundWords {
    private FoundWords() {}

    /** What was understood of a line, or why not; empty for one that says nothing. */
    public static String line(NodeCircuit node, FoundLine line) {
        return switch (line.kind()) {
            case NOTHING -> "";
            case UNCLEAR -> Words.say(line.why().orElseThrow());
            default ->
                Words.say(Fact.of("found." + line.kind().name().toLowerCase(Locale.ROOT))
                        .with("signal", PinNames.of(node, line.signal().orElseThrow()))
                        .with("pin", line.pin().orElse("")));
        };
    }

    /** Where a wire goes here, and why it is another pin. */
    public static String change(NodeCircuit node, FoundPlan.Change change) {
        Fact said = change.now()
                .map(now -> Fact.of(change.why().isEmpty() ? "found.same" : "found.moved")
                        .with("now", pin(node, now)))
                .orElse(Fact.of("found.nowhere"));
        String sentence = Words.say(
                said.with("signal", PinNames.of(node, change.signal())).with("found", change.found()));
        return change.why().map(why -> sentence + " " + Words.say(why)).orElse(sentence);
    }

    private static Object pin(NodeCircuit node, Endpoint pin) {
        return PinNames.of(node, pin);
    }
}
