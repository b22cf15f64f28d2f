package inkel.core.wake;

import inkel.core.document.Build;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.document.Standing;
import inkel.core.wiring.TableWire;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What became of the checks of one node, as the record tells it; of several readings of one check the latest counts.
 *
 * @param results by the id of the check, in the order of the checks
 * @param plugged the wires of all tables that are in
 */
public record WakeState(NodeWake wake, Map<String, Result> results, Set<TableWire> plugged) {
    public static WakeState of(Build build, NodeWake wake) {
        String node = wake.node().node().id();
        Map<String, LogLine> last = new HashMap<>();
        Map<String, Boolean> isPulled = new HashMap<>();
        Set<String> left = new HashSet<>();
        build.log()
                .counting()
                .filter(line ->
                        line instanceof LogLine.Pulled || line.place().node().equals(node))
                .forEach(line -> note(line, last, isPulled, left));
        Map<String, Result> results = new LinkedHashMap<>();
        for (Check check : wake.checks()) {
            Result result = Optional.ofNullable(last.get(check.id()))
                    .map(line -> result(build, check, line, isPulled.getOrDefault(check.id(), false)))
                    .orElse(Result.OPEN);
            boolean isLeft = check.group().phase() == Phase.PART
                    && left.contains(check.group().part());
            results.put(check.id(), isLeft ? result.with(Status.LEFT) : result);
        }
        Set<TableWire> plugged = build.nodes().stream()
                .flatMap(table -> table.plugged().stream().map(wire -> new TableWire(table.id(), wire)))
                .collect(Collectors.toUnmodifiableSet());
        return new WakeState(wake, results, plugged);
    }

    private static void note(LogLine line, Map<String, LogLine> last, Map<String, Boolean> isPulled, Set<String> left) {
        checkOf(line).ifPresent(id -> {
            last.put(id, line);
            isPulled.put(id, false);
        });
        if (line instanceof LogLine.Pulled pulled) {
            last.forEach((id, read) -> {
                if (isOver(read, pulled)) {
                    isPulled.put(id, true);
                }
            });
        } else if (line instanceof LogLine.Left && line.place().isPart()) {
            left.add(line.place().part());
        }
    }

    /** The check that a line of the record answers; empty for a line of something else. */
    public static Optional<String> checkOf(LogLine line) {
        if (line instanceof LogLine.Measured measured) {
            return measured.foretold().map(foretold -> foretold.check());
        }
        return line instanceof LogLine.Seen seen ? Optional.of(seen.check()) : Optional.empty();
    }

    /** Whether what was read went over a wire that was pulled. */
    static boolean isOver(LogLine read, LogLine.Pulled pulled) {
        return on(read).isOverWire(read.place().node(), pulled.place().node(), pulled.wire());
    }

    private static Standing on(LogLine line) {
        if (line instanceof LogLine.Measured measured) {
            return measured.on();
        }
        return line instanceof LogLine.Seen seen ? seen.on() : Standing.NOWHERE;
    }

    private static Result result(Build build, Check check, LogLine line, boolean isPulled) {
        boolean stands = !isPulled && stands(build, check, on(line));
        if (line instanceof LogLine.Measured measured) {
            boolean isWell = check.expected() instanceof Expected.Within within && within.holds(measured.value());
            return new Result(
                    !stands ? Status.STALE : isWell ? Status.IN : Status.OUT,
                    Optional.of(measured.value()),
                    measured.text(),
                    false,
                    Optional.of(measured.by()),
                    Optional.of(line.at()));
        }
        LogLine.Seen seen = (LogLine.Seen) line;
        return new Result(
                !stands ? Status.STALE : seen.isWell() ? Status.IN : Status.OUT,
                Optional.empty(),
                seen.text(),
                check.isMetered() && !Typed.isOverload(seen.text()),
                Optional.of(seen.by()),
                Optional.of(line.at()));
    }

    /** What a reading of a check stands on now. */
    public static Standing standing(Build build, Check check) {
        Place at = check.at();
        Standing here = at.part().isEmpty() ? Standing.NOWHERE : Standing.of(build, at);
        Standing standing = here.overWires(check.wires());
        for (TableWire wire : check.elsewhere()) {
            standing = standing.overWires(wire.node(), List.of(wire.id()));
        }
        return standing;
    }

    /** Whether what a reading of a check stood on is still what is there. */
    static boolean stands(Build build, Check check, Standing on) {
        Standing now = standing(build, check);
        // Readings of the first versions do not know the wires of other tables.
        boolean isOlder = !check.elsewhere().isEmpty()
                && check.elsewhere().stream()
                        .noneMatch(wire -> on.isOverWire(check.at().node(), wire.node(), wire.id()));
        return on.equals(now) || isOlder && on.withoutWires().equals(now.withoutWires());
    }

    public Optional<Check> check(String id) {
        return wake.check(id);
    }

    public Result result(Check check) {
        return results.getOrDefault(check.id(), Result.OPEN);
    }

    /** The checks that must hold before one and do not yet. */
    public List<Check> missing(Check check) {
        return check.needs().stream()
                .filter(id -> !results.getOrDefault(id, Result.OPEN).holds())
                .flatMap(id -> wake.check(id).stream())
                .toList();
    }

    /** The wires that must be in for a check and are not. */
    public List<String> missingWires(Check check) {
        String node = wake.node().node().id();
        return check.wires().stream()
                .filter(wire -> !plugged.contains(new TableWire(node, wire)))
                .toList();
    }

    /** The same of other tables. */
    public List<TableWire> missingElsewhere(Check check) {
        return check.elsewhere().stream()
                .filter(wire -> !plugged.contains(wire))
                .toList();
    }

    /** The checks of the plan, without looks in between. */
    private Stream<Check> planned() {
        return wake.checks().stream().filter(check -> check.group().phase() != Phase.BESIDES);
    }

    /** The first check that is to be made, or made again; empty when all hold or are left out. */
    public Optional<Check> next() {
        return planned()
                .filter(check ->
                        result(check).status() != Status.IN && result(check).status() != Status.LEFT)
                .findFirst();
    }

    /** How many checks of a group hold. */
    public long holding(Group group) {
        return wake.of(group).stream().filter(check -> result(check).holds()).count();
    }

    public long holding() {
        return planned().filter(check -> result(check).holds()).count();
    }

    /** How many checks the plan has. */
    public long count() {
        return planned().count();
    }

    /** How many checks are outside of what they should be. */
    public long outside() {
        return results.values().stream()
                .filter(result -> result.status() == Status.OUT)
                .count();
    }
}
