package inkel.core.levels;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.document.Between;
import inkel.core.document.Extras;
import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Resistance;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A knob of 10 kΩ gives its voltage through a quarter of that in its middle; the classic board reads behind 10 kΩ. */
class SourceResistanceTest {
    private static final String CODE = "adc.source_resistance";

    private static Builds knob() {
        return Builds.classic().part("knob", "knob", "VCC=board.5V").wire("knob.OUT", "board.A0");
    }

    private static Between series(double ohms, Optional<Capacitance> capacitor) {
        return new Between.Series(end("knob.OUT"), Resistance.ofOhms(ohms), capacitor, Extras.NONE);
    }

    @Test
    void aKnobAloneIsRead() {
        RuleKit.quiet(knob(), CODE);
    }

    @Test
    void theLimitItselfWillDo() throws Exception {
        RuleKit.quiet(knob().between(series(7500, Optional.empty())), CODE);
        Builds over = knob().between(series(7510, Optional.empty()));
        Finding finding = RuleKit.fires(over, CODE);
        assertEquals(10_010, finding.evidence().get(0).value().si(), 1e-9);
        RuleKit.everyWayOut(over, CODE);
    }

    @Test
    void aCapacitorAtThePinHoldsTheVoltage() {
        RuleKit.quiet(knob().between(series(100_000, Optional.of(Capacitance.ofFarads(100e-9)))), CODE);
    }

    /** (2.5 + 47) kΩ beside 47 kΩ: 24.1 kΩ. A tenth of both is enough. */
    @Test
    void aDividerCountsWithBothItsHalves() throws Exception {
        Builds divided = knob().between(new Between.Divider(
                end("knob.OUT"), Resistance.ofOhms(47_000), Resistance.ofOhms(47_000), Extras.NONE));
        Finding finding = RuleKit.fires(divided, CODE);
        assertEquals(49.5 * 47 / 96.5 * 1000, finding.evidence().get(0).value().si(), 1e-6);
        RuleKit.everyWayOut(divided, CODE);
        // With a capacitor at the pin it may be as large as it likes.
        RuleKit.quiet(
                knob().between(new Between.Divider(
                        end("knob.OUT"),
                        Resistance.ofOhms(47_000),
                        Resistance.ofOhms(47_000),
                        Optional.of(Capacitance.ofFarads(100e-9)),
                        Extras.NONE)),
                CODE);
    }
}
