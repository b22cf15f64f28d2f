package inkel.app.ui.tune.capture;

import inkel.app.state.CaptureWork;
import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.app.words.Words;
import inkel.core.capture.Capture;
import inkel.core.capture.decode.Decoding.Kind;
import inkel.core.capture.decode.Stitches;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Unit;
import java.io.File;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.collections.FXCollections;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;

/** What came in over a wire, wrapped like text: which channel is which wire, as what it is read, and what it says. */
public final class CapturePane extends VBox {
    private static final double FIELD = 130;
    private static final double FIND = 120;
    private static final List<Integer> WIDE = List.of(16, 32, 48, 96);
    private final Session session;
    private final Caption head = Ui.text("", "quiet");
    private final WrapRow channels = new WrapRow(14);
    private final WrapRow kinds = new WrapRow(8);
    private final ListView<CaptureRows.Row> list = new ListView<>();
    private final Caption said = Ui.text("", "capture-said");
    private final Caption between = Ui.text("", "quiet");
    private final Caption problem = Ui.text("", "stop-text");
    private final TextField find = BenchPane.field("capture-find", FIND);
    private final CaptureGive give;
    private final Button record;
    private final Button save;
    private final VBox sheet;
    private final List<Stitches.Stitch> chosen = new ArrayList<>();
    private final Map<String, TextField> fields = new LinkedHashMap<>();
    private Capture fielded;
    private CaptureRows rows;
    private CaptureWork.Shown shown;
    private int wide = 1;
    private boolean isSaying;

    public CapturePane(Session session) {
        super(12);
        this.session = session;
        head.setMinWidth(0);
        record = Ui.textButton("capture-practise", Words.get("capture.practise"), session.captures()::practise);
        save = Ui.textButton("capture-save", Words.get("capture.save"), this::save);
        Caption title = Ui.word(Words.get("capture.title"), "section");
        title.setMinWidth(USE_PREF_SIZE);
        HBox.setHgrow(head, Priority.ALWAYS);
        HBox top = new HBox(
                14, title, head, record, save, Ui.textButton("capture-open", Words.get("capture.open"), this::choose));
        top.setAlignment(Pos.BASELINE_LEFT);
        list.setId("capture-list");
        list.setAccessibleText(Words.get("capture.list"));
        list.getStyleClass().addAll("wire-list", "capture-list");
        list.setPlaceholder(Ui.text(Words.get("capture.none"), "quiet"));
        list.setMinHeight(84);
        VBox.setVgrow(list, Priority.ALWAYS);
        list.addEventFilter(KeyEvent.KEY_PRESSED, this::keys);
        list.addEventFilter(ScrollEvent.SCROLL, event -> {
            if (event.isControlDown() && event.getDeltaY() != 0) {
                widen(event.getDeltaY() < 0 ? 1 : -1);
                event.consume();
            }
        });
        channels.setAlignment(Pos.CENTER_LEFT);
        kinds.setAlignment(Pos.CENTER_LEFT);
        give = new CaptureGive(session);
        for (Kind kind : Kind.values()) {
            Tile pill =
                    BenchPane.toggle("capture-" + kind.text(), "capture.kind." + kind.text(), () -> session.captures()
                            .read(kind));
            kinds.getChildren().add(pill);
        }
        find.setPromptText(Words.get("capture.find.prompt"));
        find.setOnAction(event -> find());
        kinds.getChildren().addAll(find, Ui.textButton("capture-wrong", Words.get("capture.wrong"), this::findWrong));
        said.setId("capture-said");
        between.setId("capture-between");
        problem.setId("capture-problem");
        Ui.show(problem, false);
        sheet = new VBox(10, top, channels, kinds, problem, list, said, between, give.node());
        sheet.getStyleClass().addAll("sheet", "tune-sheet");
        VBox.setVgrow(sheet, Priority.ALWAYS);
        getChildren().add(sheet);
        show();
    }

