package inkel.core.power;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Extras;
import inkel.core.document.Moment;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.TimeSpan;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Power rules at the exact amounts where they begin, each worked by hand. */
class PowerLimitsTest {
    /** Three cells of 2 Ah, 80 % of it: 1.6 Ah for a load that takes the same at all times. */
    private static Builds cells(String current) {
        Builds build = Builds.classic().part("cells", "battery-aa-3").part("pump", "pump-transistor", "V+=cells.+");
        for (String mode : List.of("idle", "active", "peak")) {
            build.figure("pump", "current/V+/" + mode, current);
        }
        return build.setting("pump", "contact", "solder");
    }

    private static List<Finding> soonEmpty(Builds build) {
        return build.findings("power.battery_short").stream()
                .filter(finding -> finding.sentence().key().equals("power.battery_short"))
                .toList();
    }

    private static String set(Finding finding, String fix) {
        Fix found = finding.fixes().stream()
                .filter(way -> way.id().equals(fix))
                .findFirst()
                .orElseThrow();
        return ((SetSetting) found.edits().get(0)).value();
    }

    @Test
    void aBatteryThatLastsExactlyAsLongAsItShould() {
        // 1.6 Ah/200 mA = 8 h, a waking day.
        assertEquals(List.of(), soonEmpty(cells("200 mA")));
        assertEquals(1, soonEmpty(cells("201 mA")).size());
        assertEquals("7", set(soonEmpty(cells("201 mA")).get(0), "hours"));
    }

    @Test
    void hoursAreOfferedWholeFromOneOn() {
        // 1.6 Ah/1.6 A = 1 h; /3.2 A = 0.5 h, of which 99 % are offered.
        assertEquals("1", set(soonEmpty(cells("1.6 A")).get(0), "hours"));
        assertEquals("0.495", set(soonEmpty(cells("3.2 A")).get(0), "hours"));
    }

    @Test
    void aRailExactlyAsLargeAsABurst() {
        Builds enough = Builds.classic().part("four", "wall-supply-4v").part("modem", "text-modem", "VCC=four.+");
        RuleKit.quiet(enough.figure("four", "rail/+/rating", "2 A"), "power.burst_droop");
        RuleKit.fires(enough.figure("four", "rail/+/rating", "1.9 A"), "power.burst_droop");
        assertEquals(
                List.of(),
                enough.figure("four", "rail/+/rating", "2 A").findings("power.source_over"),
                "at its rating a supply is not over it");
    }

    @Test
    void aServoTakesExactlyHalfOfWhatIsSpare() {
        Builds light = Builds.classic().part("servo", "servo-micro", "V+=board.5V");
        RuleKit.quiet(light.figure("servo", "current/V+/peak", "250 mA"), "power.servo_from_board");
        RuleKit.fires(light.figure("servo", "current/V+/peak", "251 mA"), "power.servo_from_board");
    }

    @Test
    void aContactAtOneAmpere() {
        Builds servo = Builds.classic()
                .part("six", "wall-supply-6v")
                .part("servo", "servo-large", "V+=six.+")
                .setting("servo", "gauge", "14");
        RuleKit.quiet(servo.figure("servo", "current/V+/peak", "1 A"), "power.wire_drop");
        RuleKit.fires(servo.figure("servo", "current/V+/peak", "1.01 A"), "power.wire_drop");
    }

    @Test
    void solderingTheSameWireIsSaidAsSolderingAlone() throws Exception {
        // 2.7 A: gauge 18 loses little enough once its contacts are gone; gauge 30 must also be thicker.
        Builds servo = Builds.classic().part("six", "wall-supply-6v").part("servo", "servo-large", "V+=six.+");
        Finding thick = RuleKit.fires(servo.setting("servo", "gauge", "18"), "power.wire_drop");
        assertEquals(List.of("fix.solder"), titles(thick));
        assertEquals(1, thick.fixes().get(0).edits().size());
        Finding thin = RuleKit.fires(servo.setting("servo", "gauge", "30"), "power.wire_drop");
        assertEquals(List.of("fix.solder_thicker"), titles(thin));
        assertEquals(2, thin.fixes().get(0).edits().size());
    }

