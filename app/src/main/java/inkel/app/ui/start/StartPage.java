package inkel.app.ui.start;

import inkel.app.state.Session;
import inkel.app.store.Examples;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.quantity.Fact;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

/** What is shown while nothing is open: make a build in three choices, open one, a recent one, or an example. */
public final class StartPage extends Scroller {
    /** @param leave goes back to what is open */
    public StartPage(Runnable open, List<Path> recent, Session session, Runnable leave) {
        this(new VBox(), open, recent, session, leave);
    }

    private StartPage(VBox page, Runnable open, List<Path> recent, Session session, Runnable leave) {
        super(page);
        page.getStyleClass().addAll("stage", "start-page");
        setId("start-page");
        page.getChildren()
                .addAll(Ui.word(Words.get("start.title"), "stage-title"), Ui.text(Words.get("start.text"), "quiet"));
        FlowPane files = new FlowPane(8, 8, button(Words.get("start.open"), "start-open", open));
        for (String example : Examples.ALL) {
            Path file = Examples.folder().resolve(example);
            if (Files.isRegularFile(file)) {
                files.getChildren().add(button(Words.get("start." + example), "start-" + example, () -> session.files()
                        .open(file)));
            }
        }
        Path practice = Examples.folder().resolve(Examples.MOTH_LAMP);
        if (Files.isRegularFile(practice)) {
            files.getChildren().add(button(Words.get("start.practise"), "start-practise", () -> session.practice()
                    .open(practice)));
        }
        session.build().ifPresent(build -> files.getChildren()
                .add(0, button(Words.get("start.back", "name", build.name()), "start-leave", leave)));
        page.getChildren().add(files);
        List<Path> there = recent.stream().filter(Files::isRegularFile).toList();
        if (!there.isEmpty()) {
            page.getChildren().add(Ui.word(Words.get("start.recent"), "section-title"));
            FlowPane row = new FlowPane(8, 8);
            there.forEach(file -> row.getChildren()
                    .add(button(title(file, there), null, () -> session.files().open(file))));
            page.getChildren().add(row);
        }
        page.getChildren().add(Ui.word(Words.get("start.new"), "stage-title"));
        page.getChildren().add(new BuildMaker(session, Words.get("start.make"), session.boards()::begin));
    }

    /** The name of a file, with its folder where another one is called the same. */
    static String title(Path file, List<Path> all) {
        Path name = file.getFileName();
        boolean isOne =
                all.stream().filter(other -> name.equals(other.getFileName())).count() == 1;
        Path folder = file.toAbsolutePath().getParent();
        return isOne || folder.getFileName() == null
                ? name.toString()
                : Words.say(Fact.of("start.recent_in").with("file", name).with("folder", folder.getFileName()));
    }

    private static Tile button(String title, String id, Runnable action) {
        Tile button = Ui.pill(id, title, action);
        return button;
    }
}
