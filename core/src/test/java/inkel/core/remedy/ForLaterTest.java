package inkel.core.remedy;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.edit.Edit;
import inkel.core.kit.Builds;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import inkel.core.wiring.WireList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A part that lies on the table and is no part of the plan yet. */
class ForLaterTest {
    private static Builds table() {
        return Builds.classic()
                .part("air", "packet-radio", "VCC=board.3V3")
                .part("lamp", "led")
                .wire("air.CE", "board.D9")
                .hold("air.CSN", "board.D10")
                .wire("lamp.A", "board.D3");
    }

    private static NodeCircuit node(Build build) {
        return Circuit.of(build, CATALOG).nodes().get(0);
    }

    private static Build leftOut(Build build) throws Exception {
        NodeCircuit node = node(build);
        return Edit.applyAll(build, ForLater.leaveOut(node, node.part("air").orElseThrow()));
    }

    @Test
    void itHasNoWireNoFeedAndNothingIsSaidOfIt() throws Exception {
        Build build = leftOut(table().build());
        assertEquals(Optional.empty(), build.nodes().get(0).wire(end("air.CE")));
        assertTrue(build.nodes().get(0).wire(end("air.CSN")).isPresent(), "what is held stays");
        assertEquals(Map.of(), build.nodes().get(0).part("air").orElseThrow().feeds());
        assertEquals(
                List.of(),
                Assessment.assess(build, CATALOG).findings().stream()
                        .filter(finding -> finding.place().part().equals("air"))
                        .filter(finding -> !finding.place().pin().equals("CSN"))
                        .map(finding -> finding.code())
                        .toList());
        assertTrue(WireList.of(node(build)).steps().stream()
                .noneMatch(step -> step.id().contains("air.GND")));
    }

    @Test
    void thePlanLeavesItAlone() throws Exception {
        Build build = leftOut(table().build());
        Plan plan = new Planner(build, CATALOG).plan(NODE);
        assertTrue(plan.placed());
        assertEquals(
                List.of(end("air.CSN")),
                plan.wires().stream()
                        .map(wire -> wire.from())
                        .filter(signal -> signal.part().equals("air"))
                        .toList());
    }

    @Test
    void takenInItIsFedAndGetsItsPinsWithTheNextPlan() throws Exception {
        Build out = leftOut(table().build());
        NodeCircuit node = node(out);
        Build in = Edit.applyAll(out, ForLater.takeIn(node, node.part("air").orElseThrow()));
        assertEquals(
                end("board.3V3"),
                in.nodes().get(0).part("air").orElseThrow().feeds().get("VCC"));
        assertTrue(new Planner(in, CATALOG)
                .plan(NODE).wires().stream().anyMatch(wire -> wire.from().equals(end("air.CE"))));
    }
}
