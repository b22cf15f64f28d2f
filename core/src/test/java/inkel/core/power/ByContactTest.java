package inkel.core.power;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Settings;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.Part;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A solenoid of 12 V on a pin, with a relay beside it. */
class ByContactTest {
    private static final String CODE = "power.coil_drive";

    private static Builds beside(String... relayFeeds) {
        return Builds.classic()
                .part("twelve", "wall-supply-12v")
                .part("lock", "solenoid", "V+=twelve.+")
                .part("relay", "relay-one", relayFeeds)
                .wire("relay.IN", "board.D7")
                .wire("lock.IN", "board.D8");
    }

    private static Optional<Fix> contact(Builds table) {
        Finding finding = RuleKit.firesAt(table, CODE, "lock.IN");
        return finding.fixes().stream()
                .filter(fix -> fix.id().startsWith("by-contact"))
                .findFirst();
    }

    @Test
    void aFreeContactTakesItOver() throws Exception {
        Builds table = beside("VCC=board.5V");
        Build after = contact(table).orElseThrow().apply(table.build());
        Part lock = after.nodes().get(0).part("lock").orElseThrow();
        Part relay = after.nodes().get(0).part("relay").orElseThrow();
        assertEquals(Builds.end("relay.NO"), lock.feeds().get("V+"));
        assertEquals(Builds.end("twelve.+"), relay.feeds().get("COM"));
        assertEquals(List.of(), Builds.of(Assessment.assess(after, Builds.CATALOG), CODE));
        RuleKit.everyWayOut(table, CODE);
    }

    @Test
    void aContactThatHasItsRailAlreadyDoes() {
        assertTrue(contact(beside("VCC=board.5V", "COM=twelve.+")).isPresent());
    }

    @Test
    void aContactOnAnotherRailDoesNot() {
        assertTrue(contact(beside("VCC=board.5V", "COM=board.5V")).isEmpty());
    }

    @Test
    void aContactThatSwitchesSomethingElseDoesNot() {
        Builds taken = beside("VCC=board.5V", "COM=twelve.+").part("other", "switch-transistor", "V+=relay.NO");
        assertTrue(contact(taken).isEmpty());
    }

    /** The contact is good for 5 A. */
    @Test
    void aContactCarriesWhatItIsRatedFor() {
        assertTrue(contact(beside("VCC=board.5V").figure("lock", "current/V+/active", "5 A"))
                .isPresent());
        assertTrue(contact(beside("VCC=board.5V").figure("lock", "current/V+/active", "5.01 A"))
                .isEmpty());
    }

    @Test
    void withoutARelayThereIsNone() {
        assertTrue(contact(Builds.classic()
                        .part("twelve", "wall-supply-12v")
                        .part("lock", "solenoid", "V+=twelve.+")
                        .wire("lock.IN", "board.D8"))
                .isEmpty());
    }

    private static final String ON = "power.always_on";

    private static Builds tied(String feed) {
        return Builds.classic()
                .part("twelve", "wall-supply-12v")
                .part("relay", "relay-one", "VCC=board.5V", "COM=twelve.+")
                .part("lock", "solenoid", "V+=" + feed)
                .wire("relay.IN", "board.D7")
                .wire("lock.IN", "board.GND");
    }

    /** A bare relay whose coil goes to ground has contacts, and would never move them if it hung on one. */
    @Test
    void noCoilIsOfferedItsOwnContact() {
        Builds relay =
                Builds.classic().part("relay", "relay-coil", "V+=board.5V").wire("relay.IN", "board.GND");
        assertEquals(
                List.of("off-ground"),
                RuleKit.firesAt(relay, ON, "relay.IN").fixes().stream()
                        .map(Fix::id)
                        .toList());
    }

    @Test
    void whatNothingSwitchesIsOnForGood() throws Exception {
        RuleKit.firesAt(tied("twelve.+"), ON, "lock.IN");
        RuleKit.everyWayOut(tied("twelve.+"), ON);
    }

    @Test
    void aContactOfEitherSortSwitchesIt() {
        RuleKit.quiet(tied("relay.NO"), ON);
        RuleKit.quiet(tied("relay.NC"), ON);
    }

    @Test
    void withoutItsSupplyItIsOff() {
        RuleKit.quiet(Builds.classic().part("lock", "solenoid").wire("lock.IN", "board.GND"), ON);
    }

    /** A lead brings what a contact on the other table switches. */
    @Test
    void aContactOnAnotherTableSwitchesIt() throws Exception {
        Build both =
                new CopyNode(Builds.NODE, "far", "Far").apply(tied("relay.NO").build());
        for (String rail : List.of("relay.NO", "twelve.+")) {
            Build led = Edit.applyAll(
                    both,
                    List.of(
                            new AddPart("far", Part.of("lead", "rail-lead", "Lead", "")),
                            new SetSetting("far", "lead", Settings.RAIL, Builds.NODE + "/" + rail),
                            new Feed("far", "lock", "V+", Builds.end("lead.+"))));
            long told = Builds.of(Assessment.assess(led, Builds.CATALOG), ON).stream()
                    .filter(finding -> finding.place().node().equals("far"))
                    .count();
            assertEquals(rail.equals("twelve.+") ? 1 : 0, told, rail);
        }
    }
}
