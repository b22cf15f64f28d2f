package inkel.app.ui.wake;

import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.document.Meter;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Share;
import inkel.core.quantity.Unit;
import java.util.Optional;
import java.util.OptionalInt;
import javafx.beans.property.ObjectProperty;
import javafx.geometry.Pos;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;

/** What the builder measures with: three figures from the meter's own sheet. */
final class MeterStrip extends HBox {
    private static final double WIDTH = 76;

    private final ObjectProperty<Meter> meter;
    private final TextField counts = field("wake-meter-counts");
    private final TextField accuracy = field("wake-meter-accuracy");
    private final TextField digits = field("wake-meter-digits");
    private final Caption problem = Ui.text("", "stop-text");

    MeterStrip(ObjectProperty<Meter> meter) {
        super(8);
        this.meter = meter;
        setAlignment(Pos.CENTER_LEFT);
        getStyleClass().addAll("sheet", "meter-strip");
        setId("wake-meter");
        problem.setMinWidth(0);
        getChildren()
                .addAll(
                        Ui.word(Words.get("wake.meter.counts"), "quiet"),
                        counts,
                        Ui.word(Words.get("wake.meter.accuracy"), "quiet"),
                        accuracy,
                        Ui.word(Words.get("wake.meter.digits"), "quiet"),
                        digits,
                        problem);
        show();
    }

    private TextField field(String id) {
        TextField field = new TextField();
        field.setId(id);
        field.setPrefWidth(WIDTH);
        field.setMinWidth(WIDTH);
        field.setOnAction(event -> take());
        field.focusedProperty().addListener((property, old, isFocused) -> {
            if (!isFocused) {
                take();
            }
        });
        return field;
    }

    void show() {
        counts.setText(String.valueOf(meter.get().counts()));
        accuracy.setText(Words.show(new Share(meter.get().accuracy())));
        digits.setText(String.valueOf(meter.get().digits()));
        problem.setText("");
    }

    private void take() {
        OptionalInt wholeCounts = whole(counts.getText(), 100, 10_000_000);
        Optional<Double> share = Engineering.parse(accuracy.getText().replace(',', '.'), Unit.ONE)
                .filter(value -> value >= 0 && value < 0.5);
        OptionalInt wholeDigits = whole(digits.getText(), 0, 100);
        if (wholeCounts.isEmpty()) {
            problem.setText(Words.get("wake.meter.counts.bad"));
        } else if (share.isEmpty()) {
            problem.setText(Words.get("wake.meter.accuracy.bad"));
        } else if (wholeDigits.isEmpty()) {
            problem.setText(Words.get("wake.meter.digits.bad"));
        } else {
            problem.setText("");
            meter.set(new Meter(wholeCounts.getAsInt(), share.get(), wholeDigits.getAsInt()));
        }
    }

    private static OptionalInt whole(String text, int least, int most) {
        try {
            int number = Integer.parseInt(text.strip());
            return number < least || number > most ? OptionalInt.empty() : OptionalInt.of(number);
        } catch (NumberFormatException notANumber) {
            return OptionalInt.empty();
        }
    }
}
