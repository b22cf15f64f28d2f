package inkel.app.ui;

import inkel.app.Examples;
import inkel.app.words.Words;
import inkel.core.catalog.PartClass;
import inkel.core.document.Place;
import inkel.core.document.edit.RemovePart;
import inkel.core.finding.Stage;
import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import javafx.event.EventHandler;
import javafx.scene.Scene;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.stage.FileChooser;

/**
 * All commands of the window in one list: the menu, the keys and find-or-do read it. It is made when one of them first
 * does, since the first picture goes without it.
 */
final class Commands {
    private final Workbench bench;
    private final Supplier<Map<String, Runnable>> frameActions;
    private Map<String, Runnable> frame;
    private final List<Command> all = new ArrayList<>();
    private Scene scene;

    /** @param frame what the window itself does, by the id of the command */
    Commands(Workbench bench, Supplier<Map<String, Runnable>> frame) {
        this.bench = bench;
        this.frameActions = frame;
    }

    private void make() {
        frame = frameActions.get();
        BooleanSupplier isOpen = () -> bench.assessmentProperty().get() != null;
        add("new", "Shortcut+N", false, () -> true, frame.get("new"));
        add("open", "Shortcut+O", false, () -> true, this::open);
        add("save", "Shortcut+S", false, isOpen, this::save);
        add("save_as", "Shortcut+Shift+S", false, isOpen, this::saveAs);
        add("example", null, false, () -> example(Examples.DEMO).isPresent(), () -> openExample(Examples.DEMO));
        add(
                "example_sketch",
                null,
                false,
                () -> example(Examples.FIRST_SKETCH).isPresent(),
                () -> openExample(Examples.FIRST_SKETCH));
        add(
                "example_moth",
                null,
                false,
                () -> example(Examples.MOTH_LAMP).isPresent(),
                () -> openExample(Examples.MOTH_LAMP));
        add("undo", "Shortcut+Z", true, () -> bench.canUndoProperty().get(), bench::undo);
        add("redo", "Shortcut+Y", false, () -> bench.canRedoProperty().get(), bench::redo);
        add(
                "plan",
                "Shortcut+P",
                false,
                () -> isOpen.getAsBoolean() && !bench.busyProperty().get(),
                bench.pins()::plan);
        add("remove", "Delete", false, this::isPartSelected, this::removePart);
        add("find_part", "Shortcut+F", true, isOpen, frame.get("find_part"));
        add("figures", "Shortcut+E", false, this::isAnyPartSelected, frame.get("figures"));
        add("make_part", null, false, isOpen, frame.get("make_part"));
        add("bring_in", null, false, () -> true, this::bringIn);
        add("give_out", null, false, () -> !bench.shelves().isEmpty(), this::giveOut);
        add("add_board", null, true, isOpen, frame.get("add_board"));
        add("rename_board", null, false, isOpen, frame.get("rename_board"));
        add(
                "copy_board",
                null,
                false,
                isOpen,
                () -> bench.copyNode(bench.nodeProperty().get()));
        add(
                "remove_board",
                null,
                false,
                isOpen,
                () -> bench.removeNode(bench.nodeProperty().get()));
        add("find", "Shortcut+K", true, () -> true, this::find);
        add("help", "F1", false, isOpen, frame.get("help"));
        add("theme", "Shortcut+Shift+N", false, () -> true, frame.get("theme"));
        for (Stage stage : Stage.values()) {
            add(
                    "stage." + stage.text(),
                    "Shortcut+" + (stage.ordinal() + 1),
                    stage.ordinal() == 0,
                    () -> true,
                    frame.get("stage." + stage.text()));
        }
    }

    private void add(String id, String keys, boolean startsGroup, BooleanSupplier possible, Runnable action) {
        String title = id.startsWith("stage.")
                ? Words.get("command.stage", "stage", Words.get(id))
                : Words.get("command." + id);
        all.add(new Command(
                id, title, Optional.ofNullable(keys).map(KeyCombination::valueOf), startsGroup, possible, action));
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
        all();
        frame.get("find").run();
    }

    private void open() {
        FileChooser chooser = chooser("command.open");
        File chosen = chooser.showOpenDialog(scene.getWindow());
        if (chosen != null) {
            bench.open(chosen.toPath());
        }
    }

    /** A build that was just begun has no file yet. */
    private void save() {
        if (bench.fileProperty().get() == null) {
            saveAs();
        } else {
            bench.save();
        }
    }

    private void bringIn() {
        FileChooser chooser = definitions("command.bring_in");
        File chosen = chooser.showOpenDialog(scene.getWindow());
        if (chosen != null) {
            bench.bringIn(chosen.toPath());
        }
    }

    private void giveOut() {
        FileChooser chooser = definitions("command.give_out");
        Optional<String> inspected = Optional.ofNullable(
                        bench.inspectedProperty().get())
                .map(PartClass::id)
                .filter(bench.shelves()::isOwn);
        chooser.setInitialFileName(inspected.orElse("own-parts") + ".json");
        File chosen = chooser.showSaveDialog(scene.getWindow());
        if (chosen != null) {
            bench.shelves().giveOut(chosen.toPath(), inspected);
        }
    }

    private static FileChooser definitions(String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Words.get(title));
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter(Words.get("files.parts"), "*.json"));
        return chooser;
    }

    private void saveAs() {
        FileChooser chooser = chooser("command.save_as");
        Path now = bench.fileProperty().get();
        if (now != null) {
            chooser.setInitialFileName(now.getFileName().toString());
        }
        File chosen = chooser.showSaveDialog(scene.getWindow());
        if (chosen != null) {
            bench.saveAs(chosen.toPath());
        }
    }

    private FileChooser chooser(String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Words.get(title));
        chooser.getExtensionFilters()
                .addAll(
                        new FileChooser.ExtensionFilter(Words.get("files.builds"), "*.inkel.json"),
                        new FileChooser.ExtensionFilter(Words.get("files.all"), "*"));
        Path now = bench.fileProperty().get();
        if (now != null && Files.isDirectory(now.toAbsolutePath().getParent())) {
            chooser.setInitialDirectory(now.toAbsolutePath().getParent().toFile());
        }
        return chooser;
    }

    private static Optional<Path> example(String name) {
        return Optional.of(Examples.folder().resolve(name)).filter(Files::isRegularFile);
    }

    private void openExample(String name) {
        example(name).ifPresent(bench::open);
    }

    private boolean isAnyPartSelected() {
        Place selected = bench.selectionProperty().get();
        return selected != null && selected.isPart();
    }

    private boolean isPartSelected() {
        Place selected = bench.selectionProperty().get();
        return selected != null
                && selected.isPart()
                && bench.build()
                        .flatMap(build -> build.node(selected.node()))
                        .flatMap(node -> node.part(selected.part()))
                        .filter(part -> !part.isBoard())
                        .isPresent();
    }

    private void removePart() {
        Place selected = bench.selectionProperty().get();
        bench.selectionProperty().set(null);
        bench.apply(new RemovePart(selected.node(), selected.part()));
    }
}
