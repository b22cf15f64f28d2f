package inkel.core.circuit;

import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.catalog.Supply;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.quantity.Current;
import inkel.core.quantity.Resistance;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Where the ground wires of a node go: to the row that all share, to the part on whose plug a part hangs, or straight
 * between a part with a way back of its own ({@link Settings#GROUND}) and what feeds it. Parts whose grounds are kept apart
 * are not in it.
 */
public final class GroundTree {
    private static final String ROW = "";

    private final Map<String, String> parents = new LinkedHashMap<>();
    private final Map<String, Resistance> wires = new LinkedHashMap<>();
    private final Set<String> straight = new LinkedHashSet<>();

    private GroundTree() {}

    public static GroundTree of(NodeCircuit node) {
        GroundTree tree = new GroundTree();
        for (Placed placed : node.parts()) {
            long grounds = grounds(placed);
            if (grounds > 0 && !placed.part().groundApart() && !placed.isForLater()) {
                tree.parents.put(
                        placed.id(), node.carrier(placed).map(Placed::id).orElse(ROW));
                tree.wires.put(
                        placed.id(),
                        new SupplyWire(placed, node.habits()).back().times(1.0 / grounds));
            }
        }
        for (Placed placed : node.parts()) {
            if (tree.parents.containsKey(placed.id()) && placed.part().has(Settings.GROUND)) {
                tree.lead(node, placed);
            }
        }
        if (tree.parents.size() == 2 && tree.parents.containsKey(Part.BOARD)) {
            // From pin to pin: one wire and no row.
            tree.wires.put(Part.BOARD, Resistance.ZERO);
        }
        return tree;
    }

    private static long grounds(Placed placed) {
        return placed.cls().pins().stream()
                .filter(pin -> pin.use() == PinUse.GROUND && pin.isWanted())
                .count();
    }

    /**
     * The way back meets the way there at the board where that is what feeds the part, else at the part itself, which then
     * has the wire to the row for both; a supply of several such parts meets the others itself.
     */
    private void lead(NodeCircuit node, Placed placed) {
        String giver = mainFeed(node, placed).map(Endpoint::part).orElse("");
        boolean isJoined = parents.containsKey(giver) && ROW.equals(parents.get(placed.id()));
        if (!isJoined) {
            return;
        }
        if (giver.equals(Part.BOARD) || straight.contains(giver)) {
            parents.put(placed.id(), giver);
            straight.add(placed.id());
        } else if (parents.get(giver).equals(ROW)) {
            parents.put(giver, placed.id());
            straight.add(giver);
        }
    }

    /** The rail from which a part takes most; empty for one that is not fed. */
    private static Optional<Endpoint> mainFeed(NodeCircuit node, Placed placed) {
        Optional<Endpoint> most = Optional.empty();
        Current taken = Current.ZERO;
        for (Supply supply : placed.cls().supplies()) {
            Endpoint pin = new Endpoint(placed.id(), supply.pin());
            Optional<Rail> rail =
                    Optional.ofNullable(placed.part().feeds().get(supply.pin())).flatMap(node::rail);
            Current flows = rail.stream()
                    .flatMap(fed -> fed.loads().stream())
                    .filter(load -> load.pin().equals(pin))
                    .map(Rail.Load::peak)
                    .findFirst()
                    .orElse(Current.ZERO);
            if (rail.isPresent() && (most.isEmpty() || flows.isAbove(taken))) {
                most = rail.map(Rail::id);
                taken = flows;
            }
        }
        return most;
    }

    /** The parts whose grounds are joined. */
    public Set<String> parts() {
        return Collections.unmodifiableSet(parents.keySet());
    }

    /** The part that the ground wire of a part goes straight to; empty where it goes to the row, or by a plug. */
    public Optional<String> straightTo(String part) {
        return straight.contains(part) ? Optional.of(parents.get(part)) : Optional.empty();
    }

    /** A part and those that its ground wire leads to, up to the row. */
    List<String> wayToRow(String part) {
        List<String> way = new ArrayList<>();
        String at = part;
        while (parents.containsKey(at) && !way.contains(at)) {
            way.add(at);
            at = parents.get(at);
        }
        return way;
    }

    /** The ground wire of a part, all of them beside each other where it has several. */
    Resistance wire(String part) {
        return wires.get(part);
    }
}
