package inkel.core.levels;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Carries;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Logbook;
import inkel.core.document.Node;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.edit.AddNodeWire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.ChangeNodeWire;
import inkel.core.document.edit.Measure;
import inkel.core.document.edit.RemovePart;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.formula.Verdict;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import inkel.core.wiring.PartsList;
import inkel.core.wiring.WireList;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Levels between two boards. */
class BoardLinkTest {
    private static Build joined(String from, String fromPin, String to, String toPin) {
        Node talks = Builds.on(from).build().nodes().get(0);
        Node hears = Builds.on(to).build().nodes().get(0);
        Node other = new Node(
                "far",
                "Far",
                hears.parts(),
                hears.wires(),
                hears.between(),
                hears.moments(),
                hears.plugged(),
                Extras.NONE);
        NodeWire link = new NodeWire(
                Place.of(Builds.NODE, new Endpoint("board", fromPin)),
                Place.of("far", new Endpoint("board", toPin)),
                true,
                Extras.NONE);
        return new Build("Two", List.of(talks, other), Logbook.EMPTY, Extras.NONE).withLinks(List.of(link));
    }

    // Classic board: 4.75 to 5.25 V, gives at least VCC − 0.3 V, reads high from 0.6 VCC, bears VCC + 0.5 V.
    // Dual-core board: 3.3 V, its pins bear no more than 0.3 V above that.
    @ParameterizedTest(name = "{0} to {2}: {4}")
    @CsvSource(
            textBlock =
                    """
            board-classic-5v,    D4,  board-classic-5v,    D5,  ''
            board-classic-5v,    D4,  board-dual-core-3v3, GP5, levels.harms
            board-dual-core-3v3, GP5, board-classic-5v,    D4,  levels.not_read
            board-dual-core-3v3, GP5, board-dual-core-3v3, GP6, ''
            """)
    void bothBoardsAreHeldAgainstEachOther(String from, String fromPin, String to, String toPin, String code) {
        Assessment assessment = Assessment.assess(joined(from, fromPin, to, toPin), Builds.CATALOG);
        List<String> codes = assessment.findings().stream()
                .map(Finding::code)
                .filter(found -> found.startsWith("levels.") && !found.equals("levels.back_power"))
                .toList();
        assertEquals(code.isEmpty() ? List.of() : List.of(code), codes);
    }

    // Each board is on a port of its own: either may be off while the other is on. Pins that bear 4 V then let 3.4 V
    // be.
    @ParameterizedTest(name = "{0} to {2}: {4}")
    @CsvSource(
            textBlock =
                    """
            board-dual-core-3v3, GP5, board-dual-core-3v3, GP6, 1
            board-classic-5v,    D4,  board-tolerant-3v3,  B12, 1
            board-dual-core-3v3, GP5, board-tolerant-3v3,  B12, 0
            board-dual-core-3v3, GP5, board-tolerant-3v3,  B5,  1
            """)
    void aBoardThatIsOffIsFedThroughItsPin(String from, String fromPin, String to, String toPin, int found)
            throws Exception {
        Build build = joined(from, fromPin, to, toPin);
        List<Finding> findings = Builds.of(Assessment.assess(build, Builds.CATALOG), "levels.back_power");
        assertEquals(found, findings.size());
        for (Finding finding : findings) {
            assertEquals("levels.back_power.boards", finding.sentence().key());
            RuleKit.everyWayOut(build, finding);
        }
    }

    @Test
    void theArithmeticIsThatOfTheWorstCase() {
        Assessment assessment =
                Assessment.assess(joined("board-classic-5v", "D4", "board-dual-core-3v3", "GP5"), Builds.CATALOG);
        BoardLink link = assessment.reports().levels().boards().get(0);
        assertEquals(Voltage.ofVolts(5.25), link.check().vohMax(), "a port gives up to 5.25 V");
        assertTrue(link.check().headroom().isBelow(Voltage.ofVolts(-1.5)));
    }

    @Test
    void eachWayOutEndsIt() throws Exception {
        Build build = joined("board-classic-5v", "D4", "board-dual-core-3v3", "GP5");
        Finding finding = Builds.of(Assessment.assess(build, Builds.CATALOG), "levels.harms")
                .get(0);
        for (Fix fix : finding.fixes()) {
            assertEquals(
                    List.of(),
                    Builds.of(Assessment.assess(fix.apply(build), Builds.CATALOG), "levels.harms"),
                    fix.id());
        }
        assertEquals(List.of("divide", "buffer-new", "link-off"), ids(finding));
    }

    private static List<String> ids(Finding finding) {
        return finding.fixes().stream().map(Fix::id).toList();
    }

