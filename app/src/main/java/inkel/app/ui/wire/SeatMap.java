package inkel.app.ui.wire;

import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Ui;
import inkel.app.words.SeatWords;
import inkel.app.words.Words;
import inkel.core.catalog.Pin;
import inkel.core.document.SeatChoice;
import inkel.core.document.SeatChoice.Side;
import inkel.core.quantity.Fact;
import inkel.core.seats.HalfRow;
import inkel.core.seats.SeatPlan;
import inkel.core.wiring.Terminal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.geometry.Orientation;
import javafx.geometry.VPos;
import javafx.scene.layout.Region;
import javafx.scene.text.Text;

/**
 * The rows of one breadboard with the names of who sits there: two lanes, the left half above the right one, broken into as
 * many lines as the width wants.
 *
 * <p>Longer than other files: where a row is on the screen, and which row the pointer is at, follow the same measures.
 */
final class SeatMap extends Region {
    private static final PseudoClass GOOD = PseudoClass.getPseudoClass("good");
    private static final double LEAST_CELL = 23;
    private static final double MOST_CELL = 34;
    private static final double SIDE = 18;
    private static final double NUMBERS = 15;
    private static final double NAME = 15;
    private static final double NAMES = 2 * NAME;
    private static final double LANE = 50;
    private static final double GAP = 18;
    private static final double BETWEEN = 12;
    private static final double LINE = NUMBERS + NAMES + LANE + GAP + LANE + NAMES + BETWEEN;
    private static final int NUMBERED = 5;

    private final SeatPlan plan;
    private final SeatWords words;
    private final int board;
    private final Hand hand;
    private final List<Cell> cells = new ArrayList<>();
    private final List<Line> numbers = new ArrayList<>();
    private final List<Line> sides = new ArrayList<>();
    private final List<SeatBox> boxes = new ArrayList<>();
    private final Map<SeatBox, List<Text>> labels = new HashMap<>();
    private final Map<SeatBox, Line> names = new HashMap<>();
    private final Map<SeatBox, Region> rest = new HashMap<>();
    private final Region chosen = Ui.region("seat-chosen");
    private final List<Region> aim = List.of(Ui.region("seat-aim"), Ui.region("seat-aim"));
    private int perLine = 1;
    private double cell = LEAST_CELL;
    private Optional<HalfRow> row = Optional.empty();

    /** What a press or a drag does. */
    interface Hand {
        void row(HalfRow row);

        void choose(SeatPlan.Seat seat);

        /** While a seat is dragged over a place; empty where there is none. */
        void over(SeatPlan.Seat seat, Optional<SeatChoice> to);

        void drop(SeatPlan.Seat seat, Optional<SeatChoice> to);

        void key(SeatPlan.Seat seat, javafx.scene.input.KeyEvent event);
    }

    /** One half row. */
    private record Cell(HalfRow row, Region shape) {}

    SeatMap(SeatPlan plan, int board, Hand hand) {
        this.plan = plan;
        this.board = board;
        this.hand = hand;
        words = new SeatWords(plan);
        getStyleClass().add("seat-map");
        int rows = plan.kind().orElseThrow().rows();
        for (Side side : List.of(Side.LEFT, Side.RIGHT)) {
            for (int i = 1; i <= rows; i++) {
                HalfRow half = new HalfRow(board, side, i);
                Region shape = Ui.region("seat-cell");
                shape.setOnMouseClicked(event -> hand.row(half));
                cells.add(new Cell(half, shape));
                getChildren().add(shape);
            }
        }
        for (int i = 1; i <= rows; i++) {
            Line number = new Line(String.valueOf(i), "seat-number");
            number.setMouseTransparent(true);
            numbers.add(number);
            getChildren().add(number);
        }
        for (SeatPlan.Seat seat : plan.seats()) {
            if (seat.at().board() == board) {
                add(seat);
            }
        }
        chosen.setMouseTransparent(true);
        chosen.setVisible(false);
        getChildren().add(chosen);
        aim.forEach(mark -> {
            mark.setVisible(false);
            mark.setMouseTransparent(true);
            getChildren().add(mark);
        });
    }

