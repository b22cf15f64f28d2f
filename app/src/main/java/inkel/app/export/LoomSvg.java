package inkel.app.export;

import inkel.app.ui.kit.Knot;
import inkel.app.ui.pins.LoomGeometry;
import inkel.app.ui.pins.LoomModel;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.document.Node;
import java.util.List;
import java.util.Map;
import javax.xml.stream.XMLStreamException;

/** The loom of every board as one SVG picture, for paper: the same places as on the screen, in the colours of the day. */
public final class LoomSvg {
    private static final double ROOM = 900;
    private static final double TITLE = 34;
    private static final double GAP = 30;
    private static final double PAD = 16;
    private static final Map<String, String> COLOURS = Map.of(
            "spi", "#5454AD",
            "i2c", "#607154",
            "uart", "#59456F",
            "pwm", "#8C6416",
            "analog", "#5E4336",
            "digital", "#23716B",
            "supply", "#8B0800",
            "ground", "#1F2733");
    private final Svg out;

    private LoomSvg(Svg out) {
        this.out = out;
    }

    public static String of(Assessment assessment) {
        List<Node> nodes = assessment.build().nodes();
        List<LoomGeometry> looms = nodes.stream()
                .map(node -> new LoomGeometry(LoomModel.of(assessment, node.id()), ROOM))
                .toList();
        double width = looms.stream().mapToDouble(LoomGeometry::width).max().orElse(ROOM) + 2 * PAD;
        double height = PAD;
        for (LoomGeometry loom : looms) {
            height += TITLE + loom.headHeight() + loom.height() + GAP;
        }
        return Svg.of(width, height, assessment.build().name(), svg -> {
            double top = PAD;
            for (int i = 0; i < looms.size(); i++) {
                LoomGeometry loom = looms.get(i);
                String name = nodes.get(i).name();
                svg.moved(PAD, top, moved -> new LoomSvg(moved).loom(name, loom));
                top += TITLE + loom.headHeight() + loom.height() + GAP;
            }
        });
    }

    private void loom(String name, LoomGeometry loom) throws XMLStreamException {
        out.text(name, 0, 16, "title");
        double head = TITLE + loom.headHeight();
        for (int i = 0; i < loom.model().modules().size(); i++) {
            LoomModel.Module module = loom.model().modules().get(i);
            double top = head + loom.cardTop(i);
            out.rect(0, top, loom.width(), loom.cardHeight(i), "class", "sheet", "rx", "6");
            out.text(module.name(), 12, top + 21, "name");
            out.text(module.purpose(), 12, top + 38, "quiet");
        }
        for (int i = 0; i < loom.model().threads().size(); i++) {
            thread(loom, i, head);
        }
        for (int i = 0; i < loom.rows().size(); i++) {
            row(loom, i, head);
        }
    }

    private void thread(LoomGeometry loom, int number, double head) throws XMLStreamException {
        LoomModel.Thread thread = loom.model().threads().get(number);
        String colour =
                switch (thread.kind()) {
                    case GROUND -> COLOURS.get("ground");
                    case RAIL -> COLOURS.get("supply");
                    case PIN -> thread.isUsed() ? "#B5A688" : "#D6CAB2";
                };
        double x = loom.x(number);
        out.line(x, head - 8, x, head + loom.height(), colour, thread.kind() == LoomModel.Kind.PIN ? 1.5 : 2.5);
        out.text(
                thread.label() + (thread.tag().isEmpty() ? "" : " " + thread.tag()),
                "class",
                "thread",
                "transform",
                "translate(" + Svg.number(x + 4) + " " + Svg.number(head - 12) + ") rotate(-60)");
    }

    private void row(LoomGeometry loom, int number, double head) throws XMLStreamException {
        LoomModel.Row row = loom.rows().get(number);
        double y = head + loom.y(number);
        double left = LoomGeometry.NAME_WIDTH + LoomGeometry.LABEL_WIDTH;
        out.text(row.label(), left + 4, y + 4, "pin");
        if (row.thread() < 0) {
            if (row.isLoose()) {
                out.text(Words.get("loom.loose"), left + 12, y + 4, "quiet");
            }
            return;
        }
        boolean isClash = row.form() == Knot.Form.CLASH;
        String colour = isClash ? COLOURS.get("supply") : COLOURS.get(row.family());
        double x = loom.x(row.thread());
        out.line(left + 10, y, x, y, colour, 1.6);
        mark(row.mark(), x - 15, y, colour);
        knot(row.form(), x, y, colour);
    }

    /** A diamond is fixed by the board, a disc placed, a square held, a crossed ring a clash. */
    private void knot(Knot.Form form, double x, double y, String colour) throws XMLStreamException {
        switch (form) {
            case FIXED, HELD -> {
                out.rect(x - 4.8, y - 4.8, 9.6, 9.6, "fill", colour);
                if (form == Knot.Form.FIXED) {
                    out.attributes("transform", "rotate(45 " + Svg.number(x) + " " + Svg.number(y) + ")");
                }
            }
            default -> {
                boolean isHollow = form == Knot.Form.CLASH || form == Knot.Form.OPEN;
                out.empty("circle", "cx", Svg.number(x), "cy", Svg.number(y), "r", "5.5");
                out.attributes("fill", isHollow ? "#FBF8F1" : colour, "stroke", colour, "stroke-width", "2");
                if (form == Knot.Form.CLASH) {
                    out.line(x - 3, y - 3, x + 3, y + 3, colour, 2);
                    out.line(x - 3, y + 3, x + 3, y - 3, colour, 2);
                }
            }
        }
    }

    private void mark(LoomModel.Mark mark, double x, double y, String colour) throws XMLStreamException {
        double half =
                switch (mark) {
                    case NONE -> 0;
                    case RESISTORS -> 7;
                    case CONVERTER -> 5;
                    case TRANSISTOR, LEFT -> 4;
                };
        if (half > 0) {
            double tall = mark == LoomModel.Mark.CONVERTER ? 7 : 3.5;
            out.rect(x - half, y - tall, 2 * half, 2 * tall);
            out.attributes("rx", mark == LoomModel.Mark.TRANSISTOR || mark == LoomModel.Mark.LEFT ? "4" : "0");
            out.attributes("fill", "#FBF8F1", "stroke", colour, "stroke-width", "1.5");
        }
    }
}
