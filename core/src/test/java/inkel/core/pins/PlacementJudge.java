package inkel.core.pins;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.Need;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinLoad;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.Wire;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Holds a planned build against the rules of placing, read from the catalogue's own words ({@code spi0.sck}) and written
 * without the planner's model: a second opinion, not a copy.
 */
public final class PlacementJudge {
    private final Node node;
    private final Catalog catalog;
    private final List<String> faults = new ArrayList<>();

    private PlacementJudge(Node node, Catalog catalog) {
        this.node = node;
        this.catalog = catalog;
    }

    /** Empty when every rule is kept. */
    public static List<String> faults(Build build, Catalog catalog) {
        List<String> all = new ArrayList<>();
        for (Node node : build.nodes()) {
            PlacementJudge judge = new PlacementJudge(node, catalog);
            judge.everyNeededSignalGoesSomewhere();
            judge.onePinOneTaker();
            judge.roles();
            judge.busesAreWhole();
            judge.addressesDiffer();
            judge.portsServeOnePart();
            judge.timersKeepOneFrequency();
            judge.channelsServeOneSignal();
            judge.windingsAreOnOneBridge();
            all.addAll(judge.faults);
        }
        return all;
    }

    private PartClass cls(String part) {
        return catalog.get(node.part(part).orElseThrow().classId());
    }

    private Pin pin(Endpoint end) {
        return cls(end.part()).pin(end.pin()).orElseThrow();
    }

    private Set<String> can(Endpoint end) {
        Set<String> can = new HashSet<>();
        pin(end).can().forEach(ability -> can.add(ability.toString()));
        return can;
    }

    private boolean isTie(Wire wire) {
        return pin(wire.to()).can().isEmpty();
    }

    private List<Wire> wires() {
        return node.wires().stream().filter(wire -> !isTie(wire)).toList();
    }

    private PinUse use(Wire wire) {
        return pin(wire.from()).use();
    }

    private boolean isSoftware(String part) {
        return node.part(part)
                .orElseThrow()
                .typed(Settings.BUS)
                .filter("software"::equals)
                .isPresent();
    }

    private boolean hasAnotherChannel(Part part) {
        return node.wires().stream()
                .flatMap(wire -> Stream.of(wire.from(), wire.to()))
                .anyMatch(end -> end.part().equals(part.id()) && pin(end).can(Ability.Kind.PULSES));
    }

    private void everyNeededSignalGoesSomewhere() {
        for (Part part : node.parts()) {
            for (Pin pin : cls(part.id()).pins()) {
                boolean isNeeded = pin.use().isSignal() && pin.need() != Need.MAY;
                if (isNeeded && node.wire(new Endpoint(part.id(), pin.label())).isEmpty()) {
                    // A part that is not fed has nothing to be tied to and may not find a pin either.
                    // Of the channels of a receiver those are enough that somebody has, and of a sensor's two outputs
                    // one.
                    boolean isSaidByAnother = pin.unless()
                            .filter(other ->
                                    node.wire(new Endpoint(part.id(), other)).isPresent())
                            .isPresent();
                    if (pin.need() == Need.MUST && !hasAnotherChannel(part) && !isSaidByAnother) {
                        faults.add("nowhere: " + part.id() + "." + pin.label());
                    }
                }
            }
        }
    }

    private void onePinOneTaker() {
        Map<Endpoint, String> takers = new HashMap<>();
        for (Wire wire : wires()) {
            boolean isShared =
                    switch (use(wire)) {
                        case SPI_SCK, SPI_MOSI, SPI_MISO, I2C_SDA, I2C_SCL -> true;
                        default -> false;
                    };
            String taker = isShared
                    ? use(wire).text()
                    : pin(wire.from()).isShared() ? "addresses" : wire.from().toString();
            String before = takers.putIfAbsent(wire.to(), taker);
            if (before != null && !before.equals(taker)) {
                faults.add("twice: " + wire.to() + " by " + before + " and " + taker);
            }
        }
    }

