package inkel.core.power.rules;

import inkel.core.catalog.Output;
import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.SetWire;
import inkel.core.document.edit.TakeOut;
import inkel.core.finding.Fix;
import inkel.core.power.PinLoadReport;
import inkel.core.quantity.Current;
import inkel.core.quantity.Fact;
import inkel.core.remedy.FeedFixes;
import inkel.core.remedy.Ties;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A winding switched in its feed, by a contact of the table that switches nothing yet, in the place of a pin. */
final class ByContact {
    private ByContact() {}

    /** Empty where the winding hangs on no rail, or no free contact bears its volts and its current. */
    static Optional<Fix> of(PinLoadReport load) {
        return of(
                load.node(),
                load.signal(),
                SwitchBoard.most(load.placed().cls(), load.load()),
                Fact.of("fix.by_contact.cost").with("pin", load.pin().pin()));
    }

    /** @param signal the end of the winding that goes to ground then */
    static Optional<Fix> of(NodeCircuit node, Endpoint signal, Current most, Fact cost) {
        Placed coil = node.part(signal.part()).orElseThrow();
        for (Supply supply : coil.cls().supplies()) {
            Optional<Rail> feeds = node.railOf(coil, supply.pin());
            for (Placed owner : feeds.isEmpty() ? List.<Placed>of() : List.copyOf(node.parts())) {
                // A relay that hangs on its own contact is never moved.
                boolean isItself = owner.id().equals(coil.id());
                for (Output output : isItself ? List.<Output>of() : owner.cls().outputs()) {
                    if (isFree(node, owner, output, feeds.get(), most)) {
                        return edits(node, signal, supply, feeds.get(), owner, output)
                                .map(edits -> new Fix(
                                        "by-contact-" + owner.id() + "-" + output.pin(),
                                        Fact.of("fix.by_contact")
                                                .with("part", coil.part().name())
                                                .with("relay", owner.part().name()),
                                        cost,
                                        edits));
                    }
                }
            }
        }
        return Optional.empty();
    }

    private static boolean isFree(NodeCircuit node, Placed owner, Output output, Rail feeds, Current most) {
        Optional<Supply> common = common(owner, output);
        Endpoint id = new Endpoint(owner.id(), output.pin());
        boolean isUnused = node.rail(id).filter(rail -> rail.loads().isEmpty()).isPresent();
        return output.contact().filter(contact -> !contact.isClosed(false)).isPresent()
                && !owner.isForLater()
                && isUnused
                && !node.isMadeFrom(feeds.id(), owner.id())
                && !most.isAbove(output.rating().range().lowest())
                && common.filter(in -> isFor(owner, in, feeds)).isPresent();
    }

    private static Optional<Supply> common(Placed owner, Output output) {
        return output.from().flatMap(owner.cls()::supply);
    }

    /** Whether nothing comes to a common pin yet and the rail may, or it does already. */
    private static boolean isFor(Placed owner, Supply common, Rail feeds) {
        Endpoint now = owner.part().feeds().get(common.pin());
        return feeds.id().equals(now)
                || now == null
                        && feeds.volts()
                                .filter(volts -> FeedFixes.fits(volts, common))
                                .isPresent();
    }

    private static Optional<List<Edit>> edits(
            NodeCircuit node, Endpoint signal, Supply supply, Rail feeds, Placed owner, Output output) {
        String id = node.node().id();
        return Ties.ground(node).map(ground -> {
            List<Edit> edits = new ArrayList<>();
            node.between(signal).ifPresent(piece -> edits.add(new TakeOut(id, signal)));
            edits.add(new SetWire(id, Wire.placed(signal, ground)));
            edits.add(new Feed(id, owner.id(), output.from().orElseThrow(), feeds.id()));
            edits.add(new Feed(id, signal.part(), supply.pin(), new Endpoint(owner.id(), output.pin())));
            return edits;
        });
    }
}
