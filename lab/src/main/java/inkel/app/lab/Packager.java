package inkel.app.lab;

import inkel.app.about.About;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintWriter;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.Enumeration;
import java.util.List;
import java.util.Optional;
import java.util.spi.ToolProvider;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;

/**
 * Makes the program as it is given to others: a folder with a Java of its own, and a package for Debian and its like.
 * The work is that of {@code jlink} and {@code jpackage}.
 */
final class Packager {
    static final String NAME = "inkel";
    static final String MEDIA_TYPE = "application/vnd.inkel+json";

    /** Of Java, what the libraries ask for by {@code jdeps}; of the window toolkit, what is on its path. */
    private static final List<String> MODULES = List.of(
            "javafx.controls",
            "java.desktop",
            "java.instrument",
            "java.logging",
            "java.management",
            "java.sql",
            "java.xml",
            "jdk.unsupported");

    /** As in the launcher of the sources, where the reasons stand. */
    private static final List<String> OPTIONS = List.of(
            "-XX:+UseSerialGC",
            "-XX:TieredStopAtLevel=1",
            "-XX:CICompilerCount=1",
            "-Xshare:auto",
            "-Xlog:disable",
            "-Xlog:all=error:stderr",
            "-Dfile.encoding=UTF-8",
            "-Dinkel.packaged=true",
            "-Dinkel.home=$APPDIR");

    private final Path root;
    private final Path folder;
    private final PrintWriter told;

    /**
     * @param root the sources, built
     * @param folder where what is made goes
     */
    Packager(Path root, Path folder, PrintWriter told) {
        this.root = root;
        this.folder = folder;
        this.told = told;
    }

    /** A folder that runs wherever it is put. */
    Path portable() throws IOException {
        Path work = Files.createTempDirectory("inkel-package");
        try {
            Path made = folder.resolve(NAME);
            delete(made);
            Files.createDirectories(folder);
            Path runtime = runtime(work);
            Path input = input(work);
            run(
                    "jpackage",
                    "--type",
                    "app-image",
                    "--name",
                    NAME,
                    "--app-version",
                    About.version(),
                    "--runtime-image",
                    runtime.toString(),
                    "--input",
                    input.toString(),
                    "--main-jar",
                    "inkel-app-" + About.version() + ".jar",
                    "--main-class",
                    "inkel.app.Main",
                    "--icon",
                    icon().toString(),
                    "--dest",
                    folder.toString(),
                    OPTIONS.stream().flatMap(option -> Stream.of("--java-options", option)));
            return made;
        } finally {
            delete(work);
        }
    }

    /** A package that a Debian-like system installs, with an entry in the menu and the type of its files. */
    Path installer(Path portable) throws IOException {
        Path work = Files.createTempDirectory("inkel-package");
        try {
            Path resources = Files.createDirectories(work.resolve("resources"));
            Files.copy(root.resolve("lab/src/main/package/inkel.desktop"), resources.resolve("inkel.desktop"));
            Files.copy(icon(), resources.resolve("inkel.png"));
            Path types = Files.writeString(
                    work.resolve("types.properties"),
                    "mime-type=" + MEDIA_TYPE + "\nextension=inkel.json\ndescription=Inkel build\n");
            run(
                    "jpackage",
                    "--type",
                    "deb",
                    "--name",
                    NAME,
                    "--app-version",
                    About.version(),
                    "--app-image",
                    portable.toString(),
                    "--resource-dir",
                    resources.toString(),
                    "--file-associations",
                    types.toString(),
                    "--license-file",
                    root.resolve("LICENSE").toString(),
                    "--description",
                    "planner and bench guide for electronics at home",
                    "--vendor",
                    "The makers of Inkel",
                    "--linux-deb-maintainer",
                    "inkel@localhost",
                    "--linux-app-category",
                    "electronics",
                    "--linux-shortcut",
                    "--linux-package-name",
                    NAME,
                    "--dest",
                    folder.toString());
            try (Stream<Path> made = Files.list(folder)) {
                return made.filter(file -> file.getFileName().toString().endsWith(".deb"))
                        .findFirst()
                        .orElseThrow();
            }
        } finally {
            delete(work);
        }
    }

    private Path icon() {
        return root.resolve("app/src/main/resources/inkel/app/icon/inkel-256.png");
    }

