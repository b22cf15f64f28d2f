package inkel.app.ui.tune.signal;

import inkel.app.state.Session;
import inkel.app.state.TuneWork;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.app.words.NumberWords;
import inkel.app.words.Words;
import inkel.core.document.Tuning.Found;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import inkel.core.quantity.Unit;
import inkel.core.tune.sample.Ask;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledDraft;
import inkel.core.tune.sample.Work;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.geometry.Pos;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** A bench of readings: what is asked next, what was read, what follows from it, and its picture. */
public final class SampledPane extends BenchPane {
    private static final double FIELD = 80;
    private static final double VALUES = 240;
    private static final double NAME = 124;

    /** Readings stand side by side where there is room for two. */
    private static final double ONE_READ = 296;

    private final Session session;
    private final WrapRow asks = new WrapRow(8);
    private final Caption asked = Ui.text("", "tune-asked");
    private final WrapRow entry = new WrapRow(8);
    private final WrapRow read = new WrapRow(4);
    private final Caption waiting = Ui.text("", "quiet");
    private final VBox found = new VBox(4);
    private final VBox told = new VBox(4);
    private final SampledSettings settings;
    private final SampledPicture pictures;
    private String current = "";
    private String shown = "";

    public SampledPane(Session session, TuneWork.At at) {
        super(at);
        this.session = session;
        String bench = "tune." + at.bench().text();
        asks.setAlignment(Pos.CENTER_LEFT);
        entry.setAlignment(Pos.CENTER_LEFT);
        settings = new SampledSettings(this);
        pictures = new SampledPicture(at.bench());
        asked.setId("tune-asked");
        waiting.setId("tune-waiting");
        VBox first = sheet("tune.sampled.read", bench + ".how", asks, asked, entry, read);
        VBox says = sheet("tune.sampled.says", "", found, told, settings.node());
        VBox picture = sheet("tune.sampled.picture", "", pictures);
        VBox.setVgrow(pictures, Priority.ALWAYS);
        getChildren().addAll(first, twoSheets(picture, says));
        show();
    }

    SampledDraft draft() {
        return session.tune().readings().of(at()).orElseThrow();
    }

    void change(SampledDraft next) {
        say("");
        session.tune().readings().change(at(), next);
    }

    private List<Ask> all() {
        return draft().bench().asks(draft().rig());
    }

    private Ask ask() {
        return all().stream()
                .filter(ask -> ask.id().equals(current))
                .findFirst()
                .orElse(all().get(0));
    }

    // --- what is asked

    private String name(Ask ask) {
        String said = Words.get("tune.ask." + at().bench().text() + "." + ask.key());
        return ask.of().isEmpty() ? said : ask.of() + ", " + said;
    }

    private void showAsks(SampledDraft draft) {
        asks.getChildren().clear();
        for (Ask ask : all()) {
            Tile pill = toggleOf("tune-ask-" + ask.id().replace(' ', '-'), name(ask), () -> {
                current = ask.id();
                show();
            });
            boolean isRead =
                    draft.samples().stream().anyMatch(sample -> sample.ask().equals(ask.id()));
            pill.setSelected(ask.equals(ask()));
            pill.setAccessibleText(
                    name(ask) + ", " + Words.get(isRead ? "tune.sampled.is_read" : "tune.sampled.not_read"));
            asks.getChildren().add(pill);
        }
        Ui.show(asks, all().size() > 1);
    }

    static Tile toggleOf(String id, String text, Runnable action) {
        Tile pill = Ui.pill(id, text, action);
        pill.getStyleClass().add("pill-toggle");
        return pill;
    }

