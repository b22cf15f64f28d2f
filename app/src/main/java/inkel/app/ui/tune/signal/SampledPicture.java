package inkel.app.ui.tune.signal;

import inkel.app.ui.kit.Ui;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.app.ui.tune.bench.CurveBox;
import inkel.app.words.NumberWords;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.catalog.BenchKind;
import inkel.core.document.Tuning.Point;
import inkel.core.quantity.Unit;
import inkel.core.tune.sample.Ask;
import inkel.core.tune.sample.Work;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The picture of what was read, and of what follows from it. */
final class SampledPicture extends VBox {
    /** Around the points, as a share of their range. */
    private static final double MARGIN = 0.08;

    private final BenchKind bench;

    SampledPicture(BenchKind bench) {
        this.bench = bench;
    }

    /** @param ask what is asked, which names the axes where there is more than one sort */
    void show(Work work, Ask ask) {
        Optional<Work.Picture> picture = work.picture();
        getChildren().clear();
        if (picture.isEmpty()) {
            getChildren().add(Ui.text(Words.get("tune.sampled.nothing"), "quiet"));
            return;
        }
        String axes = "tune.axis." + bench.text();
        CurveBox box = new CurveBox(
                axis(axes + ".x", ask, picture.get().across()),
                axis(axes + ".y", ask, picture.get().up()),
                value -> axisNumber(value, picture.get().across()),
                value -> axisNumber(value, picture.get().up()));
        VBox.setVgrow(box, Priority.ALWAYS);
        List<Point> all = new ArrayList<>(picture.get().dots());
        all.addAll(picture.get().line());
        double[] x = range(all, Point::x);
        double[] y = range(all, Point::y);
        box.range(x[0], x[1], y[0], y[1]);
        if (picture.get().isEven()) {
            box.even();
        }
        box.show(List.of(), picture.get().line(), picture.get().dots(), List.of());
        getChildren().add(box);
    }

    private static String axis(String key, Ask ask, Unit unit) {
        String sort = key + "." + ask.key();
        return (Words.get(Words.has(sort) ? sort : key) + " " + NumberWords.unit(unit)).strip();
    }

    private static String axisNumber(double value, Unit unit) {
        double shown = value / NumberWords.scale(unit);
        return Math.abs(shown) >= 1e5 ? Numbers.print(shown, Unit.ONE, 3).replace(" ", "") : BenchPane.plain(shown);
    }

    private static double[] range(List<Point> points, ToDoubleFunction<Point> of) {
        double least = points.stream().mapToDouble(of).min().orElse(0);
        double most = points.stream().mapToDouble(of).max().orElse(1);
        double span = most > least ? most - least : Math.max(1, Math.abs(most));
        return new double[] {least - MARGIN * span, most + MARGIN * span};
    }
}
