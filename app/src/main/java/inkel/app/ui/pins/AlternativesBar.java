package inkel.app.ui.pins;

import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.document.Build;
import inkel.core.pins.Alternative;
import inkel.core.pins.Merits;
import inkel.core.pins.Plan;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Other placements side by side, each with what it is better at; a press shows one in the loom beside today's. */
final class AlternativesBar extends HBox {
    private final Consumer<Optional<Plan>> compare;
    private final Consumer<Plan> take;
    private final List<Tile> tiles = new ArrayList<>();
    private Alternative shown;
    private Build foundFor;
    private boolean isOpen;

    /**
     * @param compare shows a plan beside the present one; empty for none
     * @param take takes a plan over
     */
    AlternativesBar(Consumer<Optional<Plan>> compare, Consumer<Plan> take) {
        super(8);
        this.compare = compare;
        this.take = take;
        setId("alternatives-bar");
        setAlignment(Pos.CENTER_LEFT);
        Ui.show(this, false);
    }

    /** @param of the build that they were found for */
    void show(List<Alternative> found, Build of) {
        foundFor = of;
        getChildren().clear();
        tiles.clear();
        shown = null;
        isOpen = true;
        Ui.show(this, true);
        for (Alternative alternative : found) {
            Tile tile = tile(alternative);
            tiles.add(tile);
            HBox.setHgrow(tile, Priority.ALWAYS);
            tile.setMaxWidth(Double.MAX_VALUE);
            getChildren().add(tile);
        }
        if (found.isEmpty()) {
            getChildren().add(Ui.word(Words.get("alternatives.none"), "quiet"));
        }
        Button taking = new Button(Words.get("alternatives.take"));
        taking.setId("take-alternative");
        taking.getStyleClass().add("pill-button");
        taking.setOnAction(event -> takeShown());
        taking.setMinWidth(USE_PREF_SIZE);
        Button closing = new Button(Words.get("alternatives.close"));
        closing.setId("close-alternatives");
        closing.getStyleClass().add("pill-button");
        closing.setOnAction(event -> close());
        closing.setMinWidth(USE_PREF_SIZE);
        getChildren().addAll(taking, closing);
        if (!found.isEmpty()) {
            choose(found.get(0), tiles.get(0));
        }
    }

    private Tile tile(Alternative alternative) {
        String key = "alternatives." + alternative.emphasis().name().toLowerCase(Locale.ROOT);
        VBox words = new VBox(
                1, Ui.word(Words.get(key), "loom-name"), Ui.text(merits(alternative.merits()), "quiet", "small"));
        Tile[] tile = new Tile[1];
        tile[0] = new Tile(() -> choose(alternative, tile[0]), words, "alternative");
        tile[0].setId("alternative-" + alternative.emphasis().name().toLowerCase(Locale.ROOT));
        tile[0].setAccessibleText(Words.get(key) + ": " + merits(alternative.merits()));
        return tile[0];
    }

    private static String merits(Merits merits) {
        return Words.say(Fact.of("alternatives.merits")
                .with("moved", merits.moved())
                .with("replugged", merits.replugged())
                .with("crossings", merits.crossings())
                .with("free", merits.freePins())
                .with("pulses", merits.freePulses())
                .with("analog", merits.freeAnalog()));
    }

    private void choose(Alternative alternative, Tile tile) {
        shown = alternative;
        tiles.forEach(other -> other.setSelected(other == tile));
        compare.accept(Optional.of(alternative.plan()));
    }

    private void takeShown() {
        if (shown != null) {
            Plan plan = shown.plan();
            hide();
            take.accept(plan);
        }
    }

    /** Closes it and shows today's plan alone. */
    void close() {
        if (isOpen) {
            hide();
            compare.accept(Optional.empty());
        }
    }

    private void hide() {
        isOpen = false;
        shown = null;
        Ui.show(this, false);
    }

    /** Whether the build has changed since the placements were found. */
    boolean isOutdated(Build now) {
        return isOpen && !now.equals(foundFor);
    }
}
