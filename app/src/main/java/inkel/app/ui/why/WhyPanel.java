package inkel.app.ui.why;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Copying;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Subscriptions;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.catalog.OwnClass;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.PieceKind;
import inkel.core.document.Place;
import inkel.core.document.edit.ChangeNodeWire;
import inkel.core.document.edit.Insert;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Stage;
import inkel.core.remedy.PinNames;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * The panel on the right: subject, verdict, arithmetic, ways out; the same in every stage.
 *
 * <p>Longer than other files: it is one column made from top to bottom, and each piece of it is a few lines.
 */
public final class WhyPanel extends Scroller {
    private static final int FINDINGS_AT_ONCE = 12;
    private static final int SHORT_VALUE = 20;

    private final Session session;
    private final Function<Stage, StageNotes> notes;
    private final Consumer<PartClass> makeFrom;
    private final VBox content;
    private boolean isEditing;
    private Node figures;
    private Why said;

    /**
     * @param notes what a stage adds
     * @param makeFrom opens the form for an own part that begins as this class
     */
    public WhyPanel(
            Session session,
            Subscriptions subscriptions,
            Function<Stage, StageNotes> notes,
            Consumer<PartClass> makeFrom) {
        this(session, subscriptions, notes, makeFrom, new VBox());
    }

    private WhyPanel(
            Session session,
            Subscriptions subscriptions,
            Function<Stage, StageNotes> notes,
            Consumer<PartClass> makeFrom,
            VBox content) {
        super(content);
        this.notes = notes;
        this.makeFrom = makeFrom;
        this.session = session;
        this.content = content;
        getStyleClass().add("why-panel");
        setId("why");
        content.getStyleClass().add("why-content");
        setMinWidth(300);
        setPrefWidth(308);
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.TEXT);
        setAccessibleText(Words.get("why.panel"));
        Copying.byKeys(this, () -> said == null ? "" : said.text());
        subscriptions.on(session.assessmentProperty(), (property, old, next) -> fill());
        subscriptions.on(session.nodeProperty(), (property, old, next) -> fill());
        subscriptions.on(session.stageProperty(), (property, old, next) -> fill());
        subscriptions.on(session.log().changesProperty(), (property, old, next) -> {
            if (session.stageProperty().get() == Stage.LOG) {
                fill();
            }
        });
        subscriptions.on(session.selectionProperty(), (property, old, next) -> {
            isEditing = false;
            fill();
        });
        subscriptions.on(session.selection().inspectedProperty(), (property, old, next) -> fill());
        subscriptions.on(session.seats().rowProperty(), (property, old, next) -> fill());
        subscriptions.on(session.seats().viewProperty(), (property, old, next) -> fill());
        subscriptions.on(session.seats().latestProperty(), (property, old, next) -> {
            if (session.stageProperty().get() == Stage.WIRE) {
                fill();
            }
        });
        fill();
    }

    /** What it says at last. */
    public Optional<Why> said() {
        return Optional.ofNullable(said);
    }

    /** Puts the keyboard here, on the first way out if there is one. */
    public void takeFocus() {
        Node first = content.lookup(".way-out");
        (first == null ? this : first).requestFocus();
    }

    private void fill() {
        Assessment assessment = session.assessmentProperty().get();
        String node = session.nodeProperty().get();
        if (assessment == null || assessment.circuit(node).isEmpty()) {
            content.getChildren().clear();
            return;
        }
        PartClass inspected = session.selection().inspectedProperty().get();
        Place selected = session.selectionProperty().get();
        if (inspected != null) {
            show(Explainer.explain(assessment, node, inspected));
            ownClass(inspected);
            scrollTo(0);
            return;
        }
        if (isEditing && isPartOf(assessment, selected)) {
            edit(assessment, selected);
            return;
        }
        Optional<PieceForm> piece = isEditing ? pieceForm(assessment, selected) : Optional.empty();
        if (piece.isPresent()) {
            editPiece(piece.get(), assessment, selected);
            return;
        }
        show(Explainer.explain(assessment, node, session.stageProperty().get(), notes(), selected));
        scrollTo(0);
    }

    private boolean isPartOf(Assessment assessment, Place selected) {
        return selected != null
                && selected.isPart()
                && assessment
                        .circuit(selected.node())
                        .filter(circuit -> circuit.farLoad(selected.part()).isEmpty())
                        .flatMap(circuit -> circuit.part(selected.part()))
                        .isPresent();
    }

    /** The form for what stands in the wire that is selected; empty where nothing can be put into one there. */
    private Optional<PieceForm> pieceForm(Assessment assessment, Place selected) {
        if (selected == null || !selected.isPin()) {
            return Optional.empty();
        }
        Optional<NodeCircuit> circuit = assessment.circuit(selected.node());
        Endpoint signal = selected.endpoint();
        boolean isWire = circuit.filter(node ->
                        node.wire(signal).filter(wire -> !node.isTie(wire)).isPresent())
                .isPresent();
        Runnable done = () -> {
            isEditing = false;
            fill();
        };
        if (isWire) {
            return Optional.of(new PieceForm(
                    session,
                    List.of(PieceKind.values()),
                    signal,
                    circuit.get().between(signal),
                    piece -> new Insert(selected.node(), piece),
                    done));
        }
        return PinWhy.onlyLink(assessment, selected)
                .map(link -> new PieceForm(
                        session,
                        PieceKind.BETWEEN_BOARDS,
                        link.from().endpoint(),
                        link.between(),
                        piece -> new ChangeNodeWire(link, link.withBetween(Optional.of(piece))),
                        done));
    }

    private void editPiece(PieceForm form, Assessment assessment, Place selected) {
        NodeCircuit circuit = assessment.circuit(selected.node()).orElseThrow();
        Caption title = Ui.text(Words.say(PinNames.of(circuit, selected.endpoint())), "why-title");
        title.setId("why-title");
        Optional<PieceForm> before = shown(PieceForm.class);
        // What somebody does elsewhere meanwhile keeps the keyboard.
        Optional<TextField> focused = before.isEmpty() ? Optional.of(form.first()) : form.follow(before.get());
        content.getChildren().setAll(title, form);
        focused.ifPresent(field -> {
            field.requestFocus();
            field.end();
        });
    }

    /** Opens the figures of the selected part for changing. */
    public void editFigures() {
        isEditing = true;
        fill();
        Node first = content.lookup(".text-field");
        if (first != null) {
            first.requestFocus();
        }
    }

    /** The form is made anew after each change, with the keyboard where it was. */
    private void edit(Assessment assessment, Place selected) {
        Placed placed = assessment
                .circuit(selected.node())
                .flatMap(circuit -> circuit.part(selected.part()))
                .orElseThrow();
        Optional<FigureForm> before = shown(FigureForm.class);
        Caption title = Ui.text(placed.part().name(), "why-title");
        title.setId("why-title");
        FigureForm form = new FigureForm(session, selected, placed, () -> {
            isEditing = false;
            fill();
        });
        // Told before it leaves the window, or the field that loses the keyboard takes half a text.
        Optional<Entry> focused = before.flatMap(form::follow);
        content.getChildren().setAll(title, form);
        focused.ifPresent(Entry::focus);
    }

    private <T> Optional<T> shown(Class<T> form) {
        return content.getChildren().stream()
                .filter(form::isInstance)
                .map(form::cast)
                .findFirst();
    }

    /** An own definition can be changed and taken away; a shipped one is what an own one can be made from. */
    private void ownClass(PartClass cls) {
        boolean isOwn = session.shelves().isOwn(cls.id());
        Tile change =
                Ui.pill("own-from", Words.get(isOwn ? "own.change" : "own.make_from"), () -> makeFrom.accept(cls));
        content.getChildren().add(change);
        if (!isOwn) {
            session.catalog().own(cls.id()).ifPresent(this::keepBrought);
        }
        if (isOwn) {
            Tile remove = Ui.pill(
                    "own-remove", Words.get("own.remove"), () -> session.parts().forget(cls));
            content.getChildren().add(remove);
        }
    }

    /** What only the open build brings can be kept on the shelf. */
    private void keepBrought(OwnClass own) {
        Tile keep =
                Ui.pill("own-keep", Words.get("own.keep"), () -> session.parts().keep(own));
        content.getChildren().add(keep);
    }

    private void show(Why why) {
        said = why;
        setAccessibleText(Words.get("why.panel") + ": " + why.text());
        // What is asked for here may be there at once, and then all of this is shown anew meanwhile.
        List<Node> legend = notes().legend();
        Optional<LinkRate> typing = shown(LinkRate.class).filter(LinkRate::isTyping);
        content.getChildren().clear();
        figures = null;
        Caption title = Ui.text(why.title(), "why-title");
        title.setId("why-title");
        content.getChildren().add(title);
        if (!why.subtitle().isEmpty()) {
            content.getChildren().add(Ui.text(why.subtitle(), "quiet"));
        }
        why.verdict().ifPresent(verdict -> {
            Caption box = Ui.text(
                    verdict.sentence(),
                    "verdict",
                    "verdict-" + verdict.tone().name().toLowerCase(Locale.ROOT));
            box.setId("why-verdict");
            box.setMaxWidth(Double.MAX_VALUE);
            content.getChildren().add(box);
        });
        boolean isInspected = session.selection().inspectedProperty().get() != null;
        if (isInspected) {
            actions(why.actions());
        }
        boolean isFirstSectionTheReason =
                !why.ways().isEmpty() && !why.sections().isEmpty();
        List<Why.Section> sections = why.sections();
        if (isFirstSectionTheReason) {
            section(sections.get(0));
            ways(why.ways());
            sections.subList(1, sections.size()).forEach(this::section);
        } else {
            ways(why.ways());
            sections.forEach(this::section);
        }
        others(why);
        boolean isPart = !isInspected
                && isPartOf(
                        session.assessmentProperty().get(),
                        session.selectionProperty().get());
        if (isPart && notes().hasFigures()) {
            Tile own = Ui.pill("own-figures", Words.get("figures.open"), this::editFigures);
            // Behind the figures, where they are read.
            int at = figures == null ? -1 : content.getChildren().indexOf(figures);
            content.getChildren().add(at < 0 ? content.getChildren().size() : at + 1, own);
        }
        boolean isOfSeats =
                session.stageProperty().get() == Stage.WIRE && session.seats().isShown();
        if (!isInspected
                && !isOfSeats
                && speaksOfSelection()
                && pieceForm(
                                session.assessmentProperty().get(),
                                session.selectionProperty().get())
                        .isPresent()) {
            Tile piece = Ui.pill("piece-open", Words.get("piece.open"), this::editFigures);
            content.getChildren().add(piece);
            PinWhy.lineAt(
                            session.assessmentProperty().get(),
                            session.selectionProperty().get())
                    .ifPresent(line -> {
                        LinkRate rate = new LinkRate(session, line);
                        content.getChildren().add(rate);
                        // What somebody does elsewhere meanwhile takes nobody's text.
                        typing.ifPresent(rate::follow);
                    });
        }
        if (!isInspected) {
            actions(why.actions());
        }
        content.getChildren().addAll(legend);
    }

    /** Not where a stage says the same whatever is selected, nor while the table of another board is looked at. */
    private boolean speaksOfSelection() {
        Assessment assessment = session.assessmentProperty().get();
        String node = session.nodeProperty().get();
        Place selected = session.selectionProperty().get();
        return selected != null
                && selected.node().equals(node)
                && notes().whole(assessment, assessment.circuit(node).orElseThrow())
                        .isEmpty();
    }

    private StageNotes notes() {
        return notes.apply(session.stageProperty().get());
    }

    private void actions(List<Fix> actions) {
        if (actions.isEmpty()) {
            return;
        }
        content.getChildren().add(heading(Words.get("why.actions")));
        for (Fix fix : actions) {
            VBox texts = new VBox(
                    Ui.text(Words.say(fix.title()), "action-title"), Ui.text(Words.say(fix.cost()), "quiet", "small"));
            Tile button = new Tile(() -> session.apply(fix), texts, "way-out");
            button.setId("action-" + fix.id());
            button.setAccessibleText(Words.say(fix.title()) + ", " + Words.say(fix.cost()));
            content.getChildren().add(button);
        }
    }

    private void section(Why.Section section) {
        content.getChildren().add(heading(section.title()));
        VBox rows = new VBox();
        section.rows().forEach(row -> rows.getChildren().add(row(row)));
        section.lines().forEach(line -> rows.getChildren()
                .add(Ui.text(
                        line.text(), "why-line", "line-" + line.tone().name().toLowerCase(Locale.ROOT))));
        content.getChildren().add(rows);
        if (section.isFigures()) {
            figures = rows;
        }
    }

    private static Node row(Why.Row row) {
        Caption name = Ui.text(row.name(), "row-name");
        name.setMinWidth(66);
        // It takes what the others leave, so that none of them is ever made narrower.
        name.setPrefWidth(66);
        HBox.setHgrow(name, Priority.ALWAYS);
        name.setMaxWidth(Double.MAX_VALUE);
        Caption value = Ui.text(row.value(), "row-value");
        if (row.value().length() <= SHORT_VALUE) {
            value.setMinWidth(Region.USE_PREF_SIZE);
        } else {
            value.setMaxWidth(165);
        }
        Caption source = Ui.word(row.source(), "row-source").right();
        source.setMinWidth(row.source().isEmpty() ? 0 : Region.USE_PREF_SIZE);
        HBox line = new HBox(8, name, value);
        if (!row.source().isEmpty()) {
            line.getChildren().add(source);
        }
        line.setAlignment(Pos.TOP_LEFT);
        line.getStyleClass().add("why-row");
        return line;
    }

    private static Caption heading(String text) {
        return Ui.text(text, "section-title");
    }

    private void ways(List<Fix> ways) {
        if (ways.isEmpty()) {
            return;
        }
        content.getChildren().add(heading(Words.get("why.ways_out")));
        boolean isFirst = true;
        for (Fix fix : ways) {
            VBox texts = new VBox(
                    Ui.text(Words.say(fix.title()), "way-title"), Ui.text(Words.say(fix.cost()), "quiet", "small"));
            Tile button = new Tile(() -> session.apply(fix), texts, "way-out");
            button.setId("way-" + ways.indexOf(fix));
            if (isFirst) {
                button.getStyleClass().add("best");
            }
            button.setAccessibleText(Words.say(fix.title()) + ", " + Words.say(fix.cost()));
            content.getChildren().add(button);
            isFirst = false;
        }
    }

    private void others(Why why) {
        if (why.others().isEmpty()) {
            return;
        }
        boolean isList = why.ways().isEmpty() && why.sections().isEmpty();
        content.getChildren().add(heading(Words.get(isList ? "why.findings" : "why.also_here")));
        showFindings(why.others(), 0);
    }

    /** As many as anybody reads at once; the others are made when they are asked for. */
    private void showFindings(List<Finding> findings, int from) {
        int to = Math.min(findings.size(), from + FINDINGS_AT_ONCE);
        for (int number = from; number < to; number++) {
            content.getChildren().add(finding(findings.get(number), number));
        }
        if (to < findings.size()) {
            String words = Words.get("why.more", "count", findings.size() - to);
            Tile[] more = new Tile[1];
            more[0] = new Tile(
                    () -> {
                        content.getChildren().remove(more[0]);
                        showFindings(findings, to);
                    },
                    Ui.word(words, "pill-text"),
                    Pos.CENTER,
                    "pill-button");
            more[0].setId("more-findings");
            more[0].setAccessibleText(words);
            content.getChildren().add(more[0]);
        }
    }

    private Tile finding(Finding finding, int number) {
        Caption severity = Ui.word(
                Words.get("severity." + finding.severity().text()),
                "severity",
                "severity-" + finding.severity().text());
        severity.setMinWidth(Region.USE_PREF_SIZE);
        Caption sentence = Ui.text(Words.say(finding.sentence()), "finding-text");
        HBox.setHgrow(sentence, Priority.ALWAYS);
        Tile button = new Tile(() -> choose(finding), new HBox(8, severity, sentence), "finding-button");
        button.setId("finding-" + number);
        button.setAccessibleText(Words.say(finding.sentence()));
        return button;
    }

    /** Goes to the finding's own stage and place, and shows this very finding. */
    private void choose(Finding finding) {
        session.selection().show(finding.rule().stage(), finding.place());
        show(Explainer.explain(
                session.assessmentProperty().get(), finding.rule().stage(), finding));
        scrollTo(0);
    }
}
