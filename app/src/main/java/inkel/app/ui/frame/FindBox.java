package inkel.app.ui.frame;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Fleeting;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.stage.Command;
import inkel.app.words.ReckonWords;
import inkel.app.words.WireWords;
import inkel.app.words.Words;
import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Place;
import inkel.core.finding.Stage;
import inkel.core.quantity.Fact;
import inkel.core.remedy.PinNames;
import inkel.core.wiring.WireList;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import javafx.collections.FXCollections;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Find or do: every part, pin, wire, finding and command by a few letters, and what could be put on the table. */
final class FindBox extends VBox {
    private static final int MOST = 60;

    private static final int MOST_CLASSES = 6;

    /** One letter is in nearly every name. */
    private static final int LEAST_ASKED = 2;

    private final Session session;
    private final Commands commands;
    private final TextField field = Fleeting.of(new TextField());
    private final ListView<Entry> list = new ListView<>();

    private enum Rank {
        THING,
        FINDING,
        LAST
    }

    /** Enter was pressed before the wires had their numbers. */
    private boolean isAwaited;

    /**
     * Something that can be found.
     *
     * @param rank whether it comes behind all that is there: a sum, a class; and a finding behind what it speaks of
     */
    private record Entry(String title, String kind, Rank rank, Runnable action) {
        Entry(String title, String kind, Runnable action) {
            this(title, kind, Rank.THING, action);
        }

        boolean isLast() {
            return rank == Rank.LAST;
        }

        /** What is called as was typed comes first, and what only speaks of it after all else. */
        static Comparator<Entry> asTyped(String text) {
            return Comparator.comparing((Entry entry) ->
                            !entry.title().toLowerCase(Locale.ROOT).startsWith(text))
                    .thenComparing(Entry::rank);
        }

        boolean matches(List<String> words) {
            String all = (title + " " + kind).toLowerCase(Locale.ROOT);
            return words.stream().allMatch(all::contains);
        }
    }

    FindBox(Session session, Commands commands) {
        this.session = session;
        this.commands = commands;
        getStyleClass().add("find-box");
        setId("find-box");
        field.setId("find-field");
        field.setPromptText(Words.get("find.prompt"));
        list.setId("find-list");
        list.setPlaceholder(Ui.text(Words.get("find.nothing"), "quiet"));
        list.setCellFactory(view -> new EntryCell());
        list.setFocusTraversable(false);
        getChildren().addAll(field, list);
        field.textProperty().addListener((property, old, next) -> {
            isAwaited = false;
            search();
        });
        // The wires of a table are numbered when its breadboards are known.
        session.seats().latestProperty().addListener((property, old, next) -> searchAnew());
        field.addEventFilter(KeyEvent.KEY_PRESSED, this::keys);
        list.setOnMouseClicked(event -> choose());
        setMaxSize(560, 420);
        Ui.show(this, false);
    }

    void open() {
        isAwaited = false;
        field.clear();
        Ui.show(this, true);
        toFront();
        search();
        field.requestFocus();
    }

    void close() {
        Ui.show(this, false);
    }

    private void keys(KeyEvent event) {
        int at = list.getSelectionModel().getSelectedIndex();
        if (event.getCode() == KeyCode.DOWN) {
            list.getSelectionModel().select(Math.min(at + 1, list.getItems().size() - 1));
        } else if (event.getCode() == KeyCode.UP) {
            list.getSelectionModel().select(Math.max(0, at - 1));
        } else if (event.getCode() == KeyCode.ENTER) {
            enter();
        } else if (event.getCode() == KeyCode.ESCAPE) {
            close();
        } else {
            return;
        }
        list.scrollTo(Math.max(0, list.getSelectionModel().getSelectedIndex() - 3));
        event.consume();
    }

    /** A wire that is asked for by its number comes before a sum, and has none as long as its table is worked out. */
    private void enter() {
        Entry entry = list.getSelectionModel().getSelectedItem();
        boolean isFirst = list.getSelectionModel().getSelectedIndex() <= 0;
        isAwaited = isFirst && session.seats().isNumbering() && (entry == null || entry.isLast());
        if (!isAwaited) {
            choose();
        }
    }

    private void choose() {
        Entry entry = list.getSelectionModel().getSelectedItem();
        if (entry != null) {
            close();
            entry.action().run();
        }
    }

    private void search() {
        String typed = field.getText().strip().toLowerCase(Locale.ROOT);
        List<String> words = Arrays.stream(typed.split("\\s+"))
                .filter(word -> !word.isEmpty())
                .toList();
        Stream<Entry> matching = entries().stream().filter(entry -> entry.matches(words));
        Stream<Entry> inOrder = words.isEmpty() ? matching : matching.sorted(Entry.asTyped(typed));
        List<Entry> found = new ArrayList<>(inOrder.limit(MOST).toList());
        // A name alone, or one with a number, is first of all a stage, a part or a wire; an amount with its unit is a
        // sum.
        found.addAll(ReckonWords.isSum(field.getText()) ? 0 : found.size(), reckonings());
        list.setItems(FXCollections.observableArrayList(found));
        list.getSelectionModel().selectFirst();
        searchClasses();
    }

