package inkel.core.pins;

import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import java.util.List;

/** The pins of a part along its headers as one line: neighbours differ by one, pins of different rows by much more. */
final class HeaderLine {
    /** More than the places of any row. */
    private static final int ROW = 200;

    private HeaderLine() {}

    static int place(PartClass cls, Pin pin) {
        List<String> rows = cls.pins().stream().map(Pin::row).distinct().toList();
        return rows.indexOf(pin.row()) * ROW + pin.place();
    }

    /** More than the place of any pin of a part. */
    static int length(PartClass cls) {
        return ROW * (int) (1 + cls.pins().stream().map(Pin::row).distinct().count());
    }
}
