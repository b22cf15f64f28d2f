package inkel.app.ui.tune.signal;

import inkel.app.state.Session;
import inkel.app.state.TuneWork;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.quantity.Fact;
import inkel.core.tune.colour.Band;
import inkel.core.tune.colour.ColourDevice;
import inkel.core.tune.colour.ColourDevice.Ask;
import inkel.core.tune.colour.ColourDevice.Under;
import inkel.core.tune.colour.ColourDraft;
import inkel.core.tune.colour.Matching;
import inkel.core.tune.colour.Mixing;
import inkel.core.tune.colour.Reading;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The bench of a colour sensor: dark and white, readings of each colour, which are taken for which, and what is under it now. */
public final class ColourPane extends BenchPane {
    private static final int PRACTISED = 12;
    private static final double NAME = 110;
    private static final double VALUES = 260;
    private static final double CELL = 34;

    /** Less light of the room than that does no harm: it is within every band. */
    private static final double LITTLE = Band.LEAST;

    private final Session session;
    private final TextField name = field("colour-name", NAME);
    private final TextField values = field("colour-values", VALUES);
    private final WrapRow byHand = new WrapRow(8);
    private final WrapRow practised = new WrapRow(8);
    private final WrapRow looked = new WrapRow(8);
    private final Caption correction = Ui.text("", "quiet");
    private final ColourBands bands = new ColourBands();
    private final WrapRow names = new WrapRow(10);
    private final GridPane taken = new GridPane();
    private final Caption mixes = Ui.text("", "colour-mixes");
    private final WrapRow ways = new WrapRow(6);
    private final Caption distance = Ui.text("", "quiet");
    private final Caption now = Ui.text("", "tune-now");
    private final Caption sure = Ui.text("", "quiet");
    private final Caption raw = Ui.text("", "tune-formula");
    private final Caption leak = Ui.text("", "quiet");

    public ColourPane(Session session, TuneWork.At at) {
        super(at);
        this.session = session;
        byHand();
        practised();
        taken.setHgap(5);
        taken.setVgap(5);
        now.setId("colour-now");
        mixes.setId("colour-mixes");
        correction.setId("colour-correction");
        VBox reads = sheet("tune.colour.reads", "tune.colour.how", byHand, practised, correction, bands, names);
        VBox confusion = sheet("tune.colour.taken", "tune.colour.left_out", taken, mixes, ways);
        VBox under = sheet("tune.colour.under", "", now, sure, raw, leak, distance, looked);
        getChildren().addAll(reads, twoSheets(confusion, under));
        show();
    }

    private ColourDraft draft() {
        return session.tune().colour(at()).orElseThrow();
    }

    private void change(ColourDraft next) {
        say("");
        session.tune().colour(at(), next);
    }

    // --- by hand

    private void byHand() {
        byHand.setAlignment(Pos.CENTER_LEFT);
        name.setPromptText(Words.get("tune.colour.name"));
        values.setPromptText(Words.get("tune.colour.prompt"));
        name.setOnAction(event -> takeColour());
        values.setOnAction(event -> takeColour());
        byHand.getChildren()
                .addAll(
                        values,
                        Ui.textButton(
                                "colour-dark",
                                Words.get("tune.colour.as_dark"),
                                () -> take(readings -> change(draft().dark(readings)))),
                        Ui.textButton(
                                "colour-white",
                                Words.get("tune.colour.as_white"),
                                () -> take(readings -> change(draft().white(readings)))),
                        Ui.textButton(
                                "colour-off",
                                Words.get("tune.colour.as_off"),
                                () -> take(readings -> change(draft().lampOff(readings)))),
                        name,
                        Ui.textButton("colour-take", Words.get("tune.colour.as_colour"), this::takeColour),
                        Ui.textButton(
                                "colour-look",
                                Words.get("tune.colour.as_now"),
                                () -> take(readings -> change(draft().looking(readings)))),
                        Ui.textButton("colour-far", Words.get("tune.colour.as_far"), this::takeFarther));
    }

    private void takeColour() {
        String said = name.getText().strip();
        if (ColourDraft.isName(said)) {
            take(readings -> change(draft().with(said, readings)));
        } else {
            say(Words.get("tune.colour.name.bad"));
        }
    }

    /** The colour that is named, or the one that was read first. */
    private void takeFarther() {
        List<String> read = List.copyOf(draft().colours().keySet());
        String said = name.getText().strip().isEmpty() && !read.isEmpty()
                ? read.get(0)
                : name.getText().strip();
        if (read.contains(said)) {
            take(readings -> change(draft().farther(said, readings)));
        } else {
            say(Words.get("tune.colour.far.bad"));
        }
    }

    private void take(Consumer<List<Reading>> with) {
        List<Double> numbers = new ArrayList<>();
        for (String word : values.getText().strip().split("[\\s,;]+")) {
            OptionalDouble value = number(word);
            numbers.add(value.orElse(-1));
        }
        Optional<List<Reading>> readings = ColourDraft.readings(
                numbers.stream().mapToDouble(Double::doubleValue).toArray());
        if (readings.isEmpty()) {
            say(Words.get("tune.colour.values.bad"));
            return;
        }
        values.clear();
        with.accept(readings.get());
    }

