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

    /** Whether a board's clock may be further off than one end of a serial line may be, whatever its rate. */
    static boolean isLacking(NodeCircuit node) {
        return node.board()
                .cls()
                .controller()
                .filter(controller -> !controller.clocks().isEmpty())
                .filter(controller -> controller.tolerance().ratio() > BaudRate.LIMIT.ratio())
                .isPresent();
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
