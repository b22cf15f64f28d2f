package inkel.app.ui.frame;

import inkel.app.export.Export;
import inkel.app.export.Exports;
import inkel.app.state.Session;
import inkel.app.store.Examples;
import inkel.app.ui.kit.Copying;
import inkel.app.ui.stage.Command;
import inkel.app.ui.stage.Command.Group;
import inkel.app.ui.stage.StageView;
import inkel.app.words.Words;
import inkel.core.calc.Reckoning;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.Place;
import inkel.core.document.edit.RemovePart;
import inkel.core.drawer.Drawer;
import inkel.core.finding.Stage;
import java.io.ByteArrayInputStream;
import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import javafx.event.EventHandler;
import javafx.scene.Scene;
import javafx.scene.image.Image;
import javafx.scene.input.KeyEvent;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;

/**
 * All commands of the window in one list: the menu, the keys and find-or-do read it. It is made when one of them first
 * does, since the first picture goes without it.
 */
final class Commands {
    private static final String SHEET = "sheet.pdf";

    private final Session session;
    private final Frame frame;
    private final Stages stages;
    private final Folders folders;
    private final List<Command> all = new ArrayList<>();
    private Scene scene;

    Commands(Session session, Frame frame, Stages stages, Folders folders) {
        this.folders = folders;
        this.session = session;
        this.frame = frame;
        this.stages = stages;
    }

    private void make() {
        BooleanSupplier always = () -> true;
        BooleanSupplier isOpen = () -> session.assessmentProperty().get() != null;
        add(
                Group.BUILD,
                Command.of("new", "Shortcut+N", always, frame::begin),
                Command.of("open", "Shortcut+O", always, this::open),
                Command.of("save", "Shortcut+S", isOpen, this::save),
                Command.of("save_as", "Shortcut+Shift+S", isOpen, () -> saveAs(() -> {})),
                example("example", Examples.DEMO),
                example("example_sketch", Examples.FIRST_SKETCH),
                example("example_moth", Examples.MOTH_LAMP));
        add(
                Group.EDIT,
                Command.of("undo", "Shortcut+Z", () -> session.canUndoProperty().get(), session::undo),
                Command.of("redo", "Shortcut+Y", () -> session.canRedoProperty().get(), session::redo),
                Command.of("remove", "Delete", this::isPartSelected, this::removePart),
                Command.of("figures", "Shortcut+E", this::isAnyPartSelected, frame::editFigures));
        stages.all().forEach(view -> all.addAll(view.commands()));
        add(Group.EDIT, Command.of("habits", null, isOpen, frame::habits));
        add(
                Group.BOARD,
                Command.of("add_board", null, isOpen, frame::addBoard),
                Command.of("rename_board", null, isOpen, frame::renameBoard),
                Command.of("copy_board", null, isOpen, () -> session.boards()
                        .copy(session.nodeProperty().get(), 1)),
                Command.of("remove_board", null, isOpen, () -> session.boards()
                        .remove(session.nodeProperty().get())));
        add(
                Group.PARTS,
                Command.of("bring_in", null, always, this::bringIn),
                Command.of("give_out", null, () -> !session.shelves().isEmpty(), this::giveOut),
                Command.of("drawer_in", null, always, this::drawerIn),
                Command.of("drawer_out", null, always, this::drawerOut),
                Command.of("readings_in", null, isOpen, this::readingsIn));
        add(
                Group.TAKE,
                Command.of("take", "Shortcut+Shift+T", isOpen, () -> frame.takeAlong(SHEET)),
                Command.of("print", "Shortcut+Shift+P", isOpen, () -> frame.takeAlong(SHEET)
                        .print()),
                Command.of("copy_loom", null, isOpen, () -> copyPicture("loom.png")),
                Command.of("copy_river", null, isOpen, () -> copyPicture("river.png")));
        for (Export export : Exports.all()) {
            add(
                    Group.TAKE,
                    Command.titled(
                            "export." + export.id(),
                            Words.get("command.export", "kind", export.id()),
                            null,
                            () -> isOpen.getAsBoolean()
                                    && export.isFor(
                                            session.assessmentProperty().get(),
                                            session.nodeProperty().get()),
                            () -> write(export)));
        }
        add(Group.TAKE, Command.of("export_all", null, isOpen, this::writeAll));
        for (StageView view : stages.all()) {
            Stage stage = view.stage();
            add(
                    Group.GO,
                    Command.titled(
                            "stage." + stage.text(),
                            Words.get("command.stage", "stage", Words.get("stage." + stage.text())),
                            "Shortcut+" + (stage.ordinal() + 1),
                            always,
                            () -> frame.go(stage)));
        }
        add(
                Group.WINDOW,
                Command.of("find", "Shortcut+K", always, frame::find),
                Command.of("reckon", "Shortcut+R", always, frame::reckon),
                Command.of("help", "F1", always, frame::help),
                Command.of("why", "Shift+F1", isOpen, frame::why),
                Command.of("theme", "Shortcut+Shift+N", always, frame::switchTheme),
                Command.of("text_larger", "Shortcut+'+'", always, () -> frame.textSize(1)),
                Command.of("text_smaller", "Shortcut+'-'", always, () -> frame.textSize(-1)),
                Command.of("text_usual", "Shortcut+0", always, () -> frame.textSize(0)),
                Command.of("left_work", null, always, frame::leftWork),
                Command.of("tour", null, always, frame::tour),
                Command.of("about", null, always, frame::about));
    }

