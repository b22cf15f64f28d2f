package inkel.core.catalog;

import java.util.Optional;

/** What a pin is for, seen from the part that carries it. The text is the one in the catalogue files. */
public enum PinUse {
    GROUND("ground"),
    SUPPLY("supply"),
    /** Gives power to others; see {@link Output}. */
    RAIL("rail"),
    /** Asks for nothing, but offers its abilities to others: a board pin, a driver channel. */
    OFFER("offer"),
    NONE("none"),
    SPI_SCK("spi.sck"),
    SPI_MOSI("spi.mosi"),
    SPI_MISO("spi.miso"),
    SPI_CS("spi.cs"),
    I2C_SDA("i2c.sda"),
    I2C_SCL("i2c.scl"),
    /** The part talks here; the board listens. */
    UART_TX("uart.tx"),
    UART_RX("uart.rx"),
    /** A plain input of the part, driven by the board. */
    INPUT("input"),
    /** A plain output of the part, read by the board. */
    OUTPUT("output"),
    /** One wire on which both sides talk by turns, each pulling it low. */
    DATA("data-two-way"),
    /** An output whose pulses the board must measure or answer at once. */
    INTERRUPT("interrupt"),
    /** An input that wants timed pulses. */
    PWM("pwm"),
    /** A voltage that the board must convert. */
    ANALOG("analog"),
    /** Takes a steady voltage from a knob or a converter, as the contrast of a display does. */
    BIAS("bias"),
    /** One lead of something without electronics of its own: a winding, a bridge of resistors. */
    LEAD("lead"),
    /** One of the two wires that carry a signal from table to table; see {@link LinePair}. */
    LINE("line"),
    /** One side of a way through a level shifter. */
    WAY("way"),
    /** The input of a way that leads in one direction only. */
    WAY_IN("way-in"),
    WAY_OUT("way-out");

    private final String text;

    PinUse(String text) {
        this.text = text;
    }

    public String text() {
        return text;
    }

    public static Optional<PinUse> parse(String text) {
        for (PinUse use : values()) {
            if (use.text.equals(text)) {
                return Optional.of(use);
            }
        }
        return Optional.empty();
    }

    /** Whether the pin is a signal that has to be wired to somebody's pin. */
    public boolean isSignal() {
        return switch (this) {
            case GROUND, SUPPLY, RAIL, OFFER, NONE, LINE, WAY, WAY_IN, WAY_OUT -> false;
            default -> true;
        };
    }

    /** Whether it is a line of SPI that the board drives. */
    public boolean isSpiToPart() {
        return this == SPI_SCK || this == SPI_MOSI || this == SPI_CS;
    }

    /** Whether it is one side of a way that matches levels. */
    public boolean isWay() {
        return this == WAY || this == WAY_IN || this == WAY_OUT;
    }

    /** Whether the part drives the wire: the other end listens. On I2C, and on one wire for both ways, both do. */
    public boolean drives() {
        return switch (this) {
            case SPI_MISO, UART_TX, OUTPUT, INTERRUPT, ANALOG, DATA, I2C_SDA, I2C_SCL -> true;
            default -> false;
        };
    }

    /** Whether the part listens on the wire. */
    public boolean listens() {
        return switch (this) {
            case SPI_SCK, SPI_MOSI, SPI_CS, UART_RX, INPUT, PWM, BIAS, DATA, I2C_SDA, I2C_SCL -> true;
            default -> false;
        };
    }

    public boolean isTwoWay() {
        return drives() && listens();
    }

    /** Whether it is one of the two data pins of a serial port. */
    public boolean isSerial() {
        return this == UART_TX || this == UART_RX;
    }

    /** The bus whose wire several parts may share, if any. */
    public Optional<BusLine> sharedLine() {
        return switch (this) {
            case SPI_SCK -> Optional.of(BusLine.SCK);
            case SPI_MOSI -> Optional.of(BusLine.MOSI);
            case SPI_MISO -> Optional.of(BusLine.MISO);
            case I2C_SDA -> Optional.of(BusLine.SDA);
            case I2C_SCL -> Optional.of(BusLine.SCL);
            default -> Optional.empty();
        };
    }

    /** What it belongs to, as a stable text: {@code spi}, {@code i2c}, {@code uart}, {@code supply}, {@code digital}. */
    public String family() {
        return switch (this) {
            case SPI_SCK, SPI_MOSI, SPI_MISO, SPI_CS -> "spi";
            case I2C_SDA, I2C_SCL -> "i2c";
            case UART_RX, UART_TX -> "uart";
            case PWM -> "pwm";
            case ANALOG, BIAS -> "analog";
            case GROUND -> "ground";
            case SUPPLY, RAIL -> "supply";
            default -> "digital";
        };
    }
}
