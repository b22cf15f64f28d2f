package inkel.app.ui.stage;

import inkel.core.checks.Assessment;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;

/**
 * How far a stage is on one board.
 *
 * @param open what still waits for the builder
 * @param isDone whether it was begun and nothing waits
 */
public record Progress(long open, boolean isDone) {
    public static final Progress NOT_BEGUN = new Progress(0, false);

    /** As many as there are things to do; done when there are none. */
    public static Progress of(long open) {
        return new Progress(open, open == 0);
    }

    /** As many as there are findings that matter. */
    public static Progress ofFindings(Assessment assessment, String node, Stage stage) {
        return of(assessment.of(node, stage).stream()
                .filter(finding -> finding.severity() != Severity.NOTE)
                .count());
    }
}
