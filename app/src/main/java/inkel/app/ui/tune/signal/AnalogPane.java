package inkel.app.ui.tune.signal;

import inkel.app.state.Session;
import inkel.app.state.TuneWork;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.app.ui.tune.bench.CurveBox;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.document.Endpoint;
import inkel.core.document.Tuning.Point;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import inkel.core.tune.analog.AnalogDraft;
import inkel.core.tune.analog.AnalogFit;
import inkel.core.tune.analog.AnalogSignal;
import inkel.core.tune.analog.Run;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The bench of an analog input: what codes say of noise and reference, and the line from codes to what is meant. */
public final class AnalogPane extends BenchPane {
    private static final double FIELD = 70;
    private static final double CODES = 260;
    private static final int PRACTISED = 40;

    /** Where the signal that is not there is turned to, in percent of its range. */
    private static final int[] PLACES = {0, 20, 40, 60, 80, 100};

    private static final int MOST_AVERAGED = 1024;

    private final Session session;
    private final TextField codes = field("tune-codes", CODES);
    private final TextField volts = field("tune-volts", FIELD);
    private final Caption waiting = Ui.word("", "quiet");
    private final WrapRow signals = new WrapRow(6);
    private final AnalogCurve curved = new AnalogCurve(this::draft, this::change, this::say);
    private final Node byHand;
    private final Node practised;
    private final VBox runs = new VBox(4);
    private final AnalogSays found = new AnalogSays();
    private final CurveBox curve;
    private final AnalogMeaning meaning = new AnalogMeaning(this::draft, this::change, this::say);
    private final TextField averaged = field("tune-averaged", FIELD);
    private final Caption averages = Ui.text("", "quiet");

    public AnalogPane(Session session, TuneWork.At at) {
        super(at);
        this.session = session;
        curve = new CurveBox(
                Words.get("tune.analog.code"), "V", one -> String.valueOf(Math.round(one)), BenchPane::plain);
        byHand = byHand();
        practised = practised();
        VBox read = sheet("tune.analog.read", "tune.analog.read.how", signals, byHand, practised, runs);
        VBox line = sheet("tune.analog.line", "", curve, found);
        VBox.setVgrow(curve, Priority.ALWAYS);
        VBox meant = sheet(
                "tune.analog.meaning",
                "tune.analog.meaning.how",
                meaning.entry(),
                meaning.corners(),
                curved.content(),
                meaning.means(),
                averaging());
        getChildren().addAll(read, twoSheets(line, meant));
        show();
    }

    private AnalogDraft part() {
        return session.tune().analogs().of(at()).orElseThrow();
    }

    private AnalogSignal draft() {
        return part().signal();
    }

    private void change(AnalogSignal next) {
        say("");
        session.tune().analogs().change(at(), part().with(next));
    }

    // --- reading

    private Node byHand() {
        codes.setPromptText(Words.get("tune.analog.codes.prompt"));
        volts.setPromptText(Numbers.volts(Voltage.ofVolts(2.5)));
        codes.setOnAction(event -> take());
        volts.setOnAction(event -> take());
        WrapRow row = new WrapRow(8);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getChildren()
                .addAll(
                        Ui.word(Words.get("tune.analog.codes"), "quiet"),
                        codes,
                        Ui.word(Words.get("tune.analog.volts"), "quiet"),
                        volts,
                        Ui.textButton("tune-take", Words.get("tune.analog.take"), this::take),
                        Ui.textButton("tune-ask", Words.get("tune.analog.ask"), () -> session.line()
                                .send("a")),
                        waiting);
        return row;
    }

    private Node practised() {
        WrapRow row = new WrapRow(8);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getChildren().add(Ui.word(Words.get("tune.analog.turn"), "quiet"));
        for (int percent : PLACES) {
            row.getChildren().add(Ui.pill("tune-practise-" + percent, percent + " %", () -> session.tune()
                    .analogs()
                    .practise(at(), percent / 100.0, PRACTISED)));
        }
        return row;
    }

    /** Which signal is worked on, where the part has several. */
    private void showSignals(AnalogDraft draft) {
        int count = draft.signals().size();
        Ui.show(signals, count > 1);
        if (signals.getChildren().size() != count) {
            signals.getChildren().clear();
            for (int i = 0; i < count; i++) {
                int number = i;
                Endpoint signal = draft.signals().get(i).rig().signal();
                Tile pill = Ui.pill(
                        "tune-signal-" + i,
                        Words.say(Fact.of("tune.analog.signal").with("pin", signal.pin())),
                        () -> session.tune().analogs().turn(at(), number));
                pill.getStyleClass().add("pill-toggle");
                signals.getChildren().add(pill);
            }
        }
        for (int i = 0; i < count; i++) {
            ((Tile) signals.getChildren().get(i)).setSelected(i == draft.shown());
        }
    }

