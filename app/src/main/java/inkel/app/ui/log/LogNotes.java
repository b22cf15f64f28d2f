package inkel.app.ui.log;

import inkel.app.state.LogWork;
import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.why.StageNotes;
import inkel.app.ui.why.Why;
import inkel.app.ui.why.Why.Line;
import inkel.app.ui.why.Why.Section;
import inkel.app.ui.why.Why.Tone;
import inkel.app.ui.why.Why.Verdict;
import inkel.app.words.RecordWords;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.LogLine;
import inkel.core.log.Entry;
import inkel.core.log.Proof;
import inkel.core.quantity.Fact;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What the Why panel says of a line of the record, and of what is proved. */
final class LogNotes implements StageNotes {
    private static final int MOST = 12;
    private static final double PICTURE = 264;

    private final Session session;
    private final LogWork log;

    LogNotes(Session session) {
        this.session = session;
        log = session.log();
    }

    @Override
    public Optional<Why> whole(Assessment assessment, NodeCircuit node) {
        return Optional.of(log.selected().map(this::line).orElseGet(this::proofs));
    }

    private Why line(Entry entry) {
        List<Section> sections = new ArrayList<>();
        List<Line> said = new ArrayList<>(List.of(new Line(Tone.PLAIN, RecordWords.what(entry))));
        String value = RecordWords.value(entry);
        if (!value.isEmpty()) {
            said.add(new Line(Tone.PLAIN, value));
        }
        if (entry.line() instanceof LogLine.Noted noted && !noted.picture().isEmpty()) {
            said.add(new Line(Tone.PLAIN, Words.get("log.why.picture", "path", noted.picture())));
        }
        List<String> parents = log.parents(entry.number());
        if (parents.size() == 2) {
            said.add(new Line(
                    Tone.PLAIN,
                    Words.say(Fact.of("log.why.parents")
                            .with("theirs", parents.get(0))
                            .with("mine", parents.get(1)))));
        }
        sections.add(Section.ofLines(
                Words.say(Fact.of("log.why.line")
                        .with("line", entry.number() + 1)
                        .with("sort", RecordWords.sort(entry.sort()))),
                said));
        if (!entry.answers().isEmpty()) {
            sections.add(Section.ofLines(
                    Words.get("log.why.answers"),
                    entry.answers().stream()
                            .flatMap(number -> log.register().flatMap(all -> all.entry(number)).stream())
                            .map(answer -> new Line(Tone.PLAIN, RecordWords.what(answer)))
                            .toList()));
        }
        return new Why(
                RecordWords.when(entry.line(), log.zone()),
                session.ownBuildPlace(entry.line().place()),
                verdict(entry),
                sections,
                List.of(),
                List.of(),
                List.of());
    }

    private static Optional<Verdict> verdict(Entry entry) {
        if (!entry.counts()) {
            return Optional.of(new Verdict(Tone.PLAIN, Words.get("log.counts_no_more")));
        }
        if (entry.line() instanceof LogLine.Measured measured) {
            return measured.foretold()
                    .map(RecordWords::band)
                    .filter(band -> !band.isEmpty())
                    .map(band -> new Verdict(
                            entry.isWell() ? Tone.GOOD : Tone.STOP,
                            Words.say(Fact.of(entry.isWell() ? "log.why.in_band" : "log.why.out_of_band")
                                    .with("value", RecordWords.value(measured.value()))
                                    .with("band", band))));
        }
        return entry.line() instanceof LogLine.Seen
                ? Optional.of(new Verdict(
                        entry.isWell() ? Tone.GOOD : Tone.STOP,
                        Words.get(entry.isWell() ? "log.seen.well" : "log.seen.not")))
                : Optional.empty();
    }

    /** What each part is for, and whether that was shown. */
    private Why proofs() {
        List<Line> lines = new ArrayList<>();
        log.register().ifPresent(register -> Proof.of(register.build()).stream()
                .filter(proof ->
                        proof.part().node().equals(session.nodeProperty().get()))
                .forEach(proof -> lines.add(new Line(
                        switch (proof.state()) {
                            case PROVED -> Tone.GOOD;
                            case WRONG -> Tone.STOP;
                            default -> Tone.PLAIN;
                        },
                        session.ownBuildPlace(proof.part()) + ": "
                                + Words.get("log.proof." + proof.state().name().toLowerCase(Locale.ROOT))
                                + proof.by()
                                        .map(by -> ", " + RecordWords.when(by, log.zone()))
                                        .orElse("")))));
        return new Why(
                Words.get("log.proofs"),
                Words.get("log.proofs.how"),
                Optional.empty(),
                List.of(Section.ofLines(Words.get("log.proofs.parts"), lines)),
                List.of(),
                List.of(),
                List.of());
    }

    @Override
    public List<Node> legend() {
        List<Node> nodes = new ArrayList<>();
        log.selected().ifPresent(entry -> below(entry, nodes));
        nodes.add(Ui.text(Words.get("log.stays"), "quiet"));
        return nodes;
    }

    private static void part(List<Node> nodes, String key, List<String> said) {
        if (!said.isEmpty()) {
            nodes.add(Ui.word(Words.get(key), "quiet", "small"));
            lines(nodes, said);
        }
    }

