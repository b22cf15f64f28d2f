package inkel.core.wake;

import inkel.core.bench.Question;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.WakeCheck;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Switched;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Unit;
import inkel.core.remedy.PinNames;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/** First signs of life of parts, as their classes tell them. */
final class SignsOfLife {
    private final NodeCircuit node;
    private final StepsOf steps;
    private final Looks looks;

    /** @param looks in the state of the bench in which it is looked */
    SignsOfLife(NodeCircuit node, StepsOf steps, Looks looks) {
        this.node = node;
        this.steps = steps;
        this.looks = looks;
    }

    List<Check> of(Placed placed, Group group, List<String> needs) {
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
                    .map(address -> looks.made(
                            "answers " + placed.id(),
                            group,
                            Check.Kind.ANSWERS,
                            node.place(placed),
                            new Expected.OneOf(List.of(Engineering.address(address))),
                            needs,
                            wires(placed, PinUse.I2C_SDA, PinUse.I2C_SCL),
                            new Question.Answers(List.of(node.place(placed)))));
        } else if (check instanceof WakeCheck.Identity identity) {
            return Optional.of(looks.made(
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
            return Optional.of(looks.made(
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
                    .map(pin -> looks.made(
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
                    .or(() -> DrivenSign.of(sign, pin -> isDriven(placed, pin)))
                    .orElse(what);
            return Optional.of(looks.look(
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
                    .map(pin -> looks.look(
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
                    .map(pin -> looks.look(
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

    /** A winding that is switched in its feed, or by another board's transistor, does what it does when that is closed. */
    private Optional<Fact> switched(Placed placed, Optional<WakeCheck.Drive> drive, Fact sign) {
        Optional<Endpoint> moved = drive.map(by -> new Endpoint(placed.id(), by.pin()));
        boolean isTied = moved.flatMap(node::wire).filter(node::isTie).isPresent();
        return Switched.of(node, placed).stream()
                .filter(by -> isTied)
                .findFirst()
                .or(() -> moved.flatMap(signal -> Switched.toGround(node, signal)))
                .map(by -> Fact.of("wake.driven")
                        .with("sign", sign)
                        .with("pin", PinNames.of(node, by.driver()))
                        .with("to", DrivenSign.to(by.isHigh() ? WakeCheck.To.HIGH : WakeCheck.To.LOW)));
    }

    private boolean isDriven(Placed placed, String pin) {
        return node.wire(new Endpoint(placed.id(), pin))
                .filter(wire -> !node.isTie(wire))
                .isPresent();
    }

    private Optional<Endpoint> wired(Placed placed, String label) {
        Endpoint pin = new Endpoint(placed.id(), label);
        boolean isUsed = node.wire(pin).isPresent() || node.nets().containsKey(pin);
        return isUsed ? Optional.of(pin) : Optional.empty();
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
}
