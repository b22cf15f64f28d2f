package inkel.app.ui.log;

import inkel.app.state.LogWork;
import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Fleeting;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.ui.stage.StagePane;
import inkel.app.words.RecordWords;
import inkel.app.words.Words;
import inkel.core.document.Place;
import inkel.core.finding.Stage;
import inkel.core.log.Entry;
import inkel.core.log.Register;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The record: a thread of days, what is looked for, and the lines, the newest first. */
public final class LogStage extends StagePane {
    private static final double SEARCH = 200;

    private final Session session;
    private final LogWork log;
    private final TextField search = Fleeting.of(new TextField());
    private final TimeStrip strip;
    private final WrapRow filters = new WrapRow(8);
    private final ListView<LogRow> list = new ListView<>();
    private final WriteForm form;
    private final Caption broken = Ui.text("", "look-text");
    private boolean isFilling;

    LogStage(Session session) {
        super(Stage.LOG);
        this.session = session;
        log = session.log();
        search.setId("log-search");
        search.setPromptText(Words.get("log.search.prompt"));
        search.setPrefWidth(SEARCH);
        search.setAccessibleText(Words.get("log.search"));
        search.textProperty().addListener((property, old, next) -> log.search(next));
        addControl(search);
        addControl(Ui.pill("log-write", Words.get("log.write"), () -> open(Optional.empty())));
        strip = new TimeStrip(log);
        form = new WriteForm(session);
        list.setId("log-list");
        list.setAccessibleText(Words.get("log.list"));
        list.getStyleClass().addAll("sheet", "log-list");
        list.setCellFactory(view -> new EntryCell(session));
        list.getSelectionModel().selectedItemProperty().addListener((property, old, next) -> {
            if (!isFilling && next != null) {
                next.entry().ifPresent(entry -> log.select(entry.number()));
            }
        });
        VBox.setVgrow(list, Priority.ALWAYS);
        VBox all = new VBox(12, strip, broken, filters, form, list);
        VBox.setVgrow(all, Priority.ALWAYS);
        getChildren().add(all);
        subscriptions().on(log.changesProperty(), (property, old, next) -> show());
        subscriptions().on(log.answeringProperty(), (property, old, next) -> {
            if (next.intValue() >= 0) {
                log.register().flatMap(of -> of.entry(next.intValue())).ifPresent(entry -> open(Optional.of(entry)));
                log.answeringProperty().set(-1);
            }
        });
        refreshWith(session);
    }

    @Override
    protected void refresh() {
        show();
    }

    private void open(Optional<Entry> answered) {
        Place selection = session.selectionProperty().get();
        form.open(selection == null ? Place.ofNode(session.nodeProperty().get()) : selection, answered);
    }

    private void show() {
        Optional<Register> register = log.register();
        List<Entry> all = register.map(Register::entries).orElse(List.of());
        strip.show(
                all,
                log.selected()
                        .map(entry -> RecordWords.date(entry.line(), log.zone()))
                        .orElse(null));
        showFilters(register.map(Register::counts).orElse(Map.of()), all.size());
        List<Integer> lines = register.map(of -> of.build().log().broken()).orElse(List.of());
        broken.setText(
                lines.isEmpty()
                        ? ""
                        : Words.get(
                                "log.broken",
                                "lines",
                                String.join(
                                        ", ",
                                        lines.stream()
                                                .limit(5)
                                                .map(line -> String.valueOf(line + 1))
                                                .toList())));
        Ui.show(broken, !lines.isEmpty());
        List<LogRow> rows = new ArrayList<>();
        LocalDate day = null;
        for (Entry entry : log.shown()) {
            LocalDate own = RecordWords.date(entry.line(), log.zone());
            if (!own.equals(day)) {
                rows.add(new LogRow(own, Optional.empty()));
                day = own;
            }
            rows.add(new LogRow(own, Optional.of(entry)));
        }
        isFilling = true;
        if (!rows.equals(list.getItems())) {
            list.getItems().setAll(rows);
        }
        list.setPlaceholder(Ui.text(Words.get(all.isEmpty() ? "log.none" : "log.nothing_found"), "later"));
        select();
        isFilling = false;
    }

    private void select() {
        int number = log.selected().map(Entry::number).orElse(-1);
        for (int i = 0; i < list.getItems().size(); i++) {
            if (list.getItems()
                    .get(i)
                    .entry()
                    .filter(entry -> entry.number() == number)
                    .isPresent()) {
                if (list.getSelectionModel().getSelectedIndex() != i) {
                    list.getSelectionModel().select(i);
                    list.scrollTo(Math.max(0, i - 2));
                }
                return;
            }
        }
        list.getSelectionModel().clearSelection();
    }

    private void showFilters(Map<Entry.Sort, Integer> counts, int all) {
        filters.getChildren().clear();
        Tile whole = Ui.pill("log-all", Words.get("log.all", "count", all), log::showAll);
        whole.setSelected(log.sorts().isEmpty());
        whole.getStyleClass().add("pill-toggle");
        filters.getChildren().add(whole);
        for (Entry.Sort sort : Entry.Sort.values()) {
            if (counts.containsKey(sort)) {
                Tile tile = Ui.pill(
                        "log-sort-" + sort.name().toLowerCase(Locale.ROOT),
                        RecordWords.sort(sort) + " " + counts.get(sort),
                        () -> log.turn(sort));
                tile.getStyleClass().add("pill-toggle");
                tile.setSelected(log.sorts().contains(sort));
                filters.getChildren().add(tile);
            }
        }
    }
}
