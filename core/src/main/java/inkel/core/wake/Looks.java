package inkel.core.wake;

import inkel.core.bench.Asked;
import inkel.core.bench.Question;
import inkel.core.bench.Scene;
import inkel.core.catalog.Hazard;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.WakeCheck;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Switched;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.quantity.Current;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Unit;
import inkel.core.remedy.PinNames;
import inkel.core.remedy.RailNames;
import inkel.core.wiring.WireStep;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/** Checks that no network foretells: what is seen or done, who answers, and first signs of life. */
final class Looks {
    /** With these a class begins what it does when it takes something of the world in. */
    private static final Set<String> SENSES = Set.of("measures", "notices", "reads", "counts", "feels");

    /** Sizes of small fuses, in amperes (IEC 60127 preferred ratings). */
    private static final List<Double> FUSES = List.of(0.1, 0.2, 0.5, 1.0, 2.0, 3.15, 5.0, 6.3, 10.0, 16.0, 25.0);

    /** A fuse carries its rating for ever; what flows at a peak is to stay below it. */
    private static final double FUSE_OVER_PEAK = 1.25;

    private final NodeCircuit node;
    private final StepsOf steps;
    private final Scene scene;

    /** @param scene the state of the bench in which it is looked */
    Looks(NodeCircuit node, StepsOf steps, Scene scene) {
        this.node = node;
        this.steps = steps;
        this.scene = scene;
    }

    /** The same in another state of the bench. */
    Looks in(Scene other) {
        return new Looks(node, steps, other);
    }

    private Place place() {
        return Place.ofNode(node.node().id());
    }

    private Check look(String id, Group group, Place at, Question.Sort sort, Fact what, List<String> needs) {
        return new Check(
                id,
                group,
                Check.Kind.LOOK,
                at,
                Optional.empty(),
                Optional.empty(),
                "",
                new Expected.Seen(what),
                Optional.empty(),
                needs,
                List.of(),
                new Asked(scene, new Question.Look(sort, at)));
    }

    /** What is looked at while all power is off. */
    List<Check> before() {
        Group group = Group.of(Phase.BEFORE);
        List<Check> looks = new ArrayList<>();
        looks.add(look(
                "look program",
                group,
                node.place(node.board()),
                Question.Sort.PROGRAM,
                Fact.of("wake.look.program").with("part", node.board().part().name()),
                List.of()));
        for (Placed placed : node.parts()) {
            String name = placed.part().name();
            if (placed.isHeaderLoose() && !placed.isForLater()) {
                looks.add(look(
                        "look header " + placed.id(),
                        group,
                        node.place(placed),
                        Question.Sort.HEADER,
                        Fact.of("wake.look.header").with("part", name),
                        List.of()));
            }
            if (placed.cls()
                    .handling()
                    .air()
                    .filter(air -> !air.kind().contains("infrared"))
                    .isPresent()) {
                looks.add(look(
                        "look antenna " + placed.id(),
                        group,
                        node.place(placed),
                        Question.Sort.ANTENNA,
                        Fact.of("wake.look.antenna").with("part", name),
                        List.of()));
            }
        }
        for (Between between : node.node().between()) {
            if (!(between instanceof Between.Nothing)) {
                looks.add(piece(group, between.signal()));
            }
        }
        for (Placed placed : node.parts()) {
            node.behindDiodes(placed).forEach(pin -> looks.add(piece(group, pin)));
            steps.electrolytics(placed).stream()
                    .findFirst()
                    .flatMap(WireStep::fitting)
                    .ifPresent(largest -> looks.add(look(
                            "look capacitor " + placed.id(),
                            group,
                            node.place(placed),
                            Question.Sort.CAPACITOR,
                            Fact.of("wake.look.capacitor")
                                    .with("part", placed.part().name())
                                    .with("value", largest.value()),
                            List.of())));
        }
        return looks;
    }

    private Check piece(Group group, Endpoint pin) {
        return look(
                "look piece " + pin,
                group,
                node.place(pin),
                Question.Sort.PIECE,
                Fact.of("wake.look.piece")
                        .with(
                                "part",
                                node.part(pin.part())
                                        .map(placed -> placed.part().name())
                                        .orElse(pin.part()))
                        .with("pin", pin.pin()),
                List.of());
    }

