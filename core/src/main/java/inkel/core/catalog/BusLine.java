package inkel.core.catalog;

/** A line of a bus, named as the board's ability lists it. */
public enum BusLine {
    SCK(Ability.Kind.SPI),
    MOSI(Ability.Kind.SPI),
    MISO(Ability.Kind.SPI),
    SDA(Ability.Kind.I2C),
    SCL(Ability.Kind.I2C);

    private final Ability.Kind bus;

    BusLine(Ability.Kind bus) {
        this.bus = bus;
    }

    public Ability.Kind bus() {
        return bus;
    }

    /** The name behind the point of an ability: {@code sck}. */
    public String line() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }
}
