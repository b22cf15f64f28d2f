package inkel.core.wake;

import inkel.core.document.Place;
import inkel.core.wiring.TableWire;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The wires in lists of other tables that bring a rail to the leads of this one. */
final class LeadSteps {
    private final WireList list;
    private final Map<String, List<TableWire>> byLead = new LinkedHashMap<>();

    LeadSteps(WireList list, List<WireList> lists) {
        this.list = list;
        lists.stream().filter(other -> other != list).forEach(this::gather);
    }

    private void gather(WireList other) {
        StepsOf steps = new StepsOf(other);
        for (WireStep step : other.steps()) {
            boolean feeds = step.kind() == WireStep.Kind.SUPPLY || step.kind() == WireStep.Kind.GROUND;
            lead(step).filter(lead -> feeds).ifPresent(lead -> {
                List<TableWire> wires = byLead.computeIfAbsent(
                        lead,
                        key -> new ArrayList<>(
                                steps.named(steps.grounds(other.node().board()))));
                wires.addAll(steps.named(Set.of(step.id())));
            });
        }
    }

    /** The part of this table that a wire of another one ends at. */
    private Optional<String> lead(WireStep step) {
        for (Terminal end : List.of(step.from(), step.to())) {
            if (end instanceof Terminal.OnOtherBoard other && !other.isGround()) {
                Place pin = other.pin();
                return Optional.of(pin.part())
                        .filter(part -> pin.node().equals(list.node().node().id()));
            }
        }
        return Optional.empty();
    }

    /** With those of each lead that a wire of it ends at; ohms are read with nothing from elsewhere. */
    Check named(Check check) {
        if (byLead.isEmpty() || check.wires().isEmpty() || check.kind() == Check.Kind.OHMS) {
            return check;
        }
        Set<String> over = new HashSet<>(check.wires());
        List<TableWire> more = new ArrayList<>();
        byLead.forEach((lead, wires) -> {
            boolean isOver = list.steps().stream()
                    .anyMatch(step -> over.contains(step.id()) && (isAt(step.from(), lead) || isAt(step.to(), lead)));
            if (isOver) {
                more.addAll(wires);
            }
        });
        return check.over(more);
    }

    private static boolean isAt(Terminal end, String part) {
        return end instanceof Terminal.OnPin on && on.pin().part().equals(part);
    }
}
