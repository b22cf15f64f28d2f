package inkel.core.io.catalog;

import com.fasterxml.jackson.databind.JsonNode;
import inkel.core.catalog.Ability;
import inkel.core.catalog.AnalogGroup;
import inkel.core.catalog.Battery;
import inkel.core.catalog.BenchKind;
import inkel.core.catalog.Burst;
import inkel.core.catalog.Claim;
import inkel.core.catalog.Controller;
import inkel.core.catalog.Decoupling;
import inkel.core.catalog.Demands;
import inkel.core.catalog.Handling;
import inkel.core.catalog.I2cNeed;
import inkel.core.catalog.Intake;
import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Kind;
import inkel.core.catalog.Make;
import inkel.core.catalog.Mode;
import inkel.core.catalog.Need;
import inkel.core.catalog.Output;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinLoad;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Pull;
import inkel.core.catalog.PwmNeed;
import inkel.core.catalog.Reduction;
import inkel.core.catalog.Regulator;
import inkel.core.catalog.SoftwareBuses;
import inkel.core.catalog.SpiNeed;
import inkel.core.catalog.Supply;
import inkel.core.catalog.Timer;
import inkel.core.catalog.UartNeed;
import inkel.core.catalog.WakeCheck;
import inkel.core.io.json.Fields;
import inkel.core.io.json.Problem;
import inkel.core.quantity.Current;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Share;
import inkel.core.quantity.Source;
import inkel.core.quantity.Threshold;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/** Reads one class of part. */
final class PartClassReader {
    private static final String CURRENT = "20 mA";
    private static final String VOLTS = "3.3 V";
    private static final String HERTZ = "400 kHz";

    private final Fields fields;

    private PartClassReader(Fields fields) {
        this.fields = fields;
    }

    /** Notes every problem in the list; the class is only good when none was added. */
    static PartClass read(JsonNode tree, List<Problem> problems) {
        return new PartClassReader(new Fields(tree, "", problems)).read();
    }

    private PartClass read() {
        List<Pin> pins = pins();
        PartClass cls = new PartClass(
                fields.id("id"),
                fields.text("name"),
                fields.text("summary"),
                word("kind", Kind.values(), Kind.MODULE),
                fields.texts("kinds"),
                fields.optionalText("from").orElse(""),
                pins,
                fields.objects("supplies").stream().map(PartClassReader::supply).toList(),
                fields.objects("outputs").stream().map(PartClassReader::output).toList(),
                fields.objects("io").stream().map(PartClassReader::family).toList(),
                fields.objects("currents").stream().map(PartClassReader::mode).toList(),
                fields.objects("pull_ups").stream()
                        .map(pull -> new Pull(
                                pull.text("pin"),
                                pull.text("to"),
                                pull.quantity("resistance", Unit.OHM, "4.7 kΩ"),
                                pull.has("volts")
                                        ? Optional.of(pull.quantity("volts", Unit.VOLT, VOLTS))
                                        : Optional.empty()))
                        .toList(),
                fields.objects("decoupling").stream()
                        .map(wanted ->
                                new Decoupling(wanted.text("pin"), wanted.quantity("value", Unit.FARAD, "100 nF")))
                        .toList(),
                fields.object("spi").map(PartClassReader::spi),
                fields.object("i2c").map(PartClassReader::i2c),
                fields.object("uart").map(PartClassReader::uart),
                fields.object("pwm").map(PartClassReader::pwm),
                fields.object("controller").map(PartClassReader::controller),
                demands(),
                handling(),
                fields.texts("cautions"));
        check(cls);
        return cls;
    }

    private <E extends Enum<E>> E word(String key, E[] values, E standIn) {
        return word(fields, key, values, standIn);
    }

    private static <E extends Enum<E>> E word(Fields from, String key, E[] values, E standIn) {
        String example = String.join(
                ", ", Arrays.stream(values).map(PartClassReader::spelled).toList());
        return from.parsed(
                key,
                text -> Arrays.stream(values)
                        .filter(value -> spelled(value).equals(text))
                        .findFirst(),
                example,
                standIn);
    }

