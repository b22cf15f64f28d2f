package inkel.core.levels;

import inkel.core.build.Between;
import inkel.core.build.Endpoint;
import inkel.core.build.Place;
import inkel.core.build.Reading;
import inkel.core.build.Wire;
import inkel.core.catalog.IoFamily;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Pull;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.circuit.ShifterSides;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** Works out the links of one node. */
final class NodeLevels {
    private final NodeCircuit node;
    private final List<Link> links = new ArrayList<>();
    private final List<LevelReport.Unknown> unknown = new ArrayList<>();

    private NodeLevels(NodeCircuit node) {
        this.node = node;
    }

    static NodeLevels of(NodeCircuit node) {
        NodeLevels levels = new NodeLevels(node);
        for (Map.Entry<Endpoint, List<Wire>> net : node.nets().entrySet()) {
            List<PullUp> pulls = levels.pullsOf(net.getKey(), net.getValue());
            for (Wire wire : net.getValue()) {
                levels.judge(wire, pulls);
            }
        }
        return levels;
    }

    List<Link> links() {
        return links;
    }

    List<LevelReport.Unknown> unknown() {
        return unknown;
    }

    private void judge(Wire wire, List<PullUp> pulls) {
        PinUse use = node.pin(wire.from()).orElseThrow().use();
        if (use == PinUse.ANALOG) {
            return;
        }
        if (use.drives()) {
            judge(wire, wire.from(), wire.to(), pulls);
        }
        if (use.listens()) {
            judge(wire, wire.to(), wire.from(), pulls);
        }
    }

    private void judge(Wire wire, Endpoint driver, Endpoint receiver, List<PullUp> pulls) {
        Optional<Between> between = node.node().between(wire.from());
        Place signal = node.place(wire.from());
        if (between.isPresent() && between.get() instanceof Between.ShifterWay way) {
            Optional<ShifterSides> sides = ShifterSides.of(node, way, driver, receiver);
            if (sides.isPresent()) {
                link(signal, sides.get().towardsReceiver(), receiver, between, List.of(), 1);
            } else {
                unknown.add(new LevelReport.Unknown(
                        node, signal, Place.ofPart(node.node().id(), way.shifter())));
            }
            return;
        }
        double share = between.filter(Between.Divider.class::isInstance)
                .map(Between.Divider.class::cast)
                .map(divider -> divider.toGround().ohms()
                        / (divider.series().ohms() + divider.toGround().ohms()))
                .orElse(1.0);
        link(signal, driver, receiver, between, pulls, share);
    }

    private void link(
            Place signal,
            Endpoint driver,
            Endpoint receiver,
            Optional<Between> between,
            List<PullUp> pulls,
            double share) {
        Optional<IoFamily> says = node.io(driver);
        Optional<IoFamily> hears = node.io(receiver);
        Optional<Range<Voltage>> hearsAt = node.ioVolts(receiver);
        Optional<Range<Voltage>> saysAt = node.ioVolts(driver);
        if (saysAt.isEmpty() || hearsAt.isEmpty()) {
            return; // an unfed part is a finding of its own
        }
        if (says.flatMap(IoFamily::vol).isEmpty()
                || hears.flatMap(IoFamily::vih).isEmpty()) {
            Endpoint missing = hears.flatMap(IoFamily::vih).isEmpty() ? receiver : driver;
            unknown.add(new LevelReport.Unknown(node, signal, node.place(missing)));
            return;
        }
        boolean isOpenDrain = says.get().openDrain()
                || node.pin(signal.endpoint()).orElseThrow().use().isTwoWay();
        Optional<Driver> high = isOpenDrain && !(between.isPresent() && between.get() instanceof Between.ShifterWay)
                ? Driver.pulled(says.get(), saysAt.get(), pulls, share)
                : Driver.pushed(says.get(), saysAt.get(), share);
        if (high.isEmpty()) {
            return; // nothing makes a high: a finding of its own
        }
        Reading reading = node.reading(signal.endpoint());
        Driver driven = high.get().measured(reading);
        boolean isSameRail = !isOpenDrain
                && node.ioRail(driver)
                        .map(Rail::id)
                        .equals(node.ioRail(receiver).map(Rail::id));
        boolean isPulled = isOpenDrain && !(between.isPresent() && between.get() instanceof Between.ShifterWay);
        links.add(new Link(
                node,
                signal,
                driver,
                receiver,
                between,
                isPulled ? highest(pulls) : Optional.empty(),
                worst(driven, hears.get(), hearsAt.get(), isSameRail)));
    }

