package inkel.app.lab;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Measures and prints how fast Inkel is on this machine. */
@Command(name = "bench", description = "Measures the start of the window, assessment and placement on this machine.")
final class BenchCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() throws Exception {
        Benchmarks.run(spec.commandLine().getOut());
        return 0;
    }

    /** How long seating takes, and how good it is. */
    @Command(name = "seats", description = "Measures seating on breadboards: time, and wire over a lower bound.")
    int seats() throws Exception {
        SeatBench.run(spec.commandLine().getOut());
        return 0;
    }

    /** How long it takes to say what a wrong reading could be. */
    @Command(name = "suspects", description = "Measures how long suspects and the next look take.")
    int suspects() throws Exception {
        SuspectBench.run(spec.commandLine().getOut());
        return 0;
    }

    /** How long a large capture takes to read. */
    @Command(name = "capture", description = "Measures reading a capture beside a plain scan of its lines.")
    int capture(
            @Option(names = "--edges", defaultValue = "10000000", description = "how many changes of two wires")
                    int edges)
            throws Exception {
        CaptureBench.run(spec.commandLine().getOut(), edges);
        return 0;
    }

    /** The example with a record. */
    @Command(name = "season", description = "Writes the example that has a record anew.")
    int season(@Option(names = "-o", required = true, description = "the file") Path file) throws Exception {
        Season.write(file, spec.commandLine().getOut());
        return 0;
    }

    /** What the window takes while nobody touches it. */
    @Command(name = "rest", description = "Measures an idle window for a minute, and the heap after a thousand edits.")
    int rest() throws Exception {
        RestBench.run(spec.commandLine().getOut());
        return 0;
    }

    /** Tables far larger than anybody's. */
    @Command(name = "big", description = "Measures very large tables: thousands of lamps, hundreds of parts.")
    int big() throws Exception {
        BigBench.run(spec.commandLine().getOut());
        return 0;
    }

    /** The program's icon as pictures. */
    @Command(name = "icon", description = "Draws the program's icon in every size into a folder.")
    int icon(@Option(names = "-o", required = true, description = "the folder") Path folder) throws Exception {
        Icon.write(folder);
        return 0;
    }

    /** Whether the same build gives the same answer. */
    @Command(name = "same", description = "Checks the examples in many fresh processes; every answer must be the same.")
    int same(
            @Option(names = "--runs", defaultValue = "200", description = "how many processes for each example")
                    int runs)
            throws Exception {
        return Same.check(spec.commandLine().getOut(), runs) ? 0 : 1;
    }
}
