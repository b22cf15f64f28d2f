package inkel.core.seats;

import inkel.core.catalog.Outline;
import inkel.core.catalog.Outline.Spot;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.wiring.EndPlace;
import inkel.core.wiring.Jumper;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What is to be seated and joined on the table of a node: its shapes, and its nets of posts with room for every wire. */
final class TableNets {
    /** Between the end of the breadboard and a board that lies beside it, in steps. */
    private static final double BESIDE = 4;

    private static final double MIDDLE = 5.5;

    private final NodeCircuit node;
    private final WireList list;
    private final int plusRails;
    private final List<Shape> shapes = new ArrayList<>();
    private final Map<String, Integer> shapeOf = new HashMap<>();
    private final List<Post> posts = new ArrayList<>();
    private final Map<String, Integer> postOf = new HashMap<>();
    private final List<Edge> edges = new ArrayList<>();
    private final List<Net> nets = new ArrayList<>();
    private final Set<Integer> asPlanned = new HashSet<>();
    private final List<Terminal> rails = new ArrayList<>();

    private TableNets(NodeCircuit node, WireList list, int plusRails) {
        this.node = node;
        this.list = list;
        this.plusRails = plusRails;
    }

    /**
     * @param arriving wires of other boards' lists that end on this table
     * @param plusRails how many rails of the breadboards are there for supplies
     */
    static TableNets of(WireList list, List<WireStep> arriving, int plusRails) {
        TableNets made = new TableNets(list.node(), list, plusRails);
        made.seat();
        made.chooseRails();
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
        return shapes;
    }

    List<Post> posts() {
        return posts;
    }

    Post post(int id) {
        return posts.get(id);
    }

    List<Net> nets() {
        return nets;
    }

    /** What the rails of the breadboard carry: the common ground first where there is one, then the busiest supplies. */
    List<Terminal> rails() {
        return rails;
    }

    int room(int post) {
        Post of = posts.get(post);
        return of.room(of.shape() < 0 ? null : shapes.get(of.shape()));
    }

    // --- what is there

    private void seat() {
        for (Placed placed : node.parts()) {
            if (!placed.isForLater() && node.carrier(placed).isEmpty() && Jumper.isInABreadboard(node, placed)) {
                shape(Shape.of(placed.id(), placed.cls()));
            }
        }
    }

    private int shape(Shape shape) {
        return shapeOf.computeIfAbsent(shape.id(), id -> {
            shapes.add(shape);
            return shapes.size() - 1;
        });
    }

    /** Grounds go to the minus rails; the supplies with most wires to the plus rails, as far as there are some. */
    private void chooseRails() {
        Map<Terminal, Integer> ends = new LinkedHashMap<>();
        for (WireStep step : list.steps()) {
            for (Terminal end : List.of(step.from(), step.to())) {
                if (end instanceof Terminal.OnRow || end instanceof Terminal.OnGroundRow) {
                    ends.merge(end, 1, Integer::sum);
                }
            }
        }
        Terminal ground = new Terminal.OnGroundRow();
        if (ends.remove(ground) != null) {
            rails.add(ground);
        }
        ends.entrySet().stream()
                .sorted(Comparator.comparing((Map.Entry<Terminal, Integer> end) -> -end.getValue()))
                .limit(plusRails)
                .forEach(end -> rails.add(end.getKey()));
    }

    // --- posts

    private int post(Terminal terminal) {
        return postOf.computeIfAbsent(terminal.id(), id -> {
            if (terminal instanceof Terminal.OnRow || terminal instanceof Terminal.OnGroundRow) {
                return rails.contains(terminal)
                        ? make(Post.Kind.RAIL, terminal, -1, null, Optional.empty())
                        : meeting(terminal, 1);
            }
            if (terminal instanceof Terminal.OnOtherBoard) {
                return make(Post.Kind.AWAY, terminal, -1, null, Optional.empty());
            }
            if (terminal instanceof Terminal.OnPin pin) {
                return onPin(pin);
            }
            throw new IllegalStateException("no post for " + id);
        });
    }

