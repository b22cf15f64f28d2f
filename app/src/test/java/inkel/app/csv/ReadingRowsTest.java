package inkel.app.csv;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ReadingRowsTest {
    private static List<String> times(String table) {
        ReadingRows read = ReadingRows.of(table);
        assertEquals(Optional.empty(), read.problem());
        return read.rows().stream().map(row -> row.at()).toList();
    }

    /** A reading whose day is passed over would be one of today. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "at,place,value|2026-05-09,a.b,1 V|2026-05-09",
                "When,Place,Value|2026-05-09,a.b,1 V|2026-05-09",
                "Date;Place;Value|9.5.2026 17:05;a.b;1 V|9.5.2026 17:05",
                "place,value,date,time|a.b,1 V,2026-05-09,17:05|2026-05-09 17:05",
            })
    void theDayHasMoreThanOneName(String head, String row, String at) {
        assertEquals(List.of(at), times(head + "\n" + row + "\n"));
    }

    @Test
    void aTableThatSaysNoTimeHasNone() {
        assertEquals(List.of(""), times("place,value\na.b,1 V\n"));
    }

    @Test
    void aTableWithoutPlacesOrValuesIsNone() {
        assertEquals(
                "brought.bad_head",
                ReadingRows.of("place,unit\na.b,V\n").problem().orElseThrow().key());
    }
}
