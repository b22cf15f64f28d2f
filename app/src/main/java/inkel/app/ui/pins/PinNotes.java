package inkel.app.ui.pins;

import inkel.app.ui.why.Why.Line;
import inkel.app.ui.why.Why.Section;
import inkel.app.ui.why.Why.Tone;
import inkel.app.words.Words;
import inkel.core.catalog.Need;
import inkel.core.catalog.Pin;
import inkel.core.catalog.Setting;
import inkel.core.catalog.Settings;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.Hold;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Fix;
import inkel.core.pins.LinkEnd;
import inkel.core.pins.NodePins;
import inkel.core.quantity.Fact;
import inkel.core.remedy.PinNames;
import inkel.core.remedy.Wishes;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** What the Why panel says and offers of pins in the stage Pins: holding, keeping free, ends of the header. */
public final class PinNotes {
    private static final Map<String, String> ENDS = Map.of("marked", "action.end_marked", "far", "action.end_far");

    private static final Map<String, String> RIBBONS = Map.of(
            "straight", "action.ribbon_straight",
            "reversed", "action.ribbon_reversed",
            "together", "action.ribbon_together");

    private final NodeCircuit node;
    private final Assessment assessment;
    private final NodePins pins;
    private final String id;

    PinNotes(Assessment assessment, NodePins pins) {
        this.assessment = assessment;
        this.pins = pins;
        node = pins.node();
        id = node.node().id();
    }

    /** Holding all wires of a part, letting them go, and the end of the header it should stay near. */
    List<Fix> actions(Placed placed) {
        List<Fix> actions = new ArrayList<>();
        List<Wire> wires = placed.cls()
                .signals()
                .flatMap(pin -> node.wire(placed.endpoint(pin)).stream())
                .toList();
        holdAll(placed, wires.stream().filter(wire -> !wire.held()).toList(), true)
                .ifPresent(actions::add);
        holdAll(placed, wires.stream().filter(Wire::held).toList(), false).ifPresent(actions::add);
        Optional<String> now = placed.part().typed(Settings.END);
        boolean isPlaced = placed.cls().signals().findAny().isPresent();
        ENDS.keySet().stream()
                .sorted()
                .filter(end -> isPlaced)
                .filter(end -> !now.filter(end::equals).isPresent())
                .forEach(end -> actions.add(choice(placed, Settings.END, "end-" + end, ENDS.get(end), end)));
        if (now.isPresent()) {
            actions.add(choice(placed, Settings.END, "end-either", "action.end_either", null));
        }
        if (wires.size() > 1) {
            actions.addAll(ribbons(placed));
        }
        return actions;
    }

    /** How its wires should lie, where they are not wished so already. */
    private List<Fix> ribbons(Placed placed) {
        Optional<String> now = placed.part().typed(Settings.RIBBON);
        List<Fix> actions = new ArrayList<>();
        RIBBONS.keySet().stream()
                .sorted()
                .filter(word -> !now.filter(word::equals).isPresent())
                .forEach(word ->
                        actions.add(choice(placed, Settings.RIBBON, "ribbon-" + word, RIBBONS.get(word), word)));
        if (now.isPresent()) {
            actions.add(choice(placed, Settings.RIBBON, "ribbon-any", "action.ribbon_any", null));
        }
        return actions;
    }

    private Fix choice(Placed placed, Setting<?> setting, String action, String key, String value) {
        return new Fix(
                action,
                Fact.of(key).with("part", placed.part().name()),
                Fact.of("action." + setting.key() + ".cost"),
                List.of(new SetSetting(id, placed.id(), setting, value)));
    }

    private Optional<Fix> holdAll(Placed placed, List<Wire> wires, boolean isHeld) {
        if (wires.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new Fix(
                isHeld ? "hold-all" : "let-go-all",
                Fact.of(isHeld ? "action.hold_all" : "action.let_go_all")
                        .with("part", placed.part().name()),
                Fact.of(isHeld ? "action.hold.cost" : "action.let_go.cost"),
                List.of(new Hold(id, wires.stream().map(Wire::from).toList(), isHeld, ""))));
    }

