package inkel.core.io.document;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Logbook;
import inkel.core.document.Place;
import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class LogSealsTest {
    private static final Path FILE = Path.of("record");

    private static LogLine line(int number) {
        return new LogLine.Noted(
                Instant.parse("2026-05-09T19:04:00Z").plusSeconds(number),
                Place.ofNode(Builds.NODE),
                "line " + number,
                Extras.NONE);
    }

    private static Build with(int count) {
        Logbook log = Logbook.EMPTY;
        for (int i = 0; i < count; i++) {
            log = log.with(line(i));
        }
        return Builds.classic().build().withLog(log);
    }

    private static Build read(String text) throws UnreadableFile {
        return BuildReader.parse(FILE, text, Builds.CATALOG);
    }

    @Test
    void aRecordThatNobodyTouchedIsWhole() throws Exception {
        String first = BuildWriter.print(with(5));
        Build again = read(first);
        assertEquals(List.of(), again.log().broken());
        assertEquals(first, BuildWriter.print(again), "the same seals");
        Build longer = again.withLog(again.log().with(line(5)));
        assertEquals(List.of(), read(BuildWriter.print(longer)).log().broken());
        assertEquals(with(6), longer, "seals are no part of what a record says");
    }

    @Test
    void aLineThatWasChangedIsNamedAndStaysSo() throws Exception {
        String changed = BuildWriter.print(with(5)).replace("line 2", "line two");
        Build build = read(changed);
        assertEquals(List.of(2), build.log().broken());
        Build saved = read(BuildWriter.print(build.withLog(build.log().with(line(5)))));
        assertEquals(List.of(2), saved.log().broken(), "saving does not hide it");
    }

    @Test
    void aLineThatWasTakenOutIsNamed() throws Exception {
        Logbook whole = read(BuildWriter.print(with(4))).log();
        Build build = with(4);
        String text = BuildWriter.print(build);
        int from =
                text.indexOf("{", text.indexOf("line 0") - 200 < 0 ? 0 : text.lastIndexOf("}", text.indexOf("line 1")));
        int to = text.indexOf("{", text.indexOf("line 1"));
        Build shorter = read(text.substring(0, from) + text.substring(to));
        assertEquals(whole.size() - 1, shorter.log().size());
        assertEquals(List.of(1), shorter.log().broken(), "the one behind the gap");
    }

    @Test
    void filesFromBeforeThereWereSealsHaveNoneAndTheChainBeginsBehindThem() throws Exception {
        String old = BuildWriter.print(with(3)).replaceAll(",\\s*\"seal\" : \"[0-9a-f]{16}\"", "");
        assertFalse(old.contains("seal"), old);
        Build build = read(old);
        assertEquals(List.of(), build.log().broken());
        Build longer = read(BuildWriter.print(build.withLog(build.log().with(line(3)))));
        assertEquals(List.of(), longer.log().broken());
        assertEquals(4, longer.log().size());
    }

    @Test
    void answersValuesAndPicturesAreKept() throws Exception {
        Build build = with(2);
        build = build.withLog(build.log()
                .with(new LogLine.Noted(
                        Instant.parse("2026-05-10T10:00:00Z"),
                        Place.NOWHERE,
                        "so it was",
                        Optional.of(1),
                        "3.31 V",
                        "photos/lock.jpg",
                        Extras.NONE)));
        assertEquals(build, read(BuildWriter.print(build)));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"../lock.jpg", "/etc/lock.jpg", "photos/../../lock.jpg", "C:\\\\lock.jpg", "lock.exe", "a//b.png"
            })
    void aPictureElsewhereIsNone(String path) {
        String text = BuildWriter.print(with(1)).replace("\"text\" :", "\"picture\" : \"" + path + "\", \"text\" :");
        Assertions.assertThrows(UnreadableFile.class, () -> read(text));
        assertTrue(Pictures.isOne("photos/2026/lock one.JPG"));
    }
}
