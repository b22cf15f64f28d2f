package inkel.core.circuit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Fitting;
import inkel.core.catalog.Hazard;
import inkel.core.catalog.Pull;
import inkel.core.catalog.Settings;
import inkel.core.kit.Builds;
import inkel.core.quantity.Source;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** What a part is by its class together with what its builder chose for it. */
class PlacedTest {
    private static Placed placed(Builds builds, String id) {
        return builds.circuit().part(id).orElseThrow();
    }

    private static Set<String> pulls(List<Pull> pulls) {
        return pulls.stream()
                .map(pull -> pull.pin() + " to " + pull.supply() + " "
                        + Math.round(pull.resistance().ohms()))
                .collect(Collectors.toSet());
    }

    private static Builds air() {
        return Builds.classic().part("air", "pressure", "VCC=board.3V3");
    }

    @Test
    void pullUpsThatAreAddedStandBesideItsOwn() {
        Placed bought = placed(air(), "air");
        assertEquals(Set.of("SDA to VCC 10000", "SCL to VCC 10000"), pulls(bought.ownPullUps()));
        assertEquals(List.of(), bought.addedPullUps());
        Placed more = placed(air().setting("air", "add_pull_ups", "4.7 kΩ"), "air");
        assertEquals(Set.of("SDA to VCC 10000", "SCL to VCC 10000"), pulls(more.ownPullUps()));
        assertEquals(Set.of("SDA to VCC 4700", "SCL to VCC 4700"), pulls(more.addedPullUps()));
        assertEquals(4, more.cls().pulls().size());
    }

    @Test
    void pullUpsAreCutOffOrLackOnABareChip() {
        Placed off = placed(air().setting("air", "pull_ups", "off"), "air");
        assertEquals(List.of(), off.cls().pulls());
        assertEquals(List.of(), off.bringsNoPulls(), "they are there and cut off");
        Placed chip = placed(air().setting("air", "form", "chip"), "air");
        assertEquals(List.of(), chip.cls().pulls());
        assertEquals(Set.of("SDA to VCC 10000", "SCL to VCC 10000"), pulls(chip.bringsNoPulls()));
        assertTrue(chip.isChip());
        assertFalse(placed(air(), "air").isChip());
        assertFalse(placed(air().setting("air", "form", "ready"), "air").isChip());
        // The others stay where only the new ones are added.
        Placed both = placed(air().setting("air", "pull_ups", "off").setting("air", "add_pull_ups", "2.2 kΩ"), "air");
        assertEquals(
                Set.of("SDA to VCC 2200", "SCL to VCC 2200"), pulls(both.cls().pulls()));
    }

    @Test
    void aBoardsPairGoesToTheRailOfItsBusPins() {
        Placed board = placed(Builds.classic().setting("board", "add_pull_ups", "4.7 kΩ"), "board");
        assertEquals(Set.of("A4 to 5V 4700", "A5 to 5V 4700"), pulls(board.addedPullUps()));
        assertEquals(List.of(), placed(Builds.classic(), "board").addedPullUps());
    }

    @Test
    void openDrainsOfPartsOnNoBusTakeThem() {
        Placed probe = placed(Builds.classic().part("probe", "temperature-water", "VDD=board.5V"), "probe");
        assertTrue(probe.takesPullUps("DQ"));
        assertFalse(probe.takesPullUps("VDD"));
        assertFalse(probe.takesPullUps("XX"));
        assertFalse(placed(air(), "air").takesPullUps("SDA"), "a bus has pairs");
        Placed radio = placed(Builds.classic().part("radio", "packet-radio", "VCC=board.3V3"), "radio");
        assertFalse(radio.takesPullUps("MISO"));
        assertFalse(radio.takesPullUps("IRQ"), "it drives both ways");
        // Nothing to pull up to.
        Placed button =
                placed(Builds.classic().part("button", "button").setting("button", "add_pull_ups", "10 kΩ"), "button");
        assertFalse(button.takesPullUps("A"));
        assertEquals(List.of(), button.addedPullUps());
    }

