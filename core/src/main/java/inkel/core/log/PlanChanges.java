package inkel.core.log;

import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Carries;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddNodeWire;
import inkel.core.document.edit.ChangeNodeWire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.RemoveNode;
import inkel.core.document.edit.RemoveNodeWire;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.RemoveWire;
import inkel.core.document.edit.RenameNode;
import inkel.core.document.edit.RenamePart;
import inkel.core.document.edit.Restore;
import inkel.core.document.edit.SetGround;
import inkel.core.document.edit.SetPurpose;
import inkel.core.document.edit.SetWire;
import inkel.core.document.edit.TakeOut;
import inkel.core.document.edit.Unfeed;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/** What differs between two states of a plan, as a person would say it: what is plugged and where it sits is no part of it. */
public final class PlanChanges {
    /** More wires than a person would name one by one. */
    private static final int MANY = 6;

    private final Build before;
    private final Build after;
    private final List<Did> all = new ArrayList<>();

    private PlanChanges(Build before, Build after) {
        this.before = before;
        this.after = after;
    }

    public static List<Did> between(Build before, Build after) {
        PlanChanges changes = new PlanChanges(before, after);
        changes.find();
        return List.copyOf(changes.all);
    }

    private static <T> Map<String, T> byId(List<T> all, Function<T, String> id) {
        Map<String, T> map = new LinkedHashMap<>();
        all.forEach(one -> map.put(id.apply(one), one));
        return map;
    }

    private static Set<String> keys(Map<String, ?> one, Map<String, ?> other) {
        Set<String> keys = new LinkedHashSet<>(one.keySet());
        keys.addAll(other.keySet());
        return keys;
    }

    private void find() {
        if (!before.name().equals(after.name())) {
            add(
                    Place.NOWHERE,
                    was(Fact.of("did.named").with("name", after.name()), before.name()),
                    new Restore.Name(anyNode(), before.name()));
        }
        Map<String, Node> old = byId(before.nodes(), Node::id);
        Map<String, Node> now = byId(after.nodes(), Node::id);
        for (String id : keys(old, now)) {
            if (!old.containsKey(id)) {
                add(
                        Place.ofNode(id),
                        Fact.of("did.node_added").with("name", now.get(id).name()),
                        new RemoveNode(id));
            } else if (!now.containsKey(id)) {
                add(
                        Place.NOWHERE,
                        Fact.of("did.node_removed").with("name", old.get(id).name()),
                        new Restore.NodeBack(old.get(id)));
            } else if (old.get(id) != now.get(id)) {
                node(old.get(id), now.get(id));
            }
        }
        links();
        if (!before.air().equals(after.air())) {
            add(Place.NOWHERE, Fact.of("did.air"), new Restore.Air(anyNode(), before.air()));
        }
        if (!before.habits().equals(after.habits())) {
            add(Place.NOWHERE, Fact.of("did.habits"), new Restore.Schools(anyNode(), before.habits()));
        }
    }

    private void add(Place place, Fact what, Edit... back) {
        all.add(Did.changed(place, what, List.of(back)));
    }

    private String anyNode() {
        return after.nodes().get(0).id();
    }

    /** With what it was; the fact without that says that nothing was there before. */
    private static Fact was(Fact now, String was) {
        return was.isEmpty() ? now : now.as(now.key() + ".was").with("was", was);
    }

    private void node(Node old, Node now) {
        if (!old.name().equals(now.name())) {
            add(
                    Place.ofNode(now.id()),
                    was(Fact.of("did.named").with("name", now.name()), old.name()),
                    new RenameNode(now.id(), old.name()));
        }
        Map<String, Part> oldParts = byId(old.parts(), Part::id);
        Map<String, Part> nowParts = byId(now.parts(), Part::id);
        Set<String> fresh = new LinkedHashSet<>();
        for (String id : keys(oldParts, nowParts)) {
            Place place = Place.ofPart(now.id(), id);
            if (!oldParts.containsKey(id)) {
                fresh.add(id);
                add(place, Fact.of("did.added").with("name", nowParts.get(id).name()), new RemovePart(now.id(), id));
            } else if (!nowParts.containsKey(id)) {
                fresh.add(id);
                add(
                        Place.ofNode(now.id()),
                        Fact.of("did.removed").with("name", oldParts.get(id).name()),
                        partBack(old, now, oldParts.get(id)));
            } else if (!oldParts.get(id).equals(nowParts.get(id))) {
                part(old, now, oldParts.get(id), nowParts.get(id), place);
            }
        }
        wires(old, now, fresh);
        pieces(old, now, fresh);
        if (!old.moments().equals(now.moments())) {
            add(Place.ofNode(now.id()), Fact.of("did.moments"), new Restore.Moments(now.id(), old.moments()));
        }
    }

    private static String rail(Node node, Endpoint rail) {
        return node.part(rail.part())
                .map(part -> part.isBoard() ? part.name() + " " + rail.pin() : part.name())
                .orElse(rail.toString());
    }

