package inkel.core.document;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class GrownTest {
    /** Lists that grow from each other in any order are as plain copies would be. */
    @Test
    void listsThatBranchOffEachOtherStayApart() {
        Random random = new Random(11);
        List<Grown<Integer>> grown = new ArrayList<>(List.of(Grown.of(List.of())));
        List<List<Integer>> plain = new ArrayList<>(List.of(List.of()));
        for (int i = 0; i < 3000; i++) {
            int from = random.nextInt(grown.size());
            boolean isCut = random.nextInt(5) == 0;
            int count = random.nextInt(plain.get(from).size() + 1);
            Grown<Integer> base = isCut ? grown.get(from).first(count) : grown.get(from);
            List<Integer> copy = new ArrayList<>(isCut ? plain.get(from).subList(0, count) : plain.get(from));
            grown.add(base.with(i));
            copy.add(i);
            plain.add(copy);
        }
        for (int i = 0; i < grown.size(); i++) {
            assertEquals(plain.get(i), grown.get(i));
        }
    }

    @Test
    void nothingIsPutIntoItAndNothingThatIsNotThere() {
        Grown<String> one = Grown.of(List.of("a"));
        assertThrows(UnsupportedOperationException.class, () -> one.add("b"));
        assertThrows(IndexOutOfBoundsException.class, () -> one.get(1));
        assertThrows(IndexOutOfBoundsException.class, () -> one.first(2));
        assertThrows(NullPointerException.class, () -> one.with(null));
        one.with("b");
        assertEquals(List.of("a"), one);
    }
}
