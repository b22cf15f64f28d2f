package inkel.core.drawer;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.drawer.Drawer.Standing;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class DrawerTest {
    private static final String HERE = "here.inkel.json";

    private static Item item(String text) {
        return Item.parse(text).orElseThrow();
    }

    private static Drawer with(String... counted) {
        Drawer drawer = Drawer.EMPTY;
        for (String each : counted) {
            String[] parts = each.split(": ");
            drawer = drawer.with(item(parts[0]), Owned.NONE.withCount(Integer.parseInt(parts[1])));
        }
        return drawer;
    }

    private static Shopping.Line line(Shopping list, String item) {
        return list.lines().stream()
                .filter(line -> line.item().equals(item(item)))
                .findFirst()
                .orElseThrow();
    }

    @ParameterizedTest
    @CsvSource({
        "capacitor 100 nF, capacitor 0.1 µF",
        "capacitor 100n, CAPACITOR 0.1uF",
        "resistor 4k7, resistor 4.7 kΩ",
        "resistor 1M, resistor 1000 kΩ",
        "resistor 0.47, resistor 470 mΩ",
        "crystal 16 MHz, crystal 16000000",
        "wire pin-to-socket 20 cm, wire pin-to-socket 0.2 m",
        "wire twisted, wire twisted 12 m",
        "header 8, header 8 pins",
        "adapter 20 legs at 0.65 mm, adapter 20 pads at 650 µm"
    })
    void theSameValueIsTheSameThing(String one, String other) {
        assertEquals(item(one), item(other));
        assertEquals(item(one), item(item(one).text()), "and is read as it is written");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "resistor",
                "resistor lots",
                "resistor -10",
                "resistor 0",
                "spring 3",
                "resistor 1e999",
                "capacitor 1e-999",
                "wire pin-to-pin 1e999 cm",
                "adapter 8 pads at 1e999 m",
                "wire 20 cm",
                "wire rope 2 m",
                "wire twisted lots",
                "adapter 0 pads at 1 mm",
                "adapter 8 pads at -1 mm",
                "header tall",
                "breadboard strip",
                "semiconductor tube"
            })
    void whatIsNoThingIsNotTaken(String text) {
        assertEquals(Optional.empty(), Item.parse(text));
    }

    @Test
    void whatThereIsNeedNotBeGot() {
        Shopping list = Shopping.of(
                Map.of(item("resistor 10k"), 3, item("capacitor 100 nF"), 2),
                with("resistor 10 kΩ: 2", "capacitor 0.1 µF: 5"),
                HERE);
        assertEquals(1, line(list, "resistor 10k").toGet());
        assertEquals(0, line(list, "capacitor 100n").toGet());
        assertEquals(1, list.lacking());
    }

    @Test
    void aBuildThatStandsHasWhatItTookUntilItIsInPieces() {
        Drawer drawer = with("part servo-micro: 3")
                .withStanding("lamp", new Standing("Moth lamp", Map.of(item("part servo-micro"), 2)));
        Map<Item, Integer> wanted = Map.of(item("part servo-micro"), 3);
        assertEquals(
                2, line(Shopping.of(wanted, drawer, HERE), "part servo-micro").toGet());
        assertEquals(
                List.of("Moth lamp"),
                line(Shopping.of(wanted, drawer, HERE), "part servo-micro").takenBy());
        assertEquals(
                0, Shopping.of(wanted, drawer.withoutStanding("lamp"), HERE).lacking());
        assertEquals(
                0,
                line(Shopping.of(wanted, drawer, "lamp"), "part servo-micro").toGet(),
                "a build does not stand in its own way");
    }

    @Test
    void standingBuildsThatHaveMoreThanIsOwnedLeaveNothing() {
        Drawer drawer = with("resistor 1k: 1").withStanding("a", new Standing("A", Map.of(item("resistor 1k"), 4)));
        assertEquals(0, drawer.free(item("resistor 1k"), HERE));
    }

    @Test
    void twoMakeOneOnlyWhenTheBuilderAgrees() {
        Map<Item, Integer> wanted = Map.of(item("resistor 5k"), 2);
        Drawer drawer = with("resistor 10k: 4");
        Shopping.Line offered = line(Shopping.of(wanted, drawer, HERE), "resistor 5k");
        assertEquals(2, offered.toGet());
        assertEquals(Optional.of(new Substitute(item("resistor 10k"), 2, false)), offered.substitute());
        assertFalse(offered.isAgreed());
        Shopping.Line agreed =
                line(Shopping.of(wanted, drawer.withAgreed(offered.item(), offered.substitute()), HERE), "resistor 5k");
        assertEquals(0, agreed.toGet());
        assertTrue(agreed.isAgreed());
    }

    @Test
    void whatIsLentIsNotThereASecondTime() {
        // Four of 10 kΩ: two are wanted as they are, so that only one of 5 kΩ can be made of the others.
        Drawer drawer = with("resistor 10k: 4")
                .withAgreed(item("resistor 5k"), Optional.of(new Substitute(item("resistor 10k"), 2, false)));
        Shopping list = Shopping.of(Map.of(item("resistor 5k"), 2, item("resistor 10k"), 2), drawer, HERE);
        assertEquals(1, line(list, "resistor 5k").toGet());
        assertEquals(0, line(list, "resistor 10k").toGet());
    }

    @ParameterizedTest
    @CsvSource({
        "resistor 20k, resistor 10k, 2, true",
        "resistor 330, resistor 1k, 3, false", // 333 Ω is 1 % off
        "capacitor 200n, capacitor 100n, 2, false",
        "capacitor 50n, capacitor 100n, 2, true",
        "resistor 4k7, resistor 4.75k, 1, true" // 1.1 % off
    })
    void alikeAreAddedAsTheyAddUp(String wanted, String owned, int count, boolean isInRow) {
        Shopping.Line line = line(Shopping.of(Map.of(item(wanted), 1), with(owned + ": 4"), HERE), wanted);
        assertEquals(Optional.of(new Substitute(item(owned), count, isInRow)), line.substitute());
    }

    @Test
    void nothingIsOfferedThatIsNotCloseOrNotThere() {
        assertEquals(
                Optional.empty(),
                line(Shopping.of(Map.of(item("resistor 5k"), 1), with("resistor 9.7k: 2"), HERE), "resistor 5k")
                        .substitute(),
                "3 % off");
        assertEquals(
                Optional.empty(),
                line(Shopping.of(Map.of(item("resistor 5k"), 1), with("resistor 10k: 1"), HERE), "resistor 5k")
                        .substitute());
    }

    @Test
    void largeCapacitorsArePutSideBySideOnly() {
        assertEquals(
                Optional.empty(),
                line(Shopping.of(Map.of(item("capacitor 5 µF"), 1), with("capacitor 10 µF: 4"), HERE), "capacitor 5 µF")
                        .substitute());
        assertEquals(
                Optional.of(new Substitute(item("capacitor 10 µF"), 2, false)),
                line(
                                Shopping.of(Map.of(item("capacitor 20 µF"), 1), with("capacitor 10 µF: 4"), HERE),
                                "capacitor 20 µF")
                        .substitute());
    }

    @Test
    void pricesAreAddedUpForWhatIsToBeGot() {
        Drawer drawer = Drawer.EMPTY
                .with(item("resistor 10k"), new Owned(1, Optional.of(new BigDecimal("0.05")), ""))
                .with(item("part servo-micro"), new Owned(0, Optional.of(new BigDecimal("4.20")), ""));
        Shopping list = Shopping.of(
                Map.of(item("resistor 10k"), 4, item("part servo-micro"), 2, item("part packet-radio"), 1),
                drawer,
                HERE);
        // 3 · 0.05 + 2 · 4.20
        assertEquals(new BigDecimal("8.55"), list.sum());
        assertEquals(1, list.unpriced());
    }

    @Test
    void anAdapterThatCarriesTheChipWillDo() {
        // 20 legs, ten a side: (10 − 1)/2 · 0.015 = 0.0675 mm, under a third of 0.3 mm.
        Map<Item, Integer> wanted = Map.of(item("adapter 20 legs at 0.65 mm"), 1);
        String close = "adapter 28 pads at 0.635 mm of 0.3 mm";
        assertEquals(0, Shopping.of(wanted, with(close + ": 1"), HERE).lacking());
        assertEquals(
                1,
                Shopping.of(wanted, with("adapter 28 pads at 0.5 mm: 1"), HERE).lacking());
        assertEquals(
                1,
                Shopping.of(wanted, with("adapter 16 pads at 0.65 mm: 1"), HERE).lacking(),
                "too few pads");
        Map<Item, Integer> two = Map.of(item("adapter 20 legs at 0.65 mm"), 1, item("adapter 18 legs at 0.65 mm"), 1);
        assertEquals(1, Shopping.of(two, with(close + ": 1"), HERE).lacking(), "one board carries one chip");
    }

    @Test
    void whatSaysNothingIsForgotten() {
        Drawer drawer = with("resistor 1k: 2").with(item("resistor 1k"), Owned.NONE);
        assertEquals(Drawer.EMPTY, drawer);
    }
}
