package inkel.core.pins.rules;

import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Fix;
import inkel.core.formula.ESeries;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Resistance;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** The way out of pull-ups that are too strong together: cutting some off. */
final class PullsOff {
    private PullsOff() {}

    /** What a line is usually pulled up with, where that is weak enough. */
    private static final double USUAL_OHMS = 4700;

    /** A pull-up on a wire, fed or not, and the part that brings it. */
    record Pulled(NodeCircuit node, Placed placed, Resistance resistance) {}

    /**
     * The strongest first, until the rest is weak enough; one stays, and what is soldered on a board. A pull-up of another table is
     * cut off there.
     *
     * @param least what they may be together
     */
    static Optional<Fix> fix(List<Pulled> pulls, Resistance least) {
        List<Pulled> left = new ArrayList<>(pulls);
        left.sort(Comparator.comparing(pull -> pull.resistance().ohms()));
        List<Pulled> off = new ArrayList<>();
        for (Pulled pull : List.copyOf(left)) {
            if (left.size() > 1
                    && isStrong(left, least)
                    && !pull.placed().part().isBoard()) {
                left.remove(pull);
                off.add(pull);
            }
        }
        if (off.isEmpty() || isStrong(left, least)) {
            return Optional.empty();
        }
        List<Edit> edits = off.stream()
                .map(pull -> (Edit)
                        new SetSetting(pull.node().node().id(), pull.placed().id(), Settings.PULL_UPS, "off"))
                .toList();
        return Optional.of(new Fix(
                "pull-ups-off",
                Fact.of("fix.pull_ups_off")
                        .with(
                                "part",
                                off.stream()
                                        .map(pull -> pull.placed().part().name())
                                        .distinct()
                                        .toList()),
                Fact.of("fix.pull_ups_off.cost"),
                edits));
    }

    /**
     * Resistors that the builder put beside wires, so much weaker that all together are weak enough; empty where there is none,
     * or where the others alone are too strong.
     *
     * @param signals the signals whose wires these may be beside
     */
    static Optional<Fix> beside(NodeCircuit node, List<Endpoint> signals, List<Pulled> pulls, Resistance least) {
        List<Between.PulledUp> besides = signals.stream()
                .flatMap(signal -> node.between(signal).stream())
                .filter(Between.PulledUp.class::isInstance)
                .map(Between.PulledUp.class::cast)
                .toList();
        if (besides.isEmpty()) {
            return Optional.empty();
        }
        Endpoint at = node.wire(besides.get(0).signal()).orElseThrow().to();
        List<Between.PulledUp> here = besides.stream()
                .filter(piece -> node.wire(piece.signal())
                        .filter(wire -> wire.to().equals(at))
                        .isPresent())
                .toList();
        double ours =
                here.stream().mapToDouble(piece -> 1 / piece.pullUp().ohms()).sum();
        double others = 1 / together(pulls).ohms() - ours;
        double left = (1 / least.ohms() - others) / here.size();
        if (left <= 0) {
            return Optional.empty();
        }
        Resistance value = Resistance.ofOhms(Math.max(USUAL_OHMS, ESeries.E12.atLeast(1 / left)));
        return Optional.of(new Fix(
                "pull-up-at-pin",
                Fact.of("fix.pull_up_at_pin").with("value", value).with("pin", at.pin()),
                Fact.of("fix.beside.cost"),
                besides.stream()
                        .map(piece -> (Edit) new Insert(
                                node.node().id(), new Between.PulledUp(piece.signal(), value, piece.extras())))
                        .toList()));
    }

    /** Whether several are less together than they may be. */
    static boolean isStrong(List<Pulled> pulls, Resistance least) {
        return Quantity.exceeds(least, together(pulls));
    }

    static Resistance together(List<Pulled> pulls) {
        return pulls.stream()
                .map(Pulled::resistance)
                .reduce(Resistance::parallelTo)
                .orElseThrow();
    }
}
