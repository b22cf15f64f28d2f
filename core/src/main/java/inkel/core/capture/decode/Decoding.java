package inkel.core.capture.decode;

import inkel.core.capture.Capture;
import inkel.core.capture.Channel;
import inkel.core.capture.decode.UartDecoder.Parity;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.PwmNeed;
import inkel.core.catalog.SpiNeed;
import inkel.core.catalog.WakeCheck;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Range;
import inkel.core.quantity.TimeSpan;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.Stream;

/** A capture decoded as one kind, and what of it is not as the plan has it. */
public final class Decoding {
    /** Both ends of a serial line still understand each other with so much between them. */
    private static final double BAUD_OFF = 0.04;

    /** What a clock may be over its limit before that is told: edges are only as exact as their times. */
    private static final double CLOCK_OFF = 1.05;

    private final Capture capture;
    private final Map<Role, Channel> channels = new EnumMap<>(Role.class);
    private final Map<Role, At> pins = new EnumMap<>(Role.class);
    private final List<Fact> how = new ArrayList<>();

    /** What can be decoded. */
    public enum Kind {
        PULSES(Role.LINE),
        UART(Role.LINE),
        I2C(Role.SDA, Role.SCL),
        SPI(Role.SCK),
        INFRARED(Role.LINE);

        private final List<Role> needs;

        Kind(Role... needs) {
            this.needs = List.of(needs);
        }

        /** The wires without which nothing is decoded. */
        public List<Role> needs() {
            return needs;
        }

        public String text() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** What a channel is of a kind. */
    public enum Role {
        SDA,
        SCL,
        SCK,
        MOSI,
        MISO,
        CS,
        LINE;

        /** By the names that wires are called by: {@code sda}, {@code CSN}, {@code clk}; any other is the line itself. */
        public static Role named(String name) {
            return switch (name.toLowerCase(Locale.ROOT)) {
                case "sda" -> SDA;
                case "scl" -> SCL;
                case "sck", "sclk", "clk", "clock" -> SCK;
                case "mosi", "sdi", "di", "din" -> MOSI;
                case "miso", "sdo", "do", "dout" -> MISO;
                case "cs", "csn", "ss", "nss", "select" -> CS;
                default -> LINE;
            };
        }

        /** What the wire of a pin of a part is. */
        public static Role of(PinUse use) {
            return switch (use) {
                case I2C_SDA -> SDA;
                case I2C_SCL -> SCL;
                case SPI_SCK -> SCK;
                case SPI_MOSI -> MOSI;
                case SPI_MISO -> MISO;
                case SPI_CS -> CS;
                default -> LINE;
            };
        }
    }

    /** A pin of a part of the plan. */
    public record At(NodeCircuit node, Placed part, String pin) {
        /** {@code node/part.pin}, or {@code part.pin} of the first table that has it. */
        public static Optional<At> find(Circuit circuit, String text) {
            Optional<Place> place = Place.parsePin(text);
            Optional<Endpoint> end = place.map(Place::endpoint).or(() -> Endpoint.parse(text));
            return end.flatMap(pin -> circuit.nodes().stream()
                    .filter(node ->
                            place.map(at -> at.node().equals(node.node().id())).orElse(true))
                    .flatMap(node -> node.part(pin.part()).stream()
                            .filter(placed -> placed.cls().pin(pin.pin()).isPresent())
                            .map(placed -> new At(node, placed, pin.pin())))
                    .findFirst());
        }

        private Role role() {
            return Role.of(part.cls().pin(pin).orElseThrow().use());
        }
    }

    /**
     * How it is read where the edges alone do not tell.
     *
     * @param baud of a serial line; else what the edges say
     * @param parity of a serial line; else the one with which all letters are whole
     * @param mode of SPI; else what the edges say, else what the plan says, else 0
     */
    public record Options(Optional<Double> baud, Optional<Parity> parity, Optional<Integer> mode) {
        /** Nothing is known but the edges and the plan. */
        public static final Options NONE = new Options(Optional.empty(), Optional.empty(), Optional.empty());
    }

    /**
     * @param found what the capture says
     * @param how what the edges said of how to read it, where nobody else did
     * @param told what of it is not as it should be, or not as the plan has it
     * @param line the wire as it was read, of a kind that is one wire alone
     */
    public record Result(Decoded found, List<Fact> how, List<Fact> told, Optional<Channel> line) {
        public Result {
            how = List.copyOf(how);
            told = List.copyOf(told);
        }

        private Result(Read read, List<Fact> told) {
            this(read.found(), read.how(), told, read.line());
        }
    }

