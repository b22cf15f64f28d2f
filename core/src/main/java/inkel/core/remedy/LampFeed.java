package inkel.core.remedy;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinLoad;
import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Fix;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;

/**
 * Lights a lamp that takes more than a pin gives, and no more than a rail: by a rail that is there, else by a regulator that
 * comes. Resistors and level parts in its wire carry no lamp.
 */
public final class LampFeed {
    private LampFeed() {}

    /** The lamp behind a signal; empty where there is none. */
    public static Optional<PinLoad> lamp(Placed placed, String signal) {
        return placed.cls().demands().pinLoads().stream()
                .filter(load -> load.sort() == PinLoad.Sort.LAMP && load.pin().equals(signal))
                .findFirst();
    }

    public static List<Fix> of(NodeCircuit node, Catalog catalog, Placed placed, PinLoad lamp) {
        Endpoint signal = new Endpoint(placed.id(), lamp.pin());
        Optional<Pin> pin = placed.cls().pin(lamp.pin());
        Optional<Endpoint> there = pin.flatMap(found -> Ties.high(node, placed, found))
                .filter(rail -> node.rail(rail)
                        .filter(found -> !lamp.current().range().highest().isAbove(found.room()))
                        .isPresent());
        if (there.isPresent()) {
            return List.of(new Fix(
                    "tie-" + signal,
                    Fact.of("fix.tie").with("signal", signal.pin()).with("rail", RailNames.of(node, there.get())),
                    Fact.of("fix.tie.cost"),
                    List.of(tied(node, signal, there.get()))));
        }
        return pin.flatMap(placed.cls()::io).map(family -> supply(node, signal, family)).stream()
                .flatMap(supply -> new FeedFixes(node, catalog)
                        .of(placed, supply, lamp.current().range().highest(), Voltage.ZERO, rail -> true).stream())
                .filter(fix -> fix.edits().get(0) instanceof AddPart)
                .map(fix -> brought(node, signal, fix))
                .toList();
    }

    /** What the pin bears and reads as high, as if it were fed. */
    private static Supply supply(NodeCircuit node, Endpoint signal, IoFamily family) {
        Voltage supplied = node.ioVolts(signal).map(Range::expected).orElse(Voltage.ZERO);
        Voltage most = family.absoluteMax().at(supplied);
        Voltage least = family.vih().map(high -> high.at(supplied)).orElse(Voltage.ZERO);
        return Supply.plain(signal.pin(), Figure.ofClass(Range.between(least, most)), most);
    }

    private static Fix brought(NodeCircuit node, Endpoint signal, Fix fed) {
        AddPart added = (AddPart) fed.edits().get(0);
        List<Edit> edits = fed.edits().stream()
                .map(edit -> edit instanceof Feed feed && feed.part().equals(signal.part())
                        ? (Edit) tied(node, signal, feed.rail())
                        : edit)
                .toList();
        return new Fix(
                "light-" + added.part().classId(),
                Fact.of("fix.light").with("class", added.part().name()).with("signal", signal.pin()),
                fed.cost(),
                edits);
    }

    private static SetWire tied(NodeCircuit node, Endpoint signal, Endpoint rail) {
        return new SetWire(node.node().id(), Wire.placed(signal, rail));
    }
}
