package inkel.core.power;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.edit.Feed;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.io.document.BuildReader;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.remedy.RailLeads;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

/** One board's rail on the table of another. The pack gives 6 V and 5 A at most. */
class FarFeedTest {
    private static final String SERVO =
            "{\"id\": \"%s\", \"class\": \"servo-micro\", \"name\": \"%s\", \"feeds\": {\"V+\": \"%s\"}}";

    private static String node(String id, String parts) {
        return """
                {"id": "%s", "name": "%s",
                 "board": {"class": "board-classic-5v", "name": "Board", "feeds": {"USB": "usb.5V"}},
                 "parts": [{"id": "usb", "class": "usb-port", "name": "USB"}, %s], "wires": []}"""
                .formatted(id, id, parts);
    }

    private static String lead(String rail) {
        return """
                {"id": "lead", "class": "rail-lead", "name": "Lead", "settings": {"rail": "%s"}}"""
                .formatted(rail);
    }

    private static Build build(String... nodes) throws Exception {
        String text = "{\"format\": 2, \"name\": \"Two\", \"nodes\": [" + String.join(",", nodes) + "]}";
        return BuildReader.parse(Path.of("two.json"), text, CATALOG);
    }

    private static final String PACK = "{\"id\": \"pack\", \"class\": \"wall-supply-6v\", \"name\": \"Pack\"}";

    /** A servo of 750 mA on each board, both from the pack of the one. */
    private static Build two() throws Exception {
        return build(
                node("one", PACK + "," + SERVO.formatted("arm", "Arm", "pack.+")),
                node("two", lead("one/pack.+") + "," + SERVO.formatted("leg", "Leg", "lead.+")));
    }

    private static NodeCircuit circuit(Build build, String node) {
        return Circuit.of(build, CATALOG).node(node).orElseThrow();
    }

    private static Rail rail(Build build, String node, String rail) {
        return circuit(build, node).rail(Endpoint.parse(rail).orElseThrow()).orElseThrow();
    }

    @Test
    void theOtherBoardHasTheVoltsAndThisOneCarriesBothLoads() throws Exception {
        Build build = two();
        assertEquals(
                5.8, rail(build, "two", "lead.+").volts().orElseThrow().lowest().volts(), 1e-9);
        assertEquals(
                6.2,
                rail(build, "two", "lead.+").volts().orElseThrow().highest().volts(),
                1e-9);
        assertEquals(5.0, rail(build, "two", "lead.+").rating().amperes(), 1e-9);
        assertEquals(0.75, rail(build, "two", "lead.+").peak().amperes(), 1e-9);
        assertEquals(1.5, rail(build, "one", "pack.+").peak().amperes(), 1e-9);
        // 95 % at 10 mA, 4 % at 250 mA, 1 % at 750 mA: 27 mA each.
        assertEquals(0.054, rail(build, "one", "pack.+").average().amperes(), 1e-9);
    }

    @Test
    void whatHangsOnTheOtherBoardIsNoPartOfThisTable() throws Exception {
        NodeCircuit one = circuit(two(), "one");
        assertTrue(one.parts().stream().noneMatch(placed -> placed.id().startsWith("to_")));
        assertEquals(
                List.of("arm.V+", "to_two_lead.+"),
                rail(two(), "one", "pack.+").loads().stream()
                        .map(load -> load.pin().toString())
                        .toList());
    }

    @Test
    void sevenServosOnThreeBoardsAreTooMuchForTheOnePack() throws Exception {
        String three = SERVO.formatted("a", "A", "lead.+") + "," + SERVO.formatted("b", "B", "lead.+") + ","
                + SERVO.formatted("c", "C", "lead.+");
        Build build = build(
                node("one", PACK + "," + SERVO.formatted("arm", "Arm", "pack.+")),
                node("two", lead("one/pack.+") + "," + three),
                node("three", lead("one/pack.+") + "," + three));
        // 7 × 750 mA = 5.25 A of 5 A, told once, where the pack is.
        Finding finding = RuleKit.fires(build, "power.source_over");
        assertEquals("one", finding.place().node());
        assertEquals(5.25, rail(build, "one", "pack.+").peak().amperes(), 1e-9);
        RuleKit.everyWayOut(build, finding);
    }

