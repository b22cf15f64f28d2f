package inkel.app.export.program;

import inkel.app.words.Words;
import inkel.core.catalog.Ability;
import inkel.core.catalog.AnalogGroup;
import inkel.core.catalog.Controller;
import inkel.core.catalog.Language;
import inkel.core.catalog.Pin;
import inkel.core.catalog.routine.Step;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.io.document.PlanHash;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.tune.Constant;
import inkel.core.tune.code.CodeConstants;
import inkel.core.tune.code.StartPlan;
import inkel.core.tune.code.StartPlan.Lead;
import inkel.core.tune.code.StartPlan.Link;
import inkel.core.tune.code.StartPlan.Task;
import inkel.core.wake.report.ReportPlan;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A program to begin with: it sets up what is wired to a board, reads each part once a second, and moves, switches and sends
 * nothing until a number is typed. Its helpers are in texts beside this class, of which it takes those that it needs.
 */
public final class StartProgram {
    /** How many bits one dialect gives all codes in. */
    private static final int ALL_BITS = 16;

    private final Build build;
    private final StartPlan plan;
    private final WireList list;
    private final Language language;
    private final boolean isCpp;
    private final boolean isComputer;
    private final ProgramText text;
    private final Controller controller;
    private final Optional<ReportPlan.Way> way;
    private final Pieces pieces;
    private final Set<String> wanted = new LinkedHashSet<>(List.of("port", "base"));
    private final List<String> switches = new ArrayList<>();
    private final StringBuilder constants = new StringBuilder();
    private final StartLinks links;
    private final StringBuilder functions = new StringBuilder();
    private final StringBuilder begins = new StringBuilder();
    private final StringBuilder reads = new StringBuilder();
    private final StringBuilder offers = new StringBuilder();
    private final StringBuilder keys = new StringBuilder();
    private int keyCount;

    private StartProgram(Build build, StartPlan plan, WireList list, Language language) {
        this.build = build;
        this.plan = plan;
        this.list = list;
        this.language = language;
        isCpp = language.name() == Language.Name.CPP;
        isComputer = language.name() == Language.Name.PYTHON_COMPUTER;
        text = isCpp ? ProgramText.CPP : ProgramText.PYTHON;
        controller = plan.node().board().cls().controller().orElseThrow();
        way = ReportPlan.way(plan.node());
        links = new StartLinks(plan, language, text, wanted);
        pieces = new Pieces(
                ProgramText.resource(isCpp ? "start.cpp.txt" : isComputer ? "start.computer.py.txt" : "start.py.txt"));
    }

    /**
     * @param pins of the whole build; buses to other boards are named, and are the builder's to use
     * @param language of the board, which says how a pin is called
     */
    public static String of(Build build, NodeCircuit node, PinReport pins, WireList list, Language language) {
        StartProgram program = new StartProgram(build, StartPlan.of(node), list, language);
        CodeConstants.ofBoards(node, pins).forEach(program::toBoard);
        return program.text(StartPlan.boards(node, pins));
    }

    private void toBoard(CodeConstants.Entry entry) {
        entry.pin().ifPresent(pin -> constant(entry.constant().name(), pin, Words.say(entry.about())));
    }

    /** What a program calls the pin of a signal: as the constants of the same board do. */
    static String constant(Task task, String label) {
        List<String> before = task.leads().stream()
                .map(lead -> lead.signal().pin())
                .takeWhile(other -> !other.equals(label))
                .filter(other -> name(task, other).equals(name(task, label)))
                .toList();
        return name(task, label) + (before.isEmpty() ? "" : "_" + (before.size() + 1));
    }

    private static String name(Task task, String label) {
        return Constant.identifier(task.name(), label, "PIN");
    }

    private String text(List<Task> toBoards) {
        if (talker().isPresent()) {
            pieces.needs("port", "sendBits");
        }
        plan.tasks().forEach(this::part);
        toBoards.forEach(this::board);
        String loop = pieces.of(List.of("loop"))
                .get(0)
                .replace("@PLAN@", PlanHash.of(build))
                .replace("@BEGINS@", setUp() + begins)
                .replace("@READS@", isCpp || !reads.isEmpty() ? reads.toString() : "    pass\n")
                .replace("@OFFERS@", offers)
                .replace("@KEYS@", isCpp ? keys.toString() : keys.toString().replaceFirst(", $", ""));
        List<String> blocks = new ArrayList<>(List.of(text.remarks(remarks()), includes()));
        blocks.add(constants.toString().stripTrailing());
        blocks.addAll(pieces.of(wanted));
        blocks.add(links.toString().stripTrailing());
        blocks.add(functions.toString().strip());
        blocks.add(loop);
        String gap = isCpp ? "\n\n" : "\n\n\n";
        return blocks.stream()
                        .filter(block -> !block.isBlank())
                        .collect(Collectors.joining(gap))
                        .replace("@PORT@", port())
                        .replace("@TALKER@", talker().map(language::call).orElse(text.none))
                        .replace("@SWITCHES@", String.valueOf(Math.max(1, switches.size())))
                        .replace("@BITS_MORE@", String.valueOf(ALL_BITS - bits()))
                        .replace("@CHIP@", controller.devices().getOrDefault("pins", ""))
                + "\n";
    }

