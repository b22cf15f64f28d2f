package inkel.core.remedy;

import inkel.core.catalog.Ability;
import inkel.core.catalog.IoFamily;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinLoad;
import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Insert;
import inkel.core.formula.ESeries;
import inkel.core.formula.SeriesResistor;
import inkel.core.quantity.Current;
import inkel.core.quantity.Range;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Puts parts of a class on a node's table, fed from rails that suit them where there are any. */
public final class AddParts {
    private AddParts() {}

    /**
     * The edits that add parts of one class, each with a name and an id of its own.
     *
     * @param count how many, at least 1
     */
    public static List<Edit> of(NodeCircuit circuit, PartClass cls, int count) {
        List<Edit> edits = new ArrayList<>();
        Node node = circuit.node();
        for (int i = 0; i < count; i++) {
            String id = node.freeId(cls.id());
            Part part = Part.of(id, cls.id(), freeName(node, cls.name()), "").withFeeds(feeds(circuit, cls));
            edits.add(new AddPart(node.id(), part));
            edits.addAll(resistors(circuit, part, cls));
            List<Part> more = new ArrayList<>(node.parts());
            more.add(part);
            node = node.withParts(more);
        }
        return edits;
    }

    /**
     * A lamp on a pin of the board comes with the resistor that makes it as bright as it is meant to be, or as bright as a pin
     * of the board may make it: R = (V − Vf) / I. A sensor that is a
     * resistance alone comes with the one above it from which its voltage swings the most.
     */
    private static List<Edit> resistors(NodeCircuit circuit, Part part, PartClass cls) {
        Optional<Current> most = mostOfPin(circuit);
        List<Edit> edits = new ArrayList<>();
        for (PinLoad load : cls.demands().pinLoads()) {
            Optional<Voltage> drive = load.forward().isEmpty() ? Optional.empty() : drive(circuit, part, cls, load);
            Current bright = load.current().range().expected();
            Current wanted = most.filter(bright::isAbove).orElse(bright);
            drive.map(volts -> resistor(circuit, new Endpoint(part.id(), load.pin()), load, volts, wanted))
                    .ifPresent(edits::add);
        }
        for (Pin pin : cls.pins()) {
            BesideSensor.of(cls, new Endpoint(part.id(), pin.label()))
                    .ifPresent(beside -> edits.add(new Insert(circuit.node().id(), beside)));
        }
        return edits;
    }

    /** What lights a lamp: the rail that its other end hangs on, else the board's pins where the part has no supply of its own. */
    private static Optional<Voltage> drive(NodeCircuit circuit, Part part, PartClass cls, PinLoad load) {
        if (load.from().isPresent()) {
            return Optional.ofNullable(part.feeds().get(load.from().get()))
                    .flatMap(circuit::rail)
                    .flatMap(Rail::volts)
                    .map(Range::highest);
        }
        return logicRails(circuit).stream()
                .filter(rail -> cls.supplies().isEmpty())
                .flatMap(rail -> circuit.rail(rail).flatMap(Rail::volts).stream())
                .map(Range::highest)
                .max(Voltage::compareTo);
    }

    /** What every plain pin of the board may carry. */
    private static Optional<Current> mostOfPin(NodeCircuit circuit) {
        PartClass board = circuit.board().cls();
        return board.offers()
                .filter(pin -> pin.can(Ability.Kind.DIGITAL) && !pin.can(Ability.Kind.INPUT_ONLY))
                .flatMap(pin -> board.io(pin).flatMap(IoFamily::pinCurrent).stream())
                .min(Current::compareTo);
    }

    private static Edit resistor(NodeCircuit circuit, Endpoint signal, PinLoad load, Voltage drive, Current wanted) {
        Voltage across =
                SeriesResistor.across(drive, load.forward().orElseThrow().lowest());
        Resistance value = SeriesResistor.standard(across, wanted, ESeries.E12);
        return new Insert(circuit.node().id(), new Between.Series(signal, value, Extras.NONE));
    }

    /** The rails that the board's own pins hang on. */
    static Set<Endpoint> logicRails(NodeCircuit circuit) {
        return circuit.board()
                .cls()
                .offers()
                .flatMap(pin -> circuit.ioRail(circuit.board().endpoint(pin)).stream())
                .map(Rail::id)
                .collect(Collectors.toSet());
    }

    private static String freeName(Node node, String wanted) {
        String name = wanted;
        for (int number = 2; isTaken(node, name); number++) {
            name = wanted + " " + number;
        }
        return name;
    }

    private static boolean isTaken(Node node, String name) {
        return node.parts().stream().anyMatch(part -> part.name().equals(name));
    }

    /** The rails that would feed a part of a class, by its supply pins; none for a pin that no rail suits. */
    static Map<String, Endpoint> feeds(NodeCircuit circuit, PartClass cls) {
        Map<String, Endpoint> feeds = new LinkedHashMap<>();
        for (Supply supply : cls.supplies()) {
            if (!cls.mayStayUnfed(supply)) {
                rails(circuit, cls, supply).findFirst().ifPresent(rail -> feeds.put(supply.pin(), rail.id()));
            }
        }
        return feeds;
    }

    /**
     * The rails that usually suit a pin and have room for the part's peak, in their {@link RailOrder}; then those that are asked
     * for too much as they are, beside which the part is next to nothing.
     */
    static Stream<Rail> rails(NodeCircuit circuit, PartClass cls, Supply supply) {
        Stream<Rail> besides = cls.outputs().isEmpty()
                ? suiting(circuit, cls, supply).filter(rail -> Room.isBesides(circuit, rail, cls.peak(supply.pin())))
                : Stream.empty();
        return Stream.concat(rails(circuit, cls, supply, Optional.empty()), besides);
    }

    /** @param now the rail that the part hangs on as yet, which then has less to carry */
    static Stream<Rail> rails(NodeCircuit circuit, PartClass cls, Supply supply, Optional<Endpoint> now) {
        return suiting(circuit, cls, supply).filter(rail -> Room.isFor(circuit, rail, cls.peak(supply.pin()), now));
    }

    private static Stream<Rail> suiting(NodeCircuit circuit, PartClass cls, Supply supply) {
        boolean isLedOn = RailOrder.isLedOn(cls, supply);
        return circuit.rails().stream()
                // What a part only leads on, a cell behind a charger or a motor's supply, is no rail of the board.
                .filter(rail -> !isLedOn || !circuit.isMadeFrom(rail.id(), Part.BOARD))
                .filter(rail -> FeedFixes.maySupply(circuit, rail, supply))
                .filter(rail -> LoadScrews.mayFeed(circuit, rail, cls))
                // What a contact switches is for what the builder means to switch.
                .filter(rail -> rail.output().contact().isEmpty())
                .filter(rail -> FeedFixes.volts(circuit, rail)
                        .filter(volts -> FeedFixes.fits(volts.usual(), supply))
                        .isPresent())
                .sorted(RailOrder.of(circuit, cls, supply));
    }
}
