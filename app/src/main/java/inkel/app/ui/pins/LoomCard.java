package inkel.app.ui.pins;

import javafx.scene.layout.Region;

/** The sheet behind a module's rows. */
final class LoomCard extends Region {
    LoomCard(LoomModel.Module module, double top, double width, double height, LoomActions actions) {
        getStyleClass().add("loom-card");
        setManaged(false);
        resizeRelocate(0, top, width, height);
        setOnMouseClicked(event -> actions.select(module.place()));
    }
}
