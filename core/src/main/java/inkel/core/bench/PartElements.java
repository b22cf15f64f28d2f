package inkel.core.bench;

import inkel.core.bench.net.Element;
import inkel.core.catalog.Contact;
import inkel.core.catalog.Mode;
import inkel.core.catalog.Output;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinLoad;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Pull;
import inkel.core.catalog.Settings;
import inkel.core.catalog.Supply;
import inkel.core.catalog.Unpowered;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Switched;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.quantity.Current;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Range;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What a part is in the network: what it takes, gives, and has on its pins. */
final class PartElements {
    /** How the names of regulators that make rails end. */
    static final String REGULATES = "regulates";

    private final NodeCircuit node;
    private final Placed placed;
    private final Scene scene;
    private final BenchModel.Builder model;
    private final String ground;
    private final String name;

    PartElements(NodeCircuit node, Placed placed, Scene scene, BenchModel.Builder model) {
        this.node = node;
        this.placed = placed;
        this.scene = scene;
        this.model = model;
        ground = Ends.ground(node, placed.id());
        name = node.node().id() + " " + placed.id();
    }

    /** @param wired labels of pins that a wire of this state ends at; what is on the others moves nothing */
    void add(Set<String> wired) {
        if (!scene.isOn()) {
            unpowered();
        }
        placed.cls().supplies().forEach(this::load);
        placed.cls().outputs().forEach(this::output);
        addWired(wired);
    }

    /** What is on pins that a wire ends at. */
    void addWired(Set<String> wired) {
        // Those that the builder adds are in the list of wires.
        placed.ownPullUps().stream().filter(pull -> wired.contains(pull.pin())).forEach(this::pull);
        if (scene.isOn()) {
            wired.forEach(label -> Resistive.add(model, placed, label, key(label, "resistance"), this::inside));
        }
        placed.cls().demands().pinLoads().stream()
                .filter(load -> wired.contains(load.pin()))
                .forEach(this::lamp);
        placed.cls().pins().stream()
                .filter(pin -> wired.contains(pin.label()))
                .filter(pin -> pin.use().isSignal() || pin.use().isWay() || pin.use() == PinUse.OFFER)
                .forEach(pin -> new PinElements(node, placed, pin, scene, model).add());
    }

    /** What a meter finds while all power is off: what the class tells, and something at every supply and rail. */
    private void unpowered() {
        for (Unpowered told : placed.cls().handling().unpowered()) {
            String slot = name + "." + told.from() + " off " + told.to();
            model.resistor(slot, inside(told.from()), inside(told.to()), Unknown.of(slot, told.ohms(), Source.CLASS));
        }
        for (Pin pin : placed.cls().pins()) {
            boolean isSupply = pin.use() == PinUse.SUPPLY || pin.use() == PinUse.RAIL;
            boolean isTold = placed.cls().handling().unpowered().stream()
                    .anyMatch(
                            told -> told.from().equals(pin.label()) || told.to().equals(pin.label()));
            if (isSupply && !isTold && hasGround()) {
                String slot = key(pin.label(), "off");
                model.resistor(slot, inside(pin.label()), ground, Assumed.unpowered(slot));
            }
        }
    }

    private String inside(String label) {
        boolean isGround = placed.cls()
                .pin(label)
                .filter(pin -> pin.use() == PinUse.GROUND)
                .isPresent();
        return isGround ? ground : Ends.pin(node, placed, label);
    }

    private boolean hasGround() {
        return placed.cls().pins().stream().anyMatch(pin -> pin.use() == PinUse.GROUND);
    }

    private String key(String pin, String what) {
        return name + "." + pin + " " + what;
    }

    private void load(Supply supply) {
        Optional<Mode> mode =
                Resting.mode(placed, supply, Optional.ofNullable(scene.modes().get(place())));
        if (mode.isEmpty() || !hasGround() || !scene.isOn()) {
            return;
        }
        Unknown amperes =
                amperes(key(supply.pin(), mode.get().name()), mode.get().current());
        if (amperes.high() <= 0) {
            return;
        }
        int plus = model.point(Ends.pin(node, placed, supply.pin()));
        int minus = model.point(ground);
        int figure = model.figure(amperes);
        double least = Math.max(supply.range().range().lowest().volts(), Assumed.LEAST_SUPPLY_VOLTS);
        model.add(
                Ends.takes(node, new Endpoint(placed.id(), supply.pin())),
                figures -> new Element.Load(plus, minus, figures[figure], least),
                figure);
    }

    private Place place() {
        return Place.ofPart(node.node().id(), placed.id());
    }

