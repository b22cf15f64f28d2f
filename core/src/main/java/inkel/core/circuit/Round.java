package inkel.core.circuit;

import inkel.core.document.Moment;
import inkel.core.quantity.TimeSpan;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/**
 * One round of the sketch: the moments that stand in it, at their times. At its end it begins again.
 *
 * @param moments in the builder's order
 */
public record Round(List<Moment> moments) {
    /** Times that differ by less, in seconds, are the same. */
    public static final double TINY = 1e-9;

    /** More occurrences than this of one moment are taken as one that lasts from the first to the end of the round. */
    private static final int MOST_OCCURRENCES = 2000;

    public Round {
        moments = List.copyOf(moments);
    }

    /** One time that a moment is on. Times are in seconds from the start of the round. */
    public record Span(String moment, double from, double to) {}

    /** As long as the latest end and the longest repeat of the moments that stand in it. */
    public TimeSpan length() {
        double longest = 0;
        for (Moment moment : moments) {
            double at = moment.at().map(TimeSpan::seconds).orElse(0.0);
            longest = Math.max(longest, at + moment.length().seconds());
            longest = Math.max(longest, moment.repeat().map(TimeSpan::seconds).orElse(0.0));
        }
        return TimeSpan.ofSeconds(longest);
    }

    /** When the moments that stand in the round are on, each in order of time. */
    public List<Span> spans() {
        List<Span> spans = new ArrayList<>();
        moments.stream().filter(moment -> moment.at().isPresent()).forEach(moment -> spans.addAll(spansOf(moment)));
        return spans;
    }

    /** When one moment is on, from its place in the round or, when it stands nowhere, from the start. */
    public List<Span> spansOf(Moment moment) {
        double end = length().seconds();
        double start = moment.at().map(TimeSpan::seconds).orElse(0.0);
        double last = moment.length().seconds();
        if (moment.repeat().isEmpty()) {
            return List.of(new Span(moment.id(), start, start + last));
        }
        double repeat = moment.repeat().get().seconds();
        boolean isAlways = repeat <= last || (end - start) / repeat > MOST_OCCURRENCES;
        if (isAlways) {
            return List.of(new Span(moment.id(), start, Math.max(end, start + last)));
        }
        List<Span> spans = new ArrayList<>();
        for (int count = 0; start + count * repeat < end - repeat * 1e-9; count++) {
            double from = start + count * repeat;
            spans.add(new Span(moment.id(), from, from + last));
        }
        return spans;
    }

    /** Every set of moments that are on together at some time of the round; never empty, and with the empty set. */
    Set<Set<String>> placedSets() {
        List<Span> spans = spans();
        Set<Set<String>> sets = new LinkedHashSet<>();
        sets.add(Set.of());
        // Something new is on only where a span begins.
        for (Span begun : spans) {
            sets.add(on(begun.from(), spans));
        }
        return sets;
    }

    /** The moments that are on at a time; a span holds its start and not its end. */
    private static Set<String> on(double seconds, List<Span> spans) {
        Set<String> ids = new TreeSet<>();
        for (Span span : spans) {
            if (span.from() <= seconds && seconds < span.to() - TINY) {
                ids.add(span.moment());
            }
        }
        return ids;
    }
}
