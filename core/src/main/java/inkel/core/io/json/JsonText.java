package inkel.core.io.json;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonLocation;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.core.PrettyPrinter;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.core.exc.StreamConstraintsException;
import com.fasterxml.jackson.core.io.JsonEOFException;
import com.fasterxml.jackson.core.util.DefaultIndenter;
import com.fasterxml.jackson.core.util.DefaultPrettyPrinter;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import inkel.core.quantity.Fact;
import java.io.IOException;
import java.io.StringWriter;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;

/** JSON text as a tree, with the line of every value for messages about it. */
public final class JsonText {
    private static final int MAX_DEPTH = 64;

    private static final int MOST_EXPONENT = 400;
    private static final int MOST_DIGITS = 1000;
    private static final int MOST_KEY = 50_000;

    /** Whole letters are matched as one, so that only halves are found. */
    private static final Pattern HALF = Pattern.compile("[\\ud800-\\udfff]");

    /** How much of a line is shown where it cannot be read. */
    private static final int MOST_FOUND = 24;

    private static final StreamReadConstraints LIMITS = StreamReadConstraints.builder()
            .maxNestingDepth(MAX_DEPTH)
            .maxNumberLength(MOST_DIGITS)
            .maxNameLength(MOST_KEY)
            .build();

    private static final JsonFactory FACTORY =
            JsonFactory.builder().streamReadConstraints(LIMITS).build();

    private JsonText() {}

    /** An object without fields yet. */
    public static ObjectNode object() {
        return JsonNodeFactory.instance.objectNode();
    }

    public static ArrayNode array() {
        return JsonNodeFactory.instance.arrayNode();
    }

    /** @throws BadJson when the text is not JSON, nested too deeply, or has a key twice or a number of no use */
    public static JsonNode parse(String text) throws BadJson {
        try (JsonParser parser = FACTORY.createParser(text)) {
            return whole(parser, text);
        } catch (IOException impossible) {
            throw new IllegalStateException("reading from a text in memory", impossible);
        }
    }

    private static JsonNode whole(JsonParser parser, String text) throws BadJson, IOException {
        try {
            if (parser.nextToken() == null) {
                throw new BadJson(Problem.ofFile(Fact.of("problem.empty")));
            }
            JsonNode tree = value(parser);
            if (hasMore(parser)) {
                throw bad(parser, Fact.of("problem.more_behind"));
            }
            return tree;
        } catch (StreamConstraintsException tooMuch) {
            throw bad(parser, tooMuch(parser));
        } catch (JsonProcessingException notJson) {
            JsonLocation at = notJson.getLocation();
            boolean isCutOff = notJson instanceof JsonEOFException
                    || at.getCharOffset() >= text.stripTrailing().length();
            if (isCutOff) {
                throw new BadJson(new Problem(line(at), "", Fact.of("problem.cut_off")));
            }
            throw new BadJson(
                    new Problem(line(at), "", Fact.of("problem.not_json").with("found", from(text, at))));
        }
    }

    private static boolean hasMore(JsonParser parser) throws IOException {
        try {
            return parser.nextToken() != null;
        } catch (JsonProcessingException noJsonEither) {
            return true;
        }
    }

    private static Fact tooMuch(JsonParser parser) {
        if (parser.getParsingContext().getNestingDepth() >= MAX_DEPTH) {
            return Fact.of("problem.too_deep").with("limit", MAX_DEPTH);
        }
        return Fact.of("problem.too_long").with("limit", MOST_DIGITS).with("key_limit", MOST_KEY);
    }

    private static BadJson bad(JsonParser parser, Fact reason) {
        return new BadJson(new Problem(line(parser.currentTokenLocation()), "", reason));
    }

    /** What stands at a place of the text, up to the end of its line. */
    private static String from(String text, JsonLocation at) {
        int start = (int) Math.max(0, Math.min(text.length(), at.getCharOffset()) - 1);
        while (start > 0 && Character.isLetterOrDigit(text.charAt(start - 1))) {
            start--;
        }
        String rest = text.substring(start, Math.min(text.length(), start + MOST_FOUND));
        return rest.lines().findFirst().orElse("").strip();
    }

