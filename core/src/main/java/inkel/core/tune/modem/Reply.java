package inkel.core.tune.modem;

import inkel.core.quantity.Fact;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a modem answered to one command, and what that means.
 *
 * @param lines as they came, without the echo of the command
 * @param about what it means, to be worded
 */
public record Reply(ModemStep step, List<String> lines, Verdict verdict, Fact about) {
    private static final Pattern SIM = Pattern.compile("\\+CPIN: *(.+)");
    private static final Pattern NETWORK = Pattern.compile("\\+CREG: *(?:\\d+ *, *)?(\\d+).*");
    private static final Pattern SIGNAL = Pattern.compile("\\+CSQ: *(\\d+).*");
    private static final Pattern SENT = Pattern.compile("\\+CMGS: *(\\d+).*");
    private static final Pattern ERROR = Pattern.compile("\\+CM[ES] ERROR: *(.+)");
    private static final Pattern COME = Pattern.compile("\\+CMT: *\"([^\"]*)\".*");

    /** What modules print when they start. */
    private static final Pattern STARTED = Pattern.compile("(?i)RDY|\\*?READY|.*POWER.?ON.*|.*START.?UP.*|\\+CFUN: *1");

    private static final int UNKNOWN = 99;
    private static final int STRONGEST = 31;

    /** Under -93 dBm texts are lost and the modem pulls its highest current: a habit of the bench, no standard. */
    private static final int WEAK = 10;

    private static final int HOME = 1;
    private static final int SEARCHING = 2;
    private static final int DENIED = 3;
    private static final int ROAMING = 5;

    public Reply {
        lines = List.copyOf(lines);
    }

    /** How well it went. */
    public enum Verdict {
        WELL,
        LOOK,
        STOP
    }

    /** Strength of reception, in dBm, by 3GPP TS 27.007: -113 for 0, two more for each, -51 and above for 31. */
    public static Optional<Integer> dbm(int code) {
        return code < 0 || code > STRONGEST ? Optional.empty() : Optional.of(2 * code - 113);
    }

    /** Whether nothing more comes of a command. */
    static boolean isWhole(ModemStep step, List<String> lines) {
        boolean isError = lines.stream().anyMatch(line -> line.equals("ERROR") || line.matches(ERROR.pattern()));
        boolean hasReset = hasStarted(lines);
        if (step == ModemStep.RECEIVE) {
            return isError || hasReset || text(lines).isPresent();
        }
        return isError || hasReset || lines.contains("OK");
    }

    private static boolean hasStarted(List<String> lines) {
        return lines.stream().anyMatch(line -> STARTED.matcher(line).matches());
    }

    private static Optional<Matcher> found(Pattern pattern, List<String> lines) {
        return lines.stream().map(pattern::matcher).filter(Matcher::matches).findFirst();
    }

    /** The text behind the line that says that one came. */
    private static Optional<String> text(List<String> lines) {
        for (int i = 0; i + 1 < lines.size(); i++) {
            if (COME.matcher(lines.get(i)).matches()) {
                return Optional.of(lines.get(i + 1));
            }
        }
        return Optional.empty();
    }

    /** @param rig what its supply does in a burst: it is why a modem starts anew while it sends */
    static Reply of(ModemStep step, List<String> lines, ModemRig rig) {
        if (hasStarted(lines)) {
            Fact reset = Fact.of(rig.isKnownToSag() ? "modem.reset.sags" : "modem.reset")
                    .with("lowest", rig.lowest().orElse(rig.least()))
                    .with("least", rig.least());
            return new Reply(step, lines, Verdict.STOP, reset);
        }
        if (lines.isEmpty()) {
            return new Reply(
                    step,
                    lines,
                    step == ModemStep.RECEIVE ? Verdict.LOOK : Verdict.STOP,
                    Fact.of(step == ModemStep.RECEIVE ? "modem.none_came" : "modem.silent")
                            .with("seconds", step.patience()));
        }
        Optional<String> error = found(ERROR, lines).map(error1 -> error1.group(1));
        return switch (step) {
            case SIM -> sim(lines, error);
            case REGISTERED -> registered(lines);
            case SIGNAL -> signal(lines);
            case SEND, SEND_PART ->
                found(SENT, lines)
                        .map(sent -> new Reply(
                                step, lines, Verdict.WELL, Fact.of("modem.sent").with("number", sent.group(1))))
                        .orElseGet(() -> refused(step, lines, error));
            case RECEIVE ->
                text(lines)
                        .map(text -> new Reply(
                                step, lines, Verdict.WELL, Fact.of("modem.came").with("text", text)))
                        .orElseGet(() -> error.isPresent() || lines.contains("ERROR")
                                ? refused(step, lines, error)
                                : new Reply(
                                        step,
                                        lines,
                                        Verdict.LOOK,
                                        Fact.of("modem.none_came").with("seconds", step.patience())));
            default ->
                lines.contains("OK")
                        ? new Reply(step, lines, Verdict.WELL, Fact.of("modem.ok"))
                        : refused(step, lines, error);
        };
    }

