package inkel.core.document;

import java.util.Locale;
import java.util.Optional;

/**
 * One end of a connection through the air.
 *
 * @param radio the part; empty for a station that is on no table of this build
 * @param name what a station outside is called, empty for a part
 * @param role what it does among the others
 * @param number its own number among them, from 0; addresses are counted on by it
 */
public record Station(Optional<Place> radio, String name, Role role, int number, Extras extras) {
    /** What a station does among the others. */
    public enum Role {
        /** Talks with any other. */
        PEER,
        /** All others talk with it. */
        HUB,
        /** Talks with the hub. */
        LEAF,
        /** Hands on what others say. */
        RELAY;

        public String text() {
            return name().toLowerCase(Locale.ROOT);
        }

        public static Optional<Role> parse(String text) {
            for (Role role : values()) {
                if (role.text().equals(text)) {
                    return Optional.of(role);
                }
            }
            return Optional.empty();
        }
    }

    public static Station of(Place radio, Role role, int number) {
        return new Station(Optional.of(radio), "", role, number, Extras.NONE);
    }

    public static Station outside(String name, Role role, int number) {
        return new Station(Optional.empty(), name, role, number, Extras.NONE);
    }

    Station at(Place place) {
        return new Station(Optional.of(place), name, role, number, extras);
    }

    public Station withRole(Role other) {
        return new Station(radio, name, other, number, extras);
    }
}