    private int onPin(Terminal.OnPin pin) {
        Integer shape = shapeOf.get(pin.pin().part());
        if (shape != null) {
            for (Shape.Leg leg : shapes.get(shape).legs()) {
                if (leg.pin() == pin.index()) {
                    return make(Post.Kind.LEG, pin, shape, leg, Optional.empty());
                }
            }
        }
        Placed placed = node.part(pin.pin().part()).orElseThrow();
        Outline outline = placed.cls().handling().outline();
        Outline.Ends ends = outline.row(placed.cls().pins().get(pin.index()).row())
                .map(Outline.Row::ends)
                .orElse(Outline.Ends.PINS);
        boolean isLead = ends == Outline.Ends.LEADS
                || ends == Outline.Ends.PLUG
                || ends == Outline.Ends.SOCKETS && !placed.part().isBoard();
        return make(
                isLead ? Post.Kind.LEAD : Post.Kind.PIN,
                pin,
                -1,
                null,
                placed.part().isBoard() ? beside(placed, pin) : Optional.empty());
    }

    /** The board lies before row 1, its marked end outwards. */
    private Optional<Spot> beside(Placed board, Terminal.OnPin pin) {
        Outline outline = board.cls().handling().outline();
        boolean isOver = new EndPlace(node, board, pin.index()).isPinsUp();
        double left = Double.MAX_VALUE;
        double right = -Double.MAX_VALUE;
        double bottom = -Double.MAX_VALUE;
        for (inkel.core.catalog.Pin other : board.cls().pins()) {
            Optional<Spot> spot = outline.spot(other);
            if (spot.isPresent()) {
                left = Math.min(left, spot.get().x());
                right = Math.max(right, spot.get().x());
                bottom = Math.max(bottom, spot.get().y());
            }
        }
        double lowest = bottom;
        double shift = MIDDLE - (left + right) / 2;
        double turned = MIDDLE + (left + right) / 2;
        return outline.spot(board.cls().pins().get(pin.index()))
                .map(spot -> new Spot(isOver ? turned - spot.x() : spot.x() + shift, spot.y() - lowest - BESIDE));
    }

    private int make(Post.Kind kind, Terminal terminal, int shape, Shape.Leg leg, Optional<Spot> at) {
        posts.add(new Post(posts.size(), kind, terminal, shape, leg, at));
        return posts.size() - 1;
    }

    private int meeting(Terminal of, int nth) {
        Terminal meeting = new Terminal.OnMeeting(of, nth);
        Shape row = Shape.row(meeting.id(), 1);
        return make(Post.Kind.MEETING, meeting, shape(row), row.legs().get(0), Optional.empty());
    }

    // --- edges

