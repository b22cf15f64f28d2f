package inkel.core.io.document;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A build that calls pins by what is printed on modules of other makes, by their numbers or in small letters, with the labels
 * that their classes have: so is it written by hand, and so it reads where a class was given other labels since. What a label
 * has already keeps its place, and the other name stays as it is.
 */
final class PrintedNames {
    private final Catalog catalog;
    private Node node;
    private boolean isChanged;

    private PrintedNames(Catalog catalog) {
        this.catalog = catalog;
    }

    /** That build itself where nothing of it is called otherwise. */
    static Build resolved(Build build, Catalog catalog) {
        PrintedNames names = new PrintedNames(build.classesIn(catalog));
        List<Node> nodes = new ArrayList<>();
        for (Node one : build.nodes()) {
            nodes.add(names.of(one));
        }
        List<NodeWire> links = new ArrayList<>();
        for (NodeWire link : build.links()) {
            links.add(link.withEnds(names.label(build, link.from()), names.label(build, link.to())));
        }
        return names.isChanged ? build.withNodes(nodes).withLinks(links) : build;
    }

    private Node of(Node named) {
        node = named;
        List<Part> parts = new ArrayList<>();
        for (Part part : named.parts()) {
            parts.add(part.withFeeds(feeds(part)));
        }
        Set<Endpoint> wired = new HashSet<>();
        named.wires().forEach(wire -> wired.add(wire.from()));
        List<Wire> wires = new ArrayList<>();
        for (Wire wire : named.wires()) {
            Endpoint from = free(wire.from(), wired);
            wires.add(new Wire(from, target(wire.to()), wire.held(), wire.reason(), wire.extras()));
        }
        Set<Endpoint> fitted = new HashSet<>();
        named.between().forEach(piece -> fitted.add(piece.signal()));
        List<Between> between = new ArrayList<>();
        for (Between piece : named.between()) {
            between.add(piece.at(free(piece.signal(), fitted)));
        }
        return named.withParts(parts).withWires(wires).withBetween(between);
    }

    private Map<String, Endpoint> feeds(Part part) {
        Set<Endpoint> fed = new HashSet<>();
        part.feeds().keySet().forEach(pin -> fed.add(new Endpoint(part.id(), pin)));
        Map<String, Endpoint> feeds = new LinkedHashMap<>();
        part.feeds()
                .forEach((pin, rail) ->
                        feeds.put(free(new Endpoint(part.id(), pin), fed).pin(), target(rail)));
        return feeds;
    }

    /** Its label, unless something has that already. */
    private Endpoint free(Endpoint named, Set<Endpoint> taken) {
        Endpoint label = label(named);
        boolean isFree = label.equals(named) || taken.add(label);
        isChanged |= isFree && !label.equals(named);
        return isFree ? label : named;
    }

    private Place label(Build build, Place named) {
        Optional<Node> at = build.node(named.node());
        if (at.isEmpty()) {
            return named;
        }
        node = at.get();
        return Place.of(named.node(), target(named.endpoint()));
    }

    private Endpoint target(Endpoint named) {
        Endpoint label = label(named);
        isChanged |= !label.equals(named);
        return label;
    }

    private Endpoint label(Endpoint named) {
        Optional<PartClass> cls = node.part(named.part()).flatMap(part -> catalog.find(part.classId()));
        boolean isRail = cls.flatMap(known -> known.output(named.pin())).isPresent();
        return isRail
                ? named
                : cls.flatMap(known -> known.pinNamed(named.pin()))
                        .map(Pin::label)
                        .map(label -> new Endpoint(named.part(), label))
                        .orElse(named);
    }
}