    @Test
    void aBufferThatIsThereComesBeforeADividerAndNoNewOne() throws Exception {
        // At 3.3 V it reads 5 V and bears it.
        Build bare = joined("board-classic-5v", "D4", "board-dual-core-3v3", "GP5");
        Build build = new AddPart(
                        "far",
                        Part.of("gate", "buffer-8", "Gate", "").withFeeds(Map.of("VCC", Builds.end("board.3V3"))))
                .apply(bare);
        Finding finding = Builds.of(Assessment.assess(build, Builds.CATALOG), "levels.harms")
                .get(0);
        assertEquals(List.of("shift-gate-1", "divide", "link-off"), ids(finding));
        // One that has no supply passes nothing on.
        Build unfed = new AddPart("far", Part.of("gate", "buffer-8", "Gate", "")).apply(bare);
        assertEquals(
                List.of("divide", "buffer-new", "link-off"),
                ids(Builds.of(Assessment.assess(unfed, Builds.CATALOG), "levels.harms")
                        .get(0)));
    }

    @Test
    void aPinThatBearsMoreComesFirst() {
        // B5 of the tolerant board bears its own 3.3 V and 0.3 V, others 5.5 V.
        Build build = joined("board-classic-5v", "D4", "board-tolerant-3v3", "B5");
        Finding finding = Builds.of(Assessment.assess(build, Builds.CATALOG), "levels.harms")
                .get(0);
        Fix first = finding.fixes().get(0);
        assertTrue(first.id().startsWith("link-to-"), () -> "" + ids(finding));
        assertEquals("fix.move_link", first.title().key());
        assertEquals("Far", first.title().values().get("node"));
    }

    private static Build with(Build build, Between piece) throws Exception {
        NodeWire link = build.links().get(0);
        return new ChangeNodeWire(link, link.withBetween(Optional.of(piece))).apply(build);
    }

    private static List<String> levels(Build build) {
        return Assessment.assess(build, Builds.CATALOG).findings().stream()
                .map(Finding::code)
                .filter(code -> code.startsWith("levels."))
                .toList();
    }

    // 5.25 V · 5.6/(3.3 + 5.6) = 3.30 V at most, within the 3.6 V that the listener bears; 4.65 V · 0.629 = 2.93 V at
    // least,
    // where 2.0 V are read. Whoever is off gets next to nothing through 2.1 kΩ.
    @Test
    void twoResistorsBringFiveVoltsDown() throws Exception {
        Build build = joined("board-classic-5v", "D4", "board-dual-core-3v3", "GP5");
        Endpoint signal = Builds.end("board.D4");
        Build divided =
                with(build, new Between.Divider(signal, Resistance.ofOhms(3300), Resistance.ofOhms(5600), Extras.NONE));
        assertEquals(List.of(), levels(divided));
        BoardLink link = Assessment.assess(divided, Builds.CATALOG)
                .reports()
                .levels()
                .boards()
                .get(0);
        assertEquals(5.25 * 5600 / 8900, link.check().vohMax().volts(), 1e-9);
        assertEquals(5.25, link.said().highest().volts(), 1e-9, "what the driver itself puts out");
        Build reversed =
                with(build, new Between.Divider(signal, Resistance.ofOhms(560), Resistance.ofOhms(5600), Extras.NONE));
        Finding left = Builds.of(Assessment.assess(reversed, Builds.CATALOG), "levels.harms")
                .get(0);
        assertEquals(
                List.of("take-out", "link-off"),
                left.fixes().stream().map(Fix::id).toList(),
                "a divider that does too little is taken out before another is thought of");
    }

    // A buffer that is fed with 5 V reads 3.3 V as high and hands 5 V on. A lamp that is lit pulls to 0.4 V.
    @Test
    void aBufferOnTheTableThatListensLiftsThreeVolts() throws Exception {
        Build build = joined("board-dual-core-3v3", "GP5", "board-classic-5v", "D4");
        Finding finding = Builds.of(Assessment.assess(build, Builds.CATALOG), "levels.not_read")
                .get(0);
        Fix buffer = finding.fixes().stream()
                .filter(fix -> fix.id().equals("buffer-new"))
                .findFirst()
                .orElseThrow();
        Build through = buffer.apply(build);
        assertEquals(List.of(), levels(through));
        assertEquals(
                1,
                through.node("far").orElseThrow().parts().size()
                        - build.node("far").orElseThrow().parts().size());
        NodeWire link = through.links().get(0);
        assertEquals(Optional.of(Place.ofPart("far", "buffer")), link.converter());
        // Both its enables are let through to ground, and seven of its eight ways are left.
        assertEquals(
                List.of("buffer.OE1 board.GND", "buffer.OE2 board.GND"),
                through.node("far").orElseThrow().wires().stream()
                        .map(wire -> wire.from() + " " + wire.to())
                        .filter(wire -> wire.startsWith("buffer."))
                        .sorted()
                        .toList());
        assertEquals(7, buffer.cost().values().get("spare"));
        assertEquals("fix.link_off", RuleKit.way(finding, "link-off").title().key());
        List<BoardLink> hops =
                Assessment.assess(through, Builds.CATALOG).reports().levels().of(link);
        assertEquals(2, hops.size(), "into the buffer, and out of it");
        assertEquals(
                link,
                BuildReader.parse(Path.of("x"), BuildWriter.print(through), Builds.CATALOG)
                        .links()
                        .get(0));

        Circuit circuit = Circuit.of(through, Builds.CATALOG);
        List<WireList> lists = WireList.of(circuit);
        assertTrue(
                lists.get(0).steps().stream()
                        .anyMatch(step -> step.from().id().startsWith("board.GP5@")
                                && step.to().id().equals("away far/buffer.A1")),
                "the board that talks has the wire to the buffer");
        assertTrue(
                lists.get(1).steps().stream()
                        .anyMatch(step -> step.from().id().startsWith("buffer.Y1@")
                                && step.to().id().startsWith("board.D4@")),
                "the other one has that from it");
        NodeCircuit far = circuit.node("far").orElseThrow();
        assertEquals(Optional.of(2), circuit.spareWay(far, far.part("buffer").orElseThrow()));
        Build without = new RemovePart("far", "buffer").apply(through);
        assertEquals(Optional.empty(), without.links().get(0).between());
    }

