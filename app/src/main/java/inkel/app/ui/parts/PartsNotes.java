package inkel.app.ui.parts;

import inkel.app.ui.why.Explainer;
import inkel.app.ui.why.StageNotes;
import inkel.app.ui.why.Why.Section;
import inkel.app.words.Words;
import inkel.core.catalog.Settings;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Place;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.MovePart;
import inkel.core.document.edit.RemoveNodeWire;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Fix;
import inkel.core.quantity.Fact;
import inkel.core.remedy.ForLater;
import inkel.core.remedy.JoinNodes;
import inkel.core.remedy.OtherEnd;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** What can be done with a part on the table: another one, another board, how it is made and wired. */
final class PartsNotes implements StageNotes {
    /** What can be done with a part that is on the table. */
    @Override
    public List<Fix> actions(Assessment assessment, NodeCircuit node, Placed placed) {
        List<Fix> stations = new StationNotes(assessment, node, placed).actions();
        if (placed.part().isBoard()) {
            return Stream.concat(nodeWires(assessment, node).stream(), stations.stream())
                    .toList();
        }
        String here = node.node().id();
        String part = placed.id();
        List<Fix> actions = new ArrayList<>();
        actions.add(Explainer.add(
                assessment,
                here,
                node.node()
                        .part(part)
                        .map(own -> assessment.reports().circuit().catalog().get(own.classId()))
                        .orElseThrow(),
                1,
                "action.another"));
        actions.addAll(stations);
        actions.addAll(LineNotes.actions(assessment, node.place(placed)));
        assessment.build().nodes().stream()
                .filter(other -> !other.id().equals(here))
                .forEach(other -> actions.add(Explainer.action(
                        "move-" + other.id(),
                        Fact.of("action.move").with("node", other.name()),
                        Fact.of("action.move.cost"),
                        new MovePart(here, part, other.id()))));
        boolean isLater = placed.isForLater();
        String later = isLater ? "action.take_in" : "action.later";
        actions.add(new Fix(
                isLater ? "take-in" : "later",
                Fact.of(later),
                Fact.of(later + ".cost"),
                isLater ? ForLater.takeIn(node, placed) : ForLater.leaveOut(node, placed)));
        boolean isChip = placed.isChip();
        // A cell, a servo or a lamp on its legs is neither a module nor a chip.
        boolean hasHeader = placed.cls().handling().outline().hasHeader();
        if (isChip || hasHeader) {
            actions.add(form(here, placed));
        }
        if (hasHeader && !isChip) {
            boolean isLoose = placed.isHeaderLoose();
            String header = isLoose ? "action.header_soldered" : "action.header_loose";
            actions.add(Explainer.action(
                    isLoose ? "header-soldered" : "header-loose",
                    Fact.of(header),
                    Fact.of(header + ".cost"),
                    new SetSetting(here, part, Settings.HEADER, isLoose ? "soldered" : "loose")));
        }
        OtherEnd.moved(node, placed).ifPresent(actions::add);
        String contact = placed.part().typed(Settings.CONTACT).orElse("jumper");
        for (String other : List.of("jumper", "clip", "solder")) {
            if (!other.equals(contact)) {
                actions.add(Explainer.action(
                        "contact-" + other,
                        Fact.of("action.contact." + other),
                        Fact.of("action.contact." + other + ".cost"),
                        new SetSetting(here, part, Settings.CONTACT, other)));
            }
        }
        actions.add(Explainer.action(
                "remove", Fact.of("action.remove"), Fact.of("action.remove.cost"), new RemovePart(here, part)));
        return actions;
    }

    private static Fix form(String here, Placed placed) {
        boolean isChip = placed.isChip();
        return Explainer.action(
                isChip ? "ready" : "chip",
                Fact.of(isChip ? "action.ready" : "action.chip"),
                Fact.of(isChip ? "action.ready.cost" : "action.chip.cost"),
                new SetSetting(here, placed.id(), Settings.FORM, isChip ? "ready" : "chip"));
    }

    @Override
    public List<Section> sections(Assessment assessment, NodeCircuit node, Placed placed) {
        return Stream.concat(
                        LineNotes.sections(assessment, node.place(placed)).stream(),
                        new StationNotes(assessment, node, placed).sections().stream())
                .toList();
    }

    /** Wires to the other boards of the build: to add, and to take away. */
    private static List<Fix> nodeWires(Assessment assessment, NodeCircuit node) {
        String here = node.node().id();
        List<Fix> actions = new ArrayList<>();
        for (inkel.core.document.Node other : assessment.build().nodes()) {
            if (!other.id().equals(here)) {
                JoinNodes.of(assessment.reports().circuit(), here, other.id())
                        .map(edit -> Explainer.action(
                                "wire-to-" + other.id(),
                                Fact.of("action.node_wire").with("node", other.name()),
                                Fact.of("action.node_wire.cost"),
                                edit))
                        .ifPresent(actions::add);
                List<Edit> serial = JoinNodes.serial(assessment.reports().circuit(), here, other.id());
                List<Edit> bus = JoinNodes.bus(assessment.reports().circuit(), here, other.id());
                if (!bus.isEmpty()) {
                    actions.add(new Fix(
                            "bus-to-" + other.id(),
                            Fact.of("action.node_bus").with("node", other.name()),
                            Fact.of("action.node_bus.cost"),
                            bus));
                }
                if (!serial.isEmpty()) {
                    actions.add(new Fix(
                            "serial-to-" + other.id(),
                            Fact.of("action.node_serial").with("node", other.name()),
                            Fact.of("action.node_serial.cost"),
                            serial));
                }
            }
        }
        assessment.build().links().stream()
                .filter(link -> link.touches(here) && !link.isLine())
                .forEach(link -> {
                    boolean isFrom = link.from().node().equals(here);
                    Place mine = isFrom ? link.from() : link.to();
                    Place theirs = isFrom ? link.to() : link.from();
                    actions.add(Explainer.action(
                            "wire-off-" + mine.pin(),
                            Fact.of("action.node_wire_off")
                                    .with("from", mine.pin())
                                    .with(
                                            "node",
                                            Words.say(Fact.of("why.link")
                                                    .with("pin", theirs.pin())
                                                    .with(
                                                            "node",
                                                            assessment
                                                                    .build()
                                                                    .node(theirs.node())
                                                                    .orElseThrow()
                                                                    .name()))),
                            Fact.of("action.node_wire_off.cost"),
                            new RemoveNodeWire(link)));
                });
        return actions;
    }

    @Override
    public boolean hasFigures() {
        return true;
    }
}
