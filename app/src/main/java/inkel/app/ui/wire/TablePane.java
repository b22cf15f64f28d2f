package inkel.app.ui.wire;

import inkel.app.state.Session;
import inkel.app.store.Drawers;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.drawer.Drawer;
import inkel.core.drawer.Item;
import inkel.core.drawer.Shopping;
import inkel.core.drawer.Substitute;
import inkel.core.quantity.Fact;
import inkel.core.seats.SeatPlan;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What must lie on the table before the first wire, set against the drawer, for all boards of the build. */
final class TablePane extends VBox implements TableRow.Hand {
    private final Session session;
    private final Caption sum = Ui.word("", "table-sum");
    private final Tile all;
    private final Tile stands;
    private final TextField add = new TextField();
    private final VBox content = new VBox(4);
    private TableModel model;
    private Assessment shownOf;
    private Drawer shownWith = Drawer.EMPTY;
    private String shownAs = "";

    /** @param command does a command of the window by its id */
    TablePane(Session session, Consumer<String> command) {
        super(8);
        this.session = session;
        setId("table");
        getStyleClass().addAll("sheet", "table-pane");
        sum.setId("table-sum");
        all = Ui.pill("table-all", Words.get("table.all"), this::hasAll);
        stands = Ui.pill("table-stands", Words.get("table.stands"), this::switchStanding);
        stands.getStyleClass().add("pill-toggle");
        Ui.tip(stands, Words.get("table.stands.tip"));
        add.setId("table-add");
        add.setPromptText(Words.get("table.add.prompt"));
        add.setAccessibleText(Words.get("table.add"));
        add.setPrefColumnCount(17);
        add.setOnAction(event -> put());
        Ui.tip(add, Words.get("table.add"));
        WrapRow head = new WrapRow(
                8,
                sum,
                all,
                stands,
                add,
                Ui.pill("table-in", Words.get("table.in"), () -> command.accept("drawer_in")),
                Ui.pill("table-out", Words.get("table.out"), () -> command.accept("drawer_out")));
        Scroller scroller = new Scroller(content);
        VBox.setVgrow(scroller, Priority.ALWAYS);
        getChildren().addAll(head, scroller);
    }

    private String key() {
        return Drawers.key(session.files().fileProperty().get());
    }

    /** Shows the present build, or says that its seats are still worked out. */
    void refresh() {
        Assessment assessment = session.assessmentProperty().get();
        if (assessment == null) {
            return;
        }
        List<SeatPlan> plans = new ArrayList<>();
        for (NodeCircuit node : assessment.reports().circuit().nodes()) {
            session.seats().wanted(assessment, node.node().id()).ifPresent(plans::add);
        }
        if (plans.size() < assessment.reports().circuit().nodes().size()) {
            if (model == null) {
                content.getChildren().setAll(Ui.text(Words.get("table.under_way"), "later"));
            }
            return;
        }
        Drawer drawer = session.drawers().drawer();
        // An assessment is the same only when it is the very same: to compare what is in it takes long.
        if (assessment == shownOf && drawer.equals(shownWith) && key().equals(shownAs)) {
            return;
        }
        shownOf = assessment;
        shownWith = drawer;
        shownAs = key();
        model = TableModel.of(assessment, plans, drawer, key(), session.catalog());
        keepStanding(drawer, assessment);
        show(drawer);
    }

    /** A build that stands and was changed takes what it now wants. */
    private void keepStanding(Drawer drawer, Assessment assessment) {
        Drawer.Standing now = drawer.standing().get(key());
        if (now != null && !now.takes().equals(model.wanted())) {
            session.drawers().stand(key(), assessment.build().name(), model.wanted());
        }
    }

    private void show(Drawer drawer) {
        Node focused = getScene() == null ? null : getScene().getFocusOwner();
        String focusedId = focused == null || focused.getId() == null ? "" : focused.getId();
        sum.setText(model.sum());
        all.setDisable(model.shopping().lacking() == 0);
        stands.setSelected(drawer.standing().containsKey(key()));
        List<Node> rows = new ArrayList<>();
        tonight(rows);
        lines(rows, "table.solder", model.solder(), "solder");
        if (!model.solder().isEmpty()) {
            rows.add(Ui.text(Words.get("table.solder.care"), "table-care"));
        }
        lines(rows, "table.tools", List.of(String.join(", ", model.tools())), "tools");
        model.things().forEach((sort, things) -> {
            rows.add(head(Words.get("table.group." + sort.text())));
            things.forEach(thing ->
                    rows.add(new TableRow(thing, drawer.of(thing.line().item()).count(), session.catalog(), this)));
        });
        if (!model.others().isEmpty()) {
            rows.add(head(Words.get("table.others")));
            model.others()
                    .forEach(thing -> rows.add(
                            new TableRow(thing, drawer.of(thing.line().item()).count(), session.catalog(), this)));
        }
        content.getChildren().setAll(rows);
        if (!focusedId.isEmpty() && content.lookup("#" + focusedId) != null) {
            content.lookup("#" + focusedId).requestFocus();
        }
    }

