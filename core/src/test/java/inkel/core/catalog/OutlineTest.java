package inkel.core.catalog;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.kit.Builds;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** How parts lie, from both sides, against the order of their pins. */
class OutlineTest {
    static List<PartClass> classes() {
        return Builds.CATALOG.all();
    }

    private static Outline.Spot spot(PartClass cls, Pin pin) {
        return cls.handling().outline().spot(pin).orElseThrow();
    }

    /** Every pin has a spot of its own; along a row they lie in order, at least half a step apart, with nothing across. */
    @ParameterizedTest
    @MethodSource("classes")
    void everyClassLiesInTheOrderOfItsPins(PartClass cls) {
        Set<Outline.Spot> spots = new HashSet<>();
        Set<Outline.Spot> turned = new HashSet<>();
        Map<String, List<Pin>> rows = new TreeMap<>();
        for (Pin pin : cls.pins()) {
            assertTrue(spots.add(spot(cls, pin)), pin.label() + " has a spot of its own");
            turned.add(spot(cls, pin).mirrored());
            rows.computeIfAbsent(pin.row(), row -> new java.util.ArrayList<>()).add(pin);
        }
        assertEquals(spots.size(), turned.size());
        rows.values().forEach(row -> {
            row.sort(Comparator.comparing(Pin::place));
            for (int i = 1; i < row.size(); i++) {
                Outline.Spot last = spot(cls, row.get(i - 1));
                Outline.Spot next = spot(cls, row.get(i));
                double dx = next.x() - last.x();
                double dy = next.y() - last.y();
                assertTrue(dx == 0 ^ dy == 0, row.get(i).label() + " lies in the line of its row");
                int places = row.get(i).place() - row.get(i - 1).place();
                assertTrue(Math.hypot(dx, dy) >= places * 0.5 - 1e-9, row.get(i).label() + " is a place further");
                // Turned over left to right, what ran to the right runs to the left, and down stays down.
                assertEquals(-dx, next.mirrored().x() - last.mirrored().x(), 1e-9);
                assertEquals(dy, next.mirrored().y() - last.mirrored().y(), 1e-9);
            }
        });
    }

    // By hand: chips count down the left side and up the right one, 0.3 or 0.6 inches apart; the classic boards'
    // headers are
    // 1.9 inches apart, their right one has a gap of 0.16 inches behind D8, their left one begins 0.36 inches later and
    // misses a place behind VIN; the 40 pins of a computer are numbered across.
    @ParameterizedTest(name = "{0} {1}: {2}, {3}")
    @CsvSource({
        "chip-28pin, 1, 0, 0",
        "chip-28pin, 14, 0, 13",
        "chip-28pin, 15, 3, 13",
        "chip-28pin, 28, 3, 0",
        "chip-40pin, 20, 0, 19",
        "chip-40pin, 21, 6, 19",
        "chip-8pin, 5, 3, 3",
        "buffer-8, 20, 3, 0",
        "computer-40pin, 1, 0, 0",
        "computer-40pin, 2, 1, 0",
        "computer-40pin, 40, 1, 19",
        "packet-radio, 2, 1, 0",
        "packet-radio, 7, 0, 3"
    })
    void aPrintedNumberIsWhereItIs(String id, int number, double x, double y) {
        PartClass cls = Builds.CATALOG.get(id);
        Pin pin = cls.pins().stream()
                .filter(found -> found.header() == number)
                .findFirst()
                .orElseThrow();
        assertEquals(new Outline.Spot(x, y), spot(cls, pin));
    }

    @ParameterizedTest(name = "{0} {1}: {2}, {3}")
    @CsvSource({
        "board-classic-5v, D8, 19, 9",
        "board-classic-5v, D7, 19, 10.6",
        "board-classic-5v, D0, 19, 17.6",
        "board-classic-5v, VIN, 0, 10.6",
        "board-classic-5v, A0, 0, 12.6",
        "board-classic-5v, A5, 0, 17.6",
        "board-big-5v, A8, 0, 21.6",
        "board-big-5v, D14, 19, 19.6",
        "board-small-5v, D12, 6, 0",
        "board-dual-core-3v3, GP0, 0, 0",
        "servo-driver-16, CH15, 19, 0",
        "rc-receiver, CH6, 0, 5",
        "rc-receiver, GND, 2, 0",
        "stepper-driver-step, VM, 5, 0",
        "bridge-wifi, GND, 0, 1",
        "bridge-wifi, VCC, 3, 0"
    })
    void aPinIsWhereItIs(String id, String label, double x, double y) {
        PartClass cls = Builds.CATALOG.get(id);
        Outline.Spot spot = spot(cls, cls.pin(label).orElseThrow());
        assertEquals(x, spot.x(), 1e-9);
        assertEquals(y, spot.y(), 1e-9);
    }

    @Test
    void aChipIsTurnedOverLeftToRight() {
        PartClass chip = Builds.CATALOG.get("chip-8pin");
        Pin last = chip.pins().get(4);
        assertEquals(8, last.header());
        assertEquals(new Outline.Spot(-3, 0), spot(chip, last).mirrored());
        Pin first = chip.pins().get(0);
        assertEquals(new Outline.Spot(0, 0), spot(chip, first).mirrored());
    }

    @Test
    void whatDoesNotTellHasItsRowsSideBySide() {
        List<Pin> pins = List.of(
                Pin.plain("A", "left", 1, PinUse.NONE, ""),
                Pin.plain("B", "right", 1, PinUse.NONE, ""),
                Pin.plain("C", "side", 1, PinUse.NONE, ""));
        Outline usual = Outline.usual(pins);
        assertEquals(
                List.of(new Outline.Spot(0, 0), new Outline.Spot(6, 0), new Outline.Spot(-2, 0)),
                pins.stream().map(pin -> usual.spot(pin).orElseThrow()).toList());
    }

    // A servo's three wires, and a supply's two.
    @ParameterizedTest
    @CsvSource({"servo-micro, brown red orange", "battery-9v, red black", "load-bridge, red black white green"})
    void leadsHaveTheirColours(String id, String colours) {
        Outline.Row lead = Builds.CATALOG.get(id).handling().outline().rows().get(0);
        assertTrue(lead.ends() == Outline.Ends.LEADS || lead.ends() == Outline.Ends.SOCKETS);
        assertEquals(List.of(colours.split(" ")), lead.colours());
    }
}
