package inkel.core.levels.rules;

import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Leave;
import inkel.core.document.edit.LeaveNodeWire;
import inkel.core.finding.Fix;
import inkel.core.levels.BoardLink;
import inkel.core.levels.Judged;
import inkel.core.levels.Link;
import inkel.core.quantity.Fact;
import java.util.List;

/** Leaving a wire as it is: a choice that the plan remembers, with a reading to be taken at the first power-up. */
final class LeaveFix {
    private LeaveFix() {}

    static Fix of(Judged judged) {
        return of(List.of(judged));
    }

    /** All wires that one cause is felt on. */
    static Fix of(List<? extends Judged> links) {
        List<String> signals =
                links.stream().map(link -> InWire.signal(link).pin()).distinct().toList();
        return new Fix(
                "accept",
                signals.size() == 1
                        ? Fact.of("fix.accept").with("signal", signals.get(0))
                        : Fact.of("fix.accept.several").with("signal", signals),
                Fact.of("fix.accept.cost"),
                links.stream().map(LeaveFix::leave).distinct().toList());
    }

    private static Edit leave(Judged judged) {
        return judged instanceof Link link
                ? new Leave(link.signal().node(), link.signal().endpoint(), "", Leave.WHEN_APPLIED)
                : new LeaveNodeWire(((BoardLink) judged).link(), "", Leave.WHEN_APPLIED);
    }
}
