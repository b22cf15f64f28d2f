package inkel.app.ui.wake;

import inkel.app.line.Port;
import inkel.app.state.LineWork;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Fleeting;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.words.Words;
import inkel.core.document.Build;
import inkel.core.document.Node;
import inkel.core.quantity.Fact;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.geometry.Side;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;

/** The port of a board: which, how fast, and whether it is listened to. */
final class LineStrip extends VBox {
    private static final double PORT = 170;
    private static final double RATE = 84;
    private static final double SEND = 64;
    private static final int LEAST_BAUD = 300;
    private static final int MOST_BAUD = 4_000_000;

    private final LineWork work;
    private final Supplier<Optional<Build>> build;
    private final TextField port = Fleeting.of(new TextField());
    private final TextField rate = Fleeting.of(new TextField());
    private final TextField number = new TextField();
    private final Caption told = Ui.text("", "quiet");
    private final Tile ports;
    private final Button listen;
    private final WrapRow talk = new WrapRow(8);
    private String suggestedFor = "";

    /** @param build by which boards are named */
    LineStrip(LineWork work, Supplier<Optional<Build>> build) {
        super(6);
        this.work = work;
        this.build = build;
        setId("line-strip");
        ports = Ui.pill("line-ports", Words.get("line.ports"), this::openPorts);
        listen = Ui.textButton("line-listen", "", this::listenOrEnd);
        listen.getStyleClass().setAll("button", "pill-button");
        field(port, "line-port", PORT);
        port.setPromptText(Words.get("line.port.prompt"));
        field(rate, "line-rate", RATE);
        field(number, "line-number", SEND);
        port.setOnAction(event -> listenOrEnd());
        rate.setOnAction(event -> listenOrEnd());
        number.setOnAction(event -> send());
        WrapRow row = new WrapRow(8);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getChildren()
                .addAll(
                        Ui.word(Words.get("line.port"), "quiet"),
                        port,
                        ports,
                        Ui.word(Words.get("line.rate"), "quiet"),
                        rate,
                        listen);
        talk.setAlignment(Pos.CENTER_LEFT);
        talk.getChildren()
                .addAll(
                        Ui.word(Words.get("line.number"), "quiet"),
                        number,
                        Ui.textButton("line-send", Words.get("line.send"), this::send),
                        Ui.textButton("line-again", Words.get("line.again"), () -> work.send("r")));
        told.setId("line-told");
        told.setMinWidth(0);
        getChildren().addAll(row, told, talk);
        showNow();
    }

    private static void field(TextField field, String id, double width) {
        field.setId(id);
        field.setPrefWidth(width);
        field.setMinWidth(width);
    }

    /** Looks for ports, and offers the rate that the program of a board speaks at. */
    void begin(int baud) {
        if (rate.getText().isBlank() || !work.nowProperty().get().isListening()) {
            rate.setText(String.valueOf(baud));
        }
        work.look();
    }

    /** Offers the port where a board was last heard, as long as nothing was typed. */
    void suggest(String board) {
        if (port.getText().isBlank() || !suggestedFor.equals(board)) {
            work.suggested(board).ifPresent(found -> {
                suggestedFor = board;
                port.setText(found.path());
            });
        }
        if (!work.nowProperty().get().isListening() && told.getText().isEmpty()) {
            say(remembered().orElse(""), false);
        }
    }

    private Optional<String> remembered() {
        return work.portsProperty().get().stream()
                .filter(one -> one.path().equals(port.getText()))
                .flatMap(one -> boardAt(one).stream())
                .map(board -> Words.say(
                        Fact.of("line.remembered").with("port", port.getText()).with("board", board)))
                .findFirst();
    }

    private Optional<String> boardAt(Port at) {
        return work.knownProperty().get().boardAt(at).map(id -> build.get()
                .flatMap(of -> of.node(id))
                .map(Node::name)
                .orElse(id));
    }

    private void openPorts() {
        ContextMenu menu = new ContextMenu();
        for (Port each : work.portsProperty().get()) {
            String about = boardAt(each)
                    .map(board -> Words.say(
                            Fact.of("line.item.known").with("port", each.path()).with("board", board)))
                    .orElse(each.about().isEmpty() ? each.path() : each.path() + "   " + each.about());
            MenuItem item = new MenuItem(about);
            item.setOnAction(event -> {
                port.setText(each.path());
                say(remembered().orElse(""), false);
            });
            menu.getItems().add(item);
        }
        if (menu.getItems().isEmpty()) {
            MenuItem none = new MenuItem(Words.get("line.none"));
            none.setDisable(true);
            menu.getItems().add(none);
        }
        menu.show(ports, Side.BOTTOM, 0, 2);
        work.look();
    }

    private void listenOrEnd() {
        if (work.nowProperty().get().isListening()) {
            work.close();
            return;
        }
        String path = port.getText().strip();
        String typed = rate.getText().strip();
        if (path.isEmpty()) {
            say(Words.get("line.port.bad"), true);
        } else if (!typed.matches("[0-9]{3,7}")
                || Integer.parseInt(typed) < LEAST_BAUD
                || Integer.parseInt(typed) > MOST_BAUD) {
            say(Words.get("line.rate.bad"), true);
        } else {
            work.listen(path, Integer.parseInt(typed));
        }
    }

    private void send() {
        String typed = number.getText().strip();
        if (typed.matches("[0-9]{1,3}")) {
            work.send(typed);
            number.clear();
        } else {
            say(Words.get("line.number.bad"), true);
        }
    }

    private void say(String text, boolean isWrong) {
        told.setText(text);
        told.getStyleClass().setAll(isWrong ? "stop-text" : "quiet");
        Ui.show(told, !text.isEmpty());
    }

    void showNow() {
        LineWork.Now now = work.nowProperty().get();
        listen.setText(Words.get(now.isListening() ? "line.end" : "line.listen"));
        Ui.show(talk, now.state() == LineWork.State.OPEN);
        port.setDisable(now.isListening());
        rate.setDisable(now.isListening());
        Optional<String> name = now.port().map(Port::name);
        if (now.told().isPresent()) {
            say(Words.say(now.told().get()), now.state() != LineWork.State.OPEN);
        } else if (now.isListening()) {
            say(
                    Words.say(Fact.of(now.state() == LineWork.State.OPENING ? "line.opening" : "line.open")
                            .with("port", name.orElse(""))),
                    false);
        } else {
            say(remembered().orElse(""), false);
        }
    }
}
