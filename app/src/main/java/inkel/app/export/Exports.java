package inkel.app.export;

import inkel.app.export.program.ConstantsFile;
import inkel.app.export.program.StartProgram;
import inkel.app.export.program.WakeProgram;
import inkel.app.export.sheet.RecordMaker;
import inkel.app.export.sheet.Sheet;
import inkel.app.export.sheet.SheetMaker;
import inkel.app.export.sheet.SheetMd;
import inkel.app.export.sheet.SheetPdf;
import inkel.app.state.Seated;
import inkel.core.catalog.Language;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Meter;
import inkel.core.document.Node;
import inkel.core.drawer.Drawer;
import inkel.core.wake.WakePlan;
import inkel.core.wake.report.ReportPlan;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** The one list of exports: the command line and the menu read it. */
public final class Exports {
    private static final List<Export> ALL = List.of(
            Export.ofText("wires.csv", WiresCsv::of),
            Export.ofText("parts.csv", PartsCsv::of),
            Export.ofText("power.csv", PowerCsv::of),
            Export.ofText("nets.csv", NetsCsv::of),
            Export.of("sheet.pdf", (assessment, drawer) -> SheetPdf.of(sheet(assessment))),
            Export.ofText("sheet.md", assessment -> SheetMd.of(sheet(assessment))),
            Export.of("record.pdf", (assessment, drawer) -> SheetPdf.of(record(assessment))),
            Export.ofText("record.md", assessment -> SheetMd.of(record(assessment))),
            Export.ofText("readings.csv", ReadingsCsv::of),
            Export.ofText("loom.svg", LoomSvg::of),
            Export.ofPicture("loom.png", LoomSvg::of),
            Export.ofText("river.svg", RiverSvg::of),
            Export.ofPicture("river.png", RiverSvg::of),
            program("wake.cpp", Language.Name.CPP),
            program("wake.py", Language.Name.PYTHON_CONTROLLER, Language.Name.PYTHON_COMPUTER),
            start("start.cpp", Language.Name.CPP),
            start("start.py", Language.Name.PYTHON_CONTROLLER, Language.Name.PYTHON_COMPUTER),
            constants("pins.h", Language.Name.CPP),
            constants("pins.py", Language.Name.PYTHON_CONTROLLER, Language.Name.PYTHON_COMPUTER));

    /** @param languages a board takes one of these dialects at most */
    private static Export program(String id, Language.Name... languages) {
        return Export.ofBoard(
                id,
                (assessment, node) -> assessment
                        .wires(node)
                        .flatMap(list -> language(list.node(), languages))
                        .isPresent(),
                (assessment, node) -> assessment
                        .wires(node)
                        .flatMap(list -> language(list.node(), languages))
                        .flatMap(language -> program(assessment, node, language)));
    }

    private static Export start(String id, Language.Name... languages) {
        return Export.ofBoard(
                id,
                (assessment, node) -> spoken(assessment, node, languages).isPresent(),
                // Wires have the numbers of the table and of the sheet.
                (assessment, node) -> spoken(assessment, node, languages)
                        .map(language -> StartProgram.of(
                                assessment.build(),
                                assessment.circuit(node).orElseThrow(),
                                assessment.reports().pins(),
                                Seated.of(assessment, node).list(),
                                language)));
    }

    private static Export constants(String id, Language.Name... languages) {
        return Export.ofBoard(
                id, (assessment, node) -> spoken(assessment, node, languages).isPresent(), (assessment, node) -> spoken(
                                assessment, node, languages)
                        .map(language -> ConstantsFile.of(
                                assessment.build(),
                                assessment.circuit(node).orElseThrow(),
                                assessment.reports(),
                                language)));
    }

    /** The first of these languages that a board takes. */
    private static Optional<Language> spoken(Assessment assessment, String node, Language.Name... languages) {
        return assessment.circuit(node).flatMap(circuit -> Arrays.stream(languages)
                .flatMap(name -> WakeProgram.language(circuit, name).stream())
                .findFirst());
    }

    private static Optional<Language.Name> language(NodeCircuit node, Language.Name... languages) {
        return Arrays.stream(languages)
                .filter(language -> WakeProgram.isFor(node, language))
                .findFirst();
    }

    private Exports() {}

    private static Sheet sheet(Assessment assessment) {
        return SheetMaker.of(assessment, LocalDate.now());
    }

    private static Sheet record(Assessment assessment) {
        return RecordMaker.of(assessment.build(), LocalDate.now(), ZoneId.systemDefault());
    }

    private static Optional<String> program(Assessment assessment, String node, Language.Name language) {
        return assessment.wires(node).flatMap(list -> WakePlan.of(
                        assessment.reports().circuit(), Meter.USUAL)
                .node(node)
                .flatMap(wake -> WakeProgram.of(language, ReportPlan.of(wake), list)));
    }

    public static List<Export> all() {
        return ALL;
    }

    /** All of them by the name of the file that each is written to; those of one board for every board that has one. */
    public static Map<String, Function<Assessment, byte[]>> files(String stem, Drawer drawer, Assessment assessment) {
        Map<String, Function<Assessment, byte[]>> files = new LinkedHashMap<>();
        List<String> nodes = assessment.build().nodes().stream().map(Node::id).toList();
        for (Export export : ALL) {
            for (String node : export.isOfOneBoard() ? nodes : nodes.subList(0, 1)) {
                if (export.isFor(assessment, node)) {
                    String of = export.isOfOneBoard() ? "-" + node : "";
                    files.put(stem + of + "-" + export.id(), export.bytes(drawer, node));
                }
            }
        }
        return files;
    }

    public static Optional<Export> find(String id) {
        return ALL.stream().filter(export -> export.id().equals(id)).findFirst();
    }
}
