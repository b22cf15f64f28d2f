package inkel.core.remedy;

import inkel.core.catalog.Output;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Supply;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Node;
import inkel.core.document.Part;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** A new board on an empty table, with one supply. */
public final class NewNode {
    private NewNode() {}

    /**
     * A node with a board and a source that feeds it, where the board has a supply pin that bears the source.
     *
     * @param id not used by another node of the build
     */
    public static Node of(String id, String name, PartClass board, PartClass source) {
        Part supply = Part.of("supply", source.id(), source.name(), "");
        Part controller = Part.of(Part.BOARD, board.id(), board.name(), "");
        Optional<Output> output = source.outputs().stream().findFirst();
        Optional<Supply> pin = output.flatMap(out -> wayIn(board, out));
        if (pin.isPresent()) {
            controller = controller.withFeed(
                    pin.get().pin(), new Endpoint(supply.id(), output.get().pin()));
        }
        return new Node(id, name, List.of(controller, supply), List.of(), List.of(), List.of(), Set.of(), Extras.NONE);
    }

    /** Whether a source suits a board: some supply pin of it bears all the source can give. */
    public static boolean suits(PartClass board, PartClass source) {
        return source.outputs().stream().anyMatch(output -> wayIn(board, output).isPresent());
    }

    private static Optional<Supply> wayIn(PartClass board, Output output) {
        return board.supplies().stream()
                .filter(supply -> output.volts()
                        .filter(volts -> FeedFixes.fits(volts.range(), supply))
                        .isPresent())
                .findFirst();
    }
}
