package inkel.core.tune.sample;

import inkel.core.document.Tuning;
import inkel.core.document.Tuning.Found;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import inkel.core.quantity.Unit;
import inkel.core.tune.Constant;
import inkel.core.tune.Draft;
import inkel.core.tune.Estimate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * What was read of a part so far, and what follows.
 *
 * @param set what the builder said, by the key of the setting; what is not there is as usual
 * @param before what was kept earlier; each of its numbers stands until it is found anew
 */
public record SampledDraft(
        SampledBench bench, Rig rig, List<Sample> samples, Map<String, Double> set, Optional<Tuning> before)
        implements Draft {
    private static final double MICRO = 1e-6;

    /** Before the names of settings, so that they are told from what was found. */
    private static final String SET = "set_";

    public SampledDraft {
        samples = List.copyOf(samples);
        set = Map.copyOf(set);
    }

    public static SampledDraft of(SampledBench bench, Rig rig) {
        return new SampledDraft(bench, rig, List.of(), Map.of(), Optional.empty());
    }

    /** The draft that goes on where something was kept. */
    public static SampledDraft of(SampledBench bench, Rig rig, Tuning kept) {
        Map<String, Double> set = new LinkedHashMap<>();
        for (Setting setting : bench.settings(rig)) {
            Optional<Double> value = setting.options().isEmpty()
                    ? kept.number(SET + setting.key()).map(Quantity::si)
                    : kept.choice(setting.key())
                            .map(word -> (double) setting.options().indexOf(word));
            value.filter(setting::allows).ifPresent(said -> set.put(setting.key(), said));
        }
        return new SampledDraft(bench, rig, List.of(), set, Optional.of(kept));
    }

    public SampledDraft with(Sample sample) {
        List<Sample> more = new ArrayList<>(samples);
        more.add(sample);
        return new SampledDraft(bench, rig, more, set, before);
    }

    /** Without one reading, as when a hand slipped. */
    public SampledDraft without(int sample) {
        List<Sample> fewer = new ArrayList<>(samples);
        fewer.remove(sample);
        return new SampledDraft(bench, rig, fewer, set, before);
    }

    public SampledDraft set(String key, double value) {
        Map<String, Double> more = new LinkedHashMap<>(set);
        more.put(key, value);
        return new SampledDraft(bench, rig, samples, more, before);
    }

    public double setting(Setting setting) {
        return set.getOrDefault(setting.key(), setting.usual());
    }

    public Optional<Ask> ask(String id) {
        return bench.asks(rig).stream().filter(ask -> ask.id().equals(id)).findFirst();
    }

    private Map<String, Double> all() {
        return bench.settings(rig).stream().collect(Collectors.toMap(Setting::key, this::setting));
    }

    /** What follows from what was read since the bench was set up. */
    public Work work() {
        return bench.work(rig, samples, all());
    }

    /** What is known: what was read, and what was kept of all that was not read again. */
    public Map<String, Found> found() {
        Map<String, Found> found = new LinkedHashMap<>();
        before.ifPresent(kept -> kept.numbers().forEach((name, one) -> {
            if (!name.startsWith(SET)) {
                found.put(name, one);
            }
        }));
        work().results()
                .forEach(result -> found.put(
                        result.id(),
                        new Found(
                                Quantity.of(result.unit(), result.estimate().value()),
                                result.estimate().off(),
                                result.source())));
        return found;
    }

    @Override
    public Tuning tuning() {
        Map<String, Found> numbers = new LinkedHashMap<>(found());
        Map<String, String> choices = new LinkedHashMap<>();
        for (Setting setting : bench.settings(rig)) {
            if (setting.options().isEmpty()) {
                numbers.put(
                        SET + setting.key(), new Found(Quantity.of(setting.unit(), setting(setting)), 0, Source.YOURS));
            } else {
                choices.put(setting.key(), setting.options().get((int) setting(setting)));
            }
        }
        return new Tuning(bench.kind(), numbers, Map.of(), Map.of(), choices, Map.of());
    }

    @Override
    public boolean isOfSameRig(Draft other) {
        return other instanceof SampledDraft of && of.rig.equals(rig);
    }

    @Override
    public List<Constant> constants() {
        List<Constant> constants = new ArrayList<>();
        found().forEach((name, found) -> {
            // A number of one pin has that before its name.
            boolean isForCode =
                    bench.forCode().stream().anyMatch(code -> name.equals(code) || name.endsWith("_" + code));
            if (isForCode) {
                constants.add(constant(rig.name(), name, found));
            }
        });
        for (Setting setting : bench.settings(rig)) {
            if (setting.isForCode()) {
                Found said = new Found(Quantity.of(setting.unit(), setting(setting)), 0, Source.YOURS);
                constants.add(constant(rig.name(), setting.key(), said));
            }
        }
        tables().forEach((name, row) ->
                constants.add(new Constant(Constant.identifier(rig.name(), name), Constant.row(row), Source.COMPUTED)));
        return constants;
    }

    private Map<String, List<Long>> tables() {
        Map<String, Double> known = new LinkedHashMap<>();
        found().forEach((name, one) -> known.put(name, one.value().si()));
        return bench.tables(rig, known, all());
    }

    private static Constant constant(String part, String name, Found found) {
        Unit unit = found.value().unit();
        boolean isSmall = unit == Unit.SECOND || unit == Unit.VOLT || unit == Unit.AMPERE;
        String suffix = unit == Unit.ONE ? "" : (isSmall ? "U" : "") + unit.symbol();
        return new Constant(
                Constant.identifier(part, name, suffix),
                decimal(found.value().si() / (isSmall ? MICRO : 1)),
                found.source());
    }

    /** Six digits that mean something, without an exponent. */
    private static String decimal(double value) {
        if (value == 0) {
            return "0";
        }
        int digits = (int) Math.max(0, 5 - Math.floor(Math.log10(Math.abs(value))));
        String text = String.format(Locale.ROOT, "%." + Math.min(digits, 9) + "f", value);
        return text.contains(".") ? text.replaceAll("0+$", "").replaceAll("\\.$", "") : text;
    }

    /** An estimate of what is known, by its name. */
    public Optional<Estimate> estimate(String name) {
        return Optional.ofNullable(found().get(name))
                .map(one -> new Estimate(one.value().si(), one.off()));
    }
}
