package inkel.core.io.catalog;

import inkel.core.catalog.Burst;
import inkel.core.catalog.I2cNeed;
import inkel.core.catalog.PinLoad;
import inkel.core.catalog.PwmNeed;
import inkel.core.catalog.SpiNeed;
import inkel.core.catalog.UartNeed;
import inkel.core.io.json.Fields;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reads what a part asks of its board: buses, pulses, currents of pins, bursts. */
final class BusFields {
    private static final String CURRENT = "20 mA";
    private static final String VOLTS = "3.3 V";
    private static final String HERTZ = "400 kHz";

    private BusFields() {}

    static SpiNeed spi(Fields spi) {
        return new SpiNeed(
                spi.number("mode", 0),
                spi.quantity("clock_max", Unit.HERTZ, HERTZ),
                spi.flag("msb_first", true),
                spi.flag("releases_miso", true));
    }

    static I2cNeed i2c(Fields i2c) {
        List<Integer> others = new ArrayList<>();
        for (String text : i2c.texts("also_at")) {
            address(text).ifPresentOrElse(others::add, () -> i2c.problem("also_at", notAnAddress(text)));
        }
        return new I2cNeed(
                i2c.parsed("address", BusFields::address, "0x27", 0),
                i2c.number("straps", 0),
                others,
                i2c.quantity("clock_max", Unit.HERTZ, HERTZ),
                i2c.object("traffic")
                        .map(traffic -> new I2cNeed.Traffic(
                                traffic.number("bytes", 1), traffic.quantity("polls", Unit.HERTZ, "10 Hz"))));
    }

    static Fact notAnAddress(String text) {
        return Fact.of("problem.expected_value").with("example", "0x27").with("found", text);
    }

    static Optional<Integer> address(String text) {
        return Engineering.parse(text, Unit.ONE)
                .filter(value -> value == Math.rint(value) && value >= 0 && value <= 0x7F)
                .map(Double::intValue);
    }

    static UartNeed uart(Fields uart) {
        List<Frequency> rates = new ArrayList<>();
        for (String text : uart.texts("rates")) {
            Engineering.parse(text, Unit.HERTZ)
                    .ifPresentOrElse(
                            rate -> rates.add(Frequency.ofHertz(rate)),
                            () -> uart.problem(
                                    "rates",
                                    Fact.of("problem.expected_value")
                                            .with("example", "9600")
                                            .with("found", text)));
        }
        if (rates.isEmpty()) {
            uart.problem("", Fact.of("problem.required").with("key", "rates"));
        }
        return new UartNeed(rates);
    }

    static PwmNeed pwm(Fields pwm) {
        return new PwmNeed(
                pwm.quantity("frequency", Unit.HERTZ, "50 Hz"),
                pwm.<TimeSpan>figure("pulse", Unit.SECOND, "1.5 ms").range());
    }

    static PinLoad pinLoad(Fields load) {
        return new PinLoad(
                load.text("pin"),
                PartClassReader.word(load, "is", PinLoad.Sort.values(), PinLoad.Sort.LED),
                load.has("forward")
                        ? Optional.of(load.<Voltage>figure("forward", Unit.VOLT, VOLTS)
                                .range())
                        : Optional.empty(),
                load.figure("current", Unit.AMPERE, CURRENT));
    }

    static Burst burst(Fields burst) {
        return new Burst(
                burst.text("supply"),
                burst.figure("current", Unit.AMPERE, CURRENT),
                burst.quantity("time", Unit.SECOND, "577 us"),
                burst.quantity("period", Unit.SECOND, "4.615 ms"));
    }
}
