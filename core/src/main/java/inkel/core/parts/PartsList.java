package inkel.core.parts;

import inkel.core.catalog.Decoupling;
import inkel.core.catalog.Fitting;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Between;
import inkel.core.document.Wire;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Resistance;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Everything that must lie on the table for a node: boards, modules and sources, the capacitors they want, the
 * resistors in wires, and what a bare chip needs that a ready module would have brought.
 */
public record PartsList(NodeCircuit node, List<Line> lines) {
    /** A breadboard takes pins in this raster; a chip of any other needs an adapter. */
    private static final double BREADBOARD_METRES = 2.54e-3;

    public PartsList {
        lines = List.copyOf(lines);
    }

    /**
     * One kind of thing.
     *
     * @param what a fact under {@code have.*}, or the name of a class as {@code have.part}
     * @param uses the names of the parts it is for, or of the parts themselves
     * @param owners the id of the part that each one is for
     */
    public record Line(Kind kind, Fact what, int count, List<String> uses, List<String> owners) {
        public Line {
            uses = List.copyOf(uses);
            owners = List.copyOf(owners);
        }
    }

    /** What kind of thing a line tells of. */
    public enum Kind {
        PART,
        CAPACITOR,
        RESISTOR,
        SEMICONDUCTOR,
        CRYSTAL,
        ADAPTER,
        HEADER
    }

    /** With what stands in wires to other boards, which lies with the board that talks. */
    public static PartsList of(Circuit circuit, NodeCircuit node) {
        List<Between> sent = circuit.links().stream()
                .filter(link -> link.from().node().equals(node.node().id()))
                .flatMap(link -> link.between().stream())
                .toList();
        return of(node, sent);
    }

    /** As {@link #of(Circuit, NodeCircuit)}, for a board by itself. */
    public static PartsList of(NodeCircuit node) {
        return of(node, List.of());
    }

    private static PartsList of(NodeCircuit node, List<Between> sent) {
        Collector lines = new Collector();
        for (Placed placed : node.parts()) {
            lines.add(Kind.PART, Fact.of("have.part").with("name", placed.cls().name()), placed);
        }
        for (Placed placed : node.parts()) {
            for (Decoupling wanted : placed.cls().decoupling()) {
                lines.add(Kind.CAPACITOR, Fact.of("have.capacitor").with("value", wanted.value()), placed);
            }
        }
        for (Placed placed : node.parts()) {
            placed.capacitor()
                    .ifPresent(value ->
                            lines.add(Kind.CAPACITOR, Fact.of("have.capacitor").with("value", value), placed));
            placed.addedPullUps()
                    .forEach(pull -> lines.add(
                            Kind.RESISTOR, Fact.of("have.resistor").with("value", pull.resistance()), placed));
            placed.selectHeldLow()
                    .ifPresent(resistor ->
                            lines.add(Kind.RESISTOR, Fact.of("have.resistor").with("value", resistor.value()), placed));
            node.behindDiodes(placed).forEach(pin -> lines.add(Kind.SEMICONDUCTOR, Fact.of("have.schottky"), placed));
        }
        for (Between between : node.node().between()) {
            Placed placed = node.part(between.signal().part()).orElseThrow();
            node.wire(between.signal())
                    .filter(wire -> isPut(node, wire, between))
                    .ifPresent(wire -> addPiece(
                            between, placed, node.ioRail(node.listener(wire)).isPresent(), lines));
        }
        sent.forEach(piece -> addPiece(piece, node.board(), true, lines));
        node.parts().stream().filter(Placed::isChip).forEach(chip -> addChip(chip, lines));
        node.parts().stream()
                .filter(placed -> placed.isHeaderLoose() && !placed.isChip())
                .forEach(placed -> lines.add(
                        Kind.HEADER,
                        Fact.of("have.header").with("pins", placed.cls().headerPins()),
                        placed));
        return new PartsList(node, lines.lines());
    }

