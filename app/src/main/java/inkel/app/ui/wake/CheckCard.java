package inkel.app.ui.wake;

import inkel.app.state.Session;
import inkel.app.ui.ends.TwoTips;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.words.CheckWords;
import inkel.app.words.Numbers;
import inkel.app.words.WireWords;
import inkel.app.words.Words;
import inkel.core.bench.Answer;
import inkel.core.document.Build;
import inkel.core.document.Place;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.wake.Answers;
import inkel.core.wake.Check;
import inkel.core.wake.Expected;
import inkel.core.wake.Phase;
import inkel.core.wake.Result;
import inkel.core.wake.Status;
import inkel.core.wake.Typed;
import inkel.core.wake.WakeState;
import inkel.core.wiring.TableWire;
import inkel.core.wiring.Terminal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/**
 * One check: what to measure and where, what it should read, and a field for what it does read.
 *
 * <p>Longer than other files: what stands on the card hangs on what is typed into it, and what is typed on what stands
 * there.
 */
final class CheckCard extends VBox {
    private static final double FIELD = 120;
    private static final double ENDS = 230;

    private final Session session;
    private final Desk desk;
    private final TextField field = new TextField();

    /** What was typed at other checks and not kept, by build, board and check: it is there again when they are. */
    private final Map<String, Draft> drafts = new HashMap<>();

    private String key = "";
    private String shown = "";
    private final TextField reason = new TextField();
    private final Caption verdict = Ui.text("", "wake-verdict");
    private final StackPane tips = new StackPane();
    private WakeState state;
    private CheckWords words;
    private Check check;
    private Optional<BandScale> scale = Optional.empty();

    /** What the buttons do. */
    interface Desk {
        void next();

        void back();

        void skip();

        void toWire(String id);

        /** To a wire of any table. */
        void toWireOf(TableWire wire);

        /** Volts for ohms between the same points, and the other way about. */
        void turn();
    }

    CheckCard(Session session, Desk desk) {
        super(10);
        this.session = session;
        this.desk = desk;
        field.setId("wake-field");
        field.setPrefWidth(FIELD);
        field.setMinWidth(FIELD);
        field.textProperty().addListener((property, old, next) -> judge());
        field.setOnAction(event -> keep());
        field.setAccessibleText(Words.get("wake.field"));
        reason.setId("wake-reason");
        reason.setPromptText(Words.get("wake.not_bad.reason"));
        HBox.setHgrow(reason, Priority.ALWAYS);
        reason.setOnAction(event -> takeAsGood());
        verdict.setId("wake-verdict");
        verdict.setMinWidth(0);
        HBox.setHgrow(verdict, Priority.ALWAYS);
        tips.setMinHeight(0);
        tips.setPrefHeight(ENDS);
        VBox.setVgrow(tips, Priority.ALWAYS);
        getStyleClass().addAll("sheet", "wake-card");
        setId("wake-card");
    }

    TextField field() {
        return field;
    }

    /** Whether something is typed into a field here. */
    boolean wantsText() {
        return check != null && !session.practice().isOn() && !(check.expected() instanceof Expected.Seen);
    }

    private record Draft(String text, String reason) {}

    /** What is shown next is of another bench. */
    void forget() {
        check = null;
        field.clear();
        drafts.clear();
    }

    private String keyOf(WakeState now, Check next) {
        String build = session.files().fileProperty().get() + " "
                + session.build().map(Build::name).orElse("");
        return build + "/" + now.wake().node().node().id() + " " + next.id();
    }

    /** Before another check comes onto the card. */
    private void putAside() {
        boolean isTyped = check != null
                && (!field.getText().equals(shown) || !reason.getText().isBlank());
        if (isTyped && !session.practice().isOn()) {
            drafts.put(key, new Draft(field.getText(), reason.getText()));
        }
    }

    void showNothing(String said) {
        check = null;
        scale = Optional.empty();
        getChildren().setAll(Ui.text(said, "later"));
    }

