package inkel.core.calc;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is answered up to its limit, what is refused past it, and which key the refusal names. */
class ImpossibleTest {
    private static Map<String, Object> answer(String call) throws CalcRefused {
        Map<String, String> given = new LinkedHashMap<>();
        Arrays.stream(call.split(" ")).skip(1).forEach(word -> {
            int at = word.indexOf('=');
            given.put(word.substring(0, at), word.substring(at + 1));
        });
        return Calculator.answer(call.split(" ")[0], given);
    }

    @ParameterizedTest(name = "{1} is refused for {2}")
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            servo min_us=500 max_us=2500 min_angle=0 max_angle=180 angle=0 f=50 | servo min_us=500 max_us=2500 min_angle=0 max_angle=180 angle=-0.1 f=50 | angle
            servo min_us=500 max_us=2500 min_angle=0 max_angle=180 angle=180 f=50 | servo min_us=500 max_us=2500 min_angle=0 max_angle=180 angle=180.1 f=50 | angle
            servo min_us=500 max_us=2500 min_angle=0 max_angle=1 angle=1 f=50 | servo min_us=500 max_us=2500 min_angle=1 max_angle=1 angle=1 f=50 | max_angle
            servo min_us=500 max_us=2500 min_angle=0 max_angle=1 angle=1 f=50 | servo min_us=500 max_us=2500 min_angle=2 max_angle=1 angle=1 f=50 | max_angle
            servo min_us=500 max_us=2500 min_angle=0 max_angle=1 angle=1 f=400 | servo min_us=500 max_us=2500 min_angle=0 max_angle=1 angle=1 f=401 | f
            line x1=0 y1=0 x2=1 y2=1 x=0 | line x1=0 y1=0 x2=0 y2=1 x=0 | x2
            line x1=0 y1=0 x2=1 y2=1 x3=2 y3=0 x=0 | line x1=0 y1=0 x2=1 y2=1 x3=0.5 y3=0 x=0 | x3
            colour samples=120,80,0 | colour samples=120,80,-1 | samples
            colour samples=120,80,60 | colour samples=120,80 | samples
            colour samples=120,80,60;1,2,3 | colour samples=120,80,60;1,2,3,4 | samples
            distance echo_s=1ms temperature_c=200 | distance echo_s=1ms temperature_c=200.1 | temperature_c
            distance echo_s=1ms temperature_c=-100 | distance echo_s=1ms temperature_c=-100.1 | temperature_c
            ir pulses=9000,2250,562 | ir pulses=9000,0,562 | pulses
            rc-filter r=1k c=1u f=490 duty=1 v=5V | rc-filter r=1k c=1u f=490 duty=1.01 v=5V | duty
            i2c-pullup vdd=5 cb=100p iol=1mA | i2c-pullup vdd=5 cb=100p iol=0 | iol
            i2c-pullup vdd=0.41 cb=100p vol=0.4 | i2c-pullup vdd=0.4 cb=100p vol=0.4 | vdd
            divider r1=1k r2=2k vin=5V | divider r2=2k vin=5V | r1
            steinhart t1=-273.1 r1=30k t2=25 r2=10k t3=60 r3=3k r=10k | steinhart t1=-273.15 r1=30k t2=25 r2=10k t3=60 r3=3k r=10k | t1
            """)
    void upToTheLimitAndNotPastItByName(String answered, String refused, String key) throws CalcRefused {
        assertTrue(answer(answered).size() > 0);
        assertEquals(
                key,
                assertThrows(CalcRefused.class, () -> answer(refused))
                        .reason()
                        .values()
                        .get("key"));
    }

    @Test
    void aBentLineOfThreeCornersBendsInTheMiddle() throws CalcRefused {
        Map<String, Object> answer = answer("line x1=0 y1=0 x2=10 y2=10 x3=20 y3=0 x=15");
        assertEquals(5.0, answer.get("y"));
        assertEquals(-1.0, answer.get("slope"));
        assertEquals(20.0, answer.get("offset"));
    }

    @Test
    void nineCornersAndNotATenth() throws CalcRefused {
        StringBuilder call = new StringBuilder("line");
        for (int i = 1; i <= 9; i++) {
            call.append(" x")
                    .append(i)
                    .append('=')
                    .append(i)
                    .append(" y")
                    .append(i)
                    .append('=')
                    .append(i * i);
        }
        assertEquals(72.5, answer(call + " x=8.5").get("y"), "between 64 and 81");
        assertThrows(CalcRefused.class, () -> answer(call + " x10=10 y10=100 x=8.5"));
    }

    @Test
    void lettersOfEitherSort() throws CalcRefused {
        assertEquals(7, answer("text message=gate").get("alphabet_bits"));
        assertEquals(16, answer("text message=ж").get("alphabet_bits"));
    }
}