    /** The worst of the corners of both supplies; one rail has one voltage at a time. */
    private static LevelCheck worst(Driver driver, IoFamily hears, Range<Voltage> at, boolean isSameRail) {
        LevelCheck low = check(driver, isSameRail ? driver.atLow() : driver, hears, at.lowest());
        LevelCheck high = check(driver, isSameRail ? driver.atHigh() : driver, hears, at.highest());
        LevelCheck highSide = byMargin(low, high, LevelCheck::highMargin);
        LevelCheck lowSide = byMargin(low, high, LevelCheck::lowMargin);
        LevelCheck headSide = byMargin(low, high, LevelCheck::headroom);
        return new LevelCheck(
                highSide.vohMin(),
                headSide.vohMax(),
                lowSide.volMax(),
                highSide.vih(),
                lowSide.vil(),
                headSide.absoluteMax(),
                headSide.recommendedMax(),
                at.expected());
    }

    private static LevelCheck byMargin(
            LevelCheck a, LevelCheck b, java.util.function.Function<LevelCheck, Voltage> margin) {
        return Stream.of(a, b).min(Comparator.comparing(margin)).orElseThrow();
    }

    private static LevelCheck check(Driver whole, Driver driver, IoFamily hears, Voltage supply) {
        return new LevelCheck(
                driver.vohMin(),
                driver.vohMax(),
                whole.volMax(),
                hears.vih().orElseThrow().at(supply),
                hears.vil().orElseThrow().at(supply),
                hears.absoluteMax().at(supply),
                hears.recommendedMax().map(limit -> limit.at(supply)),
                supply);
    }

    /** The rails that pull-ups on any part of a net reach for. */
    private List<PullUp> pullsOf(Endpoint target, List<Wire> wires) {
        return Stream.concat(Stream.of(target), wires.stream().map(Wire::from))
                .flatMap(pin -> node.part(pin.part()).stream().flatMap(placed -> pullsAt(placed, pin)))
                .toList();
    }

    private Stream<PullUp> pullsAt(Placed placed, Endpoint pin) {
        return placed.cls().pulls().stream()
                .filter(pull -> pull.pin().equals(pin.pin()))
                .flatMap(pull -> reach(placed, pull).stream())
                .map(volts -> new PullUp(pin, volts));
    }

    private Optional<Range<Voltage>> reach(Placed placed, Pull pull) {
        Optional<Range<Voltage>> rail = node.railOf(placed, pull.supply())
                .or(() -> node.rail(new Endpoint(placed.id(), pull.supply())))
                .flatMap(Rail::volts);
        return pull.volts().isPresent()
                ? rail.map(fed -> Range.exactly(pull.volts().get()))
                : rail;
    }

    private static Optional<PullUp> highest(List<PullUp> pulls) {
        return pulls.stream().max(Comparator.comparing(pull -> pull.volts().highest()));
    }

    /** What a driver puts on the wire over its supply range, behind a divider's share. */
    private record Driver(
            Voltage vohMin, Voltage vohMax, Voltage volMax, Voltage highAtLow, Voltage highAtHigh, Voltage topAtLow) {
        /** The pull-up to the highest rail decides what an open-drain wire can reach. */
        static Optional<Driver> pulled(IoFamily says, Range<Voltage> at, List<PullUp> pulls, double share) {
            Voltage vol = says.vol().orElseThrow().at(at.highest()).times(share);
            return highest(pulls)
                    .map(PullUp::volts)
                    .map(pull -> new Driver(
                            pull.lowest().times(share),
                            pull.highest().times(share),
                            vol,
                            pull.lowest().times(share),
                            pull.highest().times(share),
                            pull.lowest().times(share)));
        }

        static Optional<Driver> pushed(IoFamily says, Range<Voltage> at, double share) {
            Voltage vol = says.vol().orElseThrow().at(at.highest()).times(share);
            return says.voh()
                    .map(voh -> new Driver(
                            voh.at(at.lowest()).times(share),
                            top(says, at.highest()).times(share),
                            vol,
                            voh.at(at.lowest()).times(share),
                            voh.at(at.highest()).times(share),
                            top(says, at.lowest()).times(share)));
        }

        private static Voltage top(IoFamily says, Voltage supply) {
            return says.vohMax().map(most -> most.at(supply)).orElse(supply);
        }

        /** What was measured takes the place of the figures. */
        Driver measured(Reading reading) {
            Voltage low = reading.low().orElse(volMax);
            return reading.high()
                    .map(high -> new Driver(high, high, low, high, high, high))
                    .orElse(new Driver(vohMin, vohMax, low, highAtLow, highAtHigh, topAtLow));
        }

        Driver atLow() {
            return new Driver(highAtLow, topAtLow, volMax, highAtLow, highAtHigh, topAtLow);
        }

        Driver atHigh() {
            return new Driver(highAtHigh, vohMax, volMax, highAtLow, highAtHigh, topAtLow);
        }
    }
}
