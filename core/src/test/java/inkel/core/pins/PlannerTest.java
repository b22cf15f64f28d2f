package inkel.core.pins;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.Wire;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

class PlannerTest {
    private static Plan plan(Builds builds) {
        return new Planner(builds.build(), Builds.CATALOG).plan(Builds.NODE);
    }

    private static Map<String, String> places(Plan plan) {
        Map<String, String> places = new HashMap<>();
        plan.wires()
                .forEach(wire -> places.put(wire.from().toString(), wire.to().toString()));
        return places;
    }

    @Test
    void busPinsAreThoseOfTheBoard() {
        Plan plan = plan(Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .part("display", "display-4x20-i2c", "VCC=board.5V"));
        assertTrue(plan.placed());
        Map<String, String> places = places(plan);
        assertEquals("board.D13", places.get("radio.SCK"));
        assertEquals("board.D11", places.get("radio.MOSI"));
        assertEquals("board.D12", places.get("radio.MISO"));
        assertEquals("board.A4", places.get("display.SDA"));
        assertEquals("board.A5", places.get("display.SCL"));
        assertFalse(places.containsKey("radio.IRQ"), "what may stay open stays open");
    }

    @Test
    void holdsAreKept() {
        Plan plan = plan(
                Builds.classic().part("radio", "packet-radio", "VCC=board.3V3").hold("radio.CE", "board.A3"));
        assertEquals("board.A3", places(plan).get("radio.CE"));
        Wire held = plan.wires().stream()
                .filter(wire -> wire.from().equals(end("radio.CE")))
                .findFirst()
                .orElseThrow();
        assertTrue(held.held(), "and stay held, with their reason");
        assertEquals("for the test", held.reason());
    }

    @Test
    void theConsoleIsLeftToTheComputer() {
        Builds many = Builds.classic();
        for (int i = 0; i < 9; i++) {
            many.part("handset-" + i, "infrared-receiver", "VS=board.5V");
        }
        Set<String> used = new HashSet<>(places(plan(many)).values());
        assertFalse(used.contains("board.D0"));
        assertFalse(used.contains("board.D1"));
    }

    @Test
    void aServoGoesToTheDriverThatFeedsIt() {
        Plan plan = plan(Builds.classic()
                .part("bench", "bench-supply")
                .part("driver", "servo-driver-16", "VCC=board.5V", "V+=bench.+")
                .part("servo", "servo-micro", "V+=driver.V+OUT"));
        assertTrue(places(plan).get("servo.SIG").startsWith("driver.CH"));
    }

    @Test
    void aClashTellsItsArithmetic() {
        // 18 pins of the classic board are free besides the console's two; six of the plain ones measure a voltage.
        Builds crowd = Builds.classic();
        for (int i = 0; i < 19; i++) {
            crowd.part("handset-" + i, "infrared-receiver", "VS=board.5V");
        }
        Plan.Shortage all = plan(crowd).shortage().orElseThrow();
        assertEquals(19, all.wires());
        assertEquals(18, all.pins());
        Builds knobs = Builds.classic();
        for (int i = 0; i < 8; i++) {
            knobs.part("knob-" + i, "knob", "+=board.5V");
        }
        Plan.Shortage analog = plan(knobs).shortage().orElseThrow();
        assertEquals(7, analog.wires(), "the smallest set that clashes is one more than there are pins");
        assertEquals(6, analog.pins());
        assertEquals(PinUse.ANALOG, analog.use().orElseThrow());
        // 26 pins give pulses there, of eight timers with two channels each.
        assertEquals(
                new Plan.Shortage(17, 16, Optional.of(PinUse.PWM), true),
                plan(servos("board-dual-core-3v3", "VBUS", 17)).shortage().orElseThrow());
        // Four pins of the computer give pulses, of two channels.
        assertEquals(
                new Plan.Shortage(3, 2, Optional.of(PinUse.PWM), true),
                plan(Builds.on("computer-40pin").part("lamp", "rgb-led-anode", "A=board.3V3"))
                        .shortage()
                        .orElseThrow());
    }

