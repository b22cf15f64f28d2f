package inkel.core.io.json;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonLocation;
import com.fasterxml.jackson.core.JsonParseException;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.core.StreamReadFeature;
import com.fasterxml.jackson.core.exc.StreamConstraintsException;
import com.fasterxml.jackson.core.io.JsonEOFException;
import com.fasterxml.jackson.core.util.DefaultIndenter;
import com.fasterxml.jackson.core.util.DefaultPrettyPrinter;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import inkel.core.quantity.Fact;
import java.io.IOException;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** JSON text as a tree, with the line of every value for messages about it. */
public final class JsonText {
    private static final int MAX_DEPTH = 64;

    private static final int MOST_EXPONENT = 400;
    private static final StreamReadConstraints LIMITS =
            StreamReadConstraints.builder().maxNestingDepth(MAX_DEPTH).build();

    private static final JsonFactory FACTORY = JsonFactory.builder()
            .streamReadConstraints(LIMITS)
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .build();

    private JsonText() {}

    /** The mapper, made when something is first written: reading goes without it and starts sooner. */
    public static JsonMapper mapper() {
        return Mapper.SHARED;
    }

    private static final class Mapper {
        static final JsonMapper SHARED = JsonMapper.builder().build();
    }

    /** @throws BadJson when the text is not JSON, or nested too deeply */
    public static JsonNode parse(String text) throws BadJson {
        try (JsonParser parser = FACTORY.createParser(text)) {
            if (parser.nextToken() == null) {
                throw new BadJson(Problem.ofFile(Fact.of("problem.empty")));
            }
            JsonNode tree = value(parser);
            if (parser.nextToken() != null) {
                throw new JsonParseException(parser, "there is more behind the end of the first value");
            }
            return tree;
        } catch (StreamConstraintsException tooDeep) {
            throw new BadJson(
                    new Problem(line(tooDeep), "", Fact.of("problem.too_deep").with("limit", MAX_DEPTH)));
        } catch (NumberTooLarge tooLarge) {
            throw new BadJson(new Problem(
                    line(tooLarge), "", Fact.of("problem.number_too_large").with("limit", MOST_EXPONENT)));
        } catch (JsonProcessingException notJson) {
            if (isCutOff(notJson)) {
                throw new BadJson(new Problem(line(notJson), "", Fact.of("problem.cut_off")));
            }
            throw new BadJson(new Problem(
                    line(notJson),
                    "",
                    Fact.of("problem.not_json").with("detail", firstLine(notJson.getOriginalMessage()))));
        } catch (IOException impossible) {
            throw new IllegalStateException("reading from a text in memory", impossible);
        }
    }

    /** The value at the parser's place, which is left on its last token. */
    private static JsonNode value(JsonParser parser) throws IOException {
        JsonNodeFactory nodes = JsonNodeFactory.instance;
        switch (parser.currentToken()) {
            case START_OBJECT:
                ObjectNode object = nodes.objectNode();
                while (parser.nextToken() != JsonToken.END_OBJECT) {
                    String key = parser.currentName();
                    parser.nextToken();
                    object.set(key, value(parser));
                }
                return object;
            case START_ARRAY:
                ArrayNode array = nodes.arrayNode();
                while (parser.nextToken() != JsonToken.END_ARRAY) {
                    array.add(value(parser));
                }
                return array;
            case VALUE_STRING:
                return nodes.textNode(parser.getText());
            case VALUE_TRUE, VALUE_FALSE:
                return nodes.booleanNode(parser.getBooleanValue());
            case VALUE_NULL:
                return nodes.nullNode();
            case VALUE_NUMBER_INT:
                return parser.getNumberType() == JsonParser.NumberType.INT
                        ? nodes.numberNode(parser.getIntValue())
                        : nodes.numberNode(parser.getBigIntegerValue());
            default:
                return nodes.numberNode(decimal(parser));
        }
    }

    /** A number that would take for ever to write out in full is refused. */
    private static BigDecimal decimal(JsonParser parser) throws IOException {
        BigDecimal value = parser.getDecimalValue();
        if (Math.abs((long) value.precision() - value.scale()) > MOST_EXPONENT) {
            throw new NumberTooLarge(parser);
        }
        return value;
    }

    private static final class NumberTooLarge extends JsonProcessingException {
        private static final long serialVersionUID = 1L;

        NumberTooLarge(JsonParser parser) {
            super("number too large", parser.currentTokenLocation());
        }
    }

    /** A value as plain Java objects: maps, lists, texts, numbers, flags and null. */
    public static Object plain(JsonNode node) {
        if (node.isObject()) {
            Map<String, Object> map = new LinkedHashMap<>();
            node.fields().forEachRemaining(field -> map.put(field.getKey(), plain(field.getValue())));
            return map;
        }
        if (node.isArray()) {
            List<Object> list = new ArrayList<>();
            node.forEach(entry -> list.add(plain(entry)));
            return list;
        }
        if (node.isNumber()) {
            return node.numberValue();
        }
        return node.isBoolean() ? (Object) node.booleanValue() : node.isNull() ? null : node.textValue();
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
    public static final class BadJson extends Exception {
        private static final long serialVersionUID = 1L;

        private final transient Problem problem;

        BadJson(Problem problem) {
            super(problem.toString());
            this.problem = problem;
        }

        public Problem problem() {
            return problem;
        }
    }

    /** Gives every problem the line of its field; a field that is not there gets the line of what should hold it. */
    public static List<Problem> located(String text, List<Problem> problems) {
        Map<String, Integer> lines = lines(text);
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

    private static Map<String, Integer> lines(String text) {
        Map<String, Integer> lines = new HashMap<>();
        try (JsonParser parser = FACTORY.createParser(text)) {
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

    /** The text of a file, with two blanks of indent and a line feed at the end. */
    public static String pretty(JsonNode tree) {
        DefaultPrettyPrinter printer = new DefaultPrettyPrinter()
                .withArrayIndenter(new DefaultIndenter("  ", "\n"))
                .withObjectIndenter(new DefaultIndenter("  ", "\n"));
        try {
            return mapper().writer(printer).writeValueAsString(tree) + "\n";
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("a tree of plain values", e);
        }
    }
}
