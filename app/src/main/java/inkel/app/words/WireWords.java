package inkel.app.words;

import inkel.core.catalog.Fitting;
import inkel.core.catalog.Outline;
import inkel.core.catalog.Pin;
import inkel.core.catalog.TableKind;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Fact;
import inkel.core.remedy.PinNames;
import inkel.core.remedy.RailNames;
import inkel.core.wiring.EndPlace;
import inkel.core.wiring.HeaderPlace;
import inkel.core.wiring.Jumper;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireStep;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Names the ends of wires and where they are. */
public final class WireWords {
    private final NodeCircuit node;

    public WireWords(NodeCircuit node) {
        this.node = node;
    }

    /** What an end is called: {@code Board D11}, {@code Packet radio MOSI}, {@code ground row}. */
    public String name(Terminal terminal) {
        if (terminal instanceof Terminal.OnPin pin) {
            return Words.say(PinNames.of(node, pin.pin()));
        }
        if (terminal instanceof Terminal.OnLeg leg) {
            return Words.say(Fact.of("wire.leg." + leg.leg().name().toLowerCase(Locale.ROOT))
                    .with("signal", PinNames.of(node, leg.signal())));
        }
        if (terminal instanceof Terminal.OnRow row) {
            return Words.get("wire.row", "rail", RailNames.of(node, row.rail()));
        }
        if (terminal instanceof Terminal.OnOtherBoard other) {
            String end = other.isGround() || other.part().isEmpty()
                    ? other.pin().pin()
                    : other.part() + " " + other.pin().pin();
            return other.isGround()
                    ? Words.get("wire.other_ground", "board", other.board())
                    : other.board() + " " + end;
        }
        if (terminal instanceof Terminal.OnMeeting meeting) {
            return Words.get("wire.meeting", "end", name(meeting.of()));
        }
        if (terminal instanceof Terminal.OnStretch stretch) {
            return stretch(stretch);
        }
        return terminal instanceof Terminal.Gone gone ? gone(gone) : Words.get("wire.ground_row");
    }

    /** A stretch of a rail: {@code left minus rail}, with its half and its breadboard where there are several. */
    private String stretch(Terminal.OnStretch stretch) {
        String rail = Words.get(
                stretch.isPlus() ? "wire.stretch.plus" : "wire.stretch.minus",
                "side",
                Words.get(stretch.isLeft() ? "seats.left" : "seats.right"));
        String half = node.table() == TableKind.LONG
                ? Words.get(stretch.segment() == 0 ? "wire.stretch.low" : "wire.stretch.high", "rail", rail)
                : rail;
        return stretch.board() == 1
                ? half
                : Words.say(Fact.of("wire.stretch.board").with("rail", half).with("board", stretch.board()));
    }

    /** What is still known of an end that is not there any more: its part's name where that is there, and its pin. */
    private String gone(Terminal.Gone gone) {
        String plain = gone.id().replaceAll("@[0-9]+$", "");
        return Endpoint.parse(plain)
                .flatMap(end -> node.part(end.part())
                        .map(placed -> Words.say(Fact.of("pin")
                                .with("part", placed.part().name())
                                .with("pin", end.pin()))))
                .orElse(plain);
    }

    /** Both ends of a wire. */
    public String ends(WireStep step) {
        return Words.say(Fact.of("wire.ends").with("from", name(step.from())).with("to", name(step.to())));
    }

    /** The sort of a wire with its length, as a line of what lies on the table. */
    public static String sort(Jumper jumper) {
        return Words.get("jumper.line", "jumper", jumper(jumper));
    }

    /** Where an end is, counted from both ends of its header. */
    public String place(Terminal terminal) {
        if (terminal instanceof Terminal.OnOtherBoard) {
            return Words.get("wire.on_other_board");
        }
        if (!(terminal instanceof Terminal.OnPin pin)) {
            return Words.get("wire.on_breadboard");
        }
        return place(part(pin), pin.index());
    }

    /** The same for a pin of a part; of two ends what is seen of them. */
    static String place(Placed placed, int index) {
        String two = "wire.place.two."
                + placed.cls().handling().outline().mark().name().toLowerCase(Locale.ROOT);
        if (placed.cls().pins().size() == 2 && Words.has(two + ".first")) {
            return Words.get(two + (index == 0 ? ".first" : ".second"));
        }
        HeaderPlace place = HeaderPlace.of(placed.cls(), index);
        boolean isUsb = placed.cls().from().equals("usb");
        String row = "wire.place." + place.row();
        String counted = Words.say(Fact.of(Words.has(row) ? row : "wire.place.other")
                .with("row", place.row())
                .with("colour", colour(placed, index))
                .with("start", ordinal(place.fromStart()))
                .with("mark", Words.get(isUsb ? "wire.mark.usb" : "wire.mark.first"))
                .with("end", ordinal(place.fromEnd())));
        int printed = placed.cls().pins().get(index).header();
        return printed == 0
                ? counted
                : Words.say(Fact.of(placed.isChip() ? "wire.place.leg" : "wire.place.header")
                        .with("number", printed)
                        .with("counted", counted));
    }

