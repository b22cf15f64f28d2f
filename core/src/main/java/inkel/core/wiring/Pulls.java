package inkel.core.wiring;

import inkel.core.catalog.Fitting;
import inkel.core.catalog.Pin;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.WireId;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Unit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Wires that are plugged and no longer in the plan, to be pulled before any is plugged. */
final class Pulls {
    private static final String MEETING = "meeting of ";
    private static final Pattern STRETCH =
            Pattern.compile("rail (?<board>\\d+) (?<side>left|right) (?<sign>plus|minus) (?<segment>\\d+)");

    private Pulls() {}

    /** @param ids as the build remembers plugged wires */
    static List<WireStep> of(NodeCircuit node, Set<String> ids) {
        List<WireStep> pulls = new ArrayList<>();
        for (String id : ids) {
            WireId wire = WireId.parse(id);
            Terminal one = terminal(node, wire.from());
            Terminal other = terminal(node, wire.to());
            pulls.add(new WireStep(
                    id,
                    pulls.size() + 1,
                    WireStep.Kind.PULL,
                    one,
                    other,
                    WireColour.GREY,
                    node.place(subject(other)
                            .or(() -> subject(one))
                            .orElse(new Endpoint(node.board().id(), ""))),
                    Optional.empty(),
                    capacitor(wire),
                    true));
        }
        return pulls;
    }

    private static Optional<Fitting> capacitor(WireId id) {
        return NodeCircuit.valueIn(id)
                .flatMap(value -> Engineering.parse(value, Unit.FARAD))
                .map(value -> new Fitting(Fitting.Sort.CAPACITOR, Capacitance.ofFarads(value), "", ""));
    }

    /** Whether a wire joins what is only there on a breadboard: a stretch of a rail, a row where wires meet. */
    static boolean isOfBreadboard(String id) {
        return id.contains(MEETING) || STRETCH.matcher(id).find();
    }

    private static Optional<Endpoint> subject(Terminal terminal) {
        return terminal instanceof Terminal.OnPin pin && !pin.pin().part().equals("board")
                ? Optional.of(pin.pin())
                : Optional.empty();
    }

    /** The end that an id names; one of a part or pin that is not there any more keeps its name. */
    private static Terminal terminal(NodeCircuit node, String id) {
        if (id.equals(new Terminal.OnGroundRow().id())) {
            return new Terminal.OnGroundRow();
        }
        Matcher stretch = STRETCH.matcher(id);
        if (stretch.matches()) {
            return new Terminal.OnStretch(
                    new Terminal.OnGroundRow(),
                    Integer.parseInt(stretch.group("board")),
                    stretch.group("side").equals("left"),
                    stretch.group("sign").equals("plus"),
                    Integer.parseInt(stretch.group("segment")) - 1);
        }
        if (id.startsWith(MEETING) && id.lastIndexOf(' ') > MEETING.length()) {
            int blank = id.lastIndexOf(' ');
            String nth = id.substring(blank + 1);
            return nth.matches("\\d{1,4}")
                    ? new Terminal.OnMeeting(
                            terminal(node, id.substring(MEETING.length(), blank)), Integer.parseInt(nth))
                    : new Terminal.Gone(id);
        }
        return WireId.pin(id)
                .flatMap(end -> node.part(end.part()).flatMap(placed -> onPin(placed, id)))
                .orElseGet(() -> new Terminal.Gone(id));
    }

    private static Optional<Terminal> onPin(Placed placed, String id) {
        List<Pin> pins = placed.cls().pins();
        for (int i = 0; i < pins.size(); i++) {
            Terminal end = Terminal.OnPin.of(placed, i);
            if (end.id().equals(id)) {
                return Optional.of(end);
            }
        }
        return Optional.empty();
    }
}
