package inkel.core.power;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A switch that everything goes past turns nothing off. */
class NotInLineRuleTest {
    private static final String CODE = "power.not_in_line";

    private static Builds pack(String cls, String in) {
        return Builds.on("board-small-5v")
                .boardUnfed()
                .part("pack", "battery-lithium-two")
                .part("down", "regulator-servo", "IN+=pack.+")
                .boardOnly("5V", "down.OUT+")
                .part("line", cls, in + "=pack.+");
    }

    private static Endpoint feed(Build build, String part, String pin) {
        return build.nodes().get(0).part(part).orElseThrow().feeds().get(pin);
    }

    @ParameterizedTest
    @CsvSource({"switch-supply, IN, OUT", "fuse, IN, OUT", "current-monitor, VIN+, VIN-"})
    void whatNothingGoesThrough(String cls, String in, String out) throws Exception {
        Builds past = pack(cls, in);
        Finding finding = RuleKit.firesAt(past, CODE, "line");
        Build after = Edit.applyAll(past.build(), finding.fixes().get(0).edits());
        assertEquals(new Endpoint("line", out), feed(after, "down", "IN+"));
        RuleKit.everyWayOut(past, CODE);
        RuleKit.quiet(pack(cls, in).setting("line", "later", "yes"), CODE);
    }

    @Test
    void whereSomethingGoesThroughItIsQuiet() {
        RuleKit.quiet(pack("fuse", "IN").part("arm", "servo-micro", "V+=line.OUT"), CODE);
        // Nothing goes past it either.
        RuleKit.quiet(Builds.classic().part("pack", "battery-lithium-two").part("line", "fuse", "IN=pack.+"), CODE);
        RuleKit.quiet(Builds.classic().part("line", "fuse"), CODE);
    }

    /** A board that switches waits for its load, and a charger for what it feeds. */
    @Test
    void whatSwitchesOrChargesIsNone() {
        RuleKit.quiet(pack("switch-transistor", "V+"), CODE);
        RuleKit.quiet(pack("charger-lithium", "B+"), CODE);
    }

    /** Two in one line stand one behind the other. */
    @Test
    void aFuseAndASwitchComeOneAfterTheOther() throws Exception {
        Builds both = pack("fuse", "IN").part("off", "switch-supply", "IN=pack.+");
        Build once = Edit.applyAll(
                both.build(), both.findings(CODE).get(0).fixes().get(0).edits());
        assertEquals(end("line.OUT"), feed(once, "off", "IN"));
        Finding left = RuleKit.fires(once, CODE);
        assertEquals("off", left.place().part());
        Build twice = Edit.applyAll(once, left.fixes().get(0).edits());
        assertEquals(end("off.OUT"), feed(twice, "down", "IN+"));
        assertEquals(end("pack.+"), feed(twice, "line", "IN"));
        assertEquals(List.of(), Builds.of(inkel.core.checks.Assessment.assess(twice, Builds.CATALOG), CODE));
    }

    @Test
    void oneOfSeveralAlone() throws Exception {
        Builds two = pack("current-monitor", "VIN+").part("other", "regulator-servo", "IN+=pack.+");
        assertEquals(
                List.of("all-through", "through-down", "through-other"),
                RuleKit.fires(two, CODE).fixes().stream().map(Fix::id).toList());
        RuleKit.everyWayOut(two, CODE);
    }
}
