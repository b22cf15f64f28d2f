package inkel.core.document;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class PieceKindTest {
    private static Map<String, String> examples(PieceKind kind) {
        Map<String, String> typed = new HashMap<>();
        kind.slots().forEach(slot -> typed.put(slot.key(), slot.example()));
        return typed;
    }

    @ParameterizedTest
    @EnumSource
    void whatIsMadeOfTheExamplesIsOfItsKindAndHoldsThem(PieceKind kind) {
        Between made = kind.make(end("lamp.A"), examples(kind)).orElseThrow();
        assertEquals(Optional.of(kind), PieceKind.of(made));
        assertEquals(examples(kind), PieceKind.values(made));
        assertEquals(end("lamp.A"), made.signal());
    }

    @ParameterizedTest
    @EnumSource
    void aValueIsMissedUnlessItMayBeLeftOut(PieceKind kind) {
        for (PieceKind.Slot slot : kind.slots()) {
            Map<String, String> typed = examples(kind);
            typed.put(slot.key(), "");
            assertEquals(slot.isOptional(), kind.make(end("lamp.A"), typed).isPresent(), slot.key());
        }
    }

    @ParameterizedTest
    @CsvSource({"0 Ω", "-1 kΩ", "ten", "100 nF"})
    void aResistanceIsAboveZeroAndInItsUnit(String typed) {
        PieceKind.Slot slot = PieceKind.SERIES.slots().get(0);
        assertEquals(
                "problem.expected_value",
                PieceKind.SERIES.problem(slot, typed).orElseThrow().key());
        assertFalse(
                PieceKind.SERIES.make(end("lamp.A"), Map.of("series", typed)).isPresent());
    }

    @Test
    void shiftersAndNothingByChoiceAreNoneOfThese() {
        assertTrue(PieceKind.of(new Between.Nothing(end("lamp.A"), "", Extras.NONE))
                .isEmpty());
        assertTrue(PieceKind.of(new Between.ShifterWay(end("lamp.A"), "shift", 1, Extras.NONE))
                .isEmpty());
    }
}
