package inkel.app.ui.tune.signal;

import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.app.words.NumberWords;
import inkel.app.words.Words;
import inkel.core.quantity.Fact;
import inkel.core.tune.sample.SampledDraft;
import inkel.core.tune.sample.Setting;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.TextField;

/** What is chosen for a bench of readings besides: amounts in fields, words as tiles. */
final class SampledSettings {
    private static final double FIELD = 80;

    private final SampledPane pane;
    private final WrapRow row = new WrapRow(16);
    private final Map<Setting, TextField> fields = new LinkedHashMap<>();
    private final Map<Setting, List<Tile>> choices = new LinkedHashMap<>();

    SampledSettings(SampledPane pane) {
        this.pane = pane;
        row.setAlignment(Pos.CENTER_LEFT);
        make();
    }

    Node node() {
        return row;
    }

    /** Made once: what is typed in one outlives what follows from another. */
    private void make() {
        for (Setting setting : pane.draft().bench().settings(pane.draft().rig())) {
            String key = "tune.set." + setting.key();
            if (setting.options().isEmpty()) {
                TextField field = BenchPane.field("tune-set-" + setting.key(), FIELD);
                pane.onTyped(field, () -> take(setting, field.getText()));
                fields.put(setting, field);
                row.getChildren().add(BenchPane.named(key, NumberWords.unit(setting.unit()), field));
                continue;
            }
            row.getChildren().add(Ui.word(Words.get(key), "quiet"));
            List<Tile> pills = new ArrayList<>();
            for (int i = 0; i < setting.options().size(); i++) {
                int number = i;
                String option = setting.options().get(i);
                pills.add(SampledPane.toggleOf(
                        "tune-set-" + setting.key() + "-" + option,
                        Words.get(key + "." + option),
                        () -> pane.change(pane.draft().set(setting.key(), number))));
            }
            choices.put(setting, pills);
            row.getChildren().addAll(pills);
        }
    }

    void show(SampledDraft draft) {
        fields.forEach((setting, field) ->
                BenchPane.fill(field, BenchPane.plain(draft.setting(setting) / NumberWords.scale(setting.unit()))));
        choices.forEach((setting, pills) -> {
            for (int i = 0; i < pills.size(); i++) {
                pills.get(i).setSelected(draft.setting(setting) == i);
            }
        });
    }

    private void take(Setting setting, String text) {
        Optional<Double> value = SampledPane.amountOf(text, setting.unit()).filter(setting::allows);
        if (value.isEmpty()) {
            pane.say(Words.say(Fact.of("tune.sampled.known.bad")
                    .with("least", SampledPane.shown(setting.least(), setting.unit(), NumberWords.unit(setting.unit())))
                    .with(
                            "most",
                            SampledPane.shown(setting.most(), setting.unit(), NumberWords.unit(setting.unit())))));
            return;
        }
        // What stands there already is no change: leaving a field begins no draft.
        boolean isSame = BenchPane.plain(value.get() / NumberWords.scale(setting.unit()))
                .equals(BenchPane.plain(pane.draft().setting(setting) / NumberWords.scale(setting.unit())));
        if (isSame) {
            pane.say("");
        } else {
            pane.change(pane.draft().set(setting.key(), value.get()));
        }
    }
}
