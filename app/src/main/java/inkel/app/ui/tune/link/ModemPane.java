package inkel.app.ui.tune.link;

import inkel.app.state.ModemWork;
import inkel.app.state.Session;
import inkel.app.state.TuneWork;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.app.words.Words;
import inkel.core.quantity.Fact;
import inkel.core.tune.modem.ModemDevice.Trouble;
import inkel.core.tune.modem.ModemDraft;
import inkel.core.tune.modem.ModemRig;
import inkel.core.tune.modem.ModemStep;
import inkel.core.tune.modem.Reply;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The script of a modem, command by command, and the text that it sends. */
public final class ModemPane extends BenchPane {
    private static final double NUMBER = 150;
    private static final double COMMAND = 190;
    private static final int SHOWN = 12;

    private final Session session;
    private final VBox supply = new VBox();
    private final WrapRow troubles = new WrapRow(8);
    private final VBox script = new VBox(4);
    private final TextField text = new TextField();
    private final Caption size = Ui.text("", "quiet");
    private final TextField number = field("modem-number", NUMBER);
    private final Tile send;
    private final HBox sure;
    private final Caption sureSaid = Ui.text("", "look-text");
    private final VBox sent = new VBox();
    private final VBox came = new VBox();
    private final VBox heard = new VBox(2);

    /** Whether sending waits for a second press. */
    private boolean isAsked;

    /** What the field showed last, so that what is typed is not taken away while it is typed. */
    private String shownText = "";

    public ModemPane(Session session, TuneWork.At at) {
        super(at);
        this.session = session;
        text.setId("modem-text");
        text.setAccessibleText(Words.get("modem.text"));
        text.setMinWidth(0);
        HBox.setHgrow(text, Priority.ALWAYS);
        text.textProperty().addListener((property, old, next) -> type(next));
        number.setPromptText(ModemDraft.MADE_UP);
        number.setText(session.tune().talk().numberProperty().get());
        number.textProperty().addListener((property, old, next) -> {
            session.tune().talk().numberProperty().set(next.strip());
            ask(false);
        });
        send = Ui.pill("modem-send", Words.get("modem.send"), this::begin);
        sureSaid.setMinWidth(0);
        HBox.setHgrow(sureSaid, Priority.ALWAYS);
        sure = new HBox(
                10,
                sureSaid,
                Ui.pill("modem-sure", Words.get("modem.sure"), this::sendIt),
                Ui.textButton("modem-not", Words.get("modem.not_now"), () -> ask(false)));
        sure.setAlignment(Pos.CENTER_LEFT);
        troubles.setAlignment(Pos.CENTER_LEFT);
        HBox written = new HBox(8, Ui.word(Words.get("modem.text"), "quiet"), text);
        written.setAlignment(Pos.CENTER_LEFT);
        WrapRow whom = new WrapRow(10);
        whom.setAlignment(Pos.CENTER_LEFT);
        whom.getChildren()
                .addAll(
                        named("modem.number", "", number),
                        send,
                        Ui.textButton("modem-receive", Words.get("modem.receive"), () -> session.tune()
                                .talk()
                                .ask(at(), ModemStep.RECEIVE)));
        WrapRow run = new WrapRow(10);
        run.getChildren()
                .addAll(
                        Ui.pill("modem-run", Words.get("modem.run"), () -> session.tune()
                                .talk()
                                .runScript(at())),
                        Ui.textButton("modem-stop", Words.get("modem.stop"), () -> {
                            session.tune().talk().stop();
                            show();
                        }));
        heard.getStyleClass().add("modem-lines");
        getChildren()
                .addAll(
                        sheet("modem.supply", "", supply),
                        sheet("modem.script", "modem.script.how", troubles, script, run),
                        sheet("modem.message", "modem.message.how", written, size, whom, sure, sent, came),
                        sheet("modem.heard", "", heard));
        widthProperty().addListener((property, old, next) -> {
            if (old.doubleValue() < LITTLE != next.doubleValue() < LITTLE) {
                show();
            }
        });
        show();
    }

    private boolean isNarrow() {
        return getWidth() > 0 && getWidth() < LITTLE;
    }

    private ModemDraft draft() {
        return session.tune().modem(at()).orElseThrow();
    }

    private void type(String next) {
        if (!next.equals(shownText)) {
            shownText = next;
            ask(false);
            session.tune().modem(at(), draft().withText(next));
        }
    }

    private void ask(boolean isNow) {
        isAsked = isNow;
        Ui.show(sure, isNow);
        send.setDisable(isNow);
    }

    /** A modem that is not there sends at once; a real one costs, and reaches somebody. */
    private void begin() {
        Optional<String> wrong = wrong();
        say(wrong.orElse(""));
        if (wrong.isPresent()) {
            return;
        }
        if (session.practice().isOn()) {
            session.tune().talk().sendText(at());
            return;
        }
        sureSaid.setText(Words.say(Fact.of("modem.ask")
                .with("number", number.getText().strip())
                .with("count", draft().size().parts())));
        ask(true);
    }

    private void sendIt() {
        ask(false);
        Optional<String> wrong = wrong();
        say(wrong.orElse(""));
        if (wrong.isEmpty()) {
            session.tune().talk().sendText(at());
        }
    }

