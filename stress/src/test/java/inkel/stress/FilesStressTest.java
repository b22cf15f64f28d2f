package inkel.stress;

import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Files that were spoilt, and saves that were killed. */
class FilesStressTest extends StressTest {
    static Stream<String> names() {
        return names(true);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("names")
    void nothingBreaks(String name) throws Exception {
        hold(name);
    }
}
