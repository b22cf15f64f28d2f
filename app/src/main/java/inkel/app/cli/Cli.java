package inkel.app.cli;

import inkel.app.about.About;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** All commands. Exit codes: 0 done, 1 done and something is wrong with the build, 2 could not be done. */
@Command(
        name = "inkel",
        mixinStandardHelpOptions = true,
        scope = CommandLine.ScopeType.INHERIT,
        versionProvider = Cli.Versions.class,
        description = "Plans, checks and guides the wiring of modules to controller boards.",
        subcommands = {
            CheckCommand.class,
            PlanCommand.class,
            ExportCommand.class,
            ImportCommand.class,
            CalcCommand.class,
            CatalogueCommand.class,
            BoardsCommand.class,
            SeatsCommand.class,
            WakeCommand.class,
            PractiseCommand.class,
            DecodeCommand.class,
            CommandLine.HelpCommand.class
        })
public final class Cli {
    /** The command could not be carried out. */
    static final int FAILED = 2;

    private Cli() {}

    /** The program's version, and those of what it runs on. */
    static final class Versions implements CommandLine.IVersionProvider {
        @Override
        public String[] getVersion() {
            return new String[] {
                "Inkel " + About.version(), "Java " + About.java(), "JavaFX " + About.toolkit(),
            };
        }
    }

    /** Runs one command and returns its exit code. */
    public static int run(String... args) {
        return run(
                new PrintWriter(System.out, true, StandardCharsets.UTF_8),
                new PrintWriter(System.err, true, StandardCharsets.UTF_8),
                args);
    }

    /** Runs one command with other streams. */
    public static int run(PrintWriter out, PrintWriter err, String... args) {
        CommandLine line = new CommandLine(new Cli());
        line.setCaseInsensitiveEnumValuesAllowed(true);
        CalcCommand.tellAll(line.getSubcommands().get("calc"));
        line.setOut(out);
        line.setErr(err);
        line.setExecutionExceptionHandler((failure, command, parsed) -> {
            command.getErr().println(Failures.sentence(failure));
            return FAILED;
        });
        CommandLine.IParameterExceptionHandler usual = line.getParameterExceptionHandler();
        line.setParameterExceptionHandler((failure, arguments) -> {
            // A sentence that names what would be right needs no page of options below it.
            if (failure.getClass() != CommandLine.ParameterException.class) {
                return usual.handleParseException(failure, arguments);
            }
            failure.getCommandLine().getErr().println(failure.getMessage());
            return FAILED;
        });
        int code = line.execute(args.length == 0 ? new String[] {"--help"} : args);
        out.flush();
        err.flush();
        return code;
    }
}
