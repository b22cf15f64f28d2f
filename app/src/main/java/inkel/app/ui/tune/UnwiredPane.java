package inkel.app.ui.tune;

import inkel.app.state.TuneWork;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.app.words.Words;

/** A part whose bench needs a wire that is not there yet. */
final class UnwiredPane extends BenchPane {
    UnwiredPane(TuneWork.At at) {
        super(at);
        getChildren().add(Ui.text(Words.get("tune.unwired"), "later"));
    }

    @Override
    public void show() {
        // It says all there is.
    }
}