    void show(WakeState now, Check next) {
        String nextKey = keyOf(now, next);
        boolean isOther = check == null || !key.equals(nextKey);
        if (isOther) {
            putAside();
        }
        key = nextKey;
        state = now;
        words = new CheckWords(now.wake().node());
        check = next;
        Result result = state.result(check);
        if (isOther) {
            shown = result.status() == Status.STALE
                    ? ""
                    : result.value().map(Numbers::exact).orElse(check.isMetered() ? "" : result.text());
            Draft draft = Optional.ofNullable(drafts.remove(key)).orElse(new Draft(shown, ""));
            field.setText(draft.text());
            reason.setText(draft.reason());
        }
        getChildren().setAll(top(), title());
        tipLines().forEach(getChildren()::add);
        scale = check.expected() instanceof Expected.Within within
                ? Optional.of(new BandScale(within, words.expected(within), most()))
                : Optional.empty();
        scale.ifPresent(getChildren()::add);
        if (!(check.expected() instanceof Expected.Seen)) {
            Caption label = Ui.word(Words.get("wake.field"), "quiet");
            label.setMinWidth(Region.USE_PREF_SIZE);
            HBox row = new HBox(10, label, field, verdict);
            row.setAlignment(Pos.CENTER_LEFT);
            getChildren().add(row);
        } else {
            getChildren().add(verdict);
        }
        boolean isPractice = session.practice().isOn();
        field.setEditable(!isPractice);
        if (isOutside(result) && check.isMetered() && !isPractice) {
            Button take = Ui.textButton("wake-take", Words.get("wake.not_bad.keep"), this::takeAsGood);
            HBox row = new HBox(10, Ui.text(Words.get("wake.not_bad"), "quiet"), reason, take);
            row.setAlignment(Pos.CENTER_LEFT);
            getChildren().add(row);
        }
        getChildren().add(buttons());
        waits().forEach(getChildren()::add);
        tips.getChildren().clear();
        check.red().ifPresent(red -> tips.getChildren()
                .add(new TwoTips(
                        session.assessmentProperty().get(), state.wake().node(), red, check.black(), place -> false)));
        // What it could be comes in their place.
        if (!tips.getChildren().isEmpty() && !isOutside(result)) {
            getChildren().add(tips);
        }
        judge();
    }

    private static boolean isOutside(Result result) {
        return result.status() == Status.OUT;
    }

    private Node top() {
        List<String> all = state.wake().checks().stream().map(Check::id).toList();
        boolean isBetween = check.group().phase() == Phase.BESIDES;
        Caption number = Ui.word(
                isBetween ? Words.get("wake.between_look") : String.valueOf(all.indexOf(check.id()) + 1),
                isBetween ? "wake-of" : "wake-number");
        Caption of = Ui.word(isBetween ? "" : Words.get("wake.of", "count", state.count()), "wake-of");
        Caption how = Ui.text(words.how(check), "quiet");
        how.setMinWidth(0);
        number.setMinWidth(Region.USE_PREF_SIZE);
        of.setMinWidth(Region.USE_PREF_SIZE);
        HBox row = new HBox(8, number, of, Ui.spring(), how);
        row.setAlignment(Pos.BASELINE_LEFT);
        return row;
    }

    private Node title() {
        Caption title = Ui.text(words.title(check), "wake-title");
        title.setId("wake-title");
        return new VBox(2, title, Ui.text(words.means(check.group()), "quiet"));
    }

    private List<Node> tipLines() {
        WireWords ends = new WireWords(state.wake().node());
        boolean isGrounds = check.kind() == Check.Kind.OHMS && check.black().isEmpty();
        return Stream.concat(
                        check.red().stream().map(tip -> tip(ends, tip, "red")),
                        isGrounds
                                ? Stream.of(line(Words.get("wake.tip.black"), Words.get("wake.tip.grounds"), "black"))
                                : check.black().stream().map(tip -> tip(ends, tip, "black")))
                .toList();
    }

