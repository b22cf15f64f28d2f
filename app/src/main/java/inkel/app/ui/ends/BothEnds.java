package inkel.app.ui.ends;

import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Ui;
import inkel.app.words.BetweenWords;
import inkel.app.words.SeatWords;
import inkel.app.words.WireWords;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.seats.Landing;
import inkel.core.seats.SeatPlan;
import inkel.core.wiring.EndPicture;
import inkel.core.wiring.EndPlace;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireStep;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import javafx.geometry.Point2D;
import javafx.scene.layout.Region;

/** Both ends of a wire as they lie on the table, with a thread from the one to the other and what is in it as a knot. */
public final class BothEnds extends Region {
    private static final double GAP = 56;
    private static final double THICK = 5;

    private final EndField left;
    private final EndField right;
    private final List<Region> threads = new ArrayList<>();
    private final Region knot = Ui.region("end-knot");
    private final Line inLine;

    /**
     * @param plan who sits where, when that is known
     * @param isTurned whether a part lies the other way up than it usually does, by its place's text
     */
    public BothEnds(
            Assessment assessment,
            NodeCircuit node,
            WireStep step,
            Optional<SeatPlan> plan,
            Predicate<EndPlace> isTurned) {
        WireWords words = new WireWords(node);
        Optional<SeatWords> seats = plan.map(SeatWords::new);
        left = field(assessment, node, words, step.from(), seats, seats.flatMap(said -> said.from(step)), isTurned);
        right = field(assessment, node, words, step.to(), seats, seats.flatMap(said -> said.to(step)), isTurned);
        for (int i = 0; i < 5; i++) {
            Region thread = new Region();
            thread.getStyleClass()
                    .addAll("end-thread", "swatch-" + step.colour().text());
            threads.add(thread);
        }
        String piece = step.inLine().map(BetweenWords::inLine).orElse("");
        String fitting = step.fitting().map(WireWords::small).orElse("");
        inLine = new Line(piece.isEmpty() ? fitting : piece, "end-in-line");
        getStyleClass().add("both-ends");
        setId("both-ends");
        setMinSize(0, 200);
        setAccessibleText(words.name(step.from()) + ", " + words.place(step.from()) + "; " + words.name(step.to())
                + ", " + words.place(step.to()));
        getChildren().addAll(threads);
        getChildren().addAll(left, right);
        if (!inLine.whole().isEmpty()) {
            getChildren().addAll(knot, inLine);
        }
    }

    static EndField field(
            Assessment assessment,
            NodeCircuit node,
            WireWords words,
            Terminal wanted,
            Optional<SeatWords> seats,
            Optional<Landing> landing,
            Predicate<EndPlace> isTurned) {
        Terminal terminal = landing.map(Landing::at).orElse(wanted);
        String hole = landing.map(found -> seats.orElseThrow().hole(found)).orElse("");
        Optional<EndPlace> place = EndPlace.of(assessment.reports().circuit(), node, terminal);
        boolean isOver =
                place.filter(found -> found.isPinsUp() ^ isTurned.test(found)).isPresent();
        Optional<EndPicture> picture =
                place.flatMap(found -> EndPicture.of(found.placed().cls(), found.index(), isOver));
        return new EndField(
                picture,
                words.owner(terminal),
                !hole.isEmpty()
                        ? hole
                        : place.map(found -> words.view(found, isOver)).orElseGet(() -> words.place(terminal)));
    }

    @Override
    protected void layoutChildren() {
        double each = (getWidth() - GAP) / 2;
        left.resizeRelocate(0, 0, each, getHeight());
        right.resizeRelocate(each + GAP, 0, each, getHeight());
        left.layout();
        right.layout();
        Point2D from = left.target();
        Point2D to = right.target().add(each + GAP, 0);
        double middle = each + GAP / 2;
        List<Point2D> way = new ArrayList<>();
        begin(way, left, from, true, 0);
        way.add(new Point2D(middle, last(way).getY()));
        List<Point2D> back = new ArrayList<>();
        begin(back, right, to, false, each + GAP);
        back.add(new Point2D(middle, last(back).getY()));
        for (int i = back.size() - 1; i >= 0; i--) {
            way.add(back.get(i));
        }
        for (int i = 0; i < threads.size(); i++) {
            boolean isUsed = i + 1 < way.size() && way.get(i).distance(way.get(i + 1)) > THICK / 2;
            threads.get(i).setVisible(isUsed);
            if (isUsed) {
                between(threads.get(i), way.get(i), way.get(i + 1));
            }
        }
        double knotWidth = inLine.width() + 16;
        double knotY =
                (way.get(way.size() / 2 - 1).getY() + way.get(way.size() / 2).getY()) / 2;
        knot.resizeRelocate(middle - knotWidth / 2, knotY - 13, knotWidth, 26);
        inLine.place(middle - inLine.width() / 2, knotY - inLine.height() / 2, Double.MAX_VALUE);
    }

    /** The first stretch: straight from beside the name, or down between the rows where others are in the way. */
    private static void begin(List<Point2D> way, EndField field, Point2D end, boolean isFromRight, double shift) {
        if (field.isBlocked(isFromRight)) {
            way.add(new Point2D(end.getX(), field.below()));
            way.add(new Point2D(end.getX(), field.way()));
        } else {
            way.add(new Point2D(field.reach(isFromRight) + shift, end.getY()));
        }
    }

    private static Point2D last(List<Point2D> way) {
        return way.get(way.size() - 1);
    }

    private static void between(Region thread, Point2D one, Point2D other) {
        double x = Math.min(one.getX(), other.getX());
        double y = Math.min(one.getY(), other.getY());
        thread.resizeRelocate(
                x - THICK / 2,
                y - THICK / 2,
                Math.abs(one.getX() - other.getX()) + THICK,
                Math.abs(one.getY() - other.getY()) + THICK);
    }
}
