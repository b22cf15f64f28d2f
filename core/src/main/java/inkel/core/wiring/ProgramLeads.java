package inkel.core.wiring;

import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.ProgramLines;
import inkel.core.document.Endpoint;
import inkel.core.document.WireId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Leads between programmers and the chip, and what the chip wants held while it listens to them. */
final class ProgramLeads {
    private final NodeCircuit node;
    private final List<WireStep> steps = new ArrayList<>();

    ProgramLeads(NodeCircuit node) {
        this.node = node;
    }

    List<WireStep> list() {
        for (ProgramLines.Line line : ProgramLines.of(node)) {
            Terminal chip = WireSteps.onPin(node, line.chip());
            Terminal other =
                    line.lead().map(lead -> WireSteps.onPin(node, lead)).orElseGet(Terminal.OnGroundRow::new);
            steps.add(new WireStep(
                    new WireId(chip.id(), other.id()).toString(),
                    steps.size() + 1,
                    WireStep.Kind.PROGRAMMING,
                    chip,
                    other,
                    colour(line),
                    node.place(line.lead().orElse(line.chip())),
                    Optional.empty(),
                    Optional.empty(),
                    false));
        }
        return steps;
    }

    private WireColour colour(ProgramLines.Line line) {
        Endpoint chip = line.chip();
        PinUse use = node.pin(chip).map(Pin::use).orElse(PinUse.NONE);
        if (use == PinUse.GROUND || line.lead().isEmpty()) {
            return WireColour.BLACK;
        }
        boolean isSupply = use == PinUse.SUPPLY || use == PinUse.RAIL;
        return isSupply ? WireColour.RED : WireColour.of(use, steps.size());
    }
}
