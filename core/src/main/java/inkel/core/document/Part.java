package inkel.core.document;

import inkel.core.catalog.Setting;
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
 * @param settings what the builder chose or typed, as typed, by the keys of {@link inkel.core.catalog.Settings}
 * @param figures the builder's own figures in place of the class's, as typed; see
 *     {@link inkel.core.catalog.OwnFigures}
 * @param since how many lines the record had when this piece came to the table; readings of an earlier piece of the
 *     same id are not of this one
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
        int since,
        Extras extras) {
    /** The id of a node's board. */
    public static final String BOARD = "board";

    public Part {
        feeds = Collections.unmodifiableMap(new LinkedHashMap<>(feeds));
        settings = Collections.unmodifiableMap(new LinkedHashMap<>(settings));
        figures = Collections.unmodifiableMap(new LinkedHashMap<>(figures));
    }

    public static Part of(String id, String classId, String name, String purpose) {
        return new Part(id, classId, name, purpose, Map.of(), false, Map.of(), Map.of(), 0, Extras.NONE);
    }

    public boolean isBoard() {
        return id.equals(BOARD);
    }

    /** What was typed for a setting. */
    public Optional<String> typed(Setting<?> setting) {
        return Optional.ofNullable(settings.get(setting.key()));
    }

    public boolean has(Setting<?> setting) {
        return settings.containsKey(setting.key());
    }

    public Part withClass(String newClassId) {
        return new Part(id, newClassId, name, purpose, feeds, groundApart, settings, figures, since, extras);
    }

    public Part withName(String newName) {
        return new Part(id, classId, newName, purpose, feeds, groundApart, settings, figures, since, extras);
    }

    /** @param rail null to take the pin off its rail */
    public Part withFeed(String pin, Endpoint rail) {
        Map<String, Endpoint> more = new LinkedHashMap<>(feeds);
        if (rail == null) {
            more.remove(pin);
        } else {
            more.put(pin, rail);
        }
        return new Part(id, classId, name, purpose, more, groundApart, settings, figures, since, extras);
    }

    public Part withId(String newId) {
        return new Part(newId, classId, name, purpose, feeds, groundApart, settings, figures, since, extras);
    }

    public Part withPurpose(String newPurpose) {
        return new Part(id, classId, name, newPurpose, feeds, groundApart, settings, figures, since, extras);
    }

    public Part withFeeds(Map<String, Endpoint> newFeeds) {
        return new Part(id, classId, name, purpose, newFeeds, groundApart, settings, figures, since, extras);
    }

    /** @param value null to go back to the figure of the class */
    public Part withFigure(String key, String value) {
        return new Part(
                id, classId, name, purpose, feeds, groundApart, settings, changed(figures, key, value), since, extras);
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
    public Part withSetting(Setting<?> setting, String value) {
        Map<String, String> more = changed(settings, setting.key(), value);
        return new Part(id, classId, name, purpose, feeds, groundApart, more, figures, since, extras);
    }

    /** The same by the key of a setting, whether this version knows it or not. */
    public Part withSaid(String key, String value) {
        return new Part(
                id, classId, name, purpose, feeds, groundApart, changed(settings, key, value), figures, since, extras);
    }

    public Part withGroundApart(boolean apart) {
        return new Part(id, classId, name, purpose, feeds, apart, settings, figures, since, extras);
    }

    public Part withSince(int newSince) {
        return new Part(id, classId, name, purpose, feeds, groundApart, settings, figures, newSince, extras);
    }
}
