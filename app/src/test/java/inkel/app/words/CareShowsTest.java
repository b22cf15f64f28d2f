package inkel.app.words;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.export.sheet.SheetMaker;
import inkel.app.export.sheet.SheetMd;
import inkel.app.kit.Explained;
import inkel.app.kit.Given;
import inkel.core.catalog.Hazard;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.Part;
import inkel.core.document.edit.AddPart;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What can hurt is said where its part is, and nowhere else. */
class CareShowsTest {
    private static String sentence(Hazard hazard) {
        return Words.get("hazard." + hazard.text());
    }

    @ParameterizedTest
    @EnumSource(Hazard.class)
    void itIsSaidOfEachClassThatHasItAndOfNoOther(Hazard hazard) {
        assertTrue(Words.has("hazard." + hazard.text()));
        Assessment table = Given.assessment(Given.MOTH_LAMP);
        String node = table.build().nodes().get(0).id();
        for (PartClass cls : Given.CATALOG.all()) {
            assertEquals(
                    cls.handling().hazards().contains(hazard),
                    Explained.of(table, node, cls).contains(sentence(hazard)),
                    () -> cls.id() + ": " + hazard);
        }
    }

    private static int times(String text, String what) {
        return text.split(java.util.regex.Pattern.quote(what), -1).length - 1;
    }

    /** The lamp, with one more part of a class. */
    private static String sheetWith(String classId) throws Exception {
        Build lamp = Given.build(Given.MOTH_LAMP);
        Build more = new AddPart(lamp.nodes().get(0).id(), Part.of("more", classId, "More", "")).apply(lamp);
        return SheetMd.of(SheetMaker.of(Assessment.assess(more, Given.CATALOG), LocalDate.of(2026, 5, 30)));
    }

    @ParameterizedTest
    @EnumSource(Hazard.class)
    void theSheetOfATableSaysItOnceWhereSuchAPartIsThere(Hazard hazard) throws Exception {
        PartClass with = Given.CATALOG.all().stream()
                .filter(cls -> cls.handling().hazards().equals(Set.of(hazard)))
                .findFirst()
                .or(() -> Given.CATALOG.all().stream()
                        .filter(cls -> cls.handling().hazards().contains(hazard))
                        .findFirst())
                .orElseThrow();
        Set<Hazard> there = EnumSet.noneOf(Hazard.class);
        Given.assessment(Given.MOTH_LAMP).reports().circuit().nodes().forEach(node -> node.parts()
                .forEach(placed -> there.addAll(placed.hazards())));
        assertEquals(1, times(sheetWith(with.id()), sentence(hazard)));
        assertEquals(there.contains(hazard) ? 1 : 0, times(sheetWith("button"), sentence(hazard)));
    }
}
