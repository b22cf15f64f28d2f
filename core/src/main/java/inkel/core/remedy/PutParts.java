package inkel.core.remedy;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.Habit;
import inkel.core.catalog.Kind;
import inkel.core.catalog.Output;
import inkel.core.catalog.OwnClass;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Supply;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.ServoFeed;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Unfeed;
import inkel.core.finding.Fix;
import inkel.core.quantity.Current;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/**
 * Puts parts on a table in a way that leaves a healthy build: fed as {@link AddParts} does it, motors from a supply that
 * feeds nothing but motors unless the builder has the habit of {@link Habit.ServoSupply#BOARD}, and what no rail suits or
 * carries from a supply that comes with it.
 */
public final class PutParts {
    private static final Set<String> MOTORS = Set.of("servo", "motor");

    /** What a supply bought for motors gives at the least: a second small one comes sooner than one thinks. */
    private static final Current OF_MOTORS = Current.ofAmperes(1);

    private final Circuit circuit;
    private final String nodeId;
    private final int count;

    private PutParts(Circuit circuit, String nodeId, int count) {
        this.circuit = circuit;
        this.nodeId = nodeId;
        this.count = count;
    }

    /**
     * Parts put on a table as one change, worked out when it is made: that takes too long for something that is only offered.
     *
     * @param shared what is shipped and on the shelf
     */
    public record Put(String node, Catalog shared, PartClass cls, int count) implements Edit {
        @Override
        public Build apply(Build build) throws EditRefused {
            Circuit circuit = Circuit.of(build, shared);
            if (circuit.node(node).isEmpty()) {
                throw new EditRefused(Fact.of("refused.no_node").with("node", node));
            }
            return Edit.applyAll(build, of(circuit, node, cls, count));
        }
    }

    /**
     * The edits that add parts of one class, the first of them the one that adds the first part.
     *
     * @param count how many, at least 1
     */
    public static List<Edit> of(Circuit circuit, String node, PartClass cls, int count) {
        List<Edit> edits = new ArrayList<>();
        Circuit at = knowing(circuit, cls);
        for (int i = 0; i < count; i++) {
            List<Edit> one = new PutParts(at, node, count - i).one(cls);
            edits.addAll(one);
            at = after(at, one);
        }
        return edits;
    }

    /** A class may be on the shelf since the circuit was made. */
    private static Circuit knowing(Circuit circuit, PartClass cls) {
        Catalog known = circuit.catalog();
        return known.find(cls.id()).isPresent()
                ? circuit
                : Circuit.of(circuit.build(), known.with(List.of(new OwnClass(cls, ""))));
    }

    private static Circuit after(Circuit circuit, List<? extends Edit> edits) {
        try {
            return Circuit.of(Edit.applyAll(circuit.build(), edits), circuit.catalog());
        } catch (EditRefused impossible) {
            throw new IllegalStateException("a part cannot be put on the table that it was chosen for", impossible);
        }
    }

    private List<Edit> one(PartClass cls) {
        NodeCircuit before = circuit.node(nodeId).orElseThrow();
        List<Edit> edits = new ArrayList<>(AddParts.of(before, cls, 1));
        Part part = ((AddPart) edits.get(0)).part();
        Optional<Supply> motor = motorPin(cls);
        if (cls.kind() != Kind.MODULE || motor.isEmpty() && makesRails(cls)) {
            // What makes rails of its own is fed as the builder means it to be.
            return edits;
        }
        boolean isApart = motor.isPresent() && !mayStay(cls, part, motor.get(), edits);
        for (Supply supply : cls.supplies()) {
            if (cls.mayStayUnfed(supply)) {
                continue;
            }
            boolean isOfMotor = isApart && motor.get().equals(supply);
            boolean isFed = part.feeds().containsKey(supply.pin());
            boolean isBrought = supply.with().isPresent() && !isFed;
            if (isOfMotor || !isFed && !isBrought || isFed && overloads(edits)) {
                if (isFed) {
                    edits.add(new Unfeed(nodeId, part.id(), supply.pin()));
                }
                edits.addAll(fed(edits, cls, part.id(), supply, isOfMotor));
            }
        }
        return edits;
    }

