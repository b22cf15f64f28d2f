package inkel.core.kit;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Build;
import inkel.core.document.Carries;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Node;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.edit.CopyNode;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import inkel.core.quantity.Frequency;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** Two tables, "one" and "two", with wires between their boards. */
public final class TwoBoards {
    public static final String CLASSIC = "board-classic-5v";
    public static final String WIRELESS = "board-wireless-3v3";

    private TwoBoards() {}

    /** Bare boards, with wires written as {@code one.D1 > two.D0}, or {@code one.D7 > two.D0 : serial 9600}. */
    public static Build joined(String first, String second, String... wires) throws EditRefused {
        return joined(Builds.powered(CATALOG.get(first)), Builds.powered(CATALOG.get(second)), wires);
    }

    public static Build joined(Builds first, Builds second, String... wires) throws EditRefused {
        Node one = called(first.build(), "one");
        Node two = called(second.build(), "two");
        return first.build()
                .withNodes(List.of(one, two))
                .withLinks(Stream.of(wires).map(TwoBoards::wire).toList());
    }

    private static NodeWire wire(String text) {
        String[] said = text.split(" : ");
        String[] ends = said[0].split(" > ");
        NodeWire wire = new NodeWire(place(ends[0]), place(ends[1]), true, Extras.NONE);
        if (said.length == 1) {
            return wire;
        }
        Carries carries = wire.carries();
        for (String word : said[1].split(" ")) {
            carries = Character.isDigit(word.charAt(0))
                    ? carries.with(Optional.of(Frequency.ofHertz(Double.parseDouble(word))))
                    : carries.with(Carries.Kind.valueOf(word.toUpperCase(Locale.ROOT)));
        }
        return wire.withCarries(carries);
    }

    private static Node called(Build build, String name) throws EditRefused {
        return new CopyNode(Builds.NODE, name, name).apply(build).node(name).orElseThrow();
    }

    private static Place place(String end) {
        String[] parts = end.split("\\.");
        return Place.of(parts[0], new Endpoint("board", parts[1]));
    }

    public static List<String> links(Build build) {
        return build.links().stream()
                .map(link -> link.from().node() + "." + link.from().pin() + " > "
                        + link.to().node() + "." + link.to().pin())
                .toList();
    }

    /** As it is after sharing out the pins of both. */
    public static Build planned(Build build) throws Exception {
        Build at = build;
        for (Plan plan : new Planner(build, CATALOG).planAll()) {
            assertTrue(plan.placed());
            at = plan.edit().orElseThrow().apply(at);
        }
        return at;
    }
}
