package inkel.app.ui.wire;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Ui;
import inkel.app.words.SeatWords;
import inkel.app.words.Words;
import inkel.core.catalog.TableKind;
import inkel.core.document.Place;
import inkel.core.document.SeatChoice;
import inkel.core.document.SeatChoice.Side;
import inkel.core.quantity.Fact;
import inkel.core.seats.HalfRow;
import inkel.core.seats.SeatMoves;
import inkel.core.seats.SeatPlan;
import inkel.core.wiring.Terminal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Who sits where: each breadboard by its rows, what stands beside, and what the rails carry. */
final class SeatsPane extends VBox implements SeatMap.Hand {
    private final Session session;
    private final VBox content = new VBox(10);
    private final Caption help = Ui.text(Words.get("seats.help"), "quiet");
    private final List<SeatMap> maps = new ArrayList<>();
    private SeatPlan plan;
    private String focused = "";

    SeatsPane(Session session) {
        super(6);
        this.session = session;
        setId("seats");
        getStyleClass().addAll("sheet", "seats-pane");
        help.setId("seats-help");
        Scroller scroller = new Scroller(content);
        VBox.setVgrow(scroller, Priority.ALWAYS);
        getChildren().addAll(scroller, help);
    }

    void showUnderWay() {
        plan = null;
        maps.clear();
        content.getChildren().setAll(Ui.text(Words.get("seats.under_way"), "later"));
    }

    void show(SeatPlan shown) {
        if (shown == plan) {
            mark();
            return;
        }
        boolean hadFocus = getScene() != null && getScene().getFocusOwner() instanceof SeatBox;
        plan = shown;
        maps.clear();
        content.getChildren().clear();
        if (plan.kind().isEmpty()) {
            TableKind table = plan.node().table();
            content.getChildren()
                    .add(Ui.text(
                            table.isBreadboard()
                                    ? Words.get("seats.none")
                                    : Words.get(
                                            "seats.none.table",
                                            "table",
                                            Words.get("seats.table."
                                                    + table.name().toLowerCase(Locale.ROOT))),
                            "later"));
            help.setText("");
            return;
        }
        say("");
        SeatWords words = new SeatWords(plan);
        for (int board = 1; board <= plan.boards(); board++) {
            SeatMap map = new SeatMap(plan, board, this);
            maps.add(map);
            content.getChildren().addAll(head(board), map);
        }
        plan.refused().stream().flatMap(id -> plan.seat(id).stream()).forEach(seat -> content.getChildren()
                .add(Ui.text(Words.get("seats.refused.here", "part", words.name(seat)), "look-text")));
        if (!plan.beside().isEmpty()) {
            content.getChildren()
                    .addAll(Ui.word(Words.get("seats.beside"), "section-title"), Ui.text(words.beside(), "quiet"));
        }
        rails(words);
        mark();
        if (hadFocus) {
            boxes().filter(box -> box.seat().id().equals(focused)).findFirst().ifPresent(SeatBox::requestFocus);
        }
    }

    private HBox head(int board) {
        Caption title = Ui.word(
                Words.say(Fact.of("seats.board")
                        .with("board", board)
                        .with("rows", plan.kind().orElseThrow().rows())),
                "seat-title");
        HBox head = new HBox(12, title, Ui.spring());
        head.setAlignment(Pos.BASELINE_LEFT);
        if (board == 1) {
            head.getChildren()
                    .add(Ui.word(
                            Words.say(Fact.of("seats.sum")
                                    .with(
                                            "longest",
                                            SeatWords.centimetres(plan.longest().metres()))
                                    .with("used", plan.usedHalfRows())
                                    .with(
                                            "all",
                                            plan.boards()
                                                    * 2
                                                    * plan.kind().get().rows())),
                            "quiet"));
        }
        return head;
    }

    private void rails(SeatWords words) {
        if (plan.rails().isEmpty()) {
            return;
        }
        content.getChildren().add(Ui.word(Words.get("seats.rails"), "section-title"));
        for (SeatPlan.RailUse use : plan.rails()) {
            Region swatch = new Region();
            boolean isGround = use.carries() instanceof Terminal.OnGroundRow;
            swatch.getStyleClass().addAll("swatch", isGround ? "swatch-black" : "swatch-red");
            HBox row = new HBox(8, swatch, Ui.word(words.rail(use), "rail-use"));
            row.setAlignment(Pos.CENTER_LEFT);
            content.getChildren().add(row);
        }
        boolean isMixed = Stream.iterate(1, board -> board + 1)
                .limit(plan.boards())
                .anyMatch(board -> SeatMoves.isMixed(plan, board));
        if (isMixed) {
            content.getChildren().add(Ui.text(Words.get("seats.rails.mixed"), "look-text"));
        }
        if (plan.kind().orElseThrow().segments() > 1) {
            content.getChildren().add(Ui.text(Words.get("seats.split"), "quiet"));
        }
    }

