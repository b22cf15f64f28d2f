package inkel.core.levels;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.edit.AddPart;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.formula.Verdict;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Resistance;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Which ways out a wire with wrong levels is offered, in their order, and which it is not. */
class WaysOutOfALevelTest {
    /** A 3.3 V reader on a regulator of its own, beside a 5 V board. */
    private static Builds reader() {
        return Builds.classic()
                .part("reg", "regulator-linear-3v3", "IN=board.5V")
                .part("reader", "tag-reader-spi", "3.3V=reg.OUT");
    }

    private static Builds shifter(Builds build, String id, String low, String high) {
        return build.part(id, "shifter-4", "LV=" + low, "HV=" + high);
    }

    private static Between through(String signal, String part, int way) {
        return new Between.ShifterWay(end(signal), part, way, Extras.NONE);
    }

    private static List<String> offered(Builds build, String code, String place) throws Exception {
        Finding finding = RuleKit.firesAt(build, code, place);
        for (Fix fix : finding.fixes()) {
            RuleKit.wayOut(build.build(), finding, fix);
        }
        return finding.fixes().stream().map(Fix::id).toList();
    }

    private static List<String> mosi(Builds build) throws Exception {
        return offered(build.wire("reader.MOSI", "board.D11"), "levels.harms", "reader.MOSI");
    }

    private static List<String> miso(Builds build) throws Exception {
        // A soft output: 2.85 V at least, where the board reads high above 3.15 V.
        Builds soft = build.figure("reader", "level/logic/voh", "VCC - 0.4 V");
        return offered(soft.wire("reader.MISO", "board.D12"), "levels.not_read", "reader.MISO");
    }

    @Test
    void downwardADividerIsEnough() throws Exception {
        assertEquals(List.of("divide", "buffer-new", "shift-new", "exchange-board"), mosi(reader()));
    }

    /** At 8 MHz a pull-up of 10 kΩ is too slow, and what pushes and pulls is not; at 100 kHz either does. */
    @Test
    void upwardADividerIsNoHelp() throws Exception {
        assertEquals(List.of("buffer-new", "shift-new", "exchange-board"), miso(reader()));
        assertEquals(
                List.of("shift-new", "buffer-new", "exchange-board"),
                miso(reader().setting("board", "spi_clock", "100 kHz")));
    }

    @Test
    void twoTalkersOnOneWireGetNoBuffer() throws Exception {
        Builds two = reader().part("other", "tag-reader-spi", "3.3V=reg.OUT").wire("other.MISO", "board.D12");
        assertEquals(List.of("shift-new", "exchange-board"), miso(two));
    }

    @Test
    void noShifterToAPartThatDoesNotBearItsOwnSupply() throws Exception {
        // The modem is fed with 4 V, and its pins are made for 2.8 V; the port's 4.75 V at least make 0.6 · 5.25 V hard
        // to reach for them, which a buffer fed from the board reads.
        Builds modem = Builds.classic().part("four", "wall-supply-4v").part("modem", "text-modem", "VCC=four.+");
        modem.wire("modem.RXD", "board.D4").wire("modem.TXD", "board.D5");
        assertEquals(List.of("divide"), offered(modem, "levels.harms", "modem.RXD"));
        assertEquals(List.of("buffer-new", "exchange-board"), offered(modem, "levels.not_read", "modem.TXD"));
    }

    @Test
    void aWayThatIsThereComesFirst() throws Exception {
        assertEquals(
                List.of("shift-there-1", "exchange-board"), miso(shifter(reader(), "there", "reg.OUT", "board.5V")));
    }

    @Test
    void onlyWaysOfThatVeryShifterAreTaken() throws Exception {
        Builds two = shifter(shifter(reader(), "one", "reg.OUT", "board.5V"), "two", "reg.OUT", "board.5V")
                .wire("reader.MOSI", "board.D11")
                .wire("reader.SCK", "board.D13")
                .between(through("reader.MOSI", "one", 1))
                .between(through("reader.SCK", "two", 2));
        assertEquals(List.of("shift-one-2", "exchange-board"), miso(two), "another wire's way is not shared");
    }

    @Test
    void aShifterWithoutAWayToSpareIsLeft() throws Exception {
        Builds full = shifter(reader(), "full", "reg.OUT", "board.5V");
        int way = 1;
        for (String wire : List.of("MOSI D11", "SCK D13", "RST D8", "SDA D9")) {
            String signal = "reader." + wire.split(" ")[0];
            full.wire(signal, "board." + wire.split(" ")[1]).between(through(signal, "full", way++));
        }
        assertEquals(List.of("buffer-new", "shift-new", "exchange-board"), miso(full));
    }

    @Test
    void aShifterOnOtherRailsIsLeft() throws Exception {
        List<String> all = List.of("buffer-new", "shift-new", "exchange-board");
        Builds low = reader().part("low", "bench-supply").setting("low", "volts", "2.5 V");
        assertEquals(all, miso(shifter(low, "there", "low.+", "board.5V")));
        assertEquals(all, miso(reader().part("there", "shifter-4", "LV=reg.OUT")), "one side is not fed");
    }

