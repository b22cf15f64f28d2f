package inkel.app.export;

import inkel.app.ui.power.RiverModel;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import java.util.List;
import java.util.Map;
import javax.xml.stream.XMLStreamException;

/** The flows from supplies over rails to loads of every board as one SVG picture, for paper, in the colours of the day. */
public final class RiverSvg {
    private static final double ROOM = 900;
    private static final double HEIGHT = 420;
    private static final double LEAVES = 244;
    private static final double BAR = 66;
    private static final double TITLE = 40;
    private static final double GAP = 30;
    private static final double PAD = 16;
    private static final String FULL = "#96690A";
    private static final String OVER = "#BE0033";
    private static final Map<String, String> COLOURS =
            Map.of("flow-low", "#DDBB68", "flow-five", "#C0A374", "flow-high", "#CD8378");

    private final RiverModel river;
    private final Svg out;

    private RiverSvg(RiverModel river, Svg out) {
        this.river = river;
        this.out = out;
    }

    public static String of(Assessment assessment) {
        List<NodeCircuit> nodes = assessment.reports().circuit().nodes();
        List<RiverModel> rivers =
                nodes.stream().map(node -> RiverModel.of(node, HEIGHT)).toList();
        double height = PAD
                + rivers.stream()
                        .mapToDouble(river -> TITLE + river.height() + GAP)
                        .sum();
        return Svg.of(ROOM + 2 * PAD, height, assessment.build().name(), svg -> {
            double top = PAD;
            for (int i = 0; i < rivers.size(); i++) {
                RiverModel river = rivers.get(i);
                svg.text(nodes.get(i).node().name(), PAD, top + 16, "title");
                svg.moved(PAD, top + TITLE, moved -> new RiverSvg(river, moved).draw());
                top += TITLE + river.height() + GAP;
            }
        });
    }

    private double x(int column) {
        return column == Integer.MAX_VALUE ? ROOM - LEAVES : column * (ROOM - LEAVES - BAR / 2) / river.columns();
    }

    private void draw() throws XMLStreamException {
        for (RiverModel.Flow flow : river.flows()) {
            flow(flow);
        }
        for (RiverModel.Bar bar : river.bars()) {
            bar(bar);
        }
        for (RiverModel.Leaf leaf : river.leaves()) {
            out.text(leaf.name(), x(Integer.MAX_VALUE) + 8, leaf.middle() + 4, "leaf");
            out.text(leaf.amount(), ROOM, leaf.middle() + 4, "pin");
        }
    }

    private void flow(RiverModel.Flow flow) throws XMLStreamException {
        double left = x(flow.fromColumn()) + BAR;
        double right = x(flow.toColumn());
        double middle = (left + right) / 2;
        String path = "M" + at(left, flow.fromTop())
                + "C" + at(middle, flow.fromTop()) + at(middle, flow.toTop()) + at(right, flow.toTop())
                + "L" + at(right, flow.toTop() + flow.toWidth())
                + "C" + at(middle, flow.toTop() + flow.toWidth())
                + at(middle, flow.fromTop() + flow.fromWidth())
                + at(left, flow.fromTop() + flow.fromWidth())
                + "Z";
        out.empty("path", "d", path, "fill", COLOURS.get(flow.style()), "fill-opacity", "0.62");
    }

    private static String at(double x, double y) {
        return Svg.number(x) + " " + Svg.number(y) + " ";
    }

    private void bar(RiverModel.Bar bar) throws XMLStreamException {
        double x = x(bar.column());
        boolean isOver = bar.tone() == RiverModel.Tone.OVER;
        out.text(bar.name(), x + 2, bar.top() - RiverModel.LABEL + 13, "name");
        out.text(bar.amount(), x + 2, bar.top() - RiverModel.LABEL + 28, "quiet");
        out.rect(x, bar.top(), BAR, bar.bank(), "fill", "#FFFFFF", "stroke", "#B5A688", "rx", "3");
        double filled = Math.min(bar.filled(), bar.bank());
        out.rect(x + 2, bar.top() + 1, BAR - 4, Math.max(1, filled - 2), "fill", isOver ? OVER : FULL);
        if (bar.filled() > bar.bank()) {
            out.rect(x, bar.top() + bar.bank(), BAR, bar.filled() - bar.bank(), "fill", "#E3B4AC", "stroke", OVER);
        }
    }
}
