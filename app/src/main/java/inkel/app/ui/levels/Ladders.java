package inkel.app.ui.levels;

import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.TextSize;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.levels.LadderModel.Listener;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.formula.Verdict;
import java.util.Locale;
import java.util.stream.Stream;
import javafx.scene.layout.Region;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.text.TextAlignment;

/** What one side says beside what the others hear, on one scale of volts, with the gap marked. */
public final class Ladders extends Region {
    private static final double AXIS = 46;
    private static final double TOP = 62;
    private static final double FOOT = 30;
    private static final double LINE = 17;
    private static final double MOST_BAR = 84;
    private static final double LEAST_MARK = 4;
    private static final double LEAST_GAP = 56;

    private double head;
    private double foot = FOOT;

    /** Where the words end that tell what is said, just above it. */
    private double saidEnd;

    private LadderModel model;

    public Ladders() {
        getStyleClass().add("ladders");
        setId("ladders");
        setMinSize(0, 200);
    }

    /** @param shown null shows nothing */
    public void show(LadderModel shown) {
        model = shown;
        build();
    }

    private void build() {
        getChildren().clear();
        if (model != null && getWidth() > 0) {
            draw();
        }
    }

    @Override
    protected void setWidth(double width) {
        super.setWidth(width);
        build();
    }

    @Override
    protected void setHeight(double height) {
        super.setHeight(height);
        build();
    }

    private double y(double volts) {
        double room = getHeight() - TOP - head - foot;
        return TOP + head + room * (1 - volts / model.topVolts());
    }

    /** One line more above or below where a name or a verdict needs two in its column. */
    private void makeRoom(double column) {
        Stream<String> names = Stream.concat(
                Stream.of(model.driver()),
                Stream.concat(
                        model.step().stream().map(LadderModel.Step::name),
                        model.listeners().stream().map(Listener::name)));
        head = names.anyMatch(name -> isWide(name, column - 8, "ladder-heading")) ? LINE : 0;
        boolean isFootWide = model.step()
                        .flatMap(LadderModel.Step::hears)
                        .filter(verdict -> isWide(stepHears(verdict), column - 4, "ladder-gap-text"))
                        .isPresent()
                || model.listeners().stream()
                        .anyMatch(listener -> isWide(
                                word(listener.verdict()) + ", " + listener.gap(), column - 4, "ladder-gap-text"));
        foot = FOOT + (isFootWide ? LINE : 0);
    }

    private boolean isWide(String words, double room, String style) {
        Line line = new Line(words, style);
        getChildren().add(line);
        line.applyCss();
        boolean isWide = TextSize.width(words, line.getFont()) > room;
        getChildren().remove(line);
        return isWide;
    }

    private static String stepHears(Verdict verdict) {
        return Words.get("levels.step_hears", "verdict", word(verdict));
    }

    private void draw() {
        int columns = model.listeners().size() + (model.step().isPresent() ? 2 : 1);
        double column = (getWidth() - AXIS - 8) / columns;
        makeRoom(column);
        for (int volts = 0; volts <= model.topVolts(); volts++) {
            line("ladder-rung", AXIS, y(volts), getWidth() - 8, y(volts));
            text(volts + " V", AXIS - 40, y(volts) - 8, 36, "ladder-volt");
        }
        int before = model.step().isPresent() ? 2 : 1;
        double bar = Math.min(MOST_BAR, column * 0.42);
        double left = AXIS + column / 2 - bar / 2;
        heading(model.driver(), Words.get("levels.says"), AXIS, column);
        mark("says", left, bar, model.highTo(), model.highFrom());
        mark("says", left, bar, model.lowTo(), 0);
        String high = range(model.highFrom(), model.highTo());
        String said = Words.get(model.isMeasured() ? "levels.measured" : "levels.says_high", "volts", high);
        saidEnd = centred(
                isWide(said, column - 4, "small") ? high : said, AXIS, AXIS + column, y(model.highTo()) - 18, "small");
        double sayingEnd = left + bar;
        if (model.step().isPresent()) {
            step(model.step().get(), left + bar, AXIS + column, column, bar);
            sayingEnd = left + column + bar;
        }
        for (int i = 0; i < model.listeners().size(); i++) {
            listener(model.listeners().get(i), AXIS + column * (i + before), column, bar, i == 0 ? sayingEnd : -1);
        }
    }

    /** What stands in the wire: its levels, and the stairs that lead to them from what the driver says. */
    private void step(LadderModel.Step step, double saysEnd, double left, double column, double bar) {
        double at = left + column / 2 - bar / 2;
        heading(step.name(), Words.get("levels.between"), left, column);
        mark("passes", at, bar, step.highTo(), step.highFrom());
        mark("passes", at, bar, step.lowTo(), 0);
        line("ladder-step", saysEnd, y(model.highTo()), (saysEnd + at) / 2, y(model.highTo()));
        line("ladder-step", (saysEnd + at) / 2, y(model.highTo()), (saysEnd + at) / 2, y(step.ofHigh()));
        line("ladder-step", (saysEnd + at) / 2, y(step.ofHigh()), at, y(step.ofHigh()));
        saidEnd = centred(range(step.highFrom(), step.highTo()), left, left + column, y(step.highTo()) - 18, "small");
        step.hears()
                .ifPresent(verdict -> wrapped(
                        stepHears(verdict),
                        left,
                        left + column,
                        getHeight() - foot + 6,
                        "ladder-gap-text",
                        tone(verdict)));
    }

    private static String word(Verdict verdict) {
        return Words.get("verdict." + verdict.name().toLowerCase(Locale.ROOT));
    }

