package inkel.app.words;

import inkel.core.document.Between;
import inkel.core.quantity.Fact;

/** What stands in a wire, in words. */
public final class BetweenWords {
    private BetweenWords() {}

    /** What to put in the wire, for the bench; empty for a shifter, whose wires are told by themselves. */
    public static String toDo(Between between) {
        if (between instanceof Between.Divider divider) {
            return Words.say(
                    Fact.of("wire.divider").with("series", divider.series()).with("to_ground", divider.toGround()));
        } else if (between instanceof Between.Series series) {
            return Words.get("wire.series", "series", series.resistance());
        } else if (between instanceof Between.Diode) {
            return Words.get("wire.diode");
        } else if (between instanceof Between.FeedDiode) {
            return Words.get("wire.feed_diode");
        } else if (between instanceof Between.Opto opto) {
            return Words.get("wire.opto", "series", opto.series());
        } else if (between instanceof Between.CoilDriver driver) {
            return Words.get("wire.coil_driver", "base", driver.base());
        }
        return "";
    }

    /** What stands in line, as short as it goes, for a knot in a thread; empty for what is wired by itself. */
    public static String inLine(Between between) {
        if (between instanceof Between.Divider divider) {
            return Words.show(divider.series());
        } else if (between instanceof Between.Series series) {
            return Words.show(series.resistance());
        } else if (between instanceof Between.Opto opto) {
            return Words.show(opto.series());
        }
        boolean isInWire = !between.isBeside() && !(between instanceof Between.ShifterWay);
        return isInWire && !(between instanceof Between.Nothing) ? kind(between) : "";
    }

    /** In a few words, for a row of figures. */
    public static String brief(Between between) {
        String piece = briefPiece(between);
        return between.capacitor()
                .map(value -> Words.say(
                        Fact.of("why.and_capacitor").with("piece", piece).with("capacitor", value)))
                .orElse(piece);
    }

    private static String briefPiece(Between between) {
        if (between instanceof Between.Divider divider) {
            return Words.say(
                    Fact.of("why.divider").with("series", divider.series()).with("to_ground", divider.toGround()));
        } else if (between instanceof Between.Series series) {
            return Words.show(series.resistance());
        } else if (between instanceof Between.Diode diode) {
            return Words.get("why.diode", "pull_up", diode.pullUp());
        } else if (between instanceof Between.PulledUp up) {
            return Words.get("why.pull_up", "pull_up", up.pullUp());
        } else if (between instanceof Between.PulledDown down) {
            return Words.get("why.pull_down", "to_ground", down.toGround());
        } else if (between instanceof Between.Opto opto) {
            return Words.say(Fact.of(opto.turnsOver() ? "why.opto" : "why.opto_from_supply")
                    .with("series", opto.series())
                    .with("pull_up", opto.pullUp()));
        } else if (between instanceof Between.ShifterWay way) {
            return Words.get("why.shifter_way", "way", way.way());
        } else if (between instanceof Between.Nothing) {
            return Words.get("why.left");
        }
        return kind(between);
    }

    /** What kind of thing it is, in one word. */
    public static String kind(Between between) {
        if (between instanceof Between.Divider) {
            return Words.get("wire.with_divider");
        } else if (between instanceof Between.Series) {
            return Words.get(between.capacitor().isPresent() ? "wire.with_low_pass" : "wire.with_resistor");
        } else if (between instanceof Between.Diode || between instanceof Between.FeedDiode) {
            return Words.get("wire.with_diode");
        } else if (between instanceof Between.Opto) {
            return Words.get("wire.with_opto");
        } else if (between instanceof Between.PulledUp) {
            return Words.get("wire.with_pull_up");
        } else if (between instanceof Between.PulledDown) {
            return Words.get("wire.with_pull_down");
        } else if (between instanceof Between.Nothing) {
            return Words.get("wire.with_nothing");
        }
        return between instanceof Between.CoilDriver
                ? Words.get("wire.with_transistor")
                : Words.get("wire.with_shifter");
    }
}
