package inkel.core.levels;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.end;
import static inkel.core.kit.Builds.place;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Kind;
import inkel.core.catalog.Need;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Tie;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import inkel.core.remedy.Ties;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Signals that a rail holds: what they bear, where they may be tied, and that nobody is told to do harm. */
class TieTest {
    private static Builds modem() {
        return Builds.classic().part("four", "wall-supply-4v").part("modem", "text-modem", "VCC=four.+");
    }

    /** A screen that may run from 5 V, while its pins bear 3.6 V. */
    private static Builds screen(String rail) {
        return Builds.classic().part("screen", "display-colour", "VCC=" + rail);
    }

    private static List<String> ways(Builds build, String place) throws Exception {
        Finding finding = RuleKit.firesAt(build, "levels.harms", place);
        assertEquals("levels.harms.tied", finding.sentence().key());
        for (Fix fix : finding.fixes()) {
            RuleKit.wayOut(build.build(), finding, fix);
        }
        return finding.fixes().stream().map(Fix::id).toList();
    }

    @Test
    void aResetTiedToASupplyThatItDoesNotBear() throws Exception {
        // The modem's supply gives up to 4.1 V, its pins bear 3.1 V; it holds its reset by itself.
        Builds build = modem().wire("modem.RST", "four.+");
        Finding finding = RuleKit.firesAt(build, "levels.harms", "modem.RST");
        assertEquals(4.1, finding.evidence().get(0).value().si(), 1e-9);
        assertEquals(3.1, finding.evidence().get(1).value().si(), 1e-9);
        assertEquals(1.0, finding.evidence().get(2).value().si(), 1e-9);
        assertEquals(List.of("untie-modem.RST"), ways(build, "modem.RST"));
    }

    @Test
    void aLightTiedToItsOwnFiveVolts() throws Exception {
        Builds build = screen("board.5V").wire("screen.BLK", "board.5V");
        assertEquals(List.of("tie-screen.BLK-to-board.3V3"), ways(build, "screen.BLK"));
        RuleKit.quiet(screen("board.5V").wire("screen.BLK", "board.3V3"), "levels.harms");
    }

    @Test
    void exactlyWhatItBears() {
        // The modem's pins bear 3.1 V: a rail of 3.1 V is borne, one of 3.11 V not.
        for (String volts : List.of("3.1 V", "3.11 V")) {
            Builds build = modem().part("bench", "bench-supply")
                    .setting("bench", "volts", volts)
                    .wire("modem.RST", "bench.+");
            assertEquals(
                    volts.equals("3.1 V") ? 0 : 1,
                    build.findings("levels.harms").size(),
                    volts);
        }
    }

    @Test
    void aTieToGroundHarmsNobody() {
        RuleKit.quiet(modem().wire("modem.RST", "board.GND"), "levels.harms");
    }

    @Test
    void floatingPinsAreOfferedARailThatTheyBear() throws Exception {
        Builds build = screen("board.5V");
        Finding finding = RuleKit.firesAt(build, "pins.input_floats", "screen.BLK");
        assertEquals("tie-screen.BLK", finding.fixes().get(0).id());
        Build after = finding.fixes().get(0).apply(build.build());
        assertEquals(
                end("board.3V3"),
                after.nodes().get(0).wire(end("screen.BLK")).orElseThrow().to());
        assertEquals(end("board.3V3"), tied(screen("board.3V3")), "its own rail where it bears that");
    }

    private static Endpoint tied(Builds build) {
        NodeCircuit node = build.circuit();
        Placed screen = node.part("screen").orElseThrow();
        return Ties.of(node, screen, screen.cls().pin("BLK").orElseThrow()).orElseThrow();
    }

    static Stream<PartClass> modules() {
        return CATALOG.all().stream().filter(cls -> cls.kind() == Kind.MODULE);
    }

    /** Every class on every rail that feeds it: whatever is tied by itself is borne. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("modules")
    void noTieOfOursHarms(PartClass cls) {
        for (String rail : List.of("board.5V", "board.3V3", "four.+", "six.+")) {
            Builds build = Builds.classic()
                    .part("four", "wall-supply-4v")
                    .part("six", "wall-supply-6v")
                    .part(
                            "one",
                            cls.id(),
                            cls.supplies().stream()
                                    .map(supply -> supply.pin() + "=" + rail)
                                    .toArray(String[]::new));
            NodeCircuit node = build.circuit();
            Placed placed = node.part("one").orElseThrow();
            for (Pin pin : cls.pins()) {
                Ties.of(node, placed, pin)
                        .flatMap(to -> Tie.of(node, placed.endpoint(pin), to))
                        .ifPresent(tie -> assertTrue(!tie.harms(), cls.id() + " " + pin.label() + " on " + rail));
            }
        }
    }

    @Test
    void whatIsTiedForGoodTakesNoPinOfTheBoard() throws Exception {
        Builds build = Builds.classic()
                .part("text", "display-2x16-parallel", "VDD=board.5V", "A=board.5V")
                .part("dac", "dac-8-spi", "VDD=board.5V");
        Plan plan = new Planner(build.build(), CATALOG).plan(Builds.NODE);
        Build after = plan.edit().orElseThrow().apply(build.build());
        var node = after.nodes().get(0);
        assertEquals(end("board.GND"), node.wire(end("text.RW")).orElseThrow().to());
        assertEquals(end("board.GND"), node.wire(end("dac.LDAC")).orElseThrow().to());
    }

    @Test
    void unlessTheBuilderHoldsItOnOne() throws Exception {
        Builds build = Builds.classic().part("dac", "dac-8-spi", "VDD=board.5V").hold("dac.LDAC", "board.D7");
        Plan plan = new Planner(build.build(), CATALOG).plan(Builds.NODE);
        Build after = plan.edit().orElseThrow().apply(build.build());
        assertEquals(
                end("board.D7"),
                after.nodes().get(0).wire(end("dac.LDAC")).orElseThrow().to());
    }

    @Test
    void whatThePartHoldsItselfIsLeftAlone() throws Exception {
        Builds build = Builds.classic().part("air", "pressure", "VCC=board.3V3");
        Plan plan = new Planner(build.build(), CATALOG).plan(Builds.NODE);
        Build after = plan.edit().orElseThrow().apply(build.build());
        assertTrue(after.nodes().get(0).wire(end("air.CSB")).isEmpty());
        assertEquals(List.of(), Builds.of(inkel.core.checks.Assessment.assess(after, CATALOG), "pins.input_floats"));
        assertEquals(Need.HELD, CATALOG.get("pressure").pin("CSB").orElseThrow().need());
    }

    @Test
    void tiesAreJudgedOnEveryBoardOfABuild() throws Exception {
        Build one = modem().wire("modem.RST", "four.+").build();
        Build two = new inkel.core.document.edit.CopyNode(Builds.NODE, "twin", "Twin").apply(one);
        assertEquals(2, LevelReport.of(Circuit.of(two, CATALOG)).ties().size());
        assertEquals(
                List.of(place("modem.RST").toString(), "twin/modem.RST"),
                Builds.of(inkel.core.checks.Assessment.assess(two, CATALOG), "levels.harms").stream()
                        .map(finding -> finding.place().toString())
                        .toList());
    }
}
