package inkel.app.ui.wire;

import inkel.app.state.SeatWork;
import inkel.app.ui.why.StageNotes;
import inkel.app.ui.why.Why;
import inkel.app.ui.why.Why.Line;
import inkel.app.ui.why.Why.Row;
import inkel.app.ui.why.Why.Section;
import inkel.app.ui.why.Why.Tone;
import inkel.app.ui.why.Why.Verdict;
import inkel.app.words.WireWords;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Place;
import inkel.core.quantity.Fact;
import inkel.core.remedy.PinNames;
import inkel.core.seats.HalfRow;
import inkel.core.seats.SeatPlan;
import inkel.core.wiring.PartsList;
import inkel.core.wiring.WireList;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What the Why panel says while wires are plugged: what to beep, what to unplug, what must lie on the table. */
final class WireNotes implements StageNotes {
    private final SeatWork seats;

    WireNotes(SeatWork seats) {
        this.seats = seats;
    }

    @Override
    public Optional<Why> instead(Assessment assessment, NodeCircuit node, Place place) {
        Optional<SeatPlan> plan = seats.of(assessment, node.node().id());
        if (seats.isShown() && plan.isPresent()) {
            HalfRow row = seats.rowProperty().get();
            SeatNotes notes = new SeatNotes(plan.get());
            return Optional.of(
                    row != null
                            ? notes.of(row)
                            : notes.of(assessment, node.part(place.part()).orElseThrow()));
        }
        WireList list = seats.wires(assessment, node.node().id()).orElseThrow();
        List<Section> sections = new ArrayList<>();
        Placed placed = node.part(place.part()).orElseThrow();
        if (place.isPin()) {
            sections.add(Section.ofLines(
                    Words.get("why.meter"),
                    List.of(
                            new Line(Tone.PLAIN, Words.get("why.meter.beep")),
                            new Line(Tone.PLAIN, Words.get("why.meter.ground")))));
        } else {
            sections.add(Section.ofLines(
                    Words.get("why.meter"), List.of(new Line(Tone.PLAIN, Words.get("why.meter.beep")))));
        }
        if (!list.pulls().isEmpty()) {
            WireWords words = new WireWords(node);
            sections.add(Section.ofLines(
                    Words.get("why.since"),
                    list.pulls().stream()
                            .map(pull -> new Line(Tone.STOP, Words.get("why.unplug", "wire", words.ends(pull))))
                            .toList()));
        }
        sections.add(Section.ofRows(Words.get("why.table"), onTheTable(assessment, node, list, plan)));
        Verdict verdict = new Verdict(Tone.STOP, Words.get("why.unpowered"));
        String title = place.isPin()
                ? Words.say(PinNames.of(node, place.endpoint()))
                : placed.part().name();
        String about = place.isPin()
                ? Words.get(
                        "use." + node.pin(place.endpoint()).orElseThrow().use().text())
                : placed.cls().summary();
        return Optional.of(
                new Why(title, about, Optional.of(verdict), sections, List.of(), List.of(), assessment.at(place)));
    }

    private static List<Row> onTheTable(
            Assessment assessment, NodeCircuit node, WireList list, Optional<SeatPlan> plan) {
        List<Row> rows = new ArrayList<>();
        rows.add(new Row(
                Words.get("why.jumpers"),
                Words.say(Fact.of("why.jumpers.left")
                        .with("left", list.openWireCount())
                        .with("all", list.wireCount())),
                ""));
        plan.map(SeatPlan::jumpers)
                .orElseGet(list::jumpers)
                .forEach((jumper, count) -> rows.add(new Row(WireWords.sort(jumper), String.valueOf(count), "")));
        PartsList.of(list).lines().stream()
                .filter(line -> line.kind() != PartsList.Kind.PART)
                .forEach(line -> rows.add(new Row(Words.say(line.what()), String.valueOf(line.count()), "")));
        return rows;
    }
}
