package inkel.app.ui.wake;

import inkel.app.state.SuspectWork;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Gauge;
import inkel.app.ui.kit.Ui;
import inkel.app.words.CheckWords;
import inkel.app.words.FaultWords;
import inkel.app.words.Words;
import inkel.core.bench.fault.Fault;
import inkel.core.bench.fault.WireFault;
import inkel.core.circuit.NodeCircuit;
import inkel.core.diagnosis.Suspect;
import inkel.core.diagnosis.Suspects;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Share;
import inkel.core.wake.Check;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** What it could be, the likeliest first, and the look that tells most apart. */
final class SuspectsPane extends VBox {
    private static final int MOST = 6;
    private static final double BAR = 80;
    private static final double BAR_HEIGHT = 12;
    private static final double PERCENT = 40;
    private static final double HUNDRED = 100;

    /** With less than this share the others are not told of. */
    private static final double LEAST = 0.005;

    private final Desk desk;

    /** What the buttons do. */
    interface Desk {
        void take(Check look);

        void toWire(String id);

        /** Empty where nobody says what it is. */
        Optional<Runnable> isThis(Suspect suspect);
    }

    SuspectsPane(Desk desk) {
        super(8);
        this.desk = desk;
        setId("suspects");
        getStyleClass().addAll("sheet", "wake-card");
    }

    /** While nothing is known yet. */
    void showWorking() {
        getChildren().setAll(head(""), Ui.text(Words.get("suspects.working"), "quiet"));
    }

    void show(SuspectWork.Found found, NodeCircuit node) {
        Suspects suspects = found.suspects();
        FaultWords words = new FaultWords(found.layout());
        getChildren().setAll(head(Words.get("suspects.from", "count", suspects.readings())));
        getChildren()
                .add(
                        suspects.isWhole()
                                ? next(
                                        suspects.next(),
                                        new CheckWords(node),
                                        suspects.list().size() == 1)
                                : Ui.text(Words.get("suspects.working"), "quiet"));
        suspects.list().stream()
                .filter(suspect -> suspect.share() >= LEAST)
                .limit(MOST)
                .forEach(suspect -> getChildren().add(row(suspect, words)));
        if (suspects.nothing() >= LEAST) {
            getChildren().add(row(suspects.nothing(), Words.get("suspects.nothing"), false));
        }
        if (suspects.somethingElse() >= LEAST) {
            getChildren().add(row(suspects.somethingElse(), Words.get("suspects.else"), false));
        }
    }

    private static Node head(String from) {
        Caption count = Ui.text(from, "quiet");
        HBox row = new HBox(8, Ui.text(Words.get("suspects.title"), "section-title"), Ui.spring(), count);
        row.setAlignment(Pos.BASELINE_LEFT);
        return row;
    }

    private Node row(Suspect suspect, FaultWords words) {
        String first = words.say(suspect.first());
        int others = suspect.alike().size() - 1;
        String said = others == 0
                ? first
                : Words.say(Fact.of("fault.alike").with("one", first).with("count", others));
        HBox row = row(suspect.share(), said, true);
        if (others > 0) {
            Tooltip all = new Tooltip(suspect.alike().stream()
                    .map(words::say)
                    .limit(12)
                    .reduce((one, other) -> one + "\n" + other)
                    .orElse(""));
            Tooltip.install(row, all);
        }
        wire(suspect).ifPresent(wire -> row.getChildren()
                .add(Ui.textButton("suspects-wire", Words.get("suspects.to_wire"), () -> desk.toWire(wire))));
        desk.isThis(suspect).ifPresent(action -> row.getChildren()
                .add(Ui.textButton("suspects-this", Words.get("suspects.this"), action)));
        return row;
    }

    /** The wire that the likeliest of them is about. */
    private static Optional<String> wire(Suspect suspect) {
        Fault fault = suspect.first().get(0);
        if (fault instanceof WireFault.OnOneWire on) {
            return Optional.of(on.wire());
        }
        return fault instanceof WireFault.Swapped swapped ? Optional.of(swapped.wire()) : Optional.empty();
    }

    private static HBox row(double share, String said, boolean isCause) {
        Gauge bar = new Gauge(share);
        bar.getStyleClass().add(isCause ? "suspect-bar" : "suspect-bar-quiet");
        bar.setMinSize(BAR, BAR_HEIGHT);
        bar.setMaxSize(BAR, BAR_HEIGHT);
        Caption percent = Ui.word(Words.show(new Share(Math.rint(share * HUNDRED) / HUNDRED)), "suspect-share");
        percent.setMinWidth(PERCENT);
        percent.setPrefWidth(PERCENT);
        Caption what = Ui.text(said, isCause ? "suspect-what" : "quiet");
        what.setMinWidth(0);
        HBox.setHgrow(what, Priority.ALWAYS);
        what.setMaxWidth(Double.MAX_VALUE);
        HBox row = new HBox(10, bar, percent, what);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getStyleClass().add("suspect");
        return row;
    }

    private Node next(Optional<Check> look, CheckWords words, boolean isOne) {
        Caption title = Ui.word(Words.get("suspects.next"), "suspect-next-title");
        Caption what = Ui.text(
                look.map(words::title).orElseGet(() -> Words.get(isOne ? "suspects.mend" : "suspects.no_next")),
                "suspect-next");
        what.setMinWidth(0);
        VBox said = new VBox(2, title, what);
        said.setMinWidth(0);
        HBox.setHgrow(said, Priority.ALWAYS);
        HBox box = new HBox(12, said);
        box.setAlignment(Pos.CENTER_LEFT);
        box.getStyleClass().add("next-look");
        look.ifPresent(check -> {
            Button take = Ui.textButton("suspects-take", Words.get("suspects.take"), () -> desk.take(check));
            take.getStyleClass().setAll("button", "main-button");
            box.getChildren().add(take);
        });
        return box;
    }
}
