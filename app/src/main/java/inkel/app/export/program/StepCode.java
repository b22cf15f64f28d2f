package inkel.app.export.program;

import inkel.core.catalog.routine.Step;
import inkel.core.catalog.routine.Value;
import inkel.core.quantity.TimeSpan;
import inkel.core.tune.code.SharedLine;
import inkel.core.tune.code.StartPlan;
import inkel.core.tune.code.StartPlan.Task;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Writes the steps of one part as statements; the pieces that they call are noted. */
final class StepCode {
    private final boolean isCpp;
    private final StartPlan plan;
    private final Set<String> pieces;
    private final StringBuilder code = new StringBuilder();
    private int depth;
    private int arrays;

    /** Which number the next switch has; each keeps its own state. */
    private final List<String> switches;

    StepCode(boolean isCpp, StartPlan plan, Set<String> pieces, List<String> switches, int depth) {
        this.isCpp = isCpp;
        this.plan = plan;
        this.pieces = pieces;
        this.switches = switches;
        this.depth = depth;
    }

    @Override
    public String toString() {
        return code.toString();
    }

    /** {@code pulseLength} in C++ is {@code pulse_length} in Python. */
    static String spelled(boolean isCpp, String name) {
        return isCpp ? name : name.replaceAll("([a-z0-9])([A-Z])", "$1_$2").toLowerCase(Locale.ROOT);
    }

    void line(String text) {
        code.append((isCpp ? "  " : "    ").repeat(depth)).append(text).append("\n");
    }

    void call(String name, Object... given) {
        line(expression(name, given) + (isCpp ? ";" : ""));
    }

    String expression(String name, Object... given) {
        return spelled(isCpp, name)
                + List.of(given).stream().map(String::valueOf).collect(Collectors.joining(", ", "(", ")"));
    }

    void open(String head) {
        line(isCpp ? head.replaceFirst("^(if|while) (.*)$", "$1 ($2) {") : head + ":");
        depth++;
    }

    void otherwise() {
        depth--;
        line(isCpp ? "} else {" : "else:");
        depth++;
    }

    void close() {
        depth--;
        if (isCpp) {
            line("}");
        }
    }

    /** Leaves it at that while the part was read too short a time ago. */
    void rest(Task task, TimeSpan rest) {
        pieces.add("isDue");
        long ms = Math.round(rest.seconds() * 1000);
        if (isCpp) {
            line("static unsigned long last = 0;");
        }
        String due = expression("isDue", isCpp ? "last" : ProgramText.quoted(task.name()), ms);
        open("if " + (isCpp ? "!" : "not ") + due);
        line(isCpp ? "return;" : "return");
        close();
    }

    /** Makes inputs of pins, with the pull-up inside where nothing else makes a high. */
    void listen(Task task, List<String> inputs) {
        for (String label : inputs) {
            String how = task.lead(label).isPulledInside() ? "listenPulled" : "listen";
            pieces.add(how);
            call(how, pin(task, label));
        }
    }

    void steps(Task task, List<Step> steps) {
        steps.forEach(step -> step(task, step));
    }

    private String level(boolean isHigh) {
        return isHigh ? "HIGH" : "LOW";
    }

    private String pin(Task task, String label) {
        return StartProgram.constant(task, label);
    }

    private static String link(Task task) {
        return task.name() + "_LINK";
    }

    private static Object[] joined(Object first, List<Integer> bytes, Object... between) {
        List<Object> all = new ArrayList<>(List.of(first));
        all.addAll(List.of(between));
        bytes.forEach(value -> all.add(ProgramText.hex(value)));
        return all.toArray();
    }

    private static long us(TimeSpan time) {
        return Math.round(time.seconds() * 1e6);
    }

    private static long ms(TimeSpan time) {
        return Math.max(1, Math.round(time.seconds() * 1e3));
    }

    private void step(Task task, Step step) {
        if (step instanceof Step.Send send) {
            pieces.add("bytes");
            call("send", joined(link(task), send.bytes()));
        } else if (step instanceof Step.Ask ask) {
            pieces.add("bytes");
            values(
                    expression("ask", joined(link(task), ask.bytes(), ask.count(), ProgramText.hex(ask.fill()))),
                    ask.values());
        } else if (step instanceof Step.Wait wait) {
            use("delay");
            call("delay", ms(wait.time()));
        } else if (step instanceof Step.Level set) {
            use("drive");
            call("drive", pin(task, set.pin()), level(set.isHigh()));
        } else if (step instanceof Step.Switch turn) {
            use("turn");
            switches.add(turn.pin());
            call("turn", switches.size() - 1, pin(task, turn.pin()), level(turn.isHigh()));
        } else if (step instanceof Step.Pulses pulses) {
            use("pulse");
            call("pulse", pin(task, pulses.pin()), us(pulses.high()), us(pulses.low()), pulses.count());
        } else if (step instanceof Step.Line say) {
            use("serial");
            call("sayAndHear", link(task), ProgramText.quoted(say.say()), ms(say.within()));
        } else if (step instanceof Step.Repeat repeat) {
            line(
                    isCpp
                            ? "for (int i = 0; i < " + repeat.count() + "; i++) {"
                            : "for i in range(" + repeat.count() + "):");
            depth++;
            steps(task, repeat.steps());
            close();
        } else {
            reading(task, step);
        }
    }