    /** Whose end it is: a part, a row, another board. */
    public String owner(Terminal terminal) {
        if (terminal instanceof Terminal.OnPin pin) {
            Placed placed = part(pin);
            return placed.part().isBoard()
                    ? Words.get("ends.board")
                    : placed.part().name();
        }
        return terminal instanceof Terminal.OnOtherBoard other ? other.board() : name(terminal);
    }

    /** How a part lies in its picture: which row, which side is seen, where its marked end is. */
    public String view(EndPlace place, boolean isOver) {
        Outline outline = place.placed().cls().handling().outline();
        Optional<Outline.Row> row = outline.row(place.pin().row());
        String key = "ends.row." + place.pin().row();
        String lies = isOver
                ? "ends.pins_up"
                : place.isInABreadboard()
                        ? "ends.in_breadboard"
                        : row.map(found -> "ends.lies." + found.ends().name().toLowerCase(Locale.ROOT))
                                .orElse("ends.lies.pins");
        boolean isAcross = row.map(Outline.Row::runs)
                .filter(runs -> runs == Outline.Runs.RIGHT || runs == Outline.Runs.LEFT)
                .isPresent();
        return Stream.of(
                        Words.has(key) ? Words.get(key) : "",
                        Words.get(lies),
                        mark(outline.mark(), isAcross ? isOver ? "ends.right" : "ends.left" : "ends.up"))
                .filter(said -> !said.isEmpty())
                .collect(Collectors.joining(", "));
    }

    /** The end that places are counted from, and where it is. */
    private static String mark(Outline.Mark mark, String where) {
        String key = "ends.mark." + mark.name().toLowerCase(Locale.ROOT);
        return Words.has(key) ? Words.get(where, "mark", Words.get(key)) : Words.get(key + ".alone");
    }

    /** The sort of wire and its length. */
    public static String jumper(Jumper jumper) {
        return Words.say(Fact.of("jumper." + jumper.kind().name().toLowerCase(Locale.ROOT))
                .with("length", Math.round(jumper.length().metres() * 100)));
    }

    /** The number that is printed for an end, or that a chip's leg has; empty when it has none. */
    public String printed(Terminal terminal) {
        if (!(terminal instanceof Terminal.OnPin pin)) {
            return "";
        }
        Placed placed = part(pin);
        int printed = placed.cls().pins().get(pin.index()).header();
        return printed == 0
                ? ""
                : Words.get(placed.isChip() ? "wire.printed.leg" : "wire.printed.header", "number", printed);
    }

    /** The colour of a cable's lead, which is its other label; empty for any other pin. */
    private static String colour(Placed placed, int index) {
        Pin found = placed.cls().pins().get(index);
        return found.isLead() && !found.also().isEmpty() ? found.also().get(0) : "";
    }

    /** What goes in the wire, or instead of it; empty for a plain one. */
    public String between(WireStep step) {
        return step.fitting()
                .map(fitting -> Words.get(key(step, fitting), "value", fitting.value()))
                .or(() -> step.inLine().map(BetweenWords::toDo))
                .orElse("");
    }

    /** A part beside the breadboard has no holes at its pins. */
    private String key(WireStep step, Fitting fitting) {
        boolean isBeside = step.isAcrossSupply()
                && node.table().isBreadboard()
                && node.part(step.subject().part())
                        .filter(placed -> !Jumper.isInABreadboard(node, placed))
                        .isPresent();
        return "wire.fitting." + fitting.sort().name().toLowerCase(Locale.ROOT) + (isBeside ? ".beside" : "");
    }

    /** What the wire carries, or that it is a small part, with what stands in it in one word. */
    public String kind(WireStep step) {
        String kind = Words.get("wire.kind." + step.kind().name().toLowerCase(Locale.ROOT));
        String more = step.fitting()
                .map(WireWords::small)
                .or(() -> step.inLine().map(BetweenWords::kind))
                .orElse("");
        return more.isEmpty() ? kind : kind + ", " + more;
    }

    /** A small part in a word: what it has, or what it is where that is more to the point. */
    public static String small(Fitting fitting) {
        return fitting.sort() == Fitting.Sort.DIODE
                ? Words.get("wire.fitting.diode.word")
                : Words.show(fitting.value());
    }

    private Placed part(Terminal.OnPin pin) {
        return node.part(pin.pin().part()).orElseThrow();
    }

    private static String ordinal(int number) {
        int lastTwo = number % 100;
        String kind = lastTwo >= 11 && lastTwo <= 13
                ? "other"
                : switch (number % 10) {
                    case 1 -> "one";
                    case 2 -> "two";
                    case 3 -> "few";
                    default -> "other";
                };
        return Words.get("ordinal." + kind, "count", number);
    }
}
