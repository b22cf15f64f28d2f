package inkel.app.store;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.lane.Notice;
import inkel.app.state.Session;
import inkel.core.drawer.Drawer;
import inkel.core.drawer.Item;
import inkel.core.drawer.Owned;
import inkel.core.drawer.Substitute;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The drawer among a user's settings: kept, brought in, given out, and never lost. */
class DrawersTest {
    private static final Item TEN = item("resistor 10k");
    private static final Item SERVO = item("part servo-micro");

    @TempDir
    private Path folder;

    private Session session;

    private static Item item(String text) {
        return Item.parse(text).orElseThrow();
    }

    @BeforeEach
    void start() {
        session = fresh();
    }

    private Session fresh() {
        Session fresh = Given.session(folder);
        fresh.drawers().open(folder);
        return fresh;
    }

    private Path table(String name) {
        return folder.resolve("drawer").resolve(name);
    }

    private String told() {
        Notice notice = session.notices().property().get();
        return notice == null ? "" : notice.text();
    }

    private Path written(String text) throws IOException {
        return Files.writeString(folder.resolve("mine.csv"), text);
    }

    @Test
    void everythingIsThereAtTheNextStart() {
        session.drawers().count(TEN, 12);
        session.drawers().price(TEN, Optional.of(new BigDecimal("0.05")));
        session.drawers().agree(item("resistor 5k"), Optional.of(new Substitute(TEN, 2, false)));
        session.drawers().stand("/here/lamp.inkel.json", "=Lamp, \"the\" first", Map.of(SERVO, 2, TEN, 1));
        Drawer kept = session.drawers().drawer();
        assertEquals(kept, fresh().drawers().drawer());
        assertEquals(kept, Drawers.read(folder));
        session.drawers().takeApart("/here/lamp.inkel.json");
        session.drawers().agree(item("resistor 5k"), Optional.empty());
        assertEquals(Map.of(), fresh().drawers().drawer().standing());
        assertEquals(Map.of(), fresh().drawers().drawer().agreed());
    }

    @Test
    void twoWindowsDoNotUndoEachOther() {
        Session other = fresh();
        session.drawers().count(TEN, 12);
        other.drawers().count(SERVO, 3);
        assertEquals(12, other.drawers().drawer().of(TEN).count());
        assertEquals(12, Drawers.read(folder).of(TEN).count());
        assertEquals(3, Drawers.read(folder).of(SERVO).count());
    }

    @Test
    void aTableIsTakenInByValueAndName() throws IOException {
        session.drawers()
                .bringIn(
                        written(
                                """
                what,count,price,note
                resistor 10k,5,"0,05",bag
                resistor 0.01M,2,,
                capacitor 0.1uF,10,,
                part Micro servo,2,4.20,
                """));
        Drawer drawer = session.drawers().drawer();
        assertEquals(7, drawer.of(TEN).count(), "the same value twice");
        assertEquals(Optional.of(new BigDecimal("0.05")), drawer.of(TEN).price());
        assertEquals(10, drawer.of(item("capacitor 100 nF")).count());
        assertEquals(2, drawer.of(SERVO).count());
        session.notices().property().get().actions().get(0).run().run();
        assertEquals(Drawer.EMPTY, session.drawers().drawer(), "and taken back");
    }

