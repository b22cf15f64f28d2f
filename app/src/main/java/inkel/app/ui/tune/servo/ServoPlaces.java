package inkel.app.ui.tune.servo;

import inkel.app.state.Session;
import inkel.app.state.TuneWork;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Unit;
import inkel.core.tune.servo.Arm;
import inkel.core.tune.servo.ServoDraft;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.geometry.Pos;
import javafx.geometry.Side;
import javafx.scene.Node;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Places that a servo goes to by name, and how it goes there and stays. */
final class ServoPlaces {
    private static final double FIELD = 62;
    private static final double MOST_GRAMS = 10_000;

    private final Session session;
    private final TuneWork.At at;
    private final ServoDesk desk;
    private final VBox sheet;
    private final VBox places = new VBox(4);
    private final TextField placeName = BenchPane.field("tune-place-name", 110);
    private final Tile hold;
    private final Tile release;
    private final TextField releaseTime = BenchPane.field("tune-release", FIELD);
    private final Caption released = Ui.text("", "quiet");
    private final TextField hanging = BenchPane.field("tune-hanging", FIELD);
    private final TextField arm = BenchPane.field("tune-arm", FIELD);
    private final Tile inTurn = Ui.pill("tune-in-turn", Words.get("tune.servo.in_turn"), this::startInTurn);
    private final Tile give = Ui.pill("tune-give", Words.get("tune.servo.give"), this::openOthers);
    private final TextField move = BenchPane.field("tune-move", FIELD);
    private final Caption fastest = Ui.text("", "quiet");

    ServoPlaces(Session session, TuneWork.At at, ServoDesk desk) {
        this.session = session;
        this.at = at;
        this.desk = desk;
        hold = BenchPane.toggle(
                "tune-hold", "tune.servo.hold", () -> desk.change(desk.draft().released(Optional.empty())));
        release = BenchPane.toggle("tune-release-on", "tune.servo.release", this::takeRelease);
        sheet = BenchPane.sheet("tune.servo.places", "", places, addPlace(), after(), moves(), give, inTurn);
        boolean isOneOfMany = !session.tune().servos().others(at).isEmpty();
        Ui.show(give, isOneOfMany);
        Ui.show(inTurn, isOneOfMany && !session.practice().isOn());
    }

    VBox sheet() {
        return sheet;
    }

