package inkel.core.io.document;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Logbook;
import inkel.core.document.Place;
import inkel.core.document.edit.BlankLine;
import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import inkel.core.log.Merge;
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

    private static Build blanked(Build build, int line) throws Exception {
        return new BlankLine(Builds.NODE, line).apply(build);
    }

    @Test
    void aTextThatWasTakenOutIsGoneAndTheRecordIsStillWhole() throws Exception {
        Build sealed = read(BuildWriter.print(with(5)));
        for (Build build : List.of(sealed, with(5))) {
            String text = BuildWriter.print(blanked(build, 2));
            assertFalse(text.contains("line 2"), text);
            Build again = read(text);
            assertEquals(List.of(), again.log().broken());
            assertTrue(again.log().mark(2).isBlanked());
            assertEquals(5, again.log().size());
            assertEquals(line(2).at(), again.log().lines().get(2).at());
            assertEquals(text, BuildWriter.print(again), "and stays so");
            Build longer = again.withLog(again.log().with(line(5)));
            assertEquals(List.of(), read(BuildWriter.print(longer)).log().broken());
        }
        // The seal is that of the line with its text.
        assertEquals(
                sealed.log().mark(2).seal(),
                read(BuildWriter.print(blanked(sealed, 2))).log().mark(2).seal());
    }

    @Test
    void aTextThatWasTakenOutByHandOrChangedBesideItIsNamed() throws Exception {
        String text = BuildWriter.print(blanked(read(BuildWriter.print(with(5))), 2));
        String byHand = BuildWriter.print(with(5)).replaceAll("\"text\" : \"line 2\",\\s*", "");
        assertEquals(List.of(2), read(byHand).log().broken());
        String moved = text.replace("19:04:02", "19:04:03");
        assertEquals(List.of(2), read(moved).log().broken(), "what is left has a seal too");
        String filled = text.replaceFirst("(\"blanked\" :)", "\"text\" : \"something else\", $1");
        assertEquals(List.of(2), read(filled).log().broken());
    }

    @Test
    void aLineThatJoinsTwoRecordsHasBothAsParents() throws Exception {
        Build base = read(BuildWriter.print(with(3)));
        Build mine = base.withLog(base.log().with(line(10)));
        Build theirs =
                read(BuildWriter.print(base.withLog(base.log().with(line(20)).with(line(21)))));
        String own = RecordSeal.of(mine);
        String other = RecordSeal.of(theirs);
        assertEquals(theirs.log().mark(4).seal(), other);
        assertEquals(read(BuildWriter.print(mine)).log().mark(3).seal(), own, "as its file would have it");
        Build joined = Merge.of(base, mine, theirs, true, line(30).at(), "joined", List.of(other, own))
                .build();
        String text = BuildWriter.print(joined);
        Build back = read(text);
        assertEquals(List.of(), back.log().broken());
        assertEquals(List.of(other, own), back.log().mark(6).parents());
        assertEquals(text, BuildWriter.print(back));
        // The seal covers them, and the record that goes on must be there.
        assertEquals(
                List.of(6),
                read(text.replace("\"" + own + "\"", "\"0123456789abcdef\""))
                        .log()
                        .broken());
        Build other3 = base.withLog(base.log().with(line(3)).withParents(List.of(own, other)));
        assertEquals(List.of(3), read(BuildWriter.print(other3)).log().broken(), "no such line is above it");
        assertEquals("", RecordSeal.of(with(0)));
    }

    @Test
    void whatNobodyWroteIsNotTakenOut() throws Exception {
        Build build = blanked(with(2), 1);
        assertThrows(EditRefused.class, () -> blanked(build, 1), "it has none any more");
        assertThrows(EditRefused.class, () -> blanked(build, 7));
        LogLine pulled = new LogLine.Pulled(line(0).at(), Place.ofNode(Builds.NODE), "a > b", Extras.NONE);
        Build with = build.withLog(build.log().with(pulled));
        assertThrows(EditRefused.class, () -> blanked(with, 2));
    }

    @Test
    void undoingItBringsTheTextBack() throws Exception {
        Build before = read(BuildWriter.print(with(3)));
        Build after = blanked(before, 1);
        Build undone = after.backTo(before, line(9).at());
        assertEquals(before.log(), undone.log());
        assertEquals(List.of(), read(BuildWriter.print(undone)).log().broken());
        assertEquals(after.log(), undone.backTo(after, line(9).at()).log());
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
