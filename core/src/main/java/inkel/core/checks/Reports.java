package inkel.core.checks;

import inkel.core.circuit.Circuit;
import inkel.core.levels.LevelReport;
import inkel.core.parts.SupplyReport;
import inkel.core.pins.PinReport;
import inkel.core.power.PowerReport;
import inkel.core.wiring.WireList;
import java.util.List;

/** The reports of all stages on one build. Screens and rules read the same ones. */
public record Reports(
        Circuit circuit,
        SupplyReport supplies,
        PowerReport power,
        LevelReport levels,
        PinReport pins,
        List<WireList> wires) {
    public static Reports of(Circuit circuit) {
        return new Reports(
                circuit,
                SupplyReport.of(circuit),
                PowerReport.of(circuit),
                LevelReport.of(circuit),
                PinReport.of(circuit),
                WireList.of(circuit));
    }
}
