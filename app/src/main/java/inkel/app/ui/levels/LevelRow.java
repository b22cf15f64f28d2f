package inkel.app.ui.levels;

import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Pressable;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.document.Place;
import inkel.core.formula.LevelCheck;
import inkel.core.formula.Verdict;
import inkel.core.levels.Judged;
import java.util.List;
import java.util.Locale;
import javafx.css.PseudoClass;
import javafx.scene.layout.Region;

/** One wire in the list: whose signal it is, where its levels lie of what is understood, and the verdict in a word. */
final class LevelRow extends Pressable {
    static final double HEIGHT = 40;
    /** With less room than this for the names, they take that of the small picture. */
    private static final double LEAST_NAME = 100;

    private static final double SIDE = 12;
    private static final double RULER = 84;
    private static final double WORD = 76;
    private static final double THICK = 7;

    private final LevelEntry entry;
    private final Judged judged;
    private final Line part;
    private final Line signal;
    private final Line word;
    private final Region track = Ui.region("level-track");
    private final Region low = Ui.region("level-mark");
    private final Region high = Ui.region("level-mark");

    LevelRow(LevelEntry entry, Runnable choose) {
        super(choose, "level-row");
        this.entry = entry;
        judged = entry.judged();
        Place place = entry.place();
        setId("level-" + place.part() + "-" + place.pin());
        part = new Line(entry.name(), "level-part");
        signal = new Line(place.pin(), "level-signal");
        String verdict = Words.get("verdict." + verdict(entry));
        word = new Line(verdict, "level-word", tone(entry));
        setAccessibleText(entry.name() + " " + place.pin() + ", " + verdict);
        pseudoClassStateChanged(
                PseudoClass.getPseudoClass(
                        judged.verdict().name().toLowerCase(Locale.ROOT).replace('_', '-')),
                true);
        getChildren().addAll(part, signal, word, track, low, high);
        Ui.tip(this, getAccessibleText());
    }

    private static boolean isShifted(LevelEntry entry) {
        Judged judged = entry.judged();
        return judged.verdict() == Verdict.FINE
                && !entry.isWrong()
                && judged.between().isPresent();
    }

    private static String verdict(LevelEntry entry) {
        if (entry.isWrong()) {
            return "wrong";
        }
        return isShifted(entry) ? "through" : entry.judged().verdict().name().toLowerCase(Locale.ROOT);
    }

    private static String tone(LevelEntry entry) {
        if (isShifted(entry)) {
            return "shifted-text";
        }
        return Ladders.tone(entry.isWrong() ? Verdict.HARMS : entry.judged().verdict());
    }

    LevelEntry entry() {
        return entry;
    }

    @Override
    protected double computePrefHeight(double width) {
        return HEIGHT;
    }

    @Override
    protected void layoutChildren() {
        double right = getWidth() - SIDE;
        double ruler = right - WORD - RULER;
        boolean hasRoom = ruler - SIDE >= LEAST_NAME;
        for (Region drawn : List.of(track, low, high)) {
            drawn.setVisible(hasRoom);
        }
        double names = (hasRoom ? ruler : right - word.width()) - SIDE - 8;
        part.place(SIDE, 3, names);
        signal.place(SIDE, 20, names);
        word.placeRight(right, (HEIGHT - word.height()) / 2);
        double base = HEIGHT / 2 + 6;
        track.resizeRelocate(ruler, base, RULER, 1.5);
        LevelCheck check = judged.check();
        double levels = Math.max(check.vih().volts(), check.vohMax().volts());
        double top = Math.max(levels, Math.min(check.absoluteMax().volts(), LadderModel.MOST_ABOVE * levels));
        double scale = RULER / Math.max(1, top);
        low.resizeRelocate(ruler, base - THICK, Math.max(4, check.volMax().volts() * scale), THICK);
        double from = check.vohMin().volts() * scale;
        double to = check.vohMax().volts() * scale;
        high.resizeRelocate(ruler + Math.min(from, RULER - 5), base - THICK, Math.max(5, to - from), THICK);
    }
}
