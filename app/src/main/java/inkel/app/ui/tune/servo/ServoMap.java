package inkel.app.ui.tune.servo;

import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.app.ui.tune.bench.CurveBox;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.document.Tuning.Point;
import inkel.core.quantity.Fact;
import inkel.core.tune.servo.ServoDraft;
import inkel.core.tune.servo.ServoRig;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import javafx.geometry.Pos;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The map of a servo from an input to its pulses. */
final class ServoMap {
    private static final double FIELD = 62;
    private static final double MICRO = 1e-6;
    private static final double MOST_CODE = 65_535;

    private final ServoDesk desk;
    private final VBox sheet;
    private final CurveBox curve = new CurveBox(
            Words.get("tune.servo.input"), "µs", value -> String.valueOf(Math.round(value)), ServoMap::micros);
    private final Caption formula = Ui.text("", "tune-formula");
    private final Caption resolution = Ui.text("", "quiet");
    private final VBox corners = new VBox(4);
    private List<Point> shownMap = List.of();

    ServoMap(ServoDesk desk) {
        this.desk = desk;
        sheet = BenchPane.sheet("tune.servo.map", "tune.servo.map.how", curve, formula, resolution, corners);
        VBox.setVgrow(curve, Priority.ALWAYS);
        curve.onMoved(this::moveCorner);
    }

    VBox sheet() {
        return sheet;
    }

    private void moveCorner(int corner, Point to) {
        List<Point> map = new ArrayList<>(desk.draft().map());
        double least = corner == 0 ? 0 : map.get(corner - 1).x() + 1;
        double most = corner == map.size() - 1 ? MOST_CODE : map.get(corner + 1).x() - 1;
        double code = Math.max(least, Math.min(most, Math.rint(to.x())));
        map.set(corner, new Point(code, desk.draft().rig().nearest(to.y())));
        desk.change(desk.draft().mapped(map));
    }

    private void addCorner() {
        List<Point> map = new ArrayList<>(desk.draft().map());
        int widest = IntStream.range(0, map.size() - 1)
                .boxed()
                .max((one, other) -> Double.compare(
                        map.get(one + 1).x() - map.get(one).x(),
                        map.get(other + 1).x() - map.get(other).x()))
                .orElse(0);
        double code = Math.rint((map.get(widest).x() + map.get(widest + 1).x()) / 2);
        if (code > map.get(widest).x() && code < map.get(widest + 1).x()) {
            map.add(widest + 1, new Point(code, desk.draft().mappedTo(code)));
            desk.change(desk.draft().mapped(map));
        }
    }

    private void takeCorner(int corner, String code, String pulse) {
        OptionalDouble x = BenchPane.number(code);
        OptionalDouble y = BenchPane.number(pulse);
        List<Point> map = new ArrayList<>(desk.draft().map());
        boolean isBetween = x.isPresent()
                && (corner == 0 || x.getAsDouble() > map.get(corner - 1).x())
                && (corner == map.size() - 1
                        || x.getAsDouble() < map.get(corner + 1).x())
                && x.getAsDouble() >= 0
                && x.getAsDouble() <= MOST_CODE;
        if (!isBetween) {
            desk.say(Words.get("tune.servo.corner.bad"));
        } else if (y.isEmpty() || !isPulse(y.getAsDouble() * MICRO)) {
            desk.say(pulseBad());
        } else {
            map.set(corner, new Point(x.getAsDouble(), y.getAsDouble() * MICRO));
            desk.change(desk.draft().mapped(map));
        }
    }

    private boolean isPulse(double pulse) {
        ServoRig rig = desk.draft().rig();
        return pulse >= rig.least() && pulse <= rig.most();
    }

    private String pulseBad() {
        ServoRig rig = desk.draft().rig();
        return Words.say(
                Fact.of("tune.servo.pulse.bad").with("low", micros(rig.least())).with("high", micros(rig.most())));
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
            TextField code = BenchPane.field("tune-corner-code-" + i, FIELD);
            TextField pulse = BenchPane.field("tune-corner-pulse-" + i, FIELD);
            code.setAccessibleText(Words.get("tune.servo.code"));
            pulse.setAccessibleText(Words.get("tune.servo.pulse_of_code"));
            code.setText(BenchPane.plain(point.x()));
            pulse.setText(BenchPane.plain(point.y() / MICRO));
            code.setOnAction(event -> takeCorner(corner, code.getText(), pulse.getText()));
            pulse.setOnAction(event -> takeCorner(corner, code.getText(), pulse.getText()));
            HBox row = new HBox(8, Ui.word(Words.get("tune.servo.code"), "quiet"), code, Ui.word("→", "quiet"), pulse);
            row.getChildren().add(Ui.word("µs", "quiet"));
            row.setAlignment(Pos.CENTER_LEFT);
            if (draft.map().size() > 2) {
                row.getChildren().add(Ui.textButton("tune-corner-out-" + i, Words.get("tune.take_out"), () -> {
                    List<Point> map = new ArrayList<>(desk.draft().map());
                    map.remove(corner);
                    desk.change(desk.draft().mapped(map));
                }));
            }
            corners.getChildren().add(row);
        }
        corners.getChildren().add(Ui.textButton("tune-corner-add", Words.get("tune.servo.corner"), this::addCorner));
    }

    void show(ServoDraft draft) {
        showMap(draft);
        showCorners(draft);
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
        formula.setText("µs = " + Numbers.fixed(draft.offset() / MICRO, 1) + " + "
                + Numbers.fixed(draft.slope() / MICRO, 4) + " · code");
        resolution.setText(
                Words.say(Fact.of(draft.isInputCoarser() ? "tune.servo.input_coarser" : "tune.servo.drive_coarser")
                        .with("angle", Numbers.fixed(draft.anglePerCode(), 2))
                        .with("step", ServoWords.micros(draft.rig().step()))));
    }

    private static String micros(double seconds) {
        return String.valueOf(Math.round(seconds / MICRO));
    }
}
