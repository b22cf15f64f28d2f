package inkel.core.bench;

import java.util.List;

/** What a bench gave. */
public sealed interface Answer {
    /** @param si in the SI base unit of what was asked */
    record Amount(double si) implements Answer {}

    /** Beyond what a meter shows: no end of ohms. */
    record Overload() implements Answer {}

    /** What was received; none where nothing came. */
    record Texts(List<String> texts) implements Answer {
        public Texts {
            texts = List.copyOf(texts);
        }
    }

    record Sight(boolean isWell) implements Answer {}
}
