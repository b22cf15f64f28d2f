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
import java.util.ArrayList;
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
                .map(use -> now.contains(use) ? without(now, use) : with(now, use))
                .toList();
    }

    private Fix with(List<String> now, String use) {
        List<String> more = new ArrayList<>(now);
        more.add(use);
        int timer = board.cls().controller().orElseThrow().claimed(use).orElseThrow();
        return new Fix(
                "claim-" + use,
                Fact.of("action.claim").with("use", named(use)),
                Fact.of("action.claim.cost").with("timer", timer),
                List.of(set(String.join(", ", more))));
    }

    private Fix without(List<String> now, String use) {
        List<String> left = new ArrayList<>(now);
        left.remove(use);
        return new Fix(
                "no-claim-" + use,
                Fact.of("fix.no_claim_of_board")
                        .with("part", board.part().name())
                        .with("use", named(use)),
                Fact.of("action.no_claim.cost"),
                List.of(set(left.isEmpty() ? null : String.join(", ", left))));
    }

    private SetSetting set(String typed) {
        return new SetSetting(pins.node().node().id(), board.id(), Settings.CLAIMS, typed);
    }
}