    private Node addPlace() {
        placeName.setPromptText(Words.get("tune.servo.place.prompt"));
        placeName.setOnAction(event -> keepPlace());
        HBox row = new HBox(
                8, placeName, Ui.textButton("tune-place-add", Words.get("tune.servo.place.add"), this::keepPlace));
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private void keepPlace() {
        String name = placeName.getText().strip();
        if (name.isEmpty() || name.length() > 40) {
            desk.say(Words.get("tune.servo.place.bad"));
            return;
        }
        placeName.clear();
        desk.change(desk.draft().place(name, desk.draft().now()));
    }

    private void showPlaces(ServoDraft draft) {
        places.getChildren().clear();
        draft.places().forEach((name, pulse) -> {
            Caption named = Ui.word(name, "tune-place");
            named.setMinWidth(0);
            HBox.setHgrow(named, Priority.ALWAYS);
            HBox row = new HBox(
                    10,
                    named,
                    Ui.spring(),
                    Ui.word(Math.round(draft.angle(pulse)) + "°", "quiet"),
                    Ui.word(ServoWords.micros(pulse), "tune-place-pulse"),
                    Ui.textButton(
                            "tune-go-" + name,
                            Words.get("tune.servo.go"),
                            () -> desk.change(desk.draft().to(pulse))),
                    Ui.textButton(
                            "tune-out-" + name,
                            Words.get("tune.take_out"),
                            () -> desk.change(desk.draft().without(name))));
            row.setAlignment(Pos.CENTER_LEFT);
            places.getChildren().add(row);
        });
        if (draft.places().isEmpty()) {
            places.getChildren().add(Ui.text(Words.get("tune.servo.place.none"), "quiet"));
        }
    }

    private Node after() {
        releaseTime.setOnAction(event -> takeRelease());
        releaseTime.setAccessibleText(Words.get("tune.servo.release"));
        WrapRow row = new WrapRow(8);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getChildren().addAll(hold, release, releaseTime);
        hanging.setOnAction(event -> takeArm());
        arm.setOnAction(event -> takeArm());
        WrapRow load = new WrapRow(8);
        load.setAlignment(Pos.CENTER_LEFT);
        load.getChildren()
                .addAll(BenchPane.named("tune.servo.arm", "g", hanging), BenchPane.named("tune.servo.arm.at", "", arm));
        released.setMinWidth(0);
        return new VBox(6, Ui.word(Words.get("tune.servo.after"), "section"), row, load, released);
    }

    private void takeArm() {
        if (hanging.getText().isBlank() && arm.getText().isBlank()) {
            desk.change(desk.draft().arm(Optional.empty()));
            return;
        }
        OptionalDouble grams = BenchPane.number(hanging.getText());
        Optional<Double> length = BenchPane.amount(arm.getText(), Unit.METRE);
        boolean isWeight = grams.isPresent() && grams.getAsDouble() > 0 && grams.getAsDouble() <= MOST_GRAMS;
        if (isWeight && arm.getText().isBlank()) {
            // The other field is what is typed next.
            desk.say("");
            arm.requestFocus();
        } else if (!isWeight || length.filter(value -> value > 0 && value <= 1).isEmpty()) {
            desk.say(Words.get("tune.servo.arm.bad"));
        } else {
            desk.change(desk.draft().arm(Optional.of(new Arm(length.get(), grams.getAsDouble() / 1000))));
        }
    }

    private void startInTurn() {
        int count = session.tune().servos().startInTurn(at);
        if (count > 0) {
            session.notices().done(Words.get("tune.servo.in_turn.done", "count", count));
        }
    }

    private void takeRelease() {
        Optional<Double> seconds =
                BenchPane.amount(releaseTime.getText().isBlank() ? "0.4" : releaseTime.getText(), Unit.SECOND);
        if (seconds.filter(value -> value > 0 && value <= 60).isEmpty()) {
            desk.say(Words.get("tune.servo.release.bad"));
        } else {
            desk.change(desk.draft().released(seconds));
        }
    }

    private Node moves() {
        move.setOnAction(event -> takeMove());
        WrapRow row = new WrapRow(8);
        row.setAlignment(Pos.CENTER_LEFT);
        fastest.setMinWidth(0);
        move.setAccessibleText(Words.get("tune.servo.move"));
        row.getChildren().addAll(Ui.word(Words.get("tune.servo.move"), "quiet"), move);
        return new VBox(4, row, fastest);
    }

    /** What is alike of several servos is given on; what differs from piece to piece is not. */
    private void openOthers() {
        ContextMenu menu = new ContextMenu();
        session.tune().servos().others(at).forEach(other -> {
            MenuItem item = new MenuItem(other.part().name());
            item.setOnAction(event -> session.tune().servos().giveTo(at, other));
            menu.getItems().add(item);
        });
        menu.show(give, Side.BOTTOM, 0, 2);
    }

    private void takeMove() {
        Optional<Double> seconds = BenchPane.amount(move.getText(), Unit.SECOND);
        if (seconds.filter(value -> value >= 0.02 && value <= 600).isEmpty()) {
            desk.say(Words.get("tune.servo.move.bad"));
        } else {
            desk.change(desk.draft().moving(seconds.get()));
        }
    }

    void show(ServoDraft draft) {
        showPlaces(draft);
        hold.setSelected(draft.release().isEmpty());
        release.setSelected(draft.release().isPresent());
        BenchPane.fill(
                releaseTime,
                draft.release().map(value -> BenchPane.plain(value) + " s").orElse(""));
        released.setText(afterwards(draft));
        BenchPane.fill(
                hanging,
                draft.arm().map(load -> BenchPane.plain(load.mass() * 1000)).orElse(""));
        BenchPane.fill(
                arm,
                draft.arm()
                        .map(load -> BenchPane.plain(load.length() * 1000) + " mm")
                        .orElse(""));
        BenchPane.fill(move, BenchPane.plain(draft.moveTime()) + " s");
        fastest.setText(Words.say(Fact.of("tune.servo.fastest")
                .with("count", draft.moveTable().size())
                .with("step", ServoWords.micros(draft.fastestFrame()))));
    }

    private static String afterwards(ServoDraft draft) {
        String key = draft.release().isPresent() ? "tune.servo.released" : "tune.servo.held";
        return draft.arm()
                .map(load -> Words.say(Fact.of(key + ".load")
                        .with("torque", Numbers.fixed(load.newtonCentimetres(), 1))
                        .with("sold", Numbers.fixed(load.kilogramCentimetres(), 2))))
                .orElse(Words.get(key));
    }
}
