package inkel.app.ui.frame;

import inkel.app.state.LogWork;
import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Icons;
import inkel.app.ui.kit.Subscriptions;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.stage.Command;
import inkel.app.words.RecordWords;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.geometry.Side;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.HBox;

/** The dark bar on top: the build, its nodes as tabs, find or do, undo, the menu. */
final class TopBar extends HBox {
    private final Session session;
    private final Commands commands;
    private final Caption name = Ui.word("", "build-name");
    private final NodeTabs tabs;
    private final Caption lookedAt = Ui.word("");
    private final Tile looking;
    private final Caption practice = Ui.word(Words.get("practice.mark"), "practice-mark");

    TopBar(Session session, Subscriptions subscriptions, Commands commands, NodeTabs tabs) {
        this.tabs = tabs;
        this.session = session;
        this.commands = commands;
        getStyleClass().add("top-bar");
        name.setId("build-name");
        name.setMinWidth(0);
        HBox toFind = new HBox(
                28, Ui.word(Words.get("top.find"), "find-text"), Ui.word(Words.get("top.find.key"), "find-key"));
        toFind.setAlignment(Pos.CENTER_LEFT);
        Tile find = new Tile(commands::find, toFind, "find-button");
        find.setId("find");
        find.setMinWidth(USE_PREF_SIZE);
        find.setMaxHeight(USE_PREF_SIZE);
        find.setAccessibleText(Words.get("top.find"));
        looking = new Tile(session.log()::backToNow, lookedAt, Pos.CENTER, "looking-mark");
        looking.setId("looking-mark");
        looking.setMinWidth(USE_PREF_SIZE);
        looking.setMaxHeight(USE_PREF_SIZE);
        Ui.tip(looking, Words.get("log.looking.back"));
        Caption brand = Ui.word(Words.get("app.name"), "app-name");
        brand.setMinWidth(USE_PREF_SIZE);
        getChildren()
                .addAll(
                        Ui.icon(Icons.MARK, "mark"),
                        brand,
                        name,
                        practice,
                        looking,
                        tabs,
                        Ui.spring(),
                        find,
                        iconButton("undo", Icons.UNDO, session::undo),
                        iconButton("redo", Icons.REDO, session::redo),
                        menu());
        subscriptions.bind(
                lookup("#undo").disableProperty(), session.canUndoProperty().not());
        subscriptions.bind(
                lookup("#redo").disableProperty(), session.canRedoProperty().not());
        practice.setId("practice-mark");
        practice.setMinWidth(USE_PREF_SIZE);
        Ui.tip(practice, Words.get("practice.mark.tip"));
        subscriptions.on(session.log().lookedProperty(), (property, old, next) -> fill());
        subscriptions.on(session.practice().roundProperty(), (property, old, next) -> fill());
        subscriptions.on(session.assessmentProperty(), (property, old, next) -> fill());
        fill();
    }

    private Tile iconButton(String id, String icon, Runnable action) {
        Tile button = new Tile(action, Ui.icon(icon), Pos.CENTER, "icon-button");
        button.setId(id);
        button.setAccessibleText(Words.get("top." + id));
        button.setMaxHeight(USE_PREF_SIZE);
        Ui.tip(button, Words.get("top." + id + ".tip"));
        return button;
    }

    /** A menu that is never opened need not be built. */
    private Tile menu() {
        Tile menu = new Tile(this::openMenu, Ui.word(Words.get("top.menu"), "top-menu-text"), Pos.CENTER, "top-menu");
        menu.setId("menu");
        menu.setMinWidth(USE_PREF_SIZE);
        menu.setMaxHeight(USE_PREF_SIZE);
        menu.setAccessibleText(Words.get("top.menu"));
        return menu;
    }

    private void openMenu() {
        items().show(lookup("#menu"), Side.BOTTOM, 0, 2);
    }

    private ContextMenu items() {
        ContextMenu items = new ContextMenu();
        for (Command.Group group : Command.Group.values()) {
            Menu part = new Menu(Words.get("menu." + group.name().toLowerCase(Locale.ROOT)));
            part.setId("menu-part-" + group.name().toLowerCase(Locale.ROOT));
            commands.all().stream().filter(command -> command.group() == group).forEach(command -> part.getItems()
                    .add(item(command)));
            items.getItems().add(part);
        }
        return items;
    }

    private static MenuItem item(Command command) {
        MenuItem item = new MenuItem(command.title());
        item.setId("menu-" + command.id());
        item.setAccelerator(command.keys().orElse(null));
        item.setDisable(!command.isPossible());
        item.setOnAction(chosen -> command.run());
        return item;
    }

    private void fill() {
        Assessment assessment = session.assessmentProperty().get();
        Ui.show(practice, session.practice().isOn());
        LogWork.LookedAt then = session.log().lookedProperty().get();
        if (then != null) {
            String said = Words.get(
                    "log.looking",
                    "when",
                    RecordWords.when(then.at(), session.log().zone()));
            lookedAt.setText(said);
            looking.setAccessibleText(said + ". " + Words.get("log.looking.back"));
        }
        Ui.show(looking, then != null);
        name.setText(assessment == null ? "" : assessment.build().name());
    }
}