    /** What was done since, each with its way back where it has one and the table is the builder's own. */
    private void done(List<Node> nodes, List<LogWork.Done> all) {
        boolean isMine = !session.practice().isOn() && !log.isLooking();
        for (int i = 0; i < Math.min(MOST, all.size()); i++) {
            LogWork.Done one = all.get(i);
            Caption line = Ui.text(one.said());
            line.setMinWidth(0);
            HBox row = new HBox(8, line);
            HBox.setHgrow(line, Priority.ALWAYS);
            line.setMaxWidth(Double.MAX_VALUE);
            if (isMine && !one.back().isEmpty()) {
                Button back = Ui.textButton("log-back-" + i, Words.get("log.take_back"), () -> log.takeBack(one));
                back.setAccessibleText(Words.get("log.take_back") + ": " + one.said());
                back.setMinWidth(Region.USE_PREF_SIZE);
                row.getChildren().add(back);
            }
            nodes.add(row);
        }
        more(nodes, all.size());
    }

    private static void more(List<Node> nodes, int count) {
        if (count > MOST) {
            nodes.add(Ui.text(Words.get("log.why.more", "count", count - MOST), "quiet"));
        }
    }

    private static void lines(List<Node> nodes, List<String> said) {
        said.stream().limit(MOST).forEach(one -> {
            Caption line = Ui.text(one);
            line.setMinWidth(0);
            nodes.add(line);
        });
        more(nodes, said.size());
    }

    /** A press shows the picture in its place; it says which file that is. */
    private Node picture(String path) {
        VBox place = new VBox(6);
        Tile open = Ui.pill("log-picture", Words.get("log.picture.open", "path", path), () -> {
            LogWork.Picture found = log.picture(path);
            Node shown = found.file().map(LogNotes::image).orElseGet(() -> Ui.text(found.trouble(), "stop-text"));
            place.getChildren().setAll(place.getChildren().get(0), shown);
        });
        place.getChildren().add(open);
        return place;
    }

    /** Read beside the window, and no larger than it is shown, whatever it is in the file. */
    private static Node image(Path file) {
        Image image = new Image(file.toUri().toString(), PICTURE, 0, true, true, true);
        ImageView view = new ImageView(image);
        view.setId("log-picture-shown");
        view.setAccessibleText(String.valueOf(file.getFileName()));
        Caption trouble = Ui.text(Words.get("log.picture.unreadable", "path", file.getFileName()), "stop-text");
        Ui.show(trouble, image.isError());
        image.errorProperty().addListener((property, old, next) -> Ui.show(trouble, next));
        return new VBox(view, trouble);
    }

    private void below(Entry entry, List<Node> nodes) {
        if (entry.line() instanceof LogLine.Measured measured) {
            List<LogLine.Measured> readings =
                    log.register().map(all -> all.readings(measured)).orElse(List.of());
            if (readings.contains(measured) && readings.size() > 1) {
                nodes.add(Ui.word(Words.get("log.why.same_place"), "section-title"));
                nodes.add(new PlacePlot(readings, measured));
            }
        }
        if (!session.practice().isOn() && !log.isLooking()) {
            nodes.add(Ui.pill("log-answer", Words.get("log.answer"), () -> log.answeringProperty()
                    .set(entry.number())));
            if (entry.line().withoutText().isPresent()) {
                nodes.add(Ui.pill("log-blank", Words.get("log.blank"), () -> log.blank(entry)));
            }
        }
        if (entry.line() instanceof LogLine.Noted noted && !noted.picture().isEmpty()) {
            nodes.add(picture(noted.picture()));
        }
        Optional<LogWork.Since> since = log.since(entry.number());
        Optional<Entry> other = log.register()
                .flatMap(all -> all.entry(log.againstProperty().get()))
                .filter(line -> line.number() != entry.number());
        nodes.add(Ui.text(
                other.map(line -> Words.get("log.why.between", "when", RecordWords.when(line.line(), log.zone())))
                        .orElse(Words.get("log.why.since")),
                "section-title"));
        if (since.isEmpty()) {
            nodes.add(Ui.text(Words.get("log.why.not_kept"), "quiet"));
        } else if (since.get().isSame()) {
            nodes.add(Ui.text(Words.get("log.why.same"), "quiet"));
        } else {
            done(nodes, since.get().done());
            part(nodes, "log.why.numbers", since.get().numbers());
            part(nodes, "log.why.gone", since.get().gone());
            part(nodes, "log.why.come", since.get().come());
        }
        boolean isAgainst = log.againstProperty().get() >= 0;
        nodes.add(Ui.pill(
                "log-compare", Words.get(isAgainst ? "log.compare.now" : "log.compare"), () -> log.againstProperty()
                        .set(isAgainst ? -1 : entry.number())));
        if (since.filter(all -> !all.isSame()).isPresent()
                && !session.practice().isOn()
                && !log.isLooking()) {
            nodes.add(Ui.pill("log-look", Words.get("log.look"), () -> log.look(entry)));
        }
    }
}
