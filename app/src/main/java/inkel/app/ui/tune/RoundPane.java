package inkel.app.ui.tune;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.app.words.Words;
import inkel.core.catalog.Memory;
import inkel.core.catalog.Settings;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Stage;
import inkel.core.loop.Blocked;
import inkel.core.loop.NodeLoop;
import inkel.core.loop.Staggered;
import inkel.core.loop.Visit;
import inkel.core.parts.MemoryReport;
import inkel.core.quantity.DataSize;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Share;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** One round of the program of this board: what each part takes of it, who is late, who holds up whom, and the memory. */
final class RoundPane extends VBox {
    private static final double NAME = 168;
    private static final double TIME = 72;
    private static final double EVERY = 132;
    private static final double LEAST_BAR = 60;

    private final Session session;
    private final Caption head = Ui.text("", "quiet");
    private final Tile apart;
    private final VBox visits = new VBox(4);
    private final VBox blocked = new VBox(4);
    private final VBox memory = new VBox(4);
    private boolean isNarrow;

    RoundPane(Session session) {
        super(12);
        this.session = session;
        head.setId("round-head");
        head.setMinWidth(0);
        HBox.setHgrow(head, Priority.ALWAYS);
        apart = Ui.pill("round-apart", Words.get("round.apart"), this::turn);
        apart.getStyleClass().add("pill-toggle");
        apart.setMinWidth(USE_PREF_SIZE);
        HBox top = new HBox(14, head, apart);
        top.setAlignment(Pos.CENTER_LEFT);
        top.setFillHeight(false);
        widthProperty().addListener((property, old, next) -> {
            if (isNarrow != next.doubleValue() < BenchPane.LITTLE) {
                isNarrow = !isNarrow;
                show();
            }
        });
        VBox all = new VBox(
                12,
                BenchPane.sheet("round.title", "round.how", top, visits),
                BenchPane.sheet("round.blocked", "", blocked),
                BenchPane.sheet("round.memory", "round.memory.how", memory));
        Scroller scroller = new Scroller(all);
        VBox.setVgrow(scroller, Priority.ALWAYS);
        getChildren().add(scroller);
        setMinWidth(0);
    }

    private Optional<NodeLoop> loop() {
        return Optional.ofNullable(session.assessmentProperty().get())
                .flatMap(assessment ->
                        assessment.reports().loops().node(session.nodeProperty().get()));
    }

    private void turn() {
        loop().ifPresent(loop -> session.apply(new SetSetting(
                loop.node().node().id(),
                loop.node().board().id(),
                Settings.TURNS,
                loop.apart().isPresent() ? null : "apart")));
    }

    void show() {
        visits.getChildren().clear();
        blocked.getChildren().clear();
        memory.getChildren().clear();
        Optional<NodeLoop> loop = loop();
        if (loop.isEmpty() || loop.get().visits().isEmpty()) {
            head.setText(Words.get("round.none"));
            Ui.show(apart, false);
        } else {
            Ui.show(apart, true);
            showVisits(loop.get());
        }
        List<Blocked> lost = loop.map(NodeLoop::blocked).orElse(List.of());
        lost.forEach(one -> blocked.getChildren().add(Ui.text(said(one), "look-text")));
        if (lost.isEmpty()) {
            blocked.getChildren().add(Ui.text(Words.get("round.blocked.none"), "quiet"));
        }
        showMemory();
    }

    private void showVisits(NodeLoop loop) {
        Staggered staggered = loop.staggered();
        apart.setSelected(loop.apart().isPresent());
        head.setText(Words.say(Fact.of("round.head")
                .with("together", loop.together())
                .with("apart", staggered.worst())
                .with("base", staggered.base())));
        double longest = loop.visits().stream()
                .mapToDouble(visit -> visit.time().seconds())
                .max()
                .orElse(1);
        List<Visit> late = loop.late();
        loop.visits().stream()
                .sorted(Comparator.comparing(Visit::time).reversed())
                .forEach(visit -> visits.getChildren()
                        .add(row(
                                loop,
                                visit,
                                staggered.places().get(visit.placed().id()),
                                longest,
                                late)));
    }

