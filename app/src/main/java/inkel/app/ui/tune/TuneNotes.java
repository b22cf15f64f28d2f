package inkel.app.ui.tune;

import inkel.app.state.TuneWork;
import inkel.app.ui.tune.link.RadioWords;
import inkel.app.ui.tune.servo.ServoWords;
import inkel.app.ui.why.StageNotes;
import inkel.app.ui.why.Why;
import inkel.app.ui.why.Why.Line;
import inkel.app.ui.why.Why.Row;
import inkel.app.ui.why.Why.Section;
import inkel.app.ui.why.Why.Tone;
import inkel.app.ui.why.Why.Verdict;
import inkel.app.words.NumberWords;
import inkel.app.words.PartWords;
import inkel.app.words.Words;
import inkel.core.catalog.BenchKind;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Place;
import inkel.core.document.Tuning;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.quantity.Fact;
import inkel.core.tune.Constant;
import inkel.core.tune.Draft;
import inkel.core.tune.radio.RadioNet;
import inkel.core.tune.servo.ServoDraft;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What the Why panel says of a bench: the numbers with where they come from, and the constants for the code. */
final class TuneNotes implements StageNotes {
    private static final int DIGITS = 3;

    private final TuneWork work;

    TuneNotes(TuneWork work) {
        this.work = work;
    }

    @Override
    public Optional<Why> instead(Assessment assessment, NodeCircuit node, Place place) {
        TuneWork.At at = work.currentProperty().get();
        boolean isHere = at != null && at.part().node().equals(node.node().id());
        return isHere ? node.part(at.part().part()).map(placed -> why(assessment, placed, at)) : Optional.empty();
    }

    private Why why(Assessment assessment, Placed placed, TuneWork.At at) {
        Optional<Tuning> tuning = work.draft(at).map(Draft::tuning);
        List<Section> sections = new ArrayList<>();
        tuning.filter(found -> !found.numbers().isEmpty())
                .ifPresent(found -> sections.add(Section.ofRows(Words.get("tune.why.numbers"), rows(found))));
        work.radios(at).flatMap(net -> net.end(at.part())).ifPresent(end -> RadioWords.sections(
                        work.radios(at).orElseThrow(), end)
                .forEach(sections::add));
        List<Constant> constants = work.draft(at).map(Draft::constants).orElse(List.of());
        if (!constants.isEmpty()) {
            sections.add(Section.ofLines(
                    Words.get("tune.why.code"),
                    constants.stream()
                            .map(one -> new Line(Tone.PLAIN, one.name() + " " + one.value()))
                            .toList()));
        }
        List<String> care = PartWords.care(placed.cls(), placed.hazards());
        if (!care.isEmpty()) {
            sections.add(Section.ofLines(
                    Words.get("tune.why.care"),
                    care.stream().map(said -> new Line(Tone.PLAIN, said)).toList()));
        }
        List<Place> places = work.radios(at)
                .map(net -> net.ends().stream()
                        .flatMap(end -> end.station().radio().stream())
                        .toList())
                .orElse(List.of(at.part()));
        List<Finding> findings = places.stream()
                .flatMap(one -> assessment.at(one).stream())
                .filter(finding -> finding.rule().stage() == Stage.TUNE || isOfModem(at, finding))
                .filter(finding -> places.size() == 1 || finding.code().startsWith("radio."))
                .toList();
        List<Fix> ways =
                findings.stream().flatMap(finding -> finding.fixes().stream()).toList();
        return new Why(
                placed.part().name(),
                Words.get("tune.bench." + at.bench().text()),
                verdict(at, findings),
                sections,
                ways,
                List.of(),
                List.of());
    }

    /** A modem answers or starts anew by its supply and its levels: what is wrong there is to be mended first. */
    private static boolean isOfModem(TuneWork.At at, Finding finding) {
        Stage stage = finding.rule().stage();
        return at.bench() == BenchKind.MODEM
                && (stage == Stage.POWER || stage == Stage.LEVELS)
                && finding.severity() != Severity.NOTE;
    }

    private Optional<Verdict> verdict(TuneWork.At at, List<Finding> findings) {
        if (!findings.isEmpty()) {
            return Optional.of(new Verdict(
                    findings.get(0).severity() == Severity.STOP ? Tone.STOP : Tone.LOOK,
                    Words.say(findings.get(0).sentence())));
        }
        boolean isStale = work.kept(at).isEmpty() && work.stale(at).isPresent();
        if (isStale) {
            return Optional.of(new Verdict(Tone.LOOK, Words.get("tune.state.stale")));
        }
        Optional<RadioNet> net = work.radios(at);
        return net.isPresent()
                ? net.get().end(at.part()).flatMap(end -> RadioWords.verdict(net.get(), end))
                : work.servos().of(at).flatMap(TuneNotes::ends);
    }

    private static Optional<Verdict> ends(ServoDraft draft) {
        return draft.ends().isKnown()
                ? Optional.of(new Verdict(
                        Tone.GOOD,
                        Words.say(Fact.of("tune.servo.found")
                                .with("low", ServoWords.micros(draft.low()))
                                .with("high", ServoWords.micros(draft.high())))))
                : Optional.empty();
    }

    private static List<Row> rows(Tuning tuning) {
        List<Row> rows = new ArrayList<>();
        tuning.numbers()
                .forEach((name, found) -> rows.add(new Row(
                        NumberWords.name(name),
                        NumberWords.say(found),
                        Words.get("source." + found.source().name().toLowerCase(Locale.ROOT)))));
        return rows;
    }
}