    /** What is typed, or what came over the line when nothing is. */
    private void take() {
        Optional<Double> read = volts.getText().isBlank() ? Optional.empty() : amount(volts.getText(), Unit.VOLT);
        if (!volts.getText().isBlank() && read.isEmpty()) {
            say(Words.get("tune.analog.volts.bad"));
            return;
        }
        if (codes.getText().isBlank() && session.tune().analogs().waiting() > 0) {
            say("");
            session.tune().analogs().take(at(), read);
            volts.clear();
            return;
        }
        Optional<List<Integer>> typed = typed(codes.getText());
        if (typed.isEmpty()) {
            say(Words.say(Fact.of("tune.analog.codes.bad")
                    .with("most", Math.round(draft().rig().codes()) - 1)));
            return;
        }
        codes.clear();
        volts.clear();
        change(draft().with(new Run(typed.get(), read)));
    }

    /** Codes with anything but digits between them, as they come out of a log; each one that the converter can give. */
    private Optional<List<Integer>> typed(String text) {
        List<String> words = Arrays.stream(text.strip().split("[^0-9]+"))
                .filter(word -> !word.isEmpty())
                .toList();
        boolean isRight = !words.isEmpty()
                && text.matches("[0-9\\s,;]+")
                && words.stream()
                        .allMatch(word -> word.length() < 9
                                && Integer.parseInt(word) < draft().rig().codes());
        return isRight ? Optional.of(words.stream().map(Integer::valueOf).toList()) : Optional.empty();
    }

    private void showRuns(AnalogSignal draft) {
        runs.getChildren().clear();
        for (int i = 0; i < draft.runs().size(); i++) {
            int number = i;
            Run run = draft.runs().get(i);
            WrapRow row = new WrapRow(12);
            row.getChildren()
                    .addAll(
                            Ui.word(
                                    Words.say(Fact.of("tune.analog.run")
                                            .with("mean", Numbers.fixed(run.mean(), 1))
                                            .with("count", run.codes().size())),
                                    "tune-run"),
                            Ui.word(
                                    run.volts()
                                            .map(read -> Numbers.print(Voltage.ofVolts(read)))
                                            .orElse(Words.get("tune.analog.unmeasured")),
                                    "quiet"),
                            Ui.textButton(
                                    "tune-run-out-" + i,
                                    Words.get("tune.take_out"),
                                    () -> change(draft().without(number))));
            row.setAlignment(Pos.CENTER_LEFT);
            runs.getChildren().add(row);
        }
    }

    private void showLine(AnalogSignal draft) {
        double most = draft.rig().codes() - 1;
        curve.range(0, most, 0, draft.rig().fullScale() * 1.05);
        List<Point> measured = draft.runs().stream()
                .filter(run -> run.volts().isPresent())
                .map(run -> new Point(run.mean(), run.volts().orElseThrow()))
                .toList();
        Optional<AnalogFit> fit = draft.fit();
        List<Point> line = fit.flatMap(one -> one.volts(0)
                        .flatMap(from -> one.volts(most).map(to -> List.of(new Point(0, from), new Point(most, to)))))
                .orElse(List.of());
        curve.show(List.of(), line, measured, List.of());
    }

    private Node averaging() {
        averaged.setOnAction(event -> takeAveraged());
        averages.setMinWidth(0);
        return new VBox(4, named("tune.analog.averaged", "", averaged), averages);
    }

    private void takeAveraged() {
        OptionalDouble count = number(averaged.getText());
        boolean isWhole = count.isPresent()
                && count.getAsDouble() == Math.rint(count.getAsDouble())
                && count.getAsDouble() >= 1
                && count.getAsDouble() <= MOST_AVERAGED;
        if (isWhole) {
            change(draft().averaged((int) count.getAsDouble()));
        } else {
            say(Words.get("tune.analog.averaged.bad"));
        }
    }

    private void showAveraging(AnalogSignal draft) {
        fill(averaged, String.valueOf(draft.averaged()));
        String noise = draft.fit()
                .flatMap(fit -> fit.averaged(draft.averaged()))
                .map(left -> Words.say(Fact.of("tune.analog.left").with("noise", Numbers.fixed(left, 2))))
                .orElse("");
        averages.setText((noise + " "
                        + Words.say(Fact.of("tune.analog.delay")
                                .with("delay", TimeSpan.ofSeconds(draft.delay()))
                                .with("rate", Frequency.ofHertz(draft.rate()))
                                .with("channels", draft.rig().channels())))
                .strip());
    }

    @Override
    public void show() {
        Optional<AnalogDraft> draft = session.tune().analogs().of(at());
        Optional<AnalogSignal> shown = draft.map(AnalogDraft::signal);
        if (shown.isEmpty()) {
            return;
        }
        showSignals(draft.get());
        boolean isPractice = session.practice().isOn();
        Ui.show(byHand, !isPractice);
        Ui.show(practised, isPractice);
        int count = session.tune().analogs().waiting();
        waiting.setText(count == 0 ? "" : Words.get("tune.analog.waiting", "count", count));
        showRuns(shown.get());
        found.show(shown.get());
        showLine(shown.get());
        meaning.show(shown.get());
        curved.show(shown.get());
        showAveraging(shown.get());
    }
}
