package inkel.app.ui.take;

import inkel.app.export.Export;
import inkel.app.export.Exports;
import inkel.app.export.Pictures;
import inkel.app.lane.Notice;
import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Copying;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Subscriptions;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import java.io.ByteArrayInputStream;
import java.nio.IntBuffer;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.beans.binding.Bindings;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.TextArea;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** Every form that a build can be taken along in, with a look at it before it is printed, copied or saved. */
public final class TakePage extends VBox {
    private static final double KINDS_WIDTH = 250;
    private static final double PAGE_GAP = 14;

    /** A page is looked at no wider than it is read on paper. */
    private static final double PAPER_WIDTH = 700;

    /** Dots an inch: enough to read on the screen, and enough for paper. */
    private static final int SCREEN_DOTS = 110;

    private static final int PAPER_DOTS = 220;

    private final Session session;
    private final Desk desk;
    private final Printer printer;
    private final Subscriptions subscriptions = new Subscriptions();
    private final Map<Export, Tile> kinds = new LinkedHashMap<>();
    private final StackPane preview = new StackPane();
    private final Caption title = Ui.word("", "section-title");
    private final Tile copy = Ui.pill("take-copy", Words.get("take.copy"), this::copy);
    private final Tile print = Ui.pill("take-print", Words.get("take.print"), this::print);
    private Export shown;
    private byte[] content;

    /** What the window does with files. */
    public interface Desk {
        /** Asks for a file and writes it. */
        void save(Export export);

        /** Asks for a folder and writes everything there. */
        void saveAll();

        void leave();
    }

    public TakePage(Session session, Desk desk, Printer printer) {
        super(12);
        this.session = session;
        this.desk = desk;
        this.printer = printer;
        setId("take-page");
        getStyleClass().addAll("stage", "take-page");
        Tile leave = Ui.pill("take-leave", Words.get("take.leave"), desk::leave);
        leave.setMinWidth(USE_PREF_SIZE);
        HBox head = new HBox(12, Ui.word(Words.get("take.title"), "stage-title"), Ui.spring(), leave);
        head.setAlignment(Pos.CENTER_LEFT);
        VBox list = new VBox(6);
        for (Export export : Exports.all()) {
            Tile tile = new Tile(() -> show(export), described(export), "choice");
            tile.setId("take-" + export.id().replace('.', '-'));
            tile.setAccessibleText(export.id() + ", " + Words.get("take." + export.id()));
            kinds.put(export, tile);
            list.getChildren().add(tile);
        }
        list.getChildren().add(Ui.pill("take-all", Words.get("take.all"), desk::saveAll));
        Scroller left = new Scroller(list);
        left.setMinWidth(KINDS_WIDTH);
        left.setPrefWidth(KINDS_WIDTH);
        WrapRow actions =
                new WrapRow(8, print, copy, Ui.pill("take-save", Words.get("take.save"), () -> desk.save(shown)));
        title.setMinWidth(0);
        HBox above = new HBox(12, title, Ui.spring(), actions);
        above.setAlignment(Pos.CENTER_LEFT);
        VBox right = new VBox(10, above, preview);
        right.getStyleClass().add("sheet");
        right.setMinWidth(0);
        VBox.setVgrow(preview, Priority.ALWAYS);
        HBox.setHgrow(right, Priority.ALWAYS);
        HBox body = new HBox(14, left, right);
        VBox.setVgrow(body, Priority.ALWAYS);
        getChildren().addAll(head, body);
        subscriptions.on(session.assessmentProperty(), (property, old, next) -> show(shown));
        show(Exports.all().get(0));
    }

    /** The page is gone: it no longer listens. */
    public void dispose() {
        subscriptions.dispose();
    }

    private static Node described(Export export) {
        return new VBox(
                1, Ui.text(Words.get("take." + export.id()), "choice-title"), Ui.word(export.id(), "quiet", "small"));
    }

