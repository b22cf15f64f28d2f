package inkel.app.words;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ListsTest {
    @ParameterizedTest
    @CsvSource({"SCK, SCK", "SCK MOSI, SCK and MOSI", "SCK MOSI SDA, 'SCK, MOSI and SDA'"})
    void severalAreToldAsPeopleTellThem(String of, String told) {
        assertEquals(told, Words.show(List.of(of.split(" "))));
    }
}
