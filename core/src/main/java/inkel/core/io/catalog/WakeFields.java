package inkel.core.io.catalog;

import inkel.core.catalog.BenchKind;
import inkel.core.catalog.WakeCheck;
import inkel.core.io.json.Fields;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Share;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/** Reads what tells that a part is alive, and where it is measured and set. */
final class WakeFields {
    private static final String KINDS = "identity, idle, answers, reply, pulses, volts, codes, moves, sign";
    private static final String PULSE = "1.5 ms";
    private static final TimeSpan SOON = TimeSpan.ofSeconds(1);

    /** Benches as older definitions name them, where that is not the name of today. */
    private static final Map<String, List<BenchKind>> OLDER =
            Map.of("analog", List.of(BenchKind.ANALOG_IN), "tag-reader", List.of(BenchKind.TAGS), "output", List.of());

    /** How many bytes of ones a program clocks at the most. */
    private static final int MOST_BYTES = 32;

    /** How many bytes a program sends to ask. */
    private static final int MOST_SENT = 8;

    private static final String NOTHING = "none";
    private static final Pattern ASKED = Pattern.compile("(0[xX])?[0-9A-Fa-f]{1,4}|[A-Za-z][A-Za-z0-9_-]{0,31}");
    private static final Pattern BYTE = Pattern.compile("(0[xX])?[0-9A-Fa-f]{1,4}");
    private static final Pattern MASK = Pattern.compile("0[xX][0-9A-Fa-f]{1,8}");

    private WakeFields() {}

    /** Empty for a kind that is not known, which is noted. */
    static Optional<WakeCheck> check(Fields check) {
        return switch (check.text("how")) {
            case "identity" -> Optional.of(new WakeCheck.Identity(asked(check), values(check), asking(check)));
            case "idle" -> Optional.of(new WakeCheck.Idle(check.text("at"), isHigh(check)));
            case "answers" -> Optional.of(new WakeCheck.Answers());
            case "reply" ->
                Optional.of(new WakeCheck.Reply(
                        check.optionalText("at").orElse(""),
                        check.text("expect"),
                        check.has("within") ? check.quantity("within", Unit.SECOND, "1 s") : SOON));
            case "pulses" ->
                Optional.of(new WakeCheck.Pulses(
                        check.text("at"),
                        check.<TimeSpan>figure("width", Unit.SECOND, PULSE).range(),
                        check.has("period")
                                ? Optional.of(check.<TimeSpan>figure("period", Unit.SECOND, "20 ms")
                                        .range())
                                : Optional.empty()));
            case "volts" ->
                Optional.of(new WakeCheck.Volts(
                        check.text("at"),
                        check.<Voltage>figure("volts", Unit.VOLT, "3.3 V").range(),
                        check.has("while") ? Optional.of(calm(check)) : Optional.empty()));
            case "rests" ->
                Optional.of(new WakeCheck.Rests(
                        check.text("at"),
                        check.<Share>figure("share", Unit.ONE, "50 %").range(),
                        check.has("while") ? Optional.of(calm(check)) : Optional.empty()));
            case "codes" -> Optional.of(new WakeCheck.Codes(check.text("at")));
            case "moves" ->
                Optional.of(new WakeCheck.Moves(
                        check.text("at"),
                        PartClassReader.word(check, "when", WakeCheck.Deed.values(), WakeCheck.Deed.PRESSED)));
            case "sign" ->
                Optional.of(new WakeCheck.Sign(
                        PartClassReader.word(check, "sign", WakeCheck.Sense.values(), WakeCheck.Sense.LAMP),
                        check.object("drive").map(WakeFields::drive),
                        check.objects("with").stream().map(WakeFields::drive).toList()));
            default -> {
                check.problem(
                        "how",
                        Fact.of("problem.expected_value").with("example", KINDS).with("found", check.text("how")));
                yield Optional.empty();
            }
        };
    }

    private static WakeCheck.Drive drive(Fields drive) {
        return new WakeCheck.Drive(
                drive.text("pin"),
                PartClassReader.word(drive, "to", WakeCheck.To.values(), WakeCheck.To.HIGH),
                drive.has("width") ? width(drive) : WakeCheck.Drive.MIDDLE);
    }