    /** @param slot the name of the element that keeps a network from settling */
    Check unsettled(String slot, Group group) {
        String[] words = slot.split(" ");
        Object what = Endpoint.parse(words.length > 1 ? words[1] : "")
                .filter(end -> node.pin(end).isPresent())
                .<Object>map(end -> PinNames.of(node, end))
                .orElse(slot);
        return look(
                "unsettled " + group.phase().name().toLowerCase(Locale.ROOT)
                        + (group.part().isEmpty() ? "" : " " + group.part()) + " " + slot,
                group,
                place(),
                Question.Sort.DONE,
                Fact.of("wake.unsettled").with("what", what),
                List.of());
    }

    /** A regulator that would not bear a state of the table: what it makes is not to be measured then. */
    Check hot(Endpoint rail, Group group) {
        return look(
                "hot " + rail,
                group,
                node.place(rail),
                Question.Sort.DONE,
                Fact.of("wake.hot").with("rail", RailNames.of(node, rail)),
                List.of());
    }

    /** A supply whose current limit is set before something comes in. */
    Check limit(Endpoint rail, Group group, double amperes) {
        return look(
                "limit " + rail + (group.part().isEmpty() ? "" : " " + group.part()),
                group,
                node.place(rail),
                Question.Sort.DONE,
                Fact.of("wake.look.limit")
                        .with("rail", RailNames.of(node, rail))
                        .with("current", Current.ofAmperes(amperes)),
                List.of());
    }

    /** A supply that nothing limits: what a fuse in its lead would have to be, where it gives enough to melt a wire. */
    Check unlimited(Endpoint rail, Group group, Current peak) {
        boolean melts = node.part(rail.part())
                .filter(placed -> placed.hazards().contains(Hazard.CURRENT))
                .isPresent();
        double least = peak.amperes() * FUSE_OVER_PEAK;
        double fuse = FUSES.stream().filter(size -> size >= least).findFirst().orElse(FUSES.get(FUSES.size() - 1));
        Fact about =
                Fact.of(melts ? "wake.look.unlimited" : "wake.look.unguarded").with("rail", RailNames.of(node, rail));
        return look(
                "unlimited " + rail,
                group,
                node.place(rail),
                Question.Sort.DONE,
                melts ? about.with("fuse", Current.ofAmperes(fuse)) : about,
                List.of());
    }

    /** First signs of life of a part, as its class tells them. */
    List<Check> alive(Placed placed, Group group, List<String> needs) {
        List<Check> signs = new ArrayList<>();
        List<String> before = new ArrayList<>(needs);
        for (WakeCheck check : placed.cls().handling().checks()) {
            sign(placed, check, group, before).ifPresent(made -> {
                signs.add(made);
                // Who does not answer shows no register, and moves nothing that a message drives.
                if (made.kind() == Check.Kind.ANSWERS) {
                    before.add(made.id());
                }
            });
        }
        return signs;
    }

