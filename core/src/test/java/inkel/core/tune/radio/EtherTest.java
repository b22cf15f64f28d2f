package inkel.core.tune.radio;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.formula.PacketAir.Rate;
import inkel.core.tune.radio.Ether.Outcome;
import inkel.core.tune.radio.Ether.Radio;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Packets come through exactly when a predicate says so that is written here by itself. */
class EtherTest {
    private static final List<List<Integer>> ADDRESSES =
            List.of(List.of(1, 2, 3, 4, 5), List.of(5, 4, 3, 2, 1), List.of(7, 7, 7, 7, 7), List.of(1, 2, 3));

    private static <T> T usually(Random random, T usual, List<T> others) {
        return random.nextInt(5) > 0 ? usual : others.get(random.nextInt(others.size()));
    }

    private static Radio radio(Random random, String name) {
        return new Radio(
                name,
                usually(random, 76, List.of(75, 77)),
                usually(random, Rate.SLOW, List.of(Rate.MIDDLE, Rate.FAST)),
                usually(random, ADDRESSES.get(0), ADDRESSES),
                usually(random, 2, List.of(0, 1)),
                usually(random, Optional.of(8), List.of(Optional.empty(), Optional.of(12))),
                usually(random, true, List.of(false)),
                usually(random, 0.0, List.of(-18.0, 20.0)),
                usually(random, false, List.of(true)),
                usually(random, false, List.of(true)),
                usually(random, false, List.of(true)));
    }

    private static String air(List<Integer> bytes, boolean isReversed) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < bytes.size(); i++) {
            text.append((char) (int) bytes.get(isReversed ? bytes.size() - 1 - i : i));
        }
        return text.toString();
    }

    private static boolean isLoudEnough(Radio from, Radio to, double metres, double losses) {
        double loss = 20 * Math.log10(metres) + 20 * Math.log10(2400 + from.channel()) - 27.56 + losses;
        double least = to.rate() == Rate.SLOW ? -94 : to.rate() == Rate.MIDDLE ? -85 : -82;
        double most = to.isBoosted() ? -20 : 0;
        double level = from.power() - loss;
        return level >= least && level <= most;
    }

    private static boolean isHeard(Radio from, Radio to, Radio meant, double metres, double losses) {
        return from.channel() == to.channel()
                && from.rate().equals(to.rate())
                && from.address().size() == to.address().size()
                && air(meant.address(), from.isReversed()).equals(air(to.address(), to.isReversed()))
                && from.check() == to.check()
                && from.payload().equals(to.payload())
                && isLoudEnough(from, to, metres, losses);
    }

    @Test
    void twoThousandPairs() {
        Random random = new Random(424_242);
        int heard = 0;
        int confirmed = 0;
        for (int i = 0; i < 2000; i++) {
            Radio from = radio(random, "from");
            Radio to = radio(random, "to");
            List<Radio> others = new ArrayList<>();
            if (random.nextInt(3) == 0) {
                others.add(radio(random, "other"));
            }
            double metres = List.of(1.0, 1.5, 20.0, 400.0).get(random.nextInt(4));
            double losses = random.nextInt(4) == 0 ? 30 : 0;
            Outcome outcome = Ether.send(from, to, others, metres, losses);
            boolean isHeard = isHeard(from, to, to, metres, losses);
            boolean isOneAnswer =
                    others.stream().noneMatch(other -> other.answers() && isHeard(from, other, to, metres, losses));
            boolean isConfirmed = isHeard
                    && from.answers()
                    && to.answers()
                    && !from.takesPipeZero()
                    && isOneAnswer
                    && isLoudEnough(to, from, metres, losses);
            assertEquals(isHeard, outcome.isHeard(), from + " to " + to + ": " + outcome);
            assertEquals(isConfirmed, outcome.isConfirmed(), from + " to " + to + ": " + outcome);
            assertEquals(!isConfirmed, outcome.why().isPresent());
            heard += isHeard ? 1 : 0;
            confirmed += isConfirmed ? 1 : 0;
        }
        // The draw has enough of each to mean something.
        assertTrue(heard > 100 && heard < 1000 && confirmed > 40, heard + " heard, " + confirmed + " confirmed");
    }

    @Test
    void everySingleCauseIsNamed() {
        Random none = new Random() {
            @Override
            public int nextInt(int bound) {
                return bound - 1;
            }
        };
        Radio plain = radio(none, "a");
        assertTrue(Ether.send(plain, plain, List.of(), 20, 0).isConfirmed());
        Radio reversed =
                new Radio("b", 76, Rate.SLOW, ADDRESSES.get(0), 2, Optional.of(8), true, 0, false, true, false);
        assertEquals(
                "ether.order",
                Ether.send(plain, reversed, List.of(), 20, 0)
                        .why()
                        .orElseThrow()
                        .key());
        assertEquals(
                "ether.two_answer",
                Ether.send(plain, plain, List.of(plain), 20, 0)
                        .why()
                        .orElseThrow()
                        .key());
        Radio boosted =
                new Radio("b", 76, Rate.SLOW, ADDRESSES.get(0), 2, Optional.of(8), true, 20, true, false, false);
        // At a metre 40.3 dB are lost: 20 dBm arrive as −20.3, and at half of that no more is counted.
        assertTrue(Ether.send(boosted, boosted, List.of(), 1, 0).isConfirmed());
        assertEquals(
                "ether.weak",
                Ether.send(plain, plain, List.of(), 400, 30).why().orElseThrow().key());
        Radio taken = new Radio("b", 76, Rate.SLOW, ADDRESSES.get(0), 2, Optional.of(8), true, 0, false, false, true);
        assertEquals(
                "ether.pipe_zero",
                Ether.send(taken, plain, List.of(), 20, 0).why().orElseThrow().key());
    }
}
