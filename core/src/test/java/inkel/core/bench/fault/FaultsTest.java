package inkel.core.bench.fault;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.bench.Answer;
import inkel.core.bench.Asked;
import inkel.core.bench.Benches;
import inkel.core.bench.PracticeBench;
import inkel.core.bench.Probe;
import inkel.core.bench.Question;
import inkel.core.bench.Scene;
import inkel.core.bench.Twist;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Meter;
import inkel.core.document.Place;
import inkel.core.kit.Builds;
import inkel.core.kit.RandomBuilds;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireStep;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class FaultsTest {
    /** Exact to the last digit, so that Ohm's law can be told from what is read. */
    private static final Meter EXACT = new Meter(2_000_000, 0, 0);

    private final Layout layout = Layout.of(Circuit.of(
            Builds.classic()
                    .part("reg", "regulator-linear-3v3", "IN=board.5V")
                    .part("radio", "packet-radio", "VCC=reg.OUT")
                    .part("clock", "clock-memory", "VCC=board.5V")
                    .part("gps", "positioning-receiver", "VCC=board.5V")
                    .wire("radio.SCK", "board.D13")
                    .wire("radio.MOSI", "board.D11")
                    .wire("radio.MISO", "board.D12")
                    .wire("radio.CSN", "board.D10")
                    .wire("radio.CE", "board.D9")
                    .wire("clock.SDA", "board.A4")
                    .wire("clock.SCL", "board.A5")
                    .wire("gps.TX", "board.D4")
                    .wire("gps.RX", "board.D3")
                    .build(),
            Builds.CATALOG));
    private final NodeCircuit node = layout.circuit().nodes().get(0);
    private final Benches benches = new Benches(layout.circuit(), layout.lists());
    private final Scene scene = Scene.resting(benches.all());
    private final List<Fault> faults = Faults.of(layout);

    private PracticeBench bench(Twist twist) {
        return new PracticeBench(layout.circuit(), layout.lists(), twist, EXACT, 5);
    }

    private double amount(Twist twist, Question question) {
        return ((Answer.Amount) bench(twist).ask(new Asked(scene, question)).orElseThrow()).si();
    }

    private double volts(Twist twist, String pin) {
        return amount(twist, new Question.Measure(benches.volts(node, Builds.end(pin))));
    }

    private List<String> texts(Twist twist, Question question) {
        return ((Answer.Texts) bench(twist).ask(new Asked(scene, question)).orElseThrow()).texts();
    }

    private Place part(String id) {
        return Place.ofPart(Builds.NODE, id);
    }

    private Fault fault(FaultKind kind, Predicate<Fault> which) {
        return faults.stream()
                .filter(fault -> fault.kind() == kind)
                .filter(which)
                .findFirst()
                .orElseThrow(() -> new AssertionError(kind + " is not among " + faults.size()));
    }

    private Twist twist(FaultKind kind, Predicate<Fault> which) {
        return fault(kind, which).forms(layout).get(0);
    }

    private WireStep stepAt(String pin) {
        return layout.lists().get(0).steps().stream()
                .filter(step -> List.of(step.from(), step.to()).stream()
                        .anyMatch(end ->
                                end instanceof Terminal.OnPin on && on.pin().equals(Builds.end(pin))))
                .findFirst()
                .orElseThrow();
    }

    private Predicate<Fault> onWireAt(String pin) {
        String id = stepAt(pin).id();
        return fault -> fault instanceof WireFault.OnOneWire on && on.wire().equals(id);
    }

    private Question register() {
        return new Question.Register(part("radio"), List.of("0x08"), Optional.empty());
    }

    private Question answers() {
        return new Question.Answers(List.of(part("clock")));
    }

    private Question reply() {
        return new Question.Reply(part("gps"), "$G");
    }

    @Test
    void aBenchWithoutFaultsAnswersAsItShould() {
        assertEquals(List.of("0x08"), texts(Twist.NONE, register()));
        assertTrue(texts(Twist.NONE, answers()).contains("0x68"));
        assertEquals(List.of("$G"), texts(Twist.NONE, reply()));
    }

    /** 15 to 150 ohms across 3.3 V: what a supply gives is at least 20 mA more. Small ones have no right way round. */
    @Test
    void anElectrolyticTheWrongWayRoundTakesCurrent() {
        Fault turned = fault(FaultKind.CAPACITOR_TURNED, fault -> fault.at().equals(part("radio")));
        Question gives = new Question.Measure(new Probe.Amperes("bench usb.5V gives"));
        double more = amount(turned.forms(layout).get(0), gives) - amount(Twist.NONE, gives);
        assertTrue(more > 0.018, "" + more);
        assertEquals(
                1,
                faults.stream()
                        .filter(fault -> fault.kind() == FaultKind.CAPACITOR_TURNED
                                && fault.at().equals(part("radio")))
                        .count());
        assertTrue(faults.stream()
                .noneMatch(fault ->
                        fault.kind() == FaultKind.CAPACITOR_TURNED && fault.at().equals(part("clock"))));
    }

    /** A contact, a resistance and a fuse work either way round; a lamp does not. */
    @Test
    void whatHasTwoEndsAlikeIsNeverTheWrongWayRound() {
        Layout laid = Layout.of(Circuit.of(
                Builds.classic()
                        .part("key", "button")
                        .wire("key.A", "board.D2")
                        .part("reed", "contact-reed", "B=board.5V")
                        .wire("reed.A", "board.D3")
                        .part("eye", "light-resistor-legs")
                        .wire("eye.A", "board.A0")
                        .part("lamp", "led")
                        .wire("lamp.A", "board.D4")
                        .build(),
                Builds.CATALOG));
        Set<String> turned = Faults.of(laid).stream()
                .filter(fault -> fault.kind() == FaultKind.TURNED_ABOUT || fault.kind() == FaultKind.WIRES_SWAPPED)
                .map(fault -> fault.at().part())
                .filter(part -> List.of("key", "reed", "eye", "lamp").contains(part))
                .collect(Collectors.toSet());
        assertEquals(Set.of("lamp"), turned);
    }

    @Test
    void aDiodeTheWrongWayRoundLetsNothingThrough() {
        Layout fed = Layout.of(Circuit.of(
                Builds.dualCore()
                        .part("cell", "battery-lithium")
                        .boardOnly("VSYS", "cell.+")
                        .setting("board", "diode", "VSYS")
                        .build(),
                Builds.CATALOG));
        Benches there = new Benches(fed.circuit(), fed.lists());
        NodeCircuit table = fed.circuit().nodes().get(0);
        Fault turned = Faults.of(fed).stream()
                .filter(fault -> fault.kind() == FaultKind.DIODE_TURNED)
                .findFirst()
                .orElseThrow();
        Question.Measure volts = new Question.Measure(there.volts(table, Builds.end("board.VSYS")));
        for (Twist twist : List.of(Twist.NONE, turned.forms(fed).get(0))) {
            double read = read(fed, there, twist, volts);
            assertEquals(twist == Twist.NONE, read > 2.5, "" + read);
        }
        // A contact of 22 to 50 ohms before the diode, at some tens of milliamperes.
        Fault loose = Faults.of(fed).stream()
                .filter(fault -> fault.kind() == FaultKind.CONTACT_LOOSE
                        && ((WireFault.OnOneWire) fault).wire().equals(((WireFault.OnOneWire) turned).wire()))
                .findFirst()
                .orElseThrow();
        List<Twist> forms = loose.forms(fed);
        double well = read(fed, there, Twist.NONE, volts);
        double with = read(fed, there, forms.get(forms.size() - 1), volts);
        assertTrue(well - with > 0.3, well + " and " + with);
    }

    private static double read(Layout table, Benches there, Twist twist, Question.Measure what) {
        PracticeBench bench = new PracticeBench(table.circuit(), table.lists(), twist, EXACT, 5);
        return ((Answer.Amount)
                        bench.ask(new Asked(Scene.resting(there.all()), what)).orElseThrow())
                .si();
    }

    @Test
    void aLooseContactLosesWhatItsOhmsMakeOfTheCurrent() {
        Fault loose = fault(FaultKind.CONTACT_LOOSE, onWireAt("gps.VCC"));
        WireStep step = stepAt("gps.VCC");
        Question along =
                new Question.Measure(new Probe.Volts(benches.point(node, step.from()), benches.point(node, step.to())));
        Question amperes = new Question.Measure(benches.takes(node, Builds.end("gps.VCC")));
        for (int i = 0; i + 1 < Fault.LOOSE_OHMS.length; i++) {
            Twist form = loose.forms(layout).get(i);
            // Signals at the part take a little from the wire besides, and a display shows whole milliamperes.
            double ohms = Math.abs(amount(form, along)) / amount(form, amperes);
            assertTrue(ohms > 0.7 * Fault.LOOSE_OHMS[i] && ohms < 1.5 * Fault.LOOSE_OHMS[i + 1], i + ": " + ohms);
        }
    }

    @Test
    void withoutItsGroundAPartHasNoSupplyToSpeakOfAndSaysNothing() {
        Twist gone = twist(FaultKind.GROUND_MISSING, onWireAt("radio.GND"));
        assertTrue(volts(Twist.NONE, "radio.VCC") > 3.1);
        assertTrue(volts(gone, "radio.VCC") < 2);
        assertFalse(texts(gone, register()).contains("0x08"));
    }

    @Test
    void swappedDataLinesSilenceARegisterAndLeaveTheSupplyAsItWas() {
        String in = stepAt("radio.MOSI").id();
        String out = stepAt("radio.MISO").id();
        Twist swapped = twist(
                FaultKind.WIRES_SWAPPED,
                fault -> fault instanceof WireFault.Swapped both
                        && both.part().equals("radio")
                        && Set.of(both.wire(), both.other()).equals(Set.of(in, out)));
        assertEquals(volts(Twist.NONE, "radio.VCC"), volts(swapped, "radio.VCC"), 0.01);
        assertFalse(texts(swapped, register()).contains("0x08"));
    }

    @Test
    void aSerialLineThatIsNotCrossedIsSilentAndOneAtAnotherRateIsRubbish() {
        Twist straight = twist(FaultKind.NOT_CROSSED, fault -> true);
        Twist other = twist(FaultKind.WRONG_BAUD, fault -> fault.at().equals(part("gps")));
        assertEquals(List.of(), texts(straight, reply()));
        assertEquals(1, texts(other, reply()).size());
        assertFalse(texts(other, reply()).contains("$G"));
    }

    @Test
    void linesOfABusThatTouchLetNobodyAnswer() {
        Twist touching = twist(
                FaultKind.SHORTED,
                fault -> fault instanceof PinFault.Shorted shorted
                        && shorted.at().part().equals("clock")
                        && Set.of(shorted.at().pin(), shorted.other().pin()).equals(Set.of("SDA", "SCL")));
        assertEquals(List.of(), texts(touching, answers()));
    }

    @Test
    void aSupplyWireInTheGroundBesideItTakesTheRailDown() {
        Twist off = twist(
                FaultKind.ONE_PIN_OFF,
                fault -> fault instanceof WireFault.Moved moved
                        && moved.wire().equals(stepAt("clock.VCC").id())
                        && !moved.isFirst()
                        && node.part("clock")
                                .orElseThrow()
                                .cls()
                                .pins()
                                .get(moved.index())
                                .label()
                                .equals("GND"));
        assertTrue(volts(off, "board.5V") < 1, "the port gives up");
    }

    @Test
    void aDeadRegulatorGivesNothing() {
        Twist dead = twist(FaultKind.PART_DEAD, fault -> fault.at().equals(part("reg")));
        assertEquals(0, volts(dead, "radio.VCC"), 0.2);
    }

    @Test
    void twoFaultsTogetherAreBoth() {
        Twist both =
                twist(FaultKind.GROUND_MISSING, onWireAt("radio.GND")).and(twist(FaultKind.NOT_CROSSED, fault -> true));
        assertTrue(volts(both, "radio.VCC") < 2);
        assertEquals(List.of(), texts(both, reply()));
    }

    @Test
    void aBoardWithoutAProgramAsksNobody() {
        Twist silent = twist(FaultKind.CHARGE_ONLY, fault -> true);
        assertEquals(List.of(), texts(silent, answers()));
        assertEquals(List.of(), texts(silent, register()));
    }

    @Test
    void everyKindIsMadeSomewhereAndHasItsOdds() throws Exception {
        Set<FaultKind> made = EnumSet.noneOf(FaultKind.class);
        for (String example : List.of("otterbeck-locks.inkel.json", "moth-lamp.inkel.json")) {
            note(Layout.of(Circuit.of(Builds.example(example), Builds.CATALOG)), made);
        }
        note(
                Layout.of(Circuit.of(
                        Builds.classic()
                                .part("radio", "packet-radio", "VCC=board.3V3")
                                .setting("radio", "capacitor", "10 uF")
                                .build(),
                        Builds.CATALOG)),
                made);
        for (int seed = 1; seed < 120; seed++) {
            note(Layout.of(Circuit.of(RandomBuilds.of(seed), Builds.CATALOG)), made);
        }
        assertEquals(EnumSet.noneOf(FaultKind.class), EnumSet.complementOf(EnumSet.copyOf(made)));
    }

    private void note(Layout of, Set<FaultKind> made) {
        Priors priors = new Priors(of, Set.of());
        for (Fault fault : Faults.of(of)) {
            made.add(fault.kind());
            double odds = priors.of(fault);
            assertTrue(odds > 0 && odds < 0.2, fault + ": " + odds);
            assertFalse(fault.forms(of).isEmpty(), fault.toString());
        }
    }

    @Test
    void aWireThatWasPulledTodayIsLikelierWrong() {
        Fault loose = fault(FaultKind.CONTACT_LOOSE, onWireAt("radio.VCC"));
        String name = Builds.NODE + " wire " + stepAt("radio.VCC").id();
        double usual = new Priors(layout, Set.of()).of(loose);
        assertEquals(3 * usual, new Priors(layout, Set.of(name)).of(loose), 1e-12);
    }
}
