package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;

import inkel.core.document.edit.SetWire;
import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Every code of pins, buses, ports, pulses and converters: it comes up, stays away, and goes by its own ways out. */
class PinCodesTest {
    private static Builds wireless() {
        return Builds.on("board-wireless-3v3");
    }

    private static Builds bus(Builds build, String... parts) {
        for (String part : parts) {
            build.wire(part + ".SCK", "board.D13")
                    .wire(part + ".MOSI", "board.D11")
                    .wire(part + ".MISO", "board.D12");
        }
        return build;
    }

    private static Builds radioAndReader() {
        return bus(
                Builds.classic()
                        .part("radio", "packet-radio", "VCC=board.3V3")
                        .part("reader", "tag-reader-spi", "3.3V=board.3V3"),
                "radio",
                "reader");
    }

    private static Builds cardAndReader() {
        Builds build = Builds.classic()
                .part("card", "memory-card-5v", "VCC=board.5V")
                .part("reader", "tag-reader-spi", "3.3V=board.3V3");
        return bus(build, "card", "reader").wire("card.CS", "board.D10").wire("reader.SDA", "board.D9");
    }

    private static Builds receivers(int count) {
        Builds build = Builds.classic();
        for (int i = 0; i < count; i++) {
            build.part("handset-" + i, "infrared-receiver", "VS=board.5V");
            if (i < 18) {
                String pin = i < 6 ? "A" + i : "D" + (i - 4);
                build.wire("handset-" + i + ".OUT", "board." + pin);
            }
        }
        return build;
    }

