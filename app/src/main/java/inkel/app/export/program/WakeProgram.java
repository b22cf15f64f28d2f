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
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * The program with which a board reports of itself at its first power-up. What it does is in a text beside this class; here
 * its tables are filled from the plan.
 */
public final class WakeProgram {
    private static final String FOLDER = "/inkel/app/export/program/";

    private final Language language;
    private final ReportPlan plan;
    private final WireList list;
    private final boolean isCpp;

    private WakeProgram(Language language, ReportPlan plan, WireList list) {
        this.language = language;
        this.plan = plan;
        this.list = list;
        isCpp = language.name() == Language.Name.CPP;
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
                .map(language -> new WakeProgram(language, plan, list).text());
    }

    private String text() {
        String text = resource(isCpp ? "wake.cpp.txt" : "wake.py.txt")
                .replace("@PORT@", resource(isPlain() ? "plain-port.cpp.txt" : "own-port.cpp.txt"))
                .replace("@TALKER@", pin(plan.way().flatMap(ReportPlan.Way::pin)))
                .replace("@RATE@", String.valueOf(rate()))
                .replace("@REMARKS@", remarks())
                .replace("@HEAD@", SimulatedBoard.head(plan.node(), list))
                .replace("@PINS@", rows(plan.pins(), this::pin))
                .replace("@BUSES@", rows(plan.buses(), this::bus))
                .replace("@REGISTERS@", rows(plan.registers(), this::register))
                .replace("@LEVELS@", rows(plan.levels(), level -> row(quoted(level.signal()), pin(level.pin()))))
                .replace(
                        "@ANALOGS@",
                        rows(plan.analogs(), analog -> row(quoted(analog.pin().label()), pin(analog.pin()))))
                .replace("@LINES@", rows(plan.lines(), this::line));
        return text.replace("@ACTS@", rows(plan.acts(), this::act));
    }

    private static String resource(String name) {
        try (InputStream in = WakeProgram.class.getResourceAsStream(FOLDER + name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException cannotBe) {
            throw new UncheckedIOException(cannotBe);
        }
    }

    private boolean isPlain() {
        return plan.way().flatMap(ReportPlan.Way::pin).isPresent();
    }

    private long rate() {
        return Math.round(plan.way().orElseThrow().baud().hertz());
    }

    /** What the builder reads first, each line as a remark. */
    private String remarks() {
        String mark = isCpp ? "// " : "# ";
        String lines = Words.get("program.wake", "name", plan.node().node().name());
        String way = plan.way()
                .flatMap(ReportPlan.Way::pin)
                .map(this::plainPort)
                .orElseGet(() -> Words.get("program.typed") + ownPort());
        return (lines + "\n" + way).lines().map(line -> mark + line).collect(Collectors.joining("\n"));
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

    private <T> String rows(List<T> of, Function<T, String> row) {
        return of.stream().map(one -> row.apply(one) + ", ").collect(Collectors.joining());
    }

    private String row(String... cells) {
        String all = String.join(", ", cells);
        return isCpp ? "{" + all + "}" : "(" + all + ")";
    }

    private String pin(Pin pin) {
        return language.call(pin);
    }

    private String pin(Optional<Pin> pin) {
        return pin.map(this::pin).orElse(isCpp ? "NONE" : "None");
    }

    private static String quoted(Object text) {
        return "\"" + String.valueOf(text).replace("\\", "\\\\").replace("\"", "\\\"") + "\"";
    }

    private String bus(ReportPlan.Bus bus) {
        return row(String.valueOf(bus.number()), pin(bus.sda()), pin(bus.scl()));
    }

    private String register(ReportPlan.Register register) {
        List<Pin> spi = register.spi();
        return row(
                quoted(register.part().id()),
                quoted(register.register()),
                hex(register.send()),
                String.valueOf(register.bytes()),
                register.bus().map(bus -> String.valueOf(bus.number())).orElse(isCpp ? "NONE" : "None"),
                hex(register.part().address().orElse(0)),
                pin(at(spi, 0)),
                pin(at(spi, 1)),
                pin(at(spi, 2)),
                pin(at(spi, 3)));
    }

    private static String hex(int value) {
        return String.format(Locale.ROOT, "0x%02X", value);
    }

    private static Optional<Pin> at(List<Pin> pins, int place) {
        return place < pins.size() ? Optional.of(pins.get(place)) : Optional.empty();
    }

    private String line(ReportPlan.Line line) {
        return row(
                quoted(line.part().id()),
                pin(line.from()),
                pin(line.to()),
                String.valueOf(Math.round(line.baud().hertz())),
                quoted(line.say()));
    }

    private String act(ReportPlan.Act act) {
        String how = act.to() == WakeCheck.To.PULSES ? "p" : act.to() == WakeCheck.To.LOW ? "l" : "h";
        return row(
                String.valueOf(act.number()),
                quoted(act.signal()),
                pin(act.pin()),
                isCpp ? "'" + how + "'" : quoted(how));
    }
}
