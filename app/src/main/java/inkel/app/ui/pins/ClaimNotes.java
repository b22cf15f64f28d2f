package inkel.app.ui.pins;

import inkel.app.ui.why.Why.Line;
import inkel.app.ui.why.Why.Section;
import inkel.app.ui.why.Why.Tone;
import inkel.app.words.Words;
import inkel.core.catalog.Controller;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Placed;
import inkel.core.circuit.TimerClaims;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Fix;
import inkel.core.pins.NodePins;
import inkel.core.quantity.Fact;
import java.util.List;
import java.util.Locale;

/** What the Why panel of a board says of the timers that code takes, and offers to say. */
final class ClaimNotes {
    private final NodePins pins;
    private final Placed board;

    ClaimNotes(NodePins pins) {
        this.pins = pins;
        board = pins.node().board();
    }

    List<Section> sections() {
        List<Line> lines = TimerClaims.of(pins.node(), pins.onBoard().toList()).stream()
                .map(made -> new Line(
                        Tone.PLAIN,
                        Words.say(Fact.of("why.claim_made")
                                .with("timer", made.claim().timer())
                                .with("use", named(made.claim().use()))
                                .with(
                                        "how",
                                        Fact.of("claim.how." + made.how().name().toLowerCase(Locale.ROOT))
                                                .with("part", made.by().part().name())))))
                .toList();
        return lines.isEmpty() ? List.of() : List.of(Section.ofLines(Words.get("why.claims_made"), lines));
    }

    private static Fact named(String use) {
        return Fact.of("claim." + use.replace(' ', '_'));
    }

    /** For each thing that code can take a timer for: that the program of this board does, or no longer. */
    List<Fix> actions() {
        List<String> now = TimerClaims.uses(board);
        return board.cls().controller().map(Controller::claimable).orElse(List.of()).stream()
                .map(use -> now.contains(use) ? without(use) : with(use))
                .toList();
    }

    private Fix with(String use) {
        int timer = board.cls().controller().orElseThrow().claimed(use).orElseThrow();
        return new Fix(
                "claim-" + use,
                Fact.of("action.claim").with("use", named(use)),
                Fact.of("action.claim.cost").with("timer", timer),
                List.of(set(TimerClaims.settingWith(board, use))));
    }

    private Fix without(String use) {
        return new Fix(
                "no-claim-" + use,
                Fact.of("fix.no_claim_of_board")
                        .with("part", board.part().name())
                        .with("use", named(use)),
                Fact.of("action.no_claim.cost"),
                List.of(set(TimerClaims.settingWithout(board, use))));
    }

    private SetSetting set(String setting) {
        return new SetSetting(pins.node().node().id(), board.id(), Settings.CLAIMS, setting);
    }
}
