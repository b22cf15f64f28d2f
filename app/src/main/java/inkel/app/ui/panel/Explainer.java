package inkel.app.ui.panel;

import inkel.app.ui.panel.Why.Line;
import inkel.app.ui.panel.Why.Row;
import inkel.app.ui.panel.Why.Section;
import inkel.app.ui.panel.Why.Tone;
import inkel.app.ui.panel.Why.Verdict;
import inkel.app.words.BetweenWords;
import inkel.app.words.PartWords;
import inkel.app.words.Words;
import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.Settings;
import inkel.core.catalog.Supply;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.MovePart;
import inkel.core.document.edit.RemoveNodeWire;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.TakeOut;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.LevelCheck;
import inkel.core.levels.Link;
import inkel.core.parts.PartsList;
import inkel.core.pins.NodePins;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.AddParts;
import inkel.core.remedy.JoinNodes;
import inkel.core.remedy.PinNames;
import inkel.core.remedy.RailNames;
import inkel.core.wiring.WireList;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Makes what the Why panel says from an assessment and what is selected. */
public final class Explainer {
    private static final int MOST_FREE_PINS = 8;

    private final Assessment assessment;
    private final NodeCircuit node;
    private final Stage stage;

    private Explainer(Assessment assessment, NodeCircuit node, Stage stage) {
        this.assessment = assessment;
        this.node = node;
        this.stage = stage;
    }

    /** @param selected null for the node as a whole */
    public static Why explain(Assessment assessment, String nodeId, Stage stage, Place selected) {
        NodeCircuit node = assessment.circuit(nodeId).orElseThrow();
        Explainer explainer = new Explainer(assessment, node, stage);
        if (selected == null
                || !selected.node().equals(nodeId)
                || selected.part().isEmpty()) {
            return explainer.overview();
        }
        if (stage == Stage.WIRE) {
            return explainer.wiring(selected);
        }
        if (selected.isPart()) {
            return explainer.part(selected);
        }
        return node.rail(selected.endpoint()).isPresent() ? explainer.rail(selected) : explainer.pin(selected);
    }

    /** A finding in full, chosen from several at one place. */
    public static Why explain(Assessment assessment, Stage stage, Finding finding) {
        NodeCircuit node = assessment.circuit(finding.place().node()).orElseThrow();
        Explainer explainer = new Explainer(assessment, node, stage);
        List<Finding> others = assessment.at(finding.place()).stream()
                .filter(other -> other != finding)
                .toList();
        return explainer.withFinding(explainer.nameOf(finding.place()), finding, List.of(), others);
    }

    /** A class that is not on the table yet. */
    public static Why explain(Assessment assessment, String nodeId, PartClass cls) {
        NodeCircuit node = assessment.circuit(nodeId).orElseThrow();
        Explainer explainer = new Explainer(assessment, node, Stage.PARTS);
        Placed trial = new Placed(Part.of("trial", cls.id(), cls.name(), ""), cls);
        Why why = new Why(
                cls.name(), cls.summary(), Optional.empty(), explainer.partSections(trial), List.of(), List.of());
        if (cls.kind() == Kind.BOARD) {
            return why;
        }
        return why.withActions(List.of(
                explainer.add(cls, 1, "action.add"),
                explainer.add(cls, 2, "action.add_more"),
                explainer.add(cls, 4, "action.add_more")));
    }

    private Fix add(PartClass cls, int count, String key) {
        return new Fix(
                "add-" + count,
                Fact.of(key).with("count", count).with("node", node.node().name()),
                Fact.of("action.add.cost"),
                AddParts.of(node, cls, count));
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
        Verdict verdict = all.isEmpty()
                ? new Verdict(Tone.GOOD, Words.get("why.all_good"))
                : new Verdict(
                        stops > 0 ? Tone.STOP : Tone.LOOK,
                        Words.say(Fact.of("why.counts").with("stop", stops).with("look", looks)));
        return new Why(node.node().name(), node.board().cls().name(), Optional.of(verdict), List.of(), List.of(), all);
    }