    // --- practice

    private void practised() {
        practised.setAlignment(Pos.CENTER_LEFT);
        looked.setAlignment(Pos.CENTER_LEFT);
        practised
                .getChildren()
                .addAll(
                        Ui.pill(
                                "colour-practise-dark",
                                Words.get("tune.colour.cover"),
                                () -> change(draft().dark(read(Under.COVER, "", PRACTISED)))),
                        Ui.pill(
                                "colour-practise-white",
                                Words.get("tune.colour.white"),
                                () -> change(draft().white(read(Under.WHITE, "", PRACTISED)))),
                        Ui.pill(
                                "colour-practise-off",
                                Words.get("tune.colour.lamp_off"),
                                () -> change(draft().lampOff(read(Under.LAMP_OFF, "", PRACTISED)))),
                        Ui.word(Words.get("tune.colour.sheets"), "quiet"));
        looked.getChildren().add(Ui.word(Words.get("tune.colour.lay"), "quiet"));
        for (String sheet : ColourDevice.sheets()) {
            practised
                    .getChildren()
                    .add(Ui.pill(
                            "colour-practise-" + sheet,
                            Words.get("tune.colour.sheet." + sheet),
                            () -> change(draft().with(
                                            Words.get("tune.colour.sheet." + sheet),
                                            read(Under.SHEET, sheet, PRACTISED)))));
            looked.getChildren()
                    .add(Ui.pill(
                            "colour-lay-" + sheet,
                            Words.get("tune.colour.sheet." + sheet),
                            () -> change(draft().looking(read(Under.SHEET, sheet, draft().averaged())))));
        }
        practised
                .getChildren()
                .add(Ui.pill("colour-practise-far", Words.get("tune.colour.farther"), this::practiseFarther));
    }

    /** The first colour that was read is laid under it again, farther off. */
    private void practiseFarther() {
        draft().colours().keySet().stream()
                .flatMap(said -> ColourDevice.sheets().stream()
                        .filter(sheet -> Words.get("tune.colour.sheet." + sheet).equals(said))
                        .map(sheet -> draft().farther(said, read(Under.FARTHER, sheet, PRACTISED))))
                .findFirst()
                .ifPresentOrElse(this::change, () -> say(Words.get("tune.colour.far.bad")));
    }

    private List<Reading> read(Under under, String sheet, int count) {
        return session.tune().practise(at(), new Ask(under, sheet, count));
    }

    // --- what it says

    private void showCorrection(ColourDraft draft) {
        boolean hasDark = !draft.correction().dark().isEmpty();
        boolean hasWhite = !draft.correction().white().isEmpty();
        correction.setText(
                !draft.correction().isRight()
                        ? Words.get("tune.colour.not_right")
                        : Words.get(
                                hasDark && hasWhite
                                        ? "tune.colour.corrected"
                                        : hasDark ? "tune.colour.white_next" : "tune.colour.dark_next"));
    }

    private void showNames(ColourDraft draft) {
        names.getChildren().clear();
        Set<String> all =
                new LinkedHashSet<>(draft.bands().stream().map(Band::name).toList());
        all.addAll(draft.colours().keySet());
        for (String colour : all) {
            names.getChildren()
                    .add(Ui.textButton(
                            "colour-out-" + colour.replace(' ', '-'),
                            Words.say(Fact.of("tune.colour.take_out").with("colour", colour)),
                            () -> change(draft().without(colour))));
        }
    }

    private void showTaken(ColourDraft draft) {
        taken.getChildren().clear();
        List<String> all = List.copyOf(draft.colours().keySet());
        if (all.isEmpty()) {
            taken.add(Ui.text(Words.get("tune.sampled.nothing"), "quiet"), 0, 0);
            mixes.setText("");
            return;
        }
        int[][] counts = draft.leaveOneOut();
        List<String> heads = new ArrayList<>(all);
        heads.add(Words.get("tune.colour.none"));
        for (int column = 0; column < heads.size(); column++) {
            taken.add(Ui.word(heads.get(column), "small", "quiet"), column + 1, 0);
        }
        int wrong = 0;
        int sum = 0;
        for (int row = 0; row < all.size(); row++) {
            taken.add(Ui.word(all.get(row), "small"), 0, row + 1);
            for (int column = 0; column < heads.size(); column++) {
                taken.add(cell(counts[row][column], row == column), column + 1, row + 1);
            }
            sum += Arrays.stream(counts[row]).sum();
            wrong += Arrays.stream(counts[row]).sum() - counts[row][row];
        }
        int mistaken = wrong;
        int of = sum;
        mixes.setText(draft.worst()
                .map(pair -> Words.say(Fact.of("tune.colour.mix")
                        .with("one", pair.one())
                        .with("other", pair.other())
                        .with("wrong", mistaken)
                        .with("all", of)))
                .orElse(Words.say(
                        Fact.of("tune.colour.apart").with("wrong", mistaken).with("all", of))));
    }

