package inkel.core.document;

import inkel.core.formula.PacketLayout;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What stations that belong together are set to, as typed.
 *
 * @param settings by their keys, for all stations; one of them may say otherwise ({@link Station#settings})
 * @param networks around them
 * @param packet the fields of what is sent, as {@code level:int16}
 */
public record AirPlan(Map<String, String> settings, List<LocalNetwork> networks, List<String> packet) {
    public static final AirPlan NONE = new AirPlan(Map.of(), List.of(), List.of());

    public AirPlan {
        settings = Collections.unmodifiableMap(new LinkedHashMap<>(settings));
        networks = List.copyOf(networks);
        packet = List.copyOf(packet);
    }

    /** Whether a text is a field of a packet. */
    public static boolean isField(String text) {
        return PacketLayout.Field.parse(text).isPresent();
    }

    public AirPlan withNetworks(List<LocalNetwork> others) {
        return new AirPlan(settings, others, packet);
    }

    public AirPlan withPacket(List<String> fields) {
        return new AirPlan(settings, networks, fields);
    }

    /** @param value empty to take it away */
    public AirPlan with(String key, Optional<String> value) {
        return new AirPlan(changed(settings, key, value), networks, packet);
    }

    static Map<String, String> changed(Map<String, String> settings, String key, Optional<String> value) {
        Map<String, String> changed = new LinkedHashMap<>(settings);
        if (value.isPresent()) {
            changed.put(key, value.get());
        } else {
            changed.remove(key);
        }
        return changed;
    }
}