    private Optional<Check> sign(Placed placed, WakeCheck check, Group group, List<String> needs) {
        if (check instanceof WakeCheck.Answers) {
            return placed.address()
                    .map(address -> made(
                            "answers " + placed.id(),
                            group,
                            Check.Kind.ANSWERS,
                            node.place(placed),
                            new Expected.OneOf(List.of(Engineering.address(address))),
                            needs,
                            wires(placed, PinUse.I2C_SDA, PinUse.I2C_SCL),
                            new Question.Answers(List.of(node.place(placed)))));
        } else if (check instanceof WakeCheck.Identity identity) {
            return Optional.of(made(
                    "register " + placed.id() + " " + identity.register(),
                    group,
                    Check.Kind.REGISTER,
                    node.place(placed),
                    new Expected.OneOf(identity.values(), identity.asking().mask()),
                    needs,
                    signals(placed),
                    new Question.Register(
                            node.place(placed),
                            identity.values(),
                            identity.asking().mask())));
        } else if (check instanceof WakeCheck.Reply reply) {
            return Optional.of(made(
                    "reply " + placed.id() + (reply.say().isEmpty() ? "" : " " + reply.say()),
                    group,
                    Check.Kind.REPLY,
                    node.place(placed),
                    new Expected.OneOf(List.of(reply.expect())),
                    needs,
                    wires(placed, PinUse.UART_TX, PinUse.UART_RX),
                    new Question.Reply(node.place(placed), reply.expect())));
        } else if (check instanceof WakeCheck.Pulses pulses) {
            return wired(placed, pulses.pin())
                    .map(pin -> made(
                            "pulses " + pin,
                            group,
                            Check.Kind.PULSES,
                            node.place(pin),
                            Expected.Within.between(
                                    Unit.SECOND,
                                    pulses.width().lowest().seconds(),
                                    pulses.width().highest().seconds()),
                            needs,
                            steps.at(pin),
                            new Question.Pulses(
                                    node.place(pin),
                                    pulses.width().lowest().seconds(),
                                    pulses.width().highest().seconds())));
        }
        return seen(placed, check, group, needs);
    }

    private Optional<Check> seen(Placed placed, WakeCheck check, Group group, List<String> needs) {
        if (check instanceof WakeCheck.Sign sign) {
            Optional<WakeCheck.Drive> drive = sign.drive();
            // What another part hangs on is told of that part.
            boolean isOwn = drive.isEmpty()
                    || node.wire(new Endpoint(placed.id(), drive.get().pin())).isPresent();
            if (!isOwn) {
                return Optional.empty();
            }
            String sense = sign.sense().name().toLowerCase(Locale.ROOT);
            Fact what = Fact.of("wake.sign." + sense);
            Fact told = switched(placed, drive, what)
                    .or(() -> drive.map(by -> Fact.of("wake.driven")
                            .with("sign", what)
                            .with("pin", by.pin())
                            .with("to", to(by.to()))))
                    .orElse(what);
            return Optional.of(look(
                    "sign " + placed.id() + " " + sense
                            + drive.map(by -> " " + by.pin()).orElse(""),
                    group,
                    drive.map(by -> node.place(new Endpoint(placed.id(), by.pin())))
                            .orElse(node.place(placed)),
                    Question.Sort.SIGN,
                    told,
                    needs));
        } else if (check instanceof WakeCheck.Moves moves) {
            return wired(placed, moves.pin())
                    .map(pin -> look(
                            "moves " + pin,
                            group,
                            node.place(pin),
                            Question.Sort.SIGN,
                            Fact.of(moves.when() == WakeCheck.Deed.STEERED ? "wake.steered" : "wake.moves")
                                    .with("at", moves.pin())
                                    .with(
                                            "when",
                                            Fact.of("wake.when."
                                                    + moves.when().name().toLowerCase(Locale.ROOT))),
                            needs));
        } else if (check instanceof WakeCheck.Codes codes) {
            // What gives volts is measured.
            boolean isRead = placed.cls()
                    .pin(codes.pin())
                    .filter(pin -> pin.codeBits() == 0)
                    .isPresent();
            return wired(placed, codes.pin())
                    .filter(pin -> isRead)
                    .map(pin -> look(
                            "codes " + pin,
                            group,
                            node.place(pin),
                            Question.Sort.SIGN,
                            Fact.of("wake.codes").with("at", codes.pin()),
                            needs));
        }
        // What rests and what gives steady volts is measured.
        return Optional.empty();
    }

    /** A winding that is switched in its feed does what it does when the contact closes. */
    private Optional<Fact> switched(Placed placed, Optional<WakeCheck.Drive> drive, Fact sign) {
        boolean isTied = drive.flatMap(by -> node.wire(new Endpoint(placed.id(), by.pin())))
                .filter(node::isTie)
                .isPresent();
        return Switched.of(node, placed).stream()
                .filter(by -> isTied)
                .findFirst()
                .map(by -> Fact.of("wake.driven")
                        .with("sign", sign)
                        .with("pin", PinNames.of(node, by.driver()))
                        .with("to", to(by.isHigh() ? WakeCheck.To.HIGH : WakeCheck.To.LOW)));
    }