    @Test
    void aBufferFedLikeTheOneThatListens() throws Exception {
        // Fed with 3.3 V it hears 5 V and is heard by the reader; a 5 V board does not hear it.
        Builds down = reader().part("down", "buffer-8", "VCC=reg.OUT");
        assertEquals(List.of("shift-down-1", "divide", "exchange-board"), mosi(down));
        assertEquals(
                List.of("buffer-new", "shift-new", "exchange-board"),
                miso(reader().part("down", "buffer-8", "VCC=reg.OUT")));
        // Fed with 5 V the other kind hears 3.3 V and is heard by the board; it would harm the reader.
        assertEquals(List.of("shift-up-1", "exchange-board"), miso(reader().part("up", "buffer-8-up", "VCC=board.5V")));
        assertEquals(
                List.of("divide", "buffer-new", "shift-new", "exchange-board"),
                mosi(reader().part("up", "buffer-8-up", "VCC=board.5V")));
        assertEquals(
                List.of("divide", "buffer-new", "shift-new", "exchange-board"),
                mosi(reader().part("down", "buffer-8")),
                "not fed at all");
    }

    /** What a new part brings: its feeds, its enable where it wants it, and as many ways to spare as it says. */
    @Test
    void aNewBufferComesReadyToUse() throws Exception {
        Builds build = reader().wire("reader.MOSI", "board.D11");
        Fix fix = RuleKit.firesAt(build, "levels.harms", "reader.MOSI").fixes().stream()
                .filter(way -> way.id().equals("buffer-new"))
                .findFirst()
                .orElseThrow();
        assertTrue(fix.edits().get(0) instanceof AddPart);
        assertEquals(7, fix.cost().values().get("spare"), "eight ways, one of them used");
        Build after = fix.apply(build.build());
        var node = after.nodes().get(0);
        assertEquals(end("reg.OUT"), node.part("buffer").orElseThrow().feeds().get("VCC"));
        var enable = Builds.CATALOG.get("buffer-8").signals().toList();
        for (var pin : enable) {
            assertTrue(
                    node.wires().stream().anyMatch(wire -> wire.from().equals(end("buffer." + pin.label()))),
                    pin.label() + " is tied");
        }
    }

    @Test
    void twoWrongWiresGoThroughShiftersAtOnce() throws Exception {
        assertTrue(miso(reader().wire("reader.MOSI", "board.D11")).contains("module-shift"));
    }

    @Test
    void wiresOfAModuleThatAreTooHighAreDividedAtOnce() throws Exception {
        Builds three = reader().wire("reader.SCK", "board.D13").wire("reader.SDA", "board.D9");
        assertEquals(
                List.of("module-divide", "buffer-new", "exchange-board", "module-shift"),
                offered(three.wire("reader.MOSI", "board.D11"), "levels.harms", "reader.SCK"));
        Fix all = RuleKit.firesAt(three, "levels.harms", "reader.SCK").fixes().stream()
                .filter(way -> way.id().equals("module-divide"))
                .findFirst()
                .orElseThrow();
        assertEquals(List.of("SCK", "SDA", "MOSI"), all.title().values().get("signal"));
        assertEquals(6, all.cost().values().get("count"));
        Circuit after = Circuit.of(all.apply(three.build()), Builds.CATALOG);
        assertEquals(
                List.of(),
                LevelReport.of(after).links().stream()
                        .filter(link -> link.verdict() == Verdict.HARMS)
                        .toList());
    }

    @Test
    void whatIsDividedIsOfNoUseToAWireThatIsTooLow() throws Exception {
        Builds both = reader().wire("reader.SCK", "board.D13").wire("reader.MOSI", "board.D11");
        assertEquals(List.of("buffer-new", "shift-new", "exchange-board", "module-shift"), miso(both));
        // One alone is divided by itself, and what is divided already is not counted.
        Builds one = reader().wire("reader.SCK", "board.D13").between(divider("reader.SCK"));
        assertFalse(mosi(one).contains("module-divide"));
    }

    private static Between divider(String signal) {
        return new Between.Divider(end(signal), Resistance.ofOhms(1000), Resistance.ofOhms(2000), Extras.NONE);
    }

    @Test
    void anotherSupplyIsNoHelpToAPartThatRegulatesItsOwnLevels() throws Exception {
        // A card holder for 5 V talks with 3.3 V of its own, whatever it is fed with: 3.1 V at least, and the board
        // reads high
        // above 0.6 · 5.25 V. Fed like the board it would say the same.
        Builds card = Builds.classic()
                .part("other", "wall-supply-5v")
                .part("card", "memory-card-5v", "VCC=other.+")
                .wire("card.MISO", "board.D12");
        assertEquals(List.of("buffer-new", "exchange-board", "accept"), offered(card, "levels.not_read", "card.MISO"));
    }
}
