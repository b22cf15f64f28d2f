package inkel.core.bench;

import inkel.core.bench.net.Element;
import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.WakeCheck;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.quantity.Range;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Share;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import java.util.Optional;

/** What is on a signal pin: an input's leakage and clamps, an output's volts behind its resistance. */
final class PinElements {
    private final NodeCircuit node;
    private final Placed placed;
    private final Pin pin;
    private final Scene scene;
    private final BenchModel.Builder model;
    private final String at;
    private final String ground;
    private final String key;

    PinElements(NodeCircuit node, Placed placed, Pin pin, Scene scene, BenchModel.Builder model) {
        this.node = node;
        this.placed = placed;
        this.pin = pin;
        this.scene = scene;
        this.model = model;
        at = Ends.pin(node, placed, pin.label());
        ground = Ends.ground(node, placed.id());
        key = node.node().id() + " " + placed.endpoint(pin) + " ";
    }

    void add() {
        Optional<IoFamily> family = placed.cls().io(pin);
        if (family.isEmpty() || placed.cls().pins().stream().noneMatch(any -> any.use() == PinUse.GROUND)) {
            return;
        }
        String supply = Ends.pin(node, placed, family.get().supply());
        input(family.get(), supply);
        Place place = Place.of(node.node().id(), placed.endpoint(pin));
        Drives rest = scene.driven().getOrDefault(place, Drives.atRest(placed, pin));
        Drives drives = pin.contact()
                .map(contact -> PartElements.isClosed(node, placed, scene, contact) ? Drives.LOW : Drives.NOTHING)
                .orElse(rest);
        if (!scene.isOn()) {
            return;
        }
        if (drives == Drives.HIGH) {
            high(family.get(), supply);
        } else if (drives == Drives.LOW) {
            model.resistor(key + "low", at, ground, output(low(family.get())));
        }
        volts().ifPresent(this::steady);
        placed.cls().handling().checks().stream()
                .filter(WakeCheck.Rests.class::isInstance)
                .map(WakeCheck.Rests.class::cast)
                .filter(rests -> rests.pin().equals(pin.label()))
                .forEach(rests -> rests(supply, rests.share()));
        Optional.ofNullable(scene.codes().get(place)).ifPresent(share -> follower(supply, share));
    }

    /** What a code makes of the reference. */
    private void follower(String reference, double share) {
        follower(reference, model.figure(Assumed.code(key + "code " + share, share)), Assumed.OUTPUT_OHMS);
    }

    /** What a slider, or whatever divides a supply, leaves of it. */
    private void rests(String reference, Range<Share> share) {
        int given = model.figure(Unknown.of(key + "rest", share, Source.CLASS));
        follower(reference, given, pin.inner().map(Resistance::ohms).orElse(Assumed.OUTPUT_OHMS));
    }

    private void follower(String reference, int given, double usualOhms) {
        int ohms = model.figure(output(usualOhms));
        int from = model.point(reference);
        int to = model.point(at);
        int minus = model.point(ground);
        model.add(
                key + "gives",
                figures -> new Element.Follower(from, to, minus, figures[given], figures[ohms]),
                given,
                ohms);
    }

    private void input(IoFamily family, String supply) {
        leak(key + "to supply", supply);
        leak(key + "to ground", ground);
        knee(family)
                .ifPresent(volts -> model.diode(
                        key + "upper clamp", at, supply, Assumed.knee(key + "upper knee", volts), Assumed.CLAMP_OHMS));
        model.diode(
                key + "lower clamp",
                ground,
                at,
                Assumed.knee(key + "lower knee", Assumed.CLAMP_VOLTS),
                Assumed.CLAMP_OHMS);
    }

    /** By what leaks at a volt, since readings follow that and not the resistance. */
    private void leak(String slot, String to) {
        int figure = model.figure(Assumed.leak(slot + " leak"));
        int from = model.point(at);
        int other = model.point(to);
        if (from != other) {
            model.add(slot, figures -> new Element.Resistor(from, other, 1 / figures[figure]), figure);
        }
    }

