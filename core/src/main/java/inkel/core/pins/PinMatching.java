package inkel.core.pins;

import inkel.core.catalog.BusLine;
import inkel.core.catalog.PinUse;
import inkel.core.document.Endpoint;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * Whether there are pins enough, whatever else must hold: each want of its own gets one, and so does each line of a bus. By
 * augmenting paths (H. W. Kuhn, "The Hungarian method for the assignment problem", 1955, in its plain form). Much quicker
 * than a model, and enough to know that most crowded boards are too full.
 */
final class PinMatching {
    private static final int NOBODY = -1;

    private final List<int[]> takers = new ArrayList<>();
    private final int[] holder;

    private PinMatching(PinDomain domain, List<Want> wants) {
        holder = new int[domain.size()];
        Arrays.fill(holder, NOBODY);
        Map<BusLine, TreeSet<Integer>> lines = new EnumMap<>(BusLine.class);
        Set<Endpoint> driven = new HashSet<>();
        for (Want want : wants) {
            int[] legal = domain.legal(want);
            boolean mayTie = want.tie().isPresent() && !want.isHeld();
            boolean isShared = want.isInChain(domain.node())
                    || want.follows(domain.node(), wants).isPresent();
            if (isShared) {
                continue;
            } else if (want.use().sharedLine().isPresent()) {
                TreeSet<Integer> line =
                        lines.computeIfAbsent(want.use().sharedLine().get(), key -> new TreeSet<>());
                Arrays.stream(legal).forEach(line::add);
            } else if (!mayTie && want.heldInput().map(driven::add).orElse(true)) {
                takers.add(legal);
            }
        }
        lines.values()
                .forEach(line ->
                        takers.add(line.stream().mapToInt(Integer::intValue).toArray()));
    }

    /** Whether some want is left without a pin however they are shared out. */
    static boolean isTooFull(PinDomain domain, List<Want> wants) {
        return new PinMatching(domain, wants).isTooFull();
    }

    /** How many takers there are for how few pins; empty when something else than their number is why they clash. */
    static Optional<Plan.Shortage> shortage(PinDomain domain, List<Want> wants) {
        PinMatching matching = new PinMatching(domain, wants);
        long pins =
                matching.takers.stream().flatMapToInt(Arrays::stream).distinct().count();
        List<PinUse> uses = wants.stream().map(Want::use).distinct().toList();
        if (matching.takers.size() > pins) {
            Optional<PinUse> use = uses.size() == 1 ? Optional.of(uses.get(0)) : Optional.empty();
            return Optional.of(new Plan.Shortage(matching.takers.size(), (int) pins, use, false));
        }
        return uses.equals(List.of(PinUse.PWM)) ? shortOfChannels(domain, matching.takers) : Optional.empty();
    }

    /** A channel of a timer gives one signal, on whichever of its pins; empty where a pin does without one. */
    private static Optional<Plan.Shortage> shortOfChannels(PinDomain domain, List<int[]> takers) {
        Set<String> channels = new HashSet<>();
        for (int number :
                takers.stream().flatMapToInt(Arrays::stream).distinct().toArray()) {
            Optional<String> channel = domain.pwmChannel(number);
            if (channel.isEmpty()) {
                return Optional.empty();
            }
            channels.add(channel.get());
        }
        return takers.size() > channels.size()
                ? Optional.of(new Plan.Shortage(takers.size(), channels.size(), Optional.of(PinUse.PWM), true))
                : Optional.empty();
    }

    private boolean isTooFull() {
        for (int taker = 0; taker < takers.size(); taker++) {
            if (!seat(taker, new boolean[holder.length])) {
                return true;
            }
        }
        return false;
    }

    private boolean seat(int taker, boolean[] tried) {
        for (int pin : takers.get(taker)) {
            if (!tried[pin]) {
                tried[pin] = true;
                if (holder[pin] == NOBODY || seat(holder[pin], tried)) {
                    holder[pin] = taker;
                    return true;
                }
            }
        }
        return false;
    }
}
