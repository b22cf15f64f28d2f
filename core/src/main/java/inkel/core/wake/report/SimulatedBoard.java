package inkel.core.wake.report;

import inkel.core.bench.Answer;
import inkel.core.bench.Asked;
import inkel.core.bench.Bench;
import inkel.core.bench.Question;
import inkel.core.bench.Scene;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Place;
import inkel.core.quantity.Voltage;
import inkel.core.wiring.WireList;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** A board that is not there: it reports what a bench gives, in the lines that the made programs print. */
public final class SimulatedBoard {
    private final ReportPlan plan;
    private final NodeCircuit node;
    private final WireList list;
    private final Bench bench;
    private final Scene scene;

    public SimulatedBoard(ReportPlan plan, WireList list, Bench bench) {
        this.plan = plan;
        this.list = list;
        this.bench = bench;
        node = plan.node();
        Set<Place> all = new HashSet<>();
        node.parts().stream().filter(placed -> !placed.isForLater()).forEach(placed -> all.add(node.place(placed)));
        scene = Scene.resting(all);
    }

    /** The head of every report: the board, and the wires of its parts. */
    public static String head(NodeCircuit node, WireList list) {
        StringBuilder head = new StringBuilder(
                BoardReport.HEAD + " " + BoardReport.FORMAT + " " + node.node().id());
        for (Placed placed : node.parts()) {
            if (!placed.part().isBoard() && !placed.isForLater()) {
                head.append(" ").append(placed.id()).append("=").append(WireHash.of(node, list, placed));
            }
        }
        return head.toString();
    }

    /** A whole report. */
    public String report() {
        List<String> lines = new ArrayList<>();
        plan.buses()
                .forEach(bus -> lines.add(("i2c " + bus.number() + " "
                                + String.join(
                                        " ",
                                        texts(new Question.Answers(bus.parts().stream()
                                                .map(node::place)
                                                .toList()))))
                        .strip()));
        for (ReportPlan.Register register : plan.registers()) {
            List<String> values = texts(new Question.Register(
                    node.place(register.part()),
                    values(register),
                    register.asking().mask()));
            values.stream()
                    .findFirst()
                    .ifPresent(value ->
                            lines.add("reg " + register.part().id() + " " + register.register() + " " + value));
        }
        for (ReportPlan.Level level : plan.levels()) {
            ask(new Question.Rests(node.place(level.signal()), true))
                    .filter(Answer.Sight.class::isInstance)
                    .map(answer -> ((Answer.Sight) answer).isWell() ? "high" : "low")
                    .ifPresent(read -> lines.add("level " + level.signal() + " " + read));
        }
        for (ReportPlan.Analog analog : plan.analogs()) {
            analog.check()
                    .flatMap(check -> ask(check.asked().question()))
                    .filter(Answer.Amount.class::isInstance)
                    .map(answer -> analog.converter().reads(Voltage.ofVolts(((Answer.Amount) answer).si())))
                    .ifPresent(code -> lines.add("adc " + analog.pin().label() + " " + code));
        }
        for (ReportPlan.Line line : plan.lines()) {
            // What the part would say is known by its class only as far as it is expected.
            String said = String.join(
                    " ", texts(new Question.Reply(node.place(line.part()), ReportPlan.expected(line.part()))));
            lines.add(("uart " + line.part().id() + " " + said).strip());
        }
        lines.add(0, head(node, list));
        lines.add("end " + (lines.size() - 1));
        return String.join("\n", lines) + "\n";
    }

    private static List<String> values(ReportPlan.Register register) {
        return ReportPlan.values(register.part(), register.register()).stream()
                .map(value -> value.toUpperCase(Locale.ROOT).replace("0X", "0x"))
                .toList();
    }

    private Optional<Answer> ask(Question question) {
        return bench.ask(new Asked(scene, question));
    }

    private List<String> texts(Question question) {
        return ask(question)
                .filter(Answer.Texts.class::isInstance)
                .map(answer -> ((Answer.Texts) answer).texts())
                .orElse(List.of());
    }
}
