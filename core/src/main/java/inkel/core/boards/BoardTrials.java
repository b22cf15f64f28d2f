package inkel.core.boards;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;
import inkel.core.circuit.ShifterSides;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.PutBoard;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.Merits;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import inkel.core.quantity.Current;
import inkel.core.remedy.OnLogicRail;
import inkel.core.remedy.RailNames;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Tries every board on a table: puts it there, shares out its pins, matches levels where that is a matter of parts. */
public final class BoardTrials {
    /** More parts in wires than this is another build. */
    private static final int MOST_MATCHED = 40;

    private static final String UNFED = "parts.no_supply";

    private final Build build;
    private final Catalog catalog;
    private final String nodeId;
    private final BooleanSupplier isStopped;

    /**
     * @param isStopped whether nobody wants the answer any more
     * @throws IllegalArgumentException when there is no such node
     */
    public BoardTrials(Build build, Catalog catalog, String nodeId, BooleanSupplier isStopped) {
        this.build = build;
        this.catalog = build.classesIn(catalog);
        this.nodeId = nodeId;
        this.isStopped = isStopped;
        if (build.node(nodeId).isEmpty()) {
            throw new IllegalArgumentException("no node " + nodeId);
        }
    }

    /** The boards that there are to try, in the order of the catalogue. */
    public static List<PartClass> boards(Catalog catalog) {
        return catalog.all().stream()
                .filter(cls -> cls.kind() == Kind.BOARD && cls.controller().isPresent())
                .toList();
    }

    /**
     * All of them, best first.
     *
     * @param each gets every trial as soon as it is done
     * @throws CancellationException once nobody wants the answer
     */
    public List<BoardTrial> all(Consumer<BoardTrial> each) {
        List<BoardTrial> trials = new ArrayList<>();
        for (PartClass board : boards(catalog)) {
            if (isStopped.getAsBoolean()) {
                throw new CancellationException();
            }
            BoardTrial trial = of(board);
            each.accept(trial);
            trials.add(trial);
        }
        trials.sort(BoardTrial.BEST_FIRST);
        return trials;
    }

    /** One of them. */
    public BoardTrial of(PartClass board) {
        Node old = build.node(nodeId).orElseThrow();
        boolean isPresent = old.board().classId().equals(board.id());
        try {
            BoardSwap.Result swap =
                    isPresent ? new BoardSwap.Result(build, List.of()) : BoardSwap.of(build, catalog, nodeId, board);
            Build fed = isPresent ? build : onItsVoltage(swap.build());
            Plan plan = new Planner(fed, catalog, isStopped).plan(nodeId);
            if (!plan.placed()) {
                return refused(board, isPresent, swap, plan);
            }
            Build planned = plan.edit().orElseThrow().apply(fed);
            Build matched = withoutIdleShifters(matched(planned));
            return told(board, isPresent, swap, matched);
        } catch (EditRefused refused) {
            throw new IllegalStateException(refused);
        }
    }

    /** What ran at the voltage of the old board's signals runs at that of the new one's, where it bears it. */
    private Build onItsVoltage(Build swapped) throws EditRefused {
        NodeCircuit old = Circuit.of(build, catalog).node(nodeId).orElseThrow();
        return OnLogicRail.moved(old, Circuit.of(swapped, catalog));
    }

    private BoardTrial refused(PartClass board, boolean isPresent, BoardSwap.Result swap, Plan plan) {
        return new BoardTrial(
                board,
                build.node(nodeId).orElseThrow(),
                isPresent,
                plan.clash(),
                plan.shortage(),
                plan.complete(),
                0,
                0,
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                Map.of(),
                Map.of(),
                0,
                0,
                0,
                0,
                Current.ZERO,
                swap.lost(),
                Optional.empty());
    }

    private BoardTrial told(PartClass board, boolean isPresent, BoardSwap.Result swap, Build after) {
        Node old = build.node(nodeId).orElseThrow();
        Node now = after.node(nodeId).orElseThrow();
        Assessment assessment = Assessment.assess(after, catalog);
        List<Finding> findings = assessment.findings().stream()
                .filter(finding -> finding.place().node().equals(nodeId))
                .toList();
        List<Finding> stops = findings.stream()
                .filter(finding -> finding.severity() == Severity.STOP)
                .toList();
        NodeCircuit circuit = assessment.circuit(nodeId).orElseThrow();
        Merits merits = Merits.of(circuit);
        Map<Endpoint, Endpoint> refed = refed(old, now);
        return new BoardTrial(
                board,
                old,
                isPresent,
                List.of(),
                Optional.empty(),
                true,
                stops.size(),
                (int) findings.stream()
                        .filter(finding -> finding.severity() == Severity.LOOK)
                        .count(),
                stops.stream().map(Finding::code).distinct().toList(),
                newer(now, old),
                pieces(now, old),
                newer(old, now),
                refed,
                refed.values().stream()
                        .distinct()
                        .collect(Collectors.toMap(rail -> rail, rail -> RailNames.of(circuit, rail))),
                moved(old, circuit),
                merits.freePins(),
                merits.freePulses(),
                merits.freeAnalog(),
                asked(circuit),
                swap.lost().stream().filter(lost -> !isFedAgain(lost, now)).toList(),
                isPresent && now.equals(old)
                        ? Optional.empty()
                        : Optional.of(new PutBoard(old, build.links(), now, after.links())));
    }

