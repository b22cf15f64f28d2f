package inkel.core.levels.rules;

import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Supply;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Insert;
import inkel.core.finding.Fix;
import inkel.core.levels.LevelReport;
import inkel.core.levels.Link;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.FeedFixes;
import inkel.core.remedy.RailNames;
import inkel.core.remedy.Room;
import inkel.core.remedy.Tried;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A module whose pins bear less than its supply, on a bus that others pull up: no shifter can stand before it as it is fed, but
 * one can once it runs at a rail that its pins bear.
 */
final class LowerRail {
    private final Circuit circuit;
    private final NodeCircuit node;
    private final Link link;

    private LowerRail(Circuit circuit, Link link) {
        this.circuit = circuit;
        this.node = link.node();
        this.link = link;
    }

    /** Empty where the pins bear their own rail, or no other rail of the table is one for the module. */
    static Optional<Fix> of(Circuit circuit, Link link) {
        return new LowerRail(circuit, link).fix();
    }

    private Optional<Fix> fix() {
        Endpoint end = link.to();
        Placed module = node.part(end.part()).orElseThrow();
        Optional<IoFamily> family = node.io(end);
        Optional<Supply> supply =
                family.map(IoFamily::supply).flatMap(pin -> module.cls().supply(pin));
        Optional<Range<Voltage>> now = node.ioVolts(end);
        if (module.part().isBoard()
                || supply.isEmpty()
                || supply.get().isMeasured()
                || now.isEmpty()
                || bears(family.get(), now.get())) {
            return Optional.empty();
        }
        return rails(module, supply.get(), family.get())
                .flatMap(rail -> shifted(module, supply.get(), rail).stream())
                .findFirst();
    }

    private static boolean bears(IoFamily family, Range<Voltage> volts) {
        return !volts.highest().isAbove(family.absoluteMax().at(volts.highest()));
    }

    /** The highest first: nearest to what the module is fed with. */
    private Stream<Rail> rails(Placed module, Supply supply, IoFamily family) {
        Optional<Endpoint> now = node.railOf(module, supply.pin()).map(Rail::id);
        return node.rails().stream()
                .filter(rail -> rail.output().contact().isEmpty() && !node.isMadeFrom(rail.id(), module.id()))
                .filter(rail -> rail.volts()
                        .filter(volts -> FeedFixes.fits(volts, supply) && bears(family, volts))
                        .isPresent())
                .filter(rail -> Room.isFor(node, rail, module.cls().peak(supply.pin()), now))
                .sorted(Comparator.comparing(
                                (Rail rail) -> rail.volts().orElseThrow().expected())
                        .reversed());
    }

    private Optional<Fix> shifted(Placed module, Supply supply, Rail rail) {
        Edit feed = new Feed(node.node().id(), module.id(), supply.pin(), rail.id());
        Fix run = new Fix("run", Fact.of("fix.run_at"), Fact.of("fix.run_at.cost"), List.of(feed));
        return Tried.after(run, circuit)
                .map(LevelReport::of)
                .flatMap(after -> after.of(link.signal()).stream()
                        .filter(other -> other.to().equals(link.to()))
                        .findFirst()
                        .flatMap(other -> ModuleShift.of(after, other)))
                .map(shift -> {
                    List<Edit> edits = new ArrayList<>(List.of(feed));
                    edits.addAll(shift.edits());
                    return new Fix(
                            "run-and-shift",
                            Fact.of("fix.run_and_shift")
                                    .with("part", module.part().name())
                                    .with("rail", RailNames.of(node, rail.id()))
                                    .with(
                                            "count",
                                            shift.edits().stream()
                                                    .filter(Insert.class::isInstance)
                                                    .count()),
                            shift.cost(),
                            edits);
                })
                .filter(fix -> Proof.isBetter(circuit, fix, link));
    }
}