    /** What a part takes: a class tells the most and the usual, hardly ever the least. */
    private static Unknown amperes(String key, Figure<Current> figure) {
        Range<Current> range = figure.range();
        double usual = range.expected().amperes();
        double least = range.min() == null
                ? usual * Assumed.LEAST_CURRENT
                : range.min().amperes();
        return new Unknown(key, Math.min(least, usual), usual, range.highest().amperes(), figure.source());
    }

    private void output(Output output) {
        String out = Ends.pin(node, placed, output.pin());
        if (output.way() == Output.Way.SOURCE) {
            source(output, out);
            return;
        }
        String in = Ends.pin(node, placed, output.from().orElse(output.pin()));
        if (output.way() != Output.Way.PASS && !scene.isOn()) {
            return;
        }
        switch (output.way()) {
            case PASS -> pass(output, in, out);
            case LINEAR -> linear(output, in, out);
            default -> switching(output, in, out);
        }
    }

    private void source(Output output, String out) {
        boolean isLead = placed.own(Settings.RAIL).isPresent();
        if (isLead || !scene.isOn()) {
            return;
        }
        Optional<Range<Voltage>> volts =
                node.rail(new Endpoint(placed.id(), output.pin())).flatMap(rail -> rail.volts());
        if (volts.isEmpty()) {
            return;
        }
        boolean isSet = placed.own(Settings.VOLTS).isPresent();
        String key = key(output.pin(), "volts");
        int given = model.figure(
                isSet
                        ? new Unknown(
                                key,
                                volts.get().lowest().volts() * (1 - Assumed.SET_VOLTS),
                                volts.get().expected().volts(),
                                volts.get().highest().volts() * (1 + Assumed.SET_VOLTS),
                                Source.YOURS)
                        : Unknown.of(key, volts.get(), Source.CLASS));
        double inner = output.battery().map(battery -> battery.inner().ohms()).orElse(Assumed.SOURCE_OHMS);
        int ohms = model.figure(Assumed.roughly(key(output.pin(), "inner"), inner));
        double most = output.battery().isPresent()
                ? Double.POSITIVE_INFINITY
                : model.twist().limit(Ends.gives(node, new Endpoint(placed.id(), output.pin())), limit(output));
        int minus = model.point(ground);
        int plus = model.point(out);
        model.resistor(
                key(output.pin(), "bleeds"),
                out,
                ground,
                Assumed.roughly(key(output.pin(), "bleed"), Assumed.BLEED_OHMS));
        model.add(
                Ends.gives(node, new Endpoint(placed.id(), output.pin())),
                figures -> new Element.Source(
                        minus,
                        plus,
                        figures[given],
                        figures[ohms],
                        most,
                        output.battery().isPresent()),
                given,
                ohms);
    }

    private void pass(Output output, String in, String out) {
        if (output.contact().filter(contact -> !isClosed(contact)).isPresent()) {
            return;
        }
        if (output.drop().isPresent()) {
            model.diode(
                    key(output.pin(), "diode"),
                    in,
                    out,
                    Unknown.of(key(output.pin(), "drop"), output.drop().get(), Source.CLASS),
                    Assumed.PASS_OHMS);
            // Without anything behind it a diode would seem to lose nothing.
            if (hasGround()) {
                model.resistor(
                        key(output.pin(), "bleeds"),
                        out,
                        ground,
                        Assumed.roughly(key(output.pin(), "bleed"), Assumed.BEHIND_DIODE_OHMS));
            }
        } else {
            model.resistor(key(output.pin(), "passes"), in, out, Assumed.pass(key(output.pin(), "way")));
        }
    }

    /** The volts of an output; of what the class tells, since what comes in is in the network. */
    private Optional<Unknown> volts(Output output) {
        return output.volts().map(figure -> Unknown.of(key(output.pin(), "volts"), figure.range(), figure.source()));
    }

    private double limit(Output output) {
        return output.rating().range().lowest().amperes() * Assumed.LIMIT_OVER_RATING;
    }

    private boolean isClosed(Contact contact) {
        return isClosed(node, placed, scene, contact);
    }

    /** Whether a contact of a part is closed in a state of the bench. */
    static boolean isClosed(NodeCircuit node, Placed placed, Scene scene, Contact contact) {
        return contact.isClosed(scene.isOn()
                && Switched.of(node, placed.id(), contact)
                        .filter(by ->
                                scene.driven().get(node.place(by.driver())) == (by.isHigh() ? Drives.HIGH : Drives.LOW))
                        .isPresent());
    }

