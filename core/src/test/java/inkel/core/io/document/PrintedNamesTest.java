package inkel.core.io.document;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.Node;
import inkel.core.document.Wire;
import inkel.core.kit.Builds;
import inkel.core.quantity.Resistance;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is printed on a module is what its owner writes. */
class PrintedNamesTest {
    @TempDir
    private Path folder;

    private Build read(Build build) throws Exception {
        Path file = folder.resolve("x.inkel.json");
        // No editor sets spaces as the program does.
        Files.writeString(file, BuildWriter.print(build).replace("  ", " "));
        return BuildReader.read(file, CATALOG);
    }

    @Test
    void pinsByOtherPrintsNumbersAndSmallLetters() throws Exception {
        Node node = read(Builds.classic()
                        .part("turn", "encoder", "VCC=board.5v")
                        .part("lamp", "led")
                        .wire("turn.A", "board.2")
                        .wire("turn.dt", "board.d3")
                        .wire("lamp.+", "board.13")
                        .between(new Between.Series(end("lamp.+"), Resistance.ofOhms(820), Extras.NONE))
                        .build())
                .nodes()
                .get(0);
        assertEquals(
                List.of(
                        Wire.placed(end("turn.CLK"), end("board.D2")),
                        Wire.placed(end("turn.DT"), end("board.D3")),
                        Wire.placed(end("lamp.A"), end("board.D13"))),
                node.wires());
        assertEquals("{+=board.5V}", node.part("turn").orElseThrow().feeds().toString());
        assertEquals(end("lamp.A"), node.between().get(0).signal());
    }

    /** The board has its bus at two places of one net; one of them carries no signals of its own here. */
    @Test
    void theSecondPlaceOfABusIsThePinThatItIsJoinedTo() throws Exception {
        Node node = read(Builds.classic()
                        .part("air", "climate-i2c", "VIN=board.3V3")
                        .wire("air.SDA", "board.SDA")
                        .wire("air.SCL", "board.scl")
                        .build())
                .nodes()
                .get(0);
        assertEquals(
                List.of(Wire.placed(end("air.SDA"), end("board.A4")), Wire.placed(end("air.SCL"), end("board.A5"))),
                node.wires());
    }

    /** Two wires of one signal are not made out of two names. */
    @Test
    void whatHasItsLabelAlreadyKeepsItsPlace() throws Exception {
        Build build = read(Builds.classic()
                .part("turn", "encoder", "VCC=board.3V3", "+=board.5V")
                .wire("turn.CLK", "board.D2")
                .wire("turn.A", "board.D3")
                .build());
        Node node = build.nodes().get(0);
        assertEquals(
                List.of(Wire.placed(end("turn.CLK"), end("board.D2")), Wire.placed(end("turn.A"), end("board.D3"))),
                node.wires());
        assertEquals(
                "{VCC=board.3V3, +=board.5V}",
                node.part("turn").orElseThrow().feeds().toString());
        assertEquals(
                2,
                Builds.of(Assessment.assess(build, CATALOG), "parts.pin_gone").size());
    }

    @Test
    void whatNobodyCallsSoStaysAsItIs() throws Exception {
        Build build =
                Builds.classic().part("lamp", "led").wire("lamp.Z", "board.D99").build();
        assertEquals(build, read(build));
    }

    /** What the program itself writes is read as it stands, letter by letter. */
    @Test
    void aSavedTextIsReadExactly() throws Exception {
        Build build =
                Builds.classic().part("lamp", "led").wire("lamp.+", "board.13").build();
        assertEquals(build, BuildReader.parse(Path.of("x"), BuildWriter.print(build), CATALOG));
        assertTrue(!build.equals(read(build)));
        Build locks = Builds.locks();
        assertEquals(locks, read(locks));
    }
}
