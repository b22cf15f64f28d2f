package inkel.app.ui.why;

import inkel.app.ui.why.Why.Line;
import inkel.app.ui.why.Why.Row;
import inkel.app.ui.why.Why.Section;
import inkel.app.ui.why.Why.Tone;
import inkel.app.ui.why.Why.Verdict;
import inkel.app.words.Words;
import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import inkel.core.remedy.PinNames;
import inkel.core.remedy.PutParts;
import inkel.core.remedy.RailNames;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Makes what the Why panel says from an assessment and what is selected. */
public final class Explainer {
    private final Assessment assessment;
    private final NodeCircuit node;
    private final Stage stage;
    private final StageNotes notes;

    private Explainer(Assessment assessment, NodeCircuit node, Stage stage, StageNotes notes) {
        this.assessment = assessment;
        this.node = node;
        this.stage = stage;
        this.notes = notes;
    }

    Assessment assessment() {
        return assessment;
    }

    NodeCircuit node() {
        return node;
    }

    StageNotes notes() {
        return notes;
    }

    /**
     * @param notes what the stage adds
     * @param selected null for the node as a whole
     */
    public static Why explain(Assessment assessment, String nodeId, Stage stage, StageNotes notes, Place selected) {
        NodeCircuit node = assessment.circuit(nodeId).orElseThrow();
        Explainer explainer = new Explainer(assessment, node, stage, notes);
        Optional<Why> whole = notes.whole(assessment, node);
        if (whole.isPresent()) {
            return whole.get();
        }
        if (selected == null
                || !selected.node().equals(nodeId)
                || selected.part().isEmpty()) {
            return explainer.overview();
        }
        return notes.instead(assessment, node, selected)
                .orElseGet(() -> selected.isPart()
                        ? explainer.part(selected)
                        : node.rail(selected.endpoint()).isPresent()
                                ? RailWhy.of(explainer, selected)
                                : PinWhy.of(explainer, selected));
    }

    /** A finding in full, chosen from several at one place. */
    public static Why explain(Assessment assessment, Stage stage, Finding finding) {
        NodeCircuit node = assessment.circuit(finding.place().node()).orElseThrow();
        Explainer explainer = new Explainer(assessment, node, stage, StageNotes.NONE);
        List<Finding> others = assessment.at(finding.place()).stream()
                .filter(other -> other != finding)
                .toList();
        return explainer.withFinding(explainer.nameOf(finding.place()), finding, List.of(), others);
    }

    /** A class that is not on the table yet. */
    public static Why explain(Assessment assessment, String nodeId, PartClass cls) {
        NodeCircuit node = assessment.circuit(nodeId).orElseThrow();
        Explainer explainer = new Explainer(assessment, node, Stage.PARTS, StageNotes.NONE);
        Placed trial = new Placed(Part.of("trial", cls.id(), cls.name(), ""), cls);
        Why why = new Why(cls.name(), cls.summary(), Optional.empty(), PartWhy.sections(trial), List.of(), List.of());
        if (cls.kind() == Kind.BOARD) {
            return why;
        }
        return why.withActions(List.of(
                add(assessment, nodeId, cls, 1, "action.add"),
                add(assessment, nodeId, cls, 2, "action.add_more"),
                add(assessment, nodeId, cls, 4, "action.add_more")));
    }

    public static Fix add(Assessment assessment, String nodeId, PartClass cls, int count, String key) {
        return new Fix(
                "add-" + count,
                Fact.of(key)
                        .with("count", count)
                        .with(
                                "node",
                                assessment.circuit(nodeId).orElseThrow().node().name()),
                Fact.of("action.add.cost"),
                List.of(new PutParts.Put(nodeId, assessment.reports().circuit().catalog(), cls, count)));
    }

    // --- nothing selected