    /** What comes in by plain pins, and what goes out by several. */
    private void reading(Task task, Step step) {
        if (step instanceof Step.Read read) {
            use("level");
            tell(read.pin(), expression("readLevel", pin(task, read.pin())), "");
        } else if (step instanceof Step.Code read) {
            use("code");
            tell(
                    read.pin(),
                    isCpp ? "analogRead(" + pin(task, read.pin()) + ")" : expression("readCode", pin(task, read.pin())),
                    "");
        } else if (step instanceof Step.PulseIn pulse) {
            use("pulseLength");
            tell(
                    named(pulse.value(), pulse.pin()),
                    scaled(
                            expression(
                                    "pulseLength", pin(task, pulse.pin()), level(pulse.isHigh()), us(pulse.longest())),
                            pulse.value()),
                    pulse.value().unit());
        } else if (step instanceof Step.Count count) {
            use("countPulses");
            tell(
                    named(count.value(), count.pin()),
                    scaled(expression("countPulses", pin(task, count.pin()), us(count.over())), count.value()),
                    count.value().unit());
        } else if (step instanceof Step.Bits bits) {
            use("bits");
            values(
                    expression("readBits", pin(task, bits.pin()), us(bits.hold()), bits.count(), us(bits.split())),
                    bits.values());
        } else if (step instanceof Step.OneLine line) {
            oneLine(task, line);
        } else if (step instanceof Step.Clocked clocked) {
            use("clocked");
            values(
                    expression(
                            "clocked",
                            pin(task, clocked.clock()),
                            pin(task, clocked.data()),
                            clocked.bits(),
                            clocked.more()),
                    clocked.values());
        } else if (step instanceof Step.TwoLines two) {
            use("twoLines");
            call("twoLines", joined(pin(task, two.clock()), two.bytes(), pin(task, two.data())));
        } else if (step instanceof Step.Halves halves) {
            use("halves");
            String data = row(task, halves.data());
            halves.bytes()
                    .forEach(value -> call(
                            "halves",
                            pin(task, halves.select()),
                            level(halves.isLetter()),
                            pin(task, halves.enable()),
                            data,
                            ProgramText.hex(value)));
        } else if (step instanceof Step.Crossings crossings) {
            use("crossings");
            List<Object> given = new ArrayList<>();
            for (List<String> labels : List.of(crossings.rows(), crossings.columns())) {
                given.add(row(task, labels));
                if (isCpp) {
                    given.add(labels.size());
                }
            }
            tell("key", expression("crossing", given.toArray()), "");
        } else if (step instanceof Step.Train train) {
            use("train");
            call("tellTrain", pin(task, train.pin()), us(train.within()));
        }
    }

    private void oneLine(Task task, Step.OneLine line) {
        String pin = pin(task, line.pin());
        Optional<SharedLine> shared =
                SharedLine.isToAll(line) ? SharedLine.of(plan, task, line.pin()) : Optional.empty();
        String called = shared.isPresent() ? "oneLineOf" : "oneLine";
        Object[] given = shared.map(
                        one -> joined(pin, line.bytes().subList(1, line.bytes().size()), one.index(), line.count()))
                .orElseGet(() -> joined(pin, line.bytes(), line.count()));
        use(called);
        values(expression(called, given), line.values());
    }

    private void use(String piece) {
        pieces.add(piece);
    }

    /** Several pins by one name: an array in C++, where it wants a line of its own. */
    private String row(Task task, List<String> labels) {
        String pins = labels.stream().map(label -> pin(task, label)).collect(Collectors.joining(", "));
        if (!isCpp) {
            return "(" + pins + ")";
        }
        arrays++;
        line("static const int row" + arrays + "[] = {" + pins + "};");
        return "row" + arrays;
    }

    private void tell(String name, String value, String unit) {
        use("tell");
        call("tell", ProgramText.quoted(name), value, ProgramText.quoted(unit));
    }

    private static String named(Value value, String otherwise) {
        return value.name().isEmpty() ? otherwise : value.name();
    }

    /** Asks, and tells what came; an ask that nothing is told of stands alone. */
    private void values(String asks, List<Value> values) {
        if (values.isEmpty()) {
            line(asks + (isCpp ? ";" : ""));
            return;
        }
        use("got");
        open("if " + asks);
        for (Value value : values) {
            if (value.form() == Value.Form.HEX) {
                use("tellBytes");
                call("tellBytes", ProgramText.quoted(value.name()));
            } else {
                tell(value.name(), scaled(number(value), value), value.unit());
            }
        }
        otherwise();
        use("silent");
        call("silent");
        close();
    }

    private String number(Value value) {
        boolean isBcd = value.form() == Value.Form.BCD;
        String form = camel(isBcd ? Value.Form.UINT8 : value.form());
        use(form);
        String plain = expression(form, value.at());
        if (value.shift() > 0) {
            plain = "(" + plain + " >> " + value.shift() + ")";
        }
        if (value.mask() != 0) {
            plain = "(" + plain + " & " + ProgramText.hex(value.mask()) + ")";
        }
        if (isBcd) {
            use("bcd");
            return expression("bcd", plain);
        }
        return plain;
    }

    private static String camel(Value.Form form) {
        String[] words = form.name().toLowerCase(Locale.ROOT).split("_");
        return words.length == 1
                ? words[0]
                : words[0] + words[1].substring(0, 1).toUpperCase(Locale.ROOT) + words[1].substring(1);
    }

    private static String scaled(String number, Value value) {
        String text = value.scale() == 1 ? number : number + " * " + plain(value.scale());
        if (value.offset() == 0) {
            return text;
        }
        return text + (value.offset() < 0 ? " - " : " + ") + plain(Math.abs(value.offset()));
    }

    private static String plain(double number) {
        String text =
                new BigDecimal(String.valueOf(number)).stripTrailingZeros().toPlainString();
        return text.contains(".") ? text : text + ".0";
    }
}
