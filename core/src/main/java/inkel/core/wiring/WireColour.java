package inkel.core.wiring;

import inkel.core.catalog.PinUse;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** Colours that jumper wires come in. Grounds are black and supplies red or orange; signals keep one colour a role. */
public enum WireColour {
    BLACK,
    RED,
    ORANGE,
    YELLOW,
    GREEN,
    BLUE,
    VIOLET,
    BROWN,
    WHITE,
    GREY;

    private static final WireColour[] FREE = {WHITE, BROWN, GREY, VIOLET};

    public String text() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The colour of a word; empty for none, and for another word. */
    public static Optional<WireColour> of(String word) {
        return Arrays.stream(values())
                .filter(colour -> colour.text().equals(word))
                .findFirst();
    }

    /**
     * The colour for a signal.
     *
     * @param order a running number, so that plain signals side by side differ
     */
    static WireColour of(PinUse use, int order) {
        return switch (use) {
            case SPI_SCK, I2C_SCL -> YELLOW;
            case SPI_MOSI, UART_RX -> GREEN;
            case SPI_MISO, UART_TX, I2C_SDA -> BLUE;
            case SPI_CS -> VIOLET;
            default -> FREE[Math.floorMod(order, FREE.length)];
        };
    }
}
