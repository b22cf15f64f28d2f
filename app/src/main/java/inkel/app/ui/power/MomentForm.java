package inkel.app.ui.power;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.catalog.Mode;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Moment;
import inkel.core.document.edit.RemoveMoment;
import inkel.core.document.edit.SetMoment;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Unit;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** One moment, open for changing: name, times, who is busy, and what it never meets. Each entry is a step of its own. */
final class MomentForm extends VBox {
    private final Session session;
    private final NodeCircuit node;
    private final Moment moment;
    private final Caption trouble = Ui.text("", "stop-text", "small");

    MomentForm(Session session, NodeCircuit node, String id, Runnable done) {
        this.session = session;
        this.node = node;
        moment = node.node().moment(id).orElseThrow();
        setId("moment-form");
        setSpacing(6);
        Tile close = pill(Words.get("moments.done"), "moment-done", done);
        Tile remove = pill(
                Words.get("moments.remove"),
                "moment-remove",
                () -> session.apply(new RemoveMoment(node.node().id(), moment.id())));
        HBox times = new HBox(
                10,
                field("moments.name", "name", moment.name(), 150, this::rename),
                field("moments.length", "length", text(moment.length()), 80, this::setLength),
                field(
                        "moments.repeat",
                        "repeat",
                        moment.repeat().map(MomentForm::text).orElse(""),
                        80,
                        this::setRepeat),
                field("moments.at", "at", moment.at().map(MomentForm::text).orElse(""), 80, this::setAt),
                close,
                remove);
        times.setAlignment(Pos.BOTTOM_LEFT);
        Ui.show(trouble, false);
        getChildren().addAll(times, trouble, Ui.word(Words.get("moments.raises"), "row-name"), parts());
        if (node.node().moments().size() > 1) {
            getChildren().addAll(Ui.word(Words.get("moments.never"), "row-name"), others());
        }
    }

    /** Whether it shows this very moment of this very state of the build. */
    boolean isOf(NodeCircuit other, String id) {
        return moment.id().equals(id) && node.node().equals(other.node());
    }

    private static Tile pill(String words, String id, Runnable action) {
        Tile tile = Ui.pill(id, words, action);
        tile.setMaxHeight(USE_PREF_SIZE);
        return tile;
    }

    private static String text(TimeSpan time) {
        return Numbers.print(time);
    }

    private VBox field(String key, String id, String value, double width, Function<String, Optional<Moment>> take) {
        TextField field = new TextField(value);
        field.setId("moment-" + id);
        field.setPrefWidth(width);
        field.setAccessibleText(Words.get(key));
        Runnable enter = () -> {
            if (!field.getText().strip().equals(value)) {
                enter(key, Numbers.typed(field.getText()), take);
            }
        };
        field.setOnAction(event -> enter.run());
        field.focusedProperty().addListener((property, old, next) -> {
            if (!next) {
                enter.run();
            }
        });
        return new VBox(2, Ui.word(Words.get(key), "row-name"), field);
    }

    private void enter(String key, String typed, Function<String, Optional<Moment>> take) {
        Optional<Moment> changed = take.apply(typed);
        Ui.show(trouble, changed.isEmpty());
        if (changed.isEmpty()) {
            trouble.setText(Words.say(
                    Fact.of("moments.wrong").with("field", Words.get(key)).with("found", typed)));
        } else if (!changed.get().equals(moment)) {
            set(changed.get());
        }
    }

    private void set(Moment changed) {
        session.apply(new SetMoment(node.node().id(), changed));
    }

    private Optional<Moment> rename(String name) {
        return name.isEmpty()
                ? Optional.empty()
                : Optional.of(with(name, moment.length(), moment.repeat(), moment.at()));
    }

    private static Optional<TimeSpan> time(String typed, boolean isAboveZero) {
        return Engineering.parse(typed, Unit.SECOND)
                .filter(seconds -> isAboveZero ? seconds > 0 : seconds >= 0)
                .map(TimeSpan::ofSeconds);
    }