    private static Reply refused(ModemStep step, List<String> lines, Optional<String> error) {
        return new Reply(
                step,
                lines,
                Verdict.STOP,
                error.map(code -> Fact.of("modem.error").with("code", code))
                        .orElseGet(() -> Fact.of(lines.contains("ERROR") ? "modem.refused" : "modem.odd")
                                .with("line", lines.get(lines.size() - 1))));
    }

    private static Reply sim(List<String> lines, Optional<String> error) {
        Optional<String> state = found(SIM, lines).map(found -> found.group(1).strip());
        if (state.isEmpty()) {
            // 10 is no card, 13 to 15 a card that cannot be read (3GPP TS 27.007, 9.2).
            boolean isMissing = error.filter(code -> code.matches("10|13|14|15|(?i).*SIM.*"))
                    .isPresent();
            return isMissing || lines.contains("ERROR")
                    ? new Reply(ModemStep.SIM, lines, Verdict.STOP, Fact.of("modem.no_sim"))
                    : refused(ModemStep.SIM, lines, error);
        }
        return state.get().equals("READY")
                ? new Reply(ModemStep.SIM, lines, Verdict.WELL, Fact.of("modem.sim"))
                : new Reply(
                        ModemStep.SIM, lines, Verdict.STOP, Fact.of("modem.pin").with("state", state.get()));
    }

    private static Reply registered(List<String> lines) {
        Optional<Integer> state = found(NETWORK, lines).map(found -> Integer.parseInt(found.group(1)));
        if (state.isEmpty()) {
            return refused(ModemStep.REGISTERED, lines, Optional.empty());
        }
        return switch (state.get()) {
            case HOME, ROAMING ->
                new Reply(
                        ModemStep.REGISTERED,
                        lines,
                        Verdict.WELL,
                        Fact.of(state.get() == HOME ? "modem.at_home" : "modem.roaming"));
            case SEARCHING -> new Reply(ModemStep.REGISTERED, lines, Verdict.LOOK, Fact.of("modem.searching"));
            case DENIED -> new Reply(ModemStep.REGISTERED, lines, Verdict.STOP, Fact.of("modem.denied"));
            default -> new Reply(ModemStep.REGISTERED, lines, Verdict.STOP, Fact.of("modem.not_registered"));
        };
    }

    private static Reply signal(List<String> lines) {
        Optional<Integer> code = found(SIGNAL, lines).map(found -> Integer.parseInt(found.group(1)));
        if (code.isEmpty()) {
            return refused(ModemStep.SIGNAL, lines, Optional.empty());
        }
        Optional<Integer> dbm = dbm(code.get());
        if (code.get() == UNKNOWN || dbm.isEmpty()) {
            return new Reply(ModemStep.SIGNAL, lines, Verdict.LOOK, Fact.of("modem.signal_unknown"));
        }
        String end = code.get() == 0 ? ".least" : code.get() == STRONGEST ? ".most" : "";
        return new Reply(
                ModemStep.SIGNAL,
                lines,
                code.get() < WEAK ? Verdict.LOOK : Verdict.WELL,
                Fact.of((code.get() < WEAK ? "modem.weak" : "modem.signal") + end)
                        .with("dbm", dbm.get()));
    }

    /** The strength that a reply told. */
    public Optional<Integer> strength() {
        return found(SIGNAL, lines).flatMap(found -> dbm(Integer.parseInt(found.group(1))));
    }
}
