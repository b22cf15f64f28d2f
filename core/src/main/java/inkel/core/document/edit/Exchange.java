package inkel.core.document.edit;

import inkel.core.catalog.PartClass;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Fit;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import java.util.List;

/**
 * Puts a part of another class in a part's place; its wires and feeds stay where they are. Own figures, settings and modes that
 * mean nothing for the class go.
 */
public record Exchange(String node, String part, PartClass cls) implements Edit {
    @Override
    public Build apply(Build build) throws EditRefused {
        Require.part(Require.node(build, node), part);
        int since = build.log().size();
        Place place = Place.ofPart(node, part);
        // Another class has other pins: which of them was plugged is not known any more.
        List<NodeWire> links = build.links().stream()
                .map(link -> link.converter().filter(place::equals).isPresent()
                        ? link.withBetween(link.between()
                                .map(Between.ShifterWay.class::cast)
                                .map(Between.ShifterWay::asItShould))
                        : link)
                .toList();
        return build.withNode(node, old -> Fit.exchanged(old, part, cls, since)).withLinks(links);
    }
}
