package inkel.core.tune.serial;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.kit.Builds;
import inkel.core.tune.serial.SerialDraft.Heard;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

class SerialTest {
    /** A worked example of IEC 61162-1 sentences: 48° 07.038' north, 11° 31.000' east, 8 satellites. */
    private static final String FIX = "$GPGGA,123519,4807.038,N,01131.000,E,1,08,0.9,545.4,M,46.9,M,,*47";

    private static Optional<SerialDraft> draft(String cls, String... lines) {
        Builds builds = Builds.classic().part("part", cls);
        for (String line : lines) {
            builds.wire("part." + line, "board.D2");
        }
        NodeCircuit node = Circuit.of(builds.build(), Builds.CATALOG).nodes().get(0);
        return SerialDraft.of(node, node.part("part").orElseThrow(), Optional.empty());
    }

    private static SerialDraft receiver() {
        return draft("positioning-receiver", "TX").orElseThrow();
    }

    @Test
    void whatComesAtARateSaysWhetherItIsTheRightOne() {
        SerialDraft bridge = draft("bridge-bluetooth", "TXD").orElseThrow();
        assertEquals("AT", bridge.rig().say());
        bridge = bridge.with(9600, List.of("\uFFFDx")).with(38400, List.of()).with(57600, List.of("hello"));
        assertEquals(Heard.NONSENSE, bridge.tried().get(9600));
        assertEquals(Heard.SILENCE, bridge.tried().get(38400));
        assertEquals(Heard.OTHER, bridge.tried().get(57600));
        assertEquals(Optional.empty(), bridge.rate());
        bridge = bridge.with(115200, List.of("OK"));
        assertEquals(Optional.of(115200), bridge.rate());
        assertEquals(Heard.RIGHT, bridge.with(115200, List.of("\uFFFD")).tried().get(115200), "one torn line");
        assertTrue(draft("bridge-bluetooth").isEmpty(), "no line is wired from it");
        assertTrue(draft("sound-player", "TX").isEmpty(), "it says nothing when asked");
    }

    @Test
    void sentencesAreCheckedAndTheFixIsReadAndNotKept() {
        SerialDraft heard = receiver()
                .with(9600, List.of("$GPGSA,A,1,,,,,,,,,,,,,99.9,99.9,99.9*09"))
                .with(9600, List.of(FIX))
                .with(9600, List.of(FIX.replace("545.4", "545.5")));
        assertEquals(2, heard.sentences().good());
        assertEquals(1, heard.sentences().bad());
        assertEquals(1, heard.sentences().without());
        assertEquals(48 + 7.038 / 60, heard.sentences().latitude().orElseThrow(), 1e-9);
        assertEquals(11 + 31.0 / 60, heard.sentences().longitude().orElseThrow(), 1e-9);
        assertEquals(8, heard.sentences().satellites().orElseThrow());
        assertEquals("{baud=9600}", heard.tuning().choices().toString());
        assertFalse(heard.constants().toString().contains("48"));
    }

    @Test
    void aPartThatIsNotThereIsFoundAtOneOfItsRatesAlone() {
        TreeSet<Integer> found = new TreeSet<>();
        for (long seed = 0; seed < 100; seed++) {
            SerialDraft draft = receiver();
            SerialDevice device = new SerialDevice(draft.rig(), seed);
            List<Integer> right = new ArrayList<>();
            for (int rate : draft.rig().rates()) {
                draft = draft.with(rate, device.answer(rate));
                if (draft.tried().get(rate) == Heard.RIGHT) {
                    right.add(rate);
                }
            }
            assertEquals(1, right.size(), "seed " + seed);
            found.addAll(right);
            for (int i = 0; i < 20; i++) {
                draft = draft.with(right.get(0), device.answer(right.get(0)));
            }
            // 21 times two sentences; each seventh place is torn.
            assertEquals(39, draft.sentences().good());
            assertEquals(3, draft.sentences().bad());
            assertTrue(draft.sentences().last().isPresent());
            assertEquals(-47.2, draft.sentences().latitude().orElseThrow(), 0.01);
        }
        assertEquals(new TreeSet<>(receiver().rig().rates()), found);
    }

    @Test
    void aRateThatThePlanDoesNotHaveIsTold() {
        SerialDraft draft = receiver();
        int planned = draft.rig().planned().orElseThrow();
        assertFalse(draft.differs());
        assertFalse(draft.with(planned, List.of(FIX)).differs());
        assertTrue(draft.with(planned == 9600 ? 4800 : 9600, List.of(FIX)).differs());
    }
}