    /** Fields are made anew only for another ask, so that nothing typed is lost. */
    private void showEntry() {
        Ask ask = ask();
        boolean isPractice = session.practice().isOn();
        String what = ask.id() + " " + isPractice;
        int count = session.tune().readings().heard().size();
        waiting.setText(
                count == 0 ? "" : Words.say(Fact.of("tune.sampled.waiting").with("count", count)));
        asked.setText(Words.get("tune.asked." + at().bench().text() + "." + ask.key()));
        if (what.equals(shown)) {
            return;
        }
        shown = what;
        entry.getChildren().clear();
        if (isPractice) {
            practised(ask);
        } else {
            typed(ask);
        }
    }

    private void practised(Ask ask) {
        if (ask.known().isEmpty()) {
            entry.getChildren()
                    .add(Ui.pill("tune-practise", Words.get("tune.sampled.practise"), () -> practise(ask, 0)));
            return;
        }
        entry.getChildren().add(Ui.word(Words.get("tune.sampled.put"), "quiet"));
        List<Double> all = ask.known().get().practised();
        for (int i = 0; i < all.size(); i++) {
            double known = all.get(i);
            String said = (plain(known / NumberWords.scale(ask.known().get().unit())) + " " + knownUnit(ask)).strip();
            entry.getChildren().add(Ui.pill("tune-practise-" + i, said, () -> practise(ask, known)));
        }
    }

    private void practise(Ask ask, double known) {
        say("");
        session.tune().readings().practise(at(), ask, known);
        goOn(ask);
    }

    /** What of the asked is known, in words where it has no unit of its own. */
    private String knownUnit(Ask ask) {
        String key = "tune.known_unit." + at().bench().text() + "." + ask.key();
        return Words.has(key)
                ? Words.get(key)
                : NumberWords.unit(ask.known().orElseThrow().unit());
    }

    private void typed(Ask ask) {
        TextField known = field("tune-known", FIELD);
        TextField values = field("tune-values", VALUES);
        values.setPromptText(Words.get("tune.sampled.prompt"));
        Runnable take = () -> take(ask, known, values);
        known.setOnAction(event -> take.run());
        values.setOnAction(event -> take.run());
        ask.known().ifPresent(of -> {
            String called = Words.get("tune.known." + at().bench().text() + "." + ask.key());
            known.setAccessibleText((called + " " + knownUnit(ask)).strip());
            entry.getChildren().addAll(Ui.word(called, "quiet"), known, Ui.word(knownUnit(ask), "quiet"));
        });
        entry.getChildren()
                .addAll(
                        Ui.word(Words.get("tune.sampled.values"), "quiet"),
                        values,
                        Ui.word(NumberWords.unit(ask.unit()), "quiet"),
                        Ui.textButton("tune-take", Words.get("tune.analog.take"), take),
                        waiting);
    }

    private void take(Ask ask, TextField known, TextField values) {
        double beside = 0;
        if (ask.known().isPresent()) {
            Ask.Known of = ask.known().get();
            Optional<Double> typed = amountOf(known.getText(), of.unit());
            boolean isRight = typed.filter(value -> value >= of.least() && value <= of.most())
                    .isPresent();
            if (!isRight) {
                say(Words.say(Fact.of("tune.sampled.known.bad")
                        .with("least", shown(of.least(), of.unit(), knownUnit(ask)))
                        .with("most", shown(of.most(), of.unit(), knownUnit(ask)))));
                return;
            }
            beside = typed.get();
        }
        boolean isFromLine =
                values.getText().isBlank() && !session.tune().readings().heard().isEmpty();
        Optional<List<Double>> read = isFromLine
                ? Optional.of(session.tune().readings().take(at()).stream()
                        .map(number -> number * NumberWords.scale(ask.unit()))
                        .toList())
                : values(values.getText(), ask.unit());
        if (read.isEmpty()) {
            say(Words.get("tune.sampled.values.bad"));
            return;
        }
        known.clear();
        values.clear();
        change(draft().with(new Sample(ask.id(), beside, read.get())));
        goOn(ask);
    }

    static String shown(double value, Unit unit, String symbol) {
        return (plain(value / NumberWords.scale(unit)) + " " + symbol).strip();
    }

