package inkel.app.export.program;

import inkel.app.words.Words;
import inkel.core.catalog.Ability;
import inkel.core.catalog.Controller;
import inkel.core.catalog.Language;
import inkel.core.catalog.Pin;
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
                .replace("@ACTS@", TEXT.rows(plan.acts(), this::act));
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

    /** For SPI with the number of the select, of the first one where the system does not drive that select. */
    private Optional<String> device(ReportPlan.Register register) {
        return register.bus().isPresent()
                ? device(register.bus().get())
                : controller
                        .device(register.spi().get(0), Ability.Kind.SPI)
                        .map(device -> device + "." + select(register).orElse(0));
    }

    /** Which of the selects that the system drives itself a register has. */
    private Optional<Integer> select(ReportPlan.Register register) {
        List<Pin> spi = register.spi();
        return spi.size() < 4
                ? Optional.empty()
                : controller.drivers().stream()
                        .filter(driver -> driver.drives(spi.get(0)))
                        .map(driver -> driver.pins().indexOf(spi.get(3).label()))
                        .filter(index -> index >= 0)
                        .findFirst();
    }

    private String plainSelect(ReportPlan.Register register) {
        if (register.bus().isPresent() || select(register).isPresent()) {
            return TEXT.none;
        }
        return register.spi().size() < 4 ? "HELD" : pin(register.spi().get(3));
    }

    private String bus(ReportPlan.Bus bus) {
        return TEXT.row(
                String.valueOf(bus.number()), ProgramText.quoted(device(bus).orElseThrow()));
    }

    private String register(ReportPlan.Register register) {
        return TEXT.row(
                ProgramText.quoted(register.part().id()),
                ProgramText.quoted(register.register()),
                ProgramText.hex(register.send()),
                String.valueOf(register.bytes()),
                ProgramText.quoted(device(register).orElseThrow()),
                register.bus().isPresent()
                        ? ProgramText.hex(register.part().address().orElse(0))
                        : TEXT.none,
                plainSelect(register));
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
                ProgramText.quoted(act.to().name().substring(0, 1).toLowerCase(Locale.ROOT)));
    }
}
