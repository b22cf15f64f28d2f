package inkel.core.levels.rules;

import inkel.core.document.Between;
import inkel.core.document.Place;
import inkel.core.document.edit.Leave;
import inkel.core.finding.Fix;
import inkel.core.levels.LevelReport;
import inkel.core.quantity.Fact;
import java.util.List;

/** Leaving a wire as it is: a choice that the plan remembers, with a reading to be taken at the first power-up. */
final class LeaveFix {
    private LeaveFix() {}

    static Fix of(Place signal) {
        return new Fix(
                "accept",
                Fact.of("fix.accept").with("signal", signal.pin()),
                Fact.of("fix.accept.cost"),
                List.of(new Leave(signal.node(), signal.endpoint(), "", Leave.WHEN_APPLIED)));
    }

    static boolean isLeft(LevelReport levels, Place signal) {
        return levels.circuit()
                .node(signal.node())
                .flatMap(node -> node.between(signal.endpoint()))
                .filter(Between.Nothing.class::isInstance)
                .isPresent();
    }
}
