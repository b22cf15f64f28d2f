package inkel.core.wake;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.bench.fault.FaultKind;
import inkel.core.bench.fault.Faults;
import inkel.core.bench.fault.Layout;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Meter;
import inkel.core.document.Place;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Stations;
import inkel.core.kit.Builds;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What speaks through the air: an antenna that can be missing is looked for, and who has nobody to hear it proves nothing. */
class AirLooksTest {
    private static List<String> looks(Build build, String prefix) {
        return WakePlan.of(Circuit.of(build, Builds.CATALOG), Meter.USUAL).nodes().get(0).checks().stream()
                .map(Check::id)
                .filter(id -> id.startsWith(prefix))
                .toList();
    }

    /** Screwed on or soldered to a hole it can be missing; a track of the print cannot. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"packet-radio-boosted, true", "packet-radio, false"})
    void onlyAnAntennaOfItsOwnIsLookedFor(String cls, boolean isApart) {
        Build build = Builds.dualCore().part("radio", cls, "VCC=board.3V3").build();
        assertEquals(isApart ? List.of("look antenna radio") : List.of(), looks(build, "look antenna"));
        Layout layout = Layout.of(Circuit.of(build, Builds.CATALOG));
        assertEquals(isApart, Faults.of(layout).stream().anyMatch(fault -> fault.kind() == FaultKind.ANTENNA_MISSING));
    }

    @Test
    void aBoardThatCouldSendProvesItWhereItIsAStation() throws Exception {
        Build alone = Builds.on("board-wireless-3v3").build();
        assertEquals(List.of(), looks(alone, "prove air"));
        Place here = Place.ofPart(Builds.NODE, "board");
        Build two = new CopyNode(Builds.NODE, "second", "Second").apply(alone);
        Build joined = new Stations.Join(here, Place.ofPart("second", "board"), "House").apply(two);
        assertEquals(List.of("prove air board"), looks(joined, "prove air"));
        // A module was put there to be heard.
        Build module =
                Builds.classic().part("radio", "packet-radio", "VCC=board.3V3").build();
        assertEquals(List.of("prove air radio"), looks(module, "prove air"));
    }
}
