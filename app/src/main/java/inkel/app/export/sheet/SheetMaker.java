package inkel.app.export.sheet;

import inkel.app.export.sheet.Sheet.Block;
import inkel.app.export.sheet.Sheet.Column;
import inkel.app.export.sheet.Sheet.Kind;
import inkel.app.state.Seated;
import inkel.app.words.BetweenWords;
import inkel.app.words.PartWords;
import inkel.app.words.SeatWords;
import inkel.app.words.SolderWords;
import inkel.app.words.WakeWords;
import inkel.app.words.WireWords;
import inkel.app.words.Words;
import inkel.core.catalog.Pin;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.drawer.Preparation;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.io.document.PlanHash;
import inkel.core.power.PowerReport;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.PinNames;
import inkel.core.remedy.RailNames;
import inkel.core.seats.Landing;
import inkel.core.seats.SeatPlan;
import inkel.core.wiring.PartsList;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/** Puts on paper what a builder needs at the bench: cautions, parts, every wire with both ends, pins, power, first checks. */
public final class SheetMaker {
    private final Assessment assessment;
    private final List<Block> blocks = new ArrayList<>();

    private SheetMaker(Assessment assessment) {
        this.assessment = assessment;
    }

    /** @param day what stands on it as its date */
    public static Sheet of(Assessment assessment, LocalDate day) {
        SheetMaker maker = new SheetMaker(assessment);
        if (!assessment.build().log().isEmpty()) {
            RecordMaker.proofs(assessment.build(), ZoneId.systemDefault(), maker.blocks);
        }
        assessment.reports().circuit().nodes().forEach(maker::board);
        return new Sheet(
                assessment.build().name(),
                Words.say(Fact.of("sheet.under").with("day", day).with("plan", PlanHash.of(assessment.build()))),
                maker.blocks);
    }

    private void board(NodeCircuit node) {
        SeatPlan plan = Seated.of(assessment, node.node().id());
        WireList list = plan.list();
        blocks.add(new Sheet.Board(node.node().name(), node.board().cls().name()));
        cautions(node);
        open(node);
        parts(node, plan);
        soldered(plan);
        seats(plan);
        pulls(node, list);
        wires(plan);
        programming(plan);
        Map<Integer, List<String>> takers = takers(plan);
        picture(plan, takers);
        pins(node.board(), takers);
        pieces(node);
        power(node);
        checks(node);
    }

    private void heading(String key) {
        blocks.add(new Sheet.Heading(Words.get("sheet." + key)));
    }

    private static Column column(String key, int width, Kind kind) {
        return new Column(key.isEmpty() ? "" : Words.get("sheet.column." + key), width, kind);
    }

    private void cautions(NodeCircuit node) {
        blocks.add(new Sheet.Text(Words.get("why.unpowered"), true));
        Set<String> cautions = new LinkedHashSet<>();
        node.parts().stream()
                .filter(placed -> !placed.isForLater())
                .forEach(placed -> cautions.addAll(PartWords.care(placed.cls(), placed.hazards())));
        cautions.forEach(caution -> blocks.add(new Sheet.Text(caution, true)));
    }

    /** What is not settled is said first. */
    private void open(NodeCircuit node) {
        List<List<String>> rows = new ArrayList<>();
        for (Finding finding : assessment.findings()) {
            boolean isHere = finding.place().node().equals(node.node().id());
            if (isHere && finding.severity() != Severity.NOTE) {
                rows.add(List.of(Words.get("severity." + finding.severity().text()), Words.say(finding.sentence())));
            }
        }
        table("open", List.of(column("severity", 1, Kind.TEXT), column("what", 8, Kind.TEXT)), rows);
    }

    private void table(String heading, List<Column> columns, List<List<String>> rows) {
        if (!rows.isEmpty()) {
            heading(heading);
            blocks.add(new Sheet.Table(columns, rows));
        }
    }

    private void parts(NodeCircuit node, SeatPlan plan) {
        List<List<String>> rows = new ArrayList<>();
        PartsList.of(plan.list())
                .lines()
                .forEach(line ->
                        rows.add(List.of("", String.valueOf(line.count()), Words.say(line.what()), uses(line))));
        if (plan.boards() > 0) {
            rows.add(List.of("", String.valueOf(plan.boards()), SeatWords.kind(plan), ""));
        }
        plan.jumpers()
                .forEach((jumper, count) -> rows.add(List.of("", String.valueOf(count), WireWords.sort(jumper), "")));
        table(
                "parts",
                List.of(
                        column("", 4, Kind.TICK),
                        column("count", 8, Kind.NUMBER),
                        column("what", 42, Kind.TEXT),
                        column("for", 48, Kind.TEXT)),
                rows);
    }

    /** A name that is the class's is not said twice. */
    private static String uses(PartsList.Line line) {
        boolean isItself = line.uses().equals(List.of(line.what().values().getOrDefault("name", "")));
        return isItself ? "" : String.join(", ", line.uses());
    }

