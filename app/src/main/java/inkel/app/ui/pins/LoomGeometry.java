package inkel.app.ui.pins;

import java.util.ArrayList;
import java.util.List;

/**
 * Where everything of a loom stands, in pixels of its field: threads from left to right, modules with their rows from top
 * to bottom. The picture on the screen and the one in a file both go by it.
 */
public final class LoomGeometry {
    static final double ROW = 20;
    static final double CARD_GAP = 8;
    static final double CARD_PAD = 9;
    public static final double NAME_WIDTH = 148;
    public static final double LABEL_WIDTH = 62;
    static final double LEFT = NAME_WIDTH + LABEL_WIDTH + 22;
    static final double RIGHT = 26;
    private static final double FOLDED_HEIGHT = 30;
    private static final double LEAST_STEP = 20;
    private static final double MOST_STEP = 56;
    private static final double LEAST_HEAD = 60;
    private static final double MOST_HEAD = 150;
    private static final double LETTER = 6.2;
    private static final int LEAST_ROWS = 2;

    private final LoomModel model;
    private final double step;
    private final double[] tops;
    private final List<LoomModel.Row> rows = new ArrayList<>();
    private final List<Double> middles = new ArrayList<>();
    private final double height;

    /** @param room how wide the field may be without scrolling */
    public LoomGeometry(LoomModel model, double room) {
        this.model = model;
        int count = Math.max(1, model.threads().size());
        step = Math.max(LEAST_STEP, Math.min(MOST_STEP, (room - LEFT - RIGHT) / count));
        tops = new double[model.modules().size()];
        double y = 0;
        for (int i = 0; i < tops.length; i++) {
            tops[i] = y;
            LoomModel.Module module = model.modules().get(i);
            if (!module.isFolded()) {
                double middle = y + CARD_PAD + ROW / 2;
                for (LoomModel.Row row : module.rows()) {
                    rows.add(row);
                    middles.add(middle);
                    middle += ROW;
                }
            }
            y += cardHeight(i) + CARD_GAP;
        }
        height = y;
    }

    public LoomModel model() {
        return model;
    }

    double step() {
        return step;
    }

    public double width() {
        return LEFT + step * model.threads().size() + RIGHT;
    }

    public double height() {
        return height;
    }

    public double cardTop(int module) {
        return tops[module];
    }

    public double cardHeight(int module) {
        LoomModel.Module shown = model.modules().get(module);
        return shown.isFolded()
                ? FOLDED_HEIGHT
                : 2 * CARD_PAD + Math.max(LEAST_ROWS, shown.rows().size()) * ROW;
    }

    /** The rows of all open modules, in order. */
    public List<LoomModel.Row> rows() {
        return rows;
    }

    /** The middle of a row. */
    public double y(int row) {
        return middles.get(row);
    }

    /** The middle of a thread. */
    public double x(int thread) {
        return LEFT + step / 2 + thread * step;
    }

    /** The thread nearest to a place across, −1 beside them all. */
    int threadAt(double x) {
        int thread = (int) Math.floor((x - LEFT) / step);
        return thread >= 0 && thread < model.threads().size() ? thread : -1;
    }

    /** The first row whose middle is at or below a height; as many as there are when none is. */
    int firstRowFrom(double top) {
        int low = 0;
        int high = rows.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (middles.get(middle) < top) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** How high the leaning names above the threads stand. */
    public double headHeight() {
        double longest = 0;
        for (LoomModel.Thread thread : model.threads()) {
            int tag = thread.tag().isEmpty() ? 0 : thread.tag().length() + 2;
            longest = Math.max(longest, thread.label().length() + tag);
        }
        return Math.min(MOST_HEAD, Math.max(LEAST_HEAD, 22 + longest * LETTER));
    }
}
