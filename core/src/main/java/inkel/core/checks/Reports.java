package inkel.core.checks;

import inkel.core.circuit.Circuit;
import inkel.core.levels.LevelReport;
import inkel.core.lines.LineReport;
import inkel.core.loop.LoopReport;
import inkel.core.parts.SupplyReport;
import inkel.core.pins.PinReport;
import inkel.core.power.PowerReport;
import inkel.core.tune.radio.RadioReport;
import inkel.core.tune.stand.TuneReport;
import inkel.core.wiring.WireList;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.slf4j.LoggerFactory;

/**
 * The reports of all stages on one build. Screens and rules read the same ones.
 *
 * @param failed the stages whose report could not be made; theirs are empty, and the others are there all the same
 */
public record Reports(
        Circuit circuit,
        SupplyReport supplies,
        PowerReport power,
        LevelReport levels,
        PinReport pins,
        List<WireList> wires,
        TuneReport tunes,
        LoopReport loops,
        LineReport lines,
        RadioReport radios,
        List<String> failed) {
    public static Reports of(Circuit circuit) {
        List<String> failed = new ArrayList<>();
        PinReport pins = guarded("pins", PinReport::of, circuit, failed);
        return new Reports(
                circuit,
                guarded("supplies", SupplyReport::of, circuit, failed),
                guarded("power", PowerReport::of, circuit, failed),
                guarded("levels", LevelReport::of, circuit, failed),
                pins,
                guarded("wires", WireList::of, circuit, failed),
                guarded("tunes", TuneReport::of, circuit, failed),
                // Of a circuit without nodes, as after a crash, there are no pins to go by.
                guarded("loops", of -> LoopReport.of(of.nodes().isEmpty() ? PinReport.of(of) : pins), circuit, failed),
                guarded("lines", LineReport::of, circuit, failed),
                guarded("radios", RadioReport::of, circuit, failed),
                failed);
    }

    /** A report that crashes becomes that of a circuit without nodes, so that the others are still made. */
    static <R> R guarded(String name, Function<Circuit, R> report, Circuit circuit, List<String> failed) {
        try {
            return report.apply(circuit);
        } catch (RuntimeException mistake) {
            LoggerFactory.getLogger(Reports.class).error("report on {} failed", name, mistake);
            failed.add(name);
            return report.apply(new Circuit(circuit.build(), circuit.catalog(), List.of(), List.of()));
        }
    }
}
