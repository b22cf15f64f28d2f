package inkel.stress.cases;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import inkel.core.calc.Calculation;
import inkel.core.calc.Calculator;
import inkel.stress.kit.Chance;
import inkel.stress.kit.Ordeal;
import inkel.stress.kit.Scrawl;
import inkel.stress.kit.Spoiler;
import inkel.stress.kit.Tally;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;

/** Lines for calculations, spoilt in every way; each gets one answer, whatever stands around it. */
public final class Batches implements Ordeal {
    private static final ObjectMapper MAPPER = JsonMapper.builder().build();
    private static final int LINES = 50;

    @Override
    public String name() {
        return "batches";
    }

    @Override
    public String round() {
        return LINES + " lines for calc --batch, most of them spoilt";
    }

    @Override
    public void round(long number, Random random, Tally tally) throws IOException {
        ByteArrayOutputStream lines = new ByteArrayOutputStream();
        for (int i = 0; i < LINES; i++) {
            lines.writeBytes(line(random));
            lines.write('\n');
        }
        Path file = Files.createTempFile("inkel-stress", ".jsonl");
        Files.write(file, lines.toByteArray());
        Said said = Said.by("calc", "--batch", file.toString());
        Files.delete(file);
        List<String> answers = said.out().lines().toList();
        String sample = lines.toString(StandardCharsets.ISO_8859_1);
        said.look(tally, sample);
        if (answers.size() != LINES) {
            tally.broke("not one answer a line", answers.size() + " of " + LINES, sample);
        }
        for (String answer : answers) {
            tally.count("lines");
            try {
                JsonNode tree = MAPPER.readTree(answer);
                tally.count(tree.has("error") ? "refused" : "answered");
                if (!tree.has("error") && (answer.contains("Infinity") || answer.contains("NaN"))) {
                    tally.broke("no number", answer, sample);
                }
                if (tree.path("error").asText().contains("Exception")) {
                    tally.broke("insides of the program", answer, sample);
                }
            } catch (JsonProcessingException notJson) {
                tally.broke("an answer that is not JSON", answer, sample);
            }
        }
    }

    private static byte[] line(Random random) {
        Calculation calculation = Chance.of(random, Calculator.all());
        ObjectNode asked = MAPPER.createObjectNode().put("calc", calculation.name());
        for (String pair : calculation.example().split("\\s+(?=[a-z_]+=)")) {
            int equals = pair.indexOf('=');
            asked.put(pair.substring(0, equals), pair.substring(equals + 1));
        }
        JsonNode spoilt = Chance.oneIn(random, 5) ? asked : Spoiler.spoilt(asked, random);
        byte[] bytes = spoilt.toString().getBytes(StandardCharsets.UTF_8);
        bytes = Chance.oneIn(random, 5) ? Scrawl.over(bytes, random) : bytes;
        String text = new String(bytes, StandardCharsets.ISO_8859_1).replace("\n", " ");
        return (text.isBlank() ? "x" : text).getBytes(StandardCharsets.ISO_8859_1);
    }
}
