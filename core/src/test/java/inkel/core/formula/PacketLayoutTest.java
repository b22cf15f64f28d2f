package inkel.core.formula;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.formula.PacketLayout.Board;
import inkel.core.formula.PacketLayout.Field;
import inkel.core.formula.PacketLayout.Sort;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

class PacketLayoutTest {
    private static List<Field> fields(String text) {
        return Arrays.stream(text.split(","))
                .map(one -> Field.parse(one).orElseThrow())
                .toList();
    }

    @Test
    void placesByHand() {
        List<Field> fields = fields("level:int,flow:int,gate:bool,count:unsigned long");
        // On 8 bits 2 + 2 + 1 + 4; on 32 bits 4 + 4 + 1, three to fill, 4; on 64 bits the last is of 8, at 16.
        assertEquals(
                "level@0+2 flow@2+2 gate@4+1 count@5+4",
                PacketLayout.of(fields, Board.BITS_8).text());
        assertEquals(
                "level@0+4 flow@4+4 gate@8+1 gap@9+3 count@12+4",
                PacketLayout.of(fields, Board.BITS_32).text());
        assertEquals(
                "level@0+4 flow@4+4 gate@8+1 gap@9+7 count@16+8",
                PacketLayout.of(fields, Board.BITS_64).text());
        assertEquals(9, PacketLayout.of(fields, Board.BITS_8).bytes());
        assertEquals(
                "<hh?L",
                PacketLayout.of(fields, Board.BITS_8).pack(Board.BITS_8).replace('I', 'L'));
        assertEquals("<ii?xxxI", PacketLayout.of(fields, Board.BITS_32).pack(Board.BITS_32));
    }

    @Test
    void aDoubleIsShortOnEightBitsAndTheEndIsFilled() {
        List<Field> fields = fields("far:double,near:byte");
        assertEquals(5, PacketLayout.of(fields, Board.BITS_8).bytes());
        assertEquals(
                "far@0+8 near@8+1 gap@9+7",
                PacketLayout.of(fields, Board.BITS_32).text());
        assertEquals("<fB", PacketLayout.of(fields, Board.BITS_8).pack(Board.BITS_8));
    }

    @Test
    void namesAndTypesAsTheyAreWritten() {
        assertEquals(Optional.of(new Field("name", Sort.CHAR, 8)), Field.parse("name:char[8]"));
        assertEquals(Optional.of(new Field("a", Sort.UINT16, 1)), Field.parse("a : uint16"));
        assertEquals(Optional.of(new Field("a", Sort.UINT16, 1)), Field.parse("a:uint16_t"));
        for (String wrong : List.of("a", "a:", ":int", "1a:int", "a:string", "a:int[0]", "a:int[999]", "a b:int")) {
            assertEquals(Optional.empty(), Field.parse(wrong), wrong);
        }
        assertEquals(
                "8s",
                PacketLayout.of(fields("name:char[8]"), Board.BITS_8)
                        .pack(Board.BITS_8)
                        .substring(1));
    }

    @Test
    void whatIsOfferedLiesAlikeEverywhere() {
        Random random = new Random(7_000_003);
        for (int round = 0; round < 500; round++) {
            List<Field> fields = new ArrayList<>();
            for (int i = 0; i < 1 + random.nextInt(7); i++) {
                Sort sort = Sort.values()[random.nextInt(Sort.values().length)];
                fields.add(new Field("f" + i, sort, 1 + random.nextInt(3)));
            }
            List<Field> alike = PacketLayout.alike(fields);
            PacketLayout eight = PacketLayout.of(alike, Board.BITS_8);
            assertTrue(eight.isSame(PacketLayout.of(alike, Board.BITS_32)), alike.toString());
            assertTrue(eight.isSame(PacketLayout.of(alike, Board.BITS_64)), alike.toString());
        }
        assertFalse(PacketLayout.of(fields("a:byte,b:int32"), Board.BITS_8)
                .isSame(PacketLayout.of(fields("a:byte,b:int32"), Board.BITS_32)));
    }

    @Test
    void fieldsThatLieOtherwiseInAsManyBytesAreNotTheSame() {
        // Both of 8 bytes on 32 bits: b at 4 behind a gap there, at 1 before the byte of the other.
        PacketLayout one = PacketLayout.of(fields("a:byte,b:int32"), Board.BITS_32);
        PacketLayout other = PacketLayout.of(fields("b:int32,a:byte"), Board.BITS_32);
        assertEquals(one.bytes(), other.bytes());
        assertFalse(one.isSame(other));
        assertTrue(one.isSame(PacketLayout.of(fields("a:byte,b:int32"), Board.BITS_64)));
    }

    @Test
    void theLargestComesFirstAndTheRestIsFilledUp() {
        // 4 + 2 + 1 are 7: one byte more to a multiple of the largest.
        assertEquals(
                "b@0+4 c@4+2 a@6+1 filler@7+1"
                        .replace(
                                "filler",
                                PacketLayout.alike(fields("a:byte,b:int32,c:int16"))
                                        .get(3)
                                        .name()),
                PacketLayout.of(PacketLayout.alike(fields("a:byte,b:int32,c:int16")), Board.BITS_8)
                        .text());
        assertEquals(2, PacketLayout.alike(fields("a:int16,b:int16")).size());
    }
}
