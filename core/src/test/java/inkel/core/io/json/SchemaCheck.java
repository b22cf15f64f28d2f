package inkel.core.io.json;

import com.fasterxml.jackson.databind.JsonNode;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.PathType;
import com.networknt.schema.SchemaValidatorsConfig;
import com.networknt.schema.SpecVersion;
import com.networknt.schema.ValidationMessage;
import inkel.core.quantity.Fact;
import java.io.InputStream;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;

/** Holds a file against a published schema. */
public final class SchemaCheck {
    private static final String FOLDER = "/inkel/core/schema/";

    private final JsonSchema schema;

    private SchemaCheck(String name) {
        InputStream stream = SchemaCheck.class.getResourceAsStream(FOLDER + name);
        schema = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                .getSchema(
                        stream,
                        SchemaValidatorsConfig.builder()
                                .pathType(PathType.JSON_POINTER)
                                .build());
    }

    /** Of a build as it is written now. */
    public static SchemaCheck ofBuild() {
        return new SchemaCheck("build-2.schema.json");
    }

    /** Of a build as it was written before. */
    public static SchemaCheck ofOldBuild() {
        return new SchemaCheck("build-1.schema.json");
    }

    public static SchemaCheck ofPartClass() {
        return new SchemaCheck("part-class.schema.json");
    }

    /** What the schema finds wrong in a tree, without lines. */
    List<Problem> check(JsonNode tree) {
        return schema.validate(tree).stream().map(SchemaCheck::problem).toList();
    }

    /** What the schema finds wrong in a text, or that it is not JSON. */
    public List<Problem> check(String text) {
        try {
            return JsonText.located(text, check(JsonText.parse(text)));
        } catch (JsonText.BadJson bad) {
            return List.of(bad.problem());
        }
    }

    private static Problem problem(ValidationMessage message) {
        String arguments = message.getArguments() == null
                ? ""
                : Arrays.stream(message.getArguments()).map(String::valueOf).collect(Collectors.joining(", "));
        Fact reason =
                switch (message.getType()) {
                    case "required" -> Fact.of("problem.required").with("key", String.valueOf(message.getProperty()));
                    case "type" -> Fact.of("problem.type").with("detail", arguments);
                    case "pattern" ->
                        Fact.of("problem.pattern").with("found", String.valueOf(message.getInstanceNode()));
                    case "additionalProperties", "unevaluatedProperties" ->
                        Fact.of("problem.unknown_key").with("key", String.valueOf(message.getProperty()));
                    default ->
                        Fact.of("problem.schema")
                                .with("rule", message.getType())
                                .with("detail", arguments);
                };
        return new Problem(0, message.getInstanceLocation().toString(), reason);
    }
}
