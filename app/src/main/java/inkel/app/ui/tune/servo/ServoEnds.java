package inkel.app.ui.tune.servo;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.quantity.Current;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Unit;
import inkel.core.tune.servo.ServoDraft;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;

/** Where a servo stops, its middle and dead band, and the figures that are typed. */
final class ServoEnds {
    private static final double FIELD = 62;
    private static final double WIDE = 76;

    private final Session session;
    private final ServoDesk desk;
    private final VBox sheet;
    private final PulseScale scale = new PulseScale(this::drag);
    private final Caption now = Ui.word("", "tune-now");
    private final Caption ways = Ui.word("", "quiet");
    private final Caption did = Ui.word("", "tune-did");
    private final TextField lowAngle = BenchPane.field("tune-low-angle", FIELD);
    private final TextField highAngle = BenchPane.field("tune-high-angle", FIELD);
    private final TextField stop = BenchPane.field("tune-stop", WIDE);
    private final TextField rate = BenchPane.field("tune-rate", FIELD);
    private final Caption dead = Ui.text("", "quiet");
    private final WrapRow tryDead = new WrapRow(8);
    private final Caption play = Ui.text("", "quiet");
    private final WrapRow tryPlay = new WrapRow(8);
    private final Button mark = Ui.textButton("tune-mark", Words.get("tune.servo.play.mark"), this::mark);
    private final Button again = Ui.textButton("tune-mark-again", Words.get("tune.servo.play.again"), this::again);

    ServoEnds(Session session, ServoDesk desk) {
        this.session = session;
        this.desk = desk;
        sheet = BenchPane.sheet("tune.servo.ends", "tune.servo.ends.how", scale, steps(), said(), figures());
    }

    VBox sheet() {
        return sheet;
    }

    private Node steps() {
        WrapRow row = new WrapRow(6);
        row.setAlignment(Pos.CENTER_LEFT);
        Tile stopped = Ui.pill("tune-stopped", Words.get("tune.servo.stopped"), this::stopped);
        stopped.getStyleClass().add("pill-main");
        row.getChildren()
                .addAll(
                        Ui.pill(
                                "tune-less",
                                Words.get("tune.servo.less"),
                                () -> desk.change(desk.draft().stepped(-1))),
                        Ui.pill(
                                "tune-more",
                                Words.get("tune.servo.more"),
                                () -> desk.change(desk.draft().stepped(1))),
                        Ui.pill("tune-finer-less", Words.get("tune.servo.finer_less"), () -> fine(-1)),
                        Ui.pill("tune-finer-more", Words.get("tune.servo.finer_more"), () -> fine(1)),
                        stopped,
                        Ui.pill(
                                "tune-centre",
                                Words.get("tune.servo.centre_here"),
                                () -> desk.change(desk.draft().centred())),
                        Ui.pill("tune-middle", Words.get("tune.servo.go_middle"), this::goMiddle));
        row.getChildren().forEach(pill -> pill.getStyleClass().add("pill-small"));
        return row;
    }

    /** The pulse in all its ways, and what came of it. */
    private Node said() {
        WrapRow row = new WrapRow(18);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getChildren().addAll(now, ways, did);
        return row;
    }

    private void fine(int direction) {
        desk.change(desk.draft().finer(direction));
    }

    private void goMiddle() {
        ServoDraft draft = desk.draft();
        desk.change(draft.to(draft.middle().orElse(draft.rig().middle())));
    }

    /** @param isFine one step of the drive alone */
    void step(int direction, boolean isFine) {
        if (isFine) {
            fine(direction);
        } else {
            desk.change(desk.draft().stepped(direction));
        }
    }

    void stopped() {
        ServoDraft draft = desk.draft();
        if (draft.stopped().equals(draft)) {
            desk.say(Words.get("tune.servo.step_first"));
        } else {
            desk.change(draft.stopped());
        }
    }

    private void drag(double pulse) {
        desk.change(desk.draft().to(pulse));
    }

    private Node figures() {
        WrapRow row = new WrapRow(10);
        row.setAlignment(Pos.CENTER_LEFT);
        lowAngle.setOnAction(event -> takeAngles());
        highAngle.setOnAction(event -> takeAngles());
        stop.setOnAction(event -> takeStop());
        rate.setOnAction(event -> takeRate());
        tryDead.setAlignment(Pos.CENTER_LEFT);
        tryDead.getChildren()
                .addAll(
                        dead,
                        Ui.textButton("tune-dead-yes", Words.get("tune.servo.dead.moved"), () -> tried(true)),
                        Ui.textButton("tune-dead-no", Words.get("tune.servo.dead.still"), () -> tried(false)));
        dead.setMinWidth(0);
        tryPlay.setAlignment(Pos.CENTER_LEFT);
        tryPlay.getChildren().addAll(play, mark, again);
        play.setMinWidth(0);
        play.setId("tune-play");
        row.getChildren()
                .addAll(
                        BenchPane.named("tune.servo.angles", "°", lowAngle, highAngle),
                        BenchPane.named("tune.servo.stop", "", stop),
                        BenchPane.named("tune.servo.rate", "Hz", rate));
        return new VBox(8, row, tryDead, tryPlay);
    }

