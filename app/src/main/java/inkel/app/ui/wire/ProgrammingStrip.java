package inkel.app.ui.wire;

import inkel.app.ui.kit.Ui;
import inkel.app.words.WireWords;
import inkel.app.words.Words;
import inkel.core.quantity.Fact;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The leads that are plugged only while a chip gets its program, below the list and no part of its count. */
final class ProgrammingStrip extends VBox {
    private final FlowPane leads = new FlowPane(18, 4);

    ProgrammingStrip() {
        super(4);
        getStyleClass().addAll("sheet", "programming-strip");
        setId("wire-programming");
        Ui.show(this, false);
    }

    void show(WireList wires, WireWords words) {
        Ui.show(this, !wires.programming().isEmpty());
        String board = wires.node().board().part().name();
        getChildren().setAll(Ui.word(Words.get("wire.programming", "board", board), "row-name"), leads);
        leads.getChildren()
                .setAll(wires.programming().stream()
                        .map(step -> lead(step, words))
                        .toList());
    }

    private static Node lead(WireStep step, WireWords words) {
        Region swatch = new Region();
        swatch.getStyleClass().addAll("swatch", "swatch-" + step.colour().text());
        HBox row = new HBox(
                8,
                swatch,
                Ui.word(words.name(step.from()), "step-end"),
                Ui.word(words.printed(step.from()), "quiet"),
                Ui.word("→", "quiet"),
                Ui.word(words.name(step.to()), "step-end"),
                Ui.word(words.printed(step.to()), "quiet"));
        row.setAlignment(Pos.CENTER_LEFT);
        row.setAccessibleText(Words.say(Fact.of("wire.lead")
                .with("from", words.name(step.from()))
                .with("place", words.place(step.from()))
                .with("to", words.name(step.to()))));
        Ui.tip(row, words.place(step.from()));
        return row;
    }
}