    /** A Java with what is needed and no more. Code of the machine lies beside its own, so that nothing is unpacked later. */
    private Path runtime(Path work) throws IOException {
        Path modules = Files.createDirectories(work.resolve("modules"));
        List<Path> toolkit = jars(root.resolve("app/target/fx"), "-linux");
        for (Path jar : toolkit) {
            Files.copy(jar, modules.resolve(jar.getFileName()));
        }
        Path runtime = work.resolve("runtime");
        run(
                "jlink",
                "--module-path",
                modules.toString(),
                "--add-modules",
                String.join(",", MODULES),
                "--no-header-files",
                "--no-man-pages",
                "--exclude-resources=glob:/javafx.graphics/*.so",
                "--output",
                runtime.toString());
        for (Path jar : toolkit) {
            unpackMachineCode(jar, runtime.resolve("lib"));
        }
        shareClasses(runtime);
        delete(runtime.resolve("bin"));
        return runtime;
    }

    /** The archive of Java's own classes, without which every start reads and checks them anew. */
    private void shareClasses(Path runtime) throws IOException {
        try {
            Process dump = new ProcessBuilder(
                            runtime.resolve("bin/java").toString(), "-XX:+UseSerialGC", "-Xshare:dump")
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                    .start();
            if (dump.waitFor() != 0) {
                told.println("the archive of shared classes was not made; it starts without");
            }
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            throw new IOException("stopped", stopped);
        }
    }

    private static void unpackMachineCode(Path jar, Path into) throws IOException {
        try (ZipFile zip = new ZipFile(jar.toFile())) {
            Enumeration<? extends ZipEntry> entries = zip.entries();
            while (entries.hasMoreElements()) {
                ZipEntry entry = entries.nextElement();
                if (entry.getName().endsWith(".so") && !entry.getName().contains("/")) {
                    try (InputStream code = zip.getInputStream(entry)) {
                        Files.copy(code, into.resolve(entry.getName()), StandardCopyOption.REPLACE_EXISTING);
                    }
                }
            }
        }
    }

    /** The program, its libraries, the examples and what must be said of them. */
    private Path input(Path work) throws IOException {
        Path input = Files.createDirectories(work.resolve("input"));
        List<Path> jars = new ArrayList<>(jars(root.resolve("app/target/lib"), ""));
        jars.add(root.resolve("app/target/inkel-app-" + About.version() + ".jar"));
        for (Path jar : jars) {
            Files.copy(jar, input.resolve(jar.getFileName()), StandardCopyOption.COPY_ATTRIBUTES);
        }
        Files.copy(root.resolve("LICENSE"), input.resolve("LICENSE"));
        Files.copy(root.resolve("NOTICE"), input.resolve("NOTICE"));
        Path examples = Files.createDirectories(input.resolve("examples"));
        try (Stream<Path> all = Files.list(root.resolve("examples"))) {
            for (Path example : all.filter(Files::isRegularFile).sorted().toList()) {
                Files.copy(example, examples.resolve(example.getFileName()));
            }
        }
        return input;
    }

    private static List<Path> jars(Path folder, String with) throws IOException {
        try (Stream<Path> all = Files.list(folder)) {
            return all.filter(file -> file.getFileName().toString().endsWith(with + ".jar"))
                    .sorted()
                    .toList();
        }
    }

    private void run(String tool, Object... words) throws IOException {
        String[] arguments = Stream.of(words)
                .flatMap(word -> word instanceof Stream<?> several ? several : Stream.of(word))
                .map(String::valueOf)
                .toArray(String[]::new);
        Optional<ToolProvider> found = ToolProvider.findFirst(tool);
        if (found.isEmpty()) {
            throw new IOException("this Java has no " + tool + ": a JDK 17 or later is needed");
        }
        if (found.get().run(told, told, arguments) != 0) {
            throw new IOException(tool + " could not do it; what it says stands above");
        }
    }

    static void delete(Path path) throws IOException {
        if (!Files.exists(path)) {
            return;
        }
        Files.walkFileTree(path, new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) throws IOException {
                Files.delete(file);
                return FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult postVisitDirectory(Path left, IOException failed) throws IOException {
                Files.delete(left);
                return FileVisitResult.CONTINUE;
            }
        });
    }
}
