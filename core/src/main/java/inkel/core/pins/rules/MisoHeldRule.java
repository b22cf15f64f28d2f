package inkel.core.pins.rules;

import inkel.core.catalog.Pin;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.pins.SpiBus;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Reports a part that does not let go of the shared MISO wire while it is not selected. */
public final class MisoHeldRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("spi.miso_held", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.spiBuses().stream()
                        .filter(SpiBus::isShared)
                        .flatMap(bus -> bus.holding().stream().map(member -> describe(pins, bus, member))))
                .toList();
    }

    private static Finding describe(NodePins pins, SpiBus bus, Placed member) {
        return Finding.of(INFO, pins.node().place(member))
                .with("part", member.part().name())
                .with(
                        "others",
                        bus.members().stream()
                                .filter(other -> !other.equals(member))
                                .map(other -> other.part().name())
                                .toList())
                .fix(() -> ownBus(pins, member))
                .fixes(() -> List.of(PinFixes.leaveOut(pins, member)))
                .build();
    }

    /** A bus of its own on free pins, driven by the program. */
    private static Optional<Fix> ownBus(NodePins pins, Placed member) {
        List<Edit> edits = new ArrayList<>();
        String node = pins.node().node().id();
        edits.add(new SetSetting(node, member.id(), Settings.BUS, "software"));
        Set<Endpoint> used = new HashSet<>();
        List<Pin> lines = member.cls()
                .signals()
                .filter(pin -> pin.use().sharedLine().isPresent())
                .toList();
        for (Pin line : lines) {
            pins.freeForSoftware(line.use().sharedLine().orElseThrow()).stream()
                    .filter(used::add)
                    .findFirst()
                    .ifPresent(target -> edits.add(new SetWire(node, Wire.placed(member.endpoint(line), target))));
        }
        return edits.size() == lines.size() + 1
                ? Optional.of(new Fix(
                        "own-bus",
                        Fact.of("fix.own_bus").with("part", member.part().name()),
                        Fact.of("fix.own_bus.cost").with("count", lines.size()),
                        edits))
                : Optional.empty();
    }
}
