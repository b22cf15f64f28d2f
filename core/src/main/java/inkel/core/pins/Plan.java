package inkel.core.pins;

import inkel.core.build.Edit;
import inkel.core.build.Endpoint;
import inkel.core.build.Wire;
import inkel.core.finding.Fix;
import inkel.core.quantity.Engineering;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What planning one node came to.
 *
 * @param wires every wire of the node, in signal order; empty when there is no placement
 * @param addresses the address of each part on an I2C bus, by part id
 * @param clash the smallest set of wants that cannot be met together; empty when all are placed
 * @param waysOut changes that make a placement possible, each tried
 * @param complete false when the search ended at its limit before it could prove that nothing is better
 */
public record Plan(
        String node,
        boolean placed,
        List<Wire> wires,
        Map<String, Integer> addresses,
        List<Endpoint> clash,
        List<Fix> waysOut,
        boolean complete) {
    public Plan {
        wires = List.copyOf(wires);
        addresses = java.util.Collections.unmodifiableMap(new java.util.LinkedHashMap<>(addresses));
        clash = List.copyOf(clash);
        waysOut = List.copyOf(waysOut);
    }

    /** The edit that takes the plan over; empty when there is none. */
    public Optional<Edit> edit() {
        if (!placed) {
            return Optional.empty();
        }
        List<Edit.SetSetting> settings = addresses.entrySet().stream()
                .map(entry ->
                        new Edit.SetSetting(node, entry.getKey(), "address", Engineering.address(entry.getValue())))
                .toList();
        return Optional.of(new Edit.Replan(node, wires, settings));
    }
}