    private void add(SeatPlan.Seat seat) {
        boolean isMeeting =
                seat.of().filter(Terminal.OnMeeting.class::isInstance).isPresent()
                        && seat.part().isEmpty()
                        && seat.legs().isEmpty();
        SeatBox box = new SeatBox(seat, this, hand, isMeeting ? "seat-meeting" : "seat-box");
        String name = words.name(seat);
        box.setAccessibleText(
                Words.say(Fact.of("seats.accessible").with("part", name).with("seat", words.seat(seat.at(), seat))));
        Ui.tip(box, name + ", " + words.seat(seat.at(), seat));
        boxes.add(box);
        Region behind = Ui.region(isMeeting ? "seat-meeting" : "seat-box");
        behind.getStyleClass().add("seat-rest");
        behind.setMouseTransparent(true);
        rest.put(box, behind);
        Line line = new Line(isMeeting ? "" : name, "seat-name");
        line.setMouseTransparent(true);
        names.put(box, line);
        List<Text> texts = new ArrayList<>();
        for (String label : labels(seat, isMeeting)) {
            Text text = new Text(label);
            text.getStyleClass().add("seat-pin");
            text.setTextOrigin(VPos.TOP);
            text.setRotate(-90);
            text.setMouseTransparent(true);
            texts.add(text);
        }
        labels.put(box, texts);
        getChildren().addAll(behind, box, line);
        getChildren().addAll(texts);
    }

    /** What is written at each leg. */
    private List<String> labels(SeatPlan.Seat seat, boolean isMeeting) {
        if (isMeeting) {
            Terminal of = ((Terminal.OnMeeting) seat.of().orElseThrow()).of();
            return List.of(of instanceof Terminal.OnPin pin ? pin.pin().pin() : "•");
        }
        if (seat.part().isEmpty()) {
            return seat.legs().stream()
                    .map(leg -> leg.end()
                            .filter(Terminal.OnLeg.class::isInstance)
                            .map(end -> ((Terminal.OnLeg) end).leg().name().substring(0, 1))
                            .orElse("B"))
                    .toList();
        }
        List<Pin> pins = plan.node().part(seat.part().get()).orElseThrow().cls().pins();
        return seat.legs().stream().map(leg -> pins.get(leg.pin()).label()).toList();
    }

    List<SeatBox> boxes() {
        return boxes;
    }

    /** Marks what is looked at. */
    void mark(Optional<String> seat, Optional<HalfRow> chosen) {
        row = chosen;
        boxes.forEach(
                box -> box.setSelected(seat.filter(box.seat().id()::equals).isPresent()));
        requestLayout();
    }

    /** Shows where a dragged seat would sit, and whether it can. */
    void aim(SeatPlan.Seat seat, Optional<SeatChoice> to, boolean isGood) {
        boolean isHere = to.filter(choice -> choice.board() == board).isPresent();
        aim.forEach(mark -> mark.setVisible(false));
        if (!isHere) {
            return;
        }
        SeatChoice choice = to.get();
        int last = choice.row() + seat.shape().span() - 1;
        int i = 0;
        for (int[] piece : pieces(choice.row(), last)) {
            if (i < aim.size()) {
                Region mark = aim.get(i++);
                mark.pseudoClassStateChanged(GOOD, isGood);
                double top = choice.side() == Side.RIGHT ? right(line(piece[0])) : left(line(piece[0]));
                double high = choice.side() == Side.ACROSS ? LANE + GAP + LANE : LANE;
                mark.resizeRelocate(x(piece[0]), top, (piece[1] - piece[0] + 1) * cell, high);
                mark.setVisible(true);
                mark.toFront();
            }
        }
    }

