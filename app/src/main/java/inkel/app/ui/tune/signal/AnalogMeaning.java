package inkel.app.ui.tune.signal;

import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.document.Tuning.Point;
import inkel.core.quantity.Fact;
import inkel.core.tune.analog.AnalogSignal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What codes of an analog signal mean to the builder: corners of a line, and the unit. */
final class AnalogMeaning {
    private static final double FIELD = 70;

    private final Supplier<AnalogSignal> draft;
    private final Consumer<AnalogSignal> change;
    private final Consumer<String> say;
    private final TextField unit = BenchPane.field("tune-unit", FIELD);
    private final TextField code = BenchPane.field("tune-mean-code", FIELD);
    private final TextField value = BenchPane.field("tune-mean-value", FIELD);
    private final VBox corners = new VBox(4);
    private final Caption means = Ui.text("", "tune-formula");
    private final Node entry;

    AnalogMeaning(Supplier<AnalogSignal> draft, Consumer<AnalogSignal> change, Consumer<String> say) {
        this.draft = draft;
        this.change = change;
        this.say = say;
        entry = made();
    }

    Node entry() {
        return entry;
    }

    Node corners() {
        return corners;
    }

    /** What the latest reading means. */
    Node means() {
        return means;
    }

    private Node made() {
        code.setOnAction(event -> addCorner());
        value.setOnAction(event -> addCorner());
        unit.setOnAction(event -> change.accept(
                draft.get().meaning(draft.get().meaning(), unit.getText().strip())));
        unit.setPromptText("%");
        WrapRow row = new WrapRow(8);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getChildren()
                .addAll(
                        BenchPane.named("tune.analog.code", "", code),
                        BenchPane.named("tune.analog.is", "", value, unit),
                        Ui.textButton("tune-mean-add", Words.get("tune.analog.add"), this::addCorner));
        return row;
    }

    /** A code that is there already takes the new value; else the corner goes where its code has its place. */
    private void addCorner() {
        OptionalDouble x = code.getText().isBlank() && !draft.get().runs().isEmpty()
                ? OptionalDouble.of(
                        draft.get().runs().get(draft.get().runs().size() - 1).mean())
                : BenchPane.number(code.getText());
        OptionalDouble y = BenchPane.number(value.getText());
        boolean isCode = x.isPresent()
                && x.getAsDouble() >= 0
                && x.getAsDouble() < draft.get().rig().codes();
        if (!isCode || y.isEmpty()) {
            say.accept(Words.say(Fact.of("tune.analog.corner.bad")
                    .with("most", Math.round(draft.get().rig().codes()) - 1)));
            return;
        }
        List<Point> more = new ArrayList<>(draft.get().meaning().stream()
                .filter(point -> point.x() != x.getAsDouble())
                .toList());
        more.add(new Point(x.getAsDouble(), y.getAsDouble()));
        more.sort((one, other) -> Double.compare(one.x(), other.x()));
        code.clear();
        value.clear();
        change.accept(draft.get().meaning(more, unit.getText().strip()));
    }

    void show(AnalogSignal now) {
        BenchPane.fill(unit, now.unit());
        corners.getChildren().clear();
        for (Point point : now.meaning()) {
            HBox row = new HBox(
                    10,
                    Ui.word(
                            BenchPane.plain(point.x()) + "  →  "
                                    + (BenchPane.plain(point.y()) + " " + now.unit()).strip(),
                            "tune-run"),
                    Ui.textButton(
                            "tune-mean-out-" + BenchPane.plain(point.x()),
                            Words.get("tune.take_out"),
                            () -> change.accept(draft.get()
                                    .meaning(
                                            draft.get().meaning().stream()
                                                    .filter(other -> !other.equals(point))
                                                    .toList(),
                                            draft.get().unit()))));
            row.setAlignment(Pos.CENTER_LEFT);
            corners.getChildren().add(row);
        }
        Optional<Double> latest = now.runs().isEmpty()
                ? Optional.empty()
                : now.meant(now.runs().get(now.runs().size() - 1).mean());
        means.setText(latest.map(meant -> Words.say(Fact.of("tune.analog.means")
                        .with("value", (Numbers.fixed(meant, 1) + " " + now.unit()).strip())))
                .orElse(Words.get(now.meaning().size() < 2 ? "tune.analog.points" : "tune.analog.flat")));
    }
}
