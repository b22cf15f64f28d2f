package inkel.core.wake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.bench.Benches;
import inkel.core.bench.Drives;
import inkel.core.bench.Foretelling;
import inkel.core.bench.Scene;
import inkel.core.catalog.Setting;
import inkel.core.catalog.Settings;
import inkel.core.catalog.WakeCheck;
import inkel.core.circuit.Circuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Extras;
import inkel.core.document.Meter;
import inkel.core.document.Place;
import inkel.core.document.edit.SetSetting;
import inkel.core.io.document.BuildReader;
import inkel.core.kit.Builds;
import inkel.core.kit.RandomBuilds;
import inkel.core.quantity.Current;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Resistance;
import inkel.core.wake.report.ReportPlan;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class WakePlanTest {
    /** A radio on a regulator of its own, and a clock beside it. */
    private static Build build() {
        return Builds.classic()
                .part("reg", "regulator-linear-3v3", "IN=board.5V")
                .part("radio", "packet-radio", "VCC=reg.OUT")
                .part("clock", "clock-memory", "VCC=board.5V")
                .wire("clock.SDA", "board.A4")
                .wire("clock.SCL", "board.A5")
                .wire("radio.CE", "board.D9")
                .build();
    }

    private static NodeWake wake(Build build) {
        return WakePlan.of(Circuit.of(build, Builds.CATALOG), Meter.USUAL)
                .nodes()
                .get(0);
    }

    private static Check check(NodeWake wake, String id) {
        return wake.check(id)
                .orElseThrow(() -> new AssertionError(id + " is not in "
                        + wake.checks().stream().map(Check::id).toList()));
    }

    private static void assertBand(double low, double high, Check check) {
        Expected.Within within = (Expected.Within) check.expected();
        assertEquals(low, within.low().map(Quantity::si).orElse(Double.NaN), 0.011, check.id());
        assertEquals(high, within.high().map(Quantity::si).orElse(Double.NaN), 0.011, check.id());
    }

    /** What feeds others and is driven as well is woken twice: its rail before the board, itself with the parts. */
    @Test
    void whatMakesARailAndIsDrivenIsAPartToo() {
        Builds driver = Builds.classic()
                .part("wall", "wall-supply-12v")
                .part("drv", "motor-driver-bipolar", "12V=wall.+")
                .wire("drv.IN1", "board.D7")
                .wire("drv.IN2", "board.D8");
        assertEquals(List.of(Phase.PART), phasesOf(driver.build(), "drv"));
        Builds boat = Builds.classic()
                .boardUnfed()
                .part("pack", "battery-lithium-two")
                .part("esc", "speed-controller", "V+=pack.+")
                .boardAlso("5V", "esc.BEC")
                .wire("esc.SIG", "board.D9");
        assertEquals(List.of(Phase.SUPPLIES, Phase.PART), phasesOf(boat.build(), "esc"));
        // A plain regulator is none.
        assertEquals(List.of(Phase.SUPPLIES), phasesOf(build(), "reg"));
    }

    /** Where something of a part is measured or looked at, once there is power. */
    private static List<Phase> phasesOf(Build build, String part) {
        return wake(build).checks().stream()
                .filter(check -> check.id().matches(".*\\b" + part + "\\..*|.*\\b" + part + "$"))
                .map(check -> check.group().phase())
                .filter(phase -> phase == Phase.SUPPLIES || phase == Phase.PART)
                .distinct()
                .toList();
    }

    @Test
    void thePhasesComeInOrder() {
        List<Phase> phases = wake(build()).groups().stream().map(Group::phase).toList();
        assertEquals(phases.stream().sorted().toList(), phases);
        // Looks in between come when something is not as foretold; one board alone is joined with none.
        assertEquals(EnumSet.complementOf(EnumSet.of(Phase.BESIDES, Phase.JOINED)), new HashSet<>(phases));
    }

    @Test
    void whoHoldsABusHighComesBeforeWhoOnlyUsesIt() {
        // The expander takes least, but its pull-ups are off; those of the sensor are the only ones.
        Builds bus = Builds.classic()
                .part("light", "light-sensor", "VCC=board.3V3")
                .part("more", "port-expander", "VCC=board.5V")
                .wire("light.SDA", "board.A4")
                .wire("light.SCL", "board.A5")
                .wire("more.SDA", "board.A4")
                .wire("more.SCL", "board.A5");
        assertEquals(List.of("more", "light"), parts(wake(bus.build())));
        bus.setting("more", "pull_ups", "off");
        assertEquals(List.of("light", "more"), parts(wake(bus.build())));
        // The board may have some of its own.
        bus.setting("light", "pull_ups", "off");
        Build held = setOfBoard(bus.build(), Settings.ADD_PULL_UPS, "4k7");
        assertEquals(List.of("more", "light"), parts(wake(held)));
    }

    private static Build setOfBoard(Build build, Setting<?> setting, String value) {
        try {
            return new SetSetting(Builds.NODE, "board", setting, value).apply(build);
        } catch (EditRefused refused) {
            throw new AssertionError(refused);
        }
    }

    private static List<String> parts(NodeWake wake) {
        return wake.groups().stream()
                .filter(group -> group.phase() == Phase.PART)
                .map(Group::part)
                .toList();
    }

    @Test
    void whatFeedsComesBeforeWhatItFeedsAndTheQuietestFirst() {
        List<String> order = wake(build()).checks().stream()
                .filter(check ->
                        check.kind() == Check.Kind.VOLTS && check.group().phase() != Phase.TOGETHER)
                .map(Check::id)
                .toList();
        // The clock takes 3 mA at most, the radio 14.
        assertEquals(
                List.of("volts usb.5V", "volts reg.OUT", "volts board.USB", "volts clock.VCC", "volts radio.VCC"),
                order.stream()
                        .filter(id -> id.matches(".*(5V|OUT|USB|VCC)") && !id.contains("board.5V"))
                        .toList());
    }

    @Test
    void aPortGivesWhatItIsMadeForAsAMeterReadsIt() {
        // 4.75 and 5.25 V, each half a per cent and two steps of 10 mV further out.
        assertBand(4.70, 5.30, check(wake(build()), "volts usb.5V"));
    }

    @Test
    void aPullUpHoldsItsLineNearTheSupply() {
        NodeWake wake = wake(build());
        Expected.Within line = (Expected.Within) check(wake, "volts clock.SDA").expected();
        Expected.Within supply =
                (Expected.Within) check(wake, "volts clock.VCC").expected();
        double below =
                supply.low().orElseThrow().si() - line.low().orElseThrow().si();
        assertTrue(below >= 0 && below < 0.06, "" + below);
    }

    @Test
    void nobodyAsksForVoltsOnAWireThatFloats() {
        assertTrue(wake(build()).check("volts radio.CE").isEmpty());
    }

    @Test
    void nothingIsPoweredOnAFailedCheckOfItsSupply() {
        NodeWake wake = wake(build());
        List<String> waiting = wake.waitingFor(check(wake, "volts reg.OUT")).stream()
                .map(Check::id)
                .toList();
        assertTrue(waiting.contains("volts radio.VCC"));
        assertTrue(waiting.contains("register radio 0x00"));
        assertFalse(waiting.contains("volts clock.VCC"));
        assertTrue(check(wake, "volts usb.5V").needs().contains("ohms usb.5V"));
    }

    @Test
    void aRegisterIsLookedAtOnlyWhenTheSupplyAndTheLinesAreWell() {
        NodeWake wake = wake(build());
        assertTrue(check(wake, "answers clock").needs().containsAll(List.of("volts clock.VCC", "volts clock.SDA")));
        assertEquals(
                new Expected.OneOf(List.of("0x68")),
                check(wake, "answers clock").expected());
    }

    @Test
    void allWhoAnswerAreFoundTogether() {
        // The clock brings a memory at a second address.
        Expected.AllOf all =
                (Expected.AllOf) check(wake(build()), "answers all").expected();
        assertTrue(
                all.values().containsAll(List.of("0x57", "0x68"))
                        || all.values().contains("0x50"),
                "" + all);
    }

    @Test
    void groundsAreJoinedAndRailsAreNotShorted() {
        NodeWake wake = wake(build());
        Expected.Within grounds = (Expected.Within) check(wake, "ohms grounds").expected();
        assertTrue(grounds.high().orElseThrow().si() <= 2);
        Expected.Within rail = (Expected.Within) check(wake, "ohms reg.OUT").expected();
        // The regulator's output and the radio: a kilohm each at the least, and half of that is taken.
        assertEquals(250, rail.low().orElseThrow().si(), 10);
        assertTrue(rail.high().isEmpty());
    }

    @Test
    void aPartTakesWhatItsClassTellsAtRest() {
        // 45 mA usual, half of it at the least and 60 mA at the most; a hundredth and 2 mA for the meter.
        assertBand(0.0199, 0.0626, check(wake(build()), "amperes board.USB"));
    }

    @Test
    void aBacklightIsLitAsSoonAsItIsFed() {
        NodeWake wake = wake(Builds.classic()
                .part("display", "display-4x20-i2c", "VCC=board.5V")
                .build());
        // 60 mA usual, half of it at the least, 120 mA at the most; a hundredth of that and 2 mA for the meter.
        assertBand(0.0268, 0.1232, check(wake, "amperes display.VCC"));
        assertEquals("peak", check(wake, "volts display.VCC").mode());
    }

    @Test
    void aLimitIsSetBeforeAPartComesInAndAPortHasNone() {
        NodeWake wake = wake(Builds.classic()
                .part("bench", "bench-supply")
                .part("gate", "servo-micro", "V+=bench.+")
                .part("other", "servo-micro", "V+=bench.+")
                .build());
        Expected.Seen seen = (Expected.Seen) check(wake, "limit bench.+ gate").expected();
        // A servo at rest takes 10 mA at the most: a supply cannot be set to so little.
        assertEquals(Current.ofMilliamperes(50), seen.what().values().get("current"));
        // With two it is the same, so nothing is to be set for the second.
        assertTrue(wake.check("limit bench.+ other").isEmpty());
        Expected.Seen port = (Expected.Seen) check(wake, "unlimited usb.5V").expected();
        // A port guards itself, and nobody cuts its lead for a fuse.
        assertEquals("wake.look.unguarded", port.what().key());
        assertTrue(wake.check("unlimited bench.+").isEmpty());
    }

    @Test
    void whereAFuseStandsInEveryLineItsAmperesAreLookedAt() {
        Builds behind = Builds.classic()
                .part("cells", "battery-rechargeable-4")
                .part("melts", "fuse", "IN=cells.+")
                .figure("melts", "rail/OUT/rating", "3 A")
                .part("gate", "servo-micro", "V+=melts.OUT");
        Expected.Seen seen =
                (Expected.Seen) check(wake(behind.build()), "unlimited cells.+").expected();
        assertEquals("wake.look.fused", seen.what().key());
        assertEquals(Current.ofAmperes(3), seen.what().values().get("fuse"));
        Expected.Seen past = (Expected.Seen)
                check(wake(behind.part("other", "servo-micro", "V+=cells.+").build()), "unlimited cells.+")
                        .expected();
        assertEquals("wake.look.unlimited", past.what().key());
    }

    @Test
    void whatMeltsAWireHasAFuseThatCarriesThePeak() {
        NodeWake wake = wake(Builds.classic()
                .part("cells", "battery-rechargeable-4")
                .part("gate", "servo-micro", "V+=cells.+")
                .part("other", "servo-micro", "V+=cells.+")
                .build());
        Expected.Seen seen = (Expected.Seen) check(wake, "unlimited cells.+").expected();
        assertEquals("wake.look.unlimited", seen.what().key());
        // Two take 750 mA each at their peak; a fuse of 2 A carries 1.25 times that, one of 1 A does not.
        assertEquals(Current.ofAmperes(2), seen.what().values().get("fuse"));
    }

    @Test
    void whatTakesSomethingOfTheWorldInIsProvedByChangingIt() {
        NodeWake wake = wake(Builds.classic()
                .part("level", "water-level", "+=board.5V")
                .part("reader", "tag-reader-switch", "VCC=board.3V3")
                .part("radio", "packet-radio", "VCC=board.3V3")
                .part("lamp", "led")
                .build());
        Check level = check(wake, "prove sense level");
        assertEquals(Phase.PROVE, level.group().phase());
        assertEquals(
                "measures water level",
                ((Expected.Seen) level.expected()).what().values().get("what"));
        assertTrue(wake.check("prove sense reader").isPresent());
        assertTrue(wake.check("prove sense radio").isEmpty(), "a sender is proved by the other station");
        assertTrue(wake.check("prove air radio").isPresent());
        assertTrue(wake.check("prove sense lamp").isEmpty());
    }

    @Test
    void whatARegulatorThatIsTooHotMakesIsNotMeasured() {
        // 12 V at the plug, 7 V less behind the regulator, 65 °C/W from 25 °C to 125 °C: 1.54 W, or 220 mA. A sensor
        // takes
        // 15 mA: four and the board stay far below, twenty take 300 mA alone.
        for (int sensors : new int[] {4, 20}) {
            Builds builds = Builds.classic().part("wall", "wall-supply-12v").boardOnly("VIN", "wall.+");
            for (int i = 1; i <= sensors; i++) {
                builds.part("level-" + i, "water-level", "+=board.5V");
            }
            NodeWake wake = wake(builds.build());
            boolean isTold = wake.check("hot board.5V").isPresent();
            assertEquals(isTold, wake.check("busy board.5V").isEmpty(), sensors + " sensors");
            assertEquals(sensors == 20, isTold);
        }
    }

    /** A few of every thousand random builds have no place to settle, and this is one. */
    @Test
    void whatDoesNotSettleIsToldWithTheElement() throws Exception {
        Path file =
                Path.of(WakePlanTest.class.getResource("unsettled.inkel.json").toURI());
        Build build = BuildReader.read(file, Builds.CATALOG);
        Circuit circuit = Circuit.of(build, Builds.CATALOG);
        Benches benches = new Benches(circuit, WireList.of(circuit));
        Foretelling all = new Foretelling(benches.model(Scene.resting(benches.all())));
        assertTrue(all.unsettled().isPresent(), "it settles now: look for another");
        assertTrue(wake(build).checks().stream().anyMatch(check -> check.id().startsWith("unsettled ")));
    }

    @Test
    void everyCheckOfRandomBuildsIsSound() throws Exception {
        for (int seed = 7000; seed < 7060; seed++) {
            Circuit circuit = Circuit.of(RandomBuilds.of(seed), Builds.CATALOG);
            List<WireList> lists = WireList.of(circuit);
            for (WireList list : lists) {
                NodeWake wake = WakePlan.of(circuit, lists, list, List.of(), Meter.USUAL);
                Set<String> steps = list.steps().stream().map(WireStep::id).collect(Collectors.toSet());
                Set<String> before = new HashSet<>();
                for (Check check : wake.checks()) {
                    String where = seed + " " + check.id();
                    assertTrue(before.containsAll(check.needs()), where + " needs what comes later");
                    assertTrue(steps.containsAll(check.wires()), where + " needs a wire that is in no list");
                    assertTrue(before.add(check.id()), where + " is there twice");
                    if (check.expected() instanceof Expected.Within within
                            && within.low().isPresent()
                            && within.high().isPresent()) {
                        assertTrue(within.low().get().si() < within.high().get().si(), where);
                    }
                }
            }
        }
    }

    @Test
    void aWireThatNothingElseShowsIsMeasuredWhileTheBoardPutsItHigh() {
        NodeWake wake = wake(Builds.classic()
                .part("shift", "shift-out", "VCC=board.5V")
                .wire("shift.SER", "board.D8")
                .wire("shift.SRCLK", "board.D9")
                .build());
        Check high = check(wake, "high shift.SER");
        // An output of this board gives its supply of 4.7 to 5.3 V, less what its own resistance loses: next to nothing
        // here.
        Expected.Within within = (Expected.Within) high.expected();
        assertTrue(
                within.low().orElseThrow().si() > 4.4
                        && within.high().orElseThrow().si() < 5.4,
                within.toString());
        assertEquals(Check.Kind.LEVEL, high.kind());
        assertEquals(
                Map.of(new Place("bench", "board", "D8"), Drives.HIGH),
                high.asked().scene().driven());
        assertEquals(Phase.PART, check(wake, "high shift.SRCLK").group().phase());
    }

    @Test
    void whatIsSeenOrReadOfAPartIsNotMeasuredToo() {
        NodeWake wake = wake(Builds.classic()
                .part("lamp", "led")
                .part("radio", "packet-radio", "VCC=board.3V3")
                .wire("lamp.A", "board.D8")
                .wire("radio.CSN", "board.D10")
                .wire("radio.SCK", "board.D13")
                .wire("radio.MOSI", "board.D11")
                .wire("radio.MISO", "board.D12")
                .wire("radio.CE", "board.D9")
                .build());
        check(wake, "high radio.CE");
        assertTrue(wake.check("high lamp.A").isEmpty());
        assertTrue(wake.check("high radio.CSN").isEmpty());
    }

    /** Nothing is found behind an open contact; the board closes it for the checks of what is there. */
    @Test
    void whatAContactSwitchesIsMeasuredWhileItIsClosed() {
        Builds table = Builds.classic()
                .part("twelve", "wall-supply-12v")
                .part("relay", "relay-one", "VCC=board.5V", "COM=twelve.+")
                .part("strip", "switch-transistor", "V+=relay.NO")
                .part("other", "switch-transistor", "V+=relay.NC")
                .wire("relay.IN", "board.D8");
        Check closed = check(wake(table.build()), "volts strip.V+");
        assertBand(11.52, 12.49, closed);
        assertEquals(
                Map.of(Builds.place("board.D8"), Drives.HIGH),
                closed.asked().scene().driven());
        Check atRest = check(wake(table.build()), "volts other.V+");
        assertBand(11.52, 12.49, atRest);
        assertEquals(Map.of(), atRest.asked().scene().driven());

        Circuit circuit = Circuit.of(table.build(), Builds.CATALOG);
        Benches benches = new Benches(circuit, WireList.of(circuit));
        Scene scene = closed.asked().scene();
        var resting = new Foretelling(benches.model(Scene.resting(scene.joined())));
        var driven = new Foretelling(benches.model(scene));
        var node = table.circuit();
        assertEquals(
                0,
                resting.band(benches.volts(node, Builds.end("strip.V+")))
                        .orElseThrow()
                        .expected(),
                0.05);
        assertTrue(driven.band(benches.volts(node, Builds.end("strip.V+")))
                        .orElseThrow()
                        .expected()
                > 11.5);
    }

    /** With the transistor off its coil lifts the collector to its supply, whatever the coil's ohms. */
    @Test
    void anIdleWindingIsAtItsSupplyAtBothEnds() {
        NodeWake wake = wake(Builds.classic()
                .part("twelve", "wall-supply-12v")
                .part("lock", "solenoid", "V+=twelve.+")
                .wire("lock.IN", "board.D8")
                .between(new Between.CoilDriver(Builds.end("lock.IN"), Resistance.ofOhms(1000), Extras.NONE))
                .build());
        assertBand(11.52, 12.49, check(wake, "volts lock.V+"));
        assertBand(11.52, 12.49, check(wake, "volts lock.IN"));
    }

    /** A transistor pulls the coil low when the board puts out a high. */
    @Test
    void theBoardPutsHighWhatATransistorPullsLow() {
        NodeWake wake = wake(Builds.classic()
                .part("coil", "relay-coil", "V+=board.5V")
                .part("opto", "relay-opto", "VCC=board.5V")
                .wire("coil.IN", "board.D8")
                .wire("opto.IN", "board.D9")
                .between(new Between.CoilDriver(Builds.end("coil.IN"), Resistance.ofOhms(1000), Extras.NONE))
                .build());
        Map<String, WakeCheck.To> acts = ReportPlan.of(wake).acts().stream()
                .collect(Collectors.toMap(act -> act.signal().part(), ReportPlan.Act::to));
        assertEquals(Map.of("coil", WakeCheck.To.HIGH, "opto", WakeCheck.To.LOW), acts);
    }

    /** One that is reversed may burst as soon as there is power. */
    @Test
    void electrolyticsAndDiodesAreLookedAtBeforeThereIsPower() {
        List<String> looks = ids(Builds.dualCore()
                .part("cell", "battery-lithium")
                .boardAlso("VSYS", "cell.+")
                .setting("board", "diode", "VSYS")
                .part("card", "memory-card", "VCC=board.3V3")
                .part("climate", "climate-i2c", "VIN=board.3V3"));
        assertTrue(looks.contains("look capacitor card"), looks.toString());
        assertTrue(looks.contains("look piece board.VSYS"), looks.toString());
        assertTrue(!looks.contains("look capacitor climate"), "100 nF goes either way");
        List<String> said = ids(
                Builds.dualCore().part("card", "memory-card", "VCC=board.3V3").setting("card", "decoupling", "fitted"));
        assertTrue(!said.contains("look capacitor card"), "it is on the part");
    }

    private static List<String> ids(Builds builds) {
        return WakePlan.of(Circuit.of(builds.build(), Builds.CATALOG), Meter.USUAL)
                .node(Builds.NODE)
                .orElseThrow()
                .checks()
                .stream()
                .filter(check -> check.group().phase() == Phase.BEFORE)
                .map(Check::id)
                .toList();
    }

    private static Between.PulledDown down(String signal) {
        return new Between.PulledDown(Builds.end(signal), Resistance.ofOhms(10e3), Extras.NONE);
    }

    /**
     * Open, a contact rests where the resistor beside its wire pulls it. Of 1 kΩ to 100 kΩ above 10 kΩ of five in a hundred, on
     * 4.67 V to 5.30 V with the meter: 4.67 · 9.5/109.5 to 5.30 · 10.5/11.5.
     */
    @Test
    void whatAResistorPullsIsForetold() {
        Builds table = Builds.classic()
                .part("key", "button", "B=board.5V")
                .wire("key.A", "board.D2")
                .between(down("key.A"))
                .part("eye", "light-resistor-legs", "B=board.5V")
                .wire("eye.A", "board.A0")
                .between(down("eye.A"));
        NodeWake wake = wake(table.build());
        assertBand(4.67, 5.30, check(wake, "volts key.B"));
        assertBand(0, 0.02, check(wake, "volts key.A"));
        assertBand(4.67 * 9.5 / 109.5, 5.30 * 10.5 / 11.5, check(wake, "volts eye.A"));
        // Where only the board pulls, which a program without one does not, nobody can tell; nor which way a switch
        // lies.
        NodeWake open = wake(Builds.classic()
                .part("key", "button")
                .wire("key.A", "board.D2")
                .part("lever", "switch", "COM=board.5V")
                .wire("lever.A", "board.D3")
                .between(down("lever.A"))
                .build());
        assertTrue(open.check("volts key.A").isEmpty());
        assertTrue(open.check("volts lever.A").isEmpty());
    }

    /** A fuse and a switch are met on the way from the battery, before anything hangs behind them. */
    @Test
    void whatStandsInASupplyLineIsMeasuredBeforeTheBoardComes() {
        NodeWake wake = wake(Builds.on("board-small-5v")
                .boardUnfed()
                .part("pack", "battery-lithium-two")
                .part("fuse", "fuse", "IN=pack.+")
                .part("off", "switch-supply", "IN=fuse.OUT")
                .part("down", "regulator-servo", "IN+=off.OUT")
                .boardOnly("5V", "down.OUT+")
                .build());
        List<String> ids = wake.checks().stream()
                .filter(check -> check.group().phase() == Phase.SUPPLIES && check.kind() == Check.Kind.VOLTS)
                .map(Check::id)
                .toList();
        assertEquals(List.of("volts pack.+", "volts fuse.OUT", "volts off.OUT", "volts down.OUT+"), ids);
        // Two cells of 3.0 V to 4.2 V, less next to nothing, and the meter.
        Expected.Within behind = (Expected.Within) check(wake, "volts off.OUT").expected();
        assertTrue(behind.low().orElseThrow().si() > 5.8
                && behind.high().orElseThrow().si() < 8.6);
        assertTrue(check(wake, "volts off.OUT").needs().contains("volts fuse.OUT"));
    }
}
