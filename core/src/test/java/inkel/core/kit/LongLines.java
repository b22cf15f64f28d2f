package inkel.core.kit;

import static inkel.core.kit.Builds.CATALOG;

import inkel.core.catalog.Setting;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.CopyNode;
import inkel.core.finding.Finding;
import java.util.ArrayList;
import java.util.List;

/** Tables with a transceiver each, called {@code bus}, and the wires of long lines between them. */
public final class LongLines {
    private final Build build;

    private LongLines(Build build) {
        this.build = build;
    }

    /** Tables of these names, nothing joined. */
    public static LongLines at(String... tables) {
        Build one =
                Builds.classic().part("bus", "bus-differential", "VCC=board.5V").build();
        Build all = one;
        for (String table : tables) {
            all = copied(all, table);
        }
        return new LongLines(all.withNodes(all.nodes().subList(1, all.nodes().size())));
    }

    private static Build copied(Build build, String table) {
        try {
            return new CopyNode(Builds.NODE, table, table).apply(build);
        } catch (EditRefused refused) {
            throw new IllegalStateException(refused);
        }
    }

    /** Wires as {@code gate.A > house.A}, without a ground beside them. */
    public LongLines wires(String... wires) {
        List<NodeWire> links = new ArrayList<>(build.links());
        for (String wire : wires) {
            String[] ends = wire.split(" > ");
            links.add(new NodeWire(place(ends[0]), place(ends[1]), false, Extras.NONE));
        }
        return new LongLines(build.withLinks(links));
    }

    /** Both wires and the ground beside them, from the first to the second, from that to the third, and so on. */
    public LongLines chain(String... tables) {
        LongLines chained = this;
        for (int i = 1; i < tables.length; i++) {
            chained = chained.wires(
                    tables[i - 1] + ".A > " + tables[i] + ".A", tables[i - 1] + ".B > " + tables[i] + ".B");
        }
        return new LongLines(chained.build.withLinks(
                chained.build.links().stream().map(NodeWire::withGroundJoined).toList()));
    }

    public LongLines set(String table, Setting<?> key, String value) {
        return new LongLines(build.withNode(table, node -> node.withPart("bus", part -> part.withSetting(key, value))));
    }

    /** The pin that makes it talk, wired to a pin of the board or a rail. */
    public LongLines enable(String table, String to) {
        Wire wire = Wire.placed(new Endpoint("bus", "DE"), new Endpoint(Part.BOARD, to));
        return new LongLines(build.withNode(table, node -> node.withWires(List.of(wire))));
    }

    private static Place place(String end) {
        String[] both = end.split("[.]");
        return Place.of(both[0], new Endpoint("bus", both[1]));
    }

    public Build build() {
        return build;
    }

    public List<Finding> findings(String code) {
        return Builds.of(Assessment.assess(build, CATALOG), code);
    }
}
