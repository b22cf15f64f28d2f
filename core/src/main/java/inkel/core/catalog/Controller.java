package inkel.core.catalog;

import inkel.core.formula.BaudRate;
import inkel.core.formula.SpiClock;
import inkel.core.quantity.Current;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Share;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What only a board has.
 *
 * @param clock the clock that its serial ports and timers divide
 * @param tolerance how far that clock may be off, either way
 * @param clocks what it can run on instead, the usual one among them; empty for a board with a crystal of its own
 * @param uartOversamples the clocks a bit that its ports can be set to, 16 or 8
 * @param uartRegisterBits how wide the whole part of the divisor is
 * @param uartFractionBits how many bits of fraction the divisor has, often 0
 * @param spiDividers what the clock can be divided by for SPI, rising
 * @param spiMax the fastest that its SPI goes, where its dividers would allow more
 * @param software what its program does on plain pins
 * @param packageCurrent the most that all pins together may give or take
 * @param timers what makes its PWM
 * @param claims what common code takes of them
 * @param drivers what an operating system takes of its pins
 * @param devices the file by which its operating system offers a bus, such as {@code i2c0}, or its {@code pins}; nothing for
 *     a board without one
 * @param programs how it is programmed over leads; empty for a board that brings its own way
 * @param usual the pins where people look for a line of a bus, such as {@code i2c.sda}; nothing for buses whose pins are all
 *     alike
 * @param languages what its programs are written in
 * @param bits how wide its words are: 8, 32 or 64
 * @param memory absent where it hardly ever runs out, as on a computer
 */
public record Controller(
        Frequency clock,
        Share tolerance,
        List<ClockChoice> clocks,
        List<Integer> uartOversamples,
        int uartRegisterBits,
        int uartFractionBits,
        List<Integer> spiDividers,
        Optional<Frequency> spiMax,
        SoftwareBuses software,
        Optional<Current> packageCurrent,
        List<Timer> timers,
        List<Claim> claims,
        List<DriverPins> drivers,
        Map<String, String> devices,
        List<Programming> programs,
        Map<String, List<String>> usual,
        List<Language> languages,
        int bits,
        Optional<Memory.OfBoard> memory) {
    public Controller {
        clocks = List.copyOf(clocks);
        uartOversamples = List.copyOf(uartOversamples);
        spiDividers = List.copyOf(spiDividers);
        timers = List.copyOf(timers);
        claims = List.copyOf(claims);
        drivers = List.copyOf(drivers);
        devices = Map.copyOf(devices);
        programs = List.copyOf(programs);
        usual = Map.copyOf(usual);
        languages = List.copyOf(languages);
    }

    /** The same at another clock: what its program does on plain pins takes as many clocks as before. */
    Controller at(ClockChoice choice) {
        return new Controller(
                choice.clock(),
                choice.tolerance(),
                clocks,
                uartOversamples,
                uartRegisterBits,
                uartFractionBits,
                spiDividers,
                spiMax,
                software.times(choice.clock().hertz() / clock.hertz()),
                packageCurrent,
                timers,
                claims,
                drivers,
                devices,
                programs,
                usual,
                languages,
                bits,
                memory);
    }

    /** The file by which its operating system offers the bus that a pin belongs to; empty where there is none. */
    public Optional<String> device(Pin pin, Ability.Kind bus) {
        return pin.can().stream()
                .filter(ability -> ability.kind() == bus)
                .findFirst()
                .map(ability -> devices.get(bus.text() + ability.unit()));
    }

    /** Whether a pin is where people look for that line of a bus on this board; any pin where the class does not tell. */
    public boolean isUsual(Ability.Kind bus, String line, String pin) {
        List<String> pins = usual.get(bus.text() + "." + line);
        return pins == null || pins.contains(pin);
    }

    /** The fastest rate a port made of plain pins can be trusted with. */
    public Frequency softwareUartMax() {
        return software.uart();
    }

    /** The timer that common code takes for a use. */
    public Optional<Integer> claimed(String use) {
        return claims.stream()
                .filter(claim -> claim.use().equals(use))
                .map(Claim::timer)
                .findFirst();
    }

    /** What code for something that is plugged on it can take. */
    public List<String> claimable() {
        return claims.stream()
                .filter(claim -> claim.keeps().isEmpty())
                .map(Claim::use)
                .toList();
    }

    /** The best that its serial ports can do for a rate. */
    public BaudRate bestBaud(Frequency wanted) {
        return rateAt(clock, wanted);
    }

    /** As {@link #bestBaud}, at another clock. */
    public BaudRate rateAt(Frequency other, Frequency wanted) {
        return BaudRate.best(other, wanted, uartOversamples, uartRegisterBits, uartFractionBits);
    }

    /** The fastest SPI clock at or below a limit; empty when it cannot go that slow or no divider is known. */
    public Optional<SpiClock> spiClock(Frequency limit) {
        Frequency most = spiMax.filter(max -> max.hertz() < limit.hertz()).orElse(limit);
        return SpiClock.fastest(clock, spiDividers, most);
    }

    /** Whether it runs programs of its own and nobody but a login console talks on its first port. */
    public boolean isComputer() {
        return languages.stream().anyMatch(language -> language.name() == Language.Name.PYTHON_COMPUTER);
    }

    private static String lineOf(PinUse use) {
        return use.text().substring(use.text().indexOf('.') + 1);
    }

    /**
     * The pin that is meant by the name of a line, such as SDA: where people look for it, else the one that the first such bus
     * has. Empty where that is none, or where it can be several.
     */
    Optional<Pin> pinOfLine(List<Pin> pins, String name) {
        Optional<PinUse> wanted = Arrays.stream(PinUse.values())
                .filter(use -> use.text().contains("."))
                .filter(use ->
                        lineOf(use).equalsIgnoreCase(name) || use == PinUse.SPI_CS && name.equalsIgnoreCase("SS"))
                .findFirst();
        if (wanted.isEmpty()) {
            return Optional.empty();
        }
        List<String> first = usual.getOrDefault(wanted.get().text(), List.of());
        if (!first.isEmpty()) {
            return pins.stream().filter(pin -> pin.label().equals(first.get(0))).findFirst();
        }
        String bus = wanted.get().family();
        String line = lineOf(wanted.get());
        Map<Integer, List<Pin>> byUnit = new TreeMap<>();
        for (Pin pin : pins) {
            for (Ability ability : pin.can()) {
                if (ability.kind().text().equals(bus) && ability.line().equals(line)) {
                    byUnit.computeIfAbsent(ability.unit(), unit -> new ArrayList<>())
                            .add(pin);
                }
            }
        }
        return byUnit.values().stream()
                .findFirst()
                .filter(found -> found.size() == 1)
                .map(found -> found.get(0));
    }
}
