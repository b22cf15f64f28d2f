package inkel.app.export.program;

import inkel.app.words.Words;
import inkel.core.catalog.Ability;
import inkel.core.catalog.Controller;
import inkel.core.catalog.Language;
import inkel.core.catalog.Pin;
import inkel.core.quantity.Fact;
import inkel.core.tune.code.StartPlan;
import inkel.core.tune.code.StartPlan.Link;
import inkel.core.tune.code.StartPlan.Task;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** How a made program reaches the buses: by headers of the framework, by plain pins, or by files of an operating system. */
final class StartLinks {
    /** What a program needs to tell one bit of a plain pin from the next, as the program that reports does. */
    private static final int CLOCKS_A_BIT = 800;

    private final StartPlan plan;
    private final Language language;
    private final boolean isCpp;
    private final boolean isComputer;
    private final ProgramText text;
    private final Controller controller;

    /** The pieces that are called are noted here. */
    private final Set<String> wanted;

    private final StringBuilder links = new StringBuilder();
    private final Set<String> headers = new LinkedHashSet<>();

    StartLinks(StartPlan plan, Language language, ProgramText text, Set<String> wanted) {
        this.plan = plan;
        this.language = language;
        this.text = text;
        this.wanted = wanted;
        isCpp = language.name() == Language.Name.CPP;
        isComputer = language.name() == Language.Name.PYTHON_COMPUTER;
        controller = plan.node().board().cls().controller().orElseThrow();
        if (isCpp) {
            header(Link.I2c.class, "Wire", Ability.Kind.I2C).ifPresent(headers::add);
            header(Link.Spi.class, "SPI", Ability.Kind.SPI).ifPresent(headers::add);
        }
    }

    /** Headers of the framework that serve. */
    Set<String> headers() {
        return headers;
    }

    /** A line for every part that is on a bus. */
    @Override
    public String toString() {
        return links.toString();
    }

    /** A header serves when all parts of its kind are on the bus that it drives; else plain pins do. */
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

    /** Whether there is a way to the bus of the part; what is in the way is told. */
    boolean link(Task task, List<String> remarks) {
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

    /** By its own wire to the pin, or by that of the part of its chain that has one. */
    private String named(Task task, Pin pin) {
        return Stream.concat(Stream.of(task), plan.tasks().stream())
                .flatMap(owner -> owner.leads().stream()
                        .filter(lead -> lead.pin().equals(pin))
                        .map(lead -> StartProgram.constant(owner, lead.signal().pin())))
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
}