    @Test
    void aSelectIsHeldOffByAResistor() {
        Placed radio = placed(
                Builds.classic()
                        .part("radio", "packet-radio", "VCC=board.3V3")
                        .setting("radio", "select_pull_up", "10 kΩ"),
                "radio");
        assertEquals(Set.of("CSN to VCC 10000"), pulls(radio.addedPullUps()));
        assertFalse(radio.isSelectHeldLow());
        assertEquals(Optional.empty(), radio.selectHeldLow());
        // A high selects this screen: off is low.
        Placed screen = placed(
                Builds.classic()
                        .part("screen", "display-graphic-128", "VCC=board.5V")
                        .setting("screen", "select_pull_up", "10 kΩ"),
                "screen");
        assertEquals(List.of(), screen.addedPullUps());
        assertTrue(screen.isSelectHeldLow());
        Fitting held = screen.selectHeldLow().orElseThrow();
        assertEquals("RS GND", held.from() + " " + held.to());
        assertEquals(Fitting.Sort.RESISTOR, held.sort());
        assertEquals(10_000, held.value().si());
        Placed plain = placed(Builds.classic().part("screen", "display-graphic-128", "VCC=board.5V"), "screen");
        assertFalse(plain.isSelectHeldLow());
        assertEquals(Optional.empty(), plain.selectHeldLow());
    }

    @Test
    void mainsAreAHazardUntilLowVoltageIsBehindTheContacts() {
        Builds open = Builds.classic().part("relay", "relay-one", "VCC=board.5V");
        assertTrue(placed(open, "relay").mayCarryMains());
        assertTrue(placed(open, "relay").hazards().contains(Hazard.MAINS));
        Placed said = placed(
                Builds.classic().part("relay", "relay-one", "VCC=board.5V").setting("relay", "behind", "low-voltage"),
                "relay");
        assertFalse(said.mayCarryMains());
        assertFalse(said.hazards().contains(Hazard.MAINS));
        Placed planned = placed(Builds.classic().part("relay", "relay-one", "VCC=board.5V", "COM=board.5V"), "relay");
        assertFalse(planned.hazards().contains(Hazard.MAINS));
        // Only that one is left out.
        Placed cell = placed(Builds.classic().part("cell", "battery-lithium"), "cell");
        assertEquals(cell.cls().handling().hazards(), cell.hazards());
        assertFalse(cell.hazards().isEmpty());
    }

    @Test
    void everyContactOfTheThreeMustBePlanned() {
        Builds one = Builds.classic().part("relays", "relay-three", "VCC=board.5V");
        List<String> commons = one.circuit().part("relays").orElseThrow().cls().outputs().stream()
                .filter(output -> output.contact().isPresent())
                .flatMap(output -> output.from().stream())
                .distinct()
                .toList();
        assertTrue(commons.size() > 1);
        Builds first = Builds.classic().part("relays", "relay-three", "VCC=board.5V", commons.get(0) + "=board.5V");
        assertTrue(placed(first, "relays").mayCarryMains(), "the others may");
        String[] all = commons.stream().map(pin -> pin + "=board.5V").toArray(String[]::new);
        String[] feeds = new String[all.length + 1];
        feeds[0] = "VCC=board.5V";
        System.arraycopy(all, 0, feeds, 1, all.length);
        assertFalse(placed(Builds.classic().part("relays", "relay-three", feeds), "relays")
                .mayCarryMains());
    }

    @Test
    void whatItWantsIsItsClassAndItsBuildersWord() {
        Builds radio = Builds.classic().part("radio", "packet-radio", "VCC=board.3V3");
        assertTrue(wants(radio, "CE"));
        assertFalse(wants(radio, "IRQ"), "it may be left open");
        assertTrue(wants(radio().setting("radio", "wanted", "IRQ"), "IRQ"));
        assertFalse(wants(radio().setting("radio", "declined", "CE (tied on the shield)"), "CE"));
        assertTrue(wants(radio().setting("radio", "declined", "CE (tied on the shield)"), "CSN"));
        Builds later = radio().setting("radio", "later", "yes").setting("radio", "wanted", "IRQ");
        assertFalse(wants(later, "CE"));
        assertFalse(wants(later, "IRQ"));
    }

    private static Builds radio() {
        return Builds.classic().part("radio", "packet-radio", "VCC=board.3V3");
    }

    private static boolean wants(Builds builds, String pin) {
        Placed placed = placed(builds, "radio");
        return placed.wants(placed.cls().pin(pin).orElseThrow());
    }

    @Test
    void aPinIsKeptFreeByName() {
        Placed board = placed(Builds.classic().setting("board", "forbidden", "D3, D5"), "board");
        assertTrue(board.isKeptFree(board.cls().pin("D3").orElseThrow()));
        assertFalse(board.isKeptFree(board.cls().pin("D4").orElseThrow()));
        assertFalse(placed(Builds.classic(), "board")
                .isKeptFree(board.cls().pin("D3").orElseThrow()));
    }

