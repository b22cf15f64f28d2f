package inkel.app.ui.wake;

import inkel.app.state.WakeWork;
import inkel.app.ui.why.Explainer;
import inkel.app.ui.why.StageNotes;
import inkel.app.ui.why.Why;
import inkel.app.ui.why.Why.Line;
import inkel.app.ui.why.Why.Row;
import inkel.app.ui.why.Why.Section;
import inkel.app.ui.why.Why.Tone;
import inkel.app.ui.why.Why.Verdict;
import inkel.app.words.CauseWords;
import inkel.app.words.CheckWords;
import inkel.app.words.Words;
import inkel.core.bench.Band;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Meter;
import inkel.core.document.Place;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Share;
import inkel.core.quantity.Source;
import inkel.core.quantity.Unit;
import inkel.core.wake.Check;
import inkel.core.wake.Expected;
import inkel.core.wake.Result;
import inkel.core.wake.Status;
import inkel.core.wake.WakeState;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What the Why panel says of a check: how its band is made, what must hold before, and what waits for it. */
final class WakeNotes implements StageNotes {
    private static final int MOST_CAUSES = 5;
    private static final int MOST_WAITING = 6;

    private final WakeWork wake;

    WakeNotes(WakeWork wake) {
        this.wake = wake;
    }

    @Override
    public Optional<Why> instead(Assessment assessment, NodeCircuit node, Place place) {
        Check check = wake.currentProperty().get();
        Optional<WakeState> state = wake.of(assessment, node.node().id());
        return check == null
                        || state.isEmpty()
                        || state.get().wake().check(check.id()).isEmpty()
                ? Optional.empty()
                : Optional.of(why(assessment.reports().circuit(), node, state.get(), check));
    }

    private Why why(Circuit circuit, NodeCircuit node, WakeState state, Check check) {
        CheckWords words = new CheckWords(node);
        Result result = state.result(check);
        List<Section> sections = new ArrayList<>();
        check.band()
                .ifPresent(band -> sections.add(
                        Section.ofRows(Words.get("wake.why.band"), rows(circuit, node, words, check, band))));
        List<Line> first = lines(words, state.missing(check));
        if (!first.isEmpty()) {
            sections.add(Section.ofLines(Words.get("wake.why.first"), first));
        }
        List<Line> waiting = lines(words, state.wake().waitingFor(check));
        sections.add(Section.ofLines(
                Words.get("wake.why.waiting"),
                waiting.isEmpty() ? List.of(new Line(Tone.PLAIN, Words.get("wake.why.nothing_waits"))) : waiting));
        List<Line> care = new ArrayList<>();
        care.add(new Line(Tone.PLAIN, care(check)));
        Optional.of(check.at().part()).flatMap(node::part).ifPresent(placed -> placed.hazards()
                .forEach(hazard -> care.add(new Line(Tone.PLAIN, Words.get("hazard." + hazard.text())))));
        sections.add(Section.ofLines(Words.get("wake.why.care"), care));
        return new Why(
                words.title(check),
                words.how(check),
                verdict(words, check, result),
                sections,
                List.of(),
                List.of(),
                List.of());
    }

    private static String care(Check check) {
        return switch (check.kind()) {
            case OHMS -> Words.get("wake.why.care.off");
            case AMPERES -> Words.get("wake.why.care.amperes");
            default -> Words.get("wake.why.care.on");
        };
    }

    private static Optional<Verdict> verdict(CheckWords words, Check check, Result result) {
        if (result.status() == Status.OPEN || result.status() == Status.LEFT) {
            return Optional.empty();
        }
        if (result.status() == Status.STALE) {
            return Optional.of(new Verdict(Tone.LOOK, Words.get("wake.verdict.stale")));
        }
        Tone tone = result.holds() ? Tone.GOOD : Tone.STOP;
        String said = result.value().isPresent() && check.expected() instanceof Expected.Within within
                ? Words.show(result.value().get()) + ". "
                        + words.judged(check, within, result.value().get())
                : Words.get(result.holds() ? "wake.verdict.seen" : "wake.verdict.not_seen");
        return Optional.of(new Verdict(tone, said));
    }

    private static List<Line> lines(CheckWords words, List<Check> checks) {
        List<Line> lines = new ArrayList<>();
        checks.stream().limit(MOST_WAITING).forEach(check -> lines.add(new Line(Tone.PLAIN, words.title(check))));
        if (checks.size() > MOST_WAITING) {
            lines.add(new Line(Tone.PLAIN, "+" + (checks.size() - MOST_WAITING)));
        }
        return lines;
    }

    private List<Row> rows(Circuit circuit, NodeCircuit node, CheckWords words, Check check, Band band) {
        Unit unit = ((Expected.Within) check.expected()).unit();
        List<Row> rows = new ArrayList<>();
        band.causes().stream()
                .filter(cause -> CauseWords.isFelt(unit, cause))
                .limit(MOST_CAUSES)
                .forEach(cause -> rows.add(new Row(
                        CauseWords.say(circuit, node, cause.unknown()),
                        CauseWords.range(cause.unknown()),
                        Explainer.source(cause.unknown().source()))));
        if (check.isVolts()) {
            Meter meter = wake.meterProperty().get();
            rows.add(new Row(
                    Words.get("wake.why.meter"),
                    Words.say(Fact.of("wake.why.meter_is")
                            .with("accuracy", new Share(meter.accuracy()))
                            .with("digits", meter.digits())),
                    Explainer.source(Source.YOURS)));
        }
        rows.add(new Row(
                Words.get("wake.why.should"), words.expected(check.expected()), Explainer.source(Source.COMPUTED)));
        return rows;
    }
}
