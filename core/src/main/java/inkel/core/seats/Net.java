package inkel.core.seats;

import java.util.List;

/**
 * Posts that wires join.
 *
 * @param isAsPlanned whether wires go where the plan has them, as currents and grounds do; else the shortest way
 * @param edges its wires, in the order of the list
 * @param pieces legs of small parts that go into its holes, as edges
 */
record Net(List<Integer> posts, List<Edge> edges, List<Edge> pieces, boolean isAsPlanned) {
    Net {
        posts = List.copyOf(posts);
        edges = List.copyOf(edges);
        pieces = List.copyOf(pieces);
    }
}
