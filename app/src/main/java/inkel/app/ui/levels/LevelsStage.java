package inkel.app.ui.levels;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.ui.stage.StagePane;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Reading;
import inkel.core.document.Between;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Measure;
import inkel.core.document.edit.TakeBack;
import inkel.core.finding.Stage;
import inkel.core.formula.Verdict;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Every signal wire with its verdict, and the facing ladders of the one that is chosen. */
public final class LevelsStage extends StagePane {
    private static final double LIST_WIDTH = 326;
    private static final double LEAST_LIST_WIDTH = 200;
    private static final double LEAST_LADDERS_WIDTH = 250;

    private final Session session;
    private final VBox rows = new VBox();
    private final Scroller list = new Scroller(rows);
    private final Ladders ladders = new Ladders();
    private final Caption empty = Ui.text("", "quiet");
    private final TextField high = field("measured-high");
    private final TextField low = field("measured-low");
    private final Caption trouble = Ui.text("", "stop-text", "small");
    private final Caption stale = Ui.text("", "quiet", "small");
    private final TextField reason = new TextField();
    private final WrapRow measured;
    private final HBox leaving;
    private final Map<Filter, Choice> filters = new LinkedHashMap<>();
    private Filter filter = Filter.ALL;

    /** Which wires the list shows. */
    private enum Filter {
        ALL(wire -> true),
        WRONG(LevelEntry::isWrong),
        HARMS(wire -> wire.judged().verdict() == Verdict.HARMS),
        NOT_READ(wire -> wire.judged().verdict() == Verdict.NOT_READ),
        THIN(wire -> wire.judged().verdict() == Verdict.THIN),
        FINE(wire -> wire.judged().verdict() == Verdict.FINE && !wire.isWrong()),
        THROUGH(wire -> wire.judged().between().isPresent());

        private final Predicate<LevelEntry> shows;

        Filter(Predicate<LevelEntry> shows) {
            this.shows = shows;
        }

        String text() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** A filter's tile and what is written on it. */
    private record Choice(Tile tile, Caption words) {}

    public LevelsStage(Session session) {
        super(Stage.LEVELS);
        this.session = session;
        for (Filter choice : Filter.values()) {
            Caption words = Ui.word("", "pill-text");
            Tile tile = new Tile(() -> setFilter(choice), words, Pos.CENTER, "pill-toggle");
            tile.setId("levels-" + choice.text());
            tile.setMaxHeight(USE_PREF_SIZE);
            filters.put(choice, new Choice(tile, words));
            addControl(tile);
        }
        list.setId("levels-list");
        list.setMinWidth(LEAST_LIST_WIDTH);
        list.setPrefWidth(LIST_WIDTH);
        list.getStyleClass().add("sheet-list");
        list.addEventFilter(KeyEvent.KEY_PRESSED, this::walk);
        measured = new WrapRow(
                8,
                Ui.word(Words.get("levels.measured.high"), "row-name"),
                high,
                Ui.word(Words.get("levels.measured.low"), "row-name"),
                low);
        measured.setAlignment(Pos.CENTER_LEFT);
        reason.setId("leave-reason");
        reason.setPrefWidth(240);
        reason.setPromptText(Words.get("levels.leave.prompt"));
        reason.setAccessibleText(Words.get("levels.leave"));
        reason.setOnAction(event -> leave());
        leaving = new HBox(8, Ui.word(Words.get("levels.leave"), "row-name"), reason);
        leaving.setAlignment(Pos.CENTER_LEFT);
        Ui.show(trouble, false);
        enterWith(high, true);
        enterWith(low, false);
        VBox.setVgrow(ladders, Priority.ALWAYS);
        stale.setId("stale-reading");
        // As wide as the ladders are, and no reason for the list beside them to give way.
        stale.setPrefWidth(LEAST_LADDERS_WIDTH);
        stale.setMaxWidth(Double.MAX_VALUE);
        VBox right = new VBox(8, empty, ladders, measured, stale, leaving, trouble);
        right.setMinWidth(LEAST_LADDERS_WIDTH);
        HBox.setHgrow(right, Priority.ALWAYS);
        HBox both = new HBox(16, list, right);
        both.setMinHeight(0);
        VBox.setVgrow(both, Priority.ALWAYS);
        getChildren().add(both);
        subscriptions().on(session.selectionProperty(), (property, old, next) -> {
            if (getScene() != null) {
                mark();
            }
        });
        refreshWith(session);
    }