    @Test
    void onePinDrivesAsManyInputsAsAreHeldOnIt() throws EditRefused {
        Builds two = Builds.classic()
                .part("one", "buffer-8", "VCC=board.3V3")
                .part("two", "buffer-8", "VCC=board.3V3")
                .hold("one.OE1", "board.D7")
                .hold("two.OE1", "board.D7");
        RuleKit.quiet(two, "pins.two_drivers");
        Plan plan = plan(two);
        assertTrue(plan.placed());
        assertEquals("board.D7", places(plan).get("one.OE1"));
        assertEquals("board.D7", places(plan).get("two.OE1"));
        // What talks there too is another matter.
        Builds talking = two.part("handset", "infrared-receiver", "VS=board.5V").hold("handset.OUT", "board.D7");
        RuleKit.fires(talking, "pins.two_drivers");
        assertFalse(plan(talking).placed());
    }

    private static Builds servos(String board, String rail, int count) {
        Builds build = Builds.on(board);
        for (int i = 0; i < count; i++) {
            build.part("servo-" + i, "servo-micro", "V+=board." + rail);
        }
        return build;
    }

    /** Each has an address of its own: they stay on their line, which may move; one more gets a line of its own. */
    @Test
    void probesThatShareALineStayTogether() {
        Builds probes = Builds.on("board-wireless-3v3")
                .part("one", "temperature-water", "VDD=board.3V3")
                .part("two", "temperature-water", "VDD=board.3V3")
                .part("three", "temperature-water", "VDD=board.3V3")
                .part("four", "temperature-water", "VDD=board.3V3")
                .wire("one.DQ", "board.D4")
                .wire("two.DQ", "board.D4");
        Map<String, String> places = places(plan(probes));
        assertEquals("board.D4", places.get("one.DQ"));
        assertEquals("board.D4", places.get("two.DQ"));
        assertEquals(3, Set.copyOf(places.values()).size(), places::toString);
        // D34 is an input only: both go to another pin, and that is one pin.
        Map<String, String> moved =
                places(plan(probes.wire("three.DQ", "board.D34").wire("four.DQ", "board.D34")));
        assertEquals(moved.get("three.DQ"), moved.get("four.DQ"));
        assertNotEquals("board.D34", moved.get("three.DQ"));
    }

    @Test
    void aProbeStaysOnTheLineOnWhichAnotherIsHeld() {
        Map<String, String> places = places(plan(Builds.classic()
                .part("one", "temperature-water", "VDD=board.5V")
                .part("two", "temperature-water", "VDD=board.5V")
                .wire("one.DQ", "board.A3")
                .hold("two.DQ", "board.A3")));
        assertEquals(Map.of("one.DQ", "board.A3", "two.DQ", "board.A3"), places);
    }

    @Test
    void everyServoHasAChannelOfItsOwn() {
        // Eight slices of two channels; pins 16 apart are the same one.
        Map<String, String> places = places(plan(servos("board-dual-core-3v3", "VBUS", 16)));
        Set<Integer> channels = new HashSet<>();
        places.values().forEach(pin -> channels.add(Integer.parseInt(pin.substring("board.GP".length())) % 16));
        assertEquals(16, channels.size(), places.toString());
    }

    @Test
    void oneServoMoreThanThereAreChannels() {
        Plan plan = plan(servos("board-dual-core-3v3", "VBUS", 17));
        assertFalse(plan.placed());
        assertEquals(17, plan.clash().size(), "all of them, and no fewer, are too many");
        assertTrue(
                plan.waysOut().stream().anyMatch(fix -> fix.id().contains("servo-driver-16")),
                plan.waysOut().toString());
    }

    @Test
    void anEnablePinIsTiedWhenNoPinIsLeft() {
        // 18 pins are free besides the console: the reader takes four and 14 receivers the rest, so that its reset is
        // tied to its own supply.
        Builds full = Builds.classic().part("reader", "tag-reader-spi", "3.3V=board.3V3");
        for (int i = 0; i < 14; i++) {
            full.part("handset-" + i, "infrared-receiver", "VS=board.5V");
        }
        Plan plan = plan(full);
        assertTrue(plan.placed());
        assertEquals("board.3V3", places(plan).get("reader.RST"));
    }

