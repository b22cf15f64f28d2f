package inkel.app.export.sheet;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.core.catalog.Kind;
import inkel.core.catalog.Outline;
import inkel.core.catalog.PartClass;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Build;
import inkel.core.document.Part;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class BoardPictureTest {
    private static Placed locks() {
        return Given.assessment(Given.LOCKS).circuit("lower-lock").orElseThrow().board();
    }

    private static List<String> names(List<Sheet.PinText> pins) {
        return pins.stream().map(Sheet.PinText::name).toList();
    }

    static Stream<PartClass> boards() {
        return Given.CATALOG.all().stream().filter(cls -> cls.kind() == Kind.BOARD);
    }

    @Test
    void theMarkedEndIsOnTopAndEachSideHasItsPins() {
        Placed board = locks();
        int d9 = board.cls().pins().indexOf(board.cls().pin("D9").orElseThrow());
        Sheet.Picture picture =
                BoardPicture.of(board, Map.of(d9, List.of("Packet radio CE"))).get(0);
        assertEquals("on top: USB end", picture.top());
        Sheet.PinLine first = picture.lines().stream()
                .filter(line -> !line.left().isEmpty())
                .findFirst()
                .orElseThrow();
        assertEquals(
                board.cls().pins().stream()
                        .filter(pin -> pin.row().equals("left") && pin.place() == 1)
                        .map(pin -> pin.label())
                        .toList(),
                names(first.left()));
        assertEquals(
                List.of(new Sheet.PinText("D9", "Packet radio CE")),
                picture.lines().stream()
                        .flatMap(line -> line.right().stream())
                        .filter(pin -> !pin.taken().isEmpty())
                        .toList());
    }

    @ParameterizedTest
    @MethodSource("boards")
    void everyPinOfEveryBoardIsOnItOnceAndNoLineIsCrowded(PartClass cls) {
        Build locks = Given.build(Given.LOCKS);
        Part part = Part.of(Part.BOARD, cls.id(), "Board", "");
        Build build = locks.withNodes(List.of(locks.nodes().get(0).withParts(List.of(part))));
        Placed board = Circuit.of(build, Given.CATALOG).nodes().get(0).board();
        List<Sheet.PinLine> lines = BoardPicture.of(board, Map.of()).stream()
                .flatMap(picture -> picture.lines().stream())
                .toList();
        long drawn = lines.stream()
                .mapToLong(line -> line.left().size() + line.right().size())
                .sum();
        long wanted = cls.pins().stream()
                .filter(pin -> cls.handling()
                        .outline()
                        .row(pin.row())
                        .filter(row -> row.ends() != Outline.Ends.PLUG)
                        .isPresent())
                .count();
        assertEquals(wanted, drawn);
        assertTrue(
                lines.stream()
                        .allMatch(
                                line -> line.left().size() <= 3 && line.right().size() <= 3),
                cls.id());
    }
}
