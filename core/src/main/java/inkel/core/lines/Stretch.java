package inkel.core.lines;

import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.edit.AddNodeWire;
import inkel.core.document.edit.ChangeNodeWire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.RemoveNodeWire;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * The way between two transceivers that wires join.
 *
 * @param one that of the earlier table
 * @param wires those between the two, in document order
 */
public record Stretch(LineStation one, LineStation other, List<NodeWire> wires) {
    public Stretch {
        wires = List.copyOf(wires);
    }

    /** Whether a plus goes to a minus. */
    public boolean isCrossed() {
        return wires.stream().anyMatch(wire -> isPlus(wire.from()) != isPlus(wire.to()));
    }

    /** Whether one of the two wires is missing. */
    public boolean isHalf() {
        return wires.stream().map(wire -> isPlus(atOne(wire))).distinct().count() < 2;
    }

    /** What makes it two wires, plus to plus and minus to minus. */
    public List<Edit> madeStraight() {
        List<Edit> edits = new ArrayList<>();
        Set<Boolean> there = new HashSet<>();
        for (NodeWire wire : wires) {
            boolean isPlus = isPlus(atOne(wire));
            Place to = isPlus ? other.plus() : other.minus();
            if (!there.add(isPlus)) {
                edits.add(new RemoveNodeWire(wire));
            } else if (wire.from().equals(atOne(wire)) && !wire.to().equals(to)) {
                edits.add(new ChangeNodeWire(wire, wire.withEnds(wire.from(), to)));
            } else if (wire.to().equals(atOne(wire)) && !wire.from().equals(to)) {
                edits.add(new ChangeNodeWire(wire, wire.withEnds(to, wire.to())));
            }
        }
        if (there.add(true)) {
            edits.add(new AddNodeWire(LineReport.wire(one.plus(), other.plus(), false)));
        }
        if (there.add(false)) {
            edits.add(new AddNodeWire(LineReport.wire(one.minus(), other.minus(), false)));
        }
        return edits;
    }

    private Place atOne(NodeWire wire) {
        return one.place().contains(wire.from()) ? wire.from() : wire.to();
    }

    private boolean isPlus(Place end) {
        return end.equals(one.plus()) || end.equals(other.plus());
    }
}
