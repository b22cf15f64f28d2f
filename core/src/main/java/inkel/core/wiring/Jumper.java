package inkel.core.wiring;

import inkel.core.catalog.Outline;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.SeatChoice;
import inkel.core.quantity.Length;
import java.util.List;
import java.util.Optional;

/**
 * What a wire is made of: which ends it has, and how long it is.
 *
 * @param length as jumpers are sold
 */
public record Jumper(Kind kind, Length length) {
    /** Within one breadboard. */
    private static final Length SHORT = Length.ofMetres(0.1);

    /** To what lies beside it. */
    private static final Length LONG = Length.ofMetres(0.2);

    /** Lengths that jumpers are sold in. */
    private static final List<Length> SOLD = List.of(
            SHORT, Length.ofMetres(0.15), LONG, Length.ofMetres(0.3), Length.ofMetres(0.4), Length.ofMetres(0.5));

    /** What is at its ends. */
    public enum Kind {
        PIN_TO_PIN,
        PIN_TO_SOCKET,
        SOCKET_TO_SOCKET,
        CLIP,
        SOLDER,
        /** The part brings the wire. */
        OWN_LEAD,
        /** Nothing to count: a cable with its plug. */
        CABLE,
        /** One of two twisted wires to another table, as long as the way is, which nobody but the builder knows. */
        TWISTED
    }

    /** The same as long as it is sold that does for a length. */
    public Jumper ofLength(Length wanted) {
        if (isBrought() || kind == Kind.TWISTED) {
            return this;
        }
        for (Length sold : SOLD) {
            if (wanted.compareTo(sold) <= 0) {
                return new Jumper(kind, sold);
            }
        }
        return new Jumper(kind, SOLD.get(SOLD.size() - 1));
    }

    /** The same as the builder made it: soldered or clipped in place of plugged. */
    public Jumper made(String how) {
        return "solder".equals(how)
                ? new Jumper(Kind.SOLDER, length)
                : "clip".equals(how) ? new Jumper(Kind.CLIP, length) : this;
    }

    /** Whether a part brings it, so that none is to be got. */
    public boolean isBrought() {
        return kind == Kind.OWN_LEAD || kind == Kind.CABLE;
    }

    /** What an end of a wire is pushed onto, into, or fixed to. */
    private enum End {
        /** A hole of a breadboard, a socket, a screw. */
        HOLE,
        PIN,
        LEAD,
        SOLDER,
        CLIP,
        CABLE
    }

    /** The wire between two ends. */
    public static Jumper between(NodeCircuit node, Terminal from, Terminal to) {
        if (isOfLongLine(from) || isOfLongLine(to)) {
            return new Jumper(Kind.TWISTED, Length.ofMetres(0));
        }
        End one = end(node, from);
        End other = end(node, to);
        if (isPluggedOn(node, from, to) || isPluggedOn(node, to, from)) {
            return new Jumper(Kind.OWN_LEAD, SHORT);
        }
        return new Jumper(kind(one, other), isOnBoard(node, from) && isOnBoard(node, to) ? SHORT : LONG);
    }

    private static boolean isOfLongLine(Terminal terminal) {
        return terminal instanceof Terminal.OnOtherBoard other && other.isOfLongLine();
    }

    /** A lead with a socket goes straight on pins. */
    private static boolean isPluggedOn(NodeCircuit node, Terminal lead, Terminal pins) {
        return row(node, lead)
                        .filter(row -> row.ends() == Outline.Ends.SOCKETS
                                && !row.colours().isEmpty())
                        .isPresent()
                && row(node, pins)
                        .filter(row -> row.ends() == Outline.Ends.PINS)
                        .isPresent();
    }

    private static Optional<Outline.Row> row(NodeCircuit node, Terminal terminal) {
        return terminal instanceof Terminal.OnPin pin
                ? node.part(pin.pin().part()).map(Placed::cls).flatMap(cls -> cls.handling()
                        .outline()
                        .row(cls.pins().get(pin.index()).row()))
                : Optional.empty();
    }

