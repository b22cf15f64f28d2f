package inkel.core.document;

import inkel.core.document.Edit.AddNode;
import inkel.core.document.Edit.AddNodeWire;
import inkel.core.document.Edit.AddPart;
import inkel.core.document.Edit.CopyNode;
import inkel.core.document.Edit.Exchange;
import inkel.core.document.Edit.Feed;
import inkel.core.document.Edit.Hold;
import inkel.core.document.Edit.Insert;
import inkel.core.document.Edit.JoinGrounds;
import inkel.core.document.Edit.Leave;
import inkel.core.document.Edit.Measure;
import inkel.core.document.Edit.MoveNodeWire;
import inkel.core.document.Edit.MovePart;
import inkel.core.document.Edit.Plug;
import inkel.core.document.Edit.RemoveMoment;
import inkel.core.document.Edit.RemoveNode;
import inkel.core.document.Edit.RemoveNodeWire;
import inkel.core.document.Edit.RemovePart;
import inkel.core.document.Edit.RemoveWire;
import inkel.core.document.Edit.RenameNode;
import inkel.core.document.Edit.RenamePart;
import inkel.core.document.Edit.Replan;
import inkel.core.document.Edit.SetFigure;
import inkel.core.document.Edit.SetGround;
import inkel.core.document.Edit.SetMoment;
import inkel.core.document.Edit.SetPurpose;
import inkel.core.document.Edit.SetSetting;
import inkel.core.document.Edit.SetWire;
import inkel.core.document.Edit.TakeOut;
import inkel.core.document.Edit.Unfeed;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Unit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** Applies edits to builds. */
public final class Edits {
    private Edits() {}

    /**
     * Applies all edits in order, or none.
     *
     * @return the changed build
     * @throws EditRefused when a part, signal or node that an edit names is not there (any more)
     */
    public static Build apply(Build build, List<Edit> edits) throws EditRefused {
        Build changed = build;
        for (Edit edit : edits) {
            changed = apply(changed, edit);
        }
        return changed;
    }

    /** As {@link #apply(Build, List)} for a single edit. */
    public static Build apply(Build build, Edit edit) throws EditRefused {
        if (edit instanceof AddNode add) {
            return with(build, build.nodes().size(), add.added());
        }
        Node node = node(build, edit.node());
        if (edit instanceof CopyNode copy) {
            Node twin = new Node(
                    copy.newId(),
                    copy.newName(),
                    node.parts(),
                    node.wires(),
                    node.between(),
                    node.moments(),
                    Set.of(),
                    node.extras());
            return with(build, build.nodes().indexOf(node) + 1, twin);
        } else if (edit instanceof RemoveNode) {
            if (build.nodes().size() == 1) {
                throw new EditRefused(Fact.of("refused.last_node").with("node", node.name()));
            }
            return build.withNodes(build.nodes().stream()
                            .filter(other -> other != node)
                            .toList())
                    .withLinks(build.links().stream()
                            .filter(link -> !link.touches(node.id()))
                            .toList());
        } else if (edit instanceof MovePart move) {
            return moved(build, node, move);
        } else if (edit instanceof AddNodeWire add) {
            node(build, add.wire().to().node());
            List<NodeWire> links = new ArrayList<>(build.links());
            links.add(add.wire());
            return build.withLinks(links);
        } else if (edit instanceof JoinGrounds join) {
            return withLink(build, join.wire(), join.wire().withGroundJoined());
        } else if (edit instanceof MoveNodeWire move) {
            return withLink(build, move.wire(), move.moved());
        } else if (edit instanceof Replan replan && !replan.links().isEmpty()) {
            Build linked = build;
            for (MoveNodeWire move : replan.links()) {
                linked = apply(linked, move);
            }
            return apply(linked, new Replan(replan.node(), replan.wires(), replan.settings(), List.of()));
        } else if (edit instanceof RemoveNodeWire remove) {
            return build.withLinks(build.links().stream()
                    .filter(link -> !link.equals(remove.wire()))
                    .toList());
        } else if (edit instanceof Measure measure) {
            return measured(build, node, measure);
        } else if (edit instanceof Leave leave) {
            return left(build, node, leave);
        }
        Node changed = applyTo(node, edit);
        return build.withNode(node.id(), old -> changed);
    }

