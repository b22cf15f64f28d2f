package inkel.core.seats;

import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Laid;
import inkel.core.document.Node;
import inkel.core.document.SeatChoice;
import inkel.core.quantity.Length;
import inkel.core.wiring.Jumper;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * The table of a node: who sits where, what the rails carry, and the holes of every wire.
 *
 * @param kind of its breadboards; empty where nothing stands in one
 * @param boards how many breadboards
 * @param seats of parts, pieces in wires, and rows where wires meet, along the breadboards
 * @param rails what the stretches of rails carry
 * @param beside the parts that stand in no breadboard, in the order of the table
 * @param list the wires with those that the breadboards make necessary, in the order of work
 * @param runs of which wires and small parts each step is made, by the step's id
 * @param arriving where the wires of other boards go that end in a hole here, by {@link #arrival}
 * @param refused the parts that could not be kept where the builder wanted them
 * @param memory what it was made from
 */
public record SeatPlan(
        NodeCircuit node,
        Optional<Breadboard> kind,
        int boards,
        List<Seat> seats,
        List<RailUse> rails,
        List<String> beside,
        WireList list,
        Map<String, List<Run>> runs,
        Map<String, Landing> arriving,
        List<String> refused,
        Optional<Memory> memory) {
    public SeatPlan {
        seats = List.copyOf(seats);
        rails = List.copyOf(rails);
        beside = List.copyOf(beside);
        runs = Map.copyOf(runs);
        arriving = Map.copyOf(arriving);
        refused = List.copyOf(refused);
    }

    /**
     * Who sits at some rows.
     *
     * @param part the part; empty for a piece in a wire, and for a row where wires meet
     * @param id of the part, or a text of its own
     * @param from the first row that it covers, {@code to} the last
     * @param of the end that it is for, of what is no part
     * @param isHeld whether the builder keeps it there
     * @param shape what it needs of a breadboard
     */
    public record Seat(
            Optional<String> part,
            String id,
            SeatChoice at,
            int from,
            int to,
            List<Leg> legs,
            Optional<Terminal> of,
            boolean isHeld,
            Shape shape) {
        public Seat {
            legs = List.copyOf(legs);
        }
    }

    /** A leg of what sits there, and the end it is; empty for one that nothing is wired to. */
    public record Leg(Hole hole, int pin, Optional<Terminal> end) {}

    /**
     * A stretch of a rail in use.
     *
     * @param carries the ground row, or the row of a supply
     * @param used how many of its holes are taken
     */
    public record RailUse(Terminal.OnStretch stretch, Terminal carries, int used, int holes) {}

    /** What stands for a wire of another board's list. */
    static String arrival(String node, WireStep step) {
        return node + " " + step.id();
    }

    /** Where a wire of another board's list goes here; empty for one that goes to no hole. */
    public Optional<Landing> arriving(String node, WireStep step) {
        return Optional.ofNullable(arriving.get(arrival(node, step)));
    }

    /** The runs of a step; none where nothing is known of holes. */
    public List<Run> runs(WireStep step) {
        return runs.getOrDefault(step.id(), List.of());
    }

    /** Every wire that is to be got, and how long it must be: not small parts, and no leads that parts bring. */
    public Stream<Run> wires() {
        return list.steps().stream()
                .flatMap(step -> runs(step).stream())
                .filter(run -> !run.isPiece() && run.length().metres() > 0);
    }

    public Length longest() {
        return wires().map(Run::length).max(Comparator.naturalOrder()).orElse(Length.ZERO);
    }

    public Length total() {
        return Length.ofMetres(wires().mapToDouble(run -> run.length().metres()).sum());
    }

    /** In metres, what no seating on so many breadboards could do with less of. */
    public double boundMetres() {
        return memory.map(Memory::bound).orElse(0.0);
    }

    /** The whole table as it is written down. */
    public Laid laid() {
        return memory.map(Memory::laid).orElse(Laid.NONE);
    }

    /** Whether a node is that of this table with more or less plugged: the same plan, and what is kept sits here too. */
    public boolean isOf(Node now) {
        Map<String, SeatChoice> here = laid().seats();
        return now.planned().equals(node.node().planned())
                && now.seats().entrySet().stream()
                        .allMatch(kept -> kept.getValue().equals(here.getOrDefault(kept.getKey(), SeatChoice.OFF)));
    }

    /** How many half rows have something in them. */
    public long usedHalfRows() {
        return Stream.concat(
                        seats.stream().flatMap(seat -> seat.legs().stream()).map(leg -> leg.hole()),
                        list.steps().stream()
                                .flatMap(step -> runs(step).stream())
                                .flatMap(run -> Stream.of(run.from(), run.to()))
                                .flatMap(landing -> landing.hole().stream()))
                .filter(hole -> !hole.column().isRail())
                .map(Hole::halfRow)
                .distinct()
                .count();
    }

    public Optional<Seat> seat(String part) {
        return seats.stream()
                .filter(seat -> seat.part().filter(part::equals).isPresent())
                .findFirst();
    }

    /** How many wires of each sort are to be got, the plainest first, each as long as it is sold. */
    public Map<Jumper, Long> jumpers() {
        Map<Jumper, Long> counted =
                new TreeMap<>(Comparator.comparing(Jumper::kind).thenComparing(Jumper::length));
        for (WireStep step : list.steps()) {
            jumpers(step).filter(jumper -> !jumper.isBrought()).forEach(jumper -> counted.merge(jumper, 1L, Long::sum));
        }
        return counted;
    }

    /** The wires that a step is made of, without its small parts. */
    public Stream<Jumper> jumpers(WireStep step) {
        return kind.isEmpty()
                ? step.jumper(node).stream()
                : runs(step).stream().flatMap(run -> jumper(step, run).stream());
    }

    /** What a run is made of; empty for a small part. */
    private Optional<Jumper> jumper(WireStep step, Run run) {
        return run.isPiece()
                ? Optional.empty()
                : Optional.of(Jumper.between(node, run.from().at(), run.to().at())
                        .ofLength(run.length())
                        .made(node.node().made().get(step.id())));
    }

    /** The runs that touch a hole's half row or rail stretch, with their steps. */
    public Map<WireStep, List<Run>> at(HalfRow row) {
        Map<WireStep, List<Run>> found = new java.util.LinkedHashMap<>();
        for (WireStep step : list.steps()) {
            List<Run> touching = runs(step).stream()
                    .filter(run -> isAt(run.from(), row) || isAt(run.to(), row))
                    .toList();
            if (!touching.isEmpty()) {
                found.put(step, touching);
            }
        }
        return found;
    }

    private static boolean isAt(Landing landing, HalfRow row) {
        return landing.hole()
                .filter(hole -> !hole.column().isRail() && hole.halfRow().equals(row))
                .isPresent();
    }
}
