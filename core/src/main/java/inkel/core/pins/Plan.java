package inkel.core.pins;

import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.ChangeNodeWire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Replan;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Fix;
import inkel.core.quantity.Engineering;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What planning one node came to.
 *
 * @param wires every wire of the node, in signal order; empty when there is no placement
 * @param feeds what feeds the pins whose supply the document only says by wires, which a plan has no more
 * @param links ends of wires to other boards that move to another pin
 * @param addresses the address of each part on an I2C bus, by part id
 * @param bySoftware ids of parts whose bus the program has to drive on plain pins
 * @param clash the smallest set of wants that cannot be met together; empty when all are placed, and when only some are,
 *     see {@link #without}, the set that kept the others from it
 * @param shortage how many wires want one of how few pins, where that is why
 * @param waysOut changes that make a placement possible, each tried
 * @param complete false when the search ended at its limit before it could prove that nothing is better, or that there is
 *     nothing at all
 */
public record Plan(
        String node,
        boolean placed,
        List<Wire> wires,
        List<Feed> feeds,
        List<LinkMove> links,
        Map<String, Integer> addresses,
        Set<String> bySoftware,
        List<Endpoint> clash,
        Optional<Shortage> shortage,
        List<Fix> waysOut,
        boolean complete) {
    public Plan {
        wires = List.copyOf(wires);
        feeds = List.copyOf(feeds);
        links = List.copyOf(links);
        addresses = Collections.unmodifiableMap(new LinkedHashMap<>(addresses));
        bySoftware = Collections.unmodifiableSet(new LinkedHashSet<>(bySoftware));
        clash = List.copyOf(clash);
        waysOut = List.copyOf(waysOut);
    }

    /**
     * More wires than pins.
     *
     * @param wires the lines of a bus count once
     * @param pins how many there are that any of them could take
     * @param use what all of them are for; empty where they are for different things
     * @param areChannels whether it is channels of timers that are too few, of which a pin may be one of several
     */
    public record Shortage(int wires, int pins, Optional<PinUse> use, boolean areChannels) {}

    /** The end of a wire to another board that moves to another pin. */
    public record LinkMove(LinkEnd end, Endpoint to) {}

    /** Neither found nor proven impossible. */
    static Plan unknown(String node) {
        return new Plan(
                node,
                false,
                List.of(),
                List.of(),
                List.of(),
                Map.of(),
                Set.of(),
                List.of(),
                Optional.empty(),
                List.of(),
                false);
    }

    /** The same with other wires. */
    public Plan withWires(List<Wire> others) {
        return new Plan(node, placed, others, feeds, links, addresses, bySoftware, clash, shortage, waysOut, complete);
    }

    /** The same with other feeds. */
    public Plan withFeeds(List<Feed> others) {
        return new Plan(node, placed, wires, others, links, addresses, bySoftware, clash, shortage, waysOut, complete);
    }

    /** The same, of a build without something that another plan had no place for, with why and what would help there. */
    public Plan without(Plan refused) {
        return new Plan(
                node,
                placed,
                wires,
                feeds,
                links,
                addresses,
                bySoftware,
                refused.clash,
                refused.shortage,
                refused.waysOut,
                complete);
    }

    /** The build that it was made for with the plan taken over; that build itself where there is no placement. */
    public Build takenBy(Build build) {
        try {
            Optional<Edit> edit = edit();
            return edit.isPresent() ? edit.get().apply(build) : build;
        } catch (EditRefused impossible) {
            throw new IllegalStateException("a plan does not fit the build it was made for", impossible);
        }
    }

    /** The edit that takes the plan over; empty when there is none. */
    public Optional<Edit> edit() {
        if (!placed) {
            return Optional.empty();
        }
        List<SetSetting> settings = new ArrayList<>();
        addresses.forEach((part, address) ->
                settings.add(new SetSetting(node, part, Settings.ADDRESS, Engineering.address(address))));
        bySoftware.forEach(part -> settings.add(new SetSetting(node, part, Settings.BUS, "software")));
        List<ChangeNodeWire> moves = links.stream()
                .map(move -> new ChangeNodeWire(move.end().link(), move.end().movedTo(move.to())))
                .toList();
        return Optional.of(new Replan(node, wires, feeds, settings, moves));
    }
}
