package inkel.app.ui.tune.signal;

import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Voltage;
import inkel.core.tune.Estimate;
import inkel.core.tune.analog.AnalogFit;
import inkel.core.tune.analog.AnalogSignal;
import java.util.Optional;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What the readings of an analog signal say: its noise, drift, range, scale and offset. */
final class AnalogSays extends VBox {
    /** Readings that a drift is told over. */
    private static final double PER = 100;

    AnalogSays() {
        super(4);
    }

    void show(AnalogSignal draft) {
        getChildren().clear();
        Optional<AnalogFit> fit = draft.fit();
        if (fit.isEmpty()) {
            getChildren().add(Ui.text(Words.get("tune.analog.nothing"), "quiet"));
            return;
        }
        double all = draft.rig().codes();
        row("tune.analog.range", fit.get().low() + " – " + fit.get().high());
        row(
                "tune.analog.noise",
                fit.get()
                        .noise()
                        .map(noise -> said(noise, 2) + "  "
                                + Words.say(Fact.of("tune.analog.bits")
                                        .with(
                                                "bits",
                                                Numbers.fixed(
                                                        fit.get()
                                                                .effectiveBits(all)
                                                                .orElse(0.0),
                                                        1))))
                        .orElse(Words.get(fit.get().count() < 6 ? "tune.analog.few" : "tune.analog.calm")));
        fit.get()
                .drift()
                .ifPresent(drift -> row(
                        "tune.analog.drift",
                        fit.get().isDrifting()
                                ? Words.say(Fact.of("tune.analog.drifts").with("codes", said(drift.times(PER), 1)))
                                : Words.get("tune.analog.steady")));
        rangeRow(draft);
        fit.get()
                .scale()
                .ifPresentOrElse(
                        scale -> {
                            row(
                                    "tune.analog.reference",
                                    volts(fit.get().reference(all).orElseThrow()));
                            row("tune.analog.scale", said(scale.times(1000), 3) + " mV");
                            fit.get().offset().ifPresent(offset -> row("tune.analog.offset", volts(offset)));
                            row(
                                    "tune.analog.worst",
                                    Numbers.print(Voltage.ofVolts(fit.get().worst())));
                        },
                        () -> getChildren().add(Ui.text(Words.get("tune.analog.two"), "quiet")));
    }

    /** Which range of the converter would do, where it has several. */
    private void rangeRow(AnalogSignal draft) {
        if (draft.rig().ranges().size() < 2 || draft.highest().isEmpty()) {
            return;
        }
        boolean isTheOne =
                draft.range().filter(range -> range == draft.rig().fullScale()).isPresent();
        row(
                "tune.analog.gain",
                draft.range()
                        .map(range -> Words.say(Fact.of(isTheOne ? "tune.analog.gain.same" : "tune.analog.gain.other")
                                .with("range", Voltage.ofVolts(range))
                                .with("highest", Voltage.ofVolts(draft.highest().orElseThrow()))
                                .with("step", Voltage.ofVolts(draft.rangeStep().orElseThrow()))))
                        .orElse(Words.get("tune.analog.gain.none")));
    }

    private void row(String key, String said) {
        Caption name = Ui.word(Words.get(key), "quiet");
        name.setMinWidth(130);
        Caption text = Ui.text(said);
        text.setMinWidth(0);
        getChildren().add(new HBox(10, name, text));
    }

    private static String volts(Estimate estimate) {
        return said(estimate, 3) + " V";
    }

    private static String said(Estimate estimate, int digits) {
        return Numbers.fixed(estimate.value(), digits) + " ± " + Numbers.fixed(estimate.off(), digits);
    }
}
