package inkel.stress;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import inkel.core.io.json.JsonText;
import inkel.stress.kit.Ordeal;
import inkel.stress.kit.Rounds;
import inkel.stress.kit.Scrawl;
import inkel.stress.kit.Spoiler;
import inkel.stress.kit.Tally;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** An ordeal that cannot fail would be worse than none. */
class KitTest {
    /** Throws in every fifth round, and tells of something broken in every seventh. */
    private static final class Failing implements Ordeal {
        private final List<Integer> drawn = new ArrayList<>();

        @Override
        public String name() {
            return "failing";
        }

        @Override
        public String round() {
            return "";
        }

        @Override
        public void round(long number, Random random, Tally tally) {
            drawn.add(random.nextInt());
            if (number % 7 == 0) {
                tally.broke("seven", "", "");
            }
            if (number % 5 == 0) {
                throw new IllegalStateException("five");
            }
        }
    }

    @Test
    void whatIsThrownAndWhatIsToldIsCounted() {
        Tally tally = Rounds.of(new Failing(), 1, 35);
        assertEquals(35, tally.counts().get("rounds"));
        assertEquals(5, tally.broken().get("seven").size());
        assertEquals(
                7,
                tally.broken().entrySet().stream()
                        .filter(entry -> entry.getKey().contains("IllegalStateException"))
                        .mapToInt(entry -> entry.getValue().size())
                        .sum());
        assertEquals(11, tally.brokenRounds(), "round 0 breaks both");
    }

    @Test
    void aRoundCanBeRunAgainByItsNumber() {
        Failing all = new Failing();
        Rounds.of(all, 9, 20);
        Failing one = new Failing();
        Rounds.one(one, 9, 13, new Tally());
        assertEquals(all.drawn.get(13), one.drawn.get(0));
        assertEquals(20, new HashSet<>(all.drawn).size());
        Failing other = new Failing();
        Rounds.of(other, 10, 20);
        assertNotEquals(all.drawn, other.drawn);
    }

    @Test
    void spoiltTreesDifferAndTheGoodOneStays() throws Exception {
        String text = "{\"a\": [1, {\"b\": \"x\"}], \"c\": null, \"d\": 1.5}";
        JsonNode good = JsonText.parse(text);
        Set<String> seen = new HashSet<>();
        int same = 0;
        for (int i = 0; i < 500; i++) {
            JsonNode spoilt = Spoiler.spoilt(good, new Random(i));
            seen.add(spoilt.toString());
            same += spoilt.equals(good) ? 1 : 0;
        }
        assertEquals(JsonText.parse(text), good);
        assertTrue(seen.size() > 200, "only " + seen.size());
        assertTrue(same < 150, same + " are as they were");
    }

    @Test
    void scrawlChangesBytes() {
        byte[] good = "{\"a\": 1}".getBytes(StandardCharsets.UTF_8);
        int same = 0;
        for (int i = 0; i < 300; i++) {
            same += Arrays.equals(good, Scrawl.over(good, new Random(i))) ? 1 : 0;
        }
        assertTrue(same < 30, same + " are as they were");
        assertFalse(new String(good, StandardCharsets.UTF_8).isEmpty());
    }
}
