package inkel.core.parts.rules;

import inkel.core.catalog.Pin;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.Lost;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.ProgramLines;
import inkel.core.circuit.SaidWire;
import inkel.core.circuit.SaidWire.Meaning;
import inkel.core.document.Endpoint;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.RemoveNodeWire;
import inkel.core.document.edit.RemoveWire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Reports a wire, a feed or a part in a wire that names a pin which the class does not have: the class was changed since,
 * or another one took its place; and a wire that was written down from its wrong end, or from a board to itself. Everything else
 * is judged without it.
 */
public final class PinGoneRule implements Rule<Circuit> {
    private static final RuleInfo INFO = new RuleInfo("parts.pin_gone", Severity.STOP, Stage.PARTS);

    /** So many are said in a sentence. */
    private static final int FEW_PINS = 8;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(Circuit circuit) {
        List<Finding> findings = new ArrayList<>();
        for (NodeCircuit node : circuit.nodes()) {
            Map<Endpoint, List<SaidWire>> feeds = new LinkedHashMap<>();
            for (Lost lost : node.lost()) {
                Optional<SaidWire> said = SaidWire.of(node, lost);
                if (said.filter(wire -> wire.meaning() == Meaning.FEED).isPresent()) {
                    feeds.computeIfAbsent(said.get().feed().orElseThrow().rail(), rail -> new ArrayList<>())
                            .add(said.get());
                } else if (said.filter(SaidWire::isSaidAnyhow).isEmpty()) {
                    findings.add(describe(circuit, node, lost));
                }
            }
            feeds.forEach((rail, wires) -> findings.add(describe(node, rail, wires)));
        }
        circuit.lostLinks().forEach(link -> findings.add(describe(link)));
        return findings;
    }

    private static Finding describe(Circuit circuit, NodeCircuit node, Lost lost) {
        String id = node.node().id();
        Optional<ProgramLines.Line> programmed = SaidWire.programmedAt(node, lost);
        return Finding.of(INFO, Place.of(id, lost.at()))
                .variant(variant(node, lost))
                .with("at", lost.at())
                .with("to", lost.to())
                .with("missing", lost.missing())
                .with("rails", rails(node, lost))
                .with("pins", pins(node, lost))
                .with(
                        "lead",
                        programmed
                                .flatMap(ProgramLines.Line::lead)
                                .map(Endpoint::toString)
                                .orElse(""))
                .with("right", programmed.map(line -> line.chip().toString()).orElse(""))
                .with(
                        "class",
                        node.part(lost.missing().part())
                                .map(part -> part.cls().name())
                                .orElse("?"))
                .fixes(() -> new PinGoneFixes(circuit, node, lost).all())
                .build();
    }

    /** All that is to hang on one rail is one thing to say. */
    private static Finding describe(NodeCircuit node, Endpoint rail, List<SaidWire> wires) {
        String id = node.node().id();
        List<Feed> feeds = wires.stream().map(wire -> wire.feed().orElseThrow()).toList();
        List<Endpoint> pins = feeds.stream()
                .map(feed -> new Endpoint(feed.part(), feed.pin()))
                .toList();
        Finding.Builder finding = Finding.of(
                        INFO, pins.stream().map(pin -> Place.of(id, pin)).toList())
                .variant(wires.size() == 1 ? "wire_feed" : "wire_feeds");
        return finding.with("at", pins.size() == 1 ? pins.get(0) : pins)
                .with("to", rail)
                .fix(new Fix(
                        "feed",
                        Fact.of(wires.size() == 1 ? "fix.wire_feed" : "fix.wire_feeds")
                                .with("at", pins.get(0))
                                .with("count", wires.size())
                                .with("rail", rail),
                        Fact.of("fix.wire_turned.cost"),
                        wires.stream()
                                .flatMap(wire -> wire.asMeant(id).stream())
                                .toList()))
                .fix(new Fix(
                        "take-away",
                        wires.size() == 1
                                ? Fact.of("fix.pin_gone")
                                        .with("at", wires.get(0).lost().at())
                                : Fact.of("fix.pins_gone").with("count", wires.size()),
                        Fact.of("fix.wire_feed.away"),
                        wires.stream()
                                .<Edit>map(
                                        wire -> new RemoveWire(id, wire.lost().at()))
                                .toList()))
                .build();
    }

    private static String variant(NodeCircuit node, Lost lost) {
        Optional<SaidWire> said = SaidWire.of(node, lost);
        if (said.isPresent()) {
            return switch (said.get().meaning()) {
                case TURNED, TURNED_TWICE -> "wire_turned";
                case SWAPPED -> "wire_swapped";
                case FED_OTHERWISE -> "wire_feed_other";
                case PROGRAMS_ELSEWHERE -> "wire_program";
                default -> "wire_no_signal";
            };
        } else if (PinGoneFixes.counts(node, lost).isPresent()) {
            return "between_twice";
        }
        if (lost.kind() == Lost.Kind.FEED
                && !lost.missing().equals(lost.at())
                && !rails(node, lost).isEmpty()) {
            return "feed_rails";
        }
        if (lost.kind() == Lost.Kind.WIRE && !pins(node, lost).isEmpty()) {
            return "wire_pins";
        }
        boolean isNoSignal = lost.kind() == Lost.Kind.BETWEEN
                && lost.missing().equals(lost.at())
                && node.pin(lost.at()).isPresent();
        return isNoSignal ? "between_no_signal" : lost.kind().name().toLowerCase(Locale.ROOT);
    }

    /** What the part gives from which something is to be fed. */
    private static List<String> rails(NodeCircuit node, Lost lost) {
        return node.part(lost.missing().part()).map(PinGoneFixes::rails).orElse(List.of());
    }

    /** All that the part has, where that is few enough to be said; a ground that it has twice is said once. */
    private static List<String> pins(NodeCircuit node, Lost lost) {
        List<String> pins = node.part(lost.missing().part()).stream()
                .flatMap(placed -> placed.cls().pins().stream())
                .map(Pin::label)
                .distinct()
                .toList();
        return pins.size() > FEW_PINS ? List.of() : pins;
    }

    private static Finding describe(NodeWire link) {
        return Finding.of(INFO, link.from())
                .variant(link.isWithinOneBoard() ? link.isLine() ? "line_same" : "link_same" : "link")
                .with("at", link.from())
                .with("to", link.to())
                .fixes(() -> List.of(new Fix(
                        "take-away",
                        Fact.of("fix.pin_gone").with("at", link.from()),
                        Fact.of("fix.pin_gone.cost"),
                        List.of(new RemoveNodeWire(link)))))
                .build();
    }
}
