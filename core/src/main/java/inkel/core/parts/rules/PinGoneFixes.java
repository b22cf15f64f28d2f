package inkel.core.parts.rules;

import inkel.core.catalog.Nearest;
import inkel.core.catalog.Output;
import inkel.core.catalog.Pin;
import inkel.core.catalog.Supply;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.Lost;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.SaidWire;
import inkel.core.circuit.Unfed;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.RemoveWire;
import inkel.core.document.edit.SetWire;
import inkel.core.document.edit.TakeOut;
import inkel.core.document.edit.Unfeed;
import inkel.core.finding.Fix;
import inkel.core.quantity.Fact;
import inkel.core.remedy.BesideSensor;
import inkel.core.remedy.FeedUnfed;
import inkel.core.remedy.NamedRail;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Ways out for what has no place: what was probably meant, and taking it away. */
final class PinGoneFixes {
    private final NodeCircuit node;
    private final Lost lost;
    private final Circuit circuit;
    private final String id;

    PinGoneFixes(Circuit circuit, NodeCircuit node, Lost lost) {
        this.node = node;
        this.lost = lost;
        this.circuit = circuit;
        id = node.node().id();
    }

    /** What counts of a wire of which something is told twice. */
    static Optional<Between> counts(NodeCircuit node, Lost lost) {
        return lost.kind() == Lost.Kind.BETWEEN ? node.between(lost.at()) : Optional.empty();
    }

    List<Fix> all() {
        Optional<Between> first = counts(node, lost);
        if (first.isPresent()) {
            return List.of(new Fix(
                    "first",
                    Fact.of("fix.between_first").with("at", lost.at()),
                    Fact.of("fix.wire_turned.cost"),
                    List.of(new TakeOut(id, lost.at()), new Insert(id, first.get()))));
        }
        List<Fix> fixes = new ArrayList<>();
        SaidWire.of(node, lost)
                .flatMap(this::meant)
                .or(this::nearTarget)
                .or(this::nearSignal)
                .or(this::nearSupply)
                .ifPresent(fixes::add);
        List<Fix> feeds = feeds();
        feeds.stream()
                .filter(feed -> fixes.stream().noneMatch(near -> near.edits().equals(feed.edits())))
                .forEach(fixes::add);
        if (!feeds.isEmpty()) {
            // Without any feed it would only want one.
            return fixes;
        }
        fixes.add(new Fix(
                "take-away",
                Fact.of("fix.pin_gone").with("at", lost.at()),
                Fact.of("fix.pin_gone.cost"),
                List.of(away())));
        return fixes;
    }

    private Optional<Fix> meant(SaidWire said) {
        if (said.becomes().isEmpty()) {
            return Optional.empty();
        }
        Fact title = said.feed()
                .map(feed -> Fact.of("fix.wire_feed")
                        .with("at", new Endpoint(feed.part(), feed.pin()))
                        .with("rail", feed.rail()))
                .orElseGet(
                        () -> Fact.of("fix.wire_turned").with("at", lost.to()).with("pin", lost.at()));
        List<Edit> edits = new ArrayList<>(said.asMeant(id));
        beside(said).ifPresent(edits::add);
        return Optional.of(
                new Fix(said.feed().isPresent() ? "feed" : "turn", title, Fact.of("fix.wire_turned.cost"), edits));
    }

    /** A resistance that is turned about wants its resistor above it, wherever the one of before was. */
    private Optional<Edit> beside(SaidWire said) {
        return said.pin()
                .filter(pin -> node.between(pin).isEmpty())
                .flatMap(pin -> node.part(pin.part())
                        .flatMap(placed -> said.leg().isPresent()
                                ? Optional.of(BesideSensor.below(placed.cls(), pin))
                                : BesideSensor.of(placed.cls(), pin)))
                .map(piece -> new Insert(id, piece));
    }

    /** Where a pin that must be fed hung on a rail that is not there: what else feeds it, or another way into its board. */
    private List<Fix> feeds() {
        if (lost.kind() != Lost.Kind.FEED || lost.missing().equals(lost.at())) {
            return List.of();
        }
        List<Fix> fixes = new ArrayList<>();
        for (Unfed unfed : Unfed.of(node)) {
            if (unfed.placed().id().equals(lost.at().part())) {
                fixes.addAll(fed(unfed, true));
                fed(unfed, false).stream().map(this::instead).forEach(fixes::add);
            }
        }
        // From the source that was named, by whichever way.
        fixes.sort(Comparator.comparing(fix -> fix.edits().stream().noneMatch(this::isFromNamed)));
        return fixes;
    }

    private List<Fix> fed(Unfed unfed, boolean isNamed) {
        return unfed.ways().stream()
                .filter(way -> way.pin().equals(lost.at().pin()) == isNamed)
                .map(way -> new Unfed(unfed.placed(), List.of(way), unfed.waiting()))
                .flatMap(way -> new FeedUnfed(node, circuit.catalog()).of(circuit, List.of(way)).stream())
                .toList();
    }

    private Fix instead(Fix other) {
        List<Edit> edits = new ArrayList<>(List.of(away()));
        edits.addAll(other.edits());
        return new Fix(other.id(), other.title(), other.cost(), edits);
    }