    private static TextField field(String id) {
        TextField field = new TextField();
        field.setId(id);
        field.setPrefWidth(96);
        field.setPromptText(Words.get("levels.measured.prompt"));
        return field;
    }

    private void enterWith(TextField field, boolean isHigh) {
        field.setAccessibleText(Words.get(isHigh ? "levels.measured.high" : "levels.measured.low"));
        field.setOnAction(event -> measure(field, isHigh));
        field.focusedProperty().addListener((property, old, next) -> {
            if (!next) {
                measure(field, isHigh);
            }
        });
    }

    /** What is typed goes to the log; emptied, the reading is taken back. */
    private void measure(TextField field, boolean isHigh) {
        Optional<Place> at = shown().map(LevelEntry::measuredAt);
        Optional<NodeCircuit> node = at.flatMap(this::circuit);
        if (node.isEmpty()) {
            return;
        }
        Place signal = at.get();
        Reading known = node.get().reading(signal.endpoint());
        Optional<Voltage> before = isHigh ? known.high() : known.low();
        String typed = Numbers.typed(field.getText());
        Optional<Quantity> volts = Engineering.parseQuantity(typed, Unit.VOLT);
        if (typed.isEmpty() ? before.isEmpty() : volts.isPresent() && volts.equals(before)) {
            Ui.show(trouble, false);
            return;
        }
        boolean isWrong = !typed.isEmpty() && volts.isEmpty();
        trouble.setText(Words.say(
                Fact.of("problem.expected_value").with("example", "3.3 V").with("found", typed)));
        Ui.show(trouble, isWrong);
        if (!isWrong) {
            LogLine.What what = isHigh ? LogLine.What.HIGH : LogLine.What.LOW;
            session.apply(volts.<Edit>map(value -> new Measure(
                            signal.node(), signal.endpoint(), what, value, typed, LogLine.By.TYPED, session.now()))
                    .orElseGet(() -> new TakeBack(signal, what, session.now())));
        }
    }

    /** A wire with little to spare stays as it is: the plan keeps why, and Wake asks for a reading. */
    private void leave() {
        shown().filter(entry -> !reason.getText().isBlank())
                .ifPresent(entry -> session.apply(entry.left(reason.getText().strip(), session.now())));
    }

    private static Optional<String> leftBecause(LevelEntry entry) {
        return entry.judged()
                .between()
                .filter(Between.Nothing.class::isInstance)
                .map(between -> ((Between.Nothing) between).reason());
    }

    /** A filter that would show nothing is left out, but for the one that is on. */
    private void showFilters(List<LevelEntry> all) {
        filters.forEach((choice, shown) -> {
            long count = all.stream().filter(choice.shows).count();
            String words = Words.get("levels.filter." + choice.text(), "count", count);
            shown.words().setText(words);
            shown.tile().setAccessibleText(words);
            shown.tile().setSelected(choice == filter);
            Ui.show(shown.tile(), count > 0 || choice == filter || choice == Filter.ALL);
        });
    }

    private void setFilter(Filter choice) {
        filter = choice;
        refresh();
    }

    private Optional<NodeCircuit> node() {
        Assessment assessment = session.assessmentProperty().get();
        return assessment == null
                ? Optional.empty()
                : assessment.circuit(session.nodeProperty().get());
    }

    private Optional<NodeCircuit> circuit(Place place) {
        Assessment assessment = session.assessmentProperty().get();
        return assessment == null ? Optional.empty() : assessment.circuit(place.node());
    }

