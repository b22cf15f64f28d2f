package inkel.core.checks;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.finding.RuleInfo;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The electrical model's page says of every code how grave it is, and why. */
class SeveritiesTest {
    private static final Pattern ROW = Pattern.compile("\\| `([a-z0-9_.]+)` \\| (stop|look|note) \\| [^|]{3,} \\|");

    @Test
    void thePageTellsEveryCode() throws IOException {
        Map<String, String> told = new TreeMap<>();
        for (String line : Files.readAllLines(Path.of("..", "docs", "electrics.md"))) {
            Matcher row = ROW.matcher(line);
            if (row.matches()) {
                told.put(row.group(1), row.group(2));
            }
        }
        Map<String, String> are = new TreeMap<>();
        for (RuleInfo info : RuleBook.infos()) {
            are.put(info.code(), info.severity().name().toLowerCase(Locale.ROOT));
        }
        told.remove("inkel.rule_failed");
        are.remove("inkel.rule_failed");
        assertEquals(are, told);
    }
}