    private static Fact to(WakeCheck.To to) {
        return Fact.of("wake.to." + to.name().toLowerCase(Locale.ROOT));
    }

    private Optional<Endpoint> wired(Placed placed, String label) {
        Endpoint pin = new Endpoint(placed.id(), label);
        boolean isUsed = node.wire(pin).isPresent() || node.nets().containsKey(pin);
        return isUsed ? Optional.of(pin) : Optional.empty();
    }

    private Check made(
            String id,
            Group group,
            Check.Kind kind,
            Place at,
            Expected expected,
            List<String> needs,
            Collection<String> wires,
            Question question) {
        return new Check(
                id,
                group,
                kind,
                at,
                Optional.empty(),
                Optional.empty(),
                "",
                expected,
                Optional.empty(),
                needs,
                List.copyOf(wires),
                new Asked(scene, question));
    }

    private Set<String> wires(Placed placed, PinUse one, PinUse other) {
        Set<String> all = new TreeSet<>();
        for (Pin pin : placed.cls().pins()) {
            if (pin.use() == one || pin.use() == other) {
                all.addAll(steps.at(placed.endpoint(pin)));
            }
        }
        return all;
    }

    private Set<String> signals(Placed placed) {
        Set<String> all = new TreeSet<>();
        placed.cls().signals().forEach(pin -> all.addAll(steps.at(placed.endpoint(pin))));
        return all;
    }

    /** All who answer on the buses at once, and nothing that resets. */
    List<Check> together(List<String> needs) {
        Group group = Group.of(Phase.TOGETHER);
        List<Check> looks = new ArrayList<>();
        Set<String> addresses = new TreeSet<>();
        List<Place> answering = new ArrayList<>();
        for (Placed placed : node.parts()) {
            boolean isWired = placed.cls().pins().stream()
                    .anyMatch(pin -> pin.use() == PinUse.I2C_SDA
                            && node.wire(placed.endpoint(pin)).isPresent());
            if (isWired) {
                answering.add(node.place(placed));
                placed.address().map(Engineering::address).ifPresent(addresses::add);
                placed.cls().i2c().ifPresent(need -> need.others()
                        .forEach(other -> addresses.add(Engineering.address(other))));
            }
        }
        if (!addresses.isEmpty()) {
            looks.add(made(
                    "answers all",
                    group,
                    Check.Kind.ANSWERS,
                    place(),
                    new Expected.AllOf(List.copyOf(addresses)),
                    needs,
                    List.of(),
                    new Question.Answers(answering)));
        }
        looks.add(look("look resets", group, place(), Question.Sort.STEADY, Fact.of("wake.look.resets"), needs));
        return looks;
    }

    /** What of the world a part takes in, in the words of its class. */
    private static Optional<String> sensed(Placed placed) {
        return placed.cls().handling().does().stream()
                .filter(what -> SENSES.contains(what.split(" ")[0]))
                .findFirst();
    }

    /** What shows that cause and effect are as they are meant. */
    List<Check> proving(List<String> needs) {
        Group group = Group.of(Phase.PROVE);
        List<Check> looks = new ArrayList<>();
        for (Placed placed : node.parts()) {
            boolean isSender = placed.cls().handling().air().isPresent();
            if (isSender && !placed.isForLater()) {
                looks.add(look(
                        "prove air " + placed.id(),
                        group,
                        node.place(placed),
                        Question.Sort.AIR,
                        Fact.of("wake.look.air").with("part", placed.part().name()),
                        needs));
            }
        }
        node.parts().stream()
                .filter(placed ->
                        !placed.isForLater() && placed.cls().handling().air().isEmpty())
                .forEach(placed -> sensed(placed)
                        .ifPresent(what -> looks.add(look(
                                "prove sense " + placed.id(),
                                group,
                                node.place(placed),
                                Question.Sort.SIGN,
                                Fact.of("wake.look.sense")
                                        .with("part", placed.part().name())
                                        .with("what", what),
                                needs))));
        looks.add(look("prove power", group, place(), Question.Sort.DONE, Fact.of("wake.look.power"), needs));
        return looks;
    }
}
