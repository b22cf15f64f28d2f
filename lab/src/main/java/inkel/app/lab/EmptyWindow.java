package inkel.app.lab;

import inkel.app.ui.frame.FirstPicture;
import javafx.application.Application;
import javafx.scene.Scene;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;

/** The least that a JavaFX program can show; the start of Inkel is held against it. */
public final class EmptyWindow extends Application {
    public static void main(String[] args) {
        launch(args);
    }

    @Override
    public void start(Stage stage) {
        stage.setScene(new Scene(new StackPane(), 1280, 800));
        FirstPicture.then(stage::isShowing, StartTimer::end);
        stage.show();
    }
}
