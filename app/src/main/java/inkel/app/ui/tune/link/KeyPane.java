package inkel.app.ui.tune.link;

import inkel.app.state.Session;
import inkel.app.state.TuneWork;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.app.words.Words;
import inkel.core.quantity.Fact;
import inkel.core.tune.infrared.Heard;
import inkel.core.tune.infrared.Key;
import inkel.core.tune.infrared.KeyDraft;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The keys of handsets: pressed, learnt with a name and what they do, and what became of every press. */
public final class KeyPane extends BenchPane {
    private static final double TRAIN = 300;
    private static final double NAME = 120;
    private static final double DOES = 170;
    private static final double CODE = 190;
    private static final int SHOWN = 7;
    private static final int PRACTISED = 3;
    private static final int MOST_WIDTHS = 6;

    private final Session session;
    private final TextField train = field("key-train", TRAIN);
    private final TextField name = field("key-name", NAME);
    private final TextField does = field("key-does", DOES);
    private final WrapRow presses = new WrapRow(8);
    private final VBox log = new VBox(4);
    private final Caption which = Ui.text("");
    private final WrapRow ways = new WrapRow(8);
    private final List<Tile> wayPills = new ArrayList<>();
    private final VBox known = new VBox(4);
    private final Caption memory = Ui.text("", "quiet");
    private Key.Way way = Key.Way.ONCE;
    private boolean isNoisy;

    public KeyPane(Session session, TuneWork.At at) {
        super(at);
        this.session = session;
        which.setId("key-which");
        train.setPromptText(Words.get("keys.train.prompt"));
        train.setOnAction(event -> typed());
        presses.setAlignment(Pos.CENTER_LEFT);
        for (Key.Way one : Key.Way.values()) {
            String word = one.name().toLowerCase(Locale.ROOT);
            Tile pill = toggle("key-way-" + word, "keys.way." + word, () -> {
                way = one;
                show();
            });
            wayPills.add(pill);
            ways.getChildren().add(pill);
        }
        WrapRow learn = new WrapRow(10);
        learn.setAlignment(Pos.CENTER_LEFT);
        learn.getChildren()
                .addAll(
                        named("keys.name", "", name),
                        ways,
                        named("keys.does", "", does),
                        Ui.textButton("key-learn", Words.get("keys.learn"), this::learn));
        name.setOnAction(event -> learn());
        does.setOnAction(event -> learn());
        getChildren()
                .addAll(
                        sheet("keys.press", "keys.press.how", presses, log),
                        sheet("keys.tell", "keys.tell.how", which, learn),
                        sheet("keys.known", "", known, memory));
        show();
    }

    private KeyDraft draft() {
        return session.tune().keys().of(at()).orElseThrow();
    }

    private Optional<Heard> last() {
        List<Heard> all = session.tune().keys().heard();
        return all.isEmpty() ? Optional.empty() : Optional.of(all.get(all.size() - 1));
    }

    /** Widths in microseconds, as a program prints them. */
    private void typed() {
        List<OptionalDouble> widths = Arrays.stream(train.getText().strip().split("[\\s,;]+"))
                .map(BenchPane::number)
                .toList();
        boolean isRight =
                widths.size() > 2 && widths.stream().allMatch(width -> width.isPresent() && width.getAsDouble() > 0);
        say(isRight ? "" : Words.get("keys.train.bad"));
        if (isRight) {
            train.clear();
            session.tune()
                    .keys()
                    .hear(at(), widths.stream().map(OptionalDouble::getAsDouble).toList());
        }
    }

    private void learn() {
        Optional<Heard> heard = last().filter(one -> one.said().isPresent());
        if (heard.isEmpty()) {
            say(Words.get("keys.nothing"));
            return;
        }
        String called = name.getText().strip();
        if (called.isEmpty()) {
            say(Words.get("keys.name.bad"));
            return;
        }
        Optional<Key> alike = draft().alike(called, heard.get());
        if (alike.isPresent()) {
            say(Words.say(Fact.of("keys.alike").with("name", called).with("code", code(alike.get()))));
            return;
        }
        Optional<Key> before = draft().key(heard.get());
        say(before.filter(key -> !key.name().equals(called))
                .map(key -> Words.say(Fact.of("keys.again").with("name", called).with("before", key.name())))
                .orElse(""));
        session.tune()
                .keys()
                .learn(at(), heard.get(), called, way, does.getText().strip());
        name.clear();
        does.clear();
    }

    private static String code(Key key) {
        return Words.say(key.said());
    }

