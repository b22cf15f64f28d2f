package inkel.app.ui.tune;

import inkel.app.state.Session;
import inkel.app.state.TuneWork;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.words.Words;
import inkel.core.document.Tuning.Point;
import inkel.core.quantity.Current;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Unit;
import inkel.core.tune.servo.ServoDraft;
import inkel.core.tune.servo.ServoRig;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import javafx.geometry.Pos;
import javafx.geometry.Side;
import javafx.scene.Node;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The bench of a servo: its ends above, the map from an input and places to go below. */
final class ServoPane extends BenchPane {
    private static final double FIELD = 62;
    private static final double WIDE = 76;
    private static final double MICRO = 1e-6;
    private static final double MOST_CODE = 65_535;

    private final Session session;
    private final PulseScale scale = new PulseScale(this::drag);
    private final Caption now = Ui.word("", "tune-now");
    private final Caption ways = Ui.word("", "quiet");
    private final Caption did = Ui.word("", "tune-did");
    private final CurveBox curve = new CurveBox(
            Words.get("tune.servo.input"), "µs", value -> String.valueOf(Math.round(value)), ServoPane::micros);
    private final Caption formula = Ui.text("", "tune-formula");
    private final Caption resolution = Ui.text("", "quiet");
    private final VBox corners = new VBox(4);
    private final VBox places = new VBox(4);
    private final TextField placeName = field("tune-place-name", 110);
    private final Tile hold;
    private final Tile release;
    private final TextField releaseTime = field("tune-release", FIELD);
    private final Caption released = Ui.text("", "quiet");
    private final Tile give = Ui.pill("tune-give", Words.get("tune.servo.give"), this::openOthers);
    private final TextField move = field("tune-move", FIELD);
    private final Caption fastest = Ui.text("", "quiet");
    private final TextField lowAngle = field("tune-low-angle", FIELD);
    private final TextField highAngle = field("tune-high-angle", FIELD);
    private final TextField stop = field("tune-stop", WIDE);
    private final TextField rate = field("tune-rate", FIELD);
    private final Caption dead = Ui.text("", "quiet");
    private final WrapRow tryDead = new WrapRow(8);
    private List<Point> shownMap = List.of();

    ServoPane(Session session, TuneWork.At at) {
        super(at);
        this.session = session;
        hold = toggle("tune-hold", "tune.servo.hold", () -> change(draft().released(Optional.empty())));
        release = toggle("tune-release-on", "tune.servo.release", this::takeRelease);
        VBox ends = sheet("tune.servo.ends", "tune.servo.ends.how", scale, steps(), said(), figures());
        VBox map = sheet("tune.servo.map", "tune.servo.map.how", curve, formula, resolution, corners);
        VBox.setVgrow(curve, Priority.ALWAYS);
        VBox go = sheet("tune.servo.places", "", places, addPlace(), after(), moves(), give);
        Ui.show(give, !session.tune().otherServos(at).isEmpty());
        curve.onMoved(this::moveCorner);
        getChildren().addAll(ends, twoSheets(map, go));
        show();
    }

    private ServoDraft draft() {
        return session.tune().servo(at()).orElseThrow();
    }

    private void change(ServoDraft next) {
        say("");
        session.tune().servo(at(), next);
    }

    // --- ends