    private void part(Node oldNode, Node nowNode, Part old, Part now, Place place) {
        if (!old.classId().equals(now.classId())) {
            add(
                    place,
                    Fact.of("did.class").with("class", now.classId()).with("was", old.classId()),
                    new Restore.Kind(nowNode.id(), old));
        } else if (old.since() != now.since()) {
            add(place, Fact.of("did.piece_new"));
        }
        if (!old.name().equals(now.name())) {
            add(
                    place,
                    was(Fact.of("did.named").with("name", now.name()), old.name()),
                    new RenamePart(nowNode.id(), now.id(), old.name()));
        }
        if (!old.purpose().equals(now.purpose())) {
            add(
                    place,
                    Fact.of("did.purpose").with("purpose", now.purpose()),
                    new SetPurpose(nowNode.id(), now.id(), old.purpose()));
        }
        Map<String, Endpoint> oldFeeds = old.feeds();
        Map<String, Endpoint> nowFeeds = now.feeds();
        for (String pin : keys(oldFeeds, nowFeeds)) {
            Optional<String> was = Optional.ofNullable(oldFeeds.get(pin)).map(rail -> rail(oldNode, rail));
            Optional<String> is = Optional.ofNullable(nowFeeds.get(pin)).map(rail -> rail(nowNode, rail));
            if (!Objects.equals(oldFeeds.get(pin), nowFeeds.get(pin))) {
                Fact what = is.map(
                                rail -> was(Fact.of("did.fed").with("pin", pin).with("rail", rail), was.orElse("")))
                        .orElseGet(() -> Fact.of("did.unfed").with("pin", pin).with("was", was.orElse("")));
                Edit back = oldFeeds.containsKey(pin)
                        ? new Feed(nowNode.id(), now.id(), pin, oldFeeds.get(pin))
                        : new Unfeed(nowNode.id(), now.id(), pin);
                add(place, what, back);
            }
        }
        if (old.groundApart() != now.groundApart()) {
            add(
                    place,
                    Fact.of(now.groundApart() ? "did.ground_apart" : "did.ground_joined"),
                    new SetGround(nowNode.id(), now.id(), old.groundApart()));
        }
        values(old.settings(), now.settings(), "did.set", "setting", place);
        values(old.figures(), now.figures(), "did.figure", "figure", place);
    }

    private void values(Map<String, String> old, Map<String, String> now, String key, String name, Place place) {
        for (String one : keys(old, now)) {
            String was = old.getOrDefault(one, "");
            String is = now.getOrDefault(one, "");
            if (!was.equals(is)) {
                Fact what = is.isEmpty()
                        ? Fact.of(key + ".none").with("was", was)
                        : was(Fact.of(key).with("value", is), was);
                Optional<String> before = Optional.ofNullable(old.get(one));
                add(
                        place,
                        what.with(name, one),
                        new Restore.Said(place.node(), place.part(), name.equals("figure"), one, before));
            }
        }
    }

    private void wires(Node old, Node now, Set<String> fresh) {
        Map<String, Wire> oldWires = byId(old.wires(), wire -> wire.from().toString());
        Map<String, Wire> nowWires = byId(now.wires(), wire -> wire.from().toString());
        List<Did> found = new ArrayList<>();
        for (String from : keys(oldWires, nowWires)) {
            Optional<Wire> was = Optional.ofNullable(oldWires.get(from));
            Optional<Wire> is = Optional.ofNullable(nowWires.get(from));
            Endpoint signal = is.or(() -> was).orElseThrow().from();
            if (was.equals(is) || fresh.contains(signal.part())) {
                continue;
            }
            Edit back = was.<Edit>map(wire -> new SetWire(now.id(), wire))
                    .orElseGet(() -> new RemoveWire(now.id(), signal));
            wire(old, now, was, is, back).ifPresent(found::add);
        }
        List<Did> placed = found.stream().filter(did -> !did.isDecision()).toList();
        if (placed.size() > MANY) {
            found.removeAll(placed);
            all.add(Did.changed(
                    Place.ofNode(now.id()),
                    Fact.of("did.shared_out").with("wires", (long) placed.size()),
                    placed.stream().flatMap(did -> did.back().stream()).toList()));
        }
        all.addAll(found);
    }

    private static String end(Node node, Endpoint pin) {
        return node.part(pin.part())
                .map(part -> part.isBoard() ? pin.pin() : part.name() + " " + pin.pin())
                .orElse(pin.toString());
    }

    /** An end of a wire between boards, by the name its board has now or had last. */
    private String end(Place place) {
        return after.node(place.node())
                .or(() -> before.node(place.node()))
                .map(node -> node.name() + " " + end(node, new Endpoint(place.part(), place.pin())))
                .orElse(place.toString());
    }

