package inkel.app.ui.parts;

import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Pressable;
import inkel.app.ui.kit.TextSize;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.catalog.CatalogSearch;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import javafx.css.PseudoClass;
import javafx.scene.layout.Region;

/** A class of part that was found: its name, how much of the question it answers, and its labels. */
final class ResultCard extends Pressable {
    static final double HEIGHT = 104;

    private static final PseudoClass ASKED = PseudoClass.getPseudoClass("asked");
    private static final PseudoClass WHOLE = PseudoClass.getPseudoClass("whole");
    private static final double SIDE = 12;
    private static final double CHIP_HEIGHT = 19;
    private static final double CHIP_PADDING = 6;
    private static final double GAP = 5;
    private static final double CHIPS_TOP = 52;

    private final CatalogSearch.Hit hit;
    private Line name;
    private Line match;
    private Line summary;
    private final List<Chip> chips = new ArrayList<>();

    /** One label of the part. */
    private record Chip(Region ground, Line text) {}

    ResultCard(CatalogSearch.Hit hit, Runnable choose) {
        super(choose, "result-card");
        this.hit = hit;
        setId("result-" + hit.cls().id());
        pseudoClassStateChanged(WHOLE, isWhole());
        setAccessibleText(hit.cls().name() + ", " + matchText());
        Ui.tip(this, hit.cls().name() + ": " + hit.cls().summary());
    }

    PartClass cls() {
        return hit.cls();
    }

    private boolean isWhole() {
        return !hit.pins().isEmpty() && hit.pins().size() == hit.asked();
    }

    private String matchText() {
        return hit.pins().isEmpty()
                ? ""
                : Words.say(Fact.of("finder.match")
                        .with("matched", hit.pins().size())
                        .with("asked", hit.asked()));
    }

    /** Makes what the card shows, once. */
    void fill() {
        if (name != null) {
            return;
        }
        name = new Line(hit.cls().name(), "result-title");
        match = new Line(matchText(), isWhole() ? "good-text" : "quiet", "small");
        summary = new Line(hit.cls().summary(), "result-summary", "quiet", "small");
        getChildren().addAll(name, match, summary);
        Set<Integer> asked = new HashSet<>(hit.pins());
        // What was asked for is shown first, since there may not be room for all.
        List<Integer> order = new ArrayList<>(hit.pins());
        for (int i = 0; i < hit.cls().pins().size(); i++) {
            if (!asked.contains(i)) {
                order.add(i);
            }
        }
        Set<String> shown = new HashSet<>();
        for (int index : order) {
            Pin pin = hit.cls().pins().get(index);
            if (shown.add(pin.label()) && chips.size() < 16) {
                chips.add(chip(pin, asked.contains(index)));
            }
        }
        requestLayout();
    }

    private Chip chip(Pin pin, boolean isAsked) {
        Region ground = new Region();
        ground.getStyleClass().add("label-chip");
        ground.pseudoClassStateChanged(ASKED, isAsked);
        Line text = new Line(pin.label(), "label-chip-text");
        text.pseudoClassStateChanged(ASKED, isAsked);
        getChildren().addAll(ground, text);
        return new Chip(ground, text);
    }

    @Override
    protected double computePrefHeight(double width) {
        return HEIGHT;
    }

    @Override
    protected void layoutChildren() {
        if (name == null) {
            return;
        }
        double right = getWidth() - SIDE;
        // Names that differ by their last word must be read to it: then one line of labels less.
        name.setWrappingWidth(right - SIDE);
        name.relocate(SIDE, 9);
        double down = Math.max(0, name.height() - TextSize.height("x", name.getFont(), 0));
        match.place(SIDE, 30 + down, right - SIDE);
        double left = match.width() > 0 ? SIDE + match.width() + 8 : SIDE;
        summary.place(left, 30 + down, right - left);
        double x = SIDE;
        double y = CHIPS_TOP + down;
        for (Chip chip : chips) {
            double width = Math.ceil(chip.text.width()) + 2 * CHIP_PADDING;
            if (x + width > right) {
                x = SIDE;
                y += CHIP_HEIGHT + GAP;
            }
            boolean fits = y + CHIP_HEIGHT <= HEIGHT - 6;
            chip.ground.setVisible(fits);
            chip.text.setVisible(fits);
            chip.ground.resizeRelocate(x, y, width, CHIP_HEIGHT);
            chip.text.relocate(x + CHIP_PADDING, y + (CHIP_HEIGHT - chip.text.height()) / 2);
            x += width + GAP;
        }
    }
}
