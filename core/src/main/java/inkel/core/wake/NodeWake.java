package inkel.core.wake;

import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The checks of one node, in order.
 *
 * @param talking the pins by which its board puts something out to other boards
 */
public record NodeWake(NodeCircuit node, List<Check> checks, List<Endpoint> talking) {
    public NodeWake {
        checks = List.copyOf(checks);
        talking = List.copyOf(talking);
    }

    /** The same with looks in between, at its end. */
    public NodeWake with(List<Check> more) {
        return new NodeWake(node, Stream.concat(checks.stream(), more.stream()).toList(), talking);
    }

    public Optional<Check> check(String id) {
        return checks.stream().filter(check -> check.id().equals(id)).findFirst();
    }

    /** The most that what is measured bears, as its class tells; empty for a supply itself, and for what is no volts. */
    public Optional<Voltage> bears(Check check) {
        if (check.kind() != Check.Kind.VOLTS || check.group().phase() == Phase.SUPPLIES) {
            return Optional.empty();
        }
        Endpoint at = check.at().endpoint();
        return node.part(at.part())
                .flatMap(placed -> placed.cls().supply(at.pin()))
                .map(Supply::absoluteMax)
                .or(() -> node.io(at).flatMap(family -> node.ioVolts(at)
                        .map(volts -> family.absoluteMax().at(volts.expected()))));
    }

    /** The groups, in the order of work. */
    public List<Group> groups() {
        return checks.stream().map(Check::group).distinct().toList();
    }

    public List<Check> of(Group group) {
        return checks.stream().filter(check -> check.group().equals(group)).toList();
    }

    /** The checks that wait for one, at once or by way of others. */
    public List<Check> waitingFor(Check check) {
        return checks.stream().filter(other -> needs(other, check.id())).toList();
    }

    private boolean needs(Check check, String id) {
        return check.needs().contains(id)
                || check.needs().stream().flatMap(need -> check(need).stream()).anyMatch(need -> needs(need, id));
    }
}
