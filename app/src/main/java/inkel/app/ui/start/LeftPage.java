package inkel.app.ui.start;

import inkel.app.state.LeftWork;
import inkel.app.store.Recovery;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.RecordWords;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.quantity.Fact;
import java.time.ZoneId;
import javafx.geometry.Pos;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** All work that earlier runs left and that no file has: each is taken over or thrown away by a press. */
public final class LeftPage extends VBox {
    private final LeftWork left;
    private final Runnable close;
    private final VBox rows = new VBox(10);

    /** @param close goes back to the stage */
    public LeftPage(LeftWork left, Runnable close) {
        super(10);
        this.left = left;
        this.close = close;
        getStyleClass().addAll("stage", "left-page");
        setId("left-page");
        Tile leave = Ui.pill("left-leave", Words.get("about.leave"), close);
        leave.setMinWidth(USE_PREF_SIZE);
        HBox head = new HBox(12, Ui.word(Words.get("left.title"), "stage-title"), Ui.spring(), leave);
        head.setAlignment(Pos.CENTER_LEFT);
        Scroller list = new Scroller(rows);
        VBox.setVgrow(list, Priority.ALWAYS);
        getChildren().addAll(head, Ui.text(Words.get("left.hint"), "quiet"), list);
        fill();
    }

    private void fill() {
        left.list(all -> {
            rows.getChildren().setAll(all.stream().map(this::row).toList());
            if (all.isEmpty()) {
                rows.getChildren().setAll(Ui.text(Words.get("left.none")));
            }
        });
    }

    private HBox row(LeftWork.One one) {
        boolean isGood = one.read().assessment().isPresent();
        VBox texts = new VBox(2, Ui.text(name(one), "card-title"), Ui.text(where(one.left()), "quiet", "small"));
        texts.getChildren().add(Ui.text(what(one), "small"));
        texts.setMinWidth(0);
        HBox.setHgrow(texts, Priority.ALWAYS);
        String id = one.left().copy().getFileName().toString().replace('.', '-');
        Tile drop = Ui.pill("drop-" + id, Words.get("left.drop"), () -> left.throwAway(one, this::fill));
        drop.setMinWidth(Region.USE_PREF_SIZE);
        drop.setMaxHeight(Region.USE_PREF_SIZE);
        HBox row = new HBox(10, texts, drop);
        if (isGood) {
            Tile take = Ui.pill("take-" + id, Words.get("left.take"), () -> {
                close.run();
                left.take(one);
            });
            take.setMinWidth(Region.USE_PREF_SIZE);
            take.setMaxHeight(Region.USE_PREF_SIZE);
            row.getChildren().add(1, take);
        }
        row.setAlignment(Pos.CENTER_LEFT);
        row.getStyleClass().add("left-row");
        return row;
    }

    private static String name(LeftWork.One one) {
        return one.read()
                .assessment()
                .map(Assessment::build)
                .map(Build::name)
                .filter(name -> !name.isBlank())
                .orElseGet(() -> Words.get("left.no_name"));
    }

    private static String where(Recovery.Left left) {
        return left.file()
                .map(path -> Words.get("left.of", "file", path))
                .orElseGet(() -> Words.get(left.isOfNoFile() ? "left.never_saved" : "left.of_unknown"));
    }

    private static String what(LeftWork.One one) {
        String kept = RecordWords.when(one.left().kept(), ZoneId.systemDefault());
        return one.read()
                .assessment()
                .map(Assessment::build)
                .map(build -> Words.say(Fact.of("left.what")
                        .with("kept", kept)
                        .with(
                                "parts",
                                build.nodes().stream()
                                        .map(node -> node.parts().size())
                                        .reduce(0, Integer::sum))
                        .with("lines", build.log().size())))
                .orElseGet(() ->
                        Words.say(one.read().refusal().orElseThrow().problems().get(0)));
    }
}
