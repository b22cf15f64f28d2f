package inkel.core.wake.report;

import inkel.core.catalog.Pin;
import inkel.core.catalog.WakeCheck;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.formula.Converter;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.TimeSpan;
import inkel.core.wake.Check;
import inkel.core.wake.NodeWake;
import java.util.List;
import java.util.Optional;

/**
 * What the board of a node can tell by itself, by the pins of its plan. Both the programs that are made and the reading of
 * what they print go by it.
 *
 * @param pins the pins of the board that are wired, to be inputs first and last
 * @param way how its lines come out; absent where it has no port and no pin is left for one
 */
public record ReportPlan(
        NodeCircuit node,
        List<Pin> pins,
        Optional<Way> way,
        List<Bus> buses,
        List<Register> registers,
        List<Level> levels,
        List<Analog> analogs,
        List<Line> lines,
        List<Act> acts,
        List<Code> codes) {
    public ReportPlan {
        pins = List.copyOf(pins);
        buses = List.copyOf(buses);
        registers = List.copyOf(registers);
        levels = List.copyOf(levels);
        analogs = List.copyOf(analogs);
        lines = List.copyOf(lines);
        acts = List.copyOf(acts);
        codes = List.copyOf(codes);
    }

    /**
     * How the lines of a board come out.
     *
     * @param pin the pin that its program makes a port of; absent where the board has one of its own
     * @param baud a rate that its clock can be divided down to
     */
    public record Way(Optional<Pin> pin, Frequency baud) {}

    /**
     * An I2C bus.
     *
     * @param number by which lines name it, from 0 in the order of the wires
     */
    public record Bus(int number, Pin sda, Pin scl, List<Placed> parts) {
        public Bus {
            parts = List.copyOf(parts);
        }
    }

    /**
     * A register that always reads the same.
     *
     * @param register as the class writes it
     * @param bytes how many it has
     * @param bus the I2C bus it is on; absent for SPI
     */
    public record Register(
            Placed part, String register, WakeCheck.Asking asking, int bytes, Optional<Bus> bus, Optional<Spi> spi) {
        /** The first byte that asks; nothing is 0. */
        public int first() {
            return asking.send().isEmpty() ? 0 : asking.send().get(0);
        }
    }

    /**
     * The pins of the board that a part on SPI hangs on.
     *
     * @param out data to the part; absent for a part that only gives
     * @param select absent where it is held by hand
     */
    public record Spi(Pin clock, Optional<Pin> out, Pin in, Optional<Pin> select) {}

    /** The rest level of the wire of a signal. */
    public record Level(Endpoint signal, Pin pin, boolean isHigh) {}

    /**
     * A voltage that the board converts.
     *
     * @param converter what reads it, with its full scale as the plan has it
     * @param check what foretells it; empty where its class tells nothing of it, or something in the wire changes it
     */
    public record Analog(Endpoint signal, Pin pin, Converter converter, Optional<Check> check) {}

    /**
     * A serial line.
     *
     * @param from the board's pin that hears the part
     * @param to the one that the part hears; absent where none is wired
     * @param say what is sent; empty for a part that speaks by itself
     */
    public record Line(Placed part, Pin from, Optional<Pin> to, Frequency baud, String say) {}

    /**
     * A pin that is driven, and what it may move, switch or sound: only when the builder types its number.
     *
     * @param number from 1
     * @param width of each pulse
     * @param highs other pins that are held high meanwhile, {@code lows} low
     */
    public record Act(
            int number, Endpoint signal, Pin pin, WakeCheck.To to, TimeSpan width, List<Pin> highs, List<Pin> lows) {
        public Act {
            highs = List.copyOf(highs);
            lows = List.copyOf(lows);
        }

        Act(int number, Endpoint signal, Pin pin, WakeCheck.To to) {
            this(number, signal, pin, to, WakeCheck.Drive.MIDDLE, List.of(), List.of());
        }
    }

    /**
     * A code that a converter is sent, when the builder types its number.
     *
     * @param number those of the acts go on
     * @param pin the pin of the converter that gives volts for it
     * @param bytes what is sent, behind the address on I2C
     * @param bus the I2C bus; absent for SPI
     * @param spi clock, data and, unless it is held, select; empty for I2C
     */
    public record Code(
            int number, Endpoint pin, long code, List<Integer> bytes, Placed part, Optional<Bus> bus, List<Pin> spi) {
        public Code {
            bytes = List.copyOf(bytes);
            spi = List.copyOf(spi);
        }
    }

    public static ReportPlan of(NodeWake wake) {
        return new ReportPlanMaker(wake).plan();
    }

    /** How the lines of the board of a node would come out; see {@link ReportPlan#way}. */
    public static Optional<Way> way(NodeCircuit node) {
        return ReportPlanMaker.way(node);
    }

    /** What a register of a part may read when all is well. */
    static List<String> values(Placed placed, String register) {
        return placed.cls().handling().checks().stream()
                .filter(WakeCheck.Identity.class::isInstance)
                .map(WakeCheck.Identity.class::cast)
                .filter(identity -> identity.register().equals(register))
                .findFirst()
                .map(WakeCheck.Identity::values)
                .orElse(List.of());
    }

    /** How the answer of a part over its serial line begins. */
    static String expected(Placed placed) {
        return placed.cls().handling().checks().stream()
                .filter(WakeCheck.Reply.class::isInstance)
                .map(check -> ((WakeCheck.Reply) check).expect())
                .findFirst()
                .orElse("");
    }

    public Optional<Bus> bus(int number) {
        return buses.stream().filter(bus -> bus.number() == number).findFirst();
    }
}