    private Node steps() {
        WrapRow row = new WrapRow(6);
        row.setAlignment(Pos.CENTER_LEFT);
        Tile stopped = Ui.pill("tune-stopped", Words.get("tune.servo.stopped"), this::stopped);
        stopped.getStyleClass().add("pill-main");
        row.getChildren()
                .addAll(
                        Ui.pill("tune-less", Words.get("tune.servo.less"), () -> change(draft().stepped(-1))),
                        Ui.pill("tune-more", Words.get("tune.servo.more"), () -> change(draft().stepped(1))),
                        Ui.pill("tune-finer-less", Words.get("tune.servo.finer_less"), () -> fine(-1)),
                        Ui.pill("tune-finer-more", Words.get("tune.servo.finer_more"), () -> fine(1)),
                        stopped,
                        Ui.pill("tune-centre", Words.get("tune.servo.centre_here"), () -> change(draft().centred())),
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
        ServoDraft draft = draft();
        change(draft.to(draft.now() + direction * draft.rig().step()));
    }

    private void goMiddle() {
        ServoDraft draft = draft();
        change(draft.to(draft.middle().orElse(draft.rig().middle())));
    }

    /** @param isFine one step of the drive alone */
    void step(int direction, boolean isFine) {
        if (isFine) {
            fine(direction);
        } else {
            change(draft().stepped(direction));
        }
    }

    void stopped() {
        ServoDraft draft = draft();
        if (draft.stopped().equals(draft)) {
            say(Words.get("tune.servo.step_first"));
        } else {
            change(draft.stopped());
        }
    }

    private void drag(double pulse) {
        change(draft().to(pulse));
    }

    // --- figures

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
        row.getChildren()
                .addAll(
                        named("tune.servo.angles", "°", lowAngle, highAngle),
                        named("tune.servo.stop", "", stop),
                        named("tune.servo.rate", "Hz", rate));
        return new VBox(8, row, tryDead);
    }

    private void tried(boolean moved) {
        change(draft().triedDead(moved));
    }

    private void takeAngles() {
        OptionalDouble low = number(lowAngle.getText());
        OptionalDouble high = number(highAngle.getText());
        if (low.isEmpty() || high.isEmpty() || high.getAsDouble() - low.getAsDouble() < 1) {
            say(Words.get("tune.servo.angles.bad"));
        } else {
            change(draft().angles(low.getAsDouble(), high.getAsDouble()));
        }
    }

    private void takeStop() {
        Optional<Double> amperes = amount(stop.getText(), Unit.AMPERE);
        if (stop.getText().isBlank()) {
            change(draft().stop(Optional.empty()));
        } else if (amperes.filter(value -> value > 0 && value < 100).isEmpty()) {
            say(Words.get("tune.servo.stop.bad"));
        } else {
            change(draft().stop(amperes));
        }
    }

    private void takeRate() {
        Optional<Double> hertz = amount(rate.getText(), Unit.HERTZ);
        if (rate.getText().isBlank()) {
            change(draft().frequency(Optional.empty()));
        } else if (hertz.filter(value -> value >= 20 && value <= 1000).isEmpty()) {
            say(Words.get("tune.servo.rate.bad"));
        } else {
            change(draft().frequency(hertz));
        }
    }

    // --- the map

    private void moveCorner(int corner, Point to) {
        List<Point> map = new ArrayList<>(draft().map());
        double least = corner == 0 ? 0 : map.get(corner - 1).x() + 1;
        double most = corner == map.size() - 1 ? MOST_CODE : map.get(corner + 1).x() - 1;
        double code = Math.max(least, Math.min(most, Math.rint(to.x())));
        map.set(corner, new Point(code, draft().rig().nearest(to.y())));
        change(draft().mapped(map));
    }

    private void addCorner() {
        List<Point> map = new ArrayList<>(draft().map());
        int widest = IntStream.range(0, map.size() - 1)
                .boxed()
                .max((one, other) -> Double.compare(
                        map.get(one + 1).x() - map.get(one).x(),
                        map.get(other + 1).x() - map.get(other).x()))
                .orElse(0);
        double code = Math.rint((map.get(widest).x() + map.get(widest + 1).x()) / 2);
        if (code > map.get(widest).x() && code < map.get(widest + 1).x()) {
            map.add(widest + 1, new Point(code, draft().mappedTo(code)));
            change(draft().mapped(map));
        }
    }

    private void takeCorner(int corner, String code, String pulse) {
        OptionalDouble x = number(code);
        OptionalDouble y = number(pulse);
        List<Point> map = new ArrayList<>(draft().map());
        boolean isBetween = x.isPresent()
                && (corner == 0 || x.getAsDouble() > map.get(corner - 1).x())
                && (corner == map.size() - 1
                        || x.getAsDouble() < map.get(corner + 1).x())
                && x.getAsDouble() >= 0
                && x.getAsDouble() <= MOST_CODE;
        if (!isBetween) {
            say(Words.get("tune.servo.corner.bad"));
        } else if (y.isEmpty() || !isPulse(y.getAsDouble() * MICRO)) {
            say(pulseBad());
        } else {
            map.set(corner, new Point(x.getAsDouble(), y.getAsDouble() * MICRO));
            change(draft().mapped(map));
        }
    }

