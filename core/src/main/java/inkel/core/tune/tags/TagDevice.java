package inkel.core.tune.tags;

import inkel.core.tune.Device;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** A reader that is not there, and a handful of tags: of 4, 7 and 10 bytes, one that says another number each time, one torn away. */
public final class TagDevice implements Device<TagDevice.Card, TagDevice.Read> {
    private final Random random;
    private final List<List<Integer>> numbers = new ArrayList<>();

    /** What is held there. */
    public enum Card {
        FOUR(4),
        SEVEN(7),
        TEN(10),
        RANDOM(4),
        TORN(4);

        private final int size;

        Card(int size) {
            this.size = size;
        }
    }

    /** @param isWell whether its check bytes were right */
    public record Read(List<Integer> bytes, boolean isWell) {
        public Read {
            bytes = List.copyOf(bytes);
        }
    }

    public TagDevice(long seed) {
        random = new Random(seed);
        for (Card card : Card.values()) {
            numbers.add(drawn(card.size, 0x10));
        }
    }

    private List<Integer> drawn(int size, int first) {
        List<Integer> bytes = new ArrayList<>();
        bytes.add(first + random.nextInt(0x60));
        while (bytes.size() < size) {
            bytes.add(random.nextInt(256));
        }
        return bytes;
    }

    @Override
    public Read answer(Card card) {
        List<Integer> bytes = new ArrayList<>(numbers.get(card.ordinal()));
        if (card == Card.RANDOM) {
            bytes = drawn(card.size, 0);
            bytes.set(0, 0x08);
        }
        return new Read(bytes, card != Card.TORN);
    }
}
