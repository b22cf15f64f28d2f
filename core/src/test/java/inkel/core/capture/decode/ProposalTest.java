package inkel.core.capture.decode;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.capture.Capture;
import inkel.core.capture.Channel;
import inkel.core.capture.decode.Decoding.Kind;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.kit.Builds;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class ProposalTest {
    private static final double BIT = 1e9 / 9600;

    private static NodeCircuit node() {
        return Circuit.of(
                        Builds.classic()
                                .part("clock", "clock-memory", "VCC=board.5V")
                                .part("gate", "servo-micro", "V+=board.5V")
                                .part("eye", "infrared-receiver", "VS=board.5V")
                                .part("where", "positioning-receiver", "VCC=board.5V")
                                .wire("clock.SDA", "board.A4")
                                .wire("clock.SCL", "board.A5")
                                .wire("gate.SIG", "board.D9")
                                .wire("eye.OUT", "board.D2")
                                .wire("where.TX", "board.D4")
                                .build(),
                        Builds.CATALOG)
                .nodes()
                .get(0);
    }

    private static Map<String, String> pins(Proposal proposal) {
        return proposal.pins().entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, entry -> entry.getValue()
                .map(at -> at.part().id() + "." + at.pin())
                .orElse("")));
    }

    private static Proposal of(Signal line, String name) {
        Channel channel = line.channel(name);
        return Proposal.of(Signal.capture(line.now() + 1e6, channel), node());
    }

    private static Signal servo() {
        Signal line = new Signal(0, 500, 1);
        for (int i = 0; i < 20; i++) {
            line.hold(1, 1.5e6).hold(0, 18.5e6);
        }
        return line;
    }

    private static Signal handset() {
        Signal line = new Signal(1, 500, 2);
        line.hold(0, 9e6).hold(1, 4.5e6);
        for (int i = 0; i < 32; i++) {
            line.hold(0, 0.56e6).hold(1, i % 3 == 0 ? 1.69e6 : 0.56e6);
        }
        return line.hold(0, 0.56e6).to(1).wait(40e6);
    }

    private static Signal letters() {
        Signal line = new Signal(1, 0, 3);
        for (char letter : "A sentence".toCharArray()) {
            line.hold(0, BIT);
            for (int i = 0; i < 8; i++) {
                line.hold((letter >> i) & 1, BIT);
            }
            line.hold(1, 2 * BIT);
        }
        return line;
    }

    /** A start, an address and its answer, and a stop, by hand. */
    private static Capture bus() {
        Signal data = new Signal(1, 0, 4);
        Signal clock = new Signal(1, 0, 5);
        for (int message = 0; message < 3; message++) {
            both(data, clock, 0, 1);
            both(data, clock, 0, 0);
            int bits = (0x68 << 2) & 0x1FF;
            for (int i = 8; i >= 0; i--) {
                both(data, clock, (bits >> i) & 1, 0);
                both(data, clock, (bits >> i) & 1, 1);
                both(data, clock, (bits >> i) & 1, 0);
            }
            both(data, clock, 0, 0);
            both(data, clock, 0, 1);
            both(data, clock, 1, 1);
        }
        return Signal.capture(data.now() + 1e5, clock.channel("D7"), data.channel("D3"));
    }

    private static void both(Signal data, Signal clock, int one, int other) {
        data.hold(one, 2500);
        clock.hold(other, 2500);
    }

    @Test
    void namesOfPinsArePins() {
        Channel one = servo().channel("gate.SIG");
        Proposal named = Proposal.of(Signal.capture(1e9, one), node());
        assertEquals(Map.of("gate.SIG", "gate.SIG"), pins(named));
        assertEquals(Kind.PULSES, named.kind());
        // A pin of the board stands for what is wired to it, in capitals or not.
        assertEquals(Map.of("d2", "eye.OUT"), pins(of(handset(), "d2")));
        assertEquals(Kind.INFRARED, of(handset(), "d2").kind());
        assertEquals(Kind.I2C, of(servo(), "SDA").kind());
        assertEquals(Kind.UART, of(letters(), "D4").kind());
    }

    @Test
    void aBusIsFoundByWhatItCarriesWhicheverChannelIsWhich() {
        Proposal proposal = Proposal.of(bus(), node());
        assertEquals(Kind.I2C, proposal.kind());
        assertEquals(Map.of("D3", "clock.SDA", "D7", "clock.SCL"), pins(proposal));
    }

    @Test
    void aLineAloneIsFoundByWhatItCarries() {
        assertEquals(Kind.PULSES, of(servo(), "ch").kind());
        assertEquals(Map.of("ch", "gate.SIG"), pins(of(servo(), "ch")));
        assertEquals(Kind.INFRARED, of(handset(), "ch").kind());
        assertEquals(Map.of("ch", "eye.OUT"), pins(of(handset(), "ch")));
        assertEquals(Kind.UART, of(letters(), "ch").kind());
        assertEquals(Map.of("ch", "where.TX"), pins(of(letters(), "ch")));
    }

    private static Kind turned(Signal line) {
        Channel channel = line.channel("ch").turned();
        return Proposal.of(Signal.capture(line.now() + 30e6, channel), node()).kind();
    }

    /** Turned over the pulses of a servo are long highs, and those of a handset or letters rest low. */
    @Test
    void aLineThatIsTurnedOverIsFoundAsWell() {
        assertEquals(Kind.INFRARED, turned(handset()));
        assertEquals(Kind.UART, turned(letters().wait(20 * BIT)));
        Signal wide = new Signal(0, 0, 1);
        for (int i = 0; i < 20; i++) {
            wide.hold(1, 2.3e6).hold(0, 17.7e6);
        }
        assertEquals(Kind.PULSES, of(wide, "ch").kind(), "the end of a servo's way is no lead of a handset");
    }

    /** At 115,200 baud rises are as near to each other as those of a carrier. */
    @Test
    void fastLettersAreNoCarrier() {
        Signal line = new Signal(1, 0, 3);
        double bit = 1e9 / 115_200;
        for (int i = 0; i < 60; i++) {
            line.letter("A sentence, and on.".charAt(i % 19), bit, UartDecoder.Parity.NONE, true, 0);
        }
        assertEquals(Kind.UART, of(line.wait(1e6), "ch").kind());
        Signal same = new Signal(1, 0, 3);
        for (int i = 0; i < 60; i++) {
            same.letter('U', bit, UartDecoder.Parity.NONE, true, 0);
        }
        assertEquals(Kind.UART, of(same.wait(1e6), "ch").kind());
    }

    @Test
    void aLongLineIsFoundByItsBeginning() {
        Signal line = new Signal(1, 0, 3);
        for (int i = 0; i < 4000; i++) {
            line.letter("A sentence, and on.".charAt(i % 19), BIT, UartDecoder.Parity.NONE, true, 0);
        }
        assertTrue(line.channel("ch").count() > 20_000);
        assertEquals(Kind.UART, of(line.wait(20 * BIT), "ch").kind());
    }

    @Test
    void aLineThatNeverChangesIsNothing() {
        Proposal proposal = of(new Signal(1, 0, 1), "ch");
        assertEquals(Map.of("ch", ""), pins(proposal));
        assertTrue(proposal.pins().get("ch").isEmpty());
    }
}
