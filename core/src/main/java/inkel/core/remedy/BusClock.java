package inkel.core.remedy;

import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Fix;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import java.util.List;

/** Another clock of the buses of a board. */
public final class BusClock {
    private BusClock() {}

    /** I2C at a clock that is faster than the one now; who asks has seen that all on the bus bear it. */
    public static Fix faster(NodeCircuit node, Frequency clock) {
        return new Fix(
                "faster",
                Fact.of("fix.i2c_clock").with("clock", clock),
                Fact.of("fix.i2c_faster.cost"),
                List.of(new SetSetting(
                        node.node().id(), node.board().id(), Settings.I2C_CLOCK, Engineering.print(clock))));
    }
}