    private Node row(NodeLoop loop, Visit visit, Staggered.Place place, double longest, List<Visit> late) {
        Button name = Ui.textButton(
                "round-" + visit.placed().id(), visit.placed().part().name(), () -> session.selection()
                        .show(Stage.TUNE, loop.node().place(visit.placed())));
        name.setAlignment(Pos.CENTER_LEFT);
        name.setMinWidth(NAME);
        name.setPrefWidth(NAME);
        name.setMaxWidth(NAME);
        TurnBar bar = new TurnBar(visit.bus().seconds() / longest, visit.waits().seconds() / longest);
        bar.setMinWidth(LEAST_BAR);
        HBox.setHgrow(bar, Priority.ALWAYS);
        Caption time = Ui.word(Words.show(visit.time()), "suspect-share");
        time.setMinWidth(TIME);
        Caption every = Ui.text(
                visit.every()
                        .map(one -> Words.say(Fact.of("round.every").with("time", one)))
                        .orElse(Words.get("round.each")),
                late.contains(visit) ? "look-text" : "quiet");
        every.setMinWidth(isNarrow ? LEAST_BAR : EVERY);
        every.setPrefWidth(isNarrow ? LEAST_BAR + LEAST_BAR : EVERY);
        HBox row = new HBox(10, bar, time, every);
        if (!isNarrow) {
            row.getChildren().add(0, name);
        }
        if (loop.apart().isPresent() && place != null) {
            Caption turn = Ui.text(
                    Words.say(Fact.of(place.each() == 1 ? "round.place.all" : "round.place")
                            .with("each", place.each())
                            .with("from", place.from() + 1)),
                    "quiet");
            turn.setMinWidth(EVERY);
            turn.setPrefWidth(EVERY);
            row.getChildren().add(turn);
        }
        row.setAlignment(Pos.CENTER_LEFT);
        return isNarrow ? new VBox(2, name, row) : row;
    }

    private static String said(Blocked lost) {
        return Words.say(Fact.of("code.blocks." + lost.sort().name().toLowerCase(Locale.ROOT))
                .with("by", lost.by().part().name())
                .with("part", lost.placed().part().name())
                .with("holds", lost.holds())
                .with("bears", lost.bears()));
    }

    private void showMemory() {
        Optional<MemoryReport> report = Optional.ofNullable(
                        session.assessmentProperty().get())
                .flatMap(assessment -> MemoryReport.of(assessment.reports().circuit()).stream()
                        .filter(one -> one.node()
                                .node()
                                .id()
                                .equals(session.nodeProperty().get()))
                        .findFirst());
        if (report.isEmpty()) {
            memory.getChildren().add(Ui.text(Words.get("round.memory.unknown"), "quiet"));
            return;
        }
        Memory all = report.get().board().all();
        Memory taken = report.get().taken();
        memory.getChildren()
                .addAll(
                        memory(
                                "round.memory.ram",
                                taken.ram(),
                                all.ram(),
                                report.get().ofRam()),
                        memory(
                                "round.memory.flash",
                                taken.flash(),
                                all.flash(),
                                report.get().ofFlash()));
    }

    private Node memory(String key, DataSize taken, DataSize all, Share share) {
        Caption name = Ui.word(Words.get(key), "quiet");
        name.setMinWidth(NAME);
        TurnBar bar = new TurnBar(Math.min(1, share.ratio()), 0);
        bar.setMinWidth(LEAST_BAR);
        HBox.setHgrow(bar, Priority.ALWAYS);
        Caption said = Ui.text(
                Words.say(Fact.of("round.memory.said").with("taken", taken).with("all", all)),
                taken.isAbove(all) ? "stop-text" : "quiet");
        said.setMinWidth(isNarrow ? TIME + LEAST_BAR : TIME + EVERY);
        HBox row = isNarrow ? new HBox(10, bar, said) : new HBox(10, name, bar, said);
        row.setAlignment(Pos.CENTER_LEFT);
        return isNarrow ? new VBox(2, name, row) : row;
    }
}
