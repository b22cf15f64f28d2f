package inkel.core.io.document;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Settings;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Laid;
import inkel.core.document.LogLine;
import inkel.core.document.Logbook;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.RenamePart;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.SetWire;
import inkel.core.kit.Builds;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Every state of a plan comes back, from memory and from the file. */
class PlanPatchTest {
    private static final String NODE = Builds.NODE;
    private static final Instant AT = Instant.parse("2026-05-09T19:04:00Z");

    @TempDir
    private Path folder;

    private static Build start() {
        return Builds.classic().part("bench", "bench-supply").build();
    }

    private static Edit edit(Build build, Random random, int step) {
        List<Part> parts = build.nodes().get(0).parts().stream()
                .filter(part -> part.id().startsWith("led"))
                .toList();
        if (parts.size() < 2 || random.nextInt(4) == 0) {
            return new AddPart(NODE, Part.of("led" + step, "led", "Lamp " + step, "shines"));
        }
        String id = parts.get(random.nextInt(parts.size())).id();
        return switch (random.nextInt(5)) {
            case 0 -> new RemovePart(NODE, id);
            case 1 -> new RenamePart(NODE, id, "Lamp ~/" + step);
            case 2 ->
                new SetWire(
                        NODE, Wire.placed(new Endpoint(id, "A"), new Endpoint("board", "D" + (2 + random.nextInt(8)))));
            case 3 -> new SetSetting(NODE, "bench", Settings.VOLTS, (3 + random.nextInt(9)) + " V");
            default -> new Feed(NODE, "board", "VIN", new Endpoint("bench", "+"));
        };
    }

    private static Build plan(Build build) {
        return build.withLog(Logbook.EMPTY)
                .withNodes(build.nodes().stream()
                        .map(node ->
                                node.withPlugged(Set.of()).withSeats(Map.of()).withLaid(Laid.NONE))
                        .toList());
    }

    @Test
    void everyStateOfManyWalksComesBack() throws Exception {
        for (long seed = 0; seed < 25; seed++) {
            Random random = new Random(seed);
            Build build = start();
            List<Build> states = new ArrayList<>();
            for (int step = 0; step < 20; step++) {
                Build next = edit(build, random, step).apply(build);
                String back = PlanPatch.back(build, next);
                Logbook log = next.log().with(new LogLine.Changed(AT, Place.ofNode(NODE), "step " + step, Extras.NONE));
                build = next.withLog(back.isEmpty() ? log : log.withBack(back));
                states.add(build);
            }
            Path file = folder.resolve("walk.inkel.json");
            Files.writeString(file, BuildWriter.print(build));
            Build read = BuildReader.read(file, Builds.CATALOG);
            assertEquals(build, read);
            for (int line = 0; line < states.size(); line++) {
                Build wanted = plan(states.get(line));
                assertEquals(wanted, PlanPatch.at(build, line, Builds.CATALOG).orElseThrow(), "seed " + seed);
                assertEquals(wanted, PlanPatch.at(read, line, Builds.CATALOG).orElseThrow(), "from the file");
            }
        }
    }

    @Test
    void whatIsTheSamePlanNeedsNoWayBack() {
        Build build = start();
        assertEquals("", PlanPatch.back(build, build));
        Build plugged = build.withNodes(build.nodes().stream()
                .map(node -> node.withPlugged(Set.of("board.GND@1 > bench.GND@1")))
                .toList());
        assertEquals("", PlanPatch.back(build, plugged));
    }

    @Test
    void aWayBackThatDoesNotFitGivesNothing() throws Exception {
        Build build = start();
        Logbook log = build.log()
                .with(new LogLine.Changed(AT, Place.NOWHERE, "first", Extras.NONE))
                .with(new LogLine.Changed(AT, Place.NOWHERE, "then", Extras.NONE))
                .withBack("[{\"op\":\"remove\",\"path\":\"/nodes/7/parts/3\"}]");
        assertEquals(Optional.empty(), PlanPatch.at(build.withLog(log), 0, Builds.CATALOG));
        assertTrue(PlanPatch.at(build.withLog(log), 1, Builds.CATALOG).isPresent(), "nothing has to be taken back");
    }
}
