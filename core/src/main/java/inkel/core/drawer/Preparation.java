package inkel.core.drawer;

import inkel.core.catalog.Outline;
import inkel.core.catalog.TableKind;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.quantity.Length;
import inkel.core.seats.SeatPlan;
import inkel.core.wiring.Jumper;
import inkel.core.wiring.PartsList;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireStep;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * What is done before the first wire: what is soldered, in the order in which it is best done, and the tools that the table
 * asks for.
 */
public record Preparation(List<Solder> solder, Set<Tool> tools) {
    /** Legs closer than this are set with tweezers. */
    private static final double FINE = 2e-3;

    public Preparation {
        solder = List.copyOf(solder);
        tools = Set.copyOf(tools);
    }

    /** Something to solder before wires are plugged. */
    public sealed interface Solder {
        /** A bare chip onto its adapter board. */
        record Chip(String part, int legs, Length pitch) implements Solder {}

        /** The pins of a module's header. */
        record Header(String part, int pins) implements Solder {}

        /** Wires to a part that has no pins to plug on. */
        record Wires(String part, int count) implements Solder {}
    }

    /** What is needed besides parts and wires, in the order in which it is told. */
    public enum Tool {
        METER,
        SCREWDRIVER,
        STRIPPER,
        IRON,
        GLASSES,
        TWEEZERS,
        TUBING
    }

    public static Preparation of(SeatPlan plan) {
        NodeCircuit node = plan.node();
        List<Solder> solder = new ArrayList<>();
        List<Placed> here =
                node.parts().stream().filter(placed -> !placed.isForLater()).toList();
        List<PartsList.Line> lines = PartsList.of(plan.list()).lines();
        for (Placed placed : here) {
            Optional<Length> pitch = placed.cls().handling().make().pitch();
            if (isOf(lines, PartsList.Kind.ADAPTER, placed)) {
                solder.add(new Solder.Chip(placed.id(), placed.cls().pins().size(), pitch.orElseThrow()));
            }
        }
        for (Placed placed : here) {
            if (isOf(lines, PartsList.Kind.HEADER, placed)) {
                solder.add(new Solder.Header(placed.id(), placed.cls().headerPins()));
            }
        }
        for (Placed placed : here) {
            int wires = (int) plan.list().steps().stream()
                    .filter(step -> isSoldered(plan, step))
                    .flatMap(step -> ends(node, step))
                    .filter(placed.id()::equals)
                    .count();
            if (wires > 0) {
                solder.add(new Solder.Wires(placed.id(), wires));
            }
        }
        return new Preparation(solder, tools(plan, solder));
    }

    private static boolean isOf(List<PartsList.Line> lines, PartsList.Kind kind, Placed placed) {
        return lines.stream()
                .anyMatch(line -> line.kind() == kind && line.owners().contains(placed.id()));
    }

    private static boolean isSoldered(SeatPlan plan, WireStep step) {
        return plan.jumpers(step).anyMatch(jumper -> jumper.kind() == Jumper.Kind.SOLDER);
    }

    /** The parts at the ends of a wire that it is soldered to: those whose end is no plug. */
    private static Stream<String> ends(NodeCircuit node, WireStep step) {
        return Stream.of(step.from(), step.to())
                .filter(Terminal.OnPin.class::isInstance)
                .filter(end -> Jumper.isSoldered(node, end))
                .map(end -> ((Terminal.OnPin) end).pin().part());
    }

    private static Set<Tool> tools(SeatPlan plan, List<Solder> solder) {
        Set<Tool> tools = EnumSet.of(Tool.METER);
        boolean hasScrew = plan.list().steps().stream()
                .flatMap(step -> Stream.of(step.from(), step.to()))
                .anyMatch(end -> Jumper.ends(plan.node(), end)
                        .filter(Outline.Ends.SCREWS::equals)
                        .isPresent());
        if (hasScrew) {
            tools.add(Tool.SCREWDRIVER);
        }
        boolean isSolderedAnywhere = !solder.isEmpty() || plan.node().table().isSoldered();
        if (hasScrew || solder.stream().anyMatch(Solder.Wires.class::isInstance)) {
            tools.add(Tool.STRIPPER);
        }
        if (isSolderedAnywhere) {
            tools.add(Tool.IRON);
            tools.add(Tool.GLASSES);
        }
        if (solder.stream()
                .anyMatch(
                        each -> each instanceof Solder.Chip chip && chip.pitch().metres() < FINE)) {
            tools.add(Tool.TWEEZERS);
        }
        if (plan.node().table() == TableKind.LEADS) {
            tools.add(Tool.TUBING);
        }
        return tools;
    }
}
