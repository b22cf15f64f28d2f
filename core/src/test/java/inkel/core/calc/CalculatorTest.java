package inkel.core.calc;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CalculatorTest {
    private static Map<String, Object> answer(String call) throws CalcRefused {
        String[] words = call.split(" ");
        Map<String, String> given = new LinkedHashMap<>();
        Arrays.stream(words)
                .skip(1)
                .forEach(
                        word -> given.put(word.substring(0, word.indexOf('=')), word.substring(word.indexOf('=') + 1)));
        return Calculator.answer(words[0], given);
    }

    // Worked by hand: R = (5 − 2)/10 mA = 300 → 330 Ω, I = 3/330, P = 9/330. Divisors: data sheet tables, 16 MHz.
    // Pull-ups: (3.3 − 0.4)/3 mA, 300 ns/(0.8473·100 pF).
    /** A unit that a key names may stand behind the number as well, and a length may be in centimetres. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "servo min_us=500us max_us=2500 µs min_angle=0° max_angle=180° angle=90 f=50Hz|"
                        + "servo min_us=500 max_us=2500 min_angle=0 max_angle=180 angle=90 f=50",
                "reach mhz=2400MHz metres=100m power_dbm=0dBm sensitivity_dbm=-85 dBm|"
                        + "reach mhz=2400 metres=100 power_dbm=0 sensitivity_dbm=-85",
                "wire awg=22 length=30cm i=2A|wire awg=22 length=0.3 i=2A",
                "i2c-pullup vdd=3V3 mode=Fast cb=100p|i2c-pullup vdd=3V3 mode=fast cb=100p",
                "divider vin_min=4.75 vin_max=5.25 vout_max=3.3 vih=2 series=e24|"
                        + "divider vin_min=4.75 vin_max=5.25 vout_max=3.3 vih=2 series=E24",
                "long-range sf=7 bandwidth=125kHz coding=5 payload=20|"
                        + "long-range sf=7 bandwidth=125kHz coding=4/5 payload=20",
            })
    void unitsMayBeSaidTwice(String said, String plain) throws CalcRefused {
        assertEquals(answer(plain.strip()), answer(said.replace(" µs", "µs").replace(" dBm", "dBm")));
    }

    @ParameterizedTest(name = "{0}: {1} = {2}")
    @CsvSource(
            textBlock =
                    """
            radio channel=76 rate=250k address=5 payload=8 check=2, mhz,       2476
            radio channel=76 rate=2M address=5 payload=32 check=2,  airtime_s, 0.0001645
            radio channel=76 rate=2M address=5 payload=32 check=2,  width_mhz, 2
            reach mhz=2450 metres=100 power_dbm=0 sensitivity_dbm=-94, loss_db, 80.223
            reach mhz=2450 metres=100m power_dbm=0 sensitivity_dbm=-94 gains_db=4, margin_db, 17.77668
            long-range sf=7 bandwidth=125kHz coding=4/5 payload=10, airtime_s, 0.041216
            long-range sf=7 bandwidth=125kHz coding=1 payload=10,   sensitivity_dbm, -124.531
            uid hex=DEADBEEF,                        check_byte,    34
            text message=gate:open,                  parts,         1
            text message=gate:open,                  left,          151
            text message=5°,                         alphabet_bits, 16
            uid hex=DEADBEEF,                        bytes,         4
            uid hex=04:11:22:33:44:55:66,            cascade,       2
            led v=5V vf=2.0V i=10mA,                 r_ohm,         330
            led v=5V vf=2.0V i=10mA,                 i_a,           0.0090909
            led v=5V vf=2.0V i=10mA,                 p_w,           0.0272727
            led v=3V3 vf=1V8 i=5mA series=E24,       r_ohm,         300
            uart clock=16MHz baud=9600,              register,      103
            uart clock=16MHz baud=9600,              actual_baud,   9615.3846
            uart clock=16MHz baud=9600,              error_percent, 0.160256
            uart clock=16e6 baud=115200 oversample=8, register,     16
            uart clock=16e6 baud=57600 oversample=best, register,   34
            uart clock=16e6 baud=57600 oversample=best, oversample, 8
            i2c-pullup vdd=3V3 mode=fast cb=100p,    r_min_ohm,     966.6667
            i2c-pullup vdd=3V3 mode=fast cb=100p,    r_max_ohm,     3540.6586
            i2c-pullup vdd=5 mode=fastplus cb=100p,  r_min_ohm,     230
            i2c-pullup vdd=5 cb=400p vol=0.4 iol=6mA, r_min_ohm,    766.6667
            regulator vin=9V vout=5V i=200mA theta=65 ambient=25 tj_max=125 iq=6mA, loss_w,     0.854
            regulator vin=9V vout=5V i=200mA theta=65 ambient=25 tj_max=125 iq=6mA, junction_c, 80.51
            regulator vin=9V vout=5V i=200mA theta=65 ambient=25 tj_max=125 iq=6mA, i_max_a,    0.3711154
            bulk i=1.5A t=577us dv=0.4V esr=50m,     c_f,           0.00266307692
            bulk i=1.5A t=577us dv=0.4V esr=50m,     standard_c_f,  0.0033
            wire awg=24 length=1 i=0,                r_ohm,         0.1684167
            wire awg=36 length=1 i=100mA,            drop_v,        0.2721886
            wire awg=26 length=0.3 i=1A contacts=4 contact_ohm=15m, drop_v, 0.1403379
            divider r1=1k r2=2k2 vin=5V c=50p,       vout_max_v,    3.4375
            divider r1=1k r2=2k2 vin=5V c=50p,       source_ohm,    687.5
            divider r1=1k r2=2k2 vin=5V c=50p,       rise_s,        7.5625e-8
            divider r1=1k r2=2k2 vin=5V,             current_a,     0.0015625
            i2c-rise r=4k7 cb=100p,                  rise_s,        3.98231e-7
            battery capacity_ah=2 usable=0.8 average_a=120mA, hours, 13.333333
            battery capacity_ah=500mAh usable=80% average_a=0.1, hours, 4
            timer clock=16MHz bits=16 f=50 pulse=1.5ms, prescaler,  8
            timer clock=16MHz bits=16 f=50 pulse=1.5ms, top,        39999
            timer clock=16MHz bits=16 f=50 pulse=1.5ms, ticks,      3000
            timer clock=16MHz bits=16 f=50,             step_s,     5e-7
            timer clock=16MHz bits=8 f=1kHz,            top,        249
            timer clock=16MHz bits=8 f=440,             prescaler,  256
            timer clock=16MHz bits=8 f=440,             actual_hz,  440.140845
            timer clock=16MHz bits=8 f=440,             error_percent, 0.0320102
            pwm-driver osc=25MHz f=50 pulse=1.5ms,      prescale,   121
            pwm-driver osc=25MHz f=50 pulse=1.5ms,      actual_hz,  50.0288165
            pwm-driver osc=25MHz f=50 pulse=1.5ms,      ticks,      307
            i2c-time clock=100kHz bytes=6 polls=50,     bits,       65
            i2c-time clock=100kHz bytes=6 polls=50,     seconds,    0.00065
            i2c-time clock=100kHz bytes=6 polls=50,     use_percent, 3.25
            i2c-time clock=400kHz bytes=6 restart=yes,  bits,       75
            adc vref=5V bits=10 volts=3.3V,             code,       675
            adc vref=5V bits=10 code=512,               volts,      2.5
            adc vref=5V bits=10 volts=5V,               code,       1023
            dac vref=5V bits=10 volts=3.3V,             code,       676
            dac vref=3V3 bits=8 code=255,               volts,      3.28710938
            dac vref=3V3 bits=8 code=255,               lsb_v,      0.012890625
            levels voh_min=3.1 vol_max=0.2 vih=3.0 vil=1.5 abs_max=5.5 supply=5, high_margin_v, 0.1
            servo min_us=560 max_us=2380 min_angle=0 max_angle=180 angle=90 f=50,  pulse_s,      0.00147
            servo min_us=560 max_us=2380 min_angle=0 max_angle=180 angle=90 f=50,  duty_percent, 7.35
            servo min_us=560 max_us=2380 min_angle=0 max_angle=180 angle=90 f=50,  ticks,        301
            servo min_us=500 max_us=2500 min_angle=-90 max_angle=90 angle=-45 f=50, pulse_s,     0.001
            servo min_us=2400 max_us=600 min_angle=0 max_angle=180 angle=0 f=50,   pulse_s,      0.0024
            line x1=0 y1=600 x2=1023 y2=2340 x=797,                y,      1955.60117
            line x1=0 y1=600 x2=1023 y2=2340 x=797,                slope,  1.70087977
            line x1=0 y1=600 x2=1023 y2=2340 x=797,                offset, 600
            line x1=0 y1=600 x2=100 y2=800 x3=300 y3=2400 x=200,   y,      1600
            line x1=0 y1=600 x2=100 y2=800 x3=300 y3=2400 x=400,   y,      3200
            line x1=0 y1=600 x2=100 y2=800 x3=300 y3=2400 x=400 clip=yes, y, 2400
            rc-filter r=1k c=1u f=1kHz duty=0.5 v=5V,              cutoff_hz, 159.154943
            rc-filter r=1k c=1u f=1kHz duty=0.5 v=5V,              ripple_v,  1.22459331
            rc-filter r=1k c=1u f=1kHz duty=0.5 v=5V,              settle_s,  0.00460517
            rc-filter r=1k c=1u f=1kHz duty=0.5 v=5V stages=2,     cutoff_hz, 59.56201
            rc-filter r=1k c=1u f=1kHz duty=0 v=5V,                ripple_v,  0
            'colour samples=10,20,30;12,20,31;14,20,32',             red_mean,  12
            'colour samples=10,20,30;12,20,31;14,20,32',             red_sd,    2
            'colour samples=10,20,30;12,20,31;14,20,32',             red_low,   6
            'colour samples=10,20,30;12,20,31;14,20,32',             red_high,  18
            'colour samples=10,20,30;12,20,31;14,20,32',             green_sd,  0
            'colour samples=10,20,30;12,20,31;14,20,32',             blue_high, 34
            distance echo_s=5.8ms temperature_c=20,                distance_m, 0.9959180
            distance echo_s=0 temperature_c=-10,                   distance_m, 0
            steinhart r1=32.6k t1=0 r2=10k t2=25 r3=3.6k t3=50 r=10k, temperature_c, 25
            levels voh_min=3.1 vol_max=0.2 vih=3.0 vil=1.5 abs_max=5.5 supply=5, low_margin_v,  1.3
            levels voh_min=3.1 vol_max=0.2 vih=3.0 vil=1.5 abs_max=5.5 supply=5, headroom_v,    2.4
            """)
    void answers(String call, String key, double expected) throws CalcRefused {
        Number value = (Number) answer(call).get(key);
        // Relative, so that answers in ns and pF are held to their digits too; six of them are written above.
        assertEquals(expected, value.doubleValue(), Math.max(1e-18, Math.abs(expected) * 5e-6));
    }

    @ParameterizedTest
    @CsvSource(
            textBlock =
                    """
            voh_min=3.1 abs_max=5.5,             thin
            voh_min=3.4 abs_max=5.5,             fine
            voh_min=2.9 abs_max=5.5,             not read
            voh_min=3.1 voh_max=3.7 abs_max=3.6, harms
            voh_min=3.4 abs_max=5.5 recommended_max=3.3, thin
            """)
    void verdicts(String keys, String expected) throws CalcRefused {
        assertEquals(
                expected,
                answer("levels vol_max=0.2 vih=3.0 vil=1.5 supply=5 " + keys).get("verdict"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            servo min_us=560 max_us=2380 min_angle=0 max_angle=180 angle=181 f=50
            servo min_us=560 max_us=2380 min_angle=90 max_angle=90 angle=90 f=50
            servo min_us=560 max_us=2380 min_angle=0 max_angle=180 angle=180 f=1kHz
            line x1=5 y1=1 x2=5 y2=2 x=5
            line x1=0 y1=1 x2=5 y2=2 x=5 x3=7
            line x1=0 y1=1 x2=5 y2=2 x=5 clip=perhaps
            rc-filter r=1k c=1u f=1kHz duty=1.1 v=5V
            rc-filter r=1k c=1u f=1kHz duty=0.5 v=5V stages=3
            rc-filter r=0 c=1u f=1kHz duty=0.5 v=5V
            colour samples=10,20
            colour samples=10,20,red
            colour samples=
            distance echo_s=-1ms temperature_c=20
            distance echo_s=1ms temperature_c=-300
            steinhart r1=10k t1=25 r2=10k t2=25 r3=3.6k t3=50 r=10k
            steinhart r1=32.6k t1=-300 r2=10k t2=25 r3=3.6k t3=50 r=10k
            """)
    void whatCannotBeIsRefused(String call) {
        assertThrows(CalcRefused.class, () -> answer(call));
    }

    @Test
    void twoStagesAreWhatTheirNetworkDoesStepByStep() throws CalcRefused {
        // The network itself, followed in steps of a thousandth of its period until it repeats.
        double tau = 1e-3;
        double period = 1e-3;
        double step = period / 20_000;
        double first = 0;
        double second = 0;
        double least = 9;
        double most = -9;
        int rounds = 60;
        for (int round = 0; round < rounds; round++) {
            for (int i = 0; i < 20_000; i++) {
                double in = i < 6_000 ? 5 : 0;
                double both = (in - first) / tau - (first - second) / tau;
                second += step * (first - second) / tau;
                first += step * both;
                if (round == rounds - 1) {
                    least = Math.min(least, second);
                    most = Math.max(most, second);
                }
            }
        }
        double found = (double)
                answer("rc-filter r=1k c=1u f=1kHz duty=0.3 v=5V stages=2").get("ripple_v");
        assertEquals(most - least, found, 0.002 * found);
    }

    @Test
    void aChipOnAnAdapterOfAnotherPitch() throws CalcRefused {
        // (10 − 1)/2 · 0.015 mm
        Map<String, Object> fit =
                answer("pitch-fit legs=10 pitch=0.65mm adapter_pads=14 adapter_pitch=0.635mm pad=0.3mm");
        assertEquals(0.0675, (double) fit.get("worst_offset_mm"), 1e-9);
        assertEquals(true, fit.get("fits"));
        assertEquals(fit, answer("pitch-fit legs=10 pitch=0.65 adapter_pads=14 adapter_pitch=0.635 pad=0.3"));
        assertEquals(
                false,
                answer("pitch-fit legs=20 pitch=0.5mm adapter_pads=28 adapter_pitch=0.65mm pad=0.3mm")
                        .get("fits"));
    }

    @Test
    void clocksDividedFramesAndAddresses() throws CalcRefused {
        Map<String, Object> fast = answer("spi-clock source=16MHz dividers=2,4,8,16 limit=10MHz");
        assertEquals(Map.of("clock_hz", 8e6, "divider", 2), fast);
        assertEquals(
                8, answer("spi-clock source=16MHz dividers=2,4,8,16 limit=3MHz").get("divider"));
        Map<String, Object> frame = answer("spi-frame fields=command:4:3,buffered:1:0,code:8:128,padding:3:0");
        assertEquals("0011010000000000", frame.get("bits"));
        assertEquals("0x3400", frame.get("hex"));
        assertEquals(List.of(0x34, 0), frame.get("bytes"));
        assertEquals("0xA8", answer("spi-frame fields=mode:3:5,half:2:1").get("hex"), "filled up with zeros");
        assertEquals("0x0A", answer("spi-frame fields=code:8:010").get("hex"), "a leading nought is no other base");
        assertEquals("0x10", answer("spi-frame fields=code:8:0x10").get("hex"));
        Map<String, Object> address = answer("i2c-address base=0x20 bits=7");
        assertEquals(
                List.of("0x27", "0x4E", "0x4F", false),
                List.of("address", "write8", "read8", "reserved").stream()
                        .map(address::get)
                        .toList());
        assertEquals(true, answer("i2c-address base=0x78 bits=0").get("reserved"));
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            textBlock =
                    """
            uart clock=16MHz,                       calc.missing_key
            uart clock=16MHz baud=fast,             calc.wrong_value
            uart clock=16MHz baud=0,                calc.not_positive
            uart clock=16MHz baud=-9600,            calc.not_positive
            uart clock=16MHz baud=9600 parity=odd,  calc.unknown_key
            uart clock=1kHz baud=9600,              calc.out_of_range
            uart clock=16MHz baud=9600 oversample=4, calc.wrong_value
            led v=2 vf=2 i=10mA,                    calc.out_of_range
            led v=5A vf=2 i=10mA,                   calc.wrong_value
            servo min_us=500ms max_us=2500 min_angle=0 max_angle=180 angle=90 f=50, calc.wrong_value
            i2c-pullup vdd=3V3 mode=slow cb=100p,   calc.wrong_value
            long-range sf=7 bandwidth=125kHz coding=9 payload=20, calc.wrong_value
            i2c-pullup vdd=0.3 cb=100p,             calc.out_of_range
            i2c-pullup vdd=3V3 cb=0,                calc.not_positive
            divider r1=1k vin=5V,                   calc.missing_key
            divider vin_min=3 vin_max=5 vout_max=3.3 vih=2.5, calc.out_of_range
            i2c-rise r=0 cb=100p,                   calc.not_positive
            bulk i=1A t=1ms dv=0.1V esr=0.2,        calc.out_of_range
            battery capacity_ah=2 usable=1.2 average_a=1, calc.out_of_range
            wire awg=80 length=1 i=1,               calc.out_of_range
            regulator vin=9 vout=5 i=-1 theta=65 ambient=25 tj_max=125, calc.not_positive
            timer clock=16MHz bits=8 f=1mHz,        calc.out_of_range
            timer clock=16MHz bits=40 f=50,         calc.out_of_range
            timer clock=16MHz bits=8.5 f=50,        calc.wrong_value
            pwm-driver osc=25MHz f=2kHz,            calc.out_of_range
            spi-clock source=16MHz limit=1MHz,      calc.missing_key
            spi-clock source=16MHz dividers=two limit=1MHz, calc.wrong_value
            spi-frame fields=code:4,                calc.wrong_value
            spi-frame fields=code:4:16,             calc.out_of_range
            i2c-address base=0x78 bits=8,           calc.out_of_range
            i2c-time clock=0 bytes=1,               calc.not_positive
            adc vref=5V bits=10 volts=6V,           calc.out_of_range
            adc vref=5V bits=10 code=1024,          calc.out_of_range
            timer clock=16MHz bits=16 f=50 pulse=-1ms, calc.not_positive
            timer clock=16MHz bits=16 f=50 pulse=21ms, calc.out_of_range
            pwm-driver osc=25MHz f=50 pulse=30ms,   calc.out_of_range
            i2c-time clock=100kHz bytes=6 polls=-5, calc.not_positive
            spi-frame fields=code:4:two,            calc.wrong_value
            spi-frame fields=code:4:1.5,            calc.wrong_value
            flux x=1,                               calc.unknown
            """)
    void refusals(String call, String reason) {
        assertEquals(
                reason,
                assertThrows(CalcRefused.class, () -> answer(call)).reason().key());
    }

    @Test
    void everyExampleWorks() throws CalcRefused {
        for (Calculation calculation : Calculator.all()) {
            answer(calculation.name() + " " + calculation.example());
        }
    }

    /** Whatever is given, the answer is finite or a refusal in words; nothing else is thrown. */
    @Test
    void noCalculationEverThrows() {
        Random random = new Random(20_26);
        String[] values = {
            "0",
            "-1",
            "1",
            "1e-12",
            "1e-300",
            "4.9e-324",
            "1e300",
            "1.7e308",
            "16MHz",
            "20kHz",
            "25MHz",
            "0x40",
            "4k7",
            "100n",
            "3V3",
            "yes",
            "best",
            "1,2,4",
            "",
            "nonsense",
            "255",
            "1e9",
            "0.5",
            "name:3:5"
        };
        int answered = 0;
        for (int i = 0; i < 2_000; i++) {
            Calculation calculation =
                    Calculator.all().get(random.nextInt(Calculator.all().size()));
            Map<String, String> given = new java.util.LinkedHashMap<>();
            for (String word : calculation.example().split(" ")) {
                String key = word.substring(0, word.indexOf('='));
                boolean isKept = random.nextInt(3) > 0;
                given.put(key, isKept ? word.substring(key.length() + 1) : values[random.nextInt(values.length)]);
            }
            for (String key : calculation.keys()) {
                if (random.nextInt(6) == 0) {
                    given.put(key.replace("?", ""), values[random.nextInt(values.length)]);
                }
            }
            try {
                Map<String, Object> answer = Calculator.answer(calculation.name(), given);
                answered++;
                answer.forEach((key, value) -> assertTrue(
                        !(value instanceof Double number) || Double.isFinite(number),
                        () -> calculation.name() + given + ": " + key));
            } catch (CalcRefused refused) {
                assertTrue(refused.reason().key().startsWith("calc."));
            }
        }
        assertTrue(answered > 400, "most are answered: " + answered);
    }

    @ParameterizedTest
    @CsvSource({
        "pwm-driver osc=25MHz f=20kHz",
        "battery capacity_ah=1e300 usable=0.8 average_a=1e-300",
        "battery capacity_ah=2 usable=0.8 average_a=1e-320"
    })
    void whatHasNoAnswerIsRefused(String call) {
        assertThrows(CalcRefused.class, () -> answer(call));
    }

    @Test
    void aVerySmallCurrentLastsVeryLong() throws CalcRefused {
        // 0.8 · 2 Ah / 1 pA
        assertEquals(
                1.6e12,
                (double) answer("battery capacity_ah=2 usable=0.8 average_a=1e-12")
                        .get("hours"),
                1e3);
    }

    @Test
    void theVeryLimits() throws CalcRefused {
        String regulator = "regulator vout=5V i=0.1 theta=65 ambient=25 tj_max=125 dropout=2V vin=";
        assertEquals(true, answer(regulator + "7V").get("regulates"));
        assertEquals(false, answer(regulator + "6.99V").get("regulates"));
        // 0.8473·R·100 pF against 1000, 300 and 120 ns.
        assertEquals(List.of("standard"), answer("i2c-rise r=11.8k cb=100p").get("fits"));
        assertEquals(List.of(), answer("i2c-rise r=11.81k cb=100p").get("fits"));
        assertEquals(
                List.of("standard", "fast"), answer("i2c-rise r=3.54k cb=100p").get("fits"));
        assertEquals(List.of("standard"), answer("i2c-rise r=3.55k cb=100p").get("fits"));
        assertEquals(0L, answer("uart clock=16MHz baud=2MHz oversample=8").get("register"));
        assertThrows(CalcRefused.class, () -> answer("uart clock=16MHz baud=2.01MHz oversample=8"));
        // A pulse may be as long as what it repeats in, and no longer.
        assertEquals(
                4096L,
                answer("pwm-driver osc=25MHz f=50 pulse=20ms").get("ticks"),
                "all of them, though it runs at 50.03 Hz");
        assertThrows(CalcRefused.class, () -> answer("pwm-driver osc=25MHz f=50 pulse=20.1ms"));
        assertThrows(CalcRefused.class, () -> answer("spi-clock source=16MHz dividers=0,2 limit=8MHz"));
        assertEquals(
                1, answer("spi-clock source=16MHz dividers=1,2 limit=16MHz").get("divider"));
    }

    @ParameterizedTest(name = "{0} is answered, {1} is refused")
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            i2c-address base=0x70 bits=0xF      | i2c-address base=0x70 bits=0x10
            wire awg=40 length=1 i=0            | wire awg=41 length=1 i=0
            wire awg=-3 length=1 i=0            | wire awg=-4 length=1 i=0
            adc vref=5V bits=10 volts=0         | adc vref=5V bits=10 volts=-0.001
            adc vref=5V bits=10 volts=5V        | adc vref=5V bits=10 volts=5.001
            adc vref=5V bits=10 code=1023       | adc vref=5V bits=10 code=1024
            battery capacity_ah=2 usable=1 average_a=1 | battery capacity_ah=2 usable=1.01 average_a=1
            divider vin_min=5 vin_max=5 vout_max=3.5 vih=3 | divider vin_min=5.1 vin_max=5 vout_max=3.5 vih=3
            divider vin_min=5 vin_max=5 vout_max=3.5 vih=3 source=1 | divider vin_min=5 vin_max=5 vout_max=3.5 vih=3 source=0
            """)
    void upToTheLimitAndNotPastIt(String answered, String refused) throws CalcRefused {
        assertTrue(answer(answered).size() > 0);
        assertThrows(CalcRefused.class, () -> answer(refused));
    }

    @Test
    void theBestOversamplingAndNoOther() throws CalcRefused {
        // 16 MHz at 57,600: 16 clocks make 58,824 (+2.12 %), 8 make 57,143 (−0.79 %).
        assertEquals(16, answer("uart clock=16MHz baud=57600").get("oversample"));
        assertEquals(16, answer("uart clock=16MHz baud=57600 oversample=16").get("oversample"));
        assertEquals(8, answer("uart clock=16MHz baud=57600 oversample=best").get("oversample"));
    }

    @Test
    void aDividerIsWorkedOutOrLookedForByWhatIsGiven() throws CalcRefused {
        assertThrows(CalcRefused.class, () -> answer("divider r2=1k vin=5V"));
        Map<String, Object> found = answer("divider vin_min=5 vin_max=5 vout_max=3.5 vih=3 c=100p");
        double source = (double) found.get("source_ohm");
        assertEquals(2.2 * source * 100e-12, (double) found.get("rise_s"), 1e-15);
        assertEquals(
                false, answer("divider vin_min=5 vin_max=5 vout_max=3.5 vih=3").containsKey("rise_s"));
    }

    /** (5 V − 2 V)/330 Ω = 9.09 mA, and 27.3 mW in the resistor. */
    @Test
    void aResistorThatIsThere() throws CalcRefused {
        Map<String, Object> answer = Calculator.answer("led", Map.of("v", "5V", "vf", "2V", "r", "330"));
        assertEquals(330.0, answer.get("r_ohm"));
        assertEquals(3.0 / 330, (double) answer.get("i_a"), 1e-12);
        assertEquals(9.0 / 330, (double) answer.get("p_w"), 1e-12);
        assertThrows(
                CalcRefused.class,
                () -> Calculator.answer("led", Map.of("v", "5V", "vf", "2V", "r", "330", "i", "20m")),
                "a resistor and a current cannot both be given");
    }

    @Test
    void allThatIsMissingIsNamedAtOnce() {
        CalcRefused refused = assertThrows(CalcRefused.class, () -> Calculator.answer("led", Map.of()));
        assertEquals("v\", \"vf", refused.reason().values().get("key"));
        CalcRefused current =
                assertThrows(CalcRefused.class, () -> Calculator.answer("led", Map.of("v", "5V", "vf", "2V")));
        assertEquals("i", current.reason().values().get("key"));
    }

    @Test
    void anAnswerHasNoDigitsOfTheMachines() throws CalcRefused {
        // (5 − 2) V at 20 mA: 150 Ω, 20 mA, 60 mW, which comes out as 0.060000000000000005.
        assertEquals(
                0.06,
                Calculator.answer("led", Map.of("v", "5", "vf", "2", "i", "20m"))
                        .get("p_w"));
    }

    @Test
    void answersInWords() throws Exception {
        assertEquals(
                true,
                answer("radio channel=83 rate=1M address=5 payload=8 check=2").get("in_band"));
        assertEquals(
                false,
                answer("radio channel=83 rate=2M address=5 payload=8 check=2").get("in_band"));
        assertEquals(
                "11",
                answer("radio channel=60 rate=2M address=5 payload=8 check=2").get("networks"));
        assertEquals("3735928559", answer("uid hex=DEADBEEF").get("decimal_big"));
        assertEquals("4022250974", answer("uid hex=DEADBEEF").get("decimal_little"));
        assertEquals("BF 44", answer("uid hex=04-11-22-33-44-55-66").get("check_bytes"));
        Map<String, Object> layout = answer("payload fields=level:int,gate:bool,count:uint32 board=32");
        assertEquals("level@0+4 gate@4+1 gap@5+3 count@8+4", layout.get("layout"));
        assertEquals(12, layout.get("bytes"));
        Map<String, Object> key = answer("ir pulses="
                + Calculator.all().stream()
                        .filter(one -> one.name().equals("ir"))
                        .findFirst()
                        .orElseThrow()
                        .example()
                        .replace("pulses=", ""));
        assertEquals("pulse-width", key.get("coding"));
        // Marks long at bits 0, 2, 4 and 7: 21 and 1.
        assertEquals(21, key.get("command"));
        assertEquals(1, key.get("address"));
        assertEquals(false, key.get("repeat"));
        assertEquals(Map.of("coding", "raw"), answer("ir pulses=300,400,500"));
        Map<String, Object> place = answer("sentence "
                + Calculator.all().stream()
                        .filter(one -> one.name().equals("sentence"))
                        .findFirst()
                        .orElseThrow()
                        .example());
        assertEquals(48.1173, place.get("latitude_deg"));
        assertEquals(8, place.get("satellites"));
    }

    @Test
    void whatIsNoTagNoFieldNoRateIsRefused() {
        for (String call : List.of(
                "uid hex=DEADBEE",
                "uid hex=DEADBEEF00",
                "payload fields=level:text board=32",
                "payload fields=level:int board=16",
                "radio channel=126 rate=1M address=5 payload=8 check=2",
                "radio channel=76 rate=3M address=5 payload=8 check=2",
                "long-range sf=5 bandwidth=125k coding=4/5 payload=10",
                "long-range sf=7 bandwidth=125k coding=4/9 payload=10",
                "sentence line=$GPGGA,1*00",
                "ir pulses=600,-600")) {
            assertThrows(CalcRefused.class, () -> answer(call), call);
        }
    }
}