    /** The seat with its first row where a point is; empty beside all rows. */
    Optional<SeatChoice> at(SeatPlan.Seat seat, double px, double py, int grip) {
        int line = (int) Math.floor(py / LINE);
        int column = (int) Math.floor((px - SIDE) / cell);
        double within = py - line * LINE;
        int rows = plan.kind().orElseThrow().rows();
        int at = line * perLine + column + 1;
        if (line < 0 || column < 0 || column >= perLine || at < 1 || at > rows || within > LINE - BETWEEN / 2) {
            return Optional.empty();
        }
        Side side = seat.shape().isAcross()
                ? Side.ACROSS
                : within < NUMBERS + NAMES + LANE + GAP / 2 ? Side.LEFT : Side.RIGHT;
        int first = Math.max(1, Math.min(rows - seat.shape().span() + 1, at - grip));
        return Optional.of(new SeatChoice(board, side, first, seat.at().isTurned()));
    }

    /** How many rows behind a seat's first one a point is. */
    int grip(SeatPlan.Seat seat, double px, double py) {
        int line = (int) Math.floor(py / LINE);
        int at = line * perLine + (int) Math.floor((px - SIDE) / cell) + 1;
        return Math.max(0, Math.min(seat.shape().span() - 1, at - seat.at().row()));
    }

    // --- layout

    @Override
    public Orientation getContentBias() {
        return Orientation.HORIZONTAL;
    }

    private void measure(double width) {
        int rows = plan.kind().orElseThrow().rows();
        int most = Math.max(8, (int) Math.floor((width - SIDE) / LEAST_CELL));
        int lines = (rows + most - 1) / most;
        perLine = (rows + lines - 1) / lines;
        cell = Math.min(MOST_CELL, (width - SIDE) / perLine);
    }

    @Override
    protected double computePrefHeight(double width) {
        measure(width < 0 ? getWidth() : width);
        int rows = plan.kind().orElseThrow().rows();
        return (rows + perLine - 1) / perLine * LINE - BETWEEN;
    }

    @Override
    protected double computeMinHeight(double width) {
        return computePrefHeight(width);
    }

    @Override
    protected double computePrefWidth(double height) {
        return 600;
    }

    private int line(int row) {
        return (row - 1) / perLine;
    }

    private double x(int row) {
        return SIDE + (row - 1) % perLine * cell;
    }

    private static double left(int line) {
        return line * LINE + NUMBERS + NAMES;
    }

    private static double right(int line) {
        return left(line) + LANE + GAP;
    }

    /** A stretch of rows broken where lines end. */
    private List<int[]> pieces(int from, int to) {
        List<int[]> found = new ArrayList<>();
        int at = from;
        while (at <= to) {
            int end = Math.min(to, (line(at) + 1) * perLine);
            found.add(new int[] {at, end});
            at = end + 1;
        }
        return found;
    }

    @Override
    protected void layoutChildren() {
        measure(getWidth());
        for (Cell one : cells) {
            int at = one.row().row();
            double top = one.row().side() == Side.LEFT ? left(line(at)) : right(line(at));
            one.shape().resizeRelocate(x(at), top, cell, LANE);
        }
        for (int i = 0; i < numbers.size(); i++) {
            int at = i + 1;
            Line number = numbers.get(i);
            number.setVisible(at == 1 || at % NUMBERED == 0 || (at - 1) % perLine == 0 && at % NUMBERED != 1);
            number.place(x(at) + (cell - number.width()) / 2, line(at) * LINE, Double.MAX_VALUE);
        }
        sides();
        boxes.forEach(this::place);
        names();
        chosen.setVisible(row.filter(found -> found.board() == board).isPresent());
        row.filter(found -> found.board() == board).ifPresent(found -> {
            double top = found.side() == Side.LEFT ? left(line(found.row())) : right(line(found.row()));
            chosen.resizeRelocate(x(found.row()) - 1, top - 1, cell + 2, LANE + 2);
            chosen.toFront();
        });
        aim.forEach(Region::toFront);
    }

    private void sides() {
        int lines = (plan.kind().orElseThrow().rows() + perLine - 1) / perLine;
        while (sides.size() < lines * 2) {
            Line side =
                    new Line(Words.get(sides.size() % 2 == 0 ? "seats.left_short" : "seats.right_short"), "seat-side");
            sides.add(side);
            getChildren().add(side);
        }
        for (int i = 0; i < sides.size(); i++) {
            boolean isThere = i < lines * 2;
            sides.get(i).setVisible(isThere);
            double top = i % 2 == 0 ? left(i / 2) : right(i / 2);
            sides.get(i).place(0, top + LANE / 2 - 8, SIDE);
        }
    }

