package inkel.core.levels;

import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import org.junit.jupiter.api.Test;

/** A knob and a chip on one cell: what the knob gives rises and falls with what the converter counts to. */
class OneRailAnalogTest {
    @Test
    void oneCellHasOneVoltageAtATime() {
        Builds build = Builds.on("chip-8pin")
                .part("cell", "battery-lithium")
                .boardOnly("VCC", "cell.+")
                .part("knob", "knob", "VCC=cell.+")
                .wire("knob.OUT", "board.P2");
        RuleKit.quiet(build, "adc.over_range");
    }

    @Test
    void twoSuppliesHaveTwo() {
        Builds build = Builds.on("chip-8pin")
                .part("cell", "battery-lithium")
                .part("wall", "wall-supply-5v")
                .boardOnly("VCC", "cell.+")
                .part("knob", "knob", "VCC=wall.+")
                .wire("knob.OUT", "board.P2");
        RuleKit.fires(build, "adc.over_range");
    }
}