    /**
     * From where its upper clamp carries current, above its own supply. A pin whose limit does not hang on its supply has
     * none, unless the class says that it bears next to nothing while that is off.
     */
    private Optional<Double> knee(IoFamily family) {
        boolean hangsOnSupply = family.absoluteMax().share() > 0;
        boolean bearsNothing = family.bearsUnpowered().volts() < 1;
        if (!hangsOnSupply && !bearsNothing) {
            return Optional.empty();
        }
        double supplied = node.ioVolts(placed.endpoint(pin))
                .map(volts -> volts.expected().volts())
                .orElse(0.0);
        double above = family.absoluteMax().at(Voltage.ofVolts(supplied)).volts() - supplied;
        return Optional.of(hangsOnSupply ? Assumed.CLAMP_VOLTS : Math.max(Assumed.CLAMP_VOLTS, above));
    }

    private Unknown output(double ohms) {
        return Assumed.output(key + "output", ohms);
    }

    /** Volts that the class tells for a current, less what it drives to when next to nothing flows. */
    private double low(IoFamily family) {
        return ohms(family, family.vol().map(vol -> vol.at(supplied()).volts()));
    }

    private Voltage supplied() {
        return node.ioVolts(placed.endpoint(pin)).map(Range::expected).orElse(Voltage.ZERO);
    }

    private double ohms(IoFamily family, Optional<Double> volts) {
        // A transistor that is made for a load is no pin of a chip.
        double least = pin.contact().isPresent() ? Assumed.TRANSISTOR_OHMS : Assumed.LEAST_OUTPUT_OHMS;
        return volts.isEmpty() || family.pinCurrent().isEmpty()
                ? Assumed.OUTPUT_OHMS
                : Math.min(
                        Assumed.MOST_OUTPUT_OHMS,
                        Math.max(least, volts.get() / family.pinCurrent().get().amperes()));
    }

    private void high(IoFamily family, String supply) {
        double top = family.highest(supplied()).volts();
        Optional<Double> lost =
                family.voh().map(voh -> Math.max(0, top - voh.at(supplied()).volts()));
        int ohms = model.figure(output(ohms(family, lost)));
        int from = model.point(supply);
        int to = model.point(at);
        int minus = model.point(ground);
        if (family.vohMax().isEmpty()) {
            model.add(key + "high", figures -> new Element.Resistor(from, to, figures[ohms]), ohms);
        } else {
            int volts = model.figure(Assumed.topVolts(key + "high volts", top));
            model.add(
                    key + "high",
                    figures -> new Element.LinearRegulator(
                            from,
                            to,
                            minus,
                            figures[volts],
                            0,
                            figures[ohms],
                            0,
                            Assumed.SMALL_LIMIT,
                            Double.POSITIVE_INFINITY),
                    ohms,
                    volts);
        }
    }

    /** A voltage that the class tells of the pin. */
    private Optional<Range<Voltage>> volts() {
        return placed.cls().handling().checks().stream()
                .filter(WakeCheck.Volts.class::isInstance)
                .map(WakeCheck.Volts.class::cast)
                .filter(check -> check.pin().equals(pin.label()))
                .map(WakeCheck.Volts::range)
                .findFirst();
    }

    private void steady(Range<Voltage> range) {
        int volts = model.figure(Unknown.of(key + "volts", range, Source.CLASS));
        double ohms = pin.inner().map(inner -> inner.ohms()).orElse(Assumed.OUTPUT_OHMS);
        int from = model.point(Ends.pin(
                node,
                new Endpoint(placed.id(), placed.cls().io(pin).orElseThrow().supply())));
        int to = model.point(at);
        int minus = model.point(ground);
        model.add(
                key + "gives",
                figures -> new Element.LinearRegulator(
                        from, to, minus, figures[volts], 0, ohms, 0, Assumed.SMALL_LIMIT, Double.POSITIVE_INFINITY),
                volts);
    }
}
