package inkel.app.ui.levels;

import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Place;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Leave;
import inkel.core.document.edit.LeaveNodeWire;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.Verdict;
import inkel.core.levels.BoardLink;
import inkel.core.levels.Judged;
import inkel.core.levels.LevelReport;
import inkel.core.levels.Link;
import inkel.core.quantity.Fact;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A wire in the list of Levels: on the node's own board, or from or to another board.
 *
 * @param judged its worst direction, or its worst hop
 * @param place what is selected with it: the signal, or this node's end of a wire to another board
 * @param name whose wire it is, in words
 * @param isStopped whether something of its levels is to be stopped for, whatever arrives by the numbers
 */
record LevelEntry(Judged judged, Place place, String name, boolean isStopped) {
    /** Every wire of a node that can be judged: in the order of its parts, those to other boards last. */
    static List<LevelEntry> of(Assessment assessment, NodeCircuit node) {
        LevelReport report = assessment.reports().levels();
        List<LevelEntry> entries = new ArrayList<>();
        node.signals().map(node::place).forEach(place -> report.of(place).stream()
                .findFirst()
                .map(link -> new LevelEntry(link, place, name(node, link), isStopped(assessment, place)))
                .ifPresent(entries::add));
        String here = node.node().id();
        assessment.reports().circuit().links().stream()
                .filter(wire -> wire.touches(here))
                .forEach(wire -> report.of(wire).stream().findFirst().ifPresent(hop -> {
                    boolean isSent = wire.from().node().equals(here);
                    Place there = isSent ? wire.to() : wire.from();
                    String far = assessment
                            .circuit(there.node())
                            .map(other -> other.node().name())
                            .orElse("");
                    entries.add(new LevelEntry(
                            hop,
                            isSent ? wire.from() : wire.to(),
                            Words.say(Fact.of(isSent ? "levels.to_board" : "levels.from_board")
                                    .with("node", far)
                                    .with("pin", there.pin())),
                            isStopped(assessment, wire.from())));
                }));
        return entries;
    }

    /** Whether the numbers are fine and yet it is to be stopped for, as on the wrong side of a shifter. */
    boolean isWrong() {
        return isStopped && judged.verdict() == Verdict.FINE;
    }

    private static boolean isStopped(Assessment assessment, Place place) {
        return assessment.at(place).stream()
                .anyMatch(finding -> finding.severity() == Severity.STOP
                        && finding.rule().stage() == Stage.LEVELS
                        && finding.places().contains(place));
    }

    private static String name(NodeCircuit node, Link link) {
        return node.part(link.signal().part()).orElseThrow().part().name();
    }

    Optional<LadderModel> ladder(Assessment assessment, NodeCircuit node) {
        return judged instanceof BoardLink board
                ? LadderModel.of(assessment, board.link())
                : LadderModel.of(assessment, node, place);
    }

    /** Where a reading on it belongs: the end that listens. */
    Place measuredAt() {
        return judged instanceof BoardLink board ? board.link().to() : place;
    }

    Edit left(String reason, Instant now) {
        return judged instanceof BoardLink board
                ? new LeaveNodeWire(board.link(), reason, now)
                : new Leave(place.node(), place.endpoint(), reason, now);
    }
}
