package inkel.core.wiring;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.circuit.NodeCircuit;
import inkel.core.kit.Builds;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The classic board has sockets, the radio pins in two columns, the display a header that stands out, the reader one in a breadboard. */
class JumperTest {
    private static Builds table() {
        return Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .part("display", "display-4x20-i2c", "VCC=board.5V")
                .part("servo", "servo-micro", "V+=board.5V")
                .part("relay", "relay-one", "VCC=board.5V")
                .part("lamp", "led")
                .part("motor", "motor-leads")
                .wire("radio.CE", "board.D7")
                .wire("reader.RST", "board.D6")
                .wire("display.SDA", "board.A4")
                .wire("servo.SIG", "board.D5")
                .wire("relay.IN", "board.D4")
                .wire("lamp.A", "board.D3");
    }

    private static Jumper jumper(Builds builds, String end) {
        NodeCircuit node = builds.circuit();
        return WireList.of(node).steps().stream()
                .filter(step -> step.to().id().startsWith(end + "@"))
                .findFirst()
                .orElseThrow()
                .jumper(node)
                .orElseThrow();
    }

    @ParameterizedTest(name = "{0}: {1}, {2} m")
    @CsvSource({
        "radio.CE, PIN_TO_SOCKET, 0.2",
        "reader.RST, PIN_TO_PIN, 0.2",
        "display.SDA, PIN_TO_SOCKET, 0.2",
        "servo.SIG, PIN_TO_PIN, 0.2",
        "relay.IN, PIN_TO_SOCKET, 0.2",
        "lamp.A, PIN_TO_PIN, 0.2",
        "reader.3.3V, PIN_TO_PIN, 0.1",
        "radio.VCC, PIN_TO_SOCKET, 0.2"
    })
    void theSortFollowsFromTheTwoEnds(String end, Jumper.Kind kind, double metres) {
        Jumper jumper = jumper(table(), end);
        assertEquals(kind, jumper.kind());
        assertEquals(metres, jumper.length().metres(), 1e-9);
    }

    @ParameterizedTest
    @CsvSource({"clip, CLIP", "solder, SOLDER"})
    void theBuildersWayOfJoiningCounts(String contact, Jumper.Kind kind) {
        assertEquals(
                kind,
                jumper(table().setting("radio", "contact", contact), "radio.CE").kind());
    }

    /** What lies loose beside the pads is soldered on before the first wire, so that wires are plugged. */
    @ParameterizedTest
    @CsvSource({
        "display-2x16-parallel, VDD, , long, PIN_TO_PIN",
        "display-2x16-parallel, VDD, , leads, PIN_TO_SOCKET",
        "display-2x16-parallel, VDD, soldered, leads, PIN_TO_SOCKET",
        "display-2x16-parallel, VDD, , strip, SOLDER",
        "led-addressable, V+, , leads, SOLDER",
        "led-addressable, V+, loose, leads, PIN_TO_SOCKET"
    })
    void padsHaveTheHeaderThatComesWithThem(String cls, String supply, String header, String table, Jumper.Kind kind) {
        Builds builds = Builds.classic().part("it", cls, supply + "=board.5V");
        builds = header == null ? builds : builds.setting("it", "header", header);
        assertEquals(
                kind,
                jumper(builds.setting("board", "table", table), "it." + supply).kind());
    }

    // Pins on both ends want sockets on both.
    @Test
    void pinsToPinsWantSockets() {
        Builds computer = Builds.powered(Builds.CATALOG.get("computer-40pin"))
                .part("radio", "packet-radio", "VCC=board.3V3")
                .wire("radio.CE", "board.GPIO25");
        assertEquals(Jumper.Kind.SOCKET_TO_SOCKET, jumper(computer, "radio.CE").kind());
    }

    @Test
    void eachSortIsCountedByItself() {
        Map<Jumper.Kind, Long> counted = WireList.of(table().circuit()).jumpers().entrySet().stream()
                .collect(Collectors.groupingBy(
                        entry -> entry.getKey().kind(), Collectors.summingLong(Map.Entry::getValue)));
        WireList list = WireList.of(table().circuit());
        long toPins = list.steps().stream()
                .filter(step -> step.fitting().isEmpty() && step.to().id().matches("(radio|display|relay)\\..*"))
                .count();
        assertEquals(toPins, counted.get(Jumper.Kind.PIN_TO_SOCKET));
        assertEquals(
                list.wireCount(),
                counted.values().stream().mapToLong(Long::longValue).sum(),
                "the servo's lead ends in a socket, so that pins go between it and the board");
    }

    // On the channels of a driver a servo's plug goes as it is.
    @Test
    void aPlugThatFitsIsNoWireToGet() {
        Builds driven = Builds.classic()
                .part("driver", "servo-driver-16", "VCC=board.5V", "V+=board.5V")
                .part("servo", "servo-micro", "V+=driver.V+OUT")
                .wire("servo.SIG", "driver.CH0");
        assertEquals(Jumper.Kind.OWN_LEAD, jumper(driven, "servo.SIG").kind());
        assertEquals(
                0,
                WireList.of(driven.circuit()).jumpers().keySet().stream()
                        .filter(Jumper::isBrought)
                        .count());
    }
}