    private static Build withLink(Build build, NodeWire old, NodeWire changed) throws EditRefused {
        if (!build.links().contains(old)) {
            throw new EditRefused(
                    Fact.of("refused.no_link").with("from", old.from()).with("to", old.to()));
        }
        return build.withLinks(build.links().stream()
                .map(link -> link.equals(old) ? changed : link)
                .toList());
    }

    private static Node node(Build build, String id) throws EditRefused {
        return build.node(id)
                .orElseThrow(() -> new EditRefused(Fact.of("refused.no_node").with("node", id)));
    }

    private static Build with(Build build, int at, Node added) throws EditRefused {
        if (build.node(added.id()).isPresent()) {
            throw new EditRefused(Fact.of("refused.node_exists").with("node", added.id()));
        }
        List<Node> nodes = new ArrayList<>(build.nodes());
        nodes.add(at, added);
        return build.withNodes(nodes);
    }

    private static Build measured(Build build, Node node, Measure measure) throws EditRefused {
        require(node, measure.signal().part());
        String level = measure.isHigh() ? Measure.HIGH : Measure.LOW;
        String text = measure.volts()
                .map(volts -> level + " " + Engineering.print(volts.volts(), Unit.VOLT, 4))
                .orElse(level);
        return build.withLog(new LogEntry(
                measure.at(),
                Measure.KIND,
                Place.of(node.id(), measure.signal()).toString(),
                text,
                Extras.NONE));
    }

    private static Build left(Build build, Node node, Leave leave) throws EditRefused {
        require(node, leave.signal().part());
        Between nothing = new Between.Nothing(leave.signal(), leave.reason(), Extras.NONE);
        return build.withNode(node.id(), old -> old.withBetween(nothing))
                .withLog(new LogEntry(
                        leave.at(),
                        Leave.KIND,
                        Place.of(node.id(), leave.signal()).toString(),
                        leave.reason(),
                        Extras.NONE));
    }

    private static Build moved(Build build, Node from, MovePart move) throws EditRefused {
        require(from, move.part());
        Node to = node(build, move.toNode());
        Node without = removed(from, move.part());
        Part part = from.part(move.part()).orElseThrow();
        Part arrived = part.withId(to.freeId(part.id())).withFeeds(Map.of()).withGroundApart(false);
        Node with = added(to, arrived);
        return build.withNode(from.id(), old -> without).withNode(to.id(), old -> with);
    }

    private static Node applyTo(Node node, Edit edit) throws EditRefused {
        if (edit instanceof SetWire set) {
            require(node, set.wire().from().part());
            require(node, set.wire().to().part());
            return node.withWire(set.wire());
        } else if (edit instanceof RemoveWire remove) {
            return node.withWires(node.wires().stream()
                    .filter(wire -> !wire.from().equals(remove.from()))
                    .toList());
        } else if (edit instanceof Replan replan) {
            Node changed = node.withWires(replan.wires());
            for (SetSetting setting : replan.settings()) {
                changed = applyTo(changed, setting);
            }
            return changed;
        } else if (edit instanceof Hold hold) {
            return held(node, hold);
        } else if (edit instanceof Feed feed) {
            require(node, feed.part());
            require(node, feed.rail().part());
            return node.withPart(feed.part(), part -> part.withFeed(feed.pin(), feed.rail()));
        } else if (edit instanceof Unfeed unfeed) {
            require(node, unfeed.part());
            return node.withPart(unfeed.part(), part -> part.withFeed(unfeed.pin(), null));
        } else if (edit instanceof SetMoment set) {
            for (Moment.Raise raise : set.moment().raises()) {
                require(node, raise.part());
            }
            return node.withMoment(set.moment());
        } else if (edit instanceof RemoveMoment remove) {
            return withoutMoment(node, remove.moment());
        } else if (edit instanceof SetGround ground) {
            require(node, ground.part());
            return node.withPart(ground.part(), part -> part.withGroundApart(ground.apart()));
        } else if (edit instanceof SetSetting setting) {
            require(node, setting.part());
            return node.withPart(setting.part(), part -> part.withSetting(setting.key(), setting.value()));
        } else if (edit instanceof AddPart add) {
            return added(node, add.part());
        } else if (edit instanceof RemovePart remove) {
            return removed(node, remove.part());
        } else if (edit instanceof Exchange exchange) {
            require(node, exchange.part());
            return node.withPart(exchange.part(), part -> part.withClass(exchange.classId()));
        } else if (edit instanceof RenamePart rename) {
            require(node, rename.part());
            return node.withPart(rename.part(), part -> part.withName(rename.name()));
        } else if (edit instanceof SetPurpose set) {
            require(node, set.part());
            return node.withPart(set.part(), part -> part.withPurpose(set.purpose()));
        } else if (edit instanceof SetFigure set) {
            require(node, set.part());
            return node.withPart(set.part(), part -> part.withFigure(set.key(), set.value()));
        } else if (edit instanceof RenameNode rename) {
            return node.withName(rename.name());
        } else if (edit instanceof Insert insert) {
            require(node, insert.between().signal().part());
            return node.withBetween(insert.between());
        } else if (edit instanceof TakeOut takeOut) {
            return node.withBetween(node.between().stream()
                    .filter(entry -> !entry.signal().equals(takeOut.signal()))
                    .toList());
        } else if (edit instanceof Plug plug) {
            Set<String> plugged = new LinkedHashSet<>(node.plugged());
            if (plug.in()) {
                plugged.addAll(plug.wires());
            } else {
                plugged.removeAll(plug.wires());
            }
            return node.withPlugged(plugged);
        }
        throw new IllegalStateException("no such edit: " + edit);
    }