    @Test
    void aRailIsHandedOnFromBoardToBoardWhateverTheirOrder() throws Exception {
        Build build = build(
                node("three", lead("two/lead.+") + "," + SERVO.formatted("c", "C", "lead.+")),
                node("two", lead("one/pack.+") + "," + SERVO.formatted("b", "B", "lead.+")),
                node("one", PACK + "," + SERVO.formatted("a", "A", "pack.+")));
        assertEquals(3 * 0.75, rail(build, "one", "pack.+").peak().amperes(), 1e-9);
        assertEquals(2 * 0.75, rail(build, "two", "lead.+").peak().amperes(), 1e-9);
        assertEquals(
                List.of("three", "two", "one"),
                Circuit.of(build, CATALOG).nodes().stream()
                        .map(node -> node.node().id())
                        .toList());
    }

    @Test
    void aCircleBringsNothingAndIsTold() throws Exception {
        Build build = build(
                node("one", lead("two/lead.+") + "," + SERVO.formatted("a", "A", "lead.+")),
                node("two", lead("one/lead.+") + "," + SERVO.formatted("b", "B", "lead.+")));
        assertTrue(rail(build, "one", "lead.+").volts().isEmpty());
        assertTrue(rail(build, "two", "lead.+").volts().isEmpty());
        assertEquals(
                2,
                Builds.of(Assessment.assess(build, CATALOG), "power.lead_nowhere")
                        .size());
    }

    @Test
    void aLeadFromNowhereIsToldAndCanBringAnotherRail() throws Exception {
        Build build =
                build(node("one", PACK), node("two", lead("one/gone.+") + "," + SERVO.formatted("b", "B", "lead.+")));
        Finding finding = RuleKit.fires(build, "power.lead_nowhere");
        assertTrue(finding.fixes().stream().map(Fix::id).toList().contains("lead-one/pack.+"));
        Build mended = finding.fixes().stream()
                .filter(fix -> fix.id().equals("lead-one/pack.+"))
                .findFirst()
                .orElseThrow()
                .apply(build);
        assertEquals(List.of(), Builds.of(Assessment.assess(mended, CATALOG), "power.lead_nowhere"));
        assertEquals(List.of(), Builds.of(Assessment.assess(two(), CATALOG), "power.lead_nowhere"));
    }

    @Test
    void aLeadThatNothingHangsOnIsNoMatter() throws Exception {
        Build build = build(node("one", PACK), node("two", lead("one/gone.+")));
        assertEquals(List.of(), Builds.of(Assessment.assess(build, CATALOG), "power.lead_nowhere"));
    }

    @Test
    void railsOfOtherBoardsAreOfferedAndNotThoseThatHangOnThisOne() throws Exception {
        Circuit circuit = Circuit.of(two(), CATALOG);
        List<String> toTwo = ids(RailLeads.offers(circuit, circuit.node("two").orElseThrow()));
        assertTrue(toTwo.containsAll(List.of("lead-one/pack.+", "lead-one/board.5V")), () -> "" + toTwo);
        assertEquals(
                List.of(),
                ids(RailLeads.offers(circuit, circuit.node("one").orElseThrow())),
                "the other board hangs on this one");
    }

    private static List<String> ids(List<Fix> fixes) {
        return fixes.stream().map(Fix::id).toList();
    }

    @Test
    void anOfferPutsALeadOnTheTableThatWorks() throws Exception {
        Build build = build(node("one", PACK), node("two", SERVO.formatted("b", "B", "board.5V")));
        Circuit circuit = Circuit.of(build, CATALOG);
        Fix offer = RailLeads.offers(circuit, circuit.node("two").orElseThrow()).stream()
                .filter(fix -> fix.id().equals("lead-one/pack.+"))
                .findFirst()
                .orElseThrow();
        Build fed = new Feed("two", "b", "V+", new Endpoint("lead", "+")).apply(offer.apply(build));
        assertEquals(0.75, rail(fed, "one", "pack.+").peak().amperes(), 1e-9);
    }

    @Test
    void bothWiresOfTheLeadAreInTheListOfTheBoardThatGives() throws Exception {
        List<String> ids = WireList.of(Circuit.of(two(), CATALOG)).get(0).steps().stream()
                .map(WireStep::id)
                .toList();
        assertTrue(ids.contains("row ground > away two/lead.-"), () -> "" + ids);
        assertTrue(ids.contains("row pack.+ > away two/lead.+"), () -> "" + ids);
    }
}
