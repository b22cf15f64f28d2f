package inkel.core.io.catalog;

import inkel.core.catalog.PinUse;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Reads a list of pins as a builder types or pastes it: one a line, or all in one line, each a label and perhaps what
 * the pin is. What is not told is guessed from the label.
 */
public final class PinList {
    private static final Map<PinUse, List<String>> USUAL = Map.ofEntries(
            Map.entry(PinUse.GROUND, List.of("GND", "G", "VSS", "-", "GROUND", "0V")),
            Map.entry(PinUse.SUPPLY, List.of("VCC", "VDD", "VIN", "V+", "+", "5V", "3V3", "3.3V", "VM", "VBAT", "VS")),
            Map.entry(PinUse.SPI_SCK, List.of("SCK", "SCLK")),
            Map.entry(PinUse.SPI_MOSI, List.of("MOSI", "DIN", "SDI", "DI")),
            Map.entry(PinUse.SPI_MISO, List.of("MISO", "SDO", "DO")),
            Map.entry(PinUse.SPI_CS, List.of("CS", "CSN", "NSS", "SS", "CE0")),
            Map.entry(PinUse.I2C_SDA, List.of("SDA")),
            Map.entry(PinUse.I2C_SCL, List.of("SCL")),
            Map.entry(PinUse.UART_TX, List.of("TX", "TXD")),
            Map.entry(PinUse.UART_RX, List.of("RX", "RXD")),
            Map.entry(PinUse.INTERRUPT, List.of("INT", "IRQ", "ECHO", "INT1", "INT2", "DRDY")),
            Map.entry(PinUse.ANALOG, List.of("AO", "AOUT", "X", "Y", "Z")),
            Map.entry(PinUse.PWM, List.of("PWM", "SIG", "PWMA", "PWMB")),
            Map.entry(PinUse.OUTPUT, List.of("OUT", "DATA", "DOUT", "DQ")),
            Map.entry(PinUse.NONE, List.of("NC", "N/C", "COM", "NO")));
    private static final int MOST = 200;

    private PinList() {}

    /** A pin of the list. */
    public record Item(String label, PinUse use) {}

    /** The pins in the order of the text; at most {@value #MOST}, which no part on a bench exceeds. */
    public static List<Item> parse(String text) {
        List<Item> items = new ArrayList<>();
        boolean isOneALine = text.strip().contains("\n") || text.contains(":");
        for (String chunk : text.split(isOneALine ? "[\\r\\n;]+" : "[\\s,;|]+")) {
            String line = chunk.strip();
            if (!line.isEmpty() && items.size() < MOST) {
                items.add(item(line));
            }
        }
        return items;
    }

    private static Item item(String line) {
        String[] parts = line.split("[:,\\s]+", 2);
        // A place in front of the label is of no use: the order of the list tells it.
        if (parts.length == 2 && parts[0].matches("\\d{1,2}[.)]?") && !parts[1].isBlank()) {
            return item(parts[1].strip());
        }
        String label = parts[0];
        return new Item(label, parts.length == 2 ? role(parts[1]).orElseGet(() -> guess(label)) : guess(label));
    }

    /** A role as it is written in files, or its last word alone: {@code i2c.sda}, {@code sda}, {@code interrupt}. */
    public static Optional<PinUse> role(String text) {
        String word = text.strip().toLowerCase(Locale.ROOT);
        for (PinUse use : PinUse.values()) {
            if (use.text().equals(word) || use.text().endsWith("." + word)) {
                return Optional.of(use);
            }
        }
        return Optional.empty();
    }

    /** What a pin with this label usually is; an input when nothing is known. */
    public static PinUse guess(String label) {
        String upper = label.toUpperCase(Locale.ROOT);
        return USUAL.entrySet().stream()
                .filter(entry -> entry.getValue().contains(upper))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(PinUse.INPUT);
    }

    /** The list as text that {@link #parse} reads back. */
    public static String print(List<Item> items) {
        StringBuilder text = new StringBuilder();
        items.forEach(item ->
                text.append(item.label()).append(": ").append(item.use().text()).append('\n'));
        return text.toString();
    }
}
