package inkel.app.cli;

import inkel.app.words.Words;
import inkel.core.capture.Capture;
import inkel.core.capture.CaptureReader;
import inkel.core.capture.Channel;
import inkel.core.capture.decode.Decoded;
import inkel.core.capture.decode.Decoding;
import inkel.core.capture.decode.Decoding.At;
import inkel.core.capture.decode.Decoding.Kind;
import inkel.core.capture.decode.Decoding.Role;
import inkel.core.capture.decode.InfraredDecoder;
import inkel.core.capture.decode.Message;
import inkel.core.capture.decode.UartDecoder.Parity;
import inkel.core.catalog.Catalog;
import inkel.core.circuit.Circuit;
import inkel.core.formula.InfraredCode;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.UnreadableFile;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Says what a capture of edges means, and what of it is not as the plan has it. */
@Command(
        name = "decode",
        description = "Reads a capture (VCD, CSV) as pulses, uart, i2c, spi or infrared."
                + " Exit 0: all as it should be; 1: something is not; 2: cannot be read.")
final class DecodeCommand implements Callable<Integer> {
    private static final int WRONG = 1;

    @Spec
    private CommandSpec spec;

    @Parameters(index = "0", paramLabel = "FILE", description = "a capture file")
    private Path file;

    @Option(names = "--as", required = true, paramLabel = "KIND", description = "pulses, uart, i2c, spi, infrared")
    private Kind kind;

    @Option(
            names = "--channels",
            split = ",",
            paramLabel = "N=WIRE",
            description = "what each channel is: D0=sda, or D0=display.SDA with --build")
    private Map<String, String> wires = Map.of();

    @Option(names = "--build", paramLabel = "FILE", description = "the build that was captured")
    private Path build;

    @Option(names = "--baud", paramLabel = "N", description = "the rate of a serial line; else it is found")
    private Double baud;

    @Option(names = "--parity", description = "none, even, odd; else it is found")
    private Parity parity;

    @Option(names = "--mode", paramLabel = "0-3", description = "the mode of SPI; else it is found")
    private Integer mode;

    @Option(names = "--json", description = "print one JSON object")
    private boolean json;

