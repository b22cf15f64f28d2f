package inkel.stress;

import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What a builder does, however odd: edits, ways out, windows, kills. */
class UseStressTest extends StressTest {
    static Stream<String> names() {
        return names(false);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("names")
    void nothingBreaks(String name) throws Exception {
        hold(name);
    }
}
