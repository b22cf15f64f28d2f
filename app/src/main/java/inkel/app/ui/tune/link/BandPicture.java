package inkel.app.ui.tune.link;

import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.document.LocalNetwork;
import inkel.core.tune.radio.End;
import inkel.core.tune.radio.RadioNet;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.layout.Region;

/** The band: each local network flat in a lane of its own, as thick as it is strong, and the stations as threads through all. */
final class BandPicture extends Region {
    private static final double LANE = 20;
    private static final double TOP = 22;
    private static final double SIDE = 8;
    private static final double FOOT = 26;
    private static final int LAST = 125;
    private static final int EACH = 25;

    private final Region axis = Ui.region("scale-axis");
    private final Region beyond = Ui.region("band-beyond");
    private final Line ask = new Line(Words.get("radio.band.ask"), "band-ask");
    private final List<Node> made = new ArrayList<>();
    private RadioNet net;

    BandPicture() {
        setId("radio-band");
        setMinWidth(0);
        getChildren().addAll(beyond, ask, axis);
    }

    void show(RadioNet shown) {
        net = shown;
        double high = TOP + LANE * Math.max(2, shown.group().plan().networks().size()) + FOOT;
        setMinHeight(high);
        setPrefHeight(high);
        setMaxHeight(high);
        setAccessibleText(shown.ends().stream()
                .map(end -> end.name() + " " + end.channel())
                .collect(Collectors.joining(", ")));
        requestLayout();
    }

    private double x(double channel) {
        return SIDE + Math.max(0, Math.min(LAST, channel)) / LAST * (getWidth() - 2 * SIDE);
    }

    private void add(Node node) {
        node.setManaged(false);
        made.add(node);
        getChildren().add(node);
    }

    @Override
    protected void layoutChildren() {
        getChildren().removeAll(made);
        made.clear();
        if (net == null) {
            return;
        }
        double foot = getHeight() - FOOT;
        beyond.resizeRelocate(x(RadioNet.lastFree()), TOP, x(LAST) - x(RadioNet.lastFree()), foot - TOP);
        ask.applyCss();
        ask.place(
                x(RadioNet.lastFree()) + Math.max(4, (x(LAST) - x(RadioNet.lastFree()) - ask.width()) / 2),
                TOP + 4,
                Double.MAX_VALUE);
        axis.resizeRelocate(SIDE, foot, getWidth() - 2 * SIDE, 2);
        for (int channel = 0; channel <= LAST; channel += EACH) {
            Line number = new Line(String.valueOf(channel), "scale-number");
            add(number);
            number.applyCss();
            number.place(
                    Math.max(0, Math.min(getWidth() - number.width(), x(channel) - number.width() / 2)),
                    foot + 6,
                    Double.MAX_VALUE);
        }
        networks();
        stations(foot);
    }

    private void networks() {
        double y = TOP;
        for (LocalNetwork network : net.group().plan().networks()) {
            RadioNet.Stretch stretch = net.stretch(network);
            double thick =
                    switch (network.strength()) {
                        case WEAK -> 3;
                        case MIDDLE -> 7;
                        case STRONG -> 12;
                    };
            Region bar = Ui.region("band-network");
            add(bar);
            bar.resizeRelocate(
                    x(stretch.from()), y + (LANE - thick) / 2, Math.max(2, x(stretch.to()) - x(stretch.from())), thick);
            Line name = new Line(network.name(), "band-name");
            add(name);
            name.applyCss();
            boolean isRoom = isFree(x(stretch.to()), x(stretch.to()) + name.width() + 8);
            name.place(
                    isRoom ? x(stretch.to()) + 5 : Math.max(0, x(stretch.from()) - name.width() - 5),
                    y + (LANE - name.height()) / 2,
                    Double.MAX_VALUE);
            y += LANE;
        }
    }

    /** Whether neither a thread nor the end of the band lies there. */
    private boolean isFree(double from, double to) {
        return to < x(RadioNet.lastFree())
                && net.ends().stream()
                        .map(net::stretch)
                        .noneMatch(thread -> x(thread.from()) < to && x(thread.to()) + 3 > from);
    }

    /** Stations of one channel are one thread. */
    private void stations(double foot) {
        List<Integer> channels =
                net.ends().stream().map(End::channel).distinct().sorted().toList();
        for (int channel : channels) {
            End end = net.ends().stream()
                    .filter(one -> one.channel() == channel)
                    .findFirst()
                    .orElseThrow();
            RadioNet.Stretch stretch = net.stretch(end);
            boolean isOver = !net.over(end).isEmpty();
            Region thread = Ui.region(isOver ? "band-thread-over" : "band-thread");
            add(thread);
            thread.resizeRelocate(
                    x(stretch.from()), TOP - 4, Math.max(3, x(stretch.to()) - x(stretch.from())), foot - TOP + 4);
            Line number = new Line(String.valueOf(channel), "band-channel");
            add(number);
            number.applyCss();
            number.place(
                    Math.max(0, Math.min(getWidth() - number.width(), x(channel) - number.width() / 2)),
                    0,
                    Double.MAX_VALUE);
        }
    }
}
