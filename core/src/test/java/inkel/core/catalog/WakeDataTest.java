package inkel.core.catalog;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.io.catalog.CatalogReader;
import inkel.core.kit.Builds;
import inkel.core.quantity.TimeSpan;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What the catalogue tells of the first power-up, of benches, of languages and of pins before the program has them. */
class WakeDataTest {
    static List<PartClass> modules() {
        return Builds.CATALOG.all().stream()
                .filter(cls -> cls.kind() == Kind.MODULE)
                .toList();
    }

    /** A module without a check of its own is told by its rails, its levels, its bus, or its ohms. */
    @ParameterizedTest
    @MethodSource("modules")
    void somethingTellsThatAModuleIsAlive(PartClass cls) {
        boolean isTold = !cls.handling().checks().isEmpty()
                || !cls.handling().unpowered().isEmpty()
                || !cls.outputs().isEmpty()
                || !Ways.of(cls).isEmpty()
                // What each reads is as good as none where nobody drives the line.
                || Set.of("thermocouple", "shift-in", "shift-out").contains(cls.id())
                || cls.handling().programs().isPresent()
                || cls.handling()
                        .air()
                        .filter(air -> air.way() == Air.Way.TALKS)
                        .isPresent()
                || cls.id().equals("bus-differential") // heard at the far end only
                || cls.id().equals("serial-adapter");
        assertTrue(isTold, cls.id());
    }

    /** A card is sent 74 clocks or more before it hears its first command, which ends in the check of its six bytes. */
    @Test
    void aCardIsWokenAsItsStandardSays() {
        WakeCheck.Identity card = (WakeCheck.Identity)
                Builds.CATALOG.get("memory-card").handling().checks().get(0);
        assertTrue(8 * card.asking().idle() >= 74);
        assertEquals(8, card.asking().late());
        int crc = 0;
        for (int one : card.asking().send().subList(0, 5)) {
            for (int bit = 7; bit >= 0; bit--) {
                boolean isTurned = ((crc >> 6 ^ one >> bit) & 1) == 1;
                crc = (crc << 1 ^ (isTurned ? 0x09 : 0)) & 0x7F;
            }
        }
        assertEquals(crc << 1 | 1, card.asking().send().get(5));
    }

    @Test
    void everyKindOfCheckIsUsed() {
        Set<String> used = new TreeSet<>();
        Builds.CATALOG.all().stream()
                .flatMap(cls -> cls.handling().checks().stream())
                .forEach(check -> used.add(check.getClass().getSimpleName()));
        Set<String> all = new TreeSet<>();
        for (Class<?> kind : WakeCheck.class.getPermittedSubclasses()) {
            all.add(kind.getSimpleName());
        }
        assertEquals(all, used);
    }

    @Test
    void everyBenchHasAPart() {
        Set<BenchKind> used = new TreeSet<>();
        Builds.CATALOG.all().forEach(cls -> used.addAll(cls.handling().benches()));
        assertEquals(Set.of(BenchKind.values()), used);
    }

    @Test
    void aReceiverPulsesAtItsChannels() {
        List<WakeCheck> checks = Builds.CATALOG.get("rc-receiver").handling().checks();
        // A servo follows the stick before the board reads anything.
        assertEquals(new WakeCheck.Moves("CH1", WakeCheck.Deed.STEERED), checks.get(0));
        WakeCheck.Pulses pulses = (WakeCheck.Pulses) checks.get(1);
        assertEquals("CH1", pulses.pin());
        assertEquals(TimeSpan.ofSeconds(0.0009), pulses.width().lowest());
        assertEquals(TimeSpan.ofSeconds(0.025), pulses.period().orElseThrow().highest());
    }

    @ParameterizedTest(name = "{0} {1}: {3} in {2}")
    @CsvSource({
        "board-classic-5v, D3, CPP, 3",
        "board-classic-5v, A0, CPP, A0",
        "board-wireless-3v3, D15, PYTHON_CONTROLLER, Pin(15)",
        "board-wireless-3v3, RX0, CPP, 3",
        "board-single-core-3v3, D1, CPP, 5",
        "computer-40pin, GPIO17, PYTHON_COMPUTER, 17",
        "chip-40pin, PB0, CPP, PB0"
    })
    void programsCallAPinSo(String id, String label, Language.Name name, String call) {
        PartClass board = Builds.CATALOG.get(id);
        Language language = board.controller().orElseThrow().languages().stream()
                .filter(found -> found.name() == name)
                .findFirst()
                .orElseThrow();
        assertEquals(call, language.call(board.pin(label).orElseThrow()));
    }

    @ParameterizedTest(name = "{0} {1}: {2}, then {3}")
    @CsvSource({
        "board-classic-5v, D7, FLOATS, FLOATS",
        "board-classic-5v, D13, FLOATS, MOVES",
        "board-dual-core-3v3, GP5, PULLED_DOWN, PULLED_DOWN",
        "board-wireless-3v3, D5, PULLED_UP, MOVES",
        "board-single-core-3v3, D8, PULLED_DOWN, LOW",
        "computer-40pin, GPIO8, PULLED_UP, PULLED_UP",
        "computer-40pin, GPIO9, PULLED_DOWN, PULLED_DOWN"
    })
    void aPinBeforeTheProgramHasIt(String id, String label, Resting.State atReset, Resting.State starting) {
        assertEquals(
                new Resting(atReset, starting),
                Builds.CATALOG.get(id).pin(label).orElseThrow().resting());
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"knob, ANALOG_IN", "tag-reader-spi, TAGS", "relay-one, ''", "infrared-receiver, INFRARED"})
    void anOlderDefinitionNamesItsBenchAsItUsedTo(String id, String bench) throws Exception {
        Path file = Path.of("src/test/resources/inkel/core/older/" + id + ".json");
        List<BenchKind> benches =
                CatalogReader.read(file, Files.readString(file)).handling().benches();
        assertEquals(bench.isEmpty() ? List.of() : List.of(BenchKind.valueOf(bench)), benches);
    }
}
