package inkel.core.io.catalog;

import inkel.core.catalog.Ability;
import inkel.core.catalog.ClockChoice;
import inkel.core.catalog.IoFamily;
import inkel.core.catalog.LinePair;
import inkel.core.catalog.Outline;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Supply;
import inkel.core.catalog.UartNeed;
import inkel.core.io.json.Fields;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Voltage;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** What no class can be, whoever writes it: one leg in two hands, a pull-up to nowhere, limits under what they limit. */
final class ClassCheck {
    private final Fields fields;
    private final PartClass cls;

    ClassCheck(Fields fields, PartClass cls) {
        this.fields = fields;
        this.cls = cls;
    }

    void check() {
        legs();
        outline();
        supplies();
        cls.io().forEach(this::levels);
        buses();
        sinks();
        longLine();
        cls.controller().ifPresent(board -> board.clocks().forEach(this::clock));
    }

    /** A clock that wants more than a supply usually has is none to choose. */
    private void clock(ClockChoice choice) {
        choice.worksFrom().ifPresent(least -> cls.supplies().stream()
                .filter(supply -> least.isAbove(supply.range().range().expected()))
                .findFirst()
                .ifPresent(supply -> fields.problem(
                        "controller",
                        Fact.of("problem.works_from")
                                .with("clock", choice.name())
                                .with("pin", supply.pin())
                                .with("least", least)
                                .with("usual", supply.range().range().expected()))));
    }

    /** What lets a load go to ground is moved by an input and has levels; nothing else is moved. */
    private void sinks() {
        for (int i = 0; i < cls.pins().size(); i++) {
            Pin pin = cls.pins().get(i);
            boolean isSink = pin.can(Ability.Kind.SINK);
            if (isSink != pin.contact().isPresent() || isSink && cls.io(pin).isEmpty()) {
                fields.problem(
                        "pins", String.valueOf(i), Fact.of("problem.sink").with("pin", pin.label()));
            }
        }
    }

    /** The two wires of a long line are two pins that are told as such, and no others are. */
    private void longLine() {
        List<String> told = cls.pins().stream()
                .filter(pin -> pin.use() == PinUse.LINE)
                .map(Pin::label)
                .sorted()
                .toList();
        Optional<LinePair> pair = cls.uart().flatMap(UartNeed::line);
        List<String> named = pair.map(
                        both -> Stream.of(both.plus(), both.minus()).sorted().toList())
                .orElse(List.of());
        boolean isDriven = pair.flatMap(LinePair::enable)
                .map(label ->
                        cls.pin(label).filter(pin -> pin.use() == PinUse.INPUT).isPresent())
                .orElse(true);
        if (!told.equals(named) || !isDriven) {
            fields.problem("uart", Fact.of("problem.line_pair").with("found", String.join(", ", told)));
        }
    }

    /** Every place of a row, and every printed number, is one pin's. */
    private void legs() {
        Map<String, String> places = new HashMap<>();
        Map<Integer, String> printed = new HashMap<>();
        List<Pin> pins = cls.pins();
        for (int i = 0; i < pins.size(); i++) {
            Pin pin = pins.get(i);
            String leg = pin.row() + " " + pin.place();
            String there = places.putIfAbsent(leg, pin.label());
            if (there != null) {
                taken(i, leg, there, pin);
            } else if (pin.header() > 0 && printed.containsKey(pin.header())) {
                taken(i, String.valueOf(pin.header()), printed.get(pin.header()), pin);
            }
            printed.putIfAbsent(pin.header(), pin.label());
        }
    }