    private static String range(double lowest, double highest) {
        String from = volts(lowest);
        String to = volts(highest);
        return from.equals(to) ? from + " V" : from + " – " + to + " V";
    }

    private static String volts(double value) {
        return Numbers.fixed(value, 2);
    }

    /** @param saysEnd where the driver's bar ends, for the gap; below zero to leave that out */
    private void listener(Listener listener, double left, double column, double bar, double saysEnd) {
        double at = left + column / 2 - bar / 2;
        boolean isThrough = !listener.between().isEmpty() && model.step().isEmpty();
        heading(
                listener.name(),
                isThrough ? Words.get("levels.hears_through", "what", listener.between()) : Words.get("levels.hears"),
                left,
                column);
        double limit = Math.min(listener.limit(), model.topVolts());
        boolean isOnScale = limit == listener.limit();
        zone("zone-high", at, bar, limit, listener.readsHighAbove(), Words.get("levels.zone.high"));
        zone(
                "zone-either",
                at,
                bar,
                listener.readsHighAbove(),
                listener.readsLowBelow(),
                Words.get("levels.zone.either"));
        zone("zone-low", at, bar, listener.readsLowBelow(), 0, Words.get("levels.zone.low"));
        if (isOnScale) {
            line("ladder-limit", at - 8, y(limit), at + bar + 8, y(limit));
        }
        centred(
                isOnScale ? listener.limitWords() : Words.get("levels.beyond", "limit", listener.limitWords()),
                left,
                left + column,
                y(limit) - 19,
                "ladder-limit-text");
        listener.recommended()
                .filter(volts -> volts < limit)
                .ifPresent(volts -> line("ladder-recommended", at - 4, y(volts), at + bar + 4, y(volts)));
        String tone = tone(listener.verdict());
        double says = listener.isLowTheGap() ? listener.low() : listener.high();
        boolean isHarm = listener.verdict() == Verdict.HARMS;
        double hears = isHarm
                ? listener.limit()
                : listener.isLowTheGap() ? listener.readsLowBelow() : listener.readsHighAbove();
        double from = isHarm ? model.step().map(LadderModel.Step::highTo).orElse(model.highTo()) : says;
        double start = saysEnd > 0 ? saysEnd : at - 24;
        line("ladder-gap", start, y(from), at, y(from));
        line("ladder-gap", start, y(hears), at, y(hears));
        double upper = Math.min(y(from), y(hears));
        double apart = Math.abs(y(from) - y(hears));
        // Between both lines where they leave room for it; above them it must not run into what is said there.
        boolean isBetween = apart > 2 * LINE;
        double free = isBetween || saysEnd <= 0 ? start : Math.max(start, saidEnd + 6);
        boolean hasRoom = at - free > LEAST_GAP;
        if (hasRoom) {
            double middle = upper + apart / 2 - LINE / 2;
            centred(listener.gap(), free, at, isBetween ? middle : Math.max(TOP, upper - 19), "ladder-gap-text", tone);
        }
        String verdict = word(listener.verdict());
        wrapped(
                hasRoom ? verdict : verdict + ", " + listener.gap(),
                left,
                left + column,
                getHeight() - foot + 6,
                "ladder-gap-text",
                tone);
    }

    /** @return where the words end */
    private double centred(String words, double from, double to, double y, String... styles) {
        Line line = text(words, from, y, Math.max(20, to - from), styles);
        double at = from + Math.max(0, (to - from - line.width()) / 2);
        line.relocate(at, y);
        return at + line.width();
    }

    /** Words in the middle of their column, on more lines than one where they need them. */
    private void wrapped(String words, double from, double to, double y, String... styles) {
        Line line = text(words, from + 2, y, Double.MAX_VALUE, styles);
        line.setTextAlignment(TextAlignment.CENTER);
        line.setWrappingWidth(Math.max(20, to - from - 4));
    }

    /** The style of words that tell a verdict. */
    public static String tone(Verdict verdict) {
        return switch (verdict) {
            case HARMS, NOT_READ -> "stop-text";
            case THIN -> "look-text";
            case FINE -> "good-text";
        };
    }

    private void heading(String name, String what, double left, double column) {
        wrapped(name, left + 2, left + column - 2, 2, "ladder-heading");
        centred(what, left, left + column, 19 + head, "quiet", "small");
    }

    private void mark(String style, double left, double width, double upper, double lower) {
        Region region = region(style);
        double height = Math.max(LEAST_MARK, y(lower) - y(upper));
        region.resizeRelocate(left, y(lower) - height, width, height);
    }

    private void zone(String style, double left, double width, double upper, double lower, String words) {
        Region region = region(style);
        double height = Math.max(0, y(lower) - y(upper));
        region.resizeRelocate(left, y(upper), width, height);
        if (height > 18) {
            // The words may be wider than the bar: there is room beside it.
            Line line = text(words, left, 0, Double.MAX_VALUE, "small", style + "-text");
            line.relocate(left + (width - line.width()) / 2, y(upper) + height / 2 - line.height() / 2);
        }
    }

    private Region region(String style) {
        Region region = Ui.region(style);
        region.setManaged(false);
        getChildren().add(region);
        return region;
    }

    private Line text(String words, double x, double y, double room, String... styles) {
        Line line = new Line(words, styles);
        line.setManaged(false);
        getChildren().add(line);
        line.applyCss();
        line.place(x, y, room);
        return line;
    }

    private void line(String style, double x1, double y1, double x2, double y2) {
        Path path = new Path(new MoveTo(x1, y1), new LineTo(x2, y2));
        path.getStyleClass().add(style);
        path.setManaged(false);
        getChildren().add(path);
    }
}
