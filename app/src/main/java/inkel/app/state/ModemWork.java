package inkel.app.state;

import inkel.core.quantity.Fact;
import inkel.core.quantity.TimeSpan;
import inkel.core.tune.modem.ModemDevice;
import inkel.core.tune.modem.ModemDevice.Trouble;
import inkel.core.tune.modem.ModemDraft;
import inkel.core.tune.modem.ModemStep;
import inkel.core.tune.modem.Reply;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.BiConsumer;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;

/** Talks to a modem, one command after the other: to the one at the serial line, or to one that is not there. */
public final class ModemWork {
    /** Ends a text. */
    private static final String END = "\u001A";

    /** How long a modem takes to ask for the text, at the longest: its prompt ends no line, so that it is not heard. */
    private static final TimeSpan PROMPT = TimeSpan.ofSeconds(1.5);

    private static final int MOST_LINES = 200;

    private final Session session;
    private final TuneWork tune;
    private final StringProperty number = new SimpleStringProperty("");
    private final ObjectProperty<Trouble> trouble = new SimpleObjectProperty<>(Trouble.NONE);
    private final Deque<ModemStep> waiting = new ArrayDeque<>();
    private final List<String> lines = new ArrayList<>();
    private final List<String> all = new ArrayList<>();
    private BiConsumer<TimeSpan, Runnable> later;
    private TuneWork.At at;
    private ModemStep now;
    private ModemDevice device;
    private Trouble deviceTrouble;
    private boolean isDeviceSagging;
    private Optional<Fact> told = Optional.empty();

    /** Counts the commands: what was to happen after an earlier one does not any more. */
    private int run;

    ModemWork(Session session, TuneWork tune) {
        this.session = session;
        this.tune = tune;
        later = (time, task) -> CompletableFuture.delayedExecutor(
                        Math.round(time.seconds() * 1000),
                        TimeUnit.MILLISECONDS,
                        session.lanes().screen())
                .execute(task);
    }

    /** Another clock than that of this machine. */
    void use(BiConsumer<TimeSpan, Runnable> other) {
        later = other;
    }

    /** Whom texts are for: remembered by the program, never in a build. */
    public StringProperty numberProperty() {
        return number;
    }

    /** What is wrong with the modem that is not there. */
    public ObjectProperty<Trouble> troubleProperty() {
        return trouble;
    }

    /** The command whose answer is waited for. */
    public Optional<ModemStep> now() {
        return Optional.ofNullable(now);
    }

    /** What was said and heard, the last one last. */
    public List<String> lines() {
        return List.copyOf(all);
    }

    /** Why nothing was sent, when that was so. */
    public Optional<Fact> told() {
        return told;
    }

    /** A number in the form of every country: a plus and up to 15 digits (ITU-T E.164). */
    public static boolean isNumber(String text) {
        return text.replace(" ", "").matches("\\+[0-9]{5,15}");
    }

    /** All of the script that neither sends nor waits for a text. */
    public void runScript(TuneWork.At part) {
        begin(
                part,
                Arrays.stream(ModemStep.values()).filter(ModemStep::isOfScript).toList());
    }

    public void ask(TuneWork.At part, ModemStep step) {
        begin(part, List.of(step));
    }

    /** Sends the text of the draft; in text mode, which a modem forgets when it starts anew. */
    public void sendText(TuneWork.At part) {
        begin(part, List.of(ModemStep.TEXT_MODE, ModemStep.SEND));
    }

    private void begin(TuneWork.At part, List<ModemStep> steps) {
        stop();
        boolean isLine = session.line().nowProperty().get().isListening();
        if (!session.practice().isOn() && !isLine) {
            told = Optional.of(Fact.of("modem.no_line"));
            tune.change();
            return;
        }
        at = part;
        waiting.addAll(steps);
        next();
    }

    /** Waits for nothing any more. */
    public void stop() {
        run++;
        now = null;
        waiting.clear();
        lines.clear();
        told = Optional.empty();
    }

    private void next() {
        run++;
        lines.clear();
        now = waiting.poll();
        if (now != null) {
            if (session.practice().isOn()) {
                practise();
            } else {
                say();
            }
        }
        tune.change();
    }

    private String command() {
        return now.command(number.get().replace(" ", ""));
    }

    private void note(String line) {
        if (all.size() == MOST_LINES) {
            all.remove(0);
        }
        all.add(line);
    }

    private Optional<ModemDraft> draft() {
        return tune.modem(at);
    }

    private void practise() {
        ModemDraft draft = draft().orElseThrow();
        boolean isSagging = draft.rig().sags();
        if (device == null || deviceTrouble != trouble.get() || isDeviceSagging != isSagging) {
            deviceTrouble = trouble.get();
            isDeviceSagging = isSagging;
            device = new ModemDevice(tune.seed(at), deviceTrouble, isSagging);
        }
        note("> " + now.shown());
        List<String> answer = device.answer(command());
        if (now == ModemStep.SEND && answer.equals(List.of(">"))) {
            note("> " + draft.text());
            answer = device.answer(draft.text() + END);
        }
        answer.forEach(this::note);
        lines.addAll(answer);
        draft.reply(now, lines, true).ifPresent(this::done);
    }

    private void say() {
        int mine = run;
        note("> " + now.shown());
        session.line().send(command() + "\r");
        if (now == ModemStep.SEND) {
            later.accept(PROMPT, () -> {
                if (run == mine) {
                    draft().ifPresent(draft -> session.line().send(draft.text() + END));
                }
            });
        }
        later.accept(now.patience(), () -> {
            if (run == mine) {
                draft().flatMap(draft -> draft.reply(now, lines, true)).ifPresent(this::done);
            }
        });
    }

    /** A line of the modem; its echo of the command and its prompt are none. */
    void hear(String line) {
        if (line.isEmpty()) {
            return;
        }
        boolean isEcho = now != null && line.startsWith("AT") || line.startsWith(">");
        if (!isEcho) {
            note(line);
        }
        if (now != null && !isEcho) {
            lines.add(line);
            draft().flatMap(draft -> draft.reply(now, lines, false)).ifPresent(this::done);
        }
        tune.change();
    }

    /** What stands in the way of one command stands in the way of those after it. */
    private void done(Reply reply) {
        draft().ifPresent(draft -> tune.modem(at, draft.with(reply)));
        if (reply.verdict() == Reply.Verdict.STOP) {
            waiting.clear();
        }
        next();
    }
}
