package inkel.core.catalog;

/**
 * A builder's own part class.
 *
 * @param json the definition it was read from, which is what is written again
 */
public record OwnClass(PartClass cls, String json) {
    public String id() {
        return cls.id();
    }
}
