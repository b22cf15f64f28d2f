package inkel.app.ui.wire;

import inkel.app.state.Session;
import inkel.app.ui.ends.BothEnds;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.words.SeatWords;
import inkel.app.words.WireWords;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.document.edit.MarkWire;
import inkel.core.quantity.Fact;
import inkel.core.seats.Landing;
import inkel.core.seats.SeatPlan;
import inkel.core.wiring.EndPlace;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireOhms;
import inkel.core.wiring.WireStep;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** One wire, to be read from a metre away: from where to where, both ends as they lie, what to do with it. */
final class WireCard extends VBox {
    private static final double ENDS = 270;
    private static final double LEAST_CARD = 296;
    private static final double TOLD = 380;
    private static final double LEAST_TOLD = 190;
    private static final double LEAST_ENDS = 300;
    private static final double GAP = 18;

    private final Session session;
    private final Desk desk;
    private final VBox told = new VBox();
    private final StackPane ends = new StackPane();
    private final WrapRow foot = new WrapRow(14);
    private final Set<String> turned = new HashSet<>();
    private WireList wires;
    private WireWords words;
    private WireStep step;
    private Optional<SeatPlan> plan = Optional.empty();
    private boolean isLow;

    /** What the buttons do. */
    interface Desk {
        void done();

        void back();

        void skip();

        void pull(WireStep step);

        boolean isSkipped(WireStep step);

        /** Begins with the first wire that is open. */
        void startOver();

        void takeFocus();
    }

    WireCard(Session session, Desk desk) {
        super(8);
        this.session = session;
        this.desk = desk;
        told.getStyleClass().add("wire-told");
        told.setMinWidth(LEAST_TOLD);
        told.setPrefWidth(TOLD);
        ends.setMinWidth(0);
        ends.setPrefHeight(ENDS);
        HBox.setHgrow(ends, Priority.ALWAYS);
        HBox.setHgrow(told, Priority.SOMETIMES);
        foot.setAlignment(Pos.CENTER_LEFT);
        HBox both = new HBox(GAP, told, ends);
        VBox.setVgrow(both, Priority.ALWAYS);
        // Where both have no room, what is said is worth more than the picture.
        both.widthProperty().addListener((property, old, next) -> {
            told.setPrefWidth(Math.max(LEAST_TOLD, Math.min(TOLD, next.doubleValue() - LEAST_ENDS - GAP)));
            boolean hasRoom = next.doubleValue() >= LEAST_TOLD + LEAST_ENDS + GAP;
            if (hasRoom != ends.isVisible()) {
                Ui.show(ends, hasRoom);
                again();
            }
        });
        getChildren().addAll(both, foot);
        getStyleClass().addAll("sheet", "wire-card");
        setId("wire-card");
        setMinHeight(Region.USE_PREF_SIZE);
    }

    /** Whether the stage is so low that only the most needed is said. */
    void setLow(boolean isLowNow) {
        if (isLowNow != isLow) {
            isLow = isLowNow;
            setMinHeight(isLow ? LEAST_CARD : Region.USE_PREF_SIZE);
            again();
        }
    }

    private void again() {
        if (step != null) {
            show(wires, step, plan);
        }
    }

    /** A node without wires. */
    void showNothing() {
        step = null;
        told.getChildren().setAll(Ui.text(Words.get("wire.none"), "later"));
        ends.getChildren().clear();
        foot.getChildren().clear();
    }

    /** @param seats who sits where, when that is known */
    void show(WireList list, WireStep shown, Optional<SeatPlan> seats) {
        plan = seats.filter(found -> found.kind().isPresent());
        boolean hasFocus = getScene() != null && isInFoot(getScene().getFocusOwner());
        wires = list;
        words = new WireWords(list.node());
        step = shown;
        showWords(shown);
        showEnds(shown);
        if (hasFocus) {
            desk.takeFocus();
        }
    }

