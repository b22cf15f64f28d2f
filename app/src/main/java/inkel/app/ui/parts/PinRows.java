package inkel.app.ui.parts;

import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Knot;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.catalog.PinUse;
import inkel.core.io.catalog.PinList.Item;
import java.util.List;
import java.util.function.BiConsumer;
import javafx.geometry.Pos;
import javafx.geometry.Side;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The pins of a part that is being made, as its rows will be in the loom; a press on a role changes it. */
public final class PinRows extends VBox {
    private static final List<PinUse> ROLES = List.of(
            PinUse.GROUND,
            PinUse.SUPPLY,
            PinUse.INPUT,
            PinUse.OUTPUT,
            PinUse.INTERRUPT,
            PinUse.PWM,
            PinUse.ANALOG,
            PinUse.BIAS,
            PinUse.LEAD,
            PinUse.SPI_SCK,
            PinUse.SPI_MOSI,
            PinUse.SPI_MISO,
            PinUse.SPI_CS,
            PinUse.I2C_SDA,
            PinUse.I2C_SCL,
            PinUse.UART_TX,
            PinUse.UART_RX,
            PinUse.NONE);

    private final BiConsumer<Integer, PinUse> change;

    /** @param change gets the index of a pin and its new role */
    public PinRows(BiConsumer<Integer, PinUse> change) {
        this.change = change;
        getStyleClass().addAll("loom-card", "pin-rows");
        setId("pin-rows");
    }

    public void show(String name, List<Item> items) {
        getChildren().setAll(Ui.word(name.isBlank() ? Words.get("maker.preview") : name, "loom-name"));
        for (int i = 0; i < items.size(); i++) {
            getChildren().add(row(i, items.get(i)));
        }
    }

    private HBox row(int index, Item item) {
        Caption label = Ui.word(item.label(), "loom-pin").right();
        label.setMinWidth(70);
        label.setPrefWidth(70);
        String style = "wire-" + item.use().family();
        Region thread = new Region();
        thread.getStyleClass().addAll("pin-thread", "ground-" + style);
        HBox row = new HBox(6, label, thread);
        if (item.use() != PinUse.NONE) {
            row.getChildren().add(new Knot(Knot.Form.PLACED, style));
        }
        Tile press = new Tile(
                () -> choose(row, index),
                Ui.word(Words.get("role." + item.use().text()), "small"),
                Pos.CENTER_LEFT,
                "role");
        press.setId("role-" + item.label());
        press.setAccessibleText(
                item.label() + ", " + Words.get("role." + item.use().text()));
        row.getChildren().add(press);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private void choose(HBox row, int index) {
        ContextMenu menu = new ContextMenu();
        for (PinUse use : ROLES) {
            MenuItem item = new MenuItem(Words.get("role." + use.text()));
            item.setId("menu-role-" + use.text());
            item.setOnAction(event -> change.accept(index, use));
            menu.getItems().add(item);
        }
        menu.show(row, Side.BOTTOM, 80, 0);
    }
}
