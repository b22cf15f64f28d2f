package inkel.app.ui.tune.link;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.app.words.Words;
import inkel.core.quantity.Fact;
import inkel.core.tune.radio.End;
import inkel.core.tune.radio.Ether;
import inkel.core.tune.radio.RadioNet;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.layout.VBox;

/** An ether to try: who is heard by whom with these settings, and why not. */
final class RadioEther extends VBox {
    private final Session session;
    private final RadioPane pane;
    private final WrapRow sends = new WrapRow(8);
    private final Caption outcome = Ui.text("");
    private final Button why = Ui.textButton("radio-why", Words.get("radio.why"), this::tellWhy);
    private final VBox practice = new VBox(
            6,
            Ui.text(Words.get("radio.practice"), "quiet"),
            Ui.textButton("radio-tell", Words.get("radio.practice.tell"), this::tellPlanted));
    private String reason = "";

    RadioEther(Session session, RadioPane pane) {
        this.session = session;
        this.pane = pane;
        outcome.setId("radio-outcome");
        sends.setAlignment(Pos.CENTER_LEFT);
        getChildren().add(BenchPane.sheet("radio.ether", "radio.ether.how", practice, sends, outcome, why));
    }

    void show(RadioNet net) {
        sends.getChildren().clear();
        for (End from : net.ends()) {
            for (End to : net.ends()) {
                if (net.isMeant(from, to)) {
                    sends.getChildren()
                            .add(Ui.pill(
                                    "radio-send-" + from.station().number() + "-"
                                            + to.station().number(),
                                    Words.say(Fact.of("radio.send")
                                            .with("from", from.name())
                                            .with("to", to.name())),
                                    () -> send(from, to)));
                }
            }
        }
        showReason();
    }

    private void send(End from, End to) {
        pane.net().ifPresent(net -> {
            Ether.Outcome became = Ether.send(net, from, to, session.tune().planted(pane.at()));
            String said = became.isConfirmed()
                    ? "radio.sent.well"
                    : became.isHeard() ? "radio.sent.unsure" : "radio.sent.lost";
            outcome.setText(Words.say(Fact.of(said).with("from", from.name()).with("to", to.name())));
            reason = became.why().map(Words::say).orElse("");
            showReason();
        });
    }

    /** Why a packet did not come through is told when it is asked for; while one practises what was planted is. */
    private void showReason() {
        Ui.show(why, !reason.isEmpty() && !session.practice().isOn());
        Ui.show(practice, session.tune().planted(pane.at()).isPresent());
    }

    private void tellWhy() {
        outcome.setText(outcome.getText() + " " + reason);
        reason = "";
        Ui.show(why, false);
    }

    private void tellPlanted() {
        pane.net().ifPresent(net -> session.tune()
                .planted(pane.at())
                .ifPresent(trouble -> outcome.setText(Words.say(
                        Fact.of("radio.planted." + trouble.kind().name().toLowerCase(Locale.ROOT))
                                .with(
                                        "station",
                                        net.ends().stream()
                                                .filter(end -> end.station().number() == trouble.station())
                                                .map(End::name)
                                                .findFirst()
                                                .orElse(""))))));
    }
}
