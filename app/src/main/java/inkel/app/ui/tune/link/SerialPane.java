package inkel.app.ui.tune.link;

import inkel.app.state.Session;
import inkel.app.state.TuneWork;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.catalog.Settings;
import inkel.core.document.edit.SetSetting;
import inkel.core.quantity.Fact;
import inkel.core.tune.serial.SerialDraft;
import inkel.core.tune.serial.SerialDraft.Heard;
import inkel.core.tune.serial.SerialDraft.Sentences;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.layout.VBox;

/** A part at a serial line: its rate is found by trying, and what it says then is read. */
public final class SerialPane extends BenchPane {
    private final Session session;
    private final WrapRow rates = new WrapRow(8);
    private final VBox tried = new VBox(4);
    private final VBox said = new VBox(6);
    private final VBox saying;

    public SerialPane(Session session, TuneWork.At at) {
        super(at);
        this.session = session;
        rates.setAlignment(Pos.CENTER_LEFT);
        saying = sheet("serial.position", "serial.position.how", said);
        getChildren().addAll(sheet("serial.rate", "serial.rate.how", rates, tried), saying);
        show();
    }

    private void tryRate(int baud) {
        boolean isSomewhere =
                session.practice().isOn() || session.line().nowProperty().get().isListening();
        say(isSomewhere ? "" : Words.get("serial.no_line"));
        session.tune().serial().tryRate(at(), baud);
    }

    private void showRates(SerialDraft draft) {
        rates.getChildren().clear();
        tried.getChildren().clear();
        for (int baud : draft.rig().rates()) {
            Tile tile = Ui.pill("serial-rate-" + baud, String.valueOf(baud), () -> tryRate(baud));
            rates.getChildren().add(tile);
            Heard heard = draft.tried().get(baud);
            if (heard != null) {
                tried.getChildren()
                        .add(Ui.text(
                                Words.say(Fact.of("serial.heard." + heard.name().toLowerCase(Locale.ROOT))
                                        .with("baud", baud)),
                                heard == Heard.RIGHT ? "good-text" : heard == Heard.OTHER ? "look-text" : "quiet"));
            }
        }
        if (draft.differs()) {
            Caption differs = Ui.text(
                    Words.say(Fact.of("serial.differs")
                            .with("planned", draft.rig().planned().orElseThrow())
                            .with("found", draft.rate().orElseThrow())),
                    "look-text");
            tried.getChildren().addAll(differs, Ui.pill("serial-plan", Words.get("serial.plan"), () -> plan(draft)));
        }
    }

    private void plan(SerialDraft draft) {
        session.apply(new SetSetting(
                at().part().node(),
                at().part().part(),
                Settings.BAUD,
                String.valueOf(draft.rate().orElseThrow())));
    }

    private void showSaid(SerialDraft draft) {
        Ui.show(saying, draft.rig().isPositioning());
        said.getChildren().clear();
        Sentences all = draft.sentences();
        said.getChildren()
                .add(Ui.text(Words.say(
                        Fact.of("serial.sentences").with("good", all.good()).with("bad", all.bad()))));
        if (all.latitude().isPresent()) {
            said.getChildren()
                    .add(Ui.text(
                            Words.say(Fact.of("serial.fix")
                                    .with("latitude", degrees(all.latitude().orElseThrow(), "N", "S"))
                                    .with("longitude", degrees(all.longitude().orElseThrow(), "E", "W"))
                                    .with("satellites", all.satellites().orElseThrow())
                                    .with("without", all.without())),
                            "good-text"));
        } else if (all.good() > 0) {
            said.getChildren().add(Ui.text(Words.get("serial.no_fix"), "look-text"));
        }
    }

    private static String degrees(double value, String above, String below) {
        return Numbers.fixed(Math.abs(value), 5) + "° " + (value < 0 ? below : above);
    }

    @Override
    public void show() {
        session.tune().serial().of(at()).ifPresent(draft -> {
            showRates(draft);
            showSaid(draft);
        });
    }
}
