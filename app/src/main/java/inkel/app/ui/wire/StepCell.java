package inkel.app.ui.wire;

import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Icons;
import inkel.app.ui.kit.Ui;
import inkel.app.words.WireWords;
import inkel.app.words.Words;
import inkel.core.quantity.Fact;
import inkel.core.wiring.WireStep;
import java.util.function.Supplier;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/** A line of the list of wires. */
final class StepCell extends ListCell<WireStep> {
    private static final PseudoClass DONE = PseudoClass.getPseudoClass("done");

    private final Supplier<WireWords> says;
    private final Caption number = Ui.word("", "step-number").right();
    private final Region swatch = new Region();
    private final Caption from = Ui.word("", "step-end");
    private final Caption to = Ui.word("", "step-end");
    private final Caption kind = Ui.word("", "quiet");
    private final Label tick = new Label();
    private final Caption arrow = Ui.word("→", "quiet");
    private final HBox row = new HBox(12, number, swatch, from, arrow, to, kind, Ui.spring(), tick);

    /** @param says the words of the node that is shown */
    StepCell(Supplier<WireWords> says) {
        this.says = says;
        number.setMinWidth(26);
        arrow.setMinWidth(USE_PREF_SIZE);
        swatch.getStyleClass().add("swatch");
        from.setPrefWidth(160);
        from.setMinWidth(90);
        to.setPrefWidth(178);
        to.setMinWidth(90);
        kind.setMinWidth(0);
        row.setAlignment(Pos.CENTER_LEFT);
        setPrefWidth(0);
    }

    @Override
    protected void updateItem(WireStep step, boolean isEmpty) {
        super.updateItem(step, isEmpty);
        if (isEmpty || step == null) {
            setGraphic(null);
            return;
        }
        WireWords words = says.get();
        number.setText(String.valueOf(step.number()));
        swatch.getStyleClass().setAll("swatch", "swatch-" + step.colour().text());
        from.setText(words.name(step.from()));
        to.setText(words.name(step.to()));
        kind.setText(words.kind(step));
        boolean isPull = step.kind() == WireStep.Kind.PULL;
        swatch.setVisible(!isPull);
        tick.setGraphic(step.plugged() && !isPull ? Ui.icon(Icons.TICK, "step-tick") : null);
        pseudoClassStateChanged(DONE, step.plugged() && !isPull);
        setAccessibleText(Words.say(Fact.of("wire.step")
                .with("number", step.number())
                .with("from", words.name(step.from()))
                .with("to", words.name(step.to()))
                .with("state", Words.get(isPull ? "wire.to_pull" : step.plugged() ? "wire.plugged" : "wire.open"))));
        setGraphic(row);
    }
}
