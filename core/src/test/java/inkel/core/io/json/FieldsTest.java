package inkel.core.io.json;

import static org.junit.jupiter.api.Assertions.assertEquals;

import com.fasterxml.jackson.databind.ObjectMapper;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Unit;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FieldsTest {
    private static List<Problem> problems(String json) throws Exception {
        List<Problem> problems = new ArrayList<>();
        Fields fields = new Fields(new ObjectMapper().readTree(json), "", problems);
        double ohms = fields.quantity("series", Unit.OHM, "330 Ω").si();
        // As a reader does whose resistances are above nothing.
        if (ohms <= 0) {
            fields.problem("series", Fact.of("problem.too_small"));
        }
        return problems;
    }

    /** What cannot be read is told once; the stand-in for it is nobody's mistake. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{}                   | ''      | problem.required",
                "{\"series\": null}   | ''      | problem.required",
                "{\"series\": 7}      | /series | problem.expected_text",
                "{\"series\": \"\"}   | /series | problem.expected_value",
                "{\"series\": \"1 V\"}| /series | problem.expected_value",
                "{\"series\": \"0 Ω\"}| /series | problem.too_small"
            })
    void oneProblemForOneField(String json, String place, String key) throws Exception {
        List<Problem> found = problems(json);
        assertEquals(1, found.size(), found.toString());
        assertEquals(place, found.get(0).field());
        assertEquals(key, found.get(0).reason().key());
    }

    @Test
    void whatIsRightIsNoProblem() throws Exception {
        assertEquals(List.of(), problems("{\"series\": \"1 kΩ\"}"));
    }

    /** A missing key is told with those that are not known, once nothing else is asked for. */
    @Test
    void whatStandsInsteadIsTold() throws Exception {
        List<Problem> problems = new ArrayList<>();
        Fields fields = new Fields(
                new ObjectMapper().readTree("{\"kind\": \"series\", \"pin\": \"r.CE\", \"size\": 1}"), "/a", problems);
        fields.text("kind");
        fields.text("signal");
        fields.extras();
        assertEquals(
                List.of(new Problem(
                        0,
                        "/a",
                        Fact.of("problem.required_beside")
                                .with("key", "signal")
                                .with("unknown", List.of("pin", "size")))),
                problems);
        // Without any it is only missing, and what another object lacks is not told here.
        List<Problem> plain = new ArrayList<>();
        new Fields(new ObjectMapper().readTree("{}"), "/b", plain).text("signal");
        Fields other = new Fields(new ObjectMapper().readTree("{\"x\": 1}"), "/c", plain);
        other.extras();
        assertEquals(List.of(new Problem(0, "/b", Fact.of("problem.required").with("key", "signal"))), plain);
    }
}
