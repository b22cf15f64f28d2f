package inkel.core.tune.tags;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.document.edit.Tune;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.kit.Builds;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class TagDraftTest {
    private static final List<Integer> BEEF = List.of(0xDE, 0xAD, 0xBE, 0xEF);

    private static List<List<Integer>> of(String text) {
        return TagText.candidates(text);
    }

    @Test
    void everyNotationIsRead() {
        assertEquals(List.of(BEEF), of("DE:AD:BE:EF"));
        assertEquals(List.of(BEEF), of("0xDEADBEEF"));
        // As a program prints it byte by byte, zeros cut off.
        assertEquals(List.of(List.of(0x04, 0xA3, 0x0F, 0x12)), of("4 A3 F 12"));
        assertEquals(List.of(List.of(4, 0x11, 0x22, 0x33, 0x44, 0x55, 0x66)), of("04112233445566"));
        // 3735928559 is DEADBEEF; which byte was the first nobody knows.
        assertEquals(List.of(BEEF, List.of(0xEF, 0xBE, 0xAD, 0xDE)), of("3735928559"));
        // The serial kind: 2C ⊕ 00 ⊕ 4B ⊕ 16 ⊕ 8E = FF.
        assertEquals(List.of(List.of(0x2C, 0x00, 0x4B, 0x16, 0x8E)), of("2C004B168EFF"));
        assertEquals(List.of(List.of(0x2C, 0x00, 0x4B, 0x16, 0x8E)), of("\u00022C004B168EFF\u0003"));
        assertEquals(List.of(), of("2C004B168EFE"));
        // 75 and 5774: 4B and 168E.
        assertEquals(List.of(List.of(0x00, 0x4B, 0x16, 0x8E)), of("075,05774"));
        for (String wrong : List.of("", "key", "DE AD BE", "99999999999", "300,00001", "DE AD BE EG")) {
            assertEquals(List.of(), of(wrong), wrong);
        }
    }

    private static TagDraft draft(Tag... tags) {
        return new TagDraft("Reader", List.of(tags));
    }

    @Test
    void aTapIsLetInRefusedStrangeRandomOrBad() {
        TagDraft draft = draft(
                new Tag(BEEF, "Blue fob", true, "gate opens"), new Tag(List.of(0x11, 2, 3, 4), "Old card", false, ""));
        assertEquals(Tap.Sort.ALLOWED, draft.tap(new TagDevice.Read(BEEF, true)).sort());
        assertEquals(Tap.Sort.BAD, draft.tap(new TagDevice.Read(BEEF, false)).sort());
        assertEquals(
                Tap.Sort.REFUSED,
                draft.tap(new TagDevice.Read(List.of(0x11, 2, 3, 4), true)).sort());
        assertEquals(
                Tap.Sort.STRANGE,
                draft.tap(new TagDevice.Read(List.of(0x11, 2, 3, 5), true)).sort());
        assertEquals(
                Tap.Sort.RANDOM,
                draft.tap(new TagDevice.Read(List.of(8, 2, 3, 5), true)).sort());
    }

    @Test
    void aDecimalNumberMeansTheTagThatIsKnown() {
        List<Integer> turned = List.of(0xEF, 0xBE, 0xAD, 0xDE);
        assertEquals(Optional.of(BEEF), draft().meant("3735928559"));
        assertEquals(
                Optional.of(turned), draft(new Tag(turned, "Fob", true, "")).meant("3735928559"));
    }

    @Test
    void tagsAreKeptReadToldAnewAndForgotten() throws Exception {
        Tag fob = new Tag(BEEF, "Blue fob", true, "gate opens");
        Tag card = new Tag(List.of(0x2C, 0x00, 0x4B, 0x16, 0x8E), "Card", false, "");
        TagDraft draft = draft(fob, card);
        assertEquals(List.of(fob, card), TagDraft.tags(draft.tuning()));
        Tag again = new Tag(BEEF, "Blue fob", false, "");
        assertEquals(List.of(card, again), draft.with(again).tags());
        assertEquals(List.of(card), draft.without(fob).tags());
        assertEquals(Optional.of(fob), draft.alike(new Tag(List.of(1, 2, 3, 4), "blue FOB", true, "")));
        assertTrue(draft.constants().stream()
                .anyMatch(one -> one.name().equals("READER_ALLOW_BLUE_FOB")
                        && one.value().equals("{0xDE, 0xAD, 0xBE, 0xEF}")));
        Build build = Builds.classic()
                .part("reader", "tag-reader-spi", "VCC=board.3V3")
                .wire("reader.SCK", "board.D13")
                .wire("reader.MOSI", "board.D11")
                .wire("reader.MISO", "board.D12")
                .wire("reader.SDA", "board.D10")
                .build();
        assertFalse(Builds.of(Assessment.assess(build, CATALOG), "tag.copyable").size() > 0);
        Build kept = new Tune(
                        Place.ofPart(NODE, "reader"),
                        draft.tuning(),
                        LogLine.By.TYPED,
                        Instant.parse("2026-05-01T18:30:00Z"))
                .apply(build);
        assertEquals(kept, BuildReader.parse(Path.of("x"), BuildWriter.print(kept), CATALOG));
        assertEquals(
                1, Builds.of(Assessment.assess(kept, CATALOG), "tag.copyable").size());
        Build none = new Tune(
                        Place.ofPart(NODE, "reader"),
                        draft(card).tuning(),
                        LogLine.By.TYPED,
                        Instant.parse("2026-05-01T18:40:00Z"))
                .apply(kept);
        assertEquals(List.of(), Builds.of(Assessment.assess(none, CATALOG), "tag.copyable"));
    }

    @Test
    void aReaderThatIsNotThereHasTagsOfEverySort() {
        for (long seed = 1; seed <= 50; seed++) {
            TagDevice device = new TagDevice(seed);
            assertEquals(4, device.answer(TagDevice.Card.FOUR).bytes().size());
            assertEquals(
                    2, TagDraft.cascades(device.answer(TagDevice.Card.SEVEN).bytes()));
            assertEquals(3, TagDraft.cascades(device.answer(TagDevice.Card.TEN).bytes()));
            assertEquals(device.answer(TagDevice.Card.FOUR), device.answer(TagDevice.Card.FOUR));
            assertFalse(device.answer(TagDevice.Card.TORN).isWell());
            TagDevice.Read once = device.answer(TagDevice.Card.RANDOM);
            assertTrue(TagText.isRandom(once.bytes()));
            assertFalse(once.equals(device.answer(TagDevice.Card.RANDOM)));
            assertEquals(
                    Tap.Sort.STRANGE,
                    draft().tap(device.answer(TagDevice.Card.FOUR)).sort());
        }
    }
}
