package inkel.app.export.program;

import inkel.app.words.Words;
import inkel.core.catalog.Ability;
import inkel.core.catalog.Controller;
import inkel.core.catalog.Language;
import inkel.core.catalog.Pin;
import inkel.core.catalog.WakeCheck;
import inkel.core.circuit.NodeCircuit;
import inkel.core.formula.BaudRate;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Share;
import inkel.core.wake.report.ReportPlan;
import inkel.core.wake.report.SimulatedBoard;
import inkel.core.wiring.WireList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The program with which a board reports of itself at its first power-up. What it does is in a text beside this class; here
 * its tables are filled from the plan.
 */
public final class WakeProgram {
    private static final int ALL_BITS = 16;

    private final Language language;
    private final ReportPlan plan;
    private final WireList list;
    private final ProgramText text;

    private WakeProgram(Language language, ReportPlan plan, WireList list) {
        this.language = language;
        this.plan = plan;
        this.list = list;
        text = language.name() == Language.Name.CPP ? ProgramText.CPP : ProgramText.PYTHON;
    }

    /** How the board of a node is programmed, in one of these languages; empty for a board that takes none of them. */
    public static Optional<Language> language(NodeCircuit node, Language.Name name) {
        return node.board().cls().controller().map(Controller::languages).orElse(List.of()).stream()
                .filter(language -> language.name() == name)
                .findFirst();
    }

    /** Whether the board of a node takes a program in that language and has something that its lines can come from. */
    public static boolean isFor(NodeCircuit node, Language.Name name) {
        return language(node, name).isPresent() && ReportPlan.way(node).isPresent();
    }

    /** Empty where {@link #isFor} says no. */
    public static Optional<String> of(Language.Name name, ReportPlan plan, WireList list) {
        return plan.way()
                .flatMap(way -> language(plan.node(), name))
                .map(language -> name == Language.Name.PYTHON_COMPUTER
                        ? new ComputerProgram(language, plan, list).text()
                        : new WakeProgram(language, plan, list).text());
    }

    private String text() {
        boolean isCpp = text == ProgramText.CPP;
        return ProgramText.resource(isCpp ? "wake.cpp.txt" : "wake.py.txt")
                .replace("@PORT@", ProgramText.resource(isPlain() ? "plain-port.cpp.txt" : "own-port.cpp.txt"))
                .replace("@TALKER@", pin(plan.way().flatMap(ReportPlan.Way::pin)))
                .replace("@RATE@", String.valueOf(rate()))
                .replace("@REMARKS@", text.remarks(remarks()))
                .replace("@HEAD@", SimulatedBoard.head(plan.node(), list))
                .replace("@PINS@", text.rows(plan.pins(), this::pin))
                .replace("@BUSES@", text.rows(plan.buses(), this::bus))
                .replace("@REGISTERS@", text.rows(plan.registers(), this::register))
                .replace(
                        "@LEVELS@",
                        text.rows(
                                plan.levels(), level -> text.row(ProgramText.quoted(level.signal()), pin(level.pin()))))
                .replace("@ANALOGS@", text.rows(plan.analogs(), this::analog))
                .replace("@LINES@", text.rows(plan.lines(), this::line))
                .replace("@ACTS@", text.rows(plan.acts(), this::act))
                .replace("@CODES@", text.rows(plan.codes(), this::code));
    }

    private boolean isPlain() {
        return plan.way().flatMap(ReportPlan.Way::pin).isPresent();
    }

    private long rate() {
        return Math.round(plan.way().orElseThrow().baud().hertz());
    }

    /** What the builder reads first, each line as a remark. */
    private String remarks() {
        String lines = Words.get("program.wake", "name", plan.node().node().name());
        String way = plan.way()
                .flatMap(ReportPlan.Way::pin)
                .map(this::plainPort)
                .orElseGet(() -> Words.get("program.typed") + ownPort());
        return lines + "\n" + way;
    }

    private String ownPort() {
        return consoleUser()
                .map(part -> "\n" + Words.get("program.console", "part", part))
                .orElse("");
    }

    private String plainPort(Pin pin) {
        String said =
                Words.say(Fact.of("program.plain").with("pin", pin.label()).with("rate", rate()));
        Share tolerance = plan.node().board().cls().controller().orElseThrow().tolerance();
        return tolerance.ratio() <= BaudRate.LIMIT.ratio()
                ? said
                : said + "\n"
                        + Words.say(Fact.of("program.clock")
                                .with("tolerance", tolerance)
                                .with("least", Math.round(rate() * (1 - tolerance.ratio())))
                                .with("most", Math.round(rate() * (1 + tolerance.ratio()))));
    }

