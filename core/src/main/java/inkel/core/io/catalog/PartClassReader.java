package inkel.core.io.catalog;

import com.fasterxml.jackson.databind.JsonNode;
import inkel.core.catalog.Ability;
import inkel.core.catalog.Air;
import inkel.core.catalog.AnalogGroup;
import inkel.core.catalog.Decoupling;
import inkel.core.catalog.Demands;
import inkel.core.catalog.Fitting;
import inkel.core.catalog.Frame;
import inkel.core.catalog.Handling;
import inkel.core.catalog.Hazard;
import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Kind;
import inkel.core.catalog.Make;
import inkel.core.catalog.Memory;
import inkel.core.catalog.Need;
import inkel.core.catalog.Outline;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Pull;
import inkel.core.catalog.Reduction;
import inkel.core.catalog.Resting;
import inkel.core.catalog.Screen;
import inkel.core.catalog.Turn;
import inkel.core.catalog.Unpowered;
import inkel.core.catalog.routine.Routine;
import inkel.core.io.json.Fields;
import inkel.core.io.json.Problem;
import inkel.core.quantity.DataSize;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import inkel.core.quantity.Threshold;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Reads one class of part.
 *
 * <p>Longer than other files: it goes through a definition key by key, and what contradicts a key is told where that is
 * read.
 */
final class PartClassReader {
    private static final String USES =
            Arrays.stream(PinUse.values()).map(PinUse::text).collect(Collectors.joining(", "));

    private static final String CURRENT = "20 mA";
    private static final String VOLTS = "3.3 V";
    private static final String HERTZ = "400 kHz";
    private static final Pattern LABEL = Pattern.compile("[^\\s\\p{C}#@>]{1,24}");

    /** More than any part on a bench has. */
    private static final int MOST_PINS = 1000;

    private static final int MOST_DOTS = 10_000;
    private static final int MOST_BYTES = 1 << 24;
    private static final Voltage LIGHT = Voltage.ofMillivolts(100);

    private final Fields fields;

    private PartClassReader(Fields fields) {
        this.fields = fields;
    }

    /** Notes every problem in the list; the class is only good when none was added. */
    static PartClass read(JsonNode tree, List<Problem> problems) {
        return read(new Fields(tree, "", problems));
    }