    private static Node held(Node node, Hold hold) throws EditRefused {
        Node changed = node;
        for (Endpoint signal : hold.signals()) {
            Wire wire = node.wire(signal)
                    .orElseThrow(
                            () -> new EditRefused(Fact.of("refused.no_wire").with("signal", signal)));
            changed = changed.withWire(
                    new Wire(signal, wire.to(), hold.held(), hold.held() ? hold.reason() : "", wire.extras()));
        }
        return changed;
    }

    private static Node added(Node node, Part part) throws EditRefused {
        if (node.part(part.id()).isPresent()) {
            throw new EditRefused(Fact.of("refused.part_exists").with("part", part.id()));
        }
        List<Part> parts = new ArrayList<>(node.parts());
        parts.add(part);
        return node.withParts(parts);
    }

    private static Node removed(Node node, String partId) throws EditRefused {
        require(node, partId);
        if (partId.equals(Part.BOARD)) {
            throw new EditRefused(Fact.of("refused.board_stays"));
        }
        List<Part> parts = node.parts().stream()
                .filter(part -> !part.id().equals(partId))
                .map(part -> withoutFeedsFrom(part, partId))
                .toList();
        List<Wire> wires = node.wires().stream()
                .filter(wire -> !wire.from().part().equals(partId))
                .filter(wire -> !wire.to().part().equals(partId))
                .toList();
        List<Between> between = node.between().stream()
                .filter(entry -> !entry.signal().part().equals(partId))
                .filter(entry -> !(entry instanceof Between.ShifterWay way
                        && way.shifter().equals(partId)))
                .toList();
        List<Moment> moments = node.moments().stream()
                .map(moment -> moment.withRaises(moment.raises().stream()
                        .filter(raise -> !raise.part().equals(partId))
                        .toList()))
                .filter(moment -> !moment.raises().isEmpty())
                .toList();
        return node.withParts(parts).withWires(wires).withBetween(between).withMoments(moments);
    }

    private static Node withoutMoment(Node node, String id) throws EditRefused {
        if (node.moment(id).isEmpty()) {
            throw new EditRefused(
                    Fact.of("refused.no_moment").with("moment", id).with("node", node.name()));
        }
        return node.withMoments(node.moments().stream()
                .filter(moment -> !moment.id().equals(id))
                .map(moment -> moment.withNever(moment.never().stream()
                        .filter(other -> !other.equals(id))
                        .collect(Collectors.toCollection(LinkedHashSet::new))))
                .toList());
    }

    private static Part withoutFeedsFrom(Part part, String source) {
        Map<String, Endpoint> kept = new LinkedHashMap<>(part.feeds());
        kept.values().removeIf(rail -> rail.part().equals(source));
        return part.withFeeds(kept);
    }

    private static void require(Node node, String part) throws EditRefused {
        if (node.part(part).isEmpty()) {
            throw new EditRefused(Fact.of("refused.no_part").with("part", part).with("node", node.name()));
        }
    }
}
