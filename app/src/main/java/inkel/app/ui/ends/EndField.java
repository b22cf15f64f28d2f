package inkel.app.ui.ends;

import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.quantity.Fact;
import inkel.core.wiring.EndPicture;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.geometry.Point2D;
import javafx.geometry.VPos;
import javafx.scene.layout.Region;
import javafx.scene.text.Text;

/** One end of a wire: the pins around it as a finger finds them, or the row of a breadboard. */
final class EndField extends Region {
    private static final double VIEW_TOP = 22;
    private static final double NAME_HIGH = 17;

    private static final PseudoClass TARGET = PseudoClass.getPseudoClass("target");
    private static final double MOST_STEP = 50;
    private static final double HOLE = 18;
    private static final double NAME_GAP = 8;
    private static final double END_LINE = 18;
    private static final int ROW_HOLES = 5;

    private final Optional<EndPicture> picture;
    private final Line title;
    private final Text view;
    private final Line start;
    private final Line end;
    private final Region mark = Ui.region("end-mark");
    private final List<Drawn> drawn = new ArrayList<>();
    private final List<Region> row = new ArrayList<>();
    private double step = MOST_STEP;
    private double head;

    /** A hole with what is written at it. */
    private record Drawn(EndPicture.Hole hole, Region shape, Line name, Line count) {}

    /**
     * @param picture the pins of a part; empty for a row of a breadboard
     * @param title whose end it is
     * @param view how it lies, in words
     */
    EndField(Optional<EndPicture> picture, String title, String view) {
        this.picture = picture;
        this.title = new Line(title, "end-title");
        this.view = new Text(view);
        this.view.getStyleClass().add("end-view");
        this.view.setTextOrigin(VPos.TOP);
        start = new Line("", "end-view");
        end = new Line("", "end-view");
        getStyleClass().add("end-field");
        setMinSize(80, 120);
        getChildren().addAll(this.title, this.view, start, end);
        picture.ifPresent(shown -> {
            String way = shown.isAcross() ? "across" : "down";
            // "Start" is at the top or left, whichever end is counted from.
            int first = shown.isBackwards() ? shown.after() : shown.before();
            int last = shown.isBackwards() ? shown.before() : shown.after();
            start.say(
                    first == 0
                            ? ""
                            : Words.say(Fact.of("ends.more_start." + way).with("count", first)));
            end.say(last == 0 ? "" : Words.say(Fact.of("ends.more_end." + way).with("count", last)));
            if (shown.before() == 0) {
                getChildren().add(this.mark);
            }
            shown.holes().forEach(this::add);
        });
        if (picture.isEmpty()) {
            for (int i = 0; i < ROW_HOLES; i++) {
                Region hole = Ui.region("end-hole");
                hole.pseudoClassStateChanged(TARGET, i == ROW_HOLES / 2);
                row.add(hole);
            }
            getChildren().addAll(row);
        }
    }

    private void add(EndPicture.Hole hole) {
        Region shape = Ui.region("end-hole");
        Line name = new Line(hole.label(), "end-name");
        int number = hole.printed() > 0 ? hole.printed() : hole.place();
        Line count = new Line(String.valueOf(number), hole.printed() > 0 ? "end-printed" : "end-count");
        for (javafx.scene.Node part : List.of(shape, name, count)) {
            part.pseudoClassStateChanged(TARGET, hole.isTarget());
        }
        count.setVisible(hole.isInRow());
        drawn.add(new Drawn(hole, shape, name, count));
        getChildren().addAll(shape, name, count);
    }

    /** Where the wire ends, in this field's own measure. */
    Point2D target() {
        if (picture.isEmpty()) {
            return middle(row.get(ROW_HOLES / 2));
        }
        return drawn.stream()
                .filter(one -> one.hole().isTarget())
                .map(one -> middle(one.shape()))
                .findFirst()
                .orElse(Point2D.ZERO);
    }

    /** Where a wire from the other side meets it without lying on a name: beside its name, or beside it. */
    double reach(boolean isFromRight) {
        for (Drawn one : drawn) {
            if (one.hole().isTarget()) {
                boolean isNamedHere = isFromRight == (one.hole().side() == EndPicture.Side.RIGHT)
                        && (one.hole().side() == EndPicture.Side.RIGHT
                                || one.hole().side() == EndPicture.Side.LEFT);
                double edge = isFromRight
                        ? one.shape().getLayoutX() + HOLE
                        : one.shape().getLayoutX();
                boolean isCounted =
                        !isFromRight && one.count().isVisible() && one.hole().printed() == 0;
                Line beside = isCounted ? one.count() : one.name();
                double named = beside.getLayoutX() + (isFromRight ? beside.width() + NAME_GAP : -NAME_GAP);
                return isNamedHere || isCounted ? named : edge;
            }
        }
        Region hole = row.get(ROW_HOLES / 2);
        return isFromRight ? hole.getLayoutX() + HOLE : hole.getLayoutX();
    }

    /** Whether other holes lie in the way of a wire that comes from a side. */
    boolean isBlocked(boolean isFromRight) {
        if (picture.isEmpty() || isAcross()) {
            return true;
        }
        EndPicture.Hole wanted = picture.get().target();
        return picture.get().holes().stream()
                .anyMatch(hole -> Math.abs(hole.y() - wanted.y()) < 0.4
                        && (isFromRight ? hole.x() > wanted.x() + 0.1 : hole.x() < wanted.x() - 0.1));
    }

