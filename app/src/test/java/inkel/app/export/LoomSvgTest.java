package inkel.app.export;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.ui.pins.LoomModel;
import inkel.core.checks.Assessment;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;

class LoomSvgTest {
    private static Document read(String example) throws Exception {
        String svg = LoomSvg.of(Given.assessment(example));
        return DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new ByteArrayInputStream(svg.getBytes(StandardCharsets.UTF_8)));
    }

    private static List<Element> all(Document picture, String tag) {
        NodeList found = picture.getElementsByTagName(tag);
        List<Element> elements = new ArrayList<>();
        for (int i = 0; i < found.getLength(); i++) {
            elements.add((Element) found.item(i));
        }
        return elements;
    }

    private static List<String> texts(Document picture, String style) {
        return all(picture, "text").stream()
                .filter(text -> text.getAttribute("class").equals(style))
                .map(Element::getTextContent)
                .toList();
    }

    @Test
    void everyBoardThreadModuleAndPinIsInThePicture() throws Exception {
        Document picture = read(Given.LOCKS);
        assertEquals(List.of("Lower lock", "Pump house"), texts(picture, "title"));
        Assessment assessment = Given.assessment(Given.LOCKS);
        int pins = 0;
        int threads = 0;
        for (String node : List.of("lower-lock", "pump-house")) {
            LoomModel model = LoomModel.of(assessment, node);
            pins += model.shownRows();
            threads += model.threads().size();
        }
        assertEquals(pins, texts(picture, "pin").size());
        assertEquals(threads, texts(picture, "thread").size());
        assertTrue(texts(picture, "thread").contains("D13 SCK"));
        assertTrue(texts(picture, "name").contains("Tag reader"));
    }

    @Test
    void nothingStandsOutsideThePicture() throws Exception {
        Document picture = read(Given.FIRST_SKETCH);
        double width = Double.parseDouble(picture.getDocumentElement().getAttribute("width"));
        for (Element line : all(picture, "line")) {
            assertTrue(Double.parseDouble(line.getAttribute("x2")) < width);
        }
        // Two lines cross each clash; the handset's is one.
        assertTrue(all(picture, "circle").stream()
                .anyMatch(circle -> circle.getAttribute("fill").equals("#FBF8F1")));
    }
}
