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
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What is to be seated on the table of a node, and the posts that its wires go to: legs, pins, rails, half rows where wires meet. */
final class TablePosts {
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
    private final List<Terminal> rails = new ArrayList<>();

    /** @param plusRails how many rails of the breadboards are there for supplies */
    TablePosts(NodeCircuit node, WireList list, int plusRails) {
        this.node = node;
        this.list = list;
        this.plusRails = plusRails;
        seat();
        chooseRails();
    }

    List<Shape> shapes() {
        return shapes;
    }

    List<Post> all() {
        return posts;
    }

    Post get(int id) {
        return posts.get(id);
    }

    List<Terminal> rails() {
        return rails;
    }

    /** How many wires find room. */
    int room(int post) {
        Post of = posts.get(post);
        return of.room(of.shape() < 0 ? null : shapes.get(of.shape()));
    }

    boolean isSeated(Placed placed) {
        return shapeOf.containsKey(placed.id());
    }

    boolean has(Terminal terminal) {
        return postOf.containsKey(terminal.id());
    }

    /** Where a wire arrives that another board's list has. */
    int arriving(Terminal end) {
        return make(Post.Kind.ARRIVING, end, -1, null, Optional.empty());
    }

    /** A further half row in which wires of a terminal meet. */
    int meeting(Terminal of) {
        return meeting(of, pieceNumber(of));
    }

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

    private int pieceNumber(Terminal of) {
        int nth = 1;
        while (shapeOf.containsKey(new Terminal.OnMeeting(of, nth).id())) {
            nth++;
        }
        return nth;
    }

    /** Its legs, as posts. */
    record Transistor(int base, int collector, int emitter) {}

    Transistor transistor(Endpoint signal) {
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
    int end(Terminal terminal) {
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
}