    @Test
    void addressesAreToldApart() {
        Plan plan = plan(Builds.classic()
                .part("one", "display-4x20-i2c", "VCC=board.5V")
                .part("two", "display-4x20-i2c", "VCC=board.5V")
                .part("three", "display-4x20-i2c", "VCC=board.5V"));
        assertTrue(plan.placed());
        assertEquals(3, Set.copyOf(plan.addresses().values()).size());
        plan.addresses().values().forEach(address -> assertTrue(address >= 0x20 && address <= 0x27));
    }

    @Test
    void anAllCallAddressCountsAsTaken() {
        // The driver answers to 0x70 too; a second driver held there by its straps must move.
        Builds build = Builds.classic()
                .part("one", "servo-driver-16", "VCC=board.5V", "V+=board.5V")
                .part("two", "display-4x20-i2c", "VCC=board.5V");
        Plan plan = plan(build);
        assertTrue(plan.placed());
        assertFalse(plan.addresses().containsValue(0x70));
    }

    private static Builds displays(int count) {
        Builds displays = Builds.classic();
        for (int i = 1; i <= count; i++) {
            displays.part("display-" + i, "display-4x20-i2c", "VCC=board.5V");
        }
        return displays;
    }

    private static long parts(Plan plan) {
        return plan.clash().stream().map(Endpoint::part).distinct().count();
    }

    @Test
    void theNinthDisplayGoesToABusThatTheProgramDrives() {
        Plan plan = plan(displays(9));
        assertTrue(plan.placed(), "eight addresses on the board's bus, one more on plain pins");
        assertEquals(1, plan.bySoftware().size());
    }

    @Test
    void seventeenDisplaysHaveNoAddressLeft() {
        Plan plan = plan(displays(17));
        assertFalse(plan.placed());
        assertEquals(
                17, parts(plan), "eight addresses on each of two buses: leaving out any one of them ends the clash");
        assertTrue(
                plan.waysOut().stream().anyMatch(fix -> fix.id().equals("add-i2c-multiplexer")),
                "a multiplexer has eight buses more");
    }

    @Test
    void nineDisplaysThatMustBeOnTheBoardsBusClash() {
        Builds nine = displays(9);
        for (int i = 1; i <= 9; i++) {
            nine.setting("display-" + i, "bus", "hardware");
        }
        Plan plan = plan(nine);
        assertFalse(plan.placed());
        assertEquals(9, parts(plan));
        assertTrue(plan.waysOut().stream().anyMatch(fix -> fix.id().startsWith("software-bus")));
    }

    @Test
    void twoHoldsOnOnePinClashAndNothingElseIsNamed() throws EditRefused {
        Builds build = Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .part("handset", "infrared-receiver", "VS=board.5V")
                .part("other", "infrared-receiver", "VS=board.5V")
                .hold("radio.CE", "board.D7")
                .hold("handset.OUT", "board.D7");
        Plan plan = plan(build);
        assertFalse(plan.placed());
        assertEquals(Set.of(end("radio.CE"), end("handset.OUT")), Set.copyOf(plan.clash()));
        assertTrue(plan.waysOut().stream().anyMatch(fix -> fix.id().startsWith("release-")));
        for (var fix : plan.waysOut()) {
            Build changed = fix.apply(build.build());
            assertTrue(new Planner(changed, Builds.CATALOG).plan(Builds.NODE).placed(), fix.id());
        }
    }

    @Test
    void aHoldThatThePinCannotServeIsTheClashByItself() {
        Plan plan = plan(Builds.classic()
                .part("level", "water-level", "+=board.5V")
                .part("radio", "packet-radio", "VCC=board.3V3")
                .hold("level.S", "board.D4"));
        assertEquals(List.of(end("level.S")), plan.clash());
    }

    @Test
    void moreReceiversThanPinsHaveNoPlacement() {
        // The classic board has 20 pins, of which the console's two are kept: 18 receivers fit, a 19th does not.
        Builds build = Builds.classic();
        for (int i = 1; i <= 18; i++) {
            build.part("handset-" + i, "infrared-receiver", "VS=board.5V");
        }
        assertTrue(plan(build).placed());
        assertFalse(plan(build.part("handset-19", "infrared-receiver", "VS=board.5V"))
                .placed());
    }

