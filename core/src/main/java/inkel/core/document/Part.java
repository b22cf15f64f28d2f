package inkel.core.document;

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
 * @param settings what the builder chose or typed, as typed: {@code address}, {@code baud}, {@code volts}, {@code form},
 *     {@code header}, {@code contact}, {@code gauge}, {@code length}, {@code capacitor}, {@code esr}, {@code decoupling},
 *     {@code turned_down}, {@code hours}, {@code ambient}, {@code diode}, {@code behind}
 * @param figures the builder's own figures in place of the class's, as typed; see
 *     {@link inkel.core.catalog.OwnFigures}
 */
public record Part(
        String id,
        String classId,
        String name,
        String purpose,
        Map<String, Endpoint> feeds,
        boolean groundApart,
        Map<String, String> settings,
        Map<String, String> figures,
        Extras extras) {
    /** The id of a node's board. */
    public static final String BOARD = "board";

    public Part {
        feeds = Collections.unmodifiableMap(new LinkedHashMap<>(feeds));
        settings = Collections.unmodifiableMap(new LinkedHashMap<>(settings));
        figures = Collections.unmodifiableMap(new LinkedHashMap<>(figures));
    }

    public static Part of(String id, String classId, String name, String purpose) {
        return new Part(id, classId, name, purpose, Map.of(), false, Map.of(), Map.of(), Extras.NONE);
    }

    public boolean isBoard() {
        return id.equals(BOARD);
    }

    public Optional<String> setting(String key) {
        return Optional.ofNullable(settings.get(key));
    }

    public Part withClass(String newClassId) {
        return new Part(id, newClassId, name, purpose, feeds, groundApart, settings, figures, extras);
    }

    public Part withName(String newName) {
        return new Part(id, classId, newName, purpose, feeds, groundApart, settings, figures, extras);
    }

    /** @param rail null to take the pin off its rail */
    public Part withFeed(String pin, Endpoint rail) {
        Map<String, Endpoint> more = new LinkedHashMap<>(feeds);
        if (rail == null) {
            more.remove(pin);
        } else {
            more.put(pin, rail);
        }
        return new Part(id, classId, name, purpose, more, groundApart, settings, figures, extras);
    }

    public Part withId(String newId) {
        return new Part(newId, classId, name, purpose, feeds, groundApart, settings, figures, extras);
    }

    public Part withPurpose(String newPurpose) {
        return new Part(id, classId, name, newPurpose, feeds, groundApart, settings, figures, extras);
    }

    public Part withFeeds(Map<String, Endpoint> newFeeds) {
        return new Part(id, classId, name, purpose, newFeeds, groundApart, settings, figures, extras);
    }

    /** @param value null to go back to the figure of the class */
    public Part withFigure(String key, String value) {
        return new Part(id, classId, name, purpose, feeds, groundApart, settings, changed(figures, key, value), extras);
    }

    private static Map<String, String> changed(Map<String, String> map, String key, String value) {
        Map<String, String> more = new LinkedHashMap<>(map);
        if (value == null) {
            more.remove(key);
        } else {
            more.put(key, value);
        }
        return more;
    }

    /** @param value null to leave the choice to the class again */
    public Part withSetting(String key, String value) {
        Map<String, String> more = changed(settings, key, value);
        return new Part(id, classId, name, purpose, feeds, groundApart, more, figures, extras);
    }

    public Part withGroundApart(boolean apart) {
        return new Part(id, classId, name, purpose, feeds, apart, settings, figures, extras);
    }
}
