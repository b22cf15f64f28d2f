package inkel.core.wake;

import inkel.core.bench.Asked;
import inkel.core.bench.Question;
import inkel.core.bench.Scene;
import inkel.core.catalog.Air;
import inkel.core.catalog.Hazard;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.formula.FuseSize;
import inkel.core.quantity.Current;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.remedy.PinNames;
import inkel.core.remedy.RailNames;
import inkel.core.wiring.WireStep;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;

/** Checks that no network foretells: what is seen or done, who answers, and first signs of life. */
final class Looks {
    /** With these a class begins what it does when it takes something of the world in. */
    private static final Set<String> SENSES = Set.of("measures", "notices", "reads", "counts", "feels");

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

    Check look(String id, Group group, Place at, Question.Sort sort, Fact what, List<String> needs) {
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
            if (placed.cls().handling().air().filter(Air::hasAntennaApart).isPresent()) {
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
                looks.add(piece(group, between.signal(), look(between)));
            }
        }
        for (Placed placed : node.parts()) {
            node.behindDiodes(placed).forEach(pin -> looks.add(piece(group, pin, "wake.look.piece")));
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

    private static String look(Between between) {
        return between instanceof Between.PulledUp
                ? "wake.look.pull_up"
                : between instanceof Between.PulledDown ? "wake.look.pull_down" : "wake.look.piece";
    }

    private Check piece(Group group, Endpoint pin, String key) {
        return look(
                "look piece " + pin,
                group,
                node.place(pin),
                Question.Sort.PIECE,
                Fact.of(key)
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

    /** A supply behind which a fuse stands in every line: of how much it is. */
    Check fused(Endpoint rail, Group group, List<Rail> fuses) {
        Current largest =
                fuses.stream().map(Rail::rating).max(Comparator.naturalOrder()).orElseThrow();
        return look(
                "unlimited " + rail,
                group,
                node.place(rail),
                Question.Sort.DONE,
                Fact.of("wake.look.fused")
                        .with("rail", RailNames.of(node, rail))
                        .with("fuse", largest),
                List.of());
    }

    /** A supply that nothing limits: what a fuse in its lead would have to be, where it gives enough to melt a wire. */
    Check unlimited(Endpoint rail, Group group, Current peak) {
        boolean melts = node.part(rail.part())
                .filter(placed -> placed.hazards().contains(Hazard.CURRENT))
                .isPresent();
        Current fuse = FuseSize.suitable(peak).orElseGet(FuseSize::largest);
        Fact about =
                Fact.of(melts ? "wake.look.unlimited" : "wake.look.unguarded").with("rail", RailNames.of(node, rail));
        return look(
                "unlimited " + rail,
                group,
                node.place(rail),
                Question.Sort.DONE,
                melts ? about.with("fuse", fuse) : about,
                List.of());
    }

    /** First signs of life of a part, as its class tells them. */
    List<Check> alive(Placed placed, Group group, List<String> needs) {
        return new SignsOfLife(node, steps, this).of(placed, group, needs);
    }

    Check made(
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

    /**
     * What shows that cause and effect are as they are meant.
     *
     * @param isStation whether a part is meant to be heard by others, or to hear them
     */
    List<Check> proving(List<String> needs, Predicate<Place> isStation) {
        Group group = Group.of(Phase.PROVE);
        List<Check> looks = new ArrayList<>();
        for (Placed placed : node.parts()) {
            boolean isSender = placed.cls().handling().air().isPresent();
            // A board that could send need not: it does where it is a station.
            boolean isBoardAlone = placed.part().isBoard() && !isStation.test(node.place(placed));
            if (isSender && !isBoardAlone && !placed.isForLater()) {
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
