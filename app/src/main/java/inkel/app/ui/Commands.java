package inkel.app.ui;

import inkel.app.Examples;
import inkel.app.words.Words;
import inkel.core.build.Edit;
import inkel.core.build.Place;
import inkel.core.finding.Stage;
import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import javafx.scene.Scene;
import javafx.scene.input.KeyCombination;
import javafx.stage.FileChooser;

/** All commands of the window in one list: the menu, the keys and find-or-do read it. */
final class Commands {
    private final Workbench bench;
    private final Runnable find;
    private final Runnable help;
    private final Runnable theme;
    private final List<Command> all = new ArrayList<>();
    private Scene scene;

    Commands(Workbench bench, Runnable find, Runnable help, Runnable theme) {
        this.bench = bench;
        this.find = find;
        this.help = help;
        this.theme = theme;
        BooleanSupplier isOpen = () -> bench.assessmentProperty().get() != null;
        add("open", "Shortcut+O", false, () -> true, this::open);
        add("save", "Shortcut+S", false, isOpen, bench::save);
        add("save_as", "Shortcut+Shift+S", false, isOpen, this::saveAs);
        add("example", null, false, () -> example(Examples.DEMO).isPresent(), () -> openExample(Examples.DEMO));
        add(
                "example_sketch",
                null,
                false,
                () -> example(Examples.FIRST_SKETCH).isPresent(),
                () -> openExample(Examples.FIRST_SKETCH));
        add("undo", "Shortcut+Z", true, () -> bench.canUndoProperty().get(), bench::undo);
        add("redo", "Shortcut+Y", false, () -> bench.canRedoProperty().get(), bench::redo);
        add(
                "plan",
                "Shortcut+P",
                false,
                () -> isOpen.getAsBoolean() && !bench.busyProperty().get(),
                bench::plan);
        add("remove", "Delete", false, this::isPartSelected, this::removePart);
        add("find", "Shortcut+K", true, () -> true, this::find);
        add("help", "F1", false, isOpen, () -> this.help.run());
        add("theme", "Shortcut+Shift+N", false, () -> true, () -> this.theme.run());
        for (Stage stage : Stage.values()) {
            add(
                    "stage." + stage.text(),
                    "Shortcut+" + (stage.ordinal() + 1),
                    stage.ordinal() == 0,
                    () -> true,
                    () -> bench.stageProperty().set(stage));
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
        return all;
    }

    /** Makes the keys work in a scene. Delete is left to the text fields while one of them has the focus. */
    void install(Scene target) {
        scene = target;
        all.forEach(command -> command.keys()
                .ifPresent(keys -> target.getAccelerators().put(keys, () -> {
                    boolean isTyping = target.getFocusOwner() instanceof javafx.scene.control.TextInputControl;
                    if (!(isTyping && keys.getName().equals("Delete"))) {
                        command.run();
                    }
                })));
    }

    void find() {
        find.run();
    }

    private void open() {
        FileChooser chooser = chooser("command.open");
        File chosen = chooser.showOpenDialog(scene.getWindow());
        if (chosen != null) {
            bench.open(chosen.toPath());
        }
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
        bench.apply(new Edit.RemovePart(selected.node(), selected.part()));
    }
}