    /** As {@link #read(JsonNode, List)}, from within another file. */
    static PartClass read(Fields definition) {
        return new PartClassReader(definition).read();
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
                fields.objects("supplies").stream().map(SupplyFields::supply).toList(),
                fields.objects("outputs").stream().map(SupplyFields::output).toList(),
                fields.objects("io").stream().map(PartClassReader::family).toList(),
                fields.objects("currents").stream().map(SupplyFields::mode).toList(),
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
                fields.object("spi").map(BusFields::spi),
                fields.object("i2c").map(BusFields::i2c),
                fields.object("uart").map(BusFields::uart),
                fields.object("pwm").map(BusFields::pwm),
                fields.object("controller").map(ControllerFields::controller),
                analog(),
                demands(),
                handling(pins),
                fields.texts("cautions"));
        check(cls);
        new ClassCheck(fields, cls).check();
        return cls;
    }

    private <E extends Enum<E>> E word(String key, E[] values, E standIn) {
        return word(fields, key, values, standIn);
    }

    static <E extends Enum<E>> E word(Fields from, String key, E[] values, E standIn) {
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

    static String spelled(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private List<Pin> pins() {
        List<Pin> pins = new ArrayList<>();
        Map<String, Integer> inRow = new HashMap<>();
        List<Ability> routes = routes();
        for (Fields pin : fields.objects("pins")) {
            String row = pin.optionalText("row").orElse("single");
            int place = pin.whole("place", 1, MOST_PINS, inRow.merge(row, 1, Integer::sum));
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
            addRouted(routes, can);
            PinUse use = pin.has("is")
                    ? pin.parsed("is", PinUse::parse, USES, PinUse.NONE)
                    : can.isEmpty() ? PinUse.NONE : PinUse.OFFER;
            Need need = pin.has("need") ? word(pin, "need", Need.values(), Need.MUST) : Need.MUST;
            pins.add(new Pin(
                    label(pin),
                    pin.texts("also"),
                    pin.optionalText("number").orElse(""),
                    row,
                    place,
                    pin.whole("header", 0, MOST_PINS, 0),
                    use,
                    need,
                    pin.texts("wanted_with"),
                    pin.optionalText("unless"),
                    pin.optionalText("io").orElse(""),
                    pin.flag("timed", false),
                    pin.has("shortest")
                            ? Optional.of(pin.quantity("shortest", Unit.SECOND, "350 ns"))
                            : Optional.empty(),
                    ControllerFields.clock(pin, "up_to"),
                    pin.has("inner") ? Optional.of(pin.quantity("inner", Unit.OHM, "10 kΩ")) : Optional.empty(),
                    pin.flag("shared", false),
                    resting(pin),
                    SupplyFields.contact(pin),
                    can));
        }
        return pins;
    }

    private static Resting resting(Fields pin) {
        Resting.State atReset = state(pin, "reset", Resting.State.FLOATS);
        return new Resting(atReset, state(pin, "starting", atReset));
    }

    private static Resting.State state(Fields pin, String key, Resting.State otherwise) {
        return pin.has(key) ? word(pin, key, Resting.State.values(), otherwise) : otherwise;
    }

    private List<Ability> routes() {
        List<Ability> routes = new ArrayList<>();
        fields.object("controller").ifPresent(controller -> {
            for (String bus : controller.texts("routes")) {
                Ability.parse(bus + ".x")
                        .filter(ability -> ability.kind() == Ability.Kind.I2C || ability.kind() == Ability.Kind.UART)
                        .ifPresentOrElse(
                                routes::add,
                                () -> controller.problem(
                                        "routes",
                                        Fact.of("problem.expected_value")
                                                .with("example", "i2c0, uart1")
                                                .with("found", bus)));
            }
        });
        return routes;
    }

    /** Buses that the board can lead to any of its plain pins; a pin that cannot drive only hears. */
    private static void addRouted(List<Ability> routes, List<Ability> can) {
        boolean isPlain = can.stream().anyMatch(ability -> ability.kind() == Ability.Kind.DIGITAL)
                && can.stream().noneMatch(ability -> ability.kind() == Ability.Kind.CONSOLE);
        if (!isPlain) {
            return;
        }
        boolean isMute = can.stream().anyMatch(ability -> ability.kind() == Ability.Kind.INPUT_ONLY);
        for (Ability bus : routes) {
            for (String line : bus.kind() == Ability.Kind.I2C ? List.of("sda", "scl") : List.of("rx", "tx")) {
                Ability led = new Ability(bus.kind(), bus.unit(), line);
                if (!can.contains(led) && (!isMute || line.equals("rx"))) {
                    can.add(led);
                }
            }
        }
    }

    /** A board has its converters among what only a board has, any other part beside its pins. */
    private List<AnalogGroup> analog() {
        return Stream.concat(fields.object("controller").stream(), Stream.of(fields))
                .flatMap(from -> from.objects("analog").stream())
                .map(ControllerFields::analogGroup)
                .toList();
    }

    private Demands demands() {
        return new Demands(
                fields.objects("bursts").stream().map(BusFields::burst).toList(),
                fields.objects("pin_loads").stream().map(BusFields::pinLoad).toList(),
                fields.objects("turned_down").stream()
                        .map(lower -> new Reduction(
                                lower.text("name"),
                                lower.text("supply"),
                                lower.text("mode"),
                                lower.quantity("current", Unit.AMPERE, CURRENT)))
                        .toList(),
                fields.texts("claims"),
                fields.object("takes")
                        .map(takes -> memory(takes, "ram", "flash"))
                        .orElse(Memory.NONE),
                fields.object("turn").map(PartClassReader::turn).orElse(Turn.NONE));
    }

    private static Turn turn(Fields turn) {
        return new Turn(
                turn.whole("bytes", 0, MOST_BYTES, 0),
                time(turn, "waits").orElse(TimeSpan.ZERO),
                turn.flag("fetched_later", false),
                time(turn, "holds").orElse(TimeSpan.ZERO),
                ControllerFields.clock(turn, "polls"),
                time(turn, "bears"));
    }

    private static Optional<TimeSpan> time(Fields from, String key) {
        return from.has(key) ? Optional.of(from.quantity(key, Unit.SECOND, "20 ms")) : Optional.empty();
    }

    private static Screen screen(Fields screen) {
        return new Screen(
                screen.whole("columns", 1, MOST_DOTS, 1),
                screen.whole("rows", 1, MOST_DOTS, 1),
                screen.whole("bits", 0, 32, 0),
                screen.optionalText("lacks").orElse(""));
    }

    /** Whole bytes. */
    /** As it is printed on the part. It is a word in ids of wires, and what parts such ids is no letter of it. */
    private static String label(Fields pin) {
        String label = pin.text("label");
        if (pin.has("label") && !LABEL.matcher(label).matches()) {
            pin.problem("label", Fact.of("problem.bad_label").with("found", label));
        }
        return label;
    }

    static Memory memory(Fields from, String ram, String flash) {
        return new Memory(DataSize.ofBytes(from.wholeFrom(ram, 0)), DataSize.ofBytes(from.wholeFrom(flash, 0)));
    }

    private Handling handling(List<Pin> pins) {
        return new Handling(
                fields.texts("does"),
                fields.object("make").map(PartClassReader::make).orElse(Make.USUAL),
                fields.object("outline").map(OutlineFields::outline).orElseGet(() -> Outline.usual(pins)),
                fields.objects("wake").stream()
                        .flatMap(check -> WakeFields.check(check).stream())
                        .toList(),
                fields.objects("unpowered").stream()
                        .map(between -> new Unpowered(
                                between.text("from"),
                                between.text("to"),
                                between.<Resistance>figure("ohms", Unit.OHM, "10 kΩ")
                                        .range()))
                        .toList(),
                WakeFields.benches(fields),
                fields.flag("may_carry_mains", false),
                fields.optionalText("programs"),
                fields.object("air")
                        .map(air -> new Air(
                                air.text("kind"),
                                word(air, "way", Air.Way.values(), Air.Way.BOTH),
                                air.optionalText("antenna")
                                        .filter("apart"::equals)
                                        .isPresent())),
                fields.object("screen").map(PartClassReader::screen),
                fields.object("frame").map(frame -> new Frame(bits(frame, "before"), bits(frame, "after"))),
                fields.object("routine").map(RoutineFields::routine).orElse(Routine.NONE),
                fields.optionalText("on_bridge"),
                hazards());
    }

    private Set<Hazard> hazards() {
        Set<Hazard> hazards = EnumSet.noneOf(Hazard.class);
        for (String name : fields.texts("hazards")) {
            Arrays.stream(Hazard.values())
                    .filter(hazard -> hazard.text().equals(name))
                    .findFirst()
                    .ifPresentOrElse(
                            hazards::add,
                            () -> fields.problem(
                                    "hazards",
                                    Fact.of("problem.expected_value")
                                            .with("found", name)
                                            .with(
                                                    "example",
                                                    Arrays.stream(Hazard.values())
                                                            .map(Hazard::text)
                                                            .collect(Collectors.joining(", ")))));
        }
        return hazards;
    }

    private static Make make(Fields make) {
        return new Make(
                make.has("form") ? word(make, "form", Make.Form.values(), Make.Form.READY) : Make.Form.READY,
                make.has("pitch") ? Optional.of(make.quantity("pitch", Unit.METRE, "1.27 mm")) : Optional.empty(),
                make.flag("header_loose", false),
                make.objects("around").stream().map(PartClassReader::fitting).toList());
    }

    private static Fitting fitting(Fields fitting) {
        Fitting.Sort sort = word(fitting, "part", Fitting.Sort.values(), Fitting.Sort.RESISTOR);
        return new Fitting(
                sort, fitting.quantity("value", sort.unit(), sort.example()), fitting.text("from"), fitting.text("to"));
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
                family.threshold("voh_light").or(() -> light(family)),
                family.threshold("vol_light").or(() -> lightLow(family)),
                family.threshold("voh_max"),
                family.threshold("absolute_max").orElseGet(() -> {
                    // The usual clamp diode: a pin survives three tenths of a volt above its own supply.
                    return new Threshold(1, Voltage.ofMillivolts(300));
                }),
                family.threshold("recommended_max"),
                family.has("pin_current")
                        ? Optional.of(family.quantity("pin_current", Unit.AMPERE, CURRENT))
                        : Optional.empty(),
                family.has("source_current")
                        ? Optional.of(family.quantity("source_current", Unit.AMPERE, CURRENT))
                        : Optional.empty(),
                family.has("unpowered_max")
                        ? Optional.of(family.quantity("unpowered_max", Unit.VOLT, VOLTS))
                        : Optional.empty(),
                Source.CLASS);
    }

    /**
     * Into inputs, which take microamperes, a transistor output that pushes and pulls is within a tenth of a volt of its
     * supply, by the curves of any data sheet. One whose high is a voltage of its own stays at that.
     */
    private static Optional<Threshold> light(Fields family) {
        return family.threshold("voh").map(rated -> {
            Threshold close = new Threshold(1, LIGHT.times(-1));
            boolean hangsOnSupply = rated.share() > 0;
            return hangsOnSupply && rated.at(Voltage.ofVolts(1)).isBelow(close.at(Voltage.ofVolts(1))) ? close : rated;
        });
    }

    private static Optional<Threshold> lightLow(Fields family) {
        boolean isPushed = family.has("voh") && !family.flag("open_drain", false);
        return isPushed
                ? family.threshold("vol")
                        .map(rated -> rated.at(Voltage.ofVolts(1)).isAbove(LIGHT) ? Threshold.fixed(LIGHT) : rated)
                : Optional.empty();
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
        cls.controller().stream()
                .flatMap(board -> board.drivers().stream())
                .flatMap(driver -> driver.pins().stream())
                .forEach(pin -> requirePin(cls, "controller", pin));
        cls.controller().stream().flatMap(board -> board.programs().stream()).forEach(way -> {
            way.lines().values().forEach(pin -> requirePin(cls, "controller", pin));
            way.held().ifPresent(pin -> requirePin(cls, "controller", pin));
        });
        cls.supplies().forEach(supply -> requirePin(cls, "supplies", supply.pin()));
        cls.outputs().stream()
                .flatMap(output -> output.contact().stream())
                .forEach(contact -> requirePin(cls, "outputs", contact.by()));
        cls.pins().stream()
                .flatMap(pin -> pin.contact().stream())
                .forEach(contact -> requirePin(cls, "pins", contact.by()));
        cls.pins().stream()
                .flatMap(pin -> Stream.concat(pin.wantedWith().stream(), pin.unless().stream()))
                .forEach(other -> requirePin(cls, "pins", other));
        cls.pulls().forEach(pull -> requirePin(cls, "pull_ups", pull.pin()));
        cls.demands().pinLoads().forEach(load -> {
            requirePin(cls, "pin_loads", load.pin());
            load.from().ifPresent(pin -> requirePin(cls, "pin_loads", pin));
        });
        cls.i2c().stream().flatMap(need -> need.strapPins().stream()).forEach(pin -> requirePin(cls, "i2c", pin));
        cls.handling().checks().stream()
                .flatMap(wake -> wake.pins().stream())
                .forEach(pin -> requirePin(cls, "wake", pin));
        cls.handling()
                .routine()
                .steps()
                .flatMap(step -> step.pins().stream())
                .forEach(pin -> requirePin(cls, "routine", pin));
        cls.handling().unpowered().forEach(between -> {
            requirePin(cls, "unpowered", between.from());
            requirePin(cls, "unpowered", between.to());
        });
        cls.decoupling().forEach(wanted -> requirePin(cls, "decoupling", wanted.pin()));
        cls.handling().make().around().forEach(fitting -> {
            requirePin(cls, "make", fitting.from());
            requirePin(cls, "make", fitting.to());
        });
        cls.supplies().stream()
                .flatMap(supply -> supply.with().stream())
                .filter(with -> cls.supply(with).isEmpty())
                .forEach(with -> fields.problem(
                        "supplies", Fact.of("problem.no_supply_pin").with("found", with)));
        Set<String> supplies = new HashSet<>();
        cls.supplies().forEach(supply -> supplies.add(supply.pin()));
        cls.outputs().forEach(output -> supplies.add(output.pin()));
        cls.io().forEach(family -> requireSupply(supplies, "io", family.supply()));
        cls.modes().forEach(mode -> requireSupply(supplies, "currents", mode.supply()));
        cls.bursts().forEach(burst -> requireSupply(supplies, "bursts", burst.supply()));
        cls.demands().reductions().forEach(lower -> requireSupply(supplies, "turned_down", lower.supply()));
    }

    private void requireSupply(Set<String> supplies, String key, String label) {
        if (!supplies.contains(label)) {
            fields.problem(key, Fact.of("problem.no_supply_pin").with("found", label));
        }
    }

    private void requirePin(PartClass cls, String key, String label) {
        // A port with a cable has a supply in name only.
        if (!cls.pins().isEmpty() && cls.pin(label).isEmpty()) {
            fields.problem(key, Fact.of("problem.no_pin").with("pin", label).with("class", cls.name()));
        }
    }

    /** Zeros and ones, of which a converter is sent at most {@link Frame#MOST_BITS} beside its code. */
    private static String bits(Fields frame, String key) {
        String text = frame.text(key);
        if (text.matches("[01]{0," + Frame.MOST_BITS + "}")) {
            return text;
        }
        frame.problem(
                key, Fact.of("problem.expected_value").with("example", "0011").with("found", text));
        return "";
    }
}