    private boolean isPulse(double pulse) {
        ServoRig rig = draft().rig();
        return pulse >= rig.shortest() - 200 * MICRO && pulse <= rig.longest() + 200 * MICRO;
    }

    private String pulseBad() {
        ServoRig rig = draft().rig();
        return Words.say(Fact.of("tune.servo.pulse.bad")
                .with("low", Math.round(rig.shortest() / MICRO) - 200)
                .with("high", Math.round(rig.longest() / MICRO) + 200));
    }

    private void showCorners(ServoDraft draft) {
        if (draft.map().equals(shownMap)) {
            return;
        }
        shownMap = draft.map();
        corners.getChildren().clear();
        for (int i = 0; i < draft.map().size(); i++) {
            int corner = i;
            Point point = draft.map().get(i);
            TextField code = field("tune-corner-code-" + i, FIELD);
            TextField pulse = field("tune-corner-pulse-" + i, FIELD);
            code.setText(plain(point.x()));
            pulse.setText(plain(point.y() / MICRO));
            code.setOnAction(event -> takeCorner(corner, code.getText(), pulse.getText()));
            pulse.setOnAction(event -> takeCorner(corner, code.getText(), pulse.getText()));
            HBox row = new HBox(8, Ui.word(Words.get("tune.servo.code"), "quiet"), code, Ui.word("→", "quiet"), pulse);
            row.getChildren().add(Ui.word("µs", "quiet"));
            row.setAlignment(Pos.CENTER_LEFT);
            if (draft.map().size() > 2) {
                row.getChildren().add(Ui.textButton("tune-corner-out-" + i, Words.get("tune.take_out"), () -> {
                    List<Point> map = new ArrayList<>(draft().map());
                    map.remove(corner);
                    change(draft().mapped(map));
                }));
            }
            corners.getChildren().add(row);
        }
        corners.getChildren().add(Ui.textButton("tune-corner-add", Words.get("tune.servo.corner"), this::addCorner));
    }

