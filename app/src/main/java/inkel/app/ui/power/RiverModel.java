package inkel.app.ui.power;

import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.power.FlowTree;
import inkel.core.power.PowerReport;
import inkel.core.quantity.Fact;
import inkel.core.remedy.RailNames;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Where everything of the river stands, from top to bottom. Within one source's flows widths and banks have one scale;
 * each source has its own, so that a small port beside a large supply can still be read.
 *
 * @param columns how many columns of bars there are
 * @param height what it all takes
 */
public record RiverModel(List<Bar> bars, List<Leaf> leaves, List<Flow> flows, int columns, double height) {
    static final double ROW = 20;
    /** Room above a bar for its name and figures. */
    public static final double LABEL = 36;

    private static final double GAP = 8;
    private static final double LEAST_BANK = 10;
    private static final double LEAST_FLOW = 1.5;
    private static final double LEAST_SHARE = 0.05;
    private static final double ROOM_FOR_WIDTHS = 1.2;
    private static final int STEPS = 9;
    private static final double LOW_VOLTS = 3.7;
    private static final double HIGH_VOLTS = 5.6;

    public RiverModel {
        bars = List.copyOf(bars);
        leaves = List.copyOf(leaves);
        flows = List.copyOf(flows);
    }

    /**
     * A rail.
     *
     * @param top of the bar itself; its label stands above
     * @param bank how tall its rating is
     * @param filled how tall its peak is; taller than the bank when it is asked for too much
     * @param isCut whether its rating is taller than is drawn
     */
    public record Bar(
            Endpoint rail,
            String name,
            String amount,
            int column,
            double top,
            double bank,
            double filled,
            Tone tone,
            boolean isCut) {
        public double bottom() {
            return top + Math.max(bank, filled);
        }
    }

    /** How a rail stands. */
    public enum Tone {
        FINE,
        NEAR,
        OVER,
        UNUSED
    }

    /** A load at the right end; {@code middle} is the height of its line of text. */
    public record Leaf(Endpoint pin, Endpoint rail, String name, String amount, double middle) {}

    /**
     * A band from a rail to another or to a load.
     *
     * @param toColumn the column of the rail it goes to, or the number of columns for a load
     * @param style the class of its look, after the voltage it carries
     */
    public record Flow(
            int fromColumn,
            double fromTop,
            double fromWidth,
            int toColumn,
            double toTop,
            double toWidth,
            String style,
            Endpoint target) {}

    /** Lays out a node's rails in the given height, or in more when they cannot be told apart in that. */
    public static RiverModel of(NodeCircuit node, double height) {
        List<FlowTree> trees = FlowTree.of(node);
        double goal = Math.max(height, layout(node, trees, 0, 0).height() * ROOM_FOR_WIDTHS);
        double thin = 0;
        double wide = 1;
        RiverModel best = layout(node, trees, goal, LEAST_SHARE);
        // The widest flows that still fit; heights grow with them, though not in proportion.
        for (int step = 0; step < STEPS; step++) {
            double share = step == 0 ? wide : (thin + wide) / 2;
            RiverModel tried = layout(node, trees, goal, Math.max(LEAST_SHARE, share));
            if (tried.height() <= goal + 0.5) {
                best = tried;
                thin = share;
            } else {
                wide = share;
            }
        }
        return best;
    }

    private static RiverModel layout(NodeCircuit node, List<FlowTree> trees, double height, double share) {
        double least = trees.stream().mapToDouble(RiverModel::leastHeight).sum() + GAP * trees.size();
        double rows = Math.max(1, trees.stream().mapToDouble(RiverModel::rows).sum());
        double extra = Math.max(0, height - least);
        Layout layout = new Layout(node);
        double y = 0;
        for (FlowTree tree : trees) {
            double room = leastHeight(tree) + extra * rows(tree) / rows;
            layout.scale = Math.max(ROW, room - LABEL) * share / Math.max(1e-3, largest(tree));
            y = layout.place(tree, 0, y).bottom() + GAP;
        }
        layout.bars.sort(Comparator.comparingDouble(Bar::top));
        layout.leaves.sort(Comparator.comparingDouble(Leaf::middle));
        return new RiverModel(layout.bars, layout.leaves, layout.flows, layout.columns, y - GAP);
    }

    private static double rows(FlowTree tree) {
        return tree.taps().size()
                + tree.branches().stream()
                        .mapToDouble(branch -> rows(branch.tree()))
                        .sum()
                + 0.5;
    }

    private static double leastHeight(FlowTree tree) {
        double inside = tree.taps().size() * ROW
                + tree.branches().stream()
                        .mapToDouble(branch -> leastHeight(branch.tree()) + GAP)
                        .sum();
        return LABEL + Math.max(LEAST_BANK, inside);
    }

