package inkel.app.ui.wire;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.app.kit.Given;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.edit.Plug;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class WireRoundTest {
    private static final String NODE = "lower-lock";

    /** The example with all but its last four wires plugged. */
    private static WireList fourLeft() throws Exception {
        Build build = Given.build(Given.LOCKS);
        List<WireStep> steps = list(build).steps();
        return list(new Plug(
                        NODE,
                        steps.subList(0, steps.size() - 4).stream()
                                .map(WireStep::id)
                                .collect(Collectors.toSet()),
                        true)
                .apply(new Plug(
                                NODE,
                                steps.stream().map(WireStep::id).collect(Collectors.toCollection(HashSet::new)),
                                false)
                        .apply(build)));
    }

    private static WireList list(Build build) {
        return Assessment.assess(build, Given.CATALOG).wires(NODE).orElseThrow();
    }

    @Test
    void whatWasSkippedComesBackAtTheEndInItsOrder() throws Exception {
        WireList list = fourLeft();
        List<WireStep> open =
                list.steps().subList(list.steps().size() - 4, list.steps().size());
        WireRound round = new WireRound();
        round.skip(open.get(0));
        assertEquals(open.get(1).id(), id(round.after(list, open.get(0).id(), Set.of())));
        round.skip(open.get(1));
        assertEquals(open.get(2).id(), id(round.after(list, open.get(1).id(), Set.of())));
        assertEquals(open.get(3).id(), id(round.after(list, open.get(2).id(), Set.of())));
        round.skip(open.get(3));
        assertEquals(open.get(2).id(), id(round.after(list, open.get(3).id(), Set.of())), "still open and not skipped");
        round.skip(open.get(2));
        assertEquals(
                open.get(0).id(), id(round.after(list, open.get(2).id(), Set.of())), "the one that was skipped first");
        assertEquals(open.get(1).id(), id(round.after(list, open.get(0).id(), Set.of())));
    }

    @Test
    void whatIsDoneWithItIsNotTheNext() throws Exception {
        WireList list = fourLeft();
        List<WireStep> open =
                list.steps().subList(list.steps().size() - 4, list.steps().size());
        assertEquals(
                open.get(2).id(),
                id(new WireRound()
                        .after(
                                list,
                                open.get(0).id(),
                                Set.of(open.get(0).id(), open.get(1).id()))));
    }

    @Test
    void atTheEndTheRoundGoesOnWithWhatIsOpenBefore() throws Exception {
        WireList list = fourLeft();
        List<WireStep> steps = list.steps();
        WireRound round = new WireRound();
        assertEquals(
                steps.get(steps.size() - 4).id(),
                id(round.after(list, steps.get(steps.size() - 1).id(), Set.of())));
    }

    @Test
    void nothingIsLeftBesidesTheLastOne() throws Exception {
        Build build = Given.build(Given.LOCKS);
        List<WireStep> steps = list(build).steps();
        WireList one = list(new Plug(
                        NODE,
                        steps.subList(1, steps.size()).stream()
                                .map(WireStep::id)
                                .collect(Collectors.toSet()),
                        true)
                .apply(build));
        WireStep first = one.steps().get(0);
        WireList last = first.plugged()
                ? list(new Plug(NODE, new HashSet<>(List.of(first.id())), false)
                        .apply(new Plug(NODE, steps.stream().map(WireStep::id).collect(Collectors.toSet()), true)
                                .apply(build)))
                : one;
        assertEquals(Optional.empty(), new WireRound().after(last, first.id(), Set.of()));
    }

    private static String id(Optional<WireStep> step) {
        return step.orElseThrow().id();
    }
}
