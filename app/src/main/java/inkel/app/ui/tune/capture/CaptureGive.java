package inkel.app.ui.tune.capture;

import inkel.app.state.CaptureWork;
import inkel.app.state.Session;
import inkel.app.state.TuneWork;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.words.Words;
import inkel.core.capture.decode.Decoding;
import inkel.core.capture.decode.Decoding.Kind;
import inkel.core.capture.decode.Message;
import inkel.core.catalog.BenchKind;
import inkel.core.tune.sample.Ask;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledDraft;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;

/** Takes pulses of a capture to the bench of the part whose channel they are of. */
final class CaptureGive {
    private final Session session;
    private final WrapRow row = new WrapRow(8);

    CaptureGive(Session session) {
        this.session = session;
        row.setAlignment(Pos.CENTER_LEFT);
    }

    Node node() {
        return row;
    }

    /** Pulses of a receiver's channel can be taken to its bench. */
    void show(CaptureWork.Shown shown) {
        row.getChildren().clear();
        Optional<Decoding.At> at = session.captures().lineAt();
        boolean isPulses = shown.kind() == Kind.PULSES && shown.result().isPresent();
        if (!isPulses || at.isEmpty()) {
            return;
        }
        TuneWork.At bench = new TuneWork.At(at.get().node().place(at.get().part()), BenchKind.RC_RECEIVER);
        Optional<SampledDraft> draft = session.tune().readings().of(bench);
        List<Ask> asks = draft.stream()
                .flatMap(of -> of.bench().asks(of.rig()).stream())
                .filter(ask -> ask.of().equals(at.get().pin()))
                .toList();
        if (!asks.isEmpty()) {
            row.getChildren().add(Ui.word(Words.get("capture.give"), "quiet"));
            asks.forEach(ask -> row.getChildren()
                    .add(Ui.pill(
                            "capture-give-" + ask.key(),
                            ask.of() + ", " + Words.get("tune.ask.rc-receiver." + ask.key()),
                            () -> give(shown, bench, ask))));
        }
    }

    private void give(CaptureWork.Shown shown, TuneWork.At bench, Ask ask) {
        List<Double> widths = shown.result().orElseThrow().found().messages().stream()
                .map(Message::width)
                .toList();
        if (!widths.isEmpty()) {
            session.tune().readings().of(bench).ifPresent(draft -> session.tune()
                    .readings()
                    .change(bench, draft.with(new Sample(ask.id(), 0, widths))));
            session.captures().openProperty().set(false);
            session.tune().turnTo(bench);
        }
    }
}
