package inkel.app.state;

import inkel.app.lane.Trouble;
import inkel.app.words.Words;
import inkel.core.bench.fault.Layout;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.Meter;
import inkel.core.document.Node;
import inkel.core.quantity.Fact;
import inkel.core.wake.MoreLooks;
import inkel.core.wake.NodeWake;
import inkel.core.wake.WakePlan;
import inkel.core.wake.report.BoardReport;
import inkel.core.wake.report.ReportPlan;
import inkel.core.wake.report.SimulatedBoard;
import inkel.core.wiring.WireList;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** What boards report of themselves: read beside the window, kept when the builder says so. */
public final class ReportWork {
    /** No report is longer, in bytes. */
    static final int MOST = 1_000_000;

    private final Session session;
    private final ReadOnlyObjectWrapper<Found> latest = new ReadOnlyObjectWrapper<>();

    /** Counts what was given up: what was under way then is shown no more. */
    private int given;

    /**
     * A report as it was read for a board.
     *
     * @param other the board of this build that it is of, when that is another one
     */
    public record Found(String text, NodeWake wake, BoardReport report, Optional<Node> other) {}

    ReportWork(Session session) {
        this.session = session;
    }

    /** Null while nothing was read. */
    public ReadOnlyObjectProperty<Found> latestProperty() {
        return latest.getReadOnlyProperty();
    }

    /** What was read is of no use any more. */
    public void forget() {
        given++;
        latest.set(null);
    }

    /** Reads what a board printed. */
    public void read(String text) {
        Assessment assessment = session.assessmentProperty().get();
        String node = session.nodeProperty().get();
        Meter meter = session.wake().meterProperty().get();
        if (assessment == null || assessment.wires(node).isEmpty()) {
            return;
        }
        int now = given;
        Build build = assessment.build();
        WireList list = assessment.wires(node).orElseThrow();
        Layout layout =
                new Layout(assessment.reports().circuit(), assessment.reports().wires());
        session.draw(
                () -> {
                    NodeWake wake =
                            WakePlan.of(layout.circuit(), meter).node(node).orElseThrow();
                    BoardReport report = BoardReport.read(text, wake, list, new MoreLooks(layout, wake, meter));
                    return new Found(text, wake, report, other(build, report, node));
                },
                found -> {
                    if (now == given) {
                        latest.set(found);
                    }
                });
    }

    private static Optional<Node> other(Build build, BoardReport report, String node) {
        return report.board().filter(board -> !board.equals(node)).flatMap(build::node);
    }

    /** Shows the board that a report is of, and reads it for that one. */
    public void showOther() {
        Found found = latest.get();
        if (found != null && found.other().isPresent()) {
            session.nodeProperty().set(found.other().get().id());
            read(found.text());
        }
    }

    /** Reads a file that a board's lines were saved to. */
    public void open(Path file) {
        session.inBackground(() -> {
            try {
                if (Files.size(file) > MOST) {
                    session.lanes().screen().execute(() -> session.notices()
                            .trouble(Words.get("report.too_long", "file", file.getFileName())));
                    return;
                }
                String text = new String(Files.readAllBytes(file), StandardCharsets.UTF_8);
                session.lanes().screen().execute(() -> read(text));
            } catch (IOException failed) {
                Trouble.minor(ReportWork.class, "report not read", failed);
                session.lanes().screen().execute(() -> session.notices()
                        .trouble(Words.say(Fact.of("report.no_file").with("file", file.getFileName()))));
            }
        });
    }

    /** The board on the practice bench reports. */
    public void plug() {
        PracticeWork.Round round = session.practice().roundProperty().get();
        Assessment assessment = session.assessmentProperty().get();
        if (round == null || round.planted().isEmpty()) {
            return;
        }
        int now = given;
        WireList list = assessment.wires(round.node()).orElseThrow();
        session.draw(
                () -> new SimulatedBoard(
                                ReportPlan.of(round.planted().get().wake()),
                                list,
                                round.planted().get().bench())
                        .report(),
                text -> {
                    // A board that is not there reports to no other bench.
                    if (now == given) {
                        read(text);
                    }
                });
    }

    /** Takes all that was read into the record, as one step. */
    public void keep() {
        Found found = latest.get();
        if (found != null && session.wake().reported(found)) {
            session.notices()
                    .done(Words.get(
                            "report.kept", "count", found.report().taken().size()));
            forget();
        }
    }
}