    /** Holding one signal or doing without it, or keeping one pin of the board free. */
    List<Fix> actions(Endpoint end) {
        Optional<Wire> wire = node.wire(end);
        if (wire.isPresent()) {
            boolean isHeld = wire.get().held();
            Fix hold = new Fix(
                    isHeld ? "let-go" : "hold",
                    Fact.of(isHeld ? "action.let_go" : "action.hold")
                            .with("signal", end.pin())
                            .with("pin", wire.get().to().pin()),
                    Fact.of(isHeld ? "action.let_go.cost" : "action.hold.cost"),
                    List.of(new Hold(id, List.of(end), !isHeld, "")));
            return Stream.concat(Stream.of(hold), without(end).stream()).toList();
        }
        return boardPin(end).map(pin -> List.of(keepFree(pin))).orElseGet(() -> wish(end));
    }

    /** What must be held high or low is no matter of wanting. */
    private static boolean isWish(Pin pin) {
        return !pin.isWanted() || pin.need() == Need.MUST;
    }

    private Optional<Fix> without(Endpoint end) {
        return node.pin(end)
                .filter(pin -> pin.use().isSignal() && isWish(pin))
                .map(pin -> new Fix(
                        "without",
                        Fact.of("fix.without").with("signal", end.pin()),
                        Fact.of("fix.without.cost"),
                        Wishes.decline(node, node.part(end.part()).orElseThrow(), pin, "")));
    }

    /** A signal that goes nowhere may be asked for, or done without. */
    private List<Fix> wish(Endpoint end) {
        Optional<Placed> placed = node.part(end.part());
        Optional<Pin> pin = node.pin(end).filter(found -> found.use().isSignal());
        if (placed.isEmpty() || pin.isEmpty()) {
            return List.of();
        }
        if (node.wants(placed.get(), pin.get())) {
            return without(end).stream().toList();
        }
        return List.of(new Fix(
                "want",
                Fact.of("action.want").with("signal", end.pin()),
                Fact.of("action.want.cost"),
                Wishes.want(node, placed.get(), pin.get())));
    }

    private Optional<Pin> boardPin(Endpoint end) {
        return node.pin(end)
                .filter(pin ->
                        end.part().equals(node.board().id()) && !pin.can().isEmpty());
    }

    private Fix keepFree(Pin pin) {
        Placed board = node.board();
        boolean isKept = board.isKeptFree(pin);
        Set<String> kept = new LinkedHashSet<>();
        board.own(Settings.FORBIDDEN).ifPresent(kept::addAll);
        if (isKept) {
            kept.remove(pin.label());
        } else {
            kept.add(pin.label());
        }
        String key = isKept ? "action.use_again" : "action.keep_free";
        return new Fix(
                isKept ? "use-again" : "keep-free",
                Fact.of(key).with("pin", pin.label()),
                Fact.of(key + ".cost"),
                List.of(new SetSetting(
                        id, board.id(), Settings.FORBIDDEN, kept.isEmpty() ? null : String.join(", ", kept))));
    }

    private String ofOtherBoard(Place pin) {
        return Words.say(Fact.of("pin.of_node")
                .with(
                        "node",
                        assessment.circuit(pin.node()).orElseThrow().node().name())
                .with("pin", pin.pin()));
    }

    /** Who is on a pin of the board, and what it can do. */
    List<Section> sections(Endpoint end) {
        Optional<Pin> pin = boardPin(end);
        if (pin.isEmpty()) {
            return List.of();
        }
        List<String> takers = Stream.concat(
                        node.nets().getOrDefault(end, List.of()).stream()
                                .map(wire -> Words.say(PinNames.of(node, wire.from()))),
                        pins.linkEnds().stream()
                                .filter(link -> link.pin().equals(end))
                                .map(LinkEnd::there)
                                .map(this::ofOtherBoard))
                .toList();
        String can =
                String.join(", ", pin.get().can().stream().map(Object::toString).toList());
        return List.of(
                Section.ofLines(
                        Words.get("why.on_pin"),
                        takers.isEmpty()
                                ? List.of(new Line(Tone.PLAIN, Words.get("why.on_pin.nobody")))
                                : takers.stream()
                                        .map(name -> new Line(Tone.PLAIN, name))
                                        .toList()),
                Section.ofLines(Words.get("why.pin_can"), List.of(new Line(Tone.PLAIN, can))));
    }
}