    /** What the scale is made for: all that flows, and the bank where that is not much more. */
    private static double largest(FlowTree tree) {
        double peak = tree.rail().peak().amperes();
        return Math.max(peak, Math.min(tree.rail().rating().amperes(), 2 * peak));
    }

    /** Where a tree came to stand. */
    private record Placed(Bar bar, double bottom) {}

    /** Fills the lists from top to bottom. What ends at a rail stands above what is made from it, so that no flow crosses a bar. */
    private static final class Layout {
        private final NodeCircuit node;
        private final List<Bar> bars = new ArrayList<>();
        private final List<Leaf> leaves = new ArrayList<>();
        private final List<Flow> flows = new ArrayList<>();
        private double scale;
        private int columns = 1;

        Layout(NodeCircuit node) {
            this.node = node;
        }

        private double width(double amperes) {
            return Math.max(LEAST_FLOW, amperes * scale);
        }

        Placed place(FlowTree tree, int column, double top) {
            columns = Math.max(columns, column + 1);
            double y = top + LABEL;
            List<Double> middles = new ArrayList<>();
            for (FlowTree.Tap tap : tree.taps()) {
                double row = Math.max(ROW, width(tap.taken().amperes()) + 6);
                middles.add(y + row / 2);
                y += row;
            }
            List<Placed> below = new ArrayList<>();
            for (FlowTree.Branch branch : tree.branches()) {
                Placed placed = place(branch.tree(), column + 1, y);
                below.add(placed);
                y = placed.bottom() + GAP;
            }
            Bar bar = bar(tree.rail(), column, top + LABEL, y - top - LABEL);
            bars.add(bar);
            flowsOut(tree, bar, below, middles);
            return new Placed(bar, Math.max(y, bar.bottom()));
        }

        /** A bank that is much taller than what flows is cut off at the height of what stands beside it. */
        private Bar bar(Rail rail, int column, double top, double content) {
            double filled = rail.peak().amperes() * scale;
            double whole = rail.rating().amperes() * scale;
            double most = Math.max(Math.max(content, LEAST_BANK), filled + LEAST_BANK);
            double bank = Math.min(Math.max(LEAST_BANK, whole), most);
            boolean isUsed = !rail.all().isEmpty();
            Tone tone = !isUsed
                    ? Tone.UNUSED
                    : rail.isOver() ? Tone.OVER : PowerReport.isNear(rail) ? Tone.NEAR : Tone.FINE;
            String volts =
                    rail.volts().map(range -> Numbers.print(range.expected())).orElse(Words.get("river.no_volts"));
            return new Bar(
                    rail.id(),
                    Words.say(RailNames.of(node, rail.id())),
                    Words.say(Fact.of("river.amount." + (rail.isOver() ? "over" : isUsed ? "of" : "unused"))
                            .with("peak", rail.peak())
                            .with("rating", rail.rating())
                            .with("volts", volts)),
                    column,
                    top,
                    bank,
                    filled,
                    tone,
                    whole > most);
        }

        private void flowsOut(FlowTree tree, Bar bar, List<Placed> below, List<Double> middles) {
            String style = style(tree.rail());
            double out = taps(tree, bar, middles, style);
            for (int i = 0; i < below.size(); i++) {
                double taken = width(tree.branches().get(i).taken().amperes());
                Bar to = below.get(i).bar();
                flows.add(new Flow(
                        bar.column(),
                        out,
                        taken,
                        to.column(),
                        to.top(),
                        Math.max(LEAST_FLOW, to.filled()),
                        style,
                        to.rail()));
                out += taken;
            }
        }

        /** Answers where on the bar the next flow may begin. */
        private double taps(FlowTree tree, Bar bar, List<Double> middles, String style) {
            double out = bar.top();
            for (int i = 0; i < middles.size(); i++) {
                FlowTree.Tap tap = tree.taps().get(i);
                double taken = width(tap.taken().amperes());
                double middle = middles.get(i);
                flows.add(new Flow(
                        bar.column(), out, taken, Integer.MAX_VALUE, middle - taken / 2, taken, style, tap.pin()));
                leaves.add(
                        new Leaf(tap.pin(), tree.rail().id(), leafName(tap.pin()), Numbers.print(tap.taken()), middle));
                out += taken;
            }
            return out;
        }

        private String leafName(Endpoint pin) {
            var part = node.part(pin.part()).orElseThrow();
            String name = part.part().name();
            boolean hasSeveral = part.cls().supplies().stream()
                            .filter(supply -> part.part().feeds().containsKey(supply.pin()))
                            .count()
                    > 1;
            return hasSeveral
                    ? Words.say(Fact.of("river.load_pin").with("part", name).with("pin", pin.pin()))
                    : name;
        }

        private static String style(Rail rail) {
            double volts = rail.volts().map(range -> range.expected().volts()).orElse(0.0);
            return volts < LOW_VOLTS ? "flow-low" : volts < HIGH_VOLTS ? "flow-five" : "flow-high";
        }
    }
}
