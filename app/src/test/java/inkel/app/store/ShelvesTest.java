package inkel.app.store;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.lane.Lanes;
import inkel.app.lane.Notice;
import inkel.app.state.Session;
import inkel.core.catalog.OwnClass;
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

    private Session session;

    @BeforeEach
    void start() throws IOException {
        session = fresh();
        session.files().open(Given.copy(Given.LOCKS, folder));
    }

    private Session fresh() {
        return Given.session(folder);
    }

    private static OwnClass gauge(String peak) {
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
        return new OwnClass(outcome.cls().orElseThrow(), outcome.json());
    }

    private double peak() {
        return session.catalog().get("own-rain-gauge").peak("VCC").amperes();
    }

    @Test
    void aFileWithTheSameIdAsksWhichToKeep() throws IOException {
        session.parts().keep(gauge("10 mA"));
        Path other =
                Files.writeString(folder.resolve("other.json"), gauge("20 mA").json());
        session.parts().bringIn(other);
        Notice question = session.notices().property().get();
        assertEquals(2, question.actions().size());
        assertEquals(0.010, peak(), 1e-12, "nothing changes before the answer");
        question.actions().get(0).run().run();
        assertEquals(0.010, peak(), 1e-12);
        session.parts().bringIn(other);
        session.notices().property().get().actions().get(1).run().run();
        assertEquals(0.020, peak(), 1e-12);
        assertNull(session.notices().property().get());
        session.parts().bringIn(other);
        assertEquals(Notice.Tone.DONE, session.notices().property().get().tone(), "the very same is no question");
    }

    @Test
    void aShippedClassIsNotReplacedUnasked() throws IOException {
        PartClass radio = Given.CATALOG.get("packet-radio");
        String changed = session.textOf(radio).replace("\"max\": \"14 mA\"", "\"max\": \"15 mA\"");
        session.parts().bringIn(Files.writeString(folder.resolve("radio.json"), changed));
        assertEquals(2, session.notices().property().get().actions().size());
        assertFalse(session.shelves().isOwn("packet-radio"));
    }

    @Test
    void whatIsGivenOutCanBeBroughtInElsewhere() {
        session.parts().keep(gauge("10 mA"));
        Path out = folder.resolve("out.json");
        session.shelves().giveOut(out, Optional.of("own-rain-gauge"));
        OwnClass kept = gauge("10 mA");
        session.parts().forget(kept.cls());
        assertTrue(session.catalog().find("own-rain-gauge").isEmpty());
        session.parts().bringIn(out);
        assertEquals(0.010, peak(), 1e-12);
        assertEquals(
                "own-rain-gauge", session.selection().inspectedProperty().get().id());
    }

    @Test
    void aClassInUseStays() {
        session.parts().keep(gauge("10 mA"));
        session.parts().add(session.catalog().get("own-rain-gauge"), 1);
        session.parts().forget(session.catalog().get("own-rain-gauge"));
        assertTrue(session.catalog().find("own-rain-gauge").isPresent());
        assertTrue(session.notices().property().get().text().contains("Rain gauge"));
    }

    @Test
    void aBuildTakesItsOwnPartsAlongAndFollowsTheShelfThatTheyCameFrom() {
        session.parts().keep(gauge("10 mA"));
        session.parts().add(session.catalog().get("own-rain-gauge"), 1);
        assertEquals(List.of(gauge("10 mA")), session.build().orElseThrow().classes());
        session.parts().keep(gauge("20 mA"));
        assertEquals(0.020, peak(), 1e-12);
        assertEquals(List.of(gauge("20 mA")), session.build().orElseThrow().classes());
        session.undo();
        assertEquals(0.010, peak(), 1e-12, "the build goes back to the version it had");
        assertTrue(
                session.assessmentProperty().get().findings().stream()
                        .anyMatch(finding -> finding.code().equals("parts.class_differs")),
                "and the shelf has the later one");
    }

    @Test
    void whereNoShelfHasThePartTheBuildBringsItAndNoOtherBuildDoes() throws IOException {
        session.parts().keep(gauge("10 mA"));
        session.parts().add(session.catalog().get("own-rain-gauge"), 1);
        Path saved = folder.resolve("gauge.inkel.json");
        session.files().saveAs(saved);
        Session elsewhere = new Session(
                Given.CATALOG,
                Shelf.read(folder.resolve("no-shelf")),
                Lanes.of(Runnable::run, Runnable::run),
                Clock.systemUTC(),
                new Recovery(folder.resolve("elsewhere")));
        elsewhere.files().open(saved);
        assertTrue(elsewhere.catalog().find("own-rain-gauge").isPresent());
        assertFalse(elsewhere.shelves().isOwn("own-rain-gauge"));
        elsewhere.files().open(Given.copy("text-box.inkel.json", folder));
        assertTrue(elsewhere.catalog().find("own-rain-gauge").isEmpty());
    }

    @Test
    void aBrokenDefinitionIsToldWithFieldAndReasonAndTakesNothingDown() throws IOException {
        session.parts().keep(gauge("10 mA"));
        Path broken = Files.writeString(folder.resolve("shelf").resolve("broken.json"), "{\"id\": \"b\", \"name\": 4}");
        Session second = fresh();
        second.shelves().tellBroken();
        assertTrue(second.notices().property().get().text().contains("broken.json"));
        assertTrue(second.notices().property().get().text().contains("/name"));
        assertTrue(second.catalog().find("own-rain-gauge").isPresent());
        int before = session.catalog().all().size();
        session.parts().bringIn(broken);
        assertEquals(before, session.catalog().all().size());
        assertEquals(Notice.Tone.TROUBLE, session.notices().property().get().tone());
    }

    @Test
    void aChangedClassIsJudgedAnewAtOnce() {
        session.parts().keep(gauge("10 mA"));
        session.parts().add(session.catalog().get("own-rain-gauge"), 1);
        assertFalse(hasPeakFault());
        session.parts().keep(gauge("3 A"));
        assertTrue(hasPeakFault());
    }

    private boolean hasPeakFault() {
        return session.assessmentProperty().get().findings().stream()
                .anyMatch(finding ->
                        List.of("power.rail_peak", "power.source_over").contains(finding.code()));
    }
}