    /** Shows one form of the present build; it is made beside the window. */
    public void show(Export export) {
        shown = export;
        content = null;
        kinds.forEach((kind, tile) -> tile.setSelected(kind == export));
        title.setText(Words.get("take." + export.id()));
        copy.setDisable(true);
        print.setDisable(true);
        Ui.show(print, !export.isText() || export.id().endsWith(".svg"));
        Ui.show(copy, export.isText() || export.isPicture());
        Assessment assessment = session.assessmentProperty().get();
        if (assessment == null) {
            return;
        }
        String node = session.nodeProperty().get();
        kinds.forEach((kind, tile) -> Ui.show(tile, kind.isFor(assessment, node)));
        if (!export.isFor(assessment, node)) {
            preview.getChildren()
                    .setAll(Ui.text(Words.get("export.not_this_board", "name", name(assessment, node)), "later"));
            return;
        }
        preview.getChildren().setAll(Ui.text(Words.get("take.under_way"), "later"));
        var drawer = session.drawers().of(session.files().fileProperty().get());
        session.draw(
                () -> {
                    byte[] made = export.bytes(drawer, node).apply(assessment);
                    return new Made(made, export.isText() ? List.of() : pages(export, made, SCREEN_DOTS));
                },
                made -> {
                    if (shown == export && session.assessmentProperty().get() == assessment) {
                        look(export, made);
                    }
                });
    }

    private static String name(Assessment assessment, String node) {
        return assessment.build().node(node).map(found -> found.name()).orElse(node);
    }

    /** What an export came to. */
    private record Made(byte[] content, List<Image> pages) {}

    /** What goes on paper, as pictures; made beside the window, for twenty pages take their time. */
    private static List<Image> pages(Export export, byte[] made, int dots) {
        if (export.isPicture()) {
            return List.of(new Image(new ByteArrayInputStream(made)));
        }
        List<Pictures.Dots> drawn =
                export.id().endsWith(".svg") ? List.of(Pictures.ofSvg(made)) : Pictures.ofPdf(made, dots);
        return drawn.stream().map(TakePage::image).toList();
    }

    private static Image image(Pictures.Dots dots) {
        return new WritableImage(new PixelBuffer<>(
                dots.width(), dots.height(), IntBuffer.wrap(dots.colours()), PixelFormat.getIntArgbPreInstance()));
    }

    private void look(Export export, Made made) {
        content = made.content();
        copy.setDisable(false);
        print.setDisable(false);
        if (export.isText()) {
            TextArea text = new TextArea(new String(content, StandardCharsets.UTF_8));
            text.setId("take-text");
            text.setEditable(false);
            text.getStyleClass().add("take-text");
            preview.getChildren().setAll(text);
            return;
        }
        VBox pages = new VBox(PAGE_GAP);
        pages.setAlignment(Pos.TOP_CENTER);
        int number = 1;
        for (Image image : made.pages()) {
            ImageView view = new ImageView(image);
            view.setPreserveRatio(true);
            view.setSmooth(true);
            double most = export.isPicture() ? image.getWidth() : Math.min(image.getWidth(), PAPER_WIDTH);
            view.fitWidthProperty()
                    .bind(Bindings.min(most, preview.widthProperty().subtract(24)));
            StackPane page = new StackPane(view);
            page.setMaxSize(USE_PREF_SIZE, USE_PREF_SIZE);
            page.getStyleClass().add("take-paper");
            page.setId("take-page-" + number++);
            pages.getChildren().add(page);
        }
        preview.getChildren().setAll(new Scroller(pages));
    }

    private void copy() {
        if (content == null) {
            return;
        }
        if (shown.isPicture()) {
            Copying.put(new Image(new ByteArrayInputStream(content)));
        } else {
            Copying.put(new String(content, StandardCharsets.UTF_8));
        }
        session.notices().done(Words.get("take.copied", "what", Words.get("take." + shown.id())));
    }

    /** Prints what is shown; without a printer the builder is offered the file. */
    public void print() {
        Export export = shown;
        String node = session.nodeProperty().get();
        Assessment assessment = session.assessmentProperty().get();
        var drawer = session.drawers().of(session.files().fileProperty().get());
        session.draw(
                () -> pages(export, export.bytes(drawer, node).apply(assessment), PAPER_DOTS),
                pages -> told(
                        export,
                        printer.print(
                                getScene() == null ? null : getScene().getWindow(),
                                assessment.build().name(),
                                pages)));
    }

    private void told(Export export, Printer.Outcome outcome) {
        switch (outcome) {
            case PRINTED -> session.notices().done(Words.get("take.printed"));
            case LEFT -> {
                // The builder changed their mind, and knows it.
            }
            case NO_PRINTER, FAILED ->
                session.notices()
                        .trouble(
                                Words.get(outcome == Printer.Outcome.FAILED ? "take.print_failed" : "take.no_printer"),
                                new Notice.Action(
                                        Words.get("take.save_instead", "what", export.id()), () -> desk.save(export)));
        }
    }
}
