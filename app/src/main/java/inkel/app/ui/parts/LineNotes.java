package inkel.app.ui.parts;

import inkel.app.ui.why.Explainer;
import inkel.app.ui.why.Why.Line;
import inkel.app.ui.why.Why.Section;
import inkel.app.ui.why.Why.Tone;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.document.Place;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.RemoveNodeWire;
import inkel.core.finding.Fix;
import inkel.core.lines.LineReport;
import inkel.core.lines.LineStation;
import inkel.core.lines.LongLine;
import inkel.core.lines.Stretch;
import inkel.core.lines.rules.JoinFix;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What the Why panel says of the long line that a transceiver hangs on, and what can be done about it. */
final class LineNotes {
    private LineNotes() {}

    static List<Section> sections(Assessment assessment, Place part) {
        LineReport report = assessment.reports().lines();
        return report.station(part)
                .flatMap(report::line)
                .map(line -> List.of(Section.ofLines(
                        Words.get("pair.section"),
                        line.stations().stream()
                                .map(station -> new Line(Tone.PLAIN, said(line, station)))
                                .toList())))
                .orElse(List.of());
    }

    private static String said(LongLine line, LineStation station) {
        Fact said = Fact.of(
                        station.terminator().isPresent()
                                ? "pair.station.terminated"
                                : line.ends().contains(station) ? "pair.station.end" : "pair.station")
                .with("part", station.placed().part().name())
                .with("node", station.node().node().name());
        return Words.say(
                station.terminator().map(with -> said.with("terminator", with)).orElse(said));
    }

    static List<Fix> actions(Assessment assessment, Place part) {
        LineReport report = assessment.reports().lines();
        Optional<LineStation> found = report.station(part);
        if (found.isEmpty()) {
            return List.of();
        }
        LineStation station = found.get();
        List<Fix> actions = new ArrayList<>();
        // Where that is the way out of what is shown first it stands there already.
        boolean isTold = assessment.findings().stream()
                .filter(finding -> finding.place().equals(part))
                .findFirst()
                .filter(finding -> finding.code().equals("pair.open"))
                .isPresent();
        if (!isTold) {
            report.partners(station).forEach(other -> actions.add(JoinFix.of(report, station, other, other)));
        }
        report.line(station).stream()
                .flatMap(line -> line.stretches().stream())
                .filter(stretch ->
                        stretch.one().equals(station) || stretch.other().equals(station))
                .map(stretch -> off(station, stretch))
                .forEach(actions::add);
        boolean isOn = station.terminator().isPresent();
        actions.add(Explainer.action(
                "terminator-" + (isOn ? "off" : "on"),
                Fact.of(isOn ? "action.terminator_off" : "action.terminator_on"),
                Fact.of("action.terminator.cost")
                        .with("terminator", station.pair().terminator()),
                station.terminated(!isOn)));
        return actions;
    }

    private static Fix off(LineStation station, Stretch stretch) {
        LineStation other = stretch.one().equals(station) ? stretch.other() : stretch.one();
        return new Fix(
                "line-off-" + other.node().node().id() + "-" + other.placed().id(),
                Fact.of("action.line_off")
                        .with("part", other.placed().part().name())
                        .with("node", other.node().node().name()),
                Fact.of("action.line_off.cost"),
                stretch.wires().stream().<Edit>map(RemoveNodeWire::new).toList());
    }
}
