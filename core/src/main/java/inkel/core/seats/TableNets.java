package inkel.core.seats;

import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What is to be seated and joined on the table of a node: its shapes, and its nets of posts with room for every wire. */
final class TableNets {
    private final NodeCircuit node;
    private final WireList list;
    private final TablePosts posts;
    private final List<Edge> edges = new ArrayList<>();
    private final List<Net> nets = new ArrayList<>();
    private final Set<Integer> asPlanned = new HashSet<>();

    private TableNets(NodeCircuit node, WireList list, int plusRails) {
        this.node = node;
        this.list = list;
        posts = new TablePosts(node, list, plusRails);
    }

    /**
     * @param arriving wires of other boards' lists that end on this table
     * @param plusRails how many rails of the breadboards are there for supplies
     */
    static TableNets of(WireList list, List<WireStep> arriving, int plusRails) {
        TableNets made = new TableNets(list.node(), list, plusRails);
        for (int i = 0; i < list.steps().size(); i++) {
            made.add(i, list.steps().get(i));
        }
        for (int i = 0; i < arriving.size(); i++) {
            made.arrive(list.steps().size() + i, arriving.get(i));
        }
        made.spreadPlanned();
        made.makeRoomAsPlanned();
        made.join();
        made.makeRoom();
        return made;
    }

    List<Shape> shapes() {
        return posts.shapes();
    }

    List<Post> posts() {
        return posts.all();
    }

    Post post(int id) {
        return posts.get(id);
    }

    List<Net> nets() {
        return nets;
    }

    /** What the rails of the breadboard carry: the common ground first where there is one, then the busiest supplies. */
    List<Terminal> rails() {
        return posts.rails();
    }

    int room(int post) {
        return posts.room(post);
    }

    // --- edges

    private void add(int index, WireStep step) {
        if (step.isAcrossSupply()) {
            acrossSupply(index, step);
            return;
        }
        if (step.fitting().isPresent()) {
            edges.add(new Edge(index, posts.end(step.from()), posts.end(step.to()), true));
            return;
        }
        boolean isSignal = step.kind() == WireStep.Kind.SIGNAL || step.kind() == WireStep.Kind.SHARED;
        int first = edges.size();
        Optional<Between> piece = step.inLine().filter(between -> !(between instanceof Between.Nothing));
        if (piece.isEmpty()) {
            edges.add(new Edge(index, posts.end(step.from()), posts.end(step.to()), false));
        } else if (piece.get() instanceof Between.CoilDriver) {
            throughTransistor(index, step);
        } else {
            throughPiece(index, step);
        }
        for (int i = first; i < edges.size(); i++) {
            if (!isSignal && !edges.get(i).isPiece()) {
                asPlanned.add(i);
            }
        }
    }

    /** Beside the breadboard it goes where the leads of its part are plugged, else to the pins themselves, which have no holes. */
    private void acrossSupply(int index, WireStep step) {
        Placed placed = node.part(step.subject().part()).orElseThrow();
        if (posts.isSeated(placed)) {
            edges.add(new Edge(index, posts.end(step.from()), posts.end(step.to()), true));
            return;
        }
        Terminal ground = new Terminal.OnGroundRow();
        step.fitting()
                .flatMap(capacitor -> node.railOf(placed, capacitor.from()))
                .map(rail -> new Terminal.OnRow(rail.id()))
                .filter(row -> !placed.part().groundApart() && posts.rails().containsAll(List.of(row, ground)))
                .ifPresent(row -> edges.add(new Edge(index, posts.end(row), posts.end(ground), true)));
    }

    /** The wire from there that another board's list has. */
    private void arrive(int index, WireStep step) {
        for (Terminal end : List.of(step.from(), step.to())) {
            if (end instanceof Terminal.OnOtherBoard other
                    && other.pin().node().equals(node.node().id())) {
                Terminal here = other.isGround()
                        ? new Terminal.OnGroundRow()
                        : list.terminal(other.pin().endpoint());
                if (here instanceof Terminal.OnOtherBoard || !posts.has(here) && other.isGround()) {
                    continue;
                }
                int there = posts.arriving(end);
                edges.add(new Edge(index, posts.end(here), there, false));
            }
        }
    }

