package inkel.core.tune.colour;

import inkel.core.catalog.BenchKind;
import inkel.core.document.Tuning;
import inkel.core.document.Tuning.Found;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import inkel.core.quantity.Unit;
import inkel.core.tune.Constant;
import inkel.core.tune.Estimate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** A colour's draft as it is kept, and what was kept as a draft. */
public final class ColourKept {
    private static final List<String> ALL = List.of("red", "green", "blue", "clear");
    private static final String DARK = "sensor_dark_";
    private static final String WHITE = "sensor_white_";
    private static final String NAMES = "colours";
    private static final String BAND = "_band";
    private static final String LEAK = "room_light";
    private static final String AVERAGED = "averaged";
    private static final String DISTANCE = "distance_";

    private ColourKept() {}

    /** The draft that goes on where something was kept, with the dark and white that its shares are of. */
    public static ColourDraft draft(ColourRig rig, Tuning tuning) {
        return new ColourDraft(
                rig,
                new Correction(kept(tuning, DARK), kept(tuning, WHITE)),
                List.of(),
                Map.of(),
                Optional.empty(),
                bands(tuning),
                averaged(tuning),
                Optional.empty(),
                distance(tuning));
    }

    /** How many readings the mean is taken of, as it was kept. */
    public static int averaged(Tuning tuning) {
        return tuning.number(AVERAGED)
                .map(count -> (int) Math.max(1, Math.min(ColourDraft.MOST_AVERAGED, count.si())))
                .orElse(1);
    }

    private static List<Reading> kept(Tuning tuning, String what) {
        double[] values = new double[ALL.size()];
        for (int i = 0; i < values.length; i++) {
            Optional<Quantity> mean = tuning.number(what + ALL.get(i));
            if (mean.isEmpty()) {
                return List.of();
            }
            values[i] = mean.get().si();
        }
        return ColourDraft.readings(values).orElse(List.of());
    }

    private static List<Estimate> distance(Tuning tuning) {
        return ColourDraft.CHANNELS.stream()
                .flatMap(channel -> Optional.ofNullable(tuning.numbers().get(DISTANCE + channel)).stream())
                .map(found -> new Estimate(found.value().si(), found.off()))
                .toList();
    }

    /** The bands that were kept. */
    public static List<Band> bands(Tuning tuning) {
        List<Band> bands = new ArrayList<>();
        for (String name : tuning.choice(NAMES).orElse("").split(", ")) {
            List<Estimate> means = new ArrayList<>();
            List<Double> halves = new ArrayList<>();
            for (String channel : ColourDraft.CHANNELS) {
                Found mean = tuning.numbers().get(key(name, channel));
                Found half = tuning.numbers().get(key(name, channel) + BAND);
                if (mean != null && half != null) {
                    means.add(new Estimate(mean.value().si(), mean.off()));
                    halves.add(half.value().si());
                }
            }
            if (means.size() == ColourDraft.CHANNELS.size()) {
                bands.add(new Band(name, means, halves));
            }
        }
        return bands;
    }

    static String key(String name, String channel) {
        return name.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "_") + "_" + channel;
    }

    static Tuning tuning(ColourDraft draft) {
        Map<String, Found> numbers = new LinkedHashMap<>();
        List<Band> bands = draft.bands();
        for (Band band : bands) {
            for (int i = 0; i < ColourDraft.CHANNELS.size(); i++) {
                Estimate mean = band.means().get(i);
                String key = key(band.name(), ColourDraft.CHANNELS.get(i));
                numbers.put(key, new Found(Quantity.of(Unit.ONE, mean.value()), mean.off(), Source.MEASURED));
                numbers.put(
                        key + BAND,
                        new Found(Quantity.of(Unit.ONE, band.halves().get(i)), 0, Source.COMPUTED));
            }
        }
        put(numbers, DARK, draft.correction().dark());
        put(numbers, WHITE, draft.correction().white());
        draft.leak().ifPresent(share -> numbers.put(LEAK, new Found(Quantity.of(Unit.ONE, share), 0, Source.MEASURED)));
        if (draft.averaged() > 1) {
            numbers.put(AVERAGED, new Found(Quantity.of(Unit.ONE, draft.averaged()), 0, Source.YOURS));
        }
        List<Estimate> distance = draft.distance();
        for (int i = 0; i < distance.size(); i++) {
            Estimate off = distance.get(i);
            numbers.put(
                    DISTANCE + ColourDraft.CHANNELS.get(i),
                    new Found(Quantity.of(Unit.ONE, off.value()), off.off(), Source.MEASURED));
        }
        String names = String.join(", ", bands.stream().map(Band::name).toList());
        return new Tuning(
                BenchKind.COLOUR,
                numbers,
                Map.of(),
                Map.of(),
                names.isEmpty() ? Map.of() : Map.of(NAMES, names),
                Map.of());
    }

    private static void put(Map<String, Found> numbers, String what, List<Reading> readings) {
        for (int i = 0; i < ALL.size() && !readings.isEmpty(); i++) {
            numbers.put(
                    what + ALL.get(i), new Found(Quantity.of(Unit.ONE, Reading.mean(readings, i)), 0, Source.MEASURED));
        }
    }

    static List<Constant> constants(ColourDraft draft) {
        List<Constant> constants = new ArrayList<>();
        for (Band band : draft.bands()) {
            for (int i = 0; i < ColourDraft.CHANNELS.size(); i++) {
                String name = Constant.identifier(draft.rig().name(), band.name(), ColourDraft.CHANNELS.get(i));
                constants.add(new Constant(
                        name + "_PERMILLE", permille(band.means().get(i).value()), Source.MEASURED));
                constants.add(new Constant(
                        name + "_BAND_PERMILLE", permille(band.halves().get(i)), Source.COMPUTED));
            }
        }
        if (draft.averaged() > 1) {
            constants.add(new Constant(
                    Constant.identifier(draft.rig().name(), "AVERAGED"),
                    String.valueOf(draft.averaged()),
                    Source.YOURS));
        }
        for (int i = 0; i < ALL.size() && !draft.correction().white().isEmpty(); i++) {
            constants.add(new Constant(
                    Constant.identifier(draft.rig().name(), "dark", ALL.get(i)),
                    whole(Reading.mean(draft.correction().dark(), i)),
                    Source.MEASURED));
            constants.add(new Constant(
                    Constant.identifier(draft.rig().name(), "white", ALL.get(i)),
                    whole(Reading.mean(draft.correction().white(), i)),
                    Source.MEASURED));
        }
        return constants;
    }

    private static String permille(double share) {
        return whole(share * 1000);
    }

    private static String whole(double value) {
        return String.valueOf(Math.round(value));
    }
}