    /** Every row of pins is told of, no two pins are in one spot, and every wire of a lead has a colour or none. */
    private void outline() {
        Outline outline = cls.handling().outline();
        Map<Outline.Spot, String> spots = new HashMap<>();
        Set<String> missing = new HashSet<>();
        for (Pin pin : cls.pins()) {
            Optional<Outline.Spot> spot = outline.spot(pin);
            if (spot.isEmpty()) {
                if (missing.add(pin.row())) {
                    fields.problem("outline", Fact.of("problem.row_not_told").with("row", pin.row()));
                }
                continue;
            }
            String there = spots.putIfAbsent(spot.get(), pin.label());
            if (there != null) {
                fields.problem(
                        "outline",
                        Fact.of("problem.same_spot").with("one", there).with("other", pin.label()));
            }
        }
        for (Outline.Row row : outline.rows()) {
            long pins = cls.pins().stream()
                    .filter(pin -> pin.row().equals(row.name()))
                    .count();
            boolean isColoured = row.colours().isEmpty() || row.colours().size() == pins;
            if (pins == 0 || !isColoured) {
                fields.problem(
                        "outline",
                        Fact.of(pins == 0 ? "problem.row_without_pins" : "problem.colours_of_row")
                                .with("row", row.name())
                                .with("count", pins));
            }
        }
    }

    private void taken(int index, String place, String one, Pin other) {
        fields.problem(
                "pins",
                String.valueOf(index),
                Fact.of("problem.leg_twice")
                        .with("place", place)
                        .with("one", one)
                        .with("other", other.label()));
    }

    private void supplies() {
        Set<String> fed = new HashSet<>();
        cls.supplies().forEach(supply -> fed.add(supply.pin()));
        Set<String> rails = new HashSet<>(fed);
        cls.outputs().forEach(output -> rails.add(output.pin()));
        cls.pulls().stream()
                .filter(pull -> !rails.contains(pull.supply()))
                .forEach(pull -> fields.problem(
                        "pull_ups",
                        Fact.of("problem.pull_to_no_supply")
                                .with("pin", pull.pin())
                                .with("found", pull.supply())));
        cls.outputs().stream()
                .filter(output ->
                        output.from().filter(pin -> !fed.contains(pin)).isPresent())
                .forEach(output -> fields.problem(
                        "outputs",
                        Fact.of("problem.no_supply_pin")
                                .with("found", output.from().orElseThrow())));
        cls.supplies().forEach(supply -> notGround("supplies", supply.pin()));
        cls.outputs().forEach(output -> notGround("outputs", output.pin()));
        for (Supply supply : cls.supplies()) {
            Voltage most = supply.range().range().highest();
            if (most.isAbove(supply.absoluteMax())) {
                fields.problem(
                        "supplies",
                        Fact.of("problem.limit_below")
                                .with("of", supply.pin())
                                .with("limit", supply.absoluteMax())
                                .with("found", most));
            }
        }
    }

    private void notGround(String key, String label) {
        cls.pin(label)
                .filter(pin -> pin.use() == PinUse.GROUND)
                .ifPresent(pin ->
                        fields.problem(key, Fact.of("problem.power_is_ground").with("pin", label)));
    }

    /** A low that is a high, at what the supply usually is. */
    private void levels(IoFamily family) {
        Optional<Voltage> at =
                cls.supply(family.supply()).map(supply -> supply.range().range().expected());
        if (at.isEmpty()) {
            return;
        }
        boolean isReadBoth = family.vih().isPresent()
                && family.vil().isPresent()
                && family.vil().get().at(at.get()).isAbove(family.vih().get().at(at.get()));
        boolean saysBoth = family.voh().isPresent()
                && family.vol().isPresent()
                && family.vol().get().at(at.get()).isAbove(family.voh().get().at(at.get()));
        if (isReadBoth || saysBoth) {
            fields.problem(
                    "io",
                    Fact.of("problem.levels_cross")
                            .with("found", family.name())
                            .with("low", isReadBoth ? "vil" : "vol")
                            .with("high", isReadBoth ? "vih" : "voh"));
        }
    }

    /** A bus without its lines cannot be wired. */
    private void buses() {
        cls.i2c().ifPresent(need -> lines("i2c", PinUse.I2C_SDA, PinUse.I2C_SCL));
        cls.spi().ifPresent(need -> lines("spi", PinUse.SPI_SCK));
    }

    private void lines(String bus, PinUse... wanted) {
        for (PinUse use : wanted) {
            boolean isThere = cls.pins().stream().anyMatch(pin -> pin.use() == use);
            if (!isThere && !cls.pins().isEmpty()) {
                fields.problem(
                        bus, Fact.of("problem.bus_without").with("bus", bus).with("line", use.text()));
            }
        }
    }
}
