package inkel.app.ui;

import inkel.app.words.Words;
import inkel.core.build.Node;
import inkel.core.checks.Assessment;
import javafx.geometry.Side;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;

/** The dark bar on top: the build, its nodes as tabs, find or do, undo, the menu. */
final class TopBar extends HBox {
    private final Workbench bench;
    private final Commands commands;
    private final Label name = Ui.word("", "build-name");
    private final HBox tabs = new HBox();

    TopBar(Workbench bench, Commands commands) {
        this.bench = bench;
        this.commands = commands;
        getStyleClass().add("top-bar");
        tabs.getStyleClass().add("node-tabs");
        name.setId("build-name");
        name.setMinWidth(0);
        Button find = new Button(Words.get("top.find"));
        find.setId("find");
        find.getStyleClass().add("find-button");
        find.setMinWidth(USE_PREF_SIZE);
        Label key = Ui.word(Words.get("top.find.key"), "find-key");
        find.setGraphic(key);
        find.setOnAction(event -> commands.find());
        getChildren()
                .addAll(
                        Ui.icon(Icons.MARK, "mark"),
                        Ui.word(Words.get("app.name"), "app-name"),
                        name,
                        tabs,
                        Ui.spring(),
                        find,
                        iconButton("undo", Icons.UNDO, bench::undo),
                        iconButton("redo", Icons.REDO, bench::redo),
                        menu());
        lookup("#undo").disableProperty().bind(bench.canUndoProperty().not());
        lookup("#redo").disableProperty().bind(bench.canRedoProperty().not());
        bench.assessmentProperty().addListener((property, old, next) -> fill());
        bench.nodeProperty().addListener((property, old, next) -> fill());
        fill();
    }

    private Button iconButton(String id, String icon, Runnable action) {
        Button button = new Button();
        button.setId(id);
        button.setGraphic(Ui.icon(icon));
        button.getStyleClass().add("icon-button");
        button.setAccessibleText(Words.get("top." + id));
        button.setTooltip(new Tooltip(Words.get("top." + id + ".tip")));
        button.setOnAction(event -> action.run());
        return button;
    }

    /** A plain button, since a menu that is never opened need not be built. */
    private Button menu() {
        Button menu = new Button(Words.get("top.menu"));
        menu.setId("menu");
        menu.getStyleClass().add("top-menu");
        menu.setMinWidth(USE_PREF_SIZE);
        menu.setOnAction(event -> items().show(menu, Side.BOTTOM, 0, 2));
        return menu;
    }

    private ContextMenu items() {
        ContextMenu items = new ContextMenu();
        commands.all().forEach(command -> {
            if (command.startsGroup()) {
                items.getItems().add(new SeparatorMenuItem());
            }
            MenuItem item = new MenuItem(command.title());
            item.setId("menu-" + command.id());
            item.setAccelerator(command.keys().orElse(null));
            item.setDisable(!command.isPossible());
            item.setOnAction(chosen -> command.run());
            items.getItems().add(item);
        });
        return items;
    }

    private void fill() {
        tabs.getChildren().clear();
        Assessment assessment = bench.assessmentProperty().get();
        name.setText(assessment == null ? "" : assessment.build().name());
        if (assessment == null) {
            return;
        }
        for (Node node : assessment.build().nodes()) {
            ToggleButton tab = new ToggleButton(node.name());
            tab.setId("node-" + node.id());
            tab.getStyleClass().add("node-tab");
            tab.setMinWidth(USE_PREF_SIZE);
            tab.setSelected(node.id().equals(bench.nodeProperty().get()));
            tab.setOnAction(event -> {
                bench.selectionProperty().set(null);
                bench.nodeProperty().set(node.id());
                fill();
            });
            tabs.getChildren().add(tab);
        }
    }
}
