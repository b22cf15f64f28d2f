package inkel.core.power.rules;

import inkel.core.catalog.Settings;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Fix;
import inkel.core.power.BurstReport;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;

/** A capacitor across a part that pulls in bursts. */
final class BurstFixes {
    private BurstFixes() {}

    /** Empty when no capacitor helps, or when nothing is missing. */
    static Optional<Fix> capacitor(BurstReport burst) {
        if (burst.excess().amperes() <= 0) {
            return Optional.empty();
        }
        return burst.wanted().flatMap(value -> burst.wantedRating().map(rating -> fix(burst, value, rating)));
    }

    private static Fix fix(BurstReport burst, Capacitance value, Voltage rating) {
        return new Fix(
                "capacitor-" + burst.placed().id(),
                Fact.of("fix.capacitor")
                        .with("value", value)
                        .with("rating", Engineering.print(rating))
                        .with("part", burst.placed().part().name()),
                Fact.of("fix.capacitor.cost"),
                List.of(new SetSetting(
                        burst.node().node().id(),
                        burst.placed().id(),
                        Settings.CAPACITOR,
                        Engineering.print(value.farads(), inkel.core.quantity.Unit.FARAD, 4))));
    }
}
