package inkel.core.wake.report;

import inkel.core.bench.Answer;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Fact;
import inkel.core.wake.Check;
import inkel.core.wake.MoreLooks;
import inkel.core.wake.NodeWake;
import inkel.core.wiring.WireList;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * What a board reported, line by line. A report may come in part, with lines of something else in between; what is said of
 * parts that are wired as planned is taken, all else is told.
 *
 * <p>Longer than other files: each sort of line is read in a few lines of its own, and all add to the same answers.
 *
 * @param taken what answers checks, in the order of the lines
 * @param told what could not be taken and why, in the order of the lines
 * @param isWhole whether its last line says so
 * @param board the id of the board that it says it is of, the last one where it says several
 */
public record BoardReport(List<Taken> taken, List<Told> told, boolean isWhole, Optional<String> board) {
    /** The version of the lines that is read. */
    public static final int FORMAT = 1;

    /** The word that a report begins with. */
    public static final String HEAD = "inkel-wake";

    private static final Set<String> WORDS = Set.of("i2c", "reg", "level", "adc", "uart", "pulse", "wires", "end");

    public BoardReport {
        taken = List.copyOf(taken);
        told = List.copyOf(told);
    }

    /**
     * An answer to a check.
     *
     * @param line from 1
     * @param said what of the line is the answer: {@code 0x08}
     */
    public record Taken(int line, Check check, Answer answer, String said) {}

    /** @param line from 1; 0 for the report as a whole */
    public record Told(int line, String text, Fact why) {}

    /** @param text of a report, or of several, the later of which holds */
    public static BoardReport read(String text, NodeWake wake, WireList list, MoreLooks more) {
        Reading reading = new Reading(wake, list, more);
        int number = 0;
        for (String line : text.lines().toList()) {
            reading.line(++number, line.strip());
        }
        return reading.done();
    }

    private static final class Reading {
        private final NodeWake wake;
        private final NodeCircuit node;
        private final WireList list;
        private final MoreLooks more;
        private final ReportPlan plan;
        private final Map<String, Taken> taken = new LinkedHashMap<>();
        private final List<Told> told = new ArrayList<>();
        private final Map<Integer, Set<String>> heard = new HashMap<>();
        private final Set<String> others = new HashSet<>();
        private final Set<String> seen = new HashSet<>();
        private Optional<String> board = Optional.empty();
        private boolean isHere;
        private boolean isBegun;
        private boolean isWhole;
        private boolean isForeignTold;
        private int count;

        Reading(NodeWake wake, WireList list, MoreLooks more) {
            this.wake = wake;
            this.list = list;
            this.more = more;
            node = wake.node();
            plan = ReportPlan.of(wake);
        }

        BoardReport done() {
            if (!isBegun) {
                told.add(new Told(0, "", Fact.of("report.no_head").with("head", HEAD)));
            } else if (isHere && !isWhole) {
                told.add(new Told(0, "", Fact.of("report.no_end").with("count", count)));
            }
            all();
            return new BoardReport(List.copyOf(taken.values()), told, isWhole, board);
        }

        void line(int number, String line) {
            String[] words = line.split("\\s+");
            if (line.isEmpty() || line.startsWith("#")) {
                return;
            }
            if (words[0].equals(HEAD)) {
                head(number, line, words);
            } else if (!WORDS.contains(words[0])) {
                foreign(number, line);
            } else if (isHere) {
                said(number, line, words);
            } else if (!isBegun) {
                tell(number, line, Fact.of("report.before_head").with("head", HEAD));
            }
        }

        private void foreign(int number, String line) {
            // Programs print what they like; that is said once.
            if (!isForeignTold) {
                isForeignTold = true;
                tell(number, line, Fact.of("report.foreign"));
            }
        }

        private void head(int number, String line, String[] words) {
            isBegun = true;
            isHere = false;
            isWhole = false;
            count = 0;
            seen.clear();
            others.clear();
            if (words.length < 3) {
                tell(number, line, Fact.of("report.head_short").with("example", HEAD + " 1 " + id()));
                return;
            }
            board = Optional.of(words[2]);
            if (!words[1].equals(String.valueOf(FORMAT))) {
                tell(
                        number,
                        line,
                        Fact.of("report.format").with("found", words[1]).with("known", FORMAT));
            } else if (!words[2].equals(id())) {
                tell(
                        number,
                        line,
                        Fact.of("report.other_board").with("found", words[2]).with("wanted", id()));
            } else {
                isHere = true;
                for (int i = 3; i < words.length; i++) {
                    wires(number, line, words[i]);
                }
            }
        }

