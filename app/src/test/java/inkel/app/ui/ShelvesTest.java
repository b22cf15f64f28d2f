package inkel.app.ui;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.core.catalog.PartClass;
import inkel.core.io.catalog.PartForm;
import inkel.core.io.catalog.Shelf;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Own definitions through the workbench: kept, brought in, given out, asked about, taken away. */
class ShelvesTest {
    @TempDir
    private Path folder;

    private Workbench bench;

    @BeforeEach
    void start() throws IOException {
        bench = fresh();
        bench.open(Given.copy(Given.LOCKS, folder));
    }

    private Workbench fresh() {
        return new Workbench(
                Given.CATALOG,
                Shelf.read(folder.resolve("shelf")),
                Runnable::run,
                Runnable::run,
                Clock.systemUTC(),
                new Recovery(folder.resolve("recovery")));
    }

    private static Shelf.Entry gauge(String peak) {
        PartForm.Outcome outcome = new PartForm(
                        "",
                        "Rain gauge",
                        "",
                        "",
                        "GND VCC SIG",
                        "3 V",
                        "5.5 V",
                        "",
                        "1 mA",
                        peak,
                        PartForm.Levels.FOLLOW_SUPPLY,
                        "",
                        "",
                        "")
                .outcome();
        return new Shelf.Entry(outcome.cls().orElseThrow(), outcome.json());
    }

    private double peak() {
        return bench.catalog().get("own-rain-gauge").peak("VCC").amperes();
    }

    @Test
    void aFileWithTheSameIdAsksWhichToKeep() throws IOException {
        bench.keep(gauge("10 mA"));
        Path other =
                Files.writeString(folder.resolve("other.json"), gauge("20 mA").json());
        bench.bringIn(other);
        Notice question = bench.noticeProperty().get();
        assertEquals(2, question.actions().size());
        assertEquals(0.010, peak(), 1e-12, "nothing changes before the answer");
        question.actions().get(0).run().run();
        assertEquals(0.010, peak(), 1e-12);
        bench.bringIn(other);
        bench.noticeProperty().get().actions().get(1).run().run();
        assertEquals(0.020, peak(), 1e-12);
        assertNull(bench.noticeProperty().get());
        bench.bringIn(other);
        assertEquals(Notice.Tone.DONE, bench.noticeProperty().get().tone(), "the very same is no question");
    }

    @Test
    void aShippedClassIsNotReplacedUnasked() throws IOException {
        PartClass radio = Given.CATALOG.get("packet-radio");
        String changed = bench.shelves().textOf(radio).replace("\"max\": \"14 mA\"", "\"max\": \"15 mA\"");
        bench.bringIn(Files.writeString(folder.resolve("radio.json"), changed));
        assertEquals(2, bench.noticeProperty().get().actions().size());
        assertFalse(bench.shelves().isOwn("packet-radio"));
    }

    @Test
    void whatIsGivenOutCanBeBroughtInElsewhere() {
        bench.keep(gauge("10 mA"));
        Path out = folder.resolve("out.json");
        bench.shelves().giveOut(out, Optional.of("own-rain-gauge"));
        Shelf.Entry kept = gauge("10 mA");
        bench.forget(kept.cls());
        assertTrue(bench.catalog().find("own-rain-gauge").isEmpty());
        bench.bringIn(out);
        assertEquals(0.010, peak(), 1e-12);
        assertEquals("own-rain-gauge", bench.inspectedProperty().get().id());
    }

    @Test
    void aClassInUseStays() {
        bench.keep(gauge("10 mA"));
        bench.add(bench.catalog().get("own-rain-gauge"), 1);
        bench.forget(bench.catalog().get("own-rain-gauge"));
        assertTrue(bench.catalog().find("own-rain-gauge").isPresent());
        assertTrue(bench.noticeProperty().get().text().contains("Rain gauge"));
    }

    @Test
    void aBrokenDefinitionIsToldWithFieldAndReasonAndTakesNothingDown() throws IOException {
        bench.keep(gauge("10 mA"));
        Path broken = Files.writeString(folder.resolve("shelf").resolve("broken.json"), "{\"id\": \"b\", \"name\": 4}");
        Workbench second = fresh();
        second.shelves().tellBroken();
        assertTrue(second.noticeProperty().get().text().contains("broken.json"));
        assertTrue(second.noticeProperty().get().text().contains("/name"));
        assertTrue(second.catalog().find("own-rain-gauge").isPresent());
        int before = bench.catalog().all().size();
        bench.bringIn(broken);
        assertEquals(before, bench.catalog().all().size());
        assertEquals(Notice.Tone.TROUBLE, bench.noticeProperty().get().tone());
    }

    @Test
    void aChangedClassIsJudgedAnewAtOnce() {
        bench.keep(gauge("10 mA"));
        bench.add(bench.catalog().get("own-rain-gauge"), 1);
        assertFalse(hasPeakFault());
        bench.keep(gauge("3 A"));
        assertTrue(hasPeakFault());
    }

    private boolean hasPeakFault() {
        return bench.assessmentProperty().get().findings().stream()
                .anyMatch(finding ->
                        List.of("power.rail_peak", "power.source_over").contains(finding.code()));
    }
}