    /** Leads of motors stand two by two: each pair is on the two ends of one bridge. */
    private void windingsAreOnOneBridge() {
        for (Part part : node.parts()) {
            if (!part.classId().equals("motor-leads") && !part.classId().equals("stepper-leads")) {
                continue;
            }
            List<Pin> leads = cls(part.id()).pins();
            for (int i = 0; i < leads.size(); i += 2) {
                Set<String> bridges = new HashSet<>();
                for (Pin lead : leads.subList(i, i + 2)) {
                    node.wire(new Endpoint(part.id(), lead.label())).ifPresent(wire -> can(wire.to())
                            .forEach(text -> bridges.add(wire.to().part() + " " + text.replaceAll("\\..*", ""))));
                }
                if (bridges.size() > 1) {
                    faults.add("two bridges: " + part.id() + " " + bridges);
                }
            }
        }
    }

    private void roles() {
        for (Wire wire : wires()) {
            Set<String> can = can(wire.to());
            PinUse use = use(wire);
            boolean isBoard = wire.to().part().equals("board");
            boolean isPlain = can.contains("digital");
            boolean fits =
                    switch (use) {
                        case SPI_SCK, SPI_MOSI, SPI_MISO, I2C_SDA, I2C_SCL ->
                            isSoftware(wire.from().part()) ? isPlain && isBoard : hasLine(can, use.text());
                        case ANALOG -> can.stream().anyMatch(text -> text.startsWith("adc"));
                        case PWM -> can.stream().anyMatch(text -> text.startsWith("pwm")) || isPlain && isBoard;
                        case BIAS ->
                            can.stream().anyMatch(text -> text.startsWith("voltage"))
                                    || can.contains("socket.vo")
                                    || can.stream().anyMatch(text -> text.startsWith("dac"));
                        case LEAD ->
                            cls(wire.from().part()).id().equals("load-bridge")
                                    ? can.contains("socket." + wire.from().pin().toLowerCase())
                                    : can.stream().anyMatch(text -> text.startsWith("drive"));
                        case INPUT ->
                            isPlain
                                    || can.contains(
                                            "socket." + wire.from().pin().toLowerCase())
                                    || can.stream().anyMatch(text -> text.startsWith("pwm"))
                                            && cls(wire.from().part()).kinds().contains("led")
                                    || can.contains("sink") && isLoadOnASupply(wire);
                        case UART_TX, UART_RX -> isPlain || can.stream().anyMatch(text -> text.startsWith("uart"));
                        default ->
                            isPlain
                                    || can.contains(
                                            "socket." + wire.from().pin().toLowerCase());
                    };
            if (!fits) {
                faults.add("role: " + wire);
            }
            if (pin(wire.from()).isTimed() && !isBoard) {
                faults.add("reached over a bus: " + wire);
            }
            if (use.listens() && can.contains("input-only")) {
                faults.add("cannot drive: " + wire);
            }
            boolean isSerial = use == PinUse.UART_TX || use == PinUse.UART_RX;
            if (can.contains("console") && !isSerial && !wire.held()) {
                faults.add("console: " + wire);
            }
        }
    }

    private boolean isLoadOnASupply(Wire wire) {
        return cls(wire.from().part()).demands().pinLoads().stream()
                .filter(load -> load.pin().equals(wire.from().pin()))
                .anyMatch(load -> load.sort() == PinLoad.Sort.COIL
                        || load.sort() == PinLoad.Sort.LAMP && load.from().isPresent());
    }

    /** {@code spi.sck} is served by {@code spi0.sck}, {@code spi1.sck}, … */
    private static boolean hasLine(Set<String> can, String use) {
        return can.stream()
                .anyMatch(text -> text.replaceFirst("(spi|i2c)[0-9]+\\.", "$1.").equals(use));
    }

    private Set<String> unitsOf(Wire wire, String bus) {
        String line = use(wire).text().substring(4);
        Set<String> units = new HashSet<>();
        for (String text : can(wire.to())) {
            if (text.matches(bus + "[0-9]+\\." + line)) {
                units.add(wire.to().part() + " " + text.substring(0, text.indexOf('.')));
            }
        }
        return units;
    }

