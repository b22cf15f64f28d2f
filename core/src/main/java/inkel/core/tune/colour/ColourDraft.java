package inkel.core.tune.colour;

import inkel.core.document.Tuning;
import inkel.core.tune.Constant;
import inkel.core.tune.Draft;
import inkel.core.tune.Estimate;
import inkel.core.tune.Spread;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * What was read of a colour sensor so far.
 *
 * @param lampOff readings of a colour with the sensor's own lamp off; may be empty
 * @param colours readings by the name of the colour, in the order they were begun
 * @param now what lies under it, unnamed
 * @param kept bands that were kept earlier; each stands until its colour is read again
 * @param averaged how many readings the mean is taken of each time a colour is told, at least 1
 * @param farther a colour that was read farther off than all others; absent while none was
 * @param before what another distance changed, as it was kept earlier
 */
public record ColourDraft(
        ColourRig rig,
        Correction correction,
        List<Reading> lampOff,
        Map<String, List<Reading>> colours,
        Optional<Reading> now,
        List<Band> kept,
        int averaged,
        Optional<Farther> farther,
        List<Estimate> before)
        implements Draft {
    static final List<String> CHANNELS = List.of("red", "green", "blue");
    private static final int LEAST = 2;

    /** More readings a colour take longer than anything lies still. */
    static final int MOST_AVERAGED = 64;

    public ColourDraft {
        lampOff = List.copyOf(lampOff);
        kept = List.copyOf(kept);
        before = List.copyOf(before);
        Map<String, List<Reading>> ordered = new LinkedHashMap<>();
        colours.forEach((name, readings) -> ordered.put(name, List.copyOf(readings)));
        colours = Collections.unmodifiableMap(ordered);
    }

    public static ColourDraft of(ColourRig rig) {
        return new ColourDraft(
                rig,
                new Correction(List.of(), List.of()),
                List.of(),
                Map.of(),
                Optional.empty(),
                List.of(),
                1,
                Optional.empty(),
                List.of());
    }

    /** A colour's name: up to 24 letters or digits, a letter first. */
    public static boolean isName(String name) {
        return name.matches("[\\p{L}][\\p{L}\\p{N} -]{0,23}");
    }

    public ColourDraft dark(List<Reading> readings) {
        return new ColourDraft(
                rig,
                new Correction(readings, correction.white()),
                lampOff,
                colours,
                now,
                kept,
                averaged,
                farther,
                before);
    }

    public ColourDraft white(List<Reading> readings) {
        return new ColourDraft(
                rig,
                new Correction(correction.dark(), readings),
                lampOff,
                colours,
                now,
                kept,
                averaged,
                farther,
                before);
    }

    public ColourDraft lampOff(List<Reading> readings) {
        return new ColourDraft(rig, correction, readings, colours, now, kept, averaged, farther, before);
    }

    /** More readings of a colour; a name that is kept as another one's is that one. */
    public ColourDraft with(String said, List<Reading> readings) {
        Map<String, List<Reading>> more = new LinkedHashMap<>(colours);
        String name = Stream.concat(colours.keySet().stream(), kept.stream().map(Band::name))
                .filter(other -> ColourKept.key(other, "").equals(ColourKept.key(said, "")))
                .findFirst()
                .orElse(said);
        List<Reading> all = new ArrayList<>(more.getOrDefault(name, List.of()));
        all.addAll(readings);
        more.put(name, all);
        return new ColourDraft(rig, correction, lampOff, more, now, kept, averaged, farther, before);
    }

    public ColourDraft without(String name) {
        Map<String, List<Reading>> fewer = new LinkedHashMap<>(colours);
        fewer.remove(name);
        List<Band> others =
                kept.stream().filter(band -> !band.name().equals(name)).toList();
        return new ColourDraft(rig, correction, lampOff, fewer, now, others, averaged, farther, before);
    }

    /** What lies under it: the mean of as many of the last readings as are averaged, or of all where those are fewer. */
    public ColourDraft looking(List<Reading> readings) {
        List<Reading> last = readings.subList(Math.max(0, readings.size() - averaged), readings.size());
        return new ColourDraft(
                rig, correction, lampOff, colours, Optional.of(Reading.mean(last)), kept, averaged, farther, before);
    }

    /**
     * Two colours are one from now on, by the name of the first: of all readings of both, or, where only the band of one of
     * them was kept, of the band that has both in it.
     */
    public ColourDraft merged(String one, String other) {
        List<Reading> readings = colours.getOrDefault(other, List.of());
        if (!readings.isEmpty() && colours.containsKey(one)) {
            return without(other).with(one, readings);
        }
        Optional<Band> both = band(one).flatMap(first -> band(other).map(first::with));
        ColourDraft left = without(one).without(other);
        List<Band> bands = new ArrayList<>(left.kept);
        both.ifPresent(bands::add);
        return new ColourDraft(rig, correction, lampOff, left.colours, now, bands, averaged, farther, before);
    }

    private Optional<Band> band(String name) {
        return bands().stream().filter(band -> band.name().equals(name)).findFirst();
    }

    /** @param readings at least 1 */
    public ColourDraft averaged(int readings) {
        return new ColourDraft(rig, correction, lampOff, colours, now, kept, readings, farther, before);
    }

    public ColourDraft farther(String name, List<Reading> readings) {
        return new ColourDraft(
                rig,
                correction,
                lampOff,
                colours,
                now,
                kept,
                averaged,
                Optional.of(new Farther(name, readings)),
                before);
    }

    /**
     * By how much each share of the colour that was read farther off differs there, in the order of the channels; empty while
     * it was not read at both distances, twice at least.
     */
    public List<Estimate> distance() {
        return farther.map(far -> far.off(correction, colours.getOrDefault(far.name(), List.of())))
                .orElse(before);
    }

    /**
     * What another distance changes most.
     *
     * @param channel by its number
     * @param isBeyond whether that is more than the colour's band, or the narrowest one where that is not known
     */
    public record Off(int channel, Estimate by, boolean isBeyond) {}

    /** Empty while {@link #distance} is. */
    public Optional<Off> mostOff() {
        List<Estimate> all = distance();
        return IntStream.range(0, all.size())
                .boxed()
                .max(Comparator.comparingDouble(
                        channel -> Math.abs(all.get(channel).value())))
                .map(channel -> {
                    double half = farther.flatMap(far -> band(far.name()))
                            .map(band -> band.halves().get(channel))
                            .orElse(Band.LEAST);
                    return new Off(
                            channel, all.get(channel), Math.abs(all.get(channel).value()) > half);
                });
    }

    /**
     * The fewest readings to be averaged that tell the pair apart that mixes; empty where none mixes, or none suffice: what
     * differs by less than two of the narrowest bands stays mixed.
     */
    public OptionalInt enough() {
        return worst().isEmpty()
                ? OptionalInt.empty()
                : IntStream.rangeClosed(averaged + 1, MOST_AVERAGED)
                        .filter(readings -> averaged(readings).worst().isEmpty())
                        .findFirst();
    }

    /** The shares of a colour's readings. */
    public List<Shares> shares(String name) {
        return shares(colours.getOrDefault(name, List.of()));
    }

    private List<Shares> shares(List<Reading> readings) {
        return readings.stream()
                .flatMap(reading -> correction.shares(reading).stream())
                .toList();
    }

    /** The bands of all colours: as they were read, and as they were kept where none was read since. */
    public List<Band> bands() {
        List<Band> all = new ArrayList<>(
                kept.stream().filter(band -> !colours.containsKey(band.name())).toList());
        all.addAll(bandsRead());
        return all;
    }

    /** Of the colours with two readings at least. */
    private List<Band> bandsRead() {
        return colours.entrySet().stream()
                .flatMap(one -> band(one.getKey(), one.getValue()).stream())
                .toList();
    }

    private Optional<Band> band(String name, List<Reading> readings) {
        List<Shares> shares = shares(readings);
        if (shares.size() < LEAST) {
            return Optional.empty();
        }
        List<Estimate> means = new ArrayList<>();
        List<Double> halves = new ArrayList<>();
        for (int i = 0; i < Reading.COLOURS; i++) {
            int channel = i;
            List<Double> values =
                    shares.stream().map(share -> share.channel(channel)).toList();
            double mean =
                    values.stream().mapToDouble(Double::doubleValue).average().orElseThrow();
            double error = Math.sqrt(correction.variance(readings, i));
            means.add(new Estimate(mean, Spread.ofMean(error, readings.size() - 1)));
            halves.add(Band.half(values));
        }
        return Optional.of(new Band(name, means, halves));
    }

    /** What lies under it now, the likeliest first; empty while nothing was read. */
    public List<Matching.Match> match() {
        return now.flatMap(correction::shares)
                .map(shares -> Matching.of(Band.averaged(bands(), averaged), shares))
                .orElse(List.of());
    }

    /**
     * What readings of each colour would be taken for, had each not been there when its colour was learnt: rows are what it was,
     * columns what it is taken for, the last one none of them.
     */
    public int[][] leaveOneOut() {
        List<String> names = List.copyOf(colours.keySet());
        int[][] taken = new int[names.size()][names.size() + 1];
        for (int row = 0; row < names.size(); row++) {
            List<Reading> readings = colours.get(names.get(row));
            for (int i = 0; i < readings.size(); i++) {
                List<Reading> rest = new ArrayList<>(readings);
                Reading left = rest.remove(i);
                ColourDraft without = without(names.get(row)).with(names.get(row), rest);
                Optional<Shares> shares = correction.shares(left);
                if (shares.isPresent() && !rest.isEmpty()) {
                    String name = Matching.of(without.bandsRead(), shares.get())
                            .get(0)
                            .name();
                    taken[row][name.isEmpty() ? names.size() : names.indexOf(name)]++;
                }
            }
        }
        return taken;
    }

    /** The pair that mixes most; empty where every two are told apart by one channel at least. */
    public Optional<Mixing> worst() {
        return Mixing.worst(Band.averaged(bands(), averaged));
    }

    /** What the room adds, as a share of white; empty while that was not read. */
    public Optional<Double> leak() {
        return lampOff.isEmpty() ? Optional.empty() : Optional.of(correction.leak(lampOff));
    }

    @Override
    public Tuning tuning() {
        return ColourKept.tuning(this);
    }

    @Override
    public List<Constant> constants() {
        return ColourKept.constants(this);
    }

    @Override
    public boolean isOfSameRig(Draft other) {
        return other instanceof ColourDraft of && of.rig.equals(rig);
    }

    /** The channels that tell colours, in order. */
    public static List<String> channels() {
        return CHANNELS;
    }

    /** Whether numbers make whole readings: four to each. */
    public static Optional<List<Reading>> readings(double... values) {
        if (values.length == 0
                || values.length % 4 != 0
                || Arrays.stream(values).anyMatch(value -> value < 0)) {
            return Optional.empty();
        }
        List<Reading> readings = new ArrayList<>();
        for (int i = 0; i < values.length; i += 4) {
            readings.add(new Reading(values[i], values[i + 1], values[i + 2], values[i + 3]));
        }
        return Optional.of(readings);
    }
}