    private void linear(Output output, String in, String out) {
        volts(output).ifPresent(volts -> {
            int figure = model.figure(volts);
            int from = model.point(in);
            int to = model.point(out);
            int minus = model.point(ground);
            double dropout = output.regulator().dropout().map(Voltage::volts).orElse(0.0);
            double heat = Heat.most(output.regulator());
            if (from != to) {
                model.add(
                        key(output.pin(), REGULATES),
                        figures -> new Element.LinearRegulator(
                                from,
                                to,
                                minus,
                                figures[figure],
                                dropout,
                                Assumed.REGULATOR_OHMS,
                                output.own().amperes(),
                                limit(output),
                                heat),
                        figure);
            }
        });
    }

    private void switching(Output output, String in, String out) {
        volts(output).ifPresent(volts -> {
            int figure = model.figure(volts);
            double usual =
                    output.regulator().efficiency().map(share -> share.ratio()).orElse(1.0);
            int efficiency = model.figure(Assumed.efficiency(key(output.pin(), "efficiency"), usual));
            int from = model.point(in);
            int to = model.point(out);
            int minus = model.point(ground);
            double least = Math.max(
                    placed.cls()
                            .supply(output.from().orElse(""))
                            .map(supply -> supply.range().range().lowest().volts())
                            .orElse(Assumed.LEAST_SUPPLY_VOLTS),
                    Assumed.LEAST_SUPPLY_VOLTS);
            if (from != to) {
                model.add(
                        key(output.pin(), REGULATES),
                        figures -> new Element.SwitchingRegulator(
                                from,
                                to,
                                minus,
                                figures[figure],
                                least,
                                figures[efficiency],
                                Assumed.REGULATOR_OHMS,
                                output.own().amperes(),
                                limit(output)),
                        figure,
                        efficiency);
            }
        });
    }

    /** A pull-up that reaches lower than its supply pin has a regulator of the part behind it. */
    private void pull(Pull pull) {
        String supply = Ends.pin(node, placed, pull.supply());
        String pin = Ends.pin(node, placed, pull.pin());
        Unknown ohms =
                Assumed.roughly(key(pull.pin(), "pull-up"), pull.resistance().ohms());
        if (pull.volts().isPresent()) {
            String behind = Ends.inside(node, new Endpoint(placed.id(), pull.supply()), "regulated");
            regulated(supply, behind, pull.volts().get().volts());
            model.resistor(key(pull.pin(), "pull"), behind, pin, ohms);
        } else {
            model.resistor(key(pull.pin(), "pull"), supply, pin, ohms);
        }
    }

    private void regulated(String supply, String behind, double volts) {
        String slot = name + " inner regulator " + behind;
        if (!model.has(slot)) {
            int figure = model.figure(Assumed.innerVolts(slot + " volts", volts));
            int from = model.point(supply);
            int to = model.point(behind);
            int minus = model.point(ground);
            model.add(
                    slot,
                    figures -> new Element.LinearRegulator(
                            from,
                            to,
                            minus,
                            figures[figure],
                            Assumed.INNER_DROPOUT,
                            Assumed.INNER_OHMS,
                            0,
                            Assumed.SMALL_LIMIT,
                            Double.POSITIVE_INFINITY),
                    figure);
        }
    }

    /** A lamp, or a winding, that a pin drives. */
    private void lamp(PinLoad load) {
        String pin = Ends.pin(node, placed, load.pin());
        Optional<String> from = placed.cls().hangsOn(load);
        String other = from.map(supply -> Ends.pin(node, placed, supply)).orElse(ground);
        boolean isUp = from.isPresent();
        if (load.sort() == PinLoad.Sort.LED && load.forward().isPresent()) {
            Unknown forward =
                    Unknown.of(key(load.pin(), "forward"), load.forward().get(), Source.CLASS);
            model.diode(key(load.pin(), "lamp"), isUp ? other : pin, isUp ? pin : other, forward, Assumed.LAMP_OHMS);
        } else if (load.sort() != PinLoad.Sort.WINDING) {
            ohms(load).ifPresent(ohms -> model.resistor(key(load.pin(), "coil"), pin, other, ohms));
        }
    }

    /** A winding by the meter's reading, where the class tells it; else by what it takes at what it is fed with. */
    private Optional<Unknown> ohms(PinLoad load) {
        List<Unpowered> told = placed.cls().handling().unpowered();
        return told.stream()
                .filter(entry -> entry.to().equals(load.pin()) || entry.from().equals(load.pin()))
                .findFirst()
                .map(entry -> Unknown.of(key(load.pin(), "ohms"), entry.ohms(), Source.CLASS))
                .or(() -> usualVolts()
                        .map(volts -> Assumed.roughly(
                                key(load.pin(), "ohms"),
                                volts / load.current().range().highest().amperes())));
    }

    private Optional<Double> usualVolts() {
        return placed.cls().supplies().stream()
                .findFirst()
                .map(supply -> supply.range().range().expected().volts());
    }
}
