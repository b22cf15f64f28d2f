package inkel.core.remedy;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class PutPartsTest {
    private static Build with(Build build, String cls, int count) throws Exception {
        return Edit.applyAll(build, PutParts.of(Circuit.of(build, CATALOG), NODE, CATALOG.get(cls), count));
    }

    private static Map<String, Endpoint> feeds(Build build, String part) {
        return build.nodes().get(0).part(part).orElseThrow().feeds();
    }

    private static List<String> added(Build before, Build after) {
        return after.nodes().get(0).parts().stream()
                .skip(before.nodes().get(0).parts().size())
                .map(Part::classId)
                .toList();
    }

    @Test
    void whatTheBoardCarriesHangsOnItAndBringsNothing() throws Exception {
        Build before = Builds.classic().build();
        Build after = with(before, "packet-radio", 1);
        assertEquals(List.of("packet-radio"), added(before, after));
        assertEquals(Map.of("VCC", end("board.3V3")), feeds(after, "packet-radio"));
    }

    @Test
    void whatNoRailCarriesBringsARailOfItsOwn() throws Exception {
        // 100 mA do not fit into the 50 mA of the 3.3 V pin, and 5 V would end the reader.
        Build before = Builds.classic().build();
        Build after = with(before, "tag-reader-spi", 1);
        assertEquals(List.of("tag-reader-spi", "regulator-linear-3v3"), added(before, after));
        assertEquals(Map.of("3.3V", end("regulator-linear-3v3.OUT")), feeds(after, "tag-reader-spi"));
        assertEquals(Map.of("IN", end("board.5V")), feeds(after, "regulator-linear-3v3"));
    }

    @Test
    void aModemComesWithItsSupply() throws Exception {
        Build before = Builds.classic().build();
        Build after = with(before, "text-modem", 1);
        assertEquals(List.of("text-modem", "wall-supply-4v"), added(before, after));
        assertEquals(Map.of("VCC", end("wall-supply-4v.+")), feeds(after, "text-modem"));
    }

    @Test
    void motorsShareASupplyWhileItCarriesThem() throws Exception {
        // A wall supply of 2 A carries two small servos of 750 mA, and not a third.
        Build two = with(Builds.classic().build(), "servo-micro", 2);
        assertEquals(List.of("usb-port", "wall-supply-5v"), sources(two));
        assertEquals(List.of("usb-port", "wall-supply-5v", "wall-supply-5v"), sources(with(two, "servo-micro", 1)));
    }

    @Test
    void whatComesAtOnceComesWithASupplyForAllOfIt() throws Exception {
        // Six of 1.2 A are 7.2 A; the strong supply gives 8. Seven are 8.4 A: nothing gives that, so that several share
        // them.
        Build six = with(Builds.classic().build(), "servo-standard", 6);
        assertEquals(List.of("usb-port", "wall-supply-5v-strong"), sources(six));
        Build seven = with(Builds.classic().build(), "servo-standard", 7);
        assertTrue(sources(seven).size() > 2, sources(seven).toString());
        assertTrue(Assessment.assess(seven, CATALOG).findings().stream()
                .noneMatch(finding -> finding.code().equals("power.source_over")));
    }

    @Test
    void whatIsBoughtIsNotStrained() throws Exception {
        // Eight lamps take 480 mA: a second port of 500 mA would give 96 % of what it can.
        Build lamps = with(Builds.classic().build(), "led-addressable", 1);
        assertEquals(List.of("usb-port", "wall-supply-5v"), sources(lamps));
    }

    private static List<String> sources(Build build) {
        return build.nodes().get(0).parts().stream()
                .filter(PutPartsTest::isSource)
                .map(Part::classId)
                .toList();
    }

    private static boolean isSource(Part part) {
        return CATALOG.get(part.classId()).kind() == Kind.SOURCE;
    }

    @Test
    void servosArePluggedIntoTheDriverThatIsThere() throws Exception {
        Build driver = with(Builds.classic().build(), "servo-driver-16", 1);
        assertEquals(end("wall-supply-5v.+"), feeds(driver, "servo-driver-16").get("V+"));
        assertEquals(end("board.5V"), feeds(driver, "servo-driver-16").get("VCC"));
        assertEquals(
                end("servo-driver-16.V+OUT"),
                feeds(with(driver, "servo-micro", 1), "servo-micro").get("V+"));
        // A second driver is no servo.
        assertEquals(
                end("wall-supply-5v.+"),
                feeds(with(driver, "servo-driver-16", 1), "servo-driver-16-2").get("V+"));
    }

    @Test
    void aMotorsLogicStaysWithTheBoard() throws Exception {
        Build after = with(Builds.classic().build(), "motor-driver", 1);
        assertEquals(end("board.5V"), feeds(after, "motor-driver").get("VCC"));
        assertFalse(feeds(after, "motor-driver").get("VM").part().equals("board"));
    }

    @Test
    void whatMakesRailsIsFedByItsBuilder() throws Exception {
        Build before = Builds.classic().build();
        assertEquals(List.of("regulator-down"), added(before, with(before, "regulator-down", 1)));
        // The lead to a cell is no load of the board's 3.3 V.
        assertEquals(Map.of(), feeds(with(before, "charger-lithium", 1), "charger-lithium"));
    }

    @Test
    void asOneChangeItIsWorkedOutWhenItIsMade() throws Exception {
        Build before = Builds.classic().build();
        PutParts.Put put = new PutParts.Put(NODE, CATALOG, CATALOG.get("servo-micro"), 2);
        assertEquals(with(before, "servo-micro", 2), put.apply(before));
        // On a table that has a supply for motors by then, it brings none.
        Build later = with(before, "servo-micro", 4);
        assertEquals(List.of("servo-micro", "servo-micro"), added(later, put.apply(later)));
        assertThrows(
                EditRefused.class, () -> new PutParts.Put("gone", CATALOG, CATALOG.get("button"), 1).apply(before));
    }

    static Stream<PartClass> modules() {
        return CATALOG.all().stream().filter(cls -> cls.kind() == Kind.MODULE);
    }

    @ParameterizedTest
    @MethodSource("modules")
    void nothingThatIsAddedToAClassicBoardStopsOverItsSupply(PartClass cls) throws Exception {
        Build build = with(Builds.classic().build(), cls.id(), 1);
        boolean isForItsBuilder = !cls.outputs().isEmpty() || cls.id().equals("speed-controller");
        assertTrue(
                isForItsBuilder
                        || Assessment.assess(build, CATALOG).findings().stream()
                                .noneMatch(finding -> finding.severity() == Severity.STOP
                                        && (finding.code().startsWith("parts.")
                                                || finding.code().startsWith("power."))),
                cls.id() + ": " + Assessment.assess(build, CATALOG).findings());
    }
}