        private String id() {
            return node.node().id();
        }

        /** A part's wires as the program knew them. */
        private void wires(int number, String line, String word) {
            String[] pair = word.split("=");
            Optional<Placed> placed = pair.length == 2 ? node.part(pair[0]) : Optional.empty();
            if (placed.isEmpty()) {
                tell(number, line, Fact.of("report.no_part").with("found", pair[0]));
            } else if (!WireHash.of(node, list, placed.get()).equals(pair[1])) {
                others.add(placed.get().id());
                tell(
                        number,
                        line,
                        Fact.of("report.other_wires")
                                .with("part", placed.get().part().name()));
            }
        }

        private void said(int number, String line, String[] words) {
            if (words[0].equals("end")) {
                end(number, line, words);
                return;
            }
            count++;
            String about = about(words);
            if (seen.contains(about)) {
                tell(number, line, Fact.of("report.doubled"));
                return;
            }
            boolean isRead =
                    switch (words[0]) {
                        case "i2c" -> i2c(number, line, words);
                        case "reg" -> register(number, words);
                        case "level" -> level(number, words);
                        case "adc" -> analog(number, words);
                        case "uart" -> serial(number, line, words);
                        case "pulse" -> pulse(number, words);
                        default -> {
                            if (words.length == 2) {
                                wires(number, line, words[1]);
                            }
                            yield words.length == 2;
                        }
                    };
            if (isRead) {
                seen.add(about);
            } else {
                tell(number, line, Fact.of("report.garbled").with("example", example(words[0])));
            }
        }

        /** What a line is about: a part has several registers, and one of everything else. */
        private static String about(String[] words) {
            int told = words[0].equals("reg") ? 3 : 2;
            return String.join(" ", List.of(words).subList(0, Math.min(told, words.length)));
        }

        private void end(int number, String line, String[] words) {
            isWhole = words.length == 2 && words[1].matches("[0-9]{1,6}");
            if (!isWhole) {
                tell(number, line, Fact.of("report.garbled").with("example", example("end")));
            } else if (Integer.parseInt(words[1]) != count) {
                tell(
                        number,
                        line,
                        Fact.of("report.count").with("found", count).with("said", Integer.parseInt(words[1])));
            }
        }

        private static String example(String word) {
            return switch (word) {
                case "i2c" -> "i2c 0 0x27 0x40";
                case "reg" -> "reg radio 0x00 0x08";
                case "level" -> "level radio.CSN high";
                case "adc" -> "adc A2 487";
                case "uart" -> "uart modem OK";
                case "pulse" -> "pulse echo.OUT 1500";
                case "wires" -> "wires radio=7f3a90c2";
                default -> "end 4";
            };
        }

        private void tell(int number, String line, Fact why) {
            told.add(new Told(number, line, why));
        }

        /** Whether a part is wired as it was when the program was made; told once where it is not. */
        private boolean isPlanned(String part) {
            return !others.contains(part);
        }

        private void take(int number, Check check, Answer answer, String said) {
            taken.put(check.id(), new Taken(number, check, answer, said));
        }

        private boolean i2c(int number, String line, String[] words) {
            if (words.length < 2 || !words[1].matches("[0-9]{1,2}")) {
                return false;
            }
            List<String> addresses = new ArrayList<>();
            for (int i = 2; i < words.length; i++) {
                if (!words[i].matches("0[xX][0-9a-fA-F]{2}")) {
                    return false;
                }
                addresses.add("0x" + words[i].substring(2).toUpperCase(Locale.ROOT));
            }
            Optional<ReportPlan.Bus> bus = plan.bus(Integer.parseInt(words[1]));
            if (bus.isEmpty()) {
                tell(number, line, Fact.of("report.no_bus").with("found", words[1]));
                return true;
            }
            heard.put(bus.get().number(), new TreeSet<>(addresses));
            for (Placed placed : bus.get().parts()) {
                if (isPlanned(placed.id())) {
                    wake.check("answers " + placed.id())
                            .ifPresent(check ->
                                    take(number, check, new Answer.Texts(addresses), String.join(" ", addresses)));
                }
            }
            return true;
        }