    /** The unit that all lines of a part's bus are on; empty where there is none. */
    private Optional<String> busOf(String part, String bus) {
        Set<String> common = null;
        for (Wire wire : wires()) {
            if (wire.from().part().equals(part)
                    && use(wire).text().startsWith(bus + ".")
                    && use(wire) != PinUse.SPI_CS) {
                Set<String> units = isSoftware(part) ? Set.of("software " + bus) : unitsOf(wire, bus);
                if (common == null) {
                    common = new HashSet<>(units);
                } else {
                    common.retainAll(units);
                }
            }
        }
        if (common != null && common.size() > 1) {
            // A board that leads its buses anywhere: which one it is, its first line tells.
            return wires().stream()
                    .filter(wire -> wire.from().part().equals(part)
                            && use(wire).text().startsWith(bus + ".")
                            && use(wire) != PinUse.SPI_CS)
                    .findFirst()
                    .map(wire -> "led to " + wire.to());
        }
        return common == null ? Optional.of("") : common.stream().sorted().findFirst();
    }

    /** No more buses are led to pins than the board has. */
    private void noMoreBusesThanThereAre() {
        Set<String> led = new HashSet<>();
        for (Part part : node.parts()) {
            busOf(part.id(), "i2c").filter(bus -> bus.startsWith("led to ")).ifPresent(led::add);
        }
        if (led.size() > 2) {
            faults.add("more buses than there are: " + led);
        }
    }

    private void busesAreWhole() {
        for (String bus : List.of("spi", "i2c")) {
            Map<String, Endpoint> lines = new HashMap<>();
            for (Part part : node.parts()) {
                Optional<String> unit = busOf(part.id(), bus);
                if (unit.isEmpty()) {
                    faults.add("lines of two buses: " + part.id());
                    continue;
                }
                for (Wire wire : wires()) {
                    boolean isLine = wire.from().part().equals(part.id())
                            && use(wire).text().startsWith(bus + ".")
                            && use(wire) != PinUse.SPI_CS;
                    Endpoint before =
                            isLine ? lines.putIfAbsent(unit.get() + use(wire).text(), wire.to()) : null;
                    if (before != null && !before.equals(wire.to())) {
                        faults.add("one line, two pins: " + wire + " and " + before);
                    }
                }
            }
        }
    }

    private void addressesDiffer() {
        for (Part one : node.parts()) {
            for (Part other : node.parts()) {
                boolean isPair = node.parts().indexOf(one) < node.parts().indexOf(other)
                        && cls(one.id()).i2c().isPresent()
                        && cls(other.id()).i2c().isPresent();
                if (isPair && hear(one, other) && !disjoint(one, other)) {
                    faults.add("address: " + one.id() + " and " + other.id());
                }
            }
        }
    }

    /** On one bus, or one of them on the bus that the other's multiplexer hangs on. */
    private boolean hear(Part one, Part other) {
        Set<String> first = above(one);
        Set<String> second = above(other);
        return first.contains(busOf(other.id(), "i2c").orElse("?"))
                || second.contains(busOf(one.id(), "i2c").orElse("?"));
    }

    private Set<String> above(Part part) {
        Set<String> buses = new HashSet<>();
        String at = busOf(part.id(), "i2c").orElse("");
        while (!at.isEmpty() && buses.add(at)) {
            String owner = at.substring(0, at.indexOf(' '));
            at = owner.equals("board") || owner.equals("software")
                    ? ""
                    : busOf(owner, "i2c").orElse("");
        }
        return buses;
    }

    private boolean disjoint(Part one, Part other) {
        int a = address(one);
        int b = address(other);
        List<Integer> more = cls(one.id()).i2c().orElseThrow().others();
        List<Integer> others = cls(other.id()).i2c().orElseThrow().others();
        return a != b && !more.contains(b) && !others.contains(a);
    }