    private static TimeSpan width(Fields drive) {
        boolean isTime =
                Engineering.parseQuantity(drive.text("width"), Unit.SECOND).isPresent();
        TimeSpan width = drive.quantity("width", Unit.SECOND, "1.7 ms");
        TimeSpan most = WakeCheck.Drive.LONGEST;
        if (isTime && (width.seconds() <= 0 || width.seconds() > most.seconds())) {
            drive.problem(
                    "width", Fact.of("problem.pulse_width").with("most", most).with("found", width));
        }
        return width;
    }

    /** As reports name it. */
    private static String asked(Fields check) {
        return check.parsed(
                "at",
                text -> ASKED.matcher(text).matches() ? Optional.of(text) : Optional.empty(),
                "0xD0, capacity",
                "0x00");
    }

    private static WakeCheck.Asking asking(Fields check) {
        boolean isGiven = check.optionalText("send").isPresent();
        List<Integer> send = check.parsed(isGiven ? "send" : "at", WakeFields::bytes, "0x0F", List.of());
        Optional<Long> mask = check.optionalText("mask").isPresent()
                ? Optional.of(check.parsed("mask", WakeFields::mask, "0x00FF", 0L))
                : Optional.empty();
        return new WakeCheck.Asking(
                send, check.whole("idle", 0, MOST_BYTES, 0), check.whole("late", 0, MOST_BYTES, 0), mask);
    }

    /** Bytes with blanks between them; a register of more digits is asked for by its last two. */
    private static Optional<List<Integer>> bytes(String text) {
        if (text.equals(NOTHING)) {
            return Optional.of(List.of());
        }
        List<String> words = List.of(text.split(" "));
        boolean areBytes = words.size() <= MOST_SENT
                && words.stream().allMatch(word -> BYTE.matcher(word).matches());
        return areBytes
                ? Optional.of(words.stream()
                        .map(word -> Integer.parseInt(word.replaceFirst("^0[xX]", ""), 16) & 0xFF)
                        .toList())
                : Optional.empty();
    }

    private static Optional<Long> mask(String text) {
        return MASK.matcher(text).matches() ? Optional.of(Long.parseLong(text.substring(2), 16)) : Optional.empty();
    }

    private static WakeCheck.Calm calm(Fields check) {
        return PartClassReader.word(check, "while", WakeCheck.Calm.values(), WakeCheck.Calm.LET_GO);
    }

    private static List<String> values(Fields check) {
        List<String> values = new ArrayList<>(List.of(check.text("expect")));
        values.addAll(check.texts("or"));
        return values;
    }

    private static boolean isHigh(Fields check) {
        return check.parsed(
                "expect",
                text -> text.equals("high") || text.equals("low") ? Optional.of(text.equals("high")) : Optional.empty(),
                "high, low",
                true);
    }

    static List<BenchKind> benches(Fields fields) {
        List<BenchKind> benches = new ArrayList<>();
        fields.optionalText("bench")
                .ifPresent(older -> benches.addAll(OLDER.getOrDefault(
                        older, bench(fields, "bench", older).stream().toList())));
        fields.texts("benches").forEach(name -> bench(fields, "benches", name).ifPresent(benches::add));
        return benches;
    }

    private static Optional<BenchKind> bench(Fields fields, String key, String name) {
        if (OLDER.containsKey(name) && key.equals("bench")) {
            return Optional.empty();
        }
        Optional<BenchKind> found = Arrays.stream(BenchKind.values())
                .filter(kind -> PartClassReader.spelled(kind).equals(name))
                .findFirst();
        if (found.isEmpty()) {
            fields.problem(
                    key,
                    Fact.of("problem.expected_value")
                            .with(
                                    "example",
                                    String.join(
                                            ", ",
                                            Arrays.stream(BenchKind.values())
                                                    .map(PartClassReader::spelled)
                                                    .toList()))
                            .with("found", name));
        }
        return found;
    }
}
