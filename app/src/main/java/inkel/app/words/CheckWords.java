package inkel.app.words;

import inkel.core.bench.Drives;
import inkel.core.catalog.WakeCheck;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Unit;
import inkel.core.remedy.PinNames;
import inkel.core.remedy.RailNames;
import inkel.core.wake.Check;
import inkel.core.wake.Expected;
import inkel.core.wake.Group;
import inkel.core.wake.Phase;
import inkel.core.wake.Result;
import inkel.core.wake.Typed;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Names the checks of the first power-up, says what each should give, and judges what it gave. */
public final class CheckWords {
    private final NodeCircuit node;

    public CheckWords(NodeCircuit node) {
        this.node = node;
    }

    public String group(Group group) {
        return switch (group.phase()) {
            case PART ->
                node.part(group.part()).map(placed -> placed.part().name()).orElse(group.part());
            case JOINED -> Words.get("wake.phase.joined", "board", group.part());
            default -> Words.get("wake.phase." + key(group.phase()));
        };
    }

    /** In which state the table is for a group. */
    public String means(Group group) {
        return Words.get("wake.phase." + key(group.phase()) + ".means");
    }

    /** A line in the list, under the name of its group. */
    public String line(Check check) {
        boolean isBetween =
                check.group().phase() == Phase.BESIDES && check.red().isPresent();
        if (isBetween && check.isMetered()) {
            WireWords ends = new WireWords(node);
            return Words.say(
                    Fact.of(check.kind() == Check.Kind.OHMS ? "wake.check.ohms_between" : "wake.check.volts_between")
                            .with("red", ends.name(check.red().orElseThrow()))
                            .with("black", check.black().map(ends::name).orElse("")));
        }
        if (check.group().phase() == Phase.JOINED) {
            return joined(check);
        }
        return switch (check.kind()) {
            case LOOK -> seen(check);
            case OHMS ->
                check.at().isPin()
                        ? Words.get("wake.check.no_short", "rail", rail(check))
                        : Words.get("wake.check.grounds");
            case LEVEL ->
                check.group().phase() == Phase.PART
                        ? Words.get("wake.check.driven", "pin", check.at().pin())
                        : Words.get("wake.check.thin", "pin", pin(check));
            case VOLTS ->
                check.group().phase() == Phase.TOGETHER
                        ? Words.get("wake.check.busy", "rail", rail(check))
                        : check.group().phase() == Phase.SUPPLIES
                                ? rail(check)
                                : calm(check)
                                        .map(calm -> Words.say(Fact.of("wake.check.calm")
                                                .with("pin", check.at().pin())
                                                .with("calm", calm)))
                                        .orElse(check.at().pin());
            case CODE ->
                Words.say(Fact.of("wake.check.code")
                        .with("pin", check.at().pin())
                        .with("code", check.code().orElseThrow()));
            case AMPERES -> Words.get("wake.check.takes", "pin", check.at().pin());
            default -> answered(check);
        };
    }

    /** What needs another board besides. */
    private String joined(Check check) {
        return switch (check.kind()) {
            case OHMS -> Words.get("wake.check.ground_joins");
            case LEVEL ->
                Words.say(Fact.of("wake.check.arrives")
                        .with("pin", check.at().pin())
                        .with("board", check.group().part())
                        .with("far", far(check)));
            default -> Words.get("wake.check.rests", "pin", check.at().pin());
        };
    }

    /** The pin that the other board drives. */
    private static String far(Check check) {
        return check.asked().scene().driven().keySet().stream()
                .map(Place::pin)
                .findFirst()
                .orElse("");
    }

    private String answered(Check check) {
        String wanted = expected(check.expected());
        return switch (check.kind()) {
            case ANSWERS ->
                check.expected() instanceof Expected.AllOf
                        ? Words.get("wake.check.answers_all")
                        : Words.get("wake.check.answers", "address", wanted);
            case REGISTER -> register(check.id().substring(check.id().lastIndexOf(' ') + 1), wanted);
            case REPLY -> Words.get("wake.check.reply", "text", wanted);
            default -> Words.get("wake.check.pulses", "pin", check.at().pin());
        };
    }

    private static String register(String register, String values) {
        return Words.say(
                Fact.of(WakeCheck.Identity.isNamed(register) ? "wake.check.register.named" : "wake.check.register")
                        .with("register", register)
                        .with("values", values));
    }

    private String rail(Check check) {
        return Words.say(RailNames.of(node, check.at().endpoint()));
    }

    private static String seen(Check check) {
        return check.expected() instanceof Expected.Seen seen ? Words.say(seen.what()) : "";
    }

    /** The heading of its card. */
    public String title(Check check) {
        if (check.group().phase() == Phase.BESIDES) {
            return capital(line(check));
        }
        if (check.group().phase() == Phase.JOINED) {
            return check.kind() == Check.Kind.OHMS
                    ? Words.get(
                            "wake.title.ground_joins", "board", check.group().part())
                    : capital(line(check));
        }
        return switch (check.kind()) {
            case OHMS ->
                check.at().isPin()
                        ? Words.get("wake.title.no_short", "rail", rail(check))
                        : Words.get("wake.title.grounds");
            case VOLTS ->
                check.group().phase() == Phase.PART || check.group().phase() == Phase.BOARD ? pin(check) : line(check);
            case AMPERES -> Words.get("wake.title.takes", "pin", pin(check));
            default -> {
                Optional<Placed> placed = node.part(check.at().part());
                // A sentence of the class says “it”; who that is stands before it.
                boolean isNamed = check.expected() instanceof Expected.Seen seen
                        && (seen.what().values().containsKey("part")
                                || seen.what().values().containsKey("rail"));
                yield placed.isEmpty() || isNamed
                        ? capital(line(check))
                        : Words.say(Fact.of("wake.title.of_part")
                                .with("part", placed.get().part().name())
                                .with("what", line(check)));
            }
        };
    }