    /** What is not on the table yet comes behind all that is there. */
    private void searchClasses() {
        String asked = field.getText().strip();
        if (session.assessmentProperty().get() == null || asked.length() < LEAST_ASKED) {
            return;
        }
        session.parts().search(asked, hits -> {
            if (isVisible() && asked.equals(field.getText().strip())) {
                list.getItems()
                        .addAll(hits.stream()
                                .filter(hit -> hit.cls().kind() != Kind.BOARD && hit.isWhole())
                                .limit(MOST_CLASSES)
                                .map(hit -> new Entry(
                                        hit.cls().name(), Words.get("find.class"), Rank.LAST, () -> put(hit.cls())))
                                .toList());
                if (list.getSelectionModel().isEmpty()) {
                    list.getSelectionModel().selectFirst();
                }
            }
        });
    }

    private void put(PartClass cls) {
        session.stageProperty().set(Stage.PARTS);
        session.parts().add(cls, 1);
    }

    /** With what became known meanwhile; what was chosen stays chosen. */
    private void searchAnew() {
        if (isVisible()) {
            Entry chosen = list.getSelectionModel().getSelectedItem();
            int at = list.getSelectionModel().getSelectedIndex();
            search();
            if (at > 0) {
                list.getItems().stream()
                        .filter(entry -> entry.title().equals(chosen.title())
                                && entry.kind().equals(chosen.kind()))
                        .findFirst()
                        .ifPresent(list.getSelectionModel()::select);
            }
            if (isAwaited) {
                enter();
            }
        }
    }

    /** What is asked as people say it, as “led 5 V 20 mA”, with its answer. */
    private List<Entry> reckonings() {
        return ReckonWords.find(field.getText()).stream()
                .map(reckoning -> new Entry(
                        ReckonWords.line(reckoning),
                        Words.get("reckon.find"),
                        Rank.LAST,
                        () -> commands.reckon(reckoning)))
                .toList();
    }

    private List<Entry> entries() {
        List<Entry> entries = new ArrayList<>();
        Assessment assessment = session.assessmentProperty().get();
        if (assessment != null) {
            assessment
                    .findings()
                    .forEach(finding -> entries.add(new Entry(
                            Words.say(finding.sentence()),
                            Words.get("severity." + finding.severity().text()),
                            Rank.FINDING,
                            () -> session.selection().show(finding.rule().stage(), finding.place()))));
            assessment.reports().circuit().nodes().forEach(node -> addParts(entries, node));
            assessment.reports().circuit().nodes().stream()
                    .flatMap(node ->
                            session.seats().numbered(assessment, node.node().id()).stream())
                    .forEach(list -> addWires(entries, list));
        }
        commands.all().stream()
                .filter(Command::isPossible)
                .forEach(command -> entries.add(new Entry(
                        command.title(),
                        command.keys().map(keys -> keys.getDisplayText()).orElse(Words.get("find.command")),
                        command::run)));
        return entries;
    }

    /** By number, or by what is at the ends. */
    private void addWires(List<Entry> entries, WireList list) {
        WireWords words = new WireWords(list.node());
        String node = list.node().node().id();
        list.steps()
                .forEach(step -> entries.add(new Entry(
                        Words.say(Fact.of("find.wire")
                                .with("number", step.number())
                                .with("from", words.name(step.from()))
                                .with("to", words.name(step.to()))),
                        Words.get("find.wire_of", "node", list.node().node().name()),
                        () -> session.selection().showWire(node, step.id()))));
    }

    private void addParts(List<Entry> entries, NodeCircuit node) {
        node.parts().forEach(placed -> {
            entries.add(new Entry(
                    placed.part().name(),
                    Words.get("find.part", "node", node.node().name()),
                    () -> session.selection().show(Stage.PARTS, node.place(placed))));
            placed.cls().signals().map(placed::endpoint).forEach(signal -> {
                Place place = node.place(signal);
                entries.add(new Entry(
                        Words.say(PinNames.of(node, signal)),
                        Words.get("find.pin", "node", node.node().name()),
                        () -> session.selection().show(Stage.PINS, place)));
            });
        });
    }

    /** A line of the list: what on the left, what kind on the right. */
    private static final class EntryCell extends ListCell<Entry> {
        private final Caption title = Ui.word("", "find-title");
        private final Caption kind = Ui.word("", "find-kind");
        private final HBox row = new HBox(12, title, Ui.spring(), kind);

        EntryCell() {
            title.setMinWidth(0);
            kind.setMinWidth(USE_PREF_SIZE);
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(Entry entry, boolean isEmpty) {
            super.updateItem(entry, isEmpty);
            if (isEmpty || entry == null) {
                setGraphic(null);
                return;
            }
            title.setText(entry.title());
            kind.setText(entry.kind());
            setGraphic(row);
        }
    }
}