    @Test
    void aSettingIsTheBuildersOrWhatIsTakenOtherwise() {
        Placed chosen = placed(Builds.classic().setting("board", "ambient", "25 °C"), "board");
        assertEquals(Source.YOURS, chosen.sourceOf(Settings.AMBIENT, Source.RULE));
        assertEquals(Source.RULE, placed(Builds.classic(), "board").sourceOf(Settings.AMBIENT, Source.RULE));
    }

    @Test
    void aHeaderIsLooseByItsClassOrItsBuildersWord() {
        assertTrue(placed(air(), "air").isHeaderLoose());
        assertFalse(placed(air().setting("air", "header", "soldered"), "air").isHeaderLoose());
        assertFalse(placed(radio(), "radio").isHeaderLoose());
        assertTrue(placed(radio().setting("radio", "header", "loose"), "radio").isHeaderLoose());
    }

    @Test
    void aCapacitorAcrossTheSupplyGoesFromTheLegToGround() {
        // What comes in at the socket of the wireless board is on the leg VIN.
        Placed board = placed(
                Builds.powered(Builds.CATALOG.get("board-wireless-3v3")).setting("board", "capacitor", "470 µF"),
                "board");
        Fitting across = board.acrossSupply().orElseThrow();
        assertEquals("VIN GND", across.from() + " " + across.to());
        Placed modem =
                placed(Builds.classic().part("modem", "text-modem").setting("modem", "capacitor", "1000 µF"), "modem");
        assertEquals("VCC", modem.acrossSupply().orElseThrow().from());
        assertEquals(1e-3, modem.acrossSupply().orElseThrow().value().si(), 1e-12);
        assertEquals(
                Optional.empty(),
                placed(Builds.classic().part("modem", "text-modem"), "modem").acrossSupply());
    }

    @Test
    void aDiodeStandsInTheNamedFeedAlone() {
        Placed charged = placed(
                Builds.classic().part("charger", "charger-lithium").setting("charger", "diode", "IN+"), "charger");
        assertTrue(charged.hasDiode("IN+"));
        assertFalse(charged.hasDiode("B+"));
        assertFalse(placed(Builds.classic().part("charger", "charger-lithium"), "charger")
                .hasDiode("IN+"));
    }

    @Test
    void aSecondBoardIsOneAmongTheParts() {
        Builds two = Builds.classic().part("other", "board-small-5v");
        assertTrue(placed(two, "other").isSecondBoard());
        assertFalse(placed(two, "board").isSecondBoard());
        assertFalse(placed(air(), "air").isSecondBoard());
    }

    @Test
    void anotherWayInFeedsWhatIsMadeOfTheUsualOne() {
        // At its 5V pin the board makes the 3.3 V of that, and takes its own current there.
        Placed byPin = placed(Builds.classic().boardOnly("5V", "usb.5V"), "board");
        assertEquals("5V", byPin.cls().output("3V3").orElseThrow().from().orElseThrow());
        assertTrue(byPin.cls().modes().stream().noneMatch(mode -> mode.supply().equals("USB")));
        Placed usual = placed(Builds.classic(), "board");
        assertTrue(usual.cls().modes().stream().anyMatch(mode -> mode.supply().equals("USB")));
    }

    @Test
    void aFollowingPinHasTheRailOfTheOneThatItGoesWith() {
        Placed pin = placed(Builds.powered(Builds.CATALOG.get("chip-28pin")), "board");
        List<String> following = pin.cls().supplies().stream()
                .filter(supply -> supply.with().isPresent())
                .map(supply -> supply.pin() + " with " + supply.with().orElseThrow())
                .toList();
        assertEquals(List.of("AVCC with VCC"), following);
        assertEquals(pin.part().feeds().get("VCC"), pin.part().feeds().get("AVCC"));
        // Its builder may give it another.
        Placed own = placed(
                Builds.powered(Builds.CATALOG.get("chip-28pin"))
                        .part("reg", "regulator-linear-3v3", "IN=usb.5V")
                        .boardAlso("AVCC", "reg.OUT"),
                "board");
        assertEquals("reg.OUT", own.part().feeds().get("AVCC").toString());
        assertEquals("usb.5V", own.part().feeds().get("VCC").toString());
    }
}
