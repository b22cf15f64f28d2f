package inkel.core.remedy;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.FarRail;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Fix;
import inkel.core.quantity.Current;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Leads that bring a rail of another board to a table. */
public final class RailLeads {
    private RailLeads() {}

    /** A lead for every rail of the other boards that has volts; none where the catalogue has no class for a lead. */
    public static List<Fix> offers(Circuit circuit, NodeCircuit to) {
        Optional<PartClass> cls = leadClass(circuit.catalog());
        return cls.isEmpty()
                ? List.of()
                : rails(circuit, to).stream()
                        .map(rail -> fix(
                                rail,
                                List.of(new AddPart(
                                        to.node().id(),
                                        Part.of(
                                                        to.node().freeId("lead"),
                                                        cls.get().id(),
                                                        rail.name(),
                                                        "")
                                                .withSetting(
                                                        Settings.RAIL,
                                                        rail.place().toString())))))
                        .toList();
    }

    /** Other rails for a lead that is there. */
    public static List<Fix> instead(Circuit circuit, NodeCircuit to, String lead) {
        return rails(circuit, to).stream()
                .map(rail -> fix(
                        rail,
                        List.of(new SetSetting(
                                to.node().id(),
                                lead,
                                Settings.RAIL,
                                rail.place().toString()))))
                .toList();
    }

    private record Offer(Place place, Rail rail, Current room, String name, String node) {}

    private static Fix fix(Offer offer, List<Edit> edits) {
        return new Fix(
                "lead-" + offer.place(),
                Fact.of("fix.lead").with("rail", offer.name()).with("node", offer.node()),
                Fact.of("fix.lead.cost")
                        .with("volts", offer.rail().volts().orElseThrow().expected())
                        .with("room", offer.room()),
                edits);
    }

    /** Rails that hang on this table themselves would bring it its own. */
    private static List<Offer> rails(Circuit circuit, NodeCircuit to) {
        List<Offer> offers = new ArrayList<>();
        for (NodeCircuit from : circuit.nodes()) {
            boolean isOther = !from.node().id().equals(to.node().id());
            for (Rail rail : isOther ? from.rails() : List.<Rail>of()) {
                // Nobody cuts a cable where a pin has the same.
                boolean isOnPin =
                        from.pin(rail.id()).filter(pin -> !pin.isLead()).isPresent();
                if (isOnPin && rail.volts().isPresent() && !hangsOn(circuit, from, to, new ArrayList<>())) {
                    offers.add(new Offer(
                            Place.of(from.node().id(), rail.id()),
                            rail,
                            Room.of(from, rail),
                            rail.id().pin().equals("+")
                                    ? from.part(rail.id().part())
                                            .orElseThrow()
                                            .part()
                                            .name()
                                    : rail.id().pin(),
                            from.node().name()));
                }
            }
        }
        return offers;
    }

    /** Boards, not rails: one that takes anything from this board gives it nothing back. */
    private static boolean hangsOn(Circuit circuit, NodeCircuit from, NodeCircuit to, List<String> seen) {
        if (from.node().id().equals(to.node().id())) {
            return true;
        }
        if (seen.contains(from.node().id())) {
            return false;
        }
        seen.add(from.node().id());
        return from.node().parts().stream()
                .flatMap(part -> FarRail.rail(part, circuit.catalog()).stream())
                .flatMap(place -> circuit.node(place.node()).stream())
                .anyMatch(giver -> hangsOn(circuit, giver, to, seen));
    }

    private static Optional<PartClass> leadClass(Catalog catalog) {
        return catalog.all().stream()
                .filter(cls -> Settings.RAIL.suits().test(cls))
                .findFirst();
    }
}