    private void add(int index, WireStep step) {
        if (step.isAcrossSupply()) {
            acrossSupply(index, step);
            return;
        }
        if (step.fitting().isPresent()) {
            edges.add(new Edge(index, end(step.from()), end(step.to()), true));
            return;
        }
        boolean isSignal = step.kind() == WireStep.Kind.SIGNAL || step.kind() == WireStep.Kind.SHARED;
        int first = edges.size();
        Optional<Between> piece = step.inLine().filter(between -> !(between instanceof Between.Nothing));
        if (piece.isEmpty()) {
            edges.add(new Edge(index, end(step.from()), end(step.to()), false));
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
        if (shapeOf.containsKey(placed.id())) {
            edges.add(new Edge(index, end(step.from()), end(step.to()), true));
            return;
        }
        Terminal ground = new Terminal.OnGroundRow();
        step.fitting()
                .flatMap(capacitor -> node.railOf(placed, capacitor.from()))
                .map(rail -> new Terminal.OnRow(rail.id()))
                .filter(row -> !placed.part().groundApart() && rails.contains(row) && rails.contains(ground))
                .ifPresent(row -> edges.add(new Edge(index, end(row), end(ground), true)));
    }

    /** The wire from there that another board's list has. */
    private void arrive(int index, WireStep step) {
        for (Terminal end : List.of(step.from(), step.to())) {
            if (end instanceof Terminal.OnOtherBoard other
                    && other.pin().node().equals(node.node().id())) {
                Terminal here = other.isGround()
                        ? new Terminal.OnGroundRow()
                        : list.terminal(other.pin().endpoint());
                if (here instanceof Terminal.OnOtherBoard || !postOf.containsKey(here.id()) && other.isGround()) {
                    continue;
                }
                int there = make(Post.Kind.ARRIVING, end, -1, null, Optional.empty());
                edges.add(new Edge(index, end(here), there, false));
            }
        }
    }

    /** A wire to a half row of its own, from there the piece to the end that is in holes; else to another half row. */
    private void throughPiece(int index, WireStep step) {
        int from = end(step.from());
        int to = end(step.to());
        if (step.from() instanceof Terminal.OnLeg) {
            int meeting = meeting(step.to(), pieceNumber(step.to()));
            edges.add(new Edge(index, from, meeting, true));
            edges.add(new Edge(index, meeting, to, false));
            return;
        }
        int meeting = meeting(step.to(), pieceNumber(step.to()));
        edges.add(new Edge(index, from, meeting, false));
        if (posts.get(to).isInHoles()) {
            edges.add(new Edge(index, meeting, to, true));
        } else {
            int behind = meeting(step.to(), pieceNumber(step.to()));
            edges.add(new Edge(index, meeting, behind, true));
            edges.add(new Edge(index, behind, to, false));
        }
    }

    private int pieceNumber(Terminal of) {
        int nth = 1;
        while (shapeOf.containsKey(new Terminal.OnMeeting(of, nth).id())) {
            nth++;
        }
        return nth;
    }

    private void throughTransistor(int index, WireStep step) {
        Endpoint signal = step.subject().endpoint();
        boolean isDrivenFrom = node.wire(signal)
                .map(node::listener)
                .filter(listener ->
                        step.to() instanceof Terminal.OnPin pin && pin.pin().equals(listener))
                .isPresent();
        int driver = end(isDrivenFrom ? step.from() : step.to());
        int load = end(isDrivenFrom ? step.to() : step.from());
        Transistor legs = transistor(signal);
        int meeting = meeting(step.to(), pieceNumber(step.to()));
        edges.add(new Edge(index, driver, meeting, false));
        edges.add(new Edge(index, meeting, legs.base(), true));
        edges.add(new Edge(index, legs.collector(), load, false));
    }

    private record Transistor(int base, int collector, int emitter) {}

    private Transistor transistor(Endpoint signal) {
        String id = "transistor " + signal;
        Shape body = Shape.row(id, 3);
        int shape = shape(body);
        int[] made = new int[3];
        Terminal emitter = new Terminal.OnLeg(signal, Optional.empty(), Terminal.Leg.EMITTER);
        List<Terminal> ends = List.of(
                new Terminal.OnMeeting(emitter, 1),
                new Terminal.OnLeg(signal, Optional.empty(), Terminal.Leg.COLLECTOR),
                emitter);
        for (int i = 0; i < 3; i++) {
            Terminal end = ends.get(i);
            Shape.Leg leg = body.legs().get(i);
            made[i] = postOf.computeIfAbsent(end.id(), key -> make(Post.Kind.LEG, end, shape, leg, Optional.empty()));
        }
        return new Transistor(made[0], made[1], made[2]);
    }

    /** A leg of what stands in a wire, of which the whole is then on the table. */
    private int end(Terminal terminal) {
        if (!(terminal instanceof Terminal.OnLeg leg)) {
            return post(terminal);
        }
        boolean isTransistor = leg.away().isEmpty()
                && node.between(leg.signal())
                        .filter(Between.CoilDriver.class::isInstance)
                        .isPresent();
        if (isTransistor) {
            Transistor legs = transistor(leg.signal());
            return leg.leg() == Terminal.Leg.EMITTER ? legs.emitter() : legs.collector();
        }
        Shape body = Shape.coupler(
                "coupler " + leg.signal() + leg.away().map(pin -> " to " + pin).orElse(""));
        int shape = shape(body);
        int which =
                switch (leg.leg()) {
                    case ANODE -> 0;
                    case CATHODE -> 1;
                    case COLLECTOR -> 2;
                    case EMITTER -> 3;
                };
        return postOf.computeIfAbsent(
                terminal.id(),
                key -> make(Post.Kind.LEG, terminal, shape, body.legs().get(which), Optional.empty()));
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
                int next = meeting(
                        of instanceof Terminal.OnMeeting meeting ? meeting.of() : of,
                        pieceNumber(of instanceof Terminal.OnMeeting meeting ? meeting.of() : of));
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
        int[] parent = new int[posts.size()];
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
                int next = meeting(of, pieceNumber(of));
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