    private static Optional<Did> wire(Node old, Node now, Optional<Wire> was, Optional<Wire> is, Edit back) {
        if (is.isEmpty()) {
            Wire gone = was.orElseThrow();
            return Optional.of(Did.changed(
                    Place.of(now.id(), gone.from()),
                    Fact.of("did.unwired").with("pin", gone.from().pin()).with("was", end(old, gone.to())),
                    List.of(back)));
        }
        Wire wire = is.get();
        Place place = Place.of(now.id(), wire.from());
        boolean isMoved = was.filter(before -> before.to().equals(wire.to())).isEmpty();
        boolean isHeldNow = wire.held()
                && (was.filter(Wire::held).isEmpty() || !was.get().reason().equals(wire.reason()) || isMoved);
        Fact what = Fact.of("did.wired").with("pin", wire.from().pin()).with("to", end(now, wire.to()));
        if (isHeldNow) {
            String key = wire.reason().isEmpty() ? "did.held" : "did.held.reason";
            return Optional.of(new Did(place, what.as(key).with("reason", wire.reason()), true, List.of(back)));
        }
        if (isMoved) {
            return Optional.of(Did.changed(
                    place, was(what, was.map(before -> end(old, before.to())).orElse("")), List.of(back)));
        }
        return was.filter(Wire::held).isPresent() && !wire.held()
                ? Optional.of(Did.changed(place, what.as("did.let_go"), List.of(back)))
                : Optional.empty();
    }

    private void pieces(Node old, Node now, Set<String> fresh) {
        Map<String, Between> oldPieces =
                byId(old.between(), piece -> piece.signal().toString());
        Map<String, Between> nowPieces =
                byId(now.between(), piece -> piece.signal().toString());
        for (String signal : keys(oldPieces, nowPieces)) {
            Optional<Between> was = Optional.ofNullable(oldPieces.get(signal));
            Optional<Between> is = Optional.ofNullable(nowPieces.get(signal));
            Endpoint at = is.or(() -> was).orElseThrow().signal();
            if (was.equals(is) || fresh.contains(at.part())) {
                continue;
            }
            Place place = Place.of(now.id(), at);
            boolean isDecision = is.filter(Between.Nothing.class::isInstance).isPresent();
            Fact what = is.map(piece -> was(
                            Fact.of(isDecision ? "did.left_alone" : "did.piece")
                                    .with("pin", at.pin())
                                    .with("piece", isDecision ? ((Between.Nothing) piece).reason() : piece.text()),
                            isDecision ? "" : was.map(Between::text).orElse("")))
                    .orElseGet(() -> Fact.of("did.piece.none")
                            .with("pin", at.pin())
                            .with("was", was.orElseThrow().text()));
            Edit back = was.<Edit>map(piece -> new Insert(now.id(), piece)).orElseGet(() -> new TakeOut(now.id(), at));
            all.add(new Did(place, what, isDecision, List.of(back)));
        }
    }

    /** What was said anew of what a wire between boards carries. */
    private static Fact said(Carries was, Carries is) {
        if (!was.kind().equals(is.kind())) {
            return Fact.of("did.carries." + is.kind().map(Carries.Kind::text).orElse("pins"));
        }
        return is.baud()
                .map(rate -> Fact.of("did.rate").with("baud", Math.round(rate.hertz())))
                .orElse(Fact.of("did.rate.none"));
    }

    private static Edit back(Optional<NodeWire> was, Optional<NodeWire> is) {
        return is.isEmpty()
                ? new AddNodeWire(was.orElseThrow())
                : was.<Edit>map(old -> new ChangeNodeWire(is.get(), old)).orElseGet(() -> new RemoveNodeWire(is.get()));
    }

    /** A part with all that its leaving took with it: its own wires, and those of others that ended at it. */
    private static Edit partBack(Node old, Node now, Part part) {
        return new Restore.PartBack(
                now.id(),
                part,
                old.wires().stream()
                        .filter(wire -> wire.from().part().equals(part.id())
                                || wire.to().part().equals(part.id()))
                        .toList(),
                old.between().stream()
                        .filter(piece -> piece.signal().part().equals(part.id())
                                || piece instanceof Between.ShifterWay way
                                        && way.shifter().equals(part.id()))
                        .toList());
    }

    private void links() {
        Map<String, NodeWire> old = byId(before.links(), NodeWire::key);
        Map<String, NodeWire> now = byId(after.links(), NodeWire::key);
        for (String to : keys(old, now)) {
            if (!Objects.equals(old.get(to), now.get(to))) {
                NodeWire link = now.getOrDefault(to, old.get(to));
                String key =
                        !now.containsKey(to) ? "did.unlinked" : !old.containsKey(to) ? "did.linked" : "did.relinked";
                boolean isSaid = key.equals("did.relinked")
                        && old.get(to).withCarries(link.carries()).equals(link);
                add(
                        link.to(),
                        (isSaid ? said(old.get(to).carries(), link.carries()) : Fact.of(key))
                                .with("from", end(link.from()))
                                .with("to", end(link.to())),
                        back(Optional.ofNullable(old.get(to)), Optional.ofNullable(now.get(to))));
            }
        }
    }
}
