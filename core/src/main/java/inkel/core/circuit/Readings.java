package inkel.core.circuit;

import inkel.core.document.Build;
import inkel.core.document.Edit;
import inkel.core.document.Endpoint;
import inkel.core.document.LogEntry;
import inkel.core.document.Reading;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** What the log says of levels that were measured; a later line takes the place of an earlier one. */
final class Readings {
    private Readings() {}

    /** The readings of one node, by the signal whose wire was measured. */
    static Map<Endpoint, Reading> of(Build build, String nodeId) {
        Map<Endpoint, Reading> readings = new HashMap<>();
        String stem = nodeId + "/";
        for (LogEntry entry : build.log()) {
            if (entry.kind().equals(Edit.Measure.KIND) && entry.place().startsWith(stem)) {
                Endpoint.parse(entry.place().substring(stem.length()))
                        .ifPresent(signal ->
                                readings.put(signal, with(readings.getOrDefault(signal, Reading.NONE), entry)));
            }
        }
        return readings;
    }

    /** The text is {@code high 3.58 V}, {@code low 0.2 V}, or the word alone to take the reading back. */
    private static Reading with(Reading known, LogEntry entry) {
        String[] words = entry.text().split(" ", 2);
        Optional<Voltage> volts = words.length < 2
                ? Optional.empty()
                : Engineering.parse(words[1], Unit.VOLT).map(Voltage::ofVolts);
        return switch (words[0]) {
            case Edit.Measure.HIGH -> new Reading(volts, known.low());
            case Edit.Measure.LOW -> new Reading(known.high(), volts);
            default -> known;
        };
    }
}