    private static Node tip(WireWords ends, Terminal tip, String colour) {
        String where =
                Words.say(Fact.of("wake.tip.at").with("name", ends.name(tip)).with("place", ends.place(tip)));
        return line(Words.get("wake.tip." + colour), where, colour);
    }

    private static Node line(String tip, String where, String colour) {
        Region dot = Ui.region("tip-dot");
        dot.getStyleClass().add("swatch-" + colour);
        dot.setMinSize(10, 10);
        dot.setMaxSize(10, 10);
        Caption name = Ui.word(tip, "wake-tip");
        name.setMinWidth(Region.USE_PREF_SIZE);
        Caption place = Ui.text(where, "wake-tip-place");
        place.setMinWidth(0);
        HBox row = new HBox(8, dot, name, place);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private Optional<Quantity> most() {
        return state.wake().bears(check).map(Quantity.class::cast);
    }

    private Node buttons() {
        WrapRow row = new WrapRow(12);
        row.setAlignment(Pos.CENTER_LEFT);
        if (session.practice().isOn()) {
            Button read = Ui.textButton("practice-read", Words.get("practice.read"), this::readPractice);
            read.getStyleClass().add("main-button");
            row.getChildren().addAll(read, Ui.word(Words.get("wake.keep.key"), "key"));
        } else if (wantsText()) {
            Button keep = Ui.textButton("wake-keep", Words.get("wake.keep"), this::keep);
            keep.getStyleClass().add("main-button");
            row.getChildren().addAll(keep, Ui.word(Words.get("wake.keep.key"), "key"));
        } else {
            Button well = Ui.textButton("wake-well", Words.get("wake.well"), () -> seen(true));
            well.getStyleClass().add("main-button");
            row.getChildren()
                    .addAll(
                            well,
                            Ui.word(Words.get("wake.keep.key"), "key"),
                            Ui.textButton("wake-not-well", Words.get("wake.not_well"), () -> seen(false)));
        }
        row.getChildren()
                .addAll(
                        Ui.textButton("wake-back", Words.get("wake.back"), desk::back),
                        Ui.textButton("wake-skip", Words.get("wake.skip"), desk::skip));
        boolean isVolts = check.kind() == Check.Kind.VOLTS;
        if (check.isBetweenPoints()) {
            row.getChildren()
                    .addAll(
                            Ui.textButton(
                                    "wake-turn", Words.get(isVolts ? "wake.turn.ohms" : "wake.turn.volts"), desk::turn),
                            Ui.word(Words.get("wake.turn.key"), "key"));
        }
        if (check.group().phase() == Phase.PART) {
            String part = words.group(check.group());
            boolean isOut = state.result(check).status() == Status.LEFT;
            Button leave = new Button(Words.get(isOut ? "wake.take_in" : "wake.leave", "part", part));
            leave.setId("wake-leave");
            leave.getStyleClass().add("text-button");
            leave.setOnAction(event -> session.wake()
                    .leaveOut(Place.ofPart(check.at().node(), check.group().part()), !isOut));
            row.getChildren().add(leave);
        }
        return row;
    }

    private String nameOf(String node) {
        return session.build()
                .flatMap(build -> build.node(node))
                .map(inkel.core.document.Node::name)
                .orElse(node);
    }

    private static Node unplugged(String id, String text, Runnable go) {
        HBox row = new HBox(8, Ui.text(text, "look-text"), Ui.textButton(id, Words.get("wake.waits.to_wire"), go));
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    /** What must hold, and be plugged, before this is worth a look. */
    private List<Node> waits() {
        List<String> wires = state.missingWires(check);
        List<Check> missing = state.missing(check);
        VBox box = new VBox(2);
        if (!wires.isEmpty()) {
            box.getChildren()
                    .add(unplugged(
                            "wake-to-wire",
                            Words.get("wake.waits.wire", "count", wires.size()),
                            () -> desk.toWire(wires.get(0))));
        }
        Map<String, List<TableWire>> elsewhere =
                state.missingElsewhere(check).stream().collect(Collectors.groupingBy(TableWire::node));
        elsewhere.forEach((node, there) -> box.getChildren()
                .add(unplugged(
                        "wake-to-wire-" + node,
                        Words.say(Fact.of("wake.waits.wire_at")
                                .with("board", nameOf(node))
                                .with("count", there.size())),
                        () -> desk.toWireOf(there.get(0)))));
        if (!missing.isEmpty()) {
            String first = words.title(missing.get(0));
            box.getChildren()
                    .add(Ui.text(
                            Words.get("wake.waits") + " " + first
                                    + (missing.size() > 1 ? " +" + (missing.size() - 1) : ""),
                            "quiet"));
        }
        return box.getChildren().isEmpty() ? List.of() : List.of(box);
    }

    // --- judging

    private void judge() {
        if (check == null) {
            return;
        }
        CheckVerdict now = verdict();
        String said = now.said();
        verdict.getStyleClass().removeAll("good", "bad", "calm");
        Optional<Boolean> isWell = now.isWell();
        verdict.getStyleClass().add(isWell.map(well -> well ? "good" : "bad").orElse("calm"));
        verdict.setText(said);
        Ui.show(verdict, !said.isEmpty());
        scale.ifPresent(shown -> shown.show(now.value(), isWell.orElse(false)));
    }

    private CheckVerdict verdict() {
        return new CheckVerdict(words, check, state.result(check), field.getText(), wantsText(), most());
    }

    // --- keeping

    private void keep() {
        if (check == null) {
            return;
        }
        if (session.practice().isOn()) {
            readPractice();
            return;
        }
        if (!wantsText()) {
            seen(true);
            return;
        }
        String text = field.getText().strip();
        if (text.isEmpty()) {
            desk.skip();
            return;
        }
        if (!(check.expected() instanceof Expected.Within)) {
            shown = field.getText();
            boolean isWell = Answers.isExpected(check, text);
            session.wake().seen(check, isWell, text);
            goOn(isWell);
            return;
        }
        Typed read = verdict().typed().orElse(new Typed.Nonsense());
        if (read instanceof Typed.Nonsense) {
            // What was typed stays, and the sentence beside it says what would be right.
            field.requestFocus();
            return;
        }
        shown = field.getText();
        boolean isWell = read.isWell(check.expected()).orElse(false);
        if (read instanceof Typed.Value value) {
            session.wake().read(check, value.quantity(), text);
        } else {
            session.wake().seen(check, isWell, text);
        }
        goOn(isWell);
    }

    /** A press reads the bench that is not there, and keeps what it gives in the copy. */
    private void readPractice() {
        boolean isLook = state.outside() > 0;
        session.practice()
                .read(check, isLook)
                .ifPresentOrElse(
                        answer -> {
                            boolean isWell = Answers.isWell(check, answer);
                            if (answer instanceof Answer.Amount amount
                                    && check.expected() instanceof Expected.Within within) {
                                field.setText(Numbers.exact(Quantity.of(within.unit(), amount.si())));
                            }
                            session.wake().answered(check, answer, isWell);
                            goOn(isWell);
                        },
                        () -> {
                            verdict.setText(Words.get("practice.no_answer"));
                            Ui.show(verdict, true);
                        });
    }

    private void goOn(boolean isWell) {
        if (isWell) {
            desk.next();
        }
    }

    private void seen(boolean isWell) {
        session.wake().seen(check, isWell, "");
        goOn(isWell);
    }

    private void takeAsGood() {
        String why = reason.getText().strip();
        field.clear();
        reason.clear();
        shown = "";
        session.wake().seen(check, true, why);
        desk.next();
    }
}
