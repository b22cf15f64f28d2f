package inkel.core.parts.rules;

import inkel.core.catalog.Nearest;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Supply;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.Lost;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.RemoveNodeWire;
import inkel.core.document.edit.RemoveWire;
import inkel.core.document.edit.SetWire;
import inkel.core.document.edit.TakeOut;
import inkel.core.document.edit.Unfeed;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Reports a wire, a feed or a part in a wire that names a pin which the class does not have: the class was changed since,
 * or another one took its place; and a wire that was written down from its wrong end, or from a board to itself. Everything else
 * is judged without it.
 */
public final class PinGoneRule implements Rule<Circuit> {
    private static final RuleInfo INFO = new RuleInfo("parts.pin_gone", Severity.STOP, Stage.PARTS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(Circuit circuit) {
        List<Finding> findings = new ArrayList<>();
        for (NodeCircuit node : circuit.nodes()) {
            node.lost().forEach(lost -> findings.add(describe(node, lost)));
        }
        circuit.lostLinks().forEach(link -> findings.add(describe(link)));
        return findings;
    }

    private static Finding describe(NodeCircuit node, Lost lost) {
        String id = node.node().id();
        return Finding.of(INFO, Place.of(id, lost.at()))
                .variant(variant(node, lost))
                .with("at", lost.at())
                .with("to", lost.to())
                .with("missing", lost.missing())
                .with(
                        "class",
                        node.part(lost.missing().part())
                                .map(part -> part.cls().name())
                                .orElse("?"))
                .fixes(() -> fixes(node, lost))
                .build();
    }

    private static String variant(NodeCircuit node, Lost lost) {
        if (twice(node, lost).isPresent()) {
            return "between_twice";
        } else if (lost.kind() == Lost.Kind.BETWEEN
                && lost.missing().equals(lost.at())
                && node.pin(lost.at()).isPresent()) {
            return "between_no_signal";
        } else if (!isFromNoSignal(node, lost)) {
            return lost.kind().name().toLowerCase(Locale.ROOT);
        } else if (isTurned(node, lost)) {
            return "wire_turned";
        } else if (is(node, lost.at(), PinUse.GROUND) && is(node, lost.to(), PinUse.GROUND)) {
            return "wire_ground";
        }
        return meant(node, lost).isPresent() ? "wire_feed" : "wire_no_signal";
    }

    /** What counts of a wire of which something is told twice. */
    private static Optional<Between> twice(NodeCircuit node, Lost lost) {
        return lost.kind() == Lost.Kind.BETWEEN ? node.between(lost.at()) : Optional.empty();
    }

    private static boolean is(NodeCircuit node, Endpoint end, PinUse use) {
        return node.pin(end).filter(pin -> pin.use() == use).isPresent();
    }

    /** Whether its pin is there, and no wire of the document begins at such a one. */
    private static boolean isFromNoSignal(NodeCircuit node, Lost lost) {
        return lost.kind() == Lost.Kind.WIRE
                && lost.missing().equals(lost.at())
                && node.pin(lost.at()).isPresent();
    }

    /** Whether it begins at the pin that serves a signal, and goes to the part's signal. */
    private static boolean isTurned(NodeCircuit node, Lost lost) {
        return isFromNoSignal(node, lost)
                && node.pin(lost.to()).filter(pin -> pin.use().isSignal()).isPresent();
    }

    /** The feed that a wire from a supply pin to a rail means, or one the other way about. */
    private static Optional<Feed> meant(NodeCircuit node, Lost lost) {
        return feed(node, lost.at(), lost.to()).or(() -> feed(node, lost.to(), lost.at()));
    }

    private static Optional<Feed> feed(NodeCircuit node, Endpoint pin, Endpoint rail) {
        return is(node, pin, PinUse.SUPPLY) && node.rail(rail).isPresent()
                ? Optional.of(new Feed(node.node().id(), pin.part(), pin.pin(), rail))
                : Optional.empty();
    }

    private static List<Fix> fixes(NodeCircuit node, Lost lost) {
        List<Fix> fixes = new ArrayList<>();
        near(node, lost)
                .or(() -> nearSignal(node, lost))
                .or(() -> nearSupply(node, lost))
                .ifPresent(fixes::add);
        boolean isFree = node.wire(lost.to()).isEmpty();
        if (isTurned(node, lost) && isFree) {
            fixes.add(new Fix(
                    "turn",
                    Fact.of("fix.wire_turned").with("at", lost.to()).with("pin", lost.at()),
                    Fact.of("fix.wire_turned.cost"),
                    List.of(
                            new RemoveWire(node.node().id(), lost.at()),
                            new SetWire(node.node().id(), Wire.placed(lost.to(), lost.at())))));
        }
        Optional<Feed> meant = isFromNoSignal(node, lost) ? meant(node, lost) : Optional.empty();
        meant.ifPresent(feed -> fixes.add(new Fix(
                "feed",
                Fact.of("fix.wire_feed")
                        .with("at", new Endpoint(feed.part(), feed.pin()))
                        .with("rail", feed.rail()),
                Fact.of("fix.wire_turned.cost"),
                List.of(new RemoveWire(node.node().id(), lost.at()), feed))));
        String id = node.node().id();
        Optional<Between> first = twice(node, lost);
        if (first.isPresent()) {
            return List.of(new Fix(
                    "first",
                    Fact.of("fix.between_first").with("at", lost.at()),
                    Fact.of("fix.wire_turned.cost"),
                    List.of(new TakeOut(id, lost.at()), new Insert(id, first.get()))));
        }
        Edit away =
                switch (lost.kind()) {
                    case WIRE -> new RemoveWire(id, lost.at());
                    case FEED -> new Unfeed(id, lost.at().part(), lost.at().pin());
                    case BETWEEN -> new TakeOut(id, lost.at());
                };
        fixes.add(new Fix(
                "take-away",
                Fact.of("fix.pin_gone").with("at", lost.at()),
                Fact.of("fix.pin_gone.cost"),
                List.of(away)));
        return fixes;
    }

    /** The pin whose label looks most like the one that is gone. */
    private static Optional<Fix> near(NodeCircuit node, Lost lost) {
        if (lost.missing().equals(lost.at()) || lost.kind() == Lost.Kind.BETWEEN) {
            return Optional.empty();
        }
        boolean isFeed = lost.kind() == Lost.Kind.FEED;
        return node.part(lost.missing().part())
                .flatMap(owner -> Nearest.to(lost.missing().pin(), isFeed ? rails(owner) : labels(owner)))
                .map(label -> new Endpoint(lost.missing().part(), label))
                .map(pin -> new Fix(
                        "near",
                        Fact.of("fix.pin_near").with("at", lost.at()).with("pin", pin),
                        Fact.of("fix.pin_near.cost"),
                        List.of(
                                isFeed
                                        ? new Feed(
                                                node.node().id(),
                                                lost.at().part(),
                                                lost.at().pin(),
                                                pin)
                                        : new SetWire(node.node().id(), Wire.placed(lost.at(), pin)))));
    }

    /** The signal that looks most like one that the class does not have, where that is not wired yet. */
    private static Optional<Fix> nearSignal(NodeCircuit node, Lost lost) {
        boolean isFromNothing = lost.kind() == Lost.Kind.WIRE
                && lost.missing().equals(lost.at())
                && node.pin(lost.at()).isEmpty();
        return node.part(lost.at().part())
                .filter(owner -> isFromNothing)
                .flatMap(owner -> Nearest.to(
                                lost.at().pin(),
                                owner.cls()
                                        .signals()
                                        .map(Pin::label)
                                        .filter(label -> node.wire(new Endpoint(owner.id(), label))
                                                .isEmpty())
                                        .distinct()
                                        .toList())
                        .map(label -> new Endpoint(owner.id(), label)))
                .map(signal -> new Fix(
                        "near",
                        Fact.of("fix.wire_turned").with("at", signal).with("pin", lost.to()),
                        Fact.of("fix.wire_turned.cost"),
                        List.of(
                                new RemoveWire(node.node().id(), lost.at()),
                                new SetWire(node.node().id(), Wire.placed(signal, lost.to())))));
    }

    /** The supply pin that looks most like one that the class does not have, or the only one that nothing feeds. */
    private static Optional<Fix> nearSupply(NodeCircuit node, Lost lost) {
        Optional<Placed> owner = node.part(lost.at().part())
                .filter(part -> lost.kind() == Lost.Kind.FEED && lost.missing().equals(lost.at()));
        List<String> unfed = owner.stream()
                .flatMap(part -> part.cls().supplies().stream()
                        .map(Supply::pin)
                        .filter(pin -> !part.part().feeds().containsKey(pin)))
                .toList();
        return Nearest.to(lost.at().pin(), unfed)
                .or(() -> unfed.size() == 1 ? Optional.of(unfed.get(0)) : Optional.empty())
                .map(pin -> new Fix(
                        "near",
                        Fact.of("fix.wire_feed")
                                .with("at", new Endpoint(lost.at().part(), pin))
                                .with("rail", lost.to()),
                        Fact.of("fix.pin_near.cost"),
                        List.of(
                                new Unfeed(
                                        node.node().id(),
                                        lost.at().part(),
                                        lost.at().pin()),
                                new Feed(node.node().id(), lost.at().part(), pin, lost.to()))));
    }

    private static List<String> labels(Placed placed) {
        return placed.cls().pins().stream().map(Pin::label).distinct().toList();
    }

    private static List<String> rails(Placed placed) {
        return placed.cls().outputs().stream().map(output -> output.pin()).toList();
    }

    private static Finding describe(NodeWire link) {
        return Finding.of(INFO, link.from())
                .variant(link.isWithinOneBoard() ? "link_same" : "link")
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