    private static String spelled(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private List<Pin> pins() {
        List<Pin> pins = new ArrayList<>();
        Map<String, Integer> inRow = new HashMap<>();
        for (Fields pin : fields.objects("pins")) {
            String row = pin.optionalText("row").orElse("single");
            int place = pin.number("place", inRow.merge(row, 1, Integer::sum));
            List<Ability> can = new ArrayList<>();
            for (String text : pin.texts("can")) {
                Ability.parse(text)
                        .ifPresentOrElse(
                                can::add,
                                () -> pin.problem(
                                        "can",
                                        Fact.of("problem.expected_value")
                                                .with("example", "digital, spi0.sck, pwm1.a")
                                                .with("found", text)));
            }
            PinUse use = pin.has("is")
                    ? pin.parsed("is", PinUse::parse, "spi.sck", PinUse.NONE)
                    : can.isEmpty() ? PinUse.NONE : PinUse.OFFER;
            Need need = pin.has("need") ? word(pin, "need", Need.values(), Need.MUST) : Need.MUST;
            pins.add(new Pin(
                    pin.text("label"),
                    pin.texts("also"),
                    pin.optionalText("number").orElse(""),
                    row,
                    place,
                    pin.number("header", 0),
                    use,
                    need,
                    pin.optionalText("io").orElse(""),
                    can));
        }
        return pins;
    }

    private static Supply supply(Fields supply) {
        return new Supply(
                supply.text("pin"),
                supply.figure("range", Unit.VOLT, VOLTS),
                supply.quantity("absolute_max", Unit.VOLT, VOLTS),
                supply.has("dropout") ? Optional.of(supply.quantity("dropout", Unit.VOLT, "0.3 V")) : Optional.empty());
    }

    private static Output output(Fields output) {
        return new Output(
                output.text("pin"),
                output.has("volts") ? Optional.of(output.figure("volts", Unit.VOLT, VOLTS)) : Optional.empty(),
                output.figure("rating", Unit.AMPERE, CURRENT),
                output.optionalText("from"),
                word(output, "way", Output.Way.values(), Output.Way.SOURCE),
                output.has("own") ? output.quantity("own", Unit.AMPERE, CURRENT) : Current.ZERO,
                output.object("regulator").map(PartClassReader::regulator).orElse(Regulator.UNKNOWN),
                output.object("battery").map(PartClassReader::battery),
                output.objects("or_from").stream().map(PartClassReader::intake).toList());
    }

    private static Battery battery(Fields battery) {
        return new Battery(
                battery.quantity("capacity", Unit.AMPERE_HOUR, "2 Ah"),
                battery.quantity("usable", Unit.ONE, "80 %"),
                battery.quantity("resistance", Unit.OHM, "0.4 Ω"),
                Math.max(1, battery.number("cells", 1)));
    }

    private static Intake intake(Fields intake) {
        return new Intake(
                intake.text("pin"),
                word(intake, "way", Output.Way.values(), Output.Way.PASS),
                intake.has("volts") ? Optional.of(intake.figure("volts", Unit.VOLT, VOLTS)) : Optional.empty(),
                intake.has("rating") ? Optional.of(intake.figure("rating", Unit.AMPERE, CURRENT)) : Optional.empty(),
                intake.has("own") ? intake.quantity("own", Unit.AMPERE, CURRENT) : Current.ZERO,
                intake.object("regulator").map(PartClassReader::regulator).orElse(Regulator.UNKNOWN));
    }

    private static Regulator regulator(Fields regulator) {
        return new Regulator(
                regulator.has("dropout")
                        ? Optional.of(regulator.quantity("dropout", Unit.VOLT, "1.1 V"))
                        : Optional.empty(),
                regulator.has("theta_c_per_w")
                        ? OptionalDouble.of(regulator.number("theta_c_per_w", 0))
                        : OptionalDouble.empty(),
                regulator.has("junction_max")
                        ? Optional.of(regulator.quantity("junction_max", Unit.CELSIUS, "125 °C"))
                        : Optional.empty(),
                regulator.has("efficiency")
                        ? Optional.of(regulator.quantity("efficiency", Unit.ONE, "85 %"))
                        : Optional.empty());
    }

    private Demands demands() {
        return new Demands(
                fields.objects("bursts").stream().map(PartClassReader::burst).toList(),
                fields.objects("pin_loads").stream()
                        .map(PartClassReader::pinLoad)
                        .toList(),
                fields.objects("turned_down").stream()
                        .map(lower -> new Reduction(
                                lower.text("name"),
                                lower.text("supply"),
                                lower.text("mode"),
                                lower.quantity("current", Unit.AMPERE, CURRENT)))
                        .toList(),
                fields.texts("claims"));
    }

    private static PinLoad pinLoad(Fields load) {
        return new PinLoad(
                load.text("pin"),
                word(load, "is", PinLoad.Sort.values(), PinLoad.Sort.LED),
                load.has("forward")
                        ? Optional.of(load.<Voltage>figure("forward", Unit.VOLT, VOLTS)
                                .range())
                        : Optional.empty(),
                load.figure("current", Unit.AMPERE, CURRENT));
    }

    private static Burst burst(Fields burst) {
        return new Burst(
                burst.text("supply"),
                burst.figure("current", Unit.AMPERE, CURRENT),
                burst.quantity("time", Unit.SECOND, "577 us"),
                burst.quantity("period", Unit.SECOND, "4.615 ms"));
    }

    private Handling handling() {
        Make make = fields.object("make").map(PartClassReader::make).orElse(Make.USUAL);
        List<WakeCheck> checks = fields.objects("wake").stream()
                .map(check -> new WakeCheck(
                        word(check, "how", WakeCheck.How.values(), WakeCheck.How.ANSWERS),
                        check.optionalText("at").orElse(""),
                        check.optionalText("expect").orElse("")))
                .toList();
        Optional<BenchKind> bench = fields.has("bench")
                ? Optional.of(word("bench", BenchKind.values(), BenchKind.OUTPUT))
                : Optional.empty();
        return new Handling(fields.texts("does"), make, checks, bench, fields.flag("may_carry_mains", false));
    }

    private static Make make(Fields make) {
        return new Make(
                make.has("form") ? word(make, "form", Make.Form.values(), Make.Form.READY) : Make.Form.READY,
                make.has("pitch") ? Optional.of(make.quantity("pitch", Unit.METRE, "1.27 mm")) : Optional.empty(),
                make.flag("header_loose", false));
    }

    private static IoFamily family(Fields family) {
        return new IoFamily(
                family.text("name"),
                family.text("supply"),
                family.flag("open_drain", false),
                family.threshold("vih"),
                family.threshold("vil"),
                family.threshold("voh"),
                family.threshold("vol"),
                family.threshold("voh_max"),
                family.threshold("absolute_max").orElseGet(() -> {
                    // The usual clamp diode: a pin survives three tenths of a volt above its own supply.
                    return new Threshold(1, Voltage.ofMillivolts(300));
                }),
                family.threshold("recommended_max"),
                family.has("pin_current")
                        ? Optional.of(family.quantity("pin_current", Unit.AMPERE, CURRENT))
                        : Optional.empty(),
                Source.CLASS);
    }

    private static Mode mode(Fields mode) {
        Share duty = mode.has("duty") ? mode.quantity("duty", Unit.ONE, "10 %") : Share.of(0);
        return new Mode(mode.text("mode"), mode.text("supply"), mode.figure("current", Unit.AMPERE, CURRENT), duty);
    }

    private static SpiNeed spi(Fields spi) {
        return new SpiNeed(
                spi.number("mode", 0),
                spi.quantity("clock_max", Unit.HERTZ, HERTZ),
                spi.flag("msb_first", true),
                spi.flag("releases_miso", true));
    }

    private static I2cNeed i2c(Fields i2c) {
        List<Integer> others = new ArrayList<>();
        for (String text : i2c.texts("also_at")) {
            address(text).ifPresentOrElse(others::add, () -> i2c.problem("also_at", notAnAddress(text)));
        }
        return new I2cNeed(
                i2c.parsed("address", PartClassReader::address, "0x27", 0),
                i2c.number("straps", 0),
                others,
                i2c.quantity("clock_max", Unit.HERTZ, HERTZ),
                i2c.object("traffic")
                        .map(traffic -> new I2cNeed.Traffic(
                                traffic.number("bytes", 1), traffic.quantity("polls", Unit.HERTZ, "10 Hz"))));
    }

    private static Fact notAnAddress(String text) {
        return Fact.of("problem.expected_value").with("example", "0x27").with("found", text);
    }

    static Optional<Integer> address(String text) {
        return Engineering.parse(text, Unit.ONE)
                .filter(value -> value == Math.rint(value) && value >= 0 && value <= 0x7F)
                .map(Double::intValue);
    }

    private static UartNeed uart(Fields uart) {
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

    private static PwmNeed pwm(Fields pwm) {
        return new PwmNeed(
                pwm.quantity("frequency", Unit.HERTZ, "50 Hz"),
                pwm.<TimeSpan>figure("pulse", Unit.SECOND, "1.5 ms").range());
    }

    private static Controller controller(Fields controller) {
        return new Controller(
                controller.quantity("clock", Unit.HERTZ, "16 MHz"),
                controller.numbers("uart_oversamples"),
                controller.number("uart_register_bits", 12),
                controller.number("uart_fraction_bits", 0),
                controller.numbers("spi_dividers"),
                software(controller),
                controller.has("package_current")
                        ? Optional.of(controller.quantity("package_current", Unit.AMPERE, CURRENT))
                        : Optional.empty(),
                controller.objects("timers").stream()
                        .map(timer -> new Timer(
                                timer.number("unit", 0), timer.number("bits", 8), timer.numbers("prescalers")))
                        .toList(),
                controller.objects("claims").stream()
                        .map(claim -> new Claim(claim.text("use"), claim.number("timer", 0)))
                        .toList(),
                controller.objects("analog").stream()
                        .map(PartClassReader::analogGroup)
                        .toList());
    }

    private static SoftwareBuses software(Fields controller) {
        return new SoftwareBuses(
                controller.quantity("software_uart_max", Unit.HERTZ, "57600"),
                clock(controller, "software_spi_max"),
                clock(controller, "software_i2c_max"),
                controller
                        .object("software_pwm")
                        .map(pulses -> new SoftwareBuses.SoftPulses(
                                pulses.quantity("max", Unit.HERTZ, "200 Hz"),
                                pulses.quantity("jitter", Unit.SECOND, "10 us"))));
    }

    private static Optional<Frequency> clock(Fields from, String key) {
        return from.has(key) ? Optional.of(from.quantity(key, Unit.HERTZ, HERTZ)) : Optional.empty();
    }

    private static AnalogGroup analogGroup(Fields group) {
        return new AnalogGroup(
                group.number("unit", 0),
                group.number("bits", 10),
                group.quantity("full_scale", Unit.VOLT, VOLTS),
                group.quantity("rate", Unit.HERTZ, "9.6 kHz"),
                group.quantity("source_max", Unit.OHM, "10 kΩ"),
                group.optionalText("off_while"));
    }

    /** What the parts of a class must agree on among themselves. */
    private void check(PartClass cls) {
        Set<String> labels = new HashSet<>();
        Set<String> families = new HashSet<>();
        cls.io().forEach(family -> families.add(family.name()));
        for (int i = 0; i < cls.pins().size(); i++) {
            Pin pin = cls.pins().get(i);
            boolean mayRepeat = pin.use() == PinUse.GROUND || pin.use() == PinUse.NONE;
            if (!mayRepeat && !labels.add(pin.label())) {
                fields.problem(
                        "pins", String.valueOf(i), Fact.of("problem.duplicate").with("found", pin.label()));
            }
            if (!pin.io().isEmpty() && !families.contains(pin.io())) {
                fields.problem(
                        "pins", String.valueOf(i), Fact.of("problem.no_io").with("found", pin.io()));
            }
        }
        cls.supplies().forEach(supply -> requirePin(cls, "supplies", supply.pin()));
        cls.pulls().forEach(pull -> requirePin(cls, "pull_ups", pull.pin()));
        Set<String> supplies = new HashSet<>();
        cls.supplies().forEach(supply -> supplies.add(supply.pin()));
        cls.outputs().forEach(output -> supplies.add(output.pin()));
        cls.io().stream()
                .filter(family -> !supplies.contains(family.supply()))
                .forEach(family ->
                        fields.problem("io", Fact.of("problem.no_supply_pin").with("found", family.supply())));
        cls.modes().stream()
                .filter(mode -> !supplies.contains(mode.supply()))
                .forEach(mode -> fields.problem(
                        "currents", Fact.of("problem.no_supply_pin").with("found", mode.supply())));
    }

    private void requirePin(PartClass cls, String key, String label) {
        // A port with a cable has a supply in name only.
        if (!cls.pins().isEmpty() && cls.pin(label).isEmpty()) {
            fields.problem(key, Fact.of("problem.no_pin").with("pin", label).with("class", cls.name()));
        }
    }
}
