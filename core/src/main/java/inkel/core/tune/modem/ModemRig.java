package inkel.core.tune.modem;

import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.power.BurstReport;
import inkel.core.quantity.Voltage;
import inkel.core.tune.sample.Wired;
import java.util.Optional;

/**
 * How a modem is wired, and what its supply does while it sends.
 *
 * @param lowest the least that its supply pin sees in a burst, by the plan; absent where it cannot be known: nothing feeds it,
 *     or nothing carries the burst
 * @param least what it works at
 * @param isFed whether a rail of known volts feeds it
 */
public record ModemRig(String part, String id, Optional<Voltage> lowest, Voltage least, boolean isFed) {
    /** Empty for a part without bursts, and for one that no serial line is wired to. */
    public static Optional<ModemRig> of(NodeCircuit node, Placed placed) {
        boolean isWired =
                !Wired.pins(node, placed, pin -> pin.use() == PinUse.UART_TX).isEmpty();
        return placed.cls().bursts().stream()
                .flatMap(burst -> placed.cls().supply(burst.supply()).stream())
                .findFirst()
                .filter(supply -> isWired)
                .map(supply -> {
                    Optional<BurstReport> report = BurstReport.of(node).stream()
                            .filter(one -> one.placed().equals(placed))
                            .findFirst();
                    return new ModemRig(
                            placed.part().name(),
                            placed.id(),
                            report.flatMap(one -> one.droop().map(droop -> one.rail()
                                    .volts()
                                    .orElseThrow()
                                    .lowest()
                                    .minus(droop))),
                            supply.range().range().lowest(),
                            report.isPresent());
                });
    }

    /** Whether the plan says that it starts anew in the burst: too low, or nothing there to carry it. */
    public boolean sags() {
        return lowest.map(volts -> volts.isBelow(least)).orElse(isFed);
    }

    boolean isKnownToSag() {
        return lowest.filter(volts -> volts.isBelow(least)).isPresent();
    }
}
