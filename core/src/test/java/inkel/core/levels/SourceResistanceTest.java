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

    /** 100 kΩ beside 11 kΩ are 9.91 kΩ, beside 11.2 kΩ 10.07 kΩ: 10 kΩ of the series will do. */
    @Test
    void aResistanceAloneCountsWithTheOneAboveIt() throws Exception {
        RuleKit.quiet(light(11_000), CODE);
        Finding finding = RuleKit.fires(light(11_200), CODE);
        assertEquals(10_071.9, finding.evidence().get(0).value().si(), 0.1);
        assertEquals(
                Resistance.ofOhms(10e3), finding.fixes().get(0).title().values().get("value"));
        RuleKit.everyWayOut(light(11_200), CODE);
    }

    /** A knob has a voltage of its own, whatever stands beside its wire. */
    @Test
    void aVoltageIsJudgedAsBeforeWithAResistorBesideIt() {
        Builds weak = knob().between(new Between.PulledUp(end("knob.OUT"), Resistance.ofOhms(10e3), Extras.NONE));
        RuleKit.quiet(weak, CODE);
        assertEquals(1, weak.assess().reports().levels().analog().size());
    }

    private static Builds light(double ohms) {
        return Builds.classic()
                .part("eye", "light-resistor-legs")
                .wire("eye.A", "board.A0")
                .between(new Between.PulledUp(end("eye.A"), Resistance.ofOhms(ohms), Extras.NONE));
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
