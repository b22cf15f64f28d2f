package inkel.core.wiring;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Fitting;
import inkel.core.catalog.Habit;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Place;
import inkel.core.document.edit.Plug;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Capacitance;
import inkel.core.wiring.WireStep.Kind;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Capacitors across the supplies of parts, and diodes in their feeds, are wired like everything else that must lie on the table. */
class CapacitorsTest {
    private static final String LARGE = "tilt.VCC@1 > tilt.GND@1 by capacitor 10 µF of tilt.VCC";
    private static final String SMALL = "tilt.VCC@1 > tilt.GND@1 by capacitor 100 nF of tilt.VCC";

    private static Builds tilt() {
        return Builds.classic().part("tilt", "accelerometer-digital", "VCC=board.3V3");
    }

    private static WireList list(Build build) {
        return WireList.of(Circuit.of(build, Builds.CATALOG)).get(0);
    }

    private static List<String> capacitors(Builds builds) {
        return capacitors(list(builds.build()));
    }

    private static List<String> capacitors(WireList list) {
        return list.steps().stream()
                .filter(step -> step.fitting()
                        .filter(fitting -> fitting.sort() == Fitting.Sort.CAPACITOR)
                        .isPresent())
                .map(WireStep::id)
                .toList();
    }

    @Test
    void whatAClassWantsGoesFromPinToPin() {
        assertEquals(List.of(LARGE, SMALL), capacitors(tilt()));
    }

    @Test
    void whatIsSaidToBeThereOrToComeLaterIsNotWired() {
        assertEquals(List.of(), capacitors(tilt().setting("tilt", "decoupling", "fitted")));
        assertEquals(List.of(), capacitors(tilt().setting("tilt", "later", "yes")));
        assertEquals(List.of(), capacitors(tilt().habit(Habit.DECOUPLING, Habit.Decoupling.LATER)));
        assertEquals(List.of(), capacitors(Builds.classic().part("tilt", "accelerometer-digital")), "nothing feeds it");
    }

    @Test
    void theBuildersOwnIsWiredInAnyCase() {
        assertEquals(List.of("modem.VCC@1 > modem.GND@1 by capacitor 470 µF of modem.VCC"), capacitors(modem()));
    }

    private static Builds modem() {
        return Builds.classic()
                .part("bench", "bench-supply")
                .part("modem", "text-modem", "VCC=bench.+")
                .setting("modem", "capacitor", "470 µF")
                .setting("modem", "decoupling", "fitted");
    }

    /** A board that bursts has it at the pin that its socket leads to. */
    @Test
    void noneGoesIntoASocket() {
        Builds board = Builds.on("board-wireless-3v3").setting("board", "capacitor", "220 µF");
        assertEquals(List.of("board.VIN@1 > board.GND@2 by capacitor 220 µF of board.VIN"), capacitors(board));
    }

    @Test
    void aTickedOneStaysWhateverIsSaidAfterwards() throws Exception {
        Build ticked = new Plug(Builds.NODE, Set.of(SMALL), true).apply(tilt().build());
        Build said = new SetSetting(Builds.NODE, "tilt", Settings.DECOUPLING, "fitted").apply(ticked);
        assertEquals(List.of(SMALL), capacitors(list(said)));
        assertEquals(List.of(), list(said).pulls());
    }

    @Test
    void theNoteGoesWhenAllAreTickedOff() {
        RuleKit.fires(tilt(), "power.decoupling");
        RuleKit.fires(tilt().plugged(SMALL), "power.decoupling");
        RuleKit.quiet(tilt().plugged(SMALL, LARGE), "power.decoupling");
    }

    @Test
    void theWantsOfATableAreOneNote() throws Exception {
        Builds two = tilt().part("radio", "packet-radio", "VCC=board.3V3");
        Finding finding = RuleKit.fires(two, "power.decoupling");
        assertEquals("power.decoupling.several", finding.sentence().key());
        assertEquals(
                List.of("tilt", "radio"),
                finding.places().stream().map(Place::part).toList());
        RuleKit.everyWayOut(two, "power.decoupling");
        assertEquals(
                "power.decoupling",
                RuleKit.fires(two.plugged(SMALL, LARGE), "power.decoupling")
                        .sentence()
                        .key());
    }

    @Test
    void anotherValueIsAnotherCapacitor() throws Exception {
        Build build = modem().build();
        String old = "modem.VCC@1 > modem.GND@1 by capacitor 470 µF of modem.VCC";
        Build ticked = new Plug(Builds.NODE, Set.of(old), true).apply(build);
        WireList after = list(new SetSetting(Builds.NODE, "modem", Settings.CAPACITOR, "1000 µF").apply(ticked));
        WireStep pull = after.pulls().get(0);
        assertEquals(old, pull.id());
        assertEquals("modem.GND@1", pull.to().id());
        assertEquals(Capacitance.ofFarads(470e-6), pull.fitting().orElseThrow().value());
        assertTrue(after.steps().stream().noneMatch(step -> step.id().contains("capacitor 1") && step.plugged()));
    }

    @Test
    void aDiodeStandsInTheFeed() {
        WireList list = list(Builds.dualCore()
                .part("cell", "battery-lithium")
                .boardAlso("VSYS", "cell.+")
                .setting("board", "diode", "VSYS")
                .build());
        WireStep feed = list.steps().stream()
                .filter(step -> step.kind() == Kind.SUPPLY)
                .findFirst()
                .orElseThrow();
        assertEquals("cell.+@1 > board.VSYS@1", feed.id());
        assertEquals("feed-diode", feed.inLine().orElseThrow().text());
    }
}