    @Test
    void plugsThatBurnOnOneRailAreOneFindingAndOneWayOut() throws Exception {
        Builds two = Builds.classic()
                .part("six", "wall-supply-6v")
                .part("one", "servo-large", "V+=six.+")
                .part("two", "servo-standard", "V+=six.+");
        RuleKit.waysOut(two, "power.wire_drop", "solder");
        List<Finding> found = two.part("strong", "wall-supply-5v-strong")
                .part("far", "servo-large", "V+=strong.+")
                .findings("power.wire_drop");
        assertEquals(2, found.size());
        assertTrue(found.get(0).sentence().key().endsWith(".contact.several"));
        assertEquals(2.7, RuleKit.si(found.get(0), "peak"), 1e-9);
        assertEquals("[one, two]", found.get(0).sentence().values().get("part").toString());
        assertTrue(found.get(1).sentence().key().endsWith(".contact"));
    }

    @Test
    void whereNoWireIsThickEnoughAnotherRailHasItToSpare() throws Exception {
        // The rail may give as little as the part needs: 2.5 A through 0.4 m of the thickest wire are too much already.
        Builds arm = Builds.classic()
                .part("strong", "wall-supply-5v-strong")
                .part("arm", "servo-large", "V+=strong.+")
                .setting("arm", "contact", "solder")
                .figure("arm", "supply/V+/min", "4.9 V");
        Finding finding = RuleKit.fires(arm, "power.wire_drop");
        assertEquals("fix.add_supply", finding.fixes().get(0).title().key(), "6 V have it to spare");
        RuleKit.waysOut(arm, "power.wire_drop", "add-wall-supply-6v");
    }

    /** A sensor's few milliamperes lose microvolts: nobody is told of that, however little there is to spare. */
    @Test
    void whatNoMeterShowsIsNotLost() {
        // 0.2 m of gauge 26 there and back with four contacts of 15 mΩ are 0.114 Ω: 40 mA lose 4.6 mV, 50 mA lose 5.7
        // mV.
        RuleKit.quiet(asked("40 mA"), "power.wire_drop");
        RuleKit.fires(asked("50 mA"), "power.wire_drop");
    }

    /** 50 mΩ of a power bank: 96 mA sag by 4.8 mV, 110 mA by 5.5 mV below the 4.75 V that the board wants. */
    @Test
    void whatNoMeterShowsDoesNotSag() {
        Builds bank = Builds.on("board-big-5v").part("bank", "power-bank").boardOnly("5V", "bank.5V");
        assertEquals(List.of(), sagging(bank));
        assertEquals(1, sagging(bank.part("flow", "flow", "V+=board.5V")).size());
    }

    private static List<Finding> sagging(Builds builds) {
        return builds.findings("power.battery_short").stream()
                .filter(finding -> finding.sentence().key().endsWith(".sag"))
                .toList();
    }

    /** A part that works at the least that its rail gives, and takes an amount at most. */
    private static Builds asked(String most) {
        return Builds.powered(Builds.CATALOG.get("board-wireless-3v3"))
                .part("sound", "sound-player", "VCC=board.3V3")
                .figure("sound", "current/VCC/active", "20 mA")
                .figure("sound", "current/VCC/peak", most);
    }

    private static List<String> titles(Finding finding) {
        return finding.fixes().stream().map(fix -> fix.title().key()).toList();
    }

    @Test
    void whatABatterySagsIsMissingAtTheEndOfItsWires() {
        // 4 V less 0.8 Ω · 0.5 A = 3.6 V; 0.4 m of gauge 20 soldered lose 0.5 A · 0.4 m · 1.724e-8/5.189e-7 m² = 6.6
        // mV.
        NodeCircuitOf lines = new NodeCircuitOf(Builds.classic()
                .part("pack", "battery-aa-4")
                .part("pump", "pump-transistor", "V+=pack.+")
                .figure("pump", "current/V+/peak", "500 mA")
                .setting("pump", "contact", "solder")
                .setting("pump", "gauge", "20"));
        FeedLine line = lines.of("pump");
        assertEquals(0.4, line.sag().volts(), 1e-12);
        double drop = 0.5 * 0.4 * 1.724e-8 / (Math.PI / 4 * Math.pow(0.127e-3 * Math.pow(92, 16.0 / 39), 2));
        assertEquals(4 - 0.4 - drop, line.arrives().orElseThrow().volts(), 1e-9);
        FeedLine port = new NodeCircuitOf(Builds.classic().part("radio", "packet-radio", "VCC=board.3V3")).of("radio");
        assertEquals(0, port.sag().volts(), "only a battery sags");
    }

    private record NodeCircuitOf(Builds builds) {
        FeedLine of(String part) {
            return FeedLine.of(builds.circuit()).stream()
                    .filter(line -> line.placed().id().equals(part))
                    .findFirst()
                    .orElseThrow();
        }
    }

