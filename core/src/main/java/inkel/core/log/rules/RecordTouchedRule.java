package inkel.core.log.rules;

import inkel.core.circuit.Circuit;
import inkel.core.document.Logbook;
import inkel.core.document.Place;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import java.util.List;
import java.util.stream.Collectors;

/** Names the lines of the record that are not those that were sealed: a note, since whoever mends a file by hand may do so. */
public final class RecordTouchedRule implements Rule<Circuit> {
    private static final RuleInfo INFO = new RuleInfo("record.touched", Severity.NOTE, Stage.LOG);

    /** More lines than anybody would look up. */
    private static final int MOST = 5;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(Circuit circuit) {
        Logbook log = circuit.build().log();
        List<Integer> broken = log.broken();
        if (broken.isEmpty()) {
            return List.of();
        }
        String lines = broken.stream()
                .limit(MOST)
                .map(line -> String.valueOf(line + 1))
                .collect(Collectors.joining(", "));
        Place whole = Place.ofNode(circuit.build().nodes().get(0).id());
        return List.of(Finding.of(INFO, whole)
                .with("lines", lines)
                .with("count", broken.size())
                .build());
    }
}
