package inkel.app.ui.why;

import inkel.app.ui.why.Why.Line;
import inkel.app.ui.why.Why.Row;
import inkel.app.ui.why.Why.Section;
import inkel.app.ui.why.Why.Tone;
import inkel.app.ui.why.Why.Verdict;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.finding.Finding;
import inkel.core.power.RegulatorReport;
import inkel.core.quantity.Source;
import inkel.core.remedy.PinNames;
import inkel.core.remedy.RailNames;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What is said of a rail: its volts, what hangs on it, when that is most, and the heat of what makes it. */
final class RailWhy {
    private RailWhy() {}

    static Why of(Explainer says, Place place) {
        NodeCircuit node = says.node();
        Rail rail = node.rail(place.endpoint()).orElseThrow();
        List<Row> rows = new ArrayList<>();
        rail.volts()
                .ifPresent(volts -> rows.add(new Row(
                        Words.get("figure.volts"),
                        volts.lowest().equals(volts.highest())
                                ? Numbers.volts(volts.lowest())
                                : Numbers.volts(volts.lowest()) + " – " + Numbers.volts(volts.highest()),
                        Explainer.source(rail.source()))));
        rail.all().stream()
                .filter(load -> load.atWorst().amperes() > 0)
                .forEach(load -> rows.add(new Row(
                        Words.say(PinNames.of(node, load.pin())),
                        Numbers.print(load.atWorst()),
                        Explainer.source(node.made(load.pin()).isEmpty() ? Source.CLASS : Source.COMPUTED))));
        rows.add(new Row(Words.get("number.peak"), Numbers.print(rail.peak()), Explainer.source(Source.COMPUTED)));
        rows.add(new Row(
                Words.get("number.rating"),
                Numbers.print(rail.rating()),
                Explainer.source(rail.output().rating().source())));
        List<Section> sections = new ArrayList<>();
        sections.add(Section.ofRows(Words.get("why.loads"), rows));
        List<String> moments = node.node().moments().stream()
                .filter(moment -> rail.worst().contains(moment.id()))
                .map(moment -> moment.name())
                .toList();
        if (!moments.isEmpty()) {
            sections.add(Section.ofLines(
                    Words.get("why.worst_when"), List.of(new Line(Tone.PLAIN, String.join(", ", moments)))));
        }
        heat(says, rail.id()).ifPresent(sections::add);
        String title = Words.say(RailNames.of(node, place.endpoint()));
        List<Finding> findings = says.findingsAt(place);
        if (!findings.isEmpty()) {
            return says.withFinding(title, findings.get(0), sections, findings.subList(1, findings.size()));
        }
        Verdict verdict = new Verdict(Tone.GOOD, Words.get("why.rail_good", "room", rail.room()));
        return new Why(title, "", Optional.of(verdict), sections, List.of(), List.of());
    }

    /** What a regulator turns into heat; empty for a rail that none makes. */
    private static Optional<Section> heat(Explainer says, Endpoint rail) {
        return says.assessment().reports().power().regulators().stream()
                .filter(regulator ->
                        regulator.node() == says.node() && regulator.rail().id().equals(rail))
                .findFirst()
                .map(RailWhy::heat);
    }

    private static Section heat(RegulatorReport regulator) {
        List<Row> rows = new ArrayList<>();
        rows.add(row("input_lowest", regulator.in().lowest(), Source.COMPUTED));
        regulator.needs().ifPresent(needs -> rows.add(row("needs", needs, Source.COMPUTED)));
        rows.add(row("average", regulator.rail().average(), Source.COMPUTED));
        rows.add(row("loss", regulator.loss(), Source.COMPUTED));
        rows.add(row("ambient", regulator.ambient(), regulator.ambientSource()));
        regulator.junction().ifPresent(junction -> rows.add(row("junction", junction, Source.COMPUTED)));
        regulator.regulator().junctionMax().ifPresent(most -> rows.add(row("junction_max", most, Source.CLASS)));
        return Section.ofRows(Words.get("why.heat"), rows);
    }

    private static Row row(String key, Object value, Source source) {
        return new Row(Words.get("number." + key), Words.show(value), Explainer.source(source));
    }
}
