package inkel.core.wiring;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.kit.Builds;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class EndPictureTest {
    static List<PartClass> classes() {
        return Builds.CATALOG.all().stream()
                .filter(cls -> !cls.pins().isEmpty())
                .toList();
    }

    private static int index(PartClass cls, String label) {
        return IntStream.range(0, cls.pins().size())
                .filter(i -> cls.pins().get(i).label().equals(label))
                .findFirst()
                .orElseThrow();
    }

    private static EndPicture of(String id, String label, boolean isTurned) {
        PartClass cls = Builds.CATALOG.get(id);
        return EndPicture.of(cls, index(cls, label), isTurned).orElseThrow();
    }

    private static List<String> line(EndPicture picture, double y) {
        return picture.holes().stream()
                .filter(hole -> Math.abs(hole.y() - y) < 0.1)
                .sorted(java.util.Comparator.comparingDouble(EndPicture.Hole::x))
                .map(EndPicture.Hole::label)
                .toList();
    }

    // Seen from above the first pin is at the left of the pair; on its back, at the right.
    @Test
    void aBlockOfTwoByFourIsShownWholeFromEitherSide() {
        EndPicture above = of("packet-radio", "MOSI", false);
        assertEquals(8, above.holes().size());
        assertEquals(List.of("GND", "VCC"), line(above, 0));
        assertEquals(List.of("SCK", "MOSI"), line(above, 2));
        EndPicture over = of("packet-radio", "MOSI", true);
        assertEquals(List.of("VCC", "GND"), line(over, 0));
        assertEquals(List.of("MOSI", "SCK"), line(over, 2));
        assertEquals(EndPicture.Side.LEFT, over.target().side());
        assertEquals(EndPicture.Side.RIGHT, above.target().side());
    }

    // The far row of a wide board is no part of the picture: two places to either side of the seventh of eighteen.
    @Test
    void ofALongRowOnlyItsNeighboursAreShown() {
        EndPicture picture = of("board-classic-5v", "D11", false);
        assertEquals(
                List.of("D13", "D12", "D11", "D10", "D9"),
                picture.holes().stream().map(EndPicture.Hole::label).toList());
        assertEquals(4, picture.before());
        assertEquals(9, picture.after());
        assertEquals(7, picture.target().place());
    }

    // Behind D8 the header has a gap, so the fourth to the far side is a little farther.
    @Test
    void aGapIsSeen() {
        EndPicture picture = of("board-classic-5v", "D8", false);
        List<Double> y = picture.holes().stream().map(EndPicture.Hole::y).toList();
        assertEquals(
                List.of("D10", "D9", "D8", "D7", "D6"),
                picture.holes().stream().map(EndPicture.Hole::label).toList());
        assertEquals(1.6, y.get(3) - y.get(2), 1e-9);
    }

    // The two sides of a narrow chip are one picture; the legs' numbers run down and up.
    @Test
    void aChipShowsBothSides() {
        EndPicture picture = of("chip-8pin", "P4", false);
        assertEquals(8, picture.holes().size());
        assertEquals(3, picture.target().printed());
        assertEquals(List.of("P4", "P1"), line(picture, 2));
        assertEquals(List.of("P1", "P4"), line(of("chip-8pin", "P4", true), 2));
    }

    @Test
    void aRowThatRunsAcrossIsDrawnAcross() {
        EndPicture picture = of("infrared-receiver", "GND", false);
        assertTrue(picture.isAcross());
        assertEquals(List.of("OUT", "GND", "VS"), line(picture, 0));
        assertEquals(List.of("VS", "GND", "OUT"), line(of("infrared-receiver", "GND", true), 0));
        assertFalse(of("knob", "OUT", false).isAcross());
    }

    // A header and the screws of one part are not taken for each other.
    @Test
    void endsOfAnotherSortAreLeftOut() {
        assertEquals(
                List.of("VCC", "GND", "IN"),
                of("relay-one", "IN", false).holes().stream()
                        .map(EndPicture.Hole::label)
                        .toList());
        assertEquals(3, of("relay-one", "NO", false).holes().size());
    }

    /** Whatever the class, from both sides: the pin itself is there once, its next neighbours in the row on their sides. */
    @ParameterizedTest
    @MethodSource("classes")
    void everyPinOfEveryClassIsFoundFromBothSides(PartClass cls) {
        for (int i = 0; i < cls.pins().size(); i++) {
            Pin pin = cls.pins().get(i);
            for (boolean isTurned : new boolean[] {false, true}) {
                EndPicture picture = EndPicture.of(cls, i, isTurned).orElseThrow();
                assertEquals(
                        1,
                        picture.holes().stream()
                                .filter(EndPicture.Hole::isTarget)
                                .count());
                EndPicture.Hole target = picture.target();
                assertEquals(pin.place(), target.place());
                int shownBefore = (int) picture.holes().stream()
                        .filter(hole -> hole.isInRow() && hole.place() < target.place())
                        .count();
                long inRow = cls.pins().stream()
                        .filter(other -> other.row().equals(pin.row()) && other.place() < pin.place())
                        .count();
                assertEquals(inRow, shownBefore + picture.before(), "counted from the marked end");
                for (EndPicture.Hole hole : picture.holes()) {
                    double along = picture.isAcross() ? hole.x() - target.x() : hole.y() - target.y();
                    boolean isBehind = hole.isInRow() && hole.place() > target.place();
                    boolean isFlipped = picture.isAcross() && isTurned ^ runsLeft(cls, pin);
                    if (isBehind) {
                        assertTrue(isFlipped ? along < 0 : along > 0, hole.label() + " behind " + pin.label());
                    }
                }
            }
        }
    }

    private static boolean runsLeft(PartClass cls, Pin pin) {
        return cls.handling().outline().row(pin.row()).orElseThrow().runs() == inkel.core.catalog.Outline.Runs.LEFT;
    }
}
