package inkel.core.formula;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class TagNumberTest {
    private static TagNumber of(String hex) {
        return TagNumber.parse(hex).orElseThrow();
    }

    @Test
    void fourBytesByHand() {
        // DE ⊕ AD = 73, ⊕ BE = CD, ⊕ EF = 22; as numbers DEADBEEF and EFBEADDE.
        TagNumber tag = of("DE AD BE EF");
        assertEquals(List.of(0x22), tag.checks());
        assertEquals(3_735_928_559L, tag.big().longValueExact());
        assertEquals(4_022_250_974L, tag.little().longValueExact());
        assertEquals("DE AD BE EF", tag.text());
        assertEquals(1, tag.levels().size());
    }

    @Test
    void sevenAndTenBytesGoInCascades() {
        TagNumber seven = of("04:11:22:33:44:55:66");
        // 88 ⊕ 04 ⊕ 11 ⊕ 22 = BF; 33 ⊕ 44 ⊕ 55 ⊕ 66 = 44.
        assertEquals(List.of(List.of(0x88, 0x04, 0x11, 0x22), List.of(0x33, 0x44, 0x55, 0x66)), seven.levels());
        assertEquals(List.of(0xBF, 0x44), seven.checks());
        TagNumber ten = of("01020304050607080910");
        assertEquals(3, ten.levels().size());
        assertEquals(List.of(0x88, 0x04, 0x05, 0x06), ten.levels().get(1));
        assertEquals(List.of(0x07, 0x08, 0x09, 0x10), ten.levels().get(2));
    }

    @Test
    void anyNotationOfHexadecimal() {
        for (String said : List.of("deadbeef", "0xDE 0xAD 0xBE 0xEF", "DE-AD-BE-EF", " de:ad:be:ef ", "0xDEADBEEF")) {
            assertEquals(of("DE AD BE EF"), of(said), said);
        }
        for (String wrong : List.of("", "DE AD BE", "DE AD BE EG", "123456789", "DE AD BE EF 00")) {
            assertEquals(Optional.empty(), TagNumber.parse(wrong), wrong);
        }
    }

    @Test
    void oneThatIsDrawnAnewIsTold() {
        assertTrue(of("08 12 34 56").isRandom());
        assertFalse(of("04 12 34 56").isRandom());
        assertFalse(of("08 12 34 56 78 9A BC").isRandom());
    }
}