    /** A plain number is in the unit that stands behind the field. */
    static Optional<Double> amountOf(String text, Unit unit) {
        OptionalDouble plain = number(text);
        if (plain.isPresent()) {
            return Optional.of(plain.getAsDouble() * NumberWords.scale(unit));
        }
        return unit == Unit.ONE ? Optional.empty() : amount(text, unit);
    }

    /** Numbers with blanks or semicolons between them, as they come out of a log. */
    private static Optional<List<Double>> values(String text, Unit unit) {
        List<Double> all = new ArrayList<>();
        for (String word : text.strip().split("[\\s;]+|,\\s+")) {
            OptionalDouble value = number(word);
            if (value.isEmpty()) {
                return Optional.empty();
            }
            all.add(value.getAsDouble() * NumberWords.scale(unit));
        }
        return Optional.of(all);
    }

    /** To what is asked next and was not read yet; what has something known beside it is read several times. */
    private void goOn(Ask ask) {
        if (ask.known().isEmpty()) {
            all().stream()
                    .filter(next -> draft().samples().stream()
                            .noneMatch(sample -> sample.ask().equals(next.id())))
                    .findFirst()
                    .ifPresent(next -> current = next.id());
        }
        show();
    }

    private void showRead(SampledDraft draft) {
        read.getChildren().clear();
        for (int i = 0; i < draft.samples().size(); i++) {
            int number = i;
            Sample sample = draft.samples().get(i);
            Optional<Ask> ask = draft.ask(sample.ask());
            if (ask.isEmpty()) {
                continue;
            }
            String beside = ask.get()
                    .known()
                    .map(of -> "  " + shown(sample.known(), of.unit(), knownUnit(ask.get())))
                    .orElse("");
            WrapRow row = new WrapRow(12);
            row.setAlignment(Pos.CENTER_LEFT);
            row.setPrefWidth(ONE_READ);
            row.getChildren()
                    .addAll(
                            Ui.word(name(ask.get()) + beside, "quiet"),
                            Ui.word(
                                    Words.say(Fact.of(
                                                    sample.values().size() == 1
                                                            ? "tune.sampled.run.one"
                                                            : "tune.sampled.run")
                                            .with("count", sample.values().size())
                                            .with(
                                                    "middle",
                                                    NumberWords.say(new Found(
                                                            Quantity.of(
                                                                    ask.get().unit(), sample.mean()),
                                                            0,
                                                            Source.MEASURED)))),
                                    "tune-run"),
                            Ui.textButton(
                                    "tune-run-out-" + i,
                                    Words.get("tune.take_out"),
                                    () -> change(draft().without(number))));
            read.getChildren().add(row);
        }
    }

    // --- what follows

    private void showFound(SampledDraft draft, Work work) {
        found.getChildren().clear();
        Map<String, Found> all = draft.found();
        if (all.isEmpty()) {
            found.getChildren().add(Ui.text(Words.get("tune.sampled.nothing"), "quiet"));
        }
        all.forEach((name, one) -> {
            Caption said = Ui.text(NumberWords.say(one));
            said.setMinWidth(0);
            Caption of = Ui.text(NumberWords.name(name), "quiet");
            of.setMinWidth(NAME);
            of.setPrefWidth(NAME);
            of.setMaxWidth(NAME);
            HBox.setHgrow(said, Priority.ALWAYS);
            found.getChildren().add(new HBox(10, of, said));
        });
        told.getChildren().clear();
        work.told().forEach(fact -> told.getChildren().add(Ui.text(Words.say(fact), "quiet")));
    }

    @Override
    public void show() {
        Optional<SampledDraft> draft = session.tune().readings().of(at());
        if (draft.isEmpty()) {
            return;
        }
        Work work = draft.get().work();
        showAsks(draft.get());
        showEntry();
        showRead(draft.get());
        showFound(draft.get(), work);
        settings.show(draft.get());
        pictures.show(work, ask());
    }
}