    private Optional<Moment> setLength(String typed) {
        return time(typed, true).map(length -> with(moment.name(), length, moment.repeat(), moment.at()));
    }

    private Optional<Moment> setRepeat(String typed) {
        if (typed.isEmpty()) {
            return Optional.of(with(moment.name(), moment.length(), Optional.empty(), moment.at()));
        }
        return time(typed, true).map(repeat -> with(moment.name(), moment.length(), Optional.of(repeat), moment.at()));
    }

    private Optional<Moment> setAt(String typed) {
        if (typed.isEmpty()) {
            return Optional.of(moment.withAt(Optional.empty()));
        }
        return time(typed, false).map(at -> moment.withAt(Optional.of(at)));
    }

    private Moment with(String name, TimeSpan length, Optional<TimeSpan> repeat, Optional<TimeSpan> at) {
        return new Moment(moment.id(), name, moment.raises(), length, repeat, at, moment.never(), moment.extras());
    }

    /** Every part that runs in more than one mode; a press takes it to its next mode, and out again. */
    private FlowPane parts() {
        FlowPane pane = new FlowPane(6, 6);
        for (Placed placed : node.parts()) {
            List<String> modes = placed.cls().modes().stream()
                    .map(Mode::name)
                    .distinct()
                    .filter(mode -> !mode.equals("idle") && !mode.equals("sleep"))
                    .toList();
            boolean hasRest =
                    placed.cls().modes().stream().map(Mode::name).distinct().count() > 1;
            if (!modes.isEmpty() && hasRest) {
                pane.getChildren().add(toggle(placed, modes));
            }
        }
        return pane;
    }

    private Tile toggle(Placed placed, List<String> modes) {
        Optional<String> now = moment.raises().stream()
                .filter(raise -> raise.part().equals(placed.id()))
                .map(Moment.Raise::mode)
                .findFirst();
        int next = now.map(modes::indexOf).orElse(-1) + 1;
        String words = now.map(mode -> Words.say(Fact.of("moments.busy")
                        .with("part", placed.part().name())
                        .with("mode", Words.get("mode." + mode))))
                .orElse(placed.part().name());
        Tile tile = new Tile(
                () -> raise(placed, next < modes.size() ? Optional.of(modes.get(next)) : Optional.empty()),
                Ui.word(words, "pill-text"),
                Pos.CENTER,
                "pill-toggle");
        tile.setId("raise-" + placed.id());
        tile.setAccessibleText(words);
        tile.setSelected(now.isPresent());
        return tile;
    }

    private void raise(Placed placed, Optional<String> mode) {
        List<Moment.Raise> raises = new ArrayList<>(moment.raises());
        raises.removeIf(raise -> raise.part().equals(placed.id()));
        mode.ifPresent(name -> raises.add(new Moment.Raise(placed.id(), name)));
        set(moment.withRaises(raises));
    }

    private FlowPane others() {
        FlowPane pane = new FlowPane(6, 6);
        node.node().moments().stream()
                .filter(other -> !other.id().equals(moment.id()))
                .forEach(other -> {
                    boolean isApart = !moment.mayMeet(other);
                    Tile tile = new Tile(
                            () -> keepApart(other, !isApart),
                            Ui.word(other.name(), "pill-text"),
                            Pos.CENTER,
                            "pill-toggle");
                    tile.setId("never-" + other.id());
                    tile.setAccessibleText(other.name());
                    tile.setSelected(isApart);
                    pane.getChildren().add(tile);
                });
        return pane;
    }

    private void keepApart(Moment other, boolean isApart) {
        Set<String> mine = new LinkedHashSet<>(moment.never());
        Set<String> theirs = new LinkedHashSet<>(other.never());
        theirs.remove(moment.id());
        if (isApart) {
            mine.add(other.id());
        } else {
            mine.remove(other.id());
        }
        String id = node.node().id();
        session.apply(List.of(new SetMoment(id, moment.withNever(mine)), new SetMoment(id, other.withNever(theirs))));
    }
}