    @Test
    void aModemFindsBothLinesOfOnePort() {
        Plan plan = plan(Builds.dualCore().part("four", "wall-supply-4v").part("modem", "text-modem", "VCC=four.+"));
        NodeCircuit node = Builds.dualCore()
                .part("four", "wall-supply-4v")
                .part("modem", "text-modem", "VCC=four.+")
                .circuit();
        Pin rx = node.pin(end(places(plan).get("modem.TXD"))).orElseThrow();
        Pin tx = node.pin(end(places(plan).get("modem.RXD"))).orElseThrow();
        Set<Integer> units = unitsOf(rx, "rx");
        units.retainAll(unitsOf(tx, "tx"));
        assertFalse(units.isEmpty(), "TX of the modem on an RX, RX on a TX, both of one port: " + rx + tx);
    }

    private static Set<Integer> unitsOf(Pin pin, String line) {
        Set<Integer> units = new TreeSet<>();
        pin.can().stream()
                .filter(ability ->
                        ability.kind() == Ability.Kind.UART && ability.line().equals(line))
                .forEach(ability -> units.add(ability.unit()));
        return units;
    }

    @Test
    void planningAPlannedBuildMovesNothing() throws EditRefused {
        Build build = Builds.locks();
        Planner planner = new Planner(build, Builds.CATALOG);
        Plan plan = planner.plan("lower-lock");
        Build again = plan.edit().orElseThrow().apply(build);
        Plan second = new Planner(again, Builds.CATALOG).plan("lower-lock");
        assertEquals(places(plan), places(second));
    }

    @Test
    void theSameBuildGivesTheSamePlan() {
        assertEquals(
                new Planner(Builds.firstSketch(), Builds.CATALOG)
                        .plan("lower-lock")
                        .wires(),
                new Planner(Builds.firstSketch(), Builds.CATALOG)
                        .plan("lower-lock")
                        .wires());
    }

    /** Sharing out has only wires of signals: what others say of feeds and pins is not lost with them. */
    @Test
    void whatAWireSaysThatBeginsAtNoSignalIsKept() throws Exception {
        Builds table = Builds.classic()
                .part("air", "climate-wire")
                .wire("air.VCC", "board.3V3")
                .wire("board.D7", "air.DATA")
                .wire("board.GND", "air.GND");
        for (Plan plan : List.of(
                new Planner(table.build(), Builds.CATALOG).plan(Builds.NODE),
                new Planner(table.build(), Builds.CATALOG).planKeeping(Builds.NODE))) {
            Node after = plan.takenBy(table.build()).nodes().get(0);
            assertEquals(
                    "{VCC=board.3V3}", after.part("air").orElseThrow().feeds().toString());
            assertEquals(List.of(Wire.placed(Builds.end("air.DATA"), Builds.end("board.D7"))), after.wires());
        }
    }

    /** A pin that the builder holds is held whichever way its wire is written, and the reason stays. */
    @Test
    void whatIsHeldByAWireFromItsFarEndStaysHeld() throws Exception {
        Builds table = Builds.classic()
                .part("air", "climate-wire", "VCC=board.5V")
                .part("key", "button")
                .wire("board.D7", "air.DATA")
                .wire("key.B", "board.D9");
        Build held = table.build()
                .withNode(
                        Builds.NODE,
                        node -> node.withWires(node.wires().stream()
                                .map(wire -> new Wire(wire.from(), wire.to(), true, "soldered", wire.extras()))
                                .toList()));
        List<Wire> after = new Planner(held, Builds.CATALOG)
                .plan(Builds.NODE)
                .takenBy(held)
                .nodes()
                .get(0)
                .wires();
        assertEquals(
                List.of("air.DATA board.D7 true soldered", "key.A board.D9 true soldered"),
                after.stream()
                        .map(wire -> wire.from() + " " + wire.to() + " " + wire.held() + " " + wire.reason())
                        .sorted()
                        .toList());
    }
}