    /** A resistor is all that makes sense in a tie. */
    private static boolean isPut(NodeCircuit node, Wire wire, Between between) {
        return !node.isTie(wire) || between instanceof Between.Series;
    }

    /**
     * What stands in a wire.
     *
     * @param isFed whether a supply is there for what pulls up
     */
    private static void addPiece(Between between, Placed placed, boolean isFed, Collector lines) {
        if (between instanceof Between.Series series) {
            lines.addResistor(series.resistance(), placed);
        } else if (between instanceof Between.CoilDriver driver) {
            lines.add(Kind.SEMICONDUCTOR, Fact.of("have.transistor"), placed);
            lines.add(Kind.SEMICONDUCTOR, Fact.of("have.flyback_diode"), placed);
            lines.addResistor(driver.base(), placed);
        } else if (between instanceof Between.Divider divider) {
            lines.addResistor(divider.series(), placed);
            lines.addResistor(divider.toGround(), placed);
        } else if (between instanceof Between.Diode diode) {
            lines.add(Kind.SEMICONDUCTOR, Fact.of("have.signal_diode"), placed);
            lines.addPullUp(diode.pullUp(), isFed, placed);
        } else if (between instanceof Between.Opto opto) {
            lines.add(Kind.SEMICONDUCTOR, Fact.of("have.optocoupler"), placed);
            lines.addResistor(opto.series(), placed);
            lines.addPullUp(opto.pullUp(), isFed, placed);
        }
        between.capacitor()
                .ifPresent(value ->
                        lines.add(Kind.CAPACITOR, Fact.of("have.capacitor").with("value", value), placed));
    }

    /** A module would have brought what is around it, and a board in the breadboard's raster. */
    private static void addChip(Placed chip, Collector lines) {
        chip.cls().handling().make().around().forEach(fitting -> addFitting(chip, fitting, lines));
        chip.cls()
                .handling()
                .make()
                .pitch()
                .filter(pitch -> Math.abs(pitch.metres() - BREADBOARD_METRES) > 1e-5)
                .ifPresent(pitch -> lines.add(
                        Kind.ADAPTER,
                        Fact.of("have.adapter")
                                .with("pins", chip.cls().pins().size())
                                .with("pitch", Engineering.print(pitch)),
                        chip));
    }

    private static void addFitting(Placed chip, Fitting fitting, Collector lines) {
        switch (fitting.sort()) {
            case CRYSTAL -> lines.add(Kind.CRYSTAL, Fact.of("have.crystal").with("value", fitting.value()), chip);
            case CAPACITOR ->
                lines.add(Kind.CAPACITOR, Fact.of("have.capacitor").with("value", fitting.value()), chip);
            case RESISTOR -> lines.add(Kind.RESISTOR, Fact.of("have.resistor").with("value", fitting.value()), chip);
        }
    }

    /** Counts what is wanted more than once. */
    private static final class Collector {
        private final Map<Fact, List<Placed>> found = new LinkedHashMap<>();
        private final Map<Fact, Kind> kinds = new LinkedHashMap<>();

        void add(Kind kind, Fact what, Placed use) {
            kinds.putIfAbsent(what, kind);
            found.computeIfAbsent(what, fresh -> new ArrayList<>()).add(use);
        }

        void addPullUp(Resistance value, boolean isFed, Placed use) {
            if (isFed) {
                addResistor(value, use);
            }
        }

        void addResistor(Resistance value, Placed use) {
            add(Kind.RESISTOR, Fact.of("have.resistor").with("value", value), use);
        }

        List<Line> lines() {
            return found.entrySet().stream()
                    .map(entry -> new Line(
                            kinds.get(entry.getKey()),
                            entry.getKey(),
                            entry.getValue().size(),
                            entry.getValue().stream()
                                    .map(placed -> placed.part().name())
                                    .distinct()
                                    .toList(),
                            entry.getValue().stream().map(Placed::id).toList()))
                    .toList();
        }
    }
}
