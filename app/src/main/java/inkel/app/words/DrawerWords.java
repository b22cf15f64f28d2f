package inkel.app.words;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.PartClass;
import inkel.core.drawer.Adapter;
import inkel.core.drawer.Drawer;
import inkel.core.drawer.Item;
import inkel.core.drawer.Shopping;
import inkel.core.drawer.Substitute;
import inkel.core.formula.Markings;
import inkel.core.formula.PitchFit;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Length;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/** What things of a drawer are called, and how they are told apart by eye. */
public final class DrawerWords {
    /** In farads; larger ones often have their value printed as it is. */
    private static final double PLAIN = 1e-6;

    private DrawerWords() {}

    public static String name(Item item, Catalog catalog) {
        return switch (item.sort()) {
            case PART ->
                catalog.find(item.what())
                        .map(PartClass::name)
                        .orElseGet(() -> Words.get("drawer.gone", "id", item.what()));
            case BREADBOARD -> Words.get("have.breadboard." + item.what());
            case RESISTOR, CAPACITOR, CRYSTAL ->
                Words.get("have." + item.sort().text(), "value", item.quantity().orElseThrow());
            case SEMICONDUCTOR -> Words.get("have." + item.what().replace('-', '_'));
            case ADAPTER -> Adapter.parse(item.what()).map(DrawerWords::adapter).orElse(item.what());
            case HEADER ->
                Words.get("drawer.header", "pins", Integer.valueOf(item.what().replace(" pins", "")));
            case WIRE ->
                Words.get(
                        "jumper.line",
                        "jumper",
                        Words.get("jumper." + item.what().replace('-', '_'), "length", item.centimetres()));
        };
    }

    private static String adapter(Adapter adapter) {
        Fact said = Fact.of(adapter.pad().isPresent() ? "drawer.adapter.pad" : "drawer.adapter")
                .with("pads", adapter.pads())
                .with("pitch", Numbers.print(adapter.pitch()));
        return Words.say(
                adapter.pad().map(pad -> said.with("pad", Numbers.print(pad))).orElse(said));
    }

    /** The colours of a resistor's bands; none for anything else, or where bands do not tell it. */
    public static List<String> bands(Item item) {
        return item.sort() == Item.Sort.RESISTOR
                ? Markings.bands(item.value()).orElse(List.of()).stream()
                        .map(band -> band.name().toLowerCase(Locale.ROOT))
                        .toList()
                : List.of();
    }

    /** How it is told by eye: its bands in words, or what is printed on it; empty where nothing is known. */
    public static String mark(Item item) {
        if (item.sort() == Item.Sort.CAPACITOR) {
            return Markings.code(item.value())
                    .map(code -> Words.say(Fact.of(item.value() < PLAIN ? "drawer.print" : "drawer.print.large")
                            .with("code", code)
                            .with("value", item.quantity().orElseThrow())))
                    .orElse("");
        }
        return bands(item).stream().map(band -> Words.get("band." + band)).collect(Collectors.joining(" "));
    }

    /** How a chip lies on each other adapter board of the drawer; nothing for what is no adapter board. */
    public static List<String> fits(Item wanted, Drawer drawer, Catalog catalog) {
        return Shopping.adapters(wanted, drawer).entrySet().stream()
                .map(each -> fit(name(each.getKey(), catalog), each.getValue()))
                .toList();
    }

    private static String fit(String adapter, PitchFit fit) {
        String key = fit.fits()
                ? "table.fits"
                : !fit.hasPads() ? "table.few_pads" : fit.betweenPads() ? "table.fits_between" : "table.fits_not";
        return Words.say(
                Fact.of(key).with("what", adapter).with("off", Numbers.print(Length.ofMetres(fit.worstMetres()))));
    }

    /** What would make it, or does. */
    public static Optional<String> substitute(Shopping.Line line, Catalog catalog) {
        return line.substitute().map(by -> substitute(by, line.isAgreed(), catalog));
    }

    private static String substitute(Substitute by, boolean isAgreed, Catalog catalog) {
        String how = by.count() == 1 ? "one" : by.isInRow() ? "row" : "side";
        return Words.say(Fact.of((isAgreed ? "drawer.agreed." : "drawer.offer.") + how)
                .with("count", by.count())
                .with("what", name(by.item(), catalog)));
    }
}
