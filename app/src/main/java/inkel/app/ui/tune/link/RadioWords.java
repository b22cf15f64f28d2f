package inkel.app.ui.tune.link;

import inkel.app.ui.why.Why.Row;
import inkel.app.ui.why.Why.Section;
import inkel.app.ui.why.Why.Tone;
import inkel.app.ui.why.Why.Verdict;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.document.AirKey;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Share;
import inkel.core.tune.radio.End;
import inkel.core.tune.radio.RadioNet;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What the Why panel says of a station: how far it carries, and what it takes of the air. */
public final class RadioWords {
    private RadioWords() {}

    /** What the Why panel says of one end of a net. */
    public static List<Section> sections(RadioNet net, End end) {
        RadioNet.Budget budget = net.budget(end);
        List<Row> reach = new ArrayList<>();
        reach.add(row(
                "sends",
                decibels(budget.power(), "dBm"),
                end.source(AirKey.POWER).name().toLowerCase(Locale.ROOT)));
        reach.add(row("path", decibels(budget.path(), "dB"), "computed"));
        reach.add(row(
                "losses",
                decibels(budget.losses(), "dB"),
                end.source(AirKey.LOSSES).name().toLowerCase(Locale.ROOT)));
        reach.add(row("arrives", decibels(budget.arrives(), "dBm"), "computed"));
        reach.add(row("hears", decibels(budget.sensitivity(), "dBm"), net.isLongRange() ? "computed" : "class"));
        reach.add(row("margin", decibels(budget.margin(), "dB"), "computed"));
        List<Row> air = new ArrayList<>();
        air.add(row("packet", Words.show(net.packet(end)), "computed"));
        if (net.isLongRange()) {
            air.add(row("on_air", percent(net.onAir(end)), "computed"));
            end.duty().ifPresent(most -> air.add(row("may", percent(most), "yours")));
        } else {
            air.add(row("exchange", Words.show(net.exchange(end)), "computed"));
        }
        air.add(row("load", percent(net.load()), "computed"));
        air.add(row("clash", percent(net.clash(end)), "computed"));
        air.add(row("missed", percent(net.missed(end)), "computed"));
        net.average(end).ifPresent(current -> air.add(row("average", Words.show(current), "computed")));
        return List.of(
                Section.ofRows(Words.get("radio.why.reach"), reach), Section.ofRows(Words.get("radio.why.air"), air));
    }

    /** Whether it carries far enough; the first one is where the others are heard, and has no way of its own. */
    public static Optional<Verdict> verdict(RadioNet net, End end) {
        if (end == net.first()) {
            return Optional.empty();
        }
        RadioNet.Budget budget = net.budget(end);
        String key = budget.margin() < 0 ? "short" : budget.isThin() ? "thin" : "well";
        return Optional.of(new Verdict(
                budget.isThin() ? Tone.LOOK : Tone.GOOD,
                Words.say(Fact.of("radio.reach." + key)
                        .with("first", net.first().name())
                        .with("margin", decibels(Math.abs(budget.margin()), "dB")))));
    }

    private static Row row(String key, String value, String source) {
        return new Row(Words.get("radio.why." + key), value, Words.get("source." + source));
    }

    private static String decibels(double value, String unit) {
        return Numbers.fixed(value, 1).replace('-', '−') + "\u00a0" + unit;
    }

    private static String percent(double share) {
        return Words.show(Share.of(Math.rint(share * 1e4) / 1e4));
    }
}
