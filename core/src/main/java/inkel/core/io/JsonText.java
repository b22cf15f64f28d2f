package inkel.core.io;

import com.fasterxml.jackson.core.JsonLocation;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.core.StreamReadFeature;
import com.fasterxml.jackson.core.exc.StreamConstraintsException;
import com.fasterxml.jackson.core.io.JsonEOFException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import inkel.core.quantity.Fact;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** JSON text as a tree, with the line of every value for messages about it. */
final class JsonText {
    private static final int MAX_DEPTH = 64;
    private static final StreamReadConstraints LIMITS =
            StreamReadConstraints.builder().maxNestingDepth(MAX_DEPTH).build();

    static final JsonMapper MAPPER = JsonMapper.builder(com.fasterxml.jackson.core.JsonFactory.builder()
                    .streamReadConstraints(LIMITS)
                    .build())
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .build();

    private final String text;

    private JsonText(String text) {
        this.text = text;
    }

    /** @throws BadJson when the text is not JSON, or nested too deeply */
    static JsonNode parse(String text) throws BadJson {
        try {
            JsonNode tree = MAPPER.readTree(text);
            if (tree == null || tree.isMissingNode()) {
                throw new BadJson(Problem.ofFile(Fact.of("problem.empty")));
            }
            return tree;
        } catch (StreamConstraintsException tooDeep) {
            throw new BadJson(
                    new Problem(line(tooDeep), "", Fact.of("problem.too_deep").with("limit", MAX_DEPTH)));
        } catch (JsonProcessingException notJson) {
            if (isCutOff(notJson)) {
                throw new BadJson(new Problem(line(notJson), "", Fact.of("problem.cut_off")));
            }
            throw new BadJson(new Problem(
                    line(notJson),
                    "",
                    Fact.of("problem.not_json").with("detail", firstLine(notJson.getOriginalMessage()))));
        }
    }

    /** The parser's own exception may come wrapped by the tree reader. */
    private static boolean isCutOff(JsonProcessingException e) {
        return e instanceof JsonEOFException
                || e.getCause() instanceof JsonEOFException
                || e.getOriginalMessage().startsWith("Unexpected end-of-input");
    }

    private static int line(JsonProcessingException e) {
        JsonLocation location = e.getLocation();
        return location == null ? 0 : Math.max(0, location.getLineNr());
    }

    private static String firstLine(String message) {
        int end = message.indexOf('\n');
        return end < 0 ? message : message.substring(0, end);
    }

    /** The text is not JSON. */
    static final class BadJson extends Exception {
        private static final long serialVersionUID = 1L;

        private final transient Problem problem;

        BadJson(Problem problem) {
            super(problem.toString());
            this.problem = problem;
        }

        Problem problem() {
            return problem;
        }
    }

    /** Gives every problem the line of its field; a field that is not there gets the line of what should hold it. */
    static List<Problem> located(String text, List<Problem> problems) {
        Map<String, Integer> lines = new JsonText(text).lines();
        List<Problem> located = new ArrayList<>();
        for (Problem problem : problems) {
            String at = problem.field();
            while (!lines.containsKey(at) && at.contains("/")) {
                at = at.substring(0, at.lastIndexOf('/'));
            }
            located.add(new Problem(lines.getOrDefault(at, 0), problem.field(), problem.reason()));
        }
        return located;
    }

    private Map<String, Integer> lines() {
        Map<String, Integer> lines = new HashMap<>();
        try (JsonParser parser = MAPPER.getFactory().createParser(text)) {
            parser.nextToken();
            while (parser.currentToken() != null) {
                lines.putIfAbsent(
                        parser.getParsingContext().pathAsPointer().toString(),
                        parser.currentTokenLocation().getLineNr());
                parser.nextToken();
            }
        } catch (IOException e) {
            throw new IllegalStateException("text that was read as JSON before", e);
        }
        return lines;
    }
}
