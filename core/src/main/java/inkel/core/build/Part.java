package inkel.core.build;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * A part on the table.
 *
 * @param id short, of small letters, digits and dashes; unique in its node; {@code board} for the board
 * @param classId the catalogue class
 * @param name what the builder calls it
 * @param purpose what it is for, in the builder's words
 * @param feeds which rail feeds each supply pin
 * @param groundApart whether its ground is not joined to the node's common ground
 * @param settings what the builder chose or typed, as typed: {@code address}, {@code baud}, {@code volts}
 */
public record Part(
        String id,
        String classId,
        String name,
        String purpose,
        Map<String, Endpoint> feeds,
        boolean groundApart,
        Map<String, String> settings,
        Extras extras) {
    /** The id of a node's board. */
    public static final String BOARD = "board";

    public Part {
        feeds = Collections.unmodifiableMap(new LinkedHashMap<>(feeds));
        settings = Collections.unmodifiableMap(new LinkedHashMap<>(settings));
    }

    public static Part of(String id, String classId, String name, String purpose) {
        return new Part(id, classId, name, purpose, Map.of(), false, Map.of(), Extras.NONE);
    }

    public boolean isBoard() {
        return id.equals(BOARD);
    }

    public Optional<String> setting(String key) {
        return Optional.ofNullable(settings.get(key));
    }

    public Part withName(String newName) {
        return new Part(id, classId, newName, purpose, feeds, groundApart, settings, extras);
    }

    public Part withFeed(String pin, Endpoint rail) {
        Map<String, Endpoint> more = new LinkedHashMap<>(feeds);
        more.put(pin, rail);
        return new Part(id, classId, name, purpose, more, groundApart, settings, extras);
    }

    public Part withSetting(String key, String value) {
        Map<String, String> more = new LinkedHashMap<>(settings);
        more.put(key, value);
        return new Part(id, classId, name, purpose, feeds, groundApart, more, extras);
    }

    public Part withGroundApart(boolean apart) {
        return new Part(id, classId, name, purpose, feeds, apart, settings, extras);
    }
}
