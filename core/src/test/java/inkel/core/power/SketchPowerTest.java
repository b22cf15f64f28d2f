package inkel.core.power;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.checks.Assessment;
import inkel.core.document.Place;
import inkel.core.finding.Evidence;
import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The power faults of the badly sketched example, with their numbers worked by hand. */
class SketchPowerTest {
    private static final Assessment SKETCH = Assessment.assess(Builds.firstSketch(), CATALOG);

    /*
     * Lower lock, board 5V: radio 14, driver 10, gate-lower 750, handset 5, two displays 240, level 20, modem 2000 mA:
     * 3039 mA of 500. Port: those, the board's own 60, the reader's 100 through the small regulator and its own 1:
     * 3200 mA. Board 3V3: the reader alone, 100 mA of 50.
     * Pump house, board 3V3: radio 14, modem 2000, bridge 350, temperature 1.5, display 30, climate 1.5 mA = 2397 mA.
     * Servo: 750 mA; the others leave nothing of the 500 mA.
     * Modem burst: 2 A, the rail has nothing left (others 1039 mA), from 4.75 V to 3.4 V it may fall 1.35 V.
     */
    @ParameterizedTest(name = "{0} at {1}: {2} = {3}")
    @CsvSource({
        "power.rail_peak,        lower-lock/board.5V,   peak,         3.039",
        "power.rail_peak,        lower-lock/board.5V,   short_by,     2.539",
        "power.source_over,      lower-lock/usb.5V,     peak,         3.200",
        "power.rail_peak,        lower-lock/board.3V3,  peak,         0.100",
        "power.rail_peak,        lower-lock/board.3V3,  rating,       0.050",
        "power.rail_peak,        pump-house/board.3V3,  rating,       0.300",
        "power.servo_from_board, lower-lock/gate-lower, servos_take,  0.750",
        "power.servo_from_board, lower-lock/gate-lower, servo_limit,  0",
        "power.burst_droop,      lower-lock/modem,      excess,       2.0",
        "power.burst_droop,      lower-lock/modem,      may_fall,     1.35",
        "power.wire_drop,        lower-lock/modem.VCC,  contact_limit, 1"
    })
    void aFaultHasItsNumber(String code, String place, String key, double value) {
        Finding finding = SKETCH.findings().stream()
                .filter(one -> one.code().equals(code) && one.place().toString().equals(place))
                .findFirst()
                .orElseThrow(() -> new AssertionError(code + " at " + place));
        double told = finding.evidence().stream()
                .filter(evidence -> evidence.key().equals(key))
                .map(Evidence::value)
                .findFirst()
                .orElseThrow()
                .si();
        assertEquals(value, told, 1e-9);
    }

    /** V_out·I_out/(η·V_in): 3.4 V·2.3972 A/(0.85·4.75 V) and what hangs on the port besides. */
    @org.junit.jupiter.api.Test
    void thePumpHousePortGivesWhatTheSwitchingRegulatorTakes() {
        var node = SKETCH.circuit("pump-house").orElseThrow();
        double out = node.rail(new inkel.core.document.Endpoint("board", "3V3"))
                .orElseThrow()
                .peak()
                .amperes();
        double bus = node.rail(new inkel.core.document.Endpoint("board", "VBUS"))
                .orElseThrow()
                .peak()
                .amperes();
        double own = node.board().cls().peak("USB").amperes();
        double port = node.rail(new inkel.core.document.Endpoint("port", "5V"))
                .orElseThrow()
                .peak()
                .amperes();
        assertEquals(own + bus + 0.001 + 3.4 * out / (0.85 * 4.75), port, 1e-9);
        assertEquals(
                Place.of("pump-house", new inkel.core.document.Endpoint("port", "5V"))
                        .toString(),
                "pump-house/port.5V");
    }
}