    private static String capital(String text) {
        return text.isEmpty() ? text : text.substring(0, 1).toUpperCase(Locale.ROOT) + text.substring(1);
    }

    private String pin(Check check) {
        Endpoint at = check.at().endpoint();
        return Words.say(PinNames.of(node, at));
    }

    /** How the part is left meanwhile; empty where that makes no difference. */
    private Optional<String> calm(Check check) {
        return node.part(check.at().part())
                .filter(placed -> check.kind() == Check.Kind.VOLTS)
                .flatMap(placed -> WakeWords.calm(placed.cls(), check.at().pin()));
    }

    /** Contacts that must be closed for it, by what the board puts out; empty where there are none. */
    private List<Fact> closing(Check check) {
        if (check.kind() != Check.Kind.VOLTS && check.kind() != Check.Kind.AMPERES) {
            return List.of();
        }
        return check.asked().scene().driven().entrySet().stream()
                .sorted(Comparator.comparing(driven -> driven.getKey().toString()))
                .map(driven -> Fact.of(driven.getValue() == Drives.HIGH ? "wake.put_high" : "wake.put_low")
                        .with("pin", PinNames.of(node, driven.getKey().endpoint())))
                .toList();
    }

    /** How it is made. */
    public String how(Check check) {
        List<Fact> closing = closing(check);
        return closing.isEmpty()
                ? plainHow(check)
                : Words.say(
                        Fact.of("wake.how.closing").with("how", plainHow(check)).with("closing", closing));
    }

    private String plainHow(Check check) {
        Optional<String> calm = calm(check);
        if (calm.isPresent()) {
            return Words.get("wake.how.volts_calm", "calm", calm.get());
        }
        if (check.group().phase() == Phase.JOINED && check.kind() == Check.Kind.LEVEL) {
            return Words.get("wake.how.arrives", "board", check.group().part());
        }
        boolean isIn = check.kind() == Check.Kind.VOLTS && !check.mode().isEmpty();
        return isIn
                ? Words.get("wake.how.volts_in", "mode", Words.get("mode." + check.mode()))
                : Words.get("wake.how." + check.kind().name().toLowerCase(Locale.ROOT));
    }

    /** What it should give. */
    public String expected(Expected expected) {
        if (expected instanceof Expected.Within within) {
            if (within.low().isEmpty()) {
                return Words.get("wake.at_most", "high", within.high().orElseThrow());
            }
            return within.high().isEmpty()
                    ? Words.get("wake.at_least", "low", within.low().get())
                    : Words.say(Fact.of("wake.between")
                            .with("low", within.low().get())
                            .with("high", within.high().get()));
        } else if (expected instanceof Expected.OneOf one) {
            return WakeWords.values(one.values(), one.mask());
        } else if (expected instanceof Expected.AllOf all) {
            return Words.get("wake.all_of", "values", String.join(", ", all.values()));
        }
        return Words.say(((Expected.Seen) expected).what());
    }

    /** What was read, as short as it can be said; empty while nothing was. */
    public static String read(Result result) {
        return result.value().map(Words::show).orElse(result.text());
    }

    /** What is to be said of something that is typed; empty for nothing typed. */
    public Optional<String> verdict(Check check, String typed) {
        if (typed.isBlank() || !(check.expected() instanceof Expected.Within within)) {
            return Optional.empty();
        }
        Typed read = Typed.parse(typed, within.unit());
        if (read instanceof Typed.Nonsense) {
            return Optional.of(Words.say(Fact.of("wake.problem")
                    .with("found", typed.strip())
                    .with("what", Words.get("wake.what." + what(within.unit())))
                    .with("example", example(within))));
        }
        return Optional.of(
                read instanceof Typed.Value value
                        ? judged(check, within, value.quantity())
                        : Words.get(within.high().isEmpty() ? "wake.verdict.over_good" : "wake.verdict.over"));
    }

    /** A value that would be right, to show how it is written. */
    public static String example(Expected.Within within) {
        return Words.show(within.low().or(within::high).orElseThrow());
    }

    private static String what(Unit unit) {
        return switch (unit) {
            case OHM -> "ohms";
            case AMPERE -> "amperes";
            case SECOND -> "seconds";
            default -> "volts";
        };
    }

    /** What is to be said of a value. */
    public String judged(Check check, Expected.Within within, Quantity value) {
        if (within.holds(value)) {
            return Words.get("wake.verdict.in");
        }
        boolean isLow = within.low().filter(low -> Quantity.exceeds(low, value)).isPresent();
        Quantity end = (isLow ? within.low() : within.high()).orElseThrow();
        Quantity by = Quantity.of(within.unit(), Math.abs(end.si() - value.si()));
        if (check.kind() == Check.Kind.OHMS) {
            return Words.get(isLow ? "wake.verdict.short" : "wake.verdict.apart", "value", value);
        }
        if (check.kind() == Check.Kind.AMPERES) {
            return Words.get(isLow ? "wake.verdict.less" : "wake.verdict.more", "by", by);
        }
        return Words.get(isLow ? "wake.verdict.low" : "wake.verdict.high", "by", by);
    }

    private static String key(Enum<?> word) {
        return word.name().toLowerCase(Locale.ROOT);
    }
}
