package inkel.app.export;

import inkel.app.export.sheet.Sheet;
import inkel.app.export.sheet.SheetMaker;
import inkel.app.export.sheet.SheetMd;
import inkel.app.export.sheet.SheetPdf;
import inkel.core.checks.Assessment;
import inkel.core.drawer.Drawer;
import java.time.LocalDate;
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
            new Export("sheet.pdf", (assessment, drawer) -> SheetPdf.of(sheet(assessment))),
            Export.ofText("sheet.md", assessment -> SheetMd.of(sheet(assessment))),
            Export.ofText("loom.svg", LoomSvg::of),
            Export.ofPicture("loom.png", LoomSvg::of),
            Export.ofText("river.svg", RiverSvg::of),
            Export.ofPicture("river.png", RiverSvg::of));

    private Exports() {}

    private static Sheet sheet(Assessment assessment) {
        return SheetMaker.of(assessment, LocalDate.now());
    }

    public static List<Export> all() {
        return ALL;
    }

    /** All of them by the name of the file that each is written to. */
    public static Map<String, Function<Assessment, byte[]>> files(String stem, Drawer drawer) {
        Map<String, Function<Assessment, byte[]>> files = new LinkedHashMap<>();
        ALL.forEach(export -> files.put(stem + "-" + export.id(), export.bytes(drawer)));
        return files;
    }

    public static Optional<Export> find(String id) {
        return ALL.stream().filter(export -> export.id().equals(id)).findFirst();
    }
}