    private static Moment moment(String id, String part, double length, double at) {
        return new Moment(
                id,
                id,
                List.of(new Moment.Raise(part, "peak")),
                TimeSpan.ofSeconds(length),
                Optional.empty(),
                Optional.of(TimeSpan.ofSeconds(at)),
                Set.of(),
                Extras.NONE);
    }

    /** Two micro servos, each 750 mA while it is held for a second and 10 mA else; the second begins after the first. */
    private static PeakLine twoInTurn() {
        return new PeakLine(Builds.classic()
                .part("six", "wall-supply-6v")
                .part("one", "servo-micro", "V+=six.+")
                .part("two", "servo-micro", "V+=six.+")
                .moment(moment("first", "one", 1, 0))
                .moment(moment("second", "two", 1, 2))
                .circuit());
    }

    @Test
    void theLineBeginsAtItsStartAndEndsBeforeItsEnd() {
        List<PeakLine.Step> steps = twoInTurn().steps(end("six.+"), 0.5, 2, 100);
        assertEquals(
                List.of(0.5, 1.0), steps.stream().map(PeakLine.Step::from).toList(), "what begins at 2 s is not shown");
        assertEquals(0.760, steps.get(0).current().amperes(), 1e-12);
        assertEquals(0.020, steps.get(1).current().amperes(), 1e-12);
    }

    @Test
    void aMomentIsOnFromItsStartToJustBeforeItsEnd() {
        PeakLine line = twoInTurn();
        assertEquals(0.760, line.at(end("six.+"), 0).amperes(), 1e-12);
        assertEquals(0.020, line.at(end("six.+"), 1).amperes(), 1e-12);
        assertEquals(0.760, line.at(end("six.+"), 2).amperes(), 1e-12);
    }

    private static Moment anytime(String id, String part, String mode) {
        return new Moment(
                id,
                id,
                List.of(new Moment.Raise(part, mode)),
                TimeSpan.ofSeconds(1),
                Optional.empty(),
                Optional.empty(),
                Set.of(),
                Extras.NONE);
    }

    /** Two modems: the first sends from the start, the second whenever it likes. */
    private static PeakLine twoModems(String mode) {
        return new PeakLine(Builds.classic()
                .part("four", "wall-supply-4v")
                .part("one", "text-modem", "VCC=four.+")
                .part("two", "text-modem", "VCC=four.+")
                .moment(moment("text", "one", 0.02, 0))
                .moment(anytime("call", "two", mode))
                .circuit());
    }

    @Test
    void theEndOfAMomentAndOfABurstComesByAsLittleAsIsRounded() {
        assertEquals(0.020, twoInTurn().at(end("six.+"), 1 - 1e-9).amperes(), 1e-12);
        PeakLine line = new PeakLine(Builds.classic()
                .part("four", "wall-supply-4v")
                .part("modem", "text-modem", "VCC=four.+")
                .moment(moment("text", "modem", 0.02, 0))
                .circuit());
        assertEquals(0.350, line.at(end("four.+"), 577e-6 - 1e-9).amperes(), 1e-12);
        assertEquals(2.0, line.at(end("four.+"), 576e-6).amperes(), 1e-12);
    }

    @Test
    void whatMayBurstAtAnyTimeIsInABurstAllTheTime() {
        // Between two bursts of the first: its 350 mA and 2 A of the second; in one: 2 A and 2 A.
        PeakLine line = twoModems("peak");
        assertEquals(4.0, line.at(end("four.+"), 0).amperes(), 1e-9);
        assertEquals(2.35, line.at(end("four.+"), 1e-3).amperes(), 1e-9);
        assertEquals(2.02, line.at(end("four.+"), 0.021).amperes(), 1e-9);
        // A second that works without bursts takes 350 mA.
        assertEquals(0.7, twoModems("active").at(end("four.+"), 1e-3).amperes(), 1e-9);
        assertEquals("bench", line.node().node().id());
    }

    @Test
    void onePartMayBeInItsMomentAndFreeToBurst() {
        // The same modem also calls whenever it likes: between its bursts it may be in one of those.
        PeakLine line = new PeakLine(Builds.classic()
                .part("four", "wall-supply-4v")
                .part("one", "text-modem", "VCC=four.+")
                .moment(moment("text", "one", 0.02, 0))
                .moment(anytime("call", "one", "peak"))
                .circuit());
        assertEquals(2.0, line.at(end("four.+"), 1e-3).amperes(), 1e-9);
    }