    /** The value at the parser's place, which is left on its last token. */
    private static JsonNode value(JsonParser parser) throws IOException, BadJson {
        JsonNodeFactory nodes = JsonNodeFactory.instance;
        switch (parser.currentToken()) {
            case START_OBJECT:
                ObjectNode object = nodes.objectNode();
                while (parser.nextToken() != JsonToken.END_OBJECT) {
                    String key = parser.currentName();
                    if (object.has(key)) {
                        throw bad(parser, Fact.of("problem.key_twice").with("key", key));
                    }
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
    private static BigDecimal decimal(JsonParser parser) throws IOException, BadJson {
        Fact tooLarge = Fact.of("problem.number_too_large").with("limit", MOST_EXPONENT);
        try {
            BigDecimal value = parser.getDecimalValue();
            if (Math.abs((long) value.precision() - value.scale()) <= MOST_EXPONENT) {
                return value;
            }
        } catch (NumberFormatException exponentOfTooManyDigits) {
            throw bad(parser, tooLarge);
        }
        throw bad(parser, tooLarge);
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

    /** What {@link #plain} made of a value as that value again. */
    public static JsonNode tree(Object plain) {
        JsonNodeFactory nodes = JsonNodeFactory.instance;
        if (plain instanceof Map<?, ?> map) {
            ObjectNode object = nodes.objectNode();
            map.forEach((key, value) -> object.set(key.toString(), tree(value)));
            return object;
        }
        if (plain instanceof List<?> list) {
            ArrayNode array = nodes.arrayNode();
            list.forEach(value -> array.add(tree(value)));
            return array;
        }
        if (plain instanceof Boolean flag) {
            return nodes.booleanNode(flag);
        }
        if (plain instanceof Integer number) {
            return nodes.numberNode(number);
        }
        if (plain instanceof Long number) {
            return nodes.numberNode(number);
        }
        if (plain instanceof Double number) {
            return nodes.numberNode(number);
        }
        if (plain instanceof BigInteger number) {
            return nodes.numberNode(number);
        }
        if (plain instanceof BigDecimal number) {
            return nodes.numberNode(number);
        }
        return plain == null ? nodes.nullNode() : nodes.textNode((String) plain);
    }

    private static int line(JsonLocation location) {
        return location == null ? 0 : Math.max(0, location.getLineNr());
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
        return escaped(written(tree, printer)) + "\n";
    }

    /** A value in one line, without blanks. */
    public static String compact(JsonNode tree) {
        return written(tree, null);
    }

    /** Without the library's mapper, whose making takes longer than reading a build. */
    private static String written(JsonNode tree, PrettyPrinter printer) {
        StringWriter text = new StringWriter();
        try (JsonGenerator out = FACTORY.createGenerator(text)) {
            out.setPrettyPrinter(printer);
            write(tree, out);
        } catch (IOException impossible) {
            throw new IllegalStateException("writing into memory", impossible);
        }
        return text.toString();
    }

    private static void write(JsonNode value, JsonGenerator out) throws IOException {
        switch (value.getNodeType()) {
            case OBJECT:
                out.writeStartObject();
                for (Map.Entry<String, JsonNode> field : value.properties()) {
                    out.writeFieldName(field.getKey());
                    write(field.getValue(), out);
                }
                out.writeEndObject();
                break;
            case ARRAY:
                out.writeStartArray();
                for (JsonNode entry : value) {
                    write(entry, out);
                }
                out.writeEndArray();
                break;
            case STRING:
                out.writeString(value.textValue());
                break;
            case BOOLEAN:
                out.writeBoolean(value.booleanValue());
                break;
            case NUMBER:
                number(value, out);
                break;
            default:
                out.writeNull();
        }
    }

    private static void number(JsonNode value, JsonGenerator out) throws IOException {
        if (value.isBigDecimal()) {
            out.writeNumber(value.decimalValue());
        } else if (value.isIntegralNumber()) {
            out.writeNumber(value.bigIntegerValue());
        } else {
            out.writeNumber(value.doubleValue());
        }
    }

    /** Half of a letter outside the first plane has no bytes in UTF-8; it can only stand in a text, and there as an escape. */
    private static String escaped(String json) {
        boolean isPlain = json.chars().noneMatch(letter -> Character.isSurrogate((char) letter));
        return isPlain
                ? json
                : HALF.matcher(json)
                        .replaceAll(half ->
                                String.format("\\\\u%04x", (int) half.group().charAt(0)));
    }
}
