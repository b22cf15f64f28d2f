package inkel.app.ui.tune;

import inkel.app.ui.why.Why.Row;
import inkel.app.ui.why.Why.Section;
import inkel.app.words.Words;
import inkel.core.document.AirKey;
import inkel.core.quantity.Share;
import inkel.core.tune.radio.End;
import inkel.core.tune.radio.RadioNet;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** What the Why panel says of a station: how far it carries, and what it takes of the air. */
final class RadioWords {
    private RadioWords() {}

    static List<Section> sections(RadioNet net, End end) {
        RadioNet.Budget budget = net.budget(end);
        List<Row> reach = new ArrayList<>();
        reach.add(row("sends", decibels(budget.power(), "dBm"), end.isOwn(AirKey.POWER) ? "yours" : "class"));
        reach.add(row("path", decibels(budget.path(), "dB"), "computed"));
        reach.add(row("losses", decibels(budget.losses(), "dB"), "yours"));
        reach.add(row("arrives", decibels(budget.arrives(), "dBm"), "computed"));
        reach.add(row("hears", decibels(budget.sensitivity(), "dBm"), "class"));
        reach.add(row("margin", decibels(budget.margin(), "dB"), "computed"));
        List<Row> air = new ArrayList<>();
        air.add(row("packet", Words.show(net.packet(end)), "computed"));
        air.add(row("exchange", Words.show(net.exchange(end)), "computed"));
        air.add(row("load", percent(net.load()), "computed"));
        air.add(row("clash", percent(net.clash(end)), "computed"));
        air.add(row("missed", percent(net.missed(end)), "computed"));
        return List.of(
                Section.ofRows(Words.get("radio.why.reach"), reach), Section.ofRows(Words.get("radio.why.air"), air));
    }

    private static Row row(String key, String value, String source) {
        return new Row(Words.get("radio.why." + key), value, Words.get("source." + source));
    }

    private static String decibels(double value, String unit) {
        return String.format(Locale.ROOT, "%.1f", value).replace('-', '−') + "\u00a0" + unit;
    }

    private static String percent(double share) {
        return Words.show(Share.of(Math.rint(share * 1e4) / 1e4));
    }
}
