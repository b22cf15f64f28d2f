package inkel.app.ui.why;

import inkel.app.ui.why.Why.Line;
import inkel.app.ui.why.Why.Row;
import inkel.app.ui.why.Why.Section;
import inkel.app.ui.why.Why.Tone;
import inkel.app.ui.why.Why.Verdict;
import inkel.app.words.BetweenWords;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.catalog.Pin;
import inkel.core.catalog.Settings;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Between;
import inkel.core.document.Carries;
import inkel.core.document.Endpoint;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.ChangeNodeWire;
import inkel.core.document.edit.TakeOut;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.levels.Judged;
import inkel.core.levels.Link;
import inkel.core.pins.BoardLine;
import inkel.core.pins.LinkEnd;
import inkel.core.pins.NodePins;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.PinNames;
import inkel.core.remedy.RailNames;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What is said of a pin: where it goes, how its levels fare, where else it could go. */
final class PinWhy {
    private static final int MOST_FREE_PINS = 8;

    private PinWhy() {}

    static Why of(Explainer says, Place place) {
        NodeCircuit node = says.node();
        Assessment assessment = says.assessment();
        Endpoint end = place.endpoint();
        String title = Words.say(PinNames.of(node, end));
        NodePins pins = assessment.pins(node.node().id()).orElseThrow();
        List<Section> sections = new ArrayList<>();
        Optional<Wire> wire = node.wire(end);
        wire.ifPresent(found -> sections.add(Section.ofRows(Words.get("why.goes"), goes(node, pins, found))));
        assessment.reports().levels().of(place).forEach(link -> sections.add(levels(node, link)));
        links(assessment, place).forEach(link -> sections.addAll(toOtherBoard(assessment, place, link)));
        boolean isSignal =
                node.pin(end).map(Pin::use).filter(use -> use.isSignal()).isPresent();
        if (isSignal) {
            sections.add(Section.ofLines(Words.get("why.asks"), List.of(new Line(Tone.PLAIN, asks(node, end)))));
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
        sections.addAll(0, says.notes().sections(assessment, node, end));
        List<Fix> actions = new ArrayList<>(says.notes().actions(assessment, node, end));
        node.between(end).stream()
                .map(between ->
                        takeOut(node, end, between instanceof Between.Nothing ? "fix.ask_again" : "fix.take_out"))
                .forEach(actions::add);
        onlyLink(assessment, place).filter(link -> link.between().isPresent()).ifPresent(link -> {
            String key = link.between().get() instanceof Between.Nothing ? "fix.ask_again" : "fix.take_out";
            actions.add(Explainer.action(
                    "take-out",
                    Fact.of(key).with("signal", link.from().pin()),
                    Fact.of(key + ".cost"),
                    new ChangeNodeWire(link, link.withBetween(Optional.empty()))));
        });
        onlyLink(assessment, place)
                .map(link -> carries(assessment.pins(place.node()).orElseThrow(), link))
                .ifPresent(actions::addAll);
        List<Finding> findings = says.findingsAt(place);
        if (!findings.isEmpty()) {
            return says.withFinding(title, findings.get(0), sections, findings.subList(1, findings.size()))
                    .withActions(actions);
        }
        Optional<Verdict> verdict =
                wire.isPresent() ? Optional.of(new Verdict(Tone.GOOD, Words.get("why.wire_good"))) : Optional.empty();
        return new Why(title, purpose(node, end), verdict, sections, List.of(), List.of()).withActions(actions);
    }

    /** What the part asks for at the pin, or what the builder said of it. */
    private static String asks(NodeCircuit node, Endpoint end) {
        Placed placed = node.part(end.part()).orElseThrow();
        Pin pin = node.pin(end).orElseThrow();
        Optional<String> why = placed.own(Settings.DECLINED).map(pins -> pins.get(pin.label()));
        if (why.isPresent()) {
            return why.get().isEmpty() ? Words.get("need.declined") : Words.get("need.declined_why", "why", why.get());
        }
        if (node.wants(placed, pin) && !placed.wants(pin)) {
            return Words.get("need.wanted_with", "pins", pin.wantedWith());
        }
        return placed.wants(pin) && !pin.isWanted()
                ? Words.get("need.wanted")
                : Words.get("need." + pin.need().name().toLowerCase(Locale.ROOT));
    }

    private static Fix takeOut(NodeCircuit node, Endpoint end, String key) {
        return Explainer.action(
                "take-out",
                Fact.of(key).with("signal", end.pin()),
                Fact.of(key + ".cost"),
                new TakeOut(node.node().id(), end));
    }

    private static String purpose(NodeCircuit node, Endpoint end) {
        return node.part(end.part()).map(placed -> placed.cls().name()).orElse("");
    }

    private static String sentence(String reason) {
        String begun = reason.substring(0, 1).toUpperCase(Locale.ROOT) + reason.substring(1);
        return begun.endsWith(".") ? begun : begun + ".";
    }

    private static List<Row> goes(NodeCircuit node, NodePins pins, Wire wire) {
        List<Row> rows = new ArrayList<>();
        String target = node.rail(wire.to()).isPresent()
                ? Words.say(RailNames.of(node, wire.to()))
                : Words.say(PinNames.of(node, wire.to()));
        rows.add(new Row(Words.get("why.to"), target, ""));
        String how = node.isTie(wire) ? "tied" : pins.how(wire).name().toLowerCase(Locale.ROOT);
        rows.add(new Row(Words.get("why.how"), Words.get("how." + how), ""));
        node.between(wire.from())
                .ifPresent(between -> rows.add(new Row(
                        Words.get(between.isBeside() ? "why.beside" : "why.between"),
                        BetweenWords.brief(between),
                        "")));
        List<String> shared = node.nets().getOrDefault(wire.to(), List.of()).stream()
                .filter(other -> !other.equals(wire))
                .map(other -> Words.say(PinNames.of(node, other.from())))
                .toList();
        if (!shared.isEmpty()) {
            rows.add(new Row(Words.get("why.shared"), String.join(", ", shared), ""));
        }
        return rows;
    }

    private static List<NodeWire> links(Assessment assessment, Place place) {
        return assessment.reports().circuit().links().stream()
                .filter(link -> link.from().equals(place) || link.to().equals(place))
                .toList();
    }

    /** The wire to or from another board that ends at a pin, where there is one and no other. */
    static Optional<NodeWire> onlyLink(Assessment assessment, Place place) {
        List<NodeWire> links = links(assessment, place);
        return links.size() == 1 ? Optional.of(links.get(0)) : Optional.empty();
    }

    /** Where a wire between boards goes, what stands in it, and how its levels fare. */
    private static List<Section> toOtherBoard(Assessment assessment, Place here, NodeWire link) {
        boolean isSent = link.from().equals(here);
        Place there = isSent ? link.to() : link.from();
        List<Row> rows = new ArrayList<>();
        rows.add(new Row(Words.get(isSent ? "why.to" : "why.comes_from"), nameOf(assessment, there), ""));
        link.between()
                .ifPresent(between -> rows.add(new Row(Words.get("why.between"), BetweenWords.brief(between), "")));
        if (!link.isLine()) {
            String kind = kind(assessment.pins(here.node()).orElseThrow(), link);
            rows.add(new Row(Words.get("why.carries"), Words.get("why.carries." + kind), ""));
        }
        rows.add(new Row(
                Words.get("why.ground_beside"),
                Words.get(link.groundJoined() ? "why.ground_beside.yes" : "why.ground_beside.no"),
                ""));
        List<Section> sections = new ArrayList<>();
        sections.add(Section.ofRows(Words.get("why.other_board"), rows));
        assessment
                .reports()
                .levels()
                .of(link)
                .forEach(hop -> sections.add(levels(
                        hop,
                        nameOf(assessment, hop.from().place(hop.says())),
                        nameOf(assessment, hop.to().place(hop.hears())))));
        return sections;
    }

    /** What a wire between boards can be said to carry. */
    private static List<Fix> carries(NodePins pins, NodeWire link) {
        if (link.isLine()) {
            return List.of();
        }
        boolean isSaid = link.carries().kind().isPresent();
        boolean isPlain = kind(pins, link).equals("plain");
        List<Fix> actions = new ArrayList<>();
        if (isSaid) {
            actions.add(
                    say("by-pins", "action.carries_pins", link, link.carries().byPins()));
        } else if (isPlain) {
            actions.add(
                    say("serial", "action.carries_serial", link, link.carries().with(Carries.Kind.SERIAL)));
        } else {
            actions.add(
                    say("plain", "action.carries_plain", link, link.carries().with(Carries.Kind.PLAIN)));
        }
        return actions;
    }

    private static Fix say(String id, String key, NodeWire link, Carries said) {
        return Explainer.action(
                id, Fact.of(key), Fact.of(key + ".cost"), new ChangeNodeWire(link, link.withCarries(said)));
    }

    private static String kind(NodePins pins, NodeWire link) {
        LinkEnd end = pins.linkEnds().stream()
                .filter(found -> found.link().equals(link))
                .findFirst()
                .orElseThrow();
        boolean isBySoftware = pins.boardLines().stream()
                .flatMap(line -> line.bySoftware().stream())
                .anyMatch(end::equals);
        return end.line().isPresent() ? "bus" : !end.isSerial() ? "plain" : isBySoftware ? "software" : "serial";
    }

    /** The serial line to another board that a pin is on, where it is on no other. */
    static Optional<BoardLine> lineAt(Assessment assessment, Place place) {
        return onlyLink(assessment, place).flatMap(link -> assessment.pins(place.node()).stream()
                .flatMap(pins -> pins.boardLines().stream())
                .filter(line -> line.ends().stream().anyMatch(end -> end.link().equals(link)))
                .findFirst());
    }

    private static String nameOf(Assessment assessment, Place place) {
        NodeCircuit node = assessment.circuit(place.node()).orElseThrow();
        return place.part().equals(Part.BOARD)
                ? Words.say(
                        Fact.of("pin.of_node").with("node", node.node().name()).with("pin", place.pin()))
                : Words.say(PinNames.of(node, place.endpoint()));
    }

    private static Section levels(NodeCircuit node, Link link) {
        return levels(link, Words.say(PinNames.of(node, link.from())), Words.say(PinNames.of(node, link.to())));
    }

    private static Section levels(Judged link, String from, String to) {
        // The very figures, and where each comes from, that the finding of this wire shows.
        List<Row> rows = link.figures().stream()
                .map(figure -> new Row(
                        Words.get("number." + figure.key()),
                        Numbers.volts((Voltage) figure.value()),
                        Explainer.source(figure.source())))
                .toList();
        String verdict = Words.get("verdict." + link.verdict().name().toLowerCase(Locale.ROOT));
        return Section.ofRows(
                Words.say(
                        Fact.of("why.levels").with("from", from).with("to", to).with("verdict", verdict)),
                rows);
    }
}
