package inkel.app.ui.tune.signal;

import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Unit;
import inkel.core.tune.analog.AnalogSignal;
import inkel.core.tune.analog.Divider;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;

/** How the points of an analog signal are joined: by straight lines, or by the curve of a thermistor. */
final class AnalogCurve {
    private static final double FIELD = 70;

    /** What most boards with a thermistor have beside it. */
    private static final double USUAL = 10e3;

    private final Supplier<AnalogSignal> draft;
    private final Consumer<AnalogSignal> change;
    private final Consumer<String> say;
    private final Tile straight = BenchPane.toggle("tune-straight", "tune.analog.straight", this::straight);
    private final Tile thermistor = BenchPane.toggle("tune-thermistor", "tune.analog.thermistor", this::bend);
    private final TextField resistor = BenchPane.field("tune-divider", FIELD);
    private final Tile atGround = BenchPane.toggle("tune-at-ground", "tune.analog.at_ground", () -> side(true));
    private final Tile atSupply = BenchPane.toggle("tune-at-supply", "tune.analog.at_supply", () -> side(false));
    private final WrapRow divided = new WrapRow(8);
    private final Caption off = Ui.text("", "quiet");
    private final VBox content;

    AnalogCurve(Supplier<AnalogSignal> draft, Consumer<AnalogSignal> change, Consumer<String> say) {
        this.draft = draft;
        this.change = change;
        this.say = say;
        WrapRow kinds = new WrapRow(6);
        kinds.getChildren().addAll(straight, thermistor);
        divided.setAlignment(Pos.CENTER_LEFT);
        divided.getChildren().addAll(BenchPane.named("tune.analog.divider", "", resistor), atGround, atSupply);
        resistor.setOnAction(event -> takeResistor());
        off.setMinWidth(0);
        content = new VBox(6, kinds, divided, off);
    }

    Node content() {
        return content;
    }

    private void straight() {
        change.accept(draft.get().divided(Optional.empty()));
    }

    private void bend() {
        if (draft.get().divider().isEmpty()) {
            // As the plan has it, where the part is a resistance alone.
            Divider by = draft.get().rig().divider().orElse(new Divider(USUAL, true));
            change.accept(draft.get().divided(Optional.of(by)));
        }
    }

    private void side(boolean isAtGround) {
        draft.get()
                .divider()
                .ifPresent(
                        by -> change.accept(draft.get().divided(Optional.of(new Divider(by.resistor(), isAtGround)))));
    }

    private void takeResistor() {
        Optional<Double> ohms = BenchPane.amount(resistor.getText(), Unit.OHM);
        Optional<Divider> now = draft.get().divider();
        if (ohms.filter(value -> value >= 1 && value <= 100e6).isEmpty()) {
            say.accept(Words.get("tune.analog.divider.bad"));
        } else {
            now.ifPresent(
                    by -> change.accept(draft.get().divided(Optional.of(new Divider(ohms.get(), by.atGround())))));
        }
    }

    void show(AnalogSignal signal) {
        Optional<Divider> by = signal.divider();
        straight.setSelected(by.isEmpty());
        thermistor.setSelected(by.isPresent());
        Ui.show(divided, by.isPresent());
        Ui.show(off, by.isPresent());
        by.ifPresent(divider -> {
            BenchPane.fill(resistor, Numbers.print(Resistance.ofOhms(divider.resistor())));
            atGround.setSelected(divider.atGround());
            atSupply.setSelected(!divider.atGround());
            off.setText(off(signal));
        });
    }

    private static String off(AnalogSignal signal) {
        if (signal.curve().isEmpty()) {
            return Words.get("tune.analog.curve.three");
        }
        return signal.worstBeside()
                .map(worst -> Words.say(Fact.of("tune.analog.curve.beside").with("worst", Numbers.fixed(worst, 1))))
                .orElseGet(() -> Words.say(Fact.of("tune.analog.curve.straight")
                        .with("worst", Numbers.fixed(signal.straightOff().orElse(0.0), 1))));
    }
}