    private void add(Group group, Command... commands) {
        for (Command command : commands) {
            all.add(command.in(group));
        }
    }

    /** A picture of the whole build, to be put into a letter or a notebook. */
    private void copyPicture(String kind) {
        Assessment assessment = session.assessmentProperty().get();
        Export export = Exports.find(kind).orElseThrow();
        session.draw(
                () -> export.bytes(Drawer.EMPTY, session.nodeProperty().get()).apply(assessment), picture -> {
                    Copying.put(new Image(new ByteArrayInputStream(picture)));
                    session.notices().done(Words.get("take.copied", "what", Words.get("take." + kind)));
                });
    }

    private Command example(String id, String file) {
        return Command.of(id, null, () -> example(file).isPresent(), () -> openExample(file));
    }

    List<Command> all() {
        if (all.isEmpty()) {
            make();
        }
        return all;
    }

    /** Makes the keys work in a scene, once the first of them is pressed. */
    void install(Scene target) {
        scene = target;
        target.addEventFilter(KeyEvent.KEY_PRESSED, new EventHandler<>() {
            @Override
            public void handle(KeyEvent first) {
                target.removeEventFilter(KeyEvent.KEY_PRESSED, this);
                putKeys(target);
            }
        });
    }

    /** Delete is left to the text fields while one of them has the focus. */
    private void putKeys(Scene target) {
        all().forEach(command -> command.keys()
                .ifPresent(keys -> target.getAccelerators().put(keys, () -> {
                    boolean isTyping = target.getFocusOwner() instanceof javafx.scene.control.TextInputControl;
                    if (!(isTyping && keys.getName().equals("Delete"))) {
                        command.run();
                    }
                })));
    }

    void find() {
        frame.find();
    }

    /** Shows a calculation with what is given to it. */
    void reckon(Reckoning reckoning) {
        frame.reckon().show(reckoning);
    }

    private void open() {
        FileChooser chooser = chooser("command.open");
        File chosen = chooser.showOpenDialog(scene.getWindow());
        if (chosen != null) {
            session.files().open(chosen.toPath());
        }
    }

    /** A build that was just begun has no file yet. */
    private void save() {
        if (session.files().fileProperty().get() == null) {
            saveAs(() -> {});
        } else {
            session.files().save();
        }
    }

    private void bringIn() {
        FileChooser chooser = definitions("command.bring_in");
        File chosen = chooser.showOpenDialog(scene.getWindow());
        if (chosen != null) {
            session.parts().bringIn(chosen.toPath());
        }
    }

    private void giveOut() {
        FileChooser chooser = definitions("command.give_out");
        Optional<String> inspected = Optional.ofNullable(
                        session.selection().inspectedProperty().get())
                .map(PartClass::id)
                .filter(session.shelves()::isOwn);
        chooser.setInitialFileName(inspected.orElse("own-parts") + ".json");
        File chosen = chooser.showSaveDialog(scene.getWindow());
        if (chosen != null) {
            session.shelves().giveOut(chosen.toPath(), inspected);
        }
    }

    private void drawerIn() {
        FileChooser chooser = tables("command.drawer_in");
        File chosen = chooser.showOpenDialog(scene.getWindow());
        if (chosen != null) {
            session.drawers().bringIn(chosen.toPath());
        }
    }