    private void place(SeatBox box) {
        SeatPlan.Seat seat = box.seat();
        Side side = seat.at().side();
        List<int[]> pieces = pieces(seat.from(), seat.to());
        double high = side == Side.ACROSS ? LANE + GAP + LANE : LANE;
        int[] first = pieces.get(0);
        double top = side == Side.RIGHT ? right(line(first[0])) : left(line(first[0]));
        box.resizeRelocate(x(first[0]), top, (first[1] - first[0] + 1) * cell, high);
        Region behind = rest.get(box);
        behind.setVisible(pieces.size() > 1);
        if (pieces.size() > 1) {
            int[] second = pieces.get(1);
            double below = side == Side.RIGHT ? right(line(second[0])) : left(line(second[0]));
            behind.resizeRelocate(x(second[0]), below, (second[1] - second[0] + 1) * cell, high);
        }
        List<Text> texts = labels.get(box);
        List<HalfRow> legs = legRows(seat);
        for (int i = 0; i < texts.size(); i++) {
            HalfRow leg = legs.get(i);
            Text text = texts.get(i);
            fit(text);
            double laneTop = leg.side() == Side.LEFT ? left(line(leg.row())) : right(line(leg.row()));
            double width = text.getLayoutBounds().getWidth();
            double height = text.getLayoutBounds().getHeight();
            text.relocate(x(leg.row()) + (cell - width) / 2, laneTop + (LANE - height) / 2);
        }
    }

    /** A label longer than the lane is high is shortened. */
    private static void fit(Text text) {
        String all = text.getText();
        while (text.getLayoutBounds().getWidth() > LANE - 4 && all.length() > 2) {
            all = all.substring(0, all.length() - 1);
            text.setText(all + "…");
        }
    }

    private List<HalfRow> legRows(SeatPlan.Seat seat) {
        return seat.legs().isEmpty()
                ? List.of(new HalfRow(board, seat.at().side(), seat.at().row()))
                : seat.legs().stream().map(leg -> leg.hole().halfRow()).toList();
    }

    /** Names of a half stand on two levels, where they do not meet; those in the gap end where the next one begins. */
    private void names() {
        double end = SIDE + perLine * cell;
        for (Side side : Side.values()) {
            List<SeatBox> lane = boxes.stream()
                    .filter(box -> box.seat().at().side() == side
                            && !names.get(box).whole().isEmpty())
                    .sorted(Comparator.comparing(box -> box.seat().from()))
                    .toList();
            double[] ends = new double[2];
            int last = -1;
            for (int i = 0; i < lane.size(); i++) {
                int line = line(lane.get(i).seat().from());
                double start = x(lane.get(i).seat().from()) + 2;
                Line name = names.get(lane.get(i));
                if (line != last) {
                    Arrays.fill(ends, 0);
                    last = line;
                }
                boolean hasNext =
                        i + 1 < lane.size() && line(lane.get(i + 1).seat().from()) == line;
                if (side == Side.ACROSS) {
                    double next = hasNext ? x(lane.get(i + 1).seat().from()) - 4 : end;
                    name.place(start + 2, y(side, line, 0), Math.max(cell, next - start));
                } else {
                    int level = ends[0] <= start || ends[0] <= ends[1] ? 0 : 1;
                    double from = Math.max(start, ends[level]);
                    name.place(from, y(side, line, level), Math.max(cell, end - from));
                    ends[level] = from + name.width() + 6;
                }
            }
        }
    }

    private static double y(Side side, int line, int level) {
        return switch (side) {
            case LEFT -> left(line) - (level + 1) * NAME;
            case ACROSS -> left(line) + LANE + 1;
            case RIGHT -> right(line) + LANE + 1 + level * NAME;
        };
    }
}
