package inkel.core.power;

import inkel.core.catalog.Battery;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.formula.BatteryHours;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.OptionalDouble;

/** A battery and what is asked of it. */
public record BatteryReport(NodeCircuit node, Placed placed, Rail rail, Battery battery) {
    /** A waking day, unless the builder says how long it must last. */
    private static final double USUAL_HOURS = 8;

    public static List<BatteryReport> of(NodeCircuit node) {
        return node.rails().stream()
                .flatMap(rail -> rail.output().battery().stream()
                        .map(battery -> new BatteryReport(
                                node, node.part(rail.id().part()).orElseThrow(), rail, battery)))
                .toList();
    }

    public OptionalDouble hours() {
        return BatteryHours.of(battery.capacity(), battery.usable(), rail.average());
    }

    public double wantedHours() {
        return placed.own(Settings.HOURS).orElse(USUAL_HOURS);
    }

    public Source wantedSource() {
        return placed.sourceOf(Settings.HOURS, Source.RULE);
    }

    public boolean isShort() {
        return hours().isPresent()
                && Quantity.exceeds(TimeSpan.ofHours(wantedHours()), TimeSpan.ofHours(hours().getAsDouble()));
    }

    /** What is lost inside at the peak: I·R. */
    public Voltage sag() {
        return Voltage.ofVolts(battery.inner().ohms() * rail.peak().amperes());
    }

    /** What is left at the terminals at the peak, near the end of the charge. */
    public Voltage lowest() {
        return rail.volts().orElseThrow().lowest().minus(sag());
    }

    /** Loads that the rail would feed, but not at its peak; in document order, empty when all are fed. The rail has a voltage. */
    public List<FeedLine> starved() {
        return FeedLine.of(node).stream()
                .filter(line -> line.rail().id().equals(rail.id()))
                .filter(line -> !rail.volts().orElseThrow().lowest().isBelow(line.needs()))
                .filter(line -> lowest().isBelow(line.needs()) && !sag().isBelow(FeedLine.TOLD))
                .toList();
    }
}
