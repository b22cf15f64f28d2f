package inkel.core.io.document;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Settings;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.document.edit.Plug;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.WriteLine;
import inkel.core.kit.Builds;
import java.time.Instant;
import java.util.Set;
import org.junit.jupiter.api.Test;

class PlanHashTest {
    @Test
    void itIsOfThePlanAndNotOfWhatWasDone() throws Exception {
        Build build = Builds.locks();
        String hash = PlanHash.of(build);
        assertTrue(hash.matches("[0-9a-f]{8}"), hash);
        String node = build.nodes().get(0).id();
        assertEquals(hash, PlanHash.of(new Plug(node, Set.of("a > b"), true).apply(build)));
        assertEquals(
                hash,
                PlanHash.of(new WriteLine(new LogLine.Noted(Instant.EPOCH, Place.ofNode(node), "bent", Extras.NONE))
                        .apply(build)));
        assertNotEquals(hash, PlanHash.of(new SetSetting(node, "board", Settings.I2C_CLOCK, "50 kHz").apply(build)));
    }
}
