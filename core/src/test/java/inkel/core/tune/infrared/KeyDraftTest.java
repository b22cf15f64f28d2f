package inkel.core.tune.infrared;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Build;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.document.edit.Tune;
import inkel.core.formula.InfraredCode;
import inkel.core.formula.InfraredCode.Coding;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.kit.Builds;
import inkel.core.tune.infrared.Handset.Press;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class KeyDraftTest {
    private static final KeyDraft NONE = new KeyDraft("Ear", 1024, List.of());

    private static Heard hear(KeyDraft draft, Handset handset, Press press, Optional<Heard> before) {
        return draft.hear(handset.answer(press), before, Optional.empty());
    }

    @Test
    void aKeyByPulseWidthsIsHeldAsLongAsItsTrainsComeOneAfterTheOther() {
        Handset handset = new Handset(5);
        Press press = new Press(Coding.PULSE_WIDTH, 21, false, false);
        Heard first = hear(NONE, handset, press, Optional.empty());
        InfraredCode code = first.code().orElseThrow();
        KeyDraft draft = NONE.with(new Key(code.coding(), code.address(), code.command(), "Up", Key.Way.HELD, "light"));
        Heard known = hear(draft, handset, press, Optional.empty());
        assertEquals(Heard.Sort.PRESSED, known.sort());
        for (double gap : new double[] {0.045, 0.149}) {
            Heard again = draft.hear(handset.answer(press), Optional.of(known), Optional.of(gap));
            assertEquals(Heard.Sort.STILL, again.sort(), gap + " s");
        }
        for (Optional<Double> gap : List.of(Optional.of(0.15), Optional.of(1.0), Optional.<Double>empty())) {
            Heard again = draft.hear(handset.answer(press), Optional.of(known), gap);
            assertEquals(Heard.Sort.PRESSED, again.sort(), gap.toString());
        }
        Press other = new Press(Coding.PULSE_WIDTH, 22, false, false);
        assertEquals(
                Heard.Sort.STRANGE,
                draft.hear(handset.answer(other), Optional.of(known), Optional.of(0.045))
                        .sort());
    }

    @Test
    void aKeyIsLearntPressedAndHeldInEveryCoding() {
        for (long seed = 1; seed <= 1000; seed++) {
            Handset handset = new Handset(seed);
            for (Coding coding : Coding.values()) {
                int number = (int) (seed % 60);
                Heard first = hear(NONE, handset, new Press(coding, number, false, false), Optional.empty());
                assertEquals(Heard.Sort.STRANGE, first.sort(), coding + " " + seed);
                InfraredCode code = first.code().orElseThrow();
                assertEquals(number, code.command());
                KeyDraft draft = NONE.with(
                        new Key(code.coding(), code.address(), code.command(), "Up", Key.Way.ONCE, "gate opens"));
                Heard again = hear(draft, handset, new Press(coding, number, false, false), Optional.empty());
                assertEquals(Heard.Sort.PRESSED, again.sort());
                assertEquals("Up", again.key().orElseThrow().name());
                Heard other = hear(draft, handset, new Press(coding, number + 1, false, false), Optional.of(again));
                assertEquals(Heard.Sort.STRANGE, other.sort());
            }
        }
    }

    @Test
    void holdingIsToldFromPressingAgain() {
        Handset handset = new Handset(7);
        KeyDraft draft = NONE;
        for (Coding coding : List.of(Coding.PULSE_DISTANCE, Coding.BI_PHASE)) {
            InfraredCode code = hear(draft, handset, new Press(coding, 5, false, false), Optional.empty())
                    .code()
                    .orElseThrow();
            draft = draft.with(new Key(code.coding(), code.address(), code.command(), coding.text(), Key.Way.HELD, ""));
            Heard pressed = hear(draft, handset, new Press(coding, 5, false, false), Optional.empty());
            Heard held = hear(draft, handset, new Press(coding, 5, true, false), Optional.of(pressed));
            assertEquals(Heard.Sort.STILL, held.sort(), coding.text());
            assertEquals(pressed.key(), held.key());
            Heard next = hear(draft, handset, new Press(coding, 5, false, false), Optional.of(held));
            assertEquals(Heard.Sort.PRESSED, next.sort(), coding.text());
        }
        // A repeat after nothing says nothing.
        assertEquals(
                Heard.Sort.STRANGE,
                draft.hear(List.of(9000.0, 2250.0, 560.0), Optional.empty(), Optional.empty())
                        .sort());
    }

    @Test
    void aNoisyLampCostsSomePressesAndNeverMakesOneOutOfAnother() {
        int raw = 0;
        for (long seed = 1; seed <= 400; seed++) {
            Handset handset = new Handset(seed);
            Heard heard = hear(NONE, handset, new Press(Coding.PULSE_DISTANCE, 9, false, true), Optional.empty());
            if (heard.sort() == Heard.Sort.RAW) {
                raw++;
            } else {
                assertEquals(9, heard.code().orElseThrow().command());
            }
        }
        assertTrue(raw > 100 && raw < 300, raw + " of 400 stayed raw");
    }

    @Test
    void keysAreKeptReadLearntAnewAndForgotten() throws Exception {
        Key up = new Key(Coding.PULSE_DISTANCE, 4, 8, "Up", Key.Way.HELD, "gate rises");
        Key down = new Key(Coding.BI_PHASE, 5, 53, "Down", Key.Way.TURNS, "");
        KeyDraft draft = NONE.with(up).with(down);
        assertEquals(List.of(up, down), KeyDraft.keys(draft.tuning()));
        Key stop = new Key(Coding.PULSE_DISTANCE, 4, 8, "Stop", Key.Way.ONCE, "");
        assertEquals(List.of(down, stop), draft.with(stop).keys());
        assertEquals(List.of(down), draft.without(up).keys());
        InfraredCode other = new InfraredCode(Coding.PULSE_WIDTH, 1, 2, false, false);
        assertEquals(Optional.of(up), draft.alike("UP", other));
        assertTrue(draft.constants().stream()
                .anyMatch(
                        one -> one.name().equals("EAR_KEY_DOWN") && one.value().equals("{2, 5, 53}")));
        // Five bytes a key, a count and a check byte.
        assertEquals(12, draft.bytes());
        assertFalse(draft.isTooMuch());
        assertTrue(new KeyDraft("Ear", 11, draft.keys()).isTooMuch());
        assertFalse(new KeyDraft("Ear", 12, draft.keys()).isTooMuch());
        Build build = Builds.classic()
                .part("ear", "infrared-receiver", "VS=board.5V")
                .wire("ear.OUT", "board.D2")
                .build();
        Build kept = new Tune(
                        Place.ofPart(NODE, "ear"),
                        draft.tuning(),
                        LogLine.By.TYPED,
                        Instant.parse("2026-05-01T18:30:00Z"))
                .apply(build);
        assertEquals(kept, BuildReader.parse(Path.of("x"), BuildWriter.print(kept), CATALOG));
    }
}
