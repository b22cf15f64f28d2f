package inkel.core.pins;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Ability;
import inkel.core.catalog.BusLine;
import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.kit.Builds;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Which bus a plan puts a part on: a block of the board first, plain pins only where that is the lesser evil. */
class BusChoiceTest {
    private static Set<Ability.Kind> buses(PartClass cls) {
        return cls.signals()
                .flatMap(pin -> pin.use().sharedLine().stream())
                .map(BusLine::bus)
                .collect(Collectors.toSet());
    }

    private static boolean has(PartClass board, Ability.Kind bus) {
        return board.offers().anyMatch(pin -> pin.can(bus));
    }

    static Stream<PartClass> boards() {
        return CATALOG.all().stream().filter(cls -> cls.kind() == Kind.BOARD);
    }

    /** Every module with a bus, alone on every board that has a block for it. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("boards")
    void aLonePartIsOnABlockOfTheBoard(PartClass board) throws Exception {
        List<PartClass> modules = CATALOG.all().stream()
                .filter(cls -> cls.kind() == Kind.MODULE && !buses(cls).isEmpty())
                .filter(cls -> buses(cls).stream().allMatch(bus -> has(board, bus)))
                .toList();
        for (PartClass module : modules) {
            Build build = Builds.powered(board).part("one", module.id()).build();
            Plan plan = new Planner(build, CATALOG).plan(Builds.NODE);
            boolean isSmall = board.offers().count() < 10;
            assertTrue(plan.placed() || isSmall, module.id());
            assertEquals(Set.of(), plan.bySoftware(), module.id() + " on " + board.id());
        }
    }

    private static List<String> held(Builds builds, Plan plan) throws Exception {
        Build after = plan.edit().orElseThrow().apply(builds.build());
        return Builds.of(Assessment.assess(after, CATALOG), "spi.miso_held").stream()
                .map(finding -> finding.place().part())
                .toList();
    }

    /** The card holds MISO while it is not selected. */
    private static Builds cardAndRadio(String board) {
        return Builds.powered(CATALOG.get(board)).part("card", "memory-card-5v").part("radio", "packet-radio");
    }

    @Test
    void aPartThatHoldsMisoGetsABlockOfItsOwnWhereThereAreTwo() throws Exception {
        Builds builds = cardAndRadio("board-dual-core-3v3");
        Plan plan = new Planner(builds.build(), CATALOG).plan(Builds.NODE);
        assertEquals(Set.of(), plan.bySoftware());
        assertEquals(List.of(), held(builds, plan));
    }

    @Test
    void withOneBlockOneOfTheTwoIsDrivenByTheProgram() throws Exception {
        Builds builds = cardAndRadio("board-classic-5v");
        Plan plan = new Planner(builds.build(), CATALOG).plan(Builds.NODE);
        assertEquals(1, plan.bySoftware().size());
        assertEquals(List.of(), held(builds, plan));
    }

    @Test
    void unlessTheBuilderWantsBothOnTheBlock() throws Exception {
        Builds builds = cardAndRadio("board-classic-5v")
                .setting("card", "bus", "hardware")
                .setting("radio", "bus", "hardware");
        Plan plan = new Planner(builds.build(), CATALOG).plan(Builds.NODE);
        assertTrue(plan.placed());
        assertEquals(List.of("card"), held(builds, plan), "it is told, not refused");
    }

    @Test
    void partsThatLetGoShareOneBlock() throws Exception {
        Builds builds = Builds.powered(CATALOG.get("board-classic-5v"))
                .part("reader", "tag-reader-spi")
                .part("radio", "packet-radio");
        Plan plan = new Planner(builds.build(), CATALOG).plan(Builds.NODE);
        assertEquals(Set.of(), plan.bySoftware());
        assertFalse(plan.wires().isEmpty());
    }
}
