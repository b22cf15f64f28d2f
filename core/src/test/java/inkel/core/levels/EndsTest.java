package inkel.core.levels;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Between;
import inkel.core.document.Extras;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.formula.LevelCheck;
import inkel.core.formula.Verdict;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What is wrong only when both supplies are at their ends is to be looked at; what usually is wrong is to be stopped for. */
class EndsTest {
    private static LevelCheck check(double high, double low, double vih, double vil, double bears) {
        return new LevelCheck(
                Voltage.ofVolts(high),
                Voltage.ofVolts(high),
                Voltage.ofVolts(low),
                Voltage.ofVolts(vih),
                Voltage.ofVolts(vil),
                Voltage.ofVolts(bears),
                Optional.empty(),
                Voltage.ofVolts(5));
    }

    private static final LevelCheck FINE = check(5, 0, 3, 1.5, 5.3);

    @Test
    void aClampBearsSixTenthsAtTheEnds() {
        assertTrue(check(5.6, 0, 3, 1.5, 5.0).isOnlyAtTheEnds(FINE));
        assertFalse(check(5.61, 0, 3, 1.5, 5.0).isOnlyAtTheEnds(FINE));
        LevelCheck usuallyHarms = check(5.31, 0, 3, 1.5, 5.3);
        assertEquals(Verdict.HARMS, usuallyHarms.verdict());
        assertFalse(check(5.5, 0, 3, 1.5, 5.0).isOnlyAtTheEnds(usuallyHarms));
        assertFalse(FINE.isOnlyAtTheEnds(FINE), "nothing is wrong at all");
    }

    @Test
    void whatIsUsuallyReadIsNotReadOnlyAtTheEnds() {
        LevelCheck notRead = check(2.9, 0, 3.15, 1.5, 5.3);
        assertEquals(Verdict.NOT_READ, notRead.verdict());
        assertTrue(notRead.isOnlyAtTheEnds(check(3.0, 0, 3.0, 1.5, 5.3)), "just read counts as read");
        assertFalse(notRead.isOnlyAtTheEnds(check(2.99, 0, 3.0, 1.5, 5.3)));
        assertFalse(notRead.isOnlyAtTheEnds(check(3.2, 1.51, 3.0, 1.5, 5.3)), "its low is not");
    }

    /** A port gives up to 5.25 V; a buzzer on a wall supply of its own may have 4.9 V, and bears 0.3 V more. */
    private static Builds twoFives() {
        return Builds.classic()
                .part("wall", "wall-supply-5v")
                .part("beep", "buzzer", "VCC=wall.+")
                .wire("beep.S", "board.D7");
    }

    private static Builds with(Between piece) {
        return twoFives().between(piece);
    }

    private static Between series(double ohms) {
        return new Between.Series(end("beep.S"), Resistance.ofOhms(ohms), Optional.empty(), Extras.NONE);
    }

    @Test
    void twoSuppliesOfOneKindAreToBeLookedAt() throws Exception {
        Finding finding = RuleKit.firesAt(twoFives(), "levels.harms", "beep.S");
        assertEquals(Severity.LOOK, finding.severity());
        assertEquals("levels.harms.ends", finding.sentence().key());
        assertEquals(5.25 - 4.9 - 0.3, finding.evidence().get(2).value().si(), 1e-9);
        List<String> ids = finding.fixes().stream().map(Fix::id).toList();
        assertEquals("series", ids.get(0));
        assertEquals("accept", ids.get(ids.size() - 1));
        RuleKit.waysOut(
                twoFives(),
                "levels.harms",
                "series",
                "run-at-other-supply",
                "divide",
                "buffer-new",
                "exchange-board",
                "accept");
    }

    /** 0.05 V over a milliampere: 50 Ω are enough. */
    @Test
    void aResistorOrLeavingItSettlesThat() {
        RuleKit.quiet(with(series(50)), "levels.harms");
        RuleKit.fires(with(series(49)), "levels.harms");
        RuleKit.quiet(with(new Between.Nothing(end("beep.S"), "it is short", Extras.NONE)), "levels.harms");
    }

    @Test
    void whatUsuallyHarmsIsStoppedForAndNotSettled() {
        Builds sonar = Builds.on("board-dual-core-3v3")
                .part("sonar", "distance-ultrasonic", "VCC=usb.5V")
                .wire("sonar.ECHO", "board.GP3");
        Finding finding = RuleKit.firesAt(sonar, "levels.harms", "sonar.ECHO");
        assertEquals(Severity.STOP, finding.severity());
        assertEquals("levels.harms", finding.sentence().key());
        RuleKit.fires(sonar.between(new Between.Nothing(end("sonar.ECHO"), "no", Extras.NONE)), "levels.harms");
    }

    /** A rail that may rise a little above what a part works at does no damage; one above its limit does. */
    @Test
    void aSupplyIsStoppedForWhereItDamages() {
        Builds outside = Builds.classic().part("bench", "bench-supply").part("eyes", "infrared-receiver", "VS=bench.+");
        Finding high = RuleKit.firesAt(outside.setting("bench", "volts", "5.8 V"), "parts.supply_too_high", "eyes");
        assertEquals(Severity.LOOK, high.severity());
        Finding damages = RuleKit.firesAt(outside.setting("bench", "volts", "9 V"), "parts.supply_too_high", "eyes");
        assertEquals(Severity.STOP, damages.severity());
    }

    /** The board's rail is 3.3 V and may be 3.2 V at its end. */
    @Test
    void aSupplyThatIsUsuallyEnoughIsToBeLookedAt() {
        Builds part = Builds.classic()
                .part("eyes", "infrared-receiver", "VS=board.3V3")
                .figure("eyes", "supply/VS/max", "5.5 V")
                .figure("eyes", "supply/VS/min", "3.3 V");
        assertEquals(Severity.LOOK, RuleKit.fires(part, "parts.supply_too_low").severity());
        Finding tooLow = RuleKit.fires(part.figure("eyes", "supply/VS/min", "3.4 V"), "parts.supply_too_low");
        assertEquals(Severity.STOP, tooLow.severity());
    }
}
