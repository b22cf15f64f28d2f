package inkel.app.cli;

import inkel.app.words.SeatWords;
import inkel.app.words.Words;
import inkel.core.catalog.Catalog;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.UnreadableFile;
import inkel.core.quantity.Fact;
import inkel.core.seats.Landing;
import inkel.core.seats.Run;
import inkel.core.seats.SeatPlan;
import inkel.core.seats.SeatPlanner;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;

/** Says who sits where on the breadboards, and which hole each end of a wire goes into. */
@Command(name = "seats", description = "Seats parts on breadboards and says the hole of each end of a wire.")
final class SeatsCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Mixin
    private TableOptions table;

    @Override
    public Integer call() throws UnreadableFile {
        Catalog catalog = OwnCatalog.read();
        Build build = BuildReader.read(table.file, catalog);
        Circuit circuit = Circuit.of(build, catalog);
        List<WireList> lists = WireList.of(circuit);
        List<NodeCircuit> wanted = table.wanted(spec.commandLine(), build).stream()
                .map(found -> circuit.node(found.id()).orElseThrow())
                .toList();
        List<SeatPlan> plans =
                wanted.stream().map(found -> SeatPlanner.of(found, lists)).toList();
        PrintWriter out = spec.commandLine().getOut();
        if (table.json) {
            Map<String, Object> answer = Json.object();
            answer.put("nodes", plans.stream().map(SeatsCommand::json).toList());
            out.println(Json.print(answer));
        } else {
            plans.forEach(plan -> print(out, plan));
        }
        return 0;
    }

    private static void print(PrintWriter out, SeatPlan plan) {
        SeatWords words = new SeatWords(plan);
        String name = plan.node().node().name();
        if (plan.kind().isEmpty()) {
            out.println(Words.get("cli.seats.none", "name", name));
            return;
        }
        out.println(Words.say(Fact.of("cli.seats.board")
                .with("name", name)
                .with("boards", plan.boards())
                .with("rows", plan.kind().get().rows())
                .with("longest", SeatWords.centimetres(plan.longest().metres()))
                .with("total", SeatWords.centimetres(plan.total().metres()))
                .with("bound", SeatWords.centimetres(plan.boundMetres()))));
        plan.seats()
                .forEach(seat -> out.println("  "
                        + Words.say(Fact.of("cli.seats.seat")
                                .with("part", words.name(seat))
                                .with("seat", words.seat(seat.at(), seat)))));
        plan.rails().forEach(rail -> out.println("  " + words.rail(rail)));
        out.println("  " + Words.get("cli.seats.beside", "parts", words.beside()));
    }

    private static Map<String, Object> json(SeatPlan plan) {
        Map<String, Object> answer = Json.object();
        answer.put("id", plan.node().node().id());
        List<Object> boards = new ArrayList<>();
        for (int board = 0; board < plan.boards(); board++) {
            Map<String, Object> entry = Json.object();
            entry.put("kind", plan.kind().orElseThrow().kind().name().toLowerCase(Locale.ROOT));
            entry.put("rows", plan.kind().orElseThrow().rows());
            boards.add(entry);
        }
        answer.put("boards", boards);
        answer.put("seats", plan.seats().stream().map(SeatsCommand::json).toList());
        List<Object> wires = new ArrayList<>();
        for (WireStep step : plan.list().steps()) {
            for (Run run : plan.runs(step)) {
                Map<String, Object> entry = Json.object();
                entry.put("wire", step.id());
                entry.put("small_part", run.isPiece());
                entry.put("hole_from", hole(run.from()));
                entry.put("hole_to", hole(run.to()));
                entry.put("length_m", run.length().metres());
                wires.add(entry);
            }
        }
        answer.put("wires", wires);
        answer.put("longest_m", plan.longest().metres());
        answer.put("total_m", plan.total().metres());
        answer.put("bound_m", plan.boundMetres());
        return answer;
    }

    private static Map<String, Object> json(SeatPlan.Seat seat) {
        Map<String, Object> entry = Json.object();
        entry.put("part", seat.id());
        entry.put("board", seat.at().board());
        entry.put("side", seat.at().side().text());
        entry.put("from", seat.at().row());
        entry.put("to", seat.at().row() + seat.shape().span() - 1);
        entry.put("turned", seat.at().isTurned());
        return entry;
    }

    /** {@code 1 c31}, or {@code 1 left-minus 12} of a rail; the end itself beside the breadboard. */
    private static String hole(Landing landing) {
        return landing.hole()
                .map(hole -> hole.board() + " "
                        + (hole.column().isRail()
                                ? hole.column().name().toLowerCase(Locale.ROOT).replace('_', '-') + " "
                                : hole.column().name().toLowerCase(Locale.ROOT))
                        + hole.row())
                .orElse(landing.at().id());
    }
}
