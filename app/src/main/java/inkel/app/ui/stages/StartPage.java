package inkel.app.ui.stages;

import inkel.app.Examples;
import inkel.app.ui.Ui;
import inkel.app.ui.Workbench;
import inkel.app.words.Words;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.layout.VBox;

/** What is shown while nothing is open: open a file, a recent one, or an example. */
public final class StartPage extends VBox {
    public StartPage(Runnable open, List<Path> recent, Workbench bench) {
        getStyleClass().addAll("stage", "start-page");
        setId("start-page");
        getChildren()
                .addAll(Ui.word(Words.get("start.title"), "stage-title"), Ui.text(Words.get("start.text"), "quiet"));
        getChildren().add(button(Words.get("start.open"), "start-open", open));
        List<Path> there = recent.stream().filter(Files::isRegularFile).toList();
        if (!there.isEmpty()) {
            getChildren().add(Ui.word(Words.get("start.recent"), "section-title"));
            there.forEach(
                    file -> getChildren().add(button(file.getFileName().toString(), null, () -> bench.open(file))));
        }
        getChildren().add(Ui.word(Words.get("start.examples"), "section-title"));
        for (String example : List.of(Examples.DEMO, Examples.FIRST_SKETCH)) {
            Path file = Examples.folder().resolve(example);
            if (Files.isRegularFile(file)) {
                getChildren().add(button(Words.get("start." + example), "start-" + example, () -> bench.open(file)));
            }
        }
    }

    private static Button button(String title, String id, Runnable action) {
        Button button = new Button(title);
        button.setId(id);
        button.getStyleClass().add("pill-button");
        button.setOnAction(event -> action.run());
        return button;
    }
}
