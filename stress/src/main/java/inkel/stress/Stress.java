package inkel.stress;

import inkel.stress.cases.Batches;
import inkel.stress.cases.BuildMutants;
import inkel.stress.cases.Bytes;
import inkel.stress.cases.Captures;
import inkel.stress.cases.ClassMutants;
import inkel.stress.cases.Places;
import inkel.stress.cases.Records;
import inkel.stress.cases.Reports;
import inkel.stress.cases.SaveKills;
import inkel.stress.cases.Shown;
import inkel.stress.cases.Walks;
import inkel.stress.cases.WaysOut;
import inkel.stress.cases.WindowKills;
import inkel.stress.kit.Ordeal;
import inkel.stress.kit.Rounds;
import inkel.stress.kit.Tally;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.logging.LogManager;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Treats Inkel badly for a while and prints what came of it. */
@Command(
        name = "stress",
        mixinStandardHelpOptions = true,
        description = "Tries the promises of docs/promises.md for a while. Exit 0: all held; 1: some did not.")
public final class Stress implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Option(names = "--seconds", defaultValue = "60", description = "how long each ordeal goes on")
    private long seconds;

    @Option(names = "--rounds", description = "how many rounds each has, in place of a time")
    private Long rounds;

    @Option(names = "--seed", defaultValue = "1", description = "the same seed makes the same rounds")
    private long seed;

    @Option(names = "--only", split = ",", description = "these ordeals alone")
    private List<String> only;

    @Option(names = "--round", description = "one round alone, by its number")
    private Long round;

    @Option(names = "--keep", paramLabel = "FOLDER", description = "where to put what broke something")
    private Path keep;

    public static void main(String[] args) {
        // What the program notes for whoever mends it is counted here, and would bury the table.
        LogManager.getLogManager().reset();
        int code = new CommandLine(new Stress()).execute(args);
        System.out.flush();
        Runtime.getRuntime().halt(code);
    }

    /** Every ordeal there is, by its name; made when it is run. */
    public static Map<String, Callable<Ordeal>> all() {
        Map<String, Callable<Ordeal>> all = new LinkedHashMap<>();
        all.put("builds", BuildMutants::new);
        all.put("definitions", ClassMutants::new);
        all.put("records", Records::new);
        all.put("bytes", Bytes::new);
        all.put("batches", Batches::new);
        all.put("reports", Reports::new);
        all.put("captures", Captures::new);
        all.put("ways-out", WaysOut::new);
        all.put("walks", Walks::new);
        all.put("window", Shown::new);
        all.put("places", Places::new);
        all.put("save-kills", SaveKills::new);
        all.put("window-kills", WindowKills::new);
        return all;
    }

    @Override
    public Integer call() throws Exception {
        PrintWriter out = spec.commandLine().getOut();
        boolean isWell = true;
        for (Map.Entry<String, Callable<Ordeal>> made : all().entrySet()) {
            if (only == null || only.contains(made.getKey())) {
                Ordeal ordeal = made.getValue().call();
                Tally tally = run(ordeal);
                print(out, ordeal, tally);
                isWell &= tally.broken().isEmpty();
            }
        }
        return isWell ? 0 : 1;
    }

    private Tally run(Ordeal ordeal) {
        if (round != null) {
            Tally tally = new Tally();
            Rounds.one(ordeal, seed, round, tally);
            return tally;
        }
        if (rounds != null) {
            return Rounds.of(ordeal, seed, rounds);
        }
        long end = System.nanoTime() + seconds * 1_000_000_000L;
        return Rounds.of(ordeal, seed, () -> System.nanoTime() > end);
    }

    private void print(PrintWriter out, Ordeal ordeal, Tally tally) throws IOException {
        out.printf(Locale.ROOT, "%s: %s%n", ordeal.name(), ordeal.round());
        tally.counts().forEach((what, count) -> out.printf(Locale.ROOT, "  %,9d  %s%n", count, what));
        out.printf(Locale.ROOT, "  %,9d  broken%n", tally.brokenRounds());
        for (var found : tally.broken().entrySet()) {
            Tally.Broken first = found.getValue().get(0);
            out.printf(
                    Locale.ROOT,
                    "    %,7d × %s%n              round %d: %s%n",
                    found.getValue().size(),
                    found.getKey(),
                    first.round(),
                    first.detail().lines().findFirst().orElse(""));
            if (keep != null) {
                Files.createDirectories(keep);
                Files.write(
                        keep.resolve(ordeal.name() + "-" + first.round()),
                        first.sample().getBytes(StandardCharsets.UTF_8));
            }
        }
        out.flush();
    }
}