    private static Node head(String title) {
        Region field = Ui.word(Words.get("table.column.have"), "table-column").right();
        field.setMinWidth(TableRow.FIELD);
        field.setPrefWidth(TableRow.FIELD);
        Region price = Ui.word(Words.get("table.column.price"), "table-column").right();
        price.setMinWidth(TableRow.PRICE);
        price.setPrefWidth(TableRow.PRICE);
        HBox head = new HBox(
                10,
                Ui.word(title, "table-group"),
                Ui.spring(),
                TableRow.number(Words.get("table.column.want"), "table-column"),
                field,
                TableRow.number(Words.get("table.column.get"), "table-column"),
                price);
        head.getStyleClass().add("table-head");
        head.setAlignment(Pos.BASELINE_LEFT);
        return head;
    }

    private static void lines(List<Node> rows, String title, List<String> lines, String id) {
        if (lines.isEmpty()) {
            return;
        }
        rows.add(Ui.word(Words.get(title), "table-group", "table-head"));
        for (int i = 0; i < lines.size(); i++) {
            Caption line = Ui.text(lines.get(i), "table-line");
            line.setId("table-" + id + "-" + i);
            rows.add(line);
        }
    }

    /** How far one comes with what is there. */
    private void tonight(List<Node> rows) {
        rows.add(Ui.word(Words.get("table.tonight"), "table-group"));
        boolean isNothing =
                model.tonight().stream().allMatch(evening -> evening.ready().isEmpty());
        if (isNothing) {
            rows.add(Ui.text(Words.get("table.tonight.none"), "table-line"));
            return;
        }
        boolean isSingle = model.tonight().size() == 1;
        for (TableModel.Evening evening : model.tonight()) {
            Caption said = Ui.text(
                    isSingle
                            ? said(evening)
                            : Words.say(Fact.of("table.tonight.node")
                                    .with("node", evening.node())
                                    .with("text", said(evening))),
                    evening.waiting().isEmpty() ? "table-good" : "table-line");
            rows.add(said);
            boolean isAnyReady = !evening.ready().isEmpty();
            if (isAnyReady) {
                evening.waiting().forEach(part -> {
                    Caption name = Ui.word(part.name(), "table-name");
                    name.setMinWidth(USE_PREF_SIZE);
                    Caption why = Ui.text(part.why(), "quiet");
                    HBox.setHgrow(why, Priority.ALWAYS);
                    HBox row = new HBox(10, name, why);
                    row.getStyleClass().add("table-waiting");
                    rows.add(row);
                });
            }
        }
    }

    private static String said(TableModel.Evening evening) {
        return evening.waiting().isEmpty()
                ? Words.get("table.tonight.all")
                : evening.ready().isEmpty()
                        ? Words.get("table.tonight.nothing")
                        : Words.get("table.tonight.ready", "names", String.join(", ", evening.ready()));
    }

    // --- what the builder does

    /** Something that the build need not ask for. */
    private void put() {
        if (session.drawers().add(add.getText())) {
            add.clear();
        } else if (!add.getText().isBlank()) {
            session.notices()
                    .trouble(Words.get("table.bad_add", "found", add.getText().strip()));
        }
    }

    @Override
    public void count(Item item, String typed) {
        Optional<Integer> count = Drawers.count(typed);
        if (count.isPresent()) {
            session.drawers().count(item, count.get());
        } else {
            session.notices().trouble(Words.get("table.bad_count", "found", typed));
        }
    }

    @Override
    public void price(Item item, String typed) {
        Optional<BigDecimal> price = Drawers.price(typed);
        if (typed.isEmpty() || price.isPresent()) {
            session.drawers().price(item, price);
        } else {
            session.notices().trouble(Words.get("table.bad_price", "found", typed));
        }
    }

    @Override
    public void has(Shopping.Line line) {
        session.drawers().add(Map.of(line.item(), line.toGet()));
    }

    private void hasAll() {
        if (model != null) {
            session.drawers().add(model.lacking());
        }
    }

    @Override
    public void agree(Item item, Optional<Substitute> by) {
        session.drawers().agree(item, by);
    }

    private void switchStanding() {
        if (key().isEmpty()) {
            session.notices().trouble(Words.get("table.stands.unsaved"));
        } else if (stands.isSelected()) {
            session.drawers().takeApart(key());
        } else if (model != null) {
            session.drawers().stand(key(), session.build().orElseThrow().name(), model.wanted());
        }
    }
}
