package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A board that leads its buses to any pin, and where its owner would put a module all the same. */
class LedAnywhereTest {
    private static Builds wireless() {
        return Builds.powered(Builds.CATALOG.get("board-wireless-3v3"));
    }

    private static Builds positioning(Builds build, String id, String tx, String rx) {
        return build.part(id, "positioning-receiver", "VCC=board.3V3")
                .wire(id + ".TX", "board." + tx)
                .wire(id + ".RX", "board." + rx);
    }

    @Test
    void aSerialPortGoesToAnyPins() {
        Builds build = positioning(wireless(), "one", "D25", "D26");
        SerialLine line = new NodePins(build.circuit(), List.of()).serialLines().get(0);
        assertTrue(line.unit().isPresent());
        RuleKit.quiet(build, "uart.port_taken");
        RuleKit.quiet(build, "uart.soft_fast");
    }

    @Test
    void thereAreTwoPortsBesidesTheConsole() {
        Builds two = positioning(positioning(wireless(), "one", "D25", "D26"), "two", "D32", "D33");
        List<SerialLine> lines = new NodePins(two.circuit(), List.of()).serialLines();
        assertEquals(
                2,
                lines.stream().map(line -> line.unit().orElseThrow()).distinct().count());
        RuleKit.quiet(two, "uart.port_taken");
        Builds three = positioning(two, "three", "D27", "D14");
        RuleKit.fires(three, "uart.port_taken");
    }

    @Test
    void theBusGoesToAnyPinsThatDrive() {
        Builds build = wireless().part("display", "display-small-graphic", "VCC=board.3V3");
        RuleKit.quiet(build.wire("display.SDA", "board.D26").wire("display.SCL", "board.D25"), "pins.no_role");
        RuleKit.fires(
                wireless()
                        .part("display", "display-small-graphic", "VCC=board.3V3")
                        .wire("display.SDA", "board.D35"),
                "pins.no_role");
    }

    @ParameterizedTest(name = "{1} on {0}: {2}")
    @CsvSource(
            textBlock =
                    """
            board-wireless-3v3,  display-small-graphic, SCL D22 SDA D21
            board-wireless-3v3,  positioning-receiver,  TX D16
            board-wireless-3v3,  tag-reader-spi,        MISO D19 MOSI D23 SCK D18
            board-dual-core-3v3, display-small-graphic, SCL GP5 SDA GP4
            board-dual-core-3v3, positioning-receiver,  TX GP1
            board-dual-core-3v3, tag-reader-spi,        MISO GP16 MOSI GP19 SCK GP18
            board-classic-5v,    display-4x20-i2c,      SCL A5 SDA A4
            computer-40pin,      display-small-graphic, SCL GPIO3 SDA GPIO2
            """)
    void aSingleModuleLandsWhereItsOwnerWouldPutIt(String board, String module, String lines) {
        Builds build = Builds.powered(Builds.CATALOG.get(board));
        String supply = Builds.CATALOG.get(module).supplies().get(0).pin();
        boolean isFive = module.equals("display-4x20-i2c");
        build.part("module", module, supply + "=board." + (isFive ? "5V" : "3V3"));
        Plan plan = new Planner(build.build(), Builds.CATALOG).plan(Builds.NODE);
        Map<String, String> wanted = new TreeMap<>();
        String[] words = lines.split(" ");
        for (int i = 0; i < words.length; i += 2) {
            wanted.put(words[i], words[i + 1]);
        }
        Map<String, String> placed = new TreeMap<>();
        plan.wires().forEach(wire -> {
            if (wanted.containsKey(wire.from().pin())) {
                placed.put(wire.from().pin(), wire.to().pin());
            }
        });
        assertEquals(wanted, placed);
        assertTrue(plan.bySoftware().isEmpty());
    }
}