    private Stream<SeatBox> boxes() {
        return maps.stream().flatMap(map -> map.boxes().stream());
    }

    private void mark() {
        Place selected = session.selectionProperty().get();
        Optional<HalfRow> row =
                Optional.ofNullable(session.seats().rowProperty().get());
        Optional<String> part = selected == null || row.isPresent() ? Optional.empty() : Optional.of(selected.part());
        maps.forEach(map -> map.mark(part, row));
    }

    private void say(String text) {
        help.setText(text.isEmpty() ? Words.get("seats.help") : text);
    }

    @Override
    public void row(HalfRow row) {
        session.seats().rowProperty().set(row);
        mark();
    }

    @Override
    public void choose(SeatPlan.Seat seat) {
        focused = seat.id();
        if (seat.part().isPresent()) {
            session.seats().rowProperty().set(null);
            session.selectionProperty()
                    .set(Place.ofPart(plan.node().node().id(), seat.part().get()));
        } else {
            Side side = seat.at().side() == Side.ACROSS ? Side.LEFT : seat.at().side();
            session.seats()
                    .rowProperty()
                    .set(new HalfRow(seat.at().board(), side, seat.at().row()));
        }
        mark();
    }

    @Override
    public void over(SeatPlan.Seat seat, Optional<SeatChoice> to) {
        Optional<String> why = to.flatMap(choice -> why(seat, choice));
        maps.forEach(map -> map.aim(seat, to, why.isEmpty()));
        SeatWords words = new SeatWords(plan);
        say(to.isEmpty() ? "" : why.orElseGet(() -> words.seat(to.get(), seat)));
    }

    @Override
    public void drop(SeatPlan.Seat seat, Optional<SeatChoice> to) {
        maps.forEach(map -> map.aim(seat, Optional.empty(), false));
        focused = seat.id();
        to.ifPresent(choice -> moveTo(seat, choice));
    }

    private Optional<String> why(SeatPlan.Seat seat, SeatChoice to) {
        return session.seats().refusal(seat.id(), to).map(fact -> sentence(fact));
    }

    /** Whose seat is in the way is said by name. */
    private String sentence(Fact refusal) {
        Object taken = refusal.values().get("part");
        return taken == null
                ? Words.say(refusal)
                : plan.seats().stream()
                        .filter(other -> other.id().equals(taken.toString()))
                        .map(other -> Words.get(refusal.key(), "part", new SeatWords(plan).name(other)))
                        .findFirst()
                        .orElseGet(() -> Words.say(refusal));
    }

    private void moveTo(SeatPlan.Seat seat, SeatChoice to) {
        if (to.equals(seat.at())) {
            return;
        }
        Optional<String> why = why(seat, to);
        say(why.orElse(""));
        if (why.isEmpty()) {
            session.seats().move(seat.id(), to);
        }
    }

    @Override
    public void key(SeatPlan.Seat seat, KeyEvent event) {
        SeatChoice at = seat.at();
        KeyCode code = event.getCode();
        focused = seat.id();
        if (code == KeyCode.T && !event.isShortcutDown()) {
            moveTo(seat, SeatMoves.turned(at));
        } else if (code == KeyCode.LEFT || code == KeyCode.RIGHT) {
            int by = code == KeyCode.LEFT ? -1 : 1;
            if (event.isShiftDown()) {
                moveTo(seat, new SeatChoice(at.board(), at.side(), at.row() + by, at.isTurned()));
            } else {
                step(seat, by);
            }
        } else if ((code == KeyCode.UP || code == KeyCode.DOWN) && event.isShiftDown() && at.side() != Side.ACROSS) {
            moveTo(
                    seat,
                    new SeatChoice(at.board(), code == KeyCode.UP ? Side.LEFT : Side.RIGHT, at.row(), at.isTurned()));
        } else {
            return;
        }
        event.consume();
    }

    /** To the seat before or behind, by rows. */
    private void step(SeatPlan.Seat seat, int by) {
        List<SeatBox> all = boxes().toList();
        for (int i = 0; i < all.size(); i++) {
            if (all.get(i).seat().id().equals(seat.id())) {
                SeatBox next = all.get(Math.max(0, Math.min(all.size() - 1, i + by)));
                next.requestFocus();
                choose(next.seat());
                return;
            }
        }
    }
}
