package inkel.app.export;

import java.io.StringWriter;
import java.util.Locale;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/** Writes an SVG picture; all texts are escaped by the XML writer. */
final class Svg {
    static final String INK = "#1F2733";
    static final String STYLE = ".pin{font-family:Hack,monospace;text-anchor:end}"
            + ".thread{font-family:Hack,monospace}.quiet{fill:#665E50;font-size:11px}.name{font-weight:bold}"
            + ".right{text-anchor:end}.title{font-size:18px;font-weight:bold}"
            + ".sheet{fill:#FBF8F1;stroke:#D8CCB6}";

    private static final int UNKNOWN = 0xFFFD;
    private static final int LAST_OF_FIRST_PLANE = 0xFFFF;

    private final XMLStreamWriter out;

    private Svg(XMLStreamWriter out) {
        this.out = out;
    }

    /** Draws something. */
    interface Drawing {
        void on(Svg svg) throws XMLStreamException;
    }

    /** A picture of a size in pixels, with what it is called. */
    static String of(double width, double height, String name, Drawing drawing) {
        StringWriter text = new StringWriter();
        try {
            Svg svg = new Svg(XMLOutputFactory.newInstance().createXMLStreamWriter(text));
            svg.out.writeStartDocument("UTF-8", "1.0");
            svg.out.writeCharacters("\n");
            svg.out.writeStartElement("svg");
            svg.out.writeDefaultNamespace("http://www.w3.org/2000/svg");
            svg.attributes("width", number(width), "height", number(height));
            svg.attributes("viewBox", "0 0 " + number(width) + " " + number(height));
            // On the root and not for every text, so that a class can say otherwise in every reader.
            svg.attributes("font-family", "Inter, sans-serif", "font-size", "12", "fill", INK);
            svg.element("title", name);
            svg.element("style", STYLE);
            drawing.on(svg);
            svg.out.writeEndElement();
            svg.out.writeEndDocument();
            svg.out.flush();
            return text + "\n";
        } catch (XMLStreamException impossible) {
            throw new IllegalStateException("writing to memory failed", impossible);
        }
    }

    /** What is drawn is moved as a whole. */
    void moved(double x, double y, Drawing drawing) throws XMLStreamException {
        out.writeStartElement("g");
        attributes("transform", "translate(" + number(x) + " " + number(y) + ")");
        drawing.on(this);
        out.writeEndElement();
    }

    void line(double x1, double y1, double x2, double y2, String colour, double stroke) throws XMLStreamException {
        empty("line", "x1", number(x1), "y1", number(y1), "x2", number(x2), "y2", number(y2));
        attributes("stroke", colour, "stroke-width", number(stroke));
    }

    void rect(double x, double y, double width, double height, String... attributes) throws XMLStreamException {
        empty("rect", "x", number(x), "y", number(y), "width", number(width), "height", number(height));
        attributes(attributes);
    }

    void text(String words, double x, double y, String style) throws XMLStreamException {
        text(words, "class", style, "x", number(x), "y", number(y));
    }

    void text(String words, String... attributes) throws XMLStreamException {
        out.writeStartElement("text");
        attributes(attributes);
        out.writeCharacters(valid(words));
        out.writeEndElement();
    }

    void empty(String name, String... attributes) throws XMLStreamException {
        out.writeEmptyElement(name);
        attributes(attributes);
    }

    /** More of the element that was written last, which has no content. */
    void attributes(String... pairs) throws XMLStreamException {
        for (int i = 0; i < pairs.length; i += 2) {
            out.writeAttribute(pairs[i], pairs[i + 1]);
        }
    }

    private void element(String name, String words) throws XMLStreamException {
        out.writeStartElement(name);
        out.writeCharacters(valid(words));
        out.writeEndElement();
    }

    static String number(double value) {
        return String.format(Locale.ROOT, "%.1f", value);
    }

    /** What XML 1.0 has no letter for, such as control letters, stands as the mark of an unknown one. */
    private static String valid(String text) {
        StringBuilder valid = new StringBuilder();
        text.codePoints().forEach(letter -> valid.appendCodePoint(isValid(letter) ? letter : UNKNOWN));
        return valid.toString();
    }

    private static boolean isValid(int letter) {
        boolean isSpace = letter == '\t' || letter == '\n' || letter == '\r';
        return isSpace
                || letter >= ' ' && letter < Character.MIN_SURROGATE
                || letter > Character.MAX_SURROGATE && letter < UNKNOWN
                || letter > LAST_OF_FIRST_PLANE;
    }
}
