package inkel.app.cli;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import inkel.app.words.Words;
import inkel.core.calc.CalcRefused;
import inkel.core.calc.Calculator;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** One calculation, or many from a file. */
@Command(name = "calc", description = "One calculation: NAME key=value…; or many: --batch FILE.")
final class CalcCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "NAME key=value", arity = "0..*", description = "what to work out, and from what")
    private List<String> words = List.of();

    @Option(names = "--batch", paramLabel = "FILE", description = "one JSON object a line in, one answer a line out")
    private Path batch;

    @Option(names = "--json", description = "print one JSON object")
    private boolean json;

    @Override
    public Integer call() throws CalcRefused, IOException {
        if (batch != null) {
            runBatch();
            return 0;
        }
        if (words.isEmpty()) {
            spec.commandLine()
                    .getErr()
                    .println(Words.get(
                            "cli.calc.none",
                            "example",
                            Calculator.all().get(0).name() + " "
                                    + Calculator.all().get(0).example()));
            return Cli.FAILED;
        }
        Map<String, String> given = new LinkedHashMap<>();
        for (String word : words.subList(1, words.size())) {
            int equals = word.indexOf('=');
            if (equals <= 0) {
                spec.commandLine().getErr().println(Words.get("cli.calc.no_equals", "found", word));
                return Cli.FAILED;
            }
            given.put(word.substring(0, equals), word.substring(equals + 1));
        }
        Map<String, Object> answer = Calculator.answer(words.get(0), given);
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            out.println(Json.print(answer));
        } else {
            answer.forEach((key, value) -> out.println(key + " " + value));
        }
        return 0;
    }

    private void runBatch() throws IOException {
        PrintWriter out = spec.commandLine().getOut();
        try (BufferedReader reader = Files.newBufferedReader(batch, StandardCharsets.UTF_8)) {
            reader.lines().filter(line -> !line.isBlank()).forEach(line -> out.println(Json.line(answer(line))));
        }
    }

    private static Map<String, Object> answer(String line) {
        try {
            JsonNode asked = Json.MAPPER.readTree(line);
            if (!asked.isObject()) {
                return error(
                        Words.get("calc.not_an_object", "example", "{\"calc\":\"uart\",\"clock\":16e6,\"baud\":9600}"));
            }
            Map<String, String> given = new LinkedHashMap<>();
            asked.fields()
                    .forEachRemaining(
                            field -> given.put(field.getKey(), field.getValue().asText()));
            String name = given.getOrDefault("calc", "");
            given.remove("calc");
            return Calculator.answer(name, given);
        } catch (JsonProcessingException notJson) {
            return error(Words.get("problem.not_json", "detail", notJson.getOriginalMessage()));
        } catch (CalcRefused refused) {
            return error(Words.say(refused.reason()));
        }
    }

    private static Map<String, Object> error(String sentence) {
        Map<String, Object> answer = Json.object();
        answer.put("error", sentence);
        return answer;
    }
}
