package inkel.app.export;

import java.util.List;
import java.util.Optional;

/** The one list of exports: the command line and the menu read it. */
public final class Exports {
    private static final List<Export> ALL = List.of(
            Export.ofText("wires.csv", WiresCsv::of),
            Export.ofText("parts.csv", PartsCsv::of),
            Export.ofText("power.csv", PowerCsv::of),
            Export.ofText("loom.svg", LoomSvg::of));

    private Exports() {}

    public static List<Export> all() {
        return ALL;
    }

    public static Optional<Export> find(String id) {
        return ALL.stream().filter(export -> export.id().equals(id)).findFirst();
    }
}
