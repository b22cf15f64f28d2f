package inkel.app.ui.wire;

import inkel.app.ui.why.Explainer;
import inkel.app.ui.why.Why;
import inkel.app.ui.why.Why.Line;
import inkel.app.ui.why.Why.Row;
import inkel.app.ui.why.Why.Section;
import inkel.app.ui.why.Why.Tone;
import inkel.app.ui.why.Why.Verdict;
import inkel.app.words.SeatWords;
import inkel.app.words.WireWords;
import inkel.app.words.Words;
import inkel.core.catalog.Settings;
import inkel.core.catalog.TableKind;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Placed;
import inkel.core.document.Part;
import inkel.core.document.SeatChoice.Side;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Fix;
import inkel.core.quantity.Fact;
import inkel.core.seats.HalfRow;
import inkel.core.seats.Run;
import inkel.core.seats.SeatMoves;
import inkel.core.seats.SeatPlan;
import inkel.core.wiring.Jumper;
import inkel.core.wiring.WireStep;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** What the Why panel says of a seat and of a row, and what can be done there. */
final class SeatNotes {
    private final SeatPlan plan;
    private final SeatWords words;
    private final WireWords wires;

    SeatNotes(SeatPlan plan) {
        this.plan = plan;
        words = new SeatWords(plan);
        wires = new WireWords(plan.node());
    }

    /** A half row: each of its holes, and what is free. */
    Why of(HalfRow row) {
        Map<String, String> holes = new TreeMap<>();
        String letters = row.side() == Side.LEFT ? "abcde" : "fghij";
        for (char letter : letters.toCharArray()) {
            holes.put(String.valueOf(letter), "");
        }
        for (SeatPlan.Seat seat : plan.seats()) {
            for (SeatPlan.Leg leg : seat.legs()) {
                if (leg.hole().halfRow().equals(row)) {
                    String pin = seat.part()
                            .map(part -> plan.node()
                                    .part(part)
                                    .orElseThrow()
                                    .cls()
                                    .pins()
                                    .get(leg.pin())
                                    .label())
                            .orElse("");
                    holes.put(
                            leg.hole().column().name().toLowerCase(Locale.ROOT),
                            Words.say(Fact.of("seats.row.leg")
                                    .with("part", words.name(seat))
                                    .with("pin", pin)));
                }
            }
        }
        for (SeatPlan.Seat seat : plan.seats()) {
            if (seat.shape().isAcross()
                    && seat.at().board() == row.board()
                    && seat.from() <= row.row()
                    && row.row() <= seat.to()) {
                List<String> open = seat.shape().free(row.side()).stream()
                        .map(column -> column.name().toLowerCase(Locale.ROOT))
                        .toList();
                holes.replaceAll((letter, what) -> what.isEmpty() && !open.contains(letter)
                        ? Words.get("seats.row.covered", "part", words.name(seat))
                        : what);
            }
        }
        plan.at(row).forEach((step, runs) -> runs.forEach(run -> put(holes, row, step, run)));
        long free = holes.values().stream().filter(String::isEmpty).count();
        List<Row> rows = new ArrayList<>();
        holes.forEach((letter, what) -> rows.add(new Row(
                Words.get("seats.row.hole", "letter", letter),
                what.isEmpty() ? Words.get("seats.row.holes_free") : what,
                "")));
        String title = Words.say(Fact.of("seats.row")
                .with("row", row.row())
                .with("side", Words.get(row.side() == Side.LEFT ? "seats.left" : "seats.right")));
        Verdict verdict = free == letters.length()
                ? new Verdict(Tone.PLAIN, Words.get("seats.row.empty"))
                : free == 0
                        ? new Verdict(Tone.PLAIN, Words.get("seats.row.full"))
                        : new Verdict(
                                Tone.GOOD, Words.say(Fact.of("seats.row.free").with("free", free)));
        return new Why(
                title,
                plan.boards() > 1
                        ? Words.say(Fact.of("seats.board")
                                .with("board", row.board())
                                .with("rows", plan.kind().orElseThrow().rows()))
                        : "",
                Optional.of(verdict),
                List.of(Section.ofRows(Words.get("seats.row.on"), rows)),
                List.of(),
                tables(),
                List.of());
    }

    private void put(Map<String, String> holes, HalfRow row, WireStep step, Run run) {
        for (boolean isFrom : List.of(true, false)) {
            (isFrom ? run.from() : run.to())
                    .hole()
                    .filter(hole -> !hole.column().isRail() && hole.halfRow().equals(row))
                    .ifPresent(hole -> holes.put(
                            hole.column().name().toLowerCase(Locale.ROOT),
                            run.isPiece()
                                    ? Words.get("seats.row.piece", "number", step.number())
                                    : Words.say(Fact.of("seats.row.wire")
                                            .with("number", step.number())
                                            .with("ends", wires.name(isFrom ? step.to() : step.from())))));
        }
    }

    /** A part: where it sits, the row of each pin, and what can be done with it. */
    Why of(Assessment assessment, Placed placed) {
        Optional<SeatPlan.Seat> seat = plan.seat(placed.id());
        List<Section> sections = new ArrayList<>();
        List<Fix> actions = new ArrayList<>();
        String said;
        if (seat.isPresent()) {
            SeatPlan.Seat at = seat.get();
            said = words.seat(at.at(), at);
            List<Row> rows = new ArrayList<>();
            for (SeatPlan.Leg leg : at.legs()) {
                rows.add(new Row(placed.cls().pins().get(leg.pin()).label(), words.hole(leg.hole()), ""));
            }
            sections.add(Section.ofRows(Words.get("seats.where"), rows));
            sections.add(Section.ofLines(
                    Words.get("seats.what"),
                    List.of(new Line(Tone.PLAIN, Words.get(at.isHeld() ? "seats.kept" : "seats.free")))));
            actions.add(action("turn", SeatMoves.move(plan, at, SeatMoves.turned(at.at()))));
            actions.add(
                    at.isHeld()
                            ? action("release", SeatMoves.release(plan, at.id()))
                            : action("keep", SeatMoves.move(plan, at, at.at())));
            actions.add(action("off", SeatMoves.off(plan, at)));
        } else {
            said = Words.get("seats.beside");
            if (Jumper.isForABreadboard(placed) && plan.node().node().seats().containsKey(placed.id())) {
                actions.add(action("on", SeatMoves.release(plan, placed.id())));
            }
        }
        actions.addAll(tables());
        return new Why(
                placed.part().name(),
                placed.cls().summary(),
                Optional.of(new Verdict(seat.isPresent() ? Tone.GOOD : Tone.PLAIN, said)),
                sections,
                List.of(),
                actions,
                assessment.at(plan.node().place(placed)));
    }

    private List<Fix> tables() {
        List<Fix> actions = new ArrayList<>();
        actions.add(action("anew", SeatMoves.anew(plan)));
        for (TableKind kind : TableKind.values()) {
            if (kind != plan.node().table()) {
                String name = kind.name().toLowerCase(Locale.ROOT);
                actions.add(Explainer.action(
                        "table-" + name,
                        Fact.of("seats.table." + name),
                        Fact.of("seats.table.cost"),
                        new SetSetting(
                                plan.node().node().id(),
                                Part.BOARD,
                                Settings.TABLE,
                                kind == TableKind.LONG ? null : name)));
            }
        }
        return actions;
    }

    private static Fix action(String key, inkel.core.document.edit.Edit edit) {
        return Explainer.action("seat-" + key, Fact.of("seats." + key), Fact.of("seats." + key + ".cost"), edit);
    }
}
