package inkel.app.ui.log;

import inkel.app.state.LogWork;
import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Ui;
import inkel.app.words.RecordWords;
import inkel.app.words.Words;
import inkel.core.log.Entry;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import javafx.scene.layout.Region;

/**
 * The whole record as a thread of days: what was measured above it, what was decided below, what changed upon it, what went
 * wrong as a cross. A press shows the first line of that day.
 */
final class TimeStrip extends Region {
    private static final double HIGH = 84;
    private static final double THREAD = 56;
    private static final double SIDE = 16;
    private static final double MARK = 8;
    private static final double LEAST_LABEL = 64;
    private static final Map<Entry.Sort, Double> LANES = lanes();

    private final LogWork log;
    private final Region thread = Ui.region("time-thread");
    private final Region chosen = Ui.region("time-chosen");
    private final Map<LocalDate, Map<Entry.Sort, Region>> marks = new TreeMap<>();
    private final List<Line> labels = new ArrayList<>();
    private final List<LocalDate> labelled = new ArrayList<>();
    private LocalDate first;
    private LocalDate last;

    private static Map<Entry.Sort, Double> lanes() {
        Map<Entry.Sort, Double> lanes = new EnumMap<>(Entry.Sort.class);
        lanes.put(Entry.Sort.MEASURED, 28.0);
        lanes.put(Entry.Sort.WENT_WRONG, 42.0);
        lanes.put(Entry.Sort.CHANGED, THREAD);
        lanes.put(Entry.Sort.SWAPPED, THREAD);
        lanes.put(Entry.Sort.NOTED, 66.0);
        lanes.put(Entry.Sort.DECIDED, 75.0);
        return lanes;
    }

    TimeStrip(LogWork log) {
        this.log = log;
        setId("log-strip");
        getStyleClass().addAll("sheet", "time-strip");
        setMinSize(0, HIGH);
        setPrefHeight(HIGH);
        setMaxHeight(HIGH);
        setOnMouseClicked(event -> choose(event.getX()));
        getChildren().addAll(thread, chosen);
    }

    /** @param entries of the whole record, the newest first */
    void show(List<Entry> entries, LocalDate selected) {
        getChildren().setAll(thread, chosen);
        marks.clear();
        labels.clear();
        labelled.clear();
        first = null;
        last = null;
        for (Entry entry : entries) {
            LocalDate day = RecordWords.date(entry.line(), log.zone());
            first = first == null || day.isBefore(first) ? day : first;
            last = last == null || day.isAfter(last) ? day : last;
            marks.computeIfAbsent(day, made -> new EnumMap<>(Entry.Sort.class)).computeIfAbsent(entry.sort(), sort -> {
                Region mark = Ui.region("time-mark");
                mark.getStyleClass()
                        .addAll(
                                "sort-" + sort.name().toLowerCase(Locale.ROOT).replace('_', '-'),
                                "time-" + sort.name().toLowerCase(Locale.ROOT).replace('_', '-'));
                getChildren().add(mark);
                return mark;
            });
        }
        for (LocalDate day : marks.keySet()) {
            Line label = new Line(RecordWords.shortDay(day), "time-label");
            labels.add(label);
            labelled.add(day);
            getChildren().add(label);
        }
        chosen.setUserData(selected);
        setAccessibleText(
                first == null ? Words.get("log.none") : RecordWords.day(first) + " … " + RecordWords.day(last));
        requestLayout();
    }

    private double x(LocalDate day) {
        long all = Math.max(1, ChronoUnit.DAYS.between(first, last));
        return SIDE + (getWidth() - 2 * SIDE) * ChronoUnit.DAYS.between(first, day) / all;
    }

    private void choose(double x) {
        marks.keySet().stream()
                .min((one, other) -> Double.compare(Math.abs(x(one) - x), Math.abs(x(other) - x)))
                .ifPresent(day -> log.shown().stream()
                        .filter(entry ->
                                RecordWords.date(entry.line(), log.zone()).equals(day))
                        .findFirst()
                        .ifPresent(entry -> log.select(entry.number())));
    }

    @Override
    protected void layoutChildren() {
        thread.resizeRelocate(SIDE, THREAD - 1, Math.max(0, getWidth() - 2 * SIDE), 2);
        LocalDate selected = (LocalDate) chosen.getUserData();
        boolean isChosen = first != null && selected != null && marks.containsKey(selected);
        chosen.setVisible(isChosen);
        if (first == null) {
            return;
        }
        if (isChosen) {
            chosen.resizeRelocate(Math.rint(x(selected) - MARK), 22, 2 * MARK, HIGH - 24);
        }
        marks.forEach((day, sorts) -> sorts.forEach((sort, mark) -> {
            double size = sort == Entry.Sort.CHANGED || sort == Entry.Sort.SWAPPED ? MARK + 4 : MARK;
            double wide = sort == Entry.Sort.CHANGED || sort == Entry.Sort.SWAPPED ? 3 : MARK;
            mark.resizeRelocate(Math.rint(x(day) - wide / 2), Math.rint(LANES.get(sort) - size / 2), wide, size);
        }));
        double free = 0;
        for (int i = 0; i < labels.size(); i++) {
            Line label = labels.get(i);
            double at = Math.min(x(labelled.get(i)) - 4, getWidth() - LEAST_LABEL + 8);
            boolean isRoom = at >= free;
            label.setVisible(isRoom);
            if (isRoom) {
                label.relocate(at, 6);
                free = at + LEAST_LABEL;
            }
        }
    }
}