    private void readingsIn() {
        File chosen = tables("command.readings_in").showOpenDialog(scene.getWindow());
        if (chosen != null) {
            session.readings().bringIn(chosen.toPath());
        }
    }

    private void drawerOut() {
        FileChooser chooser = tables("command.drawer_out");
        chooser.setInitialFileName("drawer.csv");
        File chosen = chooser.showSaveDialog(scene.getWindow());
        if (chosen != null) {
            session.drawers().giveOut(chosen.toPath());
        }
    }

    private Drawer drawer() {
        return session.drawers().of(session.files().fileProperty().get());
    }

    private FileChooser tables(String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Words.get(title));
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter(Words.get("files.tables"), "*.csv"));
        chooser.setInitialDirectory(
                folders.forExports(session.files().fileProperty().get()));
        return chooser;
    }

    private static FileChooser definitions(String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Words.get(title));
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter(Words.get("files.parts"), "*.json"));
        return chooser;
    }

    /** @param then done once the build is in a file */
    void saveAs(Runnable then) {
        FileChooser chooser = chooser("command.save_as");
        Path now = session.files().fileProperty().get();
        chooser.setInitialDirectory(folders.forBuild(now));
        chooser.setInitialFileName(
                now != null
                                && folders.forBuild(now)
                                        .toPath()
                                        .equals(now.toAbsolutePath().getParent())
                        ? now.getFileName().toString()
                        : stem() + ".inkel.json");
        File chosen = chooser.showSaveDialog(scene.getWindow());
        if (chosen != null) {
            session.files().saveAs(chosen.toPath(), then);
        }
    }

    private String stem() {
        return Folders.stem(session.build().map(Build::name).orElse(""));
    }

    /** Writes an export to a file that the builder chooses. */
    void write(Export export) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Words.get("command.export", "kind", export.id()));
        chooser.setInitialFileName(stem() + "-" + export.id());
        chooser.setInitialDirectory(
                folders.forExports(session.files().fileProperty().get()));
        File chosen = chooser.showSaveDialog(scene.getWindow());
        if (chosen != null) {
            folders.rememberExports(chosen.toPath().toAbsolutePath().getParent());
            session.files()
                    .write(
                            chosen.toPath(),
                            export.bytes(drawer(), session.nodeProperty().get()));
        }
    }

    /** Writes every export to a folder that the builder chooses. */
    void writeAll() {
        DirectoryChooser chooser = new DirectoryChooser();
        chooser.setTitle(Words.get("command.export_all"));
        chooser.setInitialDirectory(
                folders.forExports(session.files().fileProperty().get()));
        File chosen = chooser.showDialog(scene.getWindow());
        if (chosen != null) {
            folders.rememberExports(chosen.toPath());
            session.files()
                    .writeAll(
                            chosen.toPath(),
                            Exports.files(
                                    stem(),
                                    drawer(),
                                    session.assessmentProperty().get()));
        }
    }

    private FileChooser chooser(String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Words.get(title));
        chooser.getExtensionFilters()
                .addAll(
                        new FileChooser.ExtensionFilter(Words.get("files.builds"), "*.inkel.json"),
                        new FileChooser.ExtensionFilter(Words.get("files.all"), "*"));
        Path now = session.files().fileProperty().get();
        if (now != null && Files.isDirectory(now.toAbsolutePath().getParent())) {
            chooser.setInitialDirectory(now.toAbsolutePath().getParent().toFile());
        }
        return chooser;
    }

    private static Optional<Path> example(String name) {
        return Optional.of(Examples.folder().resolve(name)).filter(Files::isRegularFile);
    }

    private void openExample(String name) {
        example(name).ifPresent(session.files()::open);
    }

    private boolean isAnyPartSelected() {
        Place selected = session.selectionProperty().get();
        return selected != null && selected.isPart();
    }

    private boolean isPartSelected() {
        Place selected = session.selectionProperty().get();
        return selected != null
                && selected.isPart()
                && session.build()
                        .flatMap(build -> build.node(selected.node()))
                        .flatMap(node -> node.part(selected.part()))
                        .filter(part -> !part.isBoard())
                        .isPresent();
    }

    private void removePart() {
        Place selected = session.selectionProperty().get();
        session.selectionProperty().set(null);
        session.apply(new RemovePart(selected.node(), selected.part()));
    }
}
