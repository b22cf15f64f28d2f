package inkel.core.catalog.routine;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.catalog.PartClass;
import inkel.core.kit.Builds;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Bytes of modules, turned into numbers by the sums that their public data sheets give. */
class ValueTest {
    private static Value value(String cls, String name) {
        PartClass module = Builds.CATALOG.find(cls).orElseThrow();
        return module.handling()
                .routine()
                .steps()
                .flatMap(ValueTest::values)
                .filter(value -> value.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private static Stream<Value> values(Step step) {
        if (step instanceof Step.Ask ask) {
            return ask.values().stream();
        }
        if (step instanceof Step.Bits bits) {
            return bits.values().stream();
        }
        if (step instanceof Step.OneLine line) {
            return line.values().stream();
        }
        return step instanceof Step.Clocked clocked ? clocked.values().stream() : Stream.empty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
                    # -45 + 175 · 26214 / 65535 = 25 °C; 100 · 32768 / 65535 = 50 %
                    climate-i2c        | temperature | 0x66 0x66 0x00 0x00 0x00 0x00 | 25.0
                    climate-i2c        | humidity    | 0x00 0x00 0x00 0x80 0x00 0x00 | 50.0
                    # tenths of a percent and of a degree, of which the highest bit is a minus
                    climate-wire       | humidity    | 0x02 0x8C 0x80 0x65 0xEE      | 65.2
                    climate-wire       | temperature | 0x02 0x8C 0x80 0x65 0xEE      | -10.1
                    climate-wire       | temperature | 0x02 0x92 0x01 0x0D 0xA2      | 26.9
                    # 0x0191 = 401 sixteenths of a degree; 0xFF5E = -162 of them
                    temperature-water  | temperature | 0x91 0x01 0 0 0 0 0 0 0       | 25.0625
                    temperature-water  | temperature | 0x5E 0xFF 0 0 0 0 0 0 0       | -10.125
                    # 1000 counts of 1/1.2 lx
                    light-sensor       | light       | 0x03 0xE8                     | 833.3
                    # twelve bits of a quarter of a degree, three bits that say something else
                    thermocouple       | temperature | 0x06 0x40                     | 50.0
                    # 0x59 in two digits of four bits; the top bit of seconds says that the clock stands
                    clock-memory       | second      | 0xD9 0x30 0x12 0 0 0 0        | 59
                    clock-memory       | hour        | 0x00 0x30 0x23 0 0 0 0        | 23
                    # 3.9 mg each, the low byte first
                    accelerometer-digital | z        | 0 0 0 0 0x00 0x01             | 0.9984
                    # bits 3 to 15 are the volts, 4 mV each: 1250 of them
                    current-monitor    | bus         | 0x27 0x10                     | 5.0
                    current-monitor    | shunt       | 0xFF 0x9C                     | -1.0
                    # 24 bits, two's complement
                    load-cell          | load        | 0xFF 0xFF 0xFE                | -2
                    # 125 µV each at ± 4.096 V
                    adc-16             | A0          | 0x67 0x20                     | 3.3
                    """)
    void bytesMeanWhatTheDataSheetSays(String cls, String name, String bytes, double expected) {
        int[] given =
                Stream.of(bytes.strip().split(" ")).mapToInt(Integer::decode).toArray();
        assertEquals(expected, value(cls, name).of(given), Math.abs(expected) * 2e-4);
    }

    @Test
    void whatIsReadFitsIntoWhatIsAskedFor() {
        for (PartClass cls : Builds.CATALOG.all()) {
            cls.handling().routine().steps().forEach(step -> {
                if (step instanceof Step.Ask ask) {
                    ask.values()
                            .forEach(value -> assertEquals(
                                    true, value.at() + value.form().bytes() <= ask.count(), cls.id() + value));
                    // The buffer of the made programs and of the frameworks has 32 bytes.
                    assertEquals(true, ask.count() <= 32, cls.id());
                }
            });
        }
    }

    /** Inputs that make something move or sound, radiate or switch are for a key alone. */
    @Test
    void nothingBeginsThatWouldMoveOrSend() {
        List<String> movers = List.of(
                "servo-micro",
                "servo-driver-16",
                "stepper-driver",
                "stepper-driver-step",
                "motor-driver",
                "buzzer-passive",
                "infrared-led",
                "speed-controller",
                "relay-one",
                "text-modem");
        for (String id : movers) {
            Routine routine = Builds.CATALOG.find(id).orElseThrow().handling().routine();
            Stream.concat(routine.begin().stream(), routine.read().stream())
                    .forEach(step -> assertEquals(
                            true, step instanceof Step.Send || step instanceof Step.Wait, id + " " + step));
        }
    }
}