    private void soldered(SeatPlan plan) {
        List<List<String>> rows = Preparation.of(plan).solder().stream()
                .map(each -> List.of("", SolderWords.say(plan.node(), each)))
                .toList();
        if (!rows.isEmpty()) {
            heading("solder");
            blocks.add(new Sheet.Text(Words.get("table.solder.care"), true));
            blocks.add(new Sheet.Table(List.of(column("", 4, Kind.TICK), column("what", 96, Kind.TEXT)), rows));
        }
    }

    private void pulls(NodeCircuit node, WireList list) {
        WireWords words = new WireWords(node);
        List<List<String>> rows = new ArrayList<>();
        list.pulls()
                .forEach(pull -> rows.add(
                        List.of("", String.valueOf(pull.number()), words.name(pull.from()), words.name(pull.to()))));
        table(
                "pulls",
                List.of(
                        column("", 4, Kind.TICK),
                        column("number", 6, Kind.NUMBER),
                        column("from", 45, Kind.TEXT),
                        column("to", 45, Kind.TEXT)),
                rows);
    }

    /** Who sits where on the breadboards, and what their rails carry. */
    private void seats(SeatPlan plan) {
        SeatWords words = new SeatWords(plan);
        List<List<String>> rows = new ArrayList<>();
        plan.seats().forEach(seat -> rows.add(List.of("", words.name(seat), words.seat(seat.at(), seat))));
        table(
                "seats",
                List.of(column("", 4, Kind.TICK), column("part", 40, Kind.TEXT), column("seat", 56, Kind.TEXT)),
                rows);
        if (!rows.isEmpty()) {
            plan.rails().forEach(rail -> blocks.add(new Sheet.Text(words.rail(rail), false)));
            if (!plan.beside().isEmpty()) {
                blocks.add(new Sheet.Text(Words.get("sheet.beside", "parts", words.beside()), false));
            }
        }
    }

    private void wires(SeatPlan plan) {
        steps("wires", plan, plan.list().steps());
    }

    private void programming(SeatPlan plan) {
        steps("programming", plan, plan.list().programming());
    }

    /** The hole of an end, and where it is on its header for who looks at the module. */
    private static String place(WireWords words, SeatWords seats, Terminal end, Optional<Landing> landing) {
        String hole = landing.map(found -> seats.landing(found, end)).orElse("");
        boolean isAtItsPin = end instanceof Terminal.OnPin && isThere(end, landing);
        return hole.isEmpty() ? words.place(end) : isAtItsPin ? joined(hole, words.place(end)) : hole;
    }

    /** Each end with where it is, counted from both ends of its header. */
    private void steps(String heading, SeatPlan plan, List<WireStep> steps) {
        NodeCircuit node = plan.node();
        WireWords words = new WireWords(node);
        SeatWords seats = new SeatWords(plan);
        List<List<String>> rows = new ArrayList<>();
        for (WireStep step : steps) {
            String between = joined(words.between(step), String.join("\n", seats.runs(step)));
            String sort = plan.jumpers(step)
                    .findFirst()
                    .or(() -> step.jumper(node))
                    .map(jumper -> jumper.isBrought()
                            ? WireWords.jumper(jumper)
                            : Words.get("colour." + step.colour().text()) + ", " + WireWords.jumper(jumper))
                    .orElse("");
            rows.add(List.of(
                    "",
                    String.valueOf(step.number()),
                    joined(words.name(step.from()), place(words, seats, step.from(), seats.from(step))),
                    joined(words.name(step.to()), place(words, seats, step.to(), seats.to(step))),
                    joined(sort, between)));
        }
        table(
                heading,
                List.of(
                        column("", 4, Kind.TICK),
                        column("number", 5, Kind.NUMBER),
                        column("from", 34, Kind.TEXT),
                        column("to", 34, Kind.TEXT),
                        column("wire", 23, Kind.TEXT)),
                rows);
    }

    private static String joined(String one, String other) {
        return one.isEmpty() || other.isEmpty() ? one + other : one + "\n" + other;
    }

    /** The board's pins in the order of its header, with who has each. */
    /** What is wired to each pin of the board, by its place in the class: as the wire lists of all boards have it. */
    private Map<Integer, List<String>> takers(SeatPlan plan) {
        NodeCircuit node = plan.node();
        WireWords words = new WireWords(node);
        SeatWords seats = new SeatWords(plan);
        Map<Integer, List<String>> takers = new TreeMap<>();
        for (WireStep step : plan.list().steps()) {
            if (isThere(step.from(), seats.from(step))) {
                taker(node, step.from(), words.name(step.to()), takers);
            }
            if (isThere(step.to(), seats.to(step))) {
                taker(node, step.to(), words.name(step.from()), takers);
            }
        }
        assessment.reports().circuit().links().stream()
                .filter(link -> link.to().node().equals(node.node().id()))
                .forEach(link -> taker(
                        node,
                        plan.list().terminal(link.to().endpoint()),
                        ofNode(link.from().node(), link.from().pin()),
                        takers));
        return takers;
    }