    /** Half a step below the wire's end, or below the names, where there is a free way. */
    double way() {
        return isAcross() ? below() + NAME_GAP : target().getY() + Math.max(step / 2, HOLE * 0.9);
    }

    /** Where a wire that goes down begins: at the hole, or below its name. */
    double below() {
        return isAcross() ? target().getY() + HOLE / 2 + NAME_HIGH + 3 : target().getY();
    }

    private boolean isAcross() {
        return picture.filter(EndPicture::isAcross).isPresent();
    }

    private static Point2D middle(Region shape) {
        return new Point2D(shape.getLayoutX() + HOLE / 2, shape.getLayoutY() + HOLE / 2);
    }

    @Override
    protected void layoutChildren() {
        double width = getWidth();
        title.place(0, 2, width);
        view.setWrappingWidth(width);
        view.relocate(0, VIEW_TOP);
        head = VIEW_TOP + view.getLayoutBounds().getHeight() + 6;
        if (picture.isPresent()) {
            pins(picture.get(), width);
        } else {
            double from = width / 2 - ROW_HOLES / 2.0 * (HOLE + 8);
            double y = head + END_LINE + (getHeight() - head - END_LINE) / 2 - HOLE;
            for (int i = 0; i < row.size(); i++) {
                row.get(i).resizeRelocate(from + i * (HOLE + 8), y, HOLE, HOLE);
            }
        }
    }

    private void pins(EndPicture shown, double width) {
        double left = 0;
        double right = 0;
        double count = 0;
        for (Drawn one : drawn) {
            left = one.hole().side() == EndPicture.Side.LEFT
                    ? Math.max(left, one.name().width())
                    : left;
            right = one.hole().side() == EndPicture.Side.RIGHT
                    ? Math.max(right, one.name().width())
                    : right;
            count = one.hole().printed() == 0 ? Math.max(count, one.count().width()) : count;
        }
        boolean isNumberedInside = drawn.stream().anyMatch(one -> one.hole().printed() > 0);
        double before = NAME_GAP + (left > 0 ? left : isNumberedInside ? 0 : count);
        double after = NAME_GAP + right;
        double room = width - before - after - HOLE;
        double high = getHeight() - head - 2 * END_LINE - HOLE - (shown.isAcross() ? 40 : 0);
        step = Math.max(
                HOLE + 2,
                Math.min(
                        MOST_STEP,
                        Math.min(
                                shown.width() > 0 ? room / shown.width() : MOST_STEP,
                                shown.height() > 0 ? high / shown.height() : MOST_STEP)));
        double x0 = before + Math.max(0, (room - shown.width() * step) / 2);
        double y0 = head + END_LINE + (shown.isAcross() ? 20 : 0) + Math.max(0, (high - shown.height() * step) / 2);
        for (Drawn one : drawn) {
            double x = x0 + one.hole().x() * step;
            double y = y0 + one.hole().y() * step;
            one.shape().resizeRelocate(x, y, HOLE, HOLE);
            name(one, x, y);
        }
        double bottom = y0 + shown.height() * step + HOLE;
        if (shown.isAcross()) {
            start.place(0, bottom + NAME_HIGH + 18, width);
            end.placeRight(width, bottom + NAME_HIGH + 18);
        } else {
            start.place(Math.max(0, Math.min(x0 - before, width - start.width())), y0 - END_LINE - 4, width);
            end.place(Math.max(0, Math.min(x0 - before, width - end.width())), bottom + 6, width);
        }
        mark(x0, y0);
    }

    private void name(Drawn one, double x, double y) {
        Line name = one.name();
        double beside = y + (HOLE - name.height()) / 2;
        switch (one.hole().side()) {
            case LEFT -> name.placeRight(x - NAME_GAP, beside);
            case RIGHT -> name.place(x + HOLE + NAME_GAP, beside, Double.MAX_VALUE);
            case ABOVE -> name.place(x + (HOLE - name.width()) / 2, y - name.height() - 3, Double.MAX_VALUE);
            case BELOW -> name.place(x + (HOLE - name.width()) / 2, y + HOLE + 3, Double.MAX_VALUE);
            case NONE -> name.setVisible(false);
        }
        Line count = one.count();
        if (one.hole().printed() > 0) {
            count.place(x + (HOLE - count.width()) / 2, y + (HOLE - count.height()) / 2, Double.MAX_VALUE);
        } else if (one.hole().side() == EndPicture.Side.RIGHT && isAlone(one)) {
            count.placeRight(x - NAME_GAP, y + (HOLE - count.height()) / 2);
        } else if (one.hole().side() == EndPicture.Side.BELOW && isAlone(one)) {
            count.place(x + (HOLE - count.width()) / 2, y - count.height() - 3, Double.MAX_VALUE);
        } else {
            count.setVisible(false);
        }
    }

    /** Whether no other row lies beside a hole's own, so that its count has the other side for itself. */
    private boolean isAlone(Drawn one) {
        boolean isAcross = picture.orElseThrow().isAcross();
        return drawn.stream()
                .allMatch(other -> isAcross
                        ? Math.abs(other.hole().y() - one.hole().y()) < 0.1
                        : Math.abs(other.hole().x() - one.hole().x()) < 0.1);
    }

    /** A corner at the first place, where that is shown. */
    private void mark(double x0, double y0) {
        drawn.stream()
                .filter(one -> one.hole().place() == 1 && one.hole().isInRow())
                .findFirst()
                .ifPresent(one -> mark.resizeRelocate(
                        x0 + one.hole().x() * step - 4, y0 + one.hole().y() * step - 5, HOLE * 0.6, HOLE * 0.6));
    }
}