    private void choose() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Words.get("capture.open"));
        chooser.getExtensionFilters()
                .add(new FileChooser.ExtensionFilter(Words.get("capture.files"), "*.vcd", "*.csv", "*.txt"));
        File file = chooser.showOpenDialog(getScene().getWindow());
        if (file != null) {
            session.captures().open(file.toPath());
        }
    }

    private void save() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Words.get("capture.save"));
        chooser.setInitialFileName("capture.vcd");
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter(Words.get("capture.files"), "*.vcd"));
        File file = chooser.showSaveDialog(getScene().getWindow());
        if (file != null) {
            session.captures().save(file.toPath());
        }
    }

    /** Shows what the session has, anew where that is another one. */
    public void show() {
        CaptureWork.Shown next = session.captures().shownProperty().get();
        boolean isThere = next != null;
        Ui.show(channels, isThere);
        Ui.show(kinds, isThere);
        Ui.show(save, isThere);
        Ui.show(record, session.captures().canPractise());
        if (!isThere) {
            head.setText(Words.get("capture.how"));
            return;
        }
        if (next == shown) {
            return;
        }
        shown = next;
        chosen.clear();
        head.setText(Words.say(Fact.of("capture.head")
                .with("file", next.name())
                .with("edges", String.format(Locale.ROOT, "%,d", next.capture().edges()))
                .with(
                        "end",
                        CaptureCell.time(next.capture().seconds(next.capture().end())))));
        showChannels();
        for (int i = 0; i < Kind.values().length; i++) {
            ((Tile) kinds.getChildren().get(i)).setSelected(Kind.values()[i] == next.kind());
        }
        fill();
        said.setText(CaptureSaid.of(shown));
        give.show(shown);
        showBetween();
    }

    /** Fields are made anew only for another capture, so that what is typed in one outlives what is said in another. */
    private void showChannels() {
        if (fielded != shown.capture()) {
            fielded = shown.capture();
            fields.clear();
            fielded.channels().forEach(channel -> fields.put(channel.name(), wireField(channel.name())));
        }
        channels.getChildren().clear();
        fields.forEach((channel, field) -> {
            BenchPane.fill(field, shown.wires().getOrDefault(channel, ""));
            Node name = Ui.word(channel, "capture-channel");
            if (session.captures().isChosenFrom(channel)) {
                Tile pill = Ui.pill("capture-line-" + channel, channel, () -> session.captures()
                        .line(channel));
                pill.getStyleClass().add("pill-toggle");
                pill.setSelected(channel.equals(shown.line()));
                name = pill;
            }
            HBox both = new HBox(6, name);
            // What is called as its wire needs no more words.
            if (isSaying || !channel.equals(field.getText())) {
                both.getChildren().addAll(Ui.word(Words.get("capture.is"), "quiet"), field);
            }
            both.setAlignment(Pos.CENTER_LEFT);
            channels.getChildren().add(both);
        });
        boolean isAnyCalled = fields.entrySet().stream()
                .anyMatch(each -> each.getKey().equals(each.getValue().getText()));
        if (isAnyCalled) {
            channels.getChildren()
                    .add(Ui.textButton("capture-say", Words.get(isSaying ? "capture.say.less" : "capture.say"), () -> {
                        isSaying = !isSaying;
                        showChannels();
                    }));
        }
    }

    private TextField wireField(String channel) {
        TextField field = BenchPane.field("capture-wire-" + channel, FIELD);
        field.setPromptText(Words.get("capture.wire.prompt"));
        BenchPane.onTyped(field, () -> takeWire(channel, field.getText()));
        return field;
    }

    private void takeWire(String channel, String text) {
        if (text.strip().equals(shown.wires().getOrDefault(channel, ""))) {
            say("");
        } else if (session.captures().isWire(text)) {
            say("");
            session.captures().wire(channel, text);
        } else {
            say(Words.get("capture.wire.bad"));
        }
    }

    private void say(String sentence) {
        problem.setText(sentence);
        Ui.show(problem, !sentence.isEmpty());
    }

    private void fill() {
        rows = new CaptureRows(shown, WIDE.get(wide));
        list.setCellFactory(view -> new CaptureCell(
                () -> rows,
                () -> shown,
                () -> chosen.stream().map(Stitches.Stitch::at).toList(),
                WIDE.get(wide),
                this::choose));
        // Lines that are known to be as high need not be measured to be scrolled through.
        list.setFixedCellSize(shown.stitches()
                .map(sewn -> StitchRow.height(sewn.bands().bands().size()) + CaptureCell.AROUND)
                .orElse((double) Region.USE_COMPUTED_SIZE));
        list.setItems(FXCollections.observableList(rows));
    }

    private void widen(int by) {
        int next = Math.max(0, Math.min(WIDE.size() - 1, wide + by));
        if (next != wide && shown != null) {
            int selected = list.getSelectionModel().getSelectedIndex();
            int message = selected < 0 ? 0 : rows.get(selected).message();
            wide = next;
            fill();
            if (selected >= 0 && !rows.isEmpty()) {
                turnTo(message);
            }
        }
    }

    // --- chosen stitches

    private void choose(Stitches.Stitch stitch) {
        if (chosen.size() == 2) {
            chosen.remove(0);
        }
        chosen.add(stitch);
        list.refresh();
        showBetween();
    }

    private void showBetween() {
        if (chosen.isEmpty()) {
            between.setText(shown != null && shown.stitches().isPresent() ? Words.get("capture.choose") : "");
        } else if (chosen.size() == 1) {
            between.setText(Words.say(Fact.of("capture.one")
                    .with("width", CaptureCell.time(chosen.get(0).width()))
                    .with("at", CaptureCell.time(chosen.get(0).at()))));
        } else {
            between.setText(Words.say(Fact.of("capture.two")
                    .with("one", CaptureCell.time(chosen.get(0).width()))
                    .with("other", CaptureCell.time(chosen.get(1).width()))
                    .with(
                            "apart",
                            CaptureCell.time(
                                    Math.abs(chosen.get(1).at() - chosen.get(0).at())))));
        }
    }

    /** Left and right go from stitch to stitch, plus and minus change how many stand in a line. */
    private void keys(KeyEvent event) {
        if (rows == null || rows.isEmpty()) {
            return;
        }
        boolean isSide = event.getCode() == KeyCode.LEFT || event.getCode() == KeyCode.RIGHT;
        if (isSide && shown.stitches().isPresent()) {
            step(event.getCode() == KeyCode.LEFT ? -1 : 1, event.isShiftDown());
            event.consume();
        } else if (event.getCode() == KeyCode.PLUS || event.getCode() == KeyCode.EQUALS) {
            widen(-1);
            event.consume();
        } else if (event.getCode() == KeyCode.MINUS) {
            widen(1);
            event.consume();
        }
    }

    /** @param holds whether the one that was chosen first stays */
    private void step(int by, boolean holds) {
        int line = Math.max(0, list.getSelectionModel().getSelectedIndex());
        List<Stitches.Stitch> here = rows.get(line).stitches();
        Optional<Stitches.Stitch> last =
                chosen.isEmpty() ? Optional.empty() : Optional.of(chosen.get(chosen.size() - 1));
        int at = last.map(here::indexOf).orElse(-1);
        int next = at < 0 ? 0 : at + by;
        if (next < 0 || next >= here.size()) {
            int other = line + by;
            if (other < 0 || other >= rows.size()) {
                return;
            }
            list.getSelectionModel().clearAndSelect(other);
            list.scrollTo(Math.max(0, other - 2));
            here = rows.get(other).stitches();
            next = by > 0 ? 0 : here.size() - 1;
        }
        Optional<Stitches.Stitch> first = holds && !chosen.isEmpty() ? Optional.of(chosen.get(0)) : Optional.empty();
        chosen.clear();
        first.ifPresent(chosen::add);
        choose(here.get(next));
    }

    // --- finding

    private int from() {
        int selected = list.getSelectionModel().getSelectedIndex();
        return selected < 0 ? 0 : rows.get(selected).message() + 1;
    }

    private void find() {
        String text = find.getText().strip();
        if (rows == null || rows.isEmpty() || text.isEmpty()) {
            return;
        }
        Optional<Double> time = text.matches(".*[0-9].*s") ? BenchPane.amount(text, Unit.SECOND) : Optional.empty();
        found(time.map(seconds -> rows.at(seconds)).orElseGet(() -> rows.find(from(), text)));
    }

    private void findWrong() {
        if (rows != null && !rows.isEmpty()) {
            found(rows.findWrong(from()));
        }
    }

    private void found(int message) {
        say(message < 0 ? Words.get("capture.not_found") : "");
        if (message >= 0) {
            turnTo(message);
        }
    }

    private void turnTo(int message) {
        int line = rows.lineOf(message);
        list.getSelectionModel().clearAndSelect(line);
        list.scrollTo(Math.max(0, line - 2));
    }
}
