package inkel.app.export.program;

import inkel.app.words.Words;
import inkel.core.catalog.Ability;
import inkel.core.catalog.Controller;
import inkel.core.catalog.Language;
import inkel.core.catalog.Pin;
import inkel.core.catalog.WakeCheck;
import inkel.core.quantity.Fact;
import inkel.core.wake.report.ReportPlan;
import inkel.core.wake.report.SimulatedBoard;
import inkel.core.wiring.WireList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The program for a single-board computer: it reaches what is wired to its pins by the device files of its operating system
 * alone, so that nothing need be installed.
 */
final class ComputerProgram {
    private static final ProgramText TEXT = ProgramText.PYTHON;

    private final Language language;
    private final ReportPlan plan;
    private final WireList list;
    private final Controller controller;

    ComputerProgram(Language language, ReportPlan plan, WireList list) {
        this.language = language;
        this.plan = plan;
        this.list = list;
        controller = plan.node().board().cls().controller().orElseThrow();
    }

    String text() {
        return ProgramText.resource("wake.computer.py.txt")
                .replace("@REMARKS@", TEXT.remarks(remarks()))
                .replace("@HEAD@", SimulatedBoard.head(plan.node(), list))
                .replace("@CHIP@", controller.devices().getOrDefault("pins", ""))
                .replace(
                        "@LEVELS@",
                        TEXT.rows(
                                plan.levels(), level -> TEXT.row(ProgramText.quoted(level.signal()), pin(level.pin()))))
                .replace("@BUSES@", TEXT.rows(known(plan.buses(), this::device), this::bus))
                .replace("@REGISTERS@", TEXT.rows(known(plan.registers(), this::device), this::register))
                .replace("@LINES@", TEXT.rows(known(plan.lines(), this::device), this::line))
                .replace("@ACTS@", TEXT.rows(plan.acts(), this::act))
                .replace("@CODES@", TEXT.rows(known(plan.codes(), this::device), this::code));
    }

    private String remarks() {
        String skipped = Stream.of(
                        plan.buses().stream()
                                .filter(bus -> device(bus).isEmpty())
                                .flatMap(bus -> bus.parts().stream()),
                        plan.registers().stream()
                                .filter(register -> device(register).isEmpty())
                                .map(ReportPlan.Register::part),
                        plan.lines().stream()
                                .filter(line -> device(line).isEmpty())
                                .map(ReportPlan.Line::part))
                .flatMap(parts -> parts)
                .map(placed -> placed.part().name())
                .distinct()
                .collect(Collectors.joining(", "));
        String lines = Words.get("program.wake", "name", plan.node().node().name()) + "\n" + Words.get("program.typed")
                + "\n" + Words.get("program.computer");
        return skipped.isEmpty()
                ? lines
                : lines + "\n" + Words.say(Fact.of("program.skipped").with("parts", skipped));
    }

    private static <T> List<T> known(List<T> all, Function<T, Optional<String>> device) {
        return all.stream().filter(one -> device.apply(one).isPresent()).toList();
    }

    private String pin(Pin pin) {
        return language.call(pin);
    }

    private Optional<String> device(ReportPlan.Bus bus) {
        return controller.device(bus.sda(), Ability.Kind.I2C);
    }

    private Optional<String> device(ReportPlan.Line line) {
        return controller.device(line.from(), Ability.Kind.UART);
    }

    private Optional<String> device(ReportPlan.Register register) {
        return register.bus().isPresent()
                ? device(register.bus().get())
                : register.spi().flatMap(spi -> device(spi.clock(), spi.select()));
    }

    private Optional<String> device(ReportPlan.Code code) {
        return code.bus().isPresent()
                ? device(code.bus().get())
                : device(code.spi().get(0), at(code.spi(), 2));
    }

    /** For SPI with the number of the select, of the first one where the system does not drive that select. */
    private Optional<String> device(Pin clock, Optional<Pin> select) {
        return controller
                .device(clock, Ability.Kind.SPI)
                .map(device -> device + "." + driven(clock, select).orElse(0));
    }

    private static Optional<Pin> at(List<Pin> pins, int place) {
        return place < pins.size() ? Optional.of(pins.get(place)) : Optional.empty();
    }

    /** Which of the selects that the system drives itself one is. */
    private Optional<Integer> driven(Pin clock, Optional<Pin> select) {
        return select.flatMap(pin -> controller.drivers().stream()
                .filter(driver -> driver.drives(clock))
                .map(driver -> driver.pins().indexOf(pin.label()))
                .filter(index -> index >= 0)
                .findFirst());
    }

    private String plainSelect(Optional<ReportPlan.Bus> bus, List<Pin> spi, int place) {
        if (bus.isPresent() || driven(spi.get(0), at(spi, place)).isPresent()) {
            return TEXT.none;
        }
        return at(spi, place).map(this::pin).orElse("HELD");
    }

    private String plainSelect(ReportPlan.Spi spi) {
        return driven(spi.clock(), spi.select()).isPresent()
                ? TEXT.none
                : spi.select().map(this::pin).orElse("HELD");
    }

    private String bus(ReportPlan.Bus bus) {
        return TEXT.row(
                String.valueOf(bus.number()), ProgramText.quoted(device(bus).orElseThrow()));
    }

    private String register(ReportPlan.Register register) {
        WakeCheck.Asking asking = register.asking();
        return TEXT.row(
                ProgramText.quoted(register.part().id()),
                ProgramText.quoted(register.register()),
                String.valueOf(register.bytes()),
                ProgramText.quoted(device(register).orElseThrow()),
                register.bus().isPresent()
                        ? ProgramText.hex(register.part().address().orElse(0))
                        : TEXT.none,
                register.spi().map(this::plainSelect).orElse(TEXT.none),
                String.valueOf(asking.idle()),
                String.valueOf(asking.late()),
                TEXT.mask(asking.mask(), register.bytes()),
                TEXT.list(asking.send()));
    }

    private String code(ReportPlan.Code code) {
        return TEXT.row(
                String.valueOf(code.number()),
                ProgramText.quoted(code.pin()),
                String.valueOf(code.code()),
                ProgramText.quoted(device(code).orElseThrow()),
                code.bus().isPresent() ? ProgramText.hex(code.part().address().orElse(0)) : TEXT.none,
                plainSelect(code.bus(), code.spi(), 2),
                TEXT.list(code.bytes()));
    }

    private String line(ReportPlan.Line line) {
        return TEXT.row(
                ProgramText.quoted(line.part().id()),
                ProgramText.quoted(device(line).orElseThrow()),
                String.valueOf(Math.round(line.baud().hertz())),
                ProgramText.quoted(line.say()));
    }

    private String act(ReportPlan.Act act) {
        return TEXT.row(
                String.valueOf(act.number()),
                ProgramText.quoted(act.signal()),
                pin(act.pin()),
                ProgramText.quoted(act.to().name().substring(0, 1).toLowerCase(Locale.ROOT)),
                String.valueOf(Math.round(act.width().seconds() * 1e6)),
                held(act.highs()),
                held(act.lows()));
    }

    private String held(List<Pin> pins) {
        return pins.stream().map(this::pin).collect(Collectors.joining(", ", "[", "]"));
    }
}
