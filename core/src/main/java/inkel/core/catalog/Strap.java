package inkel.core.catalog;

import java.util.Optional;

/** What a board wants of a pin that it reads when power comes up, and what becomes of it otherwise. */
public enum Strap {
    /** High, and it does not start. */
    LOW("low"),
    /** Low, and it does not start. */
    HIGH("high"),
    /** High, and it starts but takes no new program. */
    LOW_TO_PROGRAM("low-to-program"),
    /** It starts whatever the level is. */
    MILD("mild"),
    /** The class does not tell. */
    UNKNOWN("");

    private final String text;

    Strap(String text) {
        this.text = text;
    }

    /** Empty for a pin that is read by nobody then. */
    public static Optional<Strap> of(Pin pin) {
        for (Ability ability : pin.can()) {
            if (ability.kind() == Ability.Kind.STRAP) {
                for (Strap strap : values()) {
                    if (strap.text.equals(ability.line())) {
                        return Optional.of(strap);
                    }
                }
                return Optional.of(UNKNOWN);
            }
        }
        return Optional.empty();
    }
}
