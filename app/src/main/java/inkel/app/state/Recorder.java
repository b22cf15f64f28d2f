package inkel.app.state;

import inkel.app.words.Words;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.io.document.PlanPatch;
import inkel.core.log.Did;
import inkel.core.log.PlanChanges;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** Writes into the record what a step did to the plan, in words, with the way back. */
final class Recorder {
    /** More places than are told one by one. */
    private static final int MANY = 5;

    /** Lines that came by themselves: as long as no file has them, a step that is undone takes them with it. */
    private final Set<LogLine> automatic = Collections.newSetFromMap(new IdentityHashMap<>());

    /**
     * Whether going back from one state to an earlier one takes nothing out of the record but lines that came by themselves
     * and that no file has.
     *
     * @param saved how many lines the file has
     */
    boolean isPlain(Build now, Build earlier, int saved) {
        List<LogLine> lines = now.log().lines();
        for (int i = earlier.log().size(); i < lines.size(); i++) {
            if (i < saved || !automatic.contains(lines.get(i))) {
                return false;
            }
        }
        return true;
    }

    /** Loads what the first step would otherwise wait for; nothing comes of it. */
    static void warm(Build build) {
        PlanPatch.back(
                build,
                build.withNodes(build.nodes().stream()
                        .map(node -> node.withName(node.name() + " "))
                        .toList()));
    }

    /** The next state of a build with what the step did; the same where the plan stays. */
    Build record(Build before, Build next, Instant now) {
        boolean isSaid = next.log().size() > before.log().size();
        List<Did> did = isSaid ? List.of() : PlanChanges.between(before, next);
        Build written = next;
        for (LogLine line : lines(did, now)) {
            automatic.add(line);
            written = written.withLog(written.log().with(line));
        }
        return withWay(before, written);
    }

    /** With the way back to the plan before, at the last line; that is one which came with the step. */
    static Build withWay(Build before, Build next) {
        if (next.log().size() <= before.log().size()) {
            return next;
        }
        String back = PlanPatch.back(before, next);
        return back.isEmpty() ? next : next.withLog(next.log().withBack(back));
    }

    private static List<LogLine> lines(List<Did> did, Instant now) {
        Map<Place, List<Did>> byPlace = new LinkedHashMap<>();
        did.forEach(one ->
                byPlace.computeIfAbsent(one.place(), made -> new ArrayList<>()).add(one));
        List<LogLine> lines = new ArrayList<>();
        int told = 0;
        for (Map.Entry<Place, List<Did>> at : byPlace.entrySet()) {
            if (told++ == MANY) {
                int left = byPlace.size() - MANY;
                lines.add(new LogLine.Changed(
                        now, Place.NOWHERE, Words.get("did.and_more", "places", left), Extras.NONE));
                break;
            }
            String text =
                    at.getValue().stream().map(one -> DidWords.say(one.what())).collect(Collectors.joining("; "));
            boolean isDecision = at.getValue().stream().anyMatch(Did::isDecision);
            lines.add(
                    isDecision
                            ? new LogLine.Decided(now, at.getKey(), text, Extras.NONE)
                            : new LogLine.Changed(now, at.getKey(), text, Extras.NONE));
        }
        return lines;
    }
}