    /** Of one that stays raw its first widths. */
    private static String code(Heard heard) {
        if (heard.isRepeat()) {
            return Words.get("keys.repeat");
        }
        return heard.said()
                .map(Words::say)
                .orElseGet(() -> heard.train().stream()
                                .limit(MOST_WIDTHS)
                                .map(width -> String.valueOf(Math.round(width)))
                                .collect(Collectors.joining(" "))
                        + " …");
    }

    private void showPresses() {
        presses.getChildren().clear();
        if (!session.practice().isOn()) {
            presses.getChildren()
                    .addAll(
                            named("keys.train", "µs", train),
                            Ui.textButton("key-take", Words.get("tune.analog.take"), this::typed));
            return;
        }
        for (String coding : session.tune().keys().codings()) {
            HBox one = new HBox(6, Ui.word(Words.get("keys.handset." + coding), "quiet"));
            for (int key = 1; key <= PRACTISED; key++) {
                int number = key;
                one.getChildren()
                        .add(Ui.pill("key-press-" + coding + "-" + key, String.valueOf(key), () -> session.tune()
                                .keys()
                                .press(at(), coding, number, false, isNoisy)));
            }
            one.getChildren().add(Ui.pill("key-hold-" + coding, Words.get("keys.hold"), () -> session.tune()
                    .keys()
                    .press(at(), coding, session.tune().keys().pressed(), true, isNoisy)));
            one.setAlignment(Pos.CENTER_LEFT);
            presses.getChildren().add(one);
        }
        Tile noisy = toggle("key-noisy", "keys.noisy", () -> {
            isNoisy = !isNoisy;
            show();
        });
        noisy.setSelected(isNoisy);
        presses.getChildren().add(noisy);
    }

    private void showLog() {
        log.getChildren().clear();
        List<Heard> all = session.tune().keys().heard();
        for (int i = all.size() - 1; i >= Math.max(0, all.size() - SHOWN); i--) {
            Heard heard = all.get(i);
            Caption code = Ui.word(code(heard), "suspect-share");
            code.setMinWidth(CODE);
            code.setPrefWidth(CODE);
            Caption said = Ui.text(became(heard), heard.key().isPresent() ? "good-text" : "look-text");
            said.setMinWidth(0);
            HBox.setHgrow(said, Priority.ALWAYS);
            log.getChildren().add(new HBox(10, code, said));
        }
    }

    private static String became(Heard heard) {
        String sort = heard.sort().name().toLowerCase(Locale.ROOT);
        String key = heard.sort() == Heard.Sort.STILL
                        && heard.key().filter(one -> one.way() == Key.Way.HELD).isPresent()
                ? "still_held"
                : sort;
        return Words.say(Fact.of("keys.became." + key)
                .with("name", heard.key().map(Key::name).orElse(""))
                .with(
                        "does",
                        heard.key()
                                .map(Key::does)
                                .filter(text -> !text.isEmpty())
                                .orElse(Words.get("tags.nothing_said"))));
    }

    private void showKnown(KeyDraft draft) {
        known.getChildren().clear();
        if (draft.keys().isEmpty()) {
            known.getChildren().add(Ui.text(Words.get("keys.none"), "quiet"));
        }
        for (int i = 0; i < draft.keys().size(); i++) {
            Key key = draft.keys().get(i);
            Caption code = Ui.word(code(key), "suspect-share");
            code.setMinWidth(CODE);
            code.setPrefWidth(CODE);
            Caption said = Ui.text(Words.say(Fact.of(key.does().isEmpty() ? "keys.is" : "keys.is_does")
                    .with("name", key.name())
                    .with("way", Words.get("keys.way." + key.way().name().toLowerCase(Locale.ROOT)))
                    .with("does", key.does())));
            said.setMinWidth(0);
            HBox.setHgrow(said, Priority.ALWAYS);
            HBox row = new HBox(
                    10, code, said, Ui.textButton("key-out-" + i, Words.get("tune.take_out"), () -> session.tune()
                            .keys()
                            .change(at(), draft().without(key))));
            row.setAlignment(Pos.CENTER_LEFT);
            known.getChildren().add(row);
        }
        memory.setText(Words.say(Fact.of(draft.isTooMuch() ? "keys.memory.short" : "keys.memory")
                .with("bytes", draft.bytes())
                .with("kept", draft.kept())));
        Ui.show(memory, !draft.keys().isEmpty());
    }

    @Override
    public void show() {
        if (session.tune().keys().of(at()).isEmpty()) {
            return;
        }
        for (int i = 0; i < wayPills.size(); i++) {
            wayPills.get(i).setSelected(Key.Way.values()[i] == way);
        }
        which.setText(last().filter(heard -> heard.said().isPresent())
                .map(heard -> Words.say(Fact.of("keys.which").with("code", code(heard))))
                .orElse(Words.get("keys.nothing")));
        showPresses();
        showLog();
        showKnown(draft());
    }
}
