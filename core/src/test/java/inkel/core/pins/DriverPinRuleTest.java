package inkel.core.pins;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Build;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The computer's bus driver takes both select pins, GPIO8 first, as soon as something is on its bus. */
class DriverPinRuleTest {
    private static final String CODE = "pins.driver_pin";

    private static Builds reader(String select) {
        return Builds.on("computer-40pin")
                .part("tags", "tag-reader-spi", "3.3V=board.3V3")
                .wire("tags.SCK", "board.GPIO11")
                .wire("tags.MOSI", "board.GPIO10")
                .wire("tags.MISO", "board.GPIO9")
                .wire("tags.SDA", select);
    }

    private static Builds press(Builds builds, String pin) {
        return builds.part("press", "button").wire("press.A", pin);
    }

    private static List<String> ids(Finding finding) {
        return finding.fixes().stream().map(Fix::id).toList();
    }

    @Test
    void aSignalOnASelectOfTheDriverIsTold() throws Exception {
        Builds builds = press(reader("board.GPIO8"), "board.GPIO7");
        Finding finding = RuleKit.firesAt(builds, CODE, "press.A");
        assertEquals("fewer-selects", ids(finding).get(0));
        RuleKit.everyWayOut(builds, CODE);
        Build told = finding.fixes().get(0).apply(builds.build());
        assertEquals("1", told.nodes().get(0).board().settings().get("selects"));
    }

    @Test
    void fewerIsNoWayOutWhereALaterOneIsNeeded() {
        Finding finding = RuleKit.fires(press(reader("board.GPIO7"), "board.GPIO8"), CODE);
        assertFalse(ids(finding).contains("fewer-selects"), ids(finding).toString());
        Builds other = press(reader("board.GPIO25"), "board.GPIO8");
        assertEquals("fewer-selects", ids(RuleKit.fires(other, CODE)).get(0));
        RuleKit.quiet(other.setting("board", "selects", "0"), CODE);
    }

    @Test
    void whatTheDriverDoesNotTakeIsFree() {
        RuleKit.quiet(press(reader("board.GPIO8").setting("board", "selects", "1"), "board.GPIO7"), CODE);
        RuleKit.fires(press(reader("board.GPIO25").setting("board", "selects", "1"), "board.GPIO8"), CODE);
        RuleKit.quiet(press(reader("board.GPIO8"), "board.GPIO25"), CODE);
        RuleKit.quiet(press(Builds.on("computer-40pin"), "board.GPIO7"), CODE);
        RuleKit.quiet(press(reader("board.GPIO8").setting("tags", "bus", "software"), "board.GPIO7"), CODE);
        RuleKit.quiet(press(Builds.classic(), "board.D10"), CODE);
    }

    /** With every other pin kept free but one the plan takes that one, though it can also call. */
    @Test
    void aPlanLeavesThemToTheDriver() throws Exception {
        String most = CATALOG.get("computer-40pin")
                .offers()
                .map(pin -> pin.label())
                .filter(pin -> !List.of("GPIO7", "GPIO8", "GPIO9", "GPIO10", "GPIO11", "GPIO18", "GPIO25")
                        .contains(pin))
                .reduce((one, other) -> one + ", " + other)
                .orElseThrow();
        Build build = Builds.on("computer-40pin")
                .setting("board", "forbidden", most)
                .part("tags", "tag-reader-spi", "3.3V=board.3V3")
                .part("press", "button")
                .build();
        Build done = new Planner(build, CATALOG)
                .plan(Builds.NODE)
                .edit()
                .orElseThrow()
                .apply(build);
        String pin = done.nodes()
                .get(0)
                .wire(Builds.end("press.A"))
                .orElseThrow()
                .to()
                .pin();
        assertTrue(List.of("GPIO18", "GPIO25").contains(pin), pin);
    }
}
