package inkel.core.io.catalog;

import inkel.core.catalog.Burst;
import inkel.core.catalog.I2cNeed;
import inkel.core.catalog.LinePair;
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
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Reads what a part asks of its board: buses, pulses, currents of pins, bursts. */
final class BusFields {
    private static final String CURRENT = "20 mA";
    private static final String VOLTS = "3.3 V";
    private static final String HERTZ = "400 kHz";

    /** Of the seven bits of an address the highest tells chips apart. */
    private static final int MOST_STRAPS = 6;

    private static final int MOST_BYTES = 1 << 20;

    private BusFields() {}

    static SpiNeed spi(Fields spi) {
        return new SpiNeed(
                spi.whole("mode", 0, 3, 0),
                spi.quantity("clock_max", Unit.HERTZ, HERTZ),
                spi.flag("msb_first", true),
                spi.flag("selected_high", false),
                spi.flag("releases_miso", true));
    }

    static I2cNeed i2c(Fields i2c) {
        List<Integer> others = new ArrayList<>();
        for (String text : i2c.texts("also_at")) {
            address(text).ifPresentOrElse(others::add, () -> i2c.problem("also_at", notAnAddress(text)));
        }
        int lowest = i2c.parsed("address", BusFields::address, "0x27", 0);
        List<I2cNeed.Address> addresses = i2c.has("addresses")
                ? i2c.objects("addresses").stream().map(BusFields::strapped).toList()
                : counted(lowest, i2c.whole("straps", 0, MOST_STRAPS, 0), i2c.texts("strap_pins"));
        int shipped = i2c.has("shipped") ? i2c.parsed("shipped", BusFields::address, "0x27", lowest) : lowest;
        if (addresses.stream().noneMatch(address -> address.value() == shipped)) {
            i2c.problem(
                    i2c.has("shipped") ? "shipped" : "address",
                    Fact.of("problem.not_an_address_of_it").with("found", Engineering.address(shipped)));
        }
        Set<Integer> given = new HashSet<>();
        addresses.stream()
                .map(I2cNeed.Address::value)
                .filter(value -> !given.add(value))
                .forEach(value -> i2c.problem("addresses", twice(value)));
        // A call to a whole class may be one that straps can give too.
        Set<Integer> heard = new HashSet<>(Set.of(shipped));
        others.stream().filter(value -> !heard.add(value)).forEach(value -> i2c.problem("also_at", twice(value)));
        return new I2cNeed(
                addresses,
                shipped,
                others,
                i2c.quantity("clock_max", Unit.HERTZ, HERTZ),
                i2c.object("traffic")
                        .map(traffic -> new I2cNeed.Traffic(
                                traffic.whole("bytes", 1, MOST_BYTES, 1),
                                traffic.quantity("polls", Unit.HERTZ, "10 Hz"))));
    }

    private static Fact twice(int address) {
        return Fact.of("problem.duplicate").with("found", Engineering.address(address));
    }

    /** As many addresses as the straps have settings, each strap pin a bit, the lowest first. */
    private static List<I2cNeed.Address> counted(int lowest, int straps, List<String> pins) {
        List<I2cNeed.Address> addresses = new ArrayList<>();
        for (int bits = 0; bits < 1 << straps; bits++) {
            Map<String, I2cNeed.Strap> levels = new LinkedHashMap<>();
            for (int i = 0; i < pins.size(); i++) {
                levels.put(pins.get(i), (bits >> i & 1) == 1 ? I2cNeed.Strap.HIGH : I2cNeed.Strap.LOW);
            }
            addresses.add(new I2cNeed.Address(lowest + bits, levels));
        }
        return addresses;
    }

    private static I2cNeed.Address strapped(Fields address) {
        Map<String, I2cNeed.Strap> levels = new LinkedHashMap<>();
        address.textMap("pins").keySet().forEach(pin -> levels.put(pin, level(address, pin)));
        return new I2cNeed.Address(address.parsed("at", BusFields::address, "0x27", 0), levels);
    }

    private static I2cNeed.Strap level(Fields address, String pin) {
        return address.object("pins")
                .map(pins -> PartClassReader.word(pins, pin, I2cNeed.Strap.values(), I2cNeed.Strap.LOW))
                .orElse(I2cNeed.Strap.LOW);
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
        return new UartNeed(rates, uart.object("line").map(BusFields::line));
    }

    private static LinePair line(Fields line) {
        return new LinePair(
                line.text("plus"),
                line.text("minus"),
                line.optionalText("enable"),
                line.has("terminator")
                        ? Optional.of(line.quantity("terminator", Unit.OHM, "120 Ω"))
                        : Optional.empty());
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
                load.optionalText("from"),
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