    /** Feeds what lost its rail, and puts in wires what they want, one after the other, as long as something helps. */
    private Build matched(Build planned) throws EditRefused {
        Build build = planned;
        for (int i = 0; i < MOST_MATCHED && !isStopped.getAsBoolean(); i++) {
            Assessment assessment = Assessment.assess(build, catalog);
            Optional<Fix> next = Stream.of(Stage.PARTS, Stage.POWER, Stage.LEVELS)
                    .flatMap(stage -> assessment.of(nodeId, stage).stream())
                    .filter(finding -> finding.severity() == Severity.STOP)
                    .flatMap(BoardTrials::helps)
                    .findFirst();
            if (next.isEmpty()) {
                return build;
            }
            build = next.get().apply(build);
        }
        return build;
    }

    private static Stream<Fix> helps(Finding finding) {
        boolean isUnfed = finding.code().equals(UNFED);
        return finding.fixes().stream().filter(fix -> isUnfed ? isFeeding(fix) : isPiece(fix));
    }

    private static boolean isFeeding(Fix fix) {
        return fix.edits().stream().allMatch(edit -> edit instanceof Feed || edit instanceof AddPart);
    }

    /** Something that is put in a wire; not another supply, and no other board. */
    private static boolean isPiece(Fix fix) {
        return fix.edits().stream().anyMatch(Insert.class::isInstance)
                && fix.edits().stream()
                        .allMatch(edit -> edit instanceof Insert || edit instanceof AddPart || edit instanceof SetWire);
    }

    /** Shifters that only matched levels of the old board lie idle now. */
    private Build withoutIdleShifters(Build matched) throws EditRefused {
        Assessment assessment = Assessment.assess(matched, catalog);
        Node now = matched.node(nodeId).orElseThrow();
        Node old = build.node(nodeId).orElseThrow();
        Set<String> used = new HashSet<>(shiftersOf(now));
        List<Edit> idle = new ArrayList<>();
        for (String shifter : shiftersOf(old)) {
            boolean isShifter = assessment
                    .circuit(nodeId)
                    .flatMap(circuit -> circuit.part(shifter))
                    .filter(ShifterSides::isShifter)
                    .isPresent();
            if (isShifter && !used.contains(shifter)) {
                idle.add(new RemovePart(nodeId, shifter));
            }
        }
        return Edit.applyAll(matched, idle);
    }

    private static List<String> shiftersOf(Node node) {
        return node.between().stream()
                .filter(Between.ShifterWay.class::isInstance)
                .map(piece -> ((Between.ShifterWay) piece).shifter())
                .distinct()
                .toList();
    }

    /** Whether a supply pin that lost its rail found another. */
    private static boolean isFedAgain(BoardTrial.Lost lost, Node now) {
        if (lost.kind() != BoardTrial.Lost.Kind.FEED) {
            return false;
        }
        Endpoint pin = Endpoint.parse(lost.what()).orElseThrow();
        return now.part(pin.part())
                .filter(part -> part.feeds().containsKey(pin.pin()))
                .isPresent();
    }

    /** The names of the parts of one node that the other has not, the board left out. */
    private static List<String> newer(Node one, Node other) {
        return one.parts().stream()
                .filter(part -> !part.isBoard() && other.part(part.id()).isEmpty())
                .map(Part::name)
                .toList();
    }

    private static List<Between> pieces(Node now, Node old) {
        return now.between().stream()
                .filter(piece ->
                        !(piece instanceof Between.ShifterWay) && !old.between().contains(piece))
                .toList();
    }

    private static Map<Endpoint, Endpoint> refed(Node old, Node now) {
        Map<Endpoint, Endpoint> refed = new LinkedHashMap<>();
        for (Part part : old.parts()) {
            Map<String, Endpoint> feeds = now.part(part.id()).map(Part::feeds).orElse(Map.of());
            part.feeds().forEach((pin, rail) -> {
                if (!part.isBoard() && feeds.containsKey(pin) && !feeds.get(pin).equals(rail)) {
                    refed.put(new Endpoint(part.id(), pin), feeds.get(pin));
                }
            });
        }
        return refed;
    }

    private static int moved(Node old, NodeCircuit now) {
        int moved = 0;
        for (Wire wire : old.wires()) {
            Optional<Endpoint> to =
                    now.wire(wire.from()).filter(found -> !now.isTie(found)).map(Wire::to);
            moved += to.isPresent() && !to.get().equals(wire.to()) ? 1 : 0;
        }
        return moved;
    }

    private static Current asked(NodeCircuit node) {
        return node.rails().stream().filter(Rail::isSource).map(Rail::peak).reduce(Current.ZERO, Current::plus);
    }
}
