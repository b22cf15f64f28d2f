package inkel.app.ui.wire;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.document.LogLine;
import inkel.core.document.Node;
import inkel.core.document.edit.MeasureWire;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Unit;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireOhms;
import inkel.core.wiring.WireStep;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;

/** What the meter reads from end to end of a wire: a verdict while it is typed, and a line of the record with Enter. */
final class OhmsField extends HBox {
    private static final double WIDTH = 76;

    private static final double EXAMPLE = 0.4;
    private final Session session;
    private final WireList wires;
    private final WireStep step;
    private final WireOhms expected;
    private final TextField field = new TextField();
    private final Caption verdict = Ui.word("", "ohms-verdict");
    private final Optional<Resistance> known;

    /** @param done gives the keyboard back to the wires, so that the space bar goes on */
    OhmsField(Session session, WireList wires, WireStep step, WireOhms expected, Runnable done) {
        super(8);
        this.session = session;
        this.wires = wires;
        this.step = step;
        this.expected = expected;
        Node node = wires.node().node();
        known = session.build().flatMap(build -> WireOhms.read(build, node, step));
        setAlignment(Pos.CENTER_LEFT);
        field.setId("wire-ohms");
        field.setPrefWidth(WIDTH);
        field.setPromptText(expected.isPlain() ? Numbers.print(EXAMPLE, Unit.OHM, 1) : Words.show(expected.least()));
        field.setAccessibleText(Words.get("wire.ohms.name"));
        known.ifPresent(value -> field.setText(Numbers.exact(value)));
        field.textProperty().addListener((property, old, next) -> judge());
        field.setOnAction(event -> {
            keep();
            done.run();
        });
        verdict.setId("wire-ohms-verdict");
        getChildren().addAll(Ui.word(Words.get("wire.ohms.name"), "quiet"), field, verdict);
        judge();
    }

    private Optional<Resistance> typed() {
        return Engineering.parse(Numbers.typed(field.getText()), Unit.OHM)
                .filter(value -> value >= 0)
                .map(Resistance::ofOhms);
    }

    private void judge() {
        boolean isBlank = field.getText().isBlank();
        Optional<WireOhms.Verdict> said = typed().map(expected::verdict);
        verdict.getStyleClass().removeAll("good-text", "look-text", "stop-text", "quiet");
        verdict.getStyleClass().add(said.map(OhmsField::tone).orElse(isBlank ? "quiet" : "stop-text"));
        verdict.setText(said.map(found -> Words.get("wire.ohms." + found.name().toLowerCase(Locale.ROOT)))
                .orElseGet(() -> isBlank
                        ? band()
                        : Words.say(Fact.of("problem.expected_value")
                                .with("example", "0.4 Ω")
                                .with("found", field.getText().strip()))));
    }

    private String band() {
        return expected.isPlain()
                ? Words.get("wire.ohms.under", "most", expected.most())
                : Words.say(Fact.of("wire.ohms.between")
                        .with("least", expected.least())
                        .with("most", expected.most()));
    }

    private static String tone(WireOhms.Verdict found) {
        return switch (found) {
            case JOINED -> "good-text";
            case LOOSE -> "look-text";
            case APART, OTHER_VALUE -> "stop-text";
        };
    }

    /** Emptied, an earlier reading is taken back. */
    private void keep() {
        Optional<Resistance> value = typed();
        boolean isEmptied = field.getText().isBlank() && known.isPresent();
        if (isEmptied || value.isPresent() && !value.equals(known)) {
            session.apply(new MeasureWire(
                    wires.node().node().id(),
                    step.id(),
                    WireOhms.parts(step),
                    step.subject(),
                    value,
                    field.getText().strip(),
                    LogLine.By.TYPED,
                    session.now()));
        }
    }
}