    // --- a finding

    private Why withFinding(String title, Finding finding, List<Section> more, List<Finding> others) {
        List<Section> sections = new ArrayList<>();
        List<Row> rows = finding.evidence().stream()
                .map(evidence -> new Row(
                        Words.get("number." + evidence.key()),
                        Words.show(evidence.value()),
                        Words.get("source." + evidence.source().name().toLowerCase(Locale.ROOT))))
                .toList();
        if (!rows.isEmpty()) {
            sections.add(Section.ofRows(Words.get("why.why"), rows));
        }
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
    private List<Finding> findingsAt(Place place) {
        List<Finding> here = assessment.at(place);
        List<Finding> sorted = new ArrayList<>(
                here.stream().filter(finding -> finding.rule().stage() == stage).toList());
        here.stream().filter(finding -> finding.rule().stage() != stage).forEach(sorted::add);
        return sorted;
    }

    // --- a part

    private Why part(Place place) {
        Placed placed = node.part(place.part()).orElseThrow();
        List<Section> sections = new ArrayList<>(partSections(placed));
        if (stage == Stage.POWER) {
            new PowerNotes(assessment, node).wires(placed).ifPresent(wires -> sections.add(1, wires));
        }
        List<Finding> findings = findingsAt(place);
        if (findings.isEmpty()) {
            return new Why(
                            placed.part().name(),
                            placed.cls().summary(),
                            Optional.empty(),
                            sections,
                            List.of(),
                            List.of())
                    .withActions(actions(placed));
        }
        return withFinding(placed.part().name(), findings.get(0), sections, findings.subList(1, findings.size()))
                .withActions(actions(placed));
    }

    private List<Section> partSections(Placed placed) {
        PartClass cls = placed.cls();
        List<Section> sections = new ArrayList<>();
        sections.add(Section.ofRows(Words.get("why.numbers"), numbers(placed)));
        if (!cls.cautions().isEmpty()) {
            List<Line> lines = new ArrayList<>();
            cls.cautions().forEach(caution -> lines.add(new Line(Tone.PLAIN, caution)));
            sections.add(Section.ofLines(Words.get("why.care"), lines));
        }
        List<Line> alive = cls.handling().checks().stream()
                .map(check -> new Line(
                        Tone.PLAIN,
                        Words.say(Fact.of("wake." + check.how().name().toLowerCase(Locale.ROOT))
                                .with("at", check.at())
                                .with("expect", check.expect()))))
                .toList();
        if (!alive.isEmpty()) {
            sections.add(Section.ofLines(Words.get("why.alive"), alive));
        }
        cls.controller()
                .filter(controller -> !controller.claims().isEmpty())
                .ifPresent(controller -> sections.add(Section.ofLines(
                        Words.get("why.claims"),
                        controller.claims().stream()
                                .map(claim -> new Line(
                                        Tone.PLAIN,
                                        Words.say(Fact.of("why.claim")
                                                .with("use", claim.use())
                                                .with("timer", claim.timer()))))
                                .toList())));
        List<Line> synonyms = cls.pins().stream()
                .filter(pin -> !pin.also().isEmpty())
                .map(pin -> new Line(
                        Tone.PLAIN,
                        Words.say(Fact.of("why.also")
                                .with("pin", pin.label())
                                .with("also", String.join(", ", pin.also())))))
                .toList();
        if (!synonyms.isEmpty()) {
            sections.add(Section.ofLines(Words.get("why.silk"), synonyms));
        }
        return sections;
    }

    /** What can be done with a part that is on the table. */
    private List<Fix> actions(Placed placed) {
        if (stage == Stage.POWER) {
            return new PowerNotes(assessment, node).actions(placed);
        }
        if (stage == Stage.PINS) {
            return pinNotes().actions(placed);
        }
        if (stage == Stage.PARTS && placed.part().isBoard()) {
            return nodeWires();
        }
        if (stage != Stage.PARTS) {
            return List.of();
        }
        String here = node.node().id();
        String part = placed.id();
        List<Fix> actions = new ArrayList<>();
        actions.add(add(
                node.node()
                        .part(part)
                        .map(own -> assessment.reports().circuit().catalog().get(own.classId()))
                        .orElseThrow(),
                1,
                "action.another"));
        assessment.build().nodes().stream()
                .filter(other -> !other.id().equals(here))
                .forEach(other -> actions.add(action(
                        "move-" + other.id(),
                        Fact.of("action.move").with("node", other.name()),
                        Fact.of("action.move.cost"),
                        new MovePart(here, part, other.id()))));
        boolean isChip = placed.isChip();
        actions.add(action(
                isChip ? "ready" : "chip",
                Fact.of(isChip ? "action.ready" : "action.chip"),
                Fact.of(isChip ? "action.ready.cost" : "action.chip.cost"),
                new SetSetting(here, part, Settings.FORM, isChip ? "ready" : "chip")));
        if (!placed.isHeaderLoose() && !isChip) {
            actions.add(action(
                    "header-loose",
                    Fact.of("action.header_loose"),
                    Fact.of("action.header_loose.cost"),
                    new SetSetting(here, part, Settings.HEADER, "loose")));
        }
        String contact = placed.part().typed(Settings.CONTACT).orElse("jumper");
        for (String other : List.of("jumper", "clip", "solder")) {
            if (!other.equals(contact)) {
                actions.add(action(
                        "contact-" + other,
                        Fact.of("action.contact." + other),
                        Fact.of("action.contact." + other + ".cost"),
                        new SetSetting(here, part, Settings.CONTACT, other)));
            }
        }
        actions.add(
                action("remove", Fact.of("action.remove"), Fact.of("action.remove.cost"), new RemovePart(here, part)));
        return actions;
    }

    /** Wires to the other boards of the build: to add, and to take away. */
    private List<Fix> nodeWires() {
        String here = node.node().id();
        List<Fix> actions = new ArrayList<>();
        for (inkel.core.document.Node other : assessment.build().nodes()) {
            if (!other.id().equals(here)) {
                JoinNodes.of(assessment.reports().circuit(), here, other.id())
                        .map(edit -> action(
                                "wire-to-" + other.id(),
                                Fact.of("action.node_wire").with("node", other.name()),
                                Fact.of("action.node_wire.cost"),
                                edit))
                        .ifPresent(actions::add);
            }
        }
        assessment.build().links().stream().filter(link -> link.touches(here)).forEach(link -> {
            boolean isFrom = link.from().node().equals(here);
            Place mine = isFrom ? link.from() : link.to();
            Place theirs = isFrom ? link.to() : link.from();
            actions.add(action(
                    "wire-off-" + mine.pin(),
                    Fact.of("action.node_wire_off")
                            .with("from", mine.pin())
                            .with(
                                    "node",
                                    Words.say(Fact.of("why.link")
                                            .with("pin", theirs.pin())
                                            .with(
                                                    "node",
                                                    assessment
                                                            .build()
                                                            .node(theirs.node())
                                                            .orElseThrow()
                                                            .name()))),
                    Fact.of("action.node_wire_off.cost"),
                    new RemoveNodeWire(link)));
        });
        return actions;
    }

    private static Fix action(String id, Fact title, Fact cost, Edit edit) {
        return new Fix(id, title, cost, List.of(edit));
    }

    private static List<Row> numbers(Placed placed) {
        PartClass cls = placed.cls();
        List<Row> rows = new ArrayList<>();
        rows.add(new Row(Words.get("figure.class"), cls.name(), ""));
        for (Supply supply : cls.supplies()) {
            Figure<Voltage> range = supply.range();
            String source = Words.get("source." + range.source().name().toLowerCase(Locale.ROOT));
            rows.add(new Row(
                    Words.get("figure.supply", "pin", supply.pin()),
                    range.range().lowest().volts() + "–"
                            + Engineering.print(range.range().highest()),
                    source));
            String current = PartWords.current(placed, supply.pin());
            if (!current.isEmpty()) {
                rows.add(new Row(Words.get("figure.current", "pin", supply.pin()), current, source));
            }
        }
        cls.outputs()
                .forEach(output -> rows.add(new Row(
                        Words.get("figure.gives", "pin", output.pin()),
                        Words.say(Fact.of("figure.up_to")
                                .with("rating", output.rating().range().lowest())),
                        Words.get("source.class"))));
        cls.io()
                .forEach(family -> rows.add(new Row(
                        Words.get("figure.bears", "pins", family.name()),
                        family.absoluteMax().toString(),
                        Words.get("source." + family.source().name().toLowerCase(Locale.ROOT)))));
        cls.spi()
                .ifPresent(spi -> rows.add(new Row(
                        Words.get("figure.bus"),
                        Words.say(Fact.of("figure.spi").with("mode", spi.mode()).with("clock", spi.clockMax())),
                        Words.get("source.class"))));
        cls.i2c()
                .ifPresent(i2c -> rows.add(new Row(
                        Words.get("figure.bus"),
                        Words.say(Fact.of("figure.i2c")
                                .with(
                                        "address",
                                        Engineering.address(placed.address().orElseThrow()))
                                .with("clock", i2c.clockMax())),
                        placed.part().has(Settings.ADDRESS) ? Words.get("source.yours") : Words.get("source.class"))));
        placed.baud()
                .ifPresent(baud -> rows.add(new Row(
                        Words.get("figure.bus"),
                        Words.get("figure.uart", "baud", Math.round(baud.hertz())),
                        placed.part().has(Settings.BAUD) ? Words.get("source.yours") : Words.get("source.class"))));
        cls.pwm()
                .ifPresent(pwm -> rows.add(new Row(
                        Words.get("figure.pulses"),
                        Words.say(Fact.of("figure.pwm")
                                .with("from", pwm.pulse().lowest())
                                .with("to", pwm.pulse().highest())
                                .with("frequency", pwm.frequency())),
                        Words.get("source.class"))));
        cls.bursts()
                .forEach(burst -> rows.add(new Row(
                        Words.get("figure.burst"),
                        Words.say(Fact.of("figure.burst.shape")
                                .with("current", burst.current().range().highest())
                                .with("time", burst.time())
                                .with("period", burst.period())),
                        Words.get("source.class"))));
        rows.add(new Row(
                Words.get("figure.form"),
                Words.get(
                        placed.isChip()
                                ? "figure.form.chip"
                                : placed.isHeaderLoose() ? "figure.form.loose" : "figure.form.ready"),
                ""));
        placed.part()
                .typed(Settings.CONTACT)
                .ifPresent(contact ->
                        rows.add(new Row(Words.get("figure.contact"), Words.get("figure.contact." + contact), "")));
        cls.decoupling()
                .forEach(wanted -> rows.add(new Row(
                        Words.get("figure.wants_close", "pin", wanted.pin()),
                        Engineering.print(wanted.value()),
                        Words.get("source.class"))));
        return rows;
    }

    // --- a rail

    private Why rail(Place place) {
        Rail rail = node.rail(place.endpoint()).orElseThrow();
        List<Row> rows = new ArrayList<>();
        rail.volts()
                .ifPresent(volts -> rows.add(new Row(
                        Words.get("figure.volts"),
                        volts.lowest().equals(volts.highest())
                                ? Engineering.volts(volts.lowest())
                                : Engineering.volts(volts.lowest()) + " – " + Engineering.volts(volts.highest()),
                        Words.get(isChosen(place) ? "source.yours" : "source.class"))));
        rail.loads().stream()
                .filter(load -> load.atWorst().amperes() > 0)
                .forEach(load -> rows.add(new Row(
                        Words.say(PinNames.of(node, load.pin())),
                        Engineering.print(load.atWorst()),
                        Words.get(node.made(load.pin()).isEmpty() ? "source.class" : "source.computed"))));
        rows.add(new Row(Words.get("number.peak"), Engineering.print(rail.peak()), Words.get("source.computed")));
        rows.add(new Row(Words.get("number.rating"), Engineering.print(rail.rating()), Words.get("source.class")));
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
        new PowerNotes(assessment, node).heat(rail.id()).ifPresent(sections::add);
        String title = Words.say(RailNames.of(node, place.endpoint()));
        List<Finding> findings = findingsAt(place);
        if (!findings.isEmpty()) {
            return withFinding(title, findings.get(0), sections, findings.subList(1, findings.size()));
        }
        Verdict verdict = new Verdict(Tone.GOOD, Words.get("why.rail_good", "room", rail.room()));
        return new Why(title, "", Optional.of(verdict), sections, List.of(), List.of());
    }

    /** Whether the builder set the voltage of a source. */
    private boolean isChosen(Place place) {
        return node.part(place.part())
                .flatMap(owner -> owner.part().typed(Settings.VOLTS))
                .isPresent();
    }

    // --- a pin

    private Why pin(Place place) {
        Endpoint end = place.endpoint();
        String title = Words.say(PinNames.of(node, end));
        NodePins pins = assessment.pins(node.node().id()).orElseThrow();
        List<Section> sections = new ArrayList<>();
        Optional<Wire> wire = node.wire(end);
        wire.ifPresent(found -> sections.add(Section.ofRows(Words.get("why.goes"), goes(pins, found))));
        assessment.reports().levels().of(place).forEach(link -> sections.add(levels(link)));
        boolean isSignal =
                node.pin(end).map(Pin::use).filter(use -> use.isSignal()).isPresent();
        if (isSignal) {
            List<String> free = pins.freeFor(end).stream()
                    .limit(MOST_FREE_PINS)
                    .map(target -> target.part().equals("board") ? target.pin() : target.toString())
                    .toList();
            sections.add(Section.ofLines(
                    Words.get("why.could_go"),
                    List.of(new Line(
                            Tone.PLAIN, free.isEmpty() ? Words.get("why.nowhere_else") : String.join(", ", free)))));
        }
        wire.filter(Wire::held)
                .ifPresent(held -> sections.add(Section.ofLines(
                        Words.get("why.held"),
                        List.of(new Line(
                                Tone.PLAIN,
                                held.reason().isEmpty() ? Words.get("why.held_plain") : sentence(held.reason()))))));
        if (stage == Stage.PINS) {
            sections.addAll(0, pinNotes().sections(end));
        }
        List<Fix> actions = new ArrayList<>(stage == Stage.PINS ? pinNotes().actions(end) : List.of());
        node.between(end).stream()
                .map(between -> takeOut(end, between instanceof Between.Nothing ? "fix.ask_again" : "fix.take_out"))
                .forEach(actions::add);
        List<Finding> findings = findingsAt(place);
        if (!findings.isEmpty()) {
            return withFinding(title, findings.get(0), sections, findings.subList(1, findings.size()))
                    .withActions(actions);
        }
        Optional<Verdict> verdict =
                wire.isPresent() ? Optional.of(new Verdict(Tone.GOOD, Words.get("why.wire_good"))) : Optional.empty();
        return new Why(title, purpose(end), verdict, sections, List.of(), List.of()).withActions(actions);
    }

    private PinNotes pinNotes() {
        return new PinNotes(assessment.pins(node.node().id()).orElseThrow());
    }

    private Fix takeOut(Endpoint end, String key) {
        return action(
                "take-out",
                Fact.of(key).with("signal", end.pin()),
                Fact.of(key + ".cost"),
                new TakeOut(node.node().id(), end));
    }

    private String purpose(Endpoint end) {
        return node.part(end.part()).map(placed -> placed.cls().name()).orElse("");
    }

    private static String sentence(String reason) {
        String begun = reason.substring(0, 1).toUpperCase(Locale.ROOT) + reason.substring(1);
        return begun.endsWith(".") ? begun : begun + ".";
    }

    private List<Row> goes(NodePins pins, Wire wire) {
        List<Row> rows = new ArrayList<>();
        String target = node.rail(wire.to()).isPresent()
                ? Words.say(RailNames.of(node, wire.to()))
                : Words.say(PinNames.of(node, wire.to()));
        rows.add(new Row(Words.get("why.to"), target, ""));
        String how = node.isTie(wire) ? "tied" : pins.how(wire).name().toLowerCase(Locale.ROOT);
        rows.add(new Row(Words.get("why.how"), Words.get("how." + how), ""));
        node.between(wire.from())
                .ifPresent(between -> rows.add(new Row(Words.get("why.between"), BetweenWords.brief(between), "")));
        List<String> shared = node.nets().getOrDefault(wire.to(), List.of()).stream()
                .filter(other -> !other.equals(wire))
                .map(other -> Words.say(PinNames.of(node, other.from())))
                .toList();
        if (!shared.isEmpty()) {
            rows.add(new Row(Words.get("why.shared"), String.join(", ", shared), ""));
        }
        return rows;
    }

    private Section levels(Link link) {
        LevelCheck check = link.check();
        String source = Words.get("source.class");
        String computed = Words.get("source.computed");
        List<Row> rows = new ArrayList<>();
        rows.add(row("number.highest_output_at_least", check.vohMin(), source));
        rows.add(row("number.reads_high_above", check.vih(), source));
        rows.add(row("number.high_margin", check.highMargin(), computed));
        rows.add(row("number.lowest_output_at_most", check.volMax(), source));
        rows.add(row("number.reads_low_below", check.vil(), source));
        rows.add(row("number.low_margin", check.lowMargin(), computed));
        rows.add(row("number.tolerated", check.absoluteMax(), source));
        String verdict = Words.get("verdict." + link.verdict().name().toLowerCase(Locale.ROOT));
        return Section.ofRows(
                Words.say(Fact.of("why.levels")
                        .with("from", PinNames.of(node, link.from()))
                        .with("to", PinNames.of(node, link.to()))
                        .with("verdict", verdict)),
                rows);
    }

    private static Row row(String key, Voltage value, String source) {
        return new Row(Words.get(key), Engineering.volts(value), source);
    }

    // --- a wire being plugged

    private Why wiring(Place place) {
        WireList list = assessment.wires(node.node().id()).orElseThrow();
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
        if (!list.toUnplug().isEmpty()) {
            sections.add(Section.ofLines(
                    Words.get("why.since"),
                    list.toUnplug().stream()
                            .map(id -> new Line(Tone.STOP, Words.get("why.unplug", "wire", id)))
                            .toList()));
        }
        sections.add(Section.ofRows(Words.get("why.table"), onTheTable(list)));
        Verdict verdict = new Verdict(Tone.STOP, Words.get("why.unpowered"));
        String title = place.isPin()
                ? Words.say(PinNames.of(node, place.endpoint()))
                : placed.part().name();
        String about = place.isPin()
                ? Words.get(
                        "use." + node.pin(place.endpoint()).orElseThrow().use().text())
                : placed.cls().summary();
        return new Why(title, about, Optional.of(verdict), sections, List.of(), assessment.at(place));
    }

    private List<Row> onTheTable(WireList list) {
        List<Row> rows = new ArrayList<>();
        rows.add(new Row(
                Words.get("why.jumpers"),
                Words.say(Fact.of("why.jumpers.left")
                        .with("left", list.openCount())
                        .with("all", list.steps().size())),
                ""));
        PartsList.of(node).lines().stream()
                .filter(line -> line.kind() != PartsList.Kind.PART)
                .forEach(line -> rows.add(new Row(Words.say(line.what()), String.valueOf(line.count()), "")));
        return rows;
    }
}
