package inkel.core.wiring;

import inkel.core.catalog.Fitting;
import inkel.core.catalog.Outline;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Between;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Resistance;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Everything but wires that must lie on the table for a node: boards, modules and sources, the small parts that the wire list
 * says where to put, and what a bare chip needs that a ready module would have brought.
 */
public record PartsList(NodeCircuit node, List<Line> lines) {
    /** Amperes that a small rectifier diode carries. */
    private static final double SMALL_DIODE = 1;

    /** A breadboard takes pins in this raster; a chip of any other needs an adapter. */
    private static final double BREADBOARD_METRES = Outline.MILLIMETRES / 1000;

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

    /** What kind of thing a line tells of, in the order of the list. */
    public enum Kind {
        PART,
        CAPACITOR,
        RESISTOR,
        SEMICONDUCTOR,
        CRYSTAL,
        ADAPTER,
        HEADER
    }

    /** The small parts are those of the wire list, so that nothing is got that has no place and nothing has one that is not got. */
    public static PartsList of(WireList list) {
        NodeCircuit node = list.node();
        Collector lines = new Collector();
        for (Placed placed : node.parts()) {
            lines.add(Kind.PART, Fact.of("have.part").with("name", placed.cls().name()), placed);
        }
        for (WireStep step : list.safe()) {
            Placed owner = node.part(step.subject().part()).orElse(node.board());
            step.fitting().ifPresent(fitting -> lines.add(fitting, owner));
            step.inLine().ifPresent(piece -> addInLine(piece, owner, lines));
        }
        for (Placed placed : node.parts()) {
            adapter(placed).ifPresent(adapter -> lines.add(Kind.ADAPTER, adapter, placed));
        }
        node.parts().stream()
                .filter(placed -> placed.isHeaderLoose() && !placed.isChip())
                .forEach(placed -> lines.add(
                        Kind.HEADER,
                        Fact.of("have.header").with("pins", placed.cls().headerPins()),
                        placed));
        return new PartsList(node, lines.lines());
    }

    /** What stands in the wire itself; its legs to ground and to supplies are steps of their own. */
    private static void addInLine(Between between, Placed owner, Collector lines) {
        if (between instanceof Between.Series series) {
            lines.addResistor(series.resistance(), owner);
        } else if (between instanceof Between.Divider divider) {
            lines.addResistor(divider.series(), owner);
        } else if (between instanceof Between.CoilDriver driver) {
            lines.addSemiconductor("have.transistor", owner);
            lines.addSemiconductor("have.flyback_diode", owner);
            lines.addResistor(driver.base(), owner);
        } else if (between instanceof Between.Diode) {
            lines.addSemiconductor("have.signal_diode", owner);
        } else if (between instanceof Between.FeedDiode) {
            lines.addSemiconductor("have.schottky", owner);
        } else if (between instanceof Between.Opto opto) {
            lines.addSemiconductor("have.optocoupler", owner);
            lines.addResistor(opto.series(), owner);
        }
    }

    /** A module would have brought a board in the breadboard's raster. */
    private static Optional<Fact> adapter(Placed placed) {
        return Optional.of(placed).filter(Placed::isChip).flatMap(chip -> chip.cls()
                .handling()
                .make()
                .pitch()
                .filter(pitch -> Math.abs(pitch.metres() - BREADBOARD_METRES) > 1e-5)
                .map(pitch -> Fact.of("have.adapter")
                        .with("pins", chip.cls().pins().size())
                        .with("pitch", Engineering.print(pitch))));
    }

    /** Counts what is wanted more than once. */
    private static final class Collector {
        private final Map<Fact, List<Placed>> found = new LinkedHashMap<>();
        private final Map<Fact, Kind> kinds = new LinkedHashMap<>();

        void add(Kind kind, Fact what, Placed use) {
            kinds.putIfAbsent(what, kind);
            found.computeIfAbsent(what, fresh -> new ArrayList<>()).add(use);
        }

        void add(Fitting fitting, Placed use) {
            switch (fitting.sort()) {
                case CRYSTAL -> add(Kind.CRYSTAL, Fact.of("have.crystal").with("value", fitting.value()), use);
                case CAPACITOR -> add(Kind.CAPACITOR, Fact.of("have.capacitor").with("value", fitting.value()), use);
                case DIODE ->
                    addSemiconductor(
                            fitting.value().si() > SMALL_DIODE ? "have.power_diode" : "have.flyback_diode", use);
                case RESISTOR -> add(Kind.RESISTOR, Fact.of("have.resistor").with("value", fitting.value()), use);
            }
        }

        void addResistor(Resistance value, Placed use) {
            add(Kind.RESISTOR, Fact.of("have.resistor").with("value", value), use);
        }

        void addSemiconductor(String what, Placed use) {
            add(Kind.SEMICONDUCTOR, Fact.of(what), use);
        }

        List<Line> lines() {
            return found.entrySet().stream()
                    .sorted(Comparator.comparing(entry -> kinds.get(entry.getKey())))
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
