package inkel.core.pins.rules;

import inkel.core.catalog.Settings;
import inkel.core.catalog.SpiNeed;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Fix;
import inkel.core.pins.AtStart;
import inkel.core.pins.NodePins;
import inkel.core.pins.SpiBus;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;

/** Resistors that hold the selects of parts off while the board's pins are still inputs. */
final class PullUpFix {
    private static final String USUAL = "10 kΩ";

    private PullUpFix() {}

    /** A select on a pin that the board reads at its start, and that a pull-up there would mislead, goes elsewhere with it. */
    static Fix ofSelects(NodePins pins, List<Placed> floating) {
        NodeCircuit node = pins.node();
        List<Edit> edits = new ArrayList<>();
        List<Endpoint> moved = new ArrayList<>();
        for (Placed member : floating) {
            edits.add(new SetSetting(node.node().id(), member.id(), Settings.SELECT_PULL_UP, USUAL));
            for (Fix move : elsewhere(pins, member, moved)) {
                edits.addAll(move.edits());
                moved.add(((SetWire) move.edits().get(0)).wire().to());
            }
        }
        boolean areMixed = floating.stream().anyMatch(PullUpFix::isSelectedHigh);
        return new Fix(
                "select-pull-ups",
                Fact.of(title(areMixed, !moved.isEmpty()))
                        .with(
                                "high",
                                floating.stream()
                                        .filter(PullUpFix::isSelectedHigh)
                                        .map(part -> part.part().name())
                                        .toList())
                        .with("count", floating.size())
                        .with("value", USUAL)
                        .with("moved", moved.stream().map(Endpoint::pin).toList()),
                Fact.of("fix.select_pull_ups.cost"),
                edits);
    }

    private static String title(boolean areMixed, boolean isMoved) {
        if (isMoved) {
            return "fix.select_pulls_moved";
        }
        return areMixed ? "fix.select_pulls" : "fix.select_pull_ups";
    }

    /** Empty where it may stay, or where no other pin is left; else the move. */
    private static List<Fix> elsewhere(NodePins pins, Placed member, List<Endpoint> taken) {
        if (isSelectedHigh(member)) {
            return List.of();
        }
        return SpiBus.selectPin(member).map(member::endpoint).stream()
                .filter(select -> pins.node()
                        .wire(select)
                        .flatMap(wire -> pins.node().pin(wire.to()))
                        .flatMap(AtStart::pulledUp)
                        .isPresent())
                .flatMap(select ->
                        PinFixes.moveTo(pins, select, target -> !taken.contains(target) && suits(pins, target)).stream()
                                .limit(1))
                .toList();
    }

    private static boolean suits(NodePins pins, Endpoint target) {
        return pins.node().pin(target).flatMap(AtStart::pulledUp).isEmpty();
    }

    private static boolean isSelectedHigh(Placed member) {
        return member.cls().spi().filter(SpiNeed::isSelectedHigh).isPresent();
    }
}
