package inkel.app.state;

import inkel.app.words.Words;
import inkel.core.formula.TextPdu;
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
    private final Deque<TextPdu> parts = new ArrayDeque<>();
    private final List<String> lines = new ArrayList<>();
    private final List<String> all = new ArrayList<>();
    private BiConsumer<TimeSpan, Runnable> later;
    private TuneWork.At at;
    private ModemStep now;
    private ModemDevice device;
    private Trouble deviceTrouble;
    private boolean isDeviceSagging;
    private Optional<Fact> told = Optional.empty();

    /** Tells the parts of one text from those of the next. */
    private int reference;

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
        // A text that comes is told in the mode that the modem is in.
        begin(part, step == ModemStep.RECEIVE ? List.of(ModemStep.TEXT_MODE, step) : List.of(step));
    }

    /**
     * Sends the text of the draft: as it is typed where that goes out as one message, else its parts one after the other. A
     * modem forgets its mode when it starts anew, so that it is said each time; afterwards texts are as they are typed again.
     */
    public void sendText(TuneWork.At part) {
        ModemDraft draft = tune.modem(part).orElseThrow();
        if (draft.isAsTyped()) {
            begin(part, List.of(ModemStep.TEXT_MODE, ModemStep.SEND));
            return;
        }
        List<TextPdu> all = draft.parts(session.practice().isOn() ? ModemDraft.MADE_UP : typed(), reference++);
        List<ModemStep> steps = new ArrayList<>(List.of(ModemStep.PDU_MODE));
        all.forEach(each -> steps.add(ModemStep.SEND_PART));
        steps.add(ModemStep.TEXT_MODE);
        begin(part, steps, all);
    }

    private void begin(TuneWork.At part, List<ModemStep> steps) {
        begin(part, steps, List.of());
    }

    private void begin(TuneWork.At part, List<ModemStep> steps, List<TextPdu> pdus) {
        stop();
        parts.addAll(pdus);
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
        parts.clear();
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
        return now == ModemStep.SEND_PART ? now.command(parts.peek().length()) : now.command(typed());
    }

    private String typed() {
        return number.get().replace(" ", "");
    }

    /** What follows the command that sends, and how it is shown: a part has the number in it. */
    private String sent(ModemDraft draft) {
        return now == ModemStep.SEND_PART ? parts.peek().hex() : draft.text();
    }

    private String shown(ModemDraft draft) {
        return now == ModemStep.SEND_PART
                ? Words.say(Fact.of("modem.part")
                        .with("number", draft.size().parts() - parts.size() + 1)
                        .with("count", draft.size().parts()))
                : draft.text();
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
        if (now.isSending() && answer.equals(List.of(">"))) {
            note("> " + shown(draft));
            answer = device.answer(sent(draft) + END);
        }
        answer.forEach(this::note);
        lines.addAll(answer);
        draft.reply(now, lines, true).ifPresent(this::done);
    }

    private void say() {
        int mine = run;
        note("> " + now.shown());
        session.line().send(command() + "\r");
        if (now.isSending()) {
            later.accept(PROMPT, () -> {
                if (run == mine) {
                    draft().ifPresent(draft -> {
                        note("> " + shown(draft));
                        session.line().send(sent(draft) + END);
                    });
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
        boolean isPart = !parts.isEmpty() && line.contains(parts.peek().hex());
        boolean isEcho = now != null && line.startsWith("AT") || line.startsWith(">") || isPart;
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
            parts.clear();
        } else if (reply.step() == ModemStep.SEND_PART) {
            parts.poll();
        }
        next();
    }
}
