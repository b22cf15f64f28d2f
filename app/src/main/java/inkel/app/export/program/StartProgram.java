package inkel.app.export.program;

import inkel.app.words.Words;
import inkel.core.catalog.Ability;
import inkel.core.catalog.Controller;
import inkel.core.catalog.Language;
import inkel.core.catalog.Pin;
import inkel.core.catalog.routine.Step;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.io.document.PlanHash;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.tune.Constant;
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
    /** What a program needs to tell one bit of a plain pin from the next, as the program that reports does. */
    private static final int CLOCKS_A_BIT = 800;

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
    private final StringBuilder links = new StringBuilder();
    private final StringBuilder functions = new StringBuilder();
    private final StringBuilder begins = new StringBuilder();
    private final StringBuilder reads = new StringBuilder();
    private final StringBuilder offers = new StringBuilder();
    private final StringBuilder keys = new StringBuilder();
    private final Set<String> headers = new LinkedHashSet<>();
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
        pieces = new Pieces(
                ProgramText.resource(isCpp ? "start.cpp.txt" : isComputer ? "start.computer.py.txt" : "start.py.txt"));
    }

    /** @param language of the board, which says how a pin is called */
    public static String of(Build build, NodeCircuit node, WireList list, Language language) {
        return new StartProgram(build, StartPlan.of(node), list, language).text();
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

    private String text() {
        chooseHeaders();
        plan.tasks().forEach(this::part);
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
        return headers.stream().map(header -> "#include <" + header + ".h>\n").collect(Collectors.joining())
                + "#include <stdint.h>\n\nstatic const long RATE = "
                + Math.round(way.map(ReportPlan.Way::baud)
                        .orElse(Frequency.ofHertz(9600))
                        .hertz())
                + ";";
    }

    /** A header serves when all parts of its kind are on the bus that it drives; else plain pins do. */
    private void chooseHeaders() {
        if (!isCpp) {
            return;
        }
        if (talker().isPresent()) {
            pieces.needs("port", "sendBits");
        }
        header(Link.I2c.class, "Wire", Ability.Kind.I2C).ifPresent(headers::add);
        header(Link.Spi.class, "SPI", Ability.Kind.SPI).ifPresent(headers::add);
    }

    private Optional<String> header(Class<? extends Link> kind, String header, Ability.Kind ability) {
        List<Link> on = plan.tasks().stream()
                .flatMap(task -> task.link().stream())
                .filter(kind::isInstance)
                .toList();
        return language.headers().entrySet().stream()
                .filter(known -> known.getValue().equals(header))
                .filter(known -> !on.isEmpty() && on.stream().allMatch(link -> isOn(link, known.getKey(), ability)))
                .map(known -> header)
                .findFirst();
    }

    private static boolean isOn(Link link, String bus, Ability.Kind kind) {
        List<Pin> pins = new ArrayList<>();
        List<String> lines = new ArrayList<>();
        if (link instanceof Link.I2c i2c) {
            pins.addAll(List.of(i2c.sda(), i2c.scl()));
            lines.addAll(List.of("sda", "scl"));
        } else if (link instanceof Link.Spi spi) {
            pins.add(spi.clock());
            lines.add("sck");
            spi.out().ifPresent(pin -> {
                pins.add(pin);
                lines.add("mosi");
            });
            spi.in().ifPresent(pin -> {
                pins.add(pin);
                lines.add("miso");
            });
        }
        for (int i = 0; i < pins.size(); i++) {
            String line = lines.get(i);
            if (pins.get(i).can().stream()
                    .noneMatch(ability -> ability.kind() == kind
                            && ability.line().equals(line)
                            && bus.endsWith(String.valueOf(ability.unit())))) {
                return false;
            }
        }
        return !pins.isEmpty();
    }

    private String setUp() {
        if (!isCpp) {
            return "";
        }
        StringBuilder setUp = new StringBuilder();
        if (headers.contains("Wire")) {
            setUp.append("  Wire.begin();\n");
        }
        // No part on a shared bus may listen while another is spoken to.
        plan.tasks().stream()
                .filter(task -> task.link().filter(Link.Spi.class::isInstance).isPresent())
                .forEach(task -> setUp.append("  choose(").append(task.name()).append("_LINK, false);\n"));
        if (headers.contains("SPI")) {
            setUp.append("  SPI.begin();\n");
        }
        return setUp.toString();
    }

    private void part(Task task) {
        List<String> remarks = new ArrayList<>(
                List.of(task.part().part().name() + ": " + task.part().cls().name()));
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
        boolean isReached = link(task, remarks);
        task.part()
                .address()
                .ifPresent(address -> remarks.add(Words.get("start.address", "address", ProgramText.hex(address))));
        task.routine().yours().ifPresent(yours -> remarks.add(Words.get("start.yours", "yours", yours)));
        if (!task.isWhole()) {
            remarks.add(Words.get("start.no_bus"));
        }
        if (isComputer && task.routine().steps().anyMatch(Step::isQuick)) {
            remarks.add(Words.get("start.quick"));
        }
        functions
                .append("\n")
                .append(isCpp ? "" : "\n")
                .append(text.remarks(String.join("\n", remarks)))
                .append("\n");
        List<Step> begin = new ArrayList<>(possible(task, task.routine().begin(), isReached));
        List<Step> read = possible(task, task.routine().read(), isReached);
        function("begin", task, begin, listened(read), begins);
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
        remarks.add(said);
        constants
                .append(isCpp ? "static const int " : "")
                .append(pin)
                .append(" = ")
                .append(language.call(lead.pin()))
                .append(isCpp ? ";" : "")
                .append(isCpp ? "  // " : "  # ")
                .append(ProgramText.calm(task.part().part().name() + ", " + said))
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

    /** Whether there is a way to the bus of the part; what is in the way is told. */
    private boolean link(Task task, List<String> remarks) {
        if (task.link().isEmpty()) {
            return false;
        }
        Optional<String> made = isComputer ? device(task) : plain(task, remarks);
        made.ifPresent(value -> links.append(linkHead(task))
                .append(task.name())
                .append("_LINK = ")
                .append(value)
                .append(isCpp ? ";" : "")
                .append("\n"));
        if (made.isEmpty() && isComputer) {
            remarks.add(Words.get("start.no_device"));
        }
        return made.isPresent();
    }

    private String linkHead(Task task) {
        return isCpp ? "static const " + sort(task.link().orElseThrow()) + " " : "";
    }

    private static String sort(Link link) {
        return link instanceof Link.I2c ? "I2c" : link instanceof Link.Spi ? "Spi" : "SerialPart";
    }

    private String made(String sort, String... given) {
        return isCpp ? text.row(given) : sort + "(" + String.join(", ", given) + ")";
    }

    private Optional<String> plain(Task task, List<String> remarks) {
        Link link = task.link().orElseThrow();
        if (link instanceof Link.I2c i2c) {
            wanted.addAll(List.of("i2c", headers.contains("Wire") ? "i2cWire" : "i2cPlain"));
            return Optional.of(
                    made("I2c", named(task, i2c.sda()), named(task, i2c.scl()), ProgramText.hex(i2c.address())));
        }
        if (link instanceof Link.Spi spi) {
            wanted.addAll(List.of("spi", headers.contains("SPI") ? "spiHeader" : "spiPlain", "spiBoth"));
            return Optional.of(made(
                    "Spi",
                    named(task, spi.clock()),
                    spi.out().map(pin -> named(task, pin)).orElse(text.none),
                    spi.in().map(pin -> named(task, pin)).orElse(text.none),
                    spi.select().map(pin -> named(task, pin)).orElse(text.none),
                    String.valueOf(spi.mode()),
                    spi.isSelectedHigh() ? "HIGH" : "LOW",
                    String.valueOf(Math.round(spi.most().hertz()))));
        }
        Link.Serial serial = (Link.Serial) link;
        if (serial.baud().hertz() * CLOCKS_A_BIT > controller.clock().hertz()) {
            remarks.add(Words.say(Fact.of("start.fast").with("rate", serial.baud())));
            return Optional.empty();
        }
        wanted.add("serial");
        String none = isCpp ? "NO_PIN" : text.none;
        return Optional.of(made(
                "SerialPart",
                serial.from().map(pin -> named(task, pin)).orElse(none),
                serial.to().map(pin -> named(task, pin)).orElse(none),
                String.valueOf(Math.round(serial.baud().hertz()))));
    }

    private static String named(Task task, Pin pin) {
        return task.leads().stream()
                .filter(lead -> lead.pin().equals(pin))
                .map(lead -> constant(task, lead.signal().pin()))
                .findFirst()
                .orElseThrow();
    }

    /** By the device files of the operating system. */
    private Optional<String> device(Task task) {
        Link link = task.link().orElseThrow();
        if (link instanceof Link.I2c i2c) {
            wanted.add("i2c");
            return controller
                    .device(i2c.sda(), Ability.Kind.I2C)
                    .map(device -> made("I2c", ProgramText.quoted(device), ProgramText.hex(i2c.address())));
        }
        if (link instanceof Link.Spi spi) {
            wanted.add("spi");
            Optional<Integer> own = controller.drivers().stream()
                    .filter(driver -> driver.drives(spi.clock()))
                    .flatMap(driver ->
                            spi.select().stream().map(pin -> driver.pins().indexOf(pin.label())))
                    .filter(place -> place >= 0)
                    .findFirst();
            return controller
                    .device(spi.clock(), Ability.Kind.SPI)
                    .map(device -> made(
                            "Spi",
                            ProgramText.quoted(device + "." + own.orElse(0)),
                            own.isPresent()
                                    ? text.none
                                    : spi.select().map(pin -> named(task, pin)).orElse(text.none),
                            String.valueOf(spi.mode()),
                            spi.isSelectedHigh() ? "HIGH" : "LOW",
                            String.valueOf(Math.round(spi.most().hertz()))));
        }
        Link.Serial serial = (Link.Serial) link;
        wanted.add("serial");
        return serial.from()
                .or(serial::to)
                .flatMap(pin -> controller.device(pin, Ability.Kind.UART))
                .map(device -> made(
                        "SerialPart",
                        ProgramText.quoted(device),
                        String.valueOf(Math.round(serial.baud().hertz()))));
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
        boolean isListening = !inputs.isEmpty() && pieces.has("listen");
        if (steps.isEmpty() && !isListening) {
            return;
        }
        boolean isTold = what.equals("read") || what.equals("key") && tells(steps);
        String name = called(what, task);
        function(name, task, steps, isListening ? inputs : List.of(), isTold);
        calls.append(isCpp ? "  " + name + "();\n" : "    " + name + "()\n");
    }

    private static boolean tells(List<Step> steps) {
        return steps.stream()
                .anyMatch(step -> step instanceof Step.Line
                        || step instanceof Step.Ask ask && !ask.values().isEmpty());
    }

    private void function(String name, Task task, List<Step> steps, List<String> inputs, boolean isTold) {
        StepCode code = new StepCode(isCpp, wanted, switches, 1);
        if (isTold) {
            wanted.add("lines");
            code.call(
                    "beginLine",
                    ProgramText.quoted(ProgramText.calm(task.part().part().name())));
        }
        for (String label : inputs) {
            wanted.add("listen");
            code.call("listen", constant(task, label));
        }
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
        function(name, task, steps, List.of(), tells(steps));
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