    @Test
    void theWorstOfTwoSetsThatNeverMeet() {
        // Two servos that may move at any time, never together: 750 or 500 mA, and the other at rest.
        PeakLine line = new PeakLine(Builds.classic()
                .part("six", "wall-supply-6v")
                .part("one", "servo-micro", "V+=six.+")
                .part("two", "servo-micro", "V+=six.+")
                .figure("two", "current/V+/peak", "500 mA")
                .moment(anytime("first", "one", "peak"))
                .moment(new Moment(
                        "second",
                        "second",
                        List.of(new Moment.Raise("two", "peak")),
                        TimeSpan.ofSeconds(1),
                        Optional.empty(),
                        Optional.empty(),
                        Set.of("first"),
                        Extras.NONE))
                .circuit());
        assertEquals(0.760, line.at(end("six.+"), 0).amperes(), 1e-9);
    }

    @Test
    void theLineShowsOnlyWhatItIsAskedFor() {
        // Three bursts of a second and a third of them: from 2 ms to 7 ms just the one that begins at 4.615 ms.
        PeakLine line = new PeakLine(Builds.classic()
                .part("four", "wall-supply-4v")
                .part("modem", "text-modem", "VCC=four.+")
                .moment(moment("text", "modem", 0.015, 0))
                .circuit());
        assertEquals(
                List.of(2000, 4615, 5192),
                line.steps(end("four.+"), 0.002, 0.007, 100).stream()
                        .map(step -> (int) Math.round(step.from() * 1e6))
                        .toList());
        assertEquals(
                List.of(16000),
                line.steps(end("four.+"), 0.016, 0.02, 100).stream()
                        .map(step -> (int) Math.round(step.from() * 1e6))
                        .toList());
    }

    /** A modem that sends for 9.23 ms from the start: two periods of 4.615 ms, each with 577 µs of 2 A. */
    @Test
    void burstsAreShownOneByOneUpToTheNumberAskedFor() {
        PeakLine line = new PeakLine(Builds.classic()
                .part("four", "wall-supply-4v")
                .part("modem", "text-modem", "VCC=four.+")
                .moment(moment("text", "modem", 2 * 4.615e-3, 0))
                .circuit());
        // Two edges of the span and of the line, and four of its bursts.
        List<PeakLine.Step> all = line.steps(end("four.+"), 0, 0.02, 6);
        assertEquals(
                List.of(0, 577, 4615, 5192, 9230),
                all.stream().map(step -> (int) Math.round(step.from() * 1e6)).toList());
        assertEquals(
                List.of(0, 9230),
                line.steps(end("four.+"), 0, 0.02, 5).stream()
                        .map(step -> (int) Math.round(step.from() * 1e6))
                        .toList());
        assertTrue(line.at(end("four.+"), 577e-6).amperes() < 0.4, "a burst ends at its end");
        assertEquals(2.0, line.at(end("four.+"), 4.615e-3).amperes(), 1e-12);
    }

    /** Leads of a pack under the screws of a driver of 2 A: nothing is plugged, unless the builder says that it is. */
    @Test
    void aBareWireUnderAScrewIsNotPlugged() {
        Builds car = Builds.classic()
                .part("cells", "battery-lithium-two")
                .part("drv", "motor-driver-bipolar", "12V=cells.+");
        assertEquals(List.of(), car.findings("power.wire_drop"));
        RuleKit.fires(car.setting("drv", "contact", "jumper"), "power.wire_drop");
        // At the pins of the small driver a jumper is plugged.
        Builds pins = Builds.classic()
                .part("cells", "battery-lithium-two")
                .part("drv", "motor-driver", "VM=cells.+", "VCC=board.5V");
        RuleKit.fires(pins, "power.wire_drop");
    }

    /**
     * A block of 9 V falls to 6.5 V, and the regulator wants 7 V. Where its pin is said to work from more than that, but not from
     * more than the block usually has, it is the pin of which that is told.
     */
    @ParameterizedTest(name = "works from {0}: {1}")
    @CsvSource({
        "6.5 V, power.dropout",
        "6.51 V, parts.supply_too_low",
        "9 V, parts.supply_too_low",
        "9.01 V, parts.supply_too_low power.dropout",
    })
    void aStarvedRegulatorIsToldOnce(String least, String told) {
        Builds build = Builds.classic()
                .part("block", "battery-9v")
                .part("reg", "regulator-linear-5v", "IN=block.+")
                .figure("reg", "supply/IN/min", least)
                .figure("reg", "supply/IN/max", "20 V");
        String codes = build.assess().findings().stream()
                .map(Finding::code)
                .filter(code -> code.equals("power.dropout") || code.equals("parts.supply_too_low"))
                .collect(Collectors.joining(" "));
        assertEquals(told, codes);
    }
}