    private void picture(SeatPlan plan, Map<Integer, List<String>> takers) {
        List<Sheet.Picture> pictures = BoardPicture.of(plan.node().board(), takers);
        if (!pictures.isEmpty()) {
            blocks.add(new Sheet.Heading(Words.get("sheet.picture")));
            blocks.addAll(pictures);
        }
    }

    /** A wire of a net may go to another row that is the same net, and then not to the pin itself. */
    private static boolean isThere(Terminal end, Optional<Landing> landing) {
        return landing.filter(found -> !found.at().equals(end)).isEmpty();
    }

    private static void taker(NodeCircuit node, Terminal end, String name, Map<Integer, List<String>> takers) {
        if (end instanceof Terminal.OnPin pin
                && pin.pin().part().equals(node.board().id())) {
            takers.computeIfAbsent(pin.index(), fresh -> new ArrayList<>()).add(name);
        }
    }

    private void pins(Placed board, Map<Integer, List<String>> takers) {
        List<List<String>> rows = new ArrayList<>();
        takers.forEach((index, taken) -> {
            Pin pin = board.cls().pins().get(index);
            String row = "ends.row." + pin.row();
            rows.add(List.of(
                    Words.has(row) ? Words.get(row) : "",
                    String.valueOf(pin.place()),
                    pin.header() > 0 ? pin.label() + " (" + pin.header() + ")" : pin.label(),
                    String.join(", ", taken)));
        });
        table(
                "pins",
                List.of(
                        column("row", 2, Kind.TEXT),
                        column("place", 1, Kind.NUMBER),
                        column("pin", 2, Kind.TEXT),
                        column("taken", 8, Kind.TEXT)),
                rows);
    }

    private String ofNode(String node, String pin) {
        return Words.say(Fact.of("pin.of_node")
                .with("node", assessment.circuit(node).orElseThrow().node().name())
                .with("pin", pin));
    }

    /** What stands in wires, with its values. */
    private void pieces(NodeCircuit node) {
        List<List<String>> rows = new ArrayList<>();
        node.node()
                .between()
                .forEach(between ->
                        rows.add(List.of(Words.say(PinNames.of(node, between.signal())), BetweenWords.brief(between))));
        assessment.reports().circuit().links().stream()
                .filter(link -> link.from().node().equals(node.node().id()))
                .forEach(link -> link.between()
                        .ifPresent(between -> rows.add(List.of(
                                Words.say(PinNames.of(node, link.from().endpoint())), BetweenWords.brief(between)))));
        table("pieces", List.of(column("wire", 4, Kind.TEXT), column("piece", 6, Kind.TEXT)), rows);
    }

    private void power(NodeCircuit node) {
        List<List<String>> rows = new ArrayList<>();
        for (PowerReport.RailBudget budget :
                assessment.reports().power().inUse(node.node().id())) {
            Rail rail = budget.rail();
            rows.add(List.of(
                    Words.say(RailNames.of(node, rail.id())),
                    rail.volts().map(SheetMaker::band).orElse(""),
                    Words.show(rail.average()),
                    Words.show(rail.peak()),
                    Words.show(rail.rating())));
        }
        table(
                "power",
                List.of(
                        column("rail", 4, Kind.TEXT),
                        column("volts", 3, Kind.TEXT),
                        column("average", 2, Kind.NUMBER),
                        column("peak", 2, Kind.NUMBER),
                        column("rating", 2, Kind.NUMBER)),
                rows);
    }

    private static String band(Range<Voltage> volts) {
        String least = Words.show(volts.lowest());
        String most = Words.show(volts.highest());
        return least.equals(most) ? least : least + " – " + most;
    }

    /** Supplies by themselves first, then part by part. */
    private void checks(NodeCircuit node) {
        List<List<String>> rows = new ArrayList<>();
        for (PowerReport.RailBudget budget :
                assessment.reports().power().inUse(node.node().id())) {
            budget.rail()
                    .volts()
                    .ifPresent(volts -> rows.add(List.of(
                            "",
                            Words.say(RailNames.of(node, budget.rail().id())),
                            Words.get("sheet.check.rail", "volts", band(volts)))));
        }
        for (Placed placed : node.parts()) {
            placed.cls()
                    .handling()
                    .checks()
                    .forEach(check -> rows.add(List.of("", placed.part().name(), WakeWords.say(check))));
        }
        table(
                "checks",
                List.of(column("", 4, Kind.TICK), column("at", 30, Kind.TEXT), column("reads", 66, Kind.TEXT)),
                rows);
    }
}