    @Test
    void theWayBackLeavesWhatWasDoneSince() throws IOException {
        session.drawers().count(TEN, 3);
        session.drawers().bringIn(written("what,count\nresistor 10k,50\nspring 3,1\n"));
        Notice told = session.notices().property().get();
        assertEquals(50, session.drawers().drawer().of(TEN).count());
        session.drawers().count(SERVO, 2);
        told.actions().get(0).run().run();
        assertEquals(3, session.drawers().drawer().of(TEN).count());
        assertEquals(2, session.drawers().drawer().of(SERVO).count(), "typed since");
        assertEquals(session.drawers().drawer(), Drawers.read(folder));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            resistor lots,1,    | Line 3: “resistor lots”
            part no-such-thing,1, | Line 3: “part no-such-thing”
            resistor 1k,some,   | Line 3: the count “some”
            resistor 1k,-1,     | Line 3: the count “-1”
            resistor 1k,2.5,    | Line 3: the count “2.5”
            resistor 1k,1,cheap | Line 3: the price “cheap”
            """)
    void aBadLineIsNamedAndTheOthersStand(String line, String sentence) throws IOException {
        session.drawers().bringIn(written("what,count,price\nresistor 10k,5,\n" + line + "\nresistor 22k,1,\n"));
        assertTrue(told().contains(sentence), told());
        assertEquals(5, session.drawers().drawer().of(TEN).count());
        assertEquals(1, session.drawers().drawer().of(item("resistor 22k")).count());
    }

    @Test
    void whatIsNoDrawerIsSaid() throws IOException {
        session.drawers().bringIn(written("name;number\nx;1\n"));
        assertTrue(told().contains("what, count"), told());
        session.drawers().bringIn(Files.write(folder.resolve("photo.csv"), new byte[] {(byte) 0xFF, (byte) 0xD8, 0}));
        assertTrue(told().contains("no text in UTF-8"), told());
        session.drawers().bringIn(folder.resolve("nowhere.csv"));
        assertEquals(Drawer.EMPTY, session.drawers().drawer());
    }

    @Test
    void whatIsGivenOutIsTakenInAgain() throws IOException {
        session.drawers().count(TEN, 12);
        session.drawers().count(SERVO, 1);
        session.drawers().count(item("adapter 16 pads at 0.65 mm of 0.35 mm"), 2);
        session.drawers().count(item("wire pin-to-socket 20 cm"), 40);
        Drawer before = session.drawers().drawer();
        Path out = folder.resolve("out.csv");
        session.drawers().giveOut(out);
        assertTrue(Files.readString(out).startsWith("what,name,count,price,note"), Files.readString(out));
        Files.delete(table("drawer.csv"));
        session = fresh();
        assertEquals(Drawer.EMPTY, session.drawers().drawer());
        session.drawers().bringIn(out);
        assertEquals(before.items(), session.drawers().drawer().items());
    }

    /** Bytes changed, doubled and left out: whatever comes of it is read, or told, and what is read can be written. */
    @Test
    void noTableBringsItDown() {
        Random random = new Random(11);
        String good = "what,name,count,price,note\nresistor 10 kΩ,,5,0.05,\"bag, old\"\npart servo-micro,,2,,\n"
                + "wire pin-to-pin 10 cm,,40,,\nadapter 16 pads at 0.65 mm of 0.35 mm,,1,,\nheader 8 pins,,3,1e2,\n";
        for (int i = 0; i < 3000; i++) {
            StringBuilder text = new StringBuilder(good);
            for (int n = random.nextInt(6); n >= 0; n--) {
                int at = random.nextInt(text.length());
                switch (random.nextInt(4)) {
                    case 0 -> text.deleteCharAt(at);
                    case 1 ->
                        text.insert(at, (char) (random.nextInt(4) == 0 ? random.nextInt(0x3000) : random.nextInt(128)));
                    case 2 -> text.insert(at, text.substring(at, Math.min(text.length(), at + random.nextInt(30))));
                    default -> text.insert(at, random.nextBoolean() ? "\"" : "9e99");
                }
            }
            DrawerCsv.Read<Map<Item, Owned>> read = DrawerCsv.items(text.toString(), Optional::of);
            Drawer drawer = new Drawer(read.found(), Map.of(), Map.of());
            assertEquals(
                    read.found(),
                    DrawerCsv.items(DrawerCsv.items(drawer, Item::text), Optional::of)
                            .found(),
                    text.toString());
            read.bad().forEach(inkel.app.words.Words::say);
        }
    }

    @Test
    void linesThatNobodyCanReadAreKeptBeside() throws IOException {
        Files.createDirectories(folder.resolve("drawer"));
        String mine = "what,count,price,note\nresistor 10k,5,,\nspring 3,9,,from the old clock\n";
        Files.writeString(table("drawer.csv"), mine);
        session = fresh();
        assertTrue(told().contains("Line 3: “spring 3”"), told());
        session.drawers().count(TEN, 4);
        assertEquals(mine, Files.readString(table("drawer-as-found.csv")));
        assertEquals(4, Drawers.read(folder).of(TEN).count());
    }

    @Test
    void aDrawerThatCannotBeWrittenSaysSo() throws IOException {
        Files.writeString(folder.resolve("drawer"), "a file where the folder should be");
        session.drawers().count(TEN, 4);
        assertTrue(told().contains(folder.resolve("drawer").toString()), told());
        assertEquals(
                new Owned(4, Optional.empty(), ""), session.drawers().drawer().of(TEN));
    }
}
