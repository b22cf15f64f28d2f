package inkel.core.pins.rules;

import inkel.core.catalog.Settings;
import inkel.core.catalog.SpiNeed;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Fix;
import inkel.core.quantity.Fact;
import java.util.List;

/** Resistors that hold the selects of parts off while the board's pins are still inputs. */
final class PullUpFix {
    private static final String USUAL = "10 kΩ";

    private PullUpFix() {}

    static Fix ofSelects(NodeCircuit node, List<Placed> floating) {
        List<Edit> edits = floating.stream()
                .map(member -> (Edit) new SetSetting(node.node().id(), member.id(), Settings.SELECT_PULL_UP, USUAL))
                .toList();
        boolean areMixed = floating.stream().anyMatch(PullUpFix::isSelectedHigh);
        return new Fix(
                "select-pull-ups",
                Fact.of(areMixed ? "fix.select_pulls" : "fix.select_pull_ups")
                        .with(
                                "high",
                                floating.stream()
                                        .filter(PullUpFix::isSelectedHigh)
                                        .map(part -> part.part().name())
                                        .toList())
                        .with("count", floating.size())
                        .with("value", USUAL),
                Fact.of("fix.select_pull_ups.cost"),
                edits);
    }

    private static boolean isSelectedHigh(Placed member) {
        return member.cls().spi().filter(SpiNeed::isSelectedHigh).isPresent();
    }
}
