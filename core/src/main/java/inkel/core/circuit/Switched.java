package inkel.core.circuit;

import inkel.core.catalog.Contact;
import inkel.core.catalog.Pin;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A contact that must be driven before a part has its supply.
 *
 * @param input the input that moves it
 * @param driver what drives that input
 * @param isHigh the level that the driver puts out for it
 */
public record Switched(Endpoint input, Endpoint driver, boolean isHigh) {
    /** Those on the way of what feeds a part, nearest first; empty where nothing switches it, or it is on at rest. */
    public static List<Switched> of(NodeCircuit node, Placed placed) {
        Set<Endpoint> above = new LinkedHashSet<>();
        placed.part().feeds().values().forEach(feed -> above.addAll(node.upToSource(feed)));
        List<Switched> found = new ArrayList<>();
        for (Endpoint rail : above) {
            node.rail(rail)
                    .flatMap(made -> made.output().contact())
                    .filter(contact -> !contact.isClosed(false))
                    .flatMap(contact -> of(node, rail.part(), contact))
                    .ifPresent(found::add);
        }
        return found;
    }

    /** What lets the current of a signal's wire go to ground; empty where that ends at nothing that is moved. */
    public static Optional<Switched> toGround(NodeCircuit node, Endpoint signal) {
        return node.wire(signal).map(Wire::to).flatMap(end -> node.pin(end)
                .flatMap(Pin::contact)
                .filter(contact -> !contact.isClosed(false))
                .flatMap(contact -> of(node, end.part(), contact)));
    }

    /** Empty where nothing is wired to the input that moves a contact. */
    public static Optional<Switched> of(NodeCircuit node, String part, Contact contact) {
        Endpoint input = new Endpoint(part, contact.by());
        boolean isHigh = contact.at() == Contact.At.HIGH;
        return node.wire(input)
                .filter(wire -> !node.isTie(wire))
                .map(wire -> new Switched(input, wire.to(), isHigh != turnsOver(node, input)));
    }

    /** Whether what stands in a wire makes a low of a high: a transistor, an optocoupler. */
    public static boolean turnsOver(NodeCircuit node, Endpoint signal) {
        return node.between(signal)
                .filter(piece ->
                        piece instanceof Between.CoilDriver || piece instanceof Between.Opto opto && opto.turnsOver())
                .isPresent();
    }
}
