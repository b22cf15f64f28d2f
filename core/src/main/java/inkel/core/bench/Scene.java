package inkel.core.bench;

import inkel.core.document.Place;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/**
 * One state of the bench while it is woken: who is joined, who is on, and what everybody does.
 *
 * @param joined parts whose wires are in; the wires of all others are out at both ends
 * @param isOn whether the sources give anything
 * @param modes the modes that parts run in, by the part; all others rest
 * @param driven what the builder's program puts on pins; all others are inputs, or do what they do at rest
 * @param codes what it has converters give, as shares of their reference from 0 to 1, by the pin that gives it
 */
public record Scene(
        Set<Place> joined,
        boolean isOn,
        Map<Place, String> modes,
        Map<Place, Drives> driven,
        Map<Place, Double> codes) {
    public Scene {
        joined = Set.copyOf(joined);
        modes = Map.copyOf(modes);
        driven = Map.copyOf(driven);
        codes = Map.copyOf(codes);
    }

    /** Scenes are looked up by far more often than they are made: of those who are joined, how many is enough. */
    @Override
    public int hashCode() {
        return Objects.hash(joined.size(), isOn, modes, driven, codes);
    }

    /** One in which nobody is told anything. */
    public Scene(Set<Place> joined, boolean isOn, Map<Place, String> modes) {
        this(joined, isOn, modes, Map.of(), Map.of());
    }

    /** Parts joined and on, at rest under a program that leaves every pin an input. */
    public static Scene resting(Set<Place> joined) {
        return new Scene(joined, true, Map.of());
    }

    /** The same parts joined, with all power off. */
    public Scene off() {
        return new Scene(joined, false, Map.of());
    }

    /** The same while further pins are driven. */
    public Scene driving(Map<Place, Drives> pins) {
        Map<Place, Drives> all = new HashMap<>(driven);
        all.putAll(pins);
        return new Scene(joined, isOn, modes, all, codes);
    }

    /** The same while converters give shares of their references. */
    public Scene giving(Map<Place, Double> shares) {
        return new Scene(joined, isOn, modes, driven, shares);
    }

    /** Whether anything of a board's table is joined. */
    boolean has(String node) {
        for (Place part : joined) {
            if (part.node().equals(node)) {
                return true;
            }
        }
        return false;
    }

    boolean isJoined(String node, String part) {
        return joined.contains(Place.ofPart(node, part));
    }

    /** Whether all parts of a few are joined. */
    boolean areJoined(Set<Place> parts) {
        return joined.containsAll(parts);
    }
}
