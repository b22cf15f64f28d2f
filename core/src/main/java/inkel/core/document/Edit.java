package inkel.core.document;

import inkel.core.quantity.Voltage;
import java.time.Instant;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** One change to a build, as data. Apply it with {@link Edits#apply}. */
public sealed interface Edit {
    String node();

    /** Sends a signal to another pin, held or not. */
    record SetWire(String node, Wire wire) implements Edit {}

    /** Takes a signal's wire away. */
    record RemoveWire(String node, Endpoint from) implements Edit {}

    /**
     * Takes the outcome of a planning run: all wires at once, the addresses that straps must be set to, and the wires to
     * other boards that move.
     */
    record Replan(String node, List<Wire> wires, List<SetSetting> settings, List<MoveNodeWire> links) implements Edit {
        public Replan {
            wires = List.copyOf(wires);
            settings = List.copyOf(settings);
            links = List.copyOf(links);
        }
    }

    /** Puts a wire between two boards on other pins. */
    record MoveNodeWire(NodeWire wire, NodeWire moved) implements Edit {
        @Override
        public String node() {
            return wire.from().node();
        }
    }

    /** Fixes signals on the pins they are on, with a reason, or lets them go again. */
    record Hold(String node, List<Endpoint> signals, boolean held, String reason) implements Edit {
        public Hold {
            signals = List.copyOf(signals);
        }
    }

    /** Feeds a supply pin from a rail. */
    record Feed(String node, String part, String pin, Endpoint rail) implements Edit {}

    /** Takes a supply pin off its rail. */
    record Unfeed(String node, String part, String pin) implements Edit {}

    /** Adds a moment, or puts it in place of the one with its id. */
    record SetMoment(String node, Moment moment) implements Edit {}

    /** Takes a moment away. */
    record RemoveMoment(String node, String moment) implements Edit {}

    /**
     * Writes in the log what was measured on a signal's wire.
     *
     * @param isHigh whether it was the high level
     * @param volts empty to take an earlier reading back
     */
    record Measure(String node, Endpoint signal, boolean isHigh, Optional<Voltage> volts, Instant at) implements Edit {
        /** The kind of the line in the log. */
        public static final String KIND = "measured";

        public static final String HIGH = "high";
        public static final String LOW = "low";
    }

    /** Leaves a wire with little to spare as it is, and writes the reason in the log. */
    record Leave(String node, Endpoint signal, String reason, Instant at) implements Edit {
        /** The kind of the line in the log. */
        public static final String KIND = "left";
    }

    /** Joins a part's ground to the common ground of its node, or keeps it apart. */
    record SetGround(String node, String part, boolean apart) implements Edit {}

    /** Chooses a setting of a part: its address, rate or voltage. */
    record SetSetting(String node, String part, String key, String value) implements Edit {}

    /** Puts one more part on the table. */
    record AddPart(String node, Part part) implements Edit {}

    /** Takes a part off the table, with its wires and all that feeds from it. */
    record RemovePart(String node, String part) implements Edit {}

    /** Puts a part of another class in a part's place; its wires and feeds stay where they are. */
    record Exchange(String node, String part, String classId) implements Edit {}

    /** Calls a part by another name. */
    record RenamePart(String node, String part, String name) implements Edit {}

    /** Says what a part is for. */
    record SetPurpose(String node, String part, String purpose) implements Edit {}

    /** Puts the builder's own figure in place of the class's; a null value goes back to the class's. */
    record SetFigure(String node, String part, String key, String value) implements Edit {}

    /** Takes a part to another node, with its name, purpose and own figures; its wires and feeds stay behind. */
    record MovePart(String node, String part, String toNode) implements Edit {}

    /** Adds a node at the end; its id must be new. */
    record AddNode(Node added) implements Edit {
        @Override
        public String node() {
            return added.id();
        }
    }

    /** Adds a signal wire between two boards. */
    record AddNodeWire(NodeWire wire) implements Edit {
        @Override
        public String node() {
            return wire.from().node();
        }
    }

    /** Runs a ground wire beside a wire between two boards. */
    record JoinGrounds(NodeWire wire) implements Edit {
        @Override
        public String node() {
            return wire.from().node();
        }
    }

    /** Takes a wire between two boards away. */
    record RemoveNodeWire(NodeWire wire) implements Edit {
        @Override
        public String node() {
            return wire.from().node();
        }
    }

    /** Calls a node by another name. */
    record RenameNode(String node, String name) implements Edit {}

    /** Adds a copy of a node behind it, with nothing plugged. */
    record CopyNode(String node, String newId, String newName) implements Edit {}

    /** Takes a node and all its parts away; the last one stays. */
    record RemoveNode(String node) implements Edit {}

    /** Puts a part in a wire. */
    record Insert(String node, Between between) implements Edit {}

    /** Takes the part in a wire out again. */
    record TakeOut(String node, Endpoint signal) implements Edit {}

    /** Marks wires as plugged in or pulled out. */
    record Plug(String node, Set<String> wires, boolean in) implements Edit {
        public Plug {
            wires = new LinkedHashSet<>(wires);
        }
    }
}
