package inkel.app.lab;

import picocli.CommandLine;
import picocli.CommandLine.Command;

/** What the makers of Inkel run beside the program itself. */
@Command(
        name = "inkel",
        mixinStandardHelpOptions = true,
        subcommands = {BenchCommand.class, ShotsCommand.class, PackageCommand.class})
public final class Lab {
    private Lab() {}

    public static void main(String[] args) {
        System.exit(new CommandLine(new Lab()).execute(args));
    }
}
