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
import inkel.core.tune.tags.Tag;
import inkel.core.tune.tags.TagDevice;
import inkel.core.tune.tags.TagDraft;
import inkel.core.tune.tags.TagText;
import inkel.core.tune.tags.Tap;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The tags that a reader knows: told by their number, held there, let in or refused, and what became of every tap. */
public final class TagPane extends BenchPane {
    private static final double NUMBER = 210;
    private static final double NAME = 140;
    private static final double DOES = 190;
    private static final double NUMBER_COLUMN = 216;
    private static final int SHOWN = 8;

    private final Session session;
    private final TextField number = field("tag-number", NUMBER);
    private final TextField name = field("tag-name", NAME);
    private final TextField does = field("tag-does", DOES);
    private final Tile allow;
    private final Tile refuse;
    private final WrapRow taps = new WrapRow(8);
    private final VBox log = new VBox(4);
    private final VBox known = new VBox(4);
    private boolean isAllowed = true;

    public TagPane(Session session, TuneWork.At at) {
        super(at);
        this.session = session;
        number.setPromptText(Words.get("tags.number.prompt"));
        allow = toggle("tag-allow", "tags.allow", () -> choose(true));
        refuse = toggle("tag-refuse", "tags.refuse", () -> choose(false));
        WrapRow told = new WrapRow(10);
        told.setAlignment(Pos.CENTER_LEFT);
        told.getChildren()
                .addAll(
                        named("tags.number", "", number),
                        named("tags.name", "", name),
                        new HBox(8, allow, refuse),
                        named("tags.does", "", does),
                        Ui.textButton("tag-add", Words.get("tags.add"), this::add));
        number.setOnAction(event -> add());
        name.setOnAction(event -> add());
        does.setOnAction(event -> add());
        taps.setAlignment(Pos.CENTER_LEFT);
        getChildren()
                .addAll(
                        sheet("tags.hold", "tags.hold.how", taps, log),
                        sheet("tags.tell", "tags.tell.how", told),
                        sheet("tags.known", "", known));
        show();
    }

    private TagDraft draft() {
        return session.tune().tags().of(at()).orElseThrow();
    }

    private void choose(boolean isLetIn) {
        isAllowed = isLetIn;
        show();
    }

    private void add() {
        Optional<List<Integer>> bytes = draft().meant(number.getText());
        if (bytes.isEmpty()) {
            say(Words.get("tags.number.bad"));
            return;
        }
        String called = name.getText().strip();
        if (called.isEmpty()) {
            say(Words.get("tags.name.bad"));
            return;
        }
        if (TagText.isRandom(bytes.get())) {
            say(Words.get("tags.random"));
            return;
        }
        Tag tag = new Tag(bytes.get(), called, isAllowed, does.getText().strip());
        Optional<Tag> alike = draft().alike(tag);
        say(alike.map(other -> Words.say(
                        Fact.of("tags.alike").with("name", called).with("number", TagText.text(other.bytes()))))
                .orElse(""));
        if (alike.isEmpty()) {
            number.clear();
            name.clear();
            does.clear();
            session.tune().tags().change(at(), draft().with(tag));
        }
    }

    /** On the own bench a number that is typed, or comes over the line, is held there; on the other one a tag that is not there. */
    private void showTaps() {
        taps.getChildren().clear();
        if (session.practice().isOn()) {
            for (TagDevice.Card card : TagDevice.Card.values()) {
                String word = card.name().toLowerCase(Locale.ROOT);
                taps.getChildren().add(Ui.pill("tag-tap-" + word, Words.get("tags.card." + word), () -> session.tune()
                        .tags()
                        .tap(at(), card)));
            }
        } else {
            taps.getChildren().add(Ui.pill("tag-tap", Words.get("tags.tap"), () -> {
                Optional<List<Integer>> bytes = draft().meant(number.getText());
                say(bytes.isPresent() ? "" : Words.get("tags.number.bad"));
                bytes.ifPresent(read -> session.tune().tags().tap(at(), new TagDevice.Read(read, true)));
            }));
        }
        log.getChildren().clear();
        List<Tap> all = session.tune().tags().taps();
        for (int i = all.size() - 1; i >= Math.max(0, all.size() - SHOWN); i--) {
            Tap tap = all.get(i);
            String sort = tap.sort().name().toLowerCase(Locale.ROOT);
            Caption said = Ui.text(
                    Words.say(Fact.of("tags.tapped." + sort)
                            .with("name", tap.tag().map(Tag::name).orElse(""))
                            .with(
                                    "does",
                                    tap.tag()
                                            .map(Tag::does)
                                            .filter(text -> !text.isEmpty())
                                            .orElse(Words.get("tags.nothing_said")))),
                    switch (tap.sort()) {
                        case ALLOWED -> "good-text";
                        case REFUSED -> "stop-text";
                        default -> "look-text";
                    });
            said.setMinWidth(0);
            HBox.setHgrow(said, Priority.ALWAYS);
            Caption bytes = Ui.word(TagText.text(tap.bytes()), "suspect-share");
            bytes.setMinWidth(NUMBER_COLUMN);
            bytes.setPrefWidth(NUMBER_COLUMN);
            HBox row = new HBox(10, bytes, said);
            boolean isNew = tap.sort() == Tap.Sort.STRANGE;
            if (isNew) {
                row.getChildren().add(Ui.textButton("tag-take-" + i, Words.get("tags.take"), () -> {
                    number.setText(TagText.text(tap.bytes()));
                    name.requestFocus();
                }));
            }
            row.setAlignment(Pos.CENTER_LEFT);
            log.getChildren().add(row);
        }
    }

    private void showKnown(TagDraft draft) {
        known.getChildren().clear();
        if (draft.tags().isEmpty()) {
            known.getChildren().add(Ui.text(Words.get("tags.none"), "quiet"));
        }
        for (int i = 0; i < draft.tags().size(); i++) {
            Tag tag = draft.tags().get(i);
            Caption bytes = Ui.word(TagText.text(tag.bytes()), "suspect-share");
            bytes.setMinWidth(NUMBER_COLUMN);
            bytes.setPrefWidth(NUMBER_COLUMN);
            Caption said = Ui.text(Words.say(Fact.of(tag.does().isEmpty() ? "tags.is" : "tags.is_does")
                    .with("name", tag.name())
                    .with("way", Words.get(tag.isAllowed() ? "tags.allow" : "tags.refuse"))
                    .with("does", tag.does())));
            said.setMinWidth(0);
            HBox.setHgrow(said, Priority.ALWAYS);
            HBox row = new HBox(
                    10,
                    bytes,
                    said,
                    Ui.textButton(
                            "tag-turn-" + i,
                            Words.get(tag.isAllowed() ? "tags.turn.refuse" : "tags.turn.allow"),
                            () -> session.tune()
                                    .tags()
                                    .change(
                                            at(),
                                            draft().with(new Tag(
                                                    tag.bytes(), tag.name(), !tag.isAllowed(), tag.does())))),
                    Ui.textButton("tag-out-" + i, Words.get("tune.take_out"), () -> session.tune()
                            .tags()
                            .change(at(), draft().without(tag))));
            row.setAlignment(Pos.CENTER_LEFT);
            known.getChildren().add(row);
        }
    }

    @Override
    public void show() {
        if (session.tune().tags().of(at()).isEmpty()) {
            return;
        }
        allow.setSelected(isAllowed);
        refuse.setSelected(!isAllowed);
        showTaps();
        showKnown(draft());
    }
}