    @Override
    protected void refresh() {
        Optional<NodeCircuit> node = node();
        if (node.isEmpty()) {
            rows.getChildren().clear();
            return;
        }
        List<LevelEntry> all = LevelEntry.of(session.assessmentProperty().get(), node.get());
        showFilters(all);
        boolean hadFocus = rowFocused() >= 0;
        rows.getChildren()
                .setAll(all.stream()
                        .filter(entry -> filter.shows.test(entry))
                        .map(entry -> new LevelRow(entry, () -> choose(entry)))
                        .toList());
        empty.setText(Words.get(
                all.isEmpty() ? "levels.none" : rows.getChildren().isEmpty() ? "levels.none_such" : "levels.choose"));
        mark();
        if (hadFocus) {
            rows.getChildren().stream()
                    .filter(row -> ((LevelRow) row).isSelected())
                    .findFirst()
                    .ifPresent(Node::requestFocus);
        }
    }

    private void choose(LevelEntry entry) {
        Place place = entry.place();
        session.selectionProperty().set(place.equals(session.selectionProperty().get()) ? null : place);
    }

    /** The wire whose ladders are shown: the chosen one, else the first in the list. */
    private Optional<LevelEntry> shown() {
        Place selected = session.selectionProperty().get();
        List<LevelRow> all =
                rows.getChildren().stream().map(LevelRow.class::cast).toList();
        return all.stream()
                .filter(row -> selected != null && selected.contains(row.entry().place()))
                .findFirst()
                .or(() -> all.stream().findFirst())
                .map(LevelRow::entry);
    }

    private void mark() {
        Optional<LevelEntry> shown = shown();
        rows.getChildren().forEach(row -> ((LevelRow) row)
                .setSelected(
                        shown.filter(entry -> entry == ((LevelRow) row).entry()).isPresent()));
        rows.getChildren().stream()
                .filter(row -> ((LevelRow) row).isSelected()
                        && session.selectionProperty().get() != null)
                .findFirst()
                .ifPresent(row -> {
                    list.layout();
                    list.reveal(row);
                });
        Optional<LadderModel> model = node().flatMap(node ->
                shown.flatMap(entry -> entry.ladder(session.assessmentProperty().get(), node)));
        ladders.show(model.orElse(null));
        Ui.show(empty, model.isEmpty());
        Ui.show(measured, model.isPresent());
        Optional<String> left = shown.flatMap(LevelsStage::leftBecause);
        boolean isThin = shown.map(LevelEntry::judged)
                .filter(wire -> wire.verdict() == Verdict.THIN
                        && wire.between().filter(Between::changesLevels).isEmpty())
                .isPresent();
        Ui.show(leaving, isThin || left.isPresent());
        reason.setText(left.orElse(""));
        Ui.show(trouble, false);
        Optional<Place> at = shown.map(LevelEntry::measuredAt);
        Optional<NodeCircuit> heard = at.flatMap(this::circuit);
        Reading reading = heard.map(node -> node.reading(at.get().endpoint())).orElse(Reading.NONE);
        high.setText(reading.high().map(Engineering::exact).orElse(""));
        low.setText(reading.low().map(Engineering::exact).orElse(""));
        String old = heard.map(node -> node.staleReading(at.get().endpoint()))
                .map(LevelsStage::said)
                .orElse("");
        stale.setText(old.isEmpty() ? "" : Words.get("levels.stale", "readings", old));
        Ui.show(stale, !old.isEmpty());
    }

    /** The levels of a reading in words; empty when nothing was read. */
    private static String said(Reading reading) {
        return Stream.concat(
                        reading.high().map(volts -> Words.get("levels.stale.high", "volts", volts)).stream(),
                        reading.low().map(volts -> Words.get("levels.stale.low", "volts", volts)).stream())
                .collect(Collectors.joining(", "));
    }

    private int rowFocused() {
        for (int i = 0; i < rows.getChildren().size(); i++) {
            if (rows.getChildren().get(i).isFocused()) {
                return i;
            }
        }
        return -1;
    }

    /** Up and down go along the list and choose. */
    private void walk(KeyEvent event) {
        int at = rowFocused();
        int next = event.getCode() == KeyCode.DOWN ? at + 1 : event.getCode() == KeyCode.UP ? at - 1 : -1;
        if (at >= 0 && next >= 0 && next < rows.getChildren().size()) {
            LevelRow row = (LevelRow) rows.getChildren().get(next);
            row.requestFocus();
            session.selectionProperty().set(row.entry().place());
            event.consume();
        }
    }
}
