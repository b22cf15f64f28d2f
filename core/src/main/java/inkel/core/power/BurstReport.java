package inkel.core.power;

import inkel.core.catalog.Burst;
import inkel.core.catalog.Settings;
import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.formula.Bulk;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Current;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;

/**
 * A part that pulls in bursts, on its rail.
 *
 * @param allowed how far the rail may fall before the part is below what it works at
 */
public record BurstReport(NodeCircuit node, Placed placed, Supply supply, Burst burst, Rail rail, Voltage allowed) {
    /** The series resistance of a usual electrolytic of some hundred microfarads, when the builder tells none. */
    static final Resistance USUAL_ESR = Resistance.ofOhms(0.05);

    public static List<BurstReport> of(NodeCircuit node) {
        return node.parts().stream()
                .flatMap(placed -> placed.cls().bursts().stream().flatMap(burst -> of(node, placed, burst).stream()))
                .toList();
    }

    private static Optional<BurstReport> of(NodeCircuit node, Placed placed, Burst burst) {
        return placed.cls().supply(burst.supply()).flatMap(supply -> node.railOf(placed, supply.pin())
                .flatMap(rail -> rail.volts()
                        .map(volts -> new BurstReport(
                                node,
                                placed,
                                supply,
                                burst,
                                rail,
                                volts.lowest().minus(supply.range().range().lowest())))));
    }

    public Current burstCurrent() {
        return burst.current().range().highest();
    }

    /** What the rail has left for this part while the others are at the worst it meets. */
    public Current railGives() {
        Current others = rail.all().stream()
                .filter(load -> !load.pin().part().equals(placed.id())
                        || !load.pin().pin().equals(supply.pin()))
                .map(Rail.Load::atWorst)
                .reduce(Current.ZERO, Current::plus);
        Current left = rail.rating().minus(others);
        return left.isBelow(Current.ZERO) ? Current.ZERO : left;
    }

    /** What the rail cannot give; zero when it can give all. */
    public Current excess() {
        Current excess = burstCurrent().minus(railGives());
        return excess.isBelow(Current.ZERO) ? Current.ZERO : excess;
    }

    public Resistance esr() {
        return placed.own(Settings.ESR).orElse(USUAL_ESR);
    }

    /** How far the rail falls in a burst; empty when something is missing and nothing is there to carry it. */
    public Optional<Voltage> droop() {
        return !excess().isAbove(Current.ZERO)
                ? Optional.of(Voltage.ZERO)
                : placed.capacitor().map(capacitor -> Bulk.droop(excess(), burst.time(), capacitor, esr()));
    }

    /** Whether the rail itself would do, but not in a burst. */
    public boolean fallsTooFar() {
        return allowed.isAbove(Voltage.ZERO)
                && droop().map(droop -> droop.isAbove(allowed)).orElse(true);
    }

    /** The capacitor to buy; empty when none helps. */
    public Optional<Capacitance> wanted() {
        return Bulk.needed(excess(), burst.time(), allowed, esr()).map(Bulk::standard);
    }

    /** The voltage it should be rated for; empty where none is rated high enough. */
    public Optional<Voltage> wantedRating() {
        return Bulk.rating(rail.volts().orElseThrow().highest());
    }
}
