package inkel.core.lines;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.Fitting;
import inkel.core.catalog.OwnClass;
import inkel.core.catalog.Settings;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Place;
import inkel.core.document.edit.MovePart;
import inkel.core.document.edit.RemovePart;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.kit.Builds;
import inkel.core.kit.LongLines;
import inkel.core.log.Merge;
import inkel.core.quantity.Resistance;
import inkel.core.wiring.Jumper;
import inkel.core.wiring.NetList;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireOhms;
import inkel.core.wiring.WireStep;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

/** The wires of long lines: in the file, in the lists of both tables, and when a part leaves. */
class LineWiresTest {
    private static final LongLines THREE = LongLines.at("gate", "house", "shed").chain("gate", "house", "shed");

    @Test
    void theyAreWrittenAndRead() throws Exception {
        Build read = BuildReader.parse(Path.of("x"), BuildWriter.print(THREE.build()), CATALOG);
        assertEquals(THREE.build(), read);
        assertEquals(4, Circuit.of(read, CATALOG).links().size());
    }

    /** Of three tables every A is one net and every B another, and nothing else crosses the garden but grounds. */
    @Test
    void theListsOfAllTablesMakeTwoNetsOfThem() {
        Circuit circuit = Circuit.of(THREE.build(), CATALOG);
        List<String> nets = NetList.of(circuit).nets().stream()
                .map(net -> new TreeSet<>(net.ends().stream()
                                .flatMap(end -> line(end).stream())
                                .toList())
                        .toString())
                .toList();
        assertTrue(nets.contains("[gate.A, house.A, shed.A]"), nets.toString());
        assertTrue(nets.contains("[gate.B, house.B, shed.B]"), nets.toString());
    }

    private static Optional<String> line(NetList.End end) {
        if (end.terminal() instanceof Terminal.OnOtherBoard other && other.isOfLongLine()) {
            return Optional.of(other.pin().node() + "." + other.pin().pin());
        }
        return end.terminal() instanceof Terminal.OnPin pin && pin.pin().part().equals("bus")
                ? Optional.of(end.table().node().node().id() + "." + pin.pin().pin())
                : Optional.empty();
    }

    @Test
    void aWireOfItIsOneOfATwistedPairAndMayHaveTensOfOhms() {
        Circuit circuit = Circuit.of(THREE.build(), CATALOG);
        WireList gate = WireList.of(circuit).get(0);
        List<WireStep> line = gate.steps().stream()
                .filter(step -> step.subject().pin().equals("A"))
                .toList();
        assertEquals(1, line.size());
        assertEquals(
                Jumper.Kind.TWISTED,
                line.get(0).jumper(gate.node()).orElseThrow().kind());
        WireOhms ohms = WireOhms.of(line.get(0)).orElseThrow();
        assertEquals(WireOhms.Verdict.JOINED, ohms.verdict(Resistance.ofOhms(25)), "three hundred metres of 0.2 mm²");
        assertEquals(WireOhms.Verdict.APART, ohms.verdict(Resistance.ofOhms(51)));
    }

    @Test
    void theyLeaveWithTheirPart() throws Exception {
        Build without = new RemovePart("house", "bus").apply(THREE.build());
        assertEquals(List.of(), without.links());
        Build moved = new MovePart("shed", "bus", "gate").apply(THREE.build());
        assertEquals(2, moved.links().size(), "those between the other two stay");
    }

    @Test
    void aLineOfAnotherClassIsToldAsGone() {
        Build other =
                THREE.build().withNode("shed", node -> node.withPart("bus", part -> part.withClass("bridge-wifi")));
        List<Finding> gone = Builds.of(Assessment.assess(other, CATALOG), "parts.pin_gone");
        assertEquals(2, gone.size(), gone.toString());
    }

    @Test
    void withoutAGroundBesideItIsOnlyToLookAt() {
        LongLines two = LongLines.at("gate", "house").wires("gate.A > house.A", "gate.B > house.B");
        List<Finding> apart = two.findings("power.no_common_ground");
        assertEquals(1, apart.size());
        assertEquals(Severity.LOOK, apart.get(0).severity());
        assertEquals(
                List.of(), LongLines.at("gate", "house").chain("gate", "house").findings("power.no_common_ground"));
    }

    /** Two people run two branches to one transceiver: both are there afterwards. */
    @Test
    void twoWiresThatArriveAtOnePinAreTwo() {
        Build base = LongLines.at("gate", "house", "shed").build();
        Build mine =
                LongLines.at("gate", "house", "shed").wires("house.A > gate.A").build();
        Build theirs =
                LongLines.at("gate", "house", "shed").wires("shed.A > gate.A").build();
        Merge merge = Merge.of(base, mine, theirs, true, Instant.parse("2026-05-01T18:30:00Z"), "joined", List.of());
        assertEquals(List.of(), merge.both());
        assertEquals(2, merge.build().links().size());
    }

    @Test
    void whatIsForLaterHangsOnNoLine() {
        LineReport report = LineReport.of(
                Circuit.of(THREE.set("house", Settings.LATER, "yes").build(), CATALOG));
        assertEquals(2, report.stations().size());
        assertFalse(report.station(Place.ofPart("house", "bus")).isPresent());
        assertEquals(List.of(), report.lines(), "its wires lead to nobody");
    }

    /** A transceiver that comes without one gets a resistor of its own, which is to be had and put across the two pins. */
    @Test
    void aTerminatorThatTheModuleDoesNotBringIsASmallPart() throws Exception {
        String text = Files.readString(Path.of("src/main/resources/inkel/core/catalog/bus-differential.json"))
                .replace("bus-differential", "bus-bare")
                .replace(", \"terminator\": \"120 Ω\"", "");
        Catalog catalog = CATALOG.with(List.of(new OwnClass(CatalogReader.read(Path.of("bus-bare.json"), text), "")));
        Build bare = LongLines.at("gate", "house").chain("gate", "house").build();
        for (String table : List.of("gate", "house")) {
            bare = bare.withNode(table, node -> node.withPart("bus", part -> part.withClass("bus-bare")));
        }
        assertEquals(List.of(), resistors(bare, catalog));
        Finding few = Builds.of(Assessment.assess(bare, catalog), "pair.ends").get(0);
        Build ended = few.fixes().get(0).apply(bare);
        assertEquals(List.of(), Builds.of(Assessment.assess(ended, catalog), "pair.ends"));
        assertEquals(List.of("bus.A bus.B 120.0", "bus.A bus.B 120.0"), resistors(ended, catalog));
        assertEquals(List.of(), resistors(THREE.build(), CATALOG), "brought by the module");
    }

    private static List<String> resistors(Build build, Catalog catalog) {
        return WireList.of(Circuit.of(build, catalog)).stream()
                .flatMap(list -> list.steps().stream())
                .filter(step -> step.fitting()
                        .filter(fitting -> fitting.sort() == Fitting.Sort.RESISTOR)
                        .isPresent())
                .map(step -> ((Terminal.OnPin) step.from()).pin() + " " + ((Terminal.OnPin) step.to()).pin() + " "
                        + step.fitting().orElseThrow().value().si())
                .toList();
    }
}
