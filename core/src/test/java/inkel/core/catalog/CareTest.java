package inkel.core.catalog;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.io.catalog.CatalogReader;
import inkel.core.kit.Builds;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** The table of docs/cautions.md is what the catalogue says, neither more nor less. */
class CareTest {
    private static final Catalog CATALOG = CatalogReader.shipped();
    private static final Pattern ROW = Pattern.compile("(?m)^\\| `([a-z]+)` \\| [^|]+ \\| ([^|]+) \\|$");

    @Test
    void eachHazardIsThatOfTheClassesOfTheTableAndOfNoOther() throws Exception {
        Matcher row = ROW.matcher(Files.readString(Path.of("../docs/cautions.md")));
        Map<String, Set<String>> told = new HashMap<>();
        while (row.find()) {
            told.put(
                    row.group(1),
                    new TreeSet<>(Arrays.asList(row.group(2).strip().split(", "))));
        }
        assertEquals(Arrays.stream(Hazard.values()).map(Hazard::text).collect(Collectors.toSet()), told.keySet());
        for (Hazard hazard : Hazard.values()) {
            assertEquals(
                    told.get(hazard.text()),
                    CATALOG.all().stream()
                            .filter(cls -> cls.handling().hazards().contains(hazard))
                            .map(PartClass::id)
                            .collect(Collectors.toCollection(TreeSet::new)),
                    hazard.text());
        }
    }

    private static Set<Hazard> ofRelay(Builds build) {
        return build.circuit().part("relay").orElseThrow().hazards();
    }

    @Test
    void mainsIsBehindARelayUntilSomebodySaysThatItIsNot() {
        assertEquals(Set.of(Hazard.MAINS), ofRelay(Builds.classic().part("relay", "relay-one", "VCC=board.5V")));
        assertEquals(
                Set.of(),
                ofRelay(Builds.classic()
                        .part("relay", "relay-one", "VCC=board.5V")
                        .setting("relay", Settings.BEHIND.key(), "low-voltage")));
    }
}