    public Decoding(Capture capture) {
        this.capture = capture;
    }

    /** A channel without a plan. */
    public void take(Role role, Channel channel) {
        channels.put(role, channel);
    }

    /** A channel that is a wire of the plan; where two pins share it, the part is the one that is named last. */
    public void take(At pin, Channel channel) {
        channels.put(pin.role(), channel);
        pins.put(pin.role(), pin);
    }

    /**
     * Finds the two wires of a bus by what they carry, where nobody said which they are.
     *
     * @return whether there is such a pair
     */
    public boolean takeBus() {
        Optional<Bus> bus = Bus.of(capture);
        bus.ifPresent(pair -> {
            take(Role.SDA, pair.sda());
            take(Role.SCL, pair.scl());
            how.add(Fact.of("capture.read.bus")
                    .with("sda", pair.sda().name())
                    .with("scl", pair.scl().name()));
        });
        return bus.isPresent();
    }

    /** The wires that a kind needs and that were not given. */
    public List<Role> missing(Kind kind) {
        return kind.needs().stream().filter(role -> !channels.containsKey(role)).toList();
    }

    /** @throws IllegalStateException while a wire is {@link #missing} */
    public Result decode(Kind kind, Options options) {
        if (!missing(kind).isEmpty()) {
            throw new IllegalStateException(missing(kind).toString());
        }
        return switch (kind) {
            case PULSES -> pulses();
            case UART -> uart(options);
            case I2C -> i2c();
            case SPI -> spi(options);
            case INFRARED -> new Result(new InfraredDecoder().read(capture, line()), Stillness.line(capture, line()));
        };
    }

    private Channel line() {
        return channels.get(Role.LINE);
    }

    private Result pulses() {
        Optional<Range<TimeSpan>> range =
                Optional.ofNullable(pins.get(Role.LINE)).flatMap(Decoding::width);
        Decoded found = new PulseDecoder()
                .decode(capture, line(), range.map(of -> of.lowest().seconds()), range.map(of -> of.highest()
                        .seconds()));
        long outside =
                found.messages().stream().filter(message -> !message.isWell()).count();
        return new Result(
                new Read(found, List.of(), Optional.of(line())),
                outside == 0
                        ? List.of()
                        : List.of(Fact.of("capture.plan.widths").with("count", outside)));
    }

    /** How long pulses at a pin are meant to be: as the part sends them, else as it wants them. */
    private static Optional<Range<TimeSpan>> width(At at) {
        return at.part().cls().handling().checks().stream()
                .filter(WakeCheck.Pulses.class::isInstance)
                .map(WakeCheck.Pulses.class::cast)
                .filter(pulses -> pulses.pin().equals(at.pin()))
                .map(WakeCheck.Pulses::width)
                .findFirst()
                .or(() -> at.part().cls().pwm().map(PwmNeed::pulse));
    }

    private Result uart(Options options) {
        Optional<Double> planned = Optional.ofNullable(pins.get(Role.LINE))
                .flatMap(at -> at.part().baud())
                .map(Frequency::hertz);
        // A rate that the edges contradict would make letters of nothing: they are read as they are, and that is told.
        Read byEdges = new SerialManner(options.baud(), options.parity()).read(capture, line());
        boolean isUpright = byEdges.line().filter(line()::equals).isPresent();
        List<Fact> told = new ArrayList<>(isUpright ? Stillness.line(capture, line()) : List.of());
        boolean isOfPlan = pins.containsKey(Role.LINE) && !isUpright;
        if (isOfPlan) {
            told.add(Fact.of("capture.plan.turned")
                    .with("part", pins.get(Role.LINE).part().part().name()));
        }
        options.baud().or(() -> planned).ifPresent(wanted -> byEdges.found()
                .rate()
                .filter(rate -> Math.abs(rate / wanted - 1) > BAUD_OFF)
                .ifPresent(rate -> told.add(Fact.of("capture.plan.baud")
                        .with("found", Math.round(rate))
                        .with("wanted", Math.round(wanted)))));
        return new Result(byEdges, told);
    }

    private Result i2c() {
        Channel sda = channels.get(Role.SDA);
        Channel scl = channels.get(Role.SCL);
        Decoded found = new I2cDecoder().decode(capture, sda, scl);
        List<Fact> told = new ArrayList<>(Stillness.bus(capture, sda, scl, found.rate()));
        At at = pins.getOrDefault(Role.SDA, pins.get(Role.SCL));
        if (at != null) {
            told.addAll(onBus(found, at));
        }
        return new Result(new Read(found, how, Optional.empty()), told);
    }

