package inkel.core.pins;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.PartClass;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.remedy.StrapWires;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Address and strap are one thing: ties give the address, an address gives the ties. */
class StrapsTest {
    private static final String CODE = "i2c.strap_differs";

    private static Builds one(String cls, String supply) {
        return Builds.classic()
                .part("one", cls, supply + "=board.3V3")
                .wire("one.SDA", "board.A4")
                .wire("one.SCL", "board.A5");
    }

    private static int address(Build build) {
        return Circuit.of(build, CATALOG)
                .nodes()
                .get(0)
                .part("one")
                .orElseThrow()
                .address()
                .orElseThrow();
    }

    // The tables of the classes: a pressure sensor's SDO, a motion unit's AD0, a converter's ADDR, a light sensor's
    // ADDR.
    @ParameterizedTest(name = "{0} {2} to {3}: {4}")
    @CsvSource({
        "pressure,     VCC, SDO,  board.GND, 0x76",
        "pressure,     VCC, SDO,  board.3V3, 0x77",
        "motion-unit,  VCC, AD0,  board.GND, 0x68",
        "motion-unit,  VCC, AD0,  board.3V3, 0x69",
        "adc-16,       VDD, ADDR, board.GND, 0x48",
        "adc-16,       VDD, ADDR, board.3V3, 0x49",
        "adc-16,       VDD, ADDR, one.SDA,   0x4A",
        "adc-16,       VDD, ADDR, one.SCL,   0x4B",
        "light-sensor, VCC, ADDR, board.GND, 0x23",
        "light-sensor, VCC, ADDR, board.3V3, 0x5C"
    })
    void aTieGivesTheAddress(String cls, String supply, String pin, String to, String address) {
        Builds build = one(cls, supply).wire("one." + pin, to);
        assertEquals(Integer.decode(address), address(build.build()));
        RuleKit.quiet(build, CODE);
        RuleKit.quiet(build, "pins.input_floats");
        RuleKit.quiet(build, "pins.two_drivers");
    }

    @Test
    void withoutATieItIsAsItComes() {
        assertEquals(0x76, address(one("pressure", "VCC").build()));
        assertEquals(0x27, address(one("display-4x20-i2c", "VCC").build()), "bridges open");
    }

    @Test
    void threeStrapsAreThreeBits() {
        // A0 and A2 high: 0x70 + 1 + 4.
        Builds build = one("i2c-multiplexer", "VIN").wire("one.A0", "board.3V3").wire("one.A2", "board.3V3");
        assertEquals(0x75, address(build.build()));
    }

    @Test
    void anotherAddressThanTheTiesGive() throws Exception {
        Builds build = one("pressure", "VCC").wire("one.SDO", "board.GND").setting("one", "address", "0x77");
        Finding finding = RuleKit.fires(build, CODE);
        assertEquals("0x77", finding.sentence().values().get("address"));
        assertEquals("0x76", finding.sentence().values().get("strapped"));
        assertEquals(
                List.of("tie-for-0x77", "address-0x76"),
                finding.fixes().stream().map(Fix::id).toList());
        RuleKit.everyWayOut(build, CODE);
        Build tied = finding.fixes().get(0).apply(build.build());
        assertEquals(
                end("board.3V3"),
                tied.nodes().get(0).wire(end("one.SDO")).orElseThrow().to());
    }

    @Test
    void backToHowItComesTheTieIsTakenOff() throws Exception {
        Builds build = one("pressure", "VCC").wire("one.SDO", "board.3V3").setting("one", "address", "0x76");
        Build tied = RuleKit.fires(build, CODE).fixes().get(0).apply(build.build());
        assertTrue(tied.nodes().get(0).wire(end("one.SDO")).isEmpty(), "the module holds it low itself");
    }

    @Test
    void withoutATieAnAddressThatWantsOne() throws Exception {
        Builds build = one("motion-unit", "VCC").setting("one", "address", "0x69");
        RuleKit.everyWayOut(build, CODE);
        RuleKit.quiet(one("motion-unit", "VCC").setting("one", "address", "0x68"), CODE);
    }

    @Test
    void whatTheBoardDrivesOrTheModuleChoosesIsNotJudged() {
        RuleKit.quiet(one("motion-unit", "VCC").wire("one.AD0", "board.D7").setting("one", "address", "0x69"), CODE);
        RuleKit.quiet(one("display-4x20-i2c", "VCC").setting("one", "address", "0x25"), CODE);
    }

