package inkel.app.csv;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CsvTest {
    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = ';',
            textBlock =
                    """
            =1+1             ; '''=1+1'
            @SUM(A1)         ; '''@SUM(A1)'
            +cmd             ; '''+cmd'
            -cmd|' /C calc'  ; '''-cmd|'' /C calc'''
            -                ; '''-'
            -0.25            ; -0.25
            +3.3e-9          ; +3.3e-9
            1.5              ; 1.5
            Board D4         ; Board D4
            a=b              ; a=b
            """)
    void nothingIsAFormula(String cell, String written) {
        assertEquals(written, Csv.harmless(cell));
    }
}