    private Optional<String> wrong() {
        ModemDraft draft = draft();
        if (!session.practice().isOn() && !ModemWork.isNumber(number.getText())) {
            return Optional.of(Words.get("modem.number.bad"));
        }
        if (draft.text().isBlank()) {
            return Optional.of(Words.get("modem.text.bad"));
        }
        return draft.isSendable()
                ? Optional.empty()
                : Optional.of(Words.get("modem.text.long", "most", ModemDraft.MOST_PARTS));
    }

    private void showSupply(ModemRig rig) {
        String key = !rig.isFed()
                ? "modem.supply.none"
                : rig.lowest().isEmpty()
                        ? "modem.supply.nothing_carries"
                        : rig.sags() ? "modem.supply.sags" : "modem.supply.well";
        String style = !rig.isFed() ? "look-text" : rig.sags() ? "stop-text" : "good-text";
        supply.getChildren()
                .setAll(Ui.text(
                        Words.say(Fact.of(key)
                                .with("lowest", rig.lowest().orElse(rig.least()))
                                .with("least", rig.least())),
                        style));
    }

    private void showTroubles() {
        troubles.getChildren().clear();
        Ui.show(troubles, session.practice().isOn());
        if (!session.practice().isOn()) {
            return;
        }
        for (Trouble trouble : Trouble.values()) {
            String word = trouble.name().toLowerCase(Locale.ROOT);
            Tile tile = toggle("modem-trouble-" + word, "modem.trouble." + word, () -> {
                session.tune().talk().troubleProperty().set(trouble);
                show();
            });
            tile.setSelected(session.tune().talk().troubleProperty().get() == trouble);
            troubles.getChildren().add(tile);
        }
    }

    private static String style(Reply reply) {
        return switch (reply.verdict()) {
            case WELL -> "good-text";
            case LOOK -> "look-text";
            case STOP -> "stop-text";
        };
    }

    private static Caption said(Reply reply) {
        return Ui.text(Words.say(reply.about()), style(reply));
    }

    private static void show(VBox host, Optional<Reply> reply) {
        host.getChildren().setAll(reply.map(ModemPane::said).stream().toList());
        Ui.show(host, reply.isPresent());
    }

    private void showScript(ModemDraft draft) {
        script.getChildren().clear();
        for (ModemStep step : ModemStep.values()) {
            if (!step.isOfScript()) {
                continue;
            }
            Caption command = Ui.word(step.shown(), "suspect-share");
            Caption what = Ui.text(Words.get("modem.step." + step.name().toLowerCase(Locale.ROOT)), "quiet");
            VBox asked = new VBox(command, what);
            asked.setMinWidth(COMMAND);
            asked.setPrefWidth(COMMAND);
            boolean isNow = session.tune().talk().now().filter(step::equals).isPresent();
            Caption said = isNow
                    ? Ui.text(Words.say(Fact.of("modem.waits").with("seconds", step.patience())), "quiet")
                    : Optional.ofNullable(draft.replies().get(step))
                            .map(ModemPane::said)
                            .orElseGet(() -> Ui.text(""));
            said.setMinWidth(0);
            HBox.setHgrow(said, Priority.ALWAYS);
            Node ask = Ui.textButton(
                    "modem-ask-" + step.name().toLowerCase(Locale.ROOT),
                    Words.get("modem.ask_it"),
                    () -> session.tune().talk().ask(at(), step));
            HBox.setHgrow(asked, isNarrow() ? Priority.ALWAYS : Priority.NEVER);
            asked.setMaxWidth(isNarrow() ? Double.MAX_VALUE : COMMAND);
            HBox row = isNarrow() ? new HBox(10, asked, ask) : new HBox(10, asked, said, ask);
            row.setAlignment(Pos.CENTER_LEFT);
            script.getChildren().add(isNarrow() ? new VBox(2, row, said) : row);
        }
    }

    private void showText(ModemDraft draft) {
        if (!draft.text().equals(shownText)) {
            shownText = draft.text();
            text.setText(shownText);
        }
        ModemDraft.Size message = draft.size();
        size.setText(Words.say(Fact.of(message.units() == 0 ? "modem.size.none" : "modem.size")
                .with("units", message.units())
                .with("parts", message.parts())
                .with("left", message.left())
                .with("alphabet", Words.get(message.isShort() ? "modem.alphabet.short" : "modem.alphabet.long"))));
        Ui.show(sure, isAsked);
        show(sent, draft.sent());
        show(came, Optional.ofNullable(draft.replies().get(ModemStep.RECEIVE)));
    }

    private void showHeard() {
        heard.getChildren().clear();
        List<String> lines = session.tune().talk().lines();
        if (lines.isEmpty()) {
            heard.getChildren().add(Ui.text(Words.get("modem.heard.none"), "quiet"));
        }
        lines.stream().skip(Math.max(0, lines.size() - SHOWN)).forEach(line -> heard.getChildren()
                .add(Ui.text(line, "suspect-share")));
    }

    @Override
    public void show() {
        if (session.tune().modem(at()).isEmpty()) {
            return;
        }
        session.tune().talk().told().ifPresent(told -> say(Words.say(told)));
        ModemDraft draft = draft();
        showSupply(draft.rig());
        showTroubles();
        showScript(draft);
        showText(draft);
        showHeard();
    }
}