    // The way that is there comes before another part.
    @Test
    void aWayToSpareIsTakenBeforeANewPart() throws Exception {
        Build build = joined("board-dual-core-3v3", "GP5", "board-classic-5v", "D4");
        Fix buffer = named(build, "buffer-new");
        Build one = buffer.apply(build);
        NodeWire second = new NodeWire(
                Place.of(Builds.NODE, Builds.end("board.GP6")),
                Place.of("far", Builds.end("board.D5")),
                true,
                Extras.NONE);
        Build two = new AddNodeWire(second).apply(one);
        Fix there = named(two, "shift-buffer-2");
        assertEquals(List.of(), levels(there.apply(two)));
    }

    private static Fix named(Build build, String id) {
        return Builds.of(Assessment.assess(build, Builds.CATALOG), "levels.not_read").stream()
                .flatMap(finding -> finding.fixes().stream())
                .filter(fix -> fix.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void anOptocouplerIsReadToo() throws Exception {
        Build build = joined("board-dual-core-3v3", "GP5", "board-classic-5v", "D4");
        Endpoint signal = Builds.end("board.GP5");
        Build byLight =
                with(build, new Between.Opto(signal, Resistance.ofOhms(390), Resistance.ofOhms(10_000), Extras.NONE));
        assertEquals(List.of(), levels(byLight));
    }

    // (2.62 − 1.4) V / 4.7 kΩ = 0.26 mA light half as much, and 5.25 V / 10 kΩ wants 0.53 mA of it.
    @Test
    void aLampThatIsTooDimIsTold() throws Exception {
        Build build = joined("board-dual-core-3v3", "GP5", "board-classic-5v", "D4");
        Build dim = with(
                build,
                new Between.Opto(
                        Builds.end("board.GP5"), Resistance.ofOhms(4700), Resistance.ofOhms(10_000), Extras.NONE));
        List<Finding> findings = Builds.of(Assessment.assess(dim, Builds.CATALOG), "levels.opto");
        assertEquals(1, findings.size());
        assertEquals(List.of(), levels(findings.get(0).fixes().get(0).apply(dim)));
    }

    @Test
    void lightNeedsNoCommonGround() throws Exception {
        Build build = joined("board-classic-5v", "D4", "board-classic-5v", "D5");
        NodeWire link = build.links().get(0);
        Build apart = build.withLinks(List.of(new NodeWire(link.from(), link.to(), false, Extras.NONE)));
        assertEquals(
                1,
                Builds.of(Assessment.assess(apart, Builds.CATALOG), "power.no_common_ground")
                        .size());
        Build byLight = with(
                apart,
                new Between.Opto(
                        Builds.end("board.D4"), Resistance.ofOhms(390), Resistance.ofOhms(10_000), Extras.NONE));
        assertEquals(List.of(), Builds.of(Assessment.assess(byLight, Builds.CATALOG), "power.no_common_ground"));
    }

    // Left by choice a thin wire is not told again; a reading says what is there. 3.3 V boards push to within 0.1 V.
    @Test
    void aThinWireIsLeftByChoiceAndMeasuredAtTheEndThatListens() throws Exception {
        Build build = joined("board-tolerant-3v3", "A8", "board-classic-5v", "D4");
        Assessment before = Assessment.assess(build, Builds.CATALOG);
        BoardLink link = before.reports().levels().boards().get(0);
        assertEquals(Verdict.NOT_READ, link.check().verdict(), "3.2 V at least against 0.6 · 5.25 V");
        Place heard = link.link().to();
        Build measured = new Measure(
                        heard.node(),
                        heard.endpoint(),
                        LogLine.What.HIGH,
                        Voltage.ofVolts(3.35),
                        "3.35",
                        LogLine.By.TYPED,
                        Instant.EPOCH)
                .apply(build);
        BoardLink read = Assessment.assess(measured, Builds.CATALOG)
                .reports()
                .levels()
                .boards()
                .get(0);
        assertEquals(3.35, read.check().vohMin().volts(), 1e-9);
        assertEquals(Source.MEASURED, read.saysHigh());
        assertEquals(Source.CLASS, read.saysLow());
        assertEquals(Source.CLASS, read.listens());
        Build low = new Measure(
                        heard.node(),
                        heard.endpoint(),
                        LogLine.What.LOW,
                        Voltage.ofVolts(1.2),
                        "1.2",
                        LogLine.By.TYPED,
                        Instant.EPOCH)
                .apply(measured);
        BoardLink lowRead = Assessment.assess(low, Builds.CATALOG)
                .reports()
                .levels()
                .boards()
                .get(0);
        assertEquals(1.2, lowRead.check().volMax().volts(), 1e-9);
        assertEquals(Source.MEASURED, lowRead.saysLow());
        Finding thin = Builds.of(Assessment.assess(measured, Builds.CATALOG), "levels.thin")
                .get(0);
        Fix leave = thin.fixes().stream()
                .filter(fix -> fix.id().equals("accept"))
                .findFirst()
                .orElseThrow();
        Build left = leave.apply(measured);
        assertEquals(
                List.of(),
                levels(left).stream().filter(code -> code.equals("levels.thin")).toList());
        assertTrue(left.log().lines().stream().anyMatch(LogLine.Left.class::isInstance));
        Build moved = new ChangeNodeWire(
                        left.links().get(0),
                        left.links().get(0).withEnds(Place.of(Builds.NODE, Builds.end("board.A9")), heard))
                .apply(left);
        BoardLink stale = Assessment.assess(moved, Builds.CATALOG)
                .reports()
                .levels()
                .boards()
                .get(0);
        assertEquals(Source.CLASS, stale.saysHigh(), "another wire is there now");
    }

    @Test
    void aPieceIsWrittenAndReadAgain() throws Exception {
        Build build = with(
                joined("board-classic-5v", "D4", "board-dual-core-3v3", "GP5"),
                new Between.Divider(
                        Builds.end("board.D4"), Resistance.ofOhms(3300), Resistance.ofOhms(5600), Extras.NONE));
        assertEquals(
                build.links(),
                BuildReader.parse(Path.of("x"), BuildWriter.print(build), Builds.CATALOG)
                        .links());
    }

    @Test
    void itsResistorsLieWithTheBoardThatTalks() throws Exception {
        Build build = with(
                joined("board-classic-5v", "D4", "board-dual-core-3v3", "GP5"),
                new Between.Divider(
                        Builds.end("board.D4"), Resistance.ofOhms(3300), Resistance.ofOhms(5600), Extras.NONE));
        Circuit circuit = Circuit.of(build, Builds.CATALOG);
        List<Integer> resistors = WireList.of(circuit).stream()
                .map(list -> (int) PartsList.of(list).lines().stream()
                        .filter(line -> line.kind() == PartsList.Kind.RESISTOR)
                        .count())
                .toList();
        assertEquals(List.of(2, 0), resistors);
    }

    // Through a way that the shifter has not, nothing arrives; two wires in one way would be one.
    @Test
    void aWayThatIsNotThereIsTold() throws Exception {
        Build build = named(joined("board-dual-core-3v3", "GP5", "board-classic-5v", "D4"), "buffer-new")
                .apply(joined("board-dual-core-3v3", "GP5", "board-classic-5v", "D4"));
        NodeWire link = build.links().get(0);
        Build lost = with(build, new Between.ShifterWay(Builds.end("board.GP5"), "far/buffer", 9, Extras.NONE));
        List<Finding> unknown = Builds.of(Assessment.assess(lost, Builds.CATALOG), "parts.figure_unknown");
        assertEquals(1, unknown.size());
        assertEquals(link.from(), unknown.get(0).place());
        Build twice = build.withLinks(List.of(
                link,
                new NodeWire(
                        Place.of(Builds.NODE, Builds.end("board.GP6")),
                        Place.of("far", Builds.end("board.D5")),
                        true,
                        link.between(),
                        Carries.UNSAID,
                        Extras.NONE)));
        UnreadableFile refused = assertThrows(
                UnreadableFile.class, () -> BuildReader.parse(Path.of("x"), BuildWriter.print(twice), Builds.CATALOG));
        assertEquals("/links/1", refused.problems().get(0).field());
    }
}
