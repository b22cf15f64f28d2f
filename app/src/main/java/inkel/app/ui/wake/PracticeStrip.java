package inkel.app.ui.wake;

import inkel.app.state.PracticeWork;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Fleeting;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.words.CheckWords;
import inkel.app.words.FaultWords;
import inkel.app.words.Words;
import inkel.core.bench.fault.FaultKind;
import inkel.core.diagnosis.Planted;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.geometry.Side;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;

/** What is planted on the practice bench: how many, of which kind, by which seed; and at the end what it was. */
final class PracticeStrip extends VBox {
    private static final double SEED = 64;
    private static final int MOST_FAULTS = 2;

    private final PracticeWork work;
    private final List<Tile> counts = new ArrayList<>();
    private final Tile kind;
    private final Caption kindText = Ui.word("", "pill-text");
    private final TextField seed = Fleeting.of(new TextField());
    private final Caption taken = Ui.word("", "quiet");
    private final Caption told = Ui.text("", "practice-told");
    private final Caption problem = Ui.text("", "stop-text");
    private final Button tell;
    private int count = 1;
    private Optional<FaultKind> chosen = Optional.empty();

    PracticeStrip(PracticeWork work) {
        super(6);
        this.work = work;
        setId("practice-strip");
        getStyleClass().addAll("sheet", "meter-strip");
        WrapRow row = new WrapRow(8);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getChildren().add(Ui.word(Words.get("practice.faults"), "quiet"));
        for (int i = 0; i <= MOST_FAULTS; i++) {
            int number = i;
            Tile pill = Ui.pill("practice-count-" + i, Words.get("practice.faults." + i), () -> choose(number));
            pill.getStyleClass().add("pill-toggle");
            counts.add(pill);
            row.getChildren().add(pill);
        }
        kind = new Tile(this::openKinds, kindText, Pos.CENTER, "pill-button");
        kind.setId("practice-kind");
        seed.setId("practice-seed");
        seed.setAccessibleText(Words.get("practice.seed.label"));
        seed.setPrefWidth(SEED);
        seed.setMinWidth(SEED);
        seed.setOnAction(event -> plant());
        tell = Ui.textButton("practice-tell", Words.get("practice.tell"), work::tell);
        told.setId("practice-told");
        told.setMinWidth(0);
        problem.setMinWidth(0);
        row.getChildren()
                .addAll(
                        kind,
                        Ui.word(Words.get("practice.seed.label"), "quiet"),
                        seed,
                        Ui.textButton("practice-again", Words.get("practice.again"), this::plant),
                        tell,
                        taken);
        getChildren().addAll(row, problem, told);
    }

    private void choose(int number) {
        count = number;
        for (int i = 0; i < counts.size(); i++) {
            counts.get(i).setSelected(i == number);
        }
        kind.setDisable(number == 0);
    }

    private void choose(Optional<FaultKind> other) {
        chosen = other;
        String name = other.map(FaultWords::kind).orElse(Words.get("practice.kind.any"));
        kindText.setText(Words.get("practice.kind", "kind", name));
        kind.setAccessibleText(name);
    }

    /** Only kinds that this board can have. */
    private void openKinds() {
        ContextMenu menu = new ContextMenu(item(Optional.empty()));
        work.kinds().forEach(each -> menu.getItems().add(item(Optional.of(each))));
        menu.show(kind, Side.BOTTOM, 0, 2);
    }

    private MenuItem item(Optional<FaultKind> each) {
        MenuItem item = new MenuItem(each.map(FaultWords::kind).orElse(Words.get("practice.kind.any")));
        item.setOnAction(event -> choose(each));
        return item;
    }

    private void plant() {
        String typed = seed.getText().strip();
        if (!typed.matches("-?[0-9]{1,15}")) {
            problem.setText(Words.get("practice.seed.bad"));
            Ui.show(problem, true);
            return;
        }
        work.begin(count, chosen, Long.parseLong(typed));
    }

    /** @param round null for none */
    void show(PracticeWork.Round round) {
        Ui.show(this, round != null);
        if (round == null) {
            return;
        }
        choose(round.count());
        choose(round.kind());
        seed.setText(String.valueOf(round.seed()));
        boolean hasNothing = !round.isPlanting() && round.planted().isEmpty();
        problem.setText(hasNothing ? Words.get("practice.no_such") : "");
        Ui.show(problem, hasNothing);
        tell.setDisable(round.planted().isEmpty() || round.end().isPresent());
        taken.setText(
                round.isPlanting()
                        ? Words.get("practice.planting")
                        : round.planted().isEmpty() ? "" : Words.get("practice.taken", "count", round.taken()));
        told.setText(said(round));
        Ui.show(told, !told.getText().isEmpty());
    }

    private static String said(PracticeWork.Round round) {
        String guess = round.guess()
                .map(came -> Words.get("practice." + came.name().toLowerCase(Locale.ROOT)))
                .orElse("");
        String end = round.end()
                .flatMap(found -> round.planted().map(planted -> end(round, planted, found)))
                .orElse("");
        return (guess + " " + end).strip();
    }

    private static String end(PracticeWork.Round round, Planted planted, Planted.Hindsight end) {
        if (planted.faults().isEmpty()) {
            return Words.get("practice.planted.none");
        }
        FaultWords causes = new FaultWords(planted.layout());
        CheckWords checks = new CheckWords(planted.wake().node());
        String what = planted.faults().stream().map(causes::say).collect(Collectors.joining("; "));
        String looks = end.looks().stream().map(checks::title).collect(Collectors.joining("; "));
        return Words.get("practice.planted", "faults", what) + " "
                + Words.say(Fact.of("practice.hindsight")
                        .with("yours", round.looks())
                        .with("looks", end.looks().size()))
                + " "
                + (looks.isEmpty()
                        ? Words.get("practice.hindsight.none")
                        : Words.get("practice.hindsight.looks", "looks", looks));
    }
}
