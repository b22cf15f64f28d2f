package inkel.core.pins.rules;

import inkel.core.catalog.Settings;
import inkel.core.circuit.Placed;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Fix;
import inkel.core.formula.BaudRate;
import inkel.core.pins.SerialLine;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import java.util.List;
import java.util.Locale;

/** Sets the rate of a part's serial port. */
final class BaudFix {
    private BaudFix() {}

    static Fix of(SerialLine line, Frequency baud) {
        Placed placed = line.placed();
        BaudRate made = line.node().board().cls().controller().orElseThrow().bestBaud(baud);
        return new Fix(
                String.format(Locale.ROOT, "baud-%.0f", baud.hertz()),
                Fact.of("fix.baud").with("part", placed.part().name()).with("baud", Math.round(baud.hertz())),
                Fact.of("fix.baud.cost").with("error", made.error()),
                List.of(new SetSetting(line.node().node().id(), placed.id(), Settings.BAUD, Engineering.bare(baud))));
    }
}
