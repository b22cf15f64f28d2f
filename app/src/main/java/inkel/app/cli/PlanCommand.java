package inkel.app.cli;

import inkel.app.state.Planning;
import inkel.app.words.PlanWords;
import inkel.app.words.Words;
import inkel.core.catalog.Catalog;
import inkel.core.checks.Assessment;
import inkel.core.checks.ProvenPlan;
import inkel.core.checks.SharedOut;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.io.document.BuildFile;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.UnreadableFile;
import inkel.core.pins.LinkEnd;
import inkel.core.pins.PartialPlan;
import inkel.core.pins.Patience;
import inkel.core.pins.PinReport;
import inkel.core.pins.Plan;
import inkel.core.pins.PlanNotes;
import inkel.core.pins.Planner;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.remedy.FeedTable;
import inkel.core.wiring.HeaderPlace;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Shares out pins and addresses and says what it did. */
@Command(
        name = "plan",
        description =
                "Shares out pins and addresses. Exit 0: placed; 1: no placement; 2: cannot be read; 3: placed, with something to stop for.")
final class PlanCommand implements Callable<Integer> {
    /** Everything has its pin, and something must be stopped for all the same. */
    private static final int PLACED_WITH_STOPS = 3;

    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "FILE", description = "a build file")
    private Path file;

    @Option(names = "-o", paramLabel = "OUT", description = "write the planned build here")
    private Path out;

    @Option(names = "--keep", description = "leave every wire where it is that can stay there")
    private boolean keep;

    @Option(
            names = "--feed",
            description = "first feed what nothing feeds, from the rails that are on its table; nothing is bought")
    private boolean feed;

    @Option(names = "--json", description = "print one JSON object")
    private boolean json;

    @Override
    public Integer call() throws UnreadableFile, IOException, EditRefused {
        if (out != null && out.toString().equals("-")) {
            throw new ParameterException(spec.commandLine(), Words.get("cli.no_dash"));
        }
        Catalog catalog = OwnCatalog.read();
        Build read = BuildReader.read(file, catalog);
        List<Feed> feeds = feeds(read, catalog);
        Build build = feed ? Edit.applyAll(read, feeds) : read;
        long start = System.nanoTime();
        List<ProvenPlan> proven = new ArrayList<>();
        Map<String, PartialPlan> some = new LinkedHashMap<>();
        Build planned = build;
        for (Node node : build.nodes()) {
            Patience patience = Patience.of(Planning.LONGEST, () -> false);
            Planner planner = new Planner(planned, catalog, patience);
            ProvenPlan next = keep
                    ? new ProvenPlan(planner.planKeeping(node.id()), List.of())
                    : ProvenPlan.of(planned, catalog, planner.plan(node.id()), patience);
            SharedOut shared = SharedOut.of(planned, catalog, next, Patience.of(Planning.LONGEST_PARTIAL, () -> false));
            proven.add(shared.proven());
            shared.some().ifPresent(partial -> some.put(node.id(), partial));
            Optional<Edit> edit = shared.proven().plan().edit();
            planned = edit.isPresent() ? edit.get().apply(planned) : planned;
        }
        double millis = (System.nanoTime() - start) / 1e6;
        List<Plan> plans = proven.stream().map(ProvenPlan::plan).toList();
        // What was asked for, and what wires of the file say to be feeds.
        List<Feed> fed = Stream.concat(
                        feed ? feeds.stream() : Stream.empty(), plans.stream().flatMap(plan -> plan.feeds().stream()))
                .distinct()
                .toList();
        boolean isPlaced = plans.stream().allMatch(Plan::placed);
        Assessment assessment = Assessment.assess(planned, catalog);
        List<Finding> stops = assessment.findings().stream()
                .filter(finding -> finding.severity() == Severity.STOP)
                .toList();
        PinReport pins = assessment.reports().pins();
        PrintWriter print = spec.commandLine().getOut();
        if (json) {
            Map<String, Object> answer = json(proven, planned, pins, stops, millis);
            if (feed || !fed.isEmpty()) {
                answer.put("fed", fed.stream().map(PlanCommand::json).toList());
            }
            if (!some.isEmpty()) {
                Map<String, Object> all = Json.object();
                some.forEach((id, partial) -> all.put(id, json(partial)));
                answer.put("some", all);
            }
            print.println(Json.print(answer));
        } else {
            for (Plan plan : plans) {
                print(print, plan, build, planned, pins);
                fed.stream()
                        .filter(made -> made.node().equals(plan.node()))
                        .forEach(made -> print.printf("  %-18s ← %s%n", made.part() + "." + made.pin(), made.rail()));
                Optional.ofNullable(some.get(plan.node())).ifPresent(partial -> print(print, partial));
            }
            if (isPlaced) {
                stops.forEach(stop -> print(print, stop, proof(proven, stop)));
            }
            long unfed = feeds.stream().filter(made -> !fed.contains(made)).count();
            if (unfed > 0) {
                print.println(Words.say(Fact.of("cli.plan.may_feed").with("count", unfed)));
            }
        }
        if (out != null && isPlaced) {
            BuildFile.save(out, planned, catalog);
            spec.commandLine().getErr().println(Words.get("cli.written", "file", out));
        }
        return !isPlaced ? 1 : stops.isEmpty() ? 0 : PLACED_WITH_STOPS;
    }

    /** What would feed whatever nothing feeds, on all tables. */
    private static List<Feed> feeds(Build build, Catalog catalog) {
        Circuit circuit = Circuit.of(build, catalog);
        return build.nodes().stream()
                .flatMap(node -> FeedTable.of(circuit, node.id()).stream())
                .toList();
    }

    private static Map<String, Object> json(Feed made) {
        Map<String, Object> entry = Json.object();
        entry.put("node", made.node());
        entry.put("part", made.part());
        entry.put("pin", made.pin());
        entry.put("rail", made.rail().toString());
        return entry;
    }

    /** How far it came with a table that has no placement, or none that was found. */
    private static void print(PrintWriter out, PartialPlan some) {
        out.println("  "
                + Words.say(Fact.of("cli.plan.some")
                        .with("placed", some.placed().size())
                        .with(
                                "left",
                                some.left().stream()
                                        .map(Endpoint::part)
                                        .distinct()
                                        .count())));
        some.wires().forEach(wire -> out.printf("  %-18s → %s%n", wire.from(), wire.to()));
    }

    private static Map<String, Object> json(PartialPlan some) {
        Map<String, Object> answer = Json.object();
        answer.put("parts", some.placed());
        answer.put("left", some.left().stream().map(Object::toString).toList());
        return answer;
    }

    private static void print(PrintWriter out, Plan plan, Build before, Build after, PinReport pins) {
        Node node = after.node(plan.node()).orElseThrow();
        out.println(node.name());
        if (!plan.placed()) {
            out.println("  " + Words.get(plan.complete() ? "cli.plan.clash" : "notice.plan_unknown"));
            plan.shortage().map(PlanWords::shortage).ifPresent(why -> out.println("  " + why));
            plan.clash().forEach(signal -> out.println("    " + signal));
            plan.waysOut().forEach(fix -> out.println("  → " + Words.say(fix.title())));
            return;
        }
        Node old = before.node(plan.node()).orElseThrow();
        for (Wire wire : node.wires()) {
            Optional<Wire> was = old.wire(wire.from());
            String change = was.isEmpty()
                    ? Words.get("cli.plan.new")
                    : was.get().to().equals(wire.to())
                            ? ""
                            : Words.get("cli.plan.was", "pin", was.get().to());
            out.printf("  %-18s → %-14s %-7s %s%n", wire.from(), wire.to(), how(pins, plan, wire), change);
        }
        plan.addresses().forEach((part, address) -> out.printf("  %-18s @ %s%n", part, Engineering.address(address)));
        plan.links()
                .forEach(move -> out.printf(
                        "  %-18s → %-14s %s%n",
                        move.end().there(),
                        move.to(),
                        Words.get("cli.plan.was", "pin", move.end().pin())));
        PlanNotes notes = PlanNotes.of(pins.node(plan.node()).orElseThrow(), plan);
        told(
                out,
                "cli.plan.software",
                Stream.concat(
                        notes.software().stream().map(PlanCommand::text),
                        notes.boards().stream().map(end -> end.there() + " → " + end.pin())));
        told(out, "cli.plan.straps", notes.straps().stream().map(PlanCommand::text));
        told(out, "cli.plan.start_up", notes.startUp().stream().map(PlanCommand::text));
        if (!plan.complete()) {
            out.println("  " + Words.get("cli.plan.incomplete"));
        }
    }

    private static void print(PrintWriter out, Finding stop, Optional<ProvenPlan.Left> proof) {
        out.println(Words.say(
                Fact.of("cli.plan.stop").with("place", stop.place()).with("message", Words.say(stop.sentence()))));
        proof.ifPresent(
                left -> out.println("      " + Words.get(left.isProved() ? "cli.plan.proved" : "cli.plan.not_proved")));
    }

    /** What is known of a stop, where planning could have something to do with it. */
    private static Optional<ProvenPlan.Left> proof(List<ProvenPlan> proven, Finding stop) {
        return proven.stream()
                .flatMap(plan -> plan.left().stream())
                .filter(left -> left.finding().code().equals(stop.code())
                        && left.finding().place().equals(stop.place()))
                .findFirst();
    }

    private static Map<String, Object> json(List<ProvenPlan> proven, Finding stop) {
        Map<String, Object> answer = FindingJson.of(stop);
        proof(proven, stop).ifPresent(left -> answer.put("proved", left.isProved()));
        return answer;
    }

    private static void told(PrintWriter out, String key, Stream<String> wires) {
        List<String> all = wires.toList();
        if (!all.isEmpty()) {
            out.println("  " + Words.get(key, "wires", all));
        }
    }

    private static String text(Wire wire) {
        return wire.from() + " → " + wire.to();
    }

    private static String how(PinReport pins, Plan plan, Wire wire) {
        return pins.node(plan.node()).orElseThrow().how(wire).name().toLowerCase(Locale.ROOT);
    }

    private static Map<String, Object> json(
            List<ProvenPlan> proven, Build planned, PinReport pins, List<Finding> stops, double millis) {
        List<Plan> plans = proven.stream().map(ProvenPlan::plan).toList();
        Map<String, Object> answer = Json.object();
        answer.put("placed", plans.stream().allMatch(Plan::placed));
        // Not complete: given up before it was known whether there is a placement, or a better one.
        answer.put("complete", plans.stream().allMatch(Plan::complete));
        answer.put(
                "nodes", plans.stream().map(plan -> json(plan, planned, pins)).toList());
        answer.put(
                "clash",
                plans.stream()
                        .flatMap(plan -> plan.clash().stream())
                        .map(Object::toString)
                        .toList());
        plans.stream().flatMap(plan -> plan.shortage().stream()).findFirst().ifPresent(shortage -> {
            Map<String, Object> entry = Json.object();
            entry.put("wires", shortage.wires());
            entry.put("pins", shortage.pins());
            entry.put("why", PlanWords.shortage(shortage));
            answer.put("shortage", entry);
        });
        List<Object> ways = new ArrayList<>();
        plans.forEach(plan -> plan.waysOut().forEach(fix -> {
            Map<String, Object> entry = Json.object();
            entry.put("id", fix.id());
            entry.put("title", Words.say(fix.title()));
            ways.add(entry);
        }));
        answer.put("ways_out", ways);
        answer.put("stops", stops.stream().map(stop -> json(proven, stop)).toList());
        answer.put("millis", millis);
        return answer;
    }

    private static Map<String, Object> json(Plan plan, Build planned, PinReport pins) {
        Map<String, Object> answer = Json.object();
        answer.put("name", planned.node(plan.node()).orElseThrow().name());
        List<Object> entries = new ArrayList<>();
        for (Wire wire : plan.wires()) {
            Map<String, Object> entry = Json.object();
            entry.put("part", wire.from().part());
            entry.put("signal", wire.from().pin());
            boolean isOnBoard = wire.to().part().equals("board");
            entry.put("pin", isOnBoard ? wire.to().pin() : wire.to().toString());
            entry.put("position", position(pins, plan, wire));
            entry.put("how", how(pins, plan, wire));
            entries.add(entry);
        }
        answer.put("pins", entries);
        List<Object> addresses = new ArrayList<>();
        plan.addresses().forEach((part, address) -> {
            Map<String, Object> entry = Json.object();
            entry.put("part", part);
            entry.put("bus", bus(pins, plan, part));
            entry.put("address", Engineering.address(address));
            addresses.add(entry);
        });
        answer.put("addresses", addresses);
        PlanNotes notes = PlanNotes.of(pins.node(plan.node()).orElseThrow(), plan);
        answer.put(
                "software",
                Stream.concat(
                                notes.software().stream().map(PlanCommand::json),
                                notes.boards().stream().map(PlanCommand::json))
                        .toList());
        answer.put("straps", notes.straps().stream().map(PlanCommand::json).toList());
        answer.put("start_up", notes.startUp().stream().map(PlanCommand::json).toList());
        return answer;
    }

    /** The board at the other end stands in the place of the part. */
    private static Map<String, Object> json(LinkEnd end) {
        Map<String, Object> entry = Json.object();
        entry.put("part", end.there().node() + "/" + end.there().part());
        entry.put("signal", end.there().pin());
        entry.put("pin", end.pin().pin());
        return entry;
    }

    private static Map<String, Object> json(Wire wire) {
        Map<String, Object> entry = Json.object();
        entry.put("part", wire.from().part());
        entry.put("signal", wire.from().pin());
        entry.put(
                "pin",
                wire.to().part().equals("board") ? wire.to().pin() : wire.to().toString());
        return entry;
    }

    private static String position(PinReport pins, Plan plan, Wire wire) {
        var owner = pins.node(plan.node())
                .orElseThrow()
                .node()
                .part(wire.to().part())
                .orElseThrow();
        int index = owner.cls().pins().indexOf(owner.cls().pin(wire.to().pin()).orElseThrow());
        HeaderPlace place = HeaderPlace.of(owner.cls(), index);
        return Words.say(Fact.of("cli.plan.position").with("row", place.row()).with("place", place.fromStart()));
    }

    private static String bus(PinReport pins, Plan plan, String part) {
        return pins.node(plan.node()).orElseThrow().i2cBuses().entrySet().stream()
                .filter(bus -> bus.getValue().stream().anyMatch(on -> on.id().equals(part)))
                .map(bus -> pins.node(plan.node()).orElseThrow().node().pin(bus.getKey()).orElseThrow().can().stream()
                        .filter(ability -> ability.line().equals("sda"))
                        .map(ability -> "i2c" + ability.unit())
                        .findFirst()
                        .orElse("i2c"))
                .findFirst()
                .orElse("");
    }
}
