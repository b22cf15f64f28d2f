package inkel.app.cli;

import inkel.app.bench.Benchmarks;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
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
}
