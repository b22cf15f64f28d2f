package inkel.core.tune.tags;

import java.util.List;

/**
 * A tag that is known.
 *
 * @param name what the builder calls it, not whose it is
 * @param isAllowed whether it is let in
 * @param does what happens then, in the builder's words; may be empty
 */
public record Tag(List<Integer> bytes, String name, boolean isAllowed, String does) {
    public Tag {
        bytes = List.copyOf(bytes);
    }
}
