package inkel.core.wiring;

import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.GroundTree;
import inkel.core.circuit.Islands;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The ground wires of a node: to the row that all share, and those of parts that keep apart. */
final class GroundSteps {
    private final NodeCircuit node;
    private final Pieces pieces;
    private final Plugs plugs;
    private final boolean isMoreJoined;
    private final List<Joined> wires = new ArrayList<>();

    /**
     * @param isMoreJoined whether another board's ground is joined to this node's row, in that board's list, or a leg of
     *     what stands in a wire to one
     */
    GroundSteps(NodeCircuit node, Pieces pieces, Plugs plugs, boolean isMoreJoined) {
        this.node = node;
        this.pieces = pieces;
        this.plugs = plugs;
        this.isMoreJoined = isMoreJoined;
    }

    /** A ground wire, and the part that it is for. */
    record Joined(Terminal from, Terminal to, Placed subject) {}

    /** @param others grounds of other boards that a wire of this list ends at */
    List<Joined> list(Set<Terminal> others) {
        shared(others);
        islands();
        return wires;
    }

    /** A ground pin that is wired, and whose part it is. */
    private record Ground(Placed placed, Terminal pin) {}

    /** Two pins are joined by one wire; as soon as there is a third end all go to a row. */
    private void shared(Set<Terminal> others) {
        List<Ground> joined = node.parts().stream()
                .filter(this::isShared)
                .flatMap(placed -> grounds(placed).stream())
                .toList();
        if (joined.size() == 2 && others.isEmpty() && !isRowWanted()) {
            add(joined.get(0).pin(), joined.get(1).pin(), joined.get(1).placed());
            return;
        }
        if (joined.size() < 2 && others.isEmpty() && !isRowWanted()) {
            return;
        }
        Terminal row = new Terminal.OnGroundRow();
        GroundTree tree = node.grounds().tree();
        for (Ground ground : joined) {
            boolean isBoards = ground.placed().part().isBoard();
            Terminal from = isBoards
                    ? ground.pin()
                    : tree.straightTo(ground.placed().id())
                            .flatMap(part -> first(joined, part))
                            .orElse(row);
            add(from, isBoards ? row : ground.pin(), ground.placed());
        }
        others.forEach(other -> add(row, other, node.board()));
    }

    private static Optional<Terminal> first(List<Ground> joined, String part) {
        return joined.stream()
                .filter(ground -> ground.placed().id().equals(part))
                .map(Ground::pin)
                .findFirst();
    }

    /** A part that hangs on another has its ground with that one, whatever is said of itself. */
    private boolean isShared(Placed placed) {
        return plugs.isGroundBrought(placed)
                ? !plugs.isBroughtApart(placed)
                : !placed.part().groundApart();
    }

    /** Parts that keep apart and feed each other have a ground of their own, from the first one's pin to the others'. */
    private void islands() {
        for (Set<String> island : Islands.of(node)) {
            List<Ground> grounds = island.stream()
                    .map(id -> node.part(id).orElseThrow())
                    .filter(placed -> !plugs.isGroundBrought(placed) || plugs.isBroughtApart(placed))
                    .flatMap(placed -> grounds(placed).stream())
                    .toList();
            for (int i = 1; i < grounds.size(); i++) {
                add(grounds.get(0).pin(), grounds.get(i).pin(), grounds.get(i).placed());
            }
        }
    }

    /** Whether something besides ground pins is joined to ground: another board, a tied signal, a part in a wire. */
    private boolean isRowWanted() {
        return isMoreJoined
                || node.node().wires().stream().anyMatch(wire -> node.isTie(wire) && isGround(wire.to()))
                || node.parts().stream().anyMatch(this::isFittedToGround)
                || node.node().between().stream().anyMatch(pieces::wantsGround);
    }

    private boolean isFittedToGround(Placed placed) {
        return Plugs.around(placed).stream()
                .anyMatch(fitting -> plugs.farEnd(placed, fitting) instanceof Terminal.OnGroundRow);
    }

    /** A part that hangs on another part's sockets, or only on plugs, brings its first ground with it. */
    private List<Ground> grounds(Placed placed) {
        boolean isBrought = plugs.isGroundBrought(placed);
        if (!isBrought && plugs.isWithoutGround(placed)) {
            return List.of();
        }
        List<Ground> grounds = new ArrayList<>();
        List<Pin> pins = placed.cls().pins();
        for (int i = 0; i < pins.size(); i++) {
            if (pins.get(i).use() == PinUse.GROUND && pins.get(i).isWanted()) {
                grounds.add(new Ground(placed, Terminal.OnPin.of(placed, i)));
            }
        }
        return isBrought && !grounds.isEmpty() ? grounds.subList(1, grounds.size()) : grounds;
    }

    private boolean isGround(Endpoint pin) {
        return node.pin(pin).filter(found -> found.use() == PinUse.GROUND).isPresent();
    }

    private void add(Terminal from, Terminal to, Placed subject) {
        wires.add(new Joined(from, to, subject));
    }
}
