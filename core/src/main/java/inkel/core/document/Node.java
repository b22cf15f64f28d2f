package inkel.core.document;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;

/**
 * A board and all that is wired to it.
 *
 * @param parts the board first, then the others in the builder's order
 * @param wires at most one for each signal pin
 * @param between at most one for each signal pin
 * @param moments what happens while it runs, in the builder's order
 * @param plugged ids of the wires that are already plugged in; see the wire list
 * @param made how plugged wires are made where that is not as the wire list has it: their colour, {@code solder} or
 *     {@code clip}, by their ids
 * @param seats where the builder keeps parts on breadboards, by their ids, and with them pieces in wires and half rows where
 *     wires meet
 * @param laid how the table lay when something of it was last plugged or moved by hand
 * @param like which set of equal boards it is one of: the id of the one that the others were copied from; empty for a board
 *     of its own
 */
public record Node(
        String id,
        String name,
        List<Part> parts,
        List<Wire> wires,
        List<Between> between,
        List<Moment> moments,
        Set<String> plugged,
        Map<String, String> made,
        Map<String, SeatChoice> seats,
        Laid laid,
        String like,
        Extras extras) {
    /** How a wire can be made otherwise than the wire list has it: in another colour, or not as a jumper. */
    public static final List<String> MADE = List.of(
            "black", "red", "orange", "yellow", "green", "blue", "violet", "brown", "white", "grey", "solder", "clip");

    public Node {
        parts = List.copyOf(parts);
        wires = List.copyOf(wires);
        between = List.copyOf(between);
        moments = List.copyOf(moments);
        plugged = Collections.unmodifiableSet(new LinkedHashSet<>(plugged));
        made = Collections.unmodifiableMap(new LinkedHashMap<>(made));
        seats = Collections.unmodifiableMap(new LinkedHashMap<>(seats));
    }

    /** A board of its own. */
    public Node(
            String id,
            String name,
            List<Part> parts,
            List<Wire> wires,
            List<Between> between,
            List<Moment> moments,
            Set<String> plugged,
            Extras extras) {
        this(id, name, parts, wires, between, moments, plugged, Map.of(), Map.of(), Laid.NONE, "", extras);
    }

    /** What it and its equals have in common. */
    public String kin() {
        return like.isEmpty() ? id : like;
    }

    public Optional<Part> part(String partId) {
        return parts.stream().filter(part -> part.id().equals(partId)).findFirst();
    }

    public Part board() {
        return parts.get(0);
    }

    public Optional<Wire> wire(Endpoint from) {
        return wires.stream().filter(wire -> wire.from().equals(from)).findFirst();
    }

    public Optional<Between> between(Endpoint signal) {
        return between.stream().filter(entry -> entry.signal().equals(signal)).findFirst();
    }

    public Node withName(String newName) {
        return new Node(id, newName, parts, wires, between, moments, plugged, made, seats, laid, like, extras);
    }

    public Node withParts(List<Part> newParts) {
        return new Node(id, name, newParts, wires, between, moments, plugged, made, seats, laid, like, extras);
    }

    /** With one part changed; the same when there is no part of that id. */
    public Node withPart(String partId, UnaryOperator<Part> change) {
        return withParts(parts.stream()
                .map(part -> part.id().equals(partId) ? change.apply(part) : part)
                .toList());
    }

    public Node withWires(List<Wire> newWires) {
        return new Node(id, name, parts, newWires, between, moments, plugged, made, seats, laid, like, extras);
    }

    /** The wire takes the place of the one that its signal had. */
    public Node withWire(Wire wire) {
        return withWires(replaced(wires, old -> old.from().equals(wire.from()), wire));
    }

    public Node withBetween(List<Between> newBetween) {
        return new Node(id, name, parts, wires, newBetween, moments, plugged, made, seats, laid, like, extras);
    }

    /** The part in between takes the place of the one that its signal had. */
    public Node withBetween(Between entry) {
        return withBetween(replaced(between, old -> old.signal().equals(entry.signal()), entry));
    }

    public Node withMoments(List<Moment> newMoments) {
        return new Node(id, name, parts, wires, between, newMoments, plugged, made, seats, laid, like, extras);
    }

    /** The moment takes the place of the one with its id, or comes last. */
    public Node withMoment(Moment moment) {
        return withMoments(replaced(moments, old -> old.id().equals(moment.id()), moment));
    }

    public Optional<Moment> moment(String momentId) {
        return moments.stream().filter(moment -> moment.id().equals(momentId)).findFirst();
    }

    public Node withPlugged(Set<String> newPlugged) {
        return new Node(
                id, name, parts, wires, between, moments, newPlugged, stillMade(newPlugged), seats, laid, like, extras);
    }

    public Node withMade(Map<String, String> newMade) {
        return new Node(id, name, parts, wires, between, moments, plugged, newMade, seats, laid, like, extras);
    }

    public Node withSeats(Map<String, SeatChoice> newSeats) {
        return new Node(id, name, parts, wires, between, moments, plugged, made, newSeats, laid, like, extras);
    }

    public Node withLaid(Laid newLaid) {
        return new Node(id, name, parts, wires, between, moments, plugged, made, seats, newLaid, like, extras);
    }

    /** As it is planned: without what is plugged and where it sits. */
    public Node planned() {
        return withPlugged(Set.of()).withSeats(Map.of()).withLaid(Laid.NONE);
    }

    /** What is pulled is forgotten with how it was made. */
    private Map<String, String> stillMade(Set<String> stillPlugged) {
        Map<String, String> still = new LinkedHashMap<>(made);
        still.keySet().retainAll(stillPlugged);
        return still;
    }

    /** An id that no part of this node has yet: the stem itself, or the stem and a number. */
    public String freeId(String stem) {
        return Ids.free(stem, id -> part(id).isEmpty());
    }

    private static <T> List<T> replaced(List<T> old, Predicate<T> same, T entry) {
        List<T> all = new ArrayList<>(old);
        for (int i = 0; i < all.size(); i++) {
            if (same.test(all.get(i))) {
                all.set(i, entry);
                return all;
            }
        }
        all.add(entry);
        return all;
    }
}
