package inkel.app.ui.start;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.document.Build;
import inkel.core.document.Logbook;
import inkel.core.document.Node;
import inkel.core.quantity.Fact;
import inkel.core.remedy.NewNode;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

/** Makes a board with its supply in three choices: which board, which supply, what it is called. */
final class BuildMaker extends VBox {
    private static final double CHOICE_WIDTH = 196;

    private final Session session;
    private final FlowPane supplies = new FlowPane(8, 8);
    private final List<Tile> boardTiles = new ArrayList<>();
    private final List<Tile> supplyTiles = new ArrayList<>();
    private final TextField name = new TextField();
    private final Caption trouble = Ui.text("", "stop-text");
    private PartClass board;
    private PartClass supply;

    /** @param take gets the node that was made */
    BuildMaker(Session session, String done, Consumer<Node> take) {
        this.session = session;
        getStyleClass().add("build-maker");
        setId("build-maker");
        FlowPane boards = new FlowPane(8, 8);
        session.catalog().all().stream().filter(cls -> cls.kind() == Kind.BOARD).forEach(cls -> {
            Tile tile = choice(cls, () -> chooseBoard(cls));
            boardTiles.add(tile);
            boards.getChildren().add(tile);
        });
        name.setId("maker-name");
        name.setPromptText(Words.get("maker.build.name.prompt"));
        name.setMaxWidth(320);
        trouble.setId("maker-trouble");
        Ui.show(trouble, false);
        Tile make = new Tile(() -> make(take), Ui.word(done, "main-button-text"), Pos.CENTER, "main-button");
        make.setId("maker-make");
        make.setAccessibleText(done);
        make.setMaxWidth(USE_PREF_SIZE);
        name.setOnAction(event -> make(take));
        getChildren()
                .addAll(
                        Ui.word(Words.get("maker.build.board"), "section-title"),
                        boards,
                        Ui.word(Words.get("maker.build.supply"), "section-title"),
                        supplies,
                        Ui.word(Words.get("maker.build.name"), "section-title"),
                        name,
                        trouble,
                        make);
        chooseBoard(session.catalog().all().stream()
                .filter(cls -> cls.kind() == Kind.BOARD)
                .findFirst()
                .orElseThrow());
    }

    private static Tile choice(PartClass cls, Runnable action) {
        VBox texts = new VBox(2, Ui.text(cls.name(), "choice-title"));
        if (cls.kind() == Kind.BOARD) {
            texts.getChildren().add(Ui.text(cls.summary(), "quiet", "small"));
        } else {
            Ui.tip(texts, cls.summary());
        }
        Tile tile = new Tile(action, texts, Pos.TOP_LEFT, "choice");
        tile.setId("choice-" + cls.id());
        tile.setAccessibleText(cls.name());
        tile.setMinWidth(CHOICE_WIDTH);
        tile.setPrefWidth(CHOICE_WIDTH);
        tile.setMaxWidth(CHOICE_WIDTH);
        return tile;
    }

    private static void mark(List<Tile> tiles, String id) {
        tiles.forEach(tile -> tile.setSelected(tile.getId().equals("choice-" + id)));
    }

    private void chooseBoard(PartClass cls) {
        board = cls;
        mark(boardTiles, cls.id());
        supplies.getChildren().clear();
        supplyTiles.clear();
        List<PartClass> suiting = session.catalog().all().stream()
                .filter(source -> source.kind() == Kind.SOURCE && NewNode.suits(cls, source))
                .toList();
        suiting.forEach(source -> {
            Tile tile = choice(source, () -> chooseSupply(source));
            supplyTiles.add(tile);
            supplies.getChildren().add(tile);
        });
        chooseSupply(suiting.contains(supply) ? supply : suiting.get(0));
    }

    private void chooseSupply(PartClass cls) {
        supply = cls;
        mark(supplyTiles, cls.id());
    }

    private void make(Consumer<Node> take) {
        String called = name.getText().strip();
        boolean isTaken = session.build().stream()
                .flatMap(build -> build.nodes().stream())
                .anyMatch(node -> node.name().equals(called));
        if (called.isEmpty() || isTaken) {
            trouble.setText(
                    called.isEmpty()
                            ? Words.get("maker.build.no_name")
                            : Words.say(Fact.of("maker.build.name_taken").with("name", called)));
            Ui.show(trouble, true);
            name.requestFocus();
            return;
        }
        Ui.show(trouble, false);
        String id = session.build()
                .orElse(new Build("", List.of(), Logbook.EMPTY, inkel.core.document.Extras.NONE))
                .freeNodeId(called);
        take.accept(NewNode.of(id, called, board, supply));
        name.clear();
    }
}