    private Why overview() {
        String id = node.node().id();
        List<Finding> here = assessment.of(id, stage);
        List<Finding> elsewhere = assessment.findings().stream()
                .filter(finding -> finding.place().node().equals(id))
                .filter(finding -> finding.rule().stage() != stage)
                .toList();
        List<Finding> all = new ArrayList<>(here);
        all.addAll(elsewhere);
        long stops = all.stream()
                .filter(finding -> finding.severity() == Severity.STOP)
                .count();
        long looks = all.stream()
                .filter(finding -> finding.severity() == Severity.LOOK)
                .count();
        boolean isOnlyNoted = stops + looks == 0;
        Verdict verdict = all.isEmpty()
                ? new Verdict(Tone.GOOD, Words.get("why.all_good"))
                : new Verdict(
                        stops > 0 ? Tone.STOP : isOnlyNoted ? Tone.GOOD : Tone.LOOK,
                        Words.say(
                                isOnlyNoted
                                        ? Fact.of("why.counts.notes").with("note", all.size())
                                        : Fact.of("why.counts")
                                                .with("stop", stops)
                                                .with("look", looks)));
        return new Why(node.node().name(), node.board().cls().name(), Optional.of(verdict), List.of(), List.of(), all);
    }

    // --- a finding

    Why withFinding(String title, Finding finding, List<Section> more, List<Finding> others) {
        List<Section> sections = new ArrayList<>();
        List<Row> rows = finding.evidence().stream()
                .map(evidence -> new Row(
                        Words.get("number." + evidence.key()), Words.show(evidence.value()), source(evidence.source())))
                .toList();
        String basis = Words.get("why.basis", "basis", Words.get("basis." + finding.code()));
        sections.add(Section.ofReason(Words.get("why.why"), rows, new Line(Tone.PLAIN, basis)));
        sections.addAll(more);
        return new Why(
                title,
                "",
                Optional.of(new Verdict(tone(finding), Words.say(finding.sentence()))),
                sections,
                finding.fixes(),
                others);
    }

    private static Tone tone(Finding finding) {
        return switch (finding.severity()) {
            case STOP -> Tone.STOP;
            case LOOK -> Tone.LOOK;
            case NOTE -> Tone.PLAIN;
        };
    }

    private String nameOf(Place place) {
        if (place.part().isEmpty()) {
            return node.node().name();
        }
        return node.rail(place.endpoint()).isPresent()
                ? Words.say(RailNames.of(node, place.endpoint()))
                : Words.say(PinNames.of(node, place.endpoint()));
    }

    /** Findings of the present stage come first, so that the panel answers what is asked here. */
    List<Finding> findingsAt(Place place) {
        List<Finding> here = assessment.at(place);
        List<Finding> sorted = new ArrayList<>(
                here.stream().filter(finding -> finding.rule().stage() == stage).toList());
        here.stream().filter(finding -> finding.rule().stage() != stage).forEach(sorted::add);
        return sorted;
    }

    // --- a part

    private Why part(Place place) {
        Placed placed = node.part(place.part()).orElseThrow();
        List<Section> sections = new ArrayList<>(PartWhy.sections(placed));
        sections.addAll(1, notes.sections(assessment, node, placed));
        List<Finding> findings = findingsAt(place);
        if (findings.isEmpty()) {
            return new Why(
                            placed.part().name(),
                            placed.cls().summary(),
                            Optional.empty(),
                            sections,
                            List.of(),
                            List.of())
                    .withActions(notes.actions(assessment, node, placed));
        }
        return withFinding(placed.part().name(), findings.get(0), sections, findings.subList(1, findings.size()))
                .withActions(notes.actions(assessment, node, placed));
    }

    public static Fix action(String id, Fact title, Fact cost, Edit edit) {
        return new Fix(id, title, cost, List.of(edit));
    }

    /** Where a figure comes from, in a word. */
    public static String source(Source source) {
        return Words.get("source." + source.name().toLowerCase(Locale.ROOT));
    }
}