    private boolean isFromNamed(Edit edit) {
        return edit instanceof Feed feed
                && feed.rail().part().equals(lost.missing().part());
    }

    private Edit away() {
        return switch (lost.kind()) {
            case WIRE -> new RemoveWire(id, lost.at());
            case FEED -> new Unfeed(id, lost.at().part(), lost.at().pin());
            case BETWEEN -> new TakeOut(id, lost.at());
        };
    }

    private Fix near(Fact what, Edit... edits) {
        return new Fix("near", what, Fact.of("fix.pin_near.cost"), List.of(edits));
    }

    /** The pin, or the rail, that was probably meant by the one that it goes to. */
    private Optional<Fix> nearTarget() {
        if (lost.missing().equals(lost.at()) || lost.kind() == Lost.Kind.BETWEEN) {
            return Optional.empty();
        }
        boolean isFeed = lost.kind() == Lost.Kind.FEED;
        return (isFeed ? NamedRail.of(node, lost) : pin())
                .map(pin -> near(
                        Fact.of("fix.pin_near").with("at", lost.at()).with("pin", pin),
                        isFeed
                                ? new Feed(id, lost.at().part(), lost.at().pin(), pin)
                                : new SetWire(id, Wire.placed(lost.at(), pin))));
    }

    private Optional<Endpoint> pin() {
        return node.part(lost.missing().part())
                .flatMap(owner -> inPlace(owner, lost.missing().pin())
                        .or(() -> meant(owner, lost.missing().pin(), labels(owner))))
                .map(label -> new Endpoint(lost.missing().part(), label));
    }

    /** The pin that has a number on the header which no pin has in the program. */
    private static Optional<String> inPlace(Placed owner, String name) {
        return owner.cls().pins().stream()
                .filter(pin -> !pin.can().isEmpty() && pin.header() > 0)
                .filter(pin -> name.equals(String.valueOf(pin.header())))
                .map(Pin::label)
                .findFirst();
    }

    /** What people call so, or what looks most like it. */
    private static Optional<String> meant(Placed owner, String name, List<String> among) {
        return owner.cls()
                .pinCalled(name)
                .map(Pin::label)
                .filter(among::contains)
                .or(() -> Nearest.to(name, among));
    }

    /** The signal that looks most like one that the class does not have, or the only one, where that is not wired yet. */
    private Optional<Fix> nearSignal() {
        boolean isFromNothing = lost.kind() == Lost.Kind.WIRE
                && node.pin(lost.at()).isEmpty()
                && node.pin(lost.to()).isPresent();
        return node.part(lost.at().part())
                .filter(owner -> isFromNothing)
                .flatMap(owner -> meant(owner, lost.at().pin(), unwired(owner)).or(() -> onlySignal(owner)))
                .map(label -> new Endpoint(lost.at().part(), label))
                .map(signal -> near(
                        Fact.of("fix.wire_turned").with("at", signal).with("pin", lost.to()),
                        away(),
                        new SetWire(id, Wire.placed(signal, lost.to()))));
    }

    /** Whatever it was called: the one signal of a part that is not wired, where the wire goes to a pin for signals. */
    private Optional<String> onlySignal(Placed owner) {
        List<String> unwired = unwired(owner);
        boolean isForSignals =
                node.pin(lost.to()).filter(pin -> !pin.can().isEmpty()).isPresent();
        return isForSignals && unwired.size() == 1 ? Optional.of(unwired.get(0)) : Optional.empty();
    }

    private List<String> unwired(Placed owner) {
        return owner.cls()
                .signals()
                .map(Pin::label)
                .filter(label -> node.wire(new Endpoint(owner.id(), label)).isEmpty())
                .distinct()
                .toList();
    }

    /** The supply pin that looks most like one that the class does not have, or the only one that nothing feeds. */
    private Optional<Fix> nearSupply() {
        boolean isToNothing = lost.kind() == Lost.Kind.FEED
                && lost.missing().equals(lost.at())
                && node.rail(lost.to()).isPresent();
        List<String> unfed = node.part(lost.at().part())
                .filter(owner -> isToNothing)
                .map(owner -> owner.cls().supplies().stream()
                        .map(Supply::pin)
                        .filter(pin -> !owner.part().feeds().containsKey(pin)))
                .orElseGet(Stream::empty)
                .toList();
        return node.part(lost.at().part())
                .flatMap(owner -> meant(owner, lost.at().pin(), unfed))
                .or(() -> unfed.stream().filter(only -> unfed.size() == 1).findFirst())
                .map(pin -> near(
                        Fact.of("fix.wire_feed")
                                .with("at", new Endpoint(lost.at().part(), pin))
                                .with("rail", lost.to()),
                        away(),
                        new Feed(id, lost.at().part(), pin, lost.to())));
    }

    private static List<String> labels(Placed placed) {
        return placed.cls().pins().stream().map(Pin::label).distinct().toList();
    }

    static List<String> rails(Placed placed) {
        return placed.cls().outputs().stream().map(Output::pin).toList();
    }
}