    static List<Arguments> cases() {
        return List.of(
                // The receiver rests high and D12 is read at the start; D13 is not.
                Arguments.of(
                        "pins.boot_strap",
                        wireless()
                                .part("handset", "infrared-receiver", "VS=board.3V3")
                                .wire("handset.OUT", "board.D12"),
                        wireless()
                                .part("handset", "infrared-receiver", "VS=board.3V3")
                                .wire("handset.OUT", "board.D13")),
                // 18 pins besides the console's two.
                Arguments.of("pins.not_enough", receivers(19), receivers(18)),
                Arguments.of(
                        "pins.input_floats",
                        Builds.classic().part("buffer", "buffer-8", "VCC=board.3V3"),
                        Builds.classic()
                                .part("buffer", "buffer-8", "VCC=board.3V3")
                                .wire("buffer.OE1", "board.GND")
                                .wire("buffer.OE2", "board.GND")),
                Arguments.of(
                        "spi.no_select",
                        radioAndReader().wire("radio.CSN", "board.D10"),
                        radioAndReader().wire("radio.CSN", "board.D10").wire("reader.SDA", "board.D9")),
                Arguments.of(
                        "spi.select_floats",
                        radioAndReader().wire("radio.CSN", "board.D10").wire("reader.SDA", "board.D9"),
                        radioAndReader()
                                .wire("radio.CSN", "board.D10")
                                .wire("reader.SDA", "board.D9")
                                .setting("radio", "select_pull_up", "10 kΩ")
                                .setting("reader", "select_pull_up", "10 kΩ")),
                Arguments.of(
                        "spi.miso_held",
                        cardAndReader(),
                        radioAndReader().wire("radio.CSN", "board.D10").wire("reader.SDA", "board.D9")),
                Arguments.of(
                        "uart.port_taken",
                        Builds.dualCore()
                                .part("one", "positioning-receiver", "VCC=board.3V3")
                                .part("two", "positioning-receiver", "VCC=board.3V3")
                                .wire("one.TX", "board.GP1")
                                .wire("two.TX", "board.GP17"),
                        Builds.dualCore()
                                .part("one", "positioning-receiver", "VCC=board.3V3")
                                .part("two", "positioning-receiver", "VCC=board.3V3")
                                .wire("one.TX", "board.GP1")
                                .wire("two.TX", "board.GP5")),
                Arguments.of(
                        "uart.console_shared",
                        Builds.classic()
                                .part("fix", "positioning-receiver", "VCC=board.5V")
                                .wire("fix.TX", "board.D0"),
                        Builds.classic()
                                .part("fix", "positioning-receiver", "VCC=board.5V")
                                .wire("fix.TX", "board.D4")),
                Arguments.of(
                        "uart.soft_fast",
                        Builds.classic()
                                .part("fix", "positioning-receiver", "VCC=board.5V")
                                .setting("fix", "baud", "115200")
                                .wire("fix.TX", "board.D4"),
                        Builds.classic()
                                .part("fix", "positioning-receiver", "VCC=board.5V")
                                .setting("fix", "baud", "57600")
                                .wire("fix.TX", "board.D4")),
                // The code for a handset takes timer 2, which drives D11 and D3 of the classic board.
                Arguments.of(
                        "pwm.timer_clash",
                        Builds.classic()
                                .part("handset", "infrared-receiver", "VS=board.5V")
                                .part("servo", "servo-micro", "V+=board.5V")
                                .setting("servo", "claims", "none")
                                .wire("handset.OUT", "board.D7")
                                .wire("servo.SIG", "board.D3"),
                        Builds.classic()
                                .part("handset", "infrared-receiver", "VS=board.5V")
                                .part("servo", "servo-micro", "V+=board.5V")
                                .setting("servo", "claims", "none")
                                .wire("handset.OUT", "board.D7")
                                .wire("servo.SIG", "board.D9")),
                // Both channels of a slice run at one frequency: 50 Hz for the servo, 20 kHz for the motor.
                Arguments.of(
                        "pwm.timer_clash",
                        Builds.dualCore()
                                .part("servo", "servo-micro", "V+=board.VBUS")
                                .part("motor", "motor-driver", "VCC=board.3V3")
                                .wire("servo.SIG", "board.GP0")
                                .wire("motor.PWMA", "board.GP1"),
                        Builds.dualCore()
                                .part("servo", "servo-micro", "V+=board.VBUS")
                                .part("motor", "motor-driver", "VCC=board.3V3")
                                .wire("servo.SIG", "board.GP0")
                                .wire("motor.PWMA", "board.GP3")),
                Arguments.of(
                        "pwm.no_pwm",
                        Builds.classic()
                                .part("motor", "motor-driver", "VCC=board.5V")
                                .wire("motor.PWMA", "board.D7"),
                        Builds.classic()
                                .part("motor", "motor-driver", "VCC=board.5V")
                                .wire("motor.PWMA", "board.D5")),
                Arguments.of(
                        "pwm.software_jitter",
                        Builds.classic()
                                .part("servo", "servo-micro", "V+=board.5V")
                                .setting("servo", "claims", "none")
                                .wire("servo.SIG", "board.D7"),
                        Builds.classic()
                                .part("servo", "servo-micro", "V+=board.5V")
                                .setting("servo", "claims", "none")
                                .wire("servo.SIG", "board.D9")),
                Arguments.of(
                        "pwm.input_channel",
                        wireless().part("rc", "rc-receiver", "V+=board.VIN").wire("rc.CH1", "board.RX0"),
                        wireless().part("rc", "rc-receiver", "V+=board.VIN").wire("rc.CH1", "board.D13")),
                // Every pin of an 8-bit board calls with its neighbours.
                Arguments.of(
                        "pwm.input_channel",
                        wireless().part("rc", "rc-receiver", "V+=board.VIN").wire("rc.CH1", "board.TX0"),
                        Builds.classic()
                                .part("rc", "rc-receiver", "V+=board.5V")
                                .wire("rc.CH1", "board.A0")),
                // GP1 measures on the slice that GP0 makes pulses on.
                Arguments.of(
                        "pwm.input_channel",
                        Builds.dualCore()
                                .part("rc", "rc-receiver", "V+=board.VBUS")
                                .part("servo", "servo-micro", "V+=board.VBUS")
                                .wire("rc.CH1", "board.GP1")
                                .wire("servo.SIG", "board.GP0"),
                        Builds.dualCore()
                                .part("rc", "rc-receiver", "V+=board.VBUS")
                                .part("servo", "servo-micro", "V+=board.VBUS")
                                .wire("rc.CH1", "board.GP1")
                                .wire("servo.SIG", "board.GP2")),
                Arguments.of(
                        "adc.no_analog",
                        Builds.classic()
                                .part("level", "water-level", "+=board.5V")
                                .wire("level.S", "board.D7"),
                        Builds.classic()
                                .part("level", "water-level", "+=board.5V")
                                .wire("level.S", "board.A1")),
                // The second converter of the wireless board stands still while its radio is on.
                Arguments.of(
                        "adc.no_analog",
                        wireless().part("level", "water-level", "+=board.3V3").wire("level.S", "board.D27"),
                        wireless()
                                .setting("board", "wireless", "off")
                                .part("level", "water-level", "+=board.3V3")
                                .wire("level.S", "board.D27")),
                // 1100 bytes and one address take 9 clocks each, and 2 more: 9911 clocks. Eight times a second that is
                // 79 % of
                // 100 kHz, seven times 69 %.
                Arguments.of(
                        "i2c.bus_busy",
                        Builds.classic()
                                .part("screen", "display-small-graphic", "VCC=board.5V")
                                .setting("screen", "polls", "8 Hz")
                                .wire("screen.SDA", "board.A4"),
                        Builds.classic()
                                .part("screen", "display-small-graphic", "VCC=board.5V")
                                .setting("screen", "polls", "7 Hz")
                                .wire("screen.SDA", "board.A4")),
                Arguments.of(
                        "spi.clock_over",
                        radioAndReader().setting("board", "spi_clock", "16 MHz"),
                        radioAndReader().setting("board", "spi_clock", "8 MHz")));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("cases")
    void comesUpStaysAwayAndGoes(String code, Builds wrong, Builds right) throws Exception {
        List<Finding> findings = wrong.findings(code);
        assertFalse(findings.isEmpty(), "comes up");
        assertEquals(List.of(), right.findings(code), "stays away");
        Finding finding = findings.get(0);
        RuleKit.everyWayOut(wrong.build(), finding);
    }

    @Test
    void noWayOutOfAStrapLeadsToAnother() {
        // D15, D2, D5 and D12 decide at the start; the servo holds its pin low then.
        Finding finding = cases().stream()
                .filter(one -> one.get()[0].equals("pins.boot_strap"))
                .map(one -> ((Builds) one.get()[1]).findings("pins.boot_strap").get(0))
                .findFirst()
                .orElseThrow();
        List<String> pins = finding.fixes().stream()
                .flatMap(fix -> fix.edits().stream())
                .map(edit -> ((SetWire) edit).wire().to().pin())
                .toList();
        assertFalse(pins.isEmpty());
        assertEquals(
                List.of(),
                pins.stream()
                        .filter(List.of("D15", "D2", "D5", "D12")::contains)
                        .toList());
    }
}
