package inkel.core.levels;

import inkel.core.catalog.IoFamily;
import inkel.core.circuit.BoardBuses;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.PullUp;
import inkel.core.circuit.Reading;
import inkel.core.circuit.ShifterSides;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.formula.LevelCheck;
import inkel.core.quantity.Range;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A wire between two boards, or one of the two hops of one through a shifter: what says against what hears, behind what
 * stands in the wire.
 *
 * @param says the pin that says, on the node {@code from}; a board's, or a shifter's
 * @param hears the pin that hears, on the node {@code to}
 * @param isBus whether it is a line of a bus that both boards are on: pulled high, and talked on from either end
 * @param said what {@code says} itself puts out as a high, {@code saidLow} as a low at most
 */
public record BoardLink(
        NodeCircuit from,
        Endpoint says,
        NodeCircuit to,
        Endpoint hears,
        NodeWire link,
        boolean isBus,
        Range<Voltage> said,
        Voltage saidLow,
        LevelCheck check,
        Mildness mildness)
        implements Judged {
    static List<BoardLink> of(Circuit circuit) {
        return circuit.links().stream()
                .flatMap(link -> of(circuit, link).stream())
                .toList();
    }

    /**
     * The hops of a wire, the one that arrives first; one where it goes through no shifter. Empty where a board or the
     * shifter is gone, is not fed, or has no figures for its levels.
     */
    public static List<BoardLink> of(Circuit circuit, NodeWire link) {
        Optional<NodeCircuit> from = circuit.node(link.from().node());
        Optional<NodeCircuit> to = circuit.node(link.to().node());
        if (from.isEmpty() || to.isEmpty()) {
            return List.of();
        }
        Endpoint says = link.from().endpoint();
        Endpoint hears = link.to().endpoint();
        boolean isBus = BoardBuses.line(circuit, link).isPresent();
        List<PullUp> pulls = isBus ? pulls(circuit, link) : List.of();
        Optional<NodeCircuit> on = link.converter().flatMap(place -> circuit.node(place.node()));
        if (on.isEmpty()) {
            Stream<BoardLink> there = hop(from.get(), says, to.get(), hears, link, isBus, pulls).stream();
            return isBus
                    ? Stream.concat(there, hop(to.get(), hears, from.get(), says, link, true, pulls).stream())
                            .toList()
                    : there.toList();
        }
        return ShifterSides.of(circuit, link).stream()
                .flatMap(sides -> through(from.get(), to.get(), on.get(), sides, link, isBus, pulls))
                .toList();
    }

    /** Each of the two sides has pull-ups of its own, and on a bus each end talks. */
    private static Stream<BoardLink> through(
            NodeCircuit from,
            NodeCircuit to,
            NodeCircuit on,
            ShifterSides sides,
            NodeWire link,
            boolean isBus,
            List<PullUp> pulls) {
        Endpoint says = link.from().endpoint();
        Endpoint hears = link.to().endpoint();
        List<PullUp> near = isBus ? side(pulls, from, on, sides.towardsDriver()) : List.of();
        List<PullUp> far = isBus ? side(pulls, to, on, sides.towardsReceiver()) : List.of();
        Stream<Optional<BoardLink>> there = Stream.of(
                hop(on, sides.towardsReceiver(), to, hears, link, isBus, far),
                hop(from, says, on, sides.towardsDriver(), link, isBus, near));
        Stream<Optional<BoardLink>> back = isBus
                ? Stream.of(
                        hop(on, sides.towardsDriver(), from, says, link, true, near),
                        hop(to, hears, on, sides.towardsReceiver(), link, true, far))
                : Stream.empty();
        return Stream.concat(there, back).flatMap(Optional::stream);
    }

    private static List<PullUp> side(List<PullUp> pulls, NodeCircuit end, NodeCircuit on, Endpoint way) {
        return Stream.concat(
                        pulls.stream().filter(pull -> pull.node() == end),
                        PullUp.on(on, way).flatMap(pull -> PullUp.of(on, pull.placed(), pull.pull()).stream()))
                .toList();
    }

    private static List<PullUp> pulls(Circuit circuit, NodeWire link) {
        return Stream.of(link.from(), link.to())
                .flatMap(end -> BoardBuses.pulls(circuit, end).stream())
                .distinct()
                .toList();
    }

    private static Optional<BoardLink> hop(
            NodeCircuit from,
            Endpoint says,
            NodeCircuit to,
            Endpoint hears,
            NodeWire link,
            boolean isPulled,
            List<PullUp> pulls) {
        Optional<IoFamily> talks = from.io(says)
                .filter(family ->
                        family.signalHigh().isPresent() && family.signalLow().isPresent());
        Optional<IoFamily> listens = to.io(hears)
                .filter(family -> family.vih().isPresent() && family.vil().isPresent());
        Optional<Range<Voltage>> saysAt = from.ioVolts(says);
        Optional<Range<Voltage>> hearsAt = to.ioVolts(hears);
        if (talks.isEmpty() || listens.isEmpty() || saysAt.isEmpty() || hearsAt.isEmpty()) {
            return Optional.empty();
        }
        Range<Voltage> said =
                isPulled ? PullUp.together(pulls).orElse(saysAt.get()) : Hop.high(talks.get(), saysAt.get());
        boolean isOneRail = isPulled
                ? pulls.stream().allMatch(pull -> pull.isOfRailOf(to, hears))
                : from == to && from.isOneRail(says, hears);
        boolean isSameRail = Hop.isOfListener(link.between()) || isOneRail;
        // Where nothing makes a high, that is a finding of its own.
        return new Hop(talks.get(), listens.get(), link.between(), isPulled, isSameRail, reading(to, hears))
                .outcome(saysAt.get(), hearsAt.get(), pulls)
                .map(outcome -> new BoardLink(
                        from,
                        says,
                        to,
                        hears,
                        link,
                        isPulled,
                        said,
                        talks.get().signalLow().get().at(saysAt.get().highest()),
                        outcome.check(),
                        outcome.mildness()));
    }

    @Override
    public Optional<Between> between() {
        return link.between();
    }

    /** Whether it ends at the board that listens, and not in a shifter. */
    public boolean arrives() {
        return to.place(hears).equals(link.to());
    }

    /** Whether it begins at the board that talks, and not out of a shifter. */
    public boolean begins() {
        return from.place(says).equals(link.from());
    }

    @Override
    public Source saysHigh() {
        return reading().high().isPresent() ? Source.MEASURED : Judged.source(from, says);
    }

    @Override
    public Source saysLow() {
        return reading().low().isPresent() ? Source.MEASURED : Judged.source(from, says);
    }

    @Override
    public Source listens() {
        return Judged.source(to, hears);
    }

    private Reading reading() {
        return reading(to, hears);
    }

    /** What was measured at the end that listens; what goes into a shifter is not measured. */
    private static Reading reading(NodeCircuit to, Endpoint hears) {
        return hears.part().equals(Part.BOARD) ? to.reading(hears) : Reading.NONE;
    }
}
