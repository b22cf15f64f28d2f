package inkel.app.ui.frame;

import inkel.app.state.Session;
import inkel.app.ui.kit.Subscriptions;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.document.Node;
import inkel.core.document.edit.RenameNode;
import javafx.geometry.Pos;
import javafx.geometry.Side;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.HBox;

/** The boards of the build as tabs. F2 or a double click renames one, its menu copies and removes it. */
final class NodeTabs extends HBox {
    private final Session session;
    private final Runnable addBoard;
    private TextField naming;

    NodeTabs(Session session, Subscriptions subscriptions, Runnable addBoard) {
        this.session = session;
        this.addBoard = addBoard;
        getStyleClass().add("node-tabs");
        subscriptions.on(session.assessmentProperty(), (property, old, next) -> fill());
        subscriptions.on(session.nodeProperty(), (property, old, next) -> fill());
        fill();
    }

    /** While a name is being typed the tabs stay as they are. */
    private void fill() {
        if (naming != null) {
            return;
        }
        getChildren().clear();
        Assessment assessment = session.assessmentProperty().get();
        if (assessment == null) {
            return;
        }
        assessment.build().nodes().forEach(node -> getChildren().add(tab(node)));
        Tile add = new Tile(addBoard, Ui.word(Words.get("node.add"), "node-tab-text"), Pos.CENTER, "node-add");
        add.setId("node-add");
        add.setAccessibleText(Words.get("node.add.long"));
        add.setMinWidth(USE_PREF_SIZE);
        getChildren().add(add);
    }

    private Tile tab(Node node) {
        Tile tab = new Tile(
                () -> {
                    session.selectionProperty().set(null);
                    session.nodeProperty().set(node.id());
                },
                Ui.word(node.name(), "node-tab-text"),
                Pos.CENTER,
                "node-tab");
        tab.setId("node-" + node.id());
        tab.setAccessibleText(node.name());
        tab.setSelected(node.id().equals(session.nodeProperty().get()));
        tab.setOnMouseClicked(event -> {
            if (event.getButton() == MouseButton.PRIMARY && event.getClickCount() == 2) {
                rename(node);
            }
        });
        tab.setOnContextMenuRequested(event -> menu(node).show(tab, Side.BOTTOM, 0, 0));
        tab.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.F2) {
                rename(node);
                event.consume();
            }
        });
        return tab;
    }

    private ContextMenu menu(Node node) {
        ContextMenu menu = new ContextMenu(
                item("command.rename_board", () -> rename(node)),
                item("command.copy_board", () -> session.boards().copy(node.id(), 1)),
                item("command.remove_board", () -> session.boards().remove(node.id())));
        return menu;
    }

    private static MenuItem item(String key, Runnable action) {
        MenuItem item = new MenuItem(Words.get(key));
        item.setId("menu-" + key.substring(key.indexOf('.') + 1));
        item.setOnAction(event -> action.run());
        return item;
    }

    /** Changes the name of the shown board in its tab. */
    void renameShown() {
        session.build()
                .flatMap(build -> build.node(session.nodeProperty().get()))
                .ifPresent(this::rename);
    }

    private void rename(Node node) {
        TextField field = new TextField(node.name());
        field.setId("rename-node");
        field.setAccessibleText(Words.get("command.rename_board"));
        field.setPrefWidth(150);
        HBox.setMargin(field, new javafx.geometry.Insets(2, 0, 4, 0));
        for (int i = 0; i < getChildren().size(); i++) {
            if (("node-" + node.id()).equals(getChildren().get(i).getId())) {
                getChildren().set(i, field);
            }
        }
        naming = field;
        field.setOnAction(event -> named(field, node, field.getText().strip()));
        field.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ESCAPE) {
                named(field, node, node.name());
                event.consume();
            }
        });
        field.focusedProperty().addListener((property, old, next) -> {
            if (!next) {
                named(field, node, field.getText().strip());
            }
        });
        field.requestFocus();
        field.selectAll();
    }

    /** The name is taken however the field is left, but for Escape. */
    private void named(TextField field, Node node, String name) {
        if (naming != field) {
            return;
        }
        naming = null;
        if (!name.isEmpty() && !name.equals(node.name())) {
            session.apply(new RenameNode(node.id(), name));
        }
        fill();
    }
}
