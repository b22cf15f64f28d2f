package inkel.core.document;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * One end of a connection through the air.
 *
 * @param radio the part; empty for a station that is on no table of this build
 * @param name what a station outside is called, empty for a part
 * @param role what it does among the others
 * @param number its own number among them, from 0; addresses are counted on by it
 * @param settings what it alone is set to, by their keys and as typed
 */
public record Station(
        Optional<Place> radio, String name, Role role, int number, Map<String, String> settings, Extras extras) {
    public Station {
        settings = Collections.unmodifiableMap(new LinkedHashMap<>(settings));
    }

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
        return new Station(Optional.of(radio), "", role, number, Map.of(), Extras.NONE);
    }

    public static Station outside(String name, Role role, int number) {
        return new Station(Optional.empty(), name, role, number, Map.of(), Extras.NONE);
    }

    Station at(Place place) {
        return new Station(Optional.of(place), name, role, number, settings, extras);
    }

    public Station withRole(Role other) {
        return new Station(radio, name, other, number, settings, extras);
    }

    /** @param value empty to be set like the others */
    public Station with(String key, Optional<String> value) {
        return new Station(radio, name, role, number, AirPlan.changed(settings, key, value), extras);
    }
}
