package inkel.app.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.core.document.LogLine;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ReadingsInTest {
    @TempDir
    private Path folder;

    private Session session;
    private long before;

    @BeforeEach
    void open() throws Exception {
        session = Given.session(folder);
        session.files().open(Given.copy(Given.LOCKS, Files.createDirectories(folder.resolve("builds"))));
        before = brought();
    }

    private long brought() {
        return session.build()
                .orElseThrow()
                .log()
                .counting()
                .filter(line -> line instanceof LogLine.Measured measured && measured.by() == LogLine.By.IMPORTED)
                .count();
    }

    private Path table(String text) throws Exception {
        return Files.writeString(folder.resolve("bench.csv"), text);
    }

    @Test
    void aTableThatIsDroppedIsOneStepThatCanBeUndone() throws Exception {
        session.files()
                .dropped(
                        table(
                                """
                place,value
                lower-lock/radio.VCC,3.29 V
                lower-lock/reader.3.3V,3.31 V
                """));
        assertEquals(before + 2, brought());
        assertEquals(
                "2 readings of bench.csv taken into the record.",
                session.notices().property().get().text());
        session.undo();
        assertEquals(before, brought());
    }

    @Test
    void nothingGoesIntoTheCopyOfThePracticeBench() throws Exception {
        Path table = table("place,value\nlower-lock/radio.VCC,3.29 V\n");
        session.nodeProperty().set("lower-lock");
        session.practice().begin();
        assertTrue(session.practice().isOn());
        session.readings().bringIn(table);
        assertEquals(before, brought());
        assertTrue(session.notices().property().get().text().startsWith("bench.csv belongs into your own build"));
        session.practice().leave();
        session.readings().bringIn(table);
        assertEquals(before + 1, brought());
    }

    @Test
    void aTableThatIsTooLongOrEndsInACellIsToldSo() throws Exception {
        session.files().dropped(table("place,value\n" + "lower-lock/radio.VCC,3.29 V\n".repeat(150_000)));
        assertTrue(session.notices().property().get().text().startsWith("bench.csv could not be brought in"));
        session.files().dropped(table("place,value\n\"lower-lock/radio.VCC,3.29 V\n"));
        assertTrue(session.notices().property().get().text().startsWith("bench.csv could not be brought in"));
        assertEquals(before, brought());
    }

    @Test
    void whatWasNotTakenIsToldLineByLine() throws Exception {
        StringBuilder many = new StringBuilder("place,value\nlower-lock/radio.VCC,3.29 V\n");
        for (int i = 0; i < 9; i++) {
            many.append("lower-lock/nobody,3.3 V\n");
        }
        session.readings().bringIn(table(many.toString()));
        assertEquals(before + 1, brought());
        String told = session.notices().property().get().text();
        assertTrue(told.contains("Line 3: “lower-lock/nobody” is no place of this build"), told);
        assertTrue(told.contains("Line 8:") && !told.contains("Line 9:"), told);
        session.readings().bringIn(table("what,when\n1,2\n"));
        assertTrue(
                session.notices().property().get().text().contains("at least the columns place, value"),
                session.notices().property().get().text());
        session.readings().bringIn(folder.resolve("gone.csv"));
        assertTrue(session.notices().property().get().text().contains("gone.csv"));
        assertEquals(before + 1, brought());
    }
}