    private static List<Fact> onBus(Decoded found, At at) {
        List<Fact> told = new ArrayList<>();
        TreeSet<Integer> answering = new TreeSet<>();
        TreeSet<Integer> silent = new TreeSet<>();
        for (Message message : found.messages()) {
            boolean isSilent = message.why()
                    .filter(why -> why.key().equals("capture.i2c.no_answer"))
                    .isPresent();
            (isSilent ? silent : answering).add(message.bytes().get(0) >> 1);
        }
        TreeSet<Integer> planned = new TreeSet<>();
        for (Placed placed : at.node().parts()) {
            boolean isOnBus = placed.cls().i2c().isPresent() && !placed.part().isBoard() && !placed.isForLater();
            if (!isOnBus) {
                continue;
            }
            placed.address().ifPresent(planned::add);
            planned.addAll(placed.cls().i2c().orElseThrow().others());
            placed.address()
                    .filter(address -> silent.contains(address) && !answering.contains(address))
                    .ifPresent(address -> told.add(Fact.of("capture.plan.silent")
                            .with("part", placed.part().name())
                            .with("address", Texts.hex(address))));
            double most = placed.cls().i2c().orElseThrow().clockMax().hertz();
            found.rate()
                    .filter(rate -> rate > most * CLOCK_OFF)
                    .ifPresent(rate -> told.add(clock(placed, found, most)));
        }
        answering.stream()
                .filter(address -> !planned.contains(address))
                .forEach(address -> told.add(Fact.of("capture.plan.stranger").with("address", Texts.hex(address))));
        return told;
    }

    private static Fact clock(Placed placed, Decoded found, double most) {
        return Fact.of("capture.plan.clock")
                .with("part", placed.part().name())
                .with("found", Frequency.ofHertz(found.rate().orElseThrow()))
                .with("most", Frequency.ofHertz(most));
    }

    private Result spi(Options options) {
        // On wires that several share the select says who is meant.
        Optional<At> of = Stream.concat(Stream.ofNullable(pins.get(Role.CS)), pins.values().stream())
                .filter(at -> at.part().cls().spi().isPresent())
                .findFirst();
        Optional<SpiNeed> need = of.flatMap(at -> at.part().cls().spi());
        Channel clock = channels.get(Role.SCK);
        Optional<Channel> select = Optional.ofNullable(channels.get(Role.CS));
        Optional<Channel> toPart = Optional.ofNullable(channels.get(Role.MOSI));
        Optional<Channel> fromPart = Optional.ofNullable(channels.get(Role.MISO));
        Optional<Integer> seen = toPart.flatMap(data -> ClockMode.of(clock, select, data))
                .or(() -> fromPart.flatMap(data -> ClockMode.of(clock, select, data)));
        int mode =
                options.mode().or(() -> seen).or(() -> need.map(SpiNeed::mode)).orElse(0);
        Decoded found = new SpiDecoder(mode).decode(capture, new SpiDecoder.Wires(clock, select, toPart, fromPart));
        List<Fact> told = new ArrayList<>();
        boolean isNeverLow = select.isPresent() && !isEver(select.get(), Channel.LOW);
        if (isNeverLow) {
            told.add(Fact.of("capture.plan.select"));
        }
        need.map(wanted -> wanted.clockMax().hertz())
                .filter(most ->
                        found.rate().filter(rate -> rate > most * CLOCK_OFF).isPresent())
                .ifPresent(most -> told.add(clock(of.orElseThrow().part(), found, most)));
        need.map(SpiNeed::mode)
                .filter(wanted -> seen.filter(there -> ClockMode.isAtRise(there) != ClockMode.isAtRise(wanted))
                        .isPresent())
                .ifPresent(wanted -> told.add(Fact.of("capture.plan.mode_other")
                        .with("part", of.orElseThrow().part().part().name())
                        .with("found", seen.orElseThrow())
                        .with("wanted", wanted)));
        long odd =
                found.messages().stream().filter(message -> !message.isWell()).count();
        if (odd > 0) {
            told.add(Fact.of("capture.plan.mode").with("count", odd).with("mode", mode));
        }
        boolean isByEdges = options.mode().isEmpty() && seen.isPresent();
        List<Fact> byEdges = isByEdges ? List.of(Fact.of("capture.read.mode").with("mode", mode)) : List.of();
        return new Result(new Read(found, byEdges, Optional.empty()), told);
    }

    private static boolean isEver(Channel channel, byte level) {
        for (int i = 0; i < channel.count(); i++) {
            if (channel.level(i) == level) {
                return true;
            }
        }
        return false;
    }
}
