package inkel.core.levels;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Pin;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.edit.ChangeNodeWire;
import inkel.core.document.edit.Exchange;
import inkel.core.document.edit.Insert;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.kit.TwoBoards;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Resistance;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What findings about levels say word for word, and what their ways out put where. */
class LevelWaysSaidTest {
    private static final String TOLERANT = "board-tolerant-3v3";

    private static Finding only(Build build, String code) {
        List<Finding> found = Builds.of(Assessment.assess(build, CATALOG), code);
        assertEquals(1, found.size(), found.toString());
        return found.get(0);
    }

    @Test
    void aWireBetweenBoardsSaysWhoseItIsAndIsDivided() throws Exception {
        Build build = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.WIRELESS, "one.D4 > two.D18");
        Finding finding = only(build, "levels.harms");
        Fact from = (Fact) finding.sentence().values().get("from");
        Fact to = (Fact) finding.sentence().values().get("to");
        assertEquals(List.of("pin.of_node", "pin.of_node"), List.of(from.key(), to.key()));
        assertEquals(
                List.of("D4", "D18"),
                List.of(from.values().get("pin"), to.values().get("pin")));
        // 5.25 V into what bears its own 3.2 V and 0.3 V.
        assertEquals(5.25, RuleKit.si(finding, "highest_output"), 1e-9);
        assertEquals(3.5, RuleKit.si(finding, "tolerated"), 1e-9);
        RuleKit.waysOut(build, finding, "divide", "buffer-new", "link-off");
        NodeWire divided =
                ((ChangeNodeWire) RuleKit.way(finding, "divide").edits().get(0)).changed();
        Between.Divider divider = (Between.Divider) divided.between().orElseThrow();
        double most = 5.25 * divider.share();
        assertTrue(most <= 3.5 && 4.45 * divider.share() >= 0.75 * 3.4, divider.toString());
    }

    @Test
    void whatIsDividedTooFarIsTakenOutAgain() throws Exception {
        // A half of 4.45 V at least is 2.2 V: under the 0.75 of 3.4 V that the wireless board reads.
        Build build = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.WIRELESS, "one.D4 > two.D18");
        NodeWire wire = build.links().get(0);
        Between half = new Between.Divider(
                wire.from().endpoint(), Resistance.ofOhms(10_000), Resistance.ofOhms(10_000), Extras.NONE);
        Build divided = new ChangeNodeWire(wire, wire.withBetween(Optional.of(half))).apply(build);
        Finding finding = only(divided, "levels.not_read");
        assertEquals(
                "take-out",
                finding.fixes().stream()
                        .map(Fix::id)
                        .filter(id -> !id.startsWith("link"))
                        .findFirst()
                        .orElseThrow());
        Build bare = RuleKit.way(finding, "take-out").apply(divided);
        assertEquals(Optional.empty(), bare.links().get(0).between());
    }

    @Test
    void aPinThatBearsItIsOffered() throws Exception {
        // Most pins of that board bear 5 V, those of its converter do not.
        Build build = TwoBoards.joined(TwoBoards.CLASSIC, TOLERANT, "one.D4 > two.A1");
        Finding finding = only(build, "levels.harms");
        Fix moved = RuleKit.way(finding, "link-to-");
        String pin = moved.id().substring("link-to-".length());
        assertEquals(
                "tolerant",
                CATALOG.get(TOLERANT)
                        .io(CATALOG.get(TOLERANT).pin(pin).orElseThrow())
                        .orElseThrow()
                        .name());
        assertEquals(List.of("one.D4 > two." + pin), TwoBoards.links(moved.apply(build)));
        RuleKit.everyWayOut(build, finding);
    }

    @Test
    void eachHopOfAShiftedWireKnowsWhichEndItHas() throws Exception {
        Builds listening = Builds.powered(CATALOG.get(TwoBoards.WIRELESS))
                .part("between", "shifter-4", "LV=board.3V3", "HV=board.VIN");
        Build plain = TwoBoards.joined(Builds.classic(), listening, "one.D4 > two.D18");
        NodeWire wire = plain.links().get(0);
        BoardLink straight = BoardLink.of(Circuit.of(plain, CATALOG), wire).get(0);
        assertTrue(straight.begins() && straight.arrives());
        Between way = new Between.ShifterWay(wire.from().endpoint(), "two/between", 1, Extras.NONE);
        NodeWire through = wire.withBetween(Optional.of(way));
        Build shifted = new ChangeNodeWire(wire, through).apply(plain);
        List<BoardLink> hops = BoardLink.of(Circuit.of(shifted, CATALOG), through);
        assertEquals(2, hops.size());
        assertTrue(hops.get(0).arrives() && !hops.get(0).begins(), "out of the shifter");
        assertTrue(hops.get(1).begins() && !hops.get(1).arrives(), "into it");
        assertEquals(
                List.of("LV1", "HV1"),
                List.of(hops.get(0).says().pin(), hops.get(1).hears().pin()));
    }

    @Test
    void aFastWireGetsASmallerResistorAndATwoWayOneNone() throws Exception {
        // The reader on a supply of its own: SCK, MOSI and the select lead into its pins while that is off.
        Builds reader = Builds.dualCore()
                .part("own", "wall-supply-5v")
                .part("down", "regulator-linear-3v3", "IN=own.+")
                .part("reader", "tag-reader-spi", "3.3V=down.OUT")
                .wire("reader.SCK", "board.GP18")
                .wire("reader.MOSI", "board.GP19")
                .wire("reader.SDA", "board.GP17");
        Finding finding = RuleKit.firesAt(reader, "levels.back_power", "reader");
        double ohms = finding.fixes().stream()
                .filter(fix -> fix.id().equals("series"))
                .flatMap(fix -> fix.edits().stream())
                .map(edit -> (Between.Series) ((Insert) edit).between())
                .mapToDouble(series -> series.resistance().ohms())
                .max()
                .orElse(0);
        assertTrue(ohms > 0 && ohms < 1000, ohms + ": a clock of some megahertz does not rise through a kiloohm");
        // A bus talks both ways: a resistor in it would spoil its low.
        Builds bus = Builds.dualCore()
                .part("own", "wall-supply-5v")
                .part("down", "regulator-linear-3v3", "IN=own.+")
                .part("air", "pressure", "VCC=down.OUT")
                .wire("air.SDA", "board.GP4")
                .wire("air.SCL", "board.GP5");
        for (Finding told : bus.findings("levels.back_power")) {
            assertEquals(List.of("together"), told.fixes().stream().map(Fix::id).toList());
        }
        assertFalse(bus.findings("levels.back_power").isEmpty());
    }

    /** A buzzer that bears 0.3 V above its own 4.9 V, on a pin that may give 5.25 V. */
    private static Finding buzzer() {
        Builds build = Builds.classic()
                .part("wall", "wall-supply-5v")
                .part("beep", "buzzer", "VCC=wall.+")
                .wire("beep.S", "board.D7");
        return RuleKit.firesAt(build, "levels.harms", "beep.S");
    }

    @Test
    void aBoardThatIsPinForPinTheSameIsOfferedWhereThereIsOne() {
        Exchange exchange =
                (Exchange) RuleKit.way(buzzer(), "exchange-board").edits().get(0);
        List<String> labels =
                CATALOG.get("board-classic-5v").pins().stream().map(Pin::label).toList();
        assertEquals(labels, exchange.cls().pins().stream().map(Pin::label).toList());
        assertFalse(exchange.cls().id().equals("board-classic-5v"));
    }

    @Test
    void aBoardThatAnotherFeedsIsOnWithIt() throws Exception {
        Build apart = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.D4 > two.D5");
        Finding finding = only(apart, "levels.back_power");
        assertEquals(Severity.LOOK, finding.severity());
        assertEquals(Place.ofPart("two", "board"), finding.place());
        assertEquals(5.25, RuleKit.si(finding, "highest_output"), 1e-9);
        RuleKit.waysOut(apart, finding, "series", "together");
        NodeWire soft = ((ChangeNodeWire) finding.fixes().get(0).edits().get(0)).changed();
        assertEquals(Resistance.ofOhms(1000), ((Between.Series) soft.between().orElseThrow()).resistance());
        Builds fed = Builds.classic()
                .boardUnfed()
                .part("lead", "rail-lead")
                .setting("lead", "rail", "one/usb.5V")
                .boardFrom("lead.+");
        Build led = TwoBoards.joined(Builds.classic(), fed, "one.D4 > two.D5");
        assertEquals(List.of(), Builds.of(Assessment.assess(led, CATALOG), "levels.back_power"));
    }

    @Test
    void aWholeModuleIsMendedWhereMoreThanOneOfItsWiresIsHarmed() {
        // A reader of 3.3 V on a board of 5 V.
        Builds one = Builds.classic()
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .wire("reader.SCK", "board.D13");
        List<String> alone = RuleKit.firesAt(one, "levels.harms", "reader.SCK").fixes().stream()
                .map(Fix::id)
                .toList();
        assertTrue(alone.stream().noneMatch(id -> id.startsWith("module-")), () -> "" + alone);
        Builds two = one.wire("reader.MOSI", "board.D11");
        List<String> both = RuleKit.firesAt(two, "levels.harms", "reader.SCK").fixes().stream()
                .map(Fix::id)
                .toList();
        assertTrue(both.containsAll(List.of("module-divide", "module-shift")), () -> "" + both);
        assertEquals(
                4,
                RuleKit.way(RuleKit.firesAt(two, "levels.harms", "reader.SCK"), "module-divide")
                        .cost()
                        .values()
                        .get("count"));
    }

    @Test
    void anotherModulesWiresAreLeftAlone() {
        Builds both = Builds.classic()
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .part("radio", "packet-radio", "VCC=board.3V3")
                .wire("reader.SCK", "board.D13")
                .wire("reader.MOSI", "board.D11")
                .wire("radio.CE", "board.D8");
        List<String> signals =
                RuleKit.way(RuleKit.firesAt(both, "levels.harms", "reader.SCK"), "module-divide").edits().stream()
                        .map(edit -> ((Insert) edit).between().signal().toString())
                        .sorted()
                        .toList();
        assertEquals(List.of("reader.MOSI", "reader.SCK"), signals);
    }
}