    private static boolean makesRails(PartClass cls) {
        return cls.outputs().stream().anyMatch(output -> output.from()
                .flatMap(cls::supply)
                .filter(cls::mayStayUnfed)
                .isEmpty());
    }

    /** Whether some rail gives more than it is rated for after edits, and not before. */
    private boolean overloads(List<? extends Edit> edits) {
        return Room.over(after(circuit, edits), nodeId) > Room.over(circuit, nodeId);
    }

    /** The pin through which a motor gets its current: what it is led on from, else the one that takes most. */
    static Optional<Supply> motorPin(PartClass cls) {
        if (cls.kinds().stream().noneMatch(MOTORS::contains)) {
            return Optional.empty();
        }
        return cls.outputs().stream()
                .map(Output::from)
                .flatMap(Optional::stream)
                .findFirst()
                .flatMap(cls::supply)
                .or(() -> cls.supplies().stream().max(Comparator.comparing(supply -> cls.peak(supply.pin()))));
    }

    /** Servos only may hang on the board, by habit and while that is enough. */
    private boolean mayStay(PartClass cls, Part part, Supply supply, List<Edit> edits) {
        NodeCircuit with = after(circuit, edits).node(nodeId).orElseThrow();
        return with.habits().is(Habit.SERVO_SUPPLY, Habit.ServoSupply.BOARD)
                && ServoFeed.isServo(cls)
                && part.feeds().containsKey(supply.pin())
                && !isApart(with, part.feeds().get(supply.pin()))
                && ServoFeed.of(with).stream().noneMatch(ServoFeed::isTooMuch);
    }

    /** Whether a rail neither feeds the board nor comes from it. */
    static boolean isApart(NodeCircuit node, Endpoint rail) {
        Placed board = node.board();
        return !node.isMadeFrom(rail, board.id())
                && board.part().feeds().values().stream()
                        .noneMatch(feed -> node.upToSource(feed).contains(rail));
    }

    /**
     * The first way that overloads nothing, by something that gives enough for all that are to come where there is one; nothing
     * where no way is known: the part then says so itself.
     */
    private List<Edit> fed(List<Edit> before, PartClass cls, String part, Supply supply, boolean isOfMotor) {
        NodeCircuit node = after(circuit, before).node(nodeId).orElseThrow();
        boolean isServo = ServoFeed.isServo(cls);
        Predicate<Endpoint> isAllowed =
                isOfMotor ? rail -> isApart(node, rail) && (isServo || !isOfDriver(node, rail)) : rail -> true;
        Current one = isOfMotor ? OF_MOTORS : Current.ZERO;
        Placed placed = node.part(part).orElseThrow();
        FeedFixes feeds = new FeedFixes(node, circuit.catalog());
        List<Fix> ofAll = feeds.of(
                placed, supply, Quantity.larger(one, cls.peak(supply.pin()).times(count)), Voltage.ZERO, isAllowed);
        List<Fix> ways = ofAll.isEmpty() ? feeds.of(placed, supply, one, Voltage.ZERO, isAllowed) : ofAll;
        return ways.stream()
                .min(Comparator.<Fix, Boolean>comparing(way -> overloads(joined(before, way.edits())))
                        .thenComparing(way -> !isServo || !isFromDriver(node, way)))
                .map(Fix::edits)
                .orElse(List.of());
    }

    private static List<Edit> joined(List<Edit> first, List<Edit> then) {
        List<Edit> all = new ArrayList<>(first);
        all.addAll(then);
        return all;
    }

    /** Servos are plugged into the driver that makes their pulses, where there is one. */
    private static boolean isFromDriver(NodeCircuit node, Fix way) {
        return way.edits().size() == 1 && way.edits().get(0) instanceof Feed feed && isOfDriver(node, feed.rail());
    }

    static boolean isOfDriver(NodeCircuit node, Endpoint rail) {
        return node.part(rail.part())
                .filter(owner -> owner.cls().offers().anyMatch(pin -> pin.can(Ability.Kind.PWM)))
                .isPresent();
    }
}
