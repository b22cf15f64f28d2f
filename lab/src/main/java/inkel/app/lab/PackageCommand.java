package inkel.app.lab;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Makes what is given to others. */
@Command(
        name = "package",
        description = "Makes a folder that runs wherever it is put, with its own Java, and a .deb that installs it.")
final class PackageCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Option(names = "--to", description = "the folder for what is made; package in the sources unless given")
    private Path to;

    @Option(names = "--folder-only", description = "no .deb")
    private boolean isFolderOnly;

    @Override
    public Integer call() {
        PrintWriter out = spec.commandLine().getOut();
        Path root =
                Path.of(System.getProperty("inkel.home", ".")).toAbsolutePath().normalize();
        Packager packager = new Packager(root, to == null ? root.resolve("package") : to, out);
        try {
            Path portable = packager.portable();
            out.println("made " + portable + ", started by "
                    + portable.resolve("bin").resolve(Packager.NAME));
            if (!isFolderOnly) {
                out.println("made " + packager.installer(portable));
            }
            return 0;
        } catch (IOException failed) {
            spec.commandLine().getErr().println("The package could not be made: " + failed.getMessage());
            return 1;
        }
    }
}
