package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.kit.Builds;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.OptionalInt;
import java.util.Set;
import org.junit.jupiter.api.Test;

/**
 * Every way to put a few plain signals on the eight-pin controller's five pins, tried one after the other and priced by
 * hand, against what the planner says: whether there is a placement, and what the best costs.
 */
class PlacementBruteForceTest {
    /** A class with its plain signals, and what they want. */
    private record Sort(String id, PinUse... uses) {}

    private static final List<Sort> SORTS = List.of(
            new Sort("infrared-receiver", PinUse.OUTPUT),
            new Sort("servo-micro", PinUse.PWM),
            new Sort("water-level", PinUse.ANALOG),
            new Sort("button", PinUse.OUTPUT),
            new Sort("distance-ultrasonic", PinUse.INPUT, PinUse.INTERRUPT));

    /** Wants on the 8-pin controller: place along its rows, what the pin can do, as its data sheet's class has it. */
    private record Hole(String label, int place, boolean adc, boolean call, String timer, int lines) {}

    private static final List<Hole> HOLES = List.of(
            // P3 and P4 stand side by side on the left, P2, P1 and P0 below one another on the right.
            new Hole("P3", 2, true, false, "", 0),
            new Hole("P4", 3, true, false, "1", 0),
            new Hole("P2", 102, true, true, "", 2),
            new Hole("P1", 103, false, false, "0", 1),
            new Hole("P0", 104, false, false, "0", 2));

    private static final int WARNING = 5000;
    private static final int RARE = 2;
    private static final int GAP = 8;

    /** The price list of the usual emphasis, worked out anew from its description. */
    private static OptionalInt price(PinUse use, Hole hole) {
        if (use == PinUse.ANALOG && !hole.adc()) {
            return OptionalInt.empty();
        }
        int warnings = 0;
        if (use == PinUse.PWM && hole.timer().isEmpty()) {
            warnings++;
        }
        int rare = hole.timer().isEmpty() ? 0 : 3;
        rare += hole.adc() && use != PinUse.ANALOG ? 2 : 0;
        // Every pin of it calls with its neighbours; the one that calls by itself is dear to others.
        rare += hole.call() == (use != PinUse.INTERRUPT) ? 2 : 0;
        rare += hole.lines();
        return OptionalInt.of(WARNING * warnings + RARE * rare);
    }

    private static OptionalInt best(List<Sort> parts) {
        List<PinUse> uses = new ArrayList<>();
        List<Integer> partOf = new ArrayList<>();
        for (int part = 0; part < parts.size(); part++) {
            for (PinUse use : parts.get(part).uses()) {
                uses.add(use);
                partOf.add(part);
            }
        }
        return tryAll(uses, partOf, new ArrayList<>(), new HashSet<>(), 0);
    }

    private static OptionalInt tryAll(
            List<PinUse> uses, List<Integer> partOf, List<Hole> taken, Set<String> used, int soFar) {
        if (taken.size() == uses.size()) {
            return OptionalInt.of(soFar);
        }
        OptionalInt best = OptionalInt.empty();
        int at = taken.size();
        for (Hole hole : HOLES) {
            OptionalInt price = price(uses.get(at), hole);
            if (price.isEmpty() || !used.add(hole.label())) {
                continue;
            }
            boolean isNext = at > 0 && partOf.get(at).equals(partOf.get(at - 1));
            boolean isGap = isNext && Math.abs(hole.place() - taken.get(at - 1).place()) != 1;
            taken.add(hole);
            OptionalInt found = tryAll(uses, partOf, taken, used, soFar + price.getAsInt() + (isGap ? GAP : 0));
            taken.remove(at);
            used.remove(hole.label());
            if (found.isPresent() && (best.isEmpty() || found.getAsInt() < best.getAsInt())) {
                best = found;
            }
        }
        return best;
    }

    @Test
    void thePinsAreThoseOfTheCatalogue() {
        NodeCircuit node = Builds.on("chip-8pin").circuit();
        List<String> labels =
                node.board().cls().offers().map(Pin::label).sorted().toList();
        assertEquals(HOLES.stream().map(Hole::label).sorted().toList(), labels);
    }

    @Test
    void thePlannerAgreesWithTryingEverything() {
        int tried = 0;
        for (int code = 1; code < Math.pow(SORTS.size() + 1, 4); code++) {
            List<Sort> parts = new ArrayList<>();
            for (int rest = code; rest > 0; rest /= SORTS.size() + 1) {
                int pick = rest % (SORTS.size() + 1);
                // Rising picks only: the order of parts does not matter.
                if (pick > 0 && (parts.isEmpty() || SORTS.indexOf(parts.get(parts.size() - 1)) <= pick - 1)) {
                    parts.add(SORTS.get(pick - 1));
                }
            }
            if (parts.isEmpty()) {
                continue;
            }
            Builds build = Builds.on("chip-8pin");
            for (int i = 0; i < parts.size(); i++) {
                build.part("part-" + i, parts.get(i).id());
            }
            NodeCircuit node = build.circuit();
            List<Want> wants = Want.of(node, List.of());
            OptionalInt best = best(parts);
            var answer = PinModel.solve(new PinDomain(node), wants, Price.USUAL);
            String table = parts.stream().map(Sort::id).toList().toString();
            assertEquals(best.isPresent(), answer.isPresent(), table);
            assertEquals(
                    best.isPresent() ? PinModel.Possible.YES : PinModel.Possible.NO,
                    PinModel.isPossible(new PinDomain(node), wants),
                    table);
            if (answer.isPresent()) {
                assertTrue(answer.get().complete(), "small enough to be sure: " + table);
                assertEquals(best.getAsInt(), answer.get().cost(), table);
            }
            tried++;
        }
        assertTrue(tried > 100, tried + " tables");
    }
}