    /** As many of a class as it has addresses, on one bus: all different, and each tied for its own. */
    static Stream<PartClass> strapped() {
        return CATALOG.all().stream()
                .filter(cls ->
                        cls.i2c().filter(need -> !need.strapPins().isEmpty()).isPresent());
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("strapped")
    void aPlanTiesEveryAddressThatItGives(PartClass cls) throws Exception {
        int count = cls.i2c().orElseThrow().addresses().size();
        Builds builds = Builds.dualCore();
        for (int i = 0; i < count; i++) {
            builds.part(
                    "part-" + i,
                    cls.id(),
                    cls.supplies().stream()
                            .map(supply -> supply.pin() + "=board.3V3")
                            .toArray(String[]::new));
        }
        Plan plan = new Planner(builds.build(), CATALOG).plan(Builds.NODE);
        Build after = plan.edit().orElseThrow().apply(builds.build());
        NodeCircuit node = Circuit.of(after, CATALOG).nodes().get(0);
        for (Placed placed : node.parts()) {
            if (!placed.part().isBoard() && !placed.id().equals("usb")) {
                assertEquals(placed.address(), placed.strapped(), placed.id());
            }
        }
        assertEquals(List.of(), Builds.of(inkel.core.checks.Assessment.assess(after, CATALOG), CODE));
        assertEquals(List.of(), Builds.of(inkel.core.checks.Assessment.assess(after, CATALOG), "pins.input_floats"));
        List<Integer> given = node.parts().stream()
                .flatMap(placed -> placed.address().stream())
                .toList();
        if (node.nets().keySet().stream()
                        .filter(pin -> pin.part().equals("board"))
                        .count()
                == 2) {
            assertEquals(count, new TreeSet<>(given).size(), "on one bus all differ: " + given);
        }
    }

    @Test
    void aTieThatIsHeldKeepsItsAddress() throws Exception {
        // The first is held at 0x77, so that the second stays as it comes.
        Builds build = Builds.classic()
                .part("one", "pressure", "VCC=board.3V3")
                .part("two", "pressure", "VCC=board.3V3")
                .hold("one.SDO", "board.3V3");
        Plan plan = new Planner(build.build(), CATALOG).plan(Builds.NODE);
        assertEquals(0x77, plan.addresses().get("one"));
        assertEquals(0x76, plan.addresses().get("two"));
        Node after = plan.edit().orElseThrow().apply(build.build()).nodes().get(0);
        Wire held = after.wire(end("one.SDO")).orElseThrow();
        assertTrue(held.held());
        assertEquals(Optional.empty(), after.wire(end("two.SDO")));
    }

    @Test
    void aTieThatCannotBeMadeYetTakesNoWireOff() throws Exception {
        // Two sensors without a supply share a bus all the same; what 0x77 is tied to is there once that one is fed.
        Builds build = Builds.classic().part("one", "pressure").part("two", "pressure");
        Plan plan = new Planner(build.build(), CATALOG).plan(Builds.NODE);
        assertTrue(plan.placed());
        assertEquals(Set.of(0x76, 0x77), Set.copyOf(plan.addresses().values()));
        assertTrue(plan.wires().stream().noneMatch(wire -> wire.from().pin().equals("SDO")));
        Builds driven = Builds.classic().part("one", "pressure").wire("one.SDO", "board.D7");
        NodeCircuit node = driven.circuit();
        assertEquals(List.of(), StrapWires.edits(node, node.part("one").orElseThrow(), 0x77));
    }

    @Test
    void aClashIsMendedByTies() throws Exception {
        Builds build = one("pressure", "VCC")
                .part("two", "pressure", "VCC=board.3V3")
                .wire("two.SDA", "board.A4")
                .wire("two.SCL", "board.A5");
        RuleKit.waysOut(build, "i2c.address_clash", "strap-two-0x77", "strap-one-0x77", "leave-out-two");
        Finding clash = RuleKit.fires(build, "i2c.address_clash");
        Build after = clash.fixes().get(0).apply(build.build());
        assertEquals(
                List.of(),
                Builds.of(inkel.core.checks.Assessment.assess(after, CATALOG), CODE),
                "the address comes with its tie");
    }

    /** Every class and every address of it: the ties it gets are read as just that address. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("strapped")
    void tiesAreReadAsTheAddressTheyWereMadeFor(PartClass cls) throws Exception {
        for (int address : cls.i2c().orElseThrow().choices()) {
            Build build = one(cls.id(), cls.supplies().get(0).pin()).build();
            NodeCircuit node = Circuit.of(build, CATALOG).nodes().get(0);
            List<Edit> edits = StrapWires.edits(node, node.part("one").orElseThrow(), address);
            Build after = Edit.applyAll(build, edits);
            assertEquals(address, address(after), cls.id());
            NodeCircuit now = Circuit.of(after, CATALOG).nodes().get(0);
            assertEquals(
                    List.of(), StrapWires.edits(now, now.part("one").orElseThrow(), address), "nothing is left to do");
        }
    }

    @Test
    void aStrapToItsOwnBusWireIsNoTakerOfAPin() {
        Builds build = one("adc-16", "VDD").wire("one.ADDR", "one.SDA");
        NodeCircuit node = build.circuit();
        assertTrue(node.isTie(Wire.placed(end("one.ADDR"), end("one.SDA"))));
        assertTrue(node.nets().keySet().stream().map(Endpoint::part).allMatch("board"::equals));
    }
}
