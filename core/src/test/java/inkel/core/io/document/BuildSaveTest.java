package inkel.core.io.document;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import inkel.core.catalog.Settings;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.RenameNode;
import inkel.core.document.edit.SetFigure;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.SetWire;
import inkel.core.document.edit.WriteLine;
import inkel.core.kit.Builds;
import inkel.core.quantity.Resistance;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A save is done when what is on the disk was read back and is the same build; otherwise the old file stays. */
class BuildSaveTest {
    @TempDir
    private Path folder;

    private static Build good() {
        return Builds.classic()
                .part("servo", "servo-standard", "V+=board.5V")
                .wire("servo.SIG", "board.D9")
                .build();
    }

    @Test
    void whatWouldNotReadBackIsNotSavedAndTheOldFileStays() throws Exception {
        Path file = folder.resolve("x.inkel.json");
        BuildFile.save(file, good(), CATALOG);
        String before = Files.readString(file);
        Build bad = new SetSetting(Builds.NODE, "servo", Settings.ADDRESS, "0x999").apply(good());
        assertThrows(BuildFile.NotTheSame.class, () -> BuildFile.save(file, bad, CATALOG));
        assertEquals(before, Files.readString(file));
        try (var files = Files.list(folder)) {
            assertEquals(List.of(file), files.toList(), "nothing is left lying about");
        }
    }

    @Test
    void halfOfALetterIsSavedAndRead() throws Exception {
        // It has no bytes of its own in UTF-8.
        Build half = new RenameNode(Builds.NODE, "\ud83d").apply(good());
        Path file = folder.resolve("x.inkel.json");
        BuildFile.save(file, half, CATALOG);
        assertEquals(half, BuildReader.read(file, CATALOG));
    }

    @Test
    void aTieToTheRailOfAPortIsSavedAndRead() throws Exception {
        Build tied = new SetWire(Builds.NODE, Wire.placed(end("servo.SIG"), end("usb.5V"))).apply(good());
        Path file = folder.resolve("x.inkel.json");
        BuildFile.save(file, tied, CATALOG);
        assertEquals(tied, BuildReader.read(file, CATALOG));
    }

    @Test
    void ownFiguresThatFitOnlyTogetherAreSavedAndRead() throws Exception {
        // A servo of 4.8 to 6 V run from a cell: the new most is below the class's least.
        Build own = new SetFigure(Builds.NODE, "servo", "supply/V+/min", "3 V").apply(good());
        Build both = new SetFigure(Builds.NODE, "servo", "supply/V+/max", "3.6 V").apply(own);
        Path file = folder.resolve("x.inkel.json");
        BuildFile.save(file, both, CATALOG);
        assertEquals(both, BuildReader.read(file, CATALOG));
    }

    @Test
    void everyFigureComesBackToTheLastDigit() throws Exception {
        Random random = new Random(11);
        for (int i = 0; i < 300; i++) {
            Resistance series = Resistance.ofOhms(Math.pow(10, random.nextDouble() * 18 - 6));
            Resistance toGround = Resistance.ofOhms(1234.56 + random.nextDouble());
            Build build = new Insert(Builds.NODE, new Between.Divider(end("servo.SIG"), series, toGround, Extras.NONE))
                    .apply(good());
            assertEquals(build, BuildReader.parse(Path.of("x"), BuildWriter.print(build), CATALOG));
        }
    }

    @Test
    void everyKindOfLineComesBack() throws Exception {
        Instant at = Instant.parse("2026-05-01T18:30:00.123456789Z");
        Place place = Place.ofPart(Builds.NODE, "servo");
        Build build = good();
        for (LogLine line : List.of(
                new LogLine.Left(at, place, "a", Extras.NONE),
                new LogLine.Decided(at, Place.NOWHERE, "b", Extras.NONE),
                new LogLine.Changed(at, Place.ofNode(Builds.NODE), "c", Extras.NONE),
                new LogLine.Swapped(at, place, "", Extras.NONE),
                new LogLine.WentWrong(at, place, "e", Extras.NONE),
                new LogLine.Noted(at, place, "f", Extras.NONE),
                new LogLine.TakenBack(at, place, 3, Extras.NONE))) {
            build = new WriteLine(line).apply(build);
        }
        assertEquals(build, BuildReader.parse(Path.of("x"), BuildWriter.print(build), CATALOG));
    }
}
