package inkel.app.lab;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.Need;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Supply;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Logbook;
import inkel.core.document.Node;
import inkel.core.document.Part;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Tables for the benchmark: the big board with as many modules as asked for, and its pins all but used up. */
final class FullBoard {
    static final String NODE = "big";
    private static final String BOARD = "board-big-5v";

    /** Taken in turn while there are pins for them. */
    private static final List<String> PINNED = List.of(
            "packet-radio",
            "servo-micro",
            "infrared-receiver",
            "distance-ultrasonic",
            "water-level",
            "button",
            "tag-reader-spi",
            "flow",
            "display-2x16-parallel",
            "encoder");

    /** Modules that share two wires; taken when the pins run out. */
    private static final List<String> SHARED = List.of(
            "current-monitor", "display-4x20-i2c", "current-monitor", "port-expander", "current-monitor", "adc-16");

    private FullBoard() {}

    /**
     * @param modules how many
     * @param share how much of the board's pins may be taken, 0 to 1
     */
    static Build of(Catalog catalog, int modules, double share) {
        return of(catalog, BOARD, modules, share);
    }

    /** As {@link #of(Catalog, int, double)}, on another board. */
    static Build of(Catalog catalog, String board, int modules, double share) {
        long pins = catalog.get(board).offers().count();
        long left = Math.round(pins * share) - SHARED_LINES;
        List<Part> parts = new ArrayList<>();
        parts.add(Part.of(Part.BOARD, board, "Big board", "").withFeed("USB", new Endpoint("usb", "5V")));
        parts.add(Part.of("usb", "usb-port", "USB", ""));
        int sharing = 0;
        for (int i = 0; i < modules; i++) {
            String id = PINNED.get(i % PINNED.size());
            long wants = plainPins(catalog.get(id));
            boolean isRoom = wants <= left;
            if (!isRoom) {
                id = SHARED.get(sharing++ % SHARED.size());
            } else {
                left -= wants;
            }
            parts.add(part(catalog.get(id), "module-" + i));
        }
        while (left > 0) {
            parts.add(part(catalog.get("infrared-receiver"), "filler-" + left));
            left--;
        }
        Node node = new Node(NODE, "Big", parts, List.of(), List.of(), List.of(), Set.of(), Extras.NONE);
        return new Build("Full board", List.of(node), Logbook.EMPTY, Extras.NONE);
    }

    /** Clock, data out and in, and the two of I2C. */
    private static final int SHARED_LINES = 5;

    private static long plainPins(PartClass cls) {
        return cls.signals()
                .filter(pin -> pin.need() == Need.MUST)
                .filter(pin -> pin.use().sharedLine().isEmpty())
                .count();
    }

    private static Part part(PartClass cls, String id) {
        Map<String, Endpoint> feeds = new LinkedHashMap<>();
        for (Supply supply : cls.supplies()) {
            feeds.put(supply.pin(), new Endpoint(Part.BOARD, "5V"));
        }
        return Part.of(id, cls.id(), id, "").withFeeds(feeds);
    }
}
