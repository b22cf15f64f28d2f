package inkel.core.io.catalog;

import inkel.core.catalog.Ability;
import inkel.core.catalog.AnalogGroup;
import inkel.core.catalog.Claim;
import inkel.core.catalog.ClockChoice;
import inkel.core.catalog.Controller;
import inkel.core.catalog.DriverPins;
import inkel.core.catalog.Language;
import inkel.core.catalog.Memory;
import inkel.core.catalog.Programming;
import inkel.core.catalog.SoftwareBuses;
import inkel.core.catalog.Timer;
import inkel.core.io.json.Fields;
import inkel.core.quantity.DataSize;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Share;
import inkel.core.quantity.Threshold;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Reads what only a board has: clocks, dividers, timers, converters. */
final class ControllerFields {
    private static final String CURRENT = "20 mA";
    private static final String VOLTS = "3.3 V";
    private static final String HERTZ = "400 kHz";

    /** A plain crystal is within 50 millionths. */
    private static final Share CRYSTAL = Share.of(50e-6);

    private static final int MOST_UNITS = 64;
    private static final int MOST_BITS = 64;

    private ControllerFields() {}

    private static Map<String, List<String>> usual(Fields controller) {
        Map<String, List<String>> usual = new LinkedHashMap<>();
        for (Fields line : controller.objects("usual")) {
            usual.put(line.text("line"), line.texts("pins"));
        }
        return usual;
    }

    static Controller controller(Fields controller) {
        return new Controller(
                controller.quantity("clock", Unit.HERTZ, "16 MHz"),
                controller.has("tolerance") ? controller.quantity("tolerance", Unit.ONE, "2 %") : CRYSTAL,
                controller.objects("clocks").stream()
                        .map(ControllerFields::clockChoice)
                        .toList(),
                controller.wholes("uart_oversamples", 1, 256),
                controller.whole("uart_register_bits", 1, 32, 12),
                controller.whole("uart_fraction_bits", 0, 16, 0),
                controller.wholes("spi_dividers", 1, 65_536),
                clock(controller, "spi_max"),
                software(controller),
                controller.has("package_current")
                        ? Optional.of(controller.quantity("package_current", Unit.AMPERE, CURRENT))
                        : Optional.empty(),
                controller.objects("timers").stream()
                        .map(timer -> new Timer(
                                timer.whole("unit", 0, MOST_UNITS, 0),
                                timer.whole("bits", 1, MOST_BITS, 8),
                                timer.wholes("prescalers", 1, Integer.MAX_VALUE)))
                        .toList(),
                controller.objects("claims").stream()
                        .map(claim -> new Claim(
                                claim.text("use"),
                                claim.whole("timer", 0, MOST_UNITS, 0),
                                clock(claim, "keeps"),
                                claim.flag("any_pin", false)))
                        .toList(),
                controller.objects("drivers").stream()
                        .map(ControllerFields::driver)
                        .toList(),
                controller.has("devices") ? controller.textMap("devices") : Map.of(),
                controller.objects("programs").stream()
                        .map(way -> new Programming(way.text("way"), way.textMap("lines"), way.optionalText("held")))
                        .toList(),
                usual(controller),
                controller.objects("languages").stream()
                        .map(language -> new Language(
                                PartClassReader.word(language, "name", Language.Name.values(), Language.Name.CPP),
                                language.text("pin"),
                                language.has("headers") ? language.textMap("headers") : Map.of()))
                        .toList(),
                controller.whole("bits", 8, MOST_BITS, 8),
                controller.object("memory").map(ControllerFields::memory));
    }

    private static Memory.OfBoard memory(Fields memory) {
        return new Memory.OfBoard(
                PartClassReader.memory(memory, "ram", "flash"),
                DataSize.ofBytes(memory.wholeFrom("kept", 0)),
                PartClassReader.memory(memory, "core_ram", "core_flash"));
    }

    private static DriverPins driver(Fields driver) {
        Ability bus =
                driver.parsed("bus", text -> Ability.parse(text + ".x"), "spi0", new Ability(Ability.Kind.SPI, 0, "x"));
        return new DriverPins(bus.kind(), bus.unit(), driver.texts("pins"));
    }

    private static ClockChoice clockChoice(Fields choice) {
        return new ClockChoice(
                choice.text("name"),
                choice.quantity("clock", Unit.HERTZ, "8 MHz"),
                choice.has("tolerance") ? choice.quantity("tolerance", Unit.ONE, "2 %") : CRYSTAL,
                choice.flag("inner", false),
                choice.optionalText("start_up").orElse(""),
                choice.has("works_from")
                        ? Optional.of(choice.quantity("works_from", Unit.VOLT, "2.7 V"))
                        : Optional.empty());
    }

    static SoftwareBuses software(Fields controller) {
        return new SoftwareBuses(
                controller.quantity("software_uart_max", Unit.HERTZ, "57600"),
                clock(controller, "software_spi_max"),
                clock(controller, "software_i2c_max"),
                controller
                        .object("software_pwm")
                        .map(pulses -> new SoftwareBuses.SoftPulses(
                                pulses.quantity("max", Unit.HERTZ, "200 Hz"),
                                pulses.quantity("jitter", Unit.SECOND, "10 us"))),
                controller.flag("software_holds", true));
    }

    static Optional<Frequency> clock(Fields from, String key) {
        return from.has(key) ? Optional.of(from.quantity(key, Unit.HERTZ, HERTZ)) : Optional.empty();
    }

    /** A voltage, or the supply itself; one that is missing is told like any other amount. */
    private static Threshold fullScale(Fields group) {
        return group.has("full_scale")
                ? group.threshold("full_scale").orElseGet(() -> Threshold.fixed(Voltage.ZERO))
                : Threshold.fixed(group.quantity("full_scale", Unit.VOLT, VOLTS));
    }

    static AnalogGroup analogGroup(Fields group) {
        return new AnalogGroup(
                group.whole("unit", 0, MOST_UNITS, 0),
                group.whole("bits", 1, 32, 10),
                fullScale(group),
                group.quantity("rate", Unit.HERTZ, "9.6 kHz"),
                group.quantity("source_max", Unit.OHM, "10 kΩ"),
                ranges(group),
                group.optionalText("off_while"));
    }

    private static List<Voltage> ranges(Fields group) {
        List<Voltage> ranges = new ArrayList<>();
        for (String text : group.texts("ranges")) {
            Engineering.parse(text, Unit.VOLT)
                    .filter(volts -> volts > 0)
                    .ifPresentOrElse(
                            volts -> ranges.add(Voltage.ofVolts(volts)),
                            () -> group.problem(
                                    "ranges",
                                    Fact.of("problem.expected_value")
                                            .with("example", "2.048 V")
                                            .with("found", text)));
        }
        return ranges;
    }
}
