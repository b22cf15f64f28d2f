package inkel.core.document.edit;

import inkel.core.catalog.Setting;
import inkel.core.catalog.Settings;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.WireId;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/**
 * Which wires stay ticked off when what stands in them changes: one that is plugged straight is not yet one with a resistor
 * in it, and a resistor of another value is still to be put in.
 */
final class Ticks {
    /** Resistors that go from a pin of the part to the row of a supply or of the ground. */
    private static final List<Setting<?>> PULLS = List.of(Settings.ADD_PULL_UPS, Settings.SELECT_PULL_UP);

    private Ticks() {}

    /** The node after an edit, without the ticks that hold no more. */
    static Node kept(Node before, Node after) {
        if (after.plugged().isEmpty()) {
            return after;
        }
        Node kept = after;
        if (!before.between().equals(after.between())) {
            Set<Endpoint> signals = new HashSet<>();
            before.between().forEach(piece -> signals.add(piece.signal()));
            after.between().forEach(piece -> signals.add(piece.signal()));
            for (Endpoint signal : signals) {
                kept = kept(kept, signal, before.between(signal), after.between(signal));
            }
        }
        for (Part part : after.parts()) {
            Optional<Part> was = before.part(part.id());
            if (was.isPresent() && !was.get().settings().equals(part.settings())) {
                kept = kept(kept, was.get(), part);
            }
        }
        return kept;
    }

    /** The node that talks, without the tick of a wire to another board in which something else stands now. */
    static Node kept(Node node, NodeWire before, NodeWire after) {
        boolean isSame = text(before.between()).equals(text(after.between()));
        Endpoint from = before.from().endpoint();
        return isSame
                ? node
                : without(
                        node,
                        id -> !id.isSmallPart()
                                && id.isAt(from)
                                && id.to().endsWith(before.to().toString()));
    }

    private static Node kept(Node node, Endpoint signal, Optional<Between> before, Optional<Between> after) {
        if (text(before).equals(text(after))) {
            return node;
        }
        // Legs of another kind of piece are in nobody's plan any more, and stay to be pulled.
        boolean isOfSameKind = before.isPresent()
                && after.isPresent()
                && before.get().getClass().equals(after.get().getClass());
        return without(
                node,
                id -> id.isAt(signal) && !id.isSmallPart()
                        || isOfSameKind && (id.by().endsWith(" of " + signal) || isLegOf(signal, id)));
    }

    /** What is there to be touched; a wire that was left as it is is a plain one. */
    private static String text(Optional<Between> piece) {
        return piece.filter(found -> !(found instanceof Between.Nothing))
                .map(Between::text)
                .orElse("");
    }

    private static Node kept(Node node, Part before, Part after) {
        Node kept = node;
        Set<String> diodes = pins(before);
        Set<String> now = pins(after);
        for (String pin : union(diodes, now)) {
            if (diodes.contains(pin) != now.contains(pin)) {
                Endpoint fed = new Endpoint(after.id(), pin);
                kept = without(kept, id -> WireId.isOn(id.to(), fed) && !id.isSmallPart());
            }
        }
        boolean isOtherPull = PULLS.stream()
                .anyMatch(setting -> before.has(setting)
                        && after.has(setting)
                        && !value(before, setting).equals(value(after, setting)));
        return isOtherPull
                ? without(
                        kept,
                        id -> id.from().startsWith(after.id() + ".") && id.to().startsWith("row ") && !id.isSmallPart())
                : kept;
    }

    private static String value(Part part, Setting<?> setting) {
        return part.settings().getOrDefault(setting.key(), "");
    }

    private static Set<String> pins(Part part) {
        String pins = value(part, Settings.DIODE);
        return pins.isEmpty() ? Set.of() : new HashSet<>(Arrays.asList(pins.split("[,\\s]+")));
    }

    private static Set<String> union(Set<String> one, Set<String> other) {
        Set<String> all = new HashSet<>(one);
        all.addAll(other);
        return all;
    }

    private static Node without(Node node, Predicate<WireId> gone) {
        Set<String> plugged = new LinkedHashSet<>(node.plugged());
        return plugged.removeIf(id -> gone.test(WireId.parse(id))) ? node.withPlugged(plugged) : node;
    }

    private static boolean isLegOf(Endpoint signal, WireId id) {
        String leg = "leg " + signal + " ";
        return id.from().contains(leg) || id.to().contains(leg);
    }
}
