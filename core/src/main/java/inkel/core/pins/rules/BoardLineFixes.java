package inkel.core.pins.rules;

import inkel.core.catalog.Controller;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Place;
import inkel.core.document.edit.ChangeNodeWire;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Fix;
import inkel.core.pins.BoardLine;
import inkel.core.pins.LinkEnd;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Quantity;
import inkel.core.remedy.FreePort;
import inkel.core.remedy.JoinNodes;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** Ways out for a serial line between boards: another port, plain pins, another rate. */
final class BoardLineFixes {
    /** What people set such lines to, in bits per second. */
    private static final List<Frequency> USUAL = Stream.of(9_600, 19_200, 38_400, 57_600, 115_200)
            .map(Frequency::ofHertz)
            .toList();

    private static final int OFFERED = 2;

    private BoardLineFixes() {}

    /** Its wires on a port of the board that nobody has and nothing is loaded over. */
    static Optional<Fix> toPort(Circuit circuit, NodeCircuit node, List<LinkEnd> ends) {
        return FreePort.of(circuit, node)
                .filter(port -> !port.isConsole())
                .findFirst()
                .map(port -> new Fix(
                        "other-port",
                        Fact.of("fix.boards_port")
                                .with("count", ends.size())
                                .with(
                                        "pins",
                                        ends.stream()
                                                .map(end -> on(port, end).pin())
                                                .toList()),
                        Fact.of("fix.boards_port.cost"),
                        ends.stream().map(end -> move(end, on(port, end))).toList()));
    }

    private static Place on(FreePort port, LinkEnd end) {
        return end.isSending() ? port.talks() : port.listens();
    }

    /** Its wires on plain pins, where its rate is not too fast for a program; empty when too few are free. */
    static Optional<Fix> toPlainPins(Circuit circuit, BoardLine line) {
        NodeCircuit node = line.node();
        Frequency most = controller(node).softwareUartMax();
        List<Place> free = JoinNodes.freePins(circuit, node).toList();
        boolean isSlow = line.rates().stream().noneMatch(rate -> Quantity.exceeds(rate, most));
        if (!isSlow || free.size() < line.ends().size()) {
            return Optional.empty();
        }
        List<Edit> edits = new ArrayList<>();
        for (int i = 0; i < line.ends().size(); i++) {
            edits.add(move(line.ends().get(i), free.get(i)));
        }
        return Optional.of(new Fix(
                "plain-pins",
                Fact.of("fix.boards_soft")
                        .with("count", edits.size())
                        .with(
                                "pins",
                                free.stream()
                                        .limit(edits.size())
                                        .map(Place::pin)
                                        .toList()),
                Fact.of("fix.boards_soft.cost").with("most", Math.round(most.hertz())),
                edits));
    }

    private static Edit move(LinkEnd end, Place to) {
        return new ChangeNodeWire(end.link(), end.movedTo(to.endpoint()));
    }

    /** Usual rates that both boards can make where the wires are now, the nearest to today's first. */
    static List<Fix> atOtherRate(BoardLine line, Optional<BoardLine> far) {
        double now = line.rates().get(0).hertz();
        List<BoardLine> both = Stream.concat(Stream.of(line), far.stream()).toList();
        return USUAL.stream()
                .filter(rate -> both.stream().allMatch(side -> keeps(side, rate)))
                .sorted(Comparator.comparingDouble(rate -> Math.abs(Math.log(rate.hertz() / now))))
                .limit(OFFERED)
                .map(rate -> at(line, rate))
                .toList();
    }

    /** Whether a board can keep a rate where its wires are, by its clock as that is meant to be. */
    static boolean keeps(BoardLine line, Frequency rate) {
        Controller controller = controller(line.node());
        boolean isSlow = line.bySoftware().isEmpty() || !Quantity.exceeds(rate, controller.softwareUartMax());
        return isSlow && (!line.isByPort() || controller.bestBaud(rate).isWithinLimit());
    }

    private static Fix at(BoardLine line, Frequency rate) {
        return new Fix(
                String.format(Locale.ROOT, "boards-rate-%.0f", rate.hertz()),
                Fact.of("fix.boards_rate").with("baud", Math.round(rate.hertz())),
                Fact.of("fix.boards_rate.cost"),
                line.at(Optional.of(rate)));
    }

    static Controller controller(NodeCircuit node) {
        return node.board().cls().controller().orElseThrow();
    }
}
