package inkel.core.drawer;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.edit.SetSetting;
import inkel.core.kit.Builds;
import inkel.core.kit.RandomBuilds;
import inkel.core.seats.SeatPlan;
import inkel.core.seats.SeatPlanner;
import inkel.core.wiring.WireList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class WantsTest {
    private static final String HERE = "here";

    private record Table(Circuit circuit, List<SeatPlan> plans, Wants wants) {
        static Table of(Build build) {
            Circuit circuit = Circuit.of(build, Builds.CATALOG);
            List<SeatPlan> plans = SeatPlanner.of(circuit, WireList.of(circuit));
            return new Table(circuit, plans, Wants.of(plans));
        }

        Tonight tonight(Drawer drawer) {
            return Tonight.of(circuit.nodes().get(0), wants, drawer, HERE);
        }

        Drawer full() {
            Drawer drawer = Drawer.EMPTY;
            for (Map.Entry<Item, Integer> want : wants.counts().entrySet()) {
                drawer = drawer.with(want.getKey(), Owned.NONE.withCount(want.getValue()));
            }
            return drawer;
        }
    }

    private static Item item(String text) {
        return Item.parse(text).orElseThrow();
    }

    private static Build build() throws Exception {
        return RandomBuilds.planned(Builds.classic()
                .part("shifter", "shifter-4", "HV=board.5V", "LV=board.3V3")
                .part("servo", "servo-micro", "V+=board.5V")
                .part("climate", "climate-i2c", "VIN=board.5V")
                .build());
    }

    @Test
    void everyWireAndPartIsWantedOnce() throws Exception {
        Table table = Table.of(build());
        Map<Item, Integer> counts = table.wants().counts();
        assertEquals(1, counts.get(item("part servo-micro")));
        assertEquals(1, counts.get(item("breadboard long")));
        int wires = counts.entrySet().stream()
                .filter(want -> want.getKey().sort() == Item.Sort.WIRE)
                .mapToInt(Map.Entry::getValue)
                .sum();
        long told = table.plans().get(0).jumpers().values().stream()
                .mapToLong(Long::longValue)
                .sum();
        assertEquals(told, wires);
    }

    @Test
    void whatIsWantedIsReadAsItIsWritten() throws Exception {
        for (int seed = 1; seed <= 10; seed++) {
            for (Item wanted : Table.of(RandomBuilds.of(seed)).wants().counts().keySet()) {
                assertEquals(Optional.of(wanted), Item.parse(wanted.text()), wanted.text());
            }
        }
    }

    @Test
    void withAllInTheDrawerAllCanBeWokenTonight() throws Exception {
        Table table = Table.of(build());
        assertEquals(0, Shopping.of(table.wants().counts(), table.full(), HERE).lacking());
        assertTrue(table.tonight(table.full()).parts().stream().allMatch(Tonight.Ready::isReady));
        assertTrue(table.tonight(Drawer.EMPTY).parts().stream().noneMatch(Tonight.Ready::isReady));
    }

    @Test
    void whoLacksSomethingIsToldWithWhat() throws Exception {
        Table table = Table.of(build());
        Tonight tonight = table.tonight(table.full().with(item("part servo-micro"), Owned.NONE));
        for (Tonight.Ready part : tonight.parts()) {
            assertEquals(!part.part().equals("servo"), part.isReady(), part.toString());
        }
        assertEquals(
                Map.of(item("part servo-micro"), 1),
                tonight.parts().stream()
                        .filter(part -> part.part().equals("servo"))
                        .findFirst()
                        .orElseThrow()
                        .lacks());
    }

    @Test
    void withoutTheBoardNothingCanBeWoken() throws Exception {
        Table table = Table.of(build());
        Tonight tonight = table.tonight(table.full().with(item("part board-classic-5v"), Owned.NONE));
        for (Tonight.Ready part : tonight.parts()) {
            assertEquals(part.part().equals("usb"), part.isReady(), part.toString());
        }
        assertEquals(
                List.of("board"),
                tonight.parts().stream()
                        .filter(part -> part.part().equals("climate"))
                        .findFirst()
                        .orElseThrow()
                        .waitsFor());
    }

    @Test
    void whatIsSolderedComesChipsFirst() throws Exception {
        Build build = RandomBuilds.planned(Builds.classic()
                .part("climate", "climate-i2c", "VIN=board.5V")
                .part("expander", "port-expander", "VCC=board.5V")
                .setting("expander", "form", "chip")
                .setting("climate", "header", "loose")
                .build());
        Table table = Table.of(build);
        List<Preparation.Solder> solder = Preparation.of(table.plans().get(0)).solder();
        assertTrue(
                solder.get(0) instanceof Preparation.Solder.Chip chip
                        && chip.part().equals("expander"),
                "" + solder);
        assertTrue(
                solder.stream()
                        .anyMatch(each -> each instanceof Preparation.Solder.Header header
                                && header.part().equals("climate")
                                && header.pins() == 4),
                "" + solder);
        assertTrue(Preparation.of(table.plans().get(0)).tools().contains(Preparation.Tool.IRON));
    }

    @Test
    void aTableThatIsOnlyPluggedAsksForNoIron() throws Exception {
        Build plugged = RandomBuilds.planned(
                Builds.classic().part("servo", "servo-micro", "V+=board.5V").build());
        Preparation bare = Preparation.of(Table.of(plugged).plans().get(0));
        assertEquals(List.of(), bare.solder());
        assertFalse(bare.tools().contains(Preparation.Tool.IRON));
        Build strip = new SetSetting(Builds.NODE, "board", Settings.TABLE, "strip").apply(plugged);
        assertTrue(Preparation.of(Table.of(strip).plans().get(0)).tools().contains(Preparation.Tool.IRON));
    }

    @Test
    void screwsAskForADriver() throws Exception {
        Build build = RandomBuilds.planned(Builds.classic()
                .part("supply", "wall-supply-5v")
                .part("servo", "servo-micro", "V+=supply.+")
                .build());
        assertTrue(Preparation.of(Table.of(build).plans().get(0)).tools().contains(Preparation.Tool.SCREWDRIVER));
    }
}