    private static Kind kind(End one, End other) {
        for (End end : new End[] {one, other}) {
            switch (end) {
                case CABLE -> {
                    return Kind.CABLE;
                }
                case CLIP -> {
                    return Kind.CLIP;
                }
                case LEAD -> {
                    return Kind.OWN_LEAD;
                }
                default -> {
                    // decided by both
                }
            }
        }
        if (one == End.SOLDER || other == End.SOLDER) {
            return Kind.SOLDER;
        }
        if (one == End.PIN && other == End.PIN) {
            return Kind.SOCKET_TO_SOCKET;
        }
        return one == End.PIN || other == End.PIN ? Kind.PIN_TO_SOCKET : Kind.PIN_TO_PIN;
    }

    /** Whether a wire is soldered to an end. */
    public static boolean isSoldered(NodeCircuit node, Terminal terminal) {
        return end(node, terminal) == End.SOLDER;
    }

    /** What the pins of an end are; empty for what is no pin of a part, or is told of no row. */
    public static Optional<Outline.Ends> ends(NodeCircuit node, Terminal terminal) {
        return row(node, terminal).map(Outline.Row::ends);
    }

    private static End end(NodeCircuit node, Terminal terminal) {
        if (!(terminal instanceof Terminal.OnPin pin)) {
            return End.HOLE;
        }
        Placed placed = node.part(pin.pin().part()).orElseThrow();
        Optional<String> contact = placed.part().typed(Settings.CONTACT);
        if (contact.filter("clip"::equals).isPresent()) {
            return End.CLIP;
        }
        if (contact.filter("solder"::equals).isPresent()) {
            return End.SOLDER;
        }
        Outline outline = placed.cls().handling().outline();
        Outline.Ends ends = outline.row(placed.cls().pins().get(pin.index()).row())
                .map(Outline.Row::ends)
                .orElse(Outline.Ends.PINS);
        return switch (ends) {
            case PINS -> isInABreadboard(node, placed) ? End.HOLE : isSoldered(node, placed) ? End.SOLDER : End.PIN;
            case LEGS -> isInABreadboard(node, placed) ? End.HOLE : End.SOLDER;
            case SOCKETS, SCREWS -> End.HOLE;
            case PADS ->
                isInABreadboard(node, placed)
                        ? End.HOLE
                        : hasHeader(placed) && !isSoldered(node, placed) ? End.PIN : End.SOLDER;
            case LEADS -> End.LEAD;
            case PLUG -> End.CABLE;
        };
    }

    /** Whether pins are on its pads, or will be before the first wire. */
    private static boolean hasHeader(Placed placed) {
        return placed.cls().handling().make().headerLoose()
                || placed.part().typed(Settings.HEADER).isPresent();
    }

    /** Whether a part stands in a breadboard, so that wires go to its rows and not to its pins. */
    public static boolean isInABreadboard(NodeCircuit node, Placed placed) {
        return node.table().isBreadboard()
                && isForABreadboard(placed)
                && Optional.ofNullable(node.node().seats().get(placed.id()))
                        .filter(SeatChoice::isOff)
                        .isEmpty();
    }

    /** Whether a part goes into a breadboard at all. */
    public static boolean isForABreadboard(Placed placed) {
        Outline outline = placed.cls().handling().outline();
        return outline.faces() == Outline.Faces.BELOW && outline.fitsBreadboard();
    }

    /** On strip board and shields what would stand in a breadboard is soldered in. */
    private static boolean isSoldered(NodeCircuit node, Placed placed) {
        return node.table().isSoldered() && isForABreadboard(placed);
    }

    private static boolean isOnBoard(NodeCircuit node, Terminal terminal) {
        return !(terminal instanceof Terminal.OnOtherBoard)
                && (!(terminal instanceof Terminal.OnPin pin)
                        || isInABreadboard(node, node.part(pin.pin().part()).orElseThrow()));
    }
}