    /** What would tell two colours apart that mix, and what there is to do where nothing does. */
    private void showWays(ColourDraft draft) {
        ways.getChildren().clear();
        Optional<Mixing> pair = draft.worst();
        Ui.show(ways, pair.isPresent() || draft.averaged() > 1);
        pair.ifPresent(mixing -> {
            OptionalInt enough = draft.enough();
            if (enough.isPresent()) {
                ways.getChildren()
                        .add(Ui.pill(
                                "colour-average",
                                Words.get("tune.colour.way.average", "count", enough.getAsInt()),
                                () -> change(draft().averaged(enough.getAsInt()))));
            }
            ways.getChildren()
                    .addAll(
                            Ui.pill(
                                    "colour-merge",
                                    Words.say(Fact.of("tune.colour.way.merge")
                                            .with("one", mixing.one())
                                            .with("other", mixing.other())),
                                    () -> change(draft().merged(mixing.one(), mixing.other()))),
                            Ui.pill(
                                    "colour-drop",
                                    Words.say(Fact.of("tune.colour.way.drop").with("other", mixing.other())),
                                    () -> change(draft().without(mixing.other()))));
        });
        if (draft.averaged() > 1) {
            ways.getChildren()
                    .add(Ui.pill(
                            "colour-single",
                            Words.get("tune.colour.way.single", "count", draft.averaged()),
                            () -> change(draft().averaged(1))));
        }
    }

    private void showDistance(ColourDraft draft) {
        Optional<ColourDraft.Off> off = draft.mostOff();
        Ui.show(distance, off.isPresent());
        off.ifPresent(most -> distance.setText(Words.say(Fact.of(
                        most.isBeyond() ? "tune.colour.distance.far" : "tune.colour.distance.little")
                .with(
                        "channel",
                        Words.get("tune.colour." + ColourDraft.channels().get(most.channel())))
                .with("off", Numbers.fixed(100 * most.by().value(), 1))
                .with("may", Numbers.fixed(100 * most.by().off(), 1)))));
    }

    private static Node cell(int count, boolean isRight) {
        Caption number = Ui.word(count == 0 ? "" : String.valueOf(count), "colour-count");
        number.setMaxWidth(USE_PREF_SIZE);
        StackPane cell = new StackPane(number);
        cell.setMinSize(CELL, CELL * 0.7);
        cell.setPrefSize(CELL, CELL * 0.7);
        cell.getStyleClass().addAll("colour-cell", count == 0 ? "none" : isRight ? "right" : "wrong");
        return cell;
    }

    private void showNow(ColourDraft draft) {
        List<Matching.Match> matches = draft.match();
        if (matches.isEmpty()) {
            now.setText(Words.get("tune.colour.look"));
            sure.setText("");
            raw.setText("");
        } else {
            Matching.Match first = matches.get(0);
            now.setText(first.name().isEmpty() ? Words.get("tune.colour.none_of_them") : first.name());
            String next = matches.size() < 2 || matches.get(1).name().isEmpty()
                    ? ""
                    : matches.get(1).name();
            sure.setText(Words.say(Fact.of(next.isEmpty() ? "tune.colour.sure" : "tune.colour.sure_next")
                    .with("share", Math.round(100 * first.share()))
                    .with("next", next)
                    .with(
                            "other",
                            matches.size() < 2
                                    ? 0
                                    : Math.round(100 * matches.get(1).share()))));
            Reading reading = draft.now().orElseThrow();
            raw.setText(String.format(
                    Locale.ROOT,
                    "%.0f %.0f %.0f %.0f",
                    reading.red(),
                    reading.green(),
                    reading.blue(),
                    reading.clear()));
        }
        Ui.show(sure, !matches.isEmpty());
        Ui.show(raw, !matches.isEmpty());
        Ui.show(leak, draft.leak().isPresent());
        leak.setText(draft.leak()
                .map(share -> Words.say(Fact.of(share < LITTLE ? "tune.colour.leak_little" : "tune.colour.leak")
                        .with("share", Math.round(100 * share))))
                .orElse(""));
    }

    @Override
    public void show() {
        Optional<ColourDraft> shown = session.tune().colour(at());
        if (shown.isEmpty()) {
            return;
        }
        ColourDraft draft = shown.get();
        boolean isPractice = session.practice().isOn();
        Ui.show(byHand, !isPractice);
        Ui.show(practised, isPractice);
        Ui.show(looked, isPractice);
        showCorrection(draft);
        bands.show(draft);
        List<Band> all = draft.bands();
        Ui.show(bands, !all.isEmpty());
        showNames(draft);
        showTaken(draft);
        showNow(draft);
        showWays(draft);
        showDistance(draft);
    }
}
