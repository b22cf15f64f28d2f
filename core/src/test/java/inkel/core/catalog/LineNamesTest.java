package inkel.core.catalog;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Where a board's lines are, by the names that wiring tables use for them. */
class LineNamesTest {
    private static String at(String board, String name) {
        Optional<Pin> pin = CATALOG.get(board).pinCalled(name);
        return pin.map(Pin::label).orElse("-");
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            textBlock =
                    """
            board-classic-5v,   A4,   A5,   D13,  D11,  D12,  D10,  D1,  D0
            board-big-5v,       D20,  D21,  D52,  D51,  D50,  D53,  D1,  D0
            board-native-usb,   D2,   D3,   D15,  D16,  D14,  -,    TXO, RXI
            board-wireless-3v3, D21,  D22,  D18,  D23,  D19,  D5,   D17, D16
            board-dual-core-3v3, GP4, GP5,  GP18, GP19, GP16, GP17, GP0, GP1
            chip-28pin,         PC4,  PC5,  -,    -,    -,    -,    PD1, PD0
            """)
    void aLineIsWherePeopleLookForIt(
            String board,
            String sda,
            String scl,
            String sck,
            String mosi,
            String miso,
            String ss,
            String tx,
            String rx) {
        assertEquals(
                sda + " " + scl + " " + sck + " " + mosi + " " + miso + " " + ss + " " + tx + " " + rx,
                at(board, "SDA") + " " + at(board, "scl") + " " + at(board, "SCK") + " " + at(board, "MOSI") + " "
                        + at(board, "MISO") + " " + at(board, "SS") + " " + at(board, "TX") + " " + at(board, "RX"));
    }

    /** Two pins of one bus select parts on the computer, and a part has no lines of a board. */
    @ParameterizedTest
    @CsvSource({"computer-40pin, SS", "packet-radio, SDA", "board-classic-5v, SDL"})
    void whatCanBeSeveralOrNoneIsNoPin(String cls, String name) {
        assertEquals("-", at(cls, name));
    }
}
