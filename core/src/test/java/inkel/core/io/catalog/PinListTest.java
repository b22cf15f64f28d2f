package inkel.core.io.catalog;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.catalog.PinUse;
import inkel.core.io.catalog.PinList.Item;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PinListTest {
    private static final List<Item> BUS = List.of(
            new Item("GND", PinUse.GROUND),
            new Item("VCC", PinUse.SUPPLY),
            new Item("SDA", PinUse.I2C_SDA),
            new Item("SCL", PinUse.I2C_SCL));

    @ParameterizedTest
    @ValueSource(
            strings = {
                "GND VCC SDA SCL",
                "GND, VCC, SDA, SCL",
                "GND | VCC | SDA | SCL",
                "GND\nVCC\r\nSDA\n\nSCL\n",
                "1 GND\n2 VCC\n3. SDA\n4) SCL",
                "GND: ground\nVCC: supply\nSDA: i2c.sda\nSCL: scl",
                "GND ground; VCC supply: x; SDA sda; SCL"
            })
    void aListIsReadHoweverItIsPasted(String text) {
        List<Item> items = PinList.parse(text);
        assertEquals(
                BUS.stream().map(Item::label).toList(),
                items.stream().map(Item::label).toList());
    }

    @Test
    void rolesThatAreToldWinOverTheUsualOnes() {
        assertEquals(
                List.of(new Item("SDA", PinUse.SPI_CS), new Item("OUT", PinUse.ANALOG)),
                PinList.parse("SDA: spi.cs\nOUT: analog"));
    }

    @ParameterizedTest
    @CsvSource({
        "sck, SPI_SCK",
        "Din, SPI_MOSI",
        "TXD, UART_TX",
        "rx, UART_RX",
        "INT, INTERRUPT",
        "3.3V, SUPPLY",
        "AO, ANALOG",
        "QX7, INPUT"
    })
    void aLabelTellsWhatItUsuallyIs(String label, PinUse use) {
        assertEquals(use, PinList.guess(label));
    }

    @Test
    void theListIsPrintedAsItIsRead() {
        assertEquals(BUS, PinList.parse(PinList.print(BUS)));
        assertEquals(List.of(), PinList.parse("  \n "));
        assertEquals(200, PinList.parse("A ".repeat(5000)).size(), "no part on a bench has more");
    }
}
