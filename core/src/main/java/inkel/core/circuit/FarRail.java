package inkel.core.circuit;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.Demands;
import inkel.core.catalog.Handling;
import inkel.core.catalog.Kind;
import inkel.core.catalog.Mode;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.catalog.Supply;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.quantity.Current;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Range;
import inkel.core.quantity.Share;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;

/**
 * A rail of one board that a lead brings to the table of another.
 *
 * @param rail the rail, on the board that gives
 * @param taker the node that the lead comes to
 * @param takerName what the builder calls that node
 * @param lead the part there that stands for the lead
 * @param leadName what the builder calls that
 */
public record FarRail(Place rail, String taker, String takerName, String lead, String leadName) {
    private static final String PLUS = "+";
    private static final String MINUS = "-";

    /** Leads that something hangs on, in document order; what they bring need not be there. */
    static List<FarRail> all(Build build, Catalog catalog) {
        return build.nodes().stream()
                .flatMap(node -> node.parts().stream()
                        .filter(part -> isUsed(node, part))
                        .flatMap(part -> rail(part, catalog)
                                .map(rail -> new FarRail(rail, node.id(), node.name(), part.id(), part.name()))
                                .stream()))
                .toList();
    }

    /** The rail that a part is meant to bring; empty for anything but a lead. */
    public static Optional<Place> rail(Part part, Catalog catalog) {
        // Asked of every part of every build: most have no such setting.
        return part.typed(Settings.RAIL)
                .flatMap(text -> Settings.RAIL.read(catalog.get(part.classId()), text))
                .flatMap(Place::parsePin);
    }

    private static boolean isUsed(Node node, Part lead) {
        return lead.has(Settings.RAIL)
                && (node.parts().stream()
                                .flatMap(part -> part.feeds().values().stream())
                                .anyMatch(feed -> feed.part().equals(lead.id()))
                        || node.wires().stream()
                                .anyMatch(wire -> wire.to().part().equals(lead.id())));
    }

    /** The lead's wire on the table that it comes to. */
    public Place plus() {
        return Place.of(taker, new Endpoint(lead, PLUS));
    }

    /** As {@link #plus()}, its ground. */
    public Place minus() {
        return Place.of(taker, new Endpoint(lead, MINUS));
    }

    /** What its far end is called on the table that gives: {@code Pump house Lead}. */
    public String end() {
        return takerName + " " + leadName;
    }

    /** The id that the load has on the table that gives; no part of a document has such a one. */
    public String load() {
        return "to_" + taker + "_" + lead;
    }

    /** What hangs on the other end, as a part of the table that gives. */
    Placed load(Rail drawn) {
        Voltage most = Voltage.ofVolts(1000);
        Pin plus = Pin.plain(PLUS, "single", 1, PinUse.SUPPLY, "");
        Pin minus = Pin.plain(MINUS, "single", 2, PinUse.GROUND, "");
        Supply supply = Supply.plain(PLUS, new Figure<>(Range.between(Voltage.ZERO, most), Source.COMPUTED), most);
        PartClass cls = new PartClass(
                load(),
                takerName,
                "",
                Kind.MODULE,
                List.of(),
                "",
                List.of(plus, minus),
                List.of(supply),
                List.of(),
                List.of(),
                List.of(mode("active", drawn.average(), 1), mode("peak", drawn.peak(), 0)),
                List.of(),
                List.of(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                List.of(),
                Demands.NONE,
                Handling.plain(List.of(plus, minus)),
                List.of());
        Part part = Part.of(load(), cls.id(), takerName, "").withFeed(PLUS, rail.endpoint());
        return new Placed(part, cls);
    }

    private static Mode mode(String name, Current current, double share) {
        return new Mode(name, PLUS, new Figure<>(Range.exactly(current), Source.COMPUTED), Share.of(share));
    }
}
