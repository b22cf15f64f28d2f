package inkel.app.cli;

import com.fasterxml.jackson.databind.JsonNode;
import inkel.app.lane.Trouble;
import inkel.app.words.Words;
import inkel.core.calc.CalcRefused;
import inkel.core.calc.Calculator;
import inkel.core.io.json.JsonText;
import java.io.BufferedInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintWriter;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine;
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

    /** Longer than any calculation's keys and values are. */
    private static final int LONGEST_LINE = 10_000;

    @Option(names = "--batch", paramLabel = "FILE", description = "one JSON object a line in, one answer a line out")
    private Path batch;

    @Option(names = "--json", description = "print one JSON object")
    private boolean json;

    /** Puts every calculation with an example below the usage of the command. */
    static void tellAll(CommandLine calc) {
        List<String> lines = new ArrayList<>();
        lines.add("");
        lines.add(Words.get("cli.calc.all"));
        Calculator.all()
                .forEach(
                        one -> lines.add("  " + one.name() + " " + one.example().replace("%", "%%")));
        calc.getCommandSpec().usageMessage().footer(lines.toArray(String[]::new));
    }

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
        try (InputStream bytes = new BufferedInputStream(Files.newInputStream(batch))) {
            ByteArrayOutputStream line = new ByteArrayOutputStream();
            for (int next = bytes.read(); next >= 0; next = bytes.read()) {
                if (next == '\n') {
                    answer(line, out);
                } else if (line.size() <= LONGEST_LINE) {
                    line.write(next);
                }
            }
            answer(line, out);
        }
    }

    /** Answers one line and begins the next; whatever is wrong with it, the others go on. */
    private static void answer(ByteArrayOutputStream line, PrintWriter out) {
        byte[] bytes = line.toByteArray();
        line.reset();
        if (bytes.length > LONGEST_LINE) {
            out.println(Json.line(error(Words.get("calc.too_long", "limit", LONGEST_LINE))));
            return;
        }
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
            if (!text.isBlank()) {
                out.println(Json.line(answer(text)));
            }
        } catch (CharacterCodingException notUtf8) {
            out.println(Json.line(error(Words.get("problem.not_utf8"))));
        }
    }

    private static Map<String, Object> answer(String line) {
        try {
            JsonNode asked = JsonText.parse(line);
            if (!asked.isObject()) {
                return error(
                        Words.get("calc.not_an_object", "example", "{\"calc\":\"uart\",\"clock\":16e6,\"baud\":9600}"));
            }
            Map<String, String> given = new LinkedHashMap<>();
            for (Map.Entry<String, JsonNode> field : asked.properties()) {
                if (field.getValue().isContainerNode() || field.getValue().isNull()) {
                    return error(Words.get("calc.not_a_value", "key", field.getKey()));
                }
                given.put(field.getKey(), field.getValue().asText());
            }
            String name = given.getOrDefault("calc", "");
            given.remove("calc");
            return Calculator.answer(name, given);
        } catch (JsonText.BadJson notJson) {
            return error(Words.say(notJson.problem().reason()));
        } catch (CalcRefused refused) {
            return error(Words.say(refused.reason()));
        } catch (RuntimeException mistake) {
            Trouble.severe(CalcCommand.class, "a line of a batch could not be worked out", mistake);
            return error(Words.get("cli.bug", "detail", mistake));
        }
    }

    private static Map<String, Object> error(String sentence) {
        Map<String, Object> answer = Json.object();
        answer.put("error", sentence);
        return answer;
    }
}
