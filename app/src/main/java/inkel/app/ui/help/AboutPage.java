package inkel.app.ui.help;

import inkel.app.about.About;
import inkel.app.about.Library;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.quantity.Fact;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.TextArea;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** What the program is: its version, what it runs on, where it writes, and the libraries with their licences. */
public final class AboutPage extends VBox {
    private static final double LIBRARY_WIDTH = 300;
    private static final double LIST_SHARE = 0.5;

    private final TextArea licence = new TextArea();

    /**
     * @param state where the program keeps what it remembers
     * @param close goes back to the stage
     */
    public AboutPage(Path state, Runnable close) {
        super(10);
        getStyleClass().addAll("stage", "about-page");
        setId("about-page");
        Tile leave = Ui.pill("about-leave", Words.get("about.leave"), close);
        leave.setMinWidth(USE_PREF_SIZE);
        HBox head = new HBox(12, Ui.word(Words.get("about.title"), "stage-title"), Ui.spring(), leave);
        head.setAlignment(Pos.CENTER_LEFT);
        FlowPane libraries = new FlowPane(10, 8);
        About.libraries().forEach(library -> libraries.getChildren().add(tile(library)));
        Scroller list = new Scroller(libraries);
        licence.setId("about-licence");
        licence.setEditable(false);
        licence.getStyleClass().add("mono");
        licence.setAccessibleText(Words.get("about.licence"));
        list.prefHeightProperty().bind(heightProperty().multiply(LIST_SHARE));
        VBox.setVgrow(list, Priority.ALWAYS);
        VBox.setVgrow(licence, Priority.ALWAYS);
        getChildren()
                .addAll(
                        head,
                        said("about.version", "version", About.version()),
                        Ui.text(Words.say(Fact.of("about.runs_on")
                                .with("java", About.java())
                                .with("toolkit", About.toolkit()))),
                        said("about.state", "folder", state),
                        Ui.text(Words.get("about.network"), "quiet"),
                        Ui.word(Words.get("about.libraries"), "section-title"),
                        list,
                        licence);
        show("Apache-2.0");
    }

    private static inkel.app.ui.kit.Caption said(String key, String name, Object value) {
        return Ui.text(Words.get(key, name, value));
    }

    private Tile tile(Library library) {
        String licences = library.licences().stream().collect(Collectors.joining(Words.get("about.or")));
        VBox texts = new VBox(
                2,
                Ui.word(library.name() + " " + library.version(), "choice-title"),
                Ui.word(licences, "quiet", "small"));
        Tile tile = new Tile(() -> show(library), texts, Pos.TOP_LEFT, "choice");
        tile.setId("library-" + library.name());
        tile.setAccessibleText(library.name() + " " + library.version() + ", " + licences);
        tile.setPrefWidth(LIBRARY_WIDTH);
        return tile;
    }

    private void show(Library library) {
        List<String> used = library.licences().stream()
                .filter(name -> About.licence(name).isPresent())
                .toList();
        licence.setText(used.stream()
                .map(name -> About.licence(name).orElseThrow())
                .collect(Collectors.joining("\n\n----\n\n")));
        licence.setScrollTop(0);
    }

    private void show(String name) {
        licence.setText(About.licence(name).orElseThrow());
    }
}
