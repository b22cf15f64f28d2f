package inkel.app.export;

import inkel.app.ui.kit.Knot;
import inkel.app.ui.pins.LoomGeometry;
import inkel.app.ui.pins.LoomModel;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.document.Node;
import java.io.StringWriter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/** The loom of every board as one SVG picture, for paper: the same places as on the screen, in the colours of the day. */
public final class LoomSvg {
    private static final double ROOM = 900;
    private static final double TITLE = 34;
    private static final double GAP = 30;
    private static final double PAD = 16;
    private static final Map<String, String> COLOURS = Map.of(
            "spi", "#2E4C8B",
            "i2c", "#4F7A3A",
            "uart", "#7B3F73",
            "pwm", "#96690A",
            "analog", "#7A5230",
            "digital", "#1F7A7A",
            "supply", "#A8342B",
            "ground", "#1F2733");
    private static final String STYLE =
            "text{font-family:sans-serif;font-size:12px;fill:#1F2733}.pin{font-family:monospace;text-anchor:end}"
                    + ".thread{font-family:monospace}.quiet{fill:#665E50;font-size:11px}.name{font-weight:bold}"
                    + ".title{font-size:18px;font-weight:bold}.sheet{fill:#FBF8F1;stroke:#D8CCB6}";

    private final StringWriter text = new StringWriter();
    private final XMLStreamWriter out;

    private LoomSvg() throws XMLStreamException {
        out = XMLOutputFactory.newInstance().createXMLStreamWriter(text);
    }

    public static String of(Assessment assessment) {
        try {
            return new LoomSvg().draw(assessment);
        } catch (XMLStreamException impossible) {
            throw new IllegalStateException("writing to memory failed", impossible);
        }
    }

    private String draw(Assessment assessment) throws XMLStreamException {
        List<Node> nodes = assessment.build().nodes();
        List<LoomGeometry> looms = nodes.stream()
                .map(node -> new LoomGeometry(LoomModel.of(assessment, node.id()), ROOM))
                .toList();
        double width = looms.stream().mapToDouble(LoomGeometry::width).max().orElse(ROOM) + 2 * PAD;
        double height = PAD;
        for (LoomGeometry loom : looms) {
            height += TITLE + loom.headHeight() + loom.height() + GAP;
        }
        out.writeStartDocument("UTF-8", "1.0");
        out.writeCharacters("\n");
        out.writeStartElement("svg");
        out.writeDefaultNamespace("http://www.w3.org/2000/svg");
        attributes("width", number(width), "height", number(height));
        attributes("viewBox", "0 0 " + number(width) + " " + number(height));
        element("title", assessment.build().name());
        element("style", STYLE);
        double top = PAD;
        for (int i = 0; i < looms.size(); i++) {
            out.writeStartElement("g");
            attributes("transform", "translate(" + number(PAD) + " " + number(top) + ")");
            loom(nodes.get(i).name(), looms.get(i));
            out.writeEndElement();
            top += TITLE + looms.get(i).headHeight() + looms.get(i).height() + GAP;
        }
        out.writeEndElement();
        out.writeEndDocument();
        out.flush();
        return text + "\n";
    }

    private void loom(String name, LoomGeometry loom) throws XMLStreamException {
        text(name, 0, 16, "title");
        double head = TITLE + loom.headHeight();
        for (int i = 0; i < loom.model().modules().size(); i++) {
            LoomModel.Module module = loom.model().modules().get(i);
            double top = head + loom.cardTop(i);
            out.writeEmptyElement("rect");
            attributes("class", "sheet", "x", "0", "y", number(top), "rx", "6");
            attributes("width", number(loom.width()), "height", number(loom.cardHeight(i)));
            text(module.name(), 12, top + 21, "name");
            text(module.purpose(), 12, top + 38, "quiet");
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
        line(x, head - 8, x, head + loom.height(), colour, thread.kind() == LoomModel.Kind.PIN ? 1.5 : 2.5);
        out.writeStartElement("text");
        attributes("class", "thread");
        attributes("transform", "translate(" + number(x + 4) + " " + number(head - 12) + ") rotate(-60)");
        out.writeCharacters(thread.label() + (thread.tag().isEmpty() ? "" : " " + thread.tag()));
        out.writeEndElement();
    }

    private void row(LoomGeometry loom, int number, double head) throws XMLStreamException {
        LoomModel.Row row = loom.rows().get(number);
        double y = head + loom.y(number);
        double left = LoomGeometry.NAME_WIDTH + LoomGeometry.LABEL_WIDTH;
        text(row.label(), left + 4, y + 4, "pin");
        if (row.thread() < 0) {
            if (row.isLoose()) {
                text(Words.get("loom.loose"), left + 12, y + 4, "quiet");
            }
            return;
        }
        boolean isClash = row.form() == Knot.Form.CLASH;
        String colour = isClash ? COLOURS.get("supply") : COLOURS.get(row.family());
        double x = loom.x(row.thread());
        line(left + 10, y, x, y, colour, 1.6);
        mark(row.mark(), x - 15, y, colour);
        knot(row.form(), x, y, colour);
    }

    /** A diamond is fixed by the board, a disc placed, a square held, a crossed ring a clash. */
    private void knot(Knot.Form form, double x, double y, String colour) throws XMLStreamException {
        switch (form) {
            case FIXED, HELD -> {
                out.writeEmptyElement("rect");
                attributes("x", number(x - 4.8), "y", number(y - 4.8), "width", "9.6", "height", "9.6");
                attributes("fill", colour);
                if (form == Knot.Form.FIXED) {
                    attributes("transform", "rotate(45 " + number(x) + " " + number(y) + ")");
                }
            }
            default -> {
                boolean isHollow = form == Knot.Form.CLASH || form == Knot.Form.OPEN;
                out.writeEmptyElement("circle");
                attributes("cx", number(x), "cy", number(y), "r", "5.5");
                attributes("fill", isHollow ? "#FBF8F1" : colour, "stroke", colour, "stroke-width", "2");
                if (form == Knot.Form.CLASH) {
                    line(x - 3, y - 3, x + 3, y + 3, colour, 2);
                    line(x - 3, y + 3, x + 3, y - 3, colour, 2);
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
            out.writeEmptyElement("rect");
            attributes("x", number(x - half), "y", number(y - tall));
            attributes("width", number(2 * half), "height", number(2 * tall));
            attributes("rx", mark == LoomModel.Mark.TRANSISTOR || mark == LoomModel.Mark.LEFT ? "4" : "0");
            attributes("fill", "#FBF8F1", "stroke", colour, "stroke-width", "1.5");
        }
    }

    private void line(double x1, double y1, double x2, double y2, String colour, double stroke)
            throws XMLStreamException {
        out.writeEmptyElement("line");
        attributes("x1", number(x1), "y1", number(y1), "x2", number(x2), "y2", number(y2));
        attributes("stroke", colour, "stroke-width", number(stroke));
    }

    private void text(String words, double x, double y, String style) throws XMLStreamException {
        out.writeStartElement("text");
        attributes("class", style, "x", number(x), "y", number(y));
        out.writeCharacters(words);
        out.writeEndElement();
    }

    private void element(String name, String words) throws XMLStreamException {
        out.writeStartElement(name);
        out.writeCharacters(words);
        out.writeEndElement();
    }

    private void attributes(String... pairs) throws XMLStreamException {
        for (int i = 0; i < pairs.length; i += 2) {
            out.writeAttribute(pairs[i], pairs[i + 1]);
        }
    }

    private static String number(double value) {
        return String.format(Locale.ROOT, "%.1f", value);
    }
}