    /** A wire to a half row of its own, from there the piece to the end that is in holes; else to another half row. */
    private void throughPiece(int index, WireStep step) {
        int from = posts.end(step.from());
        int to = posts.end(step.to());
        if (step.from() instanceof Terminal.OnLeg) {
            int meeting = posts.meeting(step.to());
            edges.add(new Edge(index, from, meeting, true));
            edges.add(new Edge(index, meeting, to, false));
            return;
        }
        int meeting = posts.meeting(step.to());
        edges.add(new Edge(index, from, meeting, false));
        if (posts.get(to).isInHoles()) {
            edges.add(new Edge(index, meeting, to, true));
        } else {
            int behind = posts.meeting(step.to());
            edges.add(new Edge(index, meeting, behind, true));
            edges.add(new Edge(index, behind, to, false));
        }
    }

    private void throughTransistor(int index, WireStep step) {
        Endpoint signal = step.subject().endpoint();
        boolean isDrivenFrom = node.wire(signal)
                .map(node::listener)
                .filter(listener ->
                        step.to() instanceof Terminal.OnPin pin && pin.pin().equals(listener))
                .isPresent();
        int driver = posts.end(isDrivenFrom ? step.from() : step.to());
        int load = posts.end(isDrivenFrom ? step.to() : step.from());
        TablePosts.Transistor legs = posts.transistor(signal);
        int meeting = posts.meeting(step.to());
        edges.add(new Edge(index, driver, meeting, false));
        edges.add(new Edge(index, meeting, legs.base(), true));
        edges.add(new Edge(index, legs.collector(), load, false));
    }

    // --- room

    /** A net of which some wires go as planned goes as planned wholly. */
    private void spreadPlanned() {
        int[] parent = joined();
        Set<Integer> roots = new HashSet<>();
        asPlanned.forEach(edge -> roots.add(root(parent, edges.get(edge).from())));
        for (int i = 0; i < edges.size(); i++) {
            if (!edges.get(i).isPiece()
                    && roots.contains(root(parent, edges.get(i).from()))) {
                asPlanned.add(i);
            }
        }
    }

    /** Where more wires are planned to one post than find room, they meet in a half row that one wire leads to. */
    private void makeRoomAsPlanned() {
        Map<Integer, List<Integer>> at = new LinkedHashMap<>();
        for (int edge = 0; edge < edges.size(); edge++) {
            if (asPlanned.contains(edge) || edges.get(edge).isPiece()) {
                for (int post : List.of(edges.get(edge).from(), edges.get(edge).to())) {
                    at.computeIfAbsent(post, fresh -> new ArrayList<>()).add(edge);
                }
            }
        }
        at.forEach((post, ends) -> {
            Post of = posts.get(post);
            if (of.kind() == Post.Kind.RAIL) {
                return;
            }
            boolean hasPieces = ends.stream().anyMatch(edge -> edges.get(edge).isPiece());
            boolean isPlanned = ends.stream().anyMatch(asPlanned::contains);
            boolean isNoPlaceForPieces = !of.isInHoles() && hasPieces;
            if (isPlanned && (isNoPlaceForPieces || ends.size() > room(post))) {
                spread(post, ends);
            }
        });
    }

    /** Every end at a post goes to half rows in its place, each joined to the one before, the first to the post. */
    private void spread(int post, List<Integer> ends) {
        Terminal of = posts.get(post).terminal();
        boolean isMeeting = posts.get(post).kind() == Post.Kind.MEETING;
        int here = isMeeting ? post : -1;
        int left = isMeeting ? room(post) - 1 : 0;
        for (int edge : ends) {
            if (left == 0) {
                int next = posts.meeting(of instanceof Terminal.OnMeeting meeting ? meeting.of() : of);
                asPlanned.add(edges.size());
                edges.add(new Edge(-1, here < 0 ? post : here, next, false));
                here = next;
                left = room(next) - 2; // one for the way here, one for the way on
            }
            Edge old = edges.get(edge);
            edges.set(
                    edge,
                    new Edge(
                            old.step(),
                            old.from() == post ? here : old.from(),
                            old.to() == post ? here : old.to(),
                            old.isPiece()));
            left--;
        }
    }

