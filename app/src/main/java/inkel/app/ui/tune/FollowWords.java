package inkel.app.ui.tune;

import inkel.app.words.Words;
import inkel.core.checks.Difference;
import inkel.core.quantity.Fact;
import inkel.core.remedy.RailNames;
import java.util.ArrayList;
import java.util.List;

/** What followed in the other stages from what was kept. */
final class FollowWords {
    private FollowWords() {}

    static String say(Difference followed) {
        if (followed.isNothing()) {
            return Words.get("tune.followed.nothing");
        }
        List<String> said = new ArrayList<>();
        followed.rails()
                .forEach(rail -> said.add(Words.say(Fact.of("tune.followed.rail")
                        .with("rail", RailNames.of(rail.node(), rail.rail().endpoint()))
                        .with("before", rail.before())
                        .with("after", rail.after()))));
        followed.gone()
                .forEach(finding -> said.add(
                        Words.say(Fact.of("tune.followed.gone").with("finding", Words.say(finding.sentence())))));
        followed.come()
                .forEach(finding -> said.add(
                        Words.say(Fact.of("tune.followed.come").with("finding", Words.say(finding.sentence())))));
        return Words.get("tune.followed") + " " + String.join(" ", said);
    }
}