    /** The part whose wire is on the port that the board reports by. */
    private Optional<String> consoleUser() {
        return plan.pins().stream()
                .filter(pin -> pin.can().stream().anyMatch(ability -> ability.kind() == Ability.Kind.CONSOLE))
                .flatMap(pin -> plan.node().nets().entrySet().stream()
                        .filter(net -> net.getKey().pin().equals(pin.label()))
                        .flatMap(net -> net.getValue().stream()))
                .flatMap(wire -> plan.node().part(wire.from().part()).stream())
                .map(placed -> placed.part().name())
                .findFirst();
    }

    private String pin(Pin pin) {
        return language.call(pin);
    }

    private String pin(Optional<Pin> pin) {
        return pin.map(this::pin).orElse(text.none);
    }

    private String bus(ReportPlan.Bus bus) {
        return text.row(String.valueOf(bus.number()), pin(bus.sda()), pin(bus.scl()));
    }

    private String register(ReportPlan.Register register) {
        Optional<ReportPlan.Spi> spi = register.spi();
        WakeCheck.Asking asking = register.asking();
        return text.row(
                ProgramText.quoted(register.part().id()),
                ProgramText.quoted(register.register()),
                String.valueOf(register.bytes()),
                register.bus().map(bus -> String.valueOf(bus.number())).orElse(text.none),
                ProgramText.hex(register.part().address().orElse(0)),
                pin(spi.map(ReportPlan.Spi::clock)),
                pin(spi.flatMap(ReportPlan.Spi::out)),
                pin(spi.map(ReportPlan.Spi::in)),
                pin(spi.flatMap(ReportPlan.Spi::select)),
                String.valueOf(asking.idle()),
                String.valueOf(asking.late()),
                text.mask(asking.mask(), register.bytes()),
                String.valueOf(asking.send().size()),
                text.list(asking.send().isEmpty() ? List.of(0) : asking.send()));
    }

    private static Optional<Pin> at(List<Pin> pins, int place) {
        return place < pins.size() ? Optional.of(pins.get(place)) : Optional.empty();
    }

    /** Some dialects give all codes in sixteen bits, whatever the converter has; they are said as the converter has them. */
    private String analog(ReportPlan.Analog analog) {
        String name = ProgramText.quoted(analog.pin().label());
        return text == ProgramText.CPP
                ? text.row(name, pin(analog.pin()))
                : text.row(
                        name,
                        pin(analog.pin()),
                        String.valueOf(ALL_BITS - analog.converter().bits()));
    }

    private String line(ReportPlan.Line line) {
        return text.row(
                ProgramText.quoted(line.part().id()),
                pin(line.from()),
                pin(line.to()),
                String.valueOf(Math.round(line.baud().hertz())),
                ProgramText.quoted(line.say()));
    }

    private String code(ReportPlan.Code code) {
        List<Pin> spi = code.spi();
        return text.row(
                String.valueOf(code.number()),
                ProgramText.quoted(code.pin()),
                String.valueOf(code.code()),
                code.bus().map(bus -> String.valueOf(bus.number())).orElse(text.none),
                ProgramText.hex(code.part().address().orElse(0)),
                pin(at(spi, 0)),
                pin(at(spi, 1)),
                pin(at(spi, 2)),
                String.valueOf(code.bytes().size()),
                text.list(code.bytes()));
    }

    private String act(ReportPlan.Act act) {
        String how = act.to() == WakeCheck.To.PULSES ? "p" : act.to() == WakeCheck.To.LOW ? "l" : "h";
        return text.row(
                String.valueOf(act.number()),
                ProgramText.quoted(act.signal()),
                pin(act.pin()),
                text == ProgramText.CPP ? "'" + how + "'" : ProgramText.quoted(how),
                String.valueOf(Math.round(act.width().seconds() * 1e6)),
                held(act.highs()),
                held(act.lows()));
    }

    private String held(List<Pin> pins) {
        Stream<String> named = pins.stream().map(this::pin);
        return text == ProgramText.CPP
                ? Stream.concat(named, Stream.of(text.none)).collect(Collectors.joining(", ", "{", "}"))
                : named.collect(Collectors.joining(", ", "[", "]"));
    }
}