    private int address(Part part) {
        return part.typed(Settings.ADDRESS)
                .map(text -> Integer.parseInt(text.substring(2), 16))
                .orElse(cls(part.id()).i2c().orElseThrow().shipped());
    }

    private void portsServeOnePart() {
        Map<String, String> served = new HashMap<>();
        for (Part part : node.parts()) {
            Set<String> units = null;
            for (Wire wire : wires()) {
                boolean isTalk = use(wire) == PinUse.UART_TX;
                if (wire.from().part().equals(part.id()) && (isTalk || use(wire) == PinUse.UART_RX)) {
                    Set<String> of = new HashSet<>();
                    for (String text : can(wire.to())) {
                        if (text.startsWith("uart") && text.endsWith(isTalk ? ".rx" : ".tx")) {
                            of.add(text.substring(0, text.indexOf('.')));
                        }
                    }
                    if (units == null) {
                        units = of;
                    } else {
                        units.retainAll(of);
                    }
                }
            }
            if (units == null) {
                continue;
            }
            if (units.isEmpty()) {
                double most = cls("board")
                        .controller()
                        .orElseThrow()
                        .softwareUartMax()
                        .hertz();
                double rate = part.typed(Settings.BAUD)
                        .map(Double::parseDouble)
                        .orElse(cls(part.id())
                                .uart()
                                .orElseThrow()
                                .rates()
                                .get(0)
                                .hertz());
                if (rate > most) {
                    faults.add("too fast for plain pins: " + part.id());
                }
            } else if (units.size() == 1) {
                String before = served.putIfAbsent(units.iterator().next(), part.id());
                if (before != null) {
                    faults.add("port of " + before + " and " + part.id());
                }
            }
        }
    }

    private Optional<String> timer(Wire wire) {
        return can(wire.to()).stream()
                .filter(text -> text.startsWith("pwm"))
                .map(text -> wire.to().part() + " " + text.substring(0, text.indexOf('.')))
                .findFirst();
    }

    /** {@code pwm0.a} twice on one part is one channel on two pins. */
    private void channelsServeOneSignal() {
        Map<String, Wire> served = new HashMap<>();
        for (Wire wire : node.wires()) {
            if (use(wire) == PinUse.PWM && timer(wire).isPresent()) {
                String channel = wire.to().part() + " "
                        + can(wire.to()).stream()
                                .filter(text -> text.startsWith("pwm"))
                                .findFirst()
                                .orElseThrow();
                Wire before = served.put(channel, wire);
                if (before != null) {
                    faults.add("one channel for " + before + " and " + wire);
                }
            }
        }
    }

    private void timersKeepOneFrequency() {
        Map<String, Double> frequency = new HashMap<>();
        for (Wire wire : wires()) {
            PartClass cls = cls(wire.from().part());
            if (use(wire) != PinUse.PWM || cls.pwm().isEmpty() || timer(wire).isEmpty()) {
                continue;
            }
            double hertz = cls.pwm().orElseThrow().frequency().hertz();
            Double before = frequency.putIfAbsent(timer(wire).orElseThrow(), hertz);
            if (before != null && before != hertz) {
                faults.add("timer at " + before + " and " + hertz + ": " + wire);
            }
        }
        for (Wire claim : wires()) {
            for (String use : cls(claim.from().part()).demands().claims()) {
                if (claim.to().part().equals("board")) {
                    claimed(claim, use);
                }
            }
        }
    }

    private void claimed(Wire claim, String use) {
        cls("board").controller().orElseThrow().claims().stream()
                .filter(known -> known.use().equals(use))
                .forEach(known -> wires().stream()
                        .filter(wire -> use(wire) == PinUse.PWM)
                        .filter(wire ->
                                !cls(wire.from().part()).demands().claims().contains(use))
                        .filter(wire -> timer(wire)
                                .filter(("board pwm" + known.timer())::equals)
                                .isPresent())
                        .forEach(wire -> faults.add("claimed by " + claim.from() + ": " + wire)));
    }
}