    private String remarks() {
        String console = plan.tasks().stream()
                .filter(task ->
                        task.leads().stream().anyMatch(lead -> lead.pin().can(Ability.Kind.CONSOLE)))
                .findFirst()
                .map(task -> "\n"
                        + Words.get(
                                "program.console", "part", task.part().part().name()))
                .orElse("");
        return Words.say(Fact.of("start.head")
                        .with("name", plan.node().node().name())
                        .with("build", build.name()))
                + "\n" + Words.get(talker().isPresent() ? "start.deaf" : "start.typed") + console;
    }

    private Optional<Pin> talker() {
        return way.flatMap(ReportPlan.Way::pin);
    }

    /** Of the board's converter, which all of its pins share. */
    private int bits() {
        return plan.node().board().cls().analog(0).map(AnalogGroup::bits).orElse(ALL_BITS);
    }

    private String port() {
        return !isCpp ? "" : ProgramText.resource(talker().isPresent() ? "plain-port.cpp.txt" : "own-port.cpp.txt");
    }

    private String includes() {
        if (isComputer) {
            return Stream.of("array", "fcntl", "os", "select", "struct", "sys", "termios", "time")
                    .map(module -> "import " + module)
                    .collect(Collectors.joining("\n"));
        }
        if (!isCpp) {
            return "from machine import ADC, Pin, SoftI2C\nimport select\nimport sys\nimport time";
        }
        return links.headers().stream()
                        .map(header -> "#include <" + header + ".h>\n")
                        .collect(Collectors.joining())
                + "#include <stdint.h>\n\nstatic const long RATE = "
                + Math.round(way.map(ReportPlan.Way::baud)
                        .orElse(Frequency.ofHertz(9600))
                        .hertz())
                + ";";
    }

    private String setUp() {
        if (!isCpp) {
            return "";
        }
        StringBuilder setUp = new StringBuilder();
        if (links.headers().contains("Wire")) {
            setUp.append("  Wire.begin();\n");
        }
        // No part on a shared bus may listen while another is spoken to.
        plan.tasks().stream()
                .filter(task -> task.link().filter(Link.Spi.class::isInstance).isPresent())
                .forEach(task -> setUp.append("  choose(").append(task.name()).append("_LINK, false);\n"));
        if (links.headers().contains("SPI")) {
            setUp.append("  SPI.begin();\n");
        }
        return setUp.toString();
    }

    private void part(Task task) {
        String name = task.part().part().name();
        String cls = task.part().cls().name();
        List<String> remarks = new ArrayList<>(List.of(name.equals(cls) ? name : name + ": " + cls));
        task.leads().forEach(lead -> lead(task, lead, remarks));
        task.elsewhere()
                .forEach((signal, end) -> remarks.add(Words.say(Fact.of("start.elsewhere")
                        .with("signal", signal.pin())
                        .with(
                                "part",
                                plan.node()
                                        .part(end.part())
                                        .orElseThrow()
                                        .part()
                                        .name())
                        .with("pin", end.pin()))));
        boolean isReached = links.link(task, remarks);
        task.part()
                .address()
                .ifPresent(address -> remarks.add(Words.get("start.address", "address", ProgramText.hex(address))));
        task.routine().yours().ifPresent(yours -> remarks.add(Words.get("start.yours", "yours", yours)));
        if (!task.isWhole()) {
            remarks.add(Words.get("start.no_bus"));
        }
        remarks.addAll(LineRemarks.of(plan, task, isComputer));
        functions(task, remarks, isReached);
    }

    private void board(Task task) {
        boolean isOwnTalk = talker().isEmpty() && BoardRemarks.isOnConsole(task);
        List<String> remarks = BoardRemarks.of(task, isOwnTalk);
        boolean isReached = !isOwnTalk && links.link(task, remarks);
        // A pin that is driven serves no port of an operating system any more, nor the console.
        functions(isOwnTalk || isComputer ? task.withoutBegin() : task, remarks, isReached);
    }

    private void functions(Task task, List<String> remarks, boolean isReached) {
        functions
                .append("\n")
                .append(isCpp ? "" : "\n")
                .append(text.remarks(String.join("\n", remarks)))
                .append("\n");
        List<Step> read = possible(task, task.routine().read(), isReached);
        function("begin", task, possible(task, task.routine().begin(), isReached), listened(read), begins);
        function("read", task, read, List.of(), reads);
        keyed(possible(task, task.routine().key(), isReached)).forEach(steps -> key(task, steps));
    }

    private List<Step> possible(Task task, List<Step> steps, boolean isReached) {
        return steps.stream()
                .filter(step -> !isComputer || !step.isQuick() && !(step instanceof Step.Code))
                .filter(step -> isReached || !step.isOverBus() && !(step instanceof Step.Line))
                .filter(step -> !(step instanceof Step.Send send)
                        || send.output().isEmpty()
                        || plan.node()
                                .nets()
                                .containsKey(new Endpoint(
                                        task.part().id(), send.output().get())))
                .toList();
    }