        /** All who answer on all buses together, once each of them was scanned. */
        private void all() {
            boolean isScanned = !plan.buses().isEmpty()
                    && plan.buses().stream().allMatch(bus -> heard.containsKey(bus.number()))
                    && plan.buses().stream()
                            .allMatch(bus -> bus.parts().stream().allMatch(placed -> isPlanned(placed.id())));
            if (isScanned) {
                Set<String> addresses = new TreeSet<>();
                heard.values().forEach(addresses::addAll);
                wake.check("answers all")
                        .ifPresent(check ->
                                take(0, check, new Answer.Texts(List.copyOf(addresses)), String.join(" ", addresses)));
            }
        }

        private boolean register(int number, String[] words) {
            boolean isWritten = words.length == 4
                    && words[2].matches("0[xX][0-9a-fA-F]{1,4}|[A-Za-z][A-Za-z0-9_-]{0,31}")
                    && words[3].matches("0[xX][0-9a-fA-F]{1,8}");
            if (isWritten && isPlanned(words[1])) {
                Optional<Check> check = wake.check("register " + words[1] + " " + words[2]);
                check.ifPresentOrElse(
                        found -> take(number, found, new Answer.Texts(List.of(words[3])), words[3]),
                        () -> unasked(number, words));
            }
            return isWritten;
        }

        private void unasked(int number, String[] words) {
            tell(number, String.join(" ", words), Fact.of("report.unasked"));
        }

        private boolean level(int number, String[] words) {
            boolean isWritten = words.length == 3
                    && Endpoint.parse(words[1]).isPresent()
                    && Set.of("high", "low", "moves").contains(words[2]);
            if (isWritten) {
                Endpoint signal = Endpoint.parse(words[1]).orElseThrow();
                Optional<ReportPlan.Level> level = plan.levels().stream()
                        .filter(one -> one.signal().equals(signal))
                        .findFirst();
                Optional<Check> check = level.flatMap(one -> more.rests(signal, one.isHigh()));
                if (isPlanned(signal.part())) {
                    check.ifPresentOrElse(
                            found -> take(
                                    number,
                                    found,
                                    new Answer.Sight(words[2].equals(level.get().isHigh() ? "high" : "low")),
                                    words[2]),
                            () -> unasked(number, words));
                }
            }
            return isWritten;
        }

        /** Volts where they are foretold; else a code between both ends says that something is there. */
        private boolean analog(int number, String[] words) {
            boolean isWritten = words.length == 3 && words[2].matches("[0-9]{1,7}");
            if (isWritten) {
                Optional<ReportPlan.Analog> told = plan.analogs().stream()
                        .filter(one -> one.pin().label().equals(words[1])
                                || one.signal().toString().equals(words[1]))
                        .findFirst();
                if (told.isEmpty() || isPlanned(told.get().signal().part())) {
                    analog(number, words, told);
                }
            }
            return isWritten;
        }

        private void analog(int number, String[] words, Optional<ReportPlan.Analog> told) {
            int code = Integer.parseInt(words[2]);
            Optional<Check> codes = told.flatMap(one -> wake.check("codes " + one.signal()));
            Optional<Check> volts = told.flatMap(ReportPlan.Analog::check);
            if (codes.isPresent()) {
                take(number, codes.get(), new Answer.Sight(code > 0), words[2]);
            } else if (volts.isPresent()) {
                take(
                        number,
                        volts.get(),
                        new Answer.Amount(told.get().converter().volts(code).volts()),
                        words[2]);
            } else {
                unasked(number, words);
            }
        }

        private boolean serial(int number, String line, String[] words) {
            if (words.length < 2 || node.part(words[1]).isEmpty()) {
                return false;
            }
            String said =
                    line.substring(line.indexOf(words[1]) + words[1].length()).strip();
            Optional<Check> check = wake.checks().stream()
                    .filter(one ->
                            one.kind() == Check.Kind.REPLY && one.at().part().equals(words[1]))
                    .findFirst();
            if (isPlanned(words[1])) {
                check.ifPresentOrElse(
                        found ->
                                take(number, found, new Answer.Texts(said.isEmpty() ? List.of() : List.of(said)), said),
                        () -> unasked(number, words));
            }
            return true;
        }

        private boolean pulse(int number, String[] words) {
            boolean isWritten =
                    words.length == 3 && Endpoint.parse(words[1]).isPresent() && words[2].matches("[0-9]{1,7}");
            if (isWritten && isPlanned(words[1].substring(0, words[1].indexOf('.')))) {
                wake.check("pulses " + words[1])
                        .ifPresentOrElse(
                                check -> take(
                                        number,
                                        check,
                                        new Answer.Amount(Integer.parseInt(words[2]) * 1e-6),
                                        words[2] + " µs"),
                                () -> unasked(number, words));
            }
            return isWritten;
        }
    }
}