    private boolean isInFoot(Node node) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (at == foot) {
                return true;
            }
        }
        return false;
    }

    private void showWords(WireStep step) {
        Caption number = Ui.word(String.valueOf(step.number()), "wire-number");
        boolean isPull = step.kind() == WireStep.Kind.PULL;
        Caption of = Ui.word(
                Words.get(
                        isPull ? "wire.of_pulls" : "wire.of",
                        "count",
                        isPull ? wires.pulls().size() : wires.steps().size()),
                "wire-of");
        Region swatch = new Region();
        swatch.getStyleClass().addAll("swatch", "swatch-" + step.colour().text());
        Caption colour = Ui.text(isLow ? colour(step) : colour(wires, step, plan), "wire-colour");
        String now =
                isPull ? "wire.to_pull" : step.plugged() ? "wire.plugged" : desk.isSkipped(step) ? "wire.skipped" : "";
        Caption state = Ui.word(now.isEmpty() ? "" : Words.get(now), isPull ? "stop-text" : "good-text");
        HBox sort = new HBox(12, swatch, colour);
        sort.setAlignment(Pos.CENTER_LEFT);
        HBox top = new HBox(10, number, of);
        top.setAlignment(Pos.CENTER_LEFT);
        told.getChildren().setAll(top);
        if (isLow) {
            // No room for more than which wire, from where to where.
            HBox.setMargin(sort, new Insets(0, 0, 0, 16));
            top.getChildren().addAll(sort, Ui.spring(), state);
            told.getChildren().addAll(end(step.from(), from(step), "wire-from"), end(step.to(), to(step), "wire-to"));
        } else {
            top.getChildren().addAll(Ui.spring(), state);
            told.getChildren()
                    .addAll(
                            sort,
                            end(step.from(), from(step), "wire-from"),
                            line(step),
                            end(step.to(), to(step), "wire-to"));
            plan.map(SeatWords::new)
                    .map(said -> said.runs(step))
                    .ifPresent(runs -> runs.forEach(run -> told.getChildren().add(Ui.text(run, "wire-run"))));
        }
        foot.getChildren().setAll(buttons(step));
        if (!isPull) {
            WireOhms.of(step)
                    .map(expected -> new OhmsField(session, wires, step, expected, desk::takeFocus))
                    .ifPresent(foot.getChildren()::add);
        }
    }

    private Optional<Landing> from(WireStep step) {
        return plan.map(SeatWords::new).flatMap(said -> said.from(step));
    }

    private Optional<Landing> to(WireStep step) {
        return plan.map(SeatWords::new).flatMap(said -> said.to(step));
    }

    private Node end(Terminal terminal, Optional<Landing> landing, String id) {
        Caption name = Ui.text(words.name(terminal), "wire-end");
        name.setId(id);
        String hole = landing.map(found -> new SeatWords(plan.orElseThrow()).landing(found, terminal))
                .filter(said -> !said.isEmpty())
                .or(() -> away(terminal))
                .orElse("");
        Caption place = Ui.text(hole.isEmpty() ? words.place(terminal) : hole, "wire-place");
        place.setId(id + "-place");
        return new VBox(name, place);
    }

    /** The hole on the table of another board, where its pin stands in a breadboard. */
    private Optional<String> away(Terminal terminal) {
        if (!(terminal instanceof Terminal.OnOtherBoard other)) {
            return Optional.empty();
        }
        String here = wires.node().node().id();
        return session.seats()
                .wanted(session.assessmentProperty().get(), other.pin().node())
                .flatMap(there -> there.arriving(here, step)
                        .map(landing -> Words.say(Fact.of("seats.away")
                                .with("hole", new SeatWords(there).hole(landing))
                                .with("board", there.node().node().name()))));
    }

    private Node line(WireStep step) {
        Region thread = new Region();
        thread.getStyleClass().addAll("wire-thread", "swatch-" + step.colour().text());
        HBox row = new HBox(18, thread);
        row.setAlignment(Pos.CENTER_LEFT);
        row.setPadding(new Insets(0, 0, 0, 18));
        String between = words.between(step);
        String kind = Words.get("wire.kind." + step.kind().name().toLowerCase(Locale.ROOT));
        row.getChildren()
                .add(Ui.text(between.isEmpty() ? kind : between, between.isEmpty() ? "quiet" : "wire-between"));
        return row;
    }

    private List<Node> buttons(WireStep step) {
        boolean isPull = step.kind() == WireStep.Kind.PULL;
        Button done = new Button(Words.get(isPull ? "wire.pulled" : step.plugged() ? "wire.next" : "wire.done"));
        done.setId("wire-done");
        done.getStyleClass().add("main-button");
        done.setMinWidth(Region.USE_PREF_SIZE);
        done.setOnAction(event -> desk.done());
        Caption space = Ui.word(Words.get("wire.space"), "key");
        space.setMinWidth(Region.USE_PREF_SIZE);
        Button back = button("wire.back", desk::back);
        Button skip = button("wire.skip", desk::skip);
        List<Node> row = new ArrayList<>(isLow ? List.of(done, back, skip) : List.of(done, space, back, skip));
        if (step.plugged() && !isPull) {
            row.add(button("wire.pull", () -> desk.pull(step)));
            if (step.fitting().isEmpty()) {
                row.add(made(step));
            }
        }
        if (isToAPin(step)) {
            row.add(button("wire.elsewhere", () -> askWhere(step)));
        }
        return row;
    }

    /** How a plugged wire is really made. */
    private MenuButton made(WireStep step) {
        MenuButton menu = new MenuButton(Words.get("wire.made"));
        menu.setId("wire-made");
        menu.getStyleClass().add("quiet-button");
        menu.setMinWidth(Region.USE_PREF_SIZE);
        String node = wires.node().node().id();
        menu.getItems().add(choice(Words.get("wire.made.as_planned"), new MarkWire(node, step.id(), Optional.empty())));
        for (String how : inkel.core.document.Node.MADE) {
            String words = Words.has("colour." + how) ? Words.get("colour." + how) : Words.get("wire.made." + how);
            menu.getItems().add(choice(words, new MarkWire(node, step.id(), Optional.of(how))));
        }
        return menu;
    }

    private MenuItem choice(String words, MarkWire mark) {
        MenuItem item = new MenuItem(words);
        item.setUserData(mark.as().orElse(""));
        item.setOnAction(event -> session.apply(mark));
        return item;
    }

    /** Whether the wire has a pin that it could be plugged at in place of another. */
    private boolean isToAPin(WireStep step) {
        return step.subject().isPin()
                && step.fitting().isEmpty()
                && wires.node()
                        .wire(step.subject().endpoint())
                        .filter(wire -> !wires.node().isTie(wire))
                        .isPresent();
    }

    /** A field in place of the buttons for the pin that the wire really sits on. */
    private void askWhere(WireStep step) {
        TextField pin = new TextField();
        pin.setId("wire-elsewhere-pin");
        pin.setPrefWidth(110);
        pin.setPromptText(Words.get("wire.elsewhere.prompt"));
        pin.setAccessibleText(Words.get("wire.elsewhere.ask"));
        Caption trouble = Ui.text("", "stop-text", "small");
        pin.setOnAction(event -> {
            Optional<String> why = session.pins().sitsOn(step.subject(), pin.getText());
            trouble.setText(why.orElse(""));
            if (why.isEmpty()) {
                desk.startOver();
            }
        });
        foot.getChildren()
                .setAll(
                        Ui.word(Words.get("wire.elsewhere.ask"), "row-name"),
                        pin,
                        button("wire.elsewhere.leave", () -> show(wires, step, plan)),
                        trouble);
        pin.requestFocus();
    }

    private static Button button(String key, Runnable action) {
        Button button = new Button(Words.get(key));
        button.setId(key.replace('.', '-'));
        button.getStyleClass().add("quiet-button");
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setOnAction(event -> action.run());
        return button;
    }

    /** A small part is plugged by its legs. */
    private static String colour(WireStep step) {
        return Words.get(
                step.fitting().isPresent()
                        ? "wire.legs"
                        : "colour." + step.colour().text());
    }

    /** The colour of the wire with its sort and length. */
    static String colour(WireList wires, WireStep step, Optional<SeatPlan> plan) {
        String colour = colour(step);
        return plan.flatMap(found -> found.jumpers(step).findFirst())
                .or(() -> step.jumper(wires.node()))
                .map(jumper -> jumper.isBrought() ? WireWords.jumper(jumper) : colour + ", " + WireWords.jumper(jumper))
                .orElse(colour);
    }

    private void showEnds(WireStep step) {
        Assessment assessment = session.assessmentProperty().get();
        BothEnds both = new BothEnds(assessment, wires.node(), step, plan, place -> turned.contains(key(place)));
        ends.getChildren().setAll(both);
        foot.getChildren().removeIf(child -> child instanceof Tile);
        // What is shown: where the end sits in a row with others, that is not its own pin.
        List<EndPlace> turnable = Stream.of(
                        from(step).map(Landing::at).orElse(step.from()),
                        to(step).map(Landing::at).orElse(step.to()))
                .flatMap(end -> EndPlace.of(assessment.reports().circuit(), wires.node(), end).stream())
                .filter(place -> ends.isVisible() && place.canBeTurned())
                .toList();
        turnable.forEach(place -> foot.getChildren().add(turning(place, step, turnable.size() == 1)));
    }

    private Tile turning(EndPlace place, WireStep step, boolean isOnlyOne) {
        String whole = Words.get("ends.turn", "part", place.placed().part().name());
        Tile turn = Ui.pill(
                "turn-" + place.placed().id(), isOnlyOne ? Words.get("ends.turn_it") : whole, () -> turn(place, step));
        turn.setAccessibleText(whole);
        turn.setMaxHeight(Region.USE_PREF_SIZE);
        return turn;
    }

    private static String key(EndPlace place) {
        return place.node().place(place.placed()).toString();
    }

    /** Shows a part from its other side from now on. */
    private void turn(EndPlace place, WireStep step) {
        String key = key(place);
        if (!turned.remove(key)) {
            turned.add(key);
        }
        showEnds(step);
    }
}