    private void tried(boolean moved) {
        desk.change(desk.draft().triedDead(moved));
    }

    private void mark() {
        if (desk.draft().canMark()) {
            desk.change(desk.draft().marked());
        } else {
            desk.say(Words.get("tune.servo.play.from_below"));
        }
    }

    private void again() {
        if (desk.draft().canMeetMark()) {
            desk.change(desk.draft().atMark());
        } else {
            desk.say(Words.get("tune.servo.play.from_above"));
        }
    }

    private void takeAngles() {
        OptionalDouble low = BenchPane.number(lowAngle.getText());
        OptionalDouble high = BenchPane.number(highAngle.getText());
        if (low.isEmpty() || high.isEmpty() || high.getAsDouble() - low.getAsDouble() < 1) {
            desk.say(Words.get("tune.servo.angles.bad"));
        } else {
            desk.change(desk.draft().angles(low.getAsDouble(), high.getAsDouble()));
        }
    }

    private void takeStop() {
        Optional<Double> amperes = BenchPane.amount(stop.getText(), Unit.AMPERE);
        if (stop.getText().isBlank()) {
            desk.change(desk.draft().stop(Optional.empty()));
        } else if (amperes.filter(value -> value > 0 && value < 100).isEmpty()) {
            desk.say(Words.get("tune.servo.stop.bad"));
        } else {
            desk.change(desk.draft().stop(amperes));
        }
    }

    private void takeRate() {
        Optional<Double> hertz = BenchPane.amount(rate.getText(), Unit.HERTZ);
        if (rate.getText().isBlank()) {
            desk.change(desk.draft().frequency(Optional.empty()));
        } else if (hertz.filter(value -> value >= 20 && value <= 1000).isEmpty()) {
            desk.say(Words.get("tune.servo.rate.bad"));
        } else {
            desk.change(desk.draft().frequency(hertz));
        }
    }

    void show(ServoDraft draft) {
        scale.show(draft);
        now.setText(ServoWords.micros(draft.now()));
        ways.setText(ServoWords.ways(draft, draft.now()));
        did.setText(did(draft));
        dead.setText(draft.dead()
                .map(band -> Words.say(Fact.of("tune.servo.dead.found").with("band", ServoWords.micros(band))))
                .orElseGet(() ->
                        Words.say(Fact.of("tune.servo.dead.try").with("step", ServoWords.micros(draft.nextDead())))));
        showPlay(draft);
        BenchPane.fill(lowAngle, BenchPane.plain(draft.lowAngle()));
        BenchPane.fill(highAngle, BenchPane.plain(draft.highAngle()));
        BenchPane.fill(
                stop,
                draft.stop()
                        .map(value -> Numbers.print(Current.ofAmperes(value)))
                        .orElse(""));
        BenchPane.fill(rate, draft.frequency().map(BenchPane::plain).orElse(""));
    }

    private void showPlay(ServoDraft draft) {
        boolean isMarked = draft.play().mark().isPresent();
        play.setText(
                isMarked
                        ? Words.get("tune.servo.play.back")
                        : draft.play()
                                .found()
                                .map(found -> Words.say(Fact.of("tune.servo.play.found")
                                        .with("play", ServoWords.micros(found))
                                        .with(
                                                "angle",
                                                Numbers.fixed(draft.playAngle().orElse(0.0), 1))))
                                .orElse(Words.get("tune.servo.play.try")));
        Ui.show(mark, !isMarked);
        Ui.show(again, isMarked);
    }

    private String did(ServoDraft draft) {
        Optional<String> practised = session.tune()
                .servos()
                .did()
                .map(seen -> seen.hums()
                        ? Words.say(Fact.of("tune.servo.hums").with("current", Current.ofAmperes(seen.amperes())))
                        : Words.say(Fact.of(seen.moved() ? "tune.servo.moved" : "tune.servo.still")
                                .with("angle", Numbers.fixed(draft.angle(seen.arm()), 1))));
        boolean isSent = session.tune().servos().isCommanded(draft);
        return practised.orElseGet(() -> session.practice().isOn()
                ? Words.get("tune.servo.begin")
                : Words.say(Fact.of(isSent ? "tune.servo.sent" : "tune.servo.command")
                        .with("pulse", ServoWords.micros(draft.now()))));
    }
}
