package inkel.core.document;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.LogLine.Noted;
import inkel.core.document.LogLine.TakenBack;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

class LogbookTest {
    private static final Instant AT = Instant.parse("2026-05-01T18:30:00Z");
    private static final Instant LATER = Instant.parse("2026-05-02T18:30:00Z");

    private static Noted note(String text) {
        return new Noted(AT, Place.NOWHERE, text, Extras.NONE);
    }

    private static TakenBack back(int line) {
        return new TakenBack(LATER, Place.NOWHERE, line, Extras.NONE);
    }

    private static Logbook of(LogLine... lines) {
        return new Logbook(List.of(lines));
    }

    private static List<String> counting(Logbook book) {
        return book.counting().map(LogLine::text).toList();
    }

    @Test
    void aLineCountsUntilItIsTakenBackAndAgainWhenThatIsTakenBack() {
        assertEquals(List.of("a", "b"), counting(of(note("a"), note("b"))));
        assertEquals(List.of("b"), counting(of(note("a"), note("b"), back(0))));
        Logbook again = of(note("a"), note("b"), back(0), back(2));
        assertEquals(List.of("a", "b"), counting(again));
        assertTrue(again.counts(0));
        assertFalse(again.counts(2));
        assertEquals(List.of("b"), counting(of(note("a"), note("b"), back(0), back(2), back(0))));
    }

    @Test
    void undoAddsALineAndRedoAnotherAndNothingIsEverTakenOut() {
        Logbook before = of(note("a"));
        Logbook after = before.with(note("b"));
        Logbook undone = after.countingAs(before, LATER);
        assertEquals(of(note("a"), note("b"), back(1)), undone);
        assertEquals(List.of("a"), counting(undone));
        Logbook redone = undone.countingAs(after, LATER);
        assertEquals(of(note("a"), note("b"), back(1), back(2)), redone);
        assertEquals(List.of("a", "b"), counting(redone));
        Logbook undoneAgain = redone.countingAs(undone, LATER);
        assertEquals(List.of("a"), counting(undoneAgain));
        assertEquals(5, undoneAgain.size());
    }

    @Test
    void undoOverALineThatWasTakenBackMakesItCountAgain() {
        Logbook read = of(note("a"));
        Logbook taken = read.withTakenBack(line -> line.text().equals("a"), LATER);
        assertEquals(List.of(), counting(taken));
        assertEquals(List.of("a"), counting(taken.countingAs(read, LATER)));
    }

    @Test
    void onlyWhatIsMeantAndStillCountsIsTakenBack() {
        Logbook book = of(note("a"), note("b"), note("a"), back(0));
        Logbook taken = book.withTakenBack(line -> line.text().equals("a"), LATER);
        assertEquals(book.with(back(2)), taken);
        assertEquals(taken, taken.withTakenBack(line -> line.text().equals("a"), LATER));
    }

    @Test
    void anUndoWithoutLinesLeavesTheRecordAsItIs() {
        Logbook book = of(note("a"), back(0));
        assertSame(book, book.countingAs(of(note("a"), back(0)), LATER));
    }
}
