package inkel.stress.cases;

import inkel.app.store.Examples;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Meter;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.UnreadableFile;
import inkel.core.wake.NodeWake;
import inkel.core.wake.WakePlan;
import inkel.core.wake.report.ReportPlan;
import inkel.core.wake.report.SimulatedBoard;
import inkel.core.wiring.WireList;
import inkel.stress.kit.Chance;
import inkel.stress.kit.Oddities;
import inkel.stress.kit.Ordeal;
import inkel.stress.kit.Scrawl;
import inkel.stress.kit.Tally;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;

/** What a board reports of itself, with words and bytes spoilt on their way. */
public final class Reports implements Ordeal {
    private final Path folder;
    private final List<String> good = new ArrayList<>();

    public Reports() throws IOException, UnreadableFile {
        folder = Files.createTempDirectory("inkel-stress-report");
        Build build = BuildReader.parse(Seeds.FILE, Seeds.examples().get(0), Seeds.CATALOG);
        Circuit circuit = Circuit.of(build, Seeds.CATALOG);
        List<WireList> lists = WireList.of(circuit);
        for (NodeWake wake : WakePlan.of(circuit, Meter.USUAL).nodes()) {
            WireList list = lists.stream()
                    .filter(of -> of.node().equals(wake.node()))
                    .findFirst()
                    .orElseThrow();
            good.add(new SimulatedBoard(ReportPlan.of(wake), list, asked -> Optional.empty()).report());
        }
    }

    @Override
    public String name() {
        return "reports";
    }

    @Override
    public String round() {
        return "a board's report with words and bytes spoilt, judged";
    }

    @Override
    public void round(long number, Random random, Tally tally) throws IOException {
        String[] lines = Chance.of(random, good).split("\n");
        for (int i = 0; i < 3; i++) {
            int line = random.nextInt(lines.length);
            String[] words = lines[line].split(" ");
            words[random.nextInt(words.length)] = Oddities.text(random);
            lines[line] = String.join(" ", words);
        }
        byte[] bytes = String.join("\n", Arrays.asList(lines)).getBytes(StandardCharsets.UTF_8);
        bytes = Chance.oneIn(random, 3) ? Scrawl.over(bytes, random) : bytes;
        Path file = folder.resolve("report.txt");
        Files.write(file, bytes);
        Path example = Examples.folder().resolve(Examples.DEMO);
        String sample = new String(bytes, StandardCharsets.ISO_8859_1);
        Said.by(
                        "wake",
                        example.toString(),
                        "--report",
                        file.toString(),
                        Chance.oneIn(random, 2) ? "--json" : "--node=lower-lock")
                .look(tally, sample);
    }
}
