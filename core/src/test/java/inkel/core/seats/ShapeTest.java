package inkel.core.seats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.TableKind;
import inkel.core.document.SeatChoice;
import inkel.core.document.SeatChoice.Side;
import inkel.core.kit.Builds;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class ShapeTest {
    private static Shape shape(String cls) {
        return Shape.of("x", Builds.CATALOG.get(cls));
    }

    /** The letters that a part's rows go into, counted on a breadboard whose gap is three steps wide. */
    @ParameterizedTest(name = "{0}")
    @CsvSource({
        // chips of 0.3": e and f, four holes free on either side
        "shift-out, E, F, 4, 4, 8",
        // 0.6": c and g
        "chip-40pin, C, G, 2, 3, 20",
        // 0.9": b and i, one hole each
        "board-single-core-3v3, B, I, 1, 1, 0",
        // 0.5"
        "stepper-driver-step, D, G, 3, 3, 8",
        // 0.4"
        "shifter-4, D, F, 3, 4, 6"
    })
    void twoRows(String cls, Column left, Column right, int freeLeft, int freeRight, int span) {
        Shape shape = shape(cls);
        assertTrue(shape.isAcross());
        assertEquals(left, shape.column(Side.LEFT));
        assertEquals(right, shape.column(Side.RIGHT));
        assertEquals(freeLeft, shape.free(Side.LEFT).size());
        assertEquals(freeRight, shape.free(Side.RIGHT).size());
        assertTrue(span == 0 || span == shape.span(), "rows " + shape.span());
    }

    @Test
    void oneRowStandsAtTheEdge() {
        Shape shape = shape("climate-i2c");
        assertFalse(shape.isAcross());
        assertEquals(List.of(Column.B, Column.C, Column.D, Column.E), shape.free(Side.LEFT));
        assertEquals(List.of(Column.F, Column.G, Column.H, Column.I), shape.free(Side.RIGHT));
        assertEquals(Builds.CATALOG.get("climate-i2c").pins().size(), shape.span());
    }

    /** A reader of eight pins on a board 60 mm long covers 24 rows: eight beyond its pins at either end. */
    @Test
    void aBodyCoversMoreRowsThanItsPins() {
        Shape shape = shape("tag-reader-spi");
        assertEquals(8, shape.span());
        assertEquals(8, shape.over());
    }

    /** A part turned about has its first leg where its last was, and its left row at the right. */
    @Test
    void turnedAbout() {
        Shape shape = shape("shift-out");
        Shape.Leg first = shape.legs().get(0);
        SeatChoice plain = new SeatChoice(1, Side.ACROSS, 10, false);
        SeatChoice turned = new SeatChoice(1, Side.ACROSS, 10, true);
        assertEquals(10, shape.rowOf(first, plain));
        assertEquals(Side.LEFT, shape.sideOf(first, plain));
        assertEquals(17, shape.rowOf(first, turned));
        assertEquals(Side.RIGHT, shape.sideOf(first, turned));
    }

    @ParameterizedTest
    @EnumSource(
            value = TableKind.class,
            names = {"LONG", "WHOLE", "SHORT"})
    void breadboardsHaveTheHolesTheyAreSoldBy(TableKind kind) {
        Breadboard board = Breadboard.of(kind);
        assertEquals(kind == TableKind.SHORT ? 400 : 830, board.holes());
        int rails = 0;
        for (int segment = 0; segment < board.segments(); segment++) {
            List<Integer> rows = board.railRows(segment);
            rails += rows.size();
            assertTrue(rows.get(0) >= 1 && rows.get(rows.size() - 1) <= board.rows());
            for (int row : rows) {
                assertEquals(segment, board.segmentOf(row));
            }
        }
        assertEquals(board.railHoles(), rails);
    }

    @ParameterizedTest
    @CsvSource({
        "off, true", "1 left 12, true", "2 across 3 turned, true", "12 right 63, true", "0 left 1, false",
        "1 middle 1, false", "1 left 0, false", "1 left 5 turned about, false", "'', false", "1 left 100, false"
    })
    void seatsAreReadAndWritten(String text, boolean isGood) {
        assertEquals(isGood, SeatChoice.parse(text).isPresent());
        SeatChoice.parse(text).ifPresent(seat -> assertEquals(text, seat.text()));
    }
}