    // --- places and moves

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
            say(Words.get("tune.servo.place.bad"));
            return;
        }
        placeName.clear();
        change(draft().place(name, draft().now()));
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
                    Ui.textButton("tune-go-" + name, Words.get("tune.servo.go"), () -> change(draft().to(pulse))),
                    Ui.textButton("tune-out-" + name, Words.get("tune.take_out"), () -> change(draft().without(name))));
            row.setAlignment(Pos.CENTER_LEFT);
            places.getChildren().add(row);
        });
        if (draft.places().isEmpty()) {
            places.getChildren().add(Ui.text(Words.get("tune.servo.place.none"), "quiet"));
        }
    }

    private Node after() {
        releaseTime.setOnAction(event -> takeRelease());
        WrapRow row = new WrapRow(8);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getChildren().addAll(hold, release, releaseTime);
        released.setMinWidth(0);
        return new VBox(6, Ui.word(Words.get("tune.servo.after"), "section"), row, released);
    }

    private void takeRelease() {
        Optional<Double> seconds = amount(releaseTime.getText().isBlank() ? "0.4" : releaseTime.getText(), Unit.SECOND);
        if (seconds.filter(value -> value > 0 && value <= 60).isEmpty()) {
            say(Words.get("tune.servo.release.bad"));
        } else {
            change(draft().released(seconds));
        }
    }

    private Node moves() {
        move.setOnAction(event -> takeMove());
        WrapRow row = new WrapRow(8);
        row.setAlignment(Pos.CENTER_LEFT);
        fastest.setMinWidth(0);
        row.getChildren().addAll(Ui.word(Words.get("tune.servo.move"), "quiet"), move);
        return new VBox(4, row, fastest);
    }

    /** What is alike of several servos is given on; what differs from piece to piece is not. */
    private void openOthers() {
        ContextMenu menu = new ContextMenu();
        session.tune().otherServos(at()).forEach(other -> {
            MenuItem item = new MenuItem(other.part().name());
            item.setOnAction(event -> session.tune().giveTo(at(), other));
            menu.getItems().add(item);
        });
        menu.show(give, Side.BOTTOM, 0, 2);
    }

    private void takeMove() {
        Optional<Double> seconds = amount(move.getText(), Unit.SECOND);
        if (seconds.filter(value -> value >= 0.02 && value <= 600).isEmpty()) {
            say(Words.get("tune.servo.move.bad"));
        } else {
            change(draft().moving(seconds.get()));
        }
    }

    // --- showing

    @Override
    void show() {
        Optional<ServoDraft> found = session.tune().servo(at());
        if (found.isEmpty()) {
            return;
        }
        ServoDraft draft = found.get();
        scale.show(draft);
        now.setText(ServoWords.micros(draft.now()));
        ways.setText(ServoWords.ways(draft, draft.now()));
        did.setText(did(draft));
        dead.setText(draft.dead()
                .map(band -> Words.say(Fact.of("tune.servo.dead.found").with("band", ServoWords.micros(band))))
                .orElseGet(() ->
                        Words.say(Fact.of("tune.servo.dead.try").with("step", ServoWords.micros(draft.nextDead())))));
        fill(lowAngle, plain(draft.lowAngle()));
        fill(highAngle, plain(draft.highAngle()));
        fill(
                stop,
                draft.stop()
                        .map(value -> Engineering.print(Current.ofAmperes(value)))
                        .orElse(""));
        fill(rate, draft.frequency().map(ServoPane::plain).orElse(""));
        showMap(draft);
        showCorners(draft);
        showPlaces(draft);
        hold.setSelected(draft.release().isEmpty());
        release.setSelected(draft.release().isPresent());
        fill(releaseTime, draft.release().map(value -> plain(value) + " s").orElse(""));
        released.setText(Words.get(draft.release().isPresent() ? "tune.servo.released" : "tune.servo.held"));
        fill(move, plain(draft.moveTime()) + " s");
        fastest.setText(Words.say(Fact.of("tune.servo.fastest").with("step", ServoWords.micros(draft.fastestFrame()))));
    }

    private void showMap(ServoDraft draft) {
        List<Point> map = draft.map();
        double least = Math.min(draft.rig().shortest(), draft.low());
        double most = Math.max(draft.rig().longest(), draft.high());
        curve.range(0, Math.max(1023, map.get(map.size() - 1).x()), least, most);
        List<Double> limits = new ArrayList<>();
        draft.ends().low().ifPresent(end -> limits.add(end.value()));
        draft.ends().high().ifPresent(end -> limits.add(end.value()));
        curve.show(map, map, List.of(), limits);
        formula.setText(
                String.format(Locale.ROOT, "µs = %.1f + %.4f · code", draft.offset() / MICRO, draft.slope() / MICRO));
        resolution.setText(
                Words.say(Fact.of(draft.isInputCoarser() ? "tune.servo.input_coarser" : "tune.servo.drive_coarser")
                        .with("angle", String.format(Locale.ROOT, "%.2f", Math.abs(draft.perCode() / draft.degree())))
                        .with("step", ServoWords.micros(draft.rig().step()))));
    }

    private String did(ServoDraft draft) {
        Optional<String> practised = session.tune()
                .did()
                .map(seen -> seen.hums()
                        ? Words.say(Fact.of("tune.servo.hums").with("current", Current.ofAmperes(seen.amperes())))
                        : Words.get(seen.moved() ? "tune.servo.moved" : "tune.servo.still"));
        boolean isSent = session.tune().isCommanded(draft);
        return practised.orElseGet(() -> session.practice().isOn()
                ? Words.get("tune.servo.begin")
                : Words.say(Fact.of(isSent ? "tune.servo.sent" : "tune.servo.command")
                        .with("pulse", ServoWords.micros(draft.now()))));
    }

    private static String micros(double seconds) {
        return String.valueOf(Math.round(seconds / MICRO));
    }
}