    @Override
    public Integer call() throws UnreadableFile, IOException {
        if (!Files.isRegularFile(file) || !Files.isReadable(file)) {
            throw refused(Fact.of("decode.no_file").with("file", file));
        } else if (mode != null && (mode < 0 || mode > 3)) {
            throw new ParameterException(spec.commandLine(), "--mode: 0, 1, 2, 3");
        }
        Capture capture = CaptureReader.read(file);
        PrintWriter errors = spec.commandLine().getErr();
        capture.problems().forEach(problem -> errors.println(say(problem)));
        if (capture.channels().isEmpty()) {
            return Cli.FAILED;
        }
        Decoding decoding = new Decoding(capture);
        assign(decoding, capture);
        List<Role> missing = decoding.missing(kind);
        if (!missing.isEmpty()) {
            throw refused(Fact.of("decode.missing")
                    .with("kind", kind.text())
                    .with(
                            "names",
                            missing.stream()
                                    .map(role -> role.name().toLowerCase(Locale.ROOT))
                                    .collect(Collectors.joining(", "))));
        }
        Decoding.Result result = decoding.decode(
                kind,
                new Decoding.Options(
                        Optional.ofNullable(baud), Optional.ofNullable(parity), Optional.ofNullable(mode)));
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            Json.print(out, json(result));
        } else {
            print(out, result);
        }
        boolean isWell =
                result.told().isEmpty() && result.found().messages().stream().allMatch(Message::isWell);
        return isWell ? 0 : WRONG;
    }

    private ParameterException refused(Fact why) {
        return new ParameterException(spec.commandLine(), Words.say(why));
    }

    private static String say(Capture.Problem problem) {
        return problem.line() == 0
                ? Words.say(problem.why())
                : Words.say(
                        Fact.of("decode.problem").with("line", problem.line()).with("why", Words.say(problem.why())));
    }

    /** Each channel by what was said of it; a file of one channel needs no word for a line alone. */
    private void assign(Decoding decoding, Capture capture) throws UnreadableFile {
        String all = capture.channels().stream().map(Channel::name).collect(Collectors.joining(", "));
        Optional<Circuit> circuit = Optional.empty();
        if (build != null) {
            Catalog catalog = OwnCatalog.read();
            circuit = Optional.of(Circuit.of(BuildReader.read(build, catalog), catalog));
        }
        boolean isKnown = wires.isEmpty()
                && (circuit.filter(plan -> takeNamed(decoding, capture, plan)).isPresent()
                        || takeByRole(decoding, capture)
                        || kind == Kind.I2C && decoding.takeBus());
        if (isKnown) {
            return;
        } else if (wires.isEmpty()) {
            boolean isClear = capture.channels().size() == 1 && kind.needs().equals(List.of(Role.LINE));
            if (!isClear) {
                throw refused(Fact.of("decode.channels")
                        .with("example", example(capture))
                        .with("channels", all));
            }
            decoding.take(Role.LINE, capture.channels().get(0));
        }
        for (Map.Entry<String, String> wire : wires.entrySet()) {
            Channel channel = capture.channel(wire.getKey())
                    .orElseThrow(() -> refused(Fact.of("decode.no_channel")
                            .with("channel", wire.getKey())
                            .with("channels", all)));
            boolean isPin = circuit.isPresent() && wire.getValue().contains(".");
            if (isPin) {
                At at = At.find(circuit.get(), wire.getValue())
                        .orElseThrow(() -> refused(Fact.of("decode.no_pin")
                                .with("pin", wire.getValue())
                                .with("example", "lower-lock/display.SDA")));
                decoding.take(at, channel);
            } else {
                String name = wire.getValue();
                decoding.take(Role.named(name.substring(name.lastIndexOf('.') + 1)), channel);
            }
        }
    }

    /** Channels that are called as pins of the plan are those; whether that is all that the kind needs. */
    private boolean takeNamed(Decoding decoding, Capture capture, Circuit plan) {
        if (kind.needs().equals(List.of(Role.LINE))) {
            return false;
        }
        for (Channel channel : capture.channels()) {
            At.find(plan, channel.name()).ifPresent(at -> decoding.take(at, channel));
        }
        return decoding.missing(kind).isEmpty();
    }

    /** Channels that are called by what they carry, SDA and SCL, need no word. */
    private boolean takeByRole(Decoding decoding, Capture capture) {
        if (kind.needs().equals(List.of(Role.LINE))) {
            return false;
        }
        for (Channel channel : capture.channels()) {
            if (Role.named(channel.name()) != Role.LINE) {
                decoding.take(Role.named(channel.name()), channel);
            }
        }
        return decoding.missing(kind).isEmpty();
    }

    /** The wires that a kind has, by the file's own channels as long as there are as many. */
    private String example(Capture capture) {
        List<String> roles =
                switch (kind) {
                    case I2C -> List.of("sda", "scl");
                    case SPI -> List.of("sck", "mosi", "miso", "cs");
                    default -> List.of("line");
                };
        return IntStream.range(0, roles.size())
                .mapToObj(i -> (i < capture.channels().size()
                                ? capture.channels().get(i).name()
                                : "D" + i)
                        + "=" + roles.get(i))
                .collect(Collectors.joining(","));
    }

    private Map<String, Object> json(Decoding.Result result) {
        Decoded found = result.found();
        Map<String, Object> answer = Json.object();
        answer.put("kind", kind.text());
        answer.put("messages", (Iterable<Map<String, Object>>)
                () -> found.messages().stream().map(this::json).iterator());
        answer.put("glitches", found.glitches());
        found.rate().ifPresent(rate -> answer.put(kind == Kind.UART ? "baud" : "clock_hz", rate));
        answer.put("how", result.how().stream().map(Words::say).toList());
        answer.put("told", result.told().stream().map(Words::say).toList());
        return answer;
    }

    private Map<String, Object> json(Message message) {
        Map<String, Object> one = Json.object();
        one.put("at_s", message.at());
        one.put("text", message.text());
        one.put("bytes", message.bytes());
        one.put("ok", message.isWell());
        if (kind == Kind.INFRARED) {
            Optional<InfraredCode> code = InfraredDecoder.code(message);
            one.put("coding", code.map(key -> key.coding().text()).orElse("raw"));
            code.ifPresent(key -> {
                one.put("address", key.address());
                one.put("command", key.command());
                one.put("repeat", key.isRepeat());
            });
        }
        message.why().ifPresent(why -> one.put("why", Words.say(why)));
        return one;
    }

    private void print(PrintWriter out, Decoding.Result result) {
        if (result.found().messages().isEmpty()) {
            out.println(Words.get("decode.none"));
        }
        for (Message message : result.found().messages()) {
            out.printf(
                    Locale.ROOT,
                    "%12.6f  %s%s%n",
                    message.at(),
                    said(message),
                    message.why().map(why -> "  (" + Words.say(why) + ")").orElse(""));
        }
        out.println(Words.say(Fact.of("decode.summary")
                .with("messages", result.found().messages().size())
                .with("glitches", result.found().glitches())));
        result.found()
                .rate()
                .ifPresent(rate -> out.println(Words.say(
                        kind == Kind.UART
                                ? Fact.of("decode.baud").with("rate", Math.round(rate))
                                : Fact.of("decode.clock").with("rate", Frequency.ofHertz(rate)))));
        result.how().forEach(how -> out.println(Words.say(how)));
        result.told().forEach(told -> out.println(Words.say(told)));
    }

    /** A train of a handset as the key that it says, before its widths. */
    private String said(Message message) {
        Optional<InfraredCode> code = kind == Kind.INFRARED ? InfraredDecoder.code(message) : Optional.empty();
        return code.map(key -> (key.isRepeat() ? Words.get("decode.again") : Words.say(InfraredDecoder.key(key)))
                                + "  ")
                        .orElse("")
                + message.text();
    }
}
