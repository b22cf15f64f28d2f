package inkel.app.export;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.Node;
import inkel.core.document.edit.RenameNode;
import inkel.core.document.edit.RenamePart;
import inkel.core.document.edit.SetPurpose;
import inkel.core.drawer.Drawer;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Pattern;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Names that do harm where they are taken for something else: a formula, markup, a control letter, a line of code. */
class OddNamesTest {
    @ParameterizedTest
    @ValueSource(
            strings = {
                "=1+1",
                "+1",
                "@x",
                "-1+1",
                "\t=1",
                "a\u0007b",
                "a\u0000b",
                "a\u001b[31m",
                "</svg><b>&amp;",
                "]]>",
                "*/ int x; /*",
                "\"\"\"",
                "a\nb",
                "a\\",
                "\u202eabc",
                "\ud800"
            })
    void noExportTakesThemForAnythingElse(String name) throws Exception {
        Build build = Given.build(Given.LOCKS);
        Node node = build.nodes().get(0);
        build = new RenameNode(node.id(), name).apply(build);
        build = new RenamePart(node.id(), "radio", name).apply(build);
        build = new SetPurpose(node.id(), "radio", name).apply(build);
        Assessment assessment = Assessment.assess(build, Given.CATALOG);
        for (var file : Exports.files("x", Drawer.EMPTY, assessment).entrySet()) {
            byte[] bytes = file.getValue().apply(assessment);
            String text = new String(bytes, StandardCharsets.UTF_8);
            assertTrue(bytes.length > 0, file.getKey());
            if (file.getKey().endsWith(".svg")) {
                DocumentBuilderFactory.newInstance().newDocumentBuilder().parse(new ByteArrayInputStream(bytes));
            } else if (file.getKey().endsWith(".csv")) {
                assertFalse(
                        Pattern.compile("(?m)(?:^|,)\"?[=+@\\t-][^,0-9]")
                                .matcher(text)
                                .find(),
                        file.getKey());
            } else if (List.of(".h", ".cpp", ".py").stream().anyMatch(file.getKey()::endsWith)) {
                // A comment to the end of its line ends there, and goes on behind a stroke at its end.
                assertTrue(
                        text.lines()
                                .noneMatch(line -> line.strip().startsWith("*/")
                                        || line.contains("/*") && line.indexOf("/*") < line.indexOf("//")
                                        || line.endsWith("\\")),
                        file.getKey());
                assertFalse(text.lines().anyMatch(line -> line.equals("b")), file.getKey());
            }
        }
    }
}
