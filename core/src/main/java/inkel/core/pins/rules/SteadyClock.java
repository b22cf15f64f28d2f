package inkel.core.pins.rules;

import inkel.core.catalog.Controller;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Fix;
import inkel.core.formula.BaudRate;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Other clocks of a board that keep a serial rate. */
final class SteadyClock {
    private static final int OFFERED = 2;

    private SteadyClock() {}

    /**
     * Whether a board's clock may be so far off that one end of a serial line is further off than it may be.
     *
     * @param divided the rate that the clock is divided down to; empty for one that a program counts, or that nobody said
     */
    static boolean isLacking(NodeCircuit node, Optional<Frequency> divided) {
        Controller controller = node.board().cls().controller().orElseThrow();
        double off = divided.map(
                        rate -> Math.abs(controller.bestBaud(rate).error().ratio()))
                .orElse(0.0);
        return !controller.clocks().isEmpty() && off + controller.tolerance().ratio() > BaudRate.LIMIT.ratio() + 1e-12;
    }

    /** Those that are near enough and, where it is known, that the rate can be made of; the nearest to today's first. */
    static List<Fix> of(NodeCircuit node, Optional<Frequency> wanted) {
        Controller controller = node.board().cls().controller().orElseThrow();
        return controller.clocks().stream()
                .filter(choice -> wanted.map(rate -> Math.abs(controller
                                                .rateAt(choice.clock(), rate)
                                                .error()
                                                .ratio()))
                                        .orElse(0.0)
                                + choice.tolerance().ratio()
                        <= BaudRate.LIMIT.ratio())
                .sorted(Comparator.comparingDouble(choice ->
                        Math.abs(choice.clock().hertz() - controller.clock().hertz())))
                .limit(OFFERED)
                .map(choice -> new Fix(
                        "clock-" + choice.name().replace(' ', '-'),
                        Fact.of("fix.clock")
                                .with("board", node.board().part().name())
                                .with("clock", choice.name()),
                        Fact.of("fix.clock.cost"),
                        List.of(new SetSetting(node.node().id(), node.board().id(), Settings.CLOCK, choice.name()))))
                .toList();
    }
}
