package inkel.app.lab;

import inkel.app.Main;
import inkel.app.store.Examples;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Whether {@code check --json} says the same, byte for byte, in every fresh process. */
final class Same {
    private Same() {}

    static boolean check(PrintWriter out, int runs) throws IOException, InterruptedException {
        boolean isSame = true;
        for (String example : Examples.ALL) {
            Map<String, Integer> answers = new LinkedHashMap<>();
            for (int run = 0; run < runs; run++) {
                answers.merge(answer(example), 1, Integer::sum);
            }
            out.printf(Locale.ROOT, "%-36s %d answers in %d processes%n", example, answers.size(), runs);
            out.flush();
            isSame &= answers.size() == 1;
        }
        return isSame;
    }

    private static String answer(String example) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(Fresh.java());
        command.add("-Dinkel.state=" + Files.createTempDirectory("inkel-bench"));
        command.addAll(List.of(Main.class.getName(), "check"));
        command.add(Path.of("examples", example).toString());
        command.add("--json");
        Process process = new ProcessBuilder(command)
                .directory(Examples.folder().toAbsolutePath().getParent().toFile())
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        String answer = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        int code = process.waitFor();
        if (code != 0 && code != 1) {
            // Ended from outside: what it had printed by then is no answer.
            throw new IOException("the check of " + example + " ended with " + code);
        }
        return answer;
    }
}