    /** Pins that are only read are inputs from the beginning. */
    private List<String> listened(List<Step> read) {
        return read.stream()
                .filter(step -> step instanceof Step.Read
                        || step instanceof Step.PulseIn
                        || step instanceof Step.Count
                        || step instanceof Step.Train)
                .flatMap(step -> step.pins().stream())
                .distinct()
                .toList();
    }

    /** Each switch and each output has a key of its own; all else is one. */
    private static List<List<Step>> keyed(List<Step> steps) {
        List<List<Step>> keyed = new ArrayList<>();
        List<Step> together = new ArrayList<>();
        for (Step step : steps) {
            boolean isAlone = step instanceof Step.Switch
                    || step instanceof Step.Send send && send.output().isPresent();
            if (isAlone) {
                keyed.add(List.of(step));
            } else {
                together.add(step);
            }
        }
        if (!together.isEmpty()) {
            keyed.add(together);
        }
        return keyed;
    }

    private void lead(Task task, Lead lead, List<String> remarks) {
        String pin = constant(task, lead.signal().pin());
        String said = Words.say(Fact.of(lead.pin().header() > 0 ? "start.lead.header" : "start.lead")
                .with("signal", lead.signal().pin())
                .with("pin", lead.pin().label())
                .with("place", lead.pin().header())
                .with("wires", wires(lead.signal())));
        remarks.add(lead.isPulledInside() ? said + Words.get("start.pulled") : said);
        constant(pin, lead.pin(), task.part().part().name() + ", " + said);
    }

    private void constant(String name, Pin pin, String about) {
        constants
                .append(isCpp ? "static const int " : "")
                .append(name)
                .append(" = ")
                .append(language.call(pin))
                .append(isCpp ? ";" : "")
                .append(isCpp ? "  // " : "  # ")
                .append(ProgramText.calm(about))
                .append("\n");
    }

    /** The numbers of the wires of a signal in the list. */
    private String wires(Endpoint signal) {
        return list.steps().stream()
                .filter(step -> step.subject().equals(plan.node().place(signal)))
                .map(WireStep::number)
                .map(String::valueOf)
                .collect(Collectors.joining(", "));
    }

    private String called(String what, Task task) {
        String words = Arrays.stream(task.name().split("_"))
                .filter(word -> !word.isEmpty())
                .map(word -> word.substring(0, 1) + word.substring(1).toLowerCase(Locale.ROOT))
                .collect(Collectors.joining());
        return isCpp ? what + words : what + "_" + task.name().toLowerCase(Locale.ROOT);
    }

    /** A function of these steps, and its call among the others. */
    private void function(String what, Task task, List<Step> steps, List<String> inputs, StringBuilder calls) {
        if (steps.isEmpty() && inputs.isEmpty()) {
            return;
        }
        String name = called(what, task);
        function(name, what, task, steps, inputs);
        calls.append(isCpp ? "  " + name + "();\n" : "    " + name + "()\n");
    }

    private static boolean tells(List<Step> steps) {
        return steps.stream()
                .anyMatch(step -> step instanceof Step.Line
                        || step instanceof Step.Ask ask && !ask.values().isEmpty());
    }

    private void function(String name, String what, Task task, List<Step> steps, List<String> inputs) {
        boolean isRead = what.equals("read");
        boolean isTold = isRead || what.equals("key") && tells(steps);
        StepCode code = new StepCode(isCpp, plan, wanted, switches, 1);
        if (isRead) {
            task.routine().rest().ifPresent(rest -> code.rest(task, rest));
        }
        if (isTold) {
            wanted.add("lines");
            code.call(
                    "beginLine",
                    ProgramText.quoted(ProgramText.calm(task.part().part().name())));
        }
        code.listen(task, inputs);
        code.steps(task, steps);
        if (isTold) {
            code.call("endLine");
        }
        functions
                .append(isCpp ? "static void " + name + "() {\n" : "def " + name + "():\n")
                .append(code)
                .append(isCpp ? "}\n\n" : "\n\n");
    }

    private void key(Task task, List<Step> steps) {
        keyCount++;
        String name = called("key", task) + (isCpp ? "" : "_") + keyCount;
        function(name, "key", task, steps, List.of());
        String what = task.part().part().name() + outputs(steps);
        String offer = ProgramText.quoted(ProgramText.calm(keyCount + " " + what));
        offers.append(isCpp ? "  port.println(" + offer + ");\n" : "    print(" + offer + ")\n");
        keys.append(
                isCpp
                        ? "    case " + keyCount + ":\n      " + name + "();\n      break;\n"
                        : ProgramText.quoted(keyCount) + ": " + name + ", ");
    }

    private static String outputs(List<Step> steps) {
        return steps.stream()
                .flatMap(step -> step instanceof Step.Send send
                        ? send.output().stream()
                        : step instanceof Step.Switch turn ? Stream.of(turn.pin()) : Stream.empty())
                .map(pin -> " " + pin)
                .distinct()
                .collect(Collectors.joining());
    }
}
