package inkel.app.words;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.core.bench.fault.Fault;
import inkel.core.bench.fault.FaultKind;
import inkel.core.bench.fault.Faults;
import inkel.core.bench.fault.Layout;
import inkel.core.circuit.Circuit;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.io.document.BuildReader;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class FaultWordsTest {
    private static Layout layout(String example) throws Exception {
        var catalog = CatalogReader.shipped();
        return Layout.of(Circuit.of(BuildReader.read(Given.EXAMPLES.resolve(example), catalog), catalog));
    }

    @Test
    void everyFaultOfTheExamplesIsSaidInFull() throws Exception {
        int count = 0;
        for (String example : List.of(Given.LOCKS, Given.MOTH_LAMP)) {
            Layout layout = layout(example);
            FaultWords words = new FaultWords(layout);
            for (Fault fault : Faults.of(layout)) {
                String said = words.say(fault);
                assertFalse(said.contains("{") || said.contains("fault."), said);
                assertTrue(said.length() > 8, said);
                count++;
            }
        }
        assertTrue(count > 500, "only " + count);
    }

    @Test
    void noTwoKindsAreCalledTheSame() {
        Set<String> names = new HashSet<>();
        for (FaultKind kind : FaultKind.values()) {
            names.add(FaultWords.kind(kind));
            assertTrue(Words.has("fault." + kind.text()), kind.text());
        }
        assertEquals(FaultKind.values().length, names.size());
    }

    @Test
    void twoTogetherAreOneSentence() throws Exception {
        Layout layout = layout(Given.MOTH_LAMP);
        List<Fault> faults = Faults.of(layout);
        String both = new FaultWords(layout).say(List.of(faults.get(0), faults.get(faults.size() - 1)));
        assertTrue(both.contains("; and "), both);
    }
}