    private int[] joined() {
        int[] parent = new int[posts.all().size()];
        for (int i = 0; i < parent.length; i++) {
            parent[i] = i;
        }
        for (Edge edge : edges) {
            if (!edge.isPiece()) {
                parent[root(parent, edge.to())] = root(parent, edge.from());
            }
        }
        return parent;
    }

    private void join() {
        int[] parent = joined();
        Map<Integer, List<Integer>> members = new LinkedHashMap<>();
        Set<Integer> used = new HashSet<>();
        edges.forEach(edge -> {
            used.add(edge.from());
            used.add(edge.to());
        });
        for (int post : used.stream().sorted().toList()) {
            members.computeIfAbsent(root(parent, post), fresh -> new ArrayList<>())
                    .add(post);
        }
        members.forEach((root, joined) -> {
            List<Edge> wires = new ArrayList<>();
            List<Edge> pieces = new ArrayList<>();
            boolean isPlanned = false;
            for (int i = 0; i < edges.size(); i++) {
                Edge edge = edges.get(i);
                if (!edge.isPiece() && root(parent, edge.from()) == root) {
                    wires.add(edge);
                    isPlanned |= asPlanned.contains(i) && edge.step() >= 0;
                } else if (edge.isPiece() && (root(parent, edge.from()) == root || root(parent, edge.to()) == root)) {
                    pieces.add(edge);
                }
            }
            nets.add(new Net(joined, wires, pieces, isPlanned));
        });
    }

    private static int root(int[] parent, int post) {
        int at = post;
        while (parent[at] != at) {
            at = parent[at];
        }
        return at;
    }

    /** A tree over posts needs two ends for each wire of it; half rows are added until there is room for them and all pieces. */
    private void makeRoom() {
        for (int i = 0; i < nets.size(); i++) {
            Net net = nets.get(i);
            if (net.isAsPlanned()) {
                continue;
            }
            int room = net.posts().stream().mapToInt(this::room).sum();
            int wanted = 2 * (net.posts().size() - 1)
                    + net.pieces().stream()
                            .mapToInt(piece -> (net.posts().contains(piece.from()) ? 1 : 0)
                                    + (net.posts().contains(piece.to()) ? 1 : 0))
                            .sum();
            List<Integer> more = new ArrayList<>(net.posts());
            List<Edge> wires = new ArrayList<>(net.edges());
            Terminal of = posts.get(
                            net.edges().isEmpty()
                                    ? net.posts().get(0)
                                    : net.edges().get(0).from())
                    .terminal();
            boolean hasHoles =
                    net.posts().stream().anyMatch(post -> posts.get(post).isInHoles());
            while (room < wanted || !hasHoles && !net.pieces().isEmpty()) {
                hasHoles = true;
                int next = posts.meeting(of);
                more.add(next);
                wires.add(new Edge(-1, net.posts().get(0), next, false));
                room += room(next);
                wanted += 2;
            }
            nets.set(i, new Net(more, wires, net.pieces(), false));
        }
    }

    /** Which posts of a net the plan reaches first: from its first wire's first end outwards, each with the wire that reaches it. */
    static Map<Integer, Edge> reachedBy(Net net) {
        Map<Integer, Edge> by = new LinkedHashMap<>();
        if (net.edges().isEmpty()) {
            return by;
        }
        int root = net.edges().get(0).from();
        Deque<Integer> open = new ArrayDeque<>(List.of(root));
        Set<Integer> seen = new HashSet<>(List.of(root));
        while (!open.isEmpty()) {
            int at = open.poll();
            for (Edge edge : net.edges()) {
                if ((edge.from() == at || edge.to() == at) && seen.add(edge.other(at))) {
                    by.put(edge.other(at), edge);
                    open.add(edge.other(at));
                }
            }
        }
        return by;
    }
}
