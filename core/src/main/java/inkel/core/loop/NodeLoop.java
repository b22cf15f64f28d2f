package inkel.core.loop;

import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.quantity.TimeSpan;
import java.util.List;
import java.util.Optional;

/**
 * One round of the program of a board.
 *
 * @param visits in the order of the parts
 * @param blocked each part that something is lost of, with the one that stops interrupts longest
 * @param apart how the visits are begun apart, where the builder chose that
 */
public record NodeLoop(NodeCircuit node, List<Visit> visits, List<Blocked> blocked, Optional<Staggered> apart) {
    public NodeLoop {
        visits = List.copyOf(visits);
        blocked = List.copyOf(blocked);
    }

    static NodeLoop of(NodeCircuit node, List<Visit> visits, List<Blocked> blocked) {
        boolean isApart = node.board().own(Settings.TURNS).orElse(false);
        return new NodeLoop(
                node, visits, blocked, isApart ? Optional.of(VisitStaggerModel.solve(visits)) : Optional.empty());
    }

    /** Everything at once, which comes about sooner or later where nothing keeps it apart. */
    public TimeSpan together() {
        return sum(visits);
    }

    /** The longest round. */
    public TimeSpan worst() {
        return apart.map(Staggered::worst).orElseGet(this::together);
    }

    /** The visits that the longest round is too long for, the most urgent first. */
    public List<Visit> late() {
        return late(visits, worst());
    }

    public static List<Visit> late(List<Visit> visits, TimeSpan round) {
        return visits.stream()
                .filter(visit -> visit.isLate(round))
                .sorted((one, other) -> Double.compare(
                        one.every().orElseThrow().seconds(),
                        other.every().orElseThrow().seconds()))
                .toList();
    }

    /** How the visits are begun apart at the best; takes as long as the solver does. */
    public Staggered staggered() {
        return apart.orElseGet(() -> VisitStaggerModel.solve(visits));
    }

    /** How visits are begun apart at the best. */
    public static Staggered staggered(List<Visit> visits) {
        return VisitStaggerModel.solve(visits);
    }

    public static TimeSpan sum(List<Visit> visits) {
        return TimeSpan.ofSeconds(
                visits.stream().mapToDouble(visit -> visit.time().seconds()).sum());
    }
}
